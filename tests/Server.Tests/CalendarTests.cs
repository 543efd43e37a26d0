using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Ical.Net;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Calendars of other programs (RFC 5545), out and in; read back by Ical.Net.</summary>
public sealed class CalendarTests : IDisposable
{
    private static readonly DateOnly Day = DateOnly.FromDateTime(Evening.DateTime);
    private readonly App app = new();

    public void Dispose() => app.Dispose();

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

    private async Task Begin()
    {
        await app.Clock(Evening);
        await app.FirstDay();
    }

    private Task<JsonNode> Read(params string[] events) => app.Post("/api/week/calendar", new { text = Text(events) });

    private static string Text(params string[] events) =>
        $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n{string.Concat(events)}END:VCALENDAR\r\n";

    private static string Event(params string[] lines) =>
        $"BEGIN:VEVENT\r\nUID:{Guid.NewGuid()}\r\nDTSTAMP:20310101T000000Z\r\n{string.Join("\r\n", lines)}\r\nEND:VEVENT\r\n";

    private static object Usual(string hour) =>
        new
        {
            minutes = Enumerable.Repeat(30, 7),
            hours = Enumerable.Repeat(hour, 7),
            sittings = Enumerable.Repeat(1, 7),
        };

    private static string Say(int days) => $"{Day.AddDays(days):yyyy-MM-dd}";
}
