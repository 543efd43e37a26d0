using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A first visit, a day and a look back: once without a mouse, once with nothing but a finger.</summary>
public sealed class WalksJourney
{
    private const string Piece = "Barge Song 24 bars 96, hard 5-6, 17";

    [Fact]
    public async Task By_keyboard_alone()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.SeeText("Your first day");
        browser.TabTo("Instrument");
        browser.Press("Mandolin");
        browser.SeeText("Mandolin: plucked");
        browser.TabTo("Wed");
        browser.Press(Keys.Control + "a", "20");
        browser.TabTo("Pieces, one a line");
        browser.Press(Piece);
        browser.SeeText("24 bars");
        browser.TabTo("Make my first plan");
        browser.Press(Keys.Enter);
        browser.See(By.XPath("//ol[@aria-label=\"Today's drills\"]/li"));

        // The heading has the focus; the skip link and the places lie before it, the wishes after it.
        browser.TabTo("Minutes today");
        browser.Press(Keys.Control + "a", "25", Keys.Enter);
        browser.Until(page => page.Title.StartsWith("Twenty-five minutes", StringComparison.Ordinal));
        browser.TabTo("Begin");
        browser.Press(Keys.Enter);
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var first = browser.Shown("stage-title");
        browser.Press(Keys.Enter);
        browser.Until(_ => browser.Shown("stage-title") != first);
        browser.Press("n");
        browser.See(By.CssSelector("[role=dialog] textarea"));
        browser.Press("Softer in the left hand", Keys.Enter);
        browser.Until(page => page.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        browser.Press("?");
        browser.SeeText("Keys, pedal and fingers");
        browser.Press(Keys.Escape);
        browser.Until(page => page.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        browser.Press(Keys.Escape);
        browser.SeeText("Close the session");
        browser.TabTo("What was it like, and what next?");
        browser.Press("A good beginning.");
        browser.TabTo("Pain, numbness or tingling");
        browser.TabTo("Close and keep");
        browser.Press(Keys.Enter);
        browser.TabTo("Read the journal");
        browser.Press(Keys.Enter);
        browser.SeeText("Softer in the left hand");
        browser.SeeText("A good beginning.");
        foreach (var (place, heading) in new[] { ("Music", "Music"), ("Week", "The week"), ("Set up", "Routines"), ("Today", "minutes, ") })
        {
            // The heading of a page has the focus; the places lie before it.
            browser.TabTo(place, 20, back: true);
            browser.Press(Keys.Enter);
            browser.Until(page => page.FindElement(By.CssSelector("main h1")).Text.Contains(heading, StringComparison.Ordinal));
        }

        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task By_touch_alone()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address, 820, 1180);
        browser.Open("/");
        Write(browser, "Instrument", "Hand drum");
        browser.SeeText("Hand drum: percussion");
        Write(browser, "Pieces, one a line", Piece);
        browser.SeeText("24 bars");
        browser.Tap(browser.Button("Make my first plan"));
        browser.See(By.XPath("//ol[@aria-label=\"Today's drills\"]/li"));
        browser.Tap(browser.See(By.CssSelector("ol[aria-label=\"Today's drills\"] li:nth-child(2) button[aria-expanded='false']")));
        browser.Tap(browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Lock']")));
        browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Unlock']"));
        browser.Tap(browser.Button("Begin"));
        var place = browser.SeeText("drill 1 of").Text;

        // Every key of the stage is a button: what is not beside the drill lies behind "all keys".
        browser.Tap(browser.See(By.XPath("//button[contains(., 'skip')]")));
        browser.Until(_ => browser.SeeText("drill ").Text != place);
        browser.Tap(browser.See(By.XPath("//button[contains(., 'all keys')]")));
        browser.Tap(browser.See(By.XPath("//button[starts-with(@aria-label, 'B: ')]")));
        browser.Until(_ => browser.SeeText("drill ").Text == place);
        browser.Tap(browser.See(By.XPath("//button[contains(., 'note')]")));
        Write(browser, "Note", "Low stroke too loud");
        browser.Tap(browser.Button("Keep"));
        browser.Until(page => page.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        browser.Tap(browser.See(By.XPath("//button[contains(., 'close')]")));
        browser.SeeText("Close the session");
        browser.Tap(browser.Button("a little"));
        Write(browser, "What was it like, and what next?", "Even.");
        browser.Tap(browser.Button("Close and keep"));
        browser.Tap(browser.See(By.LinkText("Read the journal")));
        browser.SeeText("Low stroke too loud");
        browser.Tap(browser.See(By.XPath("//nav[@aria-label='Places']//a[.='Week' and not(ancestor::*[contains(@style, 'none')])]")));
        browser.SeeText("The last seven days");
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>A field is touched, and the keyboard on the screen does the rest.</summary>
    private static void Write(Browser browser, string label, string text)
    {
        browser.Tap(browser.Control(label));
        browser.Press(text);
    }
}
