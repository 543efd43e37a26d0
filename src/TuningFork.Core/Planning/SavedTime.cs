using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Time that a drill leaves when it ends by its own rule: three clean came early, six takes were quick.</summary>
public static class SavedTime
{
    /// <summary>Less than this is not passed on: no take fits in it (common practice).</summary>
    public const int LeastSeconds = 15;

    /// <summary>
    /// The drill that gets what another has left: the next of its area in rounds, with the takes that now fit. It is doubled at most; what
    /// is beyond that stays over. Null when there is none.
    /// </summary>
    /// <param name="ended">The drill that has ended.</param>
    /// <param name="waiting">The drills that still wait, in order.</param>
    /// <param name="seconds">Seconds it has left.</param>
    /// <returns>The drill with its new time, and the seconds it got.</returns>
    public static (Drill Drill, int Seconds)? PassOn(Drill ended, IEnumerable<Drill> waiting, int seconds)
    {
        ArgumentNullException.ThrowIfNull(ended);
        if (seconds < LeastSeconds)
            return null;
        var next = waiting.FirstOrDefault(drill =>
            drill.MethodId == Methods.OneTakeRounds.Id
            && drill.MostRounds is null
            && drill.Area == ended.Area
            && Room(drill) >= LeastSeconds
        );
        if (next is null)
            return null;
        var passed = Math.Min(seconds, Room(next));
        return (RoundsFill.Sized(next with { SavedSeconds = next.SavedSeconds + passed }), passed);
    }

    private static int Room(Drill drill) => (drill.Minutes * 60) - drill.SavedSeconds;

    /// <summary>
    /// What a drill that is through before its time becomes when it goes on: rounds with as many takes more as fit. Null when it ends: a
    /// later drill can use the time, or no take fits.
    /// </summary>
    /// <param name="ended">The drill that has ended.</param>
    /// <param name="waiting">The drills that still wait, in order.</param>
    /// <param name="seconds">Seconds it has left.</param>
    public static Drill? Longer(Drill ended, IEnumerable<Drill> waiting, int seconds) =>
        PassOn(ended, waiting, seconds) is null ? GoOn(ended, seconds) : null;

    /// <summary>
    /// Rounds that are through before their time, with as many takes more as fit: for the last drill that could use the time. Null where
    /// none fits.
    /// </summary>
    /// <param name="ended">The drill that has ended.</param>
    /// <param name="seconds">Seconds it has left.</param>
    public static Drill? GoOn(Drill ended, int seconds)
    {
        ArgumentNullException.ThrowIfNull(ended);
        if (
            ended.MethodId != Methods.OneTakeRounds.Id
            || ended.MostRounds is not null
            || ended.Targets.Count < 2
            || ended.Sequence.Count == 0
            || ended.Targets.Any(target => target.TakeSeconds <= 0)
        )
            return null;
        var more = new List<int>();
        var last = ended.Sequence[^1];
        for (var left = seconds; ; )
        {
            var next = (last + 1) % ended.Targets.Count;
            // The last one may go on for a moment after the time is up.
            if (left < ended.Targets[next].TakeSeconds / 2)
                break;
            left -= ended.Targets[next].TakeSeconds;
            more.Add(next);
            last = next;
        }

        return more.Count == 0 ? null : ended with { Sequence = [.. ended.Sequence, .. more] };
    }
}
