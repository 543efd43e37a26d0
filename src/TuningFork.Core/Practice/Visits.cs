using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>What was known of a material before today's visit.</summary>
/// <param name="LastVisit">Day of the last visit, or null.</param>
/// <param name="Memory">Memory after it, or null when it never had a take.</param>
/// <param name="LastClean">Last clean tempo, or null.</param>
public readonly record struct BeforeVisit(DateOnly? LastVisit, Memory? Memory, Bpm? LastClean);

/// <summary>What a visit comes to.</summary>
/// <param name="Grade">Its grade; null when there was no take.</param>
/// <param name="Memory">Memory after it; null when there never was a take.</param>
/// <param name="LastClean">Fastest clean tempo of the visit, else the one before.</param>
/// <param name="Slipped">True when the visit's first take, which is the test, was missed; mended later or not.</param>
/// <param name="Easy">True when there were takes and none was missed.</param>
/// <param name="TriesToClean">Takes up to the first clean one, or null.</param>
public sealed record VisitOutcome(Grade? Grade, Memory? Memory, Bpm? LastClean, bool Slipped, bool Easy, int? TriesToClean);

/// <summary>Sums up all takes of one material on one day: several takes, one visit.</summary>
public static class Visits
{
    /// <summary>
    /// The outcome. Only the first take (and whether the second mends it) counts for the memory; later takes count for tempo.
    /// </summary>
    /// <param name="before">What was known before.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="tries">The day's takes in order; none for a visit without takes.</param>
    /// <param name="target">Target tempo, or null.</param>
    public static VisitOutcome Sum(BeforeVisit before, DateOnly day, IReadOnlyList<Try> tries, Bpm? target)
    {
        ArgumentNullException.ThrowIfNull(tries);
        if (tries.Count == 0)
            return new VisitOutcome(null, before.Memory, before.LastClean, false, false, null);
        var grade = Grading.Of(tries, before.LastClean, target);
        var days = before.LastVisit is { } last ? Math.Max(1, day.DayNumber - last.DayNumber) : 0;
        var clean = tries.Where(take => take is { Clean: true, Tempo: not null }).Select(take => take.Tempo).Max();
        return new VisitOutcome(
            grade,
            Fsrs.After(before.Memory, days, grade),
            clean ?? before.LastClean,
            !tries[0].Clean,
            tries.All(take => take.Clean),
            Grading.TriesToClean(tries));
    }
}
