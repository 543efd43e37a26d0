namespace TuningFork.Server.Features.Listening;

/// <summary>A note of a take that was listened to.</summary>
/// <param name="At">How far into the take, 0 to 1.</param>
/// <param name="LateMs">Milliseconds late; below zero for early.</param>
public sealed record HeardNoteView(double At, int LateMs);

/// <summary>Where a bar of a take begins.</summary>
/// <param name="At">How far into the take, 0 to 1.</param>
/// <param name="Number">The bar, as it is called in the music.</param>
public sealed record HeardBarView(double At, int Number);

/// <summary>A take that was listened to.</summary>
/// <param name="Clean">The verdict.</param>
/// <param name="Marked">How the player marked it; null where that was not said.</param>
/// <param name="Faults">What was not as written, with its bar.</param>
/// <param name="Timing">How early or late, in words.</param>
/// <param name="Help">What helps, where it rushes or drags; else empty.</param>
/// <param name="Late">Each note.</param>
/// <param name="Bars">Where its bars begin; none of takes that were listened to before bars were kept.</param>
/// <param name="WithClick">Whether it was played with a click.</param>
/// <param name="Intonation">How far from the pitch, in words; empty where it was not heard.</param>
/// <param name="Simulated">Whether a simulated player was listened to.</param>
/// <param name="PlayedTempo">The tempo at which it was played where no click gave one; null else, and where it stopped.</param>
/// <param name="Cause">What is missing, as the last takes of the thing have it; null where nothing comes again, and for takes gone by.</param>
public sealed record HeardView(
    int Id,
    DateOnly Day,
    DateTime AtUtc,
    int? MaterialId,
    string Title,
    int? Tempo,
    bool Clean,
    bool? Marked,
    int Notes,
    IReadOnlyList<string> Faults,
    IReadOnlyList<string> Timing,
    string Help,
    IReadOnlyList<HeardNoteView> Late,
    IReadOnlyList<HeardBarView> Bars,
    bool WithClick,
    IReadOnlyList<string> Intonation,
    bool Simulated,
    int? PlayedTempo,
    HeardCauseView? Cause
);

/// <summary>A cause that was heard in several takes of a thing.</summary>
/// <param name="Words">What was heard, and how often.</param>
/// <param name="Name">The cause.</param>
/// <param name="Remedy">What helps.</param>
/// <param name="Method">The method that does it.</param>
public sealed record HeardCauseView(string Words, string Name, string Remedy, string Method);

/// <summary>How a note is played over weeks.</summary>
/// <param name="Name">The note as it is read.</param>
/// <param name="Cents">How far from what is meant; below zero for flat.</param>
/// <param name="PlusMinus">How far that may be off.</param>
/// <param name="IsOff">Whether there is something to do about it.</param>
public sealed record PitchHabitView(string Name, double Cents, double PlusMinus, bool IsOff, int Days, int Notes);

/// <summary>Habits of pitch.</summary>
/// <param name="Notes">The notes, the lowest first.</param>
/// <param name="Words">What to see in them.</param>
public sealed record PitchHabitsView(IReadOnlyList<PitchHabitView> Notes, string Words);

/// <summary>What comes over the socket while takes are listened to.</summary>
/// <param name="Notes">Notes of the take under way.</param>
/// <param name="Heard">A take that is over; else null.</param>
/// <param name="Word">Why nothing can be compared, what is judged, or what is wrong with the sound; else empty.</param>
/// <param name="Waits">Whether nothing at hand can be compared, so that it waits for what comes next.</param>
public sealed record ListenView(int Notes, HeardView? Heard, string Word, bool Waits = false);

/// <summary>How far the verdicts can be relied on.</summary>
/// <param name="Agreed">Verdicts that the player marked the same way.</param>
/// <param name="Differed">Those marked the other way.</param>
/// <param name="Needed">Verdicts that have to agree before takes may be marked by them.</param>
/// <param name="MayMark">Whether they may.</param>
public sealed record TrustView(int Agreed, int Differed, int Needed, bool MayMark);

/// <summary>How the player marks a take that was listened to.</summary>
/// <param name="Clean">Clean or missed.</param>
public sealed record MarkRequest(bool Clean);

/// <summary>Takes that were listened to, the newest first.</summary>
public sealed record HeardListView(IReadOnlyList<HeardView> Takes);
