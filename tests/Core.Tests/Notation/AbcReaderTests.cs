using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>ABC text as people type it (ABC 2.1, abcnotation.com standard, from memory).</summary>
public sealed class AbcReaderTests
{
    [Fact]
    public void What_was_written_is_read_back_note_by_note()
    {
        foreach (var (name, score) in ScoreSamples.All())
        {
            var read = AbcReader.Read(AbcWriter.Write(score)).Score;
            Notes(read).ShouldBe(Notes(score), name);
            read.Bars.Select(bar => bar.Length).ShouldBe(score.Bars.Select(bar => bar.Length), name);
            read.Played().ShouldBe(score.Played(), name);
        }
    }

    private static List<(int Midi, Fraction At, Fraction Length)> Notes(Score score) =>
        [
            .. Performed
                .Notes(score with { ToSounding = Interval.Unison, Clef = Clef.Treble })
                .Select(note => (note.Midi, note.At, note.Length)),
        ];

    [Fact]
    public void Lengths_octaves_accidentals_and_keys_are_those_of_the_standard()
    {
        var score = AbcReader.Read("X:1\nT:Kite\nM:4/4\nL:1/8\nQ:1/4=96\nK:D\nC,C c c' f2 ^g_b|f4 z2 =f>f|]").Score;
        (score.Title, score.Tempo!.Value.Value, score.Key.Name).ShouldBe(("Kite", 96, "D major"));
        score.Bars[0].Elements.Select(element => element.Pitches[0].ToString()).ShouldBe(["C#3", "C#4", "C#5", "C#6", "F#5", "G#5", "Bb5"]);
        score.Bars[1].Elements.Select(element => element.Written).ShouldBe([new(1, 2), new(1, 4), new(3, 16), new(1, 16)]);
        score.Bars[1].Elements[3].Pitches[0].ToString().ShouldBe("F5", "an accidental holds to the end of its bar");
        AbcReader.Read("M:2/4\nK:Ddor\nDF AF|]").Score.Key.Signature.ShouldBe(0);
        AbcReader
            .Read("M:2/4\nK:Ddor\nDF AF DD DD|]")
            .Score.Bars[0]
            .Elements[0]
            .Written.ShouldBe(new Fraction(1, 16), "below three quarters the unit is a sixteenth (3.1.7)");
    }

    [Fact]
    public void Tuplets_ties_slurs_repeats_and_endings_are_understood()
    {
        var score = AbcReader.Read("M:2/4\nL:1/8\nK:C\n|:C|(3DEF G2-|G2 (AB)|[1 c4:|[2 [CEG]4|]").Score;
        score.Check().ShouldBeEmpty();
        score.Bars[0].IsPartial.ShouldBeTrue();
        score.Bars[1].Elements.Take(3).ShouldAllBe(element => element.Length == new Fraction(1, 12));
        score.Bars[1].Elements[3].Tied.ShouldBeTrue();
        (score.Bars[2].Elements[1].SlurBegins, score.Bars[2].Elements[2].SlurEnds).ShouldBe((true, true));
        score.Bars[4].Elements[0].Pitches.Count.ShouldBe(3);
        score.Played().ShouldBe([0, 1, 2, 3, 0, 1, 2, 4]);
    }

    [Fact]
    public void What_is_left_out_is_named()
    {
        var read = AbcReader.Read("M:4/4\nL:1/4\nK:C\n\"Am\"C {d}D ~E F|\nw:one two\nGABc|]");
        read.LeftOut.Select(one => one.ToString()).ShouldBe(["chord symbols (bar 1)", "words under the notes"]);
        read.Score.Bars.Count.ShouldBe(2);
    }

    [Theory]
    [InlineData("K:C\nCDEF GABc|CDE? GABc|]", 2, 14, "\"?\" cannot be read here")]
    [InlineData("K:C\nCDEF GABc d|c8|]", 2, 1, "Bar 1 holds 9/8")]
    [InlineData("K:C\nC8|CDE|c8|]", 2, 4, "Bar 2 holds 3/8 of a whole note")]
    [InlineData("K:X\nC8|]", 1, 1, "Write the key like")]
    [InlineData("M:x\nK:C\nC8|]", 1, 1, "Write the metre like")]
    [InlineData("K:C\n[CEG|]", 2, 1, "chord")]
    [InlineData("K:C\n(3CD|]", 2, 5, "tuplet is not full")]
    [InlineData("K:C\n{d C8|]", 2, 2, "is not closed")]
    [InlineData("K:C\n", 2, 1, "There are no notes yet")]
    [InlineData("K:C\nC99999999|]", 2, 2, "too large")]
    public void Broken_text_is_refused_at_its_place(string text, int line, int column, string says)
    {
        var problem = Should.Throw<AbcException>(() => AbcReader.Read(text, isTyped: true));
        problem.Message.ShouldContain(says);
        (problem.Line, problem.Column).ShouldBe((line, column));
    }

    [Fact]
    public void Nothing_that_is_typed_makes_it_fail_otherwise()
    {
        var random = new Random(11);
        const string signs = "CDEFGABcdefgab|:[]()^_=zZ0123456789/-<>{}\"!.~,' \nKMLQw%V&y";
        for (var i = 0; i < 20_000; i++)
        {
            var text = "K:C\n" + string.Concat(Enumerable.Range(0, random.Next(1, 40)).Select(_ => signs[random.Next(signs.Length)]));
            try
            {
                AbcReader.Read(text).Score.Check().ShouldBeEmpty(text);
            }
            catch (AbcException)
            {
                // Refused with its place: that is what should happen.
            }
        }
    }
}
