using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;

namespace TuningFork.Server.Features.Technique;

/// <summary>The limits that were found on a day, in beats a minute; null for one that was not looked for.</summary>
public sealed record LimitView(DateOnly Day, int? Fastest, int? Slowest);

/// <summary>How fast and how slowly something went, by day.</summary>
public static class LimitRecords
{
    /// <summary>So many days are shown.</summary>
    private const int Shown = 12;

    /// <summary>The limits by day, newest first.</summary>
    public static async Task<IReadOnlyList<LimitView>> OfAsync(PracticeDb db, int material, CancellationToken cancel)
    {
        var (fastest, slowest) = (
            TargetKey.Of(material, TargetPart.Limit, StageProbe.Fastest),
            TargetKey.Of(material, TargetPart.Limit, StageProbe.Slowest)
        );
        return await db
            .Takes.AsNoTracking()
            .Where(take => take.Clean && (take.Key == fastest || take.Key == slowest))
            .GroupBy(take => take.Day)
            .OrderByDescending(day => day.Key)
            .Take(Shown)
            .Select(day => new LimitView(
                day.Key,
                day.Max(take => take.Key == fastest ? take.Tempo : null),
                day.Min(take => take.Key == slowest ? take.Tempo : null)
            ))
            .ToListAsync(cancel);
    }
}
