using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Technique;
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
        MapMusic(group);
        group.MapRemoval<MusicRow>("/{id:int}/music", "Music", "music of this piece");
        group.MapGet("/{id:int}/bars", BarsAsync).WithName("GetBars");
    }

    private static void MapMusic(RouteGroupBuilder group)
    {
        group
            .MapPut("/{id:int}/music", async (int id, MusicWish wish, PieceMusic music, CancellationToken cancel) =>
                await music.KeepAsync(
                    id,
                    System.Text.Encoding.UTF8.GetBytes(Problems.Text("abc", wish.Abc, AbcReader.LongestText)),
                    "typed.abc",
                    new MusicWanted(IsTyped: true),
                    cancel
                )
            )
            .WithMetadata(new OwnTurn())
            .WithName("SetMusic");
        group
            .MapPost(
                "/{id:int}/music/look",
                async (
                    int id,
                    HttpRequest request,
                    PieceMusic music,
                    CancellationToken cancel,
                    int? part = null,
                    int? staff = null,
                    int? voice = null,
                    bool? sounding = null
                ) => await music.LookAsync(id, await BytesAsync(request, cancel), new MusicWanted(part, staff, voice, sounding), cancel)
            )
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MusicXmlReader.MostBytes), new OwnTurn())
            .WithName("LookAtMusic");
        group
            .MapPost(
                "/{id:int}/music/file",
                async (
                    int id,
                    HttpRequest request,
                    PieceMusic music,
                    CancellationToken cancel,
                    string name = "",
                    int? part = null,
                    int? staff = null,
                    int? voice = null,
                    bool? sounding = null
                ) =>
                    await music.KeepAsync(
                        id,
                        await BytesAsync(request, cancel),
                        name,
                        new MusicWanted(part, staff, voice, sounding),
                        cancel
                    )
            )
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MusicXmlReader.MostBytes), new OwnTurn())
            .WithName("SendMusic");
    }

    private static async Task<byte[]> BytesAsync(HttpRequest request, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel);
        return bytes.ToArray();
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

    private static async Task<BarsView> BarsAsync(
        int id,
        int from,
        int to,
        PracticeDb db,
        PlanDesk desk,
        MusicDesk music,
        CancellationToken cancel,
        string variant = "",
        int step = 0,
        string key = "",
        int? staff = null
    )
    {
        await PieceAsync(db, id, cancel);
        var whole = await music.OfPieceAsync(id, cancel)
            ?? throw new FieldException("id", "This piece has no music yet. Type it, or take a file.", StatusCodes.Status404NotFound);
        if (!Excerpt.Holds(whole.Lead, from, to))
            throw new FieldException("to", $"The music has bars {Excerpt.FirstBar(whole.Lead)} to {Excerpt.LastBar(whole.Lead)}.");
        if (staff is { } wanted && (wanted < 0 || wanted >= whole.Staves))
            throw new FieldException(
                "staff",
                $"This music has {Words.Count(whole.Staves, "staff").Replace("staffs", "staves", StringComparison.Ordinal)}."
            );
        var bars = Excerpt.Of(staff is { } hand ? whole.OfStaff(hand) : whole, from, to);
        if (key.Length > 0)
        {
            var wish = Problems.KeyOf("key", key);
            bars = bars.Each(voice => VariantMaker.InKey(voice, wish));
        }

        var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
        if (variant.Length == 0)
            return View(bars, instrument);
        if (!VariantMaker.Ids.Contains(variant, StringComparer.Ordinal))
            throw new FieldException("variant", $"There is no such variant; there are {Words.List(VariantMaker.Ids)}.");
        return View(bars, instrument, VariantMaker.Make(bars.Lead, variant), step);
    }

    /// <summary>Bars as they are written.</summary>
    public static BarsView View(Music music, Instrument instrument) =>
        View(music, instrument, new Variant("", "as written", [music.Lead]), 0);

    /// <summary>Bars as a variant plays them; one is made of the leading voice alone.</summary>
    private static BarsView View(Music written, Instrument instrument, Variant variant, int step)
    {
        var shown =
            variant.Id.Length == 0 || variant.Steps.Count == 0
                ? written
                : new Music([variant.Steps[Math.Clamp(step, 0, variant.Steps.Count - 1)]]);
        var sounding = shown.Each(voice => voice with { ToSounding = instrument.ToSounding, TempoBeat = new Fraction(1, 4) });
        return new BarsView(
            AbcWriter.Write(shown.Each(voice => voice with { Title = "", Tempo = null })),
            SheetEndpoints.Played(sounding.Voices),
            variant.Name,
            variant.Steps.Count,
            variant.Reason,
            (Performed.Length(shown.Lead) / new Fraction(1, 4)).Value,
            written.Staves
        );
    }
}
