using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Time that a drill leaves when it ends by its own rule: three clean came early, six takes were quick.</summary>
public static class SavedTime
{
    /// <summary>Less than this is not passed on: no take fits in it (common practice).</summary>
    public const int LeastSeconds = 15;

    /// <summary>
    /// The drill that gets what another has left: the next of its area in rounds, else the next in rounds at all, with the takes that now
    /// fit; null when there is none.
    /// </summary>
    /// <param name="ended">The drill that has ended.</param>
    /// <param name="waiting">The drills that still wait, in order.</param>
    /// <param name="seconds">Seconds it has left.</param>
    public static Drill? PassOn(Drill ended, IEnumerable<Drill> waiting, int seconds)
    {
        ArgumentNullException.ThrowIfNull(ended);
        if (seconds < LeastSeconds)
            return null;
        var rounds = waiting.Where(drill => drill.MethodId == Methods.OneTakeRounds.Id && drill.MostRounds is null).ToList();
        var next = rounds.Find(drill => drill.Area == ended.Area) ?? rounds.FirstOrDefault();
        return next is null ? null : RoundsFill.Sized(next with { SavedSeconds = next.SavedSeconds + seconds });
    }

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
