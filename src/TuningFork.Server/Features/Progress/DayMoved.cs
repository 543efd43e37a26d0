using Microsoft.EntityFrameworkCore;
using TuningFork.Core.LookingBack;
using TuningFork.Data;

namespace TuningFork.Server.Features.Progress;

/// <summary>What went further on a day than ever before, in three lines at most.</summary>
internal static class DayMoved
{
    /// <summary>The lines of some days.</summary>
    public static async Task<ILookup<DateOnly, string>> OfAsync(PracticeDb db, IReadOnlyList<DateOnly> days, CancellationToken cancel)
    {
        var visits = await db
            .Visits.AsNoTracking()
            .Include(visit => visit.Material)
                .ThenInclude(material => material!.Piece)
            .Where(visit => days.Contains(visit.Day) && visit.Clean != null && (visit.BestBefore == null || visit.Clean > visit.BestBefore))
            .ToListAsync(cancel);
        return visits
            .Where(visit => visit.Material is not null)
            .GroupBy(visit => visit.Day)
            .SelectMany(day =>
                DayMove
                    .Lines(
                        day.Select(visit => new DayMove(
                            Bookkeeping.TitleOf(visit.Material!, visit.Material!.Piece),
                            visit.BestBefore,
                            visit.Clean!.Value
                        ))
                    )
                    .Select(line => (day.Key, Line: line))
            )
            .ToLookup(one => one.Key, one => one.Line);
    }
}
