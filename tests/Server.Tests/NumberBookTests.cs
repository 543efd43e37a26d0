using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Four weeks with a book of technique on paper: looked through first, then worked, the hard ones early.</summary>
public sealed class NumberBookTests : IDisposable
{
    private const int Numbers = 18;
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task In_four_weeks_it_is_looked_through_and_what_is_hard_is_played_most()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var id = Id(await app.Post("/api/technique/made", Wish(Numbers)));
        var played = new List<int>();
        // Beats a minute that can be played today: an easy one nearly at its target of 60, a hard one at two thirds of it.
        var ability = Enumerable.Range(1, Numbers).Select(number => number % 3 == 0 ? 40 : 58).ToArray();
        var looked = 0;
        for (var day = 0; day < 28; day++)
        {
            await app.Clock(Evening.AddDays(day));
            await app.Add(id, 4);
            var session = await app.SkipTo(await app.Begin(), now => IsOf(now, id));
            var drill = session["drills"]![session["position"]!.GetValue<int>()]!;
            if ((string?)drill["desk"]?["kind"] == "FirstLook")
            {
                // Eight at a sitting; every third is hard, the last two are for later.
                foreach (var number in Enumerable.Range(looked + 1, Math.Min(8, Numbers - looked)))
                    await Mark(
                        id,
                        number,
                        number > 16 ? "Later"
                            : number % 3 == 0 ? "Hard"
                            : "Easy"
                    );
                looked = Math.Min(Numbers, looked + 8);
                await app.Act(session, "Done", 240);
            }
            else
            {
                var number = int.Parse(session["target"]!["key"]!.GetValue<string>().Split(':')[^1], null);
                played.Add(number);
                ((string?)session["cue"]!["title"]).ShouldBe($"Number {number}");
                await Work(session, number, ability[number - 1]);
                ability[number - 1] += 4;
            }

            await app.Close();
        }

        looked.ShouldBe(Numbers);
        var book = (await app.Get("/api/technique/books")).AsArray().Single()!;
        ((int?)book["unseen"], (int?)book["done"] >= 5).ShouldBe((0, true), $"{book["done"]} done; {string.Join(' ', played)}");
        played.Count(number => number % 3 == 0).ShouldBeGreaterThan(played.Count / 2, string.Join(' ', played));
        played.Where(number => number % 3 != 0).ShouldBeInOrder(SortDirection.Ascending, "the rest in order");
        played.ShouldNotContain(number => number > 16, "what is for later is not played while others are open");
        var cells = book["cells"]!.AsArray();
        cells.Where(cell => (bool)cell!["done"]!).ShouldAllBe(cell => (int)cell!["days"]! >= (int)cell!["leastDays"]!);
        played.Distinct().ShouldAllBe(number => (int?)cells[number - 1]!["days"] > 0);
        (await app.Get("/api/technique/exercises")).AsArray().First(line => Id(line!) == id)!["stands"]!
            .GetValue<string>()
            .ShouldBe($"{book["done"]} of {Numbers} done, 0 not looked at");
    }

    [Fact]
    public async Task What_is_noted_of_its_numbers_outlives_a_change_of_the_book()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var id = Id(await app.Post("/api/technique/made", Wish(5)));
        await Mark(id, 5, "Hard");
        var cells = (await Mark(id, 2, "Easy", done: true, target: 72))["cells"]!.AsArray();
        ((bool?)cells[1]!["byHand"], (int?)cells[1]!["target"], (string?)cells[4]!["look"]).ShouldBe((true, 72, "Hard"));
        await app.Put($"/api/technique/made/{id}", Wish(4));
        var book = (await app.Get("/api/technique/books")).AsArray().Single()!;
        ((int?)book["done"], (int?)book["unseen"], book["cells"]!.AsArray().Count).ShouldBe((1, 3, 4));

        await app.Refused(HttpMethod.Put, $"/api/technique/books/{id}/numbers/5", new { look = "Easy" }, "number");
        await app.Refused(HttpMethod.Put, $"/api/technique/books/{id}/numbers/1", new { look = 9 }, "look");
        await app.Refused(HttpMethod.Put, $"/api/technique/books/{id}/numbers/1", new { look = "Easy", target = 2 }, "target");
        await app.Refused(HttpMethod.Put, "/api/technique/books/9999/numbers/1", new { look = "Easy" }, "id", 404);
        await app.Refused(HttpMethod.Post, "/api/technique/made", Wish(0), "numbers");
    }

    /// <summary>Takes every half minute for four minutes: clean where the tempo is one that can be played.</summary>
    private async Task Work(JsonNode session, int number, int ability)
    {
        for (
            var seconds = 30;
            seconds <= 240 && ((string?)session["target"]?["key"])?.EndsWith($":n:{number}", StringComparison.Ordinal) == true;
            seconds += 30
        )
            session = await app.Act(session, (int)session["cue"]!["tempo"]! <= ability ? "Clean" : "Missed", seconds);
    }

    private Task<JsonNode> Mark(int id, int number, string look, bool done = false, int? target = null) =>
        app.Put(
            $"/api/technique/books/{id}/numbers/{number}",
            new
            {
                look,
                done,
                target,
            }
        );

    private static object Wish(int count) =>
        new
        {
            title = "Small studies",
            target = 60,
            work = new { kind = "Numbers", numbers = new { count, bars = 4 } },
        };

    private static bool IsOf(JsonNode session, int id) => (int?)session["target"]?["materialId"] == id;
}
