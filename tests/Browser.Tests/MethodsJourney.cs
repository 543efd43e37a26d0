using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Methods that turn by themselves, worked by keys typed to the page.</summary>
public sealed class MethodsJourney
{
    [Fact]
    public async Task A_ladder_is_climbed_something_annoys_something_is_made_and_a_list_is_rated_by_keys()
    {
        await using var app = await AppProcess.StartAsync();
        await Ladder(app, await Arpeggio(app));
        using var browser = new Browser(app.Address);
        browser.Open("/practise");
        browser.Until(_ => browser.Shown("stage-count").StartsWith("rung 1 of", StringComparison.Ordinal));
        browser.Press(Keys.ArrowRight);
        browser.Until(_ => browser.Shown("stage-count").Contains("held; rung 2 of", StringComparison.Ordinal));
        browser.Press(Keys.ArrowLeft);
        browser.Until(_ => browser.Shown("stage-now").StartsWith("One rung down", StringComparison.Ordinal));
        browser.Shown("stage-count").ShouldContain("rung 1 of");

        // It annoys: a question, a figure, and it is said what becomes of it.
        browser.Press("j");
        browser.Until(_ => browser.Shown("relief").Contains("half of its minutes", StringComparison.Ordinal));
        browser.Press("2");
        browser.Until(_ => browser.Shown("relief-said").Contains("two short visits a day from tomorrow", StringComparison.Ordinal));

        // Something was made: it begins with the notes at hand, and what is typed is no key of the stage.
        browser.Press("k");
        browser.SeeText("Write over it what you played");
        browser.Type("Title", "An answer");
        browser.Type("Notes in ABC", "M:4/4" + Keys.Enter + "L:1/4" + Keys.Enter + "K:F" + Keys.Enter + "F2 A2 | c4 |]");
        // The picture of what was typed grows above the button.
        browser.Settle(browser.Button("Keep it"));
        browser.Button("Keep it").Click();
        browser.SeeText("An answer is kept.");
        browser.Button("Back to the drill").Click();
        browser.Shown("stage-count").ShouldContain("rung 1 of");
        (await app.Send(HttpMethod.Get, "/api/technique/exercises"))
            .AsArray()
            .ShouldContain(line => (string?)line!["title"] == "An answer");

        await Rate(app, browser);
        browser.Complaints().ShouldBeEmpty();
    }

    private static async Task Rate(AppProcess app, Browser browser)
    {
        var date = (string?)
            (await app.Send(HttpMethod.Get, "/api/materials")).AsArray().First(row => row!["performance"] is not null)!["performance"];
        browser.Open($"/music/list/{date}?rate");
        var lines = (await app.Send(HttpMethod.Get, $"/api/lists/{date}"))["lines"]!.AsArray().Count;
        for (var i = 1; i <= lines; i++)
        {
            browser.SeeText($"{i} of {lines}");
            browser.Press("2");
        }

        browser.SeeText("All rated; the order of work follows.");
        var rated = await app.Send(HttpMethod.Get, $"/api/lists/{date}");
        rated["lines"]!.AsArray().ShouldAllBe(line => (string?)line!["readiness"] == "Shaping");
        browser.Driver.FindElements(By.CssSelector("tbody tr")).Count.ShouldBe(lines);
    }

    private static async Task<int> Arpeggio(AppProcess app) =>
        (await app.Send(HttpMethod.Get, "/api/technique/exercises"))
            .AsArray()
            .First(line => (string?)line!["title"] == "D minor arpeggio")!["id"]!.GetValue<int>();

    private static async Task Ladder(AppProcess app, int material)
    {
        var today = await app.Send(HttpMethod.Get, "/api/today");
        today = await Change(
            app,
            today,
            new
            {
                kind = "Add",
                materialId = material,
                value = 6,
            }
        );
        var drill = today["drills"]!
            .AsArray()
            .Last(one => one!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == material))!;
        if ((string?)drill["methodId"] != "subdivision-ladder")
            today = await Change(
                app,
                today,
                new
                {
                    kind = "Method",
                    drillId = (string?)drill["id"],
                    methodId = "subdivision-ladder",
                }
            );
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        await app.SkipToAsync(session, now =>
            ((string?)now["target"]?["key"])?.StartsWith($"m:{material}:r:", StringComparison.Ordinal) == true
        );
    }

    private static Task<JsonNode> Change(AppProcess app, JsonNode today, object change)
    {
        var body = System.Text.Json.JsonSerializer.SerializeToNode(change)!;
        body["version"] = today["version"]!.GetValue<int>();
        return app.Send(HttpMethod.Post, "/api/today/changes", body);
    }
}
