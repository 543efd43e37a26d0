using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Two pedals through a drill that turns by steps, and through three misses; a line that came back is settled by one key.</summary>
public sealed class PedalsJourney
{
    private static readonly string Right = Keys.PageDown;
    private static readonly string Left = Keys.PageUp;

    [Fact]
    public async Task Silence_by_steps_to_its_end_three_misses_and_a_line_that_is_settled()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        var passage = await Passage(app);
        await Begin(app, passage, "silent-bars");
        using var browser = new Browser(app.Address);
        browser.Open("/practise");
        for (var step = 1; step <= 6; step++)
        {
            browser.Until(_ => browser.Shown("stage-count") == $"step {step} of 6, 0 of 2 clean");
            browser.Press(Right);
            browser.Until(_ => browser.Shown("stage-count") == $"step {step} of 6, 1 of 2 clean");
            browser.Press(Right);
        }

        browser.Until(_ => browser.Shown("stage-now").StartsWith("Once, as written.", StringComparison.Ordinal));
        browser.Press(Right);
        browser.Until(_ =>
            app.Session().Result["drills"]!.AsArray().Any(drill => Is(drill!, "silent bars") && (string?)drill!["state"] == "Done")
        );

        // A line about it, written where it was hard.
        await app.Send(
            HttpMethod.Post,
            "/api/journal",
            new
            {
                key = Guid.NewGuid(),
                text = "Count the rests aloud.",
                materialId = passage,
            }
        );
        // The stage is left before its sitting is closed.
        browser.Open("/");
        await app.CloseAsync();
        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        await Begin(app, passage, "clean-in-row");
        browser.Open("/practise");
        browser.Until(_ => browser.Shown("written").Contains("Count the rests aloud.", StringComparison.Ordinal));
        browser.Press("x");
        browser.SeeText("not settled");
        var tempo = Tempo(browser);
        foreach (var missed in new[] { 1, 2, 3 })
        {
            browser.Press(Left);
            browser.Until(_ => app.Session().Result["drills"]!.AsArray().Sum(drill => (int)drill!["takes"]!) == missed);
        }

        browser.Until(_ => browser.Shown("help").Contains("missed three times", StringComparison.Ordinal));
        var before = Tempo(browser);
        browser.Press(Right);
        browser.Until(page => page.FindElements(By.CssSelector("[data-testid='help']")).Count == 0);
        browser.Until(_ => Tempo(browser) < before);
        before.ShouldBeLessThanOrEqualTo(tempo);
        ((bool)(await app.Session())["written"]!["settled"]!).ShouldBeTrue();
        browser.Complaints().ShouldBeEmpty();
    }

    private static async Task<int> Passage(AppProcess app)
    {
        await app.PlayerAsync("Viola", "strings");
        var piece = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Mill Song",
                    toBar = 2,
                    beatsPerBar = 3,
                    target = 90,
                }
            )
        )["id"]!.GetValue<int>();
        await app.Send(HttpMethod.Put, $"/api/pieces/{piece}/music", new { abc = "M:3/4\nL:1/4\nK:F\nF G A | B c d |]" });
        return (await app.Send(HttpMethod.Post, $"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 1, to = 2 } } }))[
            0
        ]!.GetValue<int>();
    }

    /// <summary>The stage at the passage, played by a method.</summary>
    private static async Task Begin(AppProcess app, int passage, string method)
    {
        var today = await app.Send(HttpMethod.Get, "/api/today");
        today = await app.Send(
            HttpMethod.Post,
            "/api/today/changes",
            new
            {
                version = today["version"]!.GetValue<int>(),
                kind = "Add",
                materialId = passage,
                value = 6,
            }
        );
        var drill = today["drills"]!
            .AsArray()
            .Last(one => one!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == passage))!;
        today = await app.Send(
            HttpMethod.Post,
            "/api/today/changes",
            new
            {
                version = today["version"]!.GetValue<int>(),
                kind = "Method",
                drillId = (string?)drill["id"],
                methodId = method,
            }
        );
        var at = today["drills"]!.AsArray().ToList().FindIndex(one => (string?)one!["id"] == (string?)drill["id"]);
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        await app.SkipToAsync(session, now => (int)now["position"]! == at);
    }

    private static bool Is(JsonNode drill, string method) => (string?)drill["method"] == method;

    private static int Tempo(Browser browser) =>
        int.Parse(browser.Shown("stage-tempo").Split('=')[^1].Trim(), System.Globalization.CultureInfo.InvariantCulture);
}
