using System.Text.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Methods played once through to their end by two pedals, with a miss where it changes the way; run by scripts/long/journeys.</summary>
public sealed class ThroughJourney
{
    /// <summary>
    /// A thing, its method (null: its own) and what the stage counts before each press: a miss where it begins with "miss at ", else
    /// the right pedal.
    /// </summary>
    private sealed record Walk(int Material, string? Method, params string[] Counts)
    {
        public const string Miss = "miss at ";
    }

    [Fact(Explicit = true)]
    [Trait("Run", "long")]
    public async Task Every_method_of_a_passage_comes_to_its_end()
    {
        await using var app = await AppProcess.StartAsync("--own");
        var passage = await Passage(app);
        using var browser = new Browser(app.Address);
        Walk Way(string method, params string[] counts) => new(passage, method, counts);
        await Play(
            app,
            browser,
            Way("clean-in-row", "0 of 3 clean", Walk.Miss + "1 of 3 clean", "0 of 3 clean", "1 of 3 clean", "2 of 3 clean"),
            Way("fixed-count", Each(6, i => $"take {i} of 6")),
            Way("slow-anchor", Each(4, i => $"take {i} of 4")),
            Way("from-memory", Each(3, i => $"take {i} of 3")),
            Way("put-back", Each(3, i => $"take {i} of 3")),
            Way("equal-values", "step 1 of 1", "as written"),
            Way("rhythm-variants", [.. Each(4, i => $"step {i} of 4"), "as written"]),
            Way("rhythm-alone", "step 1 of 1", "as written"),
            Way("growing-chain", [.. Each(6, i => $"{i} of 6 notes"), "as written"]),
            Way("sing-first", "step 1 of 1", "as written"),
            Way("hands-separately", Walk.Miss + "step 1 of 2", "step 1 of 2", "step 2 of 2", "as written"),
            Way("eyes-closed", [.. Each(4, i => $"step {i} of 4"), "as written"]),
            Way("other-keys", [.. Each(3, i => $"step {i} of 3"), "as written"]),
            Way("melody-only", "step 1 of 1", "as written"),
            Way("performance-take", "")
        );
        await Close(app, browser);

        // What has been played has limits to be found, and minutes without a miss.
        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        await Play(
            app,
            browser,
            Way("fastest-slowest", "", "fastest ", Walk.Miss + "fastest ", Walk.Miss + "fastest ", "fastest ", Walk.Miss + "slowest ")
        );
        await Close(app, browser);
        await Minutes(app, browser, Way("clean-minutes"));
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact(Explicit = true)]
    [Trait("Run", "long")]
    public async Task Rungs_steps_and_a_ladder_come_to_their_end()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Piano", "keys");
        async Task<int> Made(string path, object what) => (int)(await app.Send(HttpMethod.Post, "/api/technique/" + path, what))["id"]!;
        var scale = await Made(
            "exercises",
            new
            {
                sheet = new
                {
                    figure = "scale",
                    kind = "major",
                    tonic = "C",
                    octaves = 1,
                    rhythm = "sixteenth",
                },
                target = 40,
            }
        );
        var octaves = await Made(
            "made",
            new
            {
                title = "Octaves",
                work = new { kind = "Steps", by = "Octaves" },
                sheet = new { tonic = "G", octaves = 2 },
            }
        );
        using var browser = new Browser(app.Address);
        await Play(
            app,
            browser,
            new(scale, "subdivision-ladder", "rung 1", "rung 2", Walk.Miss + "rung 3", "rung 2", "rung 3", "rung 4", "rung 5"),
            new(octaves, null, "1 of 3", Walk.Miss + "2 of 3", "2 of 3, retry 1", "3 of 3")
        );
        await Close(app, browser);

        // Chords on the click, and their positions against the clock: a run each.
        await app.SetClockAsync(AppProcess.Evening.AddHours(5));
        foreach (var (kind, presses, count) in new[] { ("Changes", 1, "1 of 1 runs"), ("Inversions", 4, "1 of 1 in time") })
        {
            var chords = new
            {
                title = kind,
                target = 300,
                work = new
                {
                    kind,
                    items = new[] { "C major", "G major" },
                    beats = 1,
                },
            };
            var place = await On(app, browser, new Walk(await Made("made", chords), null));
            for (var pressed = 0; pressed < presses; pressed++)
            {
                browser.See(By.CssSelector("[data-testid='stage-now']"));
                browser.Press(Keys.PageDown);
            }

            browser.Until(_ => browser.Shown("stage-count").StartsWith(count, StringComparison.Ordinal));
            (await app.Session())["position"]!.GetValue<int>().ShouldBe(place);
            await Close(app, browser);
        }

        // At the top of a ladder, a tenth above the target, there is no further up.
        await app.SetClockAsync(AppProcess.Evening.AddDays(1));
        var at = await On(app, browser, new Walk(scale, "tempo-ladder"));
        var highest = 0;
        for (var pressed = 0; pressed < MostPresses && !IsDone(app, at); pressed++)
        {
            highest = (int)(await app.Session())["cue"]!["tempo"]!;
            Press(app, browser, at, "");
        }

        highest.ShouldBe(44);
        IsDone(app, at).ShouldBeTrue();
        browser.Complaints().ShouldBeEmpty();
    }

    private const int MostPresses = 60;

    private static async Task Play(AppProcess app, Browser browser, params Walk[] walks)
    {
        foreach (var (walk, at) in await Begin(app, walks))
        {
            // One thing follows the other by itself; the page is opened where others come before.
            if ((int)(await app.Session())["position"]! < at)
                await To(app, browser, at);
            foreach (var line in walk.Counts)
                Press(app, browser, at, line);
            browser.Until(_ => IsDone(app, at));
        }
    }

    /// <summary>One press begins it; half a minute before its end there is a miss, then it goes round until its minutes are full.</summary>
    private static async Task Minutes(AppProcess app, Browser browser, Walk walk)
    {
        var at = await On(app, browser, walk);
        browser.See(By.CssSelector("[data-testid='stage-now']"));
        browser.Press(Keys.PageDown);
        browser.Until(_ => (double?)app.Session().Result["cue"]!["loop"]?["fromSeconds"] is not null);
        var session = await app.Session();
        var (from, needed) = ((double)session["cue"]!["loop"]!["fromSeconds"]!, (int)session["cue"]!["loop"]!["neededSeconds"]!);
        var tempo = (int)session["cue"]!["tempo"]!;
        await Plays(app, at, from + needed - 30);
        browser.Open("/practise");
        browser.Until(_ => browser.Shown("stage-count").StartsWith("1:3", StringComparison.Ordinal));
        browser.Press(Keys.PageUp);
        browser.SeeText("A little slower, and anew.");
        session = await app.Session();
        ((int)session["cue"]!["tempo"]!).ShouldBeLessThan(tempo);
        await Plays(app, at, (double)session["cue"]!["loop"]!["fromSeconds"]! + needed - 2);
        browser.Open("/practise");
        browser.Until(_ => IsDone(app, at));
    }

    /// <summary>So many seconds of a drill have gone by, as its page reports them.</summary>
    private static async Task Plays(AppProcess app, int at, double seconds)
    {
        var session = await app.Session();
        await app.SetClockAsync(AppProcess.Evening.AddDays(1).AddSeconds(seconds));
        await app.Send(
            HttpMethod.Post,
            "/api/session/pulse",
            new
            {
                sessionId = (int)session["id"]!,
                position = at,
                playedSeconds = seconds,
            }
        );
    }

    /// <summary>A sitting that stands at one thing; where in the plan that is.</summary>
    private static async Task<int> On(AppProcess app, Browser browser, Walk walk)
    {
        var (_, at) = (await Begin(app, walk))[0];
        await To(app, browser, at);
        return at;
    }

    private static async Task To(AppProcess app, Browser browser, int at)
    {
        await app.SkipToAsync(await app.Session(), now => (int)now["position"]! >= at);
        browser.Open("/practise");
    }

    /// <summary>The stage is left before its sitting is closed.</summary>
    private static async Task Close(AppProcess app, Browser browser)
    {
        browser.Open("/");
        await app.CloseAsync();
    }

    /// <summary>A sitting with a drill for each; where in the plan each stands, in their order.</summary>
    private static async Task<List<(Walk Walk, int At)>> Begin(AppProcess app, params Walk[] walks)
    {
        var today = await app.Send(HttpMethod.Put, "/api/today", new { version = 0, minutes = 120 });
        var drills = new List<(Walk Walk, string Id)>();
        foreach (var walk in walks)
        {
            var known = Ids(today).ToHashSet(StringComparer.Ordinal);
            var add = new
            {
                kind = "Add",
                materialId = walk.Material,
                value = 5,
            };
            today = await Change(app, today, add);
            var id = Ids(today).First(one => !known.Contains(one));
            var method = new
            {
                kind = "Method",
                drillId = id,
                methodId = walk.Method,
            };
            if (walk.Method is not null)
                today = await Change(app, today, method);
            drills.Add((walk, id));
        }

        await app.Send(HttpMethod.Post, "/api/session", new { version = (int)today["version"]! });
        var order = Ids(today).ToList();
        return [.. drills.Select(drill => (drill.Walk, At: order.IndexOf(drill.Id))).OrderBy(drill => drill.At)];
    }

    private static Task<JsonNode> Change(AppProcess app, JsonNode today, object change)
    {
        var body = JsonSerializer.SerializeToNode(change)!;
        body["version"] = (int)today["version"]!;
        return app.Send(HttpMethod.Post, "/api/today/changes", body);
    }

    private static async Task<int> Passage(AppProcess app)
    {
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Piano", "keys");
        var song = new
        {
            kind = "Piece",
            title = "Mill Song",
            toBar = 2,
            beatsPerBar = 3,
            target = 90,
        };
        var piece = (int)(await app.Send(HttpMethod.Post, "/api/materials", song))["id"]!;
        await app.Send(HttpMethod.Put, $"/api/pieces/{piece}/music", new { abc = "M:3/4\nL:1/4\nK:F\nF G A | B c d |]" });
        var bars = new { passages = new[] { new { from = 1, to = 2 } } };
        return (int)(await app.Send(HttpMethod.Post, $"/api/pieces/{piece}/passages", bars))[0]!;
    }

    /// <summary>One press where the stage counts so far; answered by the file.</summary>
    private static void Press(AppProcess app, Browser browser, int at, string line)
    {
        var isMiss = line.StartsWith(Walk.Miss, StringComparison.Ordinal);
        var count = isMiss ? line[Walk.Miss.Length..] : line;
        browser.See(By.CssSelector("[data-testid='stage-now']"));
        if (count.Length > 0)
            browser.Until(_ => browser.Shown("stage-count").Contains(count, StringComparison.Ordinal));
        var takes = (int)Drill(app, at)["takes"]!;
        browser.Press(isMiss ? Keys.PageUp : Keys.PageDown);
        browser.Until(_ => (int)Drill(app, at)["takes"]! == takes + 1);
    }

    private static IEnumerable<string> Ids(JsonNode today) => today["drills"]!.AsArray().Select(drill => (string)drill!["id"]!);

    private static bool IsDone(AppProcess app, int at) => (string?)Drill(app, at)["state"] == "Done";

    private static JsonNode Drill(AppProcess app, int at) => app.Session().Result["drills"]![at]!;

    private static string[] Each(int count, Func<int, string> line) => [.. Enumerable.Range(1, count).Select(line)];
}
