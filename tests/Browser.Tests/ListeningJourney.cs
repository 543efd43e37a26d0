using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>The stage listens to a simulated player by the browser's fake microphone.</summary>
public sealed class ListeningJourney
{
    private const int Rate = 48_000;
    private const double RushMs = 80;

    [Fact]
    public async Task A_take_that_rushes_with_a_wrong_note_is_heard_with_its_place_and_its_milliseconds_and_overruled()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        var session = await SessionAsync(app);
        var file = Played(app, session);
        using var browser = new Browser(app.Address, 1280, 800, Browser.Microphone(file));
        browser.Open("/practise");
        browser.SeeText("listen");
        // The click runs at the player's tempo; where it was not on by itself, its key is pressed.
        if (browser.Driver.FindElements(By.XPath("//button[contains(., 'no click')]")).Count == 0)
            browser.Press("m");
        browser.SeeText("no click");
        browser.Press("h");
        browser.SeeText("the microphone listens");
        browser.See(By.CssSelector("[data-testid='heard']"), 60);
        browser.SeeText("Heard: missed. You say how it was.");
        browser.SeeText("bar 5: B♭4 instead of A4");
        // Early at the end by as much as was asked for, beside the click of the page; a busy machine drops some of what it hears, the file
        // comes again.
        browser.Until(
            _ =>
                app.Send(HttpMethod.Get, "/api/heard").GetAwaiter().GetResult()["takes"]!
                    .AsArray()
                    .Where(take => take!["withClick"]!.GetValue<bool>())
                    .Select(take => take!["late"]!.AsArray().Select(note => note!["lateMs"]!.GetValue<int>()).ToList())
                    .Any(late => late.Count == 8 && Math.Abs(late[^1] - late[0] + RushMs) < 20),
            90
        );
        browser.Press(Keys.ArrowRight);
        browser.SeeText("you marked it clean, and that counts");
        browser.Until(_ => app.Session().GetAwaiter().GetResult()["drills"]!.AsArray().Any(drill => (int)drill!["cleanTakes"]! > 0));
        // What is said of the verdict goes its own way beside the mark.
        browser.Until(_ => (int)app.Send(HttpMethod.Get, "/api/heard/trust").GetAwaiter().GetResult()["differed"]! == 1);
        browser.Press("h");
        browser.Until(page => !page.PageSource.Contains("the microphone listens", StringComparison.Ordinal));
        browser.Open($"/journal/day/{AppProcess.Evening:yyyy-MM-dd}");
        browser.SeeText("As it was heard");
        browser.SeeText("missed, marked clean");
        browser.See(By.CssSelector("[data-testid='heard-strip']"));
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Without_a_microphone_a_simulated_player_is_tuned_to_claps_and_plays_what_is_at_hand()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await SessionAsync(app);
        using var browser = new Browser(app.Address);
        browser.Open("/craft/listening");
        browser.SeeText("It is not known yet.");
        browser.Tick("Listen to it instead of the microphone");
        browser.Type("late, in ms", "70");
        browser.Type("sharp, in cents", "18");
        browser.Button("Tune by the microphone").Click();
        browser.Until(_ => browser.Shown("tuned-words") == "18 cents sharp");
        browser.Button("Stop listening").Click();
        // The claps come late by as much as was wished, and what the page needs itself on top of it.
        browser.Button("Clap along with 16 clicks").Click();
        browser.See(By.CssSelector("[data-testid='microphone-delay']"), 40);
        browser.Shown("microphone-delay").ShouldStartWith("What sounds with the click is heard");
        browser.Until(page => page.PageSource.Contains("Forget it", StringComparison.Ordinal));

        browser.Open("/practise");
        browser.SeeText("listen");
        browser.Press("h");
        browser.SeeText("a simulated player is listened to");
        browser.See(By.CssSelector("[data-testid='heard']"), 60);
        browser.SeeText("cents sharp in the mean");
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>A flute, and two bars of a piece at hand on the stage.</summary>
    private static async Task<JsonNode> SessionAsync(AppProcess app)
    {
        await app.PlayerAsync("Flute", "winds");
        var piece = await app.Send(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Harbour song",
                toBar = 24,
                beatsPerBar = 4,
                target = 100,
            }
        );
        var bars = string.Concat(Enumerable.Repeat("G2 AB c2 d2|e2 c2 d4|", 12));
        await app.Send(HttpMethod.Put, $"/api/pieces/{piece["id"]}/music", new { abc = $"M:4/4\nL:1/8\nK:C\n{bars}" });
        await app.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece["id"]}/passages",
            new
            {
                passages = new[]
                {
                    new
                    {
                        from = 5,
                        to = 6,
                        difficulty = "",
                    },
                },
            }
        );
        var today = await app.Send(HttpMethod.Get, "/api/today");
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        return await app.SkipToAsync(session, one =>
            one["cue"]!["countsTakes"]!.GetValue<bool>()
            && one["abc"]!.GetValue<string>().Length > 0
            && one["target"]?["title"]?.GetValue<string>().Contains("5–6", StringComparison.Ordinal) == true
        );
    }

    /// <summary>A file with the passage at hand, its second note wrong, rushing; so long that it comes again on a beat.</summary>
    private static string Played(AppProcess app, JsonNode session)
    {
        var score = AbcReader.Read(session["abc"]!.GetValue<string>()).Score;
        var tempo = session["target"]!["tempo"]!.GetValue<int>();
        var take = new SimulatedTake
        {
            Tempo = new Bpm(tempo),
            RushMs = RushMs,
            Wrong = new HashSet<int> { 1 },
        };
        var beat = 60.0 / tempo;
        var notes = take.Play(Performed.Notes(score), 2 * beat, 3);
        var beats = Math.Ceiling((notes[^1].At + notes[^1].Seconds + 3) / beat);
        var path = Path.Combine(app.Data, "rushing.wav");
        File.WriteAllBytes(path, WaveFile.Write(SimulatedInstrument.Render(notes, SimulatedSound.Reed, Rate, beats * beat, 3), Rate));
        return path;
    }
}
