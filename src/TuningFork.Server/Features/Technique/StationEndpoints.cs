using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>Puts an exercise at a station; None leaves it to its tempo alone.</summary>
public sealed record StationWish(ExerciseStation Station);

/// <summary>Stations of exercises over HTTP.</summary>
public static class StationEndpoints
{
    public static void MapStations(this WebApplication app) =>
        app.MapPost(
                "/api/technique/exercises/{id:int}/station",
                async (int id, StationWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                {
                    var row = await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Exercise, cancel)
                        ?? throw Problems.Unknown("id", "exercise");
                    StationBooks.Put(row, wish.Station, clock.Today(await desk.ProfileAsync(cancel)));
                    await db.SaveChangesAsync(cancel);
                    return TypedResults.NoContent();
                }
            )
            .WithTags("Technique")
            .WithName("PutExerciseAtStation");
}
