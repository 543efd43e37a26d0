using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>A pattern, or a pair, in the grid of its plan.</summary>
/// <param name="Numbers">Its number in dictionary order; of a pair "3 and 4".</param>
/// <param name="Figures">Its degrees: "2143".</param>
/// <param name="Reach">The tempo that can be played, or null.</param>
/// <param name="LastClean">Its last clean tempo, or null.</param>
/// <param name="Days">Days on which it was played.</param>
public sealed record PatternCell(
    string Numbers,
    string Figures,
    int? Reach,
    int? LastClean,
    int Days,
    DateOnly? Last,
    bool Done,
    bool Today
);

/// <summary>All patterns of an exercise.</summary>
/// <param name="LeastDays">Days on which each is played before it can be done.</param>
/// <param name="Until">About the day on which all are done; null when they are.</param>
public sealed record PatternGrid(
    int MaterialId,
    string Title,
    int? Target,
    int LeastDays,
    int Done,
    DateOnly? Until,
    IReadOnlyList<PatternCell> Cells
);

/// <summary>Pattern plans over HTTP.</summary>
public static class PatternEndpoints
{
    public static void MapPatterns(this WebApplication app) =>
        app.MapGet("/api/technique/patterns", async (PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
            {
                var today = clock.Today(await desk.ProfileAsync(cancel));
                var rows = await db
                    .Materials.AsNoTracking()
                    .Where(row => row.WorkJson.Contains("\"patterns\":{") && !row.Resting)
                    .OrderBy(row => row.Id)
                    .ToListAsync(cancel);
                var ids = rows.ConvertAll(row => row.Id);
                var keys = await db.Keys.AsNoTracking().Where(key => ids.Contains(key.MaterialId)).ToListAsync(cancel);
                return rows.ConvertAll(row => Grid(Bookkeeping.ToCore(row, today, keys: keys), today));
            })
            .WithTags("Technique")
            .WithName("GetPatterns");

    private static PatternGrid Grid(Core.Practice.Material exercise, DateOnly today)
    {
        var plan = exercise.Work!.Patterns!;
        var now = plan.On(exercise.Parts, exercise.Target, today);
        return new PatternGrid(
            exercise.Id,
            exercise.Title,
            exercise.Target?.Value,
            plan.LeastDays,
            now.Done,
            now.IsOver ? null : now.Last,
            [
                .. plan.Units.Select(unit =>
                {
                    var record = exercise.Parts.GetValueOrDefault(PatternPlan.KeyOf(unit));
                    return new PatternCell(
                        string.Join(" and ", unit),
                        string.Join(' ', unit.Select(number => string.Concat(Patterns.Permutation(plan.Size, number)))),
                        record?.Reach is { } reach ? (int)Math.Round(reach.Tempo) : null,
                        record?.LastClean?.Value,
                        record?.Days ?? 0,
                        record?.Last,
                        plan.IsDone(record, exercise.Target),
                        !now.IsOver && unit.SequenceEqual(now.Numbers)
                    );
                }),
            ]
        );
    }
}
