using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Whole days, driven over HTTP as anybody could with curl.</summary>
public sealed class DayTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_day_is_planned_played_and_written_down_and_tomorrow_is_different_because_of_it()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var today = await app.Get("/api/today");
        today["total"]!.GetValue<int>().ShouldBe(30);
        today["drills"]!.AsArray().ShouldContain(drill => drill!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == first));

        await PlayAll(today, clean: position => position % 2 == 0);
        var close = await app.Close("The mill turned.", []);
        close["playedMinutes"]!.GetValue<double>().ShouldBeGreaterThan(6);

        var again = await app.Get("/api/today");
        again["playedToday"]!.GetValue<double>().ShouldBe(close["playedMinutes"]!.GetValue<double>(), 0.2);
        var journal = await app.Get("/api/journal?search=mill+turned");
        journal["days"]![0]!["entries"]![0]!["text"]!.GetValue<string>().ShouldBe("The mill turned.");
        var begun = TimeZoneInfo.ConvertTime(Evening, TimeZoneInfo.Local);
        var then = (await app.Get($"/api/journal?search={begun:HH:mm}"))["days"]!.AsArray().ShouldHaveSingleItem()!;
        then["sittings"]!.AsArray().Count.ShouldBe(1);
        (await app.Get($"/api/journal?search={begun.AddHours(-1):HH:mm}"))["days"]!.AsArray().ShouldBeEmpty();

        await app.Clock(Evening.AddDays(1));
        var tomorrow = await app.Get("/api/today");
        tomorrow["day"]!.GetValue<string>().ShouldBe("2031-05-15");
        Reasons(tomorrow).ShouldNotBe(Reasons(today));
        Reasons(tomorrow).ShouldContain("yesterday");
    }

    [Fact]
    public async Task Seconds_count_once_however_often_and_from_wherever_they_are_reported()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Post("/api/session", new { version = 0 });
        await app.Clock(Evening.AddSeconds(60));
        (await Pulse(60)).ShouldBe(60, 0.1);
        (await Pulse(60)).ShouldBe(60, 0.1);
        (await Pulse(45)).ShouldBe(60, 0.1);

        // Far ahead of the clock: a lid was closed, or somebody invents minutes.
        (await Pulse(900)).ShouldBeLessThan(67);

        // The clock set back an hour neither loses nor doubles anything.
        await app.Clock(Evening.AddHours(-1));
        var before = await Pulse(60);
        (await Pulse(before + 1)).ShouldBe(before + 1, 0.1);
        await app.Clock(Evening.AddHours(-1).AddSeconds(30));
        (await Pulse(before + 31)).ShouldBe(before + 31, 0.6);

        // Paused: nothing runs.
        await Act("Pause", 0, before + 31);
        await app.Clock(Evening.AddHours(2));
        (await Pulse(before + 400)).ShouldBe(before + 31, 0.6);
        await Act("Resume", 0, before + 400);
        (await Pulse(before + 400)).ShouldBeLessThan(before + 40);
    }

    [Fact]
    public async Task A_session_across_the_day_boundary_belongs_to_the_day_it_began()
    {
        var late = new DateTimeOffset(
            2031,
            5,
            15,
            3,
            50,
            0,
            TimeZoneInfo.Local.GetUtcOffset(new DateTime(2031, 5, 15, 3, 50, 0, DateTimeKind.Unspecified))
        );
        await app.Clock(late);
        await app.FirstDay();
        (await app.Get("/api/today"))["day"]!.GetValue<string>().ShouldBe("2031-05-14");
        await app.Post("/api/session", new { version = 0 });
        await app.Clock(late.AddMinutes(20));
        await Pulse(120);
        var session = await app.Get("/api/session");
        session["day"]!.GetValue<string>().ShouldBe("2031-05-14");
        await app.Close();
        (await app.Get("/api/today"))["day"]!.GetValue<string>().ShouldBe("2031-05-15");
        (await app.Get("/api/today"))["playedToday"]!.GetValue<double>().ShouldBe(0);
        (await app.Get("/api/journal"))["days"]![0]!["playedMinutes"]!.GetValue<double>().ShouldBe(2);
    }

    [Fact]
    public async Task A_take_sent_twice_counts_once_and_can_be_taken_back()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        session = await app.SkipTo(session, now =>
            now["cue"]!["countsTakes"]!.GetValue<bool>()
            && (int?)now["target"]?["materialId"] is { } material
            && (material == first || material == second)
        );
        var position = session["position"]!.GetValue<int>();
        var id = Guid.NewGuid();
        await Act("Missed", position, 5, id);
        var once = await Act("Missed", position, 5, id);
        Drill(once, position)["takes"]!.GetValue<int>().ShouldBe(1);
        var back = await Act("Undo", position, 6);
        Drill(back, position)["takes"]!.GetValue<int>().ShouldBe(0);
        foreach (var material in new[] { first, second })
            (await app.Get($"/api/materials/{material}/history"))["visits"]!
                .AsArray()
                .ShouldBeEmpty("a visit whose only take was taken back never was");
    }

    [Fact]
    public async Task Pain_turns_the_plan_quiet_and_tomorrow_asks_first()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Post("/api/session", new { version = 0 });
        var close = await app.Post(
            "/api/session/close",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(await app.Get("/api/session")),
                tension = 3,
                pain = true,
                where = "left thumb",
            }
        );
        close["advice"]!.GetValue<string>().ShouldContain("doctor");
        Quiet(await app.Get("/api/today")).ShouldBeTrue();
        await app.Clock(Evening.AddDays(1));
        var tomorrow = await app.Get("/api/today");
        tomorrow["bodyQuestion"]!.GetValue<string>().ShouldContain("left thumb");
        Quiet(tomorrow).ShouldBeTrue();
        await app.Post("/api/body", new { tension = 0, pain = false });
        var well = await app.Get("/api/today");
        well["bodyQuestion"]!.GetValue<string>().ShouldBeEmpty();
        Quiet(well).ShouldBeFalse();
    }

    [Fact]
    public async Task The_demo_is_a_whole_player_and_apart_from_ones_own()
    {
        app.Http.DefaultRequestHeaders.Add("Practice-Book", "Demo");
        (await app.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeTrue();
        var today = await app.Get("/api/today");
        today["total"]!.GetValue<int>().ShouldBe(today["minutes"]!.GetValue<int>());
        (await app.Get("/api/materials"))!.AsArray().Count.ShouldBeGreaterThan(20);
        (await app.Get("/api/journal"))["days"]!.AsArray().Count.ShouldBe(14);
        app.Http.DefaultRequestHeaders.Remove("Practice-Book");
        app.Http.DefaultRequestHeaders.Add("Practice-Book", "HandDrum");
        (await app.Get("/api/profile"))["family"]!.GetValue<string>().ShouldBe("Percussion");
        today = await app.Get("/api/today");
        today["total"]!.GetValue<int>().ShouldBe(today["minutes"]!.GetValue<int>());
        app.Http.DefaultRequestHeaders.Remove("Practice-Book");
        app.Http.DefaultRequestHeaders.Add("Practice-Book", "Somebody");
        await app.Refused(HttpMethod.Get, "/api/today", new { }, "Practice-Book");
        app.Http.DefaultRequestHeaders.Remove("Practice-Book");
        (await app.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeFalse();
    }

    private static bool Quiet(JsonNode today) =>
        today["drills"]!.AsArray().All(drill => (string?)drill!["area"] is null or "Ear" || (string?)drill["method"] == "silent study");

    private static string Reasons(JsonNode today) =>
        string.Join('|', today["drills"]!.AsArray().Select(drill => $"{drill!["title"]}: {drill["reason"]}"));

    private static JsonNode Drill(JsonNode session, int position) =>
        session["drills"]!.AsArray().First(drill => (int)drill!["position"]! == position)!;

    private async Task<double> Pulse(double seconds) =>
        (
            await app.Post(
                "/api/session/pulse",
                new
                {
                    sessionId = Id(await app.Get("/api/session")),
                    position = 0,
                    playedSeconds = seconds,
                }
            )
        )["playedSeconds"]!.GetValue<double>();

    private async Task<JsonNode> Act(string kind, int position, double seconds, Guid? id = null) =>
        await app.Post(
            "/api/session/act",
            new
            {
                id = id ?? Guid.NewGuid(),
                sessionId = Id(await app.Get("/api/session")),
                position,
                playedSeconds = seconds,
                kind,
            }
        );

    /// <summary>Plays every drill for its minutes, a take every twenty seconds.</summary>
    private async Task PlayAll(JsonNode today, Func<int, bool> clean)
    {
        var now = Evening;
        var session = await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() });
        var count = session["drills"]!.AsArray().Count;
        for (var position = 0; position < count; position++)
        {
            if (session["position"]!.GetValue<int>() != position)
                continue;
            for (var seconds = 20; seconds <= 60 && session["position"]!.GetValue<int>() == position; seconds += 20)
            {
                await app.Clock(now = now.AddSeconds(20));
                if (session["cue"]!["countsTakes"]!.GetValue<bool>())
                    session = await Act(clean(position) ? "Clean" : "Missed", position, seconds);
                else
                    await app.Post(
                        "/api/session/pulse",
                        new
                        {
                            sessionId = Id(session),
                            position,
                            playedSeconds = seconds,
                        }
                    );
            }

            if (session["position"]!.GetValue<int>() == position)
                session = await Act("Done", position, 60);
        }

        session["cue"].ShouldBeNull();
    }
}
