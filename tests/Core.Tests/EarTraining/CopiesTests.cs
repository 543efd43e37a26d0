using Shouldly;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using Xunit;

namespace TuningFork.Core.Tests.EarTraining;

/// <summary>What is heard and played back gets harder as it comes; three lines of one's own begin with the source.</summary>
public sealed class CopiesTests
{
    [Fact]
    public void It_rises_after_few_hearings_stays_after_many_and_falls_when_it_did_not_come()
    {
        Copies.Next(4, right: true, hearings: 3).ShouldBe(5);
        Copies.Next(4, right: true, hearings: 4).ShouldBe(4);
        Copies.Next(4, right: false, hearings: 1).ShouldBe(3);
        Copies.Next(1, right: false, hearings: 9).ShouldBe(1);
        Copies.Next(Copies.Hardest, right: true, hearings: 1).ShouldBe(Copies.Hardest);
        Copies.Words(4, right: true, hearings: 1).ShouldBe("All of it after one hearing. The next one is harder: level 5.");
        Copies.Words(4, right: false, hearings: 6).ShouldBe("Not yet, after 6 hearings. The next one is easier: level 3.");
        Enumerable.Range(1, Copies.Hardest).Select(Copies.FigureSize).ShouldBe([3, 3, 3, 3, 4, 4, 4, 4, 5, 5, 5, 5]);
    }

    [Fact]
    public void Three_lines_are_the_music_three_times_over()
    {
        var phrase = "M:3/4\nL:1/4\nK:D\nD F A | d3 |]\n";
        var lines = AbcReader.Read(AbcLines.Repeated(phrase)).Score;
        var once = AbcReader.Read(phrase).Score;
        lines.Check().ShouldBeEmpty();
        lines.Bars.Count.ShouldBe(6);
        Performed
            .Notes(lines)
            .Select(note => note.Midi)
            .ShouldBe(Enumerable.Repeat(Performed.Notes(once).Select(note => note.Midi), 3).SelectMany(one => one));
        Performed.Length(lines).ShouldBe(Performed.Length(once) * new Fraction(3, 1));
    }
}
