using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>Bars of a passage.</summary>
public sealed record BarsWish(int From, int To);

/// <summary>A piece with its hard bars.</summary>
/// <param name="Beat">Name of what its bars are counted in.</param>
public sealed record FirstPiece(
    string Title,
    int Bars,
    int? Target = null,
    IReadOnlyList<BarsWish>? Passages = null,
    int BeatsPerBar = 4,
    string Beat = "quarter"
);

/// <summary>Everything that the first visit asks.</summary>
/// <param name="Exercise">Title of an exercise, or empty.</param>
/// <param name="Book">Title of a book for sight reading, or empty.</param>
public sealed record FirstVisitWish(ProfileWish Profile, IReadOnlyList<FirstPiece>? Pieces = null, string Exercise = "", string Book = "");

/// <summary>What has been typed so far.</summary>
/// <param name="Lines">Pieces, one a line.</param>
/// <param name="Minutes">Minutes of a day.</param>
/// <param name="Instrument">Its name, or empty.</param>
public sealed record FirstLinesWish(string Lines, int Minutes = 30, string Exercise = "", string Book = "", string Instrument = "");

/// <summary>A piece as a line was understood.</summary>
/// <param name="Words">The same in words, to be confirmed.</param>
/// <param name="Problem">What cannot be entered so, or comes slowly; empty when there is nothing to say.</param>
public sealed record FirstPieceView(
    string Title,
    int Bars,
    int? Target,
    IReadOnlyList<BarsWish> Passages,
    int BeatsPerBar,
    string Beat,
    string Words,
    string Problem
);

/// <summary>A drill of a plan to come.</summary>
public sealed record FirstDrillView(Area? Area, int Minutes, string Title);

/// <summary>What was understood so far, and the plan that would follow from it.</summary>
/// <param name="ExerciseWords">What is known of the exercise by its name; empty when there is nothing to say.</param>
public sealed record FirstLookView(IReadOnlyList<FirstPieceView> Pieces, IReadOnlyList<FirstDrillView> Drills, string ExerciseWords);

/// <summary>The first visit over HTTP: all of it is entered, or nothing, so that after a refusal every field can be corrected.</summary>
public static class FirstVisitEndpoints
{
    /// <summary>Examples of a book whose number nobody has counted yet.</summary>
    private const int UsualExamples = 100;

    private const int MostText = 4000;

    public static void MapFirstVisit(this WebApplication app)
    {
        var group = app.MapGroup("/api/first-visit").WithTags("Player");
        group.MapPost("", EnterAsync).WithName("MakeFirstVisit");
        group
            .MapPost("/look", (FirstLinesWish wish, PracticeClock clock) => Look(wish, clock.Today(new ProfileRow())))
            .WithName("LookAtFirstLines");
    }

    private static async Task EnterAsync(FirstVisitWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        if (await db.Profiles.AnyAsync(cancel))
            throw new FieldException(
                "player",
                "Your first plan is made already. Open today's plan; everything can be changed from there.",
                StatusCodes.Status409Conflict
            );
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await ProfileEndpoints.SetAsync(wish.Profile, db, cancel);
        Task<MaterialView> Add(MaterialWish one) => MaterialEndpoints.AddAsync(one, db, desk, clock, cancel);
        if (wish.Exercise.Trim().Length > 0)
            await Add(new MaterialWish(MaterialKind.Exercise, wish.Exercise));
        if (wish.Book.Trim().Length > 0)
            await Add(new MaterialWish(MaterialKind.Book, wish.Book, Examples: UsualExamples));
        foreach (var piece in Problems.Whole("pieces", wish.Pieces ?? []))
        {
            var made = await Add(
                new MaterialWish(
                    MaterialKind.Piece,
                    piece.Title,
                    ToBar: piece.Bars,
                    BeatsPerBar: piece.BeatsPerBar,
                    Beat: piece.Beat,
                    Target: piece.Target
                )
            );
            foreach (var bars in Problems.Whole("passages", piece.Passages ?? []).Distinct())
                await Add(new MaterialWish(MaterialKind.Passage, PieceId: made.Id, FromBar: bars.From, ToBar: bars.To));
        }

        await all.CommitAsync(cancel);
    }

    /// <summary>Nothing is entered: the lines are read, and a day is planned from them.</summary>
    private static FirstLookView Look(FirstLinesWish wish, DateOnly day)
    {
        var pieces = PieceLines.Read(Problems.Text("lines", wish.Lines, MostText));
        var minutes = Math.Clamp(wish.Minutes, SittingLength.Least, SittingLength.Most);
        var instrument = InstrumentNames.Find(Problems.Text("instrument", wish.Instrument, MostText));
        var family = instrument?.Family ?? Family.Other;
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = day,
                Minutes = minutes,
                UsualMinutes = minutes,
                Seed = PlanDesk.SeedOf(day, sitting: 0),
                Routine = Shapes.Default,
                Family = family,
                IsPitched = instrument?.IsPitched ?? true,
                WarmUps = WarmUpLibrary.For(family, instrument?.Name ?? ""),
                Materials = [.. Materials(pieces, wish)],
            }
        );
        return new FirstLookView(
            [.. pieces.Select(View)],
            [.. plan.Drills.Select(drill => new FirstDrillView(drill.Area, drill.Minutes, drill.Title))],
            instrument is not null && NamedSheets.Of(Problems.Text("exercise", wish.Exercise, MostText), instrument) is { } named
                ? $"{named.Sheet.Notes} notes, which the stage will show"
                : ""
        );
    }

    private static IEnumerable<Material> Materials(IReadOnlyList<PieceLine> pieces, FirstLinesWish wish)
    {
        var id = 0;
        if (wish.Exercise.Trim().Length > 0)
            yield return new Material
            {
                Id = ++id,
                Group = id,
                Kind = MaterialKind.Exercise,
                Area = Area.Technique,
                Title = wish.Exercise.Trim(),
            };
        if (wish.Book.Trim().Length > 0)
            yield return new Material
            {
                Id = ++id,
                Group = id,
                Kind = MaterialKind.Book,
                Area = Area.SightReading,
                Title = wish.Book.Trim(),
                Examples = UsualExamples,
            };
        foreach (var line in pieces.Where(line => line.Title.Length > 0))
        {
            var piece = ++id;
            var target = line.Target is { } tempo ? new Bpm(tempo) : (Bpm?)null;
            var bars = Math.Clamp(line.Bars, 1, MaterialCheck.MostBars);
            yield return new Material
            {
                Id = piece,
                Group = piece,
                Kind = MaterialKind.Piece,
                Area = Area.Repertoire,
                Title = line.Title,
                FromBar = 1,
                ToBar = bars,
                BeatsPerBar = line.BeatsPerBar,
                Beat = line.Beat,
                Target = target,
                HasPassages = line.Passages.Count > 0,
            };
            foreach (var passage in line.Passages.Where(passage => passage.From >= 1 && passage.To >= passage.From && passage.To <= bars))
                yield return new Material
                {
                    Id = ++id,
                    Group = piece,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    Title = $"{line.Title}, {passage.From}–{passage.To}",
                    FromBar = passage.From,
                    ToBar = passage.To,
                    BeatsPerBar = line.BeatsPerBar,
                    Beat = line.Beat,
                    Target = target,
                    PieceEnds = bars,
                };
        }
    }

    private static FirstPieceView View(PieceLine line)
    {
        var hard = line
            .Passages.Select(passage => passage.From == passage.To ? $"{passage.From}" : $"{passage.From}–{passage.To}")
            .ToList();
        var metre = line.Time is { } time ? $" in {time}, {Words.Count(line.BeatsPerBar, $"{line.Beat} beat")} each" : "";
        string[] words =
        [
            (line.Guessed ? $"{line.Bars} bars, as far as can be told" : Words.Count(line.Bars, "bar")) + metre,
            line.Target is { } target ? $"target {target}" : "no target yet",
            hard.Count > 0 ? $"hard: {Words.List(hard)}" : "no hard bars yet",
        ];
        return new FirstPieceView(
            line.Title,
            line.Bars,
            line.Target,
            [.. line.Passages.Select(passage => new BarsWish(passage.From, passage.To))],
            line.BeatsPerBar,
            line.Beat.Name,
            string.Join("; ", words),
            line.Title.Length == 0
                ? "A title is missing."
                : line.Passages.Select(passage => ProblemOf(line, passage)).FirstOrDefault(problem => problem is not null) ?? ""
        );
    }

    private static string? ProblemOf(PieceLine line, SuggestedPassage passage) =>
        PassageBars.Problem(line.Title, 1, line.Bars, passage.From, passage.To) ?? PassageWords.Long(passage.From, passage.To);
}
