using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;

namespace TuningFork.Server.Features.Planning;

/// <summary>What was answered by ear, task by task.</summary>
internal static class EarAnswers
{
    public static async Task<IReadOnlyList<EarRecord>> OfAsync(PracticeDb db, DateOnly day, DateOnly until, CancellationToken cancel)
    {
        var from = day.AddDays(-EarRecord.LooksBack);
        var takes = await db
            .Takes.AsNoTracking()
            .Where(take => take.Day >= from && take.Day <= until && take.Key.StartsWith("ear:"))
            .GroupBy(take => take.Key)
            .Select(group => new
            {
                group.Key,
                Last = group.Max(take => take.Day),
                Asked = group.Count(),
                Right = group.Count(take => take.Clean),
            })
            .ToListAsync(cancel);
        return
        [
            .. takes.Select(take => new EarRecord(take.Key, PracticeDay.AsSeenOn(take.Last, day), take.Asked, take.Asked - take.Right)),
        ];
    }
}
