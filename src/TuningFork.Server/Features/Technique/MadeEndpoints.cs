using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>Something that was made up, to be kept.</summary>
/// <param name="Key">Sent again with the same key it is kept once.</param>
/// <param name="IsGroove">True for a grid of strokes, false for notes in ABC.</param>
/// <param name="SourceId">What it was made from, or null.</param>
/// <param name="Over">Over which chords or keys it is used, "Dm7 G7 C"; empty for none in particular.</param>
public sealed record MadeWish(Guid Key, string Title, string Text, bool IsGroove = false, int? SourceId = null, string Over = "");

/// <summary>What was kept.</summary>
public sealed record MadeView(int MaterialId, string Title);

/// <summary>What was made up while playing is kept and comes back in play, over HTTP.</summary>
public static class MadeEndpoints
{
    public static void MapMade(this WebApplication app) =>
        app.MapPost("/api/made", async (MadeWish wish, PracticeDb db, PlanDesk desk, CancellationToken cancel) =>
            {
                if (await db.Materials.FirstOrDefaultAsync(row => row.MadeKey == wish.Key, cancel) is { } before)
                    return new MadeView(before.Id, before.Title);
                if (wish.SourceId is { } source && !await db.Materials.AnyAsync(row => row.Id == source, cancel))
                    throw Problems.Unknown("sourceId", "material");
                var row = new MaterialRow
                {
                    Kind = MaterialKind.Exercise,
                    Area = Area.Play,
                    SourceId = wish.SourceId,
                    MadeKey = wish.Key,
                    Harmony = MaterialCheck.HarmonyOf("over", wish.Over),
                };
                var work = new Work(wish.IsGroove ? WorkKind.Groove : WorkKind.Notation) { Text = wish.Text };
                WorkEndpoints.Write(row, new WorkWish(wish.Title, work), await desk.ProfileAsync(cancel));
                db.Materials.Add(row);
                await db.SaveChangesAsync(cancel);
                return new MadeView(row.Id, row.Title);
            })
            .WithTags("Play")
            .WithName("KeepMade");
}
