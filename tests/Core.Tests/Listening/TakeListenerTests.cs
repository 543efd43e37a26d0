using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Takes of a simulated player whose faults, lateness and rushing are known because they were asked for.</summary>
public sealed class TakeListenerTests
{
    private const SimulatedSound Reed = SimulatedSound.Reed;

    [Fact]
    public void A_take_as_written_is_clean_and_late_by_as_much_as_it_was_played()
    {
        var heard = Heard(Line.Take(84) with { LateMs = 30, JitterMs = 8 }, 84);
        heard.Verdict.Clean.ShouldBeTrue(Faults(heard));
        heard.Timing!.MeanMs!.Value.Value.ShouldBe(30, 8);
        heard.Timing.SpreadMs.ShouldBeInRange(4, 14);
        heard.Timing.Drifts.ShouldBeFalse();
        heard.Timing.Notes.ShouldBe(Line.Written.Count);
    }

    [Fact]
    public void Early_is_told_from_late()
    {
        Heard(Line.Take(84) with { LateMs = -40, JitterMs = 5 }, 84).Timing!.MeanMs!.Value.Value.ShouldBe(-40, 8);
    }

    [Fact]
    public void While_the_delay_of_the_room_is_not_known_nothing_is_claimed_of_the_mean()
    {
        var sound = Line.Sound(Line.Take(84) with { LateMs = 140, JitterMs = 5, RushMs = 60 }, Reed, 7);
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
    public void Where_note_and_click_are_to_be_one_a_take_beside_it_is_missed_but_not_for_what_the_room_may_delay()
    {
        var early = Line.Sound(Line.Take(60) with { LateMs = -45, JitterMs = 4 }, Reed, 7);
        var one = Line.Wish(60) with { IsOneWithClick = true };
        Line.Listen(early, Line.Wish(60))!.Verdict.Clean.ShouldBeTrue();
        var missed = Line.Listen(early, one)!.Verdict;
        missed.Clean.ShouldBeFalse();
        missed.Faults.ShouldAllBe(fault => fault.Kind == FaultKind.BesideClick);
        missed.Faults.Average(fault => fault.LateMs).ShouldBe(-45, 10);
        missed.Faults[0].Words(midi => $"{midi}").ShouldEndWith("ms before the click");
        Line.Listen(early, one with { DelayMs = new Estimate(0, 30) })!.Verdict.Clean.ShouldBeTrue("it may be the room");
        Line.Listen(Line.Sound(Line.Take(60) with { JitterMs = 6 }, Reed, 7), one)!.Verdict.Clean.ShouldBeTrue();
        Line.Listen(Line.Sound(Line.Take(60) with { JitterMs = 60 }, Reed, 7), one)!.Verdict.Clean.ShouldBeFalse("it scatters");
    }

    [Theory]
    [InlineData(63)]
    [InlineData(84)]
    [InlineData(109)]
    public void Without_a_click_the_tempo_is_the_player_s_own(int tempo)
    {
        var sound = Line.Sound(Line.Take(tempo) with { JitterMs = 12 }, Reed, 7);
        Line.Listen(sound, Line.Wish(84), click: null)!.Tempo!.Value.Value.ShouldBeInRange(tempo - 1, tempo + 1);
        Line.Listen(Line.Sound(Line.Take(84), Reed, 7), Line.Wish(84))!.Tempo.ShouldBeNull("the click gives it");
        var stopped = Line.Take(84) with { Stops = new Dictionary<int, double> { [11] = 1.5 } };
        Line.Listen(Line.Sound(stopped, Reed, 7), Line.Wish(84), click: null)!.Tempo.ShouldBeNull("it stopped");
    }

    [Theory]
    [InlineData(5, FaultKind.WrongNote)]
    [InlineData(13, FaultKind.WrongNote)]
    public void A_wrong_note_is_named_with_its_bar(int index, FaultKind kind)
    {
        var heard = Heard(
            Line.Take(84) with
            {
                Wrong = new HashSet<int> { index },
                JitterMs = 8,
            },
            84
        );
        heard.Verdict.Clean.ShouldBeFalse();
        var fault = heard.Verdict.Faults.ShouldHaveSingleItem();
        (fault.Kind, fault.Bar).ShouldBe((kind, Line.Written[index].Bar));
        (fault.Heard - fault.Written).ShouldBe(1);
        fault.Words(midi => $"{midi}").ShouldBe($"bar {fault.Bar}: {fault.Heard} instead of {fault.Written}");
    }

    [Fact]
    public void A_missing_note_and_a_stop_are_named_with_their_bars()
    {
        var missing = Heard(
            Line.Take(84) with
            {
                Missing = new HashSet<int> { 7 },
                JitterMs = 8,
            },
            84
        ).Verdict;
        missing.Faults.ShouldHaveSingleItem().ShouldBe(new Fault(FaultKind.MissingNote, Line.Written[7].Bar, Line.Written[7].Midis[0]));
        var stopped = Heard(
            Line.Take(84) with
            {
                Stops = new Dictionary<int, double> { [11] = 1.2 },
                JitterMs = 8,
            },
            84
        ).Verdict;
        stopped.Clean.ShouldBeFalse();
        stopped.Faults.ShouldContain(new Fault(FaultKind.Stop, Line.Written[11].Bar));
        Heard(
            Line.Take(84) with
            {
                Stops = new Dictionary<int, double> { [11] = 1.2 },
                JitterMs = 8,
            },
            84,
            new VerdictRules(StopsCount: false, LostBeatCounts: false)
        )
            .Verdict.Clean.ShouldBeTrue("the rules are the player's");
    }

    [Fact]
    public void What_breaks_off_is_told_when_it_has_been_quiet()
    {
        var all = Enumerable.Range(12, Line.Written.Count - 12).ToHashSet();
        var heard = Heard(Line.Take(84) with { Missing = all }, 84);
        heard.Verdict.Clean.ShouldBeFalse();
        heard.Verdict.Faults.ShouldContain(fault => fault.Kind == FaultKind.BrokenOff);
    }

    [Fact]
    public void A_second_take_is_heard_after_the_first_without_a_pause()
    {
        // So long that the click goes on in its place.
        var once = Line.Sound(Line.Take(100), Reed, 3);
        var beat = Line.Rate * 60 / 100;
        var sound = new float[((once.Length / beat) + 1) * beat];
        once.CopyTo(sound, 0);
        var listener = new TakeListener(Line.Rate, Line.Wish(100));
        listener.Click(1);
        var heard = new List<HeardTake>();
        for (var round = 0; round < 2; round++)
        {
            for (var at = 0; at < sound.Length; at += 1024)
            {
                if (listener.Add(sound.AsSpan(at, Math.Min(1024, sound.Length - at))) is { } take)
                    heard.Add(take);
            }
        }

        if (listener.End() is { } ended)
            heard.Add(ended);
        heard.Count.ShouldBe(2);
        heard[0].Tones[^1].Hertz.ShouldBe(523.25, 0.5);
        heard.ShouldAllBe(take => take.Verdict.Clean);
    }

    [Fact]
    public void Without_a_click_another_tempo_is_no_fault()
    {
        var heard = Line.Listen(Line.Sound(Line.Take(63) with { JitterMs = 8 }, Reed, 2), Line.Wish(84), click: null)!;
        heard.Verdict.Clean.ShouldBeTrue(Faults(heard));
        heard.Alignment.Rate.ShouldBe(0.76);
        heard.Timing!.MeanMs.ShouldBeNull();
        heard.Timing.DriftMs.ShouldBeNull();
    }

    [Theory]
    [InlineData(37)]
    [InlineData(96)]
    [InlineData(140)]
    public void Even_strokes_are_one_take_from_the_first_to_the_last(int tempo)
    {
        // Without pitch nothing tells them apart but how many they are.
        var music = Line.Read("L:1/8\nM:4/4\nK:C\n" + string.Concat(Enumerable.Repeat("BBBB BBBB|", 4)));
        var written = WrittenMoment.Of(music);
        var notes = (Line.Take(tempo) with { LateMs = -20, JitterMs = 12 }).Play(
            TuningFork.Core.Notation.Performed.Notes(music.Lead),
            1,
            5
        );
        var sound = SimulatedInstrument.Render(notes, SimulatedSound.Struck, Line.Rate, notes[^1].At + 1, 5);
        var listener = new TakeListener(Line.Rate, Line.Wish(tempo, isPitched: false) with { Written = written, Sustains = false });
        listener.Click(1);
        var takes = new List<HeardTake>();
        for (var at = 0; at < sound.Length; at += 1024)
        {
            if (listener.Add(sound.AsSpan(at, Math.Min(1024, sound.Length - at))) is { } over)
                takes.Add(over);
        }

        takes.ShouldHaveSingleItem().Verdict.Faults.ShouldBeEmpty();
        takes[0].Timing!.Notes.ShouldBe(32);
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

    [Theory]
    [InlineData(69, true, true)]
    [InlineData(69, false, false)]
    [InlineData(72, true, false)]
    public void The_same_note_again_is_a_fault_only_where_notes_die_away(int additional, bool sustains, bool clean)
    {
        var written = Enumerable.Range(0, 8).Select(i => new WrittenMoment(i / 4.0, [i % 2 == 0 ? 69 : 65], 1, i / 4.0)).ToList();
        var heard = written.ConvertAll(moment => Tone(moment.At * 2, moment.Midis[0]));
        heard.Insert(5, Tone(2.25, additional));
        var alignment = Alignment.Of(written, heard, 2, withClick: true, 440, isPitched: true);
        var wish = new ListenWish(written, 2, 0.25, 440, IsPitched: true, new Estimate(0, 0), new VerdictRules(), sustains);
        TakeVerdict.Of(wish, heard, alignment, null, 2).Clean.ShouldBe(clean);

        static HeardTone Tone(double at, int midi) => new(at, at + 0.2, TuningFork.Core.Theory.Tuning.Hertz(midi), 1, 0.5);
    }

    private static TakeTiming Timing(SimulatedTake take, int seed)
    {
        var played = take.Play(TuningFork.Core.Notation.Performed.Notes(Line.Music.Lead), 1, seed);
        var heard = played.Select(note => new HeardTone(note.At, note.At + note.Seconds, note.Hertz, 1, 0.5)).ToList();
        var whole = 240.0 / take.Tempo.Value;
        var alignment = Alignment.Of(Line.Written, heard, whole, withClick: true, 440, isPitched: true);
        return TakeTiming.Of(Line.Written, heard, alignment, whole, 1, new Estimate(0, 0))!;
    }

    private static HeardTake Heard(SimulatedTake take, int bpm, VerdictRules? rules = null) =>
        Line.Listen(Line.Sound(take, Reed, 7), Line.Wish(bpm, rules: rules))!;

    private static string Faults(HeardTake heard) => string.Join(", ", heard.Verdict.Faults);
}
