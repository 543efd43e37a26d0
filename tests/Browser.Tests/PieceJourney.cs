using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A new piece from its first slow reading to a plan for its performance; all on one server.</summary>
public sealed class PieceJourney
{
    [Fact]
    public async Task From_slow_reading_to_passages_the_grid_music_and_a_concert_plan_that_gets_mended()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.Send(HttpMethod.Put, "/api/profile", new { instrument = "B-flat clarinet", family = "winds", transposition = -2, weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 } });
        var piece = (await app.Send(HttpMethod.Post, "/api/materials", new { kind = "Piece", title = "Kite Song", toBar = 12, beatsPerBar = 1, target = 120, performance = "2031-05-30" }))["id"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        browser.Open($"/piece/{piece}");
        browser.SeeText("No passages yet.");
        Read(browser);
        Grid(browser);
        Missing(browser);
        await Music(browser);
        Mended(browser);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    private static void Read(Browser browser)
    {
        browser.SeeText("Read through slowly").Click();
        browser.SeeText("♩ = 60");
        browser.Press(Keys.ArrowRight);
        Mark(browser, "3");
        Mark(browser, "4");
        Mark(browser, "8");
        browser.Until(_ => browser.Shown("marks") == "tripped: 3, 4, 8");
        browser.SeeText("One to four bars each.");
        browser.Control("First bar of passage 1").GetAttribute("value").ShouldBe("3");
        browser.Control("Last bar of passage 1").GetAttribute("value").ShouldBe("4");
        browser.Type("Last bar of passage 2", "9");
        browser.Button("Make these 2 passages").Click();
        browser.See(By.CssSelector("[aria-label='bar 9, passage 8–9, raw']"));
    }

    private static void Mark(Browser browser, string bar)
    {
        browser.Until(page => page.FindElement(By.CssSelector("[data-testid='bar']")).Text == bar, 25);
        browser.Press(Keys.ArrowRight);
    }

    private static void Grid(Browser browser)
    {
        // A third passage by hand, in the map.
        browser.Button("bar 11").Click();
        browser.Button("bar 12").Click();
        browser.Button("Make a passage of bars 11–12").Click();
        browser.See(By.CssSelector("[aria-label='bar 11, passage 11–12, raw']"));
        browser.Button("3–4 taking shape").Click();
        browser.See(By.CssSelector("[aria-label='bar 3, passage 3–4, taking shape']"));
    }

    private static void Missing(Browser browser)
    {
        browser.See(By.XPath("//table//button[.='8–9']")).Click();
        browser.SeeText("8–9: what is still missing?");
        browser.Type("the cause", "wrong notes");
        browser.See(By.XPath("//section[@aria-label='What is still missing']//button")).Click();
        browser.SeeText("says what, not why");
        browser.Type("the cause", "rushing");
        browser.SeeText("Every other visit then goes by: silent bars.");
        browser.See(By.XPath("//section[@aria-label='What is still missing']//button")).Click();
        browser.Until(page => !page.FindElement(By.XPath("//section[@aria-label='What is still missing']//button")).Enabled);
    }

    private static async Task Music(Browser browser)
    {
        var note = (string step) => $"<note><pitch><step>{step}</step><octave>4</octave></pitch><duration>1</duration></note>";
        var bars = string.Concat(Enumerable.Range(0, 12).Select(i => $"<measure>{(i == 0 ? "<attributes><divisions>2</divisions><time><beats>1</beats><beat-type>4</beat-type></time></attributes>" : "")}{note("C")}{note("DEFGA"[i % 5].ToString())}</measure>"));
        var file = Path.Combine(Path.GetTempPath(), $"kite-{Guid.NewGuid():N}.musicxml");
        await File.WriteAllTextAsync(file, $"<score-partwise><part>{bars}</part></score-partwise>");
        browser.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count == 4);
        File.Delete(file);
        browser.Choose("Version", "growing chain");
        browser.SeeText("step 1 of 4");
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count == 1);
        browser.Button("Next step").Click();
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count == 2);
        browser.Choose("Version", "every other bar silent");
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-rest")).Count == 2);
        browser.Choose("Version", "only the top notes");
        browser.SeeText("one voice only; there is nothing to leave out");
    }

    private static void Mended(Browser browser)
    {
        // Nothing was ever played, so nothing is to be counted on: it does not fit.
        browser.SeeText("too few.");
        browser.SeeText("It would fit without:");
        var before = browser.Driver.FindElements(By.XPath("//section[@aria-label='Performance']//li")).Count;
        before.ShouldBeGreaterThan(1);
        browser.Button("8–9 concert-ready").Click();
        browser.Until(page => page.FindElements(By.XPath("//section[@aria-label='Performance']//li")).Count < before);
    }
}
