using System.Text.Json;
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
            .MapGet("", async (PlanDesk desk, TodayViews views, CancellationToken cancel) =>
            {
                var facts = await desk.FactsAsync(cancel);
                return await views.OfAsync(facts, await desk.StoredAsync(facts.Day, cancel), cancel);
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
        TodayViews views,
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
        await db.SaveChangesAsync(cancel);
        return await views.OfAsync(facts, row, cancel);
    }

    private static async Task<TodayView> ChangeAsync(
        ChangeWish wish,
        PlanDesk desk,
        TodayViews views,
        PracticeDb db,
        CancellationToken cancel
    )
    {
        var facts = await desk.FactsAsync(cancel);
        var (row, plan) = await TouchAsync(desk, db, facts, wish.Version, cancel);
        var changed = PlanEdit.Apply(
            plan,
            new PlanChange(wish.Kind, wish.DrillId, wish.Value, wish.MaterialId, wish.MethodId is { } method ? new MethodId(method) : null),
            PlanDesk.Request(row, facts)
        );
        row.BeforeJson = row.PlanJson;
        row.PlanJson = JsonSerializer.Serialize(changed, Bookkeeping.Json);
        await db.SaveChangesAsync(cancel);
        return await views.OfAsync(facts, row, cancel);
    }

    private static async Task<TodayView> AnewAsync(AnewWish wish, PlanDesk desk, TodayViews views, PracticeDb db, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var (row, _) = await TouchAsync(desk, db, facts, wish.Version, cancel);
        row.Seed++;
        row.BeforeJson = row.PlanJson;
        if (wish.FromScratch)
            PlanDesk.Replan(row, facts, [.. PlanDesk.Read(row).Kept.Where(drill => drill.Locked)]);
        else
            PlanDesk.ReplanKeeping(row, facts, letGo: false);
        await db.SaveChangesAsync(cancel);
        return await views.OfAsync(facts, row, cancel);
    }

    private static async Task<TodayView> BackAsync(BackWish wish, PlanDesk desk, TodayViews views, PracticeDb db, CancellationToken cancel)
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
        await db.SaveChangesAsync(cancel);
        return await views.OfAsync(facts, row, cancel);
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

    private static int MinutesUntil(string until, PracticeClock clock)
    {
        var time = TimeOfDay.Read(until) ?? throw new FieldException("until", "Give the time of day as hours and minutes, like 19:30.");
        var now = TimeOnly.FromDateTime(clock.LocalNow.DateTime);
        return (int)Math.Round((time - now).TotalMinutes);
    }
}
