using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Ical.Net;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The coming week is one plan: minutes, hours, exceptions, what is likely, calendars out and in.</summary>
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
    public async Task The_calendar_goes_out_to_other_programs_by_file_and_by_its_secret_address()
    {
        await Begin();
        await app.Put("/api/week/usual", Usual(hour: "18:30"));
        await app.Post(
            "/api/week/days-off",
            new
            {
                from = Say(1),
                until = Say(1),
                kind = "Visit",
            }
        );
        var calendar = Calendar.Load(await app.Http.GetStringAsync("/api/week/calendar"))!;
        var practice = calendar.Events.Where(one => one.Summary!.StartsWith("Practice", StringComparison.Ordinal)).ToList();
        practice.Count.ShouldBe(27, "four weeks but for the visit");
        practice[0].Start!.AsUtc.ShouldBe(TimeZoneInfo.ConvertTimeToUtc(Day.ToDateTime(new TimeOnly(18, 30)), TimeZoneInfo.Local));
        practice.ShouldAllBe(one => one.EffectiveDuration.Minutes == 30);
        calendar.Events.Select(one => one.Uid).Distinct().Count().ShouldBe(calendar.Events.Count);

        (await app.Http.GetAsync($"/api/calendar/{new string('a', 32)}.ics")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        var feed = (string?)(await app.Put("/api/week/feed", new { on = true }))["feed"];
        Calendar.Load(await app.Http.GetStringAsync(feed))!.Events.Count.ShouldBe(calendar.Events.Count);
        await app.Put("/api/week/feed", new { on = false });
        (await app.Http.GetAsync(feed)).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_calendar_that_is_read_takes_hours_with_its_repetitions_and_broken_ones_are_refused()
    {
        await Begin();
        await app.Put("/api/week/usual", Usual(hour: "18:30"));
        // RFC 5545: folded lines, a daily repetition of a century, one of its days left out, a transparent and a whole-day entry.
        var read = await Read(
            Event(
                $"DTSTART:{Day.AddDays(-400):yyyyMMdd}T180000",
                $"DTEND:{Day.AddDays(-400):yyyyMMdd}T190000",
                "RRULE:FREQ=DAILY;UNTIL=21311231T000000Z",
                $"EXDATE:{Day.AddDays(2):yyyyMMdd}T180000",
                "SUMMARY:A very long na\r\n me"
            ),
            Event($"DTSTART:{Day:yyyyMMdd}T183000Z", $"DTEND:{Day:yyyyMMdd}T190000Z", "TRANSP:TRANSPARENT", "SUMMARY:Free"),
            Event($"DTSTART;VALUE=DATE:{Day:yyyyMMdd}", "SUMMARY:Birthday"),
            Event($"DTSTART:{Day:yyyyMMdd}T200000Z", $"DTEND:{Day:yyyyMMdd}T210000Z", "STATUS:CANCELLED", "SUMMARY:Off")
        );
        read["taken"]!.GetValue<int>().ShouldBeInRange(26, 28);
        read["wholeDays"]!.GetValue<int>().ShouldBe(1);
        var ahead = await app.Get("/api/week/ahead");
        ((string?)ahead["days"]![1]!["hourWords"]).ShouldBe("18:30 is taken by A very long name; 19:00 is free.");
        ahead["days"]![2]!["busy"]!.AsArray().ShouldBeEmpty("left out");

        await app.Refused(HttpMethod.Post, "/api/week/calendar", new { text = "no calendar" }, "text");
        await app.Refused(HttpMethod.Post, "/api/week/calendar", new { text = "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:x" }, "text");
        await app.Refused(
            HttpMethod.Post,
            "/api/week/calendar",
            new
            {
                text = Text(
                    Event(
                        $"DTSTART;TZID=Nowhere/Never:{Day:yyyyMMdd}T180000",
                        $"DTEND;TZID=Nowhere/Never:{Day:yyyyMMdd}T190000",
                        "SUMMARY:Lost"
                    )
                ),
            },
            "text"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/week/calendar",
            new
            {
                text = Text(
                    Event($"DTSTART:{Day:yyyyMMdd}T000000Z", $"DTEND:{Day:yyyyMMdd}T000001Z", "RRULE:FREQ=SECONDLY", "SUMMARY:Tick")
                ),
            },
            "text"
        );
        app.Count("Busy").ShouldBe(read["taken"]!.GetValue<int>(), "what was refused took nothing away");
        await app.Send(HttpMethod.Delete, "/api/week/calendar", null, 200);
        app.Count("Busy").ShouldBe(0);
    }

    [Fact]
    public async Task A_calendar_with_anything_in_it_is_read_or_refused_and_never_fails()
    {
        await Begin();
        var whole = Text(
            Event(
                $"DTSTART;TZID=Europe/Berlin:{Day:yyyyMMdd}T180000",
                "DURATION:PT1H30M",
                "RRULE:FREQ=WEEKLY;BYDAY=MO,WE;COUNT=9",
                "SUMMARY:Choir"
            ),
            Event(
                $"DTSTART:{Day:yyyyMMdd}T070000Z",
                $"DTEND:{Day:yyyyMMdd}T080000Z",
                "RRULE:FREQ=MONTHLY;BYSETPOS=-1;BYDAY=FR",
                "SUMMARY:Bread"
            )
        );
        var random = new Random(7);
        for (var i = 0; i < 120; i++)
        {
            var text = whole.ToCharArray().ToList();
            for (var change = random.Next(1, 5); change > 0; change--)
            {
                var at = random.Next(text.Count);
                if (random.Next(3) == 0)
                    text.RemoveAt(at);
                else
                    text[at] = "0123456789:;=,TZ-\r\nA\0é"[random.Next(22)];
            }

            using var answer = await app.Http.PostAsJsonAsync(
                "/api/week/calendar",
                new { text = new string([.. text]) },
                TestContext.Current.CancellationToken
            );
            ((int)answer.StatusCode).ShouldBeOneOf(200, 400);
            // What was read can be shown.
            if (answer.IsSuccessStatusCode)
                await app.Get("/api/week/ahead");
        }
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

    private Task<JsonNode> Read(params string[] events) => app.Post("/api/week/calendar", new { text = Text(events) });

    private static string Text(params string[] events) =>
        $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n{string.Concat(events)}END:VCALENDAR\r\n";

    private static string Event(params string[] lines) =>
        $"BEGIN:VEVENT\r\nUID:{Guid.NewGuid()}\r\nDTSTAMP:20310101T000000Z\r\n{string.Join("\r\n", lines)}\r\nEND:VEVENT\r\n";

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
