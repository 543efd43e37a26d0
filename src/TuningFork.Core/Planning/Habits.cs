using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>How much one really plays, by what was played lately (common practice).</summary>
public static class Habits
{
    /// <summary>Days over which habits are looked at.</summary>
    public const int Days = 28;

    /// <summary>Minutes offered when all of the day's were played.</summary>
    public const int Further = 10;

    /// <summary>A book that has lived for fewer days is measured by the week's plan.</summary>
    private const int LeastDays = 7;

    /// <summary>Of the minutes that are set, so much is played: about three days of four (common practice).</summary>
    public const double UsualPart = 0.75;

    /// <summary>Days for which that is believed beside what is seen.</summary>
    private const int BelievedDays = 14;

    /// <summary>Nobody is planned for as if nearly never playing.</summary>
    private const double LeastPart = 0.2;

    /// <summary>The warm-up's part of a sitting, about.</summary>
    private const double WarmUpPart = 0.2;

    /// <summary>
    /// Repertoire minutes of a day, the warm-up not among them: by the last four weeks over the days the book has lived, by the week's
    /// plan for who has just begun.
    /// </summary>
    /// <param name="minutesByDay">Minutes of the days on which something was played.</param>
    /// <param name="day">The practice day; it does not count.</param>
    /// <param name="week">Minutes set for the weekdays.</param>
    /// <param name="shares">Wanted shares.</param>
    public static double RepertoireMinutes(
        IReadOnlyDictionary<DateOnly, double> minutesByDay,
        DateOnly day,
        IReadOnlyList<int> week,
        IReadOnlyList<AreaShare> shares
    )
    {
        ArgumentNullException.ThrowIfNull(minutesByDay);
        ArgumentNullException.ThrowIfNull(week);
        var (played, lived) = Lately(minutesByDay, day);
        var minutes = lived < LeastDays ? week.Average() : played / lived;
        return minutes * (1 - WarmUpPart) * shares.First(one => one.Area == Area.Repertoire).Percent / 100.0;
    }

    /// <summary>
    /// Part of its usual minutes that a day brings on average, days without practice among them: by the last four weeks, beside two
    /// weeks of <see cref="UsualPart"/> of what is set, so that a young book is not judged by a few days.
    /// </summary>
    /// <param name="minutesByDay">Minutes of the days on which something was played.</param>
    /// <param name="day">The practice day; it does not count.</param>
    /// <param name="week">Minutes set for the weekdays, 0 for a day off.</param>
    public static double KeptPart(IReadOnlyDictionary<DateOnly, double> minutesByDay, DateOnly day, IReadOnlyList<int> week)
    {
        ArgumentNullException.ThrowIfNull(minutesByDay);
        ArgumentNullException.ThrowIfNull(week);
        var usual = week.Where(minutes => minutes > 0).Select(minutes => (double)minutes).DefaultIfEmpty().Average();
        if (usual <= 0)
            return UsualPart;
        var (played, lived) = Lately(minutesByDay, day);
        return Math.Clamp(((UsualPart * week.Average() * BelievedDays) + played) / (BelievedDays + lived) / usual, LeastPart, 1);
    }

    /// <summary>Minutes of the last four weeks before a day, and the days that the book has lived in them.</summary>
    private static (double Minutes, int Days) Lately(IReadOnlyDictionary<DateOnly, double> minutesByDay, DateOnly day)
    {
        var before = minutesByDay.Where(pair => pair.Key < day && pair.Key >= day.AddDays(-Days)).ToList();
        return (before.Sum(pair => pair.Value), before.Select(pair => day.DayNumber - pair.Key.DayNumber).DefaultIfEmpty().Max());
    }

    /// <summary>Minutes for a further sitting: what is left of the day's, or ten where too little is.</summary>
    /// <param name="wanted">Minutes of the day.</param>
    /// <param name="played">Minutes played.</param>
    public static int Left(int wanted, double played) =>
        wanted - (int)Math.Round(played) is >= SittingLength.Least and var left ? left : Further;

    /// <summary>What there is to say when the day's minutes were played; empty while enough are left for a sitting.</summary>
    /// <param name="wanted">Minutes of the day.</param>
    /// <param name="played">Minutes played.</param>
    public static string Done(int wanted, double played) =>
        wanted - (int)Math.Round(played) >= SittingLength.Least
            ? ""
            : $"That was today's plan: {(int)Math.Round(played)} of {wanted} minutes. If you like, here are {Further} more.";
}
