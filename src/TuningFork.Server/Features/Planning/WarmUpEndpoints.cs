using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.WarmUps;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>A version of the warm-up.</summary>
/// <param name="Next">True for the one whose turn it is.</param>
public sealed record WarmUpView(
    int Id,
    string Name,
    IReadOnlyList<WarmUpPart> Parts,
    DateOnly? LastDay,
    bool Next,
    int Minutes,
    int CoreMinutes,
    int Version
);

/// <summary>All versions, and how a warm-up begins.</summary>
/// <param name="Awareness">One's own words for the opening, or empty.</param>
/// <param name="UsualAwareness">What it is where there are none.</param>
/// <param name="Minutes">Its minutes; 0 where a warm-up has no opening.</param>
public sealed record WarmUpsView(
    WarmUpSchool School,
    string Awareness,
    string UsualAwareness,
    int Minutes,
    IReadOnlyList<WarmUpView> Versions
);

/// <summary>What a version is to be.</summary>
public sealed record WarmUpWish(string Name, IReadOnlyList<WarmUpPart> Parts, int Version = 0);

/// <summary>How a warm-up is to begin.</summary>
public sealed record OpeningWish(WarmUpSchool School, string Awareness = "", int Minutes = 1);

/// <summary>Asks how parts come out in a sitting of some minutes with some demands.</summary>
public sealed record CutWish(IReadOnlyList<WarmUpPart> Parts, int SittingMinutes = 30, IReadOnlyList<Demands>? Demands = null);

/// <summary>A stretch of a cut warm-up.</summary>
/// <param name="Places">Places of its parts in the version, -1 for the opening.</param>
public sealed record StretchView(IReadOnlyList<int> Places, string Title, int Minutes);

/// <summary>How they come out.</summary>
public sealed record CutView(int Minutes, IReadOnlyList<StretchView> Stretches, IReadOnlyList<string> LeftOut, string Short, string Words);

/// <summary>The warm-up's versions over HTTP.</summary>
public static class WarmUpEndpoints
{
    public static void MapWarmUps(this WebApplication app)
    {
        var group = app.MapGroup("/api/warm-ups").WithTags("Warm-up");
        group
            .MapGet("", async (PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                await AllAsync(db, desk, clock, cancel)
            )
            .WithName("GetWarmUps");
        group
            .MapPost("", async (WarmUpWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
            {
                var row = new WarmUpRow { Version = 1 };
                await WriteAsync(row, wish, db, cancel);
                db.WarmUps.Add(row);
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, desk, clock, cancel);
            })
            .WithName("AddWarmUp");
        group
            .MapPut(
                "/{id:int}",
                async (int id, WarmUpWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
                {
                    var row = await db.WarmUps.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "warm-up");
                    if (row.Version != wish.Version)
                        throw Problems.Stale("This warm-up");
                    await WriteAsync(row, wish, db, cancel);
                    row.Version++;
                    await db.SaveChangesAsync(cancel);
                    return await AllAsync(db, desk, clock, cancel);
                }
            )
            .WithName("ChangeWarmUp");
        group.MapRemoval<WarmUpRow>("/{id:int}", "WarmUp", "warm-up", async (db, _, cancel) =>
        {
            if (await db.WarmUps.CountAsync(cancel) == 1)
                throw new FieldException("id", "The last version stays; make another first.");
        });
        group
            .MapPut("/opening", async (OpeningWish wish, PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                profile.WarmUpSchool = Enum.IsDefined(wish.School)
                    ? wish.School
                    : throw new FieldException("school", "A warm-up begins with EaseIn or Awareness.");
                profile.Awareness = Problems.Text("awareness", wish.Awareness, 500);
                profile.OpeningMinutes = wish.Minutes is >= 0 and <= WarmUpPart.MostMinutes
                    ? wish.Minutes
                    : throw new FieldException("minutes", $"The opening lasts 1 to {WarmUpPart.MostMinutes} minutes, or 0 for none.");
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, desk, clock, cancel);
            })
            .WithName("SetWarmUpOpening");
        group
            .MapPost("/cut", async (CutWish wish, PlanDesk desk, CancellationToken cancel) => Cut(wish, await desk.ProfileAsync(cancel)))
            .WithName("CutWarmUp");
    }

    private static async Task<WarmUpsView> AllAsync(PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        var profile = await desk.ProfileAsync(cancel);
        var today = clock.Today(profile);
        var rows = await db.WarmUps.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel);
        var versions = rows.ConvertAll(row => Bookkeeping.ToCore(row, today));
        var next = versions.MinBy(version => version.LastDay ?? DateOnly.MinValue)?.Id;
        return new WarmUpsView(
            profile.WarmUpSchool,
            profile.Awareness,
            WarmUpOpening.Of(profile.WarmUpSchool, "", isPitched: ProfileBooks.InstrumentOf(profile).IsPitched).How,
            profile.OpeningMinutes,
            [
                .. rows.Zip(versions, (row, version) =>
                    new WarmUpView(
                        row.Id,
                        row.Name,
                        version.Parts,
                        version.LastDay,
                        row.Id == next,
                        version.Minutes(),
                        version.Minutes(coreOnly: true),
                        row.Version
                    )
                ),
            ]
        );
    }

    private static async Task WriteAsync(WarmUpRow row, WarmUpWish wish, PracticeDb db, CancellationToken cancel)
    {
        row.Name = Problems.Text("name", wish.Name, 80);
        Check(row.Name, wish.Parts);
        foreach (var id in wish.Parts.Select(part => part.MaterialId).OfType<int>().Distinct())
        {
            if (!await db.Materials.AnyAsync(material => material.Id == id, cancel))
                throw Problems.Unknown("materialId", "material");
        }

        row.PartsJson = JsonSerializer.Serialize(wish.Parts, Bookkeeping.Json);
    }

    private static void Check(string name, IReadOnlyList<WarmUpPart> parts)
    {
        Problems.Check(new WarmUp(0, name, Problems.Whole("parts", parts)).Check());
        for (var i = 0; i < parts.Count; i++)
        {
            Problems.Text($"parts[{i}].title", parts[i].Title, 120);
            Problems.Text($"parts[{i}].how", parts[i].How, 500);
        }
    }

    private static CutView Cut(CutWish wish, ProfileRow profile)
    {
        if (wish.SittingMinutes is < SittingLength.Least or > SittingLength.Most)
            throw new FieldException("sittingMinutes", $"A sitting lasts {SittingLength.Least} to {SittingLength.Most} minutes.");
        Check("-", wish.Parts);
        var demands = (wish.Demands ?? []).Aggregate(Demands.None, (all, one) => all | one);
        var minutes = SittingLength.WarmUp(wish.SittingMinutes, demands, profile.OpeningMinutes);
        var cut = WarmUpCut.Of(
            new WarmUp(0, "-", wish.Parts),
            profile.OpeningMinutes == 0
                ? null
                : WarmUpOpening.Of(
                    profile.WarmUpSchool,
                    profile.Awareness,
                    profile.OpeningMinutes,
                    isPitched: ProfileBooks.InstrumentOf(profile).IsPitched
                ),
            minutes,
            demands,
            isShort: wish.SittingMinutes < WarmUpOpening.ShortSitting
        );
        return new CutView(
            minutes,
            [
                .. cut.Stretches.Select(stretch => new StretchView(
                    [.. stretch.Parts.Select(pair => pair.Place)],
                    string.Join(" · ", stretch.Parts.Select(pair => pair.Part.Title)),
                    stretch.Minutes
                )),
            ],
            [.. cut.LeftOut.Select(part => part.Title)],
            cut.Short,
            cut.Line
        );
    }
}
