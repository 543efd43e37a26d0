using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The practice day may go back: a flight west, a boundary moved after midnight, a clock set wrong and right again.</summary>
public sealed class CalendarTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Theory]
    [InlineData(-1)]
    [InlineData(-40)]
    [InlineData(-1826)]
    public async Task Everything_answers_when_the_clock_was_ahead(int days)
    {
        var (piece, passage, exercise) = await PractisedAsync(Evening);
        await app.Clock(Evening.AddDays(days));
        await EverythingAnswersAsync(piece, passage, exercise);

        // And it can be practised: what was played "in the future" is waiting, not gone for the years until then.
        var today = await app.Get("/api/today");
        var session = await app.Post("/api/session", new { version = today["version"]!.GetValue<int>() });
        await app.SkipTo(session, now => now["position"]!.GetValue<int>() == now["drills"]!.AsArray().Count);
        await app.Close();
        await app.Clock(Evening.AddDays(days + 2));
        Titles(await app.Get("/api/today"))
            .ShouldContain(
                title => title.StartsWith("Mill Song", StringComparison.Ordinal),
                "a visit of the future keeps nothing away for long"
            );
        await app.Clock(Evening.AddDays(1));
        await EverythingAnswersAsync(piece, passage, exercise);
    }

    [Fact]
    public async Task Everything_answers_when_the_boundary_is_moved_past_what_was_played_in_the_night()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var profile = await app.Get("/api/profile");
        profile["boundaryHour"] = 0;
        profile = await app.Put("/api/profile", profile);
        var night = Evening.AddHours(7.5);
        var (piece, passage, exercise) = await PractisedAsync(night, known: true);
        profile["boundaryHour"] = 4;
        await app.Put("/api/profile", profile);
        var today = await app.Get("/api/today");
        today["day"]!.GetValue<string>().ShouldBe("2031-05-14", "it is Wednesday again until four");
        today["playedToday"]!.GetValue<double>().ShouldBeGreaterThan(0, "what was played this night is of today");
        await EverythingAnswersAsync(piece, passage, exercise);
    }

    private async Task<(int Piece, int Passage, int Exercise)> PractisedAsync(DateTimeOffset at, bool known = false)
    {
        await app.Clock(at);
        var ids = known ? await KnownAsync() : await FirstAsync();
        var session = await app.Post("/api/session", new { version = 0 });
        var count = session["drills"]!.AsArray().Count;
        for (var acts = 0; session["position"]!.GetValue<int>() < count && acts < 200; acts++)
        {
            at = at.AddSeconds(40);
            await app.Clock(at);
            session = await app.Act(session, session["cue"]!["countsTakes"]!.GetValue<bool>() && acts < 60 ? "Clean" : "Done", 40);
        }

        await app.Close(tension: 2);
        return ids;
    }

    private async Task<(int Piece, int Passage, int Exercise)> FirstAsync()
    {
        var (piece, first, _, exercise) = await app.FirstDay();
        return (piece, first, exercise);
    }

    private async Task<(int Piece, int Passage, int Exercise)> KnownAsync()
    {
        var all = (await app.Get("/api/materials")).AsArray();
        int Of(string kind) => Id(all.First(one => (string?)one!["kind"] == kind)!);
        return (Of("Piece"), Of("Passage"), Of("Exercise"));
    }

    private async Task EverythingAnswersAsync(int piece, int passage, int exercise)
    {
        foreach (
            var path in new[]
            {
                "/api/today",
                "/api/profile",
                "/api/materials",
                "/api/journal",
                "/api/routines",
                "/api/warm-ups",
                "/api/goals",
                "/api/methods",
                "/api/sound",
                $"/api/pieces/{piece}",
                $"/api/materials/{passage}/tempo",
                $"/api/materials/{exercise}/tempo",
                $"/api/materials/{passage}/history",
            }
        )
            await app.Get(path);
        var today = await app.Get("/api/today");
        await app.Put("/api/today", new { version = today["version"]!.GetValue<int>(), minutes = 40 });
        await app.Post("/api/today/anew", new { version = today["version"]!.GetValue<int>() + 1 });
    }

    private static List<string> Titles(JsonNode today) =>
        [
            .. today["drills"]!
                .AsArray()
                .SelectMany(drill =>
                    drill!["targets"]!
                        .AsArray()
                        .Select(target => target!["title"]!.GetValue<string>())
                        .Append(drill["title"]!.GetValue<string>())
                ),
        ];
}
