using System.Globalization;

namespace TuningFork.Core.Tempo;

/// <summary>When a target may be reached.</summary>
/// <param name="Earliest">Early end of the range.</param>
/// <param name="Likely">The middle.</param>
/// <param name="Latest">Late end of the range; null when it may not be reached at this pace.</param>
/// <param name="Words">The forecast in a sentence.</param>
public sealed record ForecastView(DateOnly Earliest, DateOnly Likely, DateOnly? Latest, string Words);

/// <summary>
/// A forecast of the day on which a target is clean, honest about slowing growth: the tempo nears a ceiling, its distance
/// shrinking by the same part every day, or by a power of the days (the two learning curves of Heathcote, Brown and Mewhort
/// 2000, Psychonomic Bulletin and Review 7, 185, from memory). Many ceilings and paces are tried; each counts by how well it
/// fits the visits, and the range leaves out the earliest 15 and the latest 7 in a hundred of what they say.
/// </summary>
public static class Forecast
{
    /// <summary>Fewest visits with a clean tempo.</summary>
    public const int LeastVisits = 6;

    /// <summary>Days beyond which nobody can tell.</summary>
    public const int MostDays = 1000;

    /// <summary>How much worse a curve may fit before it counts for little: above 1 because no learner follows a curve exactly.</summary>
    private const double Caution = 1.3;

    private const double Early = 0.15;
    private const double Late = 0.93;

    /// <summary>Days after which growth by a power begins to slow.</summary>
    private static readonly double[] PowerUnits = [5, 20];

    /// <summary>The forecast; null when there is too little to go by, or the target is reached.</summary>
    /// <param name="points">All visits, in order.</param>
    /// <param name="target">The target.</param>
    public static ForecastView? For(IReadOnlyList<TempoPoint> points, Bpm target)
    {
        ArgumentNullException.ThrowIfNull(points);
        var clean = points.Where(point => point.Clean is not null).ToList();
        if (clean.Count < LeastVisits || clean[^1].Clean >= target.Value)
            return null;
        var first = clean[0].Day.DayNumber;
        var curves = Curves([.. clean.Select(point => ((double)(point.Day.DayNumber - first), point.Clean!.Value / (double)target.Value))]);
        var today = clean[^1].Day;
        var now = today.DayNumber - first;
        var arrivals = curves.Select(curve => (Days: curve.Arrival - now, curve.Weight)).OrderBy(pair => pair.Days).ToList();
        var (early, likely, late) = (Quantile(arrivals, Early), Quantile(arrivals, 0.5), Quantile(arrivals, Late));
        if (likely > MostDays)
            return new ForecastView(Day(today, early), Day(today, MostDays), null, "At this pace the target is not in sight: change the method, or set a nearer target first.");
        return new ForecastView(Day(today, early), Day(today, likely), late > MostDays ? null : Day(today, late), Sentence(today, early, likely, late));
    }

    private static string Sentence(DateOnly today, double early, double likely, double late)
    {
        var (first, middle) = (Day(today, early), Day(today, likely));
        return late > MostDays
            ? string.Create(CultureInfo.InvariantCulture, $"Around {middle:d MMM yyyy}, not before {first:d MMM}; growth has slowed, so it may take far longer.")
            : string.Create(CultureInfo.InvariantCulture, $"Around {middle:d MMM}, between {first:d MMM} and {Day(today, late):d MMM yyyy}. The last stretch takes longer than the first.");
    }

    private static DateOnly Day(DateOnly today, double days) => today.AddDays((int)Math.Clamp(Math.Round(days), 1, MostDays));

    /// <summary>Arrival (days from the first visit, endless when never) and weight of every curve.</summary>
    private static List<(double Arrival, double Weight)> Curves(IReadOnlyList<(double X, double Y)> points)
    {
        var fits = new List<(double Arrival, double Error)>();
        for (var c = 0; c < 50; c++)
        {
            var ceiling = 0.92 + (0.02 * c);
            for (var p = 0; p < 48; p++)
            {
                var pace = 0.001 * Math.Pow(1.1, p);
                fits.Add(Fit(points, ceiling, day => Math.Exp(-pace * day), left => -Math.Log(left) / pace));
            }

            foreach (var unit in PowerUnits)
            {
                for (var p = 0; p < 24; p++)
                {
                    var power = 0.2 * Math.Pow(1.09, p);
                    fits.Add(Fit(points, ceiling, day => Math.Pow(1 + (day / unit), -power), left => unit * (Math.Pow(left, -1 / power) - 1)));
                }
            }
        }

        var best = fits.Min(fit => fit.Error);
        var spread = Math.Max(Caution * best / Math.Max(1, points.Count - 3), 1e-6);
        return [.. fits.Select(fit => (fit.Arrival, Math.Exp((best - fit.Error) / (2 * spread))))];
    }

    /// <summary>The curve ceiling - gap x left(days) with the gap that fits best, and its squared error.</summary>
    private static (double Arrival, double Error) Fit(IReadOnlyList<(double X, double Y)> points, double ceiling, Func<double, double> left, Func<double, double> daysUntil)
    {
        double up = 0, down = 0;
        foreach (var (x, y) in points)
        {
            var part = left(x);
            up += (ceiling - y) * part;
            down += part * part;
        }

        var gap = up / down;
        var error = points.Sum(point => Math.Pow(ceiling - (gap * left(point.X)) - point.Y, 2));
        if (ceiling <= 1 || gap <= ceiling - 1)
            return (double.PositiveInfinity, gap <= 0 ? error + 1 : error);
        return (daysUntil((ceiling - 1) / gap), error);
    }

    private static double Quantile(List<(double Days, double Weight)> sorted, double part)
    {
        var left = sorted.Sum(pair => pair.Weight) * part;
        foreach (var (days, weight) in sorted)
        {
            left -= weight;
            if (left <= 0)
                return days;
        }

        return sorted[^1].Days;
    }
}
