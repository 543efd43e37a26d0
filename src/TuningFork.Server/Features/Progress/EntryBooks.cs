using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>Writes entries of the journal: new ones, changes that keep what stood before, and what is carried over to a day.</summary>
public sealed class EntryBooks(PracticeDb db, SessionDesk desk, PlanDesk plans, PracticeClock clock)
{
    private const int LongestTag = 40;
    private const int MostTags = 12;

    /// <summary>Days ahead to which something may be carried over.</summary>
    private const int FurthestAhead = 366;

    /// <summary>A new entry.</summary>
    /// <exception cref="FieldException">Nothing is written, or something it names is not there.</exception>
    public async Task<EntryRow> AddAsync(EntryWish wish, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(wish);
        if (await db.Entries.IgnoreQueryFilters().FirstOrDefaultAsync(entry => entry.Key == wish.Key, cancel) is { } there)
            return there;
        var profile = await plans.ProfileAsync(cancel);
        var today = clock.Today(profile);
        var session =
            wish.Day is not null ? null
            // One in which nothing was played is gone when it has ended; what was written for it is kept all the same.
            : wish.SessionId is { } asked ? await db.Sessions.Include(row => row.Drills).FirstOrDefaultAsync(row => row.Id == asked, cancel)
            : await desk.OpenAsync(cancel) is { } open && !plans.IsOver(open, today) ? open
            : null;
        if (wish.Take is < 1 or > 100_000)
            throw new FieldException("take", "Takes are counted from 1.");
        if (wish.Day > today)
            throw new FieldException("day", "That day has not come yet. Write it today and carry it over to the day.");
        var drill = wish.Position is { } position ? session?.Drills.FirstOrDefault(row => row.Position == position) : null;
        if (wish.MaterialId is { } id && !await db.Materials.AnyAsync(material => material.Id == id, cancel))
            throw Problems.Unknown("materialId", "material");
        var row = New(clock.UtcNow, wish.Day ?? session?.Day ?? today, wish.Kind, "", session?.Id, drill, wish.MaterialId, wish.Key);
        Write(row, new EntryChange(wish.Text, wish.Cause, wish.Remedy, wish.NextTime, wish.Tags));
        row.Take = wish.Take;
        if (row.About.Length == 0 && wish.MaterialId is { } about)
            row.About = await TitleAsync(about, cancel);
        if (wish.CarriedTo is not null)
            await CarryAsync(row, wish.CarriedTo, today, cancel);
        db.Entries.Add(row);
        return row;
    }

    /// <summary>Other words; what stood before is kept.</summary>
    public async Task<EntryRow> ChangeAsync(int id, EntryChange change, CancellationToken cancel)
    {
        var row = await db.Entries.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "entry");
        var before = new EntryBeforeRow
        {
            EntryId = row.Id,
            AtUtc = clock.UtcNow,
            Text = row.Text,
            Cause = row.Cause,
            Remedy = row.Remedy,
            NextTime = row.NextTime,
            Tags = row.Tags,
        };
        Write(row, change);
        if (db.Entry(row).State == EntityState.Modified)
            db.EntriesBefore.Add(before);
        return row;
    }

    /// <summary>Carries an entry over to a day, or to none: it stands in that day's plan, and what it is about is asked for then.</summary>
    public async Task<EntryRow> CarryAsync(int id, DateOnly? day, CancellationToken cancel)
    {
        var row = await db.Entries.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "entry");
        await CarryAsync(row, day, clock.Today(await plans.ProfileAsync(cancel)), cancel);
        return row;
    }

    private async Task CarryAsync(EntryRow row, DateOnly? day, DateOnly today, CancellationToken cancel)
    {
        if (day < today || day > today.AddDays(FurthestAhead))
            throw new FieldException("carriedTo", "Carry it over to today or a day of the coming year.");
        if (row.MaterialId is { } id && await db.Materials.FindAsync([id], cancel) is { RemovedUtc: null } material)
        {
            if (day is null && material.AskedFor == row.CarriedTo)
                material.AskedFor = null;
            else if (day is not null)
                material.AskedFor = day;
        }

        row.CarriedTo = day;
        row.SettledUtc = null;
    }

    /// <summary>A row of the journal.</summary>
    public static EntryRow New(
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

    /// <summary>Puts words into an entry.</summary>
    /// <exception cref="FieldException">Nothing would stand in it, or too much.</exception>
    public static void Write(EntryRow row, EntryChange change)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(change);
        row.Text = change.Text is null ? row.Text : Problems.Text("text", change.Text);
        row.Cause = change.Cause is null ? row.Cause : Problems.Text("cause", change.Cause, 1000);
        row.Remedy = change.Remedy is null ? row.Remedy : Problems.Text("remedy", change.Remedy, 1000);
        row.NextTime = change.NextTime is null ? row.NextTime : Problems.Text("nextTime", change.NextTime, 1000);
        row.Tags = change.Tags is null ? row.Tags : TagsAsKept(change.Tags);
        if (row.Text.Length + row.Cause.Length + row.Remedy.Length + row.NextTime.Length == 0)
            throw new FieldException("text", "Write something, or close without saving.");
    }

    /// <summary>Tags as they are kept: "\nbreath\nreed\n".</summary>
    private static string TagsAsKept(IReadOnlyList<string> tags)
    {
        var kept = Problems
            .Whole("tags", tags)
            .Select(tag => Problems.Text("tags", tag.Replace('\n', ' ').Replace('\r', ' '), LongestTag))
            .Where(tag => tag.Length > 0)
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .ToList();
        if (kept.Count > MostTags)
            throw new FieldException("tags", $"An entry bears {MostTags} tags at most.");
        return kept.Count == 0 ? "" : $"\n{string.Join('\n', kept)}\n";
    }

    /// <summary>Tags as they are shown.</summary>
    public static IReadOnlyList<string> TagsOf(string kept)
    {
        ArgumentNullException.ThrowIfNull(kept);
        return kept.Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }

    private async Task<string> TitleAsync(int id, CancellationToken cancel)
    {
        var row = await db.Materials.AsNoTracking().Include(one => one.Piece).FirstAsync(one => one.Id == id, cancel);
        return Bookkeeping.TitleOf(row, row.Piece);
    }
}
