using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>A visit in the tempo history.</summary>
/// <param name="Reach">What the player could do after it.</param>
/// <param name="Slow">Whether it was slow on purpose.</param>
public sealed record TempoPointView(DateOnly Day, int? Clean, int? Tried, int? Reach, bool Slow);

/// <summary>The tempo history of a material, what it comes to, and where it may lead.</summary>
/// <param name="Best">The fastest tempo that ever was clean.</param>
/// <param name="Reach">What can be done now: the tempo at which five of six takes come clean.</param>
/// <param name="Low">Slow end of the range that holds it four times in five.</param>
/// <param name="High">Fast end of that range.</param>
/// <param name="Rungs">What held on subdivision ladders, by key and day, newest first.</param>
/// <param name="Limits">The fastest and the slowest that went, by day, newest first.</param>
/// <param name="Late">Of runs on the click: what came late in the last ones, most often first.</param>
/// <param name="Station">Of an exercise: where it stands on its way into music.</param>
/// <param name="Retries">Of steps: which needed another try in the last four weeks.</param>
/// <param name="Off">Of misses: how many were too early and too late; null where it was never said.</param>
public sealed record TempoView(
    int MaterialId,
    string Title,
    string Beat,
    int? Target,
    int? LastClean,
    int? Best,
    int? Reach,
    int? Low,
    int? High,
    string Start,
    IReadOnlyList<TempoPointView> Points,
    PlateauView Plateau,
    ForecastView? Forecast,
    double LadderSettlesAt,
    int? NotesPerMinute,
    LongestView? Longest,
    IReadOnlyList<RungView> Rungs,
    IReadOnlyList<LimitView> Limits,
    IReadOnlyList<LateItemView> Late,
    IReadOnlyList<LateItemView> Retries,
    OffView? Off,
    StationView? Station
);

/// <summary>Misses of the last four weeks of which was said whether they were too early or too late.</summary>
public sealed record OffView(int Early, int Late);

/// <summary>The longest stretch without a miss, and its day.</summary>
public sealed record LongestView(int Seconds, DateOnly Day);

/// <summary>Tempo over visits, over HTTP.</summary>
public static class TempoEndpoints
{
    private const int OffDays = 28;

    /// <summary>Days that are looked back for steps that needed another try.</summary>
    private const int RetryDays = 28;

    public static void MapTempo(this WebApplication app) =>
        app.MapGet(
                "/api/materials/{id:int}/tempo",
                async (int id, PracticeDb db, PlanDesk desk, StationBooks stations, PracticeClock clock, CancellationToken cancel) =>
                {
                    var row = await db
                        .Materials.AsNoTracking()
                        .Include(material => material.Piece)
                        .FirstOrDefaultAsync(material => material.Id == id, cancel)
                        ?? throw Problems.Unknown("id", "material");
                    var today = clock.Today(await desk.ProfileAsync(cancel));
                    var visits = await db.Visits.AsNoTracking().Where(visit => visit.MaterialId == id).ToListAsync(cancel);
                    var tense = await db.Bodies.AnyAsync(
                        body => body.Tension >= Body.HighTension && body.Day >= today.AddDays(-Body.TenseDays),
                        cancel
                    );
                    var core = Bookkeeping.ToCore(row, today, row.Piece);
                    var points = ReachBooks.Tempos(row, visits);
                    var traits = ProfileBooks.TraitsOf(await desk.ProfileAsync(cancel));
                    var plateau = ReachBooks.Plateau(row, visits, tense);
                    var start = core.IsTimed
                        ? TodaysTempo.Of(
                            DayReach.At(Estimate.Morning(core.Reach ?? core.Start, traits, core.Target?.Value)),
                            Pace.Work,
                            core.Target
                        )
                        : (Bpm?)null;
                    return new TempoView(
                        row.Id,
                        core.Title,
                        core.Beat.Name,
                        core.Target?.Value,
                        core.LastClean?.Value,
                        core.Best?.Value,
                        Whole(core.Reach?.Tempo),
                        Whole(core.Reach?.Low),
                        Whole(core.Reach?.High),
                        start is null ? ""
                            : core.Reach is { } reach ? $"today from {start}: about {Bpm.Near(reach.Tempo)} comes clean five times in six"
                            : $"today from {start}, slow first",
                        [
                            .. points.Select(point => new TempoPointView(
                                point.Day,
                                point.Clean,
                                point.Tried,
                                Whole(point.Reach),
                                point.Slow
                            )),
                        ],
                        plateau,
                        core.Target is { } target
                            ? Forecast.For(
                                core.Reach,
                                target.Value,
                                [.. visits.Where(visit => visit.ReachLog is not null).Select(visit => (visit.Day, visit.Takes))],
                                traits,
                                today,
                                plateau.IsStuck
                            )
                            : null,
                        UpDown.Ours.SettlesAt(),
                        Rhythm.All.FirstOrDefault(rhythm => rhythm.Id == core.Rhythm) is { } rhythm && core.LastClean is { } clean
                            ? (int)Math.Round(clean.Value * (double)rhythm.Values.Count / rhythm.Clicks)
                            : null,
                        visits.MaxBy(visit => visit.LongestClean) is { LongestClean: > 0 } longest
                            ? new LongestView(longest.LongestClean, longest.Day)
                            : null,
                        await LadderRecords.OfAsync(db, row.Id, cancel),
                        await LimitRecords.OfAsync(db, row.Id, cancel),
                        await LateItems.OfAsync(db, row.Id, cancel),
                        await LateItems.RetriesAsync(db, row.Id, Bookkeeping.WorkOf(row), today.AddDays(1 - RetryDays), today, cancel),
                        await OffAsync(db, row.Id, today, cancel),
                        await stations.OfAsync(row, today, cancel)
                    );
                }
            )
            .WithTags("Technique")
            .WithName("GetTempo");

    private static async Task<OffView?> OffAsync(PracticeDb db, int material, DateOnly today, CancellationToken cancel)
    {
        var from = today.AddDays(-OffDays);
        var off = await db
            .Takes.AsNoTracking()
            .Where(take => take.MaterialId == material && take.Off != null && take.Day > from)
            .Select(take => take.Off!.Value)
            .ToListAsync(cancel);
        return off.Count == 0 ? null : new OffView(off.Count(one => one < 0), off.Count(one => one > 0));
    }

    private static int? Whole(double? tempo) => tempo is { } known ? Bpm.Near(known).Value : null;
}
