namespace TuningFork.Core.Repertoire;

/// <summary>What a day before a performance is for.</summary>
public enum Phase
{
    /// <summary>Passages, each by itself.</summary>
    Passages,

    /// <summary>Longer and longer sections.</summary>
    Sections,

    /// <summary>The whole piece every other day.</summary>
    RunThroughs,
}

/// <summary>Something that could be left out so that a performance fits.</summary>
/// <param name="MaterialId">The passage; null where no passage would do.</param>
/// <param name="Title">The passage by its short title; empty where none would do.</param>
/// <param name="Words">What to do, and what it saves.</param>
public sealed record LeaveOut(int? MaterialId, string Title, string Words);

/// <summary>The way to a performance, backwards from its date, with the sum of what it needs.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Date">The day of it.</param>
/// <param name="SectionsFrom">First day of joined sections.</param>
/// <param name="RunsFrom">First day of run-throughs.</param>
/// <param name="PassageMinutes">Minutes that the passages still need.</param>
/// <param name="SectionMinutes">Minutes of sections.</param>
/// <param name="Runs">Run-throughs.</param>
/// <param name="RunSeconds">Seconds of one.</param>
/// <param name="AvailableMinutes">Minutes of repertoire until then, from real habits, less what performances before it need.</param>
/// <param name="Earlier">Minutes that performances before it need, or others of the same day that come first.</param>
/// <param name="LeaveOut">Where it does not fit: what to leave out or take slower, in the order proposed.</param>
public sealed record PerformancePlan(
    int PieceId,
    string Title,
    DateOnly Date,
    DateOnly SectionsFrom,
    DateOnly RunsFrom,
    int PassageMinutes,
    int SectionMinutes,
    int Runs,
    int RunSeconds,
    int AvailableMinutes,
    int Earlier,
    IReadOnlyList<LeaveOut> LeaveOut
)
{
    private const int ManyTimes = 5;

    /// <summary>The day on which what rested for it is taken up again: the one after.</summary>
    public DateOnly RestUntil => Date.AddDays(1);

    /// <summary>Minutes needed in all.</summary>
    public int NeededMinutes => PassageMinutes + SectionMinutes + ((Runs * RunSeconds) + 59) / 60;

    /// <summary>Whether there are enough minutes.</summary>
    public bool Fits => NeededMinutes <= AvailableMinutes;

    /// <summary>The sum in words.</summary>
    public string Words
    {
        get
        {
            var sum =
                $"To be ready on {Date:d MMM}: {Say(PassageMinutes)} of passages, {Say(SectionMinutes)} of joined sections, {Practice.Words.Count(Runs, "run-through")} of {Say((RunSeconds + 59) / 60)}. You usually have {Say(AvailableMinutes)} for it until then{(Earlier > 0 ? $", {Say(Earlier)} for other dates taken off" : "")}.";
            var gap = Math.Abs(AvailableMinutes - NeededMinutes);
            return Fits ? $"{sum} It fits, with {Say(gap)} to spare." : $"{sum} That is {Say(gap)} too few.";
        }
    }

    /// <summary>The warning of a day's plan; empty when it fits.</summary>
    public string Warning =>
        Fits ? ""
        // So far ahead the sum is no more than a direction.
        : AvailableMinutes > 0 && NeededMinutes > ManyTimes * AvailableMinutes
            ? $"{Title} on {Date:d MMM} needs many times the {Say(AvailableMinutes)} you usually have until then. Its page says what could be left out."
        : $"{Title} on {Date:d MMM} needs {Say(NeededMinutes)}; you usually have {Say(AvailableMinutes)} until then. Its page says what could be left out.";

    private static string Say(int minutes) =>
        minutes < 60 ? $"{minutes} min"
        : minutes % 60 == 0 ? $"{minutes / 60} h"
        : $"{minutes / 60} h {minutes % 60} min";
}
