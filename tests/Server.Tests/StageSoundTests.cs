using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What sounds belongs to the thing at hand.</summary>
public sealed class StageSoundTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task The_click_has_the_metre_of_the_piece_and_what_was_decided_for_a_thing_is_remembered()
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        app.Write($"update Materials set BeatsPerBar = 3 where Id = {piece}");
        var session = await Begin(first);
        var click = session["sound"]!["click"]!;
        (click["cycle"]!["beatsPerBar"]!.GetValue<int>(), click["starts"]!.GetValue<bool>()).ShouldBe(
            (3, true),
            "always is the usual school"
        );
        session["sound"]!["countInBars"]!.GetValue<int>().ShouldBe(1);

        session = await app.Act(session, "Click", value: 0);
        session["sound"]!["click"]!["starts"]!.GetValue<bool>().ShouldBeFalse();
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        session = await Begin(first);
        session["sound"]!["click"]!["starts"]!.GetValue<bool>().ShouldBeFalse("it is remembered for this passage");
        session = await app.Act(session, "Click", value: 1);
        session["sound"]!["click"]!["starts"]!.GetValue<bool>().ShouldBeTrue();
    }

    [Fact]
    public async Task The_open_strings_sound_at_the_first_element_of_the_warm_up_and_nowhere_else()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Post("/api/session", new { version = 0 });
        var tuning = session["sound"]!["tuning"]!;
        ((string?)tuning["words"], (bool?)tuning["starts"]).ShouldBe(("C3, G3, D4 and A4", true));
        // Viola strings at A4 = 440 (ISO 16:1975; equal temperament, from memory).
        tuning["tones"]!.AsArray().Select(tone => Math.Round(tone!["hertz"]!.GetValue<double>(), 2)).ShouldBe([130.81, 196, 293.66, 440]);
        session = await app.Act(session, "Done", 60);
        ((string?)session["drills"]![1]!["area"]).ShouldBe("WarmUp");
        session["sound"]!["tuning"].ShouldBeNull();
        var settings = (await app.Get("/api/sound"))["settings"]!;
        settings["tuneFirst"] = false;
        await app.Put("/api/sound", settings);
        session = await app.Act(session, "Back");
        ((bool?)session["sound"]!["tuning"]!["starts"]).ShouldBe(false, "by key it is there all the same");
    }

    [Fact]
    public async Task A_part_of_the_warm_up_says_for_itself_whether_the_drone_sounds()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        foreach (var version in (await app.Get("/api/warm-ups"))["versions"]!.AsArray())
        {
            foreach (var part in version!["parts"]!.AsArray())
                part!["drone"] = (string?)part["element"] == "Sound" ? "Without" : "With";
            await app.Put(
                $"/api/warm-ups/{Id(version)}",
                new
                {
                    name = (string?)version["name"],
                    parts = version["parts"],
                    version = version["version"]!.GetValue<int>(),
                }
            );
        }

        await Heard(asSet: false);
        await app.Put("/api/sound", new { droneWithDrill = true });
        await app.Clock(Evening.AddDays(1));
        await Heard(asSet: true);

        async Task Heard(bool asSet)
        {
            var session = await app.Post("/api/session", new { version = 0 });
            var starts = new List<bool>();
            for (; Area(session) == "WarmUp"; session = await app.Act(session, "Skip"))
                starts.Add(session["sound"]!["droneStarts"]!.GetValue<bool>());
            starts.Count.ShouldBeGreaterThan(2);
            starts.ShouldBe([asSet, false, .. Enumerable.Repeat(true, starts.Count - 2)], "the opening, sound and body, and the others");
            await app.Close();
        }

        static string? Area(JsonNode session) => (string?)session["drills"]![session["position"]!.GetValue<int>()]!["area"];
    }

    [Fact]
    public async Task Weaning_looks_at_the_first_take_of_each_earlier_visit()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        await app.Put("/api/sound", new { school = "Weaning" });
        var session = await Begin(first);
        var day = DateOnly.FromDateTime(Evening.DateTime).AddDays(-20);
        var words = new List<string>();
        foreach (var tries in new[] { "60+", "60+ 62-", "64+", "64+ 64+", "66- 66+", "66+" })
        {
            day = day.AddDays(1);
            app.Write(
                "insert into Visits (MaterialId, Day, Tries, Takes, CleanTakes, LongestClean, VisitsBefore) "
                    + $"values ({first}, '{day:yyyy-MM-dd}', '{tries}', 1, 1, 0, 0)"
            );
            words.Add((string)(await app.Get("/api/session"))["sound"]!["click"]!["word"]!);
        }

        words.ShouldBe([
            "",
            "click on 2 and 4",
            "click on 2 and 4",
            "click on the first of the bar",
            "click on 2 and 4",
            "click on 2 and 4",
        ]);
        session["sound"]!["click"]!["starts"]!.GetValue<bool>().ShouldBeTrue();
    }

    [Fact]
    public async Task The_drone_takes_the_key_at_hand_as_it_sounds()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Put(
            "/api/profile",
            new
            {
                version = (await app.Get("/api/profile"))["version"],
                instrument = "B-flat clarinet",
                family = "winds",
                transposition = -2,
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var made = await app.Post(
            "/api/technique/exercises",
            new
            {
                title = "Scale in D",
                sheet = new
                {
                    figure = "scale",
                    kind = "major",
                    tonic = "D",
                    octaves = 1,
                },
                tempo = 72,
            }
        );
        var session = await Begin(Id(made));
        // Written D sounds C: 130.81 Hz is C3 in equal temperament (from memory), the fifth above it pure: 3 to 2.
        var hertz = session["sound"]!["droneHertz"]!.AsArray().Select(one => one!.GetValue<double>()).ToList();
        hertz[0].ShouldBe(130.81, 0.01);
        hertz[1].ShouldBe(130.81 * 1.5, 0.01);
        ((string?)session["sound"]!["droneSounds"]).ShouldBe("sounds C3");
    }

    private async Task<JsonNode> Begin(int material)
    {
        var today = await app.Get("/api/today");
        if (!today["drills"]!.AsArray().Any(drill => drill!["targets"]!.AsArray().Any(one => (int?)one!["materialId"] == material)))
            today = await app.Post(
                "/api/today/changes",
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind = "Add",
                    materialId = material,
                    value = 4,
                }
            );
        return await app.SkipTo(await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() }), now =>
            (int?)now["target"]?["materialId"] == material
        );
    }
}
