using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>What becomes of an exercise at its review.</summary>
public enum ReviewDecision
{
    /// <summary>It stays; looked at again in four weeks.</summary>
    Keep,

    /// <summary>It rests and is looked at again in four weeks.</summary>
    Rest,

    /// <summary>It rests for good.</summary>
    Drop,

    /// <summary>It comes back from its rest.</summary>
    BringBack,
}

/// <summary>What the app would do, and why.</summary>
/// <param name="Decision">The proposal.</param>
/// <param name="Reason">Why, in a few words.</param>
public sealed record ReviewProposal(ReviewDecision Decision, string Reason);

/// <summary>Every exercise has a date on which to ask what becomes of it (common practice).</summary>
public static class Review
{
    /// <summary>Days until an exercise is looked at again.</summary>
    public const int Days = 28;

    /// <summary>
    /// The proposal: what has reached its target rests, what is stuck rests too, what was not wanted for weeks goes, what has rested
    /// comes back.
    /// </summary>
    /// <param name="exercise">The exercise.</param>
    /// <param name="today">The practice day.</param>
    public static ReviewProposal Propose(Material exercise, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(exercise);
        var away = exercise.LastVisit is { } last ? today.DayNumber - last.DayNumber : Days;
        return exercise switch
        {
            { Resting: true } => new(ReviewDecision.BringBack, "it has rested for weeks"),
            { Readiness: Readiness.Ready } => new(ReviewDecision.Rest, "its target is reached"),
            { Stuck: true } => new(
                ReviewDecision.Rest,
                exercise.Reach is { } reach ? $"stuck near {Tempo.Bpm.Near(reach.Tempo)}" : "stuck"
            ),
            { Visits: 0 } => new(ReviewDecision.Drop, "never played"),
            _ when away >= Days => new(ReviewDecision.Drop, $"not played for {Words.Days(away)}"),
            _ => new(ReviewDecision.Keep, exercise.LastClean is { } clean ? $"on its way: clean at {clean}" : "under way"),
        };
    }

    /// <summary>The day of the next review after a decision; null when there is none.</summary>
    public static DateOnly? Next(ReviewDecision decision, DateOnly today) => decision == ReviewDecision.Drop ? null : today.AddDays(Days);
}
