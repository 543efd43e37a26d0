using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>A number of a book of technique.</summary>
/// <param name="Done">Whether it is done, by its takes or by hand.</param>
/// <param name="ByHand">Whether the player said so.</param>
/// <param name="Target">A target tempo of its own, or null for that of the book.</param>
/// <param name="Reach">The tempo that can be played, or null.</param>
/// <param name="LastClean">Its last clean tempo, or null.</param>
/// <param name="Days">Days on which it was played.</param>
/// <param name="LeastDays">Days on which it is played before it can be done.</param>
public sealed record NumberCell(
    int Number,
    NumberLook Look,
    bool Done,
    bool ByHand,
    int? Target,
    int? Reach,
    int? LastClean,
    int Days,
    int LeastDays,
    bool Today
);

/// <summary>A book of technique with all its numbers.</summary>
/// <param name="Unseen">How many were not looked at.</param>
/// <param name="DaysLeft">Days of work that are left at least.</param>
public sealed record NumberGrid(
    int MaterialId,
    string Title,
    int? Target,
    int Unseen,
    int Done,
    int DaysLeft,
    IReadOnlyList<NumberCell> Cells
);

/// <summary>What the player says of a number.</summary>
/// <param name="Target">A target tempo of its own, or null for that of the book.</param>
public sealed record NumberWish(NumberLook Look, bool Done = false, int? Target = null);

/// <summary>Books of technique over HTTP.</summary>
public static class NumberEndpoints
{
    public static void MapNumbers(this WebApplication app)
    {
        var group = app.MapGroup("/api/technique/books").WithTags("Technique");
        group.MapGet("", ListAsync).WithName("GetBooksOfTechnique");
        group.MapPut("/{id:int}/numbers/{number:int}", MarkAsync).WithName("MarkNumber");
    }

    private static async Task<List<NumberGrid>> ListAsync(PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        var today = clock.Today(await desk.ProfileAsync(cancel));
        var rows = await db
            .Materials.AsNoTracking()
            .Where(row => row.WorkJson.Contains("\"numbers\":{") && !row.Resting)
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        var ids = rows.ConvertAll(row => row.Id);
        var keys = await db.Keys.AsNoTracking().Where(key => ids.Contains(key.MaterialId)).ToListAsync(cancel);
        return rows.ConvertAll(row => Grid(Bookkeeping.ToCore(row, today, keys: keys)));
    }

    private static async Task<NumberGrid> MarkAsync(
        int id,
        int number,
        NumberWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var row = await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.WorkJson != "", cancel);
        var work = row is null ? null : Bookkeeping.WorkOf(row);
        if (work?.Numbers is not { } book)
            throw Problems.Unknown("id", "book of technique");
        if (number < 1 || number > book.Count)
            throw new FieldException("number", $"This book has the numbers 1 to {book.Count}.");
        if (!Enum.IsDefined(wish.Look))
            throw new FieldException("look", "A number is easy, hard, for later, or not looked at.");
        var mark = new NumberMark(wish.Look, wish.Done, Bookkeeping.ToBpm(Problems.Tempo("target", wish.Target)));
        row!.WorkJson = JsonSerializer.Serialize(
            work with
            {
                Numbers = book with { Marks = new SortedDictionary<int, NumberMark>(book.Marks.ToDictionary()) { [number] = mark } },
            },
            Bookkeeping.Json
        );
        await db.SaveChangesAsync(cancel);
        var keys = await db.Keys.AsNoTracking().Where(key => key.MaterialId == id).ToListAsync(cancel);
        return Grid(Bookkeeping.ToCore(row, clock.Today(await desk.ProfileAsync(cancel)), keys: keys));
    }

    private static NumberGrid Grid(Core.Practice.Material material)
    {
        var book = material.Work!.Numbers!;
        var now = book.On(material.Parts, material.Target);
        return new NumberGrid(
            material.Id,
            material.Title,
            material.Target?.Value,
            book.Unseen.Count(),
            now.Done,
            now.DaysLeft,
            [
                .. Enumerable
                    .Range(1, book.Count)
                    .Select(number =>
                    {
                        var mark = book.MarkOf(number);
                        var record = material.Parts.GetValueOrDefault(NumberBook.KeyOf(number));
                        return new NumberCell(
                            number,
                            mark.Look,
                            book.IsDone(number, record, material.Target),
                            mark.Done,
                            mark.Target?.Value,
                            record?.Reach is { } reach ? (int)Math.Round(reach.Tempo) : null,
                            record?.LastClean?.Value,
                            record?.Days ?? 0,
                            book.LeastDays(number),
                            !now.IsOver && number == now.Number
                        );
                    }),
            ]
        );
    }
}
