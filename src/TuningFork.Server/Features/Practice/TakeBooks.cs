using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Practice;

/// <summary>What takes and drills leave behind in the books: visits, keys, places, wishes fulfilled.</summary>
public sealed class TakeBooks(PracticeDb db)
{
    /// <summary>Work without takes counts as a visit after so many seconds.</summary>
    public const double VisitSeconds = 20;

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
            foreach (var id in drill.Targets.Select(target => Bookkeeping.WarmUpOf(target.Key)).OfType<int>().Distinct())
            {
                if (await db.WarmUps.FindAsync([id], cancel) is { } version)
                    version.LastDay = session.Day;
            }

            return;
        }

        var seen = drill.MethodId == Methods.UnseenInTime.Id ? Enumerable.Range(0, Math.Max(1, (int)(row.PlayedSeconds / Books.SecondsPerExample)))
            : !drill.IsBreak && Methods.Of(drill).Course == Course.WorkRest ? Stage.Worked(drill, row.PlayedSeconds, VisitSeconds)
            : drill.Targets.Count == 1 ? [0]
            : [];
        if (drill.MethodId == Methods.PutBack.Id && row.Takes.Count(take => take.Clean) >= 2 && drill.Targets[0].MaterialId is { } back && await db.Materials.FindAsync([back], cancel) is { } passage)
            passage.PutBack = Math.Min(3, passage.PutBack + 1);
        foreach (var target in seen.Select(index => drill.Targets.ElementAtOrDefault(index)).Where(target => target?.MaterialId is not null))
            await VisitAsync(session.Day, target!.MaterialId!.Value, target.Key, null, cancel);
    }

    /// <summary>Work that keeps its place goes on there next time.</summary>
    public async Task KeepPlaceAsync(SessionDrillRow row, Drill drill, CancellationToken cancel)
    {
        var takes = row.Takes.OrderBy(take => take.Number).Select(take => new StageTake(take.TargetIndex, take.Clean)).ToList();
        if (StageRuns.PlaceAfter(drill, takes) is { } place && drill.Targets[0].MaterialId is { } id && await db.Materials.FindAsync([id], cancel) is { } material)
            material.Place = place;
    }

    /// <summary>A take in one of the keys of a material: the key has had its turn; the first of the drill began the day.</summary>
    public async Task InKeyAsync(SessionRow session, SessionDrillRow row, int material, string key, Try take, CancellationToken cancel)
    {
        var place = key.IndexOf(":k:", StringComparison.Ordinal);
        if (place < 0)
            return;
        var name = key[(place + 3)..];
        var known = await db.Keys.FindAsync([material, name], cancel) ?? db.Keys.Add(new KeyRow { MaterialId = material, Key = name }).Entity;
        var began = row.Takes.Count == 1 && !await db.Keys.AnyAsync(other => other.MaterialId == material && other.LastDay == session.Day && other.Key != name, cancel);
        Bookkeeping.Played(known, session.Day, began, take.Clean, take.Tempo?.Value);
    }

    /// <summary>Notes a visit, with its take where there was one.</summary>
    public async Task VisitAsync(DateOnly day, int id, string key, Try? take, CancellationToken cancel)
    {
        if (await db.Materials.Include(row => row.Piece).FirstOrDefaultAsync(row => row.Id == id, cancel) is not { } material)
            return;
        var visit = db.Visits.Local.FirstOrDefault(row => row.MaterialId == id && row.Day == day)
            ?? await db.Visits.FirstOrDefaultAsync(row => row.MaterialId == id && row.Day == day, cancel);
        if (visit is null)
            db.Visits.Add(visit = Bookkeeping.Begin(material, day));
        if (material.Kind == MaterialKind.Book)
            material.NextExample = Math.Max(material.NextExample, NumberOf(key) + 1);
        else if (take is { } played)
            Bookkeeping.Add(material, visit, played.Clean, played.Tempo?.Value);
    }

    /// <summary>The number of an example in its key.</summary>
    public static int NumberOf(string key) => int.Parse(key.Split(':')[^1], System.Globalization.CultureInfo.InvariantCulture);
}
