using TuningFork.Core.Ability;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>What was known of a material before today's visit.</summary>
/// <param name="LastVisit">Day of the last visit, or null.</param>
/// <param name="Memory">Memory after it, or null when it never had a take.</param>
/// <param name="LastClean">Fastest clean tempo of the last visit with a clean take, or null.</param>
/// <param name="Reach">The reach kept after it, in beats; null before the first timed take.</param>
/// <param name="Visits">Visits before this one.</param>
public readonly record struct BeforeVisit(DateOnly? LastVisit, Memory? Memory, Bpm? LastClean, Reach? Reach = null, int Visits = 0);

/// <summary>What a visit comes to.</summary>
/// <param name="Grade">Its grade; null when there was no take.</param>
/// <param name="Memory">Memory after it; null when there never was a take.</param>
/// <param name="LastClean">Fastest clean tempo of the visit, else the one before.</param>
/// <param name="Slipped">True when the visit's test, its first take at or near reach, was missed; mended later or not.</param>
/// <param name="TriesToClean">Takes up to the first clean one, or null.</param>
/// <param name="Reach">The reach kept after it, in beats; null when no take was timed yet.</param>
public sealed record VisitOutcome(Grade? Grade, Memory? Memory, Bpm? LastClean, bool Slipped, int? TriesToClean, Reach? Reach);

/// <summary>Sums up all takes of one material on one day: several takes, one visit.</summary>
public static class Visits
{
    /// <summary>
    /// The outcome. The first take at or near reach (and whether the next mends it) counts for the memory; all timed takes count
    /// for the reach. Takes in passing test nothing: alone they leave the memory as it was, and only its day moves.
    /// </summary>
    /// <param name="before">What was known before.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="tries">The day's takes in order; none for a visit without takes.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <param name="start">Where the reach begins when nothing is known of it.</param>
    /// <param name="traits">The player's own.</param>
    public static VisitOutcome Sum(BeforeVisit before, DateOnly day, IReadOnlyList<Try> tries, Bpm? target, Reach start, Traits traits)
    {
        ArgumentNullException.ThrowIfNull(tries);
        if (tries.Count == 0)
            return new VisitOutcome(null, before.Memory, before.LastClean, false, null, before.Reach);
        var reach = Now(before, day);
        if (tries.All(take => take.InPassing))
            return new VisitOutcome(null, before.Memory, before.LastClean, false, null, After(before, day, tries, target, start, traits));
        var grade = Grading.Of(tries, reach?.Tempo, target);
        var days = before.LastVisit is { } last ? Math.Max(1, day.DayNumber - last.DayNumber) : 0;
        var clean = tries.Where(take => take is { Clean: true, Tempo: not null, Weight: > 0 }).Select(take => take.Tempo).Max();
        return new VisitOutcome(
            grade,
            Fsrs.After(before.Memory, days, grade),
            clean ?? before.LastClean,
            !tries[Grading.Test(tries, reach?.Tempo)].Clean,
            Grading.TriesToClean(tries),
            After(before, day, tries, target, start, traits)
        );
    }

    /// <summary>The reach after the takes; as it was where none was timed.</summary>
    private static Reach? After(BeforeVisit before, DateOnly day, IReadOnlyList<Try> tries, Bpm? target, Reach start, Traits traits)
    {
        var now = Now(before, day) ?? start;
        var timed = Evidence(tries);
        return timed.Count == 0 ? before.Reach : Estimate.Keep(now, Estimate.During(Estimate.Morning(now, traits, target?.Value), timed));
    }

    /// <summary>The reach as it stands on the day of a visit, before its takes; null when nothing is known of it.</summary>
    /// <param name="before">What was known before.</param>
    /// <param name="day">The practice day.</param>
    public static Reach? Now(BeforeVisit before, DateOnly day) =>
        before is { Reach: { } kept, LastVisit: { } last } ? Estimate.Later(kept, day.DayNumber - last.DayNumber, before.Visits) : null;

    /// <summary>Takes as evidence of the reach: those that were timed and count.</summary>
    /// <param name="tries">Takes in order.</param>
    public static IReadOnlyList<Evidence> Evidence(IEnumerable<Try> tries) =>
        [
            .. tries
                .Where(take => take is { Tempo: not null, Weight: > 0 })
                .Select(take => new Evidence(take.Tempo!.Value.Value, take.Clean, take.Weight)),
        ];
}
