using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>One grid for what is to be ready on a day, and what falls out by heart.</summary>
public sealed class ListTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_list_shows_its_ratings_by_day_is_rated_at_once_and_asked_about_after_a_week()
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        var date = DateOnly.FromDateTime(Evening.DateTime).AddDays(30).ToString("yyyy-MM-dd");
        await app.Refused(HttpMethod.Get, $"/api/lists/{date}", new { }, "date", 404);
        await Dated(piece, date);
        var list = await app.Get($"/api/lists/{date}");
        list["daysLeft"]!.GetValue<int>().ShouldBe(30);
        list["lines"]!.AsArray().Select(line => (string?)line!["title"]).ShouldBe(["Mill Song", "3–4", "9"]);
        await app.Begin();
        (await app.Close())["listToRate"].ShouldBeNull("all was rated when it was entered");

        await app.Clock(Evening.AddDays(7));
        await app.Begin();
        ((string?)(await app.Close())["listToRate"]).ShouldBe(date);
        await app.Clock(Evening.AddDays(8));
        await app.Begin();
        (await app.Close())["listToRate"].ShouldBeNull("not at every close");
        await app.Put($"/api/lists/{date}", new { materialId = first, readiness = "Ready" });
        list = await app.Put($"/api/lists/{date}", new { materialId = piece, readiness = "Shaping" });
        list["ready"]!.GetValue<int>().ShouldBe(1);
        list["columns"]!.AsArray().Select(day => (string?)day).ShouldBe(["2031-05-14", "2031-05-22"]);
        list["lines"]![1]!["ratings"]!.AsArray().Select(one => (string?)one).ShouldBe(["Shaping", "Ready"]);
        list["lines"]![2]!["ratings"]!
            .AsArray()
            .Select(one => (string?)one)
            .ShouldBe(["Shaping", "Shaping"], "what stood before stands on");
        await app.Refused(HttpMethod.Put, $"/api/lists/{date}", new { materialId = 9999, readiness = "Ready" }, "materialId", 404);
        await app.Begin();
        (await app.Close())["listToRate"].ShouldBeNull("it was rated just now");
    }

    [Fact]
    public async Task What_falls_out_at_a_station_becomes_a_passage_or_is_asked_for()
    {
        await app.Clock(Evening);
        var (piece, _, _, _) = await app.FirstDay();
        var today = await app.Add(piece, 10);
        await app.Choose(
            today["drills"]!.AsArray().Last(one => one!["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == piece))!,
            "stations"
        );
        var session = await app.Begin();
        session = await app.SkipTo(session, now =>
            ((string?)now["target"]?["key"])?.StartsWith($"m:{piece}:b:", StringComparison.Ordinal) == true
        );
        ((string?)session["abc"]).ShouldBe("");
        var missed = ((string)session["target"]!["key"]!).Split(':')[^1];
        session = await app.Act(session, "Missed", 20);
        session = await app.Act(session, "Clean", 40);
        await app.Act(session, "Done", 50);
        var made = (await app.Get("/api/materials"))
            .AsArray()
            .Where(row => (int?)row!["pieceId"] == piece && $"{row["fromBar"]}-{row["toBar"]}" == missed)
            .ToList();
        ((string?)made.ShouldHaveSingleItem()!["difficulty"]).ShouldBe("memory");
    }

    private async Task Dated(int piece, string date)
    {
        var row = (await app.Get("/api/materials")).AsArray().Single(one => (int?)one!["id"] == piece)!;
        await app.Put(
            $"/api/materials/{piece}",
            new
            {
                kind = "Piece",
                title = "Mill Song",
                toBar = 24,
                target = 90,
                performance = date,
                version = row["version"]!.GetValue<int>(),
            }
        );
    }
}
