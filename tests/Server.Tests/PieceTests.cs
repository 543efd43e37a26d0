using System.Net;
using System.Text;
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
        await app.Put($"/api/pieces/passages/{passage}/missing", new { cause = "rushing", remedy = "Silence shows it.", method = "silent-bars" });
        view = await app.Get($"/api/pieces/{piece}");
        view["columns"]!.AsArray().Count.ShouldBe(2);
        view["passages"]![0]!["ratings"]!.AsArray().Select(one => (string)one!["readiness"]!).ShouldBe(["Raw", "Shaping"]);
        (await app.Get("/api/today"))["drills"]!.AsArray().SelectMany(drill => drill!["targets"]!.AsArray()).ShouldContain(target => (int?)target!["materialId"] == passage);
        await app.Refused(HttpMethod.Put, $"/api/pieces/passages/{passage}/missing", new { cause = "Wrong notes" }, "cause");
        await app.Refused(HttpMethod.Put, $"/api/pieces/passages/{passage}/missing", new { cause = "rushing", method = "shouting" }, "method");
        await app.Refused(HttpMethod.Post, $"/api/pieces/{piece}/reading", new { marks = new[] { 99 } }, "marks");
        await app.Refused(HttpMethod.Post, $"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 3, to = 99 } } }, "passages[0]");
        await app.Put($"/api/pieces/passages/{passage}/missing", new { cause = "left thumb late", remedy = "Thumb first, alone.", method = "slow-anchor" });
        (await app.Get("/api/pieces/causes")).AsArray().Select(one => (string)one!["name"]!).ShouldContain("left thumb late", "one's own are offered again");
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
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=1&variant=melody-only"))["reason"]!.GetValue<string>().ShouldContain("one voice only");
        await app.Send(HttpMethod.Get, $"/api/pieces/{piece}/bars?from=3&to=9", null, 400);
        await app.Refused(HttpMethod.Put, $"/api/pieces/{piece}/music", new { abc = "K:C\nCDE?|" }, "file");

        await app.Post($"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 1, to = 2 } } });
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now => ((string?)now["target"]?["title"])?.StartsWith("Kite Song, 1–2", StringComparison.Ordinal) == true);
        session["abc"]!.GetValue<string>().ShouldContain("K:F clef=alto\n");
    }

    [Fact]
    public async Task A_file_is_taken_or_refused_with_its_reason_and_the_music_before_it_stays()
    {
        var piece = await Piece();
        var bar = "<measure><note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note></measure>";
        (await Send(piece, $"<score-partwise><part><measure><attributes><divisions>1</divisions></attributes></measure>{string.Concat(Enumerable.Repeat(bar, 23))}</part><part/></score-partwise>")).ShouldBe(HttpStatusCode.OK);
        var before = (await app.Get($"/api/pieces/{piece}/bars?from=1&to=4")).ToJsonString();
        (await Send(piece, "<!DOCTYPE x [<!ENTITY f SYSTEM \"file:///etc/passwd\">]><score-partwise>&f;</score-partwise>")).ShouldBe(HttpStatusCode.BadRequest);
        (await Send(piece, "<score-partwise><part>")).ShouldBe(HttpStatusCode.BadRequest);
        (await Send(piece, "")).ShouldBe(HttpStatusCode.BadRequest);
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=4")).ToJsonString().ShouldBe(before);
        (await app.Get($"/api/pieces/{piece}"))["leftOut"]!.ToJsonString().ShouldContain("1 of 2 parts");
    }

    [Fact]
    public async Task A_performance_is_summed_backwards_and_what_does_not_fit_is_named()
    {
        var piece = await Piece("2031-05-28");
        await app.Post($"/api/pieces/{piece}/passages", new { passages = Enumerable.Range(1, 9).Select(i => new { from = 2 * i, to = (2 * i) + 1 }) });
        var plan = (await app.Get($"/api/pieces/{piece}"))["plan"]!;
        plan["fits"]!.GetValue<bool>().ShouldBeFalse("nothing was ever played, so there are no habits to count on");
        plan["leaveOut"]!.AsArray().ShouldNotBeEmpty();
        plan["sectionsFrom"]!.GetValue<string>().ShouldBe("2031-05-21", "14 days in the proportion 2 : 1 : 1");
        await app.Put($"/api/pieces/{piece}/school", new { school = "EveryOtherDay" });
        (await app.Get($"/api/pieces/{piece}"))["school"]!.GetValue<string>().ShouldBe("EveryOtherDay");
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
        await app.Put("/api/profile", new { instrument = "Viola", family = "strings", weekdayMinutes = new[] { 45, 45, 45, 45, 45, 45, 45 } });
        return Id(await app.Post("/api/materials", new { kind = "Piece", title = "Kite Song", toBar = 24, beatsPerBar = 3, target = 100, performance }));
    }
}
