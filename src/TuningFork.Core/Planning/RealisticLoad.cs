using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Tells, while a plan is made, what cannot work in its minutes.</summary>
public static class RealisticLoad
{
    /// <summary>
    /// Minutes that a passage needs under a method that repeats: about three or four passages in ten minutes (common practice).
    /// </summary>
    public const decimal MinutesEach = 2.5m;

    /// <summary>Two short ones are a touch of each, not a plan that fails (common practice).</summary>
    private const int Many = 3;

    /// <summary>What cannot work, each in a sentence with the sum and the remedy; empty when all of it can.</summary>
    /// <param name="drills">The drills of a day.</param>
    public static IReadOnlyList<string> Check(IReadOnlyList<Drill> drills)
    {
        ArgumentNullException.ThrowIfNull(drills);
        var found = new List<string>();
        var repeated = drills.Where(drill => !drill.IsBreak && Repeats(drill)).ToList();
        var minutes = repeated.Sum(drill => drill.Minutes);
        var needed = (int)Math.Ceiling(repeated.Count * MinutesEach);
        if (repeated.Count >= Many && minutes < needed)
            found.Add(
                $"{repeated.Count} passages are to be worked at one by one, in {Words.Minutes(minutes)}. About two and a half minutes each makes {needed}: leave {repeated.Count - Fitting(minutes)} out, or give {needed - minutes} more."
            );
        foreach (var drill in drills.Where(drill => drill.MethodId == Methods.OneTakeRounds.Id))
        {
            var round = drill.Targets.Sum(target => target.TakeSeconds);
            if (round > drill.Minutes * 60)
                found.Add(
                    $"{drill.Title}: one round of {drill.Targets.Count} lasts {round} s and there are {drill.Minutes * 60}. Give it {Words.Minutes((round + 59) / 60)}, or leave it out."
                );
        }

        return found;
    }

    private static int Fitting(int minutes) => Math.Max(1, (int)(minutes / MinutesEach));

    private static bool Repeats(Drill drill) =>
        drill is { Area: Area.Repertoire, Targets.Count: 1 }
        && (
            drill.MethodId == Methods.SlowReading.Id
            || Methods.Of(drill).Course is Course.CleanInRow or Course.CleanMinutes or Course.FixedCount or Course.Ladder
        );
}
