using TuningFork.Core.Recordings;

namespace TuningFork.Server.Features.Recordings;

/// <summary>A recording.</summary>
/// <param name="Title">What was played, or what it is called.</param>
/// <param name="Method">The method by name, or empty.</param>
/// <param name="Clean">How the take was marked; null where it was not.</param>
/// <param name="AsImagined">Whether it is as it was imagined; null where it was not said.</param>
/// <param name="Change">What would have to change, or empty.</param>
/// <param name="IsThere">Whether its sound is there.</param>
/// <param name="Word">What is the matter with it, in a sentence; empty for nothing.</param>
/// <param name="Room">How much room it takes, in words.</param>
public sealed record RecordingView(
    int Id,
    RecordingKind Kind,
    int? MaterialId,
    string Title,
    DateOnly Day,
    DateTime AtUtc,
    int? Tempo,
    string Beat,
    string Method,
    bool? Clean,
    string Name,
    string ContentType,
    double Seconds,
    bool? AsImagined,
    string Change,
    bool IsMarked,
    bool IsThere,
    string Word,
    string Room,
    LoopView Loop
);

/// <summary>How it was last played: a stretch in seconds, percent of its speed, seconds counted in, and what was played in all.</summary>
public sealed record LoopView(double? From, double? To, int Speed, int CountIn, int Rounds, double PlayedSeconds, DateOnly? LastPlayed);

/// <summary>Recordings, the newest first.</summary>
/// <param name="More">Whether there are older ones.</param>
public sealed record RecordingsView(IReadOnlyList<RecordingView> Recordings, bool More);

/// <summary>A recording that begins.</summary>
/// <param name="Key">Its own: sent again it begins once.</param>
/// <param name="MaterialId">What is played; null for something without a name of its own.</param>
/// <param name="Name">What it is called where nothing is played that has a name.</param>
public sealed record RecordingWish(
    Guid Key,
    int? MaterialId,
    string ContentType,
    string? TargetKey = null,
    int? Tempo = null,
    string? Method = null,
    string? Name = null
);

/// <summary>How much of a recording is here.</summary>
/// <param name="Bytes">Send what follows on so many bytes.</param>
public sealed record RecordedSoFar(int Id, long Bytes);

/// <summary>A recording has ended.</summary>
/// <param name="Clean">How the take was marked; null where it was not.</param>
public sealed record RecordingEnd(double Seconds, bool? Clean = null);

/// <summary>One's own two answers, and whether it is to stay.</summary>
public sealed record RecordingWords(bool? AsImagined, string Change, bool IsMarked, string? Name = null);

/// <summary>How it was played: kept for the next time.</summary>
/// <param name="Rounds">Rounds since it was last told.</param>
/// <param name="PlayedSeconds">Seconds since it was last told.</param>
/// <param name="Tempo">The tempo at full speed, for counting in; null to leave it as it is.</param>
public sealed record LoopWish(double? From, double? To, int Speed, int CountIn, int Rounds, double PlayedSeconds, int? Tempo = null);

/// <summary>The room that recordings take.</summary>
/// <param name="Words">How much is used of how much.</param>
/// <param name="Rule">What goes when there is no more.</param>
public sealed record RoomView(int Megabytes, long UsedBytes, string Words, string Rule);

/// <summary>The room that they may take.</summary>
public sealed record RoomWish(int Megabytes);

/// <summary>The first and the newest recording of a thing.</summary>
/// <param name="Offer">What to do with them today.</param>
/// <param name="Words">How far they lie apart, and what is offered, in a sentence.</param>
public sealed record ApartView(int MaterialId, string Title, ApartOffer Offer, string Words, RecordingView First, RecordingView Newest);

/// <summary>Two recordings were heard side by side.</summary>
/// <param name="Key">That of the line in the journal.</param>
/// <param name="Different">What is different; empty for no line.</param>
public sealed record ApartWish(Guid Key, int FirstId, int NewestId, string Different);
