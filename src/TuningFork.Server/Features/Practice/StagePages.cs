using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Repertoire;

namespace TuningFork.Server.Features.Practice;

/// <summary>A page on paper of the thing at hand.</summary>
/// <param name="Box">Where the passage at hand stands on it; null for the page as a whole.</param>
public sealed record StagePageView(int PageId, string ContentType, BoxView? Box);

/// <summary>Pages of the piece at hand: first where its passage stands, then page by page.</summary>
public static class StagePages
{
    public static async Task<IReadOnlyList<StagePageView>> OfAsync(PracticeDb db, Target target, CancellationToken cancel)
    {
        if (TargetKey.Parse(target.Key) is not { Kind: TargetKind.Material, Id: var id })
            return [];
        var piece = await db.Materials.Where(row => row.Id == id).Select(row => row.PieceId ?? row.Id).FirstOrDefaultAsync(cancel);
        var pages = await db
            .Pages.Where(page => page.MaterialId == piece)
            .OrderBy(page => page.Id)
            .Select(page => new StagePageView(page.Id, page.ContentType, null))
            .ToListAsync(cancel);
        if (pages.Count == 0)
            return [];
        var boxes = await db
            .Boxes.AsNoTracking()
            .Include(box => box.Passage)
            .Where(box => box.PassageId == id)
            .OrderBy(box => box.Id)
            .ToListAsync(cancel);
        return
        [
            .. boxes
                .Where(box => pages.Exists(page => page.PageId == box.PageId))
                .Select(box => new StagePageView(
                    box.PageId,
                    pages.First(page => page.PageId == box.PageId).ContentType,
                    BoxEndpoints.View(box, box.Passage!)
                )),
            .. pages,
        ];
    }
}
