namespace TuningFork.Core.LookingBack;

/// <summary>A visit by one method alone: what it gained, and in how many minutes.</summary>
/// <param name="Method">The method's name.</param>
/// <param name="Gain">Gain of what can be done, in percent; negative where it lost.</param>
/// <param name="Minutes">Minutes that it had, above 0.</param>
public sealed record MethodVisit(string Method, double Gain, double Minutes);

/// <summary>What a method brought.</summary>
/// <param name="Method">Its name.</param>
/// <param name="Visits">Visits by it alone.</param>
/// <param name="Gain">Gain in percent for ten minutes of it.</param>
/// <param name="Low">Lower end of where it likely lies (80 %).</param>
/// <param name="High">Upper end.</param>
public sealed record MethodGain(string Method, int Visits, double Gain, double Low, double High)
{
    /// <summary>Visits that are needed to say anything (common practice).</summary>
    public const int Enough = 10;

    private const double Unit = 10;
    private const int Draws = 1000;
    private const double Tail = 0.1;

    /// <summary>Methods with enough visits, what brought most first.</summary>
    /// <param name="visits">Visits by one method each.</param>
    public static IReadOnlyList<MethodGain> Of(IEnumerable<MethodVisit> visits)
    {
        ArgumentNullException.ThrowIfNull(visits);
        return
        [
            .. visits
                .GroupBy(visit => visit.Method, StringComparer.Ordinal)
                .Where(group => group.Count() >= Enough)
                .Select(group => Measured(group.Key, [.. group]))
                .OrderByDescending(one => one.Gain),
        ];
    }

    /// <summary>What to see in it.</summary>
    /// <param name="all">Methods with enough visits.</param>
    public static string Words(IReadOnlyList<MethodGain> all)
    {
        ArgumentNullException.ThrowIfNull(all);
        if (all.Count < 2)
            return $"Too little to compare methods: each needs {Enough} visits on which nothing else was done with the thing.";
        var (best, next) = (all[0], all[1]);
        return best.Low > next.High
            ? $"{Practice.Words.Sentence(best.Method)} brought most for its minutes, clearly more than {next.Method}."
            : $"{Practice.Words.Sentence(best.Method)} brought most for its minutes, but {next.Method} may be as good: their ranges overlap.";
    }

    /// <summary>All gain over all minutes, and its range by drawing the visits again (bootstrap; Efron 1979, from memory).</summary>
    private static MethodGain Measured(string method, IReadOnlyList<MethodVisit> visits)
    {
        static double Rate(IEnumerable<MethodVisit> some)
        {
            var (gain, minutes) = some.Aggregate((0.0, 0.0), (sum, one) => (sum.Item1 + one.Gain, sum.Item2 + one.Minutes));
            return Unit * gain / minutes;
        }

        var random = new Random(visits.Count);
        var drawn = Enumerable
            .Range(0, Draws)
            .Select(_ => Rate(Enumerable.Range(0, visits.Count).Select(_ => visits[random.Next(visits.Count)])))
            .Order()
            .ToList();
        return new MethodGain(method, visits.Count, Rate(visits), drawn[(int)(Draws * Tail)], drawn[(int)(Draws * (1 - Tail))]);
    }
}
