using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>Bars of a passage.</summary>
public sealed record BarsWish(int From, int To);

/// <summary>A piece with its hard bars.</summary>
public sealed record FirstPiece(string Title, int Bars, int? Target = null, IReadOnlyList<BarsWish>? Passages = null);

/// <summary>Everything that the first visit asks.</summary>
/// <param name="Exercise">Title of an exercise, or empty.</param>
/// <param name="Book">Title of a book for sight reading, or empty.</param>
public sealed record FirstVisitWish(ProfileWish Profile, FirstPiece? Piece = null, string Exercise = "", string Book = "");

/// <summary>The first visit over HTTP: all of it is entered, or nothing, so that after a refusal every field can be corrected.</summary>
public static class FirstVisitEndpoints
{
    /// <summary>Examples of a book whose number nobody has counted yet.</summary>
    private const int UsualExamples = 100;

    public static void MapFirstVisit(this WebApplication app) => app.MapPost("/api/first-visit", async (FirstVisitWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
    {
        if (await db.Profiles.AnyAsync(cancel))
            throw new FieldException("player", "Your first plan is made already. Open today's plan; everything can be changed from there.", StatusCodes.Status409Conflict);
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await ProfileEndpoints.SetAsync(wish.Profile, db, cancel);
        Task<MaterialView> Add(MaterialWish one) => MaterialEndpoints.AddAsync(one, db, desk, clock, cancel);
        if (wish.Exercise.Trim().Length > 0)
            await Add(new MaterialWish(MaterialKind.Exercise, wish.Exercise));
        if (wish.Book.Trim().Length > 0)
            await Add(new MaterialWish(MaterialKind.Book, wish.Book, Examples: UsualExamples));
        if (wish.Piece is { } piece && piece.Title.Trim().Length > 0)
        {
            var made = await Add(new MaterialWish(MaterialKind.Piece, piece.Title, ToBar: piece.Bars, Target: piece.Target));
            foreach (var bars in Problems.Whole("passages", piece.Passages ?? []).Distinct())
                await Add(new MaterialWish(MaterialKind.Passage, PieceId: made.Id, FromBar: bars.From, ToBar: bars.To));
        }

        await all.CommitAsync(cancel);
    }).WithTags("Player").WithName("MakeFirstVisit");
}
