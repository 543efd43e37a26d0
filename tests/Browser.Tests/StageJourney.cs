using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Practising with a two-button pedal, with keys, and in two windows at once.</summary>
public sealed class StageJourney
{
    [Fact]
    public async Task A_pedal_alone_leads_through_the_ear_questions_and_its_hold_pauses()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        // On days of a round by name, it is swapped for what is sung.
        var today = await app.Send(HttpMethod.Get, "/api/today");
        if (today["drills"]!.AsArray().FirstOrDefault(drill => (string?)drill!["methodId"] == "ear-round") is { } round)
            await app.Send(
                HttpMethod.Post,
                "/api/today/changes",
                new
                {
                    version = (int)today["version"]!,
                    kind = "Swap",
                    drillId = (string?)round["id"],
                }
            );
        browser.Open("/");
        browser.SeeText("minutes, ");
        browser.See(By.XPath("//ol/li"));
        browser.Press(Keys.PageDown);
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        for (var i = 0; i < 20 && browser.Driver.FindElements(By.XPath("//button[contains(., 'hear it')]")).Count == 0; i++)
        {
            var place = browser.SeeText("drill ").Text;
            browser.Press("s");
            browser.Until(_ => browser.SeeText("drill ").Text != place);
        }

        // Right plays the answer, then right says it was right; the next is answered wrong.
        var asked = browser.Shown("stage-now");
        browser.Press(Keys.PageDown);
        browser.Until(_ => browser.Shown("stage-now").EndsWith("Did you get it?", StringComparison.Ordinal));
        browser.Answer(Keys.PageDown);
        browser.Until(_ => browser.Shown("stage-count") == "1 of 1 right");
        browser.Press(Keys.PageUp);
        browser.Until(_ => browser.Shown("stage-now").EndsWith("Did you get it?", StringComparison.Ordinal));
        browser.Answer(Keys.PageUp);
        browser.Until(_ => browser.Shown("stage-count") == "1 of 2 right");
        asked.ShouldNotBeEmpty();

        // Held: paused, and the pedal's yes goes on instead of answering.
        browser.Hold(Keys.PageDown, 1000);
        browser.SeeText("paused: space goes on");
        var left = browser.Shown("stage-left");
        await Task.Delay(1500);
        browser.Shown("stage-left").ShouldBe(left);
        browser.Press(Keys.PageDown);
        browser.Until(page => !page.PageSource.Contains("paused: space goes on", StringComparison.Ordinal));
        browser.Shown("stage-count").ShouldBe("1 of 2 right");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Work_and_rest_turn_on_the_stage_by_themselves()
    {
        await using var app = await AppProcess.StartAsync();
        var routines = await app.Send(HttpMethod.Get, "/api/routines");
        var rounds = routines.AsArray().First(routine => (string?)routine!["name"] == "Work and rest")!["id"]!.GetValue<int>();
        var today = await app.Send(
            HttpMethod.Put,
            "/api/today",
            new
            {
                version = 0,
                minutes = 60,
                routineId = rounds,
            }
        );
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        session = await app.SkipToAsync(session, now => now["cue"]!["period"] is not null);
        var work = session["cue"]!["period"]!["endsAtSeconds"]!.GetValue<int>();
        await app.SetClockAsync(app.Now.AddSeconds(work));
        await app.Send(
            HttpMethod.Post,
            "/api/session/pulse",
            new
            {
                sessionId = session["id"]!.GetValue<int>(),
                position = session["position"]!.GetValue<int>(),
                playedSeconds = work - 3,
            }
        );
        using var browser = new Browser(app.Address);
        browser.Open("/practise");
        browser.Shown("stage-title").ShouldNotBe("Rest");
        browser.Until(_ => browser.Shown("stage-title") == "Rest", 8);
    }

    [Fact]
    public async Task A_drill_runs_out_by_itself_and_can_be_opened_again()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        // The first drill has been played but for its last seconds.
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        var allowed = session["drills"]![0]!["allowedSeconds"]!.GetValue<int>();
        await app.SetClockAsync(app.Now.AddSeconds(allowed));
        await app.Send(
            HttpMethod.Post,
            "/api/session/pulse",
            new
            {
                sessionId = session["id"]!.GetValue<int>(),
                position = 0,
                playedSeconds = allowed - 3,
            }
        );
        browser.Open("/practise");
        browser.SeeText("drill 1 of");
        browser.SeeText("drill 2 of");
        browser.Press("b");
        browser.SeeText("drill 1 of");
        await Task.Delay(1500);
        browser.SeeText("drill 1 of");
        Seconds(browser).ShouldBeInRange(50, 60);

        // One minute more is one minute more, and the drill that was opened again ends like any other.
        browser.Press("e");
        browser.Until(_ => Seconds(browser) > 100);
        Seconds(browser).ShouldBeInRange(105, 120);
        var now = await app.Session();
        var played = now["drills"]![0]!["playedSeconds"]!.GetValue<double>();
        await app.SetClockAsync(app.Now.AddSeconds((2 * allowed) + 200));
        await app.Send(
            HttpMethod.Post,
            "/api/session/pulse",
            new
            {
                sessionId = session["id"]!.GetValue<int>(),
                position = 0,
                playedSeconds = now["drills"]![0]!["allowedSeconds"]!.GetValue<int>() - 2,
            }
        );
        played.ShouldBeGreaterThan(allowed - 3);
        browser.Open("/practise");
        browser.SeeText("drill 2 of");
    }

    [Fact]
    public async Task Two_windows_show_the_same_session_and_count_its_seconds_once()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var first = browser.Driver.CurrentWindowHandle;
        browser.Driver.SwitchTo().NewWindow(WindowType.Window);
        browser.Open("/practise");
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var second = browser.Driver.CurrentWindowHandle;
        var started = DateTime.UtcNow;
        var before = (await app.Session())["drills"]![0]!["playedSeconds"]!.GetValue<double>();
        await Task.Delay(5000);
        var played = (await app.Session())["drills"]![0]!["playedSeconds"]!.GetValue<double>() - before;
        played.ShouldBeLessThan((DateTime.UtcNow - started).TotalSeconds + 1.5);
        played.ShouldBeGreaterThan(2.5);

        browser.Press("s");
        browser.SeeText("drill 2 of");
        browser.Driver.SwitchTo().Window(first);
        browser.SeeText("drill 2 of");
        browser.Press(" ");
        browser.SeeText("paused");
        browser.Driver.SwitchTo().Window(second);
        browser.SeeText("paused");
    }

    private static double Seconds(Browser browser)
    {
        var parts = browser.Shown("stage-left").Split(':');
        return (int.Parse(parts[0], System.Globalization.CultureInfo.InvariantCulture) * 60)
            + int.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
