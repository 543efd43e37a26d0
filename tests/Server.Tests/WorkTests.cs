using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Exercises made of keys, chords, steps, strokes and written music, over HTTP and on the stage.</summary>
public sealed class WorkTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_shuttle_grows_on_the_stage_and_keeps_its_size()
    {
        await Clarinet();
        var id = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Six keys",
                    target = 96,
                    work = new
                    {
                        kind = "Shuttle",
                        items = new[] { "D major", "Ab major", "E major" },
                        beats = 4,
                    },
                }
            )
        );
        var session = await Open(id);
        session["cue"]!["run"]!["steps"]!.AsArray().Count.ShouldBe(8);
        session = await app.Act(session, "Run", 20, 0);
        session["cue"]!["count"]!.GetValue<string>().ShouldStartWith("set 1 of 3; 1 of 2 runs");
        ((string?)session["cue"]!["run"]!["row"]![2]!["name"], (bool?)session["cue"]!["run"]!["row"]![2]!["isInSet"]).ShouldBe(
            ("E major", false)
        );

        // What came late is repaired with what came before it, then the run comes again, and it begins with what was late.
        session = await app.Act(session, "Run", 40, 2, lateAt: [1, 3]);
        ((string?)session["cue"]!["title"], (string?)session["cue"]!["count"]).ShouldBe(("D major and A♭ major", "late: A♭ major"));
        session = await app.Act(session, "Run", 50, 0, lateAt: []);
        ((string?)session["cue"]!["run"]!["steps"]![0]).ShouldBe("A♭ major");
        session["cue"]!["count"]!.GetValue<string>().ShouldStartWith("set 1 of 3; 0 of 2 runs");
        session = await app.Act(session, "Run", 60, 0);
        session = await app.Act(session, "Run", 70, 0);
        ((string?)session["cue"]!["title"]).ShouldBe("A♭ major and E major");
        session = await app.Act(session, "Run", 80, 0);
        session = await app.Act(session, "Run", 90, 0);
        session["cue"]!["count"]!.GetValue<string>().ShouldStartWith("set 3 of 3");
        (await app.Get("/api/technique/exercises"))[0]!["stands"]!.GetValue<string>().ShouldBe("sets of 3");
        session = await app.Act(session, "Undo", 91);
        (await app.Get("/api/technique/exercises"))[0]!["stands"]!.GetValue<string>().ShouldBe("sets of 2");
        var late = (await app.Get($"/api/materials/{id}/tempo"))["late"]!.AsArray();
        ((string?)late.Single()!["name"], (int?)late.Single()!["times"]).ShouldBe(("Ab major", 1));
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Run", 92, 1, lateAt: [99]), "lateAt");
        await app.Refused(
            HttpMethod.Post,
            "/api/session/act",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                position = session["position"]!.GetValue<int>(),
                playedSeconds = 82,
                kind = "Run",
                value = 99,
            },
            "value"
        );
    }

    [Fact]
    public async Task One_by_one_goes_on_where_it_stopped()
    {
        await Clarinet();
        var id = Id(
            await app.Post(
                "/api/technique/made",
                new { title = "Centred", work = new { kind = "Steps", items = new[] { "G4", "A4", "B4", "C5" } } }
            )
        );
        var session = await Open(id);
        session = await app.Act(session, "Clean");
        session = await app.Act(session, "Missed");
        session["cue"]!["title"]!.GetValue<string>().ShouldBe("A4");
        await app.Act(session, "Done", 40);
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        (await Open(id))["cue"]!["title"]!.GetValue<string>().ShouldBe("A4");
    }

    [Fact]
    public async Task Octaves_are_centred_one_after_the_other_each_with_its_own_sheet_and_its_retries_are_kept()
    {
        await Clarinet();
        var work = new { kind = "Steps", by = "Octaves" };
        var sheet = new { tonic = "G", octaves = 2 };
        (await app.Post("/api/technique/made/look", new { work, sheet }))["says"]!
            .GetValue<string>()
            .ShouldBe("G3 to G4, G4 to G5 and G3 to G5");
        var id = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Octaves",
                    work,
                    sheet,
                }
            )
        );
        var session = await Open(id);
        ((string?)session["cue"]!["title"], (string?)session["cue"]!["sentence"]).ShouldBe(
            ("G3 to G4", "Only when it is centred: on to the next.")
        );
        var low = session["abc"]!.GetValue<string>();
        session = await app.Act(session, "Missed", 10);
        session = await app.Act(session, "Missed", 20);
        session = await app.Act(session, "Clean", 30);
        ((string?)session["cue"]!["title"], session["abc"]!.GetValue<string>() == low).ShouldBe(("G4 to G5", false));
        session = await app.Act(session, "Missed", 40);
        var retries = (await app.Get($"/api/materials/{id}/tempo"))["retries"]!.AsArray();
        retries.Select(one => ((string?)one!["name"], (int?)one["times"])).ShouldBe([("G3 to G4", 2), ("G4 to G5", 1)]);
        var day = $"{Evening:yyyy-MM-dd}";
        var back = (await app.Get($"/api/look-back/closer?from={day}&to={day}"))["retries"]!.AsArray();
        ((string?)back.Single()!["words"]).ShouldBe("tried again: G3 to G4 (2 times), G4 to G5 (1 time)");
        session = await app.Act(session, "Undo", 41);
        (await app.Get($"/api/materials/{id}/tempo"))["retries"]!.AsArray().Count.ShouldBe(1);
        await app.Close();

        // All of a key is one set with a place.
        await app.Clock(Evening.AddDays(1));
        await app.Post($"/api/technique/exercises/{id}/review", new { decision = "Rest" });
        var key = await app.Post(
            "/api/technique/made",
            new
            {
                title = "All of G",
                work = new { kind = "Steps", by = "Key" },
                sheet,
            }
        );
        session = await app.Act(await Open(Id(key)), "Clean", 10);
        ((string?)session["cue"]!["title"]).ShouldBe("G major arpeggio, two octaves");
        await app.Close();
        await app.Clock(Evening.AddDays(2));
        ((string?)(await Open(Id(key)))["cue"]!["count"]).ShouldBe("2 of 7");
        await app.Refused(
            HttpMethod.Post,
            "/api/technique/made",
            new
            {
                title = "No",
                work,
                sheet = new { tonic = "G", octaves = 9 },
            },
            "octaves"
        );
    }

    [Fact]
    public async Task Written_music_patterns_and_grooves_stand_on_the_stage()
    {
        await Clarinet();
        var written = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Study",
                    target = 90,
                    work = new { kind = "Notation", text = "M:3/4\nL:1/8\nK:F\nF2 GA Bc|d6|]" },
                }
            )
        );
        (await Open(written))["abc"]!.GetValue<string>().ShouldContain("K:F\n");
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        var patterns = await app.Post(
            "/api/technique/made",
            new
            {
                title = "Patterns of three",
                target = 90,
                work = new
                {
                    kind = "Patterns",
                    patterns = new
                    {
                        size = 3,
                        perWeek = 2,
                        joined = false,
                        first = "2031-05-08",
                        from = 3,
                    },
                },
                sheet = new { tonic = "G", octaves = 1 },
            }
        );
        patterns["stands"]!.GetValue<string>().ShouldBe("pattern 3; 0 of 4 done, until about 29 May");
        await app.Post($"/api/technique/exercises/{written}/review", new { decision = "Rest" });
        var session = await Open(Id(patterns));
        session["target"]!["title"]!.GetValue<string>().ShouldBe("Pattern 3 (213)");
        session["abc"]!.GetValue<string>().ShouldContain("K:G\n");
        await app.Act(session, "Clean", 5);
        var cells = (await app.Get("/api/technique/patterns"))[0]!["cells"]!.AsArray();
        cells.Count.ShouldBe(4);
        (cells[0]!["figures"]!.GetValue<string>(), cells[0]!["days"]!.GetValue<int>(), cells[0]!["done"]!.GetValue<bool>()).ShouldBe(
            ("213", 1, false)
        );
        cells[0]!["lastClean"]!.GetValue<int>().ShouldBeGreaterThan(20);
        await app.Close();
        await app.Post($"/api/technique/exercises/{Id(patterns)}/review", new { decision = "Drop" });
        await app.Clock(Evening.AddDays(2));
        var groove = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Four",
                    target = 90,
                    work = new { kind = "Groove", text = "low: x...x...x...x..." },
                }
            )
        );
        (await Open(groove))["groove"]!["lines"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_cannot_be_read_is_refused_at_its_place_before_it_is_kept()
    {
        await Clarinet();
        var post = HttpMethod.Post;
        await app.Refused(post, "/api/technique/made/look", new { work = new { kind = "Notation", text = "K:C\nCDEF GABc d|" } }, "text");
        (await app.Send(post, "/api/technique/made/look", new { work = new { kind = "Notation", text = "K:C\nCDE? GABc|" } }, 400))[
            "detail"
        ]!
            .GetValue<string>()
            .ShouldStartWith("Line 2, place 4:");
        await app.Refused(
            post,
            "/api/technique/made",
            new { title = "x", work = new { kind = "Changes", items = new[] { "C", "Z9" } } },
            "items[1]"
        );
        await app.Refused(
            post,
            "/api/technique/made",
            new { title = "x", work = new { kind = "Shuttle", items = new[] { "C major" } } },
            "items"
        );
        await app.Refused(post, "/api/technique/made", new { title = "x", work = new { kind = "Groove", text = "low: x..." } }, "text");
        await app.Refused(
            post,
            "/api/technique/made",
            new { title = "", work = new { kind = "Steps", items = new[] { "a", "b" } } },
            "title"
        );
        await app.Refused(post, "/api/technique/made", new { title = "x", work = new { kind = "Patterns" } }, "patterns");
        (
            await app.Post(
                "/api/technique/progression",
                new
                {
                    key = "Bb major",
                    degrees = new[] { 2, 5, 1 },
                    sevenths = true,
                }
            )
        ).AsArray().Select(chord => chord!.GetValue<string>()).ShouldBe(["Cm7", "F7", "B♭maj7"], "theory handbooks, from memory");
        (await app.Get("/api/technique/exercises")).AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Tension_that_rises_with_the_tempo_steps_it_down()
    {
        await Clarinet();
        var id = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Run",
                    target = 120,
                }
            )
        );
        for (var day = 0; day < 4; day++)
        {
            var session = await Open(id);
            if (session["drills"]![session["position"]!.GetValue<int>()]!["method"]!.GetValue<string>() == "tempo ladder")
            {
                var before = 0;
                while (session["cue"]!["asksTension"]!.GetValue<bool>() == false)
                {
                    before = session["target"]!["tempo"]!.GetValue<int>();
                    session = await app.Act(session, "Clean");
                }

                var risen = session["target"]!["tempo"]!.GetValue<int>();
                risen.ShouldBeGreaterThan(before);
                session = await app.Act(session, "Tension", value: 3);
                session["target"]!["tempo"]!.GetValue<int>().ShouldBeLessThan(before);
                await app.Close();
                await app.Clock(Evening.AddDays(day + 1));
                (await app.Get("/api/today"))["summary"]!.ToJsonString().ShouldContain("Tension was high last time");
                return;
            }

            await app.Act(session, "Clean");
            await app.Close();
            await app.Clock(Evening.AddDays(day + 1));
        }

        Assert.Fail("No ladder came in four days.");
    }

    [Fact]
    public async Task Tension_in_bursts_steps_down_what_was_just_played_and_not_the_other()
    {
        await Clarinet(60);
        foreach (var title in new[] { "Run", "Turn", "Leap" })
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title,
                    target = 120,
                    readiness = "Shaping",
                }
            );
        for (var day = 0; day < 12; day++)
        {
            await app.Clock(Evening.AddDays(day));
            var session = await app.Post("/api/session", new { version = (int)(await app.Get("/api/today"))["version"]! });
            var drills = session["drills"]!.AsArray().Count;
            for (var at = session["position"]!.GetValue<int>(); at < drills; at = session["position"]!.GetValue<int>())
            {
                var drill = session["drills"]![at]!;
                if (drill["method"]!.GetValue<string>() == "burst and switch")
                {
                    session = await app.Act(session, "Clean");
                    var second = session["target"]!["tempo"]!.GetValue<int>();
                    session = await app.Act(session, "Clean");
                    var first = session["target"]!["tempo"]!.GetValue<int>();
                    session = await app.Act(session, "Tension", value: 3);
                    session["target"]!["tempo"]!.GetValue<int>().ShouldBe(first, "the second was just played");
                    session = await app.Act(session, "Clean");
                    session["target"]!["tempo"]!.GetValue<int>().ShouldBeLessThan(second - 2);
                    return;
                }

                if (
                    drill["area"]?.GetValue<string>() == "Technique"
                    && drill["takes"]!.GetValue<int>() < 4
                    && session["cue"]!["countsTakes"]!.GetValue<bool>()
                )
                    session = await app.Act(session, "Clean");
                else if (at == drills - 1)
                    break;
                else
                    session = await app.Act(session, "Skip");
            }

            await app.Close();
        }

        Assert.Fail("No bursts came in twelve days.");
    }

    private async Task<System.Text.Json.Nodes.JsonNode> Open(int material)
    {
        var today = await app.Get("/api/today");
        var session = await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() });
        return await app.SkipTo(session, now => (int?)now["target"]?["materialId"] == material);
    }

    private async Task Clarinet(int minutes = 30)
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "B-flat clarinet",
                family = "winds",
                transposition = -2,
                weekdayMinutes = Enumerable.Repeat(minutes, 7),
            }
        );
    }
}
