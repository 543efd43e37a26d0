using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Music that is taken in can always be read again, no music stops a session, and no file stops the program.</summary>
public sealed class MusicFileTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_bar_cut_in_two_keeps_its_number_and_a_file_that_cannot_be_read_changes_nothing()
    {
        var (piece, _, _, _) = await app.FirstDay();
        // Bar 2 is written as two halves without a repeat sign between, as notation programs cut a bar at the end of a line.
        var file = Score(Measure(1, 3) + Measure(2, 2) + Measure("X1", 1, "implicit=\"yes\"") + Measure(3, 3));
        var (status, text) = await SendAsync(piece, file);
        status.ShouldBe(200, text);
        (await app.Get($"/api/pieces/{piece}/bars?from=2&to=2"))["played"]!.AsArray().Count.ShouldBe(3);
        (await app.Get($"/api/pieces/{piece}/bars?from=3&to=3"))["played"]!.AsArray().Count.ShouldBe(3);
        await RefusedAsync(piece, Score(Measure(1, 3) + "<measure><note>"), "broken");
        (await app.Get($"/api/pieces/{piece}/bars?from=2&to=3"))["played"]!.AsArray().Count.ShouldBe(6);
    }

    [Fact]
    public async Task A_piece_and_its_passages_are_counted_as_their_music_is()
    {
        var (piece, first, _, _) = await app.FirstDay();
        async Task<(int, string, int)> Counted(int id)
        {
            var found = (await app.Get("/api/materials")).AsArray().Single(one => Id(one!) == id)!;
            return ((int)found["beatsPerBar"]!, (string)found["beat"]!, (int)found["toBar"]!);
        }

        var waltz = Encoding.UTF8.GetBytes("X:1\nM:3/4\nL:1/4\nK:C\n" + string.Concat(Enumerable.Repeat("CDE|", 26)));
        var look = await LookAsync(piece, waltz, "");
        look["leftOut"]!
            .AsArray()
            .Select(one => (string?)one)
            .ShouldBe(["the piece has 26 bars, as its music (24 before)", "3 quarter beats in a bar are counted, as it is in 3/4"]);
        (await Counted(piece)).ShouldBe((4, "quarter", 24), "a look changes nothing");
        var opened = (await app.Get("/api/materials")).AsArray().Single(one => Id(one!) == piece)!;
        (await SendAsync(piece, waltz)).Status.ShouldBe(200);
        (await Counted(piece)).ShouldBe((3, "quarter", 26));
        (await Counted(first)).ShouldBe((3, "quarter", 4));
        await app.Refused(HttpMethod.Put, $"/api/materials/{piece}", opened, "version", 409);
        await app.Put($"/api/pieces/{piece}/music", new { abc = "X:1\nM:6/8\nL:1/8\nK:C\nCDEFGA|" });
        (await Counted(first)).ShouldBe((2, "dotted quarter", 4));
        // Once there are takes that count quarters, it stays with them and is said.
        await app.Put($"/api/pieces/{piece}/music", new { abc = "X:1\nM:4/4\nL:1/4\nK:C\nCDEF|" });
        (await Counted(first)).ShouldBe((4, "quarter", 4));
        await app.Clock(Evening);
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            (int?)now["target"]?["materialId"] == first
        );
        await app.Act(session, "Clean");
        await app.Put($"/api/pieces/{piece}/music", new { abc = "X:1\nM:6/8\nL:1/8\nK:C\nCDEFGA|" });
        (await Counted(first)).ShouldBe((4, "quarter", 4));
        (await app.Get($"/api/pieces/{piece}"))["leftOut"]!.ToJsonString().ShouldContain("the piece counts 4 quarter beats in a bar");
        // What is changed on the piece holds for its passages.
        var row = (await app.Get("/api/materials")).AsArray().Single(one => Id(one!) == piece)!.AsObject();
        (row["beatsPerBar"], row["beat"]) = (2, "dotted quarter");
        await app.Put($"/api/materials/{piece}", row);
        (await Counted(first)).ShouldBe((2, "dotted quarter", 4));
    }

    [Fact]
    public async Task What_the_instrument_does_not_reach_is_said_with_its_bars()
    {
        var (piece, _, _, _) = await app.FirstDay();
        var deep = Encoding.UTF8.GetBytes("X:1\nM:4/4\nL:1/4\nK:C clef=alto\nCDEF|C,,DEF|CDEF|C,,,4|");
        (await LookAsync(piece, deep, ""))["leftOut"]!
            .AsArray()
            .Select(one => (string?)one)
            .ShouldContain("taken over, but lower than C3, your usual lowest note (bars 2, 4)");
    }

    [Fact]
    public async Task A_drill_runs_without_music_that_cannot_be_read_and_says_so()
    {
        await app.Clock(Evening);
        var (piece, first, second, _) = await app.FirstDay();
        await app.Put(
            $"/api/pieces/{piece}/music",
            new { abc = "X:1\nM:4/4\nL:1/4\nK:C\n" + string.Concat(Enumerable.Repeat("CDEF|", 24)) }
        );
        app.Write($"UPDATE Music SET Score = 'no score' WHERE MaterialId = {piece}");
        var session = await app.SkipTo(await app.Post("/api/session", new { version = 0 }), now =>
            (int?)now["target"]?["materialId"] is { } here && (here == first || here == second)
        );
        session["abc"]!.GetValue<string>().ShouldBeEmpty();
        session["musicWord"]!.GetValue<string>().ShouldContain("Take its file again");
        session = await app.Act(session, "Done");
        session = await app.Act(session, "Back");
        session["musicWord"]!.GetValue<string>().ShouldNotBeEmpty();
        await app.Refused(HttpMethod.Get, $"/api/pieces/{piece}/bars?from=1&to=2", "", "music", 409);
    }

    /// <summary>Small files made to take long or much: within seconds each is refused, with what to do.</summary>
    [Theory]
    [InlineData("forward")]
    [InlineData("nested")]
    [InlineData("attributes")]
    [InlineData("one bar")]
    [InlineData("one chord")]
    [InlineData("midi notes")]
    [InlineData("midi chords")]
    public async Task A_hostile_file_costs_little_and_leaves_nothing(string kind)
    {
        var (piece, _, _, _) = await app.FirstDay();
        var file = kind switch
        {
            "forward" => Score(
                "<measure><attributes><divisions>1</divisions></attributes><forward><duration>10000000</duration></forward>"
                    + Note(1)
                    + "</measure>"
            ),
            "nested" => Score(
                "<measure>"
                    + string.Concat(Enumerable.Repeat("<a>", 200_000))
                    + string.Concat(Enumerable.Repeat("</a>", 200_000))
                    + Note(1)
                    + "</measure>"
            ),
            "attributes" => Score(
                "<measure " + string.Join(' ', Enumerable.Range(0, 400_000).Select(i => $"a{i}=\"\"")) + ">" + Note(1) + "</measure>"
            ),
            "one bar" => Score("<measure>" + Note(1) + string.Concat(Enumerable.Repeat("<x/>", 4_000_000)) + "</measure>"),
            "one chord" => Score(
                "<measure>"
                    + Note(1)
                    + string.Concat(Enumerable.Repeat(Note(1).Replace("<note>", "<note><chord/>", StringComparison.Ordinal), 150_000))
                    + "</measure>"
            ),
            "midi notes" => Midi(2_000_000, chord: 1),
            _ => Midi(1_500_000, chord: 128),
        };
        using var process = Process.GetCurrentProcess();
        var before = process.TotalProcessorTime;
        var watch = Stopwatch.StartNew();
        await RefusedAsync(piece, file, kind == "forward" ? "longer than" : "Export");
        process.Refresh();
        TestContext.Current.SendDiagnosticMessage(
            $"{kind}: {file.Length:N0} bytes, {watch.Elapsed.TotalSeconds:0.00} s, {(process.TotalProcessorTime - before).TotalSeconds:0.00} s of CPU with all tests beside it"
        );
        await app.Refused(HttpMethod.Get, $"/api/pieces/{piece}/bars?from=1&to=1", "", "id", 404);
    }

    [Fact]
    public async Task A_large_score_is_read_bar_by_bar_and_its_first_part_kept()
    {
        var (piece, _, _, _) = await app.FirstDay();
        var bars = string.Concat(Enumerable.Range(1, 120).Select(number => Measure(number, 3)));
        var parts = string.Concat(Enumerable.Range(1, 60).Select(number => $"<part id=\"P{number}\">{bars}</part>"));
        var answer = await SendAsync(
            piece,
            Encoding.Unicode.GetPreamble().Concat(Encoding.Unicode.GetBytes($"<score-partwise>{parts}</score-partwise>")).ToArray()
        );
        answer.Status.ShouldBe(200, answer.Text);
        JsonNode.Parse(await app.Http.GetStringAsync($"/api/pieces/{piece}"))!["leftOut"]!
            .AsArray()
            .ShouldContain(line => line!.GetValue<string>().StartsWith("59 of 60 parts", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_part_is_looked_at_chosen_kept_with_its_file_and_taken_away_again()
    {
        var (piece, _, _, _) = await app.FirstDay();
        var saxophone =
            "<attributes><divisions>1</divisions><transpose><diatonic>-5</diatonic><chromatic>-9</chromatic></transpose></attributes>";
        var file = Encoding.UTF8.GetBytes(
            $"<score-partwise><part-list><score-part id=\"P1\"><part-name>Voice</part-name></score-part><score-part id=\"P2\"><part-name>Alto saxophone</part-name></score-part></part-list><part id=\"P1\">{Measure(1, 3)}{Measure(2, 3)}</part><part id=\"P2\"><measure number=\"1\">{saxophone}{Note(4)}<harmony/></measure></part></score-partwise>"
        );
        var look = await LookAsync(piece, file, "");
        look["choices"]!.AsArray().Select(one => (string?)one!["name"]).ShouldBe(["Voice", "Alto saxophone"]);
        ((int?)look["part"], (int?)look["lastBar"], (bool?)look["canMove"]).ShouldBe((0, 2, false));
        look = await LookAsync(piece, file, "?part=1");
        ((string?)look["transposition"])!.ShouldContain("9 semitones lower");
        ((bool?)look["isMoved"]).ShouldBe(true);
        look["leftOut"]!.AsArray().Select(one => (string?)one).ShouldContain("chord symbols (bar 1)");
        var moved = (int)look["bars"]!["played"]![0]!["midi"]!;
        ((int)(await LookAsync(piece, file, "?part=1&sounding=false"))["bars"]!["played"]![0]!["midi"]! - moved).ShouldBe(9);
        app.Count("Music").ShouldBe(0, "looking keeps nothing");

        (await SendAsync(piece, file, "?part=1&name=band.xml")).Status.ShouldBe(200);
        app.Number($"select length(Bytes) from MusicFiles where MaterialId={piece} and Name='band.xml'").ShouldBe(file.Length);
        (await app.Get($"/api/pieces/{piece}"))["leftOut"]!.ToJsonString().ShouldContain("was taken");
        foreach (var (format, begin) in new[] { ("MusicXml", "<?xml"), ("Abc", "X:1"), ("Midi", "MThd") })
            (await app.Http.GetStringAsync($"/api/pieces/{piece}/bars/file?from=1&to=1&format={format}")).ShouldStartWith(begin);
        await app.Refused(HttpMethod.Get, $"/api/pieces/{piece}/bars/file?from=1&to=9&format=Abc", "", "to");
    }

    [Fact]
    public async Task Two_staves_are_shown_heard_and_written_together_or_one_by_one()
    {
        var (piece, _, _, _) = await app.FirstDay();
        var abc = "X:1\nM:2/4\nL:1/4\n%%score {1 | 2}\nK:C\nV:1\ncd|ef|]\nV:2 clef=bass\nC,2|G,2|]\n";
        (await SendAsync(piece, Encoding.UTF8.GetBytes(abc))).Status.ShouldBe(200);
        var both = await app.Get($"/api/pieces/{piece}/bars?from=1&to=2");
        ((int?)both["staves"], both["played"]!.AsArray().Count).ShouldBe((2, 6));
        var left = await app.Get($"/api/pieces/{piece}/bars?from=1&to=2&staff=1");
        (
            (int?)left["staves"],
            left["played"]!.AsArray().Count,
            ((string?)left["abc"])!.Contains("clef=bass", StringComparison.Ordinal)
        ).ShouldBe((2, 2, true));
        (await app.Get($"/api/pieces/{piece}/bars?from=1&to=2&staff=1&variant=chain"))["steps"]!.GetValue<int>().ShouldBe(2);
        await app.Refused(HttpMethod.Get, $"/api/pieces/{piece}/bars?from=1&to=2&staff=2", "", "staff");
    }

    private async Task<JsonNode> LookAsync(int piece, byte[] file, string query)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new("application/octet-stream");
        using var answer = await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/music/look{query}", UriKind.Relative), content);
        var text = await answer.Content.ReadAsStringAsync();
        ((int)answer.StatusCode).ShouldBe(200, text);
        return JsonNode.Parse(text)!;
    }

    private async Task RefusedAsync(int piece, byte[] file, string words)
    {
        var (status, text) = await SendAsync(piece, file);
        status.ShouldBe(400, text);
        JsonNode.Parse(text)!["errors"]!["file"]![0]!.GetValue<string>().ShouldContain(words);
    }

    private async Task<(int Status, string Text)> SendAsync(int piece, byte[] file, string query = "")
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new("application/octet-stream");
        using var answer = await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/music/file{query}", UriKind.Relative), content);
        return ((int)answer.StatusCode, await answer.Content.ReadAsStringAsync());
    }

    private static byte[] Score(string measures) =>
        Encoding.UTF8.GetBytes($"<score-partwise><part id=\"P1\">{measures}</part></score-partwise>");

    private static string Measure(object number, int beats, string more = "") =>
        $"<measure number=\"{number}\" {more}>{(number is 1 ? "<attributes><divisions>1</divisions><time><beats>3</beats><beat-type>4</beat-type></time></attributes>" : "")}{string.Concat(Enumerable.Repeat(Note(1), beats))}</measure>";

    private static string Note(int duration) =>
        $"<note><pitch><step>C</step><octave>5</octave></pitch><duration>{duration}</duration></note>";

    /// <summary>Notes one after the other, or in chords of so many, each a tick long.</summary>
    private static byte[] Midi(int notes, int chord)
    {
        var track = new MemoryStream();
        for (var i = 0; i < notes; i += chord)
        {
            for (var pitch = 0; pitch < chord; pitch++)
                track.Write([0, 0x90, (byte)(chord == 1 ? 60 : pitch), 64]);
            for (var pitch = 0; pitch < chord; pitch++)
                track.Write([(byte)(pitch == 0 ? 1 : 0), 0x80, (byte)(chord == 1 ? 60 : pitch), 0]);
        }

        track.Write([0, 0xFF, 0x2F, 0]);
        var length = (int)track.Length;
        return
        [
            .. "MThd"u8,
            0,
            0,
            0,
            6,
            0,
            0,
            0,
            1,
            0,
            96,
            .. "MTrk"u8,
            (byte)(length >> 24),
            (byte)(length >> 16),
            (byte)(length >> 8),
            (byte)length,
            .. track.ToArray(),
        ];
    }
}
