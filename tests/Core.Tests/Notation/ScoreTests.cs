using CsCheck;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

public sealed class ScoreTests
{
    [Fact]
    public void Fractions_add_and_compare_exactly()
    {
        var fractions = from upper in Gen.Int[-40, 40] from lower in Gen.Int[1, 64] select new Fraction(upper, lower);
        Gen.Select(fractions, fractions)
            .Sample(
                (a, b) =>
                {
                    (a + b - b).ShouldBe(a);
                    (a + b).ShouldBe(b + a);
                    (a < b).ShouldBe(a.Numerator * b.Denominator < b.Numerator * a.Denominator);
                    if (b != Fraction.Zero)
                        (a / b * b).ShouldBe(a);
                }
            );
        new Fraction(6, -8).ToString().ShouldBe("-3/4");
        default(Fraction).Denominator.ShouldBe(1);
    }

    /// <summary>How metres are counted: theory handbooks, from memory.</summary>
    [Theory]
    [InlineData("4/4", "quarter", 4, "quarter")]
    [InlineData("3/4", "quarter", 3, "quarter")]
    [InlineData("2/2", "quarter", 4, "half")]
    [InlineData("3/2", "half", 3, "half")]
    [InlineData("6/8", "quarter", null, "dotted quarter")]
    [InlineData("6/8", "eighth", 6, "dotted quarter")]
    [InlineData("9/8", "dotted quarter", 3, "dotted quarter")]
    [InlineData("3/8", "quarter", null, "eighth")]
    [InlineData("2+2+3/8", "quarter", null, "eighth")]
    [InlineData("3/16", "eighth", null, null)]
    [InlineData("none", "quarter", null, null)]
    public void The_beats_of_a_metre_are_counted_as_they_are_felt(string metre, string beat, int? count, string? usual)
    {
        TimeSignature.TryParse(metre, out var time).ShouldBeTrue();
        Counting.Beats(time, Beat.Find(beat)!).ShouldBe(count);
        Counting.Usual(time)?.Name.ShouldBe(usual);
        (Counting.Usual(time) is null).ShouldBe(usual is null);
    }

    /// <summary>Stems of the higher voice of a staff go up, those of the lower one down: engraving handbooks, from memory.</summary>
    [Fact]
    public void The_higher_voice_of_a_staff_is_written_first()
    {
        var (low, high) = (Voice("C4"), Voice("C5"));
        var written = AbcWriter.Write(new Music([low with { Staff = 0 }, high with { Staff = 0 }]));
        written.IndexOf("c8", StringComparison.Ordinal).ShouldBeInRange(0, written.IndexOf("C8", StringComparison.Ordinal));

        static Score Voice(string pitch) => new() { Bars = [new Bar([ScoreSamples.Note(pitch, 1, 1)])] };
    }

    [Fact]
    public void A_bar_that_is_not_full_an_open_tuplet_a_lost_tie_and_an_open_repeat_are_named_with_their_bar()
    {
        var note = ScoreSamples.Note("C4", 1, 4);
        Problem(new Bar([note, note, note])).ShouldBe("Bar 1 holds 3/4 of a whole note; 4/4 needs 1.");
        Problem(new Bar([note, note, note, note, note])).ShouldContain("holds 5/4");
        Problem(new Bar([ScoreSamples.Note("C4", 3, 4), ScoreSamples.Note("C4", 3, 8) with { Tuplet = new Tuplet(3, 2, Begins: true) }]))
            .ShouldContain("tuplet");
        Problem(new Bar([ScoreSamples.Note("C4", 1, 2) with { Tied = true }, ScoreSamples.Note("D4", 1, 2)]))
            .ShouldContain("tie leads to another note");
        Problem(new Bar([ScoreSamples.Note("C4", 1, 1)]) { RepeatBegins = true }).ShouldContain("does not end");
        new Score { Bars = [new Bar([note]) { IsPartial = true }] }
            .Check()
            .ShouldBeEmpty("an upbeat may be short");

        static string Problem(Bar bar) =>
            new Score { Bars = [bar] }
                .Check()
                .ShouldHaveSingleItem()
                .Problem;
    }

    [Fact]
    public void At_concert_pitch_the_same_notes_are_heard()
    {
        var random = new Random(5);
        for (var i = 0; i < 200; i++)
        {
            var score = ScoreMaker.Random(random);
            var concert = Concert.Of(score);
            concert.ToSounding.ShouldBe(Interval.Unison);
            Performed.Notes(concert).ShouldBe(Performed.Notes(score), $"{score.Key} by {score.ToSounding}");
        }

        Concert.Of(ScoreSamples.Repeats).Key.ToString().ShouldBe("C major");
    }

    [Fact]
    public void Repeats_and_endings_are_played_as_written()
    {
        ScoreSamples.Repeats.Played().ShouldBe([0, 1, 0, 2, 3, 3, 4]);
        ScoreSamples.Upbeat.Played().ShouldBe([0, 1, 2, 3]);
    }

    [Fact]
    public void Accidentals_stand_once_in_a_bar_and_again_where_one_could_read_them_otherwise()
    {
        string[] Written(params string[] pitches)
        {
            var score = new Score { Bars = [new Bar([.. pitches.Select(pitch => ScoreSamples.Note(pitch, 1, 4))])] };
            return AbcWriter.Write(score).Split('\n')[^2].Split(' ')[..^1];
        }

        Written("F#4", "F#4", "F4", "F4").ShouldBe(["^F2", "F2", "=F2", "F2"]);
        Written("F#4", "F#5", "G4", "F5").ShouldBe(["^F2", "^f2", "G2", "=f2"], "in another octave it is written again");
    }

    [Fact]
    public void Notes_shorter_than_a_quarter_are_beamed_by_the_beat()
    {
        string Last(TimeSignature time, int count) =>
            AbcWriter
                .Write(new Score { Time = time, Bars = [new Bar([.. Enumerable.Repeat(ScoreSamples.Note("C4", 1, 8), count)])] })
                .Split('\n')[^2];
        Last(new TimeSignature(6, 8), 6).ShouldBe("CCC CCC |]");
        Last(new TimeSignature(4, 4), 8).ShouldBe("CCCC CCCC |]");
        Last(new TimeSignature(3, 4), 6).ShouldBe("CC CC CC |]");
        Last(new TimeSignature(5, 8), 5).ShouldBe("CC CC C |]");
    }

    [Fact]
    public void Any_length_of_sixteenths_is_cut_into_heads_that_exist()
    {
        for (var sixteenths = 1; sixteenths <= 48; sixteenths++)
        {
            var parts = Values.Cut(new Fraction(sixteenths, 16));
            Fraction.Sum(parts).ShouldBe(new Fraction(sixteenths, 16));
            parts.ShouldAllBe(part => Values.Of(part) != null);
        }

        Should.Throw<ArgumentException>(() => Values.Cut(new Fraction(1, 3)));
    }
}
