using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Progress;

/// <summary>Finds entries by words, thing, area, tag and days. Words are found by their beginnings, all of them, in any order.</summary>
internal static class JournalSearch
{
    private const int Recent = 2_000;

    /// <summary>Whether words, a thing, an area or a tag are looked for: then only what was written is shown.</summary>
    public static bool IsNarrow(JournalWish wish) =>
        HasWords(wish) || wish.MaterialId is not null || wish.Area is not null || !string.IsNullOrWhiteSpace(wish.Tag);

    /// <summary>Whether words are looked for.</summary>
    public static bool HasWords(JournalWish wish) => !string.IsNullOrWhiteSpace(wish.Search);

    /// <summary>
    /// The latest few thousand entries of the days asked for: the day after which all are among them, and the first of them that was written.
    /// Null where there are no more.
    /// </summary>
    public static async Task<(DateOnly After, int Id)?> RecentAsync(PracticeDb db, JournalWish wish, CancellationToken cancel)
    {
        var entries = await Within(db.Entries, wish)
            .OrderByDescending(entry => entry.Day)
            .Select(entry => new { entry.Day, entry.Id })
            .Take(Recent)
            .ToListAsync(cancel);
        return entries.Count == Recent ? (entries[^1].Day, entries.Min(entry => entry.Id)) : null;
    }

    /// <summary>The entries that were asked for.</summary>
    /// <param name="written">Words are looked for in this entry and in those that were written after it: in few they are found soon.</param>
    public static IQueryable<EntryRow> Entries(PracticeDb db, JournalWish wish, int written = 0)
    {
        // By the plus the found ones are asked day by day, the latest first; else all of them would be read, and sorted.
        var entries = Match(wish.Search) is { } match
            ? db.Entries.FromSql(
                $"SELECT * FROM Entries WHERE +Id IN (SELECT rowid FROM EntryWords WHERE EntryWords MATCH {match} AND rowid >= {written})"
            )
            : db.Entries;
        entries = Within(entries.AsNoTracking(), wish);
        if (wish.MaterialId is { } id)
            entries = entries.Where(entry =>
                entry.MaterialId == id || db.Materials.Any(row => row.PieceId == id && row.Id == entry.MaterialId)
            );
        if (wish.Area is { } area)
            entries = entries.Where(entry =>
                db.Materials.Any(row => row.Id == entry.MaterialId && row.Area == area)
                || (entry.MaterialId == null && db.SessionDrills.Any(row => row.Id == entry.SessionDrillId && row.Area == area))
            );
        if (!string.IsNullOrWhiteSpace(wish.Tag))
        {
            var tag = $"\n{wish.Tag.Trim()}\n";
            entries = entries.Where(entry => entry.Tags.Contains(tag));
        }

        return entries;
    }

    private static IQueryable<EntryRow> Within(IQueryable<EntryRow> entries, JournalWish wish)
    {
        if (wish.Before is { } before)
            entries = entries.Where(entry => entry.Day < before);
        if (wish.From is { } from)
            entries = entries.Where(entry => entry.Day >= from);
        if (wish.To is { } to)
            entries = entries.Where(entry => entry.Day <= to);
        return entries;
    }

    /// <summary>Words as the index reads them: each the beginning of one; null where none is looked for.</summary>
    private static string? Match(string? search)
    {
        var words = (search ?? "")
            .Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
            .Where(word => word.Any(char.IsLetterOrDigit))
            .Select(word => $"\"{word.Replace("\"", "\"\"", StringComparison.Ordinal)}\"*")
            .ToList();
        return words.Count > 0 ? string.Join(' ', words)
            : string.IsNullOrWhiteSpace(search) ? null
            // Signs alone are in no word.
            : "\"\"";
    }
}
