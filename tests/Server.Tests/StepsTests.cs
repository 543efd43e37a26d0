using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Altered versions on the stage, step by step, with the music of each step, and where they go on next time.</summary>
public sealed class StepsTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_chain_shows_only_the_notes_of_its_step_and_goes_on_there_next_time()
    {
        var session = await On("growing-chain");
        (Count(session), Notes(session)).ShouldBe(("1 of 6 notes", "Fzz"));
        session = await app.Act(session, "Clean", 2);
        (Count(session), Notes(session)).ShouldBe(("2 of 6 notes", "FGz"));
        session = await app.Act(session, "Missed", 4);
        (Count(session), Notes(session)).ShouldBe(("2 of 6 notes", "FGz"), "only when it was clean");
        session = await app.Act(session, "Clean", 6);
        Notes(session).ShouldBe("FGA");
        await app.Close();

        await app.Clock(Evening.AddDays(1));
        Count(await On("growing-chain", begin: false)).ShouldBe("3 of 6 notes");
    }

    [Fact]
    public async Task A_silence_swaps_what_sounds_and_at_the_end_it_is_played_as_written()
    {
        var session = await On("silent-bars");
        List<(string Count, string Notes)> seen = [];
        for (var take = 0; take < 12; take++)
        {
            if (take % 2 == 0)
                seen.Add((Count(session), Notes(session)));
            session = await app.Act(session, "Clean", take + 1);
        }

        seen.Select(one => one.Count).ShouldBe(Enumerable.Range(1, 6).Select(step => $"step {step} of 6, 0 of 2 clean"));
        seen.Select(one => one.Notes)
            .ShouldBe(["FGAzzz", "zzzBcd", "FzAzcz", "zGzBzd", "FzAzcz", "zGzBzd"], "bars, beats, notes; each swapped");
        (session["cue"]!["sentence"]!.GetValue<string>(), Notes(session)).ShouldBe(("Once, as written.", "FGABcd"));
        session = await app.Act(session, "Clean", 20);
        session["drills"]!.AsArray().First(drill => (string?)drill!["method"] == "silent bars")!["state"]!
            .GetValue<string>()
            .ShouldBe("Done");
    }

    /// <summary>A minute more is a minute more of its steps: only the end of it belongs to the take as written.</summary>
    [Fact]
    public async Task A_minute_more_goes_to_the_steps()
    {
        var session = await On("growing-chain");
        var allowed = session["drills"]![session["position"]!.GetValue<int>()]!["allowedSeconds"]!.GetValue<int>();
        await app.Clock(Evening.AddMinutes(20));
        session = await app.Act(session, "Extend", allowed - 1);
        Count(session).ShouldBe("1 of 6 notes");
        session["cue"]!["turnsAtSeconds"]!.GetValue<int>().ShouldBeGreaterThan(allowed);
    }

    /// <summary>The stage with a passage of six notes, played by a method.</summary>
    private async Task<JsonNode> On(string method, bool begin = true)
    {
        if (begin)
        {
            await app.Clock(Evening);
            var (piece, first, second, _) = await app.FirstDay();
            foreach (var other in new[] { first, second })
                await app.Send(HttpMethod.Delete, $"/api/materials/{other}", null, 200);
            await app.Put($"/api/pieces/{piece}/music", new { abc = "M:3/4\nL:1/4\nK:F\n|: F G A | B c d :|" });
            await app.Post($"/api/pieces/{piece}/passages", new { passages = new[] { new { from = 1, to = 2 } } });
        }

        var today = await app.Get("/api/today");
        var passage = (await app.Get("/api/materials"))
            .AsArray()
            .First(one => (string?)one!["kind"] == "Passage" && (int?)one["fromBar"] == 1)!;
        if (today["drills"]!.AsArray().All(drill => !IsOf(drill!, Id(passage))))
            today = await app.Post(
                "/api/today/changes",
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind = "Add",
                    materialId = Id(passage),
                    value = 5,
                }
            );
        var drill = today["drills"]!.AsArray().First(one => IsOf(one!, Id(passage)))!;
        today = await app.Post(
            "/api/today/changes",
            new
            {
                version = today["version"]!.GetValue<int>(),
                kind = "Method",
                drillId = (string?)drill["id"],
                methodId = method,
            }
        );
        return await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            (now["target"]?["key"]?.GetValue<string>() ?? "").StartsWith($"m:{Id(passage)}:v:", StringComparison.Ordinal)
        );
    }

    private static bool IsOf(JsonNode drill, int material) =>
        drill["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == material);

    private static string Count(JsonNode session) => session["cue"]!["count"]!.GetValue<string>();

    /// <summary>The notes and rests that are engraved, without their lengths.</summary>
    private static string Notes(JsonNode session) =>
        string.Concat(
            session["abc"]!
                .GetValue<string>()
                .Split('\n')
                .Where(line => line.Length > 0 && !(line.Length > 1 && line[1] == ':'))
                .SelectMany(line => line)
                .Where(sign => "ABCDEFGabcdefgzZ".Contains(sign, StringComparison.Ordinal))
        );
}
