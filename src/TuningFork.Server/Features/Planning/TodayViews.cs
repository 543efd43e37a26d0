using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Features.Spare;

namespace TuningFork.Server.Features.Planning;

/// <summary>Shows a day's plan: its drills, its sums, what waits, and the words that come back.</summary>
public sealed class TodayViews(PracticeDb db, PlanDesk desk, WrittenLast written, SpareDesk spare)
{
    /// <summary>Today's plan with what there is to say about it.</summary>
    /// <param name="stored">The plan of the day; null when nobody has touched it yet.</param>
    public async Task<TodayView> OfAsync(DayFacts facts, PlanRow? stored, CancellationToken cancel)
    {
        var row = stored ?? await desk.FreshAsync(facts, cancel);
        var plan = PlanDesk.Read(row);
        var advice = DayMinutes.Advice(facts);
        var open = await db
            .Sessions.AsNoTracking()
            .Where(session => session.EndedUtc == null)
            .OrderBy(session => session.Id)
            .FirstOrDefaultAsync(cancel);
        var unclosed = open is not null && desk.IsOver(open, facts.Day) ? await UnclosedAsync(open, cancel) : null;
        return new TodayView(
            facts.Day,
            row.Version,
            row.Minutes,
            advice.Minutes,
            advice.Reason,
            Split(row.Demands),
            row.Purpose,
            row.RoutineId,
            facts.Routines.FirstOrDefault(routine => routine.Id == row.RoutineId)?.Name ?? "",
            await DrillsAsync(plan.Drills, facts.Day, cancel),
            plan.Total,
            plan.Waiting,
            SittingWords(facts, row) is { Length: > 0 } which ? [which, .. plan.Summary] : plan.Summary,
            [
                .. plan.Warnings,
                .. Long(facts, row.Minutes),
                .. DayMinutes.Performances(facts).Where(way => !way.Fits).Select(way => way.Warning),
            ],
            DayMinutes.Balance(facts),
            BodyQuestion(facts),
            Math.Round(facts.MinutesByDay.GetValueOrDefault(facts.Day), 1),
            open is not null && unclosed is null,
            unclosed,
            plan.Kept.Count(drill => !drill.Locked) + plan.LeftOut.Count,
            row.Focus,
            Purpose.Say(Purpose.Of(facts.Materials, facts.Day, row.Focus), facts.Materials),
            Purpose.Difficulties,
            open is null ? DayMinutes.Done(facts) : "",
            facts.OnShelf,
            plan.Drills.Where(drill => drill.Area == Area.Technique)
                .SelectMany(drill => drill.Targets)
                .Select(target => TargetKey.Parse(target.Key).InKey)
                .FirstOrDefault(key => key.Length > 0)
                ?? "",
            ReliefEndpoints.ToLookAt(facts.Materials, facts.Day),
            SittingLength.Least,
            SittingLength.Most,
            ReviewEndpoints.IsDue(facts.Profile, facts.Day),
            await written.CarriedAsync(facts.Day, cancel),
            await spare.WaitingAsync(facts.Profile, facts.Day, cancel)
        );
    }

    private async Task<UnclosedView> UnclosedAsync(SessionRow open, CancellationToken cancel)
    {
        var drills = db.SessionDrills.AsNoTracking().Where(drill => drill.SessionId == open.Id);
        return new UnclosedView(
            open.Id,
            open.Day,
            Math.Round(await drills.Where(drill => drill.Area != null).SumAsync(drill => drill.PlayedSeconds, cancel) / 60, 1),
            open.PlannedMinutes,
            await drills.SelectMany(drill => drill.Takes).CountAsync(cancel),
            await db.Entries.CountAsync(entry => entry.SessionId == open.Id, cancel)
        );
    }

    private async Task<IReadOnlyList<DrillView>> DrillsAsync(IReadOnlyList<Drill> drills, DateOnly today, CancellationToken cancel)
    {
        var ids = drills.SelectMany(drill => drill.Targets).Select(target => target.MaterialId).OfType<int>().Distinct().ToList();
        var titles = drills.Where(drill => !drill.IsBreak).Select(drill => drill.Title).Distinct(StringComparer.Ordinal).ToList();
        var (byThing, byTitle) = (await written.OfAsync(ids, null, cancel), await written.OfAsync(titles, null, cancel));
        var at = 0;
        var views = new List<DrillView>();
        foreach (var drill in drills)
        {
            views.Add(View(drill, at, Lines(drill, byThing, byTitle, today)));
            at += drill.Minutes;
        }

        return views;
    }

    private static DrillView View(Drill drill, int at, IReadOnlyList<WrittenView> lines)
    {
        var method = drill.IsBreak ? null : Methods.Of(drill);
        return new DrillView(
            drill.Id,
            drill.Area,
            drill.Title,
            drill.MethodId.Name,
            method?.Name ?? "",
            drill.How.Length > 0 ? drill.How : method?.How ?? "",
            drill.Minutes,
            at,
            drill.Reason,
            drill.Sum,
            drill.Locked,
            Targets(drill),
            drill.Block,
            method is not null && Methods.TimesOf(method) is { } range
                ? new TimesView(method.Count, range.Least, range.Most, WordOf(method.Course))
                : null,
            lines
        );
    }

    private static IEnumerable<string> Long(DayFacts facts, int minutes) =>
        facts.Calendar.SayLong(minutes) is { Length: > 0 } words ? [words] : [];

    private static string SittingWords(DayFacts facts, PlanRow row) =>
        Sittings.Say(DayMinutes.SittingsOn(facts.Profile, facts.Day), row.Sitting);

    private static string WordOf(Course course) =>
        course switch
        {
            Course.CleanMinutes => "minutes",
            Course.Rungs => "way: 1 is up, 2 is up and back down",
            _ => "times",
        };

    /// <summary>What comes back with a drill: the last line about each of its things, newest first, unless it is settled.</summary>
    private static List<WrittenView> Lines(
        Drill drill,
        IReadOnlyDictionary<int, EntryRow> byThing,
        IReadOnlyDictionary<string, EntryRow> byTitle,
        DateOnly today
    )
    {
        var lines = drill
            .Targets.Where(target => target.MaterialId is not null)
            .DistinctBy(target => target.MaterialId)
            .Select(target => (Line: byThing.GetValueOrDefault(target.MaterialId!.Value), target.Title))
            .Append((Line: byTitle.GetValueOrDefault(drill.Title), drill.Title));
        return
        [
            .. lines
                .Where(one => one.Line is { SettledUtc: null })
                .OrderByDescending(one => one.Line!.Id)
                .Select(one => WrittenLast.View(one.Line!, one.Title, today)),
        ];
    }

    private static List<TargetView> Targets(Drill drill) =>
        [
            .. drill.Targets.Select(target => new TargetView(
                target.Key,
                target.MaterialId,
                target.Title,
                target.Tempo?.Value,
                target.Goal?.Value,
                target.Beat.Name,
                target.Note
            )),
        ];

    private static List<Demands> Split(Demands demands) =>
        [.. Enum.GetValues<Demands>().Where(one => one != Demands.None && (demands & one) != Demands.None)];

    private static string BodyQuestion(DayFacts facts) =>
        facts.LastBody is { Pain: true } body && body.Day < facts.Day
            ? $"You noted pain, numbness or tingling{(body.Where.Length > 0 ? $" ({body.Where})" : "")} {Words.Ago(facts.Day.DayNumber - body.Day.DayNumber)}. How is it now?"
            : "";
}
