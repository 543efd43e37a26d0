using TuningFork.Core.Tempo;

namespace TuningFork.Core.Spacing;

/// <summary>One try as the memory counts it.</summary>
/// <param name="Clean">Whether it was clean.</param>
/// <param name="Tempo">Tempo it was played at, or null when untimed.</param>
public readonly record struct Try(bool Clean, Bpm? Tempo);

/// <summary>Computes the grade of a visit from its takes; nobody is asked for one.</summary>
public static class Grading
{
    /// <summary>A first take counts as slow below this part of the last clean tempo (common practice).</summary>
    public const double SlowPart = 0.85;

    /// <summary>
    /// The rule. The first take is the test: clean at the target, or faster than ever clean, is Easy; clean near the last
    /// clean tempo is Good; clean but below 85 % of it is Hard. Missed, then clean on the second try without slowing
    /// below 85 % of the first: Hard. Anything else: Again.
    /// </summary>
    /// <param name="tries">All takes of one material on one day, in order; at least one.</param>
    /// <param name="lastClean">Last clean tempo of earlier days, or null.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <exception cref="ArgumentException">There is no take.</exception>
    public static Grade Of(IReadOnlyList<Try> tries, Bpm? lastClean, Bpm? target)
    {
        ArgumentNullException.ThrowIfNull(tries);
        if (tries.Count == 0)
            throw new ArgumentException("A visit has at least one take.", nameof(tries));
        var first = tries[0];
        if (!first.Clean)
        {
            var second = tries.Count > 1 && tries[1].Clean && !IsSlow(tries[1].Tempo, first.Tempo);
            return second ? Grade.Hard : Grade.Again;
        }

        if (IsSlow(first.Tempo, lastClean))
            return Grade.Hard;
        var atTarget = first.Tempo is { } tempo && target is { } goal && tempo >= goal;
        var fasterThanEver = first.Tempo is { } now && lastClean is { } before && now.Value >= before.Value * 1.04;
        return lastClean is not null && (atTarget || fasterThanEver) ? Grade.Easy : Grade.Good;
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

    private static bool IsSlow(Bpm? played, Bpm? reference) =>
        played is { } tempo && reference is { } before && tempo.Value < before.Value * SlowPart;
}
