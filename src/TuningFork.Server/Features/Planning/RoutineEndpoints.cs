using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>A routine.</summary>
/// <param name="Weekdays">Days it is used on, Monday 0 to Sunday 6.</param>
/// <param name="Word">What is to be said about its shape, or empty.</param>
/// <param name="Taken">What ticking its days has taken from other routines, in words; empty where nothing was.</param>
public sealed record RoutineView(
    int Id,
    string Name,
    string Purpose,
    bool Interwoven,
    IReadOnlyList<int> Weekdays,
    IReadOnlyList<Block> Blocks,
    int Version,
    string Word,
    string Taken = ""
);

/// <summary>What a routine is to be.</summary>
public sealed record RoutineWish(string Name, bool Interwoven, IReadOnlyList<int> Weekdays, IReadOnlyList<Block> Blocks, int Version = 0);

/// <summary>Asks how blocks come out on a day of some minutes.</summary>
public sealed record FitWish(IReadOnlyList<Block> Blocks, int Minutes);

/// <summary>How they come out.</summary>
/// <param name="Minutes">Minutes of each block.</param>
/// <param name="Breaks">Minutes of breaks on such a day.</param>
/// <param name="Least">Minutes that the musts need.</param>
/// <param name="Warning">What cannot work, or empty.</param>
/// <param name="Rounds">The sum of rounds for each block that has them, else empty.</param>
public sealed record FitView(IReadOnlyList<int> Minutes, int Breaks, int Least, string Warning, IReadOnlyList<string> Rounds);

/// <summary>Routines over HTTP.</summary>
public static class RoutineEndpoints
{
    private const int EveryDay = 127;

    public static void MapRoutines(this WebApplication app)
    {
        var group = app.MapGroup("/api/routines").WithTags("Routines");
        group
            .MapGet("", async (PracticeDb db, CancellationToken cancel) =>
                (await db.Routines.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel)).ConvertAll(View)
            )
            .WithName("GetRoutines");
        group
            .MapPost("", async (RoutineWish wish, PracticeDb db, PracticeClock clock, CancellationToken cancel) =>
            {
                var row = new RoutineRow();
                db.Routines.Add(row);
                var taken = await WriteAsync(row, wish, db, clock, cancel);
                await db.SaveChangesAsync(cancel);
                return View(row) with { Taken = taken };
            })
            .WithName("AddRoutine");
        group
            .MapPut("/{id:int}", async (int id, RoutineWish wish, PracticeDb db, PracticeClock clock, CancellationToken cancel) =>
            {
                var row = await db.Routines.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "routine");
                if (row.Version != wish.Version)
                    throw Problems.Stale("This routine");
                var taken = await WriteAsync(row, wish, db, clock, cancel);
                row.Version++;
                await db.SaveChangesAsync(cancel);
                return View(row) with { Taken = taken };
            })
            .WithName("ChangeRoutine");
        group.MapRemoval<RoutineRow>("/{id:int}", "Routine", "routine", async (db, _, cancel) =>
        {
            if (await db.Routines.CountAsync(cancel) == 1)
                throw new FieldException("id", "The last routine stays; make another first.");
        });
        group.MapPost("/fit", Fit).WithName("FitRoutine");
    }

    private static FitView Fit(FitWish wish)
    {
        if (wish.Minutes is < SittingLength.Least or > SittingLength.Most)
            throw new FieldException("minutes", $"A sitting lasts {SittingLength.Least} to {SittingLength.Most} minutes.");
        var routine = new Routine("-", Problems.Whole("blocks", wish.Blocks), false);
        Problems.Check(routine.Check());
        var playing = routine.Playing(wish.Minutes);
        var breaks = wish.Minutes - playing;
        var fitted = RoutineFit.Fit(routine, playing);
        var warning =
            !fitted.Fits
                ? $"The musts need {routine.LeastMinutes} minutes and {wish.Minutes} leave {playing} for playing: {fitted.Short} too few. Make a block optional or shorten one."
            : fitted.Free > 0
                ? $"All blocks are fixed, and {Words.Minutes(fitted.Free)} of {wish.Minutes} are left over. Add a block that may grow, or leave them free."
            : fitted.Over > 0 ? $"All blocks are at their most and {fitted.Over} minutes are left over. Raise a most."
            : "";
        var rounds = wish.Blocks.Select((block, i) => block.Rounds is { } work ? Sum(fitted.Minutes[i], work) : "").ToList();
        return new FitView(fitted.Minutes, breaks, routine.LeastMinutes, warning, rounds);
    }

    private static string Sum(int minutes, WorkRest work)
    {
        var (rounds, used) = Takes.WorkRest(minutes, work.Work, work.Rest);
        return rounds == 0
            ? $"too short for {work.Work} min"
            : $"{rounds} × {work.Work} min, {work.Rest} min rest between: {used} of {minutes} min";
    }

    /// <summary>Writes a routine; a day it is newly used on leaves the routine that had it. Says which those are.</summary>
    private static async Task<string> WriteAsync(
        RoutineRow row,
        RoutineWish wish,
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var before = row.Weekdays;
        Write(row, wish);
        var ticked = row.Weekdays & ~before;
        if (ticked == 0)
            return "";
        row.TickedUtc = clock.UtcNow;
        var taken = new List<string>();
        foreach (var other in await db.Routines.Where(one => one.Id != row.Id && (one.Weekdays & ticked) != 0).ToListAsync(cancel))
        {
            taken.Add($"{DayNames(other.Weekdays & ticked)} from \"{other.Name}\"");
            other.Weekdays &= ~ticked;
            other.Version++;
        }

        return taken.Count == 0 ? "" : $"\"{row.Name}\" takes {Words.List(taken)}.";
    }

    private static string DayNames(int days) =>
        days == EveryDay
            ? "every day"
            : Words.List([
                .. Enumerable.Range(0, 7).Where(day => (days & (1 << day)) != 0).Select(day => ((DayOfWeek)((day + 1) % 7)).ToString()),
            ]);

    private static void Write(RoutineRow row, RoutineWish wish)
    {
        var name = Problems.Text("name", wish.Name, 80);
        Problems.Check(new Routine(name, Problems.Whole("blocks", wish.Blocks), wish.Interwoven).Check());
        if (wish.Weekdays.Any(day => day is < 0 or > 6))
            throw new FieldException("weekdays", "Weekdays are 0 (Monday) to 6 (Sunday).");
        row.Name = name;
        row.Interwoven = wish.Interwoven;
        row.BlocksJson = JsonSerializer.Serialize(wish.Blocks, Bookkeeping.Json);
        row.Weekdays = wish.Weekdays.Aggregate(0, (bits, day) => bits | (1 << day));
    }

    private static RoutineView View(RoutineRow row) =>
        new(
            row.Id,
            row.Name,
            Shapes.Purpose(row.Name),
            row.Interwoven,
            [.. Enumerable.Range(0, 7).Where(day => (row.Weekdays & (1 << day)) != 0)],
            Bookkeeping.ToCore(row).Blocks,
            row.Version,
            Bookkeeping.ToCore(row).Word
        );
}
