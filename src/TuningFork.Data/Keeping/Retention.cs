using System.Globalization;

namespace TuningFork.Data.Keeping;

/// <summary>Which backups of days stay: fourteen days, eight weeks, twelve months.</summary>
public static class Retention
{
    /// <summary>Days, weeks and months of which one stays.</summary>
    public const int Days = 14;
    public const int Weeks = 8;
    public const int Months = 12;

    /// <summary>
    /// Those that stay: the newest of each of the last fourteen days that have one, of each of the last eight weeks, and of each of the
    /// last twelve months.
    /// </summary>
    /// <param name="taken">When they were made.</param>
    public static IReadOnlySet<DateTime> Kept(IEnumerable<DateTime> taken)
    {
        var newestFirst = taken.OrderDescending().ToList();
        IEnumerable<DateTime> Newest(int count, Func<DateTime, (int Year, int Part)> of) =>
            newestFirst.GroupBy(of).Take(count).Select(group => group.First());
        return new HashSet<DateTime>([
            .. Newest(Days, at => (at.Year, at.DayOfYear)),
            .. Newest(Weeks, at => (ISOWeek.GetYear(at), ISOWeek.GetWeekOfYear(at))),
            .. Newest(Months, at => (at.Year, at.Month)),
        ]);
    }
}
