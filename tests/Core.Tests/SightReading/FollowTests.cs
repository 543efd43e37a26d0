using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.SightReading;

/// <summary>What is played beside what is written: marked by itself, against a player that says where it went wrong.</summary>
public sealed class FollowTests
{
    private static readonly Score Tune = AbcReader.Read("M:4/4\nL:1/4\nK:C\nC D E/2F/2 G | G2 z A- | A B c2 |]").Score;

    [Fact]
    public void A_stand_in_is_marked_bar_by_bar_at_every_level()
    {
        foreach (var name in new[] { "clarinet", "piano", "hand drum", "guitar" })
        {
            var instrument = InstrumentNames.Find(name)!;
            for (var level = 1; level <= ReadingLevels.Most; level++)
            {
                for (var seed = 0; seed < 12; seed++)
                {
                    var wish = new ReadingWish
                    {
                        Seed = seed,
                        Levels = ReadingLevels.All(level),
                        Asked = Strand.Rhythm,
                        Instrument = instrument,
                    };
                    var reading = Composer.Compose(wish with { Asked = (Strand)(seed % 4) });
                    var score = reading.Staves;
                    var tempo = reading.Score.Tempo!.Value;
                    foreach (var part in new[] { 0, 0.4, 1 })
                    {
                        var played = StandIn.Play(score, tempo, new StandInWish(part, LagMs: 30, Seed: seed), taps: !instrument.IsPitched);
                        var marked = Follow.Of(score, tempo, played.Events, delayMs: 30);
                        marked.Wrong.ShouldBe(played.Wrong, $"{name}, level {level}, seed {seed}, {part}");
                    }
                }
            }
        }
    }

    [Fact]
    public void A_tap_is_late_by_its_milliseconds_and_a_tied_note_is_not_tapped_again()
    {
        // At 60 a beat lasts 1000 ms: 0.02 of it are 20.
        double[] taps = [0.02, 0.98, 2.0, 2.51, 3.0, 4.0, 7.0, 9.0, 10.2];
        var marked = Follow.Of(Tune, new Bpm(60), taps.Select(tap => new PlayedEvent(tap)));
        marked.Notes.Select(note => note.LateMs is { } late ? Math.Round(late) : double.NaN).ShouldBe([20, -20, 0, 10, 0, 0, 0, 0, 200]);
        marked
            .Notes.Select(note => (note.Bar, note.Element))
            .ShouldBe([(1, 0), (1, 1), (1, 2), (1, 3), (1, 4), (2, 0), (2, 2), (3, 1), (3, 2)]);
        marked.Wrong.ShouldBe([3], "two tenths of a second are late");
        Follow
            .Of(Tune, new Bpm(60), taps.Select(tap => new PlayedEvent(tap)), delayMs: 100)
            .Wrong.ShouldBe([], "within what the machine is late");
    }

    [Fact]
    public void What_is_repaired_later_is_lost_and_too_much_is_wrong()
    {
        PlayedEvent[] right =
        [
            new(0, 60),
            new(1, 62),
            new(2, 64),
            new(2.5, 65),
            new(3, 67),
            new(4, 67),
            new(7, 69),
            new(9, 71),
            new(10, 72),
        ];
        Follow.Of(Tune, new Bpm(60), right).Wrong.ShouldBe([]);
        var repaired = right.Select(one => one.AtBeats == 1 ? one with { Midi = 61 } : one).Append(new PlayedEvent(1.4, 62));
        Follow.Of(Tune, new Bpm(60), repaired).Wrong.ShouldBe([1]);
        Follow.Of(Tune, new Bpm(60), right.Append(new PlayedEvent(5.5, 65))).Wrong.ShouldBe([2]);
        Follow.Of(Tune, new Bpm(60), []).Wrong.ShouldBe([1, 2, 3]);
    }

    [Fact]
    public void A_delay_is_the_median_of_the_taps_and_too_few_give_none()
    {
        var taps = Enumerable
            .Range(0, 16)
            .Select(beat =>
                beat
                + 0.05
                + (
                    beat == 7 ? 0.3
                    : beat % 2 == 0 ? 0.01
                    : -0.01
                )
            );
        var found = Calibration.Of(taps, new Bpm(60))!;
        found.DelayMs.ShouldBe(50, 12);
        found.SpreadMs.ShouldBe(10, 10.5);
        found.IsEven.ShouldBeTrue();
        Calibration.Of([0, 1, 2.5, 3.5], new Bpm(60)).ShouldBeNull();
        Calibration.Of(Enumerable.Range(0, 16).Select(beat => beat + (beat % 4 * 0.1)), new Bpm(60))!.IsEven.ShouldBeFalse();
    }
}
