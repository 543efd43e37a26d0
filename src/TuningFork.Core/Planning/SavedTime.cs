using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Time that a drill leaves when it ends by its own rule: three clean came early, six takes were quick.</summary>
public static class SavedTime
{
    /// <summary>Less than this is not passed on: no take fits in it (common practice).</summary>
    public const int LeastSeconds = 15;

    /// <summary>The drill that gets what another has left: the next of its area in rounds, with the takes that now fit; null when there is none.</summary>
    /// <param name="ended">The drill that has ended.</param>
    /// <param name="waiting">The drills that still wait, in order.</param>
    /// <param name="seconds">Seconds it has left.</param>
    public static Drill? PassOn(Drill ended, IEnumerable<Drill> waiting, int seconds)
    {
        ArgumentNullException.ThrowIfNull(ended);
        var next = seconds < LeastSeconds ? null : waiting.FirstOrDefault(drill => drill.Area == ended.Area && drill.MethodId == Methods.OneTakeRounds.Id);
        return next is null ? null : RoundsFill.Sized(next with { SavedSeconds = next.SavedSeconds + seconds });
    }
}
