using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The coming week is one plan: minutes, hours, exceptions, and what is likely.</summary>
public sealed class WeekAheadTests : IDisposable
{
    private static readonly DateOnly Day = DateOnly.FromDateTime(Evening.DateTime);
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Moved_minutes_are_in_the_plans_and_their_sum_stays()
    {
        var before = await Begin();
        var sum = Minutes(before).Sum();
        var today = await app.Get("/api/today");
        var moved = await app.Post(
            "/api/week/moved",
            new
            {
                from = Say(0),
                to = Say(1),
                minutes = 10,
            }
        );
        Minutes(moved).Sum().ShouldBe(sum);
        Minutes(moved)[0].ShouldBe(Minutes(before)[0] - 10);
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(today["minutes"]!.GetValue<int>() - 10);
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(Minutes(moved)[1]);
        await app.Clock(Evening);
        await app.Refused(
            HttpMethod.Post,
            "/api/week/moved",
            new
            {
                from = Say(0),
                to = Say(0),
                minutes = 5,
            },
            "to"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/week/moved",
            new
            {
                from = Say(0),
                to = Say(1),
                minutes = 200,
            },
            "minutes"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/week/moved",
            new
            {
                from = Say(-1),
                to = Say(1),
                minutes = 5,
            },
            "from"
        );
        Minutes(await app.Send(HttpMethod.Delete, "/api/week/moved", null, 200)).ShouldBe(Minutes(before));
    }

    [Fact]
    public async Task A_plan_touched_by_hand_follows_the_minutes_that_are_moved()
    {
        await Begin();
        var drill = (await app.Get("/api/today"))["drills"]!.AsArray().First(one => (string?)one!["area"] == "Repertoire")!;
        await app.Post(
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Lock",
                drillId = (string?)drill["id"],
            }
        );
        await app.Post(
            "/api/week/moved",
            new
            {
                from = Say(0),
                to = Say(1),
                minutes = 5,
            }
        );
        var today = await app.Get("/api/today");
        today["minutes"]!.GetValue<int>().ShouldBe(today["total"]!.GetValue<int>());
        today["drills"]!.AsArray().Any(one => (string?)one!["id"] == (string?)drill["id"]).ShouldBeTrue();
    }

    [Fact]
    public async Task An_exception_holds_its_days_overlaps_none_and_can_be_taken_back()
    {
        await Begin();
        await app.Post(
            "/api/week/moved",
            new
            {
                from = Say(1),
                to = Say(2),
                minutes = 10,
            }
        );
        var off = await app.Post(
            "/api/week/days-off",
            new
            {
                from = Say(1),
                until = Say(3),
                kind = "Holiday",
            }
        );
        Minutes(off)[1..4].ShouldBe([0, 0, 0]);
        off["days"]![2]!["drills"]!.AsArray().ShouldBeEmpty();
        ((string?)off["days"]![1]!["off"]).ShouldBe("Holiday");
        await app.Refused(
            HttpMethod.Post,
            "/api/week/days-off",
            new
            {
                from = Say(3),
                until = Say(4),
                kind = "Visit",
            },
            "from",
            409
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/week/days-off",
            new
            {
                from = Say(5),
                until = Say(4),
                kind = "Visit",
            },
            "until"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/week/days-off",
            new
            {
                from = Say(5),
                until = Say(5),
                kind = "Visit",
                minutes = 3,
            },
            "minutes"
        );
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["advice"]!.ToString().ShouldStartWith("Holiday");
        await app.Clock(Evening);
        var id = off["daysOff"]![0]!["id"]!.GetValue<int>();
        await app.Send(HttpMethod.Delete, $"/api/week/days-off/{id}", null, 200);
        await app.Post(
            "/api/week/days-off",
            new
            {
                from = Say(2),
                until = Say(2),
                kind = "LateShift",
                minutes = 10,
            }
        );
        await app.Refused(HttpMethod.Post, $"/api/week/days-off/{id}/back", new { }, "from", 409);
        Minutes(await app.Get("/api/week/ahead"))[2].ShouldBe(10);
    }

    [Fact]
    public async Task An_exception_of_today_that_is_removed_gives_a_touched_plan_its_minutes_again()
    {
        await Begin();
        var today = await app.Get("/api/today");
        var drill = (string?)today["drills"]![0]!["id"];
        await app.Post(
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Lock",
                drillId = drill,
            }
        );
        var off = await app.Post(
            "/api/week/days-off",
            new
            {
                from = Say(0),
                until = Say(0),
                kind = "LateShift",
                minutes = 10,
            }
        );
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(10);
        var path = $"/api/week/days-off/{off["daysOff"]![0]!["id"]}";
        await app.Send(HttpMethod.Delete, path, null, 200);
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(today["minutes"]!.GetValue<int>());
        await app.Send(HttpMethod.Post, $"{path}/back", null, 200);
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(10);
    }

    [Fact]
    public async Task The_forecast_of_a_day_is_the_plan_of_that_day_when_what_is_typical_came_true()
    {
        var ahead = await Begin();
        var likely = ahead["days"]![1]!["drills"]!.AsArray();
        likely.Sum(drill => drill!["minutes"]!.GetValue<int>()).ShouldBe(Minutes(ahead)[1]);
        var first = await app.Get("/api/today");
        ahead["days"]![0]!["drills"]!
            .AsArray()
            .Select(drill => (string?)drill!["title"])
            .ShouldBe(first["drills"]!.AsArray().Select(drill => (string?)drill!["title"]));
        // Nothing of the forecast was written anywhere.
        (app.Count("Visits"), app.Count("Plans"), app.Count("Takes")).ShouldBe((0, 0, 0));
        JsonNode.DeepEquals(await app.Get("/api/week/ahead"), ahead).ShouldBeTrue();
        // Each day of the week has its areas.
        foreach (var day in ahead["days"]!.AsArray())
            day!["drills"]!.AsArray().Select(drill => (string?)drill!["area"]).Distinct().Count().ShouldBeGreaterThan(3);
    }

    [Fact]
    public async Task A_missed_day_is_offered_to_be_spread_once()
    {
        await Begin();
        var session = await app.Begin();
        await app.Clock(Evening.AddMinutes(30));
        await app.Act(session, "Done", seconds: 900);
        await app.Close();
        await app.Clock(Evening.AddDays(2));
        var ahead = await app.Get("/api/week/ahead");
        ((string?)ahead["missed"]!["missed"]).ShouldBe(Say(1));
        var spread = await app.Post("/api/week/spread", new { });
        Minutes(spread).Sum().ShouldBe(Minutes(ahead).Sum() + ahead["missed"]!["minutes"]!.GetValue<int>());
        spread["missed"].ShouldBeNull();
        JsonNode.DeepEquals(spread, await app.Get("/api/week/ahead")).ShouldBeTrue("what is likely is the same whoever asks");
        await app.Refused(HttpMethod.Post, "/api/week/spread", new { }, "missed", 409);
    }

    [Fact]
    public async Task A_day_in_three_sittings_is_planned_in_three_parts()
    {
        await Begin();
        await app.Put("/api/week/usual", Usual(sittings: 3));
        var today = await app.Get("/api/today");
        (today["minutes"]!.GetValue<int>(), today["summary"]!.ToJsonString().Contains("Sitting 1 of 3", StringComparison.Ordinal)).ShouldBe(
            (10, true)
        );
        var session = await app.Begin();
        await app.Clock(Evening.AddMinutes(10));
        await app.Act(session, "Done", seconds: 600);
        await app.Close();
        await app.Clock(Evening.AddHours(3));
        (await app.Get("/api/today"))["summary"]!.ToJsonString().ShouldContain("Sitting 2 of 3");
        await app.Refused(HttpMethod.Put, "/api/week/usual", Usual(sittings: 7), "sittings");
        await app.Refused(HttpMethod.Put, "/api/week/usual", Usual(hour: "25:00"), "hours");
    }

    [Fact]
    public async Task A_plan_with_minutes_of_its_own_stays_as_it_is_when_another_day_changes()
    {
        await Begin();
        await app.Put("/api/today", new { version = 0, minutes = 20 });
        await app.Post(
            "/api/week/days-off",
            new
            {
                from = Say(3),
                until = Say(3),
                kind = "Visit",
            }
        );
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(20);
        await app.Post(
            "/api/week/moved",
            new
            {
                from = Say(0),
                to = Say(1),
                minutes = 5,
            }
        );
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(25);
    }

    [Fact]
    public async Task A_reminder_is_said_only_where_it_is_wanted_and_nothing_was_played()
    {
        await Begin();
        ((string?)(await app.Get("/api/week/reminder"))["hour"]).ShouldBe("");
        await app.Put("/api/week/usual", Usual(hour: "18:30", reminds: true));
        var reminder = await app.Get("/api/week/reminder");
        ((string?)reminder["hour"], (string?)reminder["first"]).ShouldBe(
            ("18:30", (string?)(await app.Get("/api/today"))["drills"]![0]!["title"])
        );
    }

    private async Task<JsonNode> Begin()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        return await app.Get("/api/week/ahead");
    }

    private static object Usual(string hour = "", int sittings = 1, bool reminds = false) =>
        new
        {
            minutes = Enumerable.Repeat(30, 7),
            hours = Enumerable.Repeat(hour, 7),
            sittings = Enumerable.Repeat(sittings, 7),
            reminds,
        };

    private static string Say(int days) => $"{Day.AddDays(days):yyyy-MM-dd}";

    private static List<int> Minutes(JsonNode ahead) => [.. ahead["days"]!.AsArray().Select(day => day!["minutes"]!.GetValue<int>())];
}
