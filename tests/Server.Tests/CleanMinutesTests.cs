using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Minutes without a miss, by the clock.</summary>
public sealed class CleanMinutesTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task One_press_begins_only_misses_are_pressed_and_whole_rounds_are_clean_takes()
    {
        var session = await Begun();
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        From(session).ShouldBeNull();
        session = await At(session, 5, "Clean");
        From(session).ShouldBe(5);
        for (var press = 0; press < 7; press++)
            session = await At(session, 6, "Clean");
        (Takes(session), From(session)).ShouldBe((0, 5), "quick presses count for nothing");

        session = await At(session, 70, "Missed");
        var (rounds, clean) = (Takes(session) - 1, Clean(session));
        rounds.ShouldBeGreaterThan(2, "65 seconds of some bars");
        clean.ShouldBe(rounds);
        (From(session), session["target"]!["tempo"]!.GetValue<int>()).ShouldBe(
            (78, tempo - 3),
            "a step slower, and anew after the silence and the bar counted in"
        );

        // It was no miss after all: the stretch goes on.
        session = await At(session, 71, "Undo");
        (From(session), Takes(session), session["target"]!["tempo"]!.GetValue<int>()).ShouldBe((5, 0, tempo));

        // Two minutes are through by the clock, without a press.
        await app.Clock(Evening.AddMinutes(3));
        var place = session["position"]!.GetValue<int>();
        var pulse = await app.Post(
            "/api/session/pulse",
            new
            {
                sessionId = Id(session),
                position = place,
                playedSeconds = 125,
            }
        );
        pulse["position"]!.GetValue<int>().ShouldBe(place + 1);
        session = await app.Get("/api/session");
        var drill = session["drills"]![place]!;
        ((string?)drill["state"], drill["cleanTakes"]!.GetValue<int>()).ShouldBe(("Done", drill["takes"]!.GetValue<int>()));
        var history = await app.Get($"/api/materials/{app.Number("select MaterialId from Visits where LongestClean > 0")}/tempo");
        (history["longest"]!["seconds"]!.GetValue<int>(), (string?)history["longest"]!["day"]).ShouldBe((120, $"{Evening:yyyy-MM-dd}"));
    }

    /// <summary>The stage at a drill of two minutes without a miss.</summary>
    private async Task<JsonNode> Begun()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        await app.Send(HttpMethod.Delete, $"/api/materials/{first}", null, 200);
        var today = await app.Get("/api/today");
        var drill = today["drills"]!
            .AsArray()
            .FirstOrDefault(one => one!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == second))!;
        foreach (var (kind, method, value) in new[] { ("Method", "clean-minutes", (int?)null), ("Times", null, 2), ("Minutes", null, 6) })
            today = await app.Post(
                "/api/today/changes",
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind,
                    drillId = (string?)drill["id"],
                    methodId = method,
                    value,
                }
            );
        today["drills"]!.AsArray().ShouldContain(one => (string?)one!["method"] == "2 minutes without a miss");
        var session = await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            now["cue"]!["loop"] is not null
        );
        await app.Clock(Evening.AddMinutes(2));
        return session;
    }

    private async Task<JsonNode> At(JsonNode session, double seconds, string kind) => await app.Act(session, kind, seconds);

    private static double? From(JsonNode session) => (double?)session["cue"]!["loop"]!["fromSeconds"];

    private static int Takes(JsonNode session) => session["drills"]![session["position"]!.GetValue<int>()]!["takes"]!.GetValue<int>();

    private static int Clean(JsonNode session) => session["drills"]![session["position"]!.GetValue<int>()]!["cleanTakes"]!.GetValue<int>();
}
