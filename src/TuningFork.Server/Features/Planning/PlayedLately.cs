using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;

namespace TuningFork.Server.Features.Planning;

/// <summary>What was played lately, by day and area, and when each area was last played.</summary>
internal sealed class PlayedLately
{
    /// <summary>Days that are looked back.</summary>
    public const int Days = 35;

    /// <summary>An area counts as played from so many seconds.</summary>
    private const int CountsSeconds = 30;

    private readonly DateOnly day;
    private readonly List<(DateOnly Day, Area Area, double Seconds, int Lost)> recent;
    private readonly List<(DateOnly Day, Area Area, double Seconds)> credited;
    private readonly Dictionary<Area, DateOnly> last;

    private PlayedLately(
        DateOnly day,
        List<(DateOnly, Area, double, int)> recent,
        List<(DateOnly, Area, double)> credited,
        Dictionary<Area, DateOnly> last
    ) => (this.day, this.recent, this.credited, this.last) = (day, recent, credited, last);

    /// <summary>Days on which something counts as played.</summary>
    public IEnumerable<DateOnly> PlayedDays => recent.Where(row => row.Seconds >= CountsSeconds).Select(row => row.Day).Distinct();

    /// <summary>Minutes of each day.</summary>
    public IReadOnlyDictionary<DateOnly, double> MinutesByDay =>
        recent.GroupBy(row => row.Day).ToDictionary(group => group.Key, group => group.Sum(row => row.Seconds) / 60);

    public static async Task<PlayedLately> OfAsync(PracticeDb db, DateOnly day, CancellationToken cancel)
    {
        // What was played under a clock that was far ahead is of no week that can be told.
        var (from, until, week) = (day.AddDays(-Days), day.AddDays(PracticeDay.MostDaysAhead), day.AddDays(-6));
        var drills = db.SessionDrills.AsNoTracking().Where(drill => drill.Area != null && drill.PlayedSeconds > 0);
        var rows = (
            await drills
                .Where(drill => drill.Day >= from && drill.Day <= until)
                .GroupBy(drill => new { drill.Day, drill.Area })
                .Select(group => new
                {
                    group.Key.Day,
                    group.Key.Area,
                    Seconds = group.Sum(drill => drill.PlayedSeconds),
                    Lost = group.Sum(drill => drill.LostSeconds),
                })
                .ToListAsync(cancel)
        ).ConvertAll(row => (Day: PracticeDay.AsSeenOn(row.Day, day), Area: row.Area!.Value, row.Seconds, row.Lost));
        var latest = rows.Where(row => row.Seconds >= CountsSeconds)
            .GroupBy(row => row.Area)
            .ToDictionary(group => group.Key, group => group.Max(row => row.Day));
        // An area that has rested for longer than that is looked up by itself.
        foreach (var area in Areas.All.Where(area => !latest.ContainsKey(area)))
        {
            var lastDay = await drills
                .Where(drill => drill.Area == area && drill.PlayedSeconds >= CountsSeconds && drill.Day <= until)
                .OrderByDescending(drill => drill.Day)
                .Select(drill => (DateOnly?)drill.Day)
                .FirstOrDefaultAsync(cancel);
            if (lastDay is { } found)
                latest[area] = found;
        }

        var twice = (
            await db
                .SessionDrills.AsNoTracking()
                .Where(drill => drill.CreditedTo != null && drill.Day >= week && drill.Day <= until && drill.PlayedSeconds > 0)
                .GroupBy(drill => new { drill.Day, drill.CreditedTo })
                .Select(group => new
                {
                    group.Key.Day,
                    Area = group.Key.CreditedTo,
                    Seconds = group.Sum(drill => drill.PlayedSeconds),
                })
                .ToListAsync(cancel)
        ).ConvertAll(row => (PracticeDay.AsSeenOn(row.Day, day), row.Area!.Value, row.Seconds));
        return new PlayedLately(day, rows, twice, latest);
    }

    /// <summary>The same as another day would see it, with what is played until then.</summary>
    public PlayedLately Later(DateOnly then, IReadOnlyList<(DateOnly Day, Area Area, double Seconds)> played)
    {
        var latest = new Dictionary<Area, DateOnly>(last);
        foreach (var one in played.Where(one => one.Seconds >= CountsSeconds))
            latest[one.Area] = one.Day;
        return new PlayedLately(then, [.. recent, .. played.Select(one => (one.Day, one.Area, one.Seconds, 0))], credited, latest);
    }

    /// <summary>What each area had in the last six days and today.</summary>
    /// <param name="counts">Days that count.</param>
    /// <param name="lost">Whether minutes that the plan itself lost are counted as played.</param>
    public IReadOnlyList<AreaHistory> History(Func<DateOnly, bool> counts, bool lost = false)
    {
        var week = day.AddDays(-6);
        return
        [
            .. Areas.All.Select(area => new AreaHistory(
                area,
                (int)(
                    recent
                        .Where(row => row.Area == area && row.Day >= week && counts(row.Day))
                        .Sum(row => row.Seconds + (lost ? row.Lost : 0))
                    + credited.Where(row => row.Area == area && row.Day >= week && counts(row.Day)).Sum(row => row.Seconds)
                ),
                last.TryGetValue(area, out var at) ? day.DayNumber - at.DayNumber : null
            )),
        ];
    }
}
