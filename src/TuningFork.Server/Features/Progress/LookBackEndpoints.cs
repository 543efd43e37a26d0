using Microsoft.EntityFrameworkCore;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>Minutes of a day.</summary>
public sealed record DayPlayed(DateOnly Day, double Minutes);

/// <summary>What can be done of a thing, at the beginning and at the end.</summary>
/// <param name="Tempi">"78 → 84 of 120".</param>
/// <param name="Gain">In percent; negative where it lost.</param>
public sealed record MovementView(int MaterialId, string Title, string Tempi, double Gain, int Visits);

/// <summary>A thing by name, and what there is to say.</summary>
public sealed record NamedThing(int MaterialId, string Title, string Words);

/// <summary>Something counted, and how much of it was right.</summary>
public sealed record Counted(int All, int Right);

/// <summary>A stretch of days that is over.</summary>
/// <param name="Balance">Minutes wanted and played by area.</param>
/// <param name="Days">Minutes of each day, days of nothing included.</param>
/// <param name="InEffect">Days in effect.</param>
/// <param name="Spread">Where most was played on a day or two of each week: the same minutes for the seven weekdays; else empty.</param>
/// <param name="Moved">What was visited, what gained most first.</param>
/// <param name="Stuck">What does not move though it is worked on; of a stretch that ends today.</param>
/// <param name="Slipped">What could be played before and cannot now; of a stretch that ends today.</param>
/// <param name="Untouched">What is under way and was not played in these days, longest away first.</param>
/// <param name="Takes">Takes, and how many were clean.</param>
/// <param name="Bars">Bars read at sight, and how many were on time.</param>
/// <param name="Ear">Answers by ear, and how many were right.</param>
public sealed record LookBackView(
    DateOnly From,
    DateOnly To,
    IReadOnlyList<AreaBalance> Balance,
    string BalanceWords,
    IReadOnlyList<DayPlayed> Days,
    double InEffect,
    string DaysWords,
    IReadOnlyList<int> Spread,
    IReadOnlyList<MovementView> Moved,
    string MovedWords,
    IReadOnlyList<NamedThing> Stuck,
    IReadOnlyList<NamedThing> Slipped,
    IReadOnlyList<NamedThing> Untouched,
    Counted Takes,
    string TakesWords,
    Counted Bars,
    Counted Ear
);

/// <summary>Looking back over HTTP: any stretch of days, each picture with its sentence.</summary>
public static class LookBackEndpoints
{
    private const int MostDays = 366;
    private const int Listed = 12;

    public static void MapLookBack(this WebApplication app)
    {
        var group = app.MapGroup("/api/look-back").WithTags("Look back");
        group.MapGet("", LookAsync).WithName("GetLookBack");
        group
            .MapGet("/closer", (DateOnly from, DateOnly to, LookCloser closer, CancellationToken cancel) =>
            {
                Check(from, to);
                return closer.OfAsync(from, to, cancel);
            })
            .WithName("LookCloser");
    }

    private static void Check(DateOnly from, DateOnly to)
    {
        if (to < from)
            throw new FieldException("to", "The last day lies before the first; swap them.");
        if (to.DayNumber - from.DayNumber >= MostDays)
            throw new FieldException("from", $"Look back over {MostDays} days at most at a time.");
    }

    private static async Task<LookBackView> LookAsync(
        DateOnly from,
        DateOnly to,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        Check(from, to);
        var profile = await desk.ProfileAsync(cancel);
        var played = await PlayedAsync(db, from, to, cancel);
        var balance = WeekBalance.Of(
            ProfileBooks.SharesOf(profile),
            [
                .. played
                    .GroupBy(one => one.Area)
                    .Select(group => new AreaHistory(group.Key, (int)Math.Round(group.Sum(one => one.Seconds)), null)),
            ],
            minutesLeft: 0
        );
        var days = Enumerable
            .Range(0, to.DayNumber - from.DayNumber + 1)
            .Select(from.AddDays)
            .Select(day => new DayPlayed(day, played.Where(one => one.Day == day).Sum(one => one.Seconds) / 60))
            .ToList();
        List<double> minutes = [.. days.Select(one => one.Minutes)];
        var even = Evenness.Of(minutes);
        var today = clock.Today(profile);
        var moved = await MovementsAsync(db, from, to, cancel);
        var takes = await TakesAsync(db, from, to, cancel);
        var (stuck, slipped, untouched) = await StandingAsync(db, from, today, cancel);
        return new LookBackView(
            from,
            to,
            balance,
            BalanceBack.Words(balance),
            [.. days.Select(one => one with { Minutes = Math.Round(one.Minutes, 1) })],
            Math.Round(even.InEffect, 1),
            even.Words,
            even.IsCrammed ? Evenness.Spread(minutes, DayMinutes.WeekOf(profile)) : [],
            [
                .. moved
                    .OrderByDescending(one => one.Gain)
                    .Select(one => new MovementView(one.MaterialId, one.Title, one.Tempi, Math.Round(100 * one.Gain, 1), one.Visits)),
            ],
            Movement.Words(moved),
            // How things stand is said where the stretch ends today.
            to >= today
                ? stuck
                : [],
            to >= today ? slipped : [],
            untouched,
            takes,
            TakesBack.Words(takes.All, takes.Right),
            await BarsAsync(db, from, to, cancel),
            await EarAsync(db, from, to, cancel)
        );
    }

    internal static async Task<List<(DateOnly Day, Area Area, double Seconds)>> PlayedAsync(
        PracticeDb db,
        DateOnly from,
        DateOnly to,
        CancellationToken cancel
    ) =>
        (
            await db
                .SessionDrills.AsNoTracking()
                .Where(drill => drill.Area != null && drill.PlayedSeconds > 0 && drill.Day >= from && drill.Day <= to)
                .GroupBy(drill => new { drill.Day, drill.Area })
                .Select(group => new
                {
                    group.Key.Day,
                    group.Key.Area,
                    Seconds = group.Sum(drill => drill.PlayedSeconds),
                })
                .ToListAsync(cancel)
        ).ConvertAll(row => (row.Day, row.Area!.Value, row.Seconds));

    /// <summary>Of each thing what was known before its first visit of the stretch, and after its last.</summary>
    internal static async Task<IReadOnlyList<Movement>> MovementsAsync(PracticeDb db, DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var visits = await db
            .Visits.Where(visit => visit.Day >= from && visit.Day <= to && visit.ReachLog != null)
            .OrderBy(visit => visit.Day)
            .Select(visit => new
            {
                visit.MaterialId,
                Before = visit.ReachLogBefore,
                After = visit.ReachLog!.Value,
            })
            .ToListAsync(cancel);
        var ids = visits.Select(visit => visit.MaterialId).Distinct().ToList();
        var materials = await db
            .Materials.AsNoTracking()
            .Include(row => row.Piece)
            .Where(row => ids.Contains(row.Id))
            .ToDictionaryAsync(row => row.Id, cancel);
        return
        [
            .. visits
                .Where(visit => materials.ContainsKey(visit.MaterialId))
                .GroupBy(visit => visit.MaterialId)
                .Select(group =>
                {
                    var (first, last, material) = (group.First(), group.Last(), materials[group.Key]);
                    var notes = ReachBooks.NotesABeat(material);
                    return new Movement(
                        material.Id,
                        Bookkeeping.TitleOf(material, material.Piece),
                        Math.Exp(first.Before ?? first.After) / notes,
                        Math.Exp(last.After) / notes,
                        material.Target ?? material.Piece?.Target,
                        group.Count()
                    );
                }),
        ];
    }

    private static async Task<(List<NamedThing> Stuck, List<NamedThing> Slipped, List<NamedThing> Untouched)> StandingAsync(
        PracticeDb db,
        DateOnly from,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var rows = await db
            .Materials.AsNoTracking()
            .Include(row => row.Piece)
            .Where(row =>
                row.Kind != MaterialKind.Book
                && row.LastVisit != null
                && (row.Stuck || row.Slipped || (row.LastVisit < from && !row.Resting))
            )
            .ToListAsync(cancel);
        NamedThing Named(MaterialRow row, string words) => new(row.Id, Bookkeeping.TitleOf(row, row.Piece), words);
        string Ago(MaterialRow row) => $"last played {Words.Ago(today.DayNumber - row.LastVisit!.Value.DayNumber)}";
        // A piece with passages moves by them; and what is all but there is not stuck: as the week's review sees it.
        var withPassages = await db.Materials.Where(row => row.PieceId != null).Select(row => row.PieceId).Distinct().ToListAsync(cancel);
        bool IsStuck(MaterialRow row) =>
            row.Stuck && !withPassages.Contains(row.Id) && !Standing.AtTarget(Bookkeeping.ToCore(row, today, row.Piece), today);
        string Near(MaterialRow row) =>
            Bookkeeping.ToCore(row, today, row.Piece) is { Reach: { } reach } one
                ? $"near {Bpm.Near(reach.Tempo)}{(one.Target is { } target ? $" of {target}" : "")}"
                : "";
        var awake = rows.Where(row => !Bookkeeping.Rests(row, today) && (row.Piece is null || !Bookkeeping.Rests(row.Piece, today)))
            .ToList();
        return (
            [.. awake.Where(IsStuck).Select(row => Named(row, Near(row)))],
            [.. awake.Where(row => row.Slipped).Select(row => Named(row, Ago(row)))],
            [.. awake.Where(row => row.LastVisit < from).OrderBy(row => row.LastVisit).Take(Listed).Select(row => Named(row, Ago(row)))]
        );
    }

    /// <summary>What was marked of things; a section that meets passages is one take.</summary>
    private static async Task<Counted> TakesAsync(PracticeDb db, DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var takes = db.Takes.Where(row => row.MaterialId != null && row.Day >= from && row.Day <= to);
        return new Counted(await takes.CountAsync(cancel), await takes.CountAsync(row => row.Clean, cancel));
    }

    private static async Task<Counted> BarsAsync(PracticeDb db, DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var readings = db.Readings.Where(row => row.Day >= from && row.Day <= to);
        return new Counted(await readings.SumAsync(row => row.Bars, cancel), await readings.SumAsync(row => row.Right, cancel));
    }

    private static async Task<Counted> EarAsync(PracticeDb db, DateOnly from, DateOnly to, CancellationToken cancel)
    {
        var answers = db.EarAnswers.Where(row => row.Day >= from && row.Day <= to);
        return new Counted(await answers.CountAsync(cancel), await answers.CountAsync(row => row.Right, cancel));
    }
}
