using System.Collections.ObjectModel;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>WCAG 2.2 AA as far as axe-core (npm) can tell, on every view of the demo; and no view asks anything of another host.</summary>
public sealed class AccessibilityTests
{
    private const string Methods = "//*[@role='group' and starts-with(@aria-label, 'Method of')]";
    private const string Notehead = "//*[contains(@class, 'abcjs-notehead')]";

    [Fact]
    public async Task No_page_has_a_serious_finding_and_none_reaches_outside()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        var look = new Look(browser);
        look.Check("/", "//ol/li");
        foreach (var path in new[] { "/week", "/craft", "/craft/keys", "/craft/reading", "/spare", "/journal" })
            look.Check(path, "//main//section");
        look.Check("/set-up", "//section//*[name()='svg']");
        look.Check("/music", "//tbody/tr");
        look.Check("/craft/warm-up", "//section//*[name()='svg']");
        look.Check("/craft/sheets", Notehead);
        look.Check("/craft/ear", "//section//button");
        look.Check("/craft/sound", "//fieldset");
        look.Check("/craft/listening", "//section//h2");
        look.Check("/music/recordings", "//*[@aria-label='Room']");
        var apart = (await app.Send(HttpMethod.Get, "/api/recordings/apart")).AsArray()[0]!["materialId"];
        look.Check($"/music/apart/{apart}", "//*[@role='img']//*");
        var song = (await app.Send(HttpMethod.Get, "/api/recordings?kind=Song"))["recordings"]!.AsArray()[0]!["id"];
        look.Check($"/music/songs/{song}", "//*[@role='img']//*");
        look.Check("/read", Notehead);
        look.Check("/ear", "//button[contains(., 'begin')]");
        look.Check("/journal/look-back", "//section[@aria-label='Readiness']");
        look.Check("/journal/health", "//section//h3");
        look.Check("/journal/review", "//section//h2");
        look.Check("/journal/take-along", "//textarea");
        look.Check("/set-up/files", "//main//button");
        look.Check("/set-up/devices", "//main//section");
        look.Check("/welcome/bring", "//form");
        look.Check("/set-up/shares", "//table");
        look.Check("/set-up/instrument", "//input");
        look.Check("/set-up/methods", "//article");
        look.Check("/welcome", "//h2");
        browser.Open("/music");
        browser.See(By.LinkText("Ferry Waltz")).Click();
        look.Inspect("piece", Notehead);
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        look.Inspect("stage", "//*[@data-testid='stage-title']");
        look.Check("/close", "//fieldset");
        browser.Resize(390, 844);
        look.Check("/", "//ol/li");
        look.Check("/practise", "//*[@data-testid='stage-title']");
        look.Check("/craft/sheets", Notehead);
    }

    /// <summary>What is opened by a press: forms, dialogs, lists; run by scripts/long/journeys.</summary>
    [Fact(Explicit = true)]
    [Trait("Run", "long")]
    public async Task Nothing_that_is_opened_has_a_serious_finding()
    {
        await using var app = await AppProcess.StartAsync();
        var book = await BookAsync(app);
        using var browser = new Browser(app.Address);
        var look = new Look(browser);
        browser.Open("/");
        // Which drill has several methods depends on the day.
        for (var row = 2; row < 8 && browser.Driver.FindElements(By.XPath(Methods)).Count == 0; row++)
            browser.More(row);
        browser.Wishes();
        look.Inspect("methods of a drill", Methods);
        browser.Open("/set-up");
        browser.Button("Change Work and rest").Click();
        look.Inspect("routine editor", "//ol/li");
        browser.Open("/music");
        browser.Button("New piece").Click();
        look.Inspect("material form", "//form");
        browser.Open("/craft/warm-up");
        browser.See(By.XPath("//button[starts-with(@aria-label, 'Change ')]")).Click();
        look.Inspect("warm-up editor", "//ol/li");
        foreach (var kind in new[] { "Shuttle", "Groove", "Patterns over weeks", "Written music", "One by one", "Book of technique" })
        {
            browser.Open("/craft");
            browser.Button(kind).Click();
            look.Inspect(kind, "//*[@data-testid='look']");
        }

        browser.Open("/music");
        browser.See(By.LinkText("Ferry Waltz")).Click();
        browser.SeeText("Read through slowly").Click();
        look.Inspect("slow reading", "//*[@data-testid='bar']");
        browser.Open("/week");
        browser.See(By.LinkText("Its list")).Click();
        look.Inspect("list", "//tbody/tr");
        browser.Button("Rate now").Click();
        look.Inspect("rate now", "//*[@data-testid='rate-now']");
        browser.Open("/week");
        browser.Button("New goal").Click();
        look.Inspect("goal form", "//form");
        browser.Open("/week");
        browser.See(By.XPath("//button[contains(., 'The usual week')]")).Click();
        look.Inspect("usual week", "//*[@aria-label='Usual week']");
        browser.See(By.XPath("//button[contains(., 'Exceptions')]")).Click();
        look.Inspect("exceptions", "//button[.='Add it']");
        browser.Open("/set-up/methods");
        browser.Button("A method of your own").Click();
        look.Inspect("method form", "//form");
        look.Check("/ear/copy?kind=figure", "//button[contains(., 'hear it')]");
        look.Check($"/craft/{book}/book", "//ol/li");
        look.Check($"/craft/{book}/look", "//*[@data-testid='number']");
        browser.Open("/music");
        browser.See(By.CssSelector("a[aria-label^='Tempo of']")).Click();
        look.Inspect("tempo", "//*[@data-testid='tempo-chart']//*[name()='svg']");
        browser.Open("/journal");
        browser.See(By.XPath("//section//h2/a")).Click();
        look.Inspect("a day of the journal", "//section[@aria-label='Played']");
        browser.Open("/journal");
        browser.Type("Write something", "Only tried.");
        browser.Button("Keep").Click();
        browser.Button("Remove: Only tried.").Click();
        look.Inspect("a removal to be taken back", "//button[.='Take it back']");
        TakeIn(browser, look);
        await Stage(app, browser, look);
    }

    /// <summary>Phone and tablet; run by scripts/long/journeys.</summary>
    [Fact(Explicit = true)]
    [Trait("Run", "long")]
    public async Task On_a_phone_and_a_tablet_nothing_scrolls_sideways()
    {
        await using var app = await AppProcess.StartAsync();
        var book = await BookAsync(app);
        using var browser = new Browser(app.Address);
        var look = new Look(browser);
        browser.Resize(390, 844);
        look.Check("/set-up/files", "//main//button");
        look.Check("/craft/keys", "//section");
        look.Check("/craft/sound", "//fieldset");
        look.Check("/craft/listening", "//section//h2");
        browser.Open("/week");
        browser.Tap(browser.See(By.LinkText("Its list")));
        look.Inspect("list", "//tbody/tr");
        look.Check("/craft/warm-up", "//section//*[name()='svg']");
        look.Check("/craft", "//section//li");
        look.Check("/craft/reading", "//section//li");
        look.Check("/read", Notehead);
        look.Check("/craft/ear", "//section//button");
        look.Check("/ear", "//button[contains(., 'begin')]");
        look.Check($"/craft/{book}/book", "//ol/li");
        foreach (var page in new[] { "journal", "journal/look-back", "journal/review", "journal/health", "journal/take-along" })
            look.Narrow($"/{page}");
        foreach (var page in new[] { "spare", "set-up/shares", "set-up/instrument", "welcome", "music" })
            look.Narrow($"/{page}");
        look.Narrow("/week", By.XPath("//button[contains(., 'The usual week')]"));
        look.Narrow("/week", By.XPath("//button[contains(., 'Exceptions')]"));
        look.Narrow("/week", By.XPath("//button[.='New goal']"));
        look.Narrow("/music", By.XPath("//button[.='New passage']"));
        look.Narrow("/music", By.XPath("//button[.='New reading book']"));
        look.Narrow("/music", By.CssSelector("a[href^='/music/']"));
        look.Narrow("/set-up/methods", By.XPath("//button[.='A method of your own']"));
        Editors();
        TakeIn(browser, look);
        browser.Resize(820, 1180);
        Editors();
        TakeIn(browser, look);
        look.Narrow("/craft/sheets");

        void Editors()
        {
            look.Narrow("/craft/warm-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
            look.Narrow("/set-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
            look.Narrow("/music", By.XPath("//button[.='New piece']"));
        }
    }

    private static async Task<int> BookAsync(AppProcess app) =>
        (
            await app.Send(
                HttpMethod.Post,
                "/api/technique/made",
                new { title = "Small studies", work = new { kind = "Numbers", numbers = new { count = 12 } } }
            )
        )["id"]!.GetValue<int>();

    /// <summary>A file that is looked at before its music is kept: two tunes, one of them with something that is left out.</summary>
    private static void TakeIn(Browser browser, Look look)
    {
        browser.Open("/music");
        browser.Tap(browser.See(By.LinkText("Orchard Jig")));
        var file = Path.Combine(Path.GetTempPath(), $"two-tunes-{Guid.NewGuid():N}.abc");
        File.WriteAllText(
            file,
            "X:1\nT:Gate\nM:2/4\nL:1/8\nK:G\n\"G\"GABc|d2d2|]\n\nX:2\nT:Well\nM:3/4\nL:1/4\nK:D\nV:1\nDFA|d3|]\nV:2 clef=bass\nD,3|D,3|]\n"
        );
        browser.Until(page => page.FindElements(By.CssSelector("input[aria-label='Music file']")).FirstOrDefault())!.SendKeys(file);
        look.Inspect("music to be taken", "//section[@aria-label='Music to be taken']//*[contains(@class, 'abcjs-notehead')]");
        browser.Tap(browser.See(By.XPath("//button[.='Leave it']")));
        File.Delete(file);
    }

    private static async Task Stage(AppProcess app, Browser browser, Look look)
    {
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.XPath("//*[@data-testid='stage-title']"));
        browser.Press("n");
        look.Inspect("note", "//*[@role='dialog']//textarea");
        browser.Press(Keys.Escape, "?");
        look.Inspect("keys", "//*[@role='dialog']");
        browser.Press(Keys.Escape, "j");
        browser.SeeText("There is nothing here of which there could be less.");
        await app.SkipToAsync(await app.Session(), session => session["reliefOf"]!.GetValue<string>().Length > 0);
        browser.Open("/practise");
        browser.See(By.XPath("//*[@data-testid='stage-title']"));
        browser.Press("j");
        look.Inspect("what annoys", "//*[@data-testid='relief']");
    }

    /// <summary>Looks at what the browser shows: findings, what was fetched from elsewhere, and whether it scrolls sideways.</summary>
    private sealed class Look(Browser browser)
    {
        public void Check(string path, string wait)
        {
            browser.Open(path);
            Inspect(path, wait);
        }

        public void Inspect(string name, string wait)
        {
            browser.See(By.XPath(wait));
            Thread.Sleep(250);
            Axe.Findings(browser).ShouldBeEmpty(name);
            var outside =
                (ReadOnlyCollection<object>)
                    browser.Run(
                        "return performance.getEntriesByType('resource').map(r => r.name).filter(n => !n.startsWith(location.origin) && !n.startsWith('data:'))"
                    )!;
            outside.ShouldBeEmpty(name);
            Fits(name);
        }

        public void Narrow(string path, By? press = null)
        {
            browser.Open(path);
            browser.See(By.XPath("//h1"));
            if (press is not null)
                browser.Press(browser.See(press));
            Thread.Sleep(400);
            Fits($"{path} {press}");
        }

        private void Fits(string name) =>
            (
                (long)browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth")!
            ).ShouldBeLessThanOrEqualTo(1, $"{name} scrolls sideways");
    }
}
