using Shouldly;
using Xunit;

namespace TuningFork.Server.Tests;

/// <summary>An instrument typed by hand: known under a fuller name, or asked for.</summary>
public sealed class InstrumentTests : IDisposable
{
    private static readonly int[] Week = [30, 30, 30, 30, 30, 30, 30];
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_fuller_name_is_known_with_its_family_its_range_and_how_it_sounds()
    {
        var profile = await app.Put("/api/profile", new { instrument = "Classical guitar", weekdayMinutes = Week });
        profile["family"]!.GetValue<string>().ShouldBe("Plucked");
        profile["transposition"]!.GetValue<int>().ShouldBe(-12);
        var choices = await app.Get("/api/technique/choices");
        choices["lowest"]!.GetValue<string>().ShouldBe("E3");
        var parts = (await app.Get("/api/warm-ups"))["versions"]!.AsArray().SelectMany(version => version!["parts"]!.AsArray()).ToList();
        parts.ShouldAllBe(
            part =>
                !part!["how"]!.GetValue<string>().Contains("stroke, light fingers") && !part["how"]!.GetValue<string>().Contains("elbow"),
            "a guitar is not bowed"
        );
    }

    [Fact]
    public async Task What_nobody_knows_by_name_is_asked_for()
    {
        await app.Refused(HttpMethod.Put, "/api/profile", new { instrument = "Nyckelharpa", weekdayMinutes = Week }, "family");
        await app.Refused(
            HttpMethod.Put,
            "/api/profile",
            new
            {
                instrument = "Nyckelharpa",
                family = "strings",
                weekdayMinutes = Week,
            },
            "lowest"
        );
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Nyckelharpa",
                family = "strings",
                lowest = "C3",
                highest = "C5",
                weekdayMinutes = Week,
            }
        );
        (await app.Get("/api/technique/choices"))["lowest"]!.GetValue<string>().ShouldBe("C3");
        (await app.Get("/api/instruments?name=Nyckelharpa"))["found"].ShouldBeNull();
    }
}
