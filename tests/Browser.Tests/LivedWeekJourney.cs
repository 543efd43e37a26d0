using System.Globalization;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A week as weeks are: played, missed twice, spread, looked back on; what was accepted is in the days that follow.</summary>
public sealed class LivedWeekJourney
{
    [Fact]
    public async Task Missed_days_are_spread_and_what_the_review_accepts_is_in_the_plans_of_the_next_week()
    {
        await using var app = await AppProcess.StartAsync();
        // At noon of the day of practice, which may still be yesterday's in the small hours.
        var day = DateOnly.Parse((await app.Send(HttpMethod.Get, "/api/review"))["day"]!.GetValue<string>(), CultureInfo.InvariantCulture);
        var start = new DateTimeOffset(day.ToDateTime(new TimeOnly(12, 0)));
        await app.SetClockAsync(start);
        await app.Send(HttpMethod.Put, "/api/review/weekday", new { weekday = ((int)day.AddDays(3).DayOfWeek + 6) % 7 });
        using var browser = new Browser(app.Address);
        await PlayALittle(app, browser);

        // Two days go by. Nothing is piled up: a part of the missed day fits into the days that come, the rest is let go.
        await app.SetClockAsync(start.AddDays(3));
        browser.Open("/week");
        browser.SeeText("was not played");
        var before = WeekJourney.Minutes(browser);
        // One missed day after the other, as long as something of it fits.
        for (var left = 3; left > 0 && browser.Driver.PageSource.Contains("Spread them", StringComparison.Ordinal); left--)
        {
            var said = browser.SeeText("was not played").Text;
            browser.Tap(browser.Button("Spread them"));
            browser.Until(page => !page.PageSource.Contains(said.Split(" of its")[0], StringComparison.Ordinal));
        }

        var after = WeekJourney.Minutes(browser);
        after.Sum().ShouldBeGreaterThan(before.Sum());
        after.Zip(before).ShouldAllBe(day => day.First <= (day.Second * 5 / 4) + 1);

        // It is the day of the review: a link on the first page, one press a question.
        browser.Open("/");
        browser.Tap(browser.See(By.XPath("//a[contains(@href, '/journal/review')]")));
        browser.See(By.CssSelector("[data-testid='review-question']"));
        // Which passage stands still depends on the day on which the demo was made.
        var stuck = (int?)
            (await app.Send(HttpMethod.Get, "/api/review"))["questions"]!
                .AsArray()
                .FirstOrDefault(one => ((string)one!["proposal"]!).StartsWith("two short visits", StringComparison.Ordinal))
                ?["materialId"];
        while (browser.Driver.FindElements(By.CssSelector("[data-testid='review-question']")).Count > 0)
        {
            var now = browser.Shown("review-question");
            browser.Press(Keys.PageDown);
            browser.Until(page =>
                page.FindElements(By.CssSelector("[data-testid='review-question']")) is var left && (left.Count == 0 || left[0].Text != now)
            );
        }

        browser.Type("What is next week for?", "Quiet joins.");
        browser.Button("Write it to the journal").Click();
        browser.SeeText("It is written in the journal.");

        // The next day knows it all.
        await app.SetClockAsync(start.AddDays(4));
        browser.Open("/");
        browser.SeeText("for: Quiet joins.");
        if (stuck is { } passage)
            await SecondVisit(app, browser, passage, start.AddDays(4));
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>
    /// What is to have two short visits a day was played in the sitting of the first day on which it comes, since others may be first: later
    /// it comes as a spare minute.
    /// </summary>
    private static async Task SecondVisit(AppProcess app, Browser browser, int passage, DateTimeOffset day)
    {
        for (var last = day.AddDays(6); !await IsInPlan() && day < last; )
            await app.SetClockAsync(day = day.AddDays(1));
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        session = await app.ActUntilAsync(
            session,
            now => (int?)now["target"]?["materialId"] == passage,
            now =>
                now["drills"]![now["position"]!.GetValue<int>()]!["method"]!
                    .GetValue<string>()
                    .StartsWith("one take", StringComparison.Ordinal)
                    ? "Clean"
                    : "Skip"
        );
        await app.ActAsync(session, "Clean");
        await app.CloseAsync();
        await app.SetClockAsync(day.AddHours(3));
        browser.Open("/spare");
        browser.SeeText("its second short visit today");

        async Task<bool> IsInPlan() =>
            (await app.Send(HttpMethod.Get, "/api/today"))["drills"]!
                .AsArray()
                .Any(drill => drill!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == passage));
    }

    /// <summary>Begins by the space bar, plays a few takes by pedal and closes.</summary>
    private static async Task PlayALittle(AppProcess app, Browser browser)
    {
        browser.Open("/");
        browser.See(By.XPath("//ol[@aria-label=\"Today's drills\"]/li"));
        browser.Run("document.activeElement.blur()");
        browser.Press(" ");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        await app.SkipToAsync(await app.Session(), session =>
            session["drills"]![session["position"]!.GetValue<int>()]!["area"]?.GetValue<string>() == "Repertoire"
        );
        browser.Open("/practise");
        browser.See(By.XPath("//button[contains(., 'missed')]"));
        browser.Press(Keys.ArrowRight);
        browser.Press(Keys.ArrowLeft);
        Thread.Sleep(1200);
        browser.Press(Keys.Escape);
        browser.Button("Close and keep").Click();
        browser.SeeText("planned. What you did today");
    }
}
