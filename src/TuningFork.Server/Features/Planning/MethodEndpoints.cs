using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>A method, ours or the player's own.</summary>
/// <param name="OwnId">Its number where the player has defined it; else null.</param>
public sealed record MethodView(
    string Id,
    int? OwnId,
    string Name,
    string How,
    string Records,
    string Fits,
    int Least,
    int Most,
    Course Course,
    int Count,
    IReadOnlyList<Fit> Fit,
    bool Resting,
    int Version
);

/// <summary>What a method of one's own is to be.</summary>
/// <param name="Records">What is recorded, in words.</param>
/// <param name="Leave">When it fits and when to leave it, in words.</param>
/// <param name="Count">How many takes, or minutes without a miss.</param>
/// <param name="Fit">What the planner may use it for.</param>
public sealed record MethodWish(
    string Name,
    string How,
    string Records = "",
    string Leave = "",
    int Least = 2,
    int Most = 5,
    Course Course = Course.FixedCount,
    int Count = 3,
    IReadOnlyList<Fit>? Fit = null,
    bool Resting = false,
    int Version = 0
);

/// <summary>Methods over HTTP.</summary>
public static class MethodEndpoints
{
    public static void MapMethods(this WebApplication app)
    {
        var group = app.MapGroup("/api/methods").WithTags("Methods");
        group.MapGet("", async (PracticeDb db, CancellationToken cancel) => await AllAsync(db, cancel)).WithName("GetMethods");
        group
            .MapPost("", async (MethodWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var row = new MethodRow { Version = 1 };
                Write(row, wish);
                db.Methods.Add(row);
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, cancel);
            })
            .WithName("AddMethod");
        group
            .MapPut("/{id:int}", async (int id, MethodWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var row = await db.Methods.FindAsync([id], cancel) ?? throw Problems.Unknown("id", "method");
                if (row.Version != wish.Version)
                    throw Problems.Stale("This method");
                Write(row, wish);
                row.Version++;
                await db.SaveChangesAsync(cancel);
                return await AllAsync(db, cancel);
            })
            .WithName("ChangeMethod");
        group.MapRemoval<MethodRow>("/{id:int}", "Method", "method");
    }

    public static MethodChoiceView Choice(Method method) =>
        new(method.Id.Name, method.Name, method.How, method.Fits, $"{method.UsualMinutes.Least}–{method.UsualMinutes.Most} min");

    private static void Write(MethodRow row, MethodWish wish)
    {
        row.Name = Problems.Text("name", wish.Name, 60);
        row.How = Problems.Text("how", wish.How, 500);
        row.Records = Problems.Text("records", wish.Records, 120);
        row.Leave = Problems.Text("leave", wish.Leave, 300);
        (row.Least, row.Most, row.Course, row.Resting) = (wish.Least, wish.Most, wish.Course, wish.Resting);
        row.Count = wish.Course is Course.FixedCount or Course.CleanInRow or Course.CleanMinutes ? wish.Count : 0;
        row.Fit = (wish.Fit ?? []).Aggregate(Fit.None, (all, one) => all | one);
        if (row.Leave.Length == 0)
            row.Leave = row.Fit == Fit.None ? "Comes when you choose it." : $"Fits {Words.List([.. Split(row.Fit).Select(Say)])}.";
        Problems.Check(OwnMethods.Check(Bookkeeping.ToCore(row)));
    }

    private static async Task<List<MethodView>> AllAsync(PracticeDb db, CancellationToken cancel)
    {
        var own = await db.Methods.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel);
        return [.. own.Select(row => View(Bookkeeping.ToCore(row), row)), .. Methods.All.Select(method => View(method, null))];
    }

    private static MethodView View(Method method, MethodRow? row) =>
        new(
            method.Id.Name,
            row?.Id,
            method.Name,
            method.How,
            method.Records,
            method.Fits,
            method.UsualMinutes.Least,
            method.UsualMinutes.Most,
            method.Course,
            method.Count,
            Split(method.Fit),
            row?.Resting ?? false,
            row?.Version ?? 0
        );

    private static List<Fit> Split(Fit fit) => [.. Enum.GetValues<Fit>().Where(one => one != Fit.None && (fit & one) != Fit.None)];

    private static string Say(Fit fit) =>
        fit switch
        {
            Fit.Raw => "raw passages",
            Fit.Shaping => "what takes shape",
            Fit.Ready => "what is ready",
            Fit.Stuck => "what is stuck",
            _ => "the weeks before a performance",
        };
}
