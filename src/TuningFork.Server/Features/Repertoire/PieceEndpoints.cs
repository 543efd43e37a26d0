using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Pieces over HTTP: bar map, grid, slow reading, what is missing, music.</summary>
public static class PieceEndpoints
{
    private const int MostColumns = 7;

    public static void MapPieces(this WebApplication app)
    {
        var group = app.MapGroup("/api/pieces").WithTags("Repertoire");
        group.MapGet("/{id:int}", ViewAsync).WithName("GetPiece");
        group
            .MapPost("/{id:int}/reading", async (int id, MarksWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var piece = await PieceAsync(db, id, cancel);
                if (
                    wish.Marks.FirstOrDefault(bar => bar < piece.FromBar || bar > piece.ToBar, int.MinValue)
                    is var beyond
                        and not int.MinValue
                )
                    throw new FieldException(
                        "marks",
                        $"{piece.Title} has bars {piece.FromBar} to {piece.ToBar}; {beyond} is none of them."
                    );
                return SlowReading.Suggest(wish.Marks);
            })
            .WithName("SuggestPassages");
        group
            .MapPut("/{id:int}/school", async (int id, PieceSchoolWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var piece = await PieceAsync(db, id, cancel);
                piece.School =
                    wish.School is null || Enum.IsDefined(wish.School.Value)
                        ? wish.School
                        : throw new FieldException("school", "There is no such school.");
                await db.SaveChangesAsync(cancel);
            })
            .WithName("SetPieceSchool");
        group
            .MapGet("/causes", async (PracticeDb db, CancellationToken cancel) =>
            {
                var own = await db
                    .Materials.AsNoTracking()
                    .Where(row => row.Missing != "")
                    .Select(row => new
                    {
                        row.Missing,
                        row.Remedy,
                        row.Proposed,
                    })
                    .ToListAsync(cancel);
                var known = Causes.All.Select(cause => new CauseView(cause.Name, cause.Remedy, cause.Method.Id.Name, cause.Method.Name));
                return known
                    .Concat(
                        own.Where(one => Causes.All.All(cause => cause.Name != one.Missing))
                            .DistinctBy(one => one.Missing, StringComparer.Ordinal)
                            .Select(one => new CauseView(
                                one.Missing,
                                one.Remedy,
                                one.Proposed.Name,
                                Methods.Find(one.Proposed)?.Name ?? ""
                            ))
                    )
                    .ToList();
            })
            .WithName("GetCauses");
        group.MapMusic();
    }

    public static async Task<MaterialRow> PieceAsync(PracticeDb db, int id, CancellationToken cancel) =>
        await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Piece, cancel)
        ?? throw Problems.Unknown("id", "piece");

    private static async Task<PieceView> ViewAsync(int id, PracticeDb db, PlanDesk desk, MusicDesk music, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var piece = facts.Materials.FirstOrDefault(one => one.Id == id && one.Kind == MaterialKind.Piece)
            ?? throw Problems.Unknown("id", "piece");
        var row = facts.Rows.First(one => one.Id == id);
        var passages = facts
            .Materials.Where(one => one.Kind == MaterialKind.Passage && one.Group == id)
            .OrderBy(one => one.FromBar)
            .ThenBy(one => one.ToBar)
            .ToList();
        var ids = passages.ConvertAll(one => one.Id);
        var ratings = await db
            .Ratings.AsNoTracking()
            .Where(rating => ids.Contains(rating.MaterialId))
            .OrderBy(rating => rating.Day)
            .ToListAsync(cancel);
        var visits = await db
            .Visits.AsNoTracking()
            .Where(visit => ids.Contains(visit.MaterialId) && visit.Takes > 0)
            .OrderBy(visit => visit.Day)
            .ToListAsync(cancel);
        var leftOut = await db
            .Music.AsNoTracking()
            .Where(music => music.MaterialId == id)
            .Select(music => music.LeftOut)
            .FirstOrDefaultAsync(cancel);
        var plan = DayMinutes.Performances(facts).FirstOrDefault(way => way.PieceId == id);
        var pages = await db
            .Pages.AsNoTracking()
            .Where(page => page.MaterialId == id)
            .OrderBy(page => page.Id)
            .Select(page => new
            {
                page.Id,
                page.Name,
                page.ContentType,
            })
            .ToListAsync(cancel);
        var boxes = await db
            .Boxes.AsNoTracking()
            .Include(box => box.Passage)
            .Where(box => box.Passage!.PieceId == id)
            .OrderBy(box => box.Id)
            .ToListAsync(cancel);
        return new PieceView(
            id,
            piece.Title,
            row.FromBar,
            row.ToBar,
            row.BeatsPerBar,
            row.Beat.Name,
            row.Target,
            piece.Performance,
            row.Readiness,
            facts.Day,
            SlowReading.TempoFor(piece.Target).Value,
            passages.ConvertAll(one => Passage(one, facts, facts.Rows.First(other => other.Id == one.Id), ratings, visits)),
            Columns(ratings, facts.Day),
            plan,
            plan?.Words ?? "",
            leftOut is not null,
            (leftOut ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries),
            row.School,
            pages.ConvertAll(page => new PageView(
                page.Id,
                page.Name,
                page.ContentType,
                [.. boxes.Where(box => box.PageId == page.Id).Select(box => BoxEndpoints.View(box, box.Passage!))]
            )),
            Decisions.For(facts.Profile.Family),
            row.Version,
            row.Target is null && await music.ProposedAsync(row, cancel) is { } proposed
                ? new ProposedView(proposed.Tempo.Value, proposed.Marked)
                : null,
            PassageInHand.Of(passages)?.Id
        );
    }

    private static List<DateOnly> Columns(List<RatingRow> ratings, DateOnly today) =>
        [.. ratings.Select(rating => rating.Day).Where(day => day < today).Distinct().Order().TakeLast(MostColumns - 1), today];

    private static PassageView Passage(Material one, DayFacts facts, MaterialRow row, List<RatingRow> ratings, List<VisitRow> visits)
    {
        var mine = visits.Where(visit => visit.MaterialId == one.Id).ToList();
        var firsts = mine.Select(visit => VisitBooks.First(visit.Tries)).OfType<Core.Spacing.Try>().Select(first => first.Clean).ToList();
        return new PassageView(
            one.Id,
            one.FromBar,
            one.ToBar,
            one.ShortTitle,
            one.Readiness,
            one.Difficulty,
            row.Note,
            row.Fingering,
            row.Stroke,
            row.Why,
            row.Missing,
            row.Remedy,
            row.Proposed.Name,
            row.LastClean,
            one.LastVisit is { } last ? facts.Day.DayNumber - last.DayNumber : null,
            Standing.Due(one, facts.Day, facts.Profile.School),
            one.Slipped,
            one.Resting,
            one.Resting ? row.RestUntil : null,
            one.PutBack,
            RatingDoubt.Of(one.Readiness == Readiness.Ready, firsts),
            mine.Sum(visit => visit.CleanTakes),
            mine.Sum(visit => visit.Takes),
            [.. ratings.Where(rating => rating.MaterialId == one.Id).Select(rating => new RatingView(rating.Day, rating.Readiness))],
            row.Version,
            Standing.Words(one),
            Standing.IsGrowing(one, facts.Day)
        );
    }
}
