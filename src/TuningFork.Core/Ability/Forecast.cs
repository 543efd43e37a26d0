using System.Globalization;

namespace TuningFork.Core.Ability;

/// <summary>When a target may be reached.</summary>
/// <param name="Earliest">Early end of the range.</param>
/// <param name="Likely">The middle.</param>
/// <param name="Latest">Late end of the range; null when it may not be reached at this pace.</param>
/// <param name="Words">The forecast in a sentence.</param>
public sealed record ForecastView(DateOnly Earliest, DateOnly Likely, DateOnly? Latest, string Words);

/// <summary>
/// A forecast of the day on which a target is within reach: the takes that <see cref="Growth"/> still asks for, at as many a day
/// as were played lately; the range from how unsure the reach and the growth are. Sums and goals ask the same function.
/// </summary>
public static class Forecast
{
    /// <summary>Fewest visits with timed takes.</summary>
    public const int LeastVisits = 6;

    /// <summary>Days beyond which nobody can tell.</summary>
    public const int MostDays = 1000;

    /// <summary>Days over which the takes a day are counted.</summary>
    private const int LatelyDays = 28;

    /// <summary>Standard deviations of reach and growth to either end of the range: about four in five lie inside.</summary>
    private const double Range = 1.2816;

    /// <summary>The forecast; null when there is too little to go by, or the target is reached.</summary>
    /// <param name="now">The reach today; null before the first timed take.</param>
    /// <param name="target">The target, above 0, in the unit of the reach.</param>
    /// <param name="visits">Visits with timed takes: their days and how many takes.</param>
    /// <param name="traits">The player's own.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="stuck">Whether it has stood still for some time: then the usual growth says nothing.</param>
    public static ForecastView? For(
        Reach? now,
        double target,
        IReadOnlyList<(DateOnly Day, int Takes)> visits,
        Traits traits,
        DateOnly today,
        bool stuck = false
    )
    {
        ArgumentNullException.ThrowIfNull(visits);
        if (
            now is not { } reach
            || visits.Count < LeastVisits
            || Growth.Takes(reach, target, traits) <= 0
            || TakesADay(visits, today) is not (> 0 and var pace)
        )
            return null;
        var (early, likely, late) = (Days(Range), Days(0), Days(-Range));
        if (stuck || likely > MostDays)
            return new ForecastView(
                Day(today, early),
                Day(today, MostDays),
                null,
                "At this pace the target is not in sight: change the method, or set a nearer target first."
            );
        return new ForecastView(
            Day(today, early),
            Day(today, likely),
            late > MostDays ? null : Day(today, late),
            Sentence(today, early, likely, late)
        );

        double Days(double doubt) => Growth.Takes(reach, target, traits, doubt) / pace;
    }

    /// <summary>Takes a day lately, days without any counted.</summary>
    private static double TakesADay(IReadOnlyList<(DateOnly Day, int Takes)> visits, DateOnly today)
    {
        var from = today.AddDays(-LatelyDays);
        var days = Math.Clamp(today.DayNumber - visits.Min(visit => visit.Day).DayNumber, 1, LatelyDays);
        return visits.Where(visit => visit.Day > from).Sum(visit => visit.Takes) / (double)days;
    }

    private static string Sentence(DateOnly today, double early, double likely, double late)
    {
        var (first, middle) = (Day(today, early), Day(today, likely));
        return late > MostDays
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"Around {middle:d MMM yyyy}, not before {first:d MMM}; growth has slowed, so it may take far longer."
            )
            : string.Create(
                CultureInfo.InvariantCulture,
                $"Around {middle:d MMM}, between {first:d MMM} and {Day(today, late):d MMM yyyy}. The last stretch takes longer than the first."
            );
    }

    private static DateOnly Day(DateOnly today, double days) => today.AddDays((int)Math.Clamp(Math.Round(days), 1, MostDays));
}
