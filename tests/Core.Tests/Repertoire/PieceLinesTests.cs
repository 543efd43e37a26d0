using Shouldly;
using TuningFork.Core.Repertoire;
using Xunit;

namespace TuningFork.Core.Tests.Repertoire;

/// <summary>How people write down what they are working on.</summary>
public sealed class PieceLinesTests
{
    [Theory]
    [InlineData("Waltz 48 bars 120, hard 9-12, 25-28", "Waltz", 48, false, 120, "9-12 25-28")]
    [InlineData("Mill Song", "Mill Song", 32, true, null, "")]
    [InlineData("  mill song ,  at 96 ", "mill song", 32, true, 96, "")]
    [InlineData("Mill Song, 96, 40 bars", "Mill Song", 40, false, 96, "")]
    [InlineData("Kite Song; Hard: 3, 7 – 8", "Kite Song", 32, true, null, "3-3 7-8")]
    [InlineData("Kite Song hard bars 41-44", "Kite Song", 44, true, null, "41-44")]
    [InlineData("Study 12", "Study 12", 32, true, null, "")]
    [InlineData("Study no. 3 24 Bars = 72", "Study no. 3", 24, false, 72, "")]
    [InlineData("Hardanger Tune 60", "Hardanger Tune", 32, true, 60, "")]
    [InlineData("48 bars", "", 48, false, null, "")]
    public void A_line_is_read_as_it_is_meant(string line, string title, int bars, bool guessed, int? target, string passages)
    {
        var read = PieceLines.Read(line).ShouldHaveSingleItem();
        (read.Title, read.Bars, read.Guessed, read.Target).ShouldBe((title, bars, guessed, target));
        string.Join(' ', read.Passages.Select(passage => $"{passage.From}-{passage.To}")).ShouldBe(passages);
    }

    [Theory]
    [InlineData("Porch Light 24 bars 6/8 90, hard 5-8", "Porch Light", 90, 2, "dotted quarter")]
    [InlineData("Waltz in 3/4", "Waltz", null, 3, "quarter")]
    [InlineData("Slow Air, 6/4, 60", "Slow Air", 60, 6, "quarter")]
    [InlineData("Cut Reel 2/2 96", "Cut Reel", 96, 2, "half")]
    [InlineData("Page 1/3 of Songs", "Page 1/3 of Songs", null, 4, "quarter")]
    [InlineData("Suite 12/24/8", "Suite 12/24/8", null, 4, "quarter")]
    public void A_metre_is_read_and_counted_in_its_beats(string line, string title, int? target, int beats, string beat)
    {
        var read = PieceLines.Read(line).ShouldHaveSingleItem();
        (read.Title, read.Target, read.BeatsPerBar, read.Beat.Name).ShouldBe((title, target, beats, beat));
    }

    [Fact]
    public void Each_line_is_a_piece_and_blank_ones_are_none()
    {
        PieceLines.Read("One 16 bars\r\n\r\n   \nTwo hard 3\r\n").Select(piece => piece.Title).ShouldBe(["One", "Two"]);
        PieceLines.Read("").ShouldBeEmpty();
        PieceLines
            .Read($"Long {new string('9', 40)} bars")
            .ShouldHaveSingleItem()
            .Bars.ShouldBe(int.MaxValue, "refused where it is entered, with words");
    }
}
