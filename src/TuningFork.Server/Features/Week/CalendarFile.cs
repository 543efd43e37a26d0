using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Evaluation;
using Ical.Net.Serialization;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Week;

/// <summary>Something that stands in a calendar.</summary>
/// <param name="Id">What it is, so that it is the same one when the calendar is read again.</param>
/// <param name="StartUtc">When it begins; null for the whole day.</param>
public sealed record CalendarItem(string Id, string Title, DateOnly Day, DateTime? StartUtc, int Minutes, string Text);

/// <summary>Calendars as other programs read and write them (iCalendar, RFC 5545), by Ical.Net.</summary>
internal static class CalendarFile
{
    /// <summary>Longest text that is read.</summary>
    private const int Longest = 5_000_000;

    private const int LongestTitle = 80;

    /// <summary>More in four weeks is no calendar of a person.</summary>
    private const int MostOccurrences = 2000;

    /// <summary>Steps of all recurrences together, and of one that leads nowhere, before it is given up.</summary>
    private const int MostSteps = 100_000;

    /// <summary>Exceptions and further dates of one event.</summary>
    private const int MostExceptions = 2_000;

    /// <summary>Repetitions of one rule within its own period: an hour list of a day, a day list of a year.</summary>
    private const int MostInOne = 400;

    /// <summary>Laying out takes no longer.</summary>
    private static readonly TimeSpan MostTime = TimeSpan.FromSeconds(3);

    /// <summary>A calendar of some items.</summary>
    public static string Write(IEnumerable<CalendarItem> items)
    {
        var calendar = new Calendar { ProductId = "-//Tuning Fork//Practice//EN" };
        foreach (var item in items)
        {
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{item.Id}@tuning-fork",
                    // The same item reads the same each time: the stamp is its day, and not the moment of asking.
                    DtStamp = new CalDateTime(item.Day.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc), "UTC"),
                    Summary = item.Title,
                    Description = item.Text.Length > 0 ? item.Text : null,
                    Start = item.StartUtc is { } start ? new CalDateTime(start, "UTC") : new CalDateTime(item.Day),
                    End = item.StartUtc is { } from
                        ? new CalDateTime(from.AddMinutes(item.Minutes), "UTC")
                        : new CalDateTime(item.Day.AddDays(1)),
                }
            );
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    /// <summary>What is taken between two moments, recurrences laid out.</summary>
    /// <param name="text">A calendar.</param>
    /// <param name="from">First moment.</param>
    /// <param name="until">Last moment.</param>
    /// <param name="zone">Where times without a zone are.</param>
    /// <exception cref="FieldException">It is no calendar, names a zone that nobody knows, or holds far too much.</exception>
    /// <param name="cancel">Stops it when the asker has left.</param>
    public static (IReadOnlyList<BusyRow> Taken, int WholeDays) Read(
        string? text,
        DateTime from,
        DateTime until,
        TimeZoneInfo zone,
        CancellationToken cancel = default
    )
    {
        var source = Problems.Text("text", text, Longest);
        var calendars = Loaded(source);
        foreach (var item in calendars.SelectMany(calendar => calendar.Events))
            CheckRepeats(item);
        var rows = new List<BusyRow>();
        var wholeDays = 0;
        try
        {
            var options = new EvaluationOptions { MaxUnmatchedIncrementsLimit = MostSteps };
            var clock = System.Diagnostics.Stopwatch.StartNew();
            var steps = 0;
            var lasting = calendars
                .SelectMany(calendar => calendar.Events)
                // From its own beginning, so that each step is seen and counted.
                .SelectMany(item => item.GetOccurrences(options: options).TakeWhile(one => Utc(one.Period.StartTime, zone) < until))
                .Where(one =>
                {
                    cancel.ThrowIfCancellationRequested();
                    if (++steps > MostSteps || clock.Elapsed > MostTime)
                        throw new FieldException(
                            "text",
                            "The repetitions of this calendar go on for too long. Save only the calendar with your own hours; nothing was read in."
                        );
                    return Utc(End(one.Period), zone) > from;
                })
                .Take(MostOccurrences + 1)
                .ToList();
            if (lasting.Count > MostOccurrences)
                throw new FieldException(
                    "text",
                    $"This calendar takes more than {MostOccurrences:N0} stretches in four weeks. Save only the calendar with your own hours; nothing was read in."
                );
            foreach (var one in lasting)
            {
                if (one.Source is not CalendarEvent { IsActive: true } item || item.Transparency == TransparencyType.Transparent)
                    continue;
                if (item.IsAllDay)
                {
                    wholeDays++;
                    continue;
                }

                rows.Add(
                    new BusyRow
                    {
                        FromUtc = Utc(one.Period.StartTime, zone),
                        UntilUtc = Utc(End(one.Period), zone),
                        Title = (item.Summary ?? "").Trim() is { Length: > 0 } name ? name[..Math.Min(name.Length, LongestTitle)] : "busy",
                    }
                );
            }
        }
        catch (Exception problem)
            when (problem is EvaluationException or ArgumentException or TimeZoneNotFoundException or OverflowException)
        {
            throw new FieldException(
                "text",
                $"A repetition or a time zone of this calendar cannot be followed ({problem.Message}). Save it again with times of a known zone; nothing was read in."
            );
        }

        return (rows, wholeDays);
    }

    /// <summary>What repeats within a day, or leaves out thousands of days, is no calendar of a person.</summary>
    private static void CheckRepeats(CalendarEvent item)
    {
        static FieldException Refused(string what) =>
            new("text", $"A repetition of this calendar {what}. Save only the calendar with your own hours; nothing was read in.");
        if (item.RecurrenceRule is { } rule)
        {
            if (rule.Frequency is FrequencyType.Secondly or FrequencyType.Minutely or FrequencyType.Hourly)
                throw Refused("comes more often than once a day");
            var within = (long)Math.Max(1, rule.BySecond.Count) * Math.Max(1, rule.ByMinute.Count) * Math.Max(1, rule.ByHour.Count);
            var days =
                (long)Math.Max(1, rule.ByMonth.Count)
                * Math.Max(
                    1,
                    Math.Max(rule.ByMonthDay.Count, Math.Max(rule.ByDay.Count, Math.Max(rule.ByYearDay.Count, rule.ByWeekNo.Count)))
                );
            if (within > 1 && within * days > MostInOne || within > 24)
                throw Refused("lists too many hours and minutes");
        }

        if (item.ExceptionDates.GetAllDates().Count() + item.RecurrenceDates.GetAllDates().Count() > MostExceptions)
            throw Refused($"leaves out or adds more than {MostExceptions:N0} days");
    }

    private static IReadOnlyList<Calendar> Loaded(string source)
    {
        if (
            source.Contains("BEGIN:VCALENDAR", StringComparison.OrdinalIgnoreCase)
            && !source.EndsWith("END:VCALENDAR", StringComparison.OrdinalIgnoreCase)
        )
            throw new FieldException(
                "text",
                "This calendar breaks off before its end. Save it anew from where it comes; nothing was read in."
            );
        try
        {
            var calendars = source.Contains("BEGIN:VCALENDAR", StringComparison.OrdinalIgnoreCase) ? CalendarCollection.Load(source) : null;
            if (calendars is { Count: > 0 })
                return [.. calendars];
        }
        catch (Exception problem)
            when (problem
                    is ArgumentException
                        or FormatException
                        or System.Runtime.Serialization.SerializationException
                        or InvalidOperationException
            )
        {
            throw new FieldException(
                "text",
                $"This calendar is broken ({problem.Message}). Save it anew from where it comes; nothing was read in."
            );
        }

        throw new FieldException("text", "This is no calendar. Save one as an .ics file (iCalendar) and choose that; nothing was read in.");
    }

    private static CalDateTime End(Period period) => period.EffectiveEndTime ?? period.StartTime;

    private static DateTime Utc(CalDateTime time, TimeZoneInfo zone) =>
        time.IsFloating
            ? TimeZoneInfo.ConvertTimeToUtc(Existing(DateTime.SpecifyKind(time.Value, DateTimeKind.Unspecified), zone), zone)
            : time.AsUtc;

    /// <summary>A time that the clock jumps over is an hour later.</summary>
    private static DateTime Existing(DateTime local, TimeZoneInfo zone) => zone.IsInvalidTime(local) ? local.AddHours(1) : local;
}
