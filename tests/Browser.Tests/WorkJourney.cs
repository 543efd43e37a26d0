using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Exercises of other kinds, made, run by keys and decided about; all in one book, so that one server is enough.</summary>
public sealed class WorkJourney
{
    [Fact]
    public async Task Exercises_are_made_run_on_the_click_carried_through_weeks_and_decided_about()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Piano", "keys");
        using var browser = new Browser(app.Address);
        Written(browser);
        Grooves(browser);
        Shuttle(browser);
        NamesAndFingers(browser);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
        await Book(app, browser);
        await Run(app, browser);
        await KeysOverWeeks(app, browser);
        await Decide(app, browser);
    }

    private static void Written(Browser browser)
    {
        browser.Open("/craft");
        browser.Button("Written music").Click();
        browser.See(By.CssSelector("[data-testid='engraving'] .abcjs-notehead"));
        browser.Type("Title", "Small study");
        browser.Type("Music in ABC", "M:3/4" + Keys.Enter + "L:1/8" + Keys.Enter + "K:F" + Keys.Enter + "F2 GA ?c|");
        browser.Until(_ =>
            browser.Shown("look") == "Line 4, place 7: \"?\" cannot be read here. Notes are the letters A to G and a to g, rests z."
        );
        browser.Type("Music in ABC", "M:3/4" + Keys.Enter + "L:1/8" + Keys.Enter + "K:F" + Keys.Enter + "F2 GA Bc|d6|]");
        browser.Until(_ => browser.Shown("look") == "2 bars in F major");
        browser.Control("Title").GetAttribute("value").ShouldBe("Small study", "the rest is unharmed");
        browser.Button("Keep it").Click();
        browser.SeeText("Small study");
    }

    private static void Grooves(Browser browser)
    {
        browser.Button("Groove").Click();
        browser.See(By.CssSelector("[data-testid='groove']"));
        browser.Type("Strokes", "low: x..y");
        browser.Until(_ => browser.Shown("look") == "Line 1, place 9: \"y\" is no stroke. Write x, X (strong), o (soft) or . (silent).");
        browser.Type("Strokes", "7 beats of 2" + Keys.Enter + "low: X...x...x.....");
        browser.Until(_ => browser.Shown("look") == "1 bar of 7 beats");
        browser.Button("Leave it as it was").Click();
    }

    private static void Shuttle(Browser browser)
    {
        browser.Button("Shuttle").Click();
        browser.Type("Title", "Far apart");
        browser.Type("Target tempo", "300");
        browser.Type("Keys or chords", "C major, F# major, A minor" + Keys.Enter);
        browser.Type("Beats for each", "1" + Keys.Enter);
        browser.Until(_ => browser.Shown("look") == "sets of 2 and 3, 1 beat each");
        browser.Button("Keep it").Click();
        browser.SeeText("Far apart");
    }

    private static void NamesAndFingers(Browser browser)
    {
        browser.Open("/set-up/instrument");
        browser.Choose("Notes are called by", "degrees");
        browser.Button("Keep").Click();
        browser.SeeText("Kept.");
        browser.Open("/craft/sheets");
        browser.Choose("octaves", "1");
        browser.Choose("hand", "right hand");
        browser.Tick("names under the notes");
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-lyric")).Count == 15);
        string.Concat(
                browser
                    .Driver.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-lyric"))
                    .Take(8)
                    .Select(name => name.Text.Trim())
            )
            .ShouldBe("12345671");
    }

    /// <summary>A book of technique is looked through from the stage: a key a number, the last one taken back.</summary>
    private static async Task Book(AppProcess app, Browser browser)
    {
        browser.Open("/craft");
        browser.Button("Book of technique").Click();
        browser.Type("Title", "Small studies");
        browser.Type("numbers in the book", "3" + Keys.Tab);
        browser.SeeText("for a first look through");
        browser.Button("Keep it").Click();
        browser.SeeText("0 of 3 done, 3 not looked at");
        var id = (await Lines(app)).First(line => (string?)line!["title"] == "Small studies")!["id"]!.GetValue<int>();
        var session = await On(app, id);
        var before = session["position"]!.GetValue<int>();
        browser.Open("/practise");
        browser.SeeText("look through it");
        browser.Press(Keys.ArrowRight);
        foreach (var (number, key) in new[] { (1, Keys.ArrowRight), (2, Keys.ArrowDown), (3, Keys.ArrowLeft) })
        {
            browser.Until(_ => browser.Shown("number") == $"{number}");
            browser.Press(key);
        }

        browser.SeeText("All of it was looked at.");
        browser.Press("z");
        browser.Until(_ => browser.Shown("number") == "3");
        browser.Press(Keys.ArrowLeft);
        browser.SeeText("All of it was looked at.");
        browser.Press(Keys.Enter);
        browser.See(By.CssSelector("[data-testid='stage-now']"));
        ((int)(await app.Session())["position"]!).ShouldBeGreaterThan(before, "its drill is done");
        browser.Open($"/craft/{id}/book");
        browser.SeeText("0 of 3 done; 6 days of work left at least.");
        browser.See(By.XPath("//ol/li/button[starts-with(., '3')]")).Click();
        browser.Tick("I have done with it");
        browser.SeeText("1 of 3 done");
        await app.CloseAsync();
    }

    private static async Task Run(AppProcess app, Browser browser)
    {
        var id = (await Lines(app)).First(line => (string?)line!["title"] == "Far apart")!["id"]!.GetValue<int>();
        await On(app, id);
        browser.Open("/practise");
        browser.SeeText("set 1 of 3; 0 of 2 runs without a stop");
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("run-says").Contains("marks one that came late", StringComparison.Ordinal));

        // Stopped for a repair, the run waits where it is and goes on from there.
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("run-says") == "repair it; → goes on from here, one bar counted in");
        await Task.Delay(1500);
        browser.Shown("run-says").ShouldStartWith("repair it");
        browser.Press(Keys.ArrowRight);
        browser.SeeText("late: ");
        browser.SeeText("Back and forth until it is found.");
        browser.Press(Keys.ArrowRight);
        browser.SeeText("set 1 of 3; 0 of 2 runs without a stop");
        browser.Press(Keys.ArrowRight);
        browser.SeeText("set 1 of 3; 1 of 2 runs without a stop");
        browser.Press(Keys.ArrowRight);
        browser.SeeText("set 2 of 3; 0 of 2 runs without a stop");
        browser.Driver.FindElements(By.CssSelector("[data-testid='run-row'] li")).Count.ShouldBe(3);
        await app.CloseAsync();
        (await Lines(app)).First(line => (string?)line!["title"] == "Far apart")!["stands"]!.GetValue<string>().ShouldBe("sets of 2");
    }

    private static async Task KeysOverWeeks(AppProcess app, Browser browser)
    {
        var made = await app.Send(
            HttpMethod.Post,
            "/api/technique/exercises",
            new
            {
                sheet = new
                {
                    figure = "scale",
                    kind = "major",
                    tonic = "C",
                    octaves = 1,
                },
                target = 100,
                keys = new
                {
                    school = "SeveralADay",
                    order = "Fifths",
                    withMinors = true,
                    minor = false,
                },
            }
        );
        for (var day = 1; day <= 21; day++)
        {
            await app.SetClockAsync(AppProcess.Evening.AddDays(day));
            var session = await On(app, made["id"]!.GetValue<int>());
            var key = session["target"]!["key"]!.GetValue<string>();
            key.ShouldMatch(":k:|:r:", "in its keys, or up the ladder in one of them");
            await app.ActUntilAsync(session, now => (int?)now["target"]?["materialId"] != made["id"]!.GetValue<int>(), _ => "Clean");
            await app.CloseAsync();
        }

        browser.Open("/craft/keys");
        browser.SeeText("Waiting longest: ");
        browser.Driver.FindElement(By.TagName("main")).Text.ShouldNotContain("Not touched yet");
    }

    private static async Task Decide(AppProcess app, Browser browser)
    {
        await app.SetClockAsync(AppProcess.Evening.AddDays(28));
        browser.Open("/");
        browser.SeeText("wait for a decision: keep, rest or drop");
        browser.Open("/craft");
        browser.Button("drop: Small study").Click();
        browser.Until(page => page.FindElements(By.XPath("//button[@aria-label='drop: Small study']")).Count == 0);
        (await Lines(app)).First(line => (string?)line!["title"] == "Small study")!["resting"]!.GetValue<bool>().ShouldBeTrue();
    }

    private static async Task<JsonArray> Lines(AppProcess app) =>
        (
            await System.Net.Http.Json.HttpClientJsonExtensions.GetFromJsonAsync<JsonArray>(
                app.Http,
                new Uri("/api/technique/exercises", UriKind.Relative)
            )
        )!;

    /// <summary>Begins a session with this material added and goes on to it.</summary>
    private static async Task<JsonNode> On(AppProcess app, int material)
    {
        var today = (
            await System.Net.Http.Json.HttpClientJsonExtensions.GetFromJsonAsync<JsonNode>(
                app.Http,
                new Uri("/api/today", UriKind.Relative)
            )
        )!;
        if (
            !today["drills"]!
                .AsArray()
                .SelectMany(drill => drill!["targets"]!.AsArray())
                .Any(target => (int?)target!["materialId"] == material)
        )
            today = await app.Send(
                HttpMethod.Post,
                "/api/today/changes",
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind = "Add",
                    materialId = material,
                    value = 6,
                }
            );
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        return await app.SkipToAsync(session, now => (int?)now["target"]?["materialId"] == material);
    }
}
