using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>How early, late, rushing and uneven takes of a simulated player are, which was asked for.</summary>
public sealed class TakeTimingTests
{
    [Fact]
    public void Early_is_told_from_late()
    {
        Line.Heard(Line.Take(84) with { LateMs = -40, JitterMs = 5 }, 84).Timing!.MeanMs!.Value.Value.ShouldBe(-40, 8);
    }

    [Fact]
    public void While_the_delay_of_the_room_is_not_known_nothing_is_claimed_of_the_mean()
    {
        var sound = Line.Sound(Line.Take(84) with { LateMs = 140, JitterMs = 5, RushMs = 60 }, SimulatedSound.Reed, 7);
        var heard = Line.Listen(sound, Line.Wish(84) with { DelayMs = new Estimate(0, 1000) })!;
        heard.Timing!.MeanMs.ShouldBeNull();
        heard.Timing.Late.Average(note => note.LateMs).ShouldBe(0, 0.01);
        heard.Timing.DriftMs!.Value.Value.ShouldBe(-60, 15);
        TimingWords.Of(heard.Timing, 0.25).ShouldContain(words => words.StartsWith("rushes by", StringComparison.Ordinal));
        TimingWords.Of(heard.Timing, 0.25).ShouldNotContain(words => words.Contains("in the mean", StringComparison.Ordinal));
        TimingWords.Help(heard.Timing, Line.Written, 0.25).ShouldStartWith("Put the click on 2 and 4");
        var waltz = WrittenMoment.Of(Line.Read("L:1/4\nM:3/4\nK:C\nG|A2 B|c3|z3|d2 e|"));
        TimingWords.Help(heard.Timing, waltz, 0.25).ShouldBe("Put the click on the first beat of every second bar.", "there is no 4");
    }

    [Fact]
    public void A_note_whose_beginning_is_heard_wrong_is_no_drift()
    {
        // Sixty milliseconds of rushing; the last note swells and is heard 150 ms late.
        var written = Line.Written;
        var whole = 240.0 / 84;
        var random = new Random(3);
        var end = written[^1].At;
        var tones = written
            .Select(
                (moment, i) =>
                {
                    var lateMs = (-60 * moment.At / end) + (16 * (random.NextDouble() - 0.5)) + (i == written.Count - 1 ? 150 : 0);
                    var at = 1 + (moment.At * whole) + (lateMs / 1000);
                    return new HeardTone(at, at + 0.2, 440 * Math.Pow(2, (moment.Midis[0] - 69) / 12.0), 1, 0.5);
                }
            )
            .ToList();
        var alignment = Alignment.Of(written, tones, whole, withClick: true, 440, isPitched: true);
        var timing = TakeTiming.Of(written, tones, alignment, whole, 1, new Estimate(0, 5))!;
        timing.DriftMs!.Value.Value.ShouldBe(-60, 12);
        timing.Drifts.ShouldBeTrue();
    }

    [Fact]
    public void Rushing_is_found_with_its_sign_and_none_is_claimed_in_steady_takes()
    {
        // How often: as in bench/listening, with fewer takes.
        const int takes = 40;
        var (found, claimed) = (0, 0);
        for (var seed = 1; seed <= takes; seed++)
        {
            var rush = 25 + (15.0 * seed / takes);
            if (
                Timing(
                    new SimulatedTake
                    {
                        Tempo = new Bpm(84),
                        JitterMs = 8,
                        RushMs = rush,
                    },
                    seed
                ) is
                { Drifts: true, DriftMs.Value: < 0 }
            )
                found++;
            if (Timing(new SimulatedTake { Tempo = new Bpm(84), JitterMs = 8 }, seed).Drifts)
                claimed++;
        }

        found.ShouldBeGreaterThanOrEqualTo((int)(0.9 * takes));
        claimed.ShouldBeLessThanOrEqualTo((int)(0.1 * takes));
    }

    [Fact]
    public void Swung_eighths_are_uneven_by_their_ratio()
    {
        // Long to short as three to two.
        var notes = Enumerable.Range(0, 32).Select(i => (i / 2 * 0.25) + (i % 2 == 0 ? 0 : 0.15)).ToList();
        var written = Enumerable.Range(0, 32).Select(i => new WrittenMoment(i / 8.0, [69], 1 + (i / 8), i % 8 / 8.0)).ToList();
        var heard = notes.Select(at => new HeardTone(1 + (at * 2), 0, 440, 1, 0.5)).ToList();
        var alignment = Alignment.Of(written, heard, 2, withClick: true, 440, isPitched: true);
        var timing = TakeTiming.Of(written, heard, alignment, 2, 1, new Estimate(0, 0))!;
        timing.Unevenness!.Value.Value.ShouldBe(1.5, 0.01);
        timing.Places.Count.ShouldBe(8);
    }

    [Fact]
    public void What_is_off_the_beat_and_always_late_is_told_by_its_place()
    {
        var random = new Random(5);
        var written = Enumerable.Range(0, 32).Select(i => new WrittenMoment(i / 8.0, [69], 1 + (i / 8), i % 8 / 8.0)).ToList();
        IReadOnlyList<string> Words(double lateMs)
        {
            var heard = written.ConvertAll(moment =>
            {
                var off = (16 * (random.NextDouble() - 0.5)) + (moment.InBar == 0.375 ? lateMs : 0);
                return new HeardTone(1 + (moment.At * 2) + (off / 1000), 0, 440, 1, 0.5);
            });
            var alignment = Alignment.Of(written, heard, 2, withClick: true, 440, isPitched: true);
            return TimingWords.Of(TakeTiming.Of(written, heard, alignment, 2, 1, new Estimate(0, 0))!, 0.25);
        }

        // An eighth of the notes is late: the line of all is later by an eighth of it.
        Words(40).ShouldContain(words => words.StartsWith("notes on 2 and come 3", StringComparison.Ordinal));
        Enumerable
            .Range(0, 200)
            .Count(_ => Words(0).Any(words => words.StartsWith("notes on", StringComparison.Ordinal)))
            .ShouldBeLessThan(8);
    }

    private static TakeTiming Timing(SimulatedTake take, int seed)
    {
        var played = take.Play(TuningFork.Core.Notation.Performed.Notes(Line.Music.Lead), 1, seed);
        var heard = played.Select(note => new HeardTone(note.At, note.At + note.Seconds, note.Hertz, 1, 0.5)).ToList();
        var whole = 240.0 / take.Tempo.Value;
        var alignment = Alignment.Of(Line.Written, heard, whole, withClick: true, 440, isPitched: true);
        return TakeTiming.Of(Line.Written, heard, alignment, whole, 1, new Estimate(0, 0))!;
    }
}
