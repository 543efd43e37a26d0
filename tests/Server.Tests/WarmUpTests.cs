using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The warm-up's versions through the server.</summary>
public sealed class WarmUpTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_version_of_ones_own_is_played_credited_and_gives_way_to_the_next()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Flute",
                family = "winds",
                weekdayMinutes = new[] { 45, 45, 45, 45, 45, 45, 45 },
            }
        );
        var piece = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Kite Song",
                    toBar = 20,
                    target = 100,
                }
            )
        );
        var passage = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Passage",
                    pieceId = piece,
                    fromBar = 3,
                    toBar = 4,
                    readiness = "Ready",
                }
            )
        );
        var all = await app.Get("/api/warm-ups");
        all["versions"]!.AsArray().Count.ShouldBe(3);
        var parts = new object[]
        {
            new
            {
                element = "Agility",
                title = "Bars 3 and 4",
                how = "Lightly.",
                minutes = 3,
                core = true,
                materialId = passage,
            },
            new
            {
                element = "Sound",
                title = "Long tones",
                how = "Slowly.",
                minutes = 3,
                core = true,
            },
        };
        all = await app.Post("/api/warm-ups", new { name = "Mine", parts });
        foreach (var other in all["versions"]!.AsArray().Where(one => (string?)one!["name"] != "Mine").ToList())
            await app.Send(HttpMethod.Delete, $"/api/warm-ups/{Id(other!)}", null, 200);
        var today = await app.Get("/api/today");
        today["drills"]!.AsArray().Select(drill => (string?)drill!["title"]).ShouldContain("Kite Song, 3–4");

        var session = await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() });
        session = await app.SkipTo(session, now => (int?)now["target"]?["materialId"] == passage);
        await app.Clock(Evening.AddMinutes(3));
        await app.Act(session, "Done", 120);
        await app.Close();
        var tines = (await app.Get("/api/today"))["tines"]!.AsArray();
        tines.First(tine => (string?)tine!["area"] == "Repertoire")!["played"]!.GetValue<double>().ShouldBe(2, 0.1, "credited to both");
        tines.First(tine => (string?)tine!["area"] == "WarmUp")!["played"]!.GetValue<double>().ShouldBe(2, 0.1);
        (await app.Get("/api/today"))["playedToday"]!.GetValue<double>().ShouldBe(2, 0.1, "counted once");
        (await app.Get($"/api/materials/{passage}/history"))["visits"]!.AsArray().ShouldBeEmpty("light playing is no test");
        (await app.Get("/api/warm-ups"))["versions"]!.AsArray().Single()!["lastDay"]!.GetValue<string>().ShouldBe("2031-05-14");
    }

    [Fact]
    public async Task A_cut_follows_the_sitting_and_the_demands_and_bad_parts_are_refused_at_their_place()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Violin",
                family = "strings",
                weekdayMinutes = new[] { 45, 45, 45, 45, 45, 45, 45 },
            }
        );
        var parts = new object[]
        {
            new
            {
                element = "Sound",
                title = "Open strings",
                how = "",
                minutes = 4,
                core = true,
            },
            new
            {
                element = "Agility",
                title = "Runs",
                how = "",
                minutes = 2,
                core = false,
            },
        };
        var plain = await app.Post("/api/warm-ups/cut", new { parts, sittingMinutes = 60 });
        plain["minutes"]!.GetValue<int>().ShouldBe(12, "a fifth of the sitting");
        plain["leftOut"]!.AsArray().ShouldBeEmpty();
        var rehearsal = await app.Post(
            "/api/warm-ups/cut",
            new
            {
                parts,
                sittingMinutes = 60,
                demands = new[] { "Rehearsal" },
            }
        );
        rehearsal["minutes"]!.GetValue<int>().ShouldBe(6);
        rehearsal["words"]!.GetValue<string>().ShouldContain("a rehearsal later");
        await app.Put("/api/warm-ups/opening", new { school = "Awareness", awareness = "Three breaths." });
        (
            await app.Post(
                "/api/warm-ups/cut",
                new
                {
                    parts,
                    sittingMinutes = 60,
                    demands = new[] { "Rehearsal" },
                }
            )
        )["stretches"]![0]!["title"]!.GetValue<string>().ShouldBe("Awareness, always the same");

        await app.Refused(
            HttpMethod.Post,
            "/api/warm-ups",
            new
            {
                name = "x",
                parts = new[]
                {
                    new
                    {
                        element = "Sound",
                        title = "Open strings",
                        how = "",
                        minutes = 99,
                        core = true,
                    },
                },
            },
            "parts[0].minutes"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/warm-ups",
            new
            {
                name = "x",
                parts = new[]
                {
                    new
                    {
                        element = "Sound",
                        title = "Open strings",
                        how = "",
                        minutes = 2,
                        core = false,
                    },
                },
            },
            "parts"
        );
        await app.Refused(HttpMethod.Post, "/api/warm-ups", new { name = "", parts }, "name");
    }

    /// <summary>What a warm-up is played on, or what was added to a day, may be removed: day, week and sitting go on without it.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task A_part_whose_exercise_was_removed_stops_nothing(bool isAdded)
    {
        await app.Clock(Evening);
        var (_, _, _, exercise) = await app.FirstDay();
        if (isAdded)
            await app.Add(exercise);
        var parts = new object[]
        {
            new
            {
                element = "Agility",
                title = "Shifts, lightly",
                how = "Lightly.",
                minutes = 3,
                core = true,
                materialId = exercise,
            },
        };
        var all = await app.Post("/api/warm-ups", new { name = "Mine", parts });
        foreach (var other in all["versions"]!.AsArray().Where(one => (string?)one!["name"] != "Mine").ToList())
            await app.Send(HttpMethod.Delete, $"/api/warm-ups/{Id(other!)}", null, 200);
        await app.Send(HttpMethod.Delete, $"/api/materials/{exercise}", null, 200);
        await app.Get("/api/today");
        (await app.Get("/api/week/ahead"))["days"]!.AsArray().Count.ShouldBe(7);
        var session = await app.SkipTo(await app.Begin(), now => ((string?)now["title"])?.Contains("Shifts") == true || now["cue"] is null);
        await app.Act(session, "Done");
        await app.Close();
    }
}
