using System.Net.WebSockets;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Takes on the stage are listened to over a WebSocket by a simulated player.</summary>
public sealed class ListeningTests : IDisposable
{
    private const int Rate = 48_000;

    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_take_is_compared_with_what_is_written_kept_and_marked()
    {
        var (passage, session) = await StageAsync();
        using var socket = await OpenAsync();
        (await ReadAsync(socket))["word"]!.GetValue<string>().ShouldBeEmpty();
        await SayAsync(socket, """{"click":1.0}""");
        var heard = await PlayAsync(socket, session, take => take with { LateMs = 30, JitterMs = 6 });
        heard["clean"]!.GetValue<bool>().ShouldBeTrue(heard.ToJsonString());
        heard["materialId"]!.GetValue<int>().ShouldBe(passage);
        heard["timing"]![0]!.GetValue<string>().ShouldContain("ms late in the mean");
        heard["late"]!.AsArray().Select(note => note!["lateMs"]!.GetValue<int>()).Average().ShouldBe(30, 8);
        heard["bars"]!
            .AsArray()
            .Select(bar => (bar!["at"]!.GetValue<double>(), bar["number"]!.GetValue<int>()))
            .ShouldBe([(0, 3), (0.667, 4)]);

        var wrong = await PlayAsync(socket, session, take => take with { Wrong = new HashSet<int> { 1 } });
        wrong["clean"]!.GetValue<bool>().ShouldBeFalse();
        wrong["faults"]!.AsArray().ShouldHaveSingleItem()!.GetValue<string>().ShouldBe("bar 3: B♭4 instead of A4");

        await app.Put($"/api/heard/{Id(heard)}", new { clean = true });
        await app.Put($"/api/heard/{Id(wrong)}", new { clean = true });
        var trust = await app.Get("/api/heard/trust");
        (trust["agreed"]!.GetValue<int>(), trust["differed"]!.GetValue<int>(), trust["mayMark"]!.GetValue<bool>()).ShouldBe((1, 1, false));
        var list = (await app.Get($"/api/heard?materialId={passage}"))["takes"]!.AsArray();
        list.Select(one => Id(one!)).ShouldBe([Id(wrong), Id(heard)]);
        list[0]!["marked"]!.GetValue<bool>().ShouldBeTrue("the player overrules it");
        (await app.Get("/api/heard?day=2031-05-14"))["takes"]!.AsArray().Count.ShouldBe(2);
        await app.Refused(HttpMethod.Put, "/api/heard/999", new { clean = true }, "id", 404);
    }

    [Fact]
    public async Task Where_nothing_is_written_it_says_so_and_what_is_no_delay_is_refused()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        using (var nobody = await OpenAsync())
            (await ReadAsync(nobody))["word"]!.GetValue<string>().ShouldBe("There is no drill at hand.");
        await app.Refused(HttpMethod.Get, $"/api/listen/takes?rate={Rate}&delay=5000", new { }, "delay");
        await app.Refused(HttpMethod.Get, $"/api/listen/takes?rate={Rate}&delay=NaN", new { }, "delay");
        // Without a note on paper the drill goes on as before.
        await app.Begin();
        using var socket = await OpenAsync();
        var first = await ReadAsync(socket);
        first["word"]!.GetValue<string>().ShouldNotBeEmpty();
        first["waits"]!.GetValue<bool>().ShouldBeTrue();
        await socket.SendAsync(new byte[2048], WebSocketMessageType.Binary, endOfMessage: true, CancellationToken.None);
        await SayAsync(socket, """["nothing"]""");
        (await socket.ReceiveAsync(new byte[100], CancellationToken.None)).MessageType.ShouldBe(WebSocketMessageType.Close);
    }

    [Fact]
    public async Task Sound_at_full_scale_is_told()
    {
        await StageAsync();
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        await socket.SendAsync(
            Enumerable.Repeat(new byte[] { 0xFF, 0x7F }, 1024).SelectMany(one => one).ToArray(),
            WebSocketMessageType.Binary,
            endOfMessage: true,
            CancellationToken.None
        );
        (await ReadAsync(socket))["word"]!.GetValue<string>().ShouldStartWith("Too loud for the microphone");
    }

    [Fact]
    public async Task What_comes_again_is_offered_as_what_is_missing_and_a_note_that_is_high_for_days_as_a_habit()
    {
        var (passage, session) = await StageAsync();
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        await SayAsync(socket, """{"click":1.0,"drone":null}""");
        SimulatedTake Rushing(SimulatedTake take) => take with { RushMs = 140, Cents = 12 };
        (await PlayAsync(socket, session, Rushing))["cause"].ShouldBeNull();
        (await PlayAsync(socket, session, Rushing))["cause"].ShouldBeNull();
        var third = await PlayAsync(socket, session, Rushing);
        var cause = third["cause"]!;
        cause["name"]!.GetValue<string>().ShouldBe("rushing", third.ToJsonString());
        cause["words"]!.GetValue<string>().ShouldStartWith("3 of the last 3 takes rush");
        third["intonation"]![0]!.GetValue<string>().ShouldStartWith("12 cents sharp in the mean");
        await app.Send(
            HttpMethod.Put,
            $"/api/pieces/passages/{passage}/missing",
            new
            {
                cause = "rushing",
                remedy = cause["remedy"]!.GetValue<string>(),
                method = cause["method"]!.GetValue<string>(),
            },
            200
        );
        (await PlayAsync(socket, session, Rushing))["cause"].ShouldBeNull("it is known");

        (await app.Get("/api/heard/pitch"))["notes"]!.AsArray().ShouldBeEmpty();
        app.Write("update Heard set Day = date('2031-05-14', '-' || Id || ' days')");
        var habits = await app.Get("/api/heard/pitch");
        habits["notes"]!.AsArray().Select(note => note!["name"]!.GetValue<string>()).ShouldContain("A4");
        habits["notes"]!.AsArray().ShouldAllBe(note => Math.Abs(note!["cents"]!.GetValue<double>() - 12) < 2);
        app.Write("update Heard set Simulated = 1");
        (await app.Get("/api/heard/pitch"))["notes"]!.AsArray().ShouldBeEmpty("a simulated player says nothing of this one");
    }

    [Fact]
    public async Task A_take_is_missed_for_what_the_player_chose()
    {
        var (_, session) = await StageAsync();
        var rules = await app.Get("/api/heard/rules");
        rules["mostWrong"]!.GetValue<int>().ShouldBe(0);
        await app.Refused(HttpMethod.Put, "/api/heard/rules", new { mostWrong = 21 }, "mostWrong");
        await app.Put("/api/heard/rules", new { mostWrong = 1, stopsCount = false });
        (await app.Get("/api/heard/rules"))["stopsCount"]!.GetValue<bool>().ShouldBeFalse();
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        var heard = await PlayAsync(socket, session, take => take with { Wrong = new HashSet<int> { 1 } });
        heard["clean"]!.GetValue<bool>().ShouldBeTrue();
        heard["faults"]!.AsArray().Count.ShouldBe(1, "it is told all the same");
    }

    [Fact]
    public async Task A_simulated_player_is_heard_as_it_was_wished_and_its_claps_measure_the_room()
    {
        var (_, session) = await StageAsync();
        using (var socket = await OpenAsync("takes?simulated=true&"))
        {
            await ReadAsync(socket);
            await SayAsync(socket, """{"click":1.0}""");
            await SendAsync(
                socket,
                await app.Http.GetByteArrayAsync(new Uri("/api/simulated/take?before=1&lateMs=40&wrong=1&seed=3", UriKind.Relative))
            );
            var heard = await HeardAsync(socket);
            heard["simulated"]!.GetValue<bool>().ShouldBeTrue();
            heard["late"]!.AsArray().Select(note => note!["lateMs"]!.GetValue<int>()).Average().ShouldBe(40, 8);
            heard["faults"]!.AsArray().ShouldContain(fault => fault!.GetValue<string>().Contains(" instead of "));
            await app.Put($"/api/heard/{Id(heard)}", new { clean = false });
            (await app.Get("/api/heard/trust"))["agreed"]!.GetValue<int>().ShouldBe(0);
        }

        using (var socket = await OpenAsync("delay?claps=true&"))
        {
            await SendAsync(
                socket,
                await app.Http.GetByteArrayAsync(new Uri("/api/simulated/claps?before=2&lateMs=120&jitterMs=8", UriKind.Relative))
            );
            await SayAsync(socket, """{"first":2}""");
            var delay = await ReadAsync(socket);
            delay["ms"]!.GetValue<double>().ShouldBe(120, 8, delay.ToJsonString());
            delay["plusMinus"]!.GetValue<double>().ShouldBeGreaterThan(20);
        }

        (await app.Http.GetByteArrayAsync(new Uri("/api/simulated/tuning", UriKind.Relative))).Length.ShouldBeGreaterThan(100_000);
        await app.Refused(HttpMethod.Get, "/api/simulated/take?lateMs=9000", new { }, "lateMs");
        await app.Refused(HttpMethod.Get, "/api/simulated/take?sound=9", new { }, "sound");
        await app.Close();
        await app.Refused(HttpMethod.Get, "/api/simulated/take", new { }, "session", 409);
    }

    [Fact]
    public async Task Without_a_click_the_tempo_at_which_it_was_heard_is_what_counts()
    {
        var (_, session) = await StageAsync();
        var wished = session["target"]!["tempo"]!.GetValue<int>();
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        var heard = await PlayAsync(socket, session, take => take with { Tempo = new Bpm(wished - 9) });
        heard["playedTempo"]!.GetValue<int>().ShouldBeInRange(wished - 10, wished - 8);
        async Task<int> TempoAfterAsync(int heardId)
        {
            var act = ActOf(session, "Clean");
            act["heardId"] = heardId;
            session = await app.Post("/api/session/act", act);
            return app.Number("select Tempo from Takes order by AtUtc desc, Number desc limit 1");
        }

        (await TempoAfterAsync(Id(heard))).ShouldBe(heard["playedTempo"]!.GetValue<int>());
        (await TempoAfterAsync(999)).ShouldNotBe(heard["playedTempo"]!.GetValue<int>(), "nobody heard that");
        app.Write("update Heard set Simulated = 1");
        (await TempoAfterAsync(Id(heard))).ShouldNotBe(heard["playedTempo"]!.GetValue<int>(), "a simulated player is not this one");
    }

    [Fact]
    public async Task A_step_that_comes_late_again_and_again_is_what_is_missing()
    {
        var (_, session) = await StageAsync();
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        await SayAsync(socket, """{"click":1.0}""");
        JsonNode heard = null!;
        for (var i = 0; i < 3; i++)
            heard = await PlayAsync(socket, session, take => take with { JitterMs = 5, Stops = new Dictionary<int, double>
                    {
                        [5] = 0.08,
                    } });
        var cause = heard["cause"]!;
        cause["name"]!.GetValue<string>().ShouldBe("one change of fingers", heard.ToJsonString());
        cause["words"]!.GetValue<string>().ShouldStartWith("The step to B4 in bar 4 comes late by ");
    }

    [Fact]
    public async Task A_place_of_the_bar_that_comes_early_in_bar_after_bar_is_told_instead_of_a_step()
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        var bars = string.Concat(Enumerable.Range(0, 24).Select(_ => "G2 AB c2 A2|"));
        await app.Put($"/api/pieces/{piece}/music", new { abc = $"M:4/4\nL:1/8\nK:C\n{bars}" });
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        var places = Performed.Notes(AbcReader.Read(session["abc"]!.GetValue<string>()).Score).Select(note => note.At.Value % 1).ToList();
        // Every second quaver of a pair hurries, and what follows is in time again.
        var stops = Enumerable
            .Range(0, places.Count)
            .ToDictionary(
                i => i,
                i =>
                    places[i] == 0.375 ? -0.05
                    : places[i] == 0.5 ? 0.05
                    : 0
            );
        using var socket = await OpenAsync();
        await ReadAsync(socket);
        await SayAsync(socket, """{"click":1.0}""");
        JsonNode heard = null!;
        for (var i = 0; i < 3; i++)
            heard = await PlayAsync(socket, session, take => take with { JitterMs = 5, Stops = stops });
        heard["cause"]!["name"]!.GetValue<string>().ShouldBe("rhythm not clear", heard.ToJsonString());
        heard["cause"]!["words"]!.GetValue<string>().ShouldStartWith("Notes on 2 and come early by ");
    }

    [Fact]
    public async Task Strokes_of_a_groove_are_heard_beside_the_click_for_four_bars()
    {
        await app.Clock(Evening);
        await app.Put("/api/profile", new { instrument = "Hand drum", weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 } });
        const string text = "low: x...|..x.|x.x.|....\nslap: ....|x...|....|x..x";
        var work = new { kind = "Groove", text };
        var exercise = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Low and slap",
                    target = 90,
                    work,
                }
            )
        );
        await app.Add(exercise);
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == exercise);
        using var socket = await OpenAsync();
        (await ReadAsync(socket))["word"]!.GetValue<string>().ShouldBe("4 bars are one take.");
        await SayAsync(socket, """{"click":1.0}""");
        var groove = GrooveMusic.Take(Groove.Parse(text)).Lead;
        var heard = await PlayAsync(socket, session, groove, SimulatedSound.Struck, take => take with { LateMs = -25, JitterMs = 6 });
        heard["clean"]!.GetValue<bool>().ShouldBeTrue(heard.ToJsonString());
        heard["late"]!.AsArray().Count.ShouldBe(28);
        heard["late"]!.AsArray().Select(note => note!["lateMs"]!.GetValue<int>()).Average().ShouldBe(-25, 8);
        var missed = await PlayAsync(socket, session, groove, SimulatedSound.Struck, take =>
            take with
            {
                Missing = new HashSet<int> { 9 },
            }
        );
        missed["faults"]!.AsArray().ShouldHaveSingleItem()!.GetValue<string>().ShouldStartWith("bar 2: ");
        missed["intonation"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task After_days_away_fewer_notes_are_to_be_one_with_the_click()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var exercise = Id(
            await app.Post(
                "/api/technique/exercises",
                new
                {
                    target = 80,
                    sheet = new
                    {
                        kind = "major",
                        tonic = "D",
                        octaves = 1,
                        rhythm = "eighth",
                    },
                }
            )
        );
        app.Write($"update Materials set LastVisit = '2031-04-20', Visits = 6 where Id = {exercise}");
        await app.Add(exercise);
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == exercise);
        session["cue"]!["sentence"]!.GetValue<string>().ShouldBe("One note to the click: the two are one.", session.ToJsonString());
        using var socket = await OpenAsync();
        (await ReadAsync(socket))["word"]!.GetValue<string>().ShouldBeEmpty();
        await SayAsync(socket, """{"click":1.0}""");
        var early = await PlayAsync(socket, session, take => take with { LateMs = -60 });
        early["clean"]!.GetValue<bool>().ShouldBeFalse(early.ToJsonString());
        early["faults"]![0]!.GetValue<string>().ShouldEndWith(" ms before the click");
    }

    private async Task<(int Passage, JsonNode Session)> StageAsync()
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        var bars = string.Concat(Enumerable.Range(0, 12).Select(_ => "G2 AB c2 A2|B2 c2 A4|"));
        await app.Put($"/api/pieces/{piece}/music", new { abc = $"M:4/4\nL:1/8\nK:C\n{bars}" });
        var session = await app.SkipTo(await app.Begin(), now =>
            (int?)now["target"]?["materialId"] == first && now["abc"]!.ToString().Length > 0
        );
        return (first, session);
    }

    private static Task<JsonNode> PlayAsync(WebSocket socket, JsonNode session, Func<SimulatedTake, SimulatedTake> how) =>
        PlayAsync(socket, session, AbcReader.Read(session["abc"]!.GetValue<string>()).Score, SimulatedSound.Reed, how);

    private static async Task<JsonNode> PlayAsync(
        WebSocket socket,
        JsonNode session,
        Score score,
        SimulatedSound by,
        Func<SimulatedTake, SimulatedTake> how
    )
    {
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        var notes = how(new SimulatedTake { Tempo = new Bpm(tempo) }).Play(Performed.Notes(score), 1, 4);
        // So long that the click goes on where it was.
        var beat = 60.0 / tempo;
        var seconds = Math.Ceiling((notes[^1].At + notes[^1].Seconds + 1) / beat) * beat;
        var sound = SimulatedInstrument.Render(notes, by, Rate, seconds, 4);
        await SendAsync(socket, WaveFile.Write(sound, Rate));
        return await HeardAsync(socket);
    }

    /// <summary>The samples of a file, in blocks.</summary>
    private static async Task SendAsync(WebSocket socket, byte[] file)
    {
        foreach (var block in file.Skip(44).Chunk(2048))
            await socket.SendAsync(block, WebSocketMessageType.Binary, endOfMessage: true, CancellationToken.None);
    }

    private static async Task<JsonNode> HeardAsync(WebSocket socket)
    {
        for (; ; )
        {
            if ((await ReadAsync(socket))["heard"] is { } heard)
                return heard;
        }
    }

    private static Task SayAsync(WebSocket socket, string words) =>
        socket.SendAsync(Encoding.UTF8.GetBytes(words), WebSocketMessageType.Text, endOfMessage: true, CancellationToken.None);

    private Task<WebSocket> OpenAsync(string address = "takes?") =>
        app.Server.CreateWebSocketClient().ConnectAsync(new Uri($"ws://localhost/api/listen/{address}rate={Rate}"), CancellationToken.None);

    private static async Task<JsonNode> ReadAsync(WebSocket socket)
    {
        var bytes = new byte[20_000];
        var answer = await socket.ReceiveAsync(bytes, CancellationToken.None).WaitAsync(TimeSpan.FromSeconds(20));
        return JsonNode.Parse(Encoding.UTF8.GetString(bytes, 0, answer.Count))!;
    }
}
