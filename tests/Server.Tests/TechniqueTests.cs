using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Sheets, keys, tempo and sound over HTTP.</summary>
public sealed class TechniqueTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_scale_for_the_clarinet_is_written_in_D_and_sounds_in_C()
    {
        await Clarinet();
        var sheet = await app.Post(
            "/api/technique/sheet",
            new
            {
                kind = "major",
                tonic = "D",
                octaves = 2,
                rhythm = "quarter",
                tempo = 80,
            }
        );
        sheet["abc"]!.GetValue<string>().ShouldContain("K:D\n");
        sheet["sounds"]!.GetValue<string>().ShouldBe("sounds in C major");
        sheet["played"]![0]!["midi"]!.GetValue<int>().ShouldBe(60, "written D4 sounds as C4 (orchestration handbooks, from memory)");
        sheet["notes"]!.GetValue<int>().ShouldBe(29);
        var concert = await app.Post(
            "/api/technique/sheet",
            new
            {
                kind = "major",
                tonic = "D",
                octaves = 2,
                concert = true,
            }
        );
        concert["abc"]!.GetValue<string>().ShouldContain("K:C\n");
        concert["played"]![0]!["midi"]!.GetValue<int>().ShouldBe(60);
    }

    [Fact]
    public async Task Sheets_that_cannot_be_made_are_refused_at_their_field()
    {
        await Clarinet();
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { lowest = "C5", highest = "C4" }, "highest");
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { tonic = "C", octaves = 4 }, "octaves");
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { tonic = "G#" }, "tonic");
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { rhythm = "wobble" }, "rhythm");
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { tempo = 500 }, "tempo");
        await app.Refused(HttpMethod.Post, "/api/technique/sheet", new { figure = "pattern", patternNumber = 25 }, "patternNumber");
        await app.Refused(HttpMethod.Put, "/api/sound", new { beats = 7, groups = new[] { 3, 2, 3 } }, "groups");
        await app.Refused(HttpMethod.Put, "/api/sound", new { drone = "H2" }, "drone");
    }

    [Fact]
    public async Task An_exercise_through_all_keys_covers_them_in_time_and_never_begins_where_it_began_yesterday()
    {
        await Clarinet();
        var made = await app.Post(
            "/api/technique/exercises",
            new
            {
                sheet = new
                {
                    kind = "major",
                    tonic = "F",
                    octaves = 1,
                    tempo = 72,
                },
                target = 120,
                keys = new
                {
                    school = "SeveralADay",
                    order = "Fourths",
                    withMinors = false,
                    minor = false,
                },
            }
        );
        made["title"]!.GetValue<string>().ShouldBe("Scale, one octave");
        var began = new List<string>();
        var touched = new HashSet<string>(StringComparer.Ordinal);
        for (var day = 0; day < 14; day++)
        {
            await app.Clock(Evening.AddDays(day));
            var today = await app.Get("/api/today");
            var version = today["version"]!.GetValue<int>();
            var session = await app.Post("/api/session", new { version });
            session = await app.SkipTo(session, now =>
                now["target"]?["key"]?.GetValue<string>().Contains(":k:", StringComparison.Ordinal) == true || now["cue"] is null
            );
            var first = true;
            while (session["target"]?["key"]?.GetValue<string>() is { } key && key.Contains(":k:", StringComparison.Ordinal))
            {
                session["abc"]!.GetValue<string>().ShouldContain("K:");
                if (first)
                    began.Add(key);
                first = false;
                touched.Add(key);
                session = await app.Act(session, "Clean");
            }

            await app.Close();
        }

        touched.Count.ShouldBe(12);
        began.Count.ShouldBeInRange(10, 11, "it comes every day, one in four up the ladder of one key");
        began.Zip(began.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
        var plan = (await app.Get("/api/technique/keys"))[0]!;
        plan["keys"]!.AsArray().Where(key => !key!["isMinor"]!.GetValue<bool>()).ShouldAllBe(key => key!["daysSince"] != null);
        var minors = await app.Put(
            $"/api/technique/exercises/{Id(made)}/keys",
            new
            {
                school = "OneADay",
                order = "Shuffled",
                withMinors = false,
                minor = true,
            }
        );
        minors["keys"]!.AsArray().Count(key => key!["today"]!.GetValue<bool>() && key["isMinor"]!.GetValue<bool>()).ShouldBe(1);
    }

    [Fact]
    public async Task A_tempo_that_does_not_rise_is_called_stuck_and_the_plan_tries_another_way()
    {
        await Clarinet();
        var exercise = Id(
            await app.Post(
                "/api/materials",
                new
                {
                    kind = "Exercise",
                    title = "Stubborn run",
                    target = 120,
                }
            )
        );
        for (var day = 0; day < 9; day++)
        {
            await app.Clock(Evening.AddDays(day));
            var session = await app.SkipTo(
                await app.Post("/api/session", new { version = (await app.Get("/api/today"))["version"]!.GetValue<int>() }),
                now => (int?)now["target"]?["materialId"] == exercise || now["cue"] is null
            );
            var tempo = session["target"]!["tempo"]!.GetValue<int>();
            session = await app.Act(session, "Nudge", value: 66 - tempo);
            session = await app.Act(session, "Clean");
            if ((int?)session["target"]?["materialId"] == exercise)
                await app.Act(session, "Missed");
            await app.Close();
        }

        var history = await app.Get($"/api/materials/{exercise}/tempo");
        history["points"]!.AsArray().Count.ShouldBe(9);
        history["plateau"]!["isStuck"]!.GetValue<bool>().ShouldBeTrue();
        history["plateau"]!["remedies"]!.AsArray().Count.ShouldBeGreaterThan(3);
        await app.Clock(Evening.AddDays(9));
        var drill = (await app.Get("/api/today"))["drills"]!.AsArray().First(one => (string?)one!["title"] == "Stubborn run")!;
        drill["reason"]!.GetValue<string>().ShouldStartWith("stuck near ");
        drill["method"]!.GetValue<string>().ShouldNotBe("tempo ladder");
    }

    [Fact]
    public async Task The_drone_sounds_what_is_written_for_the_instrument_at_the_players_A()
    {
        await Clarinet(a4: 442);
        var view = await app.Put(
            "/api/sound",
            new
            {
                drone = "B4",
                droneWith = "Fifth",
                just = true,
            }
        );
        var hertz = view["droneHertz"]!.AsArray().Select(one => one!.GetValue<double>()).ToList();
        hertz[0].ShouldBe(442, 1e-9, "written B4 is A4 on a B-flat clarinet");
        (hertz[1] / hertz[0]).ShouldBe(1.5, 1e-12, "a pure fifth is 3/2 (arithmetic)");
        view = await app.Put(
            "/api/sound",
            new
            {
                drone = "B4",
                droneWith = "Fifth",
                just = false,
            }
        );
        (view["droneHertz"]![1]!.GetValue<double>() / 442).ShouldBe(Math.Pow(2, 7 / 12.0), 1e-12);
        (await app.Get("/api/sound"))["settings"]!["drone"]!.GetValue<string>().ShouldBe("B4");
    }

    [Theory]
    [InlineData("musicxml", "<score-partwise")]
    [InlineData("midi", "MThd")]
    public async Task A_sheet_can_be_taken_along_as_a_file(string kind, string begins)
    {
        await Clarinet();
        using var answer = await app.Http.PostAsync(
            new Uri($"/api/technique/sheet/{kind}", UriKind.Relative),
            new StringContent("""{"tonic":"F"}""", System.Text.Encoding.UTF8, "application/json")
        );
        answer.EnsureSuccessStatusCode();
        (await answer.Content.ReadAsStringAsync()).ShouldContain(begins);
    }

    private async Task Clarinet(int a4 = 440)
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "B-flat clarinet",
                family = "winds",
                transposition = -2,
                a4,
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
    }
}
