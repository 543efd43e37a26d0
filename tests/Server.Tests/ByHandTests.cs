using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What the player has changed by hand outlives every wish, and what cannot is named before.</summary>
public sealed class ByHandTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Any_wish_keeps_the_changes_made_by_hand()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var today = await app.Put("/api/today", new { version = 0, minutes = 45 });
        var longer = Of(today, "Technique");
        today = await ChangeAsync(today, "Minutes", longer, value: longer["minutes"]!.GetValue<int>() + 3);
        var gone = Of(today, "Ear");
        today = await ChangeAsync(today, "LeaveOut", gone);
        var moved = Of(today, "Play");
        today = await ChangeAsync(today, "Move", moved, value: 1);
        today["byHand"]!.GetValue<int>().ShouldBe(3);

        foreach (
            var wish in new object[]
            {
                new { purpose = "the joins" },
                new { demands = new[] { "Tired" } },
                new { demands = Array.Empty<string>() },
                new { minutes = 50 },
                new { focus = "none" },
            }
        )
        {
            var body = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(wish))!.AsObject();
            body["version"] = Version(today);
            today = await app.Put("/api/today", body);
            Check(today, longer, gone, moved, body.ToJsonString());
        }

        await app.Post("/api/body", new { tension = 1, pain = false });
        today = await app.Get("/api/today");
        Check(today, longer, gone, moved, "telling the body");
        today = await app.Post("/api/today/anew", new { version = Version(today) });
        Check(today, longer, gone, moved, "planning anew");
        today = await app.Post("/api/today/anew", new { version = Version(today), fromScratch = true });
        today["byHand"]!.GetValue<int>().ShouldBe(0);
        today["drills"]!.AsArray().ShouldContain(drill => (string?)drill!["area"] == "Ear", "from scratch is from scratch");
    }

    [Fact]
    public async Task What_does_not_fit_any_more_is_named_before_it_goes()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var today = await app.Put("/api/today", new { version = 0, minutes = 60 });
        var longer = Of(today, "Technique");
        today = await ChangeAsync(today, "Minutes", longer, value: 30);
        var problem = await app.Send(HttpMethod.Put, "/api/today", new { version = Version(today), minutes = 15 }, 409);
        problem["errors"]!["letGo"]![0]!.GetValue<string>().ShouldContain($"{longer["title"]} (30 minutes) would go");
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(60, "nothing was changed");
        today = await app.Put(
            "/api/today",
            new
            {
                version = Version(today),
                minutes = 15,
                letGo = true,
            }
        );
        today["total"]!.GetValue<int>().ShouldBe(15);
    }

    [Fact]
    public async Task A_change_by_hand_can_be_taken_back()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var before = await app.Get("/api/today");
        var today = await ChangeAsync(before, "LeaveOut", Of(before, "Ear"));
        today = await app.Post("/api/today/back", new { version = Version(today) });
        today["drills"]!.ToJsonString().ShouldBe(before["drills"]!.ToJsonString());
        await app.Refused(HttpMethod.Post, "/api/today/back", new { version = Version(today) }, "version", 409);

        // Another change since: it is not that one which is taken back.
        var left = await ChangeAsync(today, "LeaveOut", Of(today, "Ear"));
        today = await ChangeAsync(left, "Minutes", Of(left, "Technique"), 9);
        await app.Refused(HttpMethod.Post, "/api/today/back", new { version = Version(left) }, "version", 409);
        Text(Of(await app.Get("/api/today"), "Technique"), "title").ShouldBe(Text(Of(today, "Technique"), "title"));
    }

    private static void Check(JsonNode today, JsonNode longer, JsonNode gone, JsonNode moved, string after)
    {
        var drills = today["drills"]!.AsArray();
        drills.First(drill => Text(drill!, "title") == Text(longer, "title"))!["minutes"]!
            .GetValue<int>()
            .ShouldBe(longer["minutes"]!.GetValue<int>() + 3, after);
        drills.ShouldNotContain(drill => Text(drill!, "title") == Text(gone, "title"), after);
        Text(drills[1]!, "title").ShouldBe(Text(moved, "title"), after);
    }

    private Task<JsonNode> ChangeAsync(JsonNode today, string kind, JsonNode drill, int? value = null) =>
        app.Post(
            "/api/today/changes",
            new
            {
                version = Version(today),
                kind,
                drillId = Text(drill, "id"),
                value,
            }
        );

    private static JsonNode Of(JsonNode today, string area) => today["drills"]!.AsArray().First(drill => (string?)drill!["area"] == area)!;

    private static int Version(JsonNode today) => today["version"]!.GetValue<int>();

    private static string Text(JsonNode node, string name) => node[name]!.GetValue<string>();
}
