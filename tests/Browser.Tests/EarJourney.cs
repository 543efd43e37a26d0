using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A round for the ear on a phone: heard, answered wrong by plan, what is confused, and a round of only these two.</summary>
public sealed class EarJourney
{
    [Fact]
    public async Task A_round_on_a_phone_shows_what_is_confused_and_asks_it_again()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Flute", "winds");
        using var browser = new Browser(app.Address, 390, 844);
        browser.Listen();
        browser.Open("/");
        browser.Tap(browser.See(By.LinkText("A round for the ear now")));
        browser.Until(_ => browser.Shown("ear-now") == "Which interval?");
        browser.Until(_ => (bool)browser.Run("return window.heard.length > 1")!, 10);
        Answer(browser, "fifth");
        browser.Until(_ => browser.Shown("ear-now") == "Right: fifth up.");

        // Major and minor are taken for each other; all else is known.
        for (var asked = 1; asked < 12; asked++)
        {
            browser.Until(_ => browser.Shown("ear-now").Contains('?', StringComparison.Ordinal));
            var item = (string)(await app.Send(HttpMethod.Get, "/api/ear/question"))["question"]!["item"]!;
            var said =
                item == "triad:minor:0" ? "major"
                : item == "triad:major:0" ? "minor"
                : "";
            if (said.Length > 0)
            {
                Answer(browser, said);
                browser.Until(_ => browser.Shown("ear-now").Contains($"You said: {said}.", StringComparison.Ordinal));
                browser.See(By.CssSelector("[aria-label='Answers'] button[aria-label$=', it was this']"));
                browser.Tap(browser.Button("→the next one"));
            }
            else
            {
                // Answered aloud, by the two pedals.
                browser.Press(Keys.PageDown);
                browser.Until(_ => browser.Shown("ear-now").EndsWith("Did you get it?", StringComparison.Ordinal));
                browser.Answer(Keys.PageDown);
            }

            browser.Until(_ => (int)app.Send(HttpMethod.Get, "/api/ear").Result["today"]!["asked"]! == asked + 1);
        }

        ((long)browser.Run("return document.documentElement.scrollWidth - innerWidth")!).ShouldBe(0);
        browser.Press(Keys.Escape);
        browser.Until(_ => browser.Shown("ear-now").EndsWith("of 12 right.", StringComparison.Ordinal));
        browser.SeeText("minor triad, taken for major");
        browser.Answer(Keys.ArrowRight);
        browser.SeeText("major and minor (triads): taken for each other");
        browser.Tap(browser.Button("Only these two"));
        for (var asked = 0; asked < 3; asked++)
        {
            browser.Until(_ => browser.Shown("ear-now") == "Which chord?");
            browser
                .Driver.FindElements(By.CssSelector("[aria-label='Answers'] button"))
                .Select(one => one.Text.Split('\n')[^1].Trim())
                .ShouldBe(["major", "minor"]);
            Answer(browser, "major");
            browser.Until(_ => browser.Shown("ear-now") != "Which chord?");
            browser.Press(Keys.PageDown);
        }

        // A line is given by figures, letters and keys.
        browser.Open("/ear?only=line:1&only=line:2");
        browser.Until(page => page.FindElements(By.XPath("//button[contains(., 'begin')]")).Count > 0);
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("ear-now").EndsWith("Sing them, play them, or give them.", StringComparison.Ordinal));
        var home = browser.Shown("ear-now").Split(' ')[1][..1];
        browser.Press("1", "2", Keys.Backspace, home.ToLowerInvariant(), "1");
        browser.Until(_ => browser.Shown("given").StartsWith($"1 1 1", StringComparison.Ordinal));
        browser.See(By.CssSelector("[aria-label='Keys'] button")).SendKeys(Keys.Enter);
        browser.Until(_ => browser.Shown("ear-now").Contains("; you gave 1 1 1 ", StringComparison.Ordinal));

        // A tune one knows is found on the instrument, with a wrong start.
        browser.Open("/craft/ear");
        browser.Type("A tune you know", "Ferry Song");
        browser.Button("Add it").Click();
        browser.See(By.LinkText("Ferry Song, in C major")).Click();
        browser.Until(_ => browser.Shown("tune-now").StartsWith("In C major. It begins on C, degree 1.", StringComparison.Ordinal));
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("wrong-starts") == "no wrong start");
        browser.Press(Keys.PageUp);
        browser.Until(_ => browser.Shown("wrong-starts") == "1 wrong start");
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("tune-now") == "Found for the first time.");
        browser.Press(Keys.PageDown);
        browser.See(By.LinkText("Ferry Song, in G major"));

        // A phrase is heard twice, played back, seen, and becomes three lines of one's own.
        browser.Tap(browser.See(By.LinkText("A phrase, heard and played back")));
        browser.Until(_ => browser.Shown("copy-now").Contains("It begins on", StringComparison.Ordinal));
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("hearings") == "heard once");
        browser.Press(Keys.PageUp);
        browser.Until(_ => browser.Shown("hearings") == "heard 2 times");
        browser.Press(Keys.PageDown);
        browser.See(By.CssSelector("[data-testid='copy-music'] .abcjs-notehead"));
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("copy-now") == "All of it after 2 hearings. The next one is harder: level 3.");
        browser.Press("k");
        browser.Type("Use it over (chords or keys)", "Dm7 G7 C");
        browser.Button("Keep it").Click();
        browser.SeeText("is kept. It comes back in play");
        browser.Complaints().ShouldBeEmpty();
    }

    private static void Answer(Browser browser, string label) =>
        browser.Tap(browser.See(By.CssSelector($"[aria-label='Answers'] button[aria-label='{label}']")));
}
