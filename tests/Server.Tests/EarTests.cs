using System.Text.Json.Nodes;
using Shouldly;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Rounds for the ear over HTTP: each answer counts once, has its own memory, and what is confused is asked.</summary>
public sealed class EarTests : IDisposable
{
    private const string Major = "triad:major:0";
    private const string Minor = "triad:minor:0";

    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Wrong_answers_show_a_confusion_and_the_next_rounds_ask_it()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        ((int?)(await app.Get("/api/ear"))["open"]).ShouldBe(0);
        var asked = new List<string>();
        var round = await app.Get("/api/ear/question");
        for (var i = 0; i < 24; i++)
        {
            asked.Add(Asked(round));
            // Minor is always taken for major; all else is known.
            round = await Answer(round, Asked(round) == Minor ? Major : Asked(round));
        }

        asked.Take(6).ShouldBe(["up:7", "up:2", Major, Minor, "major:1", "major:5"]);
        var ear = await app.Get("/api/ear");
        ((int?)ear["open"], (int?)ear["today"]!["asked"]).ShouldBe((asked.Distinct(StringComparer.Ordinal).Count(), 24));
        var pair = ear["confusions"]!.AsArray().ShouldHaveSingleItem()!;
        var times = asked.Count(item => item == Minor);
        times.ShouldBe(3, "what is missed comes back, and rests after three");
        ((string?)pair["one"], (string?)pair["other"]).ShouldBe(("major", "minor"));
        ((int?)pair["oneForOther"], (int?)pair["otherForOne"]).ShouldBe((0, times));

        // A round of only these two.
        var only = $"?only={Major}&only={Minor}";
        for (var i = 0; i < 6; i++)
        {
            round = await app.Get("/api/ear/question" + only);
            Asked(round).ShouldBeOneOf(Major, Minor);
            round["question"]!["alternatives"]!.AsArray().Select(one => (string?)one!["label"]).ShouldBe(["major", "minor"]);
            await Answer(round, Asked(round), only: [Major, Minor]);
        }

        var journal = (await app.Get("/api/journal"))["days"]![0]!["results"]!.AsArray();
        ((string?)journal.ShouldHaveSingleItem()).ShouldBe($"By ear: {30 - times} of 30 right");

        // Days later it is due, and the plan says so.
        await app.Clock(Evening.AddDays(2));
        var today = await app.Get("/api/ear");
        ((int)today["today"]!["due"]!).ShouldBeGreaterThan(0);
        var reasons = (await Rounds()).Select(drill => (string)drill!["reason"]!);
        reasons.ShouldContain(reason => reason.Contains(" due; major / minor confused", StringComparison.Ordinal));
    }

    [Fact]
    public async Task An_answer_counts_once_aloud_or_chosen_and_what_cannot_be_is_told()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var round = await app.Get("/api/ear/question");
        var key = Guid.NewGuid();
        await Answer(round, null, key, right: true);
        round = await Answer(round, null, key, right: true);
        ((int?)round["today"]!["asked"], (int?)round["today"]!["right"]).ShouldBe((1, 1));
        Asked(await app.Get("/api/ear/question")).ShouldBe(Asked(round), "the same until it is answered");
        await Refused(Body("up:7", null), "right");
        await Refused(Body("up:99", "up:7"), "item");
        await Refused(Body("up:7", Major), "said");
        var late = Body("up:7", "up:7");
        late["seconds"] = 1e9;
        await Refused(late, "seconds");
        var one = Body("up:7", "up:7");
        one["only"] = new JsonArray("up:7");
        await Refused(one, "only");
        one["only"] = new JsonArray("up:7", null);
        await Refused(one, "only[1]");
        ((int?)(await app.Get("/api/ear"))["today"]!["asked"]).ShouldBe(1, "nothing of that was kept");
    }

    [Fact]
    public async Task A_rhythm_is_tapped_back_and_a_line_given_by_its_notes_in_any_octave()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var round = await app.Get("/api/ear/question?only=echo:2&only=echo:3");
        var item = Asked(round);
        ((string?)round["question"]!["kind"], (int?)round["question"]!["tap"]!["tempo"]).ShouldBe(("Tap", EarLines.EchoTempo));
        var seed = DateOnly.FromDateTime(Evening.Date).DayNumber * 1000;
        var taps = Performed.Notes(EarLines.Rhythm(item[^1] - '0', seed)).Select(note => (note.At.Value * 4) + 0.08).ToList();
        var body = Body(item, null);
        body["taps"] = new JsonArray([.. taps.Select(tap => (JsonNode)tap)]);
        body["delayMs"] = 50;
        var marked = (await app.Post("/api/ear/answers", body))["marked"]!;
        ((bool?)marked["right"], (string?)marked["words"]).ShouldBe(
            (true, $"{taps.Count} of {taps.Count} strokes in time. On the click on the whole; half of it within 0 ms of that.")
        );
        body = Body(item, null);
        body["taps"] = new JsonArray(0.0);
        marked = (await app.Post("/api/ear/answers", body))["marked"]!;
        ((bool?)marked["right"], ((string)marked["words"]!)[..5]).ShouldBe((false, "1 of "));

        var line = EarLines.Degrees(1, seed + 2);
        body = Body("line:1", null);
        // It is called as the instrument writes it: the alto saxophone sounds a major sixth lower.
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Alto saxophone",
                family = "winds",
                version = (int)(await app.Get("/api/profile"))["version"]!,
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var question = (await app.Get("/api/ear/question?only=line:1&only=line:2"))["question"]!["line"]!;
        var steps = question["steps"]!.AsArray().Select(one => (Letter: (string)one!["letter"]!, Midi: (int)one["midi"]!)).ToList();
        NoteName.Parse(steps[0].Letter.Replace('♭', 'b').Replace('♯', '#')).PitchClass.ShouldBe((steps[0].Midi + 9) % 12);
        (steps[7].Midi - steps[0].Midi, steps[2].Midi - steps[0].Midi).ShouldBe((12, 4));
        ((int)question["keys"]!["toSounding"]!).ShouldBe(-9);
        body["notes"] = new JsonArray([.. line.Select(degree => (JsonNode)(steps[degree - 1].Midi - 24))]);
        ((bool?)(await app.Post("/api/ear/answers", body))["marked"]!["right"]).ShouldBe(true);
        body = Body("line:1", null);
        var home = await HomeAsync();
        body["notes"] = new JsonArray(home, home + 1, home, home);
        ((string?)(await app.Post("/api/ear/answers", body))["marked"]!["words"]).ShouldBe(
            $"{string.Join(' ', EarLines.Degrees(1, seed + 3))}; you gave 1 #1 1 1"
        );
        body = Body("line:1", null);
        body["notes"] = new JsonArray(1, 900);
        await Refused(body, "notes");
        body = Body("up:7", null);
        body["taps"] = new JsonArray(1.0);
        await Refused(body, "taps");
    }

    private async Task<int> HomeAsync() =>
        (int)(await app.Get("/api/ear/question?only=line:1&only=line:2"))["question"]!["line"]!["steps"]![0]!["midi"]!;

    [Fact]
    public async Task What_is_heard_is_played_back_and_its_level_follows()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var phrase = await app.Get("/api/ear/copies/next?kind=Phrase");
        ((int?)phrase["level"], (string?)phrase["kind"]).ShouldBe((2, "Phrase"));
        phrase["question"]!.ToJsonString().ShouldBe(phrase["answer"]!.ToJsonString(), "all of it is heard");
        AbcReader.Read((string)phrase["threeLines"]!).Score.Bars.Count.ShouldBe(6);
        var figure = await app.Get("/api/ear/copies/next?kind=Figure&key=Bb%20major");
        ((string)figure["ask"]!).ShouldStartWith("In B\u266D major.");
        var (heard, all) = (Midi(figure["question"]!), Midi(figure["answer"]!));
        heard.Count.ShouldBe(3);
        all.Take(3).ShouldBe(heard);
        // From each degree of the octave on which there is room, up and back, and home: 6 figures of 3 notes twice, and the last note.
        all.Count.ShouldBe((6 * 3 * 2) + 1);
        heard.Order().Select(note => note - heard.Min()).ShouldBe([0, 2, 4], "the first three degrees of a major scale");
        await Copied("Phrase", 2, 2, right: true);
        var key = await Copied("Phrase", 3, 9, right: false);
        await app.Post(
            "/api/ear/copies",
            new
            {
                key,
                kind = "Phrase",
                level = 3,
                hearings = 1,
                right = true,
            }
        );
        var stands = (await app.Get("/api/ear"))["copies"]!.AsArray();
        ((int?)stands[0]!["level"], (string?)stands[0]!["last"]).ShouldBe(
            (2, "Not yet, after 9 hearings. The next one is easier: level 2.")
        );
        (await app.Get("/api/journal"))["days"]![0]!.ToJsonString().ShouldContain("Heard and played back: 1 of 2");
        await app.Refused(HttpMethod.Get, "/api/ear/copies/next?kind=Figure&key=H", new { }, "key");
        await app.Refused(
            HttpMethod.Post,
            "/api/ear/copies",
            new
            {
                key = Guid.NewGuid(),
                kind = "Phrase",
                level = 3,
                hearings = 0,
                right = true,
            },
            "hearings"
        );

        static List<int> Midi(JsonNode notes) => [.. notes.AsArray().Select(note => (int)note!["midi"]!)];
    }

    [Fact]
    public async Task What_is_left_out_is_not_asked_and_comes_back_as_it_was()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var all = (await app.Get("/api/ear"))["choices"]!.AsArray().Select(one => (string)one!["family"]!).ToList();
        await app.Put("/api/ear/wishes", new { leftOut = new[] { "IntervalsUp", "Triads" } });
        for (var i = 0; i < 12; i++)
        {
            var question = (await app.Get("/api/ear/question"))["question"]!;
            EarItems.Find((string)question["item"]!)!.Family.ShouldNotBeOneOf(EarFamily.IntervalsUp, EarFamily.Triads);
            var item = (string)question["item"]!;
            await app.Post("/api/ear/answers", Body(item, item));
        }

        (await app.Get("/api/ear/question?only=up:7&only=up:12"))["question"].ShouldNotBeNull("a round of only these asks them");
        await app.Refused(HttpMethod.Put, "/api/ear/wishes", new { leftOut = all }, "leftOut");
        await app.Put("/api/ear/wishes", new { leftOut = Array.Empty<string>() });
        (await app.Get("/api/ear"))["choices"]!.AsArray().ShouldAllBe(one => !(bool)one!["isLeftOut"]!);
    }

    private async Task<Guid> Copied(string kind, int level, int hearings, bool right)
    {
        var key = Guid.NewGuid();
        await app.Post(
            "/api/ear/copies",
            new
            {
                key,
                kind,
                level,
                hearings,
                right,
            }
        );
        return key;
    }

    [Fact]
    public async Task A_tune_is_found_counts_once_and_comes_back_in_another_key()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var id = (int)(await app.Post("/api/ear/tunes", new { title = "Ferry Song", startDegree = 5 }))["id"]!;
        await app.Post("/api/ear/tunes", new { title = "Night Song", isMinor = true });
        var tunes = (await app.Get("/api/ear/tunes")).AsArray();
        tunes.Select(tune => ((string?)tune!["key"], (string?)tune["first"])).ShouldBe([("C major", "G"), ("A minor", "A")]);
        var find = new
        {
            key = Guid.NewGuid(),
            seconds = 75,
            wrongStarts = 2,
            found = true,
        };
        ((string?)(await app.Post($"/api/ear/tunes/{id}/finds", find))["words"]).ShouldBe("Found for the first time.");
        await app.Post($"/api/ear/tunes/{id}/finds", find);
        tunes = (await app.Get("/api/ear/tunes")).AsArray();
        tunes.Select(tune => (string?)tune!["title"]).ShouldBe(["Night Song", "Ferry Song"], "what waited longest comes first");
        ((string?)tunes[1]!["key"], (string?)tunes[1]!["last"]).ShouldBe(("G major", "found in C major after 1:15, 2 wrong starts"));
        // The viola's drone and chord sound where it is written; the first note lies in the chord's octave.
        var tones = tunes[1]!["tones"]!.AsArray().Select(tone => (double)tone!["hertz"]!).ToList();
        (tones[3] / tones[0]).ShouldBe(Math.Pow(2, 7.0 / 12), 1e-9, "degree 5");
        await app.Refused(HttpMethod.Post, "/api/ear/tunes", new { title = " " }, "title");
        await app.Refused(HttpMethod.Post, "/api/ear/tunes", new { title = "x", startDegree = 9 }, "startDegree");
        await app.Refused(
            HttpMethod.Post,
            $"/api/ear/tunes/{id}/finds",
            new
            {
                key = Guid.NewGuid(),
                seconds = -1,
                wrongStarts = 0,
                found = true,
            },
            "seconds"
        );
        await app.Send(HttpMethod.Delete, $"/api/ear/tunes/{id}", null, 200);
        (await app.Get("/api/ear/tunes")).AsArray().Count.ShouldBe(1);
        await app.Post($"/api/ear/tunes/{id}/back", new { });
        (await app.Get("/api/ear/tunes")).AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task The_plan_sends_to_a_round_and_a_drum_is_asked_of_rhythm()
    {
        await app.Clock(Evening);
        await app.Put(
            "/api/profile",
            new
            {
                instrument = "Hand drum",
                family = "Percussion",
                weekdayMinutes = new[] { 40, 40, 40, 40, 40, 40, 40 },
            }
        );
        ((string?)(await app.Get("/api/ear/question"))["question"]!["family"]).ShouldBe("parts of a beat");
        var days = 0;
        for (var day = 0; day < 6; day++)
        {
            await app.Clock(Evening.AddDays(day));
            days += (await Rounds()).Count > 0 ? 1 : 0;
        }

        days.ShouldBe(4, "singing and tapping take their turn each third day");
        await app.Clock(Evening.AddDays(6));
        var session = await app.Post("/api/session", new { version = 0 });
        session = await app.SkipTo(session, now => (string?)Drill(now)["desk"]?["kind"] == "EarRound");
        ((string?)Drill(session)["title"]).ShouldBe("Name the rhythm you hear");
        session = await app.Act(session, "Done", 60);
        await app.Close();
    }

    private static JsonNode Drill(JsonNode session) => session["drills"]![(int)session["position"]!]!;

    private async Task<List<JsonNode?>> Rounds() =>
        [.. (await app.Get("/api/today"))["drills"]!.AsArray().Where(drill => (string?)drill!["methodId"] == "ear-round")];

    private static string Asked(JsonNode round) => (string)round["question"]!["item"]!;

    private Task<JsonNode> Answer(JsonNode round, string? said, Guid? key = null, bool? right = null, string[]? only = null)
    {
        var body = Body(Asked(round), said);
        body["key"] = key ?? Guid.NewGuid();
        body["right"] = right;
        body["alternatives"] = round["question"]!["alternatives"]!.AsArray().Count;
        body["only"] = only is null ? null : new JsonArray([.. only.Select(item => (JsonNode)item)]);
        return app.Post("/api/ear/answers", body);
    }

    private static JsonObject Body(string item, string? said) =>
        new()
        {
            ["key"] = Guid.NewGuid(),
            ["item"] = item,
            ["said"] = said,
            ["seconds"] = 3,
            ["alternatives"] = 2,
        };

    private Task Refused(JsonNode body, string field) => app.Refused(HttpMethod.Post, "/api/ear/answers", body, field);
}
