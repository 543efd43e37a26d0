using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Body and ears over HTTP.</summary>
public sealed class HealthTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task What_the_body_said_and_the_minutes_of_the_weeks_are_those_of_the_file()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.Begin();
        await app.Clock(Evening.AddMinutes(20));
        await app.Act(session, "Skip", seconds: 600);
        await app.Close(tension: 2);
        await app.Post(
            "/api/body",
            new
            {
                tension = 1,
                pain = true,
                where = "left thumb",
            }
        );
        var health = await app.Get("/api/health");
        var weeks = health["weeks"]!.AsArray();
        weeks.Count.ShouldBe(12);
        weeks
            .Sum(week => (double)week!["minutes"]!)
            .ShouldBe(app.Number("select cast(sum(PlayedSeconds) as int) from SessionDrills where Area is not null") / 60.0, 0.2);
        var day = health["body"]!.AsArray().Single()!;
        ((int)day["tension"]!, (bool)day["pain"]!, (string?)day["where"]).ShouldBe((2, true, "left thumb"));
        health["bodyWords"]!.ToString().ShouldContain("doctor or a physiotherapist");
    }

    [Fact]
    public async Task Loud_things_of_a_day_add_up_and_nonsense_is_refused()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var dose = await app.Post(
            "/api/health/noise",
            new { sources = new[] { new { level = 85, minutes = 240 }, new { level = 94, minutes = 30 } } }
        );
        ((double)dose["dose"]!).ShouldBe(1, 1e-9);
        dose["shares"]!.AsArray().Select(share => (double)share!).ShouldBe([0.5, 0.5]);
        foreach (var (level, minutes) in new[] { (500.0, 10.0), (90.0, -1.0), (90.0, 5000.0) })
            await app.Refused(HttpMethod.Post, "/api/health/noise", new { sources = new[] { new { level, minutes } } }, "sources");
    }
}
