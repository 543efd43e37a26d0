using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;

namespace TuningFork.Server.Features.Technique;

/// <summary>The highest rung of a subdivision ladder that held on a day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Key">The key, or empty where the exercise stays in one.</param>
/// <param name="Rung">The rung in words: "eighths".</param>
public sealed record RungView(DateOnly Day, string Key, string Rung);

/// <summary>What held on subdivision ladders, by key and day.</summary>
public static class LadderRecords
{
    /// <summary>So many days are shown.</summary>
    private const int Shown = 24;

    /// <summary>The highest rung that held in each key on each day, newest first.</summary>
    public static async Task<IReadOnlyList<RungView>> OfAsync(PracticeDb db, int material, CancellationToken cancel)
    {
        var prefix = TargetKey.Of(material, TargetPart.Rung, "");
        var held = await db
            .Takes.AsNoTracking()
            .Where(take => take.Clean && take.Key.StartsWith(prefix))
            .Select(take => new { take.Day, take.Key })
            .Distinct()
            .ToListAsync(cancel);
        return
        [
            .. held.Select(take => (take.Day, Key: TargetKey.Parse(take.Key)))
                .GroupBy(take => (take.Day, take.Key.InKey))
                .OrderByDescending(group => group.Key.Day)
                .ThenBy(group => group.Key.InKey, StringComparer.Ordinal)
                .Take(Shown)
                .Select(group => new RungView(
                    group.Key.Day,
                    Key.TryParse(group.Key.InKey, out var key) ? key.Name : "",
                    SubdivisionLadder.Rungs.Last(rung => group.Any(take => take.Key.InRhythm == rung.Id)).Name
                )),
        ];
    }
}
