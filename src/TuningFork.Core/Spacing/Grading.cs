using TuningFork.Core.Tempo;

namespace TuningFork.Core.Spacing;

/// <summary>One try as the memory counts it.</summary>
/// <param name="Clean">Whether it was clean.</param>
/// <param name="Tempo">Tempo it was played at, or null when untimed.</param>
/// <param name="Weight">How much it says about the tempo that can be played, 0 to 1: half where it tests something else as well.</param>
/// <param name="InPassing">Whether it was a spare minute: it is never the test of a day.</param>
public readonly record struct Try(bool Clean, Bpm? Tempo, double Weight = 1, bool InPassing = false)
{
    /// <summary>How much a take in passing says: it is cold and easy.</summary>
    public const double PassingWeight = 0.5;
}

/// <summary>Computes the grade of a visit from its takes; nobody is asked for one.</summary>
public static class Grading
{
    /// <summary>A take counts as slow below this part of the reach (common practice).</summary>
    public const double SlowPart = 0.85;

    /// <summary>A take counts as near the target from this part of it on.</summary>
    public const double TargetPart = 0.92;

    /// <summary>
    /// The rule. The first take at or near reach is the test; where all were slower, the first. Clean near the target is Easy,
    /// unless it is the first visit; clean near reach is Good; clean but slow is Hard. Missed, then clean on the next try without
    /// slowing below 85 % of it: Hard. Anything else: Again.
    /// </summary>
    /// <param name="tries">All takes of one material on one day, in order; at least one.</param>
    /// <param name="reach">The tempo at which five of six takes come clean, as it was known before the visit; null on the first.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <exception cref="ArgumentException">There is no take.</exception>
    public static Grade Of(IReadOnlyList<Try> tries, double? reach, Bpm? target)
    {
        var place = Test(tries, reach);
        var test = tries[place];
        if (!test.Clean)
        {
            var next = place + 1 < tries.Count && tries[place + 1].Clean && !IsSlow(tries[place + 1].Tempo, test.Tempo?.Value);
            return next ? Grade.Hard : Grade.Again;
        }

        if (IsSlow(test.Tempo, reach))
            return Grade.Hard;
        return reach is not null && test.Tempo is { } tempo && target is { } goal && tempo.Value >= goal.Value * TargetPart
            ? Grade.Easy
            : Grade.Good;
    }

    /// <summary>The place of the take that is the test of a visit: none of those in passing while there are others.</summary>
    /// <param name="tries">All takes of one material on one day, in order; at least one.</param>
    /// <param name="reach">The tempo at which five of six takes come clean, or null.</param>
    /// <exception cref="ArgumentException">There is no take.</exception>
    public static int Test(IReadOnlyList<Try> tries, double? reach)
    {
        ArgumentNullException.ThrowIfNull(tries);
        if (tries.Count == 0)
            throw new ArgumentException("A visit has at least one take.", nameof(tries));
        var first = -1;
        for (var i = 0; i < tries.Count; i++)
        {
            if (tries[i].InPassing)
                continue;
            if (!IsSlow(tries[i].Tempo, reach))
                return i;
            if (first < 0)
                first = i;
        }

        return Math.Max(0, first);
    }

    /// <summary>Takes up to and with the first clean one; null when none was clean.</summary>
    /// <param name="tries">All takes of a visit in order.</param>
    public static int? TriesToClean(IReadOnlyList<Try> tries)
    {
        ArgumentNullException.ThrowIfNull(tries);
        for (var i = 0; i < tries.Count; i++)
        {
            if (tries[i].Clean)
                return i + 1;
        }

        return null;
    }

    private static bool IsSlow(Bpm? played, double? reference) =>
        played is { } tempo && reference is { } before && tempo.Value < before * SlowPart;
}
