using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Ear;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>What a stretch of days says when it is looked at more closely.</summary>
public sealed class LookCloser(PracticeDb db, PlanDesk plans, PracticeClock clock)
{
    private const int Week = 7;

    /// <summary>Methods are compared over the last so many days of a stretch: what they brought longer ago is of another player.</summary>
    private const int MethodDays = 84;

    /// <summary>A sitting with fewer takes says nothing about how clean it was.</summary>
    private const int LeastTakes = 8;

    public async Task<CloserView> OfAsync(DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        var readiness = await ReadinessAsync(from, to, cancel);
        var methods = MethodGain.Of(await MethodVisitsAsync(from, to, cancel));
        return new CloserView(
            await WeeksAsync(from, to, cancel),
            readiness,
            SayReadiness(readiness),
            methods,
            MethodGain.Words(methods),
            Core.LookingBack.Conditions.Words(await SittingsAsync(from, to, cancel)),
            ExercisesCloser.Keys(facts),
            await ExercisesCloser.RetriesAsync(db, from, to, facts, cancel),
            [.. DayMinutes.Performances(facts).Select(plan => $"{plan.Title}: {plan.Words}")],
            await db
                .Readings.Where(row => row.Day >= from && row.Day <= to)
                .GroupBy(row => row.Asked)
                .Select(group => new StrandRead(group.Key, group.Sum(row => row.Bars), group.Sum(row => row.Right)))
                .ToListAsync(cancel),
            [.. Confusions.Of(await EarDesk.CountsAsync(db, to, cancel)).Take(3).Select(pair => pair.Words)],
            await ExercisesCloser.CuresAsync(db, from, to, facts, cancel)
        );
    }

    private async Task<IReadOnlyList<WeekPlayed>> WeeksAsync(DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var played = await LookBackEndpoints.PlayedAsync(db, from, to, cancel);
        return
        [
            .. Starts(from, to)
                .Select(start => new WeekPlayed(
                    start,
                    [
                        .. Areas.All.Select(area => new AreaMinutes(
                            area,
                            Math.Round(
                                played
                                    .Where(one => one.Area == area && one.Day >= start && one.Day < start.AddDays(Week))
                                    .Sum(one => one.Seconds) / 60,
                                1
                            )
                        )),
                    ]
                )),
        ];
    }

    /// <summary>First days of the weeks of a stretch, counted from its end; a week at its beginning that is not whole is left out.</summary>
    private static IEnumerable<DateOnly> Starts(DateOnly from, DateOnly to) =>
        Enumerable.Range(1, (to.DayNumber - from.DayNumber + 1) / Week).Select(back => to.AddDays(1 - (back * Week))).Reverse();

    /// <summary>The last rating of each passage up to each week's last day.</summary>
    private async Task<IReadOnlyList<ReadinessOn>> ReadinessAsync(DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var ratings = await db
            .Ratings.AsNoTracking()
            .Where(row => row.Day <= to && row.Material!.Kind == MaterialKind.Passage && !row.Material.Resting)
            .OrderBy(row => row.Day)
            .ThenBy(row => row.Id)
            .Select(row => new
            {
                row.MaterialId,
                row.Day,
                row.Readiness,
            })
            .ToListAsync(cancel);
        return
        [
            .. Starts(from, to)
                .Select(start => start.AddDays(Week - 1))
                .Select(day =>
                {
                    var last = ratings
                        .Where(row => row.Day <= day)
                        .GroupBy(row => row.MaterialId)
                        .Select(group => group.Last().Readiness)
                        .ToList();
                    return new ReadinessOn(
                        day,
                        last.Count(one => one == Core.Spacing.Readiness.Raw),
                        last.Count(one => one == Core.Spacing.Readiness.Shaping),
                        last.Count(one => one == Core.Spacing.Readiness.Ready)
                    );
                }),
        ];
    }

    private static string SayReadiness(IReadOnlyList<ReadinessOn> weeks)
    {
        if (weeks.Count == 0 || weeks[^1] is { Raw: 0, Shaping: 0, Ready: 0 })
            return "No passage is rated yet: a 1, 2 or 3 at the end of a drill or on its piece.";
        var (first, last) = (weeks[0], weeks[^1]);
        var all = last.Raw + last.Shaping + last.Ready;
        var change = last.Ready - first.Ready;
        return $"{last.Ready} of {Words.Count(all, "passage")} rated ready, {(change == 0 ? "as many as" : change > 0 ? $"{change} more than" : $"{-change} fewer than")} at the beginning.";
    }

    /// <summary>A row of the file: a thing by one method on a day.</summary>
    private sealed record Worked(DateOnly Day, int MaterialId, string Method, int Takes, int AllTakes, double Seconds);

    /// <summary>Visits on which a thing was practised by one method alone, with what it gained.</summary>
    private async Task<IReadOnlyList<MethodVisit>> MethodVisitsAsync(DateOnly from, DateOnly to, CancellationToken cancel)
    {
        if (from < to.AddDays(1 - MethodDays))
            from = to.AddDays(1 - MethodDays);
        var worked = await db
            .Database.SqlQuery<Worked>(
                $"""
                select d.Day, t.MaterialId, json_extract(d.DrillJson, '$.methodId') as Method, count(*) as Takes,
                       (select count(*) from Takes other where other.SessionDrillId = d.Id) as AllTakes, d.PlayedSeconds as Seconds
                from SessionDrills d join Takes t on t.SessionDrillId = d.Id
                where d.Day >= {from} and d.Day <= {to} and t.MaterialId is not null and d.PlayedSeconds > 0
                group by d.Id, t.MaterialId
                """
            )
            .ToListAsync(cancel);
        var gains = await db
            .Visits.AsNoTracking()
            .Where(visit => visit.Day >= from && visit.Day <= to && visit.ReachLog != null && visit.ReachLogBefore != null)
            .Select(visit => new
            {
                visit.MaterialId,
                visit.Day,
                Gain = visit.ReachLog!.Value - visit.ReachLogBefore!.Value,
            })
            .ToDictionaryAsync(visit => (visit.MaterialId, visit.Day), visit => visit.Gain, cancel);
        var own = await db
            .Methods.IgnoreQueryFilters()
            .AsNoTracking()
            .ToDictionaryAsync(row => Bookkeeping.ToCore(row).Id.Name, row => row.Name, StringComparer.Ordinal, cancel);
        return
        [
            .. worked
                .GroupBy(row => (row.MaterialId, row.Day))
                .Where(group =>
                    gains.ContainsKey(group.Key) && group.Select(row => row.Method).Distinct(StringComparer.Ordinal).Count() == 1
                )
                .Select(group => new MethodVisit(
                    NameOf(group.First().Method, own),
                    100 * (Math.Exp(gains[group.Key]) - 1),
                    group.Sum(row => row.Seconds * row.Takes / row.AllTakes) / 60
                ))
                .Where(visit => visit.Minutes > 0),
        ];
    }

    private static string NameOf(string id, Dictionary<string, string> own) =>
        own.GetValueOrDefault(id) ?? Methods.All.FirstOrDefault(method => method.Id.Name == id)?.Name ?? id;

    private async Task<IReadOnlyList<SittingResult>> SittingsAsync(DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var sessions = await db
            .Sessions.AsNoTracking()
            .Where(row => row.EndedUtc != null && row.Day >= from && row.Day <= to)
            .OrderBy(row => row.Id)
            .Select(row => new
            {
                row.Id,
                row.Day,
                row.StartedUtc,
            })
            .ToListAsync(cancel);
        var drills = db.SessionDrills.AsNoTracking().Where(drill => drill.Area != null && drill.Day >= from && drill.Day <= to);
        var seconds = await drills
            .GroupBy(drill => drill.SessionId)
            .Select(group => new { group.Key, Seconds = group.Sum(drill => drill.PlayedSeconds) })
            .ToDictionaryAsync(row => row.Key, row => row.Seconds, cancel);
        // By the day of the takes, which has an index: by that of the drills all takes of all years would be read.
        var takes = await db
            .Takes.Where(take => take.Day >= from && take.Day <= to)
            .Join(db.SessionDrills, take => take.SessionDrillId, drill => drill.Id, (take, drill) => new { drill.SessionId, take.Clean })
            .GroupBy(take => take.SessionId)
            .Select(group => new
            {
                group.Key,
                All = group.Count(),
                Clean = group.Count(take => take.Clean),
            })
            .ToDictionaryAsync(row => row.Key, row => (row.All, row.Clean), cancel);
        var gains = (
            await db
                .Visits.AsNoTracking()
                .Where(visit => visit.Day >= from && visit.Day <= to && visit.ReachLog != null && visit.ReachLogBefore != null)
                .Select(visit => new { visit.Day, Gain = visit.ReachLog!.Value - visit.ReachLogBefore!.Value })
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.Day, visit => 100 * (Math.Exp(visit.Gain) - 1));
        return
        [
            .. sessions
                .Where(row => seconds.GetValueOrDefault(row.Id) > 0)
                .GroupBy(row => row.Day)
                .SelectMany(day =>
                    day.Select(
                        (row, i) =>
                            new SittingResult(
                                TimeOnly.FromDateTime(clock.Local(row.StartedUtc)),
                                seconds[row.Id] / 60,
                                i + 1,
                                day.Count() == 1 && gains[day.Key].Any() ? gains[day.Key].Average() : null,
                                takes.GetValueOrDefault(row.Id) is { All: >= LeastTakes } of ? (double)of.Clean / of.All : null
                            )
                    )
                ),
        ];
    }
}
