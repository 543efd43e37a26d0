using System.Globalization;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Words in the journal: written with a phrase, changed, found, carried over to a day, and settled there.</summary>
public sealed class JournalJourney
{
    [Fact]
    public async Task Words_are_found_again_keep_what_stood_before_and_come_back_on_their_day()
    {
        await using var app = await AppProcess.StartAsync();
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address);
        browser.Open("/journal");
        browser.Type("Write something", "Quavers limp");
        browser.Button("Hurried.").Click();
        browser.Button("why, what helps, next time, tags").Click();
        browser.Type("Next time", "count the second beat");
        browser.Type("Tags", "pulse, evening");
        browser.Button("Keep").Click();
        browser.SeeText("Quavers limp. Hurried.");

        // Changed; what stood before can be put back.
        browser.Button("Change: Quavers limp. Hurried.").Click();
        browser.Type("Entry", "Quavers even");
        browser.See(By.XPath("//section//button[.='Keep']")).Click();
        browser.Button("What stood before: Quavers even").Click();
        browser.SeeText("Quavers limp. Hurried. · count the second beat · pulse, evening");
        browser.Button("put back").Click();
        browser.Button("Carry over: Quavers limp. Hurried.");

        // Found by the beginning of a word, marked; by its tag from the link beside it.
        browser.Type("Search the journal", "quav");
        browser.See(By.XPath("//mark[.='Quavers']"));
        browser.See(By.LinkText("pulse")).Click();
        browser.Until(page => page.Url.Contains("tag=pulse", StringComparison.Ordinal));
        browser.SeeText("count the second beat");

        // Carried over it stands in the plan of its day.
        browser.Button("Carry over: Quavers limp. Hurried.").Click();
        var day = AppProcess.Evening.AddDays(2);
        var input = browser.Control("Day to carry it over to");
        browser.Run("arguments[0].focus()", input);
        input.SendKeys(day.ToString("MMddyyyy", CultureInfo.InvariantCulture));
        browser.Button("Carry it over").Click();
        browser.SeeText("carried over to");
        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        browser.Open("/");
        browser.See(By.XPath("//ol[@aria-label=\"Today's drills\"]/li"));
        browser.Driver.PageSource.ShouldNotContain("count the second beat");
        await app.SetClockAsync(day);
        browser.Open("/");
        browser.Button("Settled: count the second beat").Click();
        browser.Until(page => !page.PageSource.Contains("count the second beat", StringComparison.Ordinal));

        // A day is a page of its own.
        browser.Open("/journal");
        browser.See(By.XPath("//section//h2/a")).Click();
        browser.See(By.XPath("//section[@aria-label='Played'] | //*[.='Not played.']"));
        browser.Complaints().ShouldBeEmpty();
    }
}
