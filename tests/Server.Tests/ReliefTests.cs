using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Less of what annoys, the ladder of note values, and both limits: what the stage keeps of them.</summary>
public sealed class ReliefTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task What_annoys_rests_a_week_from_tomorrow_and_is_looked_at_after_two()
    {
        var id = await Scale();
        var today = await app.Add(id);
        ((string?)today["drills"]![0]!["title"]).ShouldBe("Something easy you like");
        var session = await app.Begin();
        ((string?)session["reliefOf"]).ShouldBe("", "there is nothing of which there could be less");
        session = await OnStage(id, session);
        ((string?)session["reliefOf"]).ShouldBe("G major scale, one octave");
        session = await app.Act(session, "Relief", value: 3);
        ((string?)session["relief"])!.ShouldContain("a week's rest from tomorrow, looked at again on 29 May");
        await app.Refused(HttpMethod.Post, "/api/session/act", ActOf(session, "Relief", value: 9), "relief");
        session = await app.Act(session, "Relief", value: 0);
        ((string?)session["relief"]).ShouldBe("", "said again, it is as before");
        await app.Act(session, "Relief", value: 3);
        (await Rests(id)).ShouldBeFalse("today it is as usual");
        await app.Close();

        await app.Clock(Evening.AddDays(1));
        (await Rests(id)).ShouldBeTrue();
        await app.Clock(Evening.AddDays(8));
        (await Rests(id)).ShouldBeFalse("a week is a week");
        (await app.Get("/api/today"))["reliefs"]!.AsArray().ShouldBeEmpty();
        await app.Clock(Evening.AddDays(15));
        var asked = (await app.Get("/api/today"))["reliefs"]!.AsArray().Single()!;
        ((int?)asked["materialId"], (string?)asked["words"]).ShouldBe((id, "a week's rest"));
        await app.Send(HttpMethod.Post, $"/api/materials/{id}/relief", new { relief = "HalfMinutes" }, 204);
        (await app.Get("/api/today"))["reliefs"]!.AsArray().ShouldBeEmpty();
        await app.Clock(Evening.AddDays(30));
        (await app.Get("/api/today"))["reliefs"]!.AsArray().Count.ShouldBe(1);
        await app.Send(HttpMethod.Post, $"/api/materials/{id}/relief", new { relief = "None" }, 204);
        (await app.Get("/api/today"))["reliefs"]!.AsArray().ShouldBeEmpty();
        await app.Refused(HttpMethod.Post, "/api/materials/9999/relief", new { relief = "None" }, "id", 404);
    }

    [Fact]
    public async Task A_ladder_is_engraved_rung_by_rung_and_its_highest_rung_is_kept_by_day()
    {
        var id = await Scale();
        var session = await OnStage(id, "subdivision-ladder");
        var click = session["target"]!["tempo"]!.GetValue<int>();
        click.ShouldBeInRange(60, 80);
        var engraved = new List<string>();
        foreach (var kind in new[] { "Clean", "Clean", "Clean", "Missed", "Clean" })
        {
            session["target"]!["tempo"]!.GetValue<int>().ShouldBe(click, "the click stays");
            engraved.Add((string)session["abc"]!);
            session = await app.Act(session, kind, seconds: 20);
        }

        engraved.Distinct().Count().ShouldBe(4, "each rung in its own values, one of them twice");
        engraved[4].ShouldBe(engraved[2], "after a rung that broke the one below comes again");
        session["sound"]!["droneSounds"]!.ToString().ShouldBe("sounds G2", "the key of the sheet");
        var kept = (await app.Get($"/api/materials/{id}/tempo"))["rungs"]!.AsArray().Single()!;
        ((string?)kept["rung"], (string?)kept["day"]).ShouldBe(("quarters", "2031-05-14"));
        await app.Act(session, "Undo", 30);
        (await app.Get($"/api/materials/{id}/tempo"))["reach"].ShouldBeNull("it says nothing of the tempo as written");
    }

    [Fact]
    public async Task Both_limits_are_kept_by_day()
    {
        var id = await Scale();
        await app.Act(await OnStage(id), "Clean", 10);
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        var session = await OnStage(id, "fastest-slowest");
        var start = session["target"]!["tempo"]!.GetValue<int>();
        foreach (var kind in new[] { "Clean", "Clean", "Missed", "Missed" })
            session = await app.Act(session, kind, 20);
        ((string?)session["cue"]!["title"])!.ShouldEndWith("as slowly as it holds");
        var slow = session["target"]!["tempo"]!.GetValue<int>();
        session = await app.Act(session, "Clean", 40);
        session["target"]!["tempo"]!.GetValue<int>().ShouldBe(slow - 10);
        await app.Act(session, "Missed", 50);
        var kept = (await app.Get($"/api/materials/{id}/tempo"))["limits"]!.AsArray().Single()!;
        (kept["fastest"]!.GetValue<int>(), kept["slowest"]!.GetValue<int>()).ShouldBe((start + 1, slow));
    }

    [Fact]
    public async Task Early_or_late_is_kept_with_the_miss_and_uneven_rhythms_of_a_scale_are_engraved()
    {
        var id = await Scale();
        var session = await OnStage(id, "rhythm-variants");
        var uneven = (string)session["abc"]!;
        uneven.ShouldContain("G,3/2A,/ B,3/2C/", Case.Sensitive, "long-short, the scale of the sheet");
        await app.Close();
        await app.Clock(Evening.AddDays(1));
        session = await OnStage(id, "fixed-count");
        session = await app.Act(session, "Missed", 10, value: -1);
        session = await app.Act(session, "Missed", 20, value: 1);
        await app.Act(session, "Missed", 30, value: -1);
        var off = (await app.Get($"/api/materials/{id}/tempo"))["off"]!;
        (off["early"]!.GetValue<int>(), off["late"]!.GetValue<int>()).ShouldBe((2, 1));
    }

    private async Task<bool> Rests(int id) =>
        (await app.Get("/api/materials")).AsArray().Single(row => (int?)row!["id"] == id)!["resting"]!.GetValue<bool>();

    /// <summary>A G major scale over one octave in eighths.</summary>
    private async Task<int> Scale()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        return Id(
            await app.Post(
                "/api/technique/exercises",
                new
                {
                    sheet = new
                    {
                        figure = "scale",
                        kind = "major",
                        tonic = "G",
                        octaves = 1,
                        rhythm = "eighth",
                    },
                    target = 120,
                }
            )
        );
    }

    private async Task<JsonNode> OnStage(int id, string? method = null)
    {
        var today = await app.Add(id);
        if (method is not null)
            await app.Choose(today["drills"]!.AsArray().First(drill => Is(drill!, id))!, method);
        return await OnStage(id, await app.Begin());
    }

    private async Task<JsonNode> OnStage(int id, JsonNode session) =>
        await app.SkipTo(session, now => ((string?)now["target"]?["key"])?.StartsWith($"m:{id}", StringComparison.Ordinal) == true);

    private static bool Is(JsonNode drill, int id) =>
        drill["targets"]!.AsArray().Any(target => ((string?)target!["key"])!.StartsWith($"m:{id}", StringComparison.Ordinal));
}
