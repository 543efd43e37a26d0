using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>An exercise goes from station to station: proposed by its takes, decided by the player.</summary>
public sealed class ExerciseStationTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task After_two_clean_days_the_next_station_is_proposed_and_one_key_goes_there()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var id = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Lick",
                    target = 100,
                }
            )
        );
        (await Station(id))["now"]!.GetValue<string>().ShouldBe("None");
        await Put(id, "SlowAndRight");

        var session = await Played(id, clean: true);
        session["station"].ShouldBeNull("one day is not enough");
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Station", value: id), "value");
        await app.Close();

        await app.Clock(Evening.AddDays(1));
        session = await Played(id, clean: true);
        var proposed = session["station"]!;
        ((string?)proposed["next"], (string?)proposed["nextWords"], (string?)proposed["why"]).ShouldBe(
            ("Faster", "faster", "clean at first try on two days")
        );
        session = await app.Act(session, "Done", 60);
        ((int?)session["station"]!["materialId"]).ShouldBe(id, "when its drill is over, too");
        session = await app.Act(session, "Station", value: id);
        session["station"].ShouldBeNull();
        (await Station(id))["words"]!.GetValue<string>().ShouldBe("faster");
        await app.Close();

        // By hand it goes anywhere, and back to none.
        await Put(id, "Checked");
        await app.Clock(Evening.AddDays(2));
        (await app.Get("/api/today"))["drills"]!.AsArray().ShouldNotContain(drill => Is(drill!, id), "it comes in three weeks");
        await Put(id, "None");
        (await Station(id))["next"].ShouldBeNull();
        await app.Refused(HttpMethod.Post, $"/api/technique/exercises/{id}/station", new { station = 9 }, "station");
        var keys = Id(
            await app.Post(
                "/api/technique/exercises",
                new
                {
                    sheet = new { figure = "scale", tonic = "G" },
                    target = 120,
                    keys = new { school = "OneAWeek", order = "Fifths" },
                }
            )
        );
        (await app.Get($"/api/materials/{keys}/tempo"))["station"].ShouldBeNull("it goes by its keys");
        await app.Refused(HttpMethod.Post, $"/api/technique/exercises/{keys}/station", new { station = "Faster" }, "station");
        await app.Refused(HttpMethod.Post, "/api/technique/exercises/9999/station", new { station = "None" }, "id", 404);
    }

    private async Task<JsonNode> Station(int id) => (await app.Get($"/api/materials/{id}/tempo"))["station"]!;

    private Task Put(int id, string station) => app.Send(HttpMethod.Post, $"/api/technique/exercises/{id}/station", new { station }, 204);

    private async Task<JsonNode> Played(int id, bool clean)
    {
        await app.Add(id);
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == id);
        return await app.Act(session, clean ? "Clean" : "Missed", 20);
    }

    private static bool Is(JsonNode drill, int id) => drill["targets"]!.AsArray().Any(target => (int?)target!["materialId"] == id);
}
