using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A spare minute on a window the size of a phone: opened, done, gone.</summary>
public sealed class SpareJourney
{
    [Fact]
    public async Task One_thing_is_done_in_two_taps_and_a_question_is_heard_in_passing()
    {
        await using var app = await AppProcess.StartAsync();
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address, 390, 844);
        browser.Open("/");
        browser.Tap(browser.See(By.XPath("//a[contains(., 'spare minute')]")));
        browser.Until(page => page.Url.EndsWith("/spare", StringComparison.Ordinal));
        browser.SeeText("None yet today");
        var first = browser.See(By.XPath("//main//section")).GetAttribute("aria-label");
        browser.Tap(browser.Button("Clean"));
        browser.SeeText("One today");
        browser.See(By.XPath("//main//section")).GetAttribute("aria-label").ShouldNotBe(first);
        browser.Tap(browser.Button("take the last one back"));
        browser.SeeText("None yet today");

        // Away from the instrument a question for the ear, answered by one tap.
        browser.Tap(browser.See(By.XPath("//label[contains(., 'away from the instrument')]")));
        browser.Tap(browser.Button("Hear it"));
        browser.Until(page => page.Url.EndsWith("/ear?spare", StringComparison.Ordinal));
        ((bool)browser.Run("return document.documentElement.scrollWidth <= innerWidth + 1")!).ShouldBeTrue();
        browser.Complaints().ShouldBeEmpty();
    }
}
