using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>Today's plan over HTTP.</summary>
public static class TodayEndpoints
{
    public static void MapToday(this WebApplication app)
    {
        var group = app.MapGroup("/api/today").WithTags("Today");
        group
            .MapGet("", async (PlanDesk desk, PracticeDb db, CancellationToken cancel) =>
            {
                var facts = await desk.FactsAsync(cancel);
                return await ViewAsync(db, desk, facts, await desk.StoredAsync(facts.Day, cancel), cancel);
            })
            .WithName("GetToday");
        group
            .MapGet("/drills/{id}/methods", async (string id, PlanDesk desk, CancellationToken cancel) =>
            {
                var facts = await desk.FactsAsync(cancel);
                var row = await desk.StoredAsync(facts.Day, cancel) ?? await desk.FreshAsync(facts, cancel);
                var drill = PlanDesk.Read(row).Drills.FirstOrDefault(one => one.Id == id) ?? throw Problems.Unknown("id", "drill");
                return MethodChoice.For(drill, PlanDesk.Request(row, facts)).Select(MethodEndpoints.Choice).ToList();
            })
            .WithName("GetMethodsOfDrill");
        group.MapPut("", WishAsync).WithName("WishToday");
        group.MapPost("/changes", ChangeAsync).WithName("ChangeToday");
        group.MapPost("/anew", AnewAsync).WithName("PlanAnew");
        group.MapPost("/back", BackAsync).WithName("TakeBackTodaysChange");
    }

    private static async Task<TodayView> WishAsync(
        TodayWish wish,
        PlanDesk desk,
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var facts = await desk.FactsAsync(cancel);
        var (row, _) = await TouchAsync(desk, db, facts, wish.Version, cancel);
        row.Minutes = wish.Until is { } until ? MinutesUntil(until, clock) : wish.Minutes ?? row.Minutes;
        if (row.Minutes is < SittingLength.Least or > SittingLength.Most)
            throw new FieldException(
                wish.Until is null ? "minutes" : "until",
                $"A sitting lasts {SittingLength.Least} to {SittingLength.Most} minutes; this would be {row.Minutes}."
            );
        if (wish.Demands is { } demands)
            row.Demands = demands.Aggregate(Demands.None, (all, one) => all | one);
        if (wish.Purpose is { } purpose)
            row.Purpose = Problems.Text("purpose", purpose, 200);
        if (wish.Focus is { } focus)
            row.Focus =
                focus is "" or Core.Planning.Purpose.None || Core.Planning.Purpose.CanBeServed(focus, facts.Materials)
                    ? focus
                    : throw new FieldException(
                        "focus",
                        $"Technique can be for {Words.List(Core.Planning.Purpose.Difficulties)}, or for {Core.Planning.Purpose.None}."
                    );
        if (wish.RoutineId is { } routine)
            row.RoutineId = facts.Routines.Any(known => known.Id == routine) ? routine : throw Problems.Unknown("routineId", "routine");
        if (wish.RoutineId is { } chosen)
            PlanDesk.CheckMusts(facts.Routines.First(known => known.Id == chosen), row.Minutes);
        PlanDesk.ReplanKeeping(row, facts, wish.LetGo);
        row.BeforeJson = "";
        return await SaveAsync(db, desk, facts, row, cancel);
    }

    private static async Task<TodayView> ChangeAsync(ChangeWish wish, PlanDesk desk, PracticeDb db, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var (row, plan) = await TouchAsync(desk, db, facts, wish.Version, cancel);
        var changed = PlanEdit.Apply(
            plan,
            new PlanChange(wish.Kind, wish.DrillId, wish.Value, wish.MaterialId, wish.MethodId),
            PlanDesk.Request(row, facts)
        );
        row.BeforeJson = row.PlanJson;
        row.PlanJson = JsonSerializer.Serialize(changed, Bookkeeping.Json);
        return await SaveAsync(db, desk, facts, row, cancel);
    }

    private static async Task<TodayView> AnewAsync(AnewWish wish, PlanDesk desk, PracticeDb db, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var (row, _) = await TouchAsync(desk, db, facts, wish.Version, cancel);
        row.Seed++;
        row.BeforeJson = row.PlanJson;
        if (wish.FromScratch)
            PlanDesk.Replan(row, facts, [.. PlanDesk.Read(row).Kept.Where(drill => drill.Locked)]);
        else
            PlanDesk.ReplanKeeping(row, facts, letGo: false);
        return await SaveAsync(db, desk, facts, row, cancel);
    }

    private static async Task<TodayView> BackAsync(BackWish wish, PlanDesk desk, PracticeDb db, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        if (await desk.StoredAsync(facts.Day, cancel) is not { BeforeJson.Length: > 0 } row || row.Version != wish.Version)
            throw new FieldException(
                "version",
                "The plan has been changed since, so this is not taken back. What was left out waits under the list: add it from there.",
                StatusCodes.Status409Conflict
            );
        row.Version++;
        (row.PlanJson, row.BeforeJson) = (row.BeforeJson, "");
        return await SaveAsync(db, desk, facts, row, cancel);
    }

    /// <summary>The plan row to be changed, checked against the version that was seen.</summary>
    public static async Task<(PlanRow Row, DayPlan Plan)> TouchAsync(
        PlanDesk desk,
        PracticeDb db,
        DayFacts facts,
        int version,
        CancellationToken cancel
    )
    {
        var row = await desk.StoredAsync(facts.Day, cancel);
        if ((row?.Version ?? 0) != version)
            throw Problems.Stale("Today's plan");
        if (row is null)
        {
            row = await desk.FreshAsync(facts, cancel);
            db.Plans.Add(row);
        }

        row.Version++;
        return (row, PlanDesk.Read(row));
    }

    private static async Task<TodayView> SaveAsync(PracticeDb db, PlanDesk desk, DayFacts facts, PlanRow row, CancellationToken cancel)
    {
        await db.SaveChangesAsync(cancel);
        return await ViewAsync(db, desk, facts, row, cancel);
    }

    private static async Task<TodayView> ViewAsync(PracticeDb db, PlanDesk desk, DayFacts facts, PlanRow? stored, CancellationToken cancel)
    {
        var row = stored ?? await desk.FreshAsync(facts, cancel);
        var plan = PlanDesk.Read(row);
        var advice = DayMinutes.Advice(facts);
        var open = await db
            .Sessions.AsNoTracking()
            .Where(session => session.EndedUtc == null)
            .OrderBy(session => session.Id)
            .FirstOrDefaultAsync(cancel);
        var unclosed = open is not null && desk.IsOver(open, facts.Day) ? await UnclosedAsync(db, open, cancel) : null;
        return new TodayView(
            facts.Day,
            row.Version,
            row.Minutes,
            advice.Minutes,
            advice.Reason,
            Split(row.Demands),
            row.Purpose,
            row.RoutineId,
            facts.Routines.FirstOrDefault(routine => routine.Id == row.RoutineId)?.Name ?? "",
            Drills(plan.Drills),
            plan.Total,
            plan.Waiting,
            plan.Summary,
            [.. plan.Warnings, .. DayMinutes.Performances(facts).Where(way => !way.Fits).Select(way => way.Warning)],
            DayMinutes.Balance(facts),
            BodyQuestion(facts),
            Math.Round(facts.MinutesByDay.GetValueOrDefault(facts.Day), 1),
            open is not null && unclosed is null,
            unclosed,
            plan.Kept.Count(drill => !drill.Locked) + plan.LeftOut.Count,
            row.Focus,
            Purpose.Say(Purpose.Of(facts.Materials, facts.Day, row.Focus), facts.Materials),
            Purpose.Difficulties,
            open is null ? DayMinutes.Done(facts) : ""
        );
    }

    private static async Task<UnclosedView> UnclosedAsync(PracticeDb db, SessionRow open, CancellationToken cancel)
    {
        var drills = db.SessionDrills.AsNoTracking().Where(drill => drill.SessionId == open.Id);
        return new UnclosedView(
            open.Id,
            open.Day,
            Math.Round(await drills.Where(drill => drill.Area != null).SumAsync(drill => drill.PlayedSeconds, cancel) / 60, 1),
            open.PlannedMinutes,
            await drills.SelectMany(drill => drill.Takes).CountAsync(cancel),
            await db.Entries.CountAsync(entry => entry.SessionId == open.Id, cancel)
        );
    }

    public static IReadOnlyList<DrillView> Drills(IReadOnlyList<Drill> drills)
    {
        var at = 0;
        return
        [
            .. drills.Select(drill =>
            {
                var method = drill.IsBreak ? null : Methods.Of(drill);
                var view = new DrillView(
                    drill.Id,
                    drill.Area,
                    drill.Title,
                    drill.MethodId,
                    method?.Name ?? "",
                    drill.How.Length > 0 ? drill.How : method?.How ?? "",
                    drill.Minutes,
                    at,
                    drill.Reason,
                    drill.Sum,
                    drill.Locked,
                    Targets(drill),
                    drill.Block,
                    method?.Course == Course.FixedCount ? method.Count : null
                );
                at += drill.Minutes;
                return view;
            }),
        ];
    }

    private static List<TargetView> Targets(Drill drill) =>
        [
            .. drill.Targets.Select(target => new TargetView(
                target.Key,
                target.MaterialId,
                target.Title,
                target.Tempo?.Value,
                target.Goal?.Value,
                target.Beat,
                target.Note
            )),
        ];

    private static List<Demands> Split(Demands demands) =>
        [.. Enum.GetValues<Demands>().Where(one => one != Demands.None && (demands & one) != Demands.None)];

    private static string BodyQuestion(DayFacts facts) =>
        facts.LastBody is { Pain: true } body && body.Day < facts.Day
            ? $"You noted pain, numbness or tingling{(body.Where.Length > 0 ? $" ({body.Where})" : "")} {Words.Ago(facts.Day.DayNumber - body.Day.DayNumber)}. How is it now?"
            : "";

    private static int MinutesUntil(string until, PracticeClock clock)
    {
        if (!TimeOnly.TryParseExact(until, ["HH:mm", "H:mm"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
            throw new FieldException("until", "Give the time of day as hours and minutes, like 19:30.");
        var now = TimeOnly.FromDateTime(clock.LocalNow.DateTime);
        return (int)Math.Round((time - now).TotalMinutes);
    }
}
