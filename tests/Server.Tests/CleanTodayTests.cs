using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>An exercise has a tempo from the first day, where the player says one.</summary>
public sealed class CleanTodayTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task What_is_clean_today_is_where_the_first_visit_begins()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var told = await app.Post(
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "Figure of mine",
                target = 140,
                cleanAt = 110,
            }
        );
        (await TempoAsync(Id(told))).ShouldBeInRange(95, 118, "not at a third of the target");
        var only = await app.Post(
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "No target yet",
                cleanAt = 72,
            }
        );
        (await TempoAsync(Id(only))).ShouldBeInRange(60, 80);
        var sheet = await app.Post(
            "/api/technique/exercises",
            new
            {
                sheet = new
                {
                    figure = "scale",
                    kind = "major",
                    tonic = "F",
                    octaves = 1,
                    rhythm = "eighth",
                    tempo = 72,
                },
                cleanAt = 72,
            }
        );
        (await TempoAsync(Id(sheet))).ShouldBeInRange(46, 80);
        await app.Refused(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "Too fast",
                cleanAt = 4000,
            },
            "cleanAt"
        );
    }

    /// <summary>The tempo of the first take on the stage.</summary>
    private async Task<int> TempoAsync(int id)
    {
        var today = await app.Get("/api/today");
        today = await app.Post(
            "/api/today/changes",
            new
            {
                version = today["version"]!.GetValue<int>(),
                kind = "Add",
                materialId = id,
                value = 4,
            }
        );
        return today["drills"]!
            .AsArray()
            .Where(drill => (string?)drill!["reason"] == "added by you")
            .SelectMany(drill => drill!["targets"]!.AsArray())
            .Where(target => target!["materialId"]?.GetValue<int>() == id)
            .Select(target => target!["tempo"]?.GetValue<int>())
            .First()!
            .Value;
    }
}
