using System.Collections.ObjectModel;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>WCAG 2.2 AA as far as axe-core (npm) can tell, on every view of the demo; and no view asks anything of another host.</summary>
public sealed class AccessibilityTests
{
    private const string Methods = "//*[@role='group' and starts-with(@aria-label, 'Method of')]";

    [Fact]
    public async Task No_view_has_a_serious_finding_and_none_reaches_outside()
    {
        await using var app = await AppProcess.StartAsync();
        var book = (
            await app.Send(
                HttpMethod.Post,
                "/api/technique/made",
                new { title = "Small studies", work = new { kind = "Numbers", numbers = new { count = 12 } } }
            )
        )["id"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        var axe = await File.ReadAllTextAsync(Path.Combine(AppProcess.Root, "web/node_modules/axe-core/axe.min.js"));
        Check("/", "//ol/li");
        // Which drill has several methods depends on the day.
        for (var row = 2; row < 8 && browser.Driver.FindElements(By.XPath(Methods)).Count == 0; row++)
            browser.More(row);
        browser.Wishes();
        Inspect("methods of a drill", Methods);
        Check("/set-up", "//section//*[name()='svg']");
        browser.Button("Change Work and rest").Click();
        Inspect("routine editor", "//ol/li");
        Check("/music", "//tbody/tr");
        browser.Button("New piece").Click();
        Inspect("material form", "//form");
        Check("/craft/warm-up", "//section//*[name()='svg']");
        browser.See(By.XPath("//button[starts-with(@aria-label, 'Change ')]")).Click();
        Inspect("warm-up editor", "//ol/li");
        Check("/craft", "//section//li");
        foreach (var kind in new[] { "Shuttle", "Groove", "Patterns over weeks", "Written music", "One by one", "Book of technique" })
        {
            browser.Open("/craft");
            browser.Button(kind).Click();
            Inspect(kind, "//*[@data-testid='look']");
        }

        browser.Open("/music");
        browser.See(By.LinkText("Ferry Waltz")).Click();
        Inspect("piece", "//*[contains(@class, 'abcjs-notehead')]");
        browser.SeeText("Read through slowly").Click();
        Inspect("slow reading", "//*[@data-testid='bar']");
        Check("/set-up/instrument", "//input");
        Check("/week", "//section");
        browser.See(By.LinkText("Its list")).Click();
        Inspect("list", "//tbody/tr");
        browser.Button("Rate now").Click();
        Inspect("rate now", "//*[@data-testid='rate-now']");
        browser.Open("/week");
        browser.Button("New goal").Click();
        Inspect("goal form", "//form");
        Check("/set-up/methods", "//article");
        browser.Button("A method of your own").Click();
        Inspect("method form", "//form");
        Check("/craft/sheets", "//*[contains(@class, 'abcjs-notehead')]");
        Check("/craft/keys", "//section");
        Check("/craft/reading", "//section//li");
        Check("/read", "//*[contains(@class, 'abcjs-notehead')]");
        Check("/craft/ear", "//section//button");
        Check("/ear", "//button[contains(., 'begin')]");
        Check("/ear/copy?kind=figure", "//button[contains(., 'hear it')]");
        Check($"/craft/{book}/book", "//ol/li");
        Check($"/craft/{book}/look", "//*[@data-testid='number']");
        Check("/craft/sound", "//fieldset");
        browser.Open("/music");
        browser.See(By.CssSelector("a[aria-label^='Tempo of']")).Click();
        Inspect("tempo", "//*[@data-testid='tempo-chart']//*[name()='svg']");
        Check("/journal/look-back", "//section[@aria-label='Readiness']");
        Check("/journal/health", "//section//h3");
        Check("/journal/take-along", "//textarea");
        Check("/spare", "//main//section");
        browser.Open("/journal");
        browser.See(By.XPath("//section//h2/a")).Click();
        Inspect("a day of the journal", "//section[@aria-label='Played']");
        browser.Open("/week");
        browser.See(By.XPath("//button[contains(., 'The usual week')]")).Click();
        Inspect("usual week", "//*[@aria-label='Usual week']");
        browser.See(By.XPath("//button[contains(., 'Exceptions')]")).Click();
        Inspect("exceptions", "//button[.='Add it']");
        Check("/journal/review", "//section//h2");
        Check("/journal", "//section");
        browser.Type("Write something", "Only tried.");
        browser.Button("Keep").Click();
        browser.Button("Remove: Only tried.").Click();
        Inspect("a removal to be taken back", "//button[.='Take it back']");
        Check("/set-up/files", "//main//button");
        Check("/set-up/shares", "//table");
        Check("/welcome", "//h2");
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        Inspect("stage", "//*[@data-testid='stage-title']");
        browser.Press("n");
        Inspect("note", "//*[@role='dialog']//textarea");
        browser.Press(Keys.Escape, "?");
        Inspect("keys", "//*[@role='dialog']");
        browser.Press(Keys.Escape, "j");
        browser.SeeText("There is nothing here of which there could be less.");
        await app.SkipToAsync(await app.Session(), session => session["reliefOf"]!.GetValue<string>().Length > 0);
        browser.Open("/practise");
        browser.See(By.XPath("//*[@data-testid='stage-title']"));
        browser.Press("j");
        Inspect("what annoys", "//*[@data-testid='relief']");
        Check("/close", "//fieldset");
        browser.Resize(390, 844);
        Check("/", "//ol/li");
        Check("/practise", "//*[@data-testid='stage-title']");
        Check("/set-up/files", "//main//button");
        Check("/craft/sheets", "//*[contains(@class, 'abcjs-notehead')]");
        Check("/craft/keys", "//section");
        Check("/craft/sound", "//fieldset");
        browser.Open("/week");
        browser.Tap(browser.See(By.LinkText("Its list")));
        Inspect("list", "//tbody/tr");
        Check("/craft/warm-up", "//section//*[name()='svg']");
        Check("/craft", "//section//li");
        Check("/craft/reading", "//section//li");
        Check("/read", "//*[contains(@class, 'abcjs-notehead')]");
        Check("/craft/ear", "//section//button");
        Check("/ear", "//button[contains(., 'begin')]");
        Check($"/craft/{book}/book", "//ol/li");
        Narrow("/journal");
        Narrow("/journal/look-back");
        Narrow("/journal/review");
        Narrow("/journal/health");
        Narrow("/journal/take-along");
        Narrow("/spare");
        Narrow("/week", By.XPath("//button[contains(., 'The usual week')]"));
        Narrow("/week", By.XPath("//button[contains(., 'Exceptions')]"));
        Narrow("/music");
        Narrow("/music", By.XPath("//button[.='New piece']"));
        Narrow("/music", By.XPath("//button[.='New passage']"));
        Narrow("/music", By.XPath("//button[.='New reading book']"));
        Narrow("/music", By.CssSelector("a[href^='/music/']"));
        Narrow("/week", By.XPath("//button[.='New goal']"));
        Narrow("/craft/warm-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
        Narrow("/set-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
        Narrow("/set-up/methods", By.XPath("//button[.='A method of your own']"));
        Narrow("/set-up/shares");
        Narrow("/set-up/instrument");
        Narrow("/welcome");
        browser.Resize(820, 1180);
        Narrow("/craft/warm-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
        Narrow("/set-up", By.XPath("//button[starts-with(@aria-label, 'Change ')]"));
        Narrow("/music", By.XPath("//button[.='New piece']"));
        Narrow("/craft/sheets");

        void Narrow(string path, By? press = null)
        {
            browser.Open(path);
            browser.See(By.XPath("//h1"));
            if (press is not null)
                browser.Press(browser.See(press));
            Thread.Sleep(400);
            Fits($"{path} {press}");
        }

        void Fits(string name) =>
            (
                (long)browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth")!
            ).ShouldBeLessThanOrEqualTo(1, $"{name} scrolls sideways");

        void Check(string path, string wait)
        {
            browser.Open(path);
            Inspect(path, wait);
        }

        void Inspect(string name, string wait)
        {
            browser.See(By.XPath(wait));
            Thread.Sleep(250);
            browser.Run(axe + "; return 1");
            var found =
                (ReadOnlyCollection<object>)
                    browser.RunAsync(
                        "const done = arguments[0]; axe.run(document, { runOnly: ['wcag2a','wcag2aa','wcag21aa','wcag22aa'] }).then(r => done(r.violations.filter(v => ['serious','critical'].includes(v.impact)).map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).join(' | '))))"
                    )!;
            found.ShouldBeEmpty(name);
            var outside =
                (ReadOnlyCollection<object>)
                    browser.Run(
                        "return performance.getEntriesByType('resource').map(r => r.name).filter(n => !n.startsWith(location.origin) && !n.startsWith('data:'))"
                    )!;
            outside.ShouldBeEmpty(name);
            Fits(name);
        }
    }
}
