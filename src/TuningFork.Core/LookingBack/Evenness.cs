namespace TuningFork.Core.LookingBack;

/// <summary>How minutes are spread over days.</summary>
/// <param name="Played">Days on which something was played.</param>
/// <param name="InEffect">Days in effect: as if so many days had been played, all equally long.</param>
/// <param name="Minutes">All minutes.</param>
/// <param name="IsCrammed">Whether most of it fell on a day or two in most weeks.</param>
/// <param name="Words">What to see in it.</param>
public sealed record Evenness(int Played, double InEffect, double Minutes, bool IsCrammed, string Words)
{
    private const int Week = 7;

    /// <summary>A week is crammed when its minutes lie on hardly more than two days (common practice: little and often).</summary>
    private const double CrammedDays = 2.2;

    /// <summary>A week of fewer minutes is a thin week, and not a crammed one.</summary>
    private const int LeastWeekMinutes = 60;

    /// <summary>Minutes of a sitting are set in steps of so many.</summary>
    private const int Step = 5;

    /// <summary>
    /// Days in effect, (sum m)^2 / sum m^2: seven equal days are 7, all on one day 1 (participation ratio, arithmetic); 0 of nothing.
    /// </summary>
    /// <param name="minutes">Minutes by day, 0 or more each.</param>
    public static double DaysInEffect(IEnumerable<double> minutes)
    {
        ArgumentNullException.ThrowIfNull(minutes);
        var all = minutes.ToList();
        var squares = all.Sum(one => one * one);
        return squares <= 0 ? 0 : all.Sum() * all.Sum() / squares;
    }

    /// <summary>How even a stretch of days was.</summary>
    /// <param name="minutes">Minutes of each day from first to last, nothing played included.</param>
    public static Evenness Of(IReadOnlyList<double> minutes)
    {
        ArgumentNullException.ThrowIfNull(minutes);
        var (played, inEffect, all) = (minutes.Count(one => one > 0), DaysInEffect(minutes), minutes.Sum());
        var weeks = Weeks(minutes).Where(week => week.Sum() >= LeastWeekMinutes).ToList();
        var crammed = weeks.Count(week => DaysInEffect(week) <= CrammedDays);
        var isCrammed = weeks.Count > 0 && crammed * 2 > weeks.Count;
        var counted = $"{Words(played)} of {minutes.Count} days";
        var words =
            played == 0 ? "Nothing was played in these days."
            : isCrammed ? $"{counted}, and most minutes on one or two of each week: the same minutes on more days bring more."
            : $"{counted}, as even as {Math.Round(inEffect)} equally long ones.";
        return new Evenness(played, inEffect, all, isCrammed, words);

        static string Words(int days) => days == 1 ? "Played on 1" : $"Played on {days}";
    }

    /// <summary>
    /// The minutes of an average week spread over the days on which one plays by plan, in steps of five; no fewer than ten a day, on
    /// fewer days if need be.
    /// </summary>
    /// <param name="minutes">Minutes of each day of the stretch.</param>
    /// <param name="set">Minutes set for the seven weekdays from Monday; days of none stay free.</param>
    /// <returns>Minutes for the seven weekdays.</returns>
    public static IReadOnlyList<int> Spread(IReadOnlyList<double> minutes, IReadOnlyList<int> set)
    {
        ArgumentNullException.ThrowIfNull(minutes);
        ArgumentNullException.ThrowIfNull(set);
        var week = minutes.Count == 0 ? 0 : minutes.Sum() * Week / minutes.Count;
        var open = Enumerable.Range(0, Week).Where(day => set[day] > 0).DefaultIfEmpty(0).ToList();
        var days = Math.Clamp((int)(week / (2 * Step)), 1, open.Count);
        var each = Math.Max(2 * Step, (int)Math.Round(week / days / Step) * Step);
        // Every so many of the open days, so that what rests lies between.
        var chosen = Enumerable.Range(0, days).Select(i => open[i * open.Count / days]).ToHashSet();
        return [.. Enumerable.Range(0, Week).Select(day => chosen.Contains(day) ? each : 0)];
    }

    private static IEnumerable<List<double>> Weeks(IReadOnlyList<double> minutes)
    {
        for (var end = minutes.Count; end >= Week; end -= Week)
            yield return [.. minutes.Skip(end - Week).Take(Week)];
    }
}
