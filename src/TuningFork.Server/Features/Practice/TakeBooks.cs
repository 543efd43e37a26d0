using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>What takes and drills leave behind in the books: visits, keys, places, wishes fulfilled.</summary>
public sealed class TakeBooks(PracticeDb db, PracticeClock clock)
{
    /// <summary>
    /// What a drill leaves behind beside its takes: a visit, the place in a book (an example that was seen is not unseen any
    /// more, marked or not), and a wish that has been fulfilled.
    /// </summary>
    public async Task TouchedAsync(SessionRow session, Drill drill, SessionDrillRow row, CancellationToken cancel)
    {
        foreach (var target in drill.Targets)
        {
            if (await db.Asks.FindAsync([target.Key], cancel) is { } ask)
                db.Asks.Remove(ask);
        }

        if (drill.Area == Area.WarmUp)
        {
            // Light playing is no test: it leaves no visit, only the version has had its turn.
            foreach (var id in drill.Targets.Select(target => Bookkeeping.WarmUpOf(target.Group)).OfType<int>().Distinct())
            {
                if (await db.WarmUps.FindAsync([id], cancel) is { } version)
                    version.LastDay = session.Day;
            }

            await KeyOfWarmUpAsync(session.Day, drill, cancel);
            return;
        }

        var seen =
            drill.MethodId == Methods.UnseenInTime.Id
                ? Enumerable.Range(0, Math.Max(1, (int)Math.Round(row.PlayedSeconds / Math.Max(1, drill.Targets[0].TakeSeconds))))
            : !drill.IsBreak && Methods.Of(drill).Course == Course.WorkRest ? StageWork.Worked(drill, row.PlayedSeconds, StageClock.Visit)
            : drill.Targets.Select(target => target.MaterialId).Distinct().Count() == 1 ? [0]
            : [];
        if (
            drill.MethodId == Methods.PutBack.Id
            && row.Takes.Count(take => take.Clean) >= 2
            && drill.Targets[0].MaterialId is { } back
            && await db.Materials.FindAsync([back], cancel) is { } passage
        )
            passage.PutBack = Math.Min(3, passage.PutBack + 1);
        foreach (
            var target in seen.Select(index => drill.Targets.ElementAtOrDefault(index)).Where(target => target?.MaterialId is not null)
        )
            await VisitAsync(session.Day, target!.MaterialId!.Value, target.Key, null, cancel);
    }

    /// <summary>The key of a ladder in the warm-up was played: it has had its turn, and nothing is said of its tempo.</summary>
    private async Task KeyOfWarmUpAsync(DateOnly day, Drill drill, CancellationToken cancel)
    {
        if (drill.Targets.Count == 0)
            return;
        var key = TargetKey.Parse(drill.Targets[0].Key);
        if (
            key is not { Kind: TargetKind.Material, Part: TargetPart.Rung, InKey.Length: > 0 }
            || await db.Materials.Include(row => row.Piece).FirstOrDefaultAsync(row => row.Id == key.Id, cancel) is not { } material
        )
            return;
        var known = await db.Keys.FindAsync([material.Id, key.InKey], cancel)
            ?? db.Keys.Add(new KeyRow { MaterialId = material.Id, Key = key.InKey }).Entity;
        var began = !await db.Keys.AnyAsync(other => other.MaterialId == material.Id && other.LastDay == day, cancel);
        KeyBooks.Touched(known, day, began, material, Bookkeeping.ToCore(material, day).StartIn(key.InKey));
    }

    /// <summary>A take of a drill, and what it leaves behind.</summary>
    public async Task MarkAsync(
        SessionRow session,
        SessionDrillRow row,
        Drill drill,
        int index,
        Try played,
        Guid id,
        CancellationToken cancel,
        TakeDetail detail = default
    )
    {
        var target = drill.Targets[index];
        var take = new TakeRow
        {
            Id = id,
            Number = row.Takes.Count,
            Day = session.Day,
            AtUtc = clock.UtcNow,
            Key = target.Key,
            TargetIndex = index,
            MaterialId = target.MaterialId,
            Clean = played.Clean,
            Tempo = played.Tempo?.Value,
            Late = detail.Late,
            Seconds = detail.Seconds,
            LateItems = detail.LateItems ?? "",
            Off = detail.Off,
        };
        row.Takes.Add(take);
        db.Takes.Add(take);
        await KeepPlaceAsync(row, drill, cancel);
        if (target.MaterialId is not null)
            await TakeAsync(session, row, drill, target, played, cancel);
    }

    /// <summary>Takes a take back, and what it left behind.</summary>
    public async Task TakeBackAsync(SessionRow session, SessionDrillRow row, Drill drill, TakeRow take, CancellationToken cancel)
    {
        row.Takes.Remove(take);
        db.Takes.Remove(take);
        await KeepPlaceAsync(row, drill, cancel);
        await UndoAsync(session, drill, take, cancel);
    }

    /// <summary>Work that keeps its place goes on there next time.</summary>
    public async Task KeepPlaceAsync(SessionDrillRow row, Drill drill, CancellationToken cancel)
    {
        var takes = row.Takes.OrderBy(take => take.Number).Select(take => Bookkeeping.ToStage(take, drill)).ToList();
        if (!drill.IsBreak && Methods.Of(drill).Course == Course.Altered)
        {
            await KeepStepAsync(row.Day, drill, StageSteps.PlaceAfter(drill, takes), cancel);
            return;
        }

        if (
            StageRuns.PlaceAfter(drill, takes) is { } place
            && drill.Targets[0].MaterialId is { } id
            && await db.Materials.FindAsync([id], cancel) is { } material
        )
            material.Place = place;
    }

    /// <summary>The step of an altered version at which the next visit goes on.</summary>
    private async Task KeepStepAsync(DateOnly day, Drill drill, int place, CancellationToken cancel)
    {
        if (TargetKey.Parse(drill.Targets[0].Key) is not { Kind: TargetKind.Material, Part: TargetPart.Variant } key)
            return;
        var part = TodaysTempo.PartOf(drill.Targets[0].Key)!;
        var known = await db.Keys.FindAsync([key.Id, part], cancel)
            ?? db.Keys.Add(
                new KeyRow
                {
                    MaterialId = key.Id,
                    Key = part,
                    FirstDay = day,
                }
            ).Entity;
        (known.LastDay, known.Place) = (day, place);
    }

    /// <summary>What a take leaves behind: its visit, and its key or pattern where it was in one.</summary>
    private async Task TakeAsync(SessionRow session, SessionDrillRow row, Drill drill, Target target, Try take, CancellationToken cancel)
    {
        var traits = await TraitsAsync(cancel);
        await VisitAsync(
            session.Day,
            target.MaterialId!.Value,
            target.Key,
            take with
            {
                Weight = take.Weight * TodaysTempo.Weight(drill.MethodId, target.Key),
            },
            cancel
        );
        foreach (var inside in await InsideAsync(target, drill.MethodId, take, cancel))
            await VisitAsync(session.Day, inside, target.Key, take with { Weight = TodaysTempo.InsideWeight }, cancel);
        if (
            TodaysTempo.PartOf(target.Key) is not { } part
            || await db.Materials.Include(found => found.Piece).FirstOrDefaultAsync(found => found.Id == target.MaterialId, cancel)
                is not { } material
        )
            return;
        var known = await db.Keys.FindAsync([material.Id, part], cancel)
            ?? db.Keys.Add(new KeyRow { MaterialId = material.Id, Key = part }).Entity;
        var began =
            row.Takes.Count == 1
            && !await db.Keys.AnyAsync(
                other => other.MaterialId == material.Id && other.LastDay == session.Day && other.Key != part,
                cancel
            );
        KeyBooks.Played(
            known,
            session.Day,
            began,
            KeyBooks.InPart(target.Key, take),
            material,
            Bookkeeping.ToCore(material, session.Day).StartIn(part),
            traits
        );
    }

    /// <summary>
    /// The passages that a clean section or run-through of their piece has met: it counts for them too, with less weight.
    /// </summary>
    private async Task<IReadOnlyList<int>> InsideAsync(Target target, MethodId methodId, Try take, CancellationToken cancel)
    {
        if (
            take is not { Clean: true, Tempo: not null }
            || (methodId != Methods.JoinedSection.Id && methodId != Methods.PerformanceTake.Id)
        )
            return [];
        var last = target.StopAfterBar ?? int.MaxValue;
        return await db
            .Materials.Where(row => row.PieceId == target.MaterialId && row.FromBar >= target.FromBar && row.ToBar <= last)
            .Select(row => row.Id)
            .ToListAsync(cancel);
    }

    /// <summary>Takes the last take of a material back.</summary>
    private async Task UndoAsync(SessionRow session, Drill drill, TakeRow take, CancellationToken cancel)
    {
        foreach (
            var inside in await InsideAsync(
                drill.Targets[take.TargetIndex],
                drill.MethodId,
                new Try(take.Clean, Bookkeeping.ToBpm(take.Tempo)),
                cancel
            )
        )
        {
            if (
                await OfTodayAsync(inside, session.Day, cancel) is { Takes: > 0 } met
                && await db.Materials.Include(found => found.Piece).FirstOrDefaultAsync(found => found.Id == inside, cancel) is { } passage
                && VisitBooks.RemoveLast(passage, met, await TraitsAsync(cancel))
            )
                db.Visits.Remove(met);
        }

        if (
            take.MaterialId is not { } id
            || await db.Materials.Include(found => found.Piece).FirstOrDefaultAsync(found => found.Id == id, cancel) is not { } material
        )
            return;
        var traits = await TraitsAsync(cancel);
        if (material.Kind == MaterialKind.Book)
            ExampleBooks.Unread(material, TargetKey.Parse(take.Key).Number);
        else if (
            await db.Visits.FirstOrDefaultAsync(visit => visit.MaterialId == id && visit.Day == session.Day, cancel) is { } visit
            && VisitBooks.RemoveLast(material, visit, traits)
        )
            db.Visits.Remove(visit);
        if (TodaysTempo.PartOf(take.Key) is { } part && await db.Keys.FindAsync([id, part], cancel) is { ReachLogBefore: not null } known)
            KeyBooks.RemoveLast(known, material, traits);
    }

    /// <summary>Notes a visit, with its take where there was one.</summary>
    public async Task VisitAsync(DateOnly day, int id, string key, Try? take, CancellationToken cancel)
    {
        if (await db.Materials.Include(row => row.Piece).FirstOrDefaultAsync(row => row.Id == id, cancel) is not { } material)
            return;
        var visit = await OfTodayAsync(id, day, cancel);
        if (visit is null)
            db.Visits.Add(visit = VisitBooks.Begin(material, day));
        if (material.Kind == MaterialKind.Book)
            ExampleBooks.Read(material, TargetKey.Parse(key).Number);
        else if (take is { } played)
            VisitBooks.Add(material, visit, played.Clean, played.Tempo?.Value, played.Weight, await TraitsAsync(cancel));
    }

    /// <summary>The longest stretch without a miss of a day.</summary>
    public async Task LongestAsync(int material, DateOnly day, int seconds, CancellationToken cancel)
    {
        if (await OfTodayAsync(material, day, cancel) is { } visit)
            visit.LongestClean = Math.Max(visit.LongestClean, seconds);
    }

    /// <summary>The drill with tempi that follow from what was played this day before it.</summary>
    public async Task<Drill> RefreshedAsync(Drill drill, DateOnly day, CancellationToken cancel)
    {
        var now = new Dictionary<int, Morning>();
        foreach (
            var id in drill
                .Targets.Where(target => target is { Able: not null, MaterialId: { } id } && target.Key == TargetKey.Of(id))
                .Select(target => target.MaterialId!.Value)
                .Distinct()
        )
        {
            if (
                await OfTodayAsync(id, day, cancel) is { Takes: > 0 } visit
                && await db.Materials.Include(row => row.Piece).FirstOrDefaultAsync(row => row.Id == id, cancel) is { } material
                && VisitBooks.Today(material, visit, await TraitsAsync(cancel)) is { } able
            )
                now[id] = able;
        }

        return now.Count == 0
            ? drill
            : TodaysTempo.Refreshed(drill, target =>
                target.MaterialId is { } id && target.Key == TargetKey.Of(id) && now.TryGetValue(id, out var able) ? able : null
            );
    }

    private async Task<VisitRow?> OfTodayAsync(int id, DateOnly day, CancellationToken cancel) =>
        db.Visits.Local.FirstOrDefault(row => row.MaterialId == id && row.Day == day)
        ?? await db.Visits.FirstOrDefaultAsync(row => row.MaterialId == id && row.Day == day, cancel);

    private async Task<Traits> TraitsAsync(CancellationToken cancel) =>
        (db.Profiles.Local.FirstOrDefault() ?? await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel)) is { } profile
            ? ProfileBooks.TraitsOf(profile)
            : Traits.Usual;
}
