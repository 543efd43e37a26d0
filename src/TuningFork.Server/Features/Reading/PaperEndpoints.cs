using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Reading;

/// <summary>How the examples of a book on paper are read.</summary>
/// <param name="Bars">Bars of an example, 1 to 64.</param>
/// <param name="Beats">Beats of the click in a bar, 1 to 16.</param>
/// <param name="Tempo">The click's tempo.</param>
public sealed record PaperView(string Title, int Bars, int Beats, int Tempo, int LookSeconds);

/// <summary>How an example went; its bars, beats and tempo are kept for the next one.</summary>
/// <param name="Wrong">Bars from 1 that came late or wrong.</param>
public sealed record PaperResult(int Bars, int Beats, int Tempo, IReadOnlyList<int> Wrong);

/// <summary>What became of it.</summary>
/// <param name="IsClean">Whether it counts as read on time: five bars of six.</param>
public sealed record PaperMarked(bool IsClean, int Right, string Words);

/// <summary>Examples of books on paper: the click for them, and their result.</summary>
public static class PaperEndpoints
{
    private const int MostBars = 64;
    private const int MostBeats = 16;
    private const int UsualTempo = 60;

    public static void MapPaper(this WebApplication app)
    {
        var group = app.MapGroup("/api/reading/paper").WithTags("Sight reading");
        group
            .MapGet("/{id:int}", async (int id, PracticeDb db, CancellationToken cancel) => View(await BookAsync(db, id, cancel)))
            .WithName("GetPaper");
        group
            .MapPost("/{id:int}", async (int id, PaperResult result, PracticeDb db, CancellationToken cancel) =>
            {
                var book = await BookAsync(db, id, cancel);
                if (result.Bars is < 1 or > MostBars)
                    throw new FieldException("bars", $"An example has 1 to {MostBars} bars.");
                if (result.Beats is < 1 or > MostBeats)
                    throw new FieldException("beats", $"A bar has 1 to {MostBeats} beats.");
                Problems.Tempo("tempo", result.Tempo);
                var wrong = result.Wrong.Distinct().ToList();
                if (wrong.Exists(bar => bar < 1 || bar > result.Bars))
                    throw new FieldException("wrong", $"This example has the bars 1 to {result.Bars}.");
                (book.FromBar, book.ToBar, book.BeatsPerBar, book.Target) = (1, result.Bars, result.Beats, result.Tempo);
                await db.SaveChangesAsync(cancel);
                var right = result.Bars - wrong.Count;
                var isClean = right >= (result.Bars * ReadingRating.Aim) - 1e-9;
                return new PaperMarked(isClean, right, isClean ? "" : "A slower tempo the next time?");
            })
            .WithName("KeepPaper");
    }

    private static PaperView View(MaterialRow book) =>
        new(book.Title, book.ToBar, book.BeatsPerBar, book.Target ?? UsualTempo, ReadingEndpoints.LookSeconds);

    private static async Task<MaterialRow> BookAsync(PracticeDb db, int id, CancellationToken cancel) =>
        await db.Materials.FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Book, cancel)
        ?? throw Problems.Unknown("id", "reading book");
}
