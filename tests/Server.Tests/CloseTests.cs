using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What is asked at the close of a sitting.</summary>
public sealed class CloseTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task How_fast_something_without_a_target_should_go_is_asked_once_and_a_close_sent_twice_asks_the_same()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var piece = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Mill Song",
                    toBar = 24,
                }
            )
        );
        var passage = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Passage",
                    pieceId = piece,
                    fromBar = 3,
                    toBar = 4,
                    readiness = "Shaping",
                }
            )
        );
        var close = await PlayAsync(passage);
        var asked = await app.Post("/api/session/close", close);
        var question = asked["targets"]!.AsArray().ShouldHaveSingleItem()!;
        (question["materialId"]!.GetValue<int>(), question["title"]!.GetValue<string>()).ShouldBe((piece, "Mill Song"));
        question["proposed"]!.GetValue<int>().ShouldBeGreaterThan(question["now"]!.GetValue<int>());
        (await app.Post("/api/session/close", close)).ToJsonString().ShouldBe(asked.ToJsonString());

        await app.Clock(Evening.AddDays(1));
        (await app.Post("/api/session/close", await PlayAsync(passage)))["targets"]!.AsArray().ShouldBeEmpty("it is asked once");

        await app.Refused(HttpMethod.Put, $"/api/materials/{piece}/target", new { target = 999 }, "target");
        await app.Put($"/api/materials/{piece}/target", new { target = 96 });
        (await app.Get($"/api/materials/{passage}/tempo"))["target"]!.GetValue<int>().ShouldBe(96);
    }

    [Fact]
    public async Task A_tempo_in_the_music_is_proposed_as_the_target_on_the_piece_and_at_the_close()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var piece = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Mill Song",
                    toBar = 2,
                    beat = "half",
                }
            )
        );
        var passage = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Passage",
                    pieceId = piece,
                    fromBar = 1,
                    toBar = 2,
                    readiness = "Shaping",
                }
            )
        );
        (await app.Get($"/api/pieces/{piece}"))["proposed"].ShouldBeNull("it has no music");
        await app.Put($"/api/pieces/{piece}/music", new { abc = "X:1\nT:Mill Song\nM:4/4\nL:1/4\nQ:1/4=152\nK:C\ncdef|g2c2|\n" });

        var proposed = (await app.Get($"/api/pieces/{piece}"))["proposed"]!;
        (proposed["tempo"]!.GetValue<int>(), proposed["marked"]!.GetValue<bool>()).ShouldBe((76, true));
        (await app.Post("/api/session/close", await PlayAsync(passage)))["targets"]!.AsArray().ShouldHaveSingleItem()!["proposed"]!
            .GetValue<int>()
            .ShouldBe(76);

        await app.Put($"/api/materials/{piece}/target", new { target = 72 });
        (await app.Get($"/api/pieces/{piece}"))["proposed"].ShouldBeNull("it has a target");
    }

    /// <summary>Six slow takes end a drill of several minutes: what no later drill can use is nobody's debt.</summary>
    [Fact]
    public async Task Minutes_that_the_plan_itself_lost_are_kept_as_such()
    {
        const string Lost = "select coalesce(sum(\"LostSeconds\"), 0) from \"SessionDrills\"";
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        await app.Post(
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "C major",
                target = 100,
            }
        );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), one =>
            one["target"]?["title"]?.GetValue<string>() == "C major" && one["cue"]!["countsTakes"]!.GetValue<bool>()
        );
        app.Number(Lost).ShouldBe(0);
        for (var take = 1; take <= 6 && session["target"]?["title"]?.GetValue<string>() == "C major"; take++)
            session = await app.Act(session, "Clean", take);
        app.Number(Lost).ShouldBeGreaterThan(60);
    }

    private async Task<object> PlayAsync(int passage)
    {
        var session = await app.Post("/api/session", new { version = 0 });
        session = await app.SkipTo(session, one =>
            one["target"]?["materialId"]?.GetValue<int>() == passage && one["cue"]!["countsTakes"]!.GetValue<bool>()
        );
        session = await app.Act(session, "Clean", 30);
        return new { id = Guid.NewGuid(), sessionId = Id(session) };
    }

    [Fact]
    public async Task Of_rounds_one_passage_alone_is_asked_for_tomorrow()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var drill = session["drills"]!
            .AsArray()
            .First(one => one!["things"]!.AsArray().Any(thing => (string?)thing!["key"] == $"m:{second}"))!;
        drill["things"]!
            .AsArray()
            .Select(thing => (string?)thing!["title"])
            .ShouldBe(["Mill Song, 3–4", "Mill Song, 9"], ignoreOrder: true);
        await app.SkipTo(session, now => now["cue"] is null);
        object Close(string key) =>
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                tomorrowKeys = new[] { key },
            };
        await app.Refused(HttpMethod.Post, "/api/session/close", Close("m:999"), "tomorrowKeys", 404);
        await app.Post("/api/session/close", Close($"m:{second}"));
        app.Number($"select count(*) from Materials where AskedFor = '{Evening.AddDays(1):yyyy-MM-dd}' and Id = {second}").ShouldBe(1);
        app.Number($"select count(*) from Materials where AskedFor is not null and Id = {first}").ShouldBe(0);
    }
}
