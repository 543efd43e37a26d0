namespace TuningFork.Core.LookingBack;

/// <summary>What a comparison of two groups comes to.</summary>
/// <param name="Difference">Mean of the first less mean of the second.</param>
/// <param name="Chance">In what part of shufflings a difference at least as large came about by chance, 0 to 1.</param>
public readonly record struct Compared(double Difference, double Chance);

/// <summary>Tests that assume nothing of how numbers are spread: the labels are shuffled (Fisher 1935, from memory).</summary>
public static class Shuffle
{
    private const int Rounds = 2000;

    /// <summary>
    /// Two groups compared by their means, on both sides; the same numbers give the same answer. The part counts the order that was seen
    /// as one of the shufflings (Phipson and Smyth 2010, from memory), so that it is never 0.
    /// </summary>
    /// <param name="one">Values of the first group, at least one.</param>
    /// <param name="other">Values of the second, at least one.</param>
    /// <exception cref="ArgumentException">A group is empty.</exception>
    public static Compared Means(IReadOnlyList<double> one, IReadOnlyList<double> other)
    {
        ArgumentNullException.ThrowIfNull(one);
        ArgumentNullException.ThrowIfNull(other);
        if (one.Count == 0 || other.Count == 0)
            throw new ArgumentException("Each group needs a value.", nameof(other));
        var all = one.Concat(other).ToArray();
        var total = all.Sum();
        double Of(double first) => (first / one.Count) - ((total - first) / other.Count);
        var seen = Of(one.Sum());
        return new Compared(seen, Part(all, Math.Abs(seen), values => Math.Abs(Of(Sum(values, one.Count)))));

        static double Sum(double[] values, int first)
        {
            var sum = 0.0;
            for (var i = 0; i < first; i++)
                sum += values[i];
            return sum;
        }
    }

    /// <summary>Whether two rows go together, by their ranks (Spearman), on both sides.</summary>
    /// <param name="x">First row.</param>
    /// <param name="y">Second row, as long.</param>
    /// <exception cref="ArgumentException">They are not equally long, or shorter than three.</exception>
    public static Compared Ranks(IReadOnlyList<double> x, IReadOnlyList<double> y)
    {
        var seen = Spearman(x, y);
        // Ranks stay what they are when they are shuffled.
        var (a, b) = (RanksOf(x), RanksOf(y));
        return new Compared(seen, Part(b, Math.Abs(seen), ranks => Math.Abs(Together(a, ranks))));
    }

    /// <summary>Spearman's rank correlation, ties at their middle rank; 0 where one row is all the same.</summary>
    /// <param name="x">First row.</param>
    /// <param name="y">Second row, as long.</param>
    /// <exception cref="ArgumentException">They are not equally long, or shorter than three.</exception>
    public static double Spearman(IReadOnlyList<double> x, IReadOnlyList<double> y)
    {
        ArgumentNullException.ThrowIfNull(x);
        ArgumentNullException.ThrowIfNull(y);
        if (x.Count != y.Count || x.Count < 3)
            throw new ArgumentException("The rows are equally long, three or more.", nameof(y));
        return Together(RanksOf(x), RanksOf(y));
    }

    /// <summary>How far two rows of ranks go together.</summary>
    private static double Together(double[] a, double[] b)
    {
        var mean = (a.Length + 1) / 2.0;
        var (sum, left, right) = (0.0, 0.0, 0.0);
        for (var i = 0; i < a.Length; i++)
        {
            sum += (a[i] - mean) * (b[i] - mean);
            left += (a[i] - mean) * (a[i] - mean);
            right += (b[i] - mean) * (b[i] - mean);
        }

        return left <= 0 || right <= 0 ? 0 : sum / Math.Sqrt(left * right);
    }

    private static double[] RanksOf(IReadOnlyList<double> values)
    {
        var order = Enumerable.Range(0, values.Count).OrderBy(i => values[i]).ToList();
        var ranks = new double[values.Count];
        for (var from = 0; from < order.Count; )
        {
            var to = from;
            while (to + 1 < order.Count && values[order[to + 1]].Equals(values[order[from]]))
                to++;
            for (var i = from; i <= to; i++)
                ranks[order[i]] = ((from + to) / 2.0) + 1;
            from = to + 1;
        }

        return ranks;
    }

    private static double Part(double[] values, double seen, Func<double[], double> measure)
    {
        var random = new Random(values.Length);
        var asLarge = 1;
        for (var round = 0; round < Rounds; round++)
        {
            random.Shuffle(values);
            // What differs by rounding alone is as large.
            if (measure(values) >= seen - 1e-12)
                asLarge++;
        }

        return (double)asLarge / (Rounds + 1);
    }
}
