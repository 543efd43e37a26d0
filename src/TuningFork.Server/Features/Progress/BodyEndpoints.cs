using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>What the body says.</summary>
public sealed record BodyWish(int Tension, bool Pain = false, string Where = "");

/// <summary>What the body says, over HTTP.</summary>
public static class BodyEndpoints
{
    public static void MapBody(this WebApplication app) =>
        app.MapPost("/api/body", async (BodyWish wish, PracticeDb db, PlanDesk plans, PracticeClock clock, CancellationToken cancel) =>
            {
                if (wish.Tension is < 0 or > 3)
                    throw new FieldException("tension", "Tension is 0 (none) to 3 (high).");
                var today = clock.Today(await plans.ProfileAsync(cancel));
                await using var all = await db.Database.BeginTransactionAsync(cancel);
                db.Bodies.Add(
                    new BodyRow
                    {
                        Day = today,
                        AtUtc = clock.UtcNow,
                        Tension = wish.Tension,
                        Pain = wish.Pain,
                        Where = Problems.Text("where", wish.Where, 200),
                    }
                );
                await db.SaveChangesAsync(cancel);
                // A plan made before the body spoke no longer holds, nor do its minutes.
                var facts = await plans.FactsAsync(cancel);
                if (await plans.StoredAsync(today, cancel) is { } row)
                {
                    row.Version++;
                    row.Minutes = Math.Max(SittingLength.Least, Math.Min(row.Minutes, DayMinutes.Advice(facts).Minutes));
                    PlanDesk.ReplanKeeping(row, facts, letGo: true);
                    await db.SaveChangesAsync(cancel);
                }

                await all.CommitAsync(cancel);
                return new BodyWish(wish.Tension, wish.Pain, wish.Where);
            })
            .WithTags("Body")
            .WithName("TellBody");

    /// <summary>Writes down what the body said during a session. Pain that was told stands until it is said to be well.</summary>
    /// <param name="db">The file.</param>
    /// <param name="row">What it said.</param>
    /// <param name="cancel">Ends it early.</param>
    public static async Task TellAsync(PracticeDb db, BodyRow row, CancellationToken cancel)
    {
        row.Pain =
            row.Pain || await db.Bodies.OrderByDescending(before => before.Id).Select(before => before.Pain).FirstOrDefaultAsync(cancel);
        db.Bodies.Add(row);
    }
}
