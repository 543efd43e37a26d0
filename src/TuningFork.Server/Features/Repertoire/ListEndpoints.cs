using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>One thing of a list.</summary>
/// <param name="Title">The piece, or the bars of a passage.</param>
/// <param name="Ratings">What it was rated by each of the list's columns; null before its first rating.</param>
public sealed record ListLine(
    int MaterialId,
    int PieceId,
    string Title,
    bool IsPiece,
    Readiness Readiness,
    IReadOnlyList<Readiness?> Ratings
);

/// <summary>All that is to be ready for one day: pieces and their passages, rated over the weeks.</summary>
/// <param name="Columns">The days on which something of it was rated, oldest first.</param>
/// <param name="DaysLeft">Days until then.</param>
/// <param name="Ready">How many of the lines are rated concert-ready.</param>
public sealed record ListView(DateOnly Date, int DaysLeft, int Ready, IReadOnlyList<DateOnly> Columns, IReadOnlyList<ListLine> Lines);

/// <summary>Rates one line of a list.</summary>
public sealed record ListRating(int MaterialId, Readiness Readiness);

/// <summary>Lists of what is to be ready for a concert, an audition or an exam, over HTTP.</summary>
public static class ListEndpoints
{
    /// <summary>So many days of ratings are shown.</summary>
    private const int MostColumns = 8;

    /// <summary>After so many days all of a list is asked about again.</summary>
    public const int AskAfterDays = 7;

    private const int AskAgainDays = 3;

    public static void MapLists(this WebApplication app)
    {
        var group = app.MapGroup("/api/lists/{date}").WithTags("Lists");
        group
            .MapGet("", async (DateOnly date, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                await ViewAsync(db, date, clock.Today(await desk.ProfileAsync(cancel)), cancel)
            )
            .WithName("GetList");
        group
            .MapPut(
                "",
                async (DateOnly date, ListRating rating, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                {
                    var today = clock.Today(await desk.ProfileAsync(cancel));
                    if (!Enum.IsDefined(rating.Readiness))
                        throw new FieldException("readiness", "Readiness is raw, taking shape or concert-ready.");
                    var row = (await RowsAsync(db, date, cancel)).Find(row => row.Id == rating.MaterialId)
                        ?? throw Problems.Unknown("materialId", "line in this list");
                    row.Readiness = rating.Readiness;
                    await MaterialEndpoints.RateAsync(db, row, today, cancel);
                    await db.SaveChangesAsync(cancel);
                    return await ViewAsync(db, date, today, cancel);
                }
            )
            .WithName("RateInList");
    }

    /// <summary>The nearest date of which nothing was rated for a week; null where there is none.</summary>
    public static async Task<DateOnly?> ToRateAsync(PracticeDb db, DateOnly today, CancellationToken cancel)
    {
        var pieces = await db.Materials.AsNoTracking().Where(row => row.Performance != null).ToListAsync(cancel);
        foreach (var date in pieces.SelectMany(Bookkeeping.DatesOf).Where(date => date > today).Distinct().Order())
        {
            var ids = (await RowsAsync(db, date, cancel)).ConvertAll(row => row.Id);
            var last = await db.Ratings.Where(rating => ids.Contains(rating.MaterialId)).MaxAsync(rating => (DateOnly?)rating.Day, cancel);
            var away = last is { } day ? today.DayNumber - day.DayNumber : AskAfterDays;
            // Not at every close: after a week, and every few days from then on.
            return away >= AskAfterDays && (away - AskAfterDays) % AskAgainDays == 0 ? date : null;
        }

        return null;
    }

    /// <summary>The pieces of a date in the order in which they were entered, each followed by its passages.</summary>
    private static async Task<List<MaterialRow>> RowsAsync(PracticeDb db, DateOnly date, CancellationToken cancel)
    {
        var dated = await db.Materials.Where(row => row.Performance != null).OrderBy(row => row.Id).ToListAsync(cancel);
        var pieces = dated.FindAll(row => Bookkeeping.DatesOf(row).Contains(date));
        var ids = pieces.ConvertAll(piece => piece.Id);
        var passages = await db
            .Materials.Where(row => row.Kind == MaterialKind.Passage && row.PieceId != null && ids.Contains(row.PieceId.Value))
            .OrderBy(row => row.FromBar)
            .ThenBy(row => row.Id)
            .ToListAsync(cancel);
        return [.. pieces.SelectMany(piece => passages.Where(row => row.PieceId == piece.Id).Prepend(piece))];
    }

    private static async Task<ListView> ViewAsync(PracticeDb db, DateOnly date, DateOnly today, CancellationToken cancel)
    {
        var rows = await RowsAsync(db, date, cancel);
        if (rows.Count == 0)
            throw new FieldException(
                "date",
                "Nothing is to be performed on that day. Give a piece its day in Music, and its list stands here.",
                StatusCodes.Status404NotFound
            );
        var ids = rows.ConvertAll(row => row.Id);
        var ratings = await db
            .Ratings.AsNoTracking()
            .Where(rating => ids.Contains(rating.MaterialId))
            .OrderBy(rating => rating.Day)
            .ToListAsync(cancel);
        var columns = ratings.Select(rating => rating.Day).Distinct().TakeLast(MostColumns).ToList();
        var byId = ratings.ToLookup(rating => rating.MaterialId);
        return new ListView(
            date,
            date.DayNumber - today.DayNumber,
            rows.Count(row => row.Readiness == Readiness.Ready),
            columns,
            rows.ConvertAll(row => new ListLine(
                row.Id,
                row.PieceId ?? row.Id,
                Bookkeeping.ToCore(row, today, row.Piece).ShortTitle,
                row.Kind == MaterialKind.Piece,
                row.Readiness,
                [.. columns.Select(day => byId[row.Id].LastOrDefault(rating => rating.Day <= day)?.Readiness)]
            ))
        );
    }
}
