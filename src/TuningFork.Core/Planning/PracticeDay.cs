namespace TuningFork.Core.Planning;

/// <summary>Which day a moment belongs to, for somebody who may still be playing after midnight.</summary>
public static class PracticeDay
{
    /// <summary>The hour, local time, at which a new practice day begins unless the profile says otherwise (common practice).</summary>
    public const int DefaultBoundaryHour = 4;

    /// <summary>The practice day of an instant: the local date, counted as yesterday before the boundary hour.</summary>
    /// <param name="instant">Any moment.</param>
    /// <param name="zone">The zone the player is in.</param>
    /// <param name="boundaryHour">0 to 12, whole hours of local wall-clock time.</param>
    /// <exception cref="ArgumentOutOfRangeException">The boundary hour is not within 0 to 12.</exception>
    public static DateOnly Of(DateTimeOffset instant, TimeZoneInfo zone, int boundaryHour = DefaultBoundaryHour)
    {
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentOutOfRangeException.ThrowIfNegative(boundaryHour);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(boundaryHour, 12);
        var local = TimeZoneInfo.ConvertTime(instant, zone).DateTime;
        var date = DateOnly.FromDateTime(local);
        return local.Hour < boundaryHour ? date.AddDays(-1) : date;
    }

    /// <summary>The weekday of a day, 0 for Monday to 6 for Sunday.</summary>
    /// <param name="day">The day.</param>
    public static int Weekday(DateOnly day) => ((int)day.DayOfWeek + 6) % 7;

    /// <summary>After so long without playing the same thing may come again on the same day (common practice).</summary>
    private static readonly TimeSpan BackAfter = TimeSpan.FromHours(2);

    /// <summary>Whether somebody has come back on the same day, rested.</summary>
    /// <param name="lastEnded">When the last sitting of the day ended, or null.</param>
    /// <param name="now">The moment.</param>
    public static bool IsBack(DateTime? lastEnded, DateTime now) => now - lastEnded >= BackAfter;

    /// <summary>Days by which what was really played may lie ahead of today: a flight west, a boundary hour moved after midnight.</summary>
    public const int MostDaysAhead = 2;

    /// <summary>
    /// The day on which something happened, as today sees it; never later than today. One or two days ahead (a flight west, a
    /// boundary hour moved after playing in the night) it was today. Further ahead the clock was wrong: it counts as
    /// yesterday, so that it neither stops today's work nor keeps anything away until that day comes.
    /// </summary>
    /// <param name="happened">The day that was written down.</param>
    /// <param name="today">The practice day.</param>
    public static DateOnly AsSeenOn(DateOnly happened, DateOnly today) =>
        happened <= today ? happened
        : happened <= today.AddDays(MostDaysAhead) ? today
        : today.AddDays(-1);
}
