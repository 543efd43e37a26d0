using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Takes with rests, and the click in the microphone 20 dB below them: a click is no note.</summary>
public sealed class ClickInRestsTests
{
    private const int Takes = 5;
    private const double Begin = 1.5;

    private static readonly Music Music = Line.Read(
        "L:1/8\nM:4/4\nK:C\nG2 z2 B2 z2|c2 d2 z4|z2 e2 z2 cB|A2 z2 z2 G2|A2 B2 c2 z2|z4 d2 z2|e2 z2 c2 z2|G4 z4|A2 B2 c4|"
    );

    private static readonly IReadOnlyList<WrittenMoment> Written = WrittenMoment.Of(Music);

    [Theory]
    [InlineData(SimulatedSound.Reed)]
    [InlineData(SimulatedSound.Plucked)]
    [InlineData(SimulatedSound.Struck)]
    public void A_click_in_a_rest_is_no_note(SimulatedSound sound)
    {
        var (heardAgain, taken, rests) = (0, 0, 0);
        for (var seed = 1; seed <= Takes; seed++)
        {
            var bpm = 60 + (10 * seed);
            var whole = 240.0 / bpm;
            var take = Line.Take(bpm) with { JitterMs = 8 };
            var played = take.Play(Performed.Notes(Music.Lead), Begin, seed);
            var samples = SimulatedInstrument.Render(played, sound, Line.Rate, played[^1].At + played[^1].Seconds + 0.5, seed);
            var beats = Enumerable.Range(-4, 40).Select(beat => Begin + (beat * whole / 4)).Where(at => at >= 0).ToList();
            var level = 0.1 * samples.Max(Math.Abs);
            foreach (var (at, beat) in beats.Select((at, beat) => (at, beat)))
                Line.AddClick(samples, Line.Rate, at, Line.ClickHertz(beat), level);
            var heard = Line.Listen(samples, Line.Wish(bpm, sound != SimulatedSound.Struck) with { Written = Written }, Begin)!;
            heard.Verdict.Clean.ShouldBeTrue(string.Join(", ", heard.Verdict.Faults));
            foreach (var beat in beats.Where(beat => beat < played[^1].At && played.All(note => Math.Abs(note.At - beat) > 0.1)))
            {
                rests++;
                var there = heard.Tones.ToList().FindIndex(tone => Math.Abs(tone.At - beat) < 0.04);
                heardAgain += there >= 0 ? 1 : 0;
                taken += heard.Alignment.Moments.Any(moment => moment.Heard == there) ? 1 : 0;
            }
        }

        (100.0 * taken / rests).ShouldBeLessThanOrEqualTo(1, $"{taken} of {rests}");
        // In the tail of a note it may be heard as that note begun anew: that is told by the note written there, which there is none.
        (100.0 * heardAgain / rests).ShouldBeLessThanOrEqualTo(5, $"{heardAgain} of {rests}");
    }
}
