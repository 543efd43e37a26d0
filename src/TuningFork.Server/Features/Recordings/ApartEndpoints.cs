using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Recordings;

/// <summary>The first and the newest recording of a thing side by side, over HTTP.</summary>
public static class ApartEndpoints
{
    /// <summary>Offers shown at once.</summary>
    private const int MostOffered = 3;

    public static void MapApart(this WebApplication app)
    {
        var group = app.MapGroup("/api/recordings/apart").WithTags("Recordings");
        group.MapGet("", OffersAsync).WithName("GetApartOffers");
        group.MapGet("/{materialId:int}", OfAsync).WithName("GetApart");
        group.MapPost("", KeepAsync).WithName("KeepApart");
    }

    /// <summary>What is offered today, what was played last first.</summary>
    private static async Task<IReadOnlyList<ApartView>> OffersAsync(
        PracticeDb db,
        RecordingBooks books,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var today = clock.Today(await plans.ProfileAsync(cancel));
        var things = await Heard(db)
            .GroupBy(row => row.MaterialId!.Value)
            .Select(group => new
            {
                Id = group.Key,
                First = group.Min(row => row.Day),
                Newest = group.Max(row => row.Day),
                Compared = group.Max(row => row.ComparedDays),
            })
            .ToListAsync(cancel);
        var offered = things
            .Where(one => DaysApart.Of(one.First, one.Newest, one.Compared, today).Offer == ApartOffer.Compare)
            .OrderByDescending(one => one.Newest)
            .ThenBy(one => one.Id)
            .Take(MostOffered);
        var views = new List<ApartView>();
        foreach (var one in offered)
        {
            if (await OfAsync(one.Id, db, books, plans, clock, cancel) is { } view)
                views.Add(view);
        }

        return views;
    }

    /// <summary>Of one thing; null where it was not recorded yet.</summary>
    private static async Task<ApartView?> OfAsync(
        int materialId,
        PracticeDb db,
        RecordingBooks books,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var of = Heard(db).Include(row => row.Material).ThenInclude(row => row!.Piece).Where(row => row.MaterialId == materialId);
        var first = await of.OrderBy(row => row.AtUtc).ThenBy(row => row.Id).FirstOrDefaultAsync(cancel);
        if (first is null)
            return null;
        var newest = await of.OrderByDescending(row => row.AtUtc).ThenByDescending(row => row.Id).FirstAsync(cancel);
        var compared = await of.MaxAsync(row => row.ComparedDays, cancel);
        var (offer, step) = DaysApart.Of(first.Day, newest.Day, compared, clock.Today(await plans.ProfileAsync(cancel)));
        var own = await books.OwnMethodsAsync(cancel);
        var apart = DaysApart.Words(first.Day, newest.Day);
        return new ApartView(
            materialId,
            Bookkeeping.TitleOf(first.Material!, first.Material!.Piece),
            offer,
            offer switch
            {
                ApartOffer.Compare => $"The first and the newest are {apart}: hear them side by side.",
                ApartOffer.Record => $"The first one is {Words.Days(step)} old: record it once more, and hear what has changed.",
                _ when first.Id == newest.Id => "One recording so far. In a week another one shows what has changed.",
                _ => $"The first and the newest are {(first.Day == newest.Day ? "of the same day" : apart)}.",
            },
            books.View(first, own),
            books.View(newest, own)
        );
    }

    private static async Task<ApartView?> KeepAsync(
        ApartWish wish,
        PracticeDb db,
        RecordingBooks books,
        EntryBooks entries,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var (first, newest) = (await books.RowAsync(wish.FirstId, cancel), await books.RowAsync(wish.NewestId, cancel));
        if (first.MaterialId is not { } material || newest.MaterialId != material)
            throw new FieldException("newestId", "These two are of different things. Choose two of one thing.");
        // Heard early it counts for the step that it was offered for at most; heard on one day it counts for none.
        newest.ComparedDays = Math.Max(newest.ComparedDays, newest.Day.DayNumber - first.Day.DayNumber);
        if (Problems.Text("different", wish.Different, 1000) is { Length: > 0 } different)
        {
            var words = $"{DaysApart.Words(first.Day, newest.Day)}: {different}";
            await entries.AddAsync(new EntryWish(wish.Key, words, MaterialId: material), cancel);
        }

        await db.SaveChangesAsync(cancel);
        return await OfAsync(material, db, books, plans, clock, cancel);
    }

    /// <summary>Those that can be heard as takes of a thing.</summary>
    private static IQueryable<RecordingRow> Heard(PracticeDb db) =>
        db.Recordings.AsNoTracking().Where(row => row.MaterialId != null && row.Kind != RecordingKind.Song && row.Bytes > 0);
}
