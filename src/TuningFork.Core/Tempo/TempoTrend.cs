namespace TuningFork.Core.Tempo;

/// <summary>A visit as the tempo history keeps it.</summary>
/// <param name="Day">The practice day.</param>
/// <param name="Clean">Fastest clean tempo of the visit; null when none was clean.</param>
/// <param name="Tried">Fastest tempo tried.</param>
/// <param name="Reach">What the player could do after it, in beats a minute; null where no take was timed.</param>
/// <param name="Slow">True when all its takes were slow on purpose: they say nothing about the reach.</param>
public readonly record struct TempoPoint(DateOnly Day, int? Clean, int? Tried, double? Reach = null, bool Slow = false);

/// <summary>Trends in a row of numbers without assuming that they are evenly spread or free of outliers.</summary>
public static class Trend
{
    /// <summary>
    /// The Theil-Sen slope: the median of the slopes of all pairs with different places (Theil 1950, Sen 1968, from memory).
    /// </summary>
    /// <param name="points">Place and value; at least two different places.</param>
    /// <exception cref="ArgumentException">There are fewer than two different places.</exception>
    public static double TheilSen(IReadOnlyList<(double X, double Y)> points)
    {
        ArgumentNullException.ThrowIfNull(points);
        var slopes = new List<double>();
        for (var i = 0; i < points.Count; i++)
        {
            for (var j = i + 1; j < points.Count; j++)
            {
                if (points[i].X != points[j].X)
                    slopes.Add((points[j].Y - points[i].Y) / (points[j].X - points[i].X));
            }
        }

        return slopes.Count > 0 ? Median(slopes) : throw new ArgumentException("A slope needs two different places.", nameof(points));
    }

    /// <summary>The middle value; the mean of the two middle ones of an even number.</summary>
    /// <param name="values">At least one.</param>
    public static double Median(IEnumerable<double> values)
    {
        var sorted = values.Order().ToList();
        if (sorted.Count == 0)
            throw new ArgumentException("There is no middle of nothing.", nameof(values));
        var middle = sorted.Count / 2;
        return sorted.Count % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }

    /// <summary>
    /// Kendall's S of the Mann-Kendall test and its z, ties counted: above 1.645 the row rises, at the level of 5 % on one
    /// side (Mann 1945, Kendall 1975, from memory).
    /// </summary>
    /// <param name="values">The row in order.</param>
    public static (int S, double Z) MannKendall(IReadOnlyList<double> values)
    {
        ArgumentNullException.ThrowIfNull(values);
        var n = values.Count;
        var s = 0;
        for (var i = 0; i < n; i++)
        {
            for (var j = i + 1; j < n; j++)
                s += Math.Sign(values[j] - values[i]);
        }

        var ties = values.GroupBy(value => value).Sum(group => group.Count() * (group.Count() - 1.0) * ((2 * group.Count()) + 5));
        var variance = ((n * (n - 1.0) * ((2 * n) + 5)) - ties) / 18;
        var z = variance <= 0 || s == 0 ? 0 : (s - Math.Sign(s)) / Math.Sqrt(variance);
        return (s, z);
    }
}
