using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Recording on the stage, what was recorded side by side after days, and a song that is slowed down.</summary>
public sealed class RecordingJourney
{
    private const int Rate = 48_000;

    [Fact]
    public async Task A_take_is_recorded_through_a_killed_server_marked_and_compared_a_week_later()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        var passage = await PassageAsync(app);
        var sound = Sound(app, "played.wav", 5);
        using var browser = new Browser(app.Address, 1280, 800, Browser.Microphone(sound));
        await StageAsync(app, browser);
        browser.Run(KeepsPieces);
        browser.Press("r");
        browser.SeeText("stop recording");
        await Task.Delay(2500);
        app.Kill();
        await Task.Delay(1500);
        await app.RunAsync();
        await Task.Delay(1500);
        browser.Press(Keys.ArrowRight);
        browser.See(By.CssSelector("[data-testid='recorded'] audio"));
        var (kept, heard) = await NewestAsync(app);
        kept["clean"]!.GetValue<bool>().ShouldBeTrue();
        kept["materialId"]!.GetValue<int>().ShouldBe(passage);
        // Between the kill and the new start nothing is missing: every byte that the browser gave is there, and it is sound. How long
        // it is by the clock says less: a busy machine gives the browser fewer samples than seconds.
        kept["seconds"]!.GetValue<double>().ShouldBeGreaterThan(5);
        var address = $"{app.Address}/api/recordings/{kept["id"]}/sound";
        browser.RunAsync(IsWhatWasGiven, address).ShouldBe("the same");
        browser.RunAsync(Length, address).ShouldBeOfType<double>().ShouldBeInRange(2, kept["seconds"]!.GetValue<double>() + 0.6);
        heard.Length.ShouldBeGreaterThan(10_000);
        browser.Press(browser.SeeText("not yet"));
        browser.Press(browser.SeeText("rushing"));
        browser.Until(_ => NewestAsync(app).GetAwaiter().GetResult().Kept["change"]!.GetValue<string>() == "rushing");
        browser.Open("/");
        await app.CloseAsync();

        await app.SetClockAsync(AppProcess.Evening.AddDays(8));
        await StageAsync(app, browser);
        browser.Press("r");
        browser.SeeText("stop recording");
        await Task.Delay(2500);
        browser.Press("r");
        browser.See(By.CssSelector("[data-testid='recorded'] audio"));
        browser.Open("/");
        browser.Open("/music/recordings");
        browser.SeeText("8 days apart");
        browser.Press(browser.SeeText("Side by side"));
        browser.Press(browser.SeeText("Hear the first"));
        browser.SeeText("→ the newest, from here on");
        browser.Run("document.activeElement.blur()");
        browser.Press(Keys.ArrowRight);
        browser.SeeText("→ the first, from here on");
        browser.Press(Keys.Space);
        browser.SeeText("Hear the newest");
        browser.Type("What is different?", "It no longer hurries.");
        browser.Press(browser.SeeText("Keep the line"));
        browser.Press(browser.SeeText("Read the journal"));
        browser.SeeText("8 days apart: It no longer hurries.");
        // While the server was away.
        browser.Complaints().Where(one => !one.Contains("ERR_CONNECTION", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_microphone_that_is_denied_or_silent_is_told_and_practice_goes_on()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await PassageAsync(app);
        using (var denied = new Browser(app.Address, 1280, 800, "--use-fake-device-for-media-stream"))
        {
            denied.Deny("microphone");
            await StageAsync(app, denied);
            denied.Press("r");
            denied.SeeText("This page was not allowed to use the microphone.");
            denied.Press(Keys.ArrowRight);
            denied.Until(_ => app.Session().GetAwaiter().GetResult()["drills"]!.AsArray().Any(drill => (int)drill!["cleanTakes"]! > 0));
        }

        using var silent = new Browser(app.Address, 1280, 800, Browser.Microphone(Sound(app, "silent.wav", 0)));
        silent.Open("/music/recordings");
        silent.Press(silent.SeeText("Record something"));
        silent.SeeText("Nothing comes from the microphone.");
        silent.Press(silent.SeeText("Stop recording"));
        silent.SeeText("Something played");
    }

    [Fact]
    public async Task A_song_of_ones_own_is_slowed_down_looped_and_its_rounds_are_kept()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await PassageAsync(app);
        using var browser = new Browser(app.Address);
        browser.Open("/music/songs");
        browser.Until(page => page.FindElement(By.CssSelector("input[type=file]"))).SendKeys(Sound(app, "Slow blues.wav", 6));
        browser.Press(browser.SeeText("Slow blues"));
        browser.See(By.CssSelector("[role='img'][aria-label^='Slow blues']"));
        browser.Run("document.querySelector('video').currentTime = 1");
        browser.Press("a");
        browser.Run("document.querySelector('video').currentTime = 1.6");
        browser.Press("b");
        browser.Until(_ => browser.Shown("loop") == "from 0:01.0 to 0:01.6");
        browser.Press(Keys.ArrowDown, Keys.ArrowDown, Keys.ArrowDown, Keys.ArrowDown);
        browser.SeeText("Speed: 80 %, at the same pitch");
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.SeeText(" round").Text.StartsWith("3 rounds", StringComparison.Ordinal));
        browser.Run("return document.querySelector('video').playbackRate").ShouldBe(0.8);
        browser.Press(Keys.PageDown);
        browser.SeeText("Play");
        var song = browser.Until(_ =>
            SongAsync(app).GetAwaiter().GetResult() is { } one && one["loop"]!["rounds"]!.GetValue<int>() >= 3 ? one : null
        )!;
        song["loop"]!["speed"]!.GetValue<int>().ShouldBe(80);
        song["loop"]!["playedSeconds"]!.GetValue<double>().ShouldBeInRange(1.5, 30);
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task The_tuner_says_by_the_microphone_how_far_a_note_is_off_and_lets_go()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await PassageAsync(app);
        var sharp = Path.Combine(app.Data, "sharp.wav");
        var tone = SimulatedInstrument.Render(
            [new SoundedNote(0, 3.9, 440 * Math.Pow(2, 9 / 1200.0), 0.5)],
            SimulatedSound.Reed,
            Rate,
            4,
            1
        );
        await File.WriteAllBytesAsync(sharp, WaveFile.Write(tone, Rate));
        using var browser = new Browser(app.Address, 1280, 800, Browser.Microphone(sharp));
        browser.Open("/craft/listening");
        browser.Press(browser.SeeText("Tune by the microphone"));
        browser.SeeText("the microphone listens");
        browser.Until(_ =>
            browser.Shown("tuned") == "A4" && browser.Shown("tuned-words") is "8 cents sharp" or "9 cents sharp" or "10 cents sharp"
        );
        browser.Press(browser.SeeText("Stop listening"));
        browser.Until(page => !page.PageSource.Contains("the microphone listens", StringComparison.Ordinal));
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>A player, and a piece with one passage; the number of that.</summary>
    private static async Task<int> PassageAsync(AppProcess app)
    {
        await app.PlayerAsync("Flute", "winds");
        var piece = await app.Send(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Harbour song",
                toBar = 24,
                beatsPerBar = 4,
                target = 100,
            }
        );
        var made = await app.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece["id"]}/passages",
            new
            {
                passages = new[]
                {
                    new
                    {
                        from = 5,
                        to = 6,
                        difficulty = "",
                    },
                },
            }
        );
        return made.AsArray()[0]!.GetValue<int>();
    }

    /// <summary>The stage, at a drill with the passage whose takes are marked.</summary>
    private static async Task StageAsync(AppProcess app, Browser browser)
    {
        var today = await app.Send(HttpMethod.Get, "/api/today");
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        await app.SkipToAsync(session, one =>
            one["cue"]!["countsTakes"]!.GetValue<bool>()
            && one["target"]?["title"]?.GetValue<string>().Contains("5–6", StringComparison.Ordinal) == true
        );
        browser.Open("/practise");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
    }

    private static async Task<(JsonNode Kept, byte[] Sound)> NewestAsync(AppProcess app)
    {
        var kept = (await app.Send(HttpMethod.Get, "/api/recordings"))["recordings"]!.AsArray()[0]!;
        return (kept, await app.Http.GetByteArrayAsync(new Uri($"/api/recordings/{kept["id"]}/sound", UriKind.Relative)));
    }

    private static async Task<JsonNode?> SongAsync(AppProcess app) =>
        (await app.Send(HttpMethod.Get, "/api/recordings?kind=Song"))["recordings"]!.AsArray().FirstOrDefault();

    /// <summary>A file with so many notes of half a second.</summary>
    private static string Sound(AppProcess app, string name, int notes)
    {
        var played = Enumerable.Range(0, notes).Select(i => new SoundedNote(0.25 + (i * 0.5), 0.4, 440 * Math.Pow(2, i / 12.0), 0.5));
        var path = Path.Combine(app.Data, name);
        File.WriteAllBytes(path, WaveFile.Write(SimulatedInstrument.Render(played, SimulatedSound.Reed, Rate, 4, seed: 1), Rate));
        return path;
    }

    /// <summary>Keeps in the page, beside the program, what the browser's recorder gives.</summary>
    private const string KeepsPieces = """
        window.pieces = [];
        const { start } = MediaRecorder.prototype;
        MediaRecorder.prototype.start = function (every) {
          this.addEventListener('dataavailable', ({ data }) => window.pieces.push(data));
          start.call(this, every);
        };
        """;

    /// <summary>Whether a sound is what the recorder gave, byte by byte.</summary>
    private const string IsWhatWasGiven = """
        const [address, tell] = arguments;
        const bytes = async (source) => new Uint8Array(await source.arrayBuffer());
        Promise.all([fetch(address).then(bytes), bytes(new Blob(window.pieces))])
          .then(([kept, given]) => {
            const is = kept.length === given.length && kept.every((byte, i) => byte === given[i]);
            tell(is ? 'the same' : `${kept.length} kept of ${given.length}`);
          }, (problem) => tell(String(problem)));
        """;

    /// <summary>Seconds of a sound, decoded.</summary>
    private const string Length = """
        const [address, tell] = arguments;
        fetch(address)
          .then((answer) => answer.arrayBuffer())
          .then((bytes) => new OfflineAudioContext(1, 1, 48000).decodeAudioData(bytes))
          .then((sound) => tell(sound.duration + 0.000001), (problem) => tell(String(problem)));
        """;
}
