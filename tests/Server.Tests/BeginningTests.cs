using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace TuningFork.Server.Tests;

/// <summary>The first visit, and the way from a demo to a book of one's own.</summary>
public sealed class BeginningTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task The_first_visit_enters_all_or_nothing_and_once()
    {
        await app.Clock(App.Evening);
        object Visit(int bars, string instrument) =>
            new
            {
                profile = new
                {
                    instrument,
                    family = "strings",
                    weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
                },
                pieces = new[]
                {
                    new
                    {
                        title = "Mill Song",
                        bars,
                        target = 90,
                        beatsPerBar = 3,
                        passages = new[] { new { from = 3, to = 4 }, new { from = 30, to = 30 } },
                    },
                },
                exercise = "C major",
                book = "Small Tunes",
            };
        await app.Refused(HttpMethod.Post, "/api/first-visit", Visit(24, "Cello"), "toBar");
        (await app.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeFalse("after a refusal everything can be corrected");

        // Corrected in every field, and pressed four times.
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(_ =>
                    app.Http.PostAsync(
                        new Uri("/api/first-visit", UriKind.Relative),
                        System.Net.Http.Json.JsonContent.Create(Visit(32, "Violin"))
                    )
                )
        );
        answers.Count(answer => answer.IsSuccessStatusCode).ShouldBe(1);
        (await app.Get("/api/profile"))["instrument"]!.GetValue<string>().ShouldBe("Violin");
        var materials = (await app.Get("/api/materials")).AsArray();
        materials.Count.ShouldBe(5);
        materials.Count(one => (int)one!["beatsPerBar"]! == 3).ShouldBe(3, "the piece and its two passages");
        (await app.Get("/api/today"))["drills"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Lines_are_read_and_planned_from_before_anything_is_entered()
    {
        await app.Clock(App.Evening);
        var empty = await app.Post("/api/first-visit/look", new { lines = "" });
        empty["pieces"]!.AsArray().ShouldBeEmpty();
        empty["drills"]!.AsArray().Sum(drill => drill!["minutes"]!.GetValue<int>()).ShouldBe(30, "there is a plan before the first line");
        var look = await app.Post(
            "/api/first-visit/look",
            new
            {
                lines = "Mill Song 48 bars 120, hard 9-12, 25-28\n24 bars\nReel 32 bars, hard 31-40\nJig 32 bars 6/8, hard 5-20",
                minutes = 20,
            }
        );
        look["pieces"]!
            .AsArray()
            .Select(piece => piece!["words"]!.GetValue<string>())
            .ShouldBe([
                "48 bars; target 120; hard: 9–12 and 25–28",
                "24 bars; no target yet; no hard bars yet",
                "32 bars; no target yet; hard: 31–40",
                "32 bars in 6/8, 2 dotted quarter beats each; no target yet; hard: 5–20",
            ]);
        look["pieces"]!
            .AsArray()
            .Select(piece => piece!["problem"]!.GetValue<string>())
            .ShouldBe([
                "",
                "A title is missing.",
                "Reel has bars 1 to 32; 31–40 goes beyond.",
                "5–20: 16 bars are long for a passage; one to four come faster.",
            ]);
        look["drills"]!
            .AsArray()
            .ShouldContain(drill => drill!["title"]!.GetValue<string>().Contains("Mill Song", StringComparison.Ordinal));
        look["drills"]!.AsArray().Sum(drill => drill!["minutes"]!.GetValue<int>()).ShouldBe(20);
        (await app.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeFalse();
        await app.Refused(HttpMethod.Post, "/api/first-visit/look", new { lines = new string('x', 5000) }, "lines");
    }

    [Theory]
    [InlineData("Trumpet", "winds")]
    [InlineData("Violin", "strings")]
    [InlineData("Hand drum", "percussion")]
    public async Task The_plan_that_is_shown_is_the_one_that_comes(string instrument, string family)
    {
        await app.Clock(App.Evening);
        const string exercise = "D minor scale";
        var look = await app.Post(
            "/api/first-visit/look",
            new
            {
                lines = "Mill Song 24 bars 90, hard 3-4",
                minutes = 30,
                exercise,
                book = "Small Tunes",
                instrument,
            }
        );
        await app.Post(
            "/api/first-visit",
            new
            {
                profile = new
                {
                    instrument,
                    family,
                    weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
                },
                pieces = new[]
                {
                    new
                    {
                        title = "Mill Song",
                        bars = 24,
                        target = 90,
                        passages = new[] { new { from = 3, to = 4 } },
                    },
                },
                exercise,
                book = "Small Tunes",
            }
        );
        Drills(await app.Get("/api/today")).ShouldBe(Drills(look));

        static IEnumerable<string> Drills(JsonNode plan) =>
            plan["drills"]!.AsArray().Select(drill => $"{drill!["minutes"]} {drill["title"]}");
    }

    [Fact]
    public async Task A_scale_that_is_typed_by_its_name_brings_its_notes()
    {
        await app.Clock(App.Evening);
        const string scale = "G major scale, two octaves";
        async Task<string> Words(string exercise, string instrument) =>
            (
                await app.Post(
                    "/api/first-visit/look",
                    new
                    {
                        lines = "",
                        exercise,
                        instrument,
                    }
                )
            )["exerciseWords"]!.GetValue<string>();
        (await Words(scale, "violin")).ShouldBe("29 notes, which the stage will show");
        (await Words("Finger drops", "violin")).ShouldBe("");
        (await Words(scale, "hand drum")).ShouldBe("", "it has no pitch");
        await app.Put("/api/profile", new { instrument = "Violin", weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 } });
        var id = App.Id(await app.Post("/api/materials", new { kind = "Exercise", title = scale }));
        (await Notes()).ShouldBe("G 2");
        await Call("A major scale", version: 0);
        (await Notes()).ShouldBe("A 1", "the notes were of its title");
        await Call("The one on two strings", version: 1);
        (await Notes()).ShouldBe("A 1");
        await Call("D major scale", version: 2);
        (await Notes()).ShouldBe("A 1", "its title did not mean them any more");

        Task Call(string title, int version) =>
            app.Put(
                $"/api/materials/{id}",
                new
                {
                    kind = "Exercise",
                    title,
                    version,
                }
            );
        async Task<string> Notes()
        {
            var sheet = (await app.Get("/api/technique/exercises"))[0]!["sheet"]!;
            return $"{sheet["tonic"]} {sheet["octaves"]}";
        }
    }

    [Fact]
    public async Task What_was_entered_in_a_demo_comes_along_into_ones_own_book_once()
    {
        app.Http.DefaultRequestHeaders.Add("Practice-Book", "Demo");
        (await app.Get("/api/about"))["entered"]!["materials"]!.GetValue<int>().ShouldBe(0);
        var piece = App.Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Brought Along",
                    toBar = 12,
                }
            )
        );
        await app.Post(
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = piece,
                fromBar = 2,
                toBar = 3,
            }
        );
        await app.Put(
            $"/api/pieces/{piece}/music",
            new { abc = "X:1\nM:4/4\nL:1/4\nK:C\n" + string.Concat(Enumerable.Repeat("CDEF|", 12)) }
        );
        await app.Post("/api/journal", new { key = Guid.NewGuid(), text = "Tried it in the demo." });
        (await app.Get("/api/about"))["entered"]!["materials"]!.GetValue<int>().ShouldBe(2);
        (await app.Post("/api/own/from-demo", new { }))["materials"]!.GetValue<int>().ShouldBe(2);
        await app.Post("/api/materials", new { kind = "Exercise", title = "Later" });
        (await app.Post("/api/own/from-demo", new { }))["materials"]!.GetValue<int>().ShouldBe(1, "what came before does not come twice");

        app.Http.DefaultRequestHeaders.Remove("Practice-Book");
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var there = (await app.Get("/api/materials")).AsArray();
        there.Count.ShouldBe(3);
        var mine = there.First(one => (string?)one!["kind"] == "Piece")!;
        (await app.Get($"/api/pieces/{App.Id(mine)}"))["hasMusic"]!.GetValue<bool>().ShouldBeTrue();
        (await app.Get("/api/journal?search=tried"))["days"]!.AsArray().Count.ShouldBe(1);
        await app.Refused(HttpMethod.Post, "/api/own/from-demo", new { }, "Practice-Book");
    }
}
