using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>What makes unseen music hard, each with levels of its own.</summary>
public enum Strand
{
    /// <summary>Signs of the key, minors, accidentals.</summary>
    Keys,

    /// <summary>Metre and rhythm.</summary>
    Rhythm,

    /// <summary>Range and leaps.</summary>
    Range,

    /// <summary>Slurs, dynamics, articulation, several notes at once.</summary>
    Texture,
}

/// <summary>A level for each strand, 1 to <see cref="Most"/>.</summary>
public readonly record struct ReadingLevels(int Keys, int Rhythm, int Range, int Texture)
{
    /// <summary>The highest level.</summary>
    public const int Most = 12;

    /// <summary>So many levels below stand the strands that are not asked.</summary>
    private const int Below = 3;

    /// <summary>The same level everywhere.</summary>
    public static ReadingLevels All(int level) => new(level, level, level, level);

    /// <summary>The level of a strand.</summary>
    public int this[Strand strand] =>
        strand switch
        {
            Strand.Keys => Keys,
            Strand.Rhythm => Rhythm,
            Strand.Range => Range,
            _ => Texture,
        };

    /// <summary>One strand at its level and the others some levels below, none under 1.</summary>
    /// <param name="asked">The strand that is asked.</param>
    /// <param name="level">Its level.</param>
    /// <param name="of">The level of each strand.</param>
    public static ReadingLevels Asking(Strand asked, int level, Func<Strand, int> of)
    {
        ArgumentNullException.ThrowIfNull(of);
        int Of(Strand strand) => Math.Clamp(strand == asked ? level : of(strand) - Below, 1, Most);
        return new(Of(Strand.Keys), Of(Strand.Rhythm), Of(Strand.Range), Of(Strand.Texture));
    }
}

/// <summary>What is wished for: the same wish makes the same music.</summary>
public sealed record ReadingWish
{
    /// <summary>Fewest and most bars.</summary>
    public const int LeastBars = 2;

    /// <summary>Most bars.</summary>
    public const int MostBars = 16;

    /// <summary>Chance.</summary>
    public required int Seed { get; init; }

    /// <summary>How hard it is.</summary>
    public required ReadingLevels Levels { get; init; }

    /// <summary>The strand that is asked: what is new at its level comes for certain.</summary>
    public Strand Asked { get; init; } = Strand.Rhythm;

    /// <summary>For what it is written.</summary>
    public required Instrument Instrument { get; init; }

    /// <summary>Bars, <see cref="LeastBars"/> to <see cref="MostBars"/>; 0 for four to eight by its levels.</summary>
    public int Bars { get; init; }

    /// <summary>The key, or null for one of its level.</summary>
    public Key? Key { get; init; }

    /// <summary>Lowest written note of one's own comfortable range; null for that of the instrument.</summary>
    public Pitch? Lowest { get; init; }

    /// <summary>Highest written note of it.</summary>
    public Pitch? Highest { get; init; }

    /// <summary>Of fretted strings: the fret at which the hand lies, 0 to 12; null for anywhere.</summary>
    public int? Position { get; init; }

    /// <summary>Of clarinets: crossing the break between A4 and B4.</summary>
    public bool OverTheBreak { get; init; }

    /// <summary>Chord symbols above the bars.</summary>
    public bool ChordSymbols { get; init; }

    /// <summary>Of keyboards: the left hand alone, in the bass clef.</summary>
    internal bool LeftHand { get; init; }
}

/// <summary>Unseen music.</summary>
/// <param name="Score">The music, in written pitch, with its tempo.</param>
/// <param name="Levels">How hard it is.</param>
/// <param name="Asked">The strand that is asked.</param>
/// <param name="Chords">The chord of each bar, as degrees of the key from 0.</param>
/// <param name="Fingerprint">The same for the same music in any key.</param>
public sealed record Reading(Score Score, ReadingLevels Levels, Strand Asked, IReadOnlyList<int> Chords, string Fingerprint)
{
    /// <summary>A second voice beside it, of the same bars; null without pitch.</summary>
    public Score? Second { get; init; }

    /// <summary>True where the second voice is read as well, in a staff below: by keyboards.</summary>
    public bool BothHands { get; init; }

    /// <summary>What is read: one staff, or two.</summary>
    public IReadOnlyList<Score> Staves => BothHands && Second is not null ? [Score, Second] : [Score];
}

/// <summary>A wish that cannot be met; the message names the remedy.</summary>
/// <param name="field">What it is about.</param>
/// <param name="message">Why, and what to do.</param>
public sealed class ReadingException(string field, string message) : Exception(message)
{
    /// <summary>What it is about.</summary>
    public string Field { get; } = field;
}
