using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Asks for less of a thing, from tomorrow; None takes it back.</summary>
public sealed record ReliefWish(Relief Relief);

/// <summary>What has been done for two weeks, to be looked at again.</summary>
/// <param name="Words">"half of its minutes".</param>
/// <param name="From">Since when.</param>
public sealed record ReliefView(int MaterialId, string Title, Relief Relief, string Words, DateOnly From);

/// <summary>Less of what annoys, over HTTP.</summary>
public static class ReliefEndpoints
{
    public static void MapRelief(this WebApplication app) =>
        app.MapPost(
                "/api/materials/{id:int}/relief",
                async (int id, ReliefWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                {
                    var material = await db.Materials.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "material");
                    Give(material, wish.Relief, clock.Today(await desk.ProfileAsync(cancel)));
                    await db.SaveChangesAsync(cancel);
                    return TypedResults.NoContent();
                }
            )
            .WithTags("Material")
            .WithName("GiveRelief");

    /// <summary>From the day after on; what comes a second time begins anew at once.</summary>
    public static void Give(MaterialRow material, Relief relief, DateOnly today)
    {
        if (!Enum.IsDefined(relief) || material.Kind == MaterialKind.Book)
            throw new FieldException("relief", "Choose half of its minutes, two short visits a day, a week's rest, or none of them.");
        var goesOn = material.Relief == relief && material.ReliefFrom <= today;
        material.Relief = relief;
        material.ReliefFrom =
            relief == Relief.None ? null
            : goesOn ? today
            : today.AddDays(1);
    }

    /// <summary>What has lasted two weeks.</summary>
    public static IReadOnlyList<ReliefView> ToLookAt(IEnumerable<Material> materials, DateOnly today) =>
        [
            .. materials
                .Where(material => material.Relief.Kind != Relief.None && material.Relief.LooksAgainOn <= today)
                .Select(material => new ReliefView(
                    material.Id,
                    material.Title,
                    material.Relief.Kind,
                    ReliefTime.Words(material.Relief.Kind),
                    material.Relief.From
                )),
        ];
}
