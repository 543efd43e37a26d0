using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What was made up is kept and comes back; a lick and a progression go through the keys; a song follows the drill.</summary>
public sealed class MadeTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task What_was_made_is_kept_once_with_its_source_and_comes_back_in_play()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var wish = new
        {
            key = Guid.NewGuid(),
            title = "Answer to the mill",
            text = "M:4/4\nL:1/4\nK:G\nG2 A2 | B4 |]",
            sourceId = first,
        };
        var kept = await app.Post("/api/made", wish);
        ((int?)(await app.Post("/api/made", wish))["materialId"]).ShouldBe((int?)kept["materialId"], "sent again, it is kept once");
        await app.Refused(
            HttpMethod.Post,
            "/api/made",
            new
            {
                key = Guid.NewGuid(),
                title = "x",
                text = "G2 ?",
            },
            "text"
        );
        await app.Refused(
            HttpMethod.Post,
            "/api/made",
            new
            {
                key = Guid.NewGuid(),
                title = "x",
                text = "K:C\nG4|",
                sourceId = 999,
            },
            "sourceId",
            404
        );
        var days = new List<JsonNode>();
        for (var day = 1; day <= 6; day++)
        {
            await app.Clock(Evening.AddDays(day));
            days.Add(await app.Get("/api/today"));
        }

        days.Count(today => today["drills"]!.AsArray().Any(drill => (string?)drill!["title"] == "Answer to the mill"))
            .ShouldBeInRange(2, 4, "every other day, in play");
        var again = days.SelectMany(today => today["drills"]!.AsArray()).First(drill => (string?)drill!["title"] == "Answer to the mill")!;
        ((string?)again["area"], (string?)again["reason"]).ShouldBe(("Play", "you made it: play on from there"));
        ((string?)(await app.Get("/api/technique/exercises")).AsArray().Last()!["title"]).ShouldBe(
            "Answer to the mill",
            "it can be dropped there"
        );
    }

    [Fact]
    public async Task A_lick_is_engraved_in_each_key_and_a_progression_names_its_chords()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var lick = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "Lick",
                    target = 90,
                    inKeys = true,
                    work = new { kind = "Notation", text = "M:4/4\nL:1/4\nK:C\nC E G E | C4 |]" },
                }
            )
        );
        var session = await OnStage(lick);
        var engraved = new List<string>();
        while (((string?)session["target"]?["key"])?.StartsWith($"m:{lick}:k:", StringComparison.Ordinal) == true && engraved.Count < 4)
        {
            engraved.Add((string)session["abc"]!);
            session = await app.Act(session, "Clean", 10 * engraved.Count);
        }

        engraved[0].ShouldContain("K:C");
        engraved[1].ShouldContain("K:F", Case.Sensitive, "fourths are the usual order");
        engraved[1].ShouldContain("F2 A2 c2 A2", Case.Sensitive);
        await app.Close();

        await app.Clock(Evening.AddDays(1));
        var work = new
        {
            kind = "Changes",
            items = new[] { "Dm7", "G7", "Cmaj7" },
            beats = 4,
            key = "C major",
        };
        await app.Refused(
            HttpMethod.Post,
            "/api/technique/made",
            new
            {
                title = "2 5 1",
                inKeys = true,
                work = new { work.kind, work.items },
            },
            "inKeys"
        );
        var changes = Id(
            await app.Post(
                "/api/technique/made",
                new
                {
                    title = "2 5 1",
                    target = 90,
                    inKeys = true,
                    work,
                }
            )
        );
        session = await OnStage(changes);
        ((string?)session["cue"]!["title"]).ShouldBe("C major: Dm7 G7 Cmaj7");
        session = await app.Act(session, "Clean", 10);
        ((string?)session["cue"]!["title"]).ShouldBe("F major: Gm7 C7 Fmaj7");
        (await app.Get("/api/technique/keys")).AsArray().Count.ShouldBe(2, "coverage and tempo by key are kept");
    }

    [Fact]
    public async Task After_a_drill_of_chords_comes_a_song_with_them()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        await app.Post(
            "/api/technique/made",
            new
            {
                title = "Changes",
                target = 80,
                work = new { kind = "Changes", items = new[] { "G", "C", "D7" } },
            }
        );
        var song = new
        {
            kind = "Piece",
            title = "Harbour Song",
            toBar = 16,
            readiness = "Ready",
            harmony = "G, C, D7",
        };
        await app.Refused(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                song.kind,
                song.title,
                song.toBar,
                harmony = "G, H#x",
            },
            "harmony"
        );
        await app.Post("/api/materials", song);
        await app.Post(
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Other Song",
                toBar = 16,
                readiness = "Ready",
            }
        );
        var today = await app.Put("/api/today", new { version = 0, minutes = 60 });
        today["drills"]!.AsArray().ShouldContain(drill => (string?)drill!["title"] == "Changes");
        var played = today["drills"]!.AsArray().First(drill => (string?)drill!["area"] == "Play")!;
        ((string?)played["title"], (string?)played["reason"]).ShouldBe(("Harbour Song", "after the drill, with G and C"));
    }

    private async Task<JsonNode> OnStage(int id)
    {
        await app.Add(id);
        var session = await app.Begin();
        return await app.SkipTo(session, now => ((string?)now["target"]?["key"])?.StartsWith($"m:{id}", StringComparison.Ordinal) == true);
    }
}
