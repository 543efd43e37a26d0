using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>A clock that is set back by days: what was written and played stays, and every view of it answers.</summary>
public sealed class ClockBackTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task What_lies_ahead_of_the_clock_is_kept_and_nothing_fails()
    {
        await app.Clock(Evening);
        var (_, first, _, _) = await app.FirstDay();
        var session = await app.SkipTo(await app.Begin(), now => (int?)now["target"]?["materialId"] == first);
        await app.Act(session, "Clean", seconds: 40);
        await app.Close(note: "Of a day that is ahead.");
        await app.Post("/api/spare", new { id = Guid.NewGuid(), thing = $"look:{first}" });
        var day = $"{Evening.AddDays(1):yyyy-MM-dd}";
        await app.Post(
            "/api/week/days-off",
            new
            {
                from = day,
                until = day,
                kind = "Visit",
            }
        );
        await app.Clock(Evening.AddDays(-5));
        string[] views =
        [
            "/api/journal",
            $"/api/journal/days/{Evening:yyyy-MM-dd}",
            "/api/week/ahead",
            "/api/week/reminder",
            "/api/spare",
            "/api/health",
            "/api/review",
            $"/api/look-back?from={Evening.AddDays(-20):yyyy-MM-dd}&to={Evening.AddDays(-5):yyyy-MM-dd}",
            $"/api/look-back/closer?from={Evening.AddDays(-20):yyyy-MM-dd}&to={Evening.AddDays(-5):yyyy-MM-dd}",
            "/api/today",
        ];
        foreach (var view in views)
            await app.Get(view);
        await app.Refused(HttpMethod.Delete, "/api/spare/last", new { }, "last", 409);
        await app.Clock(Evening);
        (await app.Get("/api/journal?search=ahead"))["days"]!.AsArray().Count.ShouldBe(1);
        (await app.Get("/api/spare"))["today"]!.GetValue<int>().ShouldBe(1);
        (await app.Get("/api/week/ahead"))["daysOff"]!.AsArray().Count.ShouldBe(1);
    }
}
