using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Pieces over HTTP: reading, passages, grid, what is missing, music.</summary>
public sealed class PieceTests : IDisposable
{
    private const string Waltz = "M:3/4\nL:1/8\nK:F\nF2 GA Bc|d2 c2 A2|B2 AG FE|F6|]";

    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Marks_become_passages_that_are_rated_by_date_and_say_what_is_missing()
    {
        var piece = await Piece();
        var suggested = await app.Post($"/api/pieces/{piece}/reading", new { marks = new[] { 9, 8, 17, 9 } });
        suggested.AsArray().Select(one => $"{one!["from"]}-{one["to"]}").ShouldBe(["8-9", "17-17"]);
        await app.Post($"/api/pieces/{piece}/passages", new { passages = suggested });
        var view = await app.Get($"/api/pieces/{piece}");
        var passage = Id(view["passages"]![0]!);
        view["columns"]!.AsArray().Count.ShouldBe(1);

        await app.Clock(Evening.AddDays(7));
        await app.Put($"/api/pieces/passages/{passage}/rating", new { readiness = "Shaping" });
        await app.Put(
            $"/api/pieces/passages/{passage}/missing",
            new
            {
                cause = "rushing",
                remedy = "Silence shows it.",
                method = "silent-bars",
            }
        );
        view = await app.Get($"/api/pieces/{piece}");
        view["columns"]!.AsArray().Count.ShouldBe(2);
        view["passages"]![0]!["ratings"]!.AsArray().Select(one => (string)one!["readiness"]!).ShouldBe(["Raw", "Shaping"]);
        (await app.Get("/api/today"))["drills"]!
            .AsArray()
            .SelectMany(drill => drill!["targets"]!.AsArray())
            .ShouldContain(target => (int?)target!["materialId"] == passage);
        await app.Refused(HttpMethod.Put, $"/api/pieces/passages/{passage}/missing", new { cause = "Wrong notes" }, "cause");
        await app.Refused(HttpMethod.Put, $"/api/pieces/passages/{passage}/missing", new { cause = "Some mistakes." }, "cause");
        await app.Refused(
            HttpMethod.Put,
            $"/api/pieces/passages/{passage}/missing",
            new { cause = "rushing", method = "shouting" },
            "method"
        );
        await app.Refused(HttpMethod.Post, $"/api/pieces/{piece}/reading", new { marks = new[] { 99 } }, "marks");
        await app.Refused(
            HttpMethod.Post,
            $"/api/pieces/{piece}/passages",
            new { passages = new[] { new { from = 3, to = 99 } } },
            "passages[0]"
        );
        await app.Put(
            $"/api/pieces/passages/{passage}/missing",
            new
            {
                cause = "left thumb late",
                remedy = "Thumb first, alone.",
                method = "slow-anchor",
            }
        );
        (await app.Get("/api/pieces/causes"))
            .AsArray()
            .Select(one => (string)one!["name"]!)
            .ShouldContain("left thumb late", "one's own are offered again");
    }

    [Fact]
    public async Task Music_is_cut_varied_moved_and_stands_on_the_stage()
    {
        var piece = await Piece();
        await app.Put($"/api/pieces/{piece}/music", new { abc = Waltz });
        (await app.Get($"/api/pieces/{piece}"))["leftOut"]!.ToJsonString().ShouldContain("the music has bars 1 to 4, the piece 1 to 24");
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=2"))["beats"]!.GetValue<double>().ShouldBe(6);
        var chain = await app.Get($"/api/pieces/{piece}/bars?from=1&to=1&variant=chain");
        chain["steps"]!.GetValue<int>().ShouldBe(5, "a chain of five notes has five steps");
        var moved = await app.Get($"/api/pieces/{piece}/bars?from=1&to=1&key=G%20major");
        (moved["played"]![0]!["midi"]!.GetValue<int>() - chain["played"]![0]!["midi"]!.GetValue<int>()).ShouldBe(2, "from F to G");
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=1&variant=melody-only"))["reason"]!
            .GetValue<string>()
            .ShouldContain("one voice only");
        await app.Send(HttpMethod.Get, $"/api/pieces/{piece}/bars?from=3&to=9", null, 400);
        await app.Refused(HttpMethod.Put, $"/api/pieces/{piece}/music", new { abc = "K:C\nCDE?|" }, "file");

        await app.Post($"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 1, to = 2 } } });
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            ((string?)now["target"]?["title"])?.StartsWith("Kite Song, 1–2", StringComparison.Ordinal) == true
        );
        session["abc"]!.GetValue<string>().ShouldContain("K:F clef=alto\n");
    }

    [Fact]
    public async Task A_file_is_taken_or_refused_with_its_reason_and_the_music_before_it_stays()
    {
        var piece = await Piece();
        var bar = "<measure><note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note></measure>";
        (
            await Send(
                piece,
                $"<score-partwise><part><measure><attributes><divisions>1</divisions></attributes></measure>{string.Concat(Enumerable.Repeat(bar, 23))}</part><part/></score-partwise>"
            )
        ).ShouldBe(HttpStatusCode.OK);
        var before = (await app.Get($"/api/pieces/{piece}/bars?from=1&to=4")).ToJsonString();
        (await Send(piece, "<!DOCTYPE x [<!ENTITY f SYSTEM \"file:///etc/passwd\">]><score-partwise>&f;</score-partwise>")).ShouldBe(
            HttpStatusCode.BadRequest
        );
        (await Send(piece, "<score-partwise><part>")).ShouldBe(HttpStatusCode.BadRequest);
        (await Send(piece, "")).ShouldBe(HttpStatusCode.BadRequest);
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=4")).ToJsonString().ShouldBe(before);
        (await app.Get($"/api/pieces/{piece}"))["leftOut"]!.ToJsonString().ShouldContain("1 of 2 parts");
        (await Send(piece, "MThd\0\0\0\u0006\0\u0001\0\u0001\0`")).ShouldBe(HttpStatusCode.BadRequest, "a MIDI file without a note");
        (await Send(piece, "MThd\0\0\0\u0006\0\0\0\u0001\0`MTrk\0\0\0\u0009\0\u0011<@`\u0001<\0")).ShouldBe(
            HttpStatusCode.BadRequest,
            "broken in the middle"
        );
    }

    [Fact]
    public async Task A_piece_has_several_dates_and_the_next_holds_when_one_is_past()
    {
        var piece = await Piece("2031-05-15");
        var view = (await app.Get("/api/materials")).AsArray().First(one => Id(one!) == piece)!.AsObject();
        view["laterDates"] = new JsonArray("2031-06-20", "2031-05-30");
        view["title"] = view["ownTitle"]!.DeepClone();
        view["weekMinutes"] = 10;
        view["weekTimes"] = 3;
        var kept = await app.Put($"/api/materials/{piece}", view);
        kept["laterDates"]!.AsArray().Select(date => date!.GetValue<string>()).ShouldBe(["2031-05-30", "2031-06-20"]);
        kept["weekTimes"]!.GetValue<int>().ShouldBe(3);
        (await app.Get("/api/today"))["drills"]!
            .AsArray()
            .ShouldContain(drill => drill!["reason"]!.GetValue<string>().Contains("tomorrow is the day"));
        await app.Clock(Evening.AddDays(2));
        (await app.Get($"/api/pieces/{piece}"))["performance"]!.GetValue<string>().ShouldBe("2031-05-30");
        (await app.Get($"/api/pieces/{piece}"))["plan"]!["sectionsFrom"]!
            .GetValue<string>()
            .ShouldBe("2031-05-16", "it goes on from where it stands");
        view["version"] = kept["version"]!.DeepClone();
        view["weekTimes"] = 9;
        await app.Refused(HttpMethod.Put, $"/api/materials/{piece}", view, "weekMinutes");
    }

    [Fact]
    public async Task A_performance_that_does_not_fit_is_said_in_the_plan_and_mended_by_letting_passages_rest()
    {
        var piece = await Piece("2031-05-20");
        await app.Post(
            $"/api/pieces/{piece}/passages",
            new { passages = Enumerable.Range(1, 9).Select(i => new { from = 2 * i, to = (2 * i) + 1 }) }
        );
        var plan = (await app.Get($"/api/pieces/{piece}"))["plan"]!;
        plan["fits"]!.GetValue<bool>().ShouldBeFalse();
        plan["sectionsFrom"]!.GetValue<string>().ShouldBe("2031-05-17", "6 days in the proportion 2 : 1 : 1");
        Warnings(await app.Get("/api/today")).ShouldContain("Kite Song on 20 May needs");
        foreach (var one in plan["leaveOut"]!.AsArray().Where(one => one!["materialId"] is not null))
            await app.Put($"/api/pieces/passages/{one!["materialId"]!.GetValue<int>()}/rest", new { until = "2031-05-21" });
        (await app.Get($"/api/pieces/{piece}"))["plan"]!["fits"]!.GetValue<bool>().ShouldBeTrue();
        Warnings(await app.Get("/api/today")).ShouldNotContain("Kite Song");

        // Two days of sections come before the run-throughs; what rested comes back after the day.
        await app.Clock(Evening.AddDays(3));
        Reasons(await app.Get("/api/today")).ShouldContain("3 days left: its passages joined");
        await app.Clock(Evening.AddDays(5));
        Reasons(await app.Get("/api/today")).ShouldContain("tomorrow is the day: once through");
        await app.Clock(Evening.AddDays(7));
        (await app.Get($"/api/pieces/{piece}"))["passages"]!.AsArray().ShouldAllBe(one => !one!["resting"]!.GetValue<bool>());
        await app.Put($"/api/pieces/{piece}/school", new { school = "EveryOtherDay" });
        (await app.Get($"/api/pieces/{piece}"))["school"]!.GetValue<string>().ShouldBe("EveryOtherDay");

        static string Warnings(JsonNode today) => today["warnings"]!.ToJsonString();
        static string Reasons(JsonNode today) =>
            string.Join(" | ", today["drills"]!.AsArray().Select(drill => drill!["reason"]!.GetValue<string>()));
    }

    [Fact]
    public async Task A_clean_run_through_counts_a_little_for_the_passages_in_it_and_is_taken_back_with_them()
    {
        await Piece();
        var piece = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Low Tide",
                    toBar = 24,
                    beatsPerBar = 3,
                    target = 100,
                    readiness = "Ready",
                }
            )
        );
        await app.Post($"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 2, to = 3 } } });
        var today = await app.Post(
            "/api/today/changes",
            new
            {
                version = (await app.Get("/api/today"))["version"]!.GetValue<int>(),
                kind = "Add",
                materialId = piece,
                value = 4,
            }
        );
        var session = await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            (int?)now["target"]?["materialId"] == piece
        );
        session["cue"]!["sentence"]!.GetValue<string>().ShouldBe("Once, right through. No stopping.");
        session = await app.Act(session, "Clean");
        var passage = (await app.Get($"/api/pieces/{piece}"))["passages"]![0]!;
        (passage["takes"]!.GetValue<int>(), passage["clean"]!.GetValue<int>()).ShouldBe((1, 1));
        await app.Act(session, "Back");
        (await app.Get($"/api/pieces/{piece}"))["passages"]![0]!["takes"]!
            .GetValue<int>()
            .ShouldBe(0, "the take that ended the drill is taken back");
    }

    [Fact]
    public async Task A_page_is_kept_by_what_it_is_and_shown_again()
    {
        var piece = await Piece();
        byte[] png = [0x89, (byte)'P', (byte)'N', (byte)'G', 13, 10, 26, 10, 1, 2, 3];
        (await SendPage(piece, png)).ShouldBe(HttpStatusCode.OK);
        (await SendPage(piece, Encoding.UTF8.GetBytes("<svg onload='x'/>"))).ShouldBe(HttpStatusCode.BadRequest);
        (await SendPage(piece + 99, png)).ShouldBe(HttpStatusCode.NotFound);
        var page = (await app.Get($"/api/pieces/{piece}"))["pages"]!.AsArray().ShouldHaveSingleItem()!;
        (page["name"]!.GetValue<string>(), page["contentType"]!.GetValue<string>()).ShouldBe(("page 1.png", "image/png"));
        using var shown = await app.Http.GetAsync(new Uri($"/api/pages/{Id(page)}", UriKind.Relative));
        (await shown.Content.ReadAsByteArrayAsync()).ShouldBe(png);
        shown.Headers.GetValues("Content-Security-Policy").Single().ShouldContain("frame-ancestors 'self'");
        await app.Send(HttpMethod.Delete, $"/api/pages/{Id(page)}", null, 200);
        (await app.Get($"/api/pieces/{piece}"))["pages"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_box_on_a_page_becomes_a_passage_and_stands_on_the_stage()
    {
        var piece = await Piece();
        await SendPage(piece, [0x89, (byte)'P', (byte)'N', (byte)'G', 13, 10, 26, 10]);
        await SendPage(piece, Encoding.UTF8.GetBytes("%PDF-1.4"));
        var pages = (await app.Get($"/api/pieces/{piece}"))["pages"]!.AsArray();
        var boxes = $"/api/pages/{Id(pages[0]!)}/boxes";
        var made = await app.Post(boxes, BoxOf(0.1, 0.25, 0.8, 0.1));
        var passage = (await app.Get($"/api/pieces/{piece}"))["passages"]!.AsArray().ShouldHaveSingleItem()!;
        ((int?)made["passageId"], (string?)made["bars"], (string?)passage["difficulty"]).ShouldBe((Id(passage), "5–6", "shift"));
        // Over the end of the line: a second box of the same bars is no second passage.
        await app.Post(boxes, BoxOf(0.1, 0.35, 0.3, 0.1));
        var shown = (await app.Get($"/api/pieces/{piece}"))["pages"]![0]!["boxes"]!.AsArray();
        shown.Select(box => (int?)box!["passageId"]).ShouldBe([Id(passage), Id(passage)]);

        await app.Add(Id(passage));
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == Id(passage));
        var papers = session["pages"]!.AsArray();
        papers.Select(paper => (double?)paper!["box"]?["y"]).ShouldBe([0.25, 0.35, null, null], "where it stands first, then page by page");
        ((string?)papers[3]!["contentType"]).ShouldBe("application/pdf");

        await app.Send(HttpMethod.Delete, $"/api/boxes/{Id(made)}", null, 200);
        (await app.Get("/api/session"))["pages"]!.AsArray().Count.ShouldBe(3);
        await app.Post($"/api/boxes/{Id(made)}/back", new { });
        (await app.Get("/api/session"))["pages"]!.AsArray().Count.ShouldBe(4);
        await app.Refused(HttpMethod.Post, boxes, BoxOf(0.5, 0.5, 0.6, 0.1), "box");
        await app.Refused(HttpMethod.Post, boxes, BoxOf(0.5, 0.5, 0.001, 0.1), "box");
        await app.Refused(HttpMethod.Post, boxes, BoxOf(0.1, 0.1, 0.5, 0.1, from: 90), "to");
        await app.Refused(HttpMethod.Post, $"/api/pages/{Id(pages[1]!)}/boxes", BoxOf(0.1, 0.1, 0.5, 0.1), "id");
        await app.Refused(HttpMethod.Post, "/api/pages/999/boxes", BoxOf(0.1, 0.1, 0.5, 0.1), "id", 404);
    }

    private static object BoxOf(double x, double y, double width, double height, int from = 5) =>
        new
        {
            x,
            y,
            width,
            height,
            from,
            to = from + 1,
            difficulty = "shift",
        };

    [Fact]
    public async Task What_was_decided_shows_on_the_stage_and_memory_is_tested_before_one_looks()
    {
        var piece = await Piece();
        await app.Put($"/api/pieces/{piece}/music", new { abc = "M:3/4\nL:1/4\nK:F\nF G A | B c d |]" });
        var passage = (
            await app.Post(
                $"/api/pieces/{piece}/passages",
                new
                {
                    passages = new[]
                    {
                        new
                        {
                            from = 1,
                            to = 2,
                            difficulty = "memory",
                        },
                    },
                }
            )
        )[0]!.GetValue<int>();
        await app.Put(
            $"/api/pieces/passages/{passage}/decided",
            new
            {
                fingering = "third finger on B",
                stroke = "all in one bow",
                why = "the shift shows",
            }
        );
        var today = await app.Get("/api/today");
        var drill = today["drills"]!
            .AsArray()
            .First(one => one!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == passage))!;
        var choices = (await app.Get($"/api/today/drills/{(string?)drill["id"]}/methods")).AsArray();
        choices.Select(one => (string?)one!["id"]).ShouldContain("from-memory");
        await app.Refused(
            HttpMethod.Post,
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Method",
                drillId = (string?)drill["id"],
                methodId = "magic",
            },
            "methodId"
        );
        today = await app.Post(
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "Method",
                drillId = (string?)drill["id"],
                methodId = "from-memory",
            }
        );
        drill = today["drills"]!.AsArray().First(one => (string?)one!["id"] == (string?)drill["id"])!;
        ((string?)drill["method"], drill["locked"]!.GetValue<bool>()).ShouldBe(("from memory", true));
        drill["reason"]!.GetValue<string>().ShouldStartWith("your choice: fits what is to be played by heart");
        var version = today["version"]!.GetValue<int>();
        var session = await app.SkipTo(await app.Post("/api/session", new { version }), now =>
            (int?)now["target"]?["materialId"] == passage
        );
        session["abc"]!.GetValue<string>().ShouldBeEmpty("the test comes first");
        session["cue"]!["sentence"]!.GetValue<string>().ShouldBe("Without looking: that is the test. Stop after bar 2.");
        session["target"]!["note"]!.GetValue<string>().ShouldBe("third finger on B · all in one bow · because the shift shows");
        session = await app.Act(session, "Missed");
        session["abc"]!.GetValue<string>().ShouldContain("K:F");
    }

    private async Task<HttpStatusCode> SendPage(int piece, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new("application/octet-stream");
        using var answer = await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/pages?name=page%201.png", UriKind.Relative), content);
        return answer.StatusCode;
    }

    private async Task<HttpStatusCode> Send(int piece, string text)
    {
        using var content = new ByteArrayContent(Encoding.UTF8.GetBytes(text));
        content.Headers.ContentType = new("application/octet-stream");
        using var answer = await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/music/file", UriKind.Relative), content);
        return answer.StatusCode;
    }

    private async Task<int> Piece(string? performance = null)
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 45, 45, 45, 45, 45, 45, 45 },
            }
        );
        return Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Kite Song",
                    toBar = 24,
                    beatsPerBar = 3,
                    target = 100,
                    performance,
                }
            )
        );
    }
}
