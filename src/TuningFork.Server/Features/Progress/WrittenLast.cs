using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>A line that was written about a thing some time ago.</summary>
/// <param name="About">The thing.</param>
/// <param name="Settled">Whether it has been marked as settled.</param>
/// <param name="IsRecent">Whether it is of the last four weeks: an older one is shown only where there is room.</param>
public sealed record WrittenView(int EntryId, DateOnly Day, string About, string Text, bool Settled, bool IsRecent);

/// <summary>Whether a line is settled.</summary>
public sealed record SettledWish(bool Settled);

/// <summary>The last line that was written about a thing: it comes back when the thing does, until it is settled.</summary>
public sealed class WrittenLast(PracticeDb db, PracticeClock clock)
{
    private const int RecentDays = 28;

    /// <summary>The last lines about some materials, by material.</summary>
    /// <param name="except">A session whose own lines are not meant; null for none.</param>
    public async Task<IReadOnlyDictionary<int, EntryRow>> OfAsync(IReadOnlyCollection<int> materials, int? except, CancellationToken cancel)
    {
        var lines = Lines(except).Where(entry => entry.MaterialId != null && materials.Contains(entry.MaterialId.Value));
        var last = lines.GroupBy(entry => entry.MaterialId).Select(group => group.Max(entry => entry.Id));
        return await db
            .Entries.AsNoTracking()
            .Where(entry => last.Contains(entry.Id))
            .ToDictionaryAsync(entry => entry.MaterialId!.Value, cancel);
    }

    /// <summary>The same of what is no material, by the name it has in the plan: parts of the warm-up, ear questions, reading.</summary>
    public async Task<IReadOnlyDictionary<string, EntryRow>> OfAsync(
        IReadOnlyCollection<string> titles,
        int? except,
        CancellationToken cancel
    )
    {
        var lines = Lines(except).Where(entry => entry.MaterialId == null && entry.SessionDrillId != null && titles.Contains(entry.About));
        var last = lines.GroupBy(entry => entry.About).Select(group => group.Max(entry => entry.Id));
        return await db
            .Entries.AsNoTracking()
            .Where(entry => last.Contains(entry.Id))
            .ToDictionaryAsync(entry => entry.About, StringComparer.Ordinal, cancel);
    }

    /// <summary>What was carried over to a day or one before it and is not settled, oldest first.</summary>
    public async Task<IReadOnlyList<WrittenView>> CarriedAsync(DateOnly day, CancellationToken cancel) =>
        (await db.Entries.AsNoTracking().Where(entry => entry.CarriedTo <= day && entry.SettledUtc == null).ToListAsync(cancel))
            .OrderBy(entry => entry.Id)
            .Select(entry => View(entry, entry.About, day))
            .ToList();

    /// <summary>Marks a line as settled, so that it comes back no more; or takes that back.</summary>
    public async Task SettleAsync(int id, bool settled, CancellationToken cancel)
    {
        var row = await db.Entries.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "entry");
        row.SettledUtc = settled ? row.SettledUtc ?? clock.UtcNow : null;
    }

    public static WrittenView View(EntryRow row, string about, DateOnly today) =>
        new(
            row.Id,
            row.Day,
            about,
            row.NextTime.Length > 0 ? row.NextTime : row.Text,
            row.SettledUtc is not null,
            row.Day.AddDays(RecentDays) >= today
        );

    private IQueryable<EntryRow> Lines(int? except) =>
        db
            .Entries.AsNoTracking()
            .Where(entry =>
                (entry.Kind == EntryKind.Note || entry.Kind == EntryKind.Drill) && (except == null || entry.SessionId != except)
            );
}
