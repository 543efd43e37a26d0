using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Spare minutes: done in passing, counted apart, and never the first test of a day.</summary>
public sealed class SpareTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task One_done_in_passing_is_no_visit_of_today_and_the_evening_still_tests_it()
    {
        var id = await PlayedYesterday();
        var spare = await app.Get("/api/spare");
        spare["thing"]!["kind"]!.ToString().ShouldBe("Passage");
        var thing = spare["thing"]!["key"]!.ToString();
        id = spare["thing"]!["materialId"]!.GetValue<int>();
        var plan = Planned(await app.Get("/api/today"), id);
        var key = Guid.NewGuid();
        var after = await app.Post(
            "/api/spare",
            new
            {
                id = key,
                thing,
                right = true,
            }
        );
        await app.Post(
            "/api/spare",
            new
            {
                id = key,
                thing,
                right = true,
            }
        );
        (after["today"]!.GetValue<int>(), app.Count("Spares")).ShouldBe((1, 1), "sent twice it counts once");
        after["thing"]!["key"]!.ToString().ShouldNotBe(thing, "things take turns");
        Planned(await app.Get("/api/today"), id).ShouldBe(plan, "the evening's plan has it as before");
        var stability = app.Number($"select count(*) from Visits where MaterialId={id} and Grade is null");
        stability.ShouldBe(1, "nothing was tested");

        // The evening's first take is the test.
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == id);
        await app.Act(session, "Missed", seconds: 30);
        app.Number($"select count(*) from Visits where MaterialId={id} and Day='{Evening.AddDays(1):yyyy-MM-dd}' and Grade='Again'")
            .ShouldBe(1);
        await app.Refused(HttpMethod.Delete, "/api/spare/last", new { }, "last", 409);
        await app.Close();
    }

    [Fact]
    public async Task The_last_one_is_taken_back_with_what_it_left()
    {
        await PlayedYesterday();
        var before = app.Count("Visits");
        var thing = (await app.Get("/api/spare"))["thing"]!["key"]!.ToString();
        await app.Post(
            "/api/spare",
            new
            {
                id = Guid.NewGuid(),
                thing,
                right = false,
            }
        );
        app.Count("Visits").ShouldBe(before + 1);
        (await app.Send(HttpMethod.Delete, "/api/spare/last", null, 200))["today"]!.GetValue<int>().ShouldBe(0);
        app.Count("Visits").ShouldBe(before);
        await app.Refused(HttpMethod.Delete, "/api/spare/last", new { }, "last", 409);
    }

    [Fact]
    public async Task Today_says_how_many_wait_and_away_there_is_something_without_the_instrument()
    {
        await PlayedYesterday();
        await app.Put(
            "/api/spare",
            new
            {
                aDay = 4,
                from = "08:00",
                until = "22:00",
            }
        );
        (await app.Get("/api/today"))["spareWaiting"]!.GetValue<int>().ShouldBe((await app.Get("/api/spare"))["waiting"]!.GetValue<int>());
        var away = await app.Get("/api/spare?away=true");
        away["thing"]!["kind"]!.ToString().ShouldBe("Ear");
        (await app.Get("/api/spare?away=true&skip=ear"))["thing"]!["kind"]!.ToString().ShouldBe("Look");
        await app.Put(
            "/api/spare",
            new
            {
                aDay = 0,
                from = "08:00",
                until = "22:00",
            }
        );
        (await app.Get("/api/today"))["spareWaiting"]!.GetValue<int>().ShouldBe(0);
        await app.Refused(
            HttpMethod.Put,
            "/api/spare",
            new
            {
                aDay = 9,
                from = "08:00",
                until = "22:00",
            },
            "aDay"
        );
        await app.Refused(
            HttpMethod.Put,
            "/api/spare",
            new
            {
                aDay = 3,
                from = "8 am",
                until = "22:00",
            },
            "from"
        );
        await app.Refused(
            HttpMethod.Put,
            "/api/spare",
            new
            {
                aDay = 3,
                from = "22:00",
                until = "08:00",
            },
            "until"
        );
        await app.Refused(HttpMethod.Post, "/api/spare", new { id = Guid.NewGuid(), thing = "m:9999" }, "thing", 404);
    }

    private static bool Planned(JsonNode today, int id) =>
        today["drills"]!.AsArray().SelectMany(drill => drill!["targets"]!.AsArray()).Any(target => (int?)target!["materialId"] == id);

    /// <summary>A passage that was played yesterday, and the next day.</summary>
    private async Task<int> PlayedYesterday()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        await app.Act(session, "Missed", seconds: 30);
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        return first;
    }
}
