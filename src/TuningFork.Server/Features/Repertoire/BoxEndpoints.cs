using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>A box drawn on a page, and the bars that stand in it.</summary>
/// <param name="X">Left edge, 0 to 1 of the page's width.</param>
/// <param name="Y">Upper edge, 0 to 1 of the page's height.</param>
/// <param name="From">First bar. A passage of these bars that is there already gets the box; else it is entered.</param>
public sealed record BoxWish(double X, double Y, double Width, double Height, int From, int To, string Difficulty = "");

/// <summary>Boxes on pages over HTTP: music on paper becomes passages.</summary>
public static class BoxEndpoints
{
    /// <summary>A smaller box holds no bar.</summary>
    private const double Least = 0.01;
    private const int MostBoxes = 200;

    public static void MapBoxes(this WebApplication app)
    {
        app.MapPost("/api/pages/{id:int}/boxes", AddAsync).WithTags("Repertoire").WithName("AddBox");
        app.MapGroup("/api/boxes").WithTags("Repertoire").MapRemoval<BoxRow>("/{id:int}", "Box", "box");
    }

    private static async Task<BoxView> AddAsync(
        int id,
        BoxWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var page = await db
            .Pages.Where(row => row.Id == id)
            .Select(row => new { row.MaterialId, row.ContentType })
            .FirstOrDefaultAsync(cancel)
            ?? throw Problems.Unknown("id", "page");
        if (!page.ContentType.StartsWith("image/", StringComparison.Ordinal))
            throw new FieldException(
                "id",
                "Boxes are drawn on pictures. Save the page of the PDF as a picture and put that beside the piece."
            );
        if (
            !(wish is { X: >= 0, Y: >= 0, Width: >= Least, Height: >= Least })
            || wish.X + wish.Width > 1 + 1e-6
            || wish.Y + wish.Height > 1 + 1e-6
        )
            throw new FieldException("box", "A box lies on the page and is large enough for a bar. Draw it anew.");
        if (await db.Boxes.CountAsync(box => box.PageId == id, cancel) >= MostBoxes)
            throw new FieldException("box", $"A page has at most {MostBoxes} boxes; remove one first.");
        var piece = await PieceEndpoints.PieceAsync(db, page.MaterialId, cancel);
        var passage = await db.Materials.FirstOrDefaultAsync(
            row => row.Kind == MaterialKind.Passage && row.PieceId == piece.Id && row.FromBar == wish.From && row.ToBar == wish.To,
            cancel
        )
            ?? await PassageEndpoints.AddAsync(
                db,
                piece,
                new NewPassage(wish.From, wish.To, wish.Difficulty),
                clock.Today(await desk.ProfileAsync(cancel)),
                "to",
                cancel
            );
        var row = new BoxRow
        {
            PageId = id,
            Passage = passage,
            X = wish.X,
            Y = wish.Y,
            Width = wish.Width,
            Height = wish.Height,
        };
        db.Boxes.Add(row);
        await db.SaveChangesAsync(cancel);
        return View(row, passage);
    }

    public static BoxView View(BoxRow row, MaterialRow passage) =>
        new(row.Id, passage.Id, Bookkeeping.Bars(passage), row.X, row.Y, row.Width, row.Height);
}
