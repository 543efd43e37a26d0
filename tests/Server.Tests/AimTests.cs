using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Goals in weekly steps, and methods of one's own.</summary>
public sealed class AimTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_goal_is_measured_cut_into_weeks_and_shows_where_its_drills_are()
    {
        await app.Clock(Evening);
        var (piece, first, second, exercise) = await app.FirstDay();
        await app.Refused(
            HttpMethod.Post,
            "/api/goals",
            new
            {
                kind = "Ready",
                materialId = piece,
                to = 3,
                until = "2031-06-11",
            },
            "to"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/goals",
            new
            {
                kind = "Ready",
                materialId = piece,
                to = 2,
                until = "2031-05-14",
            },
            "until"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/goals",
            new
            {
                kind = "Keys",
                materialId = exercise,
                to = 2,
                until = "2031-06-11",
            },
            "materialId"
        );
        var goal = (
            await app.Post(
                "/api/goals",
                new
                {
                    kind = "Ready",
                    materialId = piece,
                    to = 2,
                    until = "2031-06-11",
                }
            )
        )[0]!;
        goal["steps"]!
            .AsArray()
            .Select(step => (step!["by"]!.GetValue<string>(), step["value"]!.GetValue<int>()))
            .ShouldBe([("2031-05-28", 1), ("2031-06-11", 2)]);
        var today = await app.Get("/api/today");
        today["drills"]!
            .AsArray()
            .Select(drill => drill!["reason"]!.GetValue<string>())
            .ShouldContain(reason => reason.Contains("goal: 1 passage ready by 28 May", StringComparison.Ordinal));

        // A tempo goal starts at what can be done now, and needs a tempo; past its day it is missed, and can be moved.
        var free = Id(
            await app.Post(
                "/api/technique/made",
                new { title = "Every inversion", work = new { kind = "Inversions", items = new[] { "Cm7" } } }
            )
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/goals",
            new
            {
                kind = "Tempo",
                materialId = free,
                to = 60,
                until = "2031-05-18",
            },
            "materialId"
        );
        var tempo = (
            await app.Post(
                "/api/goals",
                new
                {
                    kind = "Tempo",
                    materialId = exercise,
                    to = 90,
                    until = "2031-05-18",
                }
            )
        ).AsArray().First(one => one!["kind"]!.GetValue<string>() == "Tempo")!;
        tempo["from"]!.GetValue<int>().ShouldBeGreaterThan(40);
        await app.Clock(Evening.AddDays(15));
        var missed = (await app.Get("/api/goals"))[0]!;
        missed["state"]!.GetValue<string>().ShouldBe("Missed");
        await app.Put(
            $"/api/goals/{Id(missed)}",
            new
            {
                kind = "Tempo",
                materialId = exercise,
                to = 90,
                until = "2031-07-18",
                version = 1,
            }
        );
        (await app.Get("/api/goals")).AsArray().ShouldAllBe(one => one!["state"]!.GetValue<string>() == "UnderWay");
        (await Goal())["behind"]!.GetValue<bool>().ShouldBeTrue();
        foreach (var passage in new[] { first, second })
            await app.Put($"/api/pieces/passages/{passage}/rating", new { readiness = "Ready" });
        ((await Goal())["now"]!.GetValue<int>(), (string?)(await Goal())["reached"]).ShouldBe((2, "2031-05-29"));
        (await app.Get("/api/today"))["drills"]!.ToJsonString().ShouldNotContain("goal: 1 passage");

        async Task<JsonNode> Goal() => (await app.Get("/api/goals"))[0]!;
    }

    [Fact]
    public async Task A_method_of_ones_own_is_chosen_and_played_like_any_other()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Refused(HttpMethod.Post, "/api/methods", new { name = "", how = "x" }, "name");
        await app.Refused(
            HttpMethod.Post,
            "/api/methods",
            new
            {
                name = "Whisper",
                how = "So soft that nobody hears it.",
                course = "Rounds",
            },
            "course"
        );
        var own = (
            await app.Post(
                "/api/methods",
                new
                {
                    name = "Whisper",
                    how = "So soft that nobody hears it. Then once aloud.",
                    course = "FixedCount",
                    count = 2,
                    fit = new[] { "Raw", "Shaping" },
                }
            )
        )[0]!;
        own["fits"]!.GetValue<string>().ShouldBe("Fits raw passages and what takes shape.");

        var today = await app.Get("/api/today");
        var drill = (string?)
            today["drills"]!.AsArray().First(one => (string?)one!["area"] == "Technique" && (string?)one["title"] == "C major")!["id"];
        (await app.Get($"/api/today/drills/{drill}/methods")).AsArray().Select(one => (string?)one!["name"]).ShouldContain("Whisper");
        today = await app.Post(
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Method",
                drillId = drill,
                methodId = (string?)own["id"],
            }
        );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            (string?)now["drills"]![now["position"]!.GetValue<int>()]!["method"] == "Whisper"
        );
        session["cue"]!["sentence"]!.GetValue<string>().ShouldStartWith("So soft that nobody hears it.");
        session["cue"]!["count"]!.GetValue<string>().ShouldBe("take 1 of 2");

        // Removed, it stays in the session that is under way.
        await app.Send(HttpMethod.Delete, $"/api/methods/{own["ownId"]!.GetValue<int>()}", null, 200);
        session = await app.Act(session, "Clean");
        session["cue"]!["count"]!.GetValue<string>().ShouldBe("take 2 of 2");
    }
}
