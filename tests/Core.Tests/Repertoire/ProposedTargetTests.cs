using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Repertoire;
using Xunit;

namespace TuningFork.Core.Tests.Repertoire;

/// <summary>Arithmetic of metronome marks: a dotted quarter at 60 is an eighth at 180 and a quarter at 90 (common practice).</summary>
public sealed class ProposedTargetTests
{
    [Theory]
    [InlineData("Q:3/8=60", "dotted quarter", 60)]
    [InlineData("Q:3/8=60", "eighth", 180)]
    [InlineData("Q:3/8=60", "quarter", 90)]
    [InlineData("Q:1/2=50", "quarter", 100)]
    public void A_tempo_given_in_the_music_is_said_in_the_beats_of_the_piece(string mark, string beat, int expected)
    {
        var proposed = ProposedTarget.Of(Music($"M:6/8\n{mark}", "cde fga|"), Beat.Find(beat)!.Value);
        proposed.ShouldBe(new ProposedTarget(new(expected), true));
    }

    [Fact]
    public void Without_one_it_follows_from_the_notes_of_the_denser_bars_and_stays_moderate()
    {
        Proposed("c2 d2 e2 f2|").ShouldBe(132, "quarters alone would go at 300");
        Proposed("cdef gabc'|").ShouldBe(132, "eighths at 150");
        Proposed("c/d/e/f/ g/a/b/c'/ c/d/e/f/ g/a/b/c'/|").ShouldBe(75, "sixteenths: 300 a minute");
        Proposed("c2 d2 e2 f2|c/d/e/f/ g/a/b/c'/ c/d/e/f/ g/a/b/c'/|").ShouldBe(75, "the denser bar decides");
        Proposed("c8-|c8-|c4 d4|").ShouldBe(132, "a tied note is one note");
        ProposedTarget.Of(Music("M:4/4", "z8|"), Beat.Quarter.Value).ShouldBeNull();
    }

    private static int Proposed(string bars)
    {
        var proposed = ProposedTarget.Of(Music("M:4/4", bars), Beat.Quarter.Value)!;
        proposed.Marked.ShouldBeFalse();
        return proposed.Tempo.Value;
    }

    private static Score Music(string head, string bars) => AbcReader.Read($"X:1\nT:Mill Song\n{head}\nL:1/8\nK:C\n{bars}\n").Score;
}
