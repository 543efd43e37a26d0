using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;

namespace TuningFork.Server.Features.Planning;

/// <summary>What the visits of the last weeks say about the things that a day is planned from.</summary>
internal static class VisitedLately
{
    /// <summary>Exercises that came back after days away and are not yet as they were.</summary>
    public static async Task<IReadOnlyList<Material>> WithReturnAsync(
        PracticeDb db,
        IReadOnlyList<Material> materials,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var from = day.AddDays(-Density.LooksBack);
        var visits = (
            await db
                .Visits.AsNoTracking()
                .Where(visit => visit.Day >= from && visit.Day < day && visit.Material!.Kind == MaterialKind.Exercise)
                .OrderBy(visit => visit.Day)
                .Select(visit => new
                {
                    visit.MaterialId,
                    visit.Day,
                    visit.VisitBefore,
                    visit.Clean,
                })
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.MaterialId);
        return
        [
            .. materials.Select(material =>
                Density.IsRegaining([.. visits[material.Id].Select(visit => (visit.Day, visit.VisitBefore, visit.Clean is not null))])
                    ? material with
                    {
                        Regaining = true,
                    }
                    : material
            ),
        ];
    }

    /// <summary>What is to come so often a week knows how often it was there; a book, on how many days a week it is read.</summary>
    public static async Task<IReadOnlyList<Material>> WithWeekAsync(
        PracticeDb db,
        IReadOnlyList<Material> materials,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var wished = materials.Where(material => material.WeekTimes > 0).Select(material => material.Id).ToHashSet();
        var ids = materials
            .Where(material => material.Kind == MaterialKind.Book || wished.Contains(material.Id) || wished.Contains(material.Group))
            .Select(material => material.Id)
            .ToList();
        if (ids.Count == 0)
            return materials;
        var (week, month) = (day.AddDays(-6), day.AddDays(-Habits.Days));
        var visits = (
            await db
                .Visits.AsNoTracking()
                .Where(visit => ids.Contains(visit.MaterialId) && visit.Day >= month && visit.Day < day)
                .Select(visit => new { visit.MaterialId, visit.Day })
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.MaterialId, visit => visit.Day);
        var groups = materials
            .Where(material => wished.Contains(material.Group))
            .ToLookup(material => material.Group, material => material.Id);
        return
        [
            .. materials.Select(material =>
                !ids.Contains(material.Id)
                    ? material
                    : material with
                    {
                        WeekVisits = groups[material.Id]
                            .Append(material.Id)
                            .SelectMany(id => visits[id])
                            .Where(one => one >= week)
                            .Distinct()
                            .Count(),
                        VisitsAWeek =
                            visits[material.Id].Any() && day.DayNumber - visits[material.Id].Min().DayNumber is >= 7 and var lived
                                ? visits[material.Id].Count() * 7.0 / lived
                                : null,
                    }
            ),
        ];
    }
}
