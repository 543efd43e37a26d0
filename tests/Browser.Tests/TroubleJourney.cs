using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>What stays on the screen when the program, a part of it, or the book itself is away, and the way back.</summary>
public sealed class TroubleJourney
{
    [Fact]
    public async Task With_the_program_away_no_page_is_blank_and_what_is_typed_stays()
    {
        await using var app = await AppProcess.StartAsync();
        await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        using var browser = new Browser(app.Address);
        browser.Open("/close");
        browser.Control("What was it like, and what next?").SendKeys("Still here.");
        app.Kill();
        // Looking away and back asks everything anew, and nothing answers.
        browser.Run("document.dispatchEvent(new Event('visibilitychange')); window.dispatchEvent(new Event('focus'))");
        await Task.Delay(3500);
        browser.Control("What was it like, and what next?").GetAttribute("value").ShouldBe("Still here.");

        // A part that was never loaded says so in the page, with the menu still there.
        browser.Driver.FindElement(By.LinkText("Week")).Click();
        browser.SeeText("so this part could not be loaded");
        browser.Driver.FindElements(By.CssSelector("header nav[aria-label='Places']")).Count.ShouldBe(1);
        await app.RunAsync();
        browser.Button("Try again").Click();
        browser.See(By.XPath("//h1[.='The week']"));
        browser.SeeText("Goals");
        browser.Driver.Navigate().Back();
        browser.Control("What was it like, and what next?").GetAttribute("value").ShouldBe("Still here.");
    }

    [Fact]
    public async Task A_damaged_book_is_told_on_the_page_and_the_newest_backup_brings_it_back()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.PlayerAsync("Cello", "strings");
        await app.Send(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "Long shifts",
                target = 100,
            }
        );
        using var browser = new Browser(app.Address);
        browser.Open("/set-up/files");
        browser.SeeText("will stand here");
        browser.Button("Make one now").Click();
        browser.SeeText("1 thing to practise");

        app.Kill();
        foreach (var part in new[] { "own.db-wal", "own.db-shm" })
            File.Delete(Path.Combine(app.Data, part));
        await File.WriteAllTextAsync(Path.Combine(app.Data, "own.db"), "This was a book.");
        await app.RunAsync();
        browser.Open("/");
        browser.See(By.XPath("//h1[.='Your book cannot be read']"));
        browser.SeeText("is damaged");
        browser.SeeText("would be missing");
        browser.Resize(390, 844);
        (
            (long)browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth")!
        ).ShouldBeLessThanOrEqualTo(1, "on a phone nothing scrolls sideways");
        browser.Resize(1280, 800);
        browser.Button("Go back to").Click();
        browser.SeeText("set aside under another name");
        browser.Button("Put it in the place of my book").Click();
        browser.SeeText("Thirty minutes, ");
        browser.Open("/craft");
        browser.SeeText("Long shifts");
        Directory.GetFiles(app.Data, "own-set-aside-*.db").Length.ShouldBe(1, "the damaged file is set aside, not overwritten");
    }
}
