using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>An idea on the shelf.</summary>
/// <param name="About">Where it came: the drill during which it was written, or empty.</param>
public sealed record ShelfIdea(int Id, DateOnly Day, string Text, string About);

/// <summary>The shelf: what waits for a decision, oldest first, and what was made of the rest as far as it is used.</summary>
public sealed record ShelfView(IReadOnlyList<ShelfIdea> Waiting, IReadOnlyList<ShelfIdea> Play, IReadOnlyList<ShelfIdea> Listen);

/// <summary>What becomes of an idea.</summary>
/// <param name="Became">Null: it waits again.</param>
/// <param name="Title">Title of the piece or exercise; left out: the idea's own words.</param>
/// <param name="Bars">Bars of the piece, 1 or more.</param>
public sealed record ShelfWish(ShelfFate? Became, string? Title = null, int Bars = 32);

/// <summary>What was made of it.</summary>
/// <param name="MaterialId">The piece or exercise that it became; else null.</param>
public sealed record ShelvedView(int? MaterialId);

/// <summary>The shelf over HTTP: things heard or thought of, each to become something or to be dropped.</summary>
public static class ShelfEndpoints
{
    private const int LongestTitle = 200;

    public static void MapShelf(this WebApplication app)
    {
        var group = app.MapGroup("/api/shelf").WithTags("Shelf");
        group.MapGet("", ReadAsync).WithName("GetShelf");
        group.MapPut("/{id:int}", DecideAsync).WithName("DecideAboutIdea");
    }

    private static async Task<ShelfView> ReadAsync(PracticeDb db, CancellationToken cancel)
    {
        var all = await db
            .Entries.AsNoTracking()
            .Where(row =>
                row.Kind == EntryKind.Shelf && (row.Became == null || row.Became == ShelfFate.Play || row.Became == ShelfFate.Listen)
            )
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        return new ShelfView(Of(null), Of(ShelfFate.Play), Of(ShelfFate.Listen));

        List<ShelfIdea> Of(ShelfFate? became) =>
            [.. all.Where(row => row.Became == became).Select(row => new ShelfIdea(row.Id, row.Day, row.Text, row.About))];
    }

    private static async Task<ShelvedView> DecideAsync(
        int id,
        ShelfWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var row = await db.Entries.FirstOrDefaultAsync(row => row.Id == id && row.Kind == EntryKind.Shelf, cancel)
            ?? throw Problems.Unknown("id", "idea");
        if (wish.Became is { } fate && !Enum.IsDefined(fate))
            throw new FieldException("became", "An idea becomes a piece, an exercise, something for play or to listen to, or is dropped.");
        if (row.Became is ShelfFate.Piece or ShelfFate.Exercise)
            throw new FieldException(
                "became",
                "This idea has become material already; it stands with the others.",
                StatusCodes.Status409Conflict
            );
        row.Became = wish.Became;
        if (wish.Became is not (ShelfFate.Piece or ShelfFate.Exercise))
        {
            await db.SaveChangesAsync(cancel);
            return new ShelvedView(null);
        }

        var title = string.IsNullOrWhiteSpace(wish.Title) ? row.Text.Split('\n')[0].Trim() : wish.Title.Trim();
        // Saved with the idea, or not at all.
        var made = await MaterialEndpoints.AddAsync(
            new MaterialWish(
                wish.Became == ShelfFate.Piece ? MaterialKind.Piece : MaterialKind.Exercise,
                title.Length > LongestTitle ? title[..LongestTitle] : title,
                ToBar: wish.Became == ShelfFate.Piece ? wish.Bars : 4,
                Note: row.Text
            ),
            db,
            desk,
            clock,
            cancel
        );
        return new ShelvedView(made.Id);
    }
}
