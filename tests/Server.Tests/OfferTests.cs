using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>From what is hard about a passage to an exercise for it.</summary>
public sealed class OfferTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_difficulty_in_ones_own_words_offers_sheets_in_the_key_of_the_music_and_the_plan_says_when_there_is_none()
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        await app.Put(
            $"/api/pieces/{piece}/music",
            new { abc = $"X:1\nM:4/4\nL:1/4\nK:Ebmaj\n{string.Concat(Enumerable.Repeat("EFGA|", 24))}" }
        );
        await app.Refused(HttpMethod.Get, $"/api/materials/{first}/offers", "", "difficulty");
        await HardAsync(first, piece, "shift");
        (await app.Get("/api/today"))["techniqueFor"]!.GetValue<string>().ShouldEndWith("no exercise for it yet");

        await HardAsync(first, piece, "vibrato");
        var offers = await app.Get($"/api/materials/{first}/offers");
        (offers["key"]!.GetValue<string>(), offers["fromMusic"]!.GetValue<bool>()).ShouldBe(("E♭ major", true));
        offers["known"]!.AsArray().ShouldBeEmpty();
        var made = offers["offers"]!.AsArray();
        made.Count.ShouldBe(3);
        made.Select(offer => offer!["title"]!.GetValue<string>()).ShouldBeUnique();
        made.ShouldAllBe(offer => offer!["title"]!.GetValue<string>().StartsWith("E♭ major", StringComparison.Ordinal));

        await app.Post(
            "/api/technique/exercises",
            new
            {
                sheet = JsonNode.Parse(made[0]!["sheet"]!.ToJsonString()),
                serves = new[] { "vibrato" },
                title = made[0]!["title"]!.GetValue<string>(),
            }
        );
        (await app.Get($"/api/materials/{first}/offers"))["known"]!.AsArray().ShouldHaveSingleItem()!["name"]!
            .GetValue<string>()
            .ShouldBe(made[0]!["title"]!.GetValue<string>());
        (await app.Get("/api/today"))["techniqueFor"]!.GetValue<string>().ShouldStartWith("vibrato in Mill Song");
    }

    [Theory]
    [InlineData("vibrato")]
    [InlineData("bow, then shift")]
    public async Task An_exercise_for_ones_own_words_stays_one_when_it_is_changed(string words)
    {
        await app.Clock(Evening);
        var (piece, first, _, _) = await app.FirstDay();
        await HardAsync(first, piece, words);
        var exercise = Id(await app.Post("/api/technique/exercises", new { sheet = new { tonic = "D" }, serves = new[] { words } }));
        (await app.Get($"/api/materials/{first}/offers"))["known"]!.AsArray().Count.ShouldBe(1);

        var known = (await app.Get("/api/materials")).AsArray().First(one => Id(one!) == exercise)!;
        await app.Put(
            $"/api/materials/{exercise}",
            new
            {
                kind = "Exercise",
                title = "D major",
                target = 90,
                serves = known["serves"]!.AsArray().Select(one => one!.GetValue<string>()),
                version = known["version"]!.GetValue<int>(),
            }
        );
        (await app.Get($"/api/materials/{first}/offers"))["known"]!.AsArray().ShouldHaveSingleItem()!["name"]!
            .GetValue<string>()
            .ShouldBe("D major");
    }

    private async Task HardAsync(int passage, int piece, string difficulty)
    {
        var known = (await app.Get("/api/materials")).AsArray().First(one => Id(one!) == passage)!;
        await app.Put(
            $"/api/materials/{passage}",
            new
            {
                kind = "Passage",
                pieceId = piece,
                fromBar = 3,
                toBar = 4,
                readiness = "Shaping",
                difficulty,
                version = known["version"]!.GetValue<int>(),
            }
        );
    }
}
