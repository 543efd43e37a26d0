using Microsoft.EntityFrameworkCore;
using TuningFork.Core.LookingBack;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Progress;

/// <summary>What went further on a day than ever before, in three lines at most.</summary>
internal static class DayMoved
{
    /// <summary>The lines of some days.</summary>
    public static async Task<ILookup<DateOnly, string>> OfAsync(PracticeDb db, IReadOnlyList<DateOnly> days, CancellationToken cancel)
    {
        var moved = db.Visits.Where(visit =>
            days.Contains(visit.Day) && visit.Clean != null && (visit.BestBefore == null || visit.Clean > visit.BestBefore)
        );
        var visits = await moved
            .AsNoTracking()
            .Include(visit => visit.Material)
                .ThenInclude(material => material!.Piece)
            .ToListAsync(cancel);
        var tried = await TriedAsync(db, moved, cancel);
        return visits
            .Where(visit => visit.Material is not null)
            .GroupBy(visit => visit.Day)
            .SelectMany(day =>
                DayMove
                    .Lines(
                        day.Select(visit => new DayMove(
                            Bookkeeping.TitleOf(visit.Material!, visit.Material!.Piece),
                            visit.BestBefore,
                            visit.Clean!.Value,
                            tried.GetValueOrDefault(visit.Id)
                        ))
                    )
                    .Select(line => (day.Key, Line: line))
            )
            .ToLookup(one => one.Key, one => one.Line);
    }

    /// <summary>Days since the last clean take before each visit, of those that were tried in between and missed.</summary>
    private static async Task<Dictionary<int, int>> TriedAsync(PracticeDb db, IQueryable<VisitRow> moved, CancellationToken cancel)
    {
        var before = await moved
            .Select(visit => new
            {
                visit.Id,
                visit.Day,
                Clean = db
                    .Visits.Where(one => one.MaterialId == visit.MaterialId && one.Day < visit.Day && one.Clean != null)
                    .Max(one => (DateOnly?)one.Day),
                // After the last clean one only: who hardly ever misses has years without.
                IsMissed = db.Visits.Any(one =>
                    one.MaterialId == visit.MaterialId
                    && one.Day < visit.Day
                    && one.Day
                        > db.Visits.Where(clean => clean.MaterialId == visit.MaterialId && clean.Day < visit.Day && clean.Clean != null)
                            .Max(clean => (DateOnly?)clean.Day)
                    && one.Clean == null
                    && one.Takes > 0
                ),
            })
            .ToListAsync(cancel);
        return before.Where(one => one.IsMissed).ToDictionary(one => one.Id, one => one.Day.DayNumber - one.Clean!.Value.DayNumber);
    }
}
