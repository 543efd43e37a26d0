using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>A routine comes on the days that are ticked for it.</summary>
public sealed class RoutineDayTests : IDisposable
{
    private static readonly int[] All = [0, 1, 2, 3, 4, 5, 6];
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Ticking_a_day_takes_it_from_the_other_routine_and_says_so()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var own = await app.Post("/api/routines", Tens([]));
        own["taken"]!.GetValue<string>().ShouldBeEmpty();
        var usual = (await app.Get("/api/routines"))[0]!;
        usual["weekdays"]!.AsArray().Count.ShouldBe(7);

        var ticked = await app.Put($"/api/routines/{Id(own)}", Tens([0, 2], own["version"]!.GetValue<int>()));
        ticked["taken"]!.GetValue<string>().ShouldContain(usual["name"]!.GetValue<string>());
        Days(Id(usual), await app.Get("/api/routines")).ShouldBe([1, 3, 4, 5, 6]);
        await app.Put($"/api/routines/{Id(own)}", Tens(All, ticked["version"]!.GetValue<int>()));
        Days(Id(usual), await app.Get("/api/routines")).ShouldBeEmpty();

        for (var day = 1; day <= 7; day++)
        {
            await app.Clock(Evening.AddDays(day));
            var today = await app.Get("/api/today");
            today["routineName"]!.GetValue<string>().ShouldBe("Three tens", $"day {day}");
            today["drills"]!
                .AsArray()
                .Where(drill => drill!["area"] is not null)
                .GroupBy(drill => drill!["block"]!.GetValue<string>())
                .Select(block => (block.Key, block.Sum(drill => drill!["minutes"]!.GetValue<int>())))
                .ShouldBe([("Known", 10), ("Making", 10), ("With music", 10)]);
        }

        // Its names stand on the stage.
        var session = await app.Post("/api/session", new { version = (await app.Get("/api/today"))["version"]!.GetValue<int>() });
        session["drills"]![0]!["block"]!.GetValue<string>().ShouldBe("Known");
    }

    private static object Tens(int[] weekdays, int version = 0) =>
        new
        {
            name = "Three tens",
            interwoven = false,
            weekdays,
            version,
            blocks = new[] { ("Technique", "Known"), ("Play", "Making"), ("Play", "With music") }.Select(block => new
            {
                area = block.Item1,
                least = 2,
                wanted = 5,
                most = 20,
                must = false,
                @fixed = 10,
                name = block.Item2,
            }),
        };

    private static IEnumerable<int> Days(int id, System.Text.Json.Nodes.JsonNode routines) =>
        routines.AsArray().First(one => Id(one!) == id)!["weekdays"]!.AsArray().Select(day => day!.GetValue<int>());
}
