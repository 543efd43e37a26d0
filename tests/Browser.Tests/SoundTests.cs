using System.Collections.ObjectModel;
using System.Globalization;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>What is heard, measured in the samples that go to the loudspeakers.</summary>
public sealed class SoundTests
{
    /// <summary>Keeps the page busy: nine tenths of the time its thread does nothing but turn.</summary>
    private const string Busy =
        "window.busy = setInterval(() => { const end = performance.now() + 180; while (performance.now() < end); }, 200)";

    [Fact]
    public async Task At_180_every_click_of_twelve_seconds_is_within_a_millisecond_while_the_page_is_busy()
    {
        try
        {
            await Measure(180, seconds: 12);
        }
        catch (ShouldAssertException)
        {
            // Without a sound card the audio clock of a busy machine may stumble once; a fault of ours stumbles again.
            await Measure(180, seconds: 12);
        }
    }

    /// <summary>The same over ten minutes; run by bench/run sound, not with the tests.</summary>
    [Fact(Explicit = true)]
    public Task At_180_every_click_of_ten_minutes_is_within_a_millisecond() => Measure(180, seconds: 600);

    /// <summary>From the key to where the first sound stands on the audio clock, in milliseconds.</summary>
    private const string FirstSound = """
        window.put = [];
        for (const kind of [AudioBufferSourceNode, OscillatorNode]) {
          const begin = kind.prototype.start;
          kind.prototype.start = function (...all) {
            window.put.push(performance.now() - window.pressed + 1000 * ((all[0] ?? 0) - this.context.currentTime));
            return begin.apply(this, all);
          };
        }
        window.press = (key) => {
          window.put = [];
          window.pressed = performance.now();
          for (const kind of ['keydown', 'keyup'])
            document.body.dispatchEvent(new KeyboardEvent(kind, { key, bubbles: true }));
        };
        """;

    /// <summary>On a warm page, each time while the one before still sounds; run by bench/run sound, not with the tests.</summary>
    [Fact(Explicit = true)]
    public async Task An_ear_question_sounds_soon_after_the_key()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.BeforePages(FirstSound);
        browser.Open("/ear?only=up:7&only=up:12");
        browser.See(By.XPath("//button[contains(., 'begin')]"));
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("ear-now") == "Which interval?");
        browser.Until(_ => Convert.ToDouble(browser.Run("return window.put.length"), CultureInfo.InvariantCulture) > 0);
        var times = new List<double>();
        for (var i = 0; i < 30; i++)
        {
            browser.Run("window.press('r')");
            await Task.Delay(400, TestContext.Current.CancellationToken);
            times.Add(Convert.ToDouble(browser.Run("return Math.min(...window.put)"), CultureInfo.InvariantCulture));
        }

        times.Sort();
        TestContext.Current.TestOutputHelper!.WriteLine(
            string.Create(CultureInfo.InvariantCulture, $"first sound after the key: median {times[15]:0} ms, at most {times[^1]:0} ms")
        );
        times.ShouldAllBe(one => double.IsFinite(one), "each time something sounded");
    }

    [Fact]
    public async Task Click_drone_and_tones_stop_with_the_drill_and_the_page()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Listen();
        browser.Open("/craft/sound");
        browser.Button("Start the click").Click();
        browser.Button("Start the drone").Click();
        browser.Until(_ => browser.Sounds());
        browser.Driver.FindElement(By.LinkText("Journal")).Click();
        browser.Until(_ => !browser.Sounds());

        // The tuning note of the first warm-up; then a drill with click and drone; then the next one.
        await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        browser.Open("/practise");
        browser.Press("u");
        browser.Until(_ => browser.Sounds());
        await app.SkipToAsync(await app.Session(), session => session["sound"]?["click"]?["starts"]?.GetValue<bool>() == true);
        browser.Open("/practise");
        browser.See(By.XPath("//*[@data-testid='stage-tempo']"));
        browser.Press("d");
        browser.See(By.XPath("//*[@data-testid='drone-word']"));
        browser.Until(_ => browser.Sounds());
        browser.Press("s");
        browser.Until(_ => browser.Driver.FindElements(By.CssSelector("[data-testid='drone-word']")).Count == 0);
        browser.Press(Keys.Escape);
        browser.SeeText("Close the session");
        browser.Until(_ => !browser.Sounds());
    }

    private static async Task Measure(int tempo, int seconds)
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Listen();
        browser.Open("/craft/sound");
        browser.Type("Tempo, in figures", tempo.ToString(CultureInfo.InvariantCulture) + Keys.Enter);
        browser.Button("Start the click").Click();
        browser.Until(_ => (long)browser.Run("return window.heard.length")! > 4);
        browser.Run(Busy);
        await Task.Delay(seconds * 1000);
        // Without a sound card the audio clock of a busy machine may fall behind: so many clicks, not so many seconds.
        browser.Until(_ => (long)browser.Run("return window.heard.length")! > seconds * tempo / 60, 60 + seconds);
        browser.Run("clearInterval(window.busy)");
        var heard = Heard(browser);
        var gap = 60.0 / tempo;
        var first = heard[0];
        var worst = heard.Select((at, i) => Math.Abs(at - (first + (i * gap)))).Max();
        await Console.Out.WriteLineAsync(
            $"{heard.Count} clicks at {tempo}, the page busy nine tenths of the time: the worst is {worst * 1000:0.0000} ms from its place"
        );
        for (var i = 0; i < heard.Count; i++)
            (heard[i] - (first + (i * gap))).ShouldBe(0, 0.001, $"click {i} of {heard.Count}");
        browser.Button("Stop the click").Click();
        await Task.Delay(400);
        var stopped = Heard(browser).Count;
        await Task.Delay(1500);
        Heard(browser).Count.ShouldBe(stopped, "stopped is silent, also what was put ahead");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Parts_of_a_beat_gap_bars_and_another_tempo_are_heard_where_they_belong()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Listen();
        browser.Open("/craft/sound");

        // The bar is a picture: a stroke is touched to be silent, a border parts it; what is drawn is what is kept.
        browser.Button("beat 2: soft").Click();
        browser.Button("beat 2: silent");
        browser.Button("a group begins with beat 3").SendKeys(Keys.Enter);
        browser.Button("beat 3: loud").SendKeys(Keys.Enter);
        browser.Button("beat 3: soft");
        browser.Button("one silent more").Click();
        browser.SeeText("1 bar heard, then 1 silent");
        var kept = (await app.Send(HttpMethod.Get, "/api/sound"))["settings"]!;
        kept["touches"]!.AsArray().Select(touch => (string?)touch).ShouldBe(["Loud", "Silent", "Soft", "Soft"]);
        kept["groups"]!.AsArray().Select(size => (int?)size).ShouldBe([2, 2]);
        browser.Button("one silent less").Click();
        browser.SeeText("every bar is heard");
        browser.Button("In figures").Click();
        browser.Type("beats in a bar", "7" + Keys.Tab);
        browser.Type("in groups of", "3 + 2 + 3" + Keys.Tab);
        browser.Until(_ => browser.Control("beats in a bar").GetAttribute("value") == "8");
        browser.Type("beats in a bar", "7" + Keys.Tab);
        browser.SeeText("3 + 2 + 3 makes 8 and the bar has 7 beats");
        browser.Type("in groups of", "2" + Keys.Tab);
        browser.Until(_ => browser.Control("beats in a bar").GetAttribute("value") == "2");
        browser.Type("bars heard", "1" + Keys.Tab);
        browser.Type("then bars silent", "1" + Keys.Tab);
        browser.Until(_ => browser.Control("then bars silent").GetAttribute("value") == "1");
        browser.Type("Tempo, in figures", "120" + Keys.Enter);
        // The very first sound of a page may be over before the listener is ready: it is measured from the second start.
        browser.Button("Start the click").Click();
        browser.Until(_ => Heard(browser).Count > 2, 60);
        browser.Button("Stop the click").Click();
        await Task.Delay(400);
        browser.Run("window.heard.length = 0");
        browser.Button("Start the click").Click();
        browser.Until(_ => Heard(browser).Count > 6, 60);

        // Two beats, two silent ones: half a second, then one and a half. What was saved meanwhile does not make it begin anew.
        // A page held up by a busy machine leaves a click out; none is heard beside its place.
        var heard = Heard(browser);
        heard.Select(at => (at - heard[0]) % 2).ShouldAllBe(place => new[] { 0, 0.5, 2 }.Any(beat => Math.Abs(place - beat) < 0.001));

        // Faster from the next beat on, without a stumble.
        browser.Run("window.heard.length = 0");
        browser.Type("Tempo, in figures", "240" + Keys.Enter);
        browser.Until(_ => Heard(browser).Count > 15, 60);
        Gaps(browser).TakeLast(3).ShouldAllBe(gap => Math.Abs(gap - 0.25) < 0.001 || Math.Abs(gap - 0.75) < 0.001);

        // Another cycle while it runs: the beat goes on.
        browser.Run("window.heard.length = 0");
        browser.Until(_ => Heard(browser).Count > 2, 60);
        browser.Type("then bars silent", "0" + Keys.Tab);
        browser.Until(_ => Heard(browser).Count > 20, 60);
        Gaps(browser).ShouldAllBe(gap => Math.Abs((gap * 4) - Math.Round(gap * 4)) < 0.004);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    [Fact]
    public async Task On_the_stage_the_click_counts_in_a_new_tempo_comes_after_a_stop_and_silence_by_key_is_remembered()
    {
        await using var app = await AppProcess.StartAsync();
        var session = await app.SkipToAsync(await app.Send(HttpMethod.Post, "/api/session", new { version = 0 }), now =>
            now["sound"]!["click"] is not null && now["target"]!["materialId"] is not null && (int)now["target"]!["tempo"]! > 60
        );
        var beats = session["sound"]!["click"]!["cycle"]!["beatsPerBar"]!.GetValue<int>();
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        browser.Listen();
        browser.Open("/practise");
        browser.Until(_ => Heard(browser).Count > beats + 2, 60);
        // What is heard when is measured here; how exactly, above: a busy machine may be late with the first click.
        Gaps(browser).ShouldAllBe(gap => Math.Abs(gap - (60.0 / tempo)) < 0.03);

        // A bar of the new tempo is seen and not heard, the next is counted in.
        browser.Press("+");
        var old = Heard(browser).Count;
        browser.Until(_ => Heard(browser).Count > old + beats + 3, 60);
        var (beat, gaps) = (60.0 / (tempo + 2), Gaps(browser));
        var stop = gaps.FindIndex(gap => gap > 1.5 * beat);
        gaps[stop].ShouldBeGreaterThan((beats * beat) - 0.03, $"a bar of {beats} in silence");
        gaps.Skip(stop + 1).ShouldAllBe(gap => Math.Abs(gap - beat) < 0.03);

        browser.Press("m");
        browser.Until(_ => browser.Driver.FindElements(By.XPath("//button[contains(., 'no click')]")).Count == 0);
        browser.Until(_ => !(bool)app.Session().GetAwaiter().GetResult()["sound"]!["click"]!["starts"]!);
        browser.Open("/practise");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        await Task.Delay(2500);
        browser.Run("return (window.heard ?? []).length").ShouldBe(0L, "silent for this thing from now on");
        browser.Complaints().ShouldBeEmpty();
    }

    private static List<double> Gaps(Browser browser)
    {
        var heard = Heard(browser);
        return [.. heard.Skip(1).Zip(heard, (after, before) => after - before)];
    }

    /// <summary>Seconds on the audio clock of everything that began after silence.</summary>
    private static List<double> Heard(Browser browser)
    {
        var rate = Convert.ToDouble(browser.Run("return window.sampleRate"), CultureInfo.InvariantCulture);
        return
        [
            .. ((ReadOnlyCollection<object>)browser.Run("return window.heard")!).Select(frame =>
                Convert.ToDouble(frame, CultureInfo.InvariantCulture) / rate
            ),
        ];
    }
}
