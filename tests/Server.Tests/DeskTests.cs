using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The parts of a day that are not the session itself.</summary>
public sealed class DeskTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_routine_ticked_for_a_weekday_holds_on_that_day_and_on_no_other()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var blocks = new[]
        {
            new
            {
                area = "WarmUp",
                least = 1,
                wanted = 3,
                most = 20,
            },
            new
            {
                area = "Play",
                least = 2,
                wanted = 9,
                most = 200,
            },
        };
        var wednesday = await app.Post(
            "/api/routines",
            new
            {
                name = "Wednesday play",
                interwoven = false,
                weekdays = new[] { 2 },
                blocks,
            }
        );
        var today = await app.Get("/api/today");
        today["routineName"]!.GetValue<string>().ShouldBe("Wednesday play");
        today["routineId"]!.GetValue<int>().ShouldBe(App.Id(wednesday));
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["routineName"]!.GetValue<string>().ShouldBe("Everyday weave");
    }

    [Fact]
    public async Task Until_a_time_of_day_counts_from_now_and_demands_bend_the_day()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var plain = await app.Put("/api/today", new { version = 0, until = "18:50" });
        plain["minutes"]!.GetValue<int>().ShouldBe(50);
        var rehearsal = await app.Put(
            "/api/today",
            new
            {
                version = 1,
                demands = new[] { "Rehearsal" },
                purpose = "even shifts",
            }
        );
        MinutesOf(rehearsal, "WarmUp").ShouldBeLessThan(MinutesOf(plain, "WarmUp"));
        rehearsal["purpose"]!.GetValue<string>().ShouldBe("even shifts");
        rehearsal["summary"]!
            .AsArray()
            .Select(line => line!.GetValue<string>())
            .ShouldContain(line => line.Contains("rehearsal", StringComparison.Ordinal));
        rehearsal["total"]!.GetValue<int>().ShouldBe(50);
    }

    [Fact]
    public async Task Changes_by_hand_are_kept_and_planning_anew_keeps_what_is_locked()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var today = await app.Get("/api/today");
        var drill = today["drills"]!.AsArray().First(one => (string?)one!["area"] == "Technique")!;
        var id = drill["id"]!.GetValue<string>();
        var changed = await app.Post(
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Minutes",
                drillId = id,
                value = 9,
            }
        );
        changed["total"]!.GetValue<int>().ShouldBe(30 + 9 - drill["minutes"]!.GetValue<int>());
        changed = await app.Post(
            "/api/today/changes",
            new
            {
                version = 1,
                kind = "Lock",
                drillId = id,
            }
        );
        var anew = await app.Post("/api/today/anew", new { version = 2 });
        anew["total"]!.GetValue<int>().ShouldBe(30);
        var kept = anew["drills"]!.AsArray().First(one => one!["id"]!.GetValue<string>() == id)!;
        kept["minutes"]!.GetValue<int>().ShouldBe(9);
        kept["locked"]!.GetValue<bool>().ShouldBeTrue();
        (await app.Get("/api/today"))["version"]!.GetValue<int>().ShouldBe(3);
    }

    [Fact]
    public async Task A_book_goes_on_after_the_last_example_that_was_played()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Put("/api/reading/source", new { source = "Books" });
        var book = await app.Post(
            "/api/materials",
            new
            {
                kind = "Book",
                title = "Small Tunes",
                examples = 200,
                nextExample = 41,
                perDay = 3,
            }
        );
        book["daysLeft"]!.GetValue<int>().ShouldBe(75, "three a day on five days a week, until it is known better");
        var session = await app.Post("/api/session", new { version = 0 });
        session = await app.SkipTo(session, now => (string?)now["target"]?["key"] == $"book:{App.Id(book)}:41");
        session = await Act(session, "Missed");
        (await Next()).ShouldBe(42);
        if ((string?)session["target"]?["key"] == $"book:{App.Id(book)}:42")
        {
            await Act(session, "Undo");
            (await Next()).ShouldBe(41);
        }

        async Task<int> Next() =>
            (await app.Get("/api/materials")).AsArray().First(one => App.Id(one!) == App.Id(book))!["nextExample"]!.GetValue<int>();
    }

    [Fact]
    public async Task A_weekday_too_short_for_its_routine_gets_one_that_fits()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var profile = (await app.Get("/api/profile")).AsObject();
        profile["weekdayMinutes"]![2] = 5;
        await app.Put("/api/profile", profile.DeepClone());
        var heavy = await app.Post(
            "/api/routines",
            new
            {
                name = "Long haul",
                interwoven = false,
                weekdays = new[] { 2 },
                blocks = new[]
                {
                    new
                    {
                        area = "Technique",
                        least = 12,
                        wanted = 20,
                        most = 40,
                    },
                },
            }
        );
        var today = await app.Get("/api/today");
        today["minutes"]!.GetValue<int>().ShouldBe(5);
        today["total"]!.GetValue<int>().ShouldBe(5);
        today["routineName"]!.GetValue<string>().ShouldNotBe("Long haul");
        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, routineId = Id(heavy) }, "minutes");
    }

    [Fact]
    public async Task Too_much_for_the_minutes_is_said_with_the_sum_while_the_plan_is_made()
    {
        await app.Clock(Evening);
        var (piece, _, _, _) = await app.FirstDay();
        var today = await app.Put("/api/today", new { version = 0, minutes = 20 });
        today["warnings"]!.AsArray().ShouldBeEmpty();
        for (var i = 1; i <= 4; i++)
        {
            var extra = Id(
                await app.Post(
                    "/api/materials",
                    new
                    {
                        kind = "Passage",
                        pieceId = piece,
                        fromBar = 10 + i,
                        toBar = 11 + i,
                    }
                )
            );
            today = await app.Post(
                "/api/today/changes",
                new
                {
                    version = i,
                    kind = "Add",
                    value = 1,
                    materialId = extra,
                }
            );
        }

        var warning = today["warnings"]!.AsArray().Select(line => line!.GetValue<string>()).ShouldHaveSingleItem();
        warning.ShouldContain("two and a half minutes each");
        warning.ShouldContain("leave");
    }

    [Fact]
    public async Task What_rests_is_left_alone_until_it_is_brought_back()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var body = (await app.Get("/api/materials")).AsArray().First(one => App.Id(one!) == first)!;
        JsonObject Wish(bool resting, int version) =>
            new()
            {
                ["kind"] = "Passage",
                ["pieceId"] = body["pieceId"]!.GetValue<int>(),
                ["fromBar"] = 3,
                ["toBar"] = 4,
                ["readiness"] = "Shaping",
                ["resting"] = resting,
                ["version"] = version,
            };
        await app.Put($"/api/materials/{first}", Wish(resting: true, 0));
        Materials(await app.Get("/api/today")).ShouldNotContain(first);
        await app.Put($"/api/materials/{first}", Wish(resting: false, 1));
        Materials(await app.Get("/api/today")).ShouldContain(first);
        await app.Refused(HttpMethod.Put, $"/api/materials/{first}", Wish(resting: true, 0), "version", 409);
    }

    [Fact]
    public async Task What_was_entered_by_mistake_can_go_and_what_was_practised_stays()
    {
        await app.Clock(Evening);
        var (piece, first, second, _) = await app.FirstDay();
        await app.Refused(HttpMethod.Delete, $"/api/materials/{piece}", new { }, "id", 409);
        var session = await app.Post("/api/session", new { version = 0 });
        while ((int?)session["target"]?["materialId"] != first || !session["cue"]!["countsTakes"]!.GetValue<bool>())
            session = (int?)session["target"]?["materialId"] == second ? await Act(session, "Clean") : await Act(session, "Skip");
        await Act(session, "Missed");
        await app.Refused(HttpMethod.Delete, $"/api/materials/{first}", new { }, "id", 409);
        var typo = await app.Post("/api/materials", new { kind = "Exercise", title = "C mayor" });
        await app.Send(HttpMethod.Delete, $"/api/materials/{App.Id(typo)}", null, 200);
        (await app.Get("/api/materials")).AsArray().Select(one => App.Id(one!)).ShouldNotContain(App.Id(typo));
        await app.Refused(HttpMethod.Delete, $"/api/materials/{App.Id(typo)}", new { }, "id", 404);
    }

    [Fact]
    public async Task Ratings_are_kept_with_their_day_and_visits_with_their_takes()
    {
        await app.Clock(Evening);
        var (_, first, second, exercise) = await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        while (
            (int?)session["target"]?["materialId"] is not { } material
            || (material != first && material != second)
            || !session["cue"]!["countsTakes"]!.GetValue<bool>()
        )
            session = await Act(session, "Skip");
        var played = session["target"]!["materialId"]!.GetValue<int>();
        session = await Act(session, "Clean");
        await app.Post(
            "/api/session/act",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                position = session["position"]!.GetValue<int>(),
                playedSeconds = 1,
                kind = "Readiness",
                value = 3,
            }
        );
        var history = await app.Get($"/api/materials/{played}/history");
        history["visits"]![0]!["takes"]!.GetValue<int>().ShouldBe(1);
        history["visits"]![0]!["grade"]!.GetValue<string>().ShouldBe("Good");
        history["ratings"]!.AsArray().Last()!["readiness"]!.GetValue<string>().ShouldBe("Ready");
        history["ratings"]!.AsArray().Count.ShouldBe(1, "one rating a day");
        await app.Refused(
            HttpMethod.Post,
            "/api/session/act",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                position = session["position"]!.GetValue<int>(),
                playedSeconds = 1,
                kind = "Readiness",
                value = 4,
            },
            "value"
        );
        exercise.ShouldNotBe(played);
    }

    [Fact]
    public async Task The_journal_is_written_once_changed_searched_and_removed()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var key = Guid.NewGuid();
        var entry = await app.Post("/api/journal", new { key, text = "100% better_now" });
        App.Id(await app.Post("/api/journal", new { key, text = "100% better_now" })).ShouldBe(App.Id(entry));
        await app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text = "100 times worse",
                kind = "Shelf",
            }
        );
        (await Found("100%25")).ShouldBe(2, "signs are in no word");
        (await Found("better_")).ShouldBe(1);
        (await Found("100")).ShouldBe(2);
        await app.Put($"/api/journal/{App.Id(entry)}", new { text = "calmer" });
        (await Found("calm")).ShouldBe(1);
        await app.Send(HttpMethod.Delete, $"/api/journal/{App.Id(entry)}", null, 200);
        (await Found("calm")).ShouldBe(0);
        await app.Refused(HttpMethod.Post, "/api/journal", new { key = Guid.NewGuid(), text = "   " }, "text");

        async Task<int> Found(string search) =>
            (await app.Get($"/api/journal?search={search}"))["days"]!.AsArray().Sum(day => day!["entries"]!.AsArray().Count);
    }

    [Fact]
    public async Task Shares_must_add_up_and_change_what_the_day_gives()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var profile = (await app.Get("/api/profile")).AsObject();
        var before = MinutesOf(await app.Get("/api/today"), "Ear");
        profile["shares"]!.AsArray().First(share => (string?)share!["area"] == "Ear")!["percent"] = 40;
        await app.Refused(HttpMethod.Put, "/api/profile", profile.DeepClone(), "shares");
        profile["shares"]!.AsArray().First(share => (string?)share!["area"] == "Repertoire")!["percent"] = 10;
        await app.Put("/api/profile", profile.DeepClone());
        MinutesOf(await app.Get("/api/today"), "Ear").ShouldBeGreaterThan(before);
        await app.Refused(HttpMethod.Put, "/api/profile", profile.DeepClone(), "version", 409);
    }

    [Fact]
    public async Task A_second_sitting_does_not_bring_back_what_was_played_today()
    {
        await app.Clock(Evening);
        var (_, first, second, _) = await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var touched = new HashSet<int>();
        while (session["cue"] is not null)
        {
            if (session["cue"]!["countsTakes"]!.GetValue<bool>() && (int?)session["target"]?["materialId"] is { } material)
            {
                touched.Add(material);
                session = await Act(session, "Clean");
            }
            else
                session = await Act(session, "Skip");
        }

        touched.ShouldContain(first);
        touched.ShouldContain(second);
        await app.Close();
        Materials(await app.Get("/api/today")).Intersect([first, second]).ShouldBeEmpty();
    }

    private Task<JsonNode> Act(JsonNode session, string kind) => app.Act(session, kind);

    private static List<int> Materials(JsonNode today) =>
        [
            .. today["drills"]!
                .AsArray()
                .SelectMany(drill => drill!["targets"]!.AsArray())
                .Select(target => (int?)target!["materialId"])
                .OfType<int>(),
        ];
}
