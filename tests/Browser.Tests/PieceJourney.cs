using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A new piece from its first slow reading to a plan for its performance; all on one server.</summary>
public sealed class PieceJourney
{
    [Fact]
    public async Task From_slow_reading_to_passages_the_grid_music_and_a_concert_plan_that_gets_mended()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.Send(
            HttpMethod.Put,
            "/api/profile",
            new
            {
                instrument = "B-flat clarinet",
                family = "winds",
                transposition = -2,
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var piece = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Kite Song",
                    toBar = 12,
                    beatsPerBar = 1,
                    target = 120,
                    performance = "2031-05-17",
                }
            )
        )["id"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        browser.Open($"/piece/{piece}");
        browser.SeeText("No passages yet.");
        Read(browser);
        Grid(browser);
        Missing(browser);
        await Music(browser);
        Mended(browser);
        Method(browser);
        await Week(app, browser);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    private static void Read(Browser browser)
    {
        browser.SeeText("Read through slowly").Click();
        browser.SeeText("♩ = 60");
        browser.Press(Keys.ArrowRight);
        Mark(browser, "3");
        Mark(browser, "4");
        Mark(browser, "8");
        browser.Until(_ => browser.Shown("marks") == "tripped: 3, 4, 8");
        browser.SeeText("One to four bars each.");
        browser.Control("First bar of passage 1").GetAttribute("value").ShouldBe("3");
        browser.Control("Last bar of passage 1").GetAttribute("value").ShouldBe("4");
        browser.Type("Last bar of passage 2", "9");
        browser.Button("→ make these 2 passages").Click();
        browser.See(By.CssSelector("[aria-label='bar 9, passage 8–9, raw']"));
    }

    private static void Mark(Browser browser, string bar)
    {
        browser.Until(page => page.FindElement(By.CssSelector("[data-testid='bar']")).Text == bar, 25);
        browser.Press(Keys.ArrowRight);
    }

    private static void Grid(Browser browser)
    {
        // A third passage by hand, in the map.
        browser.Button("bar 11").Click();
        browser.Button("bar 12").Click();
        browser.Button("Make a passage of bars 11–12").Click();
        browser.See(By.CssSelector("[aria-label='bar 11, passage 11–12, raw']"));
        browser.Button("3–4 taking shape").Click();
        browser.See(By.CssSelector("[aria-label='bar 3, passage 3–4, taking shape']"));
    }

    private static void Missing(Browser browser)
    {
        browser.See(By.XPath("//table//button[.='8–9']")).Click();
        browser.SeeText("8–9: what is still missing?");
        browser.Type("the cause", "wrong notes");
        browser.See(By.XPath("//section[@aria-label='What is still missing']//button")).Click();
        browser.SeeText("says what, not why");
        browser.Type("the cause", "rushing");
        browser.SeeText("Every other visit then goes by: silent bars.");
        browser.See(By.XPath("//section[@aria-label='What is still missing']//button")).Click();
        browser.Until(page => !page.FindElement(By.XPath("//section[@aria-label='What is still missing']//button")).Enabled);
    }

    private static async Task Music(Browser browser)
    {
        var note = (string step) => $"<note><pitch><step>{step}</step><octave>4</octave></pitch><duration>1</duration></note>";
        var bars = string.Concat(
            Enumerable
                .Range(0, 12)
                .Select(i =>
                    $"<measure>{(i == 0 ? "<attributes><divisions>2</divisions><time><beats>1</beats><beat-type>4</beat-type></time></attributes>" : "")}{note("C")}{note("DEFGA"[i % 5].ToString())}</measure>"
                )
        );
        var file = Path.Combine(Path.GetTempPath(), $"kite-{Guid.NewGuid():N}.musicxml");
        await File.WriteAllTextAsync(file, $"<score-partwise><part>{bars}</part></score-partwise>");
        browser.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        browser.Button("Keep this music").Click();
        browser.Until(page =>
            page.FindElements(By.CssSelector("section[aria-label='Music'] [data-testid='engraving'] .abcjs-notehead")).Count == 4
        );
        File.Delete(file);
        browser.Choose("Version", "growing chain");
        browser.SeeText("step 1 of 4");
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count == 1);
        browser.Button("Next step").Click();
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-notehead")).Count == 2);
        browser.Choose("Version", "every other bar silent");
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='engraving'] .abcjs-rest")).Count == 2);
        browser.Choose("Version", "only the top notes");
        browser.SeeText("one voice only; there is nothing to leave out");
    }

    private static void Mended(Browser browser)
    {
        // Three days are too few for three passages that are not ready: the plan of the day says so too.
        browser.SeeText("too few.");
        browser.Open("/");
        browser.SeeText("Kite Song on 17 May needs");
        browser.Driver.Navigate().Back();
        browser.SeeText("It would fit without:");
        browser.Button("Let 8–9 rest until after it").Click();
        browser.Until(page => page.FindElements(By.XPath("//td[.='resting']")).Count == 1);
        for (
            var left = 2;
            left > 0 && browser.Driver.FindElements(By.XPath("//section[@aria-label='Performance'][contains(., 'too few')]")).Count > 0;
            left--
        )
        {
            var bars = browser.See(By.XPath("//section[@aria-label='Performance']//li//button")).Text;
            browser.Button(bars).Click();
            browser.Until(page => page.FindElements(By.XPath($"//button[.='{bars}']")).Count == 0);
        }

        browser.SeeText("It fits, with");
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        browser.Driver.FindElement(By.TagName("main")).Text.ShouldNotContain("Kite Song on 17 May");
    }

    private static void Method(Browser browser)
    {
        var title = browser
            .See(
                By.XPath(
                    "//ol/li//*[@data-testid='drill' and starts-with(., 'Kite Song, ') and not(contains(substring-after(., 'Kite Song, '), ','))]"
                )
            )
            .Text;
        browser.More(title);
        browser.Choose("Method", "in other keys");
        browser.SeeText("Fits what the fingers know by rote.");
        browser.Button("Do it this way").Click();
        browser.SeeText("your choice: fits what the fingers know by rote");
        browser.Button("Plan anew").Click();
        browser.Until(page => page.FindElements(By.XPath($"//ol/li[contains(., '{title}') and contains(., 'in other keys')]")).Count == 1);
    }

    /// <summary>
    /// Seven days: what is missed comes daily, what is clean at wider and wider gaps, and no take follows its like in the rounds.
    /// </summary>
    private static async Task Week(AppProcess app, Browser browser)
    {
        var mill = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Mill Song",
                    toBar = 40,
                    target = 96,
                }
            )
        )["id"]!.GetValue<int>();
        var ids = (
            await app.Send(
                HttpMethod.Post,
                $"/api/pieces/{mill}/passages",
                new { passages = Enumerable.Range(0, 6).Select(i => new { from = 1 + (6 * i), to = 2 + (6 * i) }) }
            )
        )
            .AsArray()
            .Select(id => id!.GetValue<int>())
            .ToList();
        foreach (var id in ids)
            await app.Send(HttpMethod.Put, $"/api/pieces/passages/{id}/rating", new { readiness = "Shaping" });
        var days = new List<List<int>>();
        for (var day = 10; day < 17; day++)
        {
            await app.SetClockAsync(AppProcess.Evening.AddDays(day));
            browser.Open("/");
            browser.See(By.XPath("//ol/li"));
            var shown = browser.Driver.FindElement(By.TagName("ol")).Text;
            var today = (await app.Http.GetFromJsonAsync<JsonNode>(new Uri("/api/today", UriKind.Relative)))!;
            var drills = today["drills"]!.AsArray().Where(drill => (string?)drill!["area"] == "Repertoire").ToList();
            drills.ShouldAllBe(drill =>
                shown.Contains(drill!["title"]!.GetValue<string>(), StringComparison.Ordinal)
                && shown.Contains(drill["reason"]!.GetValue<string>(), StringComparison.Ordinal)
            );
            days.Add([
                .. drills
                    .SelectMany(drill => drill!["targets"]!.AsArray())
                    .Select(target => (int?)target!["materialId"])
                    .OfType<int>()
                    .Distinct(),
            ]);
            await Play(app, today["version"]!.GetValue<int>(), miss: ids[0]);
        }

        days.Count(day => day.Contains(ids[0])).ShouldBeGreaterThanOrEqualTo(6, "missed each time: back after one night");
        // This player needs no time at all, so drills have few takes: one of six new passages may not have begun within the week.
        var seen = ids.Skip(1).Select(clean => days.Count(day => day.Contains(clean))).ToList();
        seen.ShouldAllBe(count => count <= 5, "clean each time: not every day");
        seen.Count(count => count == 0).ShouldBeLessThanOrEqualTo(1);
        days.Sum(day => day.Intersect(ids.Skip(1)).Count()).ShouldBeLessThan(5 * 5);
    }

    /// <summary>Plays a day: everything clean but one passage; in the rounds no thing follows itself.</summary>
    private static async Task Play(AppProcess app, int version, int miss)
    {
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version });
        var before = (Position: -1, Key: "");
        await app.ActUntilAsync(
            session,
            now => now["cue"] is null,
            now =>
            {
                var position = now["position"]!.GetValue<int>();
                var cue = now["cue"]!;
                var drill = now["drills"]![position]!;
                var inRounds = (string?)drill["method"] == "one take each, in rounds";
                var key = (string?)now["target"]?["key"] ?? "";
                if (inRounds && before.Position == position)
                    key.ShouldNotBe(before.Key);
                before = (position, key);
                return !cue["countsTakes"]!.GetValue<bool>() || cue["loop"] is not null ? "Skip"
                    : !inRounds && drill["takes"]!.GetValue<int>() >= 8 ? "Done"
                    : (int?)now["target"]!["materialId"] == miss ? "Missed"
                    : "Clean";
            }
        );
        await app.CloseAsync();
    }
}
