using Shouldly;
using TuningFork.Core.Notation;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>ABC as it is found in books and files (ABC 2.1, abcnotation.com standard, from memory).</summary>
public sealed class AbcDialectTests
{
    [Fact]
    public void A_book_is_cut_into_its_tunes_and_words_between_them_are_none()
    {
        const string book =
            "%abc-2.1\nM:3/4\n\nSome words about it.\n\nX:7\nT:First\nL:1/4\nK:G\nGAB|\n\nmore words\n\nX:8\nT:Second\nM:2/4\nL:1/4\nK:D\nFA|d2|]\n";
        AbcReader.Choices(book).Select(one => (one.Name, one.Notes)).ShouldBe([("First", 3), ("Second", 3)]);
        AbcReader.Read(book).Score.Time.ToString().ShouldBe("3/4", "what the book says before its tunes holds for them");
        Notes(AbcReader.Read(book, tune: 1)).ShouldBe("66 69 74");
        Should.Throw<AbcException>(() => AbcReader.Read(book, tune: 2)).Message.ShouldContain("2 tunes");
    }

    [Theory]
    [InlineData("K:C\nV:1\nCDEF|]\nV:2 clef=bass\nC,D,E,F,|]")]
    [InlineData("V:1\nV:2 clef=bass\nK:C\n[V:1]CDEF|]\n[V:2]C,D,E,F,|]")]
    [InlineData("%%score (1 2)\nK:C\nV:1\nCDEF|]\nV:2\nC,D,E,F,|]")]
    [InlineData("K:C\nCDEF & C,D,E,F,|]")]
    public void Voices_and_second_voices_of_a_bar_sound_together(string text)
    {
        var music = AbcReader.Read("M:4/4\nL:1/4\n" + text).Music;
        music.Voices.Count.ShouldBe(2);
        music.Staves.ShouldBe(text.Contains("bass", StringComparison.Ordinal) ? 2 : 1);
        Performed.Notes(music.Voices).Select(note => note.At).Distinct().Count().ShouldBe(4);
        Performed.Notes(music.Voices).Count.ShouldBe(8);
    }

    [Theory]
    [InlineData("K:HP\nFCGB|", "66 61 67 71", "")]
    [InlineData("K:Hp\nFCGB|", "66 61 67 71", "")]
    [InlineData("K:D =c\nFcfC|", "66 72 78 60", "signatures of their own: their signs stand before the notes")]
    [InlineData("K:D exp _b\nFcB2|", "65 72 70", "signatures of their own: their signs stand before the notes")]
    [InlineData("K:C octave=-1\nCDEF|", "48 50 52 53", "")]
    [InlineData("K:C treble-8\nCDEF|", "48 50 52 53", "")]
    [InlineData("K:none\nCDEF|", "60 62 64 65", "")]
    [InlineData("K:Am\n^F-|F|F2|", "66 65", "")]
    [InlineData("K:C\n[C-E-]2[C2E2]|", "60 64", "")]
    [InlineData("K:C\n[C-E]2[CE]2|", "60 64 64", "")]
    [InlineData("K:C\nC.-C2D|", "60 62", "")]
    [InlineData("K:C\n(6CDEFGA (3BcdeX|", "60 62 64 65 67 69 71 72 74 76", "signs unknown here: X (bar 1)")]
    public void Keys_clefs_and_ties_sound_as_they_are_meant(string text, string notes, string leftOut)
    {
        var read = AbcReader.Read("M:none\nL:1/4\n" + text.Replace("X|", "R|", StringComparison.Ordinal));
        Notes(read).ShouldBe(notes);
        string.Join("; ", read.LeftOut).Replace(": R", ": X", StringComparison.Ordinal).ShouldBe(leftOut);
    }

    [Theory]
    [InlineData("1/4=96", 96, "1/4")]
    [InlineData("1/4 = 96", 96, "1/4")]
    [InlineData("120", 120, "1/4")]
    [InlineData("C=120", 120, "1/4")]
    [InlineData("\"Lively\" 3/8=80", 80, "3/8")]
    [InlineData("1/4 1/8=40", 40, "3/8")]
    [InlineData("ca. 80", 80, "1/4")]
    public void Tempo_is_read_in_all_its_forms(string field, int beats, string beat)
    {
        var score = AbcReader.Read($"Q:{field}\nM:4/4\nL:1/4\nK:C\nCDEF|]").Score;
        (score.Tempo?.Value, score.TempoBeat.ToString()).ShouldBe((beats, beat));
        score.Bars[0].Elements[0].Words.ShouldBe(field.StartsWith('"') ? "Lively" : "");
    }

    [Theory]
    [InlineData("none", "none")]
    [InlineData("(2+3)/8", "2+3/8")]
    [InlineData("2+3/4", "2+3/4")]
    [InlineData("C|", "2/2")]
    [InlineData("3/4+2/8", "6+2/8")]
    public void Metres_of_all_kinds_are_read(string field, string metre) =>
        AbcReader.Read($"M:{field}\nL:1/8\nK:C\nCDEFG|CDEFG|]").Score.Time.ToString().ShouldBe(metre);

    [Fact]
    public void Short_bars_at_double_lines_open_repeats_and_spaces_are_no_fault()
    {
        var read = AbcReader.Read("M:6/8\nL:1/8\nK:D\n|:A|dfa a2f|d3 e2||A|f3 d2y2A [|] f3 d3|1 a6:|2 d6::a6|]");
        read.Score.Bars[3].IsPartial.ShouldBeTrue();
        read.LeftOut.ShouldBeEmpty();
        AbcReader
            .Read("M:6/8\nL:1/8\nK:D\ndfa a2f|d3|d6|d6 d|d6|]")
            .LeftOut.Select(one => one.ToString())
            .ShouldBe(["bars that are not as long as their metre, taken as they are (bars 2, 4)"]);
        Should
            .Throw<AbcException>(() => AbcReader.Read("M:6/8\nL:1/8\nK:D\ndfa a2f|d3|d6|]", isTyped: true))
            .Message.ShouldContain("Bar 2 holds 3/8");
        AbcReader.Read("M:4/4\nL:1/4\nK:C\n|:CDEF|GABc|]").Score.Played().ShouldBe([0, 1]);
    }

    [Fact]
    public void Signs_are_kept_those_unknown_are_named_and_letters_can_be_given_a_meaning()
    {
        var read = AbcReader.Read(
            "M:4/4\nL:1/4\nU:W=!trill!\nK:C\n!mf!!fermata!C {d}WD !<(!E !<)!!wobble!F | \"Am\"uG vA !segno!B !D.S.!c|]\nw:la la"
        );
        var first = read.Score.Bars[0].Elements;
        (first[0].Dynamic, first[0].Marks, first[1].Marks, first[1].Grace.Count, first[2].Hairpin, first[3].Hairpin).ShouldBe(
            ("mf", Marks.Fermata, Marks.Trill, 1, Hairpin.GrowsFrom, Hairpin.GrowsTo)
        );
        read.Score.Bars[1].Way.ShouldBe(Way.Segno | Way.DalSegno);
        read.LeftOut.Select(one => one.ToString())
            .ShouldBe(["chord symbols (bar 2)", "signs unknown here: wobble (bar 1)", "words under the notes"]);
    }

    private static string Notes(ReadMusic read) => string.Join(' ', Performed.Notes(read.Music.Voices).Select(note => note.Midi));
}
