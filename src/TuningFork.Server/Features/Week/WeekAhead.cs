using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Week;

/// <summary>The coming days: their minutes and hours, what is likely planned for them, and what stands in them.</summary>
public sealed class WeekAhead(PracticeDb db, PlanDesk plans, PracticeClock clock, Forecast forecast)
{
    private const int Days = 7;
    private const int StripDays = 28;

    /// <summary>The coming seven days and four weeks.</summary>
    public async Task<AheadView> OfAsync(CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        var marks = await MarksAsync(facts, cancel);
        var busy = await db.Busy.AsNoTracking().ToListAsync(cancel);
        var daysOff = await db.DaysOff.AsNoTracking().Where(row => row.Until >= facts.Day).OrderBy(row => row.From).ToListAsync(cancel);
        var begun = await db.Sessions.OrderBy(row => row.Day).Select(row => (DateOnly?)row.Day).FirstOrDefaultAsync(cancel);
        var likely = await forecast.OfAsync(facts, Days, cancel);
        return new AheadView(
            facts.Day,
            [.. likely.Select((plan, ahead) => DayOf(facts, facts.Day.AddDays(ahead), plan, marks, busy))],
            [
                .. Enumerable
                    .Range(0, StripDays)
                    .Select(ahead => facts.Day.AddDays(ahead))
                    .Select(day => new StripDay(day, facts.Calendar.MinutesOn(day), facts.Calendar.Off(day)?.Name ?? "", [.. marks[day]])),
            ],
            UsualOf(facts.Profile),
            daysOff.ConvertAll(View),
            begun is { } first && facts.Calendar.Spread(facts.Day, facts.MinutesByDay, first) is { } spread ? View(spread) : null,
            facts.Profile.CalendarKey.Length > 0 ? $"/api/calendar/{facts.Profile.CalendarKey}.ics" : "",
            busy.Count
        );
    }

    /// <summary>The calendar of the coming four weeks: practice, performances, goals, the review.</summary>
    public async Task<IReadOnlyList<CalendarItem>> ItemsAsync(CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        var marks = await MarksAsync(facts, cancel);
        var items = new List<CalendarItem>();
        foreach (var day in Enumerable.Range(0, StripDays).Select(ahead => facts.Day.AddDays(ahead)))
        {
            var minutes = facts.Calendar.MinutesOn(day);
            if (minutes >= SittingLength.Least)
                items.Add(
                    new CalendarItem(
                        $"practice-{day:yyyy-MM-dd}",
                        $"Practice, {Words.Minutes(minutes)}",
                        day,
                        HourOn(facts.Profile, day) is { } hour ? Utc(day, hour) : null,
                        minutes,
                        ""
                    )
                );
            items.AddRange(marks[day].Select((mark, i) => new CalendarItem($"mark-{day:yyyy-MM-dd}-{i}", mark, day, null, 0, "")));
        }

        return items;
    }

    /// <summary>When to say that it is time today, and with what one begins.</summary>
    public async Task<ReminderView> ReminderAsync(CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var day = clock.Today(profile);
        if (!profile.Reminds || HourOn(profile, day) is not { } hour)
            return new ReminderView("", "");
        var facts = await plans.FactsAsync(cancel);
        if (facts.Calendar.MinutesOn(day) == 0 || facts.MinutesByDay.GetValueOrDefault(day) > 0)
            return new ReminderView("", "");
        var row = await plans.StoredAsync(day, cancel) ?? await plans.FreshAsync(facts, cancel);
        return new ReminderView(TimeOfDay.Say(hour), PlanDesk.Read(row).Drills.FirstOrDefault(drill => !drill.IsBreak)?.Title ?? "");
    }

    public static UsualWeek UsualOf(ProfileRow profile) =>
        new(
            DayMinutes.WeekOf(profile),
            profile.WishedHours.Length == 0 ? ["", "", "", "", "", "", ""] : profile.WishedHours.Split(','),
            [.. Enumerable.Range(0, 7).Select(day => DayMinutes.SittingsOn(profile, new DateOnly(2031, 3, 3).AddDays(day)))],
            profile.LessonWeekday,
            profile.Reminds
        );

    public static DayOffView View(DayOffRow row) =>
        new(
            row.Id,
            row.From,
            row.Until,
            row.Kind,
            row.Minutes,
            row.Text,
            new DayOff(row.From, row.Until, row.Kind, row.Minutes, row.Text).Name
        );

    private static MissedView View(SpreadDay spread) =>
        new(
            spread.Missed,
            spread.Minutes,
            spread.LetGo,
            [.. spread.Days.OrderBy(pair => pair.Key).Select(pair => new SpreadDayView(pair.Key, pair.Value))]
        );

    private AheadDay DayOf(DayFacts facts, DateOnly day, DayPlan? plan, ILookup<DateOnly, string> marks, List<BusyRow> busy)
    {
        var (minutes, hour) = (facts.Calendar.MinutesOn(day), HourOn(facts.Profile, day));
        var taken = busy.Select(row => On(row, day)).OfType<Busy>().OrderBy(one => one.From).ToList();
        return new AheadDay(
            day,
            minutes,
            facts.Calendar.IsMoved(day),
            hour is { } at ? TimeOfDay.Say(at) : "",
            hour is { } wished && minutes > 0 ? BusyTimes.Say(wished, minutes, taken) : "",
            DayMinutes.SittingsOn(facts.Profile, day),
            facts.Calendar.Off(day)?.Name ?? "",
            [.. marks[day]],
            taken.ConvertAll(one => new BusyView(TimeOfDay.Say(one.From), TimeOfDay.Say(one.Until), one.Title)),
            [.. (plan?.Drills ?? []).Select(drill => new LikelyDrill(drill.Area, drill.Title, drill.Minutes, drill.Reason))]
        );
    }

    /// <summary>Performances, goals, review and lesson of the coming four weeks.</summary>
    private async Task<ILookup<DateOnly, string>> MarksAsync(DayFacts facts, CancellationToken cancel)
    {
        var until = facts.Day.AddDays(StripDays);
        var goals = await db
            .Goals.AsNoTracking()
            .Where(row => row.Reached == null && row.Until >= facts.Day && row.Until < until)
            .Select(row => new
            {
                row.Until,
                row.Kind,
                row.To,
                row.MaterialId,
            })
            .ToListAsync(cancel);
        var days = Enumerable.Range(0, StripDays).Select(ahead => facts.Day.AddDays(ahead)).ToList();
        return facts
            .Rows.Where(row => row.Kind == MaterialKind.Piece && !row.Resting)
            .SelectMany(row => Bookkeeping.DatesOf(row).Select(date => (Day: date, Text: $"{row.Title} performed")))
            .Where(mark => mark.Day >= facts.Day && mark.Day < until)
            .Concat(
                goals.Select(goal =>
                    (
                        Day: goal.Until,
                        Text: $"Goal: {facts.Materials.FirstOrDefault(one => one.Id == goal.MaterialId)?.Title}, {Goals.Say(goal.Kind, goal.To)}"
                    )
                )
            )
            .Concat(
                days.Where(day => PracticeDay.Weekday(day) == facts.Profile.ReviewWeekday)
                    .Select(day => (Day: day, Text: "The week’s review"))
            )
            .Concat(
                days.Where(day => PracticeDay.Weekday(day) == facts.Profile.LessonWeekday)
                    .Select(day => (Day: day, Text: "Lesson or rehearsal"))
            )
            .ToLookup(mark => mark.Day, mark => mark.Text);
    }

    /// <summary>The part of a taken stretch that lies in a day, by the clock on the wall; null where none does.</summary>
    private Busy? On(BusyRow row, DateOnly day)
    {
        var from = clock.Local(row.FromUtc);
        var until = clock.Local(row.UntilUtc);
        var (begin, end) = (day.ToDateTime(TimeOnly.MinValue), day.ToDateTime(new TimeOnly(23, 59)));
        return from >= end || until <= begin
            ? null
            : new Busy(TimeOnly.FromDateTime(from < begin ? begin : from), TimeOnly.FromDateTime(until > end ? end : until), row.Title);
    }

    private static TimeOnly? HourOn(ProfileRow profile, DateOnly day) =>
        profile.WishedHours.Length > 0 ? TimeOfDay.Read(profile.WishedHours.Split(',')[PracticeDay.Weekday(day)]) : null;

    private DateTime Utc(DateOnly day, TimeOnly hour)
    {
        var local = day.ToDateTime(hour);
        return TimeZoneInfo.ConvertTimeToUtc(clock.Zone.IsInvalidTime(local) ? local.AddHours(1) : local, clock.Zone);
    }
}
