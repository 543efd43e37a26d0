using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Unseen music over HTTP: made at the level, counted once, never the same twice, and the level follows.</summary>
public sealed class ReadingTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_good_reader_rises_a_poor_one_falls_and_nothing_comes_twice()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var start = Overall(await app.Get("/api/reading"));
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < 8; i++)
        {
            var music = await New();
            seen.Add((string)music["abc"]!).ShouldBeTrue();
            await Result(music, []);
        }

        var good = await app.Get("/api/reading");
        ((int?)good["count"], Overall(good) > start + 1, (int?)good["coverAhead"]).ShouldBe((8, true, 2));
        ((string?)good["words"])!.ShouldContain("faster and harder");
        var harder = await New();
        for (var i = 0; i < 6; i++)
        {
            var music = await New();
            await Result(music, Enumerable.Range(1, (int)music["bars"]!));
        }

        var poor = await app.Get("/api/reading");
        Overall(poor).ShouldBeLessThan(Overall(good) - 1);
        ((string?)poor["words"])!.ShouldContain("slower and easier");
        poor["past"]!.AsArray().Count.ShouldBe(14);
        poor["strands"]!.AsArray().ShouldAllBe(strand => (double)strand!["sure"]! < 3);
        ((int)harder["tempo"]!).ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task A_result_counts_once_and_what_cannot_be_is_told()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var music = await New(new { key = "D major", bars = 4 });
        ((int?)music["bars"], ((string)music["abc"]!).Contains("K:D clef=alto", StringComparison.Ordinal)).ShouldBe((4, true));
        ((string?)music["look"]!["key"]).ShouldBe("D major, 2 sharps");
        var key = Guid.NewGuid();
        await Result(music, [1], key);
        var book = await Result(music, [1], key);
        ((int?)book["count"], (int?)book["past"]![0]!["right"]).ShouldBe((1, 3));
        await app.Refused(HttpMethod.Post, "/api/reading/results", Body(music, [9]), "wrong");
        // Inside one's own range; one of three notes is told as it is typed.
        await app.Put("/api/reading/range", new { lowest = "D4", highest = "A4" });
        for (var i = 0; i < 5; i++)
            (await New())["played"]!.AsArray().Select(note => (int)note!["midi"]!).ShouldAllBe(midi => midi >= 62 && midi <= 69);
        await app.Refused(HttpMethod.Put, "/api/reading/range", new { lowest = "D4", highest = "F4" }, "range");
        await app.Refused(HttpMethod.Put, "/api/reading/range", new { lowest = "H4", highest = "" }, "lowest");
        ((string?)(await app.Get("/api/reading"))["lowest"]).ShouldBe("D4", "what was refused changed nothing");
        await app.Put("/api/reading/range", new { lowest = "", highest = "" });
        await app.Refused(HttpMethod.Post, "/api/reading/new", new { key = "H major" }, "key");
        var odd = Body(music, []);
        odd["seed"]!["asked"] = 9;
        await app.Refused(HttpMethod.Post, "/api/reading/results", odd, "seed.asked");
        odd = Body(music, []);
        odd["seed"]!["levels"]!["rhythm"] = 13;
        await app.Refused(HttpMethod.Post, "/api/reading/results", odd, "level");
        await app.Refused(HttpMethod.Post, "/api/reading/new", new { bars = 90 }, "bars");
        await app.Refused(HttpMethod.Post, "/api/reading/new", new { position = 3 }, "position");
        await app.Refused(HttpMethod.Put, "/api/reading/source", new { source = 9 }, "source");
    }

    [Fact]
    public async Task The_plan_sends_to_it_and_a_drum_reads_rhythms()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Hand drum",
                family = "percussion",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        await app.Send(HttpMethod.Put, "/api/reading/source", new { source = "NewMusic" }, 200);
        var drill = (await app.Get("/api/today"))["drills"]!.AsArray().First(one => (string?)one!["area"] == "SightReading")!;
        ((string?)drill["title"]).ShouldBe("New rhythms at your level");
        var session = await app.SkipTo(await app.Begin(), now =>
            (string?)now["drills"]![(int)now["position"]!]!["desk"]?["kind"] == "NewMusic"
        );
        session["cue"]!["countsTakes"]!.GetValue<bool>().ShouldBeFalse();
        var music = await New();
        ((string)music["abc"]!).ShouldContain("clef=perc");
        ((string?)music["look"]!["key"]).ShouldBe("");
        (await app.Get("/api/reading"))["strands"]!.AsArray().Single()!["name"]!.GetValue<string>().ShouldBe("metre and rhythm");
    }

    [Fact]
    public async Task A_book_on_paper_keeps_its_bars_and_tempo_and_says_what_counts()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var book = new
        {
            kind = "Book",
            title = "Forty Lines",
            examples = 40,
        };
        var path = $"/api/reading/paper/{(int)(await app.Post("/api/materials", book))["id"]!}";
        ((int?)(await app.Get(path))["tempo"]).ShouldBe(60);
        object Read(int bars, params int[] wrong) =>
            new
            {
                bars,
                beats = 3,
                tempo = 66,
                wrong,
            };
        ((bool?)(await app.Post(path, Read(6, 2)))["isClean"]).ShouldBe(true, "five bars of six");
        ((bool?)(await app.Post(path, Read(6, 2, 3)))["isClean"]).ShouldBe(false);
        var kept = await app.Get(path);
        ((int?)kept["bars"], (int?)kept["beats"], (int?)kept["tempo"]).ShouldBe((6, 3, 66));
        await app.Refused(HttpMethod.Post, path, Read(0), "bars");
        await app.Refused(HttpMethod.Post, path, Read(4, 5), "wrong");
        await app.Refused(HttpMethod.Post, "/api/reading/paper/9999", Read(4), "id", 404);
    }

    private Task<JsonNode> New(object? wish = null) => app.Post("/api/reading/new", wish ?? new { });

    private Task<JsonNode> Result(JsonNode music, IEnumerable<int> wrong, Guid? key = null) =>
        app.Post("/api/reading/results", Body(music, wrong, key));

    private static JsonObject Body(JsonNode music, IEnumerable<int> wrong, Guid? key = null) =>
        new()
        {
            ["key"] = key ?? Guid.NewGuid(),
            ["seed"] = music["seed"]!.DeepClone(),
            ["wrong"] = new JsonArray([.. wrong.Select(bar => JsonValue.Create(bar))]),
            ["tempo"] = (int)music["tempo"]!,
        };

    private static double Overall(JsonNode book) => (double)book["overall"]!;
}
