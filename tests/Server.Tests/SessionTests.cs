using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>A session keeps to itself: pressed twice, from an old window, at the same moment, or left open over night.</summary>
public sealed class SessionTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Begun_twice_at_once_it_is_one_session_and_the_touched_plan()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var today = await app.Put(
            "/api/today",
            new
            {
                version = 0,
                minutes = 45,
                purpose = "the joins",
            }
        );
        var version = today["version"]!.GetValue<int>();
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => app.Http.PostAsJsonAsync("/api/session", new { version })));
        answers.ShouldAllBe(answer => answer.StatusCode == HttpStatusCode.OK);
        var ids = new HashSet<int>();
        foreach (var answer in answers)
            ids.Add(Id((await answer.Content.ReadFromJsonAsync<JsonNode>())!));
        ids.Count.ShouldBe(1);
        var session = await app.Get("/api/session");
        session["plannedMinutes"]!.GetValue<int>().ShouldBe(45);
        session["purpose"]!.GetValue<string>().ShouldBe("the joins");
        await app.Close();
        (await app.Get("/api/today"))["sessionOpen"]!.GetValue<bool>().ShouldBeFalse("no second one lies under it");
    }

    [Fact]
    public async Task Begun_by_mistake_it_is_left_as_if_it_had_never_been()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var before = await app.Get("/api/today");
        var session = await app.Post("/api/session", new { version = before["version"]!.GetValue<int>() });
        session["isUntouched"]!.GetValue<bool>().ShouldBeTrue();
        await app.Post("/api/session/leave", new { sessionId = Id(session) });
        app.Count("Sessions").ShouldBe(0);
        app.Count("SessionDrills").ShouldBe(0);
        var after = await app.Get("/api/today");
        after["sessionOpen"]!.GetValue<bool>().ShouldBeFalse();
        after["drills"]!.ToJsonString().ShouldBe(before["drills"]!.ToJsonString());
        // It can be changed and begun again.
        await app.Put("/api/today", new { version = after["version"]!.GetValue<int>(), minutes = 20 });
    }

    [Fact]
    public async Task A_session_in_which_something_was_played_or_written_is_closed_and_not_left()
    {
        var session = await OnTakesAsync();
        await app.Post("/api/session/act", ActOf(session, "Clean"));
        (await app.Get("/api/session"))["isUntouched"]!.GetValue<bool>().ShouldBeFalse();
        await app.Refused(HttpMethod.Post, "/api/session/leave", new { sessionId = Id(session) }, "session");
        app.Count("Sessions").ShouldBe(1);
    }

    [Theory]
    [InlineData("Undo", 1)]
    [InlineData("Clean", 3)]
    public async Task An_act_sent_twice_or_eight_times_at_once_counts_once(string kind, int takes)
    {
        var session = await OnTakesAsync();
        session = await app.Act(session, "Missed");
        session = await app.Act(session, "Missed");
        var act = ActOf(session, kind);
        await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => app.Post("/api/session/act", act)));
        Drill(await app.Post("/api/session/act", act))["takes"]!.GetValue<int>().ShouldBe(takes);
    }

    [Fact]
    public async Task Eight_different_takes_at_once_are_eight_takes_with_eight_numbers()
    {
        var session = await OnTakesAsync("one take each, in rounds");
        var acts = Enumerable.Range(0, 4).Select(_ => ActOf(session, "Missed")).ToList();
        await Task.WhenAll(acts.Select(act => app.Post("/api/session/act", act)));
        Drill(await app.Get("/api/session"))["takes"]!.GetValue<int>().ShouldBe(4);
        var tried = 0;
        foreach (var material in (await app.Get("/api/materials")).AsArray())
            tried += (await app.Get($"/api/materials/{Id(material!)}/history"))["visits"]!
                .AsArray()
                .Sum(visit => visit!["takes"]!.GetValue<int>());
        tried.ShouldBe(4, "none is lost to another that came at the same moment");
    }

    [Fact]
    public async Task Tension_told_twice_is_one_tension()
    {
        var session = await OnTakesAsync();
        var act = ActOf(session, "Tension", value: 3);
        await app.Post("/api/session/act", act);
        await app.Post("/api/session/act", act);
        await app.Close();
        var day = (await app.Get("/api/journal"))["days"]![0]!;
        day["wasTense"]!.GetValue<bool>().ShouldBeTrue();
        app.Count("Bodies").ShouldBe(1);
    }

    [Fact]
    public async Task A_take_is_of_what_was_shown_and_of_nothing_else()
    {
        var session = await OnTakesAsync("one take each, in rounds");
        var shown = session["target"]!["key"]!.GetValue<string>();
        var late = ActOf(session, "Clean");
        session = await app.Act(session, "Missed");
        session["target"]!["key"]!.GetValue<string>().ShouldNotBe(shown, "the round has gone on");
        await app.Post("/api/session/act", late);
        var material = int.Parse(shown.Split(':')[1], System.Globalization.CultureInfo.InvariantCulture);
        var visit = (await app.Get($"/api/materials/{material}/history"))["visits"]![0]!;
        visit["takes"]!.GetValue<int>().ShouldBe(2, "pressed while the first thing was still on the screen, it belongs to that");

        var wrong = ActOf(session, "Clean");
        wrong["key"] = "m:4711";
        await app.Refused(HttpMethod.Post, "/api/session/act", wrong, "key");
    }

    [Fact]
    public async Task An_old_window_neither_feeds_nor_changes_a_new_session()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var old = await app.Post("/api/session", new { version = 0 });
        await app.Close("The first one.");
        var now = await app.Post("/api/session", new { version = 0 });
        await app.Clock(Evening.AddMinutes(2));
        await app.Refused(
            HttpMethod.Post,
            "/api/session/pulse",
            new
            {
                sessionId = Id(old),
                position = 0,
                playedSeconds = 90,
            },
            "session",
            409
        );
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(old, "Skip"), "session", 409);
        await app.Refused(
            HttpMethod.Post,
            "/api/session/close",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(old),
                note = "From the old window",
            },
            "session",
            409
        );
        var after = await app.Get("/api/session");
        Id(after).ShouldBe(Id(now));
        Drill(after)["playedSeconds"]!.GetValue<double>().ShouldBe(0);

        // What was begun in the old session can still be written down, and belongs to it.
        await app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text = "Begun before.",
                sessionId = Id(old),
                position = 1,
                take = 2,
            }
        );
        var entry = (await app.Get("/api/journal?search=begun+before"))["days"]![0]!["entries"]![0]!;
        entry["about"]!.GetValue<string>().ShouldBe(old["drills"]![1]!["title"]!.GetValue<string>());
        entry["take"]!.GetValue<int>().ShouldBe(2);
    }

    [Fact]
    public async Task Closed_six_times_at_once_it_is_written_down_once()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var close = new
        {
            id = Guid.NewGuid(),
            sessionId = Id(session),
            note = "Once.",
        };
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => app.Post("/api/session/close", close)));
        answers.ShouldAllBe(answer => answer["plannedMinutes"]!.GetValue<int>() == 30);
        (await app.Get("/api/journal?search=once"))["days"]![0]!["entries"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task The_slack_of_a_report_is_given_once_not_with_every_report()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var seconds = 0.0;
        for (var report = 0; report < 50; report++)
            seconds = (
                await app.Post(
                    "/api/session/pulse",
                    new
                    {
                        sessionId = Id(session),
                        position = 0,
                        playedSeconds = seconds + 5,
                    }
                )
            )["playedSeconds"]!.GetValue<double>();
        seconds.ShouldBeLessThan(12, "fifty reports within a moment are no minutes");
    }

    /// <summary>
    /// While the program was away for ten seconds the stage went on: what was pressed meanwhile comes first, with the seconds of its
    /// moment.
    /// </summary>
    [Fact]
    public async Task Seconds_played_while_the_program_was_away_are_not_lost_when_an_act_of_that_time_comes_first()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        async Task<double> Pulse(double seconds) =>
            (
                await app.Post(
                    "/api/session/pulse",
                    new
                    {
                        sessionId = Id(session),
                        position = 0,
                        playedSeconds = seconds,
                    }
                )
            )["playedSeconds"]!.GetValue<double>();
        await app.Clock(Evening.AddSeconds(2));
        (await Pulse(2)).ShouldBe(2, 0.5);
        await app.Clock(Evening.AddSeconds(13));
        await app.Act(session, "Extend", 3);
        (await Pulse(13)).ShouldBe(13, 0.1, "eleven seconds had gone by, and eleven were played");

        // A lid that was closed for an hour: the stage counted nothing meanwhile, and no window can claim it.
        await app.Clock(Evening.AddHours(1));
        (await Pulse(14)).ShouldBe(14, 0.1);
        (await Pulse(3000)).ShouldBeLessThan(150);
    }

    [Fact]
    public async Task A_session_left_open_closes_by_itself_at_its_last_act_and_is_named()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        session = await app.SkipTo(session, now => now["cue"]!["countsTakes"]!.GetValue<bool>());
        await app.Clock(Evening.AddMinutes(3));
        session = await app.Act(session, "Clean", 180);

        var later = Evening.AddDays(3);
        await app.Clock(later);
        var today = await app.Get("/api/today");
        today["sessionOpen"]!.GetValue<bool>().ShouldBeFalse();
        today["unclosed"]!["day"]!.GetValue<string>().ShouldBe("2031-05-14");
        today["unclosed"]!["takes"]!.GetValue<int>().ShouldBe(1);
        today["unclosed"]!["playedMinutes"]!.GetValue<double>().ShouldBe(3, 0.2);
        (await app.Get("/api/session"))["isOver"]!.GetValue<bool>().ShouldBeTrue();
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Clean"), "session", 409);

        var next = await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() });
        next["day"]!.GetValue<string>().ShouldBe("2031-05-17");
        next["endedBefore"]!.GetValue<string>().ShouldBe("2031-05-14");
        var day = await app.Get("/api/journal/days/2031-05-14");
        var sitting = day["day"]!["sittings"]!.AsArray().ShouldHaveSingleItem()!;
        sitting["startedUtc"]!.GetValue<DateTime>().ToUniversalTime().ShouldBe(Evening.UtcDateTime, TimeSpan.FromSeconds(1));
        sitting["endedUtc"]!.GetValue<DateTime>().ToUniversalTime().ShouldBe(Evening.AddMinutes(3).UtcDateTime, TimeSpan.FromSeconds(6));
        // It can be added to.
        await app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text = "Of Wednesday.",
                day = "2031-05-14",
            }
        );
        (await app.Get("/api/journal/days/2031-05-14"))["day"]!["entries"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_session_in_which_nothing_was_played_leaves_no_line()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Post("/api/session", new { version = 0 });
        // Closed by hand without a second played, and one that is left open for a night.
        (await app.Close(""))["playedMinutes"]!.GetValue<double>().ShouldBe(0);
        (await app.Get("/api/journal"))["days"]!.AsArray().ShouldBeEmpty();
        await app.Post("/api/session", new { version = (await app.Get("/api/today"))["version"]!.GetValue<int>() });
        await app.Clock(Evening.AddDays(1));
        var next = await app.Post("/api/session", new { version = (await app.Get("/api/today"))["version"]!.GetValue<int>() });
        next["day"]!.GetValue<string>().ShouldBe("2031-05-15");
        next["endedBefore"].ShouldBeNull();
        (await app.Get("/api/journal"))["days"]!.AsArray().ShouldBeEmpty();
        // With a word it stays.
        await app.Close("Only tuned.");
        (await app.Get("/api/journal"))["days"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task Every_passage_that_had_its_work_minutes_leaves_a_visit()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        var routines = (await app.Get("/api/routines")).AsArray();
        var rounds = routines.First(routine =>
            routine!["blocks"]!.AsArray().Any(block => (string?)block!["area"] == "Repertoire" && block["rounds"] is not null)
        )!;
        var today = await app.Put(
            "/api/today",
            new
            {
                version = 0,
                minutes = 60,
                routineId = Id(rounds),
            }
        );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            now["cue"]!["period"] is not null
        );
        var worked = new HashSet<int> { session["target"]!["materialId"]!.GetValue<int>() };
        var at = Evening;
        double seconds = 0;
        for (var turn = 0; turn < 3; turn++)
        {
            var turns = session["cue"]!["period"]!["endsAtSeconds"]!.GetValue<int>();
            await app.Clock(at = at.AddSeconds(turns - seconds));
            seconds = turns;
            await app.Post(
                "/api/session/pulse",
                new
                {
                    sessionId = Id(session),
                    position = session["position"]!.GetValue<int>(),
                    playedSeconds = seconds,
                }
            );
            session = await app.Get("/api/session");
            if (session["target"]?["materialId"] is { } material)
                worked.Add(material.GetValue<int>());
            session["cue"]!["resting"]!.GetValue<bool>().ShouldBe(turn % 2 == 0, "work and rest take turns by the clock");
        }

        await app.Act(session, "Done", seconds);
        foreach (var material in worked)
            (await app.Get($"/api/materials/{material}/history"))["visits"]!.AsArray().Count.ShouldBe(1);
    }

    private async Task<JsonNode> OnTakesAsync(string? method = null)
    {
        await app.Clock(Evening);
        await app.FirstDay();
        return await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            now["cue"]!["countsTakes"]!.GetValue<bool>()
            && now["target"]?["materialId"] is not null
            && (method is null || (string?)Drill(now)["method"] == method)
        );
    }

    private static JsonNode Drill(JsonNode session) => session["drills"]![session["position"]!.GetValue<int>()]!;
}
