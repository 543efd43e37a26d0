using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Nothing typed is lost, and nothing lands elsewhere.</summary>
public sealed class WritingJourney
{
    [Fact]
    public async Task A_note_has_the_keys_at_once_and_stays_with_the_drill_and_take_at_which_it_was_begun()
    {
        await using var app = await AppProcess.StartAsync();
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        session = await app.SkipToAsync(session, now => now["cue"]!["countsTakes"]!.GetValue<bool>());
        session = await app.ActAsync(session, "Missed");
        var title = session["drills"]![session["position"]!.GetValue<int>()]!["title"]!.GetValue<string>();
        using var browser = new Browser(app.Address);
        browser.Open("/practise");
        browser.See(By.CssSelector("[data-testid='stage-left']"));

        // Letters that are keys of the stage are letters here: b would go back, s skip, e add a minute, space pause.
        browser.Press("n");
        browser.See(By.TagName("textarea"));
        browser.Press("be slow, esp. ");
        // The drill goes on elsewhere while one writes; then the last one runs out.
        session = await app.ActAsync(session, "Skip");
        await Task.Delay(1500);
        await app.SkipToAsync(session, now => now["position"]!.GetValue<int>() >= now["drills"]!.AsArray().Count);
        await Task.Delay(1500);
        browser.Press("bar 9", Keys.Enter);
        browser.See(By.XPath("//h1[contains(., 'Close the session')]"));
        var entries = (await app.Send(HttpMethod.Get, "/api/journal?search=bar+9"))["days"]![0]!["entries"]!.AsArray();
        entries.Count.ShouldBe(1);
        entries[0]!["text"]!.GetValue<string>().ShouldBe("be slow, esp. bar 9");
        entries[0]!["about"]!.GetValue<string>().ShouldBe(title);
        entries[0]!["take"]!.GetValue<int>().ShouldBe(2);
        (await app.Session())["drills"]!
            .AsArray()
            .Count(drill => drill!["state"]!.GetValue<string>() == "Waiting")
            .ShouldBe(0, "no letter went back into a drill");
    }

    [Fact]
    public async Task The_close_keeps_what_is_written_through_the_stage_a_reload_and_a_close_elsewhere()
    {
        await using var app = await AppProcess.StartAsync();
        await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        using var browser = new Browser(app.Address);
        browser.Open("/close");
        browser.Control("What was it like, and what next?").SendKeys("The left hand leads.");
        browser.See(By.CssSelector("input[aria-label^='A line on']")).SendKeys("lighter");
        browser.Driver.FindElement(By.LinkText("Back to the stage")).Click();
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        browser.Press(Keys.Escape);
        Written(browser).ShouldBe("The left hand leads.");
        browser.Driver.Navigate().Refresh();
        Written(browser).ShouldBe("The left hand leads.");
        browser.See(By.CssSelector("input[aria-label^='A line on']")).GetAttribute("value").ShouldBe("lighter");

        // Another window of the same browser shows the same lines.
        browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        browser.Open("/close");
        Written(browser).ShouldBe("The left hand leads.");

        // Closed elsewhere: what was written here is offered to the journal of that day.
        await app.CloseAsync();
        browser.Button("Close and keep").Click();
        browser.SeeText("was closed elsewhere");
        browser.Button("Keep it in the journal of that day").Click();
        browser.See(By.XPath("//h1[.='Journal']"));
        browser.SeeText("The left hand leads.");
        var entries = (await app.Send(HttpMethod.Get, "/api/journal?search=leads"))["days"]![0]!["entries"]!.AsArray();
        entries.Count.ShouldBe(1);
    }

    private static string Written(Browser browser) => browser.Control("What was it like, and what next?").GetAttribute("value")!;
}
