using System.Net.Http.Json;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Whole days through the real interface.</summary>
public sealed class DayJourney
{
    [Fact]
    public async Task From_the_first_visit_to_the_changed_plan_of_tomorrow()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address);

        // First visit: instrument, minutes, what one works on. Bars beyond the piece are refused beside the field.
        browser.Open("/");
        browser.Control("Instrument").SendKeys("Cello");
        browser.Type("Pieces, one a line", "Mill Song 24 bars 90, hard 3-4, 30");
        browser.SeeText("24 bars; target 90; hard: 3–4 and 30");
        browser.SeeText("Your first plan");
        browser.Type("An exercise", "C major, one octave");
        browser.Button("Make my first plan").Click();
        browser.See(By.XPath("//*[@role='alert' and contains(., 'goes beyond')]"));
        browser.Type("Pieces, one a line", "Mill Song 24 bars 90, hard 3-4, 9");
        browser.Button("Make my first plan").Click();
        browser.SeeText("Thirty minutes, Wednesday");
        Titles(browser).ShouldContain(title => title.StartsWith("Mill Song, ", StringComparison.Ordinal));
        Titles(browser).ShouldContain("C major, one octave");

        // Own material: one more passage.
        browser.Driver.FindElement(By.LinkText("Music")).Click();
        browser.Button("New passage").Click();
        browser.Type("From bar", "12");
        browser.Type("To bar", "11");
        browser.Button("Keep").Click();
        browser.SeeText("swap them");
        browser.Type("To bar", "13");
        browser.Type("Note for the stage", "Long bow here");
        browser.Button("Keep").Click();
        browser.SeeText("bars 12–13");

        // Change the plan: minutes, a lock, something left out; the sum follows.
        browser.Driver.FindElement(By.LinkText("Today")).Click();
        browser.Type("Minutes today", "40" + Keys.Enter);
        browser.SeeText("40 of 40 min");
        browser.More("C major, one octave");
        browser.See(By.CssSelector("button[aria-label='Lock C major, one octave']")).Click();
        browser.See(By.CssSelector("button[aria-label='Unlock C major, one octave']"));
        browser.More(2);
        browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Leave out']")).Click();
        browser.Until(page => page.PageSource.Contains(" free", StringComparison.Ordinal));
        browser.Button("Plan anew").Click();
        browser.SeeText("40 of 40 min");
        browser.See(By.CssSelector("button[aria-label='Unlock C major, one octave']"));

        await MoveByKeyboard(browser);

        // Practise with keys: a take missed, one clean, a readiness, a note.
        browser.Run("document.activeElement.blur()");
        browser.Press(" ");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var missed = GoToTakes(browser);
        browser.Press(Keys.PageUp);
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='stage-count']")).Count > 0);
        browser.Press("n");
        // The keys belong to the text at once: no click, no tab.
        browser.See(By.CssSelector("textarea[aria-label='Note']"));
        browser.Press("Left hand late", Keys.Enter);
        browser.Until(page => page.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        browser.Press("2");
        browser.Press(" ");
        browser.SeeText("paused");
        browser.Press(" ");
        Thread.Sleep(1200);

        // Close: lines, tomorrow, the session's note.
        browser.Press(Keys.Escape);
        browser.Control("What was it like, and what next?").SendKeys("Slow and good.");
        browser.Tick("tomorrow");
        browser.Button("Close and keep").Click();
        browser.SeeText("planned. What you did today");

        browser.Driver.FindElement(By.LinkText("Read the journal")).Click();
        browser.SeeText("Slow and good.");
        browser.SeeText("Left hand late");
        browser.Type("Search the journal", "left hand");
        browser.Until(page => !page.PageSource.Contains("Slow and good.", StringComparison.Ordinal));
        browser.SeeText("Left hand late");

        // Tomorrow is different, and says why.
        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        browser.Open("/");
        browser.SeeText("Thirty minutes, Thursday");
        browser.See(By.XPath("//ol[@aria-label=\"Today's drills\"]/li"));
        var page = browser.Driver.FindElement(By.TagName("main")).Text;
        page.ShouldContain("you asked for");
        page.ShouldContain(missed.Split(", ")[0]);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    [Fact]
    public async Task The_server_is_killed_in_mid_session_and_nothing_but_a_second_is_lost()
    {
        await using var app = await AppProcess.StartAsync("--own");
        using (
            var answer = await app.Http.PutAsJsonAsync(
                new Uri("/api/profile", UriKind.Relative),
                new
                {
                    instrument = "Cello",
                    family = "strings",
                    weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
                }
            )
        )
            answer.EnsureSuccessStatusCode();
        foreach (var title in new[] { "C major", "Long shifts" })
        {
            using var answer = await app.Http.PostAsJsonAsync(
                new Uri("/api/materials", UriKind.Relative),
                new
                {
                    kind = "Exercise",
                    title,
                    target = 100,
                }
            );
            answer.EnsureSuccessStatusCode();
        }

        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.SeeText("minutes, ");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        GoToTakes(browser, "C major");
        browser.Press(Keys.ArrowRight);
        await Task.Delay(3300);
        var position = (await app.Session())["position"]!.GetValue<int>();
        var shownBefore = Left(browser);

        app.Kill();
        browser.Press(Keys.ArrowLeft);
        browser.SeeText("The program does not answer");
        await Task.Delay(1000);
        await app.RunAsync();
        browser.Until(page => !page.PageSource.Contains("does not answer", StringComparison.Ordinal), 20);

        // What was pressed meanwhile is sent again, and arrives once.
        for (var tries = 0; tries < 50 && (await app.Session())["drills"]![position]!["takes"]!.GetValue<int>() < 2; tries++)
            await Task.Delay(300);
        await Task.Delay(1000);
        var session = await app.Session();
        session["position"]!.GetValue<int>().ShouldBe(position);
        var drill = session["drills"]![position]!;
        drill["takes"]!.GetValue<int>().ShouldBe(2, "the take pressed while the server was away arrives once");
        drill["cleanTakes"]!.GetValue<int>().ShouldBe(1);
        drill["playedSeconds"]!.GetValue<double>().ShouldBeGreaterThan(3);

        // Once the reports that piled up are through, killed with the page closed too: what the file has is at most a second behind what
        // the stage showed.
        for (var tries = 0; tries < 50 && await LeftInFileAsync(app, position) - Left(browser) > 1.5; tries++)
            await Task.Delay(300);
        var shown = Left(browser);
        app.Kill();
        browser.Driver.Navigate().GoToUrl("about:blank");
        await app.RunAsync();
        (await LeftInFileAsync(app, position) - shown).ShouldBeLessThanOrEqualTo(
            3.1,
            "one second of play, one of rounding up, and a report under way on a busy machine"
        );
        shown.ShouldBeLessThan(shownBefore);
        browser.Open("/practise");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        browser.Shown("stage-title").ShouldBe("C major");
    }

    /// <summary>Skips to the first drill whose takes are counted, or to the one of this name.</summary>
    private static string GoToTakes(Browser browser, string? title = null)
    {
        for (var i = 0; i < 25; i++)
        {
            var now = browser.Shown("stage-title");
            var counted = browser.Driver.FindElements(By.XPath("//button[contains(., 'missed')]")).Count > 0;
            if (
                counted
                && (
                    title is null
                        ? now.StartsWith("Mill", StringComparison.Ordinal) || now.StartsWith("C major", StringComparison.Ordinal)
                        : now == title
                )
            )
                return now;
            var place = browser.SeeText("drill ").Text;
            browser.Press("s");
            browser.Until(_ => browser.SeeText("drill ").Text != place);
        }

        throw new InvalidOperationException("No drill counts takes.");
    }

    /// <summary>A drill is picked up with space, carried with the arrows and put down, without a mouse.</summary>
    private static async Task MoveByKeyboard(Browser browser)
    {
        var before = Titles(browser);
        var handle = browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Move']"));
        handle.SendKeys(" ");
        await Task.Delay(350);
        browser.Press(Keys.ArrowDown);
        await Task.Delay(350);
        browser.Press(" ");
        browser.Until(_ => Titles(browser)[1] == before[0]);
        Titles(browser)[0].ShouldBe(before[1]);
    }

    private static List<string> Titles(Browser browser)
    {
        browser.See(By.CssSelector("ol li button[aria-label^='Move ']"));
        return browser.Until(page =>
            page.FindElements(By.CssSelector("ol li button[aria-label^='Move ']"))
                .Select(button => button.GetAttribute("aria-label")![5..])
                .ToList()
        );
    }

    private static async Task<double> LeftInFileAsync(AppProcess app, int position)
    {
        var drill = (await app.Session())["drills"]![position]!;
        return drill["allowedSeconds"]!.GetValue<int>() - drill["playedSeconds"]!.GetValue<double>();
    }

    private static double Left(Browser browser)
    {
        var parts = browser.Shown("stage-left").TrimStart('+').Split(':');
        return (int.Parse(parts[0], System.Globalization.CultureInfo.InvariantCulture) * 60)
            + int.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
