using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>New music at sight by keys: looked at, read to the end without a stop, bars covered in time, its result kept.</summary>
public sealed class ReadingJourney
{
    private const int Tempo = 160;

    [Fact]
    public async Task Bars_are_covered_as_they_begin_to_sound_and_what_was_lost_is_kept()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Flute", "winds");
        using var browser = new Browser(app.Address);
        browser.Open("/craft/reading");
        browser.SeeText("Nothing read yet");
        browser.Type("bars, 0 for my level", "4" + Keys.Tab);
        browser.Button("Read something new").Click();
        browser.See(By.CssSelector("[data-testid='unseen'] .abcjs-notehead"));
        browser.Button("· time").Click();
        browser.Until(page => page.FindElement(By.XPath("//button[contains(., 'time: ')]")).Displayed);
        var beats = int.Parse(browser.See(By.XPath("//button[contains(., 'time: ')]")).Text.Split(": ")[1].Split('/')[0], null);
        // Pointed at in the music it is found as well.
        foreach (var note in browser.Driver.FindElements(By.CssSelector("[data-testid='unseen'] .abcjs-notehead")))
            browser.Tap(note);
        browser.SeeText("✓ oddest place: ");
        browser.SeeText("✓ highest note: ");
        var at = int.Parse(TempoShown(browser), null);
        for (; at + 2 <= Tempo; at += 2)
            browser.Press(Keys.ArrowUp);
        browser.Press("c");
        browser.SeeText("bars are covered as they sound");
        browser.Run(Watch);
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("bar") == "2");
        browser.Press(Keys.ArrowLeft);
        browser.SeeText("Which bars came late or wrong?");

        // A bar of the click apart: at another tempo the last would be half a bar off; a busy machine draws some of them late.
        var hidden = ((IReadOnlyCollection<object>)browser.Run("return window.hidden")!).Select(Convert.ToDouble).ToList();
        hidden.Count.ShouldBe(4);
        var bar = 60_000.0 * beats / at;
        var start = hidden.Select((time, index) => time - index * bar).Min();
        var late = hidden.Select((time, index) => time - index * bar - start).Order().ToList();
        late[1].ShouldBeLessThan(bar / 8, $"{string.Join(' ', hidden)}; a bar lasts {bar:0}");
        late[^1].ShouldBeLessThan(bar / 2, $"{string.Join(' ', hidden)}; a bar lasts {bar:0}");
        browser.See(By.CssSelector("button[aria-label='Bar 2 late or wrong'][aria-pressed='true']"));
        browser.SeeText("keep: 3 of 4 on time");
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("3 of 4 bars on time.", StringComparison.Ordinal));
        var first = browser.Shown("reading-title");
        var book = await app.Send(HttpMethod.Get, "/api/reading");
        ((int?)book["count"], (int?)book["past"]![0]!["right"], (int?)book["past"]![0]!["tempo"]).ShouldBe((1, 3, at));

        // The next one is another one; read once more it is not counted.
        browser.Answer(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("reading-now").StartsWith("Look:", StringComparison.Ordinal));
        browser.Shown("reading-title").ShouldNotBe(first);
        browser.Press(Keys.Escape);
        browser.SeeText("One piece read");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Examples_of_a_book_on_paper_are_read_to_the_click_one_after_the_other()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Flute", "winds");
        var book = new
        {
            kind = "Book",
            title = "Forty Lines",
            examples = 40,
            perDay = 2,
        };
        await app.Send(HttpMethod.Post, "/api/materials", book);
        await app.Send(HttpMethod.Put, "/api/reading/source", new { source = "Books" });
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        await app.SkipToAsync(session, now => (string?)now["drills"]![(int)now["position"]!]!["desk"]?["kind"] == "Paper");
        using var browser = new Browser(app.Address);
        browser.Open("/practise");
        browser.SeeText("read it to the click");
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("reading-title") == "Forty Lines, no. 1");
        browser.Type("Bars", "6" + Keys.Tab);
        browser.Type("Tempo", "300" + Keys.Tab);
        browser.Button("→begin").Click();
        browser.Until(_ => browser.Shown("bar") == "3");
        browser.Press(Keys.ArrowLeft);
        browser.SeeText("keep: 5 of 6 on time");
        browser.Answer(Keys.ArrowRight);

        // What was typed is kept; the next one is read by the pedals alone.
        browser.Until(_ => browser.Shown("reading-title") == "Forty Lines, no. 2");
        browser.Control("Bars").GetAttribute("value").ShouldBe("6");
        browser.Press(Keys.PageDown);
        browser.SeeText("How was it?");
        browser.Answer(Keys.PageDown);
        browser.See(By.CssSelector("[data-testid='stage-now']"));
        var drill = (await app.Session())["drills"]!.AsArray().First(one => (string?)one!["desk"]?["kind"] == "Paper")!;
        ((int?)drill["takes"], (int?)drill["cleanTakes"], (string?)drill["state"]).ShouldBe((2, 2, "Done"));
        browser.Complaints().ShouldBeEmpty();
    }

    private static string TempoShown(Browser browser) =>
        browser.See(By.XPath("//p[contains(., '= ') and contains(., 'covered')]")).Text.Split("= ")[1].Split(' ')[0];

    /// <summary>Notes by the page's own clock when the notes of each bar are hidden.</summary>
    private const string Watch = """
        window.hidden = [];
        const look = () => {
          const bar = window.hidden.length;
          const note = document.querySelector(`[data-testid='unseen'] .abcjs-note.abcjs-mm${bar}`);
          if (note && note.style.visibility === 'hidden') window.hidden.push(performance.now());
          if (window.hidden.length < 4) setTimeout(look, 4);
        };
        look();
        """;
}
