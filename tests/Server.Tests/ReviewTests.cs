using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The week's review over HTTP: a yes is in the next plans, and all of it in the journal.</summary>
public sealed class ReviewTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task What_has_lain_long_is_in_the_plan_of_tomorrow_with_a_yes_and_is_not_without(bool accept)
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        app.Write($"""update "Materials" set "Resting" = 1, "Visits" = 6, "LastVisit" = '2020-01-01' where "Id" = {first}""");
        var question = (await app.Get("/api/review"))["questions"]!.AsArray().Single(one => (int)one!["materialId"]! == first)!;
        ((string?)question["topic"], (string?)question["proposal"]).ShouldBe(("BringBack", "bring it back"));
        var answer = new
        {
            topic = "BringBack",
            materialId = first,
            accept,
        };
        var after = await app.Post("/api/review/answers", answer);
        await app.Post("/api/review/answers", answer);
        after["questions"]!.AsArray().ShouldAllBe(one => (int)one!["materialId"]! != first);
        var line = (string)after["answered"]!.AsArray().Single()!;
        line.ShouldEndWith(accept ? ": bring it back" : ": as it is");
        // Left half-way it is as it was.
        (await app.Get("/api/review"))["answered"]!.AsArray().Count.ShouldBe(1);
        var end = new { key = Guid.NewGuid(), words = "The joins." };
        await app.Post("/api/review", end);
        ((bool?)(await app.Post("/api/review", end))["isWritten"]).ShouldBe(true);
        var entries = (await app.Get("/api/journal"))["days"]![0]!["entries"]!.AsArray();
        entries.Count.ShouldBe(1, "sent again it is written once");
        ((string)entries[0]!["text"]!).ShouldContain($"{line}.\nThe joins.");
        await app.Clock(Evening.AddDays(1));
        (await app.Get("/api/today"))["drills"]!
            .AsArray()
            .SelectMany(drill => drill!["targets"]!.AsArray())
            .Any(target => (int?)target!["materialId"] == first)
            .ShouldBe(accept);
        await app.Refused(
            HttpMethod.Post,
            "/api/review/answers",
            new
            {
                topic = "Stuck",
                materialId = 999,
                accept = true,
            },
            "materialId",
            404
        );
    }

    [Fact]
    public async Task An_exercise_is_dropped_where_that_is_wished_whatever_was_proposed()
    {
        await app.Clock(Evening);
        var (_, _, _, exercise) = await app.FirstDay();
        app.Write(
            $"""update "Materials" set "ReviewOn" = '{Evening:yyyy-MM-dd}', "Visits" = 3, "LastVisit" = '{Evening.AddDays(-2):yyyy-MM-dd}' where "Id" = {exercise}"""
        );
        var question = (await app.Get("/api/review"))["questions"]!.AsArray().Single(one => (int)one!["materialId"]! == exercise)!;
        question["others"]!.AsArray().Select(one => (string?)one).ShouldContain("Drop");
        var after = await app.Post(
            "/api/review/answers",
            new
            {
                topic = "Exercise",
                materialId = exercise,
                accept = true,
                decision = "Drop",
            }
        );
        ((string)after["answered"]!.AsArray().Single()!).ShouldEndWith(": drop it");
        app.Number($"select Resting from Materials where Id={exercise}").ShouldBe(1);
    }

    [Fact]
    public async Task What_a_change_brought_is_said_two_weeks_later_and_the_purpose_stands_in_the_plans()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        await app.Act(session, "Clean", seconds: 30);
        await app.Close();
        app.Write($"""update "Materials" set "Stuck" = 1 where "Id" = {first}""");
        await app.Clock(Evening.AddDays(1));
        var answer = new
        {
            topic = "Stuck",
            materialId = first,
            accept = true,
        };
        var after = await app.Post("/api/review/answers", answer);
        after["brought"]!.AsArray().ShouldBeEmpty("it is of today");
        var usual = after["usual"]!;
        usual["minutes"]![2] = 55;
        await app.Put("/api/week/usual", usual);
        await app.Post("/api/review", new { key = Guid.NewGuid(), words = "Quiet hands.\nAnd more." });

        await app.Clock(Evening.AddDays(2));
        ((string?)(await app.Get("/api/today"))["purpose"]).ShouldBe("Quiet hands.");
        session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        for (var take = 0; take < 4 && (int?)session["target"]?["materialId"] == first; take++)
            session = await app.Act(session, "Clean", seconds: 30 * (take + 1));
        await app.Close();
        await app.Clock(Evening.AddDays(16));
        var later = await app.Get("/api/review");
        ((string)later["brought"]!.AsArray().Single()!).ShouldStartWith(((string)after["answered"]![0]!).Split(':')[0]);
        later["usual"]!["minutes"]![2]!.GetValue<int>().ShouldBe(55);
        await app.Clock(Evening.AddDays(40));
        (await app.Get("/api/review"))["brought"]!.AsArray().ShouldBeEmpty("it was said long ago");
    }

    [Fact]
    public async Task It_is_asked_for_on_its_weekday_until_it_is_written()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var weekday = ((int)Evening.DayOfWeek + 6) % 7;
        await app.Put("/api/review/weekday", new { weekday });
        ((bool?)(await app.Get("/api/today"))["reviewIsDue"]).ShouldBe(true);
        await app.Post("/api/review", new { key = Guid.NewGuid(), words = "" });
        ((bool?)(await app.Get("/api/today"))["reviewIsDue"]).ShouldBe(false);
        await app.Clock(Evening.AddDays(7));
        ((bool?)(await app.Get("/api/today"))["reviewIsDue"]).ShouldBe(true);
        await app.Clock(Evening.AddDays(8));
        ((bool?)(await app.Get("/api/today"))["reviewIsDue"]).ShouldBe(false);
        await app.Refused(HttpMethod.Put, "/api/review/weekday", new { weekday = 7 }, "weekday");
    }
}
