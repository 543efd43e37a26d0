using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>The days of the journal: what was played, written, decided, and what the body said.</summary>
public sealed class JournalDays(PracticeDb db, PracticeClock clock)
{
    private const int DaysAtOnce = 14;
    private const int RowsAtOnce = 200;

    /// <summary>A stretch of days, newest first.</summary>
    public async Task<JournalView> ReadAsync(JournalWish wish, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(wish);
        var time = TimeOfDay.Read(wish.Search);
        var whole = !JournalSearch.IsNarrow(wish);
        var days = time is { } at
            ? (await SittingSearch.DaysAsync(db, at, clock, cancel)).FindAll(day => IsWithin(day, wish))
            : await LatestAsync(wish, whole, cancel);
        var shown = days.Take(DaysAtOnce).ToList();
        var written = await db.Entries.Where(entry => shown.Contains(entry.Day)).MinAsync(entry => (int?)entry.Id, cancel);
        var entries = JournalSearch.Entries(db, time is null ? wish : wish with { Search = null }, written ?? 0);
        return new JournalView(
            await DaysAsync(shown, entries, whole, whole || time is not null, cancel),
            days.Count > DaysAtOnce ? shown[^1] : null
        );
    }

    /// <summary>One day with all that is known of it; empty where nothing is.</summary>
    public async Task<JournalPage> PageAsync(DateOnly day, CancellationToken cancel)
    {
        var shown = (await DaysAsync([day], db.Entries.AsNoTracking(), whole: true, sittings: true, cancel))[0];
        var visits = await db
            .Visits.AsNoTracking()
            .Include(visit => visit.Material)
                .ThenInclude(material => material!.Piece)
            .Where(visit => visit.Day == day && visit.Takes > 0)
            .OrderBy(visit => visit.Id)
            .ToListAsync(cancel);
        var ratings = await db
            .Ratings.AsNoTracking()
            .Include(rating => rating.Material!.Piece)
            .Where(rating => rating.Day == day)
            .ToListAsync(cancel);
        var answers = await db.ReviewAnswers.AsNoTracking().Where(answer => answer.Day == day && answer.Accepted).ToListAsync(cancel);
        var bodies = await db.Bodies.AsNoTracking().Where(body => body.Day == day).OrderBy(body => body.Id).ToListAsync(cancel);
        return new JournalPage(
            shown,
            await db.SessionDrills.Where(drill => drill.Day == day && drill.Area != null).SumAsync(drill => drill.PlannedSeconds, cancel)
                / 60.0,
            [
                .. visits
                    .Where(visit => visit.Material is not null)
                    .Select(visit => new PlayedThingView(
                        visit.MaterialId,
                        Bookkeeping.TitleOf(visit.Material!, visit.Material!.Piece),
                        visit.Takes,
                        visit.CleanTakes,
                        visit.BestBefore,
                        visit.Clean
                    )),
            ],
            [
                .. ratings
                    .Where(rating => rating.Material is not null)
                    .Select(rating => $"{Bookkeeping.TitleOf(rating.Material!, rating.Material!.Piece)}: rated {(int)rating.Readiness}"),
                .. answers.Select(answer => answer.Words),
            ],
            [.. bodies.Select(SayBody)],
            await NearestAsync(
                [db.Entries.Where(entry => entry.Day < day).Select(entry => entry.Day), .. Lived(day, null, null)],
                true,
                cancel
            ),
            await NearestAsync(
                [db.Entries.Where(entry => entry.Day > day).Select(entry => entry.Day), .. Lived(null, day.AddDays(1), null)],
                false,
                cancel
            )
        );
    }

    /// <summary>The latest days that are asked for: words first in what was written last, which mostly fills the page.</summary>
    private async Task<List<DateOnly>> LatestAsync(JournalWish wish, bool whole, CancellationToken cancel)
    {
        if (JournalSearch.HasWords(wish) && await JournalSearch.RecentAsync(db, wish, cancel) is { } recent)
        {
            var some = JournalSearch.Entries(db, wish, recent.Id).Where(entry => entry.Day > recent.After);
            var days = await LatestAsync([some.Select(entry => entry.Day)], cancel);
            if (days.Count > DaysAtOnce)
                return days;
        }

        var entries = JournalSearch.Entries(db, wish).Select(entry => entry.Day);
        return await LatestAsync([entries, .. whole ? Lived(wish.Before, wish.From, wish.To) : []], cancel);
    }

    /// <summary>The latest days of several sources; asked one by one, each stops at its own latest.</summary>
    private static async Task<List<DateOnly>> LatestAsync(IReadOnlyList<IQueryable<DateOnly>> sources, CancellationToken cancel)
    {
        var found = new SortedSet<DateOnly>();
        foreach (var source in sources)
            found.UnionWith(await LatestAsync(source, cancel));
        return [.. found.Reverse().Take(DaysAtOnce + 1)];
    }

    /// <summary>The latest days of one source, some rows at a time: asked for different days the database would read all there are.</summary>
    private static async Task<HashSet<DateOnly>> LatestAsync(IQueryable<DateOnly> source, CancellationToken cancel)
    {
        var found = new HashSet<DateOnly>();
        for (var older = source; ; )
        {
            var some = await older.OrderByDescending(day => day).Take(RowsAtOnce).ToListAsync(cancel);
            found.UnionWith(some);
            if (some.Count < RowsAtOnce || found.Count > DaysAtOnce)
                return found;
            var last = some[^1];
            older = source.Where(day => day < last);
        }
    }

    private static async Task<DateOnly?> NearestAsync(IReadOnlyList<IQueryable<DateOnly>> sources, bool latest, CancellationToken cancel)
    {
        var found = new List<DateOnly?>();
        foreach (var source in sources)
            found.Add(latest ? await source.MaxAsync(day => (DateOnly?)day, cancel) : await source.MinAsync(day => (DateOnly?)day, cancel));
        return latest ? found.Max() : found.Min();
    }

    /// <summary>Days on which something was played, read at sight or answered: each kind by itself.</summary>
    private IEnumerable<IQueryable<DateOnly>> Lived(DateOnly? before, DateOnly? from, DateOnly? to) =>
        DayResults
            .Days(db)
            .Prepend(Played(db).Select(session => session.Day))
            .Select(days =>
                days.Where(day => (before == null || day < before) && (from == null || day >= from) && (to == null || day <= to))
            );

    /// <summary>Sessions in which something was played; one that was only opened leaves no line.</summary>
    private static IQueryable<SessionRow> Played(PracticeDb db) =>
        db.Sessions.AsNoTracking().Where(session => session.EndedUtc != null && session.Drills.Any(drill => drill.PlayedSeconds >= 1));

    private static bool IsWithin(DateOnly day, JournalWish wish) =>
        (wish.Before is null || day < wish.Before) && (wish.From is null || day >= wish.From) && (wish.To is null || day <= wish.To);

    private async Task<IReadOnlyList<JournalDay>> DaysAsync(
        List<DateOnly> shown,
        IQueryable<EntryRow> entries,
        bool whole,
        bool sittings,
        CancellationToken cancel
    )
    {
        var found = await entries.Where(entry => shown.Contains(entry.Day)).OrderBy(entry => entry.Id).ToListAsync(cancel);
        var ids = found.ConvertAll(entry => entry.Id);
        var changes = await db
            .EntriesBefore.Where(row => ids.Contains(row.EntryId))
            .GroupBy(row => row.EntryId)
            .ToDictionaryAsync(group => group.Key, group => group.Count(), cancel);
        var written = found.ToLookup(entry => entry.Day, entry => View(entry, changes.GetValueOrDefault(entry.Id)));
        var drills = (
            await db
                .SessionDrills.AsNoTracking()
                .Where(drill => shown.Contains(drill.Day))
                .OrderBy(drill => drill.SessionId)
                .ThenBy(drill => drill.Position)
                .Select(drill => new
                {
                    drill.Day,
                    View = new PlayedDrillView(
                        drill.Area,
                        drill.Title,
                        drill.PlannedSeconds,
                        drill.PlayedSeconds,
                        drill.Takes.Count,
                        drill.Takes.Count(take => take.Clean)
                    ),
                })
                .ToListAsync(cancel)
        ).ToLookup(one => one.Day, one => one.View);
        var times = (
            await Played(db)
                .Where(session => sittings && shown.Contains(session.Day))
                .OrderBy(session => session.Id)
                .Select(session => new
                {
                    session.Day,
                    session.StartedUtc,
                    session.EndedUtc,
                })
                .ToListAsync(cancel)
        ).ToLookup(one => one.Day, one => new SittingView(Utc(one.StartedUtc), Utc(one.EndedUtc!.Value)));
        var bodies = await db.Bodies.AsNoTracking().Where(body => shown.Contains(body.Day)).ToListAsync(cancel);
        var results = await DayResults.OfAsync(db, whole ? shown : [], cancel);
        var moved = await DayMoved.OfAsync(db, whole ? shown : [], cancel);
        return
        [
            .. shown.Select(day => new JournalDay(
                day,
                Math.Round(drills[day].Where(drill => drill.Area is not null).Sum(drill => drill.PlayedSeconds) / 60, 1),
                [.. drills[day]],
                [.. written[day]],
                bodies.Exists(body => body.Day == day && body.Tension >= Body.HighTension),
                bodies.Exists(body => body.Day == day && body.Pain),
                [.. times[day]],
                [.. results[day]],
                [.. moved[day]]
            )),
        ];
    }

    private static string SayBody(BodyRow body) =>
        body.Pain
            ? $"Pain, numbness or tingling{(body.Where.Length > 0 ? $": {body.Where}" : "")}"
            : $"Tension: {BodyWords.OfTension(body.Tension)}";

    /// <summary>The file does not say that its times are those of Greenwich; whoever reads the answer has to know.</summary>
    private static DateTime Utc(DateTime moment) => DateTime.SpecifyKind(moment, DateTimeKind.Utc);

    /// <summary>An entry as it is shown.</summary>
    /// <param name="changes">How often it was changed.</param>
    public static EntryView View(EntryRow row, int changes = 0) =>
        new(
            row.Id,
            Utc(row.AtUtc),
            row.Day,
            row.Kind,
            row.About,
            row.Take,
            row.Text,
            row.MaterialId,
            row.Cause,
            row.Remedy,
            row.NextTime,
            EntryBooks.TagsOf(row.Tags),
            row.CarriedTo,
            row.SettledUtc is not null,
            changes
        );
}
