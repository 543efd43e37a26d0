using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>What is tapped, played on a keyboard, or read by a player made of numbers marks itself.</summary>
public sealed class PlayedJourney
{
    private const int Tempo = 200;

    /// <summary>The page's script finds here what was composed, and a keyboard that can vanish.</summary>
    private const string Before = """
        const plain = window.fetch;
        window.fetch = async (...all) => {
          const answer = await plain(...all);
          if ((all[0].url ?? all[0]).includes('/api/reading/new')) window.music = await answer.clone().json();
          return answer;
        };
        const port = { name: 'a small keyboard', state: 'connected', onmidimessage: null };
        const access = { inputs: new Map([['1', port]]), onstatechange: null };
        window.keyboard = {
          press: (midi) => port.onmidimessage?.({ data: [0x90, midi, 80], timeStamp: performance.now() }),
          vanish: () => { port.state = 'disconnected'; access.onstatechange?.(); },
        };
        navigator.requestMIDIAccess = async () => access;
        // When sounds are put on the audio clock: clicks are short, the piano's notes long.
        window.put = [];
        const begin = AudioBufferSourceNode.prototype.start;
        AudioBufferSourceNode.prototype.start = function (...all) {
          // Not what the page only tries out.
          if (all[0] > 0) window.put.push({ at: all[0] ?? 0, context: this.context, isClick: (this.buffer?.duration ?? 0) < 0.5 });
          return begin.apply(this, all);
        };
        const names = ['C', 'C sharp', 'D', 'E flat', 'E', 'F', 'F sharp', 'G', 'A flat', 'A', 'B flat', 'B'];
        window.touch = (midi) =>
          document
            .querySelector(`[aria-label='Keys'] [aria-label='${names[midi % 12]} ${Math.floor(midi / 12) - 1}']`)
            .dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
        """;

    /// <summary>From the first bar line on, what is written is played to the beat, each note so many milliseconds off.</summary>
    private const string Play = """
        const [tempo, offsets, by] = arguments;
        window.played = 0;
        window.late = 0;
        window.put = [];
        const from = () => {
          // The first click after the bar that is counted in, by the page's own audio clock.
          const first = window.put.filter((one) => one.isClick).sort((a, b) => a.at - b.at)[window.music.beatsPerBar];
          if (!first) return setTimeout(from, 2);
          const behind = (start) => performance.now() - start - (first.context.currentTime - first.at) * 1000;
          let start = 0;
          start += behind(start);
          const notes = window.music.played;
          const next = (i) => {
            if (i >= notes.length) return;
            // Where a busy machine's sound falters, who plays to it waits for it.
            if (behind(start) > 20) start += behind(start);
            const at = start + notes[i].at * 60000 / tempo + offsets[i % offsets.length];
            setTimeout(() => {
              while (performance.now() < at);
              window.late = Math.max(window.late, performance.now() - at);
              if (by === 'midi') window.keyboard.press(notes[i].midi);
              else if (by === 'keys') window.touch(notes[i].midi);
              else document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
              window.played++;
              next(i + 1);
            }, Math.max(0, at - performance.now() - 12));
          };
          next(0);
        };
        from();
        """;

    [Fact]
    public async Task Taps_show_their_milliseconds_and_a_keyboard_marks_itself_until_it_vanishes()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Piano", "keys");
        using var browser = new Browser(app.Address);
        browser.BeforePages(Before);
        browser.Open("/read?bars=4");
        browser.See(By.CssSelector("[data-testid='unseen'] .abcjs-notehead"));
        browser.Press("t");
        browser.SeeText("How late this machine hears a tap is not known yet");
        PlayInTime(browser, [0, 40, -40], "tap");
        var late = browser
            .Until(page => page.FindElements(By.CssSelector("text.lateness")) is { Count: > 0 } found ? found : null)!
            .Select(one => int.Parse(one.Text, System.Globalization.CultureInfo.InvariantCulture))
            .ToList();
        late.Count.ShouldBe(Convert.ToInt32(browser.Run("return window.music.played.length"), null));
        // Beside the first of each three; the middle of all, as a busy machine plays one or the other note late itself.
        foreach (var (place, offset) in new[] { (1, 40), (2, -40) })
            Enumerable
                .Range(0, late.Count)
                .Where(i => i % 3 == place)
                .Select(i => late[i] - late[i / 3 * 3])
                .Order()
                .ElementAt(late.Count / 3 / 2)
                .ShouldBeInRange(offset - 15, offset + 15, $"{string.Join(' ', late)}");
        browser.SeeText("keep: 4 of 4 on time");
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("4 of 4 bars on time.", StringComparison.Ordinal));
        var past = (await app.Send(HttpMethod.Get, "/api/reading"))["past"]![0]!;
        ((string?)past["asked"], (int?)past["right"]).ShouldBe(("Rhythm", 4));

        // On keys on the screen.
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
        browser.Press("t");
        browser.See(By.CssSelector("[aria-label='Keys']"));
        PlayInTime(browser, [0], "keys");
        browser.SeeText("keep: 4 of 4 on time");
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("4 of 4 bars on time.", StringComparison.Ordinal));

        // On a keyboard, with a second voice from the first bar line on; it is gone in the middle of the next one.
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
        browser.Press("t");
        browser.SeeText("Listening to a small keyboard.");
        // Where both hands read, there is none.
        for (var more = 4; more > 0 && !browser.Driver.PageSource.Contains("a second voice", StringComparison.Ordinal); more--)
        {
            PlayInTime(browser, [0], "midi");
            Next(browser);
        }

        browser.Press("d");
        browser.SeeText("with a second voice");
        var tempo = PlayInTime(browser, [0], "midi");
        browser.SeeText("keep: 4 of 4 on time");
        Convert
            .ToDouble(browser.Run(SecondVoiceOff, tempo), System.Globalization.CultureInfo.InvariantCulture)
            .ShouldBeLessThan(1, "milliseconds between the second voice and its beats");
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("4 of 4 bars on time.", StringComparison.Ordinal));
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
        Faster(browser);
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("bar") == "1");
        browser.Run("window.keyboard.vanish()");
        browser.SeeText("a small keyboard is gone. It runs on; afterwards mark the bars yourself.");
        // Nothing was heard: it is asked, and nothing is chosen beforehand.
        browser.SeeText("How was it?");
        browser.SeeText("all on time");
        browser.SeeText("some were not");
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>Plays what is shown, and the next one where a busy machine was late itself; the tempo of the last.</summary>
    private static int PlayInTime(Browser browser, int[] offsets, string by)
    {
        for (var left = 4; ; left--)
        {
            var tempo = Faster(browser);
            browser.Run(Play, tempo, offsets, by);
            browser.Press(Keys.ArrowRight);
            browser.SeeText("Which bars came late or wrong?");
            if (left == 0 || Convert.ToDouble(browser.Run("return window.late"), null) < 20)
                return tempo;
            Next(browser);
        }
    }

    /// <summary>What was shown is kept, and the next one comes.</summary>
    private static void Next(Browser browser)
    {
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").Contains("of 4 bars on time.", StringComparison.Ordinal));
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
    }

    /// <summary>The most by which a note of the second voice lies off its beat, in milliseconds.</summary>
    private const string SecondVoiceOff = """
        const [tempo] = arguments;
        const clicks = window.put.filter((one) => one.isClick).map((one) => one.at).sort((a, b) => a - b);
        const notes = window.put.filter((one) => !one.isClick).map((one) => one.at).sort((a, b) => a - b);
        const wanted = window.music.second.map((one) => clicks[window.music.beatsPerBar] + (one.at * 60) / tempo);
        if (notes.length === 0 || notes.length !== wanted.length) return 1e6 + notes.length;
        return Math.max(...wanted.sort((a, b) => a - b).map((at, i) => 1000 * Math.abs(at - notes[i])));
        """;

    /// <summary>Run by scripts/long/journeys.</summary>
    [Fact(Explicit = true)]
    [Trait("Run", "long")]
    public async Task A_stand_in_that_errs_moves_the_levels_down_and_one_that_does_not_up()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Flute", "winds");
        using var browser = new Browser(app.Address);
        var start = Levels(await app.Send(HttpMethod.Get, "/api/reading"));
        Read(browser, "0", 2);
        var good = Levels(await app.Send(HttpMethod.Get, "/api/reading"));
        Read(browser, "1", 2);
        var book = await app.Send(HttpMethod.Get, "/api/reading");
        var poor = Levels(book);
        good.Zip(start).ShouldAllBe(pair => pair.First > pair.Second + 0.5);
        poor.Zip(good).ShouldAllBe(pair => pair.First < pair.Second);
        book["past"]!.AsArray().Select(one => (int)one!["right"]! == (int)one["bars"]!).ShouldBe([false, false, true, true]);
        browser.Complaints().ShouldBeEmpty();
    }

    private static void Read(Browser browser, string wrong, int times)
    {
        browser.Open($"/read?bars=2&stand-in={wrong}");
        for (var i = 0; i < times; i++)
        {
            browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
            browser.See(By.CssSelector("[data-testid='unseen'] .abcjs-notehead"));
            Faster(browser);
            browser.Answer(Keys.ArrowRight);
            browser.SeeText(wrong == "0" ? "keep: 2 of 2 on time" : "keep: 0 of 2 on time");
            browser.Answer(Keys.ArrowRight);
            browser.Until(_ => browser.Shown("reading-now").Contains("of 2 bars on time.", StringComparison.Ordinal));
            browser.Answer(Keys.ArrowRight);
        }
    }

    /// <summary>As fast as the journey has time for; the tempo that is shown then, odd where it began odd.</summary>
    private static int Faster(Browser browser)
    {
        for (var at = Shown(browser); at < Tempo; at += 2)
            browser.Press(Keys.ArrowUp);
        browser.Until(_ => Shown(browser) is Tempo or Tempo + 1);
        return Shown(browser);
    }

    private static int Shown(Browser browser) =>
        int.Parse(
            browser.See(By.XPath("//p[contains(., '= ') and contains(., 'covered')]")).Text.Split("= ")[1].Split(' ')[0],
            System.Globalization.CultureInfo.InvariantCulture
        );

    private static List<double> Levels(JsonNode book) => [.. book["strands"]!.AsArray().Select(strand => (double)strand!["level"]!)];
}
