using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;

namespace TuningFork.Server.Features.Progress;

/// <summary>What was read at sight, answered by ear and played back on a day, in a line each.</summary>
internal static class DayResults
{
    /// <summary>Days on which there was any of it, each kind by itself.</summary>
    public static IEnumerable<IQueryable<DateOnly>> Days(PracticeDb db) =>
        [db.Readings.Select(row => row.Day), db.EarAnswers.Select(row => row.Day), db.Copies.Select(row => row.Day)];

    /// <summary>The lines of some days.</summary>
    public static async Task<ILookup<DateOnly, string>> OfAsync(PracticeDb db, IReadOnlyList<DateOnly> days, CancellationToken cancel)
    {
        var readings = await db
            .Readings.Where(row => days.Contains(row.Day))
            .GroupBy(row => row.Day)
            .Select(group => new
            {
                Day = group.Key,
                Count = group.Count(),
                Bars = group.Sum(row => row.Bars),
                Right = group.Sum(row => row.Right),
            })
            .ToListAsync(cancel);
        var answers = await db
            .EarAnswers.Where(row => days.Contains(row.Day))
            .GroupBy(row => row.Day)
            .Select(group => new
            {
                Day = group.Key,
                Count = group.Count(),
                Right = group.Count(row => row.Right),
            })
            .ToListAsync(cancel);
        var copies = await db
            .Copies.Where(row => days.Contains(row.Day))
            .GroupBy(row => row.Day)
            .Select(group => new
            {
                Day = group.Key,
                Count = group.Count(),
                Right = group.Count(row => row.Right),
            })
            .ToListAsync(cancel);
        return readings
            .Select(one => (one.Day, Line: $"At sight: {Words.Count(one.Count, "piece")}, {one.Right} of {one.Bars} bars on time"))
            .Concat(answers.Select(one => (one.Day, Line: $"By ear: {one.Right} of {one.Count} right")))
            .Concat(copies.Select(one => (one.Day, Line: $"Heard and played back: {one.Right} of {one.Count}")))
            .ToLookup(one => one.Day, one => one.Line);
    }
}
