namespace TuningFork.Core.Listening;

/// <summary>A straight line through some points.</summary>
/// <param name="Slope">Its slope.</param>
/// <param name="Zero">Its height at 0.</param>
/// <param name="Error">Standard error of the slope.</param>
internal readonly record struct StraightLine(double Slope, double Zero, double Error)
{
    /// <summary>A point farther than so many standard deviations off has the weight of one that far off (Huber 1964).</summary>
    private const double Bend = 1.5;

    /// <summary>Turns after which the robust line does not move any more.</summary>
    private const int Turns = 8;

    /// <summary>A standard deviation beside the middle of the distances (of a normal distribution).</summary>
    private const double Deviation = 1.4826;

    /// <summary>The height at a place.</summary>
    public double At(double x) => Zero + (Slope * x);

    /// <summary>The line of the least squares.</summary>
    /// <param name="points">Three points or more.</param>
    public static StraightLine Through(IReadOnlyList<(double X, double Y)> points)
    {
        var line = Weighted(points, [.. Enumerable.Repeat(1.0, points.Count)]);
        var rest = points.Sum(point => Square(point.Y - line.At(point.X)));
        return line with { Error = ErrorOf(points, rest / (points.Count - 2)) };
    }

    /// <summary>A line on which a few points that are far off have little weight (Huber 1964, Annals of Mathematical Statistics 35, 73).</summary>
    /// <param name="points">Three points or more.</param>
    /// <param name="finest">No standard deviation of the points is smaller.</param>
    public static StraightLine Robust(IReadOnlyList<(double X, double Y)> points, double finest)
    {
        var line = Through(points);
        var bend = 0.0;
        for (var turn = 0; turn < Turns; turn++)
        {
            var off = points.Select(point => Math.Abs(point.Y - line.At(point.X))).ToList();
            bend = Bend * Math.Max(finest, Deviation * off.Order().ElementAt(off.Count / 2));
            line = Weighted(points, [.. off.Select(one => one <= bend ? 1 : bend / one)]);
        }

        var bent = points.Select(point => Math.Min(bend, Math.Abs(point.Y - line.At(point.X)))).ToList();
        var inside = Math.Max(1, bent.Count(one => one < bend)) / (double)points.Count;
        return line with { Error = ErrorOf(points, bent.Sum(Square) / (points.Count - 2)) / inside };
    }

    private static StraightLine Weighted(IReadOnlyList<(double X, double Y)> points, double[] weights)
    {
        var all = weights.Sum();
        var (mx, my) = (
            points.Zip(weights, (point, weight) => weight * point.X).Sum() / all,
            points.Zip(weights, (point, weight) => weight * point.Y).Sum() / all
        );
        var xx = points.Zip(weights, (point, weight) => weight * Square(point.X - mx)).Sum();
        var xy = points.Zip(weights, (point, weight) => weight * (point.X - mx) * (point.Y - my)).Sum();
        var slope = xx > 0 ? xy / xx : 0;
        return new StraightLine(slope, my - (slope * mx), 0);
    }

    private static double ErrorOf(IReadOnlyList<(double X, double Y)> points, double variance)
    {
        var mx = points.Average(point => point.X);
        var xx = points.Sum(point => Square(point.X - mx));
        return xx > 0 ? Math.Sqrt(variance / xx) : 0;
    }

    private static double Square(double value) => value * value;
}
