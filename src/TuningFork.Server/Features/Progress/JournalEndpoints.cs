using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>The journal over HTTP.</summary>
public static class JournalEndpoints
{
    private const int MostPhrases = 24;
    private const int FirstYear = 1900,
        LastYear = 2200;

    /// <summary>Bytes of a journal that is read in: as many letters as one that is written out may have, whatever they are.</summary>
    private const long LargestText = 16L << 20;

    public static void MapJournal(this WebApplication app)
    {
        var group = app.MapGroup("/api/journal").WithTags("Journal");
        group
            .MapGet(
                "",
                (
                    JournalDays days,
                    CancellationToken cancel,
                    string? search = null,
                    DateOnly? before = null,
                    int? materialId = null,
                    Area? area = null,
                    string? tag = null,
                    DateOnly? from = null,
                    DateOnly? to = null
                ) => days.ReadAsync(new JournalWish(search, before, materialId, area, tag, from, to), cancel)
            )
            .WithName("GetJournal");
        group
            .MapGet("/days/{day}", (DateOnly day, JournalDays days, CancellationToken cancel) =>
                day.Year is >= FirstYear and <= LastYear
                    ? days.PageAsync(day, cancel)
                    : throw new FieldException("day", $"The journal holds days of {FirstYear} to {LastYear}.")
            )
            .WithName("GetJournalDay");
        MapEntries(group);
        group.MapGet("/phrases", PhrasesAsync).WithName("GetPhrases");
        group.MapPut("/phrases", ChangePhrasesAsync).WithName("ChangePhrases");
        group.MapGet("/markdown", WriteAsync).WithName("GetJournalAsMarkdown");
        group.MapPost("/markdown", ReadInAsync).WithMetadata(new RequestSizeLimitAttribute(LargestText)).WithName("ReadJournalIn");
        group.MapRemoval<EntryRow>("/{id:int}", "Entry", "entry");
    }

    private static void MapEntries(RouteGroupBuilder group)
    {
        group
            .MapPost("", async (EntryWish wish, EntryBooks books, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await books.AddAsync(wish, cancel);
                await db.SaveChangesAsync(cancel);
                return JournalDays.View(row);
            })
            .WithName("AddEntry");
        group
            .MapPut("/{id:int}", async (int id, EntryChange change, EntryBooks books, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await books.ChangeAsync(id, change, cancel);
                await db.SaveChangesAsync(cancel);
                return JournalDays.View(row, await db.EntriesBefore.CountAsync(before => before.EntryId == id, cancel));
            })
            .WithName("ChangeEntry");
        group
            .MapGet("/{id:int}/before", async (int id, PracticeDb db, CancellationToken cancel) =>
                (
                    await db
                        .EntriesBefore.AsNoTracking()
                        .Where(row => row.EntryId == id)
                        .OrderByDescending(row => row.Id)
                        .ToListAsync(cancel)
                ).ConvertAll(row => new EntryBeforeView(
                    DateTime.SpecifyKind(row.AtUtc, DateTimeKind.Utc),
                    row.Text,
                    row.Cause,
                    row.Remedy,
                    row.NextTime,
                    EntryBooks.TagsOf(row.Tags)
                ))
            )
            .WithName("GetEntryBefore");
        group
            .MapPut("/{id:int}/carried", async (int id, CarryWish wish, EntryBooks books, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await books.CarryAsync(id, wish.Day, cancel);
                await db.SaveChangesAsync(cancel);
                return JournalDays.View(row);
            })
            .WithName("CarryEntry");
        group
            .MapPut("/{id:int}/settled", async (int id, SettledWish wish, WrittenLast written, PracticeDb db, CancellationToken cancel) =>
            {
                await written.SettleAsync(id, wish.Settled, cancel);
                await db.SaveChangesAsync(cancel);
            })
            .WithName("SettleEntry");
    }

    private static async Task<PhrasesView> PhrasesAsync(PlanDesk plans, PracticeDb db, CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var tags = await db.Entries.Where(row => row.Tags != "").Select(row => row.Tags).Distinct().ToListAsync(cancel);
        return new PhrasesView(
            profile.Phrases.Split('\n', StringSplitOptions.RemoveEmptyEntries),
            [.. tags.SelectMany(EntryBooks.TagsOf).Distinct(StringComparer.Ordinal).Order(StringComparer.CurrentCultureIgnoreCase)]
        );
    }

    private static async Task<PhrasesView> ChangePhrasesAsync(PhrasesWish wish, PlanDesk plans, PracticeDb db, CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var phrases = Problems
            .Whole("phrases", wish.Phrases)
            .Select(phrase => Problems.Text("phrases", phrase.Replace('\n', ' ').Replace('\r', ' '), 200))
            .Where(phrase => phrase.Length > 0)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        if (phrases.Count > MostPhrases)
            throw new FieldException("phrases", $"{MostPhrases} phrases are kept at most; these are {phrases.Count}. Leave some out.");
        profile.Phrases = string.Join('\n', phrases);
        await db.SaveChangesAsync(cancel);
        return await PhrasesAsync(plans, db, cancel);
    }

    /// <summary>The journal as a text, oldest day first, to be kept elsewhere or read in again.</summary>
    private static async Task<IResult> WriteAsync(PracticeDb db, CancellationToken cancel, DateOnly? from = null, DateOnly? to = null)
    {
        var rows = await JournalSearch
            .Entries(db, new JournalWish(From: from, To: to))
            .OrderBy(row => row.Day)
            .ThenBy(row => row.Id)
            .ToListAsync(cancel);
        return Results.Text(JournalMarkdown.Write(rows), "text/markdown; charset=utf-8");
    }

    /// <summary>Reads a text in; what stands there already is not written twice.</summary>
    private static async Task<ReadInView> ReadInAsync(
        [FromBody] JournalText text,
        PracticeDb db,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var today = clock.Today(await plans.ProfileAsync(cancel));
        var read = JournalMarkdown.Read(text.Text, today);
        var days = read.Select(row => row.Day).Distinct().ToList();
        var there = (await db.Entries.AsNoTracking().Where(row => days.Contains(row.Day)).ToListAsync(cancel))
            .Select(JournalMarkdown.WordsOf)
            .ToHashSet();
        var titles = (await db.Materials.AsNoTracking().Include(row => row.Piece).ToListAsync(cancel))
            .Select(row => (row.Id, Title: Bookkeeping.TitleOf(row, row.Piece)))
            .DistinctBy(one => one.Title, StringComparer.Ordinal)
            .ToDictionary(one => one.Title, one => one.Id, StringComparer.Ordinal);
        var added = read.Where(row => there.Add(JournalMarkdown.WordsOf(row))).ToList();
        foreach (var row in added)
        {
            (row.Key, row.AtUtc) = (Guid.NewGuid(), clock.UtcNow);
            if (titles.TryGetValue(row.About, out var id))
                row.MaterialId = id;
        }

        db.Entries.AddRange(added);
        await db.SaveChangesAsync(cancel);
        return new ReadInView(added.Count, read.Count - added.Count);
    }
}
