using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A week moved about: minutes, an exception, a calendar from elsewhere, and minutes right now.</summary>
public sealed class WeekJourney
{
    [Fact]
    public async Task Minutes_move_exceptions_hold_and_a_calendar_takes_the_hour()
    {
        await using var app = await AppProcess.StartAsync();
        await app.SetClockAsync(AppProcess.Evening);
        using var browser = new Browser(app.Address);
        browser.Open("/week");
        browser.See(By.CssSelector("[data-testid='day-minutes']"));
        var before = Minutes(browser);
        before.Count.ShouldBe(7);
        browser.Button("Move 5 minutes of today to the day after").Click();
        browser.Until(_ => Minutes(browser)[0] == before[0] - 5);
        Minutes(browser).Sum().ShouldBe(before.Sum());
        browser.See(By.CssSelector("[aria-label^='What is likely']")).Click();
        browser.See(By.XPath("//section[@aria-label='Likely planned']//h3"));

        // A day off, refused where one is already.
        browser.See(By.XPath("//button[contains(., 'Exceptions')]")).Click();
        browser.Button("Add it").Click();
        browser.Until(_ => Minutes(browser)[0] == 0);
        browser.Button("Add it").Click();
        browser.SeeText("already holds");
        browser.See(By.CssSelector("[aria-label^='Remove Holiday']")).Click();
        browser.Until(_ => Minutes(browser)[0] == before[0]);

        // What another program wrote takes the hour.
        var day = AppProcess.Evening.AddDays(1);
        var file = Path.GetTempFileName();
        var at = $"{day:yyyyMMdd}T";
        await File.WriteAllTextAsync(
            file,
            $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:{at}000000Z\r\nDTSTART:{at}070000\r\nDTEND:{at}213000\r\nSUMMARY:Fair\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
            TestContext.Current.CancellationToken
        );
        browser.Tap(browser.See(By.XPath("//button[normalize-space(.)='Calendars']")));
        browser.Driver.FindElement(By.CssSelector("input[aria-label='A calendar file (.ics)']")).SendKeys(file);
        browser.SeeText("1 stretch is taken in the coming four weeks");
        browser.SeeText("is taken by Fair");
        File.Delete(file);

        // Twenty minutes now.
        browser.Button("minutes now").Click();
        browser.SeeText("Twenty minutes, ");
        browser.Complaints().Where(line => !line.Contains("409", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    internal static List<int> Minutes(Browser browser) =>
        [
            .. browser
                .Driver.FindElements(By.CssSelector("[data-testid='day-minutes']"))
                .Select(card => card.GetDomProperty("textContent") ?? "")
                .Select(text => text == "free" ? 0 : int.Parse(text.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture)),
        ];
}
