using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Passages of a piece over HTTP: entered, rated, what is missing, what was decided, rests.</summary>
public static class PassageEndpoints
{
    public static void MapPassages(this WebApplication app)
    {
        var group = app.MapGroup("/api/pieces").WithTags("Repertoire");
        group.MapPost("/{id:int}/passages", AddPassagesAsync).WithName("AddPassages");
        group.MapPut("/passages/{id:int}/rating", RateAsync).WithName("RatePassage");
        group.MapPut("/passages/{id:int}/missing", MissingAsync).WithName("SayWhatIsMissing");
        group.MapPut("/passages/{id:int}/decided", DecideAsync).WithName("DecidePassage");
        group.MapPut("/passages/{id:int}/rest", RestAsync).WithName("RestPassage");
    }

    private static async Task<List<int>> AddPassagesAsync(
        int id,
        PassagesWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var piece = await PieceEndpoints.PieceAsync(db, id, cancel);
        var today = clock.Today(await desk.ProfileAsync(cancel));
        var made = new List<MaterialRow>();
        foreach (var (one, i) in Problems.Whole("passages", wish.Passages).Select((one, i) => (one, i)))
            made.Add(await AddAsync(db, piece, one, today, $"passages[{i}]", cancel));
        await db.SaveChangesAsync(cancel);
        return made.ConvertAll(row => row.Id);
    }

    /// <summary>A passage of a piece, entered and rated, not saved yet.</summary>
    /// <param name="field">What a refusal is about.</param>
    internal static async Task<MaterialRow> AddAsync(
        PracticeDb db,
        MaterialRow piece,
        NewPassage wish,
        DateOnly today,
        string field,
        CancellationToken cancel
    )
    {
        if (PassageBars.Problem(piece.Title, piece.FromBar, piece.ToBar, wish.From, wish.To) is { } problem)
            throw new FieldException(field, problem);
        var row = new MaterialRow
        {
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Piece = piece,
            FromBar = wish.From,
            ToBar = wish.To,
            BeatsPerBar = piece.BeatsPerBar,
            Beat = piece.Beat,
            Difficulty = Problems.Text(field, wish.Difficulty, 200),
        };
        db.Materials.Add(row);
        await MaterialEndpoints.RateAsync(db, row, today, cancel);
        return row;
    }

    private static async Task RateAsync(
        int id,
        RatingWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(wish.Readiness))
            throw new FieldException("readiness", "Readiness is Raw, Shaping or Ready.");
        var row = await PassageAsync(db, id, cancel);
        row.Readiness = wish.Readiness;
        row.Version++;
        await MaterialEndpoints.RateAsync(db, row, clock.Today(await desk.ProfileAsync(cancel)), cancel);
        await db.SaveChangesAsync(cancel);
    }

    private static async Task MissingAsync(int id, MissingWish wish, PracticeDb db, CancellationToken cancel)
    {
        if (wish.Method.Length > 0 && Methods.Find(new(wish.Method)) is null)
            throw new FieldException("method", "There is no such method. Choose one from the list.");
        var row = await PassageAsync(db, id, cancel);
        row.Missing = Problems.Text("cause", wish.Cause, 200);
        if (Causes.SayNothing(row.Missing))
            throw new FieldException(
                "cause",
                $"\"{row.Missing}\" says what, not why. Name the cause: rushing, too short, hand too tight, eye too late?"
            );
        row.Remedy = row.Missing.Length == 0 ? "" : Problems.Text("remedy", wish.Remedy, 500);
        row.Proposed = row.Missing.Length == 0 ? default : new MethodId(wish.Method);
        row.Version++;
        await db.SaveChangesAsync(cancel);
    }

    private static async Task DecideAsync(int id, DecidedWish wish, PracticeDb db, CancellationToken cancel)
    {
        var row = await PassageAsync(db, id, cancel);
        row.Fingering = Problems.Text("fingering", wish.Fingering, 200);
        row.Stroke = Problems.Text("stroke", wish.Stroke, 200);
        row.Why = Problems.Text("why", wish.Why, 300);
        row.Version++;
        await db.SaveChangesAsync(cancel);
    }

    private static async Task RestAsync(int id, RestWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        var row = await PassageAsync(db, id, cancel);
        var today = clock.Today(await desk.ProfileAsync(cancel));
        if (wish.Weeks is < 1 or > 104)
            throw new FieldException("weeks", "A rest lasts 1 to 104 weeks.");
        var end = wish.Weeks is { } weeks ? today.AddDays(7 * weeks) : wish.Until;
        if (end is { } until && (until <= today || until.DayNumber - today.DayNumber > 730))
            throw new FieldException("until", "A rest ends on a day ahead, within two years. Leave the day out to take it up again now.");
        row.Resting = end is not null;
        row.RestUntil = end ?? today;
        row.Version++;
        await db.SaveChangesAsync(cancel);
    }

    private static async Task<MaterialRow> PassageAsync(PracticeDb db, int id, CancellationToken cancel) =>
        await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Passage, cancel)
        ?? throw Problems.Unknown("id", "passage");
}
