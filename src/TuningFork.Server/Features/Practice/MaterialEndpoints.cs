using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Material over HTTP.</summary>
public static class MaterialEndpoints
{
    public static void MapMaterials(this WebApplication app)
    {
        var group = app.MapGroup("/api/materials").WithTags("Material");
        group
            .MapGet("", async (PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                return await MaterialList.OfAsync(
                    await db.Materials.AsNoTracking().ToListAsync(cancel),
                    db,
                    clock.Today(profile),
                    profile.School,
                    cancel
                );
            })
            .WithName("GetMaterials");
        group.MapPost("", AddAsync).WithName("AddMaterial");
        group.MapPut("/{id:int}", ChangeAsync).WithName("ChangeMaterial");
        group.MapRemoval<MaterialRow>("/{id:int}", "Material", "material", CheckRemovalAsync, async (db, row, cancel) =>
        {
            if (row.PieceId is { } piece && !await db.Materials.AnyAsync(other => other.Id == piece, cancel))
                throw new FieldException(
                    "id",
                    "The piece of this passage was removed as well. Take the piece back first.",
                    StatusCodes.Status409Conflict
                );
        });
        group
            .MapPut("/{id:int}/target", async (int id, TargetWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await db.Materials.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "material");
                Problems.Tempo("target", wish.Target);
                row.Target = wish.Target;
                row.Version++;
                await db.SaveChangesAsync(cancel);
            })
            .WithName("SetTarget");
        group.MapGet("/{id:int}/history", HistoryAsync).WithName("GetMaterialHistory");
    }

    public static async Task<MaterialView> AddAsync(
        MaterialWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var row = new MaterialRow { Kind = wish.Kind, PieceId = wish.Kind == MaterialKind.Passage ? wish.PieceId : null };
        return await SaveAsync(row, wish, db, desk, clock, isNew: true, cancel);
    }

    private static async Task<MaterialView> ChangeAsync(
        int id,
        MaterialWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var row = await db.Materials.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "material");
        if (row.Version != wish.Version)
            throw Problems.Stale(row.Title.Length > 0 ? row.Title : "This passage");
        if (row.Kind != wish.Kind || (row.Kind == MaterialKind.Passage && row.PieceId != wish.PieceId))
            throw new FieldException("kind", "What a material is, and its piece, stay; enter a new one instead.");
        row.Version++;
        return await SaveAsync(row, wish, db, desk, clock, isNew: false, cancel);
    }

    private static async Task<MaterialView> SaveAsync(
        MaterialRow row,
        MaterialWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        bool isNew,
        CancellationToken cancel
    )
    {
        var profile = await desk.ProfileAsync(cancel);
        var piece = row.PieceId is { } pieceId ? await db.Materials.FindAsync([pieceId], cancel) : null;
        var lastPassage =
            row.Kind == MaterialKind.Piece && !isNew
                ? await db.Materials.Where(other => other.PieceId == row.Id).MaxAsync(other => (int?)other.ToBar, cancel) ?? 0
                : 0;
        MaterialCheck.Check(wish, piece, lastPassage);
        var rated = row.Readiness != wish.Readiness || isNew;
        var today = clock.Today(profile);
        var before = row.Title;
        Write(row, wish, piece, today);
        if (row.Kind == MaterialKind.Exercise)
            NamedSheets.Bring(row, before, ProfileBooks.InstrumentOf(profile));
        if (row.Kind == MaterialKind.Piece && !isNew)
            Bookkeeping.CountAlike(row, await db.Materials.Where(other => other.PieceId == row.Id).ToListAsync(cancel));
        if (Problems.Tempo("cleanAt", wish.CleanAt) is { } clean && row.Kind is (MaterialKind.Exercise or MaterialKind.Passage))
            ReachBooks.Told(row, clean);
        if (isNew)
            db.Materials.Add(row);
        if (isNew && row.Kind == MaterialKind.Exercise)
            row.ReviewOn = today.AddDays(Core.Planning.Review.Days);
        if (rated && row.Kind is MaterialKind.Passage or MaterialKind.Piece)
            await RateAsync(db, row, today, cancel);
        await db.SaveChangesAsync(cancel);
        var all = await db.Materials.AsNoTracking().ToListAsync(cancel);
        return (await MaterialList.OfAsync(all, db, today, profile.School, cancel)).First(view => view.Id == row.Id);
    }

    /// <summary>Only what was entered by mistake can go: what was practised is part of the history and rests instead.</summary>
    private static async Task CheckRemovalAsync(PracticeDb db, MaterialRow row, CancellationToken cancel)
    {
        if (await db.Visits.AnyAsync(visit => visit.MaterialId == row.Id, cancel))
            throw new FieldException(
                "id",
                "This was practised already, so it stays in the history. Let it rest instead.",
                StatusCodes.Status409Conflict
            );
        if (await db.Materials.AnyAsync(other => other.PieceId == row.Id, cancel))
            throw new FieldException(
                "id",
                "This piece has passages. Remove them first, or let the piece rest.",
                StatusCodes.Status409Conflict
            );
    }

    /// <summary>Keeps a rating with its date; one a day.</summary>
    public static async Task RateAsync(PracticeDb db, MaterialRow row, DateOnly day, CancellationToken cancel)
    {
        row.Confirmed = row.Readiness == Readiness.Ready ? day : null;
        var rating = await db.Ratings.FirstOrDefaultAsync(rating => rating.MaterialId == row.Id && rating.Day == day, cancel);
        if (rating is null)
            db.Ratings.Add(
                new RatingRow
                {
                    Material = row,
                    Day = day,
                    Readiness = row.Readiness,
                }
            );
        else
            rating.Readiness = row.Readiness;
    }

    private static void Write(MaterialRow row, MaterialWish wish, MaterialRow? piece, DateOnly today)
    {
        row.Title = row.Kind == MaterialKind.Passage ? "" : wish.Title.Trim();
        row.Area = row.Kind switch
        {
            MaterialKind.Exercise => wish.Area ?? Area.Technique,
            MaterialKind.Book => Area.SightReading,
            _ => Area.Repertoire,
        };
        row.FromBar = wish.FromBar;
        row.ToBar = wish.ToBar;
        row.BeatsPerBar = piece?.BeatsPerBar ?? wish.BeatsPerBar;
        row.Beat = piece?.Beat ?? Beat.Find(wish.Beat)!;
        row.Target = wish.Target;
        row.Readiness = wish.Readiness;
        row.Difficulty = wish.Difficulty.Trim();
        row.Note = wish.Note.Trim();
        if (wish.Resting != Bookkeeping.Rests(row, today))
        {
            (row.Resting, row.RestUntil) = (wish.Resting, wish.Resting ? null : row.RestUntil ?? today);
            // What is wanted back is not on its week off any more.
            if (!wish.Resting)
                ReliefEndpoints.Give(row, Relief.None, today);
        }
        row.IsScale = wish.IsScale;
        if (wish.Serves is { } serves)
            row.Serves = Technique.WorkEndpoints.Served(serves);
        var dates =
            row.Kind == MaterialKind.Piece
                ? (wish.LaterDates ?? []).Concat(wish.Performance is { } first ? [first] : []).Distinct().Order().ToList()
                : [];
        DateOnly? performance = dates.Count > 0 ? dates[0] : null;
        if (performance != row.Performance)
            (row.Performance, row.PerformanceSet) = (performance, performance is null ? null : today);
        row.LaterDates = string.Join(',', dates.Skip(1).Select(date => date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)));
        (row.WeekMinutes, row.WeekTimes) = wish is { WeekMinutes: > 0, WeekTimes: > 0 } ? (wish.WeekMinutes, wish.WeekTimes) : (0, 0);
        row.TwiceADay = wish.TwiceADay;
        row.Harmony = wish.Harmony.Trim();
        row.NextExample = wish.NextExample;
        row.Examples = wish.Examples;
        row.PerDay = wish.PerDay;
        (row.BookParts, row.TodaysKey) = (wish.BookParts.Trim(), wish.TodaysKey);
        // Where the next one is set by hand, what was read out of turn before it is behind.
        row.ReadAhead = string.Join(',', ExampleBooks.ReadAheadOf(row).Where(number => number >= row.NextExample).Order());
    }

    private static async Task<MaterialHistory> HistoryAsync(int id, PracticeDb db, CancellationToken cancel)
    {
        if (!await db.Materials.AnyAsync(row => row.Id == id, cancel))
            throw Problems.Unknown("id", "material");
        var visits = await db.Visits.AsNoTracking().Where(visit => visit.MaterialId == id).OrderBy(visit => visit.Day).ToListAsync(cancel);
        var ratings = await db
            .Ratings.AsNoTracking()
            .Where(rating => rating.MaterialId == id)
            .OrderBy(rating => rating.Day)
            .ToListAsync(cancel);
        return new MaterialHistory(
            [
                .. visits.Select(visit => new VisitView(
                    visit.Day,
                    visit.Takes,
                    visit.CleanTakes,
                    visit.TriesToClean,
                    visit.Clean,
                    visit.Grade
                )),
            ],
            [.. ratings.Select(rating => new RatingView(rating.Day, rating.Readiness))]
        );
    }
}
