using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What every file holds from the first day: the day shapes and the warm-ups.</summary>
public static class Seed
{
    /// <summary>Puts the day shapes in, once; routines changed or removed later stay so.</summary>
    public static async Task RoutinesAsync(PracticeDb db, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(db);
        if (await db.Facts.AnyAsync(fact => fact.Name == "shapes", cancel))
            return;
        db.Routines.AddRange(Routines());
        db.Facts.Add(new FactRow { Name = "shapes", Value = "1" });
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Puts the warm-ups of the instrument in, once, as soon as there is a player.</summary>
    public static async Task WarmUpsAsync(PracticeDb db, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(db);
        if (await db.WarmUps.AnyAsync(cancel) || await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel) is not { } profile)
            return;
        db.WarmUps.AddRange(Bookkeeping.WarmUpsFor(profile));
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>The day shapes as rows; the first is used on every weekday.</summary>
    public static IEnumerable<RoutineRow> Routines() => Shapes.All.Select((shape, i) => new RoutineRow
    {
        Name = shape.Name,
        Interwoven = shape.Interwoven,
        BlocksJson = JsonSerializer.Serialize(shape.Blocks, Bookkeeping.Json),
        Weekdays = i == 0 ? 127 : 0,
    });
}
