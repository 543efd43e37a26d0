using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>The week's review with two pedals, into the journal.</summary>
public sealed class ReviewJourney
{
    [Fact]
    public async Task Each_question_takes_one_press_and_the_review_is_in_the_journal()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/journal/review");
        var first = browser.Shown("review-question").Split('\n')[1];
        var accepted = browser.Shown("review-question").Split('\n').First(line => line.StartsWith('→'))[2..];
        browser.Press(Keys.PageDown);
        browser.SeeText($"{first}: {accepted}");
        while (browser.Driver.FindElements(By.CssSelector("[data-testid='review-question']")).Count > 0)
        {
            var now = browser.Shown("review-question");
            browser.Press(Keys.PageUp);
            browser.Until(page =>
                page.FindElements(By.CssSelector("[data-testid='review-question']")) is var left && (left.Count == 0 || left[0].Text != now)
            );
        }

        browser.SeeText("All is decided.");
        browser.Type("What is next week for?", "The joins.");
        browser.Button("Write it to the journal").Click();
        browser.SeeText("It is written in the journal.");
        browser.Open("/journal");
        browser.SeeText($"{first}: {accepted}.");

        // After two weeks it is said what the change brought.
        await app.SetClockAsync(app.Now.AddDays(15));
        browser.Open("/journal/review");
        browser.See(By.XPath($"//section[@aria-label='What the last changes brought'][contains(., '{first}')]"));

        // What the weeks were stands beside the weeks before.
        browser.Open("/journal/look-back");
        browser.See(By.XPath("//section[@aria-label='Days']//*[@role='img']"));
        browser.Tap(browser.See(By.XPath("//label[contains(., 'beside another stretch')]")));
        browser.Until(page => page.FindElements(By.XPath("//section[@aria-label='Days']")).Count == 2);
        browser.Complaints().ShouldBeEmpty();
    }
}
