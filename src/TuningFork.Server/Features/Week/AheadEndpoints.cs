using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Week;

/// <summary>The coming week over HTTP: minutes and hours of its days, exceptions, moving and spreading, calendars out and in.</summary>
public static class AheadEndpoints
{
    private const int MostDaysAhead = 400;
    private const int LongestOff = 200;
    private const int CalendarDays = 28;

    /// <summary>Bytes of a calendar that is read in.</summary>
    private const long LargestText = 16L << 20;

    public static void MapAhead(this WebApplication app)
    {
        var group = app.MapGroup("/api/week").WithTags("Week");
        group.MapGet("/ahead", (WeekAhead week, CancellationToken cancel) => week.OfAsync(cancel)).WithName("GetWeekAhead");
        group.MapPut("/usual", SetUsualAsync).WithName("ChangeUsualWeek");
        group.MapPost("/moved", MoveAsync).WithName("MoveMinutes");
        group.MapPost("/spread", SpreadAsync).WithName("SpreadMissedDay");
        group
            .MapDelete("/moved", async (WeekAhead week, PracticeDb db, PlanDesk plans, CancellationToken cancel) =>
            {
                var (facts, before) = await NowAsync(plans, cancel);
                db.DaysMoved.RemoveRange(await db.DaysMoved.Where(row => row.Day >= facts.Day).ToListAsync(cancel));
                await SaveAsync(before, db, plans, cancel);
                return await week.OfAsync(cancel);
            })
            .WithName("MoveMinutesBack");
        group.MapPost("/days-off", AddOffAsync).WithName("AddDayOff");
        group
            .MapGroup("")
            .AddEndpointFilter(ReplanTodayAsync)
            .MapRemoval<DayOffRow>("/days-off/{id:int}", "DayOff", "exception", checkBack: NoOverlapAsync);
        group.MapGet("/reminder", (WeekAhead week, CancellationToken cancel) => week.ReminderAsync(cancel)).WithName("GetReminder");
        MapCalendars(app, group);
    }

    private static void MapCalendars(WebApplication app, RouteGroupBuilder group)
    {
        group
            .MapGet("/calendar", async (WeekAhead week, CancellationToken cancel) =>
                Results.Text(CalendarFile.Write(await week.ItemsAsync(cancel)), "text/calendar; charset=utf-8")
            )
            .WithName("GetCalendar");
        // Read before its turn: a file keeps nobody waiting.
        group
            .MapPost("/calendar", ReadCalendarAsync)
            .WithMetadata(new OwnTurn(), new RequestSizeLimitAttribute(LargestText))
            .WithName("ReadCalendar");
        group
            .MapDelete("/calendar", async (PracticeDb db, CancellationToken cancel) =>
            {
                await db.Busy.ExecuteDeleteAsync(cancel);
            })
            .WithName("ForgetCalendar");
        group
            .MapPut("/feed", async (FeedWish wish, WeekAhead week, PracticeDb db, PlanDesk plans, CancellationToken cancel) =>
            {
                var profile = await plans.ProfileAsync(cancel);
                profile.CalendarKey = wish.On ? Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16)) : "";
                await db.SaveChangesAsync(cancel);
                return await week.OfAsync(cancel);
            })
            .WithName("ChangeFeed");
        app.MapGet("/api/calendar/{key}.ics", async (string key, WeekAhead week, PlanDesk plans, CancellationToken cancel) =>
            {
                var kept = (await plans.ProfileAsync(cancel)).CalendarKey;
                return kept.Length > 0 && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(kept), Encoding.UTF8.GetBytes(key))
                    ? Results.Text(CalendarFile.Write(await week.ItemsAsync(cancel)), "text/calendar; charset=utf-8")
                    : throw Problems.Unknown("key", "calendar");
            })
            .WithTags("Week")
            .WithName("GetFeed");
    }

    private static async Task<AheadView> SetUsualAsync(
        UsualWeek wish,
        WeekAhead week,
        PracticeDb db,
        PlanDesk plans,
        CancellationToken cancel
    )
    {
        var (facts, before) = await NowAsync(plans, cancel);
        ProfileEndpoints.CheckWeek(wish.Minutes, "minutes");
        if (wish.Hours.Count != 7 || wish.Sittings.Count != 7)
            throw new FieldException("hours", "Give an hour (or nothing) and the number of sittings for each of the seven weekdays.");
        var hours = wish.Hours.Select(hour => TimeOfDay.Read(hour) is { } time ? TimeOfDay.Say(time) : (hour ?? "").Trim()).ToList();
        foreach (var hour in hours.Where(hour => hour.Length > 0))
            if (TimeOfDay.Read(hour) is null)
                throw new FieldException("hours", $"\"{hour}\" is no time of day. Write it like 18:30, or leave it empty.");
        for (var day = 0; day < 7; day++)
            if (
                wish.Sittings[day] is < 1 or > Sittings.Most
                || wish.Sittings[day] * SittingLength.Least > Math.Max(SittingLength.Least, wish.Minutes[day])
            )
                throw new FieldException(
                    "sittings",
                    $"A day has 1 to {Sittings.Most} sittings of {SittingLength.Least} minutes or more; {wish.Minutes[day]} minutes in {wish.Sittings[day]} are too short."
                );
        if (wish.LessonWeekday is < 0 or > 6)
            throw new FieldException("lessonWeekday", "The weekday of the lesson is 0 (Monday) to 6 (Sunday), or none.");
        var profile = facts.Profile;
        profile.WeekdayMinutes = string.Join(',', wish.Minutes);
        profile.WishedHours = hours.TrueForAll(hour => hour.Length == 0) ? "" : string.Join(',', hours);
        profile.WeekdaySittings = wish.Sittings.All(count => count == 1) ? "" : string.Join(',', wish.Sittings);
        profile.LessonWeekday = wish.LessonWeekday;
        profile.Reminds = wish.Reminds;
        await SaveAsync(before, db, plans, cancel);
        return await week.OfAsync(cancel);
    }

    private static async Task<AheadView> MoveAsync(MoveWish wish, WeekAhead week, PracticeDb db, PlanDesk plans, CancellationToken cancel)
    {
        var (facts, before) = await NowAsync(plans, cancel);
        foreach (var (field, day) in new[] { ("from", wish.From), ("to", wish.To) })
            if (day < facts.Day || day > facts.Day.AddDays(MostDaysAhead))
                throw new FieldException(field, "Minutes move between today and the days of the coming year.");
        var (from, to) = facts.Calendar.Move(wish.From, wish.To, wish.Minutes);
        await SetAsync(db, wish.From, from, cancel);
        await SetAsync(db, wish.To, to, cancel);
        await SaveAsync(before, db, plans, cancel);
        return await week.OfAsync(cancel);
    }

    private static async Task<AheadView> SpreadAsync(WeekAhead week, PracticeDb db, PlanDesk plans, CancellationToken cancel)
    {
        var (_, before) = await NowAsync(plans, cancel);
        if ((await week.OfAsync(cancel)).Missed is not { } missed)
            throw new FieldException("missed", "No day was missed lately that could be spread.", StatusCodes.Status409Conflict);
        foreach (var day in missed.Days)
            await SetAsync(db, day.Day, day.Minutes, cancel);
        await SaveAsync(before, db, plans, cancel);
        return await week.OfAsync(cancel);
    }

    private static async Task SetAsync(PracticeDb db, DateOnly day, int minutes, CancellationToken cancel)
    {
        var row = await db.DaysMoved.FindAsync([day], cancel) ?? db.DaysMoved.Add(new DayMinutesRow { Day = day }).Entity;
        row.Minutes = minutes;
    }

    /// <summary>What is known now, and the minutes of today's sitting.</summary>
    private static async Task<(DayFacts Facts, int Minutes)> NowAsync(PlanDesk plans, CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        var sitting = await plans.StoredAsync(facts.Day, cancel);
        return (facts, DayMinutes.OfSitting(facts, sitting?.Sitting ?? 0));
    }

    /// <summary>
    /// Saves; where today's minutes have become others by it, a plan of today that was touched is made anew with what was changed by hand.
    /// </summary>
    /// <param name="before">Minutes of today's sitting before.</param>
    private static async Task SaveAsync(int before, PracticeDb db, PlanDesk plans, CancellationToken cancel)
    {
        await db.SaveChangesAsync(cancel);
        var facts = await plans.FactsAsync(cancel);
        var sitting = await plans.StoredAsync(facts.Day, cancel);
        if (sitting is null || before == DayMinutes.OfSitting(facts, sitting.Sitting))
            return;
        sitting.Version++;
        sitting.Minutes = Math.Clamp(DayMinutes.OfSitting(facts, sitting.Sitting), SittingLength.Least, SittingLength.Most);
        PlanDesk.ReplanKeeping(sitting, facts, letGo: true);
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>A removal knows nothing of plans: what it changes of today is looked at around it.</summary>
    private static async ValueTask<object?> ReplanTodayAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var services = context.HttpContext.RequestServices;
        var (plans, cancel) = (services.GetRequiredService<PlanDesk>(), context.HttpContext.RequestAborted);
        var (_, before) = await NowAsync(plans, cancel);
        var answer = await next(context);
        await SaveAsync(before, services.GetRequiredService<PracticeDb>(), plans, cancel);
        return answer;
    }

    private static async Task<AheadView> AddOffAsync(
        DayOffWish wish,
        WeekAhead week,
        PracticeDb db,
        PlanDesk plans,
        CancellationToken cancel
    )
    {
        var (facts, before) = await NowAsync(plans, cancel);
        var today = facts.Day;
        if (wish.Until < wish.From)
            throw new FieldException("until", "It ends before it begins. Give the last day, which may be the first.");
        if (wish.Until < today || wish.From > today.AddDays(MostDaysAhead) || wish.Until.DayNumber - wish.From.DayNumber >= LongestOff)
            throw new FieldException("from", $"An exception lies in the coming year and lasts {LongestOff} days at most.");
        if (!Enum.IsDefined(wish.Kind))
            throw new FieldException("kind", "It is a holiday, a late shift, a rehearsal, a visit, or something else.");
        if (wish.Minutes is not 0 and (< SittingLength.Least or > SittingLength.Most))
            throw new FieldException("minutes", $"Its days have no minutes, or {SittingLength.Least} to {SittingLength.Most}.");
        var row = new DayOffRow
        {
            From = wish.From,
            Until = wish.Until,
            Kind = wish.Kind,
            Minutes = wish.Minutes,
            Text = Problems.Text("text", wish.Text, 80),
        };
        await NoOverlapAsync(db, row, cancel);
        db.DaysOff.Add(row);
        // What was said last holds: minutes that were moved to or from these days before are no longer there.
        db.DaysMoved.RemoveRange(await db.DaysMoved.Where(one => one.Day >= row.From && one.Day <= row.Until).ToListAsync(cancel));
        await SaveAsync(before, db, plans, cancel);
        return await week.OfAsync(cancel);
    }

    private static async Task NoOverlapAsync(PracticeDb db, DayOffRow row, CancellationToken cancel)
    {
        var other = await db
            .DaysOff.Where(one => one.Id != row.Id && one.From <= row.Until && one.Until >= row.From)
            .OrderBy(one => one.From)
            .FirstOrDefaultAsync(cancel);
        if (other is not null)
            throw new FieldException(
                "from",
                $"\"{WeekAhead.View(other).Name}\" already holds {other.From:d MMM} to {other.Until:d MMM}. Remove that one first, or choose other days.",
                StatusCodes.Status409Conflict
            );
    }

    private static async Task<CalendarRead> ReadCalendarAsync(
        CalendarText text,
        HttpContext context,
        PracticeDb db,
        PracticeClock clock,
        Ledger ledger,
        Turns turns,
        CancellationToken cancel
    )
    {
        var (taken, wholeDays) = CalendarFile.Read(text.Text, clock.UtcNow, clock.UtcNow.AddDays(CalendarDays), clock.Zone, cancel);
        using var turn = await turns.TakeAsync(ledger.Of(context), cancel);
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        await db.Busy.ExecuteDeleteAsync(cancel);
        db.Busy.AddRange(taken);
        await db.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
        return new CalendarRead(taken.Count, wholeDays);
    }
}

/// <summary>Whether there is to be a calendar for other programs; on gives it a new secret address.</summary>
public sealed record FeedWish(bool On);
