using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Planning;

/// <summary>What the body said, and what follows from it for a day.</summary>
internal static class BodyWords
{
    /// <summary>Tension in a word: 0 none to 3 much.</summary>
    public static string OfTension(int tension) =>
        tension switch
        {
            0 => "none",
            1 => "a little",
            2 => "some",
            _ => "much",
        };

    /// <summary>How the body stands, and the last thing that it said.</summary>
    public static async Task<(Body Body, BodyRow? Last)> OfAsync(
        PracticeDb db,
        DateOnly day,
        DateOnly until,
        IEnumerable<DateOnly> practised,
        CancellationToken cancel
    )
    {
        var rows = await db
            .Bodies.AsNoTracking()
            .Where(row => row.Day >= day.AddDays(-PlayedLately.Days) && row.Day <= until)
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        // Pain that was told long ago, and never that it is well, still stands.
        if (
            rows.Count == 0
            && await db.Bodies.AsNoTracking().Where(row => row.Day <= until).OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel)
                is { } old
        )
            rows.Add(old);
        return (
            Body.Of(
                rows.ConvertAll(row => new BodyWord(
                    PracticeDay.AsSeenOn(row.Day, day),
                    row.Tension,
                    row.Pain,
                    row.Keys.Split(',', StringSplitOptions.RemoveEmptyEntries)
                )),
                day,
                practised
            ),
            rows.LastOrDefault()
        );
    }
}
