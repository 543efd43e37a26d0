using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Keeping;

/// <summary>
/// Books of a version that did not estimate what the player can do: the estimates are made once from all takes they hold.
/// </summary>
internal static class AbilityRebuild
{
    private const int TraitDays = 90;

    public static async Task RunAsync(PracticeDb db, CancellationToken cancel)
    {
        if (await db.Materials.AnyAsync(row => row.ReachLog != null, cancel) || !await db.Visits.AnyAsync(visit => visit.Takes > 0, cancel))
            return;
        var materials = await db.Materials.IgnoreQueryFilters().Include(row => row.Piece).ToDictionaryAsync(row => row.Id, cancel);
        var visits = (await db.Visits.OrderBy(visit => visit.Day).ThenBy(visit => visit.Id).ToListAsync(cancel)).ToLookup(visit =>
            visit.MaterialId
        );
        foreach (var material in materials.Values)
            VisitBooks.Rebuild(material, [.. visits[material.Id]]);
        await KeysAsync(db, materials, cancel);
        foreach (var rating in await db.Ratings.OrderBy(rating => rating.Day).ToListAsync(cancel))
            materials[rating.MaterialId].Confirmed = rating.Readiness == Readiness.Ready ? rating.Day : null;
        if (
            await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel) is { } profile
            && visits.SelectMany(group => group).Max(visit => (DateOnly?)visit.Day) is { } last
        )
        {
            var traits = visits
                .SelectMany(group => group)
                .Where(visit => visit.Day >= last.AddDays(-TraitDays))
                .OrderBy(visit => visit.Day)
                .Aggregate(Traits.Usual, (so, visit) => VisitBooks.Learnt(materials[visit.MaterialId], visit, so));
            profile.TraitsJson = System.Text.Json.JsonSerializer.Serialize(traits, Bookkeeping.Json);
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Keys and patterns, from their own takes; what had none stays as it is.</summary>
    private static async Task KeysAsync(PracticeDb db, Dictionary<int, MaterialRow> materials, CancellationToken cancel)
    {
        var known = await db.Keys.ToDictionaryAsync(row => (row.MaterialId, row.Key), cancel);
        var takes = await db
            .Takes.Where(take => take.MaterialId != null && (take.Key.Contains(":k:") || take.Key.Contains(":p:")))
            .OrderBy(take => take.Day)
            .ThenBy(take => take.AtUtc)
            .ToListAsync(cancel);
        foreach (var group in takes.GroupBy(take => (take.MaterialId!.Value, Part: TodaysTempo.PartOf(take.Key)!)))
        {
            if (!materials.TryGetValue(group.Key.Value, out var material))
                continue;
            var made = new KeyRow { MaterialId = material.Id, Key = group.Key.Part };
            var start = Bookkeeping.ToCore(material, group.First().Day).StartInKey;
            foreach (var take in group)
                KeyBooks.Played(made, take.Day, began: false, new Try(take.Clean, Bookkeeping.ToBpm(take.Tempo)), material, start);
            if (!known.TryGetValue((material.Id, group.Key.Part), out var row))
                db.Keys.Add(made);
            else
                (row.ReachLog, row.ReachSpread, row.Tries, row.ReachLogBefore, row.ReachSpreadBefore) = (
                    made.ReachLog,
                    made.ReachSpread,
                    made.Tries,
                    made.ReachLogBefore,
                    made.ReachSpreadBefore
                );
        }
    }
}
