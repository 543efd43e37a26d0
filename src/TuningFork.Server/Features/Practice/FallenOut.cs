using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Practice;

/// <summary>What fell out by heart, from a station, becomes a passage.</summary>
public sealed class FallenOut(PracticeDb db)
{
    private const string Difficulty = "memory";

    /// <summary>Enters the stations whose last take was missed; bars that are a passage already are asked for in place of it.</summary>
    public async Task KeepAsync(SessionRow session, SessionDrillRow row, Drill drill, CancellationToken cancel)
    {
        if (drill.MethodId != Methods.Stations.Id || drill.Targets[0].MaterialId is not { } id)
            return;
        var piece = await db.Materials.FindAsync([id], cancel);
        if (piece is null)
            return;
        foreach (
            var target in row
                .Takes.GroupBy(take => take.TargetIndex)
                .Where(takes => takes.MaxBy(take => take.Number) is { Clean: false })
                .Select(takes => drill.Targets[takes.Key])
        )
        {
            var known = await db.Materials.FirstOrDefaultAsync(
                one => one.PieceId == id && one.FromBar == target.FromBar && one.ToBar == target.StopAfterBar,
                cancel
            );
            if (known is not null)
            {
                known.AskedFor = session.Day.AddDays(1);
                continue;
            }

            var passage = Bookkeeping.PassageOf(piece, target.FromBar, target.StopAfterBar ?? target.FromBar);
            (passage.Readiness, passage.Difficulty, passage.Proposed) = (Readiness.Shaping, Difficulty, Methods.FromMemory.Id);
            db.Materials.Add(passage);
            await MaterialEndpoints.RateAsync(db, passage, session.Day, cancel);
        }
    }
}
