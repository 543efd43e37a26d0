using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>Exercises and what they are made of, over HTTP.</summary>
public static class WorkEndpoints
{
    public static void MapWork(this WebApplication app)
    {
        var group = app.MapGroup("/api/technique").WithTags("Technique");
        group.MapGet("/exercises", ListAsync).WithName("GetExercises");
        group.MapPost("/made", AddAsync).WithName("AddWork");
        group.MapPut("/made/{id:int}", ChangeAsync).WithName("ChangeWork");
        group
            .MapPost("/made/look", async (LookWish wish, PlanDesk desk, CancellationToken cancel) =>
                WorkLook.Of(wish, await desk.ProfileAsync(cancel))
            )
            .WithName("LookAtWork");
        group.MapPost("/exercises/{id:int}/review", DecideAsync).WithName("ReviewExercise");
        group.MapPost("/progression", Progression).WithName("MakeProgression");
        group
            .MapGet("/fingerings", () =>
                Fingering.Groups().Concat(Fingering.Groups(minor: true)).Select(keys => keys.Select(key => key.Name).ToList()).ToList()
            )
            .WithName("GetFingerings");
    }

    private static async Task<List<ExerciseLine>> ListAsync(PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        var today = clock.Today(await desk.ProfileAsync(cancel));
        var rows = await db
            .Materials.AsNoTracking()
            .Where(row => row.Kind == MaterialKind.Exercise)
            .OrderBy(row => row.Resting)
            .ThenBy(row => row.Id)
            .ToListAsync(cancel);
        var ids = rows.Where(row => row.WorkJson.Length > 0).Select(row => row.Id).ToList();
        var keys = await db.Keys.AsNoTracking().Where(key => ids.Contains(key.MaterialId)).ToListAsync(cancel);
        return rows.ConvertAll(row => View(row, today, keys));
    }

    private static async Task<ExerciseLine> AddAsync(
        WorkWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var profile = await desk.ProfileAsync(cancel);
        var today = clock.Today(profile);
        var row = new MaterialRow
        {
            Kind = MaterialKind.Exercise,
            Area = Area.Technique,
            ReviewOn = today.AddDays(Review.Days),
        };
        Write(row, wish, profile);
        db.Materials.Add(row);
        await db.SaveChangesAsync(cancel);
        return View(row, today);
    }

    private static async Task<ExerciseLine> ChangeAsync(
        int id,
        WorkWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var row = await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.WorkJson != "", cancel)
            ?? throw Problems.Unknown("id", "exercise");
        if (row.Version != wish.Version)
            throw Problems.Stale(row.Title);
        var profile = await desk.ProfileAsync(cancel);
        Write(row, wish, profile);
        row.Version++;
        await db.SaveChangesAsync(cancel);
        return View(row, clock.Today(profile));
    }

    private static async Task<ExerciseLine> DecideAsync(
        int id,
        DecisionWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(wish.Decision))
            throw new FieldException("decision", $"Decide for one of {string.Join(", ", Enum.GetNames<ReviewDecision>())}.");
        var row = await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Exercise, cancel)
            ?? throw Problems.Unknown("id", "exercise");
        var today = clock.Today(await desk.ProfileAsync(cancel));
        ReviewEndpoints.Decide(row, wish.Decision, today);
        row.Version++;
        await db.SaveChangesAsync(cancel);
        return View(row, today);
    }

    /// <summary>Writes what an exercise is made of.</summary>
    internal static void Write(MaterialRow row, WorkWish wish, ProfileRow profile)
    {
        row.Title = Problems.Text("title", wish.Title, 200);
        if (row.Title.Length == 0)
            throw new FieldException("title", "Give it a title.");
        row.Target = Problems.Tempo("target", wish.Target);
        var work = WorkLook.Understood(wish.Work);
        row.Serves = Served(wish.Serves);
        row.Place = 0;
        if (wish.InKeys && !WorkInKey.CanMove(work))
            throw new FieldException(
                "inKeys",
                "Written music goes through the keys, and a progression whose own key is known: write it like C major."
            );
        // The way through the keys that was chosen stays.
        row.KeyPlanJson =
            !wish.InKeys ? ""
            : row.KeyPlanJson.Length > 0 ? row.KeyPlanJson
            : JsonSerializer.Serialize(new KeyPlan(), Bookkeeping.Json);
        switch (work.Kind)
        {
            case WorkKind.Groove:
                var groove = Groove.Parse(work.Text);
                (row.ToBar, row.BeatsPerBar) = (groove.Bars, groove.BeatsPerBar);
                break;
            case WorkKind.Notation:
                var score = WorkLook.Read(work.Text).Score;
                row.Beat = Counting.Beats(score.Time, row.Beat) is null ? Counting.Usual(score.Time) ?? row.Beat : row.Beat;
                (row.ToBar, row.BeatsPerBar) = (score.Bars.Count, Counting.Beats(score.Time, row.Beat) ?? score.Time.Beats);
                work = work with { Text = AbcWriter.Write(score with { Title = "", Tempo = null }) };
                break;
            case WorkKind.Patterns:
                var sheet = SheetEndpoints.For(
                    wish.Sheet ?? new SheetRequest(),
                    new TargetKey(TargetKind.Material, 0, TargetPart.Pattern, string.Join('+', work.Patterns!.Units[0])),
                    work
                );
                row.ToBar = SheetEndpoints.Make(sheet, ProfileBooks.InstrumentOf(profile)).Score.Bars.Count;
                row.SheetJson = JsonSerializer.Serialize(sheet, Bookkeeping.Json);
                break;
            case WorkKind.Numbers:
                var book = work.Numbers!;
                row.ToBar = book.Bars;
                // What was noted of its numbers stays.
                work = work with
                {
                    Numbers = book with
                    {
                        Marks = Bookkeeping.WorkOf(row)?.Numbers?.Marks.Where(mark => mark.Key <= book.Count).ToDictionary()
                            ?? new Dictionary<int, NumberMark>(),
                    },
                };
                break;
            case WorkKind.Steps when work.By != StepsBy.Words:
                var steps = WorkLook.StepsOf(wish.Sheet, work, profile);
                work = work with { Items = [.. steps.Select(step => step.Name)] };
                row.ToBar = steps[0].Wish is { } one ? Sheets.Make(one, ProfileBooks.InstrumentOf(profile)).Score.Bars.Count : 1;
                row.SheetJson = JsonSerializer.Serialize(wish.Sheet ?? new SheetRequest(), Bookkeeping.Json);
                break;
            case WorkKind.Steps or WorkKind.Inversions:
                row.SheetJson = "";
                row.ToBar = 2;
                break;
            default:
                (row.ToBar, row.BeatsPerBar) = (work.Items.Count, work.Beats);
                break;
        }

        row.WorkJson = JsonSerializer.Serialize(work, Bookkeeping.Json);
        if (Problems.Tempo("cleanAt", wish.CleanAt) is { } clean)
            ReachBooks.Told(row, clean);
    }

    /// <summary>The difficulties that an exercise serves, as they are kept: those of the list, and words of one's own.</summary>
    public static string Served(IReadOnlyList<string>? difficulties) =>
        ServedDifficulties.Written(Problems.Whole("serves", difficulties ?? []).Select(one => Problems.Text("serves", one, 200)));

    private static List<string> Progression(ProgressionWish wish)
    {
        var key = Problems.KeyOf("key", wish.Key);
        if (wish.Degrees.Count is < 1 or > 24 || wish.Degrees.Any(degree => degree is < 1 or > 7))
            throw new FieldException("degrees", "Write 1 to 24 degrees, each 1 to 7, like 2 5 1.");
        var chords = Chord.OfKey(key, wish.Sevenths);
        return [.. wish.Degrees.Select(degree => Chord.Played(key, degree, chords[degree - 1].Chord).Symbol)];
    }

    private static ExerciseLine View(MaterialRow row, DateOnly today, IEnumerable<KeyRow>? keys = null)
    {
        var core = Bookkeeping.ToCore(row, today, keys: keys);
        var sheet = row.SheetJson.Length > 0 ? JsonSerializer.Deserialize<SheetRequest>(row.SheetJson, Bookkeeping.Json) : null;
        return new ExerciseLine(
            row.Id,
            row.Title,
            core.Work,
            sheet,
            core.KeyPlan is not null,
            core.Station == ExerciseStation.None ? Stands(core, today) : $"{ExerciseStations.Name(core.Station)}, {Stands(core, today)}",
            row.Target,
            core.Serves,
            row.Resting,
            row.ReviewOn,
            row.ReviewOn <= today ? Review.Propose(core, today) : null,
            row.Version
        );
    }

    private static string Stands(Material exercise, DateOnly today) =>
        exercise.Work switch
        {
            { Kind: WorkKind.Shuttle } work => $"sets of {Shuttle.After(work.Items.Count, exercise.Place, []).Set.Size}",
            { Kind: WorkKind.Steps } work =>
                $"at {work.Items[Math.Clamp(exercise.Place, 0, work.Items.Count - 1)]}, step {exercise.Place + 1} of {work.Items.Count}",
            { Patterns: { } plan } => plan.On(exercise.Parts, exercise.Target, today) is var now && now.IsOver
                ? "all done"
                : $"pattern {string.Join(" and ", now.Numbers)}; {now.Done} of {plan.Units.Count} done, until about {now.Last:d MMM}",
            { Numbers: { } book } => book.On(exercise.Parts, exercise.Target) is var at && at.IsOver
                ? "all done"
                : $"{at.Done} of {book.Count} done, {book.Unseen.Count()} not looked at",
            _ => exercise.LastClean is { } clean ? $"clean at {clean}"
            : exercise.Visits == 0 ? "not played yet"
            : $"{Words.Count(exercise.Visits, "visit")}",
        };
}
