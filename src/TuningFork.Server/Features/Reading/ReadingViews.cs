using TuningFork.Core.SightReading;
using TuningFork.Server.Features.Technique;

namespace TuningFork.Server.Features.Reading;

/// <summary>Where the reader stands in a strand.</summary>
/// <param name="Name">"metre and rhythm".</param>
/// <param name="Level">1 to 12, with parts.</param>
/// <param name="Sure">Half the width of what is believed, in levels.</param>
public sealed record StrandView(Strand Strand, string Name, double Level, double Sure);

/// <summary>A reading of before.</summary>
/// <param name="Right">Bars on time and right, of all bars.</param>
public sealed record PastReading(
    int Id,
    DateOnly Day,
    string Title,
    Strand Asked,
    int Level,
    int Bars,
    int Right,
    int Tempo,
    double Overall
);

/// <summary>What was read, and where that leaves the reader.</summary>
/// <param name="Words">What follows from the last two readings, or empty.</param>
/// <param name="Source">Where unseen music of the plan comes from.</param>
/// <param name="Lowest">Lowest written note of the player's own range; empty for none.</param>
/// <param name="Highest">Highest written note of it.</param>
/// <param name="CoverAhead">How many bars ahead of the sound bars are proposed to be covered: 0, 1 or 2; null for not at all.</param>
public sealed record ReadingBook(
    IReadOnlyList<StrandView> Strands,
    double Overall,
    int Count,
    string Words,
    ReadingSource Source,
    int? CoverAhead,
    string Lowest,
    string Highest,
    IReadOnlyList<PastReading> Past
);

/// <summary>What new music is to be like, where the reader has a wish.</summary>
/// <param name="Bars">2 to 16; 0 for what fits the level.</param>
/// <param name="Key">"Bb major"; empty for one of the level.</param>
/// <param name="Lowest">Lowest written note; empty for that of the player's own range.</param>
/// <param name="Highest">Highest written note; empty for that of the player's own range.</param>
public sealed record NewMusicWish(
    int Bars = 0,
    string Key = "",
    int? Position = null,
    bool OverTheBreak = false,
    bool ChordSymbols = false,
    string Lowest = "",
    string Highest = ""
);

/// <summary>Between which written notes the player reads at ease; both empty for what the instrument's range says.</summary>
public sealed record ReadingRangeWish(string Lowest, string Highest);

/// <summary>From what the music was composed: sent back with its result, it is composed again.</summary>
public sealed record ReadingSeed(int Seed, ReadingLevels Levels, Strand Asked, NewMusicWish Wish);

/// <summary>New music, to be read now.</summary>
/// <param name="Abc">The music in ABC notation.</param>
/// <param name="Played">How it sounds, in beats of the tempo.</param>
/// <param name="BothHands">Whether it has two staves.</param>
/// <param name="Second">A second voice that the app can play beside it; empty where there is none.</param>
/// <param name="Tempo">The tempo that is proposed.</param>
/// <param name="BeatsPerBar">Beats of the tempo in a bar.</param>
/// <param name="Keys">Keys on the screen on which it can be played; null where there are none or too many.</param>
/// <param name="LookSeconds">How long one looks at most.</param>
public sealed record NewMusicView(
    ReadingSeed Seed,
    string Title,
    string Abc,
    IReadOnlyList<PlayedNoteView> Played,
    bool BothHands,
    IReadOnlyList<PlayedNoteView> Second,
    int Tempo,
    string Beat,
    double BeatsPerBar,
    int Bars,
    KeysView? Keys,
    int LookSeconds,
    ReadingLook Look,
    string AskedWords
);

/// <summary>How it went.</summary>
/// <param name="Key">Makes it count once.</param>
/// <param name="Wrong">Bars from 1 that came late or wrong.</param>
/// <param name="Tempo">Tempo that was played.</param>
/// <param name="Tapped">True where only the rhythm was tapped: it says nothing of the other strands.</param>
public sealed record ReadingResult(Guid Key, ReadingSeed Seed, IReadOnlyList<int> Wrong, int Tempo, bool Tapped = false);

/// <summary>Where unseen music of the plan comes from.</summary>
public sealed record ReadingSourceWish(ReadingSource Source);
