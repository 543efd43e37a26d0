using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The shelf: an idea waits until it becomes something, or goes.</summary>
public sealed class ShelfTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_block_of_a_routine_is_for_the_shelf_and_an_empty_book_begins_there()
    {
        await app.Clock(Evening);
        await app.Put("/api/profile", new { instrument = "Viola", weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 } });
        var first = (await app.Get("/api/today"))["drills"]!.AsArray().Single(drill => (string?)drill!["method"] == "from the shelf")!;
        ((string?)first["title"], (string?)first["area"]).ShouldBe(("Look, listen, choose", "Repertoire"));

        await app.Post(
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Mill Song",
                toBar = 24,
                target = 90,
            }
        );
        (await app.Get("/api/today"))["drills"]!.AsArray().ShouldNotContain(drill => (string?)drill!["method"] == "from the shelf");
        foreach (var text in new[] { "One", "Two", "Three", "Four" })
            await app.Post(
                "/api/journal",
                new
                {
                    key = Guid.NewGuid(),
                    text,
                    kind = "Shelf",
                }
            );
        var routine = (await app.Get("/api/routines")).AsArray().First()!.DeepClone();
        var blocks = routine["blocks"]!.AsArray();
        blocks.Add(
            new JsonObject
            {
                ["area"] = "Play",
                ["least"] = 5,
                ["wanted"] = 5,
                ["most"] = 5,
                ["shelf"] = true,
                ["name"] = "Shelf",
            }
        );
        await app.Put($"/api/routines/{Id(routine)}", routine);
        var drill = (
            await app.Put(
                "/api/today",
                new { version = (await app.Get("/api/today"))["version"]!.GetValue<int>(), routineId = Id(routine) }
            )
        )["drills"]!
            .AsArray()
            .Single(drill => (string?)drill!["method"] == "from the shelf")!;
        ((string?)drill["title"], (int?)drill["minutes"], (string?)drill["reason"]).ShouldBe(
            ("Three from the shelf", 5, "4 wait, the oldest first")
        );
        var session = await app.SkipTo(await app.Begin(), now =>
            (string?)now["drills"]![(int)now["position"]!]!["desk"]?["kind"] == "Shelf"
        );
        session["cue"]!["countsTakes"]!.GetValue<bool>().ShouldBeFalse();
        blocks[0]!["shelf"] = true;
        await app.Refused(HttpMethod.Post, "/api/routines/fit", new { blocks = blocks.DeepClone(), minutes = 40 }, "blocks[0].shelf");
    }

    [Fact]
    public async Task Each_idea_becomes_material_or_play_or_is_dropped_and_the_oldest_comes_first()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        foreach (var text in new[] { "The tune from the ferry", "A roll of four", "Three notes only", "Hum it first", "Nonsense" })
            await app.Post(
                "/api/journal",
                new
                {
                    key = Guid.NewGuid(),
                    text,
                    kind = "Shelf",
                }
            );
        (await app.Get("/api/today"))["onShelf"]!.GetValue<int>().ShouldBe(5);
        var waiting = (await app.Get("/api/shelf"))["waiting"]!.AsArray();
        ((string?)waiting[0]!["text"]).ShouldBe("The tune from the ferry");

        // Refused, it waits on and nothing was entered.
        await app.Refused(HttpMethod.Put, Path(waiting, 0), new { became = "Piece", bars = 0 }, "toBar");
        (await app.Get("/api/shelf"))["waiting"]!.AsArray().Count.ShouldBe(5);

        var piece = (
            await app.Put(
                Path(waiting, 0),
                new
                {
                    became = "Piece",
                    title = "Ferry tune",
                    bars = 16,
                }
            )
        )["materialId"]!.GetValue<int>();
        var exercise = (await app.Put(Path(waiting, 1), new { became = "Exercise" }))["materialId"]!.GetValue<int>();
        await app.Put(Path(waiting, 2), new { became = "Play" });
        await app.Put(Path(waiting, 3), new { became = "Listen" });
        await app.Put(Path(waiting, 4), new { became = "Dropped" });
        var materials = (await app.Get("/api/materials")).AsArray();
        Title(piece).ShouldBe(("Piece", "Ferry tune", 16));
        Title(exercise).ShouldBe(("Exercise", "A roll of four", 4));

        var shelf = await app.Get("/api/shelf");
        shelf["waiting"]!.AsArray().ShouldBeEmpty();
        ((string?)shelf["play"]![0]!["text"], (string?)shelf["listen"]![0]!["text"]).ShouldBe(("Three notes only", "Hum it first"));

        // Material stays material; what was only put aside can be taken back.
        await app.Refused(HttpMethod.Put, Path(waiting, 0), new { became = "Dropped" }, "became", 409);
        await app.Put(Path(waiting, 4), new { became = (string?)null });
        (await app.Get("/api/shelf"))["waiting"]!.AsArray().Count.ShouldBe(1);

        // An idea for play has its turn within a week or two.
        var played = new List<string>();
        for (var day = 0; day < 14; day++)
        {
            await app.Clock(Evening.AddDays(day));
            played.AddRange(
                (await app.Get("/api/today"))["drills"]!
                    .AsArray()
                    .Where(one => (string?)one!["area"] == "Play")
                    .Select(one => (string)one!["title"]!)
            );
        }

        played.ShouldContain("Three notes only");

        (string?, string?, int) Title(int id)
        {
            var row = materials.Single(one => (int?)one!["id"] == id)!;
            return ((string?)row["kind"], (string?)row["title"], row["toBar"]!.GetValue<int>());
        }
    }

    private static string Path(JsonArray waiting, int place) => $"/api/shelf/{Id(waiting[place]!)}";
}
