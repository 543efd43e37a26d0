using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Takes of a simulated player whose faults, lateness and rushing are known because they were asked for.</summary>
public sealed class TakeListenerTests
{
    private const SimulatedSound Reed = SimulatedSound.Reed;

    [Fact]
    public void A_take_as_written_is_clean_and_late_by_as_much_as_it_was_played()
    {
        var heard = Line.Heard(Line.Take(84) with { LateMs = 30, JitterMs = 8 }, 84);
        heard.Verdict.Clean.ShouldBeTrue(Faults(heard));
        heard.Timing!.MeanMs!.Value.Value.ShouldBe(30, 8);
        heard.Timing.SpreadMs.ShouldBeInRange(4, 14);
        heard.Timing.Drifts.ShouldBeFalse();
        heard.Timing.Notes.ShouldBe(Line.Written.Count);
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
        var heard = Line.Heard(
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
        var missing = Line.Heard(
            Line.Take(84) with
            {
                Missing = new HashSet<int> { 7 },
                JitterMs = 8,
            },
            84
        ).Verdict;
        missing.Faults.ShouldHaveSingleItem().ShouldBe(new Fault(FaultKind.MissingNote, Line.Written[7].Bar, Line.Written[7].Midis[0]));
        var stopped = Line.Heard(
            Line.Take(84) with
            {
                Stops = new Dictionary<int, double> { [11] = 1.2 },
                JitterMs = 8,
            },
            84
        ).Verdict;
        stopped.Clean.ShouldBeFalse();
        stopped.Faults.ShouldContain(new Fault(FaultKind.Stop, Line.Written[11].Bar));
        Line.Heard(
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
        var heard = Line.Heard(Line.Take(84) with { Missing = all }, 84);
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

    private static string Faults(HeardTake heard) => string.Join(", ", heard.Verdict.Faults);
}
