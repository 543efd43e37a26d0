using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What was written about a thing comes back with the thing, until it is settled.</summary>
public sealed class WrittenLastTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task The_last_line_stands_in_the_row_and_on_the_stage_until_it_is_settled()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        await Write(first, "thumb too late");
        await Write(first, "breathe before bar 3");
        var today = await app.Get("/api/today");
        Lines(today).ShouldBe(["breathe before bar 3"], "only the last line");

        // What is written in this session comes back in the next.
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            (int?)now["target"]?["materialId"] == first
        );
        await Write(first, "better with the elbow in", Id(session));
        session = await app.Get("/api/session");
        ((string?)session["written"]!["text"], (string?)session["written"]!["day"]).ShouldBe(
            ("breathe before bar 3", $"{Evening:yyyy-MM-dd}")
        );

        // One key settles it, and takes that back.
        var line = session["written"]!["entryId"]!.GetValue<int>();
        session = await app.Act(session, "Settle", value: line);
        session["written"]!["settled"]!.GetValue<bool>().ShouldBeTrue();
        session = await app.Act(session, "Settle", value: line);
        session["written"]!["settled"]!.GetValue<bool>().ShouldBeFalse();
        await app.Close();

        await app.Clock(Evening.AddDays(1));
        today = await app.Get("/api/today");
        Lines(today).ShouldBe(["better with the elbow in"]);
        var id = today["drills"]!.AsArray().SelectMany(drill => drill!["written"]!.AsArray()).First()!["entryId"]!.GetValue<int>();
        await app.Put($"/api/journal/{id}/settled", new { settled = true });
        Lines(await app.Get("/api/today")).ShouldBeEmpty("settled is settled: what stood before does not come up again");
        await app.Refused(HttpMethod.Put, "/api/journal/99999/settled", new { settled = true }, "id", 404);
    }

    [Fact]
    public async Task A_line_about_a_part_of_the_warm_up_comes_back_with_that_part()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            now["target"]?["materialId"] is null && (string?)now["drills"]![now["position"]!.GetValue<int>()]!["area"] == "WarmUp"
        );
        var place = session["position"]!.GetValue<int>();
        var title = (string?)session["drills"]![place]!["title"];
        await app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text = "left shoulder up",
                sessionId = Id(session),
                position = place,
            }
        );
        await app.Close();
        // The versions of the warm-up take turns: within some days the part is there again.
        var came = new List<string>();
        for (var day = 1; day <= 5; day++)
        {
            await app.Clock(Evening.AddDays(day));
            var drills = (await app.Get("/api/today"))["drills"]!.AsArray();
            came.AddRange(drills.Where(drill => drill!["written"]!.AsArray().Count > 0).Select(drill => (string)drill!["title"]!));
        }

        came.ShouldNotBeEmpty();
        came.ShouldAllBe(one => one == title);
    }

    [Fact]
    public async Task One_key_asks_for_the_thing_at_hand_tomorrow_and_the_journal_says_when_a_sitting_was()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        await app.Send(HttpMethod.Delete, $"/api/materials/{second}", null, 200);
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            (int?)now["target"]?["materialId"] == first
        );
        session = await app.Act(session, "Tomorrow");
        ((string?)session["forTomorrow"]).ShouldBe("Mill Song, 3–4");
        ((string?)(await app.Act(session, "Tomorrow"))["forTomorrow"]).ShouldBe("", "pressed again it is taken back");
        await app.Act(session, "Tomorrow");
        await app.Clock(Evening.AddMinutes(20));
        await app.Close();
        var sitting = (await app.Get("/api/journal"))["days"]![0]!["sittings"]![0]!;
        // With its zone, so that nobody takes the time of Greenwich for the player's.
        foreach (var (name, minutes) in new[] { ("startedUtc", 0), ("endedUtc", 20) })
        {
            var said = (string)sitting[name]!;
            said.ShouldStartWith($"{Evening.AddMinutes(minutes).UtcDateTime:yyyy-MM-ddTHH:mm}");
            said.ShouldEndWith("Z");
        }

        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["drills"]!
            .AsArray()
            .ShouldContain(drill => drill!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == first));
    }

    private Task<JsonNode> Write(int material, string text, int? session = null) =>
        app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text,
                materialId = material,
                sessionId = session,
            }
        );

    private static List<string> Lines(JsonNode today) =>
        [.. today["drills"]!.AsArray().SelectMany(drill => drill!["written"]!.AsArray()).Select(line => (string)line!["text"]!).Distinct()];
}
