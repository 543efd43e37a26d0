using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Three misses running: slower, half of the bars, or something else first.</summary>
public sealed class HelpTests : IDisposable
{
    private readonly App app = new();
    private int passage;

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Slower_is_slower_and_asked_once()
    {
        var session = await MissedThrice();
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        session["cue"]!["help"]!["materialId"]!.GetValue<int>().ShouldBe(passage);
        session = await app.Act(session, "Help", value: 1);
        session["cue"]!["help"].ShouldBeNull();
        session["target"]!["tempo"]!.GetValue<int>().ShouldBeLessThan(tempo);
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Help", value: 7), "value");
    }

    [Fact]
    public async Task Half_of_the_bars_becomes_a_passage_and_is_played_at_once()
    {
        var session = await app.Act(await MissedThrice(), "Help", value: 2);
        var half = session["target"]!["materialId"]!.GetValue<int>();
        half.ShouldNotBe(passage);
        ((string?)session["cue"]!["title"]).ShouldBe("Mill Song, 3");
        ((string?)session["cue"]!["sentence"])!.ShouldEndWith("Stop after bar 3.");
        await app.Act(session, "Clean");
        await app.Close();
        var materials = (await app.Get("/api/materials")).AsArray();
        var kept = materials.Single(row => (int?)row!["id"] == half)!;
        (kept["fromBar"]!.GetValue<int>(), kept["toBar"]!.GetValue<int>()).ShouldBe((3, 3));
    }

    [Fact]
    public async Task Something_else_is_a_break_and_the_drill_goes_on_after_it_with_results_of_its_own()
    {
        var session = await MissedThrice();
        var (place, count, planned) = (Position(session), session["drills"]!.AsArray().Count, session["plannedMinutes"]!.GetValue<int>());
        var title = (string?)session["drills"]![place]!["title"];
        session = await app.Act(session, "Help", seconds: 40, value: 3);
        Position(session).ShouldBe(place + 1);
        session["drills"]!.AsArray().Count.ShouldBe(count + 2);
        (session["drills"]![place + 1]!["area"], session["drills"]![place + 1]!["minutes"]!.GetValue<int>()).ShouldBe((null, 3));
        session["plannedMinutes"]!.GetValue<int>().ShouldBe(planned + 3);
        session = await app.Act(session, "Done");
        ((string?)session["drills"]![Position(session)]!["title"]).ShouldBe(title);
        session["cue"]!["help"].ShouldBeNull("it begins anew");
        session = await app.Act(session, "Clean");
        session["drills"]!
            .AsArray()
            .Where(drill => (string?)drill!["title"] == title)
            .Select(drill => (drill!["takes"]!.GetValue<int>(), drill["cleanTakes"]!.GetValue<int>()))
            .Take(2)
            .ShouldBe([(3, 0), (1, 1)], "both results are kept");
        await app.Close();
    }

    private async Task<JsonNode> MissedThrice()
    {
        await app.Clock(Evening);
        (_, passage, var second, _) = await app.FirstDay();
        await app.Send(HttpMethod.Delete, $"/api/materials/{second}", null, 200);
        var today = await app.Get("/api/today");
        var drill = today["drills"]!
            .AsArray()
            .First(one => one!["targets"]!.AsArray().Any(target => (string?)target!["key"] == $"m:{passage}"))!;
        if ((string?)drill["methodId"] != "clean-in-row")
            today = await app.Post(
                "/api/today/changes",
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind = "Method",
                    drillId = (string?)drill["id"],
                    methodId = "clean-in-row",
                }
            );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            (int?)now["target"]?["materialId"] == passage && (string?)now["drills"]![Position(now)]!["method"] == "three clean in a row"
        );
        await app.Clock(Evening.AddMinutes(1));
        for (var miss = 0; miss < 3; miss++)
            session = await app.Act(session, "Missed");
        return session;
    }

    private static int Position(JsonNode session) => session["position"]!.GetValue<int>();
}
