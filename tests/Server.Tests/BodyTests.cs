using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>After pain: quiet days, and three gentle ones back.</summary>
public sealed class BodyTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    /// <summary>
    /// Half, six tenths and eight tenths of the minutes, nothing of what hurt nor of its movement, no debts of the quiet day (the
    /// project's guide, health).
    /// </summary>
    [Fact]
    public async Task After_pain_the_way_back_is_gentle_and_leaves_out_what_hurt()
    {
        await app.Clock(Evening);
        var (piece, first, second, exercise) = await app.FirstDay();
        await app.Put(
            $"/api/materials/{exercise}",
            new
            {
                kind = "Exercise",
                title = "Stretches",
                target = 100,
                serves = new[] { "shift" },
            }
        );
        var leaps = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Passage",
                    pieceId = piece,
                    fromBar = 11,
                    toBar = 12,
                    difficulty = "shift",
                }
            )
        );
        var other = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Trills",
                    target = 80,
                }
            )
        );

        var session = await app.Post("/api/session", new { version = 0 });
        var drills = session["drills"]!.AsArray();
        while (session["target"]?["materialId"]?.GetValue<int>() != exercise)
            session = await app.Act(session, "Skip");
        var at = session["position"]!.GetValue<int>();
        session = await app.Act(session, "Clean", 100);
        await app.Post(
            "/api/session/close",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(session),
                tension = 1,
                pain = true,
                where = "wrist",
                painAt = at,
            }
        );

        // A quiet session: closing it with no word of pain does not make it well.
        await app.Clock(Evening.AddDays(1));
        var quiet = await app.Post("/api/session", new { version = 0 });
        quiet["drills"]!
            .AsArray()
            .ShouldAllBe(drill =>
                drill!["area"] == null || drill["area"]!.GetValue<string>() == "Ear" || drill["area"]!.GetValue<string>() == "Repertoire"
            );
        await app.Close(tension: 0);
        (await app.Get("/api/today"))["drills"]!.AsArray().ShouldContain(drill => drill!["methodId"]!.GetValue<string>() == "silent-study");

        var minutes = new List<int>();
        for (var day = 2; day < 6; day++)
        {
            await app.Clock(Evening.AddDays(day));
            if (day == 2)
                await app.Post("/api/body", new { tension = 0, pain = false });
            var today = await app.Get("/api/today");
            minutes.Add(today["minutes"]!.GetValue<int>());
            var ids = today["drills"]!
                .AsArray()
                .SelectMany(drill => drill!["targets"]!.AsArray())
                .Select(target => target!["materialId"]?.GetValue<int>())
                .ToList();
            if (day < 5)
            {
                ids.ShouldNotContain(exercise);
                ids.ShouldNotContain(leaps);
                ids.ShouldContain(other);
                today["drills"]!
                    .AsArray()
                    .ShouldAllBe(drill =>
                        drill!["methodId"]!.GetValue<string>() != "tempo-ladder"
                        && drill["methodId"]!.GetValue<string>() != "burst-and-switch"
                    );
                today["waiting"]!
                    .AsArray()
                    .ShouldContain(item =>
                        item!["materialId"]!.GetValue<int>() == leaps && item["reason"]!.GetValue<string>().Contains("hurt")
                    );
            }

            today["summary"]!.AsArray().ShouldAllBe(line => !line!.GetValue<string>().Contains("behind"));
            session = await app.Post("/api/session", new { version = 0 });
            await app.Clock(Evening.AddDays(day).AddMinutes(2));
            await app.Act(session, "Done", 60);
            await app.Close(tension: 0);
        }

        minutes.ShouldBe([15, 18, 24, 30]);
    }
}
