using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Looking back over HTTP: the pictures' numbers are the sums of what was kept.</summary>
public sealed class LookBackTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Sums_are_those_of_what_was_played_and_marked()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        for (var day = 0; day < 4; day++)
        {
            await PlayAsync(Evening.AddDays(day * 2));
        }

        var from = DateOnly.FromDateTime(Evening.Date);
        var look = await app.Get($"/api/look-back?from={from:yyyy-MM-dd}&to={from.AddDays(27):yyyy-MM-dd}");
        var minutes = app.Number("""select cast(sum("PlayedSeconds") as int) from "SessionDrills" where "Area" is not null""") / 60.0;
        minutes.ShouldBeGreaterThan(10);
        look["days"]!.AsArray().Count.ShouldBe(28);
        look["days"]!.AsArray().Sum(day => (double)day!["minutes"]!).ShouldBe(minutes, 0.3);
        look["balance"]!.AsArray().Sum(area => (double)area!["played"]!).ShouldBe(minutes, 0.4);
        ((int)look["takes"]!["all"]!).ShouldBe(app.Number("""select count(*) from "Takes" where "MaterialId" is not null"""));
        ((int)look["takes"]!["right"]!).ShouldBe(
            app.Number("""select count(*) from "Takes" where "MaterialId" is not null and "Clean" """)
        );
        ((int)look["takes"]!["all"]!).ShouldBeGreaterThan(3);
        ((double)look["inEffect"]!).ShouldBe(4, 0.6);
        look["moved"]!.AsArray().Count.ShouldBeGreaterThan(0);
        look["moved"]!.AsArray().ShouldAllBe(one => (int)one!["visits"]! <= 4);
        var first = (await app.Get("/api/journal"))["days"]!.AsArray()[^1]!;
        first["moved"]!.AsArray().Count.ShouldBeInRange(1, 3, "on the first day all that is clean is so for the first time");
        first["moved"]!.AsArray().ShouldAllBe(line => ((string)line!).Contains("clean for the first time, at ", StringComparison.Ordinal));
        // Looked at more closely the sums are the same.
        var closer = await app.Get($"/api/look-back/closer?from={from:yyyy-MM-dd}&to={from.AddDays(27):yyyy-MM-dd}");
        var weeks = closer["weeks"]!.AsArray();
        weeks.Count.ShouldBe(4);
        weeks.Sum(week => week!["areas"]!.AsArray().Sum(area => (double)area!["minutes"]!)).ShouldBe(minutes, 0.6);
        closer["readiness"]!.AsArray().Count.ShouldBe(4);
        ((string?)closer["methodWords"]).ShouldStartWith("Too little");
        closer["conditions"]!.AsArray().Single()!.ToString().ShouldStartWith("Too little");
        await app.Refused(HttpMethod.Get, "/api/look-back/closer?from=2031-06-02&to=2031-06-01", new { }, "to");
        // Where the stretch begins after it, what is under way has not been touched.
        var later = await app.Get($"/api/look-back?from={from.AddDays(20):yyyy-MM-dd}&to={from.AddDays(27):yyyy-MM-dd}");
        later["untouched"]!.AsArray().Count.ShouldBeGreaterThan(0);
        ((string?)later["daysWords"]).ShouldBe("Nothing was played in these days.");
        await app.Refused(HttpMethod.Get, "/api/look-back?from=2031-06-02&to=2031-06-01", new { }, "to");
        await app.Refused(HttpMethod.Get, "/api/look-back?from=2029-06-02&to=2031-06-01", new { }, "from");
    }

    [Fact]
    public async Task A_day_says_since_when_nothing_came_clean_where_it_was_tried()
    {
        await app.Clock(Evening.AddDays(9));
        var (_, first, second, _) = await app.FirstDay();
        foreach (
            var (material, day, clean, best) in new (int, int, string, string)[]
            {
                (first, 0, "78", "null"),
                (first, 2, "null", "78"),
                (first, 4, "84", "78"),
                (second, 0, "60", "null"),
                (second, 4, "64", "60"),
            }
        )
            app.Write(
                $"""
                insert into "Visits" ("MaterialId", "Day", "Tries", "Takes", "CleanTakes", "LongestClean", "Clean", "BestBefore", "VisitsBefore")
                values ({material}, '{Evening.AddDays(day):yyyy-MM-dd}', '', 3, 0, 0, {clean}, {best}, 0)
                """
            );
        var moved = (await app.Get($"/api/journal/days/{Evening.AddDays(4):yyyy-MM-dd}"))["day"]!["moved"]!;
        ((string)moved[0]!).ShouldEndWith(": 78 → 84, first clean take in 4 days");
        ((string)moved[1]!).ShouldEndWith(": 60 → 64");
    }

    /// <summary>Plays what the day plans: a minute in each drill, and three takes where there is something to mark.</summary>
    private async Task PlayAsync(DateTimeOffset at)
    {
        await app.Clock(at);
        var session = await app.Begin();
        while (session["cue"] is not null)
        {
            var position = (int)session["position"]!;
            for (var take = 0; take < 3 && (int?)session["position"] == position && (bool?)session["cue"]?["countsTakes"] == true; take++)
            {
                await app.Clock(at = at.AddSeconds(20));
                session = await app.Act(session, take == 1 ? "Missed" : "Clean", 20 * (take + 1));
            }

            await app.Clock(at = at.AddSeconds(60));
            if (session["cue"] is not null && (int)session["position"]! == position)
                session = await app.Act(session, "Skip", 60);
        }

        await app.Close();
    }
}
