using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>Something written down.</summary>
/// <param name="Take">The take at which it was begun, from 1, or null.</param>
public sealed record EntryView(int Id, DateTime AtUtc, DateOnly Day, EntryKind Kind, string About, int? Take, string Text, int? MaterialId);

/// <summary>A drill of a day gone by, for the picture of the day.</summary>
public sealed record PlayedDrillView(Area? Area, string Title, int PlannedSeconds, double PlayedSeconds, int Takes, int CleanTakes);

/// <summary>A day of the journal.</summary>
/// <param name="Results">What was read at sight and answered by ear, a line each.</param>
/// <param name="Moved">What went further than ever before, three lines at most.</param>
public sealed record JournalDay(
    DateOnly Day,
    double PlayedMinutes,
    IReadOnlyList<PlayedDrillView> Drills,
    IReadOnlyList<EntryView> Entries,
    bool WasTense,
    bool Pain,
    IReadOnlyList<SittingView> Sittings,
    IReadOnlyList<string> Results,
    IReadOnlyList<string> Moved
);

/// <summary>When a sitting began and ended.</summary>
public sealed record SittingView(DateTime StartedUtc, DateTime EndedUtc);

/// <summary>A stretch of the journal, newest first. More: the day before which to ask for the next stretch, or null.</summary>
public sealed record JournalView(IReadOnlyList<JournalDay> Days, DateOnly? More);

/// <summary>Something to write down. Sent again with the same key it counts once.</summary>
/// <param name="SessionId">The session in which it was begun, open or closed meanwhile; left out: the open one.</param>
/// <param name="Position">The drill at which it was begun.</param>
/// <param name="Take">The take at which it was begun, from 1.</param>
public sealed record EntryWish(
    Guid Key,
    string Text,
    EntryKind Kind = EntryKind.Note,
    int? SessionId = null,
    int? Position = null,
    int? Take = null,
    int? MaterialId = null
);

/// <summary>Another text for an entry.</summary>
public sealed record EntryChange(string Text);

/// <summary>The journal over HTTP.</summary>
public static class JournalEndpoints
{
    private const int DaysAtOnce = 14;

    public static void MapJournal(this WebApplication app)
    {
        var group = app.MapGroup("/api/journal").WithTags("Journal");
        group.MapGet("", ReadAsync).WithName("GetJournal");
        group.MapPost("", AddAsync).WithName("AddEntry");
        group
            .MapPut("/{id:int}", async (int id, EntryChange change, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await db.Entries.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "entry");
                row.Text = Needed(change.Text);
                await db.SaveChangesAsync(cancel);
                return View(row);
            })
            .WithName("ChangeEntry");
        group
            .MapPut("/{id:int}/settled", async (int id, SettledWish wish, WrittenLast written, PracticeDb db, CancellationToken cancel) =>
            {
                await written.SettleAsync(id, wish.Settled, cancel);
                await db.SaveChangesAsync(cancel);
            })
            .WithName("SettleEntry");
        group.MapRemoval<EntryRow>("/{id:int}", "Entry", "entry");
    }

    public static EntryRow Entry(
        DateTime at,
        DateOnly day,
        EntryKind kind,
        string text,
        int? session,
        SessionDrillRow? drill = null,
        int? material = null,
        Guid? key = null
    ) =>
        new()
        {
            Key = key ?? Guid.NewGuid(),
            AtUtc = at,
            Day = day,
            Kind = kind,
            Text = text,
            SessionId = session,
            SessionDrillId = drill?.Id,
            About = drill?.Title ?? "",
            MaterialId = material,
        };

    private static async Task<EntryView> AddAsync(
        EntryWish wish,
        PracticeDb db,
        SessionDesk desk,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (await db.Entries.IgnoreQueryFilters().FirstOrDefaultAsync(entry => entry.Key == wish.Key, cancel) is { } there)
            return View(there);
        var profile = await plans.ProfileAsync(cancel);
        var today = clock.Today(profile);
        var session =
            wish.SessionId is { } asked
                ? await db.Sessions.Include(row => row.Drills).FirstOrDefaultAsync(row => row.Id == asked, cancel)
                    ?? throw Problems.Unknown("sessionId", "session")
            : await desk.OpenAsync(cancel) is { } open && !plans.IsOver(open, today) ? open
            : null;
        if (wish.Take is < 1 or > 100_000)
            throw new FieldException("take", "Takes are counted from 1.");
        var drill = wish.Position is { } position ? session?.Drills.FirstOrDefault(row => row.Position == position) : null;
        if (wish.MaterialId is { } id && !await db.Materials.AnyAsync(material => material.Id == id, cancel))
            throw Problems.Unknown("materialId", "material");
        var row = Entry(clock.UtcNow, session?.Day ?? today, wish.Kind, Needed(wish.Text), session?.Id, drill, wish.MaterialId, wish.Key);
        row.Take = wish.Take;
        db.Entries.Add(row);
        await db.SaveChangesAsync(cancel);
        return View(row);
    }

    private static async Task<JournalView> ReadAsync(
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel,
        string? search = null,
        DateOnly? before = null,
        int? materialId = null
    )
    {
        var entries = db.Entries.AsNoTracking();
        if (before is { } limit)
            entries = entries.Where(entry => entry.Day < limit);
        if (materialId is { } material)
            entries = entries.Where(entry => entry.MaterialId == material);
        var time = SittingSearch.TimeOf(search);
        if (!string.IsNullOrWhiteSpace(search) && time is null)
        {
            var pattern =
                "%"
                + search
                    .Trim()
                    .Replace("\\", "\\\\", StringComparison.Ordinal)
                    .Replace("%", "\\%", StringComparison.Ordinal)
                    .Replace("_", "\\_", StringComparison.Ordinal)
                + "%";
            entries = entries.Where(entry => EF.Functions.Like(entry.Text, pattern, "\\") || EF.Functions.Like(entry.About, pattern, "\\"));
        }

        var whole = string.IsNullOrWhiteSpace(search) && materialId is null;
        var sessions = db.Sessions.AsNoTracking().Where(session => session.EndedUtc != null && (before == null || session.Day < before));
        var days = time is { } at
            ? (await SittingSearch.DaysAsync(db, at, clock.Zone, cancel)).FindAll(day => before == null || day < before)
            : await entries
                .Select(entry => entry.Day)
                .Concat(
                    whole
                        ? sessions.Select(session => session.Day).Concat(DayResults.Days(db, before))
                        : db.Sessions.Where(session => false).Select(session => session.Day)
                )
                .Distinct()
                .OrderByDescending(day => day)
                .Take(DaysAtOnce + 1)
                .ToListAsync(cancel);
        var shown = days.Take(DaysAtOnce).ToList();
        var found = await entries.Where(entry => shown.Contains(entry.Day)).OrderBy(entry => entry.Id).ToListAsync(cancel);
        var drills = await db
            .SessionDrills.AsNoTracking()
            .Include(drill => drill.Takes)
            .Where(drill => shown.Contains(drill.Day))
            .OrderBy(drill => drill.SessionId)
            .ThenBy(drill => drill.Position)
            .AsSplitQuery()
            .ToListAsync(cancel);
        var sittings = await db
            .Sessions.AsNoTracking()
            .Where(session => session.EndedUtc != null && (whole || time != null) && shown.Contains(session.Day))
            .OrderBy(session => session.Id)
            .Select(session => new
            {
                session.Day,
                session.StartedUtc,
                session.EndedUtc,
            })
            .ToListAsync(cancel);
        var bodies = await db.Bodies.AsNoTracking().Where(body => shown.Contains(body.Day)).ToListAsync(cancel);
        var results = await DayResults.OfAsync(db, whole ? shown : [], cancel);
        var moved = await DayMoved.OfAsync(db, whole ? shown : [], cancel);
        return new JournalView(
            [
                .. shown.Select(day =>
                    Day(
                        day,
                        found,
                        drills,
                        bodies,
                        [
                            .. sittings
                                .Where(one => one.Day == day)
                                .Select(one => new SittingView(Utc(one.StartedUtc), Utc(one.EndedUtc!.Value))),
                        ],
                        [.. results[day]],
                        [.. moved[day]]
                    )
                ),
            ],
            days.Count > DaysAtOnce ? shown[^1] : null
        );
    }

    /// <summary>The file does not say that its times are those of Greenwich; whoever reads the answer has to know.</summary>
    private static DateTime Utc(DateTime moment) => DateTime.SpecifyKind(moment, DateTimeKind.Utc);

    private static JournalDay Day(
        DateOnly day,
        List<EntryRow> entries,
        List<SessionDrillRow> drills,
        List<BodyRow> bodies,
        IReadOnlyList<SittingView> sittings,
        IReadOnlyList<string> results,
        IReadOnlyList<string> moved
    )
    {
        var played = drills.Where(drill => drill.Day == day).ToList();
        return new JournalDay(
            day,
            Math.Round(played.Where(drill => drill.Area is not null).Sum(drill => drill.PlayedSeconds) / 60, 1),
            played.ConvertAll(drill => new PlayedDrillView(
                drill.Area,
                drill.Title,
                drill.PlannedSeconds,
                drill.PlayedSeconds,
                drill.Takes.Count,
                drill.Takes.Count(take => take.Clean)
            )),
            [.. entries.Where(entry => entry.Day == day).Select(View)],
            bodies.Exists(body => body.Day == day && body.Tension >= Body.HighTension),
            bodies.Exists(body => body.Day == day && body.Pain),
            sittings,
            results,
            moved
        );
    }

    private static string Needed(string? text) =>
        Problems.Text("text", text) is { Length: > 0 } kept
            ? kept
            : throw new FieldException("text", "Write something, or close without saving.");

    private static EntryView View(EntryRow row) => new(row.Id, row.AtUtc, row.Day, row.Kind, row.About, row.Take, row.Text, row.MaterialId);
}
