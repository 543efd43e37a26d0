using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>An exercise made of a sheet. With a key plan it goes through the keys, else it stays in the sheet's.</summary>
/// <param name="Serves">Difficulties that it helps with.</param>
/// <param name="Title">What it is called; null for the title of the sheet.</param>
/// <param name="CleanAt">The tempo at which it is clean today; null where that is not said.</param>
/// <param name="InAllKeys">Goes through the twelve keys of its mode in the usual way, where Keys says nothing else.</param>
public sealed record ExerciseWish(
    SheetRequest Sheet,
    int? Target = null,
    KeyPlan? Keys = null,
    IReadOnlyList<string>? Serves = null,
    string? Title = null,
    bool InAllKeys = false,
    int? CleanAt = null
);

/// <summary>The exercise that was made.</summary>
public sealed record ExerciseView(int Id, string Title);

/// <summary>A key in the picture of coverage.</summary>
/// <param name="DaysSince">Days since it was played; null when never.</param>
/// <param name="Today">True when it is among the next keys.</param>
/// <param name="Short">"B♭", "Dm".</param>
public sealed record KeyView(string Key, string Name, string Short, bool IsMinor, int Fifths, int? DaysSince, int? LastClean, bool Today);

/// <summary>A key and the days since it was played.</summary>
public sealed record WaitingKeyView(string Name, int Days);

/// <summary>An exercise on its way through the keys.</summary>
/// <param name="Next">The next keys in the order in which they are played.</param>
/// <param name="DaysToCover">Days until all keys have come, at these minutes a day.</param>
/// <param name="Count">Keys it goes through.</param>
/// <param name="Untouched">Those of them that were never played.</param>
/// <param name="Waiting">Those that have waited longest, longest first.</param>
public sealed record KeyPlanView(
    int MaterialId,
    string Title,
    KeyPlan Plan,
    IReadOnlyList<KeyView> Keys,
    IReadOnlyList<string> Next,
    int Minutes,
    int DaysToCover,
    int Count,
    IReadOnlyList<string> Untouched,
    IReadOnlyList<WaitingKeyView> Waiting
);

/// <summary>Exercises from sheets and their way through the keys, over HTTP.</summary>
public static class KeyEndpoints
{
    private const int MostWaiting = 3;

    public static void MapKeys(this WebApplication app)
    {
        var group = app.MapGroup("/api/technique").WithTags("Technique");
        group.MapPost("/exercises", AddAsync).WithName("AddExercise");
        group
            .MapGet("/keys", async (PlanDesk desk, PracticeDb db, PracticeClock clock, CancellationToken cancel, int minutes = 6) =>
            {
                if (minutes is < 1 or > 60)
                    throw new FieldException("minutes", "Minutes a day are 1 to 60.");
                var today = clock.Today(await desk.ProfileAsync(cancel));
                var rows = await db.Materials.AsNoTracking().Where(row => row.KeyPlanJson != "").OrderBy(row => row.Id).ToListAsync(cancel);
                var keys = await db.Keys.AsNoTracking().ToListAsync(cancel);
                return rows.ConvertAll(row => View(row, keys, today, minutes));
            })
            .WithName("GetKeys");
        group
            .MapPut(
                "/exercises/{id:int}/keys",
                async (int id, KeyPlan plan, PlanDesk desk, PracticeDb db, PracticeClock clock, CancellationToken cancel) =>
                {
                    var row = await db.Materials.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "exercise");
                    if (row.KeyPlanJson.Length == 0)
                        throw new FieldException("id", "This exercise stays in one key. Make one that goes through the keys from a sheet.");
                    row.KeyPlanJson = JsonSerializer.Serialize(Checked(plan), Bookkeeping.Json);
                    await db.SaveChangesAsync(cancel);
                    return View(row, await db.Keys.AsNoTracking().ToListAsync(cancel), clock.Today(await desk.ProfileAsync(cancel)), 6);
                }
            )
            .WithName("SetKeyPlan");
    }

    private static async Task<ExerciseView> AddAsync(
        ExerciseWish wish,
        PlanDesk desk,
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        Problems.Tempo("target", wish.Target);
        var profile = await desk.ProfileAsync(cancel);
        var sheet = SheetEndpoints.Make(wish.Sheet, ProfileBooks.InstrumentOf(profile));
        var title = Problems.Text("title", wish.Title ?? "", 200);
        var plan = wish.Keys ?? (wish.InAllKeys ? new KeyPlan(Minor: sheet.Score.Key.IsMinor) : null);
        var row = new MaterialRow
        {
            Kind = MaterialKind.Exercise,
            Area = Area.Technique,
            Title =
                title.Length > 0 ? title
                : plan is null ? sheet.Title
                : TitleOf(sheet.Title),
            ToBar = sheet.Score.Bars.Count,
            BeatsPerBar = 4,
            Target = wish.Target,
            ReviewOn = clock.Today(profile).AddDays(Core.Planning.Review.Days),
            IsScale = wish.Sheet.Figure != "pattern",
            Serves = WorkEndpoints.Served(wish.Serves),
            SheetJson = JsonSerializer.Serialize(wish.Sheet, Bookkeeping.Json),
            KeyPlanJson = plan is { } keys ? JsonSerializer.Serialize(Checked(keys), Bookkeeping.Json) : "",
        };
        if (Problems.Tempo("cleanAt", wish.CleanAt) is { } clean)
            ReachBooks.Told(row, clean);
        db.Materials.Add(row);
        await db.SaveChangesAsync(cancel);
        return new ExerciseView(row.Id, row.Title);
    }

    /// <summary>"F major scale, two octaves" without its first note and mode: "Scale, two octaves".</summary>
    private static string TitleOf(string title)
    {
        var words = title.Split(' ').Skip(1).Where(word => word is not ("major" or "minor" or "natural")).ToList();
        return Words.Sentence(string.Join(' ', words));
    }

    private static KeyPlan Checked(KeyPlan plan) =>
        Enum.IsDefined(plan.School) && Enum.IsDefined(plan.Order)
            ? plan
            : throw new FieldException("order", "Choose a school and an order from the list.");

    private static KeyPlanView View(MaterialRow row, IReadOnlyList<KeyRow> keys, DateOnly today, int minutes)
    {
        var material = Bookkeeping.ToCore(row, today, keys: keys);
        var plan = material.KeyPlan!;
        var next = plan.Today(material.Keys, today, minutes, row.Id);
        var shown = Key.Majors.Concat(Key.Minors).Where(key => Key.OfPitchClass(key.Tonic.PitchClass, key.IsMinor) == key);
        var views = shown
            .Select(key =>
            {
                var record = material.Keys.FirstOrDefault(one => one.Key == key);
                return new KeyView(
                    key.ToString(),
                    key.Name,
                    $"{key.Tonic.Printed}{(key.IsMinor ? "m" : "")}",
                    key.IsMinor,
                    key.Signature,
                    record is null ? null : today.DayNumber - record.LastDay.DayNumber,
                    record?.LastClean,
                    next.Contains(key)
                );
            })
            .ToList();
        var wanted = plan.Keys(row.Id).Select(key => key.ToString()).ToHashSet(StringComparer.Ordinal);
        var mine = views.Where(view => wanted.Contains(view.Key)).ToList();
        return new KeyPlanView(
            row.Id,
            row.Title,
            plan,
            views,
            [.. next.Select(key => key.Name)],
            minutes,
            plan.DaysToCover(minutes),
            wanted.Count,
            [.. mine.Where(view => view.DaysSince is null).Select(view => view.Name)],
            [
                .. mine.Where(view => view.DaysSince is not null)
                    .OrderByDescending(view => view.DaysSince)
                    .Take(MostWaiting)
                    .Select(view => new WaitingKeyView(view.Name, view.DaysSince!.Value)),
            ]
        );
    }
}
