using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Sheets, keys, the ladder and the tempo history through the real interface.</summary>
public sealed class TechniqueJourney
{
    [Fact]
    public async Task A_scale_is_written_out_kept_and_taken_through_the_keys()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/craft/sheets");
        browser.Until(_ => Heads(browser) == 29);
        browser.SeeText("sounds in E♭ major");
        browser.See(By.XPath("//button[.='D']")).Click();
        browser.SeeText("sounds in C major");
        browser.Choose("octaves", "1");
        browser.Until(_ => Heads(browser) == 15);
        browser.SeeText("The top note is note 2 of 2 in its click");
        browser.Choose("octaves", "4");
        browser.SeeText("go beyond G6. Choose 2 octaves, or widen the range.");
        browser.Choose("octaves", "2");
        browser.Choose("kind", "melodic minor");
        browser.SeeText("D melodic minor scale");
        browser.Button("Hear it").Click();
        browser.Button("Stop").Click();
        browser.Tick("through all keys");
        browser.Button("Keep as an exercise").Click();
        browser.SeeText("Kept as an exercise");

        browser.Open("/craft/keys");
        browser.See(By.XPath("//section[@aria-label='Melodic scale, two octaves']"));
        browser.SeeText("Not touched yet: ");
        browser
            .See(By.XPath("//section[@aria-label='Melodic scale, two octaves']//select[option[.='half steps']]/option[.='half steps']"))
            .Click();
        browser.Until(page =>
            page.FindElement(By.XPath("//section[@aria-label='Melodic scale, two octaves']"))
                .Text.Contains("A minor, B♭ minor, B minor", StringComparison.Ordinal)
        );
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_ladder_is_climbed_by_keys_with_misses_to_its_target_and_stands_in_the_history()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Cello", "strings");
        var exercise = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Steady run",
                    target = 40,
                }
            )
        )["id"]!.GetValue<int>();
        await app.Send(HttpMethod.Post, $"/api/technique/exercises/{exercise}/station", new { station = "Faster" });
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        session = await app.SkipToAsync(session, now => (int?)now["target"]?["materialId"] == exercise);
        await app.ActAsync(session, "Clean");
        await app.CloseAsync();

        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.SeeText("tempo ladder");
        browser.Run("document.activeElement.blur()");
        browser.Press(" ");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        for (var i = 0; i < 12 && browser.Shown("stage-title") != "Steady run"; i++)
        {
            var place = browser.SeeText("drill ").Text;
            browser.Press("s");
            browser.Until(_ => browser.SeeText("drill ").Text != place);
        }

        // Three clean and it goes up; a miss steps back.
        var start = Tempo(browser);
        Take(browser, Keys.ArrowRight, "1 of 3 clean in a row");
        Take(browser, Keys.ArrowRight, "2 of 3 clean in a row");
        Take(browser, Keys.ArrowLeft, "0 of 3 clean in a row");
        browser.SeeText("A step back.");
        browser.Until(_ => Tempo(browser) == Math.Max(20, start - 2));
        for (var takes = 0; takes < 60 && Tempo(browser) < 40; takes++)
        {
            var (tempo, count) = (Tempo(browser), browser.Shown("stage-count"));
            browser.Press(Keys.ArrowRight);
            browser.Until(_ => Tempo(browser) != tempo || browser.Shown("stage-count") != count);
        }

        Tempo(browser).ShouldBe(40, "the target is the end of the ladder");
        Take(browser, Keys.ArrowRight, "1 of 3 clean in a row");
        browser.Until(_ => browser.Shown("station-said").Contains("at its target. From faster to in music?", StringComparison.Ordinal));
        browser.Press("y");
        browser.Until(_ => browser.Driver.FindElements(By.CssSelector("[data-testid='station-said']")).Count == 0);
        browser.Press(Keys.Escape);
        browser.Button("Close and keep").Click();
        browser.SeeText("planned. What you did today");

        browser.Open("/craft");
        browser.See(By.LinkText("Steady run")).Click();
        browser.SeeText("Steady run");
        browser.See(By.CssSelector("[data-testid='tempo-chart'] svg"));
        browser.Until(_ => browser.Control("station").GetAttribute("value") == "InMusic");
        browser
            .See(By.CssSelector("[data-testid='tempo-chart']"))
            .GetAttribute("aria-label")
            .ShouldBe("Tempo of Steady run over 2 visits: clean from 20 to 40, target 40.");
    }

    [Fact]
    public async Task A_stuck_exercise_gets_advice_on_its_page_and_another_way_in_the_plan()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Cello", "strings");
        var exercise = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Stubborn run",
                    target = 120,
                }
            )
        )["id"]!.GetValue<int>();
        for (var day = 0; day < 9; day++)
        {
            await app.SetClockAsync(AppProcess.Evening.AddDays(day));
            var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
            session = await app.SkipToAsync(session, now => (int?)now["target"]?["materialId"] == exercise);
            session = await app.ActAsync(session, "Nudge", 66 - session["target"]!["tempo"]!.GetValue<int>());
            session = await app.ActAsync(session, "Clean");
            if ((int?)session["target"]?["materialId"] == exercise)
                await app.ActAsync(session, "Missed");
            await app.CloseAsync();
        }

        await app.SetClockAsync(AppProcess.Evening.AddDays(9));
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.SeeText("another way");
        browser.Open($"/craft/{exercise}/tempo");
        browser.SeeText("over 8 visits");
        browser.SeeText("Something else to try");
        browser.Driver.FindElement(By.TagName("main")).Text.ShouldContain("Let it rest.");
        browser.Complaints().ShouldBeEmpty();
    }

    private static int Heads(Browser browser) =>
        browser.Driver.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count;

    private static int Tempo(Browser browser) =>
        int.Parse(browser.Shown("stage-tempo").Split('=')[1], System.Globalization.CultureInfo.InvariantCulture);

    private static void Take(Browser browser, string key, string count)
    {
        browser.Press(key);
        browser.Until(_ => browser.Shown("stage-count") == count);
    }
}
