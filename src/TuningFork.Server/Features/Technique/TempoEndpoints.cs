using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>A visit in the tempo history.</summary>
public sealed record TempoPointView(DateOnly Day, int? Clean, int? Tried);

/// <summary>The tempo history of a material, what it comes to, and where it may lead.</summary>
public sealed record TempoView(
    int MaterialId, string Title, string Beat, int? Target, int? LastClean, string Start, IReadOnlyList<TempoPointView> Points, PlateauView Plateau, ForecastView? Forecast, double LadderSettlesAt, int? NotesPerMinute);

/// <summary>Tempo over visits, over HTTP.</summary>
public static class TempoEndpoints
{
    private const int TenseDays = 14;

    public static void MapTempo(this WebApplication app) => app.MapGet("/api/materials/{id:int}/tempo", async (int id, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
    {
        var row = await db.Materials.AsNoTracking().Include(material => material.Piece).FirstOrDefaultAsync(material => material.Id == id, cancel) ?? throw Problems.Unknown("id", "material");
        var today = clock.Today(await desk.ProfileAsync(cancel));
        var visits = await db.Visits.AsNoTracking().Where(visit => visit.MaterialId == id).ToListAsync(cancel);
        var tense = await db.Bodies.AnyAsync(body => body.Tension >= 2 && body.Day >= today.AddDays(-TenseDays), cancel);
        var core = Bookkeeping.ToCore(row, today, row.Piece);
        var points = Bookkeeping.Tempos(visits);
        var days = core.LastVisit is { } last ? today.DayNumber - last.DayNumber : 0;
        var start = TempoStart.For(core.LastClean, days, core.EasyLastTime, core.Target);
        return new TempoView(
            row.Id, core.Title, core.Beat, core.Target?.Value, core.LastClean?.Value, start is null ? "" : $"today from {start.Tempo} ({start.Reason})",
            [.. points.Select(point => new TempoPointView(point.Day, point.Clean, point.Tried))],
            Bookkeeping.Plateau(row, visits, tense),
            core.Target is { } target ? Forecast.For(points, target) : null,
            UpDown.Ours.SettlesAt(),
            Rhythm.All.FirstOrDefault(rhythm => rhythm.Id == core.Rhythm) is { } rhythm && core.LastClean is { } clean ? (int)Math.Round(clean.Value * (double)rhythm.Values.Count / rhythm.Clicks) : null);
    }).WithTags("Technique").WithName("GetTempo");
}
