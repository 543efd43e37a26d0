using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What can be pressed on the stage, and what it leaves behind.</summary>
public sealed class StageTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Theory]
    [InlineData("Ear")]
    [InlineData("WarmUp")]
    [InlineData("Play")]
    public async Task Anything_can_be_asked_for_tomorrow_and_is_asked_for_once(string area)
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var drill = session["drills"]!.AsArray().First(one => (string?)one!["area"] == area)!;
        var title = drill["title"]!.GetValue<string>();
        drill["canAsk"]!.GetValue<bool>().ShouldBeTrue();
        await app.Close(tomorrow: [drill["position"]!.GetValue<int>()]);

        await app.Clock(Evening.AddDays(1));
        var asked = Asked(await app.Get("/api/today"));
        asked.ShouldBe([title]);
        session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now => Title(now) == title);
        await app.Clock(Evening.AddDays(1).AddSeconds(40));
        await app.Act(session, "Done", 40);
        await app.Close();
        await app.Clock(Evening.AddDays(2));
        Asked(await app.Get("/api/today")).ShouldBeEmpty();
    }

    [Fact]
    public async Task Going_back_opens_a_drill_again_with_time_and_without_the_take_that_ended_it()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            Method(now) is "three clean in a row" or "six times, slowly"
        );
        var position = session["position"]!.GetValue<int>();
        var planned = session["drills"]!.AsArray().Sum(drill => drill!["allowedSeconds"]!.GetValue<int>());
        while (session["position"]!.GetValue<int>() == position)
            session = await app.Act(session, "Clean");
        var ended = Drill(session, position);
        session["drills"]!
            .AsArray()
            .Sum(drill => drill!["allowedSeconds"]!.GetValue<int>())
            .ShouldBe(planned, "time that is left is passed on, not added");
        session = await app.Act(session, "Back");
        session["position"]!.GetValue<int>().ShouldBe(position);
        Drill(session, position)["takes"]!.GetValue<int>().ShouldBe(ended["takes"]!.GetValue<int>() - 1);
        session["cue"]!["complete"]!.GetValue<bool>().ShouldBeFalse();

        // A drill whose time was up gets a minute more.
        var allowed = Drill(session, position)["allowedSeconds"]!.GetValue<int>();
        await app.Clock(Evening.AddSeconds(allowed + 10));
        session = await app.Act(session, "Done", allowed);
        session = await app.Act(session, "Back", 0);
        var again = Drill(session, position);
        (again["allowedSeconds"]!.GetValue<int>() - again["playedSeconds"]!.GetValue<double>()).ShouldBe(60, 1);
    }

    [Fact]
    public async Task Examples_that_were_seen_are_not_unseen_any_more_even_when_nobody_marked_them()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Put("/api/reading/source", new { source = "Books" });
        var book = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Book",
                    title = "Small Tunes",
                    examples = 200,
                    nextExample = 11,
                    perDay = 2,
                }
            )
        );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now => Method(now) == "unseen, in time");
        await app.Clock(Evening.AddSeconds(125));
        await app.Act(session, "Done", 125);
        var next = (await app.Get("/api/materials")).AsArray().First(one => Id(one!) == book)!["nextExample"]!.GetValue<int>();
        next.ShouldBe(13, "two minutes are two examples");
    }

    [Fact]
    public async Task Two_windows_on_one_session_see_one_truth()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var here = await app.Post("/api/session", new { version = 0 });
        var there = await app.Post("/api/session", new { version = 0 });
        Id(there).ShouldBe(Id(here));
        here = await app.Act(here, "Skip");
        // The other window still shows the first drill: what it sends for it changes nothing, the answer shows where one is.
        there = await app.Act(there, "Skip");
        there["position"]!.GetValue<int>().ShouldBe(here["position"]!.GetValue<int>());
        there["drills"]!.AsArray().Count(drill => (string?)drill!["state"] == "Skipped").ShouldBe(1);
    }

    [Fact]
    public async Task Tempo_time_and_takes_follow_what_is_pressed()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            now["target"]?["tempo"] is not null && now["cue"]!["countsTakes"]!.GetValue<bool>()
        );
        var position = session["position"]!.GetValue<int>();
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        session = await app.Act(session, "Nudge", value: 7);
        session["target"]!["tempo"]!.GetValue<int>().ShouldBe(tempo + 7);
        var allowed = Drill(session, position)["allowedSeconds"]!.GetValue<int>();
        session = await app.Act(session, "Extend");
        session = await app.Act(session, "Extend");
        Drill(session, position)["allowedSeconds"]!.GetValue<int>().ShouldBe(allowed + 120, "a minute more each time");
        var material = session["target"]!["materialId"]!.GetValue<int>();
        await app.Act(session, "Clean");
        var history = await app.Get($"/api/materials/{material}/history");
        history["visits"]![0]!["clean"]!.GetValue<int>().ShouldBe(tempo + 7, "the take is kept at the tempo it had");
        for (var more = 3; more <= 60; more++)
            session = await app.Act(session, "Extend");
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Extend"), "kind");
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Nudge", value: 500), "value");
    }

    [Fact]
    public async Task Ear_questions_come_with_their_tones_and_are_counted()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        // A round by name is swapped for what is sung.
        var today = await app.Get("/api/today");
        var round = today["drills"]!.AsArray().First(drill => (string?)drill!["methodId"] == "ear-round")!;
        var swap = new
        {
            version = (int)today["version"]!,
            kind = "Swap",
            drillId = (string?)round["id"],
        };
        today = await app.Post("/api/today/changes", swap);
        var session = await app.Post("/api/session", new { version = (int)today["version"]! });
        session = await app.SkipTo(session, now => now["question"] is not null);
        var first = session["question"]!.ToJsonString();
        session["question"]!["answer"]!.AsArray().ShouldNotBeEmpty();
        session = await app.Act(session, "Missed");
        session["cue"]!["count"]!.GetValue<string>().ShouldBe("0 of 1 right");
        session = await app.Act(session, "Clean");
        session["cue"]!["count"]!.GetValue<string>().ShouldBe("1 of 2 right");
        session["question"]!.ToJsonString().ShouldNotBe(first);
        session = await app.Act(session, "Undo");
        session = await app.Act(session, "Undo");
        session["question"]!.ToJsonString().ShouldBe(first, "the same question comes again");
    }

    private static List<string> Asked(JsonNode today) =>
        [
            .. today["drills"]!
                .AsArray()
                .Where(drill => (string?)drill!["reason"] == "you asked for it")
                .Select(drill => drill!["title"]!.GetValue<string>()),
        ];

    private static JsonNode Drill(JsonNode session, int position) => session["drills"]!.AsArray()[position]!;

    private static string? Method(JsonNode session) => (string?)Drill(session, session["position"]!.GetValue<int>())["method"];

    private static string? Title(JsonNode session) => (string?)Drill(session, session["position"]!.GetValue<int>())["title"];
}
