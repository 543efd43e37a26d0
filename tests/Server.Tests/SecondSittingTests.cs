using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>A second sitting on the same day (the project's guide, passages: after about two hours, and as learning).</summary>
public sealed class SecondSittingTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task It_has_what_is_left_of_the_minutes_and_what_was_asked_for_or_slipped_comes_again()
    {
        var (_, first, second, exercise) = await app.FirstDay();
        await app.Clock(Evening.AddHours(-6));
        var session = await app.Post("/api/session", new { version = 0 });
        var missed = 0;
        var asked = false;
        for (var steps = 0; steps < 40 && session["cue"] is not null; steps++)
        {
            var id = session["target"]?["materialId"]?.GetValue<int>() ?? 0;
            if (id == exercise && !asked)
            {
                session = await app.Act(session, "Missed", 20);
                session = await app.Act(session, "Later", 21);
                session["laterToday"]!.GetValue<string>().ShouldBe("C major");
                (await app.Act(session, "Later", 22))["laterToday"]!.GetValue<string>().ShouldBeEmpty("pressed again it is taken back");
                session = await app.Act(session, "Later", 23);
                asked = true;
            }
            else if ((id == first || id == second) && missed == 0)
            {
                missed = id;
                session = await app.Act(session, "Missed", 50);
            }
            else
            {
                session = await app.Act(session, "Skip");
            }

            await app.Clock(Evening.AddHours(-6).AddMinutes(steps + 1));
        }

        (asked && missed > 0).ShouldBeTrue();
        await app.Close();

        // At once only what was asked for comes again; two hours later what slipped does too, and the opening is no longer a must.
        var soon = await app.Get("/api/today");
        soon["done"]!.GetValue<string>().ShouldBeEmpty();
        soon["minutes"]!.GetValue<int>().ShouldBeInRange(20, 30);
        Ids(soon).ShouldContain(exercise);
        await app.Clock(Evening.AddHours(-2));
        var later = await app.Get("/api/today");
        later["drills"]!
            .AsArray()
            .Where(drill => drill!["targets"]!.AsArray().Any(target => target!["materialId"]?.GetValue<int>() == missed))
            .Select(drill => drill!["reason"]!.GetValue<string>())
            .ShouldContain(reason => reason.EndsWith("again today, after 1 min", StringComparison.Ordinal));
        Ids(later).ShouldContain(missed);
        later["drills"]!
            .AsArray()
            .Where(drill => drill!["targets"]!.AsArray().Any(target => target!["materialId"]?.GetValue<int>() == exercise))
            .ShouldAllBe(drill => drill!["reason"]!.GetValue<string>() == "you asked for it");

        session = await app.Post("/api/session", new { version = later["version"]!.GetValue<int>() });
        await app.Clock(Evening.AddHours(-2).AddMinutes(25));
        await app.Act(session, "Done", 1500);
        await app.Close();
        (await app.Get("/api/today"))["done"]!.GetValue<string>().ShouldStartWith("That was today's plan");
    }

    private static List<int> Ids(JsonNode today) =>
        [
            .. today["drills"]!
                .AsArray()
                .SelectMany(drill => drill!["targets"]!.AsArray())
                .Select(target => target!["materialId"]?.GetValue<int>())
                .OfType<int>(),
        ];
}
