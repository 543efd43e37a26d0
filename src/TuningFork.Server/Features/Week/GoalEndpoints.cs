using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Week;

/// <summary>A step of a goal.</summary>
/// <param name="Met">Whether it has been reached.</param>
public sealed record GoalStepView(DateOnly By, int Value, bool Met);

/// <summary>Something that a goal could be about.</summary>
/// <param name="Unit">What it is counted in.</param>
/// <param name="Now">What it measures now.</param>
/// <param name="Most">The most it can measure.</param>
public sealed record AimView(GoalKind Kind, int MaterialId, string Title, string Unit, int Now, int Most);

/// <summary>A goal with its weekly steps.</summary>
/// <param name="About">What it is about.</param>
/// <param name="Aim">What is to be reached, in words.</param>
/// <param name="Now">What it measures now.</param>
/// <param name="Week">What this week asks, in words.</param>
public sealed record GoalView(
    int Id,
    GoalKind Kind,
    int MaterialId,
    string About,
    string Aim,
    int From,
    int To,
    int Now,
    DateOnly Begun,
    DateOnly Until,
    DateOnly? Reached,
    bool Behind,
    string Week,
    IReadOnlyList<GoalStepView> Steps,
    int Version,
    GoalState State
);

/// <summary>What a goal is to be. Where it stands now is measured, not asked.</summary>
public sealed record GoalWish(GoalKind Kind, int MaterialId, int To, DateOnly Until, int Version = 0);

/// <summary>Goals over HTTP.</summary>
public static class GoalEndpoints
{
    private const int MostDays = 730;

    public static void MapGoals(this WebApplication app)
    {
        var group = app.MapGroup("/api/goals").WithTags("Goals");
        group.MapGet("", AllAsync).WithName("GetGoals");
        group
            .MapGet("/aims", async (PlanDesk desk, CancellationToken cancel) =>
            {
                var materials = (await desk.FactsAsync(cancel)).Materials;
                return Enum.GetValues<GoalKind>()
                    .SelectMany(kind =>
                        materials
                            .Where(one => !one.Resting)
                            .Select(one => new AimView(
                                kind,
                                one.Id,
                                one.Title,
                                Goals.Unit(kind),
                                Goals.Measure(kind, one.Id, materials),
                                Goals.Most(kind, one.Id, materials)
                            ))
                    )
                    .Where(aim => aim.Now < aim.Most)
                    .ToList();
            })
            .WithName("GetAims");
        group
            .MapPost("", async (GoalWish wish, PracticeDb db, PlanDesk desk, CancellationToken cancel) =>
            {
                var row = new GoalRow { Version = 1 };
                await WriteAsync(row, wish, desk, cancel);
                db.Goals.Add(row);
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, desk, cancel);
            })
            .WithName("AddGoal");
        group
            .MapPut("/{id:int}", async (int id, GoalWish wish, PracticeDb db, PlanDesk desk, CancellationToken cancel) =>
            {
                var row = await db.Goals.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "goal");
                if (row.Version != wish.Version)
                    throw Problems.Stale("This goal");
                await WriteAsync(row, wish, desk, cancel);
                row.Version++;
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, desk, cancel);
            })
            .WithName("ChangeGoal");
        group.MapRemoval<GoalRow>("/{id:int}", "Goal", "goal");
    }

    private static async Task WriteAsync(GoalRow row, GoalWish wish, PlanDesk desk, CancellationToken cancel)
    {
        if (!Enum.IsDefined(wish.Kind))
            throw new FieldException("kind", "A goal is a Tempo, passages that are Ready, or Keys.");
        var facts = await desk.FactsAsync(cancel);
        var material = facts.Materials.FirstOrDefault(one => one.Id == wish.MaterialId) ?? throw Problems.Unknown("materialId", "material");
        var now = Goals.Measure(wish.Kind, wish.MaterialId, facts.Materials);
        var most = Goals.Most(wish.Kind, wish.MaterialId, facts.Materials);
        if (most == 0)
            throw new FieldException(
                "materialId",
                wish.Kind == GoalKind.Tempo ? $"{material.Title} has no tempo. Give it a target tempo first."
                    : wish.Kind == GoalKind.Keys ? $"{material.Title} does not go through the keys. Choose its keys on the Keys page first."
                    : $"{material.Title} has no passages to make ready. Choose a piece that has some."
            );
        if (wish.To <= now || wish.To > most)
            throw new FieldException(
                "to",
                now >= most
                    ? $"It stands at {now} already; there is no more to reach."
                    : $"It stands at {now}; a goal lies above that, up to {most}."
            );
        if (wish.Until <= facts.Day || wish.Until.DayNumber - facts.Day.DayNumber > MostDays)
            throw new FieldException("until", "A goal has a day ahead, within two years.");
        if (row.Id == 0 || row.Kind != wish.Kind || row.MaterialId != wish.MaterialId)
            (row.From, row.Begun) = (now, facts.Day);
        (row.Kind, row.MaterialId, row.To, row.Until, row.Reached) = (wish.Kind, wish.MaterialId, wish.To, wish.Until, null);
    }

    /// <summary>All goals; one that has been reached is marked with the day on which that was first seen.</summary>
    private static async Task<List<GoalView>> AllAsync(PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var rows = await db.Goals.OrderBy(row => row.Until).ThenBy(row => row.Id).ToListAsync(cancel);
        var views = rows.ConvertAll(row =>
        {
            var goal = Bookkeeping.ToCore(row);
            var now = Goals.Measure(goal.Kind, goal.MaterialId, facts.Materials);
            if (row.Reached is null && now >= row.To)
                row.Reached = facts.Day;
            return new GoalView(
                row.Id,
                row.Kind,
                row.MaterialId,
                facts.Materials.FirstOrDefault(one => one.Id == row.MaterialId)?.Title ?? "",
                Goals.Say(row.Kind, row.To),
                row.From,
                row.To,
                now,
                row.Begun,
                row.Until,
                row.Reached,
                row.Reached is null && goal.Behind(now, facts.Day),
                Goals.Week(goal, now, facts.Day),
                [.. goal.Steps.Select(step => new GoalStepView(step.By, step.Value, now >= step.Value))],
                row.Version,
                row.Reached is not null ? GoalState.Met
                    : row.Until < facts.Day ? GoalState.Missed
                    : GoalState.UnderWay
            );
        });
        await db.SaveChangesAsync(cancel);
        return views;
    }
}
