using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;

namespace TuningFork.Server.Features.Planning;

/// <summary>What earlier sittings of the day have given to each thing, by its part of the takes of their drills.</summary>
internal static class PlayedToday
{
    private const double Minute = 60;

    public static async Task<IReadOnlyList<Material>> WithMinutesAsync(
        PracticeDb db,
        IReadOnlyList<Material> materials,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var drills = await db
            .SessionDrills.AsNoTracking()
            .Where(drill => drill.Day == day && drill.Takes.Count > 0)
            .Select(drill => new { drill.PlayedSeconds, Takes = drill.Takes.Select(take => take.MaterialId).ToList() })
            .ToListAsync(cancel);
        var seconds = drills
            .SelectMany(drill => drill.Takes.Select(id => (Id: id, Seconds: drill.PlayedSeconds / drill.Takes.Count)))
            .Where(part => part.Id is not null)
            .GroupBy(part => part.Id!.Value)
            .ToDictionary(group => group.Key, group => group.Sum(part => part.Seconds));
        return seconds.Count == 0
            ? materials
            :
            [
                .. materials.Select(material =>
                    seconds.TryGetValue(material.Id, out var played)
                        ? material with
                        {
                            MinutesToday = (int)Math.Round(played / Minute),
                        }
                        : material
                ),
            ];
    }
}
