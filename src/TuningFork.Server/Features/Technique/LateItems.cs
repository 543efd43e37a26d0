using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;

namespace TuningFork.Server.Features.Technique;

/// <summary>A key or chord that came late.</summary>
/// <param name="Times">In how many of the last runs.</param>
public sealed record LateItemView(string Name, int Times);

/// <summary>Which keys or chords came late on the click, lately.</summary>
public static class LateItems
{
    /// <summary>So many runs are looked at.</summary>
    private const int Runs = 6;

    /// <summary>What came late in the last runs of an exercise, most often first.</summary>
    public static async Task<IReadOnlyList<LateItemView>> OfAsync(PracticeDb db, int material, CancellationToken cancel)
    {
        var runs = await db
            .Takes.AsNoTracking()
            .Where(take => take.MaterialId == material && take.Late != null)
            .OrderByDescending(take => take.AtUtc)
            .Select(take => take.LateItems)
            .Take(Runs)
            .ToListAsync(cancel);
        return
        [
            .. runs.SelectMany(run => run.Split('\n', StringSplitOptions.RemoveEmptyEntries))
                .CountBy(name => name)
                .OrderByDescending(pair => pair.Value)
                .Select(pair => new LateItemView(pair.Key, pair.Value)),
        ];
    }

    /// <summary>The steps of an exercise that needed another try in some days, and how often, in the order of the exercise.</summary>
    public static async Task<IReadOnlyList<LateItemView>> RetriesAsync(
        PracticeDb db,
        int material,
        Work? work,
        DateOnly from,
        DateOnly to,
        CancellationToken cancel
    )
    {
        if (work is not { Kind: WorkKind.Steps })
            return [];
        var missed = await db
            .Takes.AsNoTracking()
            .Where(take => take.MaterialId == material && !take.Clean && take.LateItems != "" && take.Day >= from && take.Day <= to)
            .Select(take => take.LateItems)
            .ToListAsync(cancel);
        var times = missed.CountBy(name => name, StringComparer.Ordinal).ToDictionary(StringComparer.Ordinal);
        return
        [
            .. work.Items.Where(times.ContainsKey).Distinct(StringComparer.Ordinal).Select(name => new LateItemView(name, times[name])),
        ];
    }

    /// <summary>The drill with its hard keys or chords first, where it goes over some.</summary>
    public static async Task<Drill> HardFirstAsync(PracticeDb db, Drill drill, CancellationToken cancel)
    {
        if (drill.IsBreak || Methods.Of(drill).Course != Course.Run || drill.Targets is not [{ MaterialId: { } id, Work: { } work } target])
            return drill;
        var late = await OfAsync(db, id, cancel);
        return drill with { Targets = [target with { Hard = [.. Bookkeeping.IndicesOf(late.Select(item => item.Name), work)] }] };
    }
}
