using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What every file holds from the first day: the day shapes and the warm-ups.</summary>
public static class Seed
{
    /// <summary>How far the shapes have come.</summary>
    private const string Newest = "2";

    /// <summary>Puts the day shapes in, once; routines changed or removed later stay so.</summary>
    public static async Task RoutinesAsync(PracticeDb db, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(db);
        var known = await db.Facts.FirstOrDefaultAsync(fact => fact.Name == "shapes", cancel);
        if (known?.Value == Newest)
            return;
        // A file of before gets what joined the shapes later.
        db.Routines.AddRange(Routines().Where(row => known is null || row.Name == Shapes.HardBars));
        if (known is null)
            db.Facts.Add(known = new FactRow { Name = "shapes" });
        known.Value = Newest;
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Puts the warm-ups of the instrument in, once, as soon as there is a player.</summary>
    public static async Task WarmUpsAsync(PracticeDb db, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(db);
        if (await db.WarmUps.AnyAsync(cancel) || await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel) is not { } profile)
            return;
        db.WarmUps.AddRange(ProfileBooks.WarmUpsFor(profile));
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>The day shapes as rows; the first is used on every weekday.</summary>
    public static IEnumerable<RoutineRow> Routines() =>
        Shapes.All.Select(
            (shape, i) =>
                new RoutineRow
                {
                    Name = shape.Name,
                    Interwoven = shape.Interwoven,
                    BlocksJson = JsonSerializer.Serialize(shape.Blocks, Bookkeeping.Json),
                    Weekdays = i == 0 ? 127 : 0,
                }
        );
}
