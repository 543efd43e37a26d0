using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Hosting;

/// <summary>
/// Removing, and taking a removal back. The screens offer that for ten seconds; the file keeps what was removed for a day.
/// </summary>
public static class Removal
{
    /// <summary>Maps DELETE {path} and POST {path}/back for a kind of row.</summary>
    /// <param name="group">Where.</param>
    /// <param name="path">The address of one row, with its number as {id:int}.</param>
    /// <param name="name">Name of the operation after "Remove" and "TakeBack".</param>
    /// <param name="what">What it is called in a refusal.</param>
    /// <param name="check">Refuses what may not go.</param>
    /// <param name="checkBack">Refuses what cannot come back as things stand.</param>
    public static void MapRemoval<TRow>(
        this IEndpointRouteBuilder group,
        string path,
        string name,
        string what,
        Func<PracticeDb, TRow, CancellationToken, Task>? check = null,
        Func<PracticeDb, TRow, CancellationToken, Task>? checkBack = null
    )
        where TRow : class, IRemovable
    {
        group
            .MapDelete(path, async (int id, PracticeDb db, PracticeClock clock, CancellationToken cancel) =>
            {
                var row = await db.Set<TRow>().FindAsync([id], cancel) ?? throw Problems.Unknown("id", what);
                if (check is not null)
                    await check(db, row, cancel);
                row.RemovedUtc = clock.UtcNow;
                await db.SaveChangesAsync(cancel);
            })
            .WithName($"Remove{name}");
        group
            .MapPost($"{path}/back", async (int id, PracticeDb db, CancellationToken cancel) =>
            {
                var key = db.Model.FindEntityType(typeof(TRow))!.FindPrimaryKey()!.Properties[0].Name;
                var row = await db.Set<TRow>().IgnoreQueryFilters().FirstOrDefaultAsync(row => EF.Property<int>(row, key) == id, cancel)
                    ?? throw new FieldException(
                        "id",
                        "This was removed too long ago to be taken back. A backup of that day still holds it.",
                        StatusCodes.Status404NotFound
                    );
                if (checkBack is not null)
                    await checkBack(db, row, cancel);
                row.RemovedUtc = null;
                await db.SaveChangesAsync(cancel);
            })
            .WithName($"TakeBack{name}");
    }

    /// <summary>Lets go for good of what was removed before a moment.</summary>
    public static async Task EmptyAsync(PracticeDb db, DateTime before, CancellationToken cancel)
    {
        await GoAsync(db.Entries, before, cancel);
        await GoAsync(db.Goals, before, cancel);
        await GoAsync(db.Methods, before, cancel);
        await GoAsync(db.Routines, before, cancel);
        await GoAsync(db.WarmUps, before, cancel);
        await GoAsync(db.Boxes, before, cancel);
        await GoAsync(db.Pages, before, cancel);
        await GoAsync(db.Recordings, before, cancel);
        await GoAsync(db.Music, before, cancel);
        // The file goes with the music that came from it.
        await db
            .MusicFiles.Where(file => !db.Music.IgnoreQueryFilters().Any(music => music.MaterialId == file.MaterialId))
            .ExecuteDeleteAsync(cancel);
        // Passages before their pieces; what hangs on them goes with them.
        await GoAsync(db.Materials.Where(row => row.PieceId != null), before, cancel);
        await GoAsync(db.Materials, before, cancel);
    }

    private static Task<int> GoAsync<TRow>(IQueryable<TRow> rows, DateTime before, CancellationToken cancel)
        where TRow : class, IRemovable => rows.IgnoreQueryFilters().Where(row => row.RemovedUtc < before).ExecuteDeleteAsync(cancel);
}
