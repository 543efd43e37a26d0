using System.Text.Json.Nodes;
using Markdig;
using Markdig.Syntax;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What is written stays findable, keeps what stood before, and comes back on the day it was carried to.</summary>
public sealed class JournalTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Words_are_found_by_their_beginnings_and_narrowed_by_thing_area_tag_and_days()
    {
        await app.Clock(Evening);
        var (piece, passage, _, exercise) = await app.FirstDay();
        await Write("The Überschlag in the left hand", passage, tags: ["reed", "breath"], cause: "thumb late");
        await Write("Even now", exercise, nextTime: "slower than I think");
        await Write("Reed dried out", day: Evening.AddDays(-40));
        (await Found("search=uber")).ShouldBe(1, "without its dots");
        (await Found("search=hand+left")).ShouldBe(1, "in any order");
        (await Found("search=thumb")).ShouldBe(1, "in what was the cause");
        (await Found("search=slower")).ShouldBe(1, "in what to do next time");
        (await Found("search=schlag")).ShouldBe(0, "not by its end");
        (await Found("search=reed")).ShouldBe(2, "tags are words too");
        (await Found("search=%22+AND+(")).ShouldBe(0, "signs of a search language are none here");
        (await Found("search=*")).ShouldBe(0);
        (await Found($"materialId={piece}")).ShouldBe(1, "of a piece its passages");
        (await Found("area=Technique")).ShouldBe(1);
        (await Found("area=Repertoire")).ShouldBe(1);
        (await Found("tag=reed")).ShouldBe(1);
        (await Found("tag=ree")).ShouldBe(0);
        (await Found($"to={Evening.AddDays(-10):yyyy-MM-dd}")).ShouldBe(1);
        (await Found($"from={Evening.AddDays(-10):yyyy-MM-dd}&search=reed")).ShouldBe(1);
        (await Found($"from={Evening:yyyy-MM-dd}&to={Evening.AddDays(-1):yyyy-MM-dd}")).ShouldBe(0);
    }

    [Fact]
    public async Task Words_are_found_page_by_page_in_a_long_journal_whenever_it_was_written()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        const int days = 3_300;
        // Read in from the newest day to the oldest: what was written last is what is longest ago.
        var text = string.Concat(
            Enumerable
                .Range(0, days)
                .Select(back => $"## {Evening.AddDays(-back):yyyy-MM-dd}\n\nscale {(back % 1_100 == 7 ? "seldom" : "")}\n\n")
        );
        await app.Post("/api/journal/markdown", new { text });
        (await Days("search=seldom")).ShouldBe([7, 1_107, 2_207]);
        (await Days("search=scale")).ShouldBe(Enumerable.Range(0, 14));
        (await Days($"search=scale&before={Evening.AddDays(-13):yyyy-MM-dd}")).ShouldBe(Enumerable.Range(14, 14));
        (await Days($"search=scale&before={Evening.AddDays(-3_290):yyyy-MM-dd}")).ShouldBe(Enumerable.Range(3_291, 9));
        (await Days($"search=scale&to={Evening.AddDays(-3_200):yyyy-MM-dd}")).ShouldBe(Enumerable.Range(3_200, 14));

        async Task<IEnumerable<int>> Days(string wish) =>
            (await app.Get($"/api/journal?{wish}"))["days"]!
                .AsArray()
                .Select(day => DateOnly.FromDateTime(Evening.DateTime).DayNumber - DateOnly.Parse((string)day!["day"]!, null).DayNumber);
    }

    [Fact]
    public async Task A_change_keeps_what_stood_before_and_says_nothing_where_nothing_changed()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var entry = await Write("first words", cause: "tired");
        await app.Put($"/api/journal/{Id(entry)}", new { text = "first words" });
        await app.Put($"/api/journal/{Id(entry)}", new { text = "second words" });
        var now = await app.Put($"/api/journal/{Id(entry)}", new { cause = "", remedy = "sleep" });
        now["changes"]!.GetValue<int>().ShouldBe(2);
        var before = (await app.Get($"/api/journal/{Id(entry)}/before")).AsArray();
        before
            .Select(one => ((string?)one!["text"], (string?)one["cause"]))
            .ShouldBe([("second words", "tired"), ("first words", "tired")]);
        await app.Refused(HttpMethod.Put, $"/api/journal/{Id(entry)}", new { text = "", remedy = "" }, "text");
        (await Found("search=second")).ShouldBe(1);
    }

    [Fact]
    public async Task What_is_carried_over_stands_in_the_plan_of_its_day_and_not_before()
    {
        await app.Clock(Evening);
        var (_, _, second, _) = await app.FirstDay();
        var entry = await Write("Try it standing", second);
        var day = Evening.AddDays(3);
        await app.Put($"/api/journal/{Id(entry)}/carried", new { day = $"{day:yyyy-MM-dd}" });
        await app.Refused(
            HttpMethod.Put,
            $"/api/journal/{Id(entry)}/carried",
            new { day = $"{Evening.AddDays(-1):yyyy-MM-dd}" },
            "carriedTo"
        );
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["carried"]!.AsArray().ShouldBeEmpty();
        await app.Clock(day);
        var today = await app.Get("/api/today");
        today["carried"]!.AsArray().Select(one => (string?)one!["text"]).ShouldBe(["Try it standing"]);
        today["drills"]!.AsArray().First(drill => drill!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == second))![
            "reason"
        ]!
            .ToString()
            .ShouldContain("asked");
        await app.Put($"/api/journal/{Id(entry)}/settled", new { settled = true });
        (await app.Get("/api/today"))["carried"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task The_journal_goes_out_as_markdown_and_comes_in_again_once()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        await Write("# not a heading\n\nCause: not a field\n- a list\n---", passage, tags: ["reed"], cause: "late", nextTime: "earlier");
        await Write("Of an earlier day", day: Evening.AddDays(-2));
        var text = await app.Http.GetStringAsync("/api/journal/markdown");
        // A reader of Markdown from outside sees the days and entries as headings, and none in the words.
        var headings = Markdown.Parse(text).OfType<HeadingBlock>().Where(block => block.HeaderChar == '#').Select(block => block.Level);
        headings.ShouldBe([1, 2, 3, 2, 3]);
        (await ReadIn(text)).ShouldBe((0, 2), "all of it stands there");

        using var other = new App();
        await other.Clock(Evening);
        await other.FirstDay();
        var there = await other.Post("/api/journal/markdown", new { text });
        there["added"]!.GetValue<int>().ShouldBe(2);
        (await other.Http.GetStringAsync("/api/journal/markdown")).ShouldBe(text);
        var entry = (await other.Get("/api/journal?search=heading"))["days"]![0]!["entries"]![0]!;
        ((int?)entry["materialId"], (string?)entry["nextTime"]).ShouldBe((passage, "earlier"));

        await app.Refused(HttpMethod.Post, "/api/journal/markdown", new { text = "words without a day" }, "text");
        await app.Refused(HttpMethod.Post, "/api/journal/markdown", new { text = "## 2031-02-31\n\nwords" }, "text");
        await app.Refused(HttpMethod.Post, "/api/journal/markdown", new { text = $"## {Evening.AddDays(1):yyyy-MM-dd}\n\nwords" }, "text");

        async Task<(int, int)> ReadIn(string words)
        {
            var read = await app.Post("/api/journal/markdown", new { text = words });
            return (read["added"]!.GetValue<int>(), read["known"]!.GetValue<int>());
        }
    }

    [Fact]
    public async Task A_day_tells_what_was_planned_played_reached_decided_and_how_the_body_was()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        await app.Clock(Evening.AddMinutes(2));
        await app.Act(session, "Clean", seconds: 30);
        await app.Close(note: "It holds.", tension: 2);
        await Write("A day without playing", day: Evening.AddDays(-3));
        var page = await app.Get($"/api/journal/days/{Evening:yyyy-MM-dd}");
        var thing = page["things"]!.AsArray().Single(one => (int?)one!["materialId"] == first)!;
        ((int?)thing["takes"], (int?)thing["cleanTakes"], (int?)thing["before"]).ShouldBe((1, 1, null));
        page["body"]!.AsArray().Select(line => (string?)line).ShouldBe(["Tension: some"]);
        page["plannedMinutes"]!.GetValue<double>().ShouldBeGreaterThan(0);
        ((string?)page["earlier"], (string?)page["later"]).ShouldBe(($"{Evening.AddDays(-3):yyyy-MM-dd}", null));
        var quiet = await app.Get($"/api/journal/days/{Evening.AddDays(-3):yyyy-MM-dd}");
        ((string?)quiet["later"], quiet["day"]!["entries"]!.AsArray().Count).ShouldBe(($"{Evening:yyyy-MM-dd}", 1));
        (await app.Get($"/api/journal/days/{Evening.AddDays(-9):yyyy-MM-dd}"))["day"]!["entries"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Phrases_are_ones_own_and_a_line_of_the_close_says_cause_remedy_and_next_time()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Put("/api/journal/phrases", new { phrases = new[] { "reed too soft", " ", "reed too soft", "hurried" } });
        (await app.Get("/api/journal/phrases"))["phrases"]!.AsArray().Select(one => (string?)one).ShouldBe(["reed too soft", "hurried"]);
        await app.Refused(
            HttpMethod.Put,
            "/api/journal/phrases",
            new { phrases = Enumerable.Range(0, 30).Select(i => $"p{i}") },
            "phrases"
        );
        var session = await app.Begin();
        await app.Post(
            "/api/session/close",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                lines = new object[]
                {
                    new
                    {
                        position = 0,
                        cause = "cold hands",
                        nextTime = "warm them first",
                    },
                    new { position = 1, text = "" },
                },
            }
        );
        var entries = (await app.Get("/api/journal"))["days"]![0]!["entries"]!.AsArray();
        entries
            .Select(one => ((string?)one!["text"], (string?)one["cause"], (string?)one["nextTime"]))
            .ShouldBe([("", "cold hands", "warm them first")]);
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["drills"]!
            .AsArray()
            .SelectMany(drill => drill!["written"]!.AsArray())
            .Select(line => (string?)line!["text"])
            .ShouldContain("warm them first");
    }

    private Task<JsonNode> Write(
        string text,
        int? materialId = null,
        string[]? tags = null,
        string cause = "",
        string nextTime = "",
        DateTimeOffset? day = null
    ) =>
        app.Post(
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text,
                materialId,
                tags,
                cause,
                nextTime,
                day = day is { } at ? $"{at:yyyy-MM-dd}" : null,
                kind = day is null ? "Note" : "Day",
            }
        );

    private async Task<int> Found(string query) =>
        (await app.Get($"/api/journal?{query}"))["days"]!.AsArray().Sum(day => day!["entries"]!.AsArray().Count);
}
