using Shouldly;
using TuningFork.Core.Repertoire;
using Xunit;

namespace TuningFork.Core.Tests.Repertoire;

/// <summary>"Wrong notes" is no answer: it says what, not why (common practice).</summary>
public sealed class CausesTests
{
    [Theory]
    [InlineData("wrong notes")]
    [InlineData("missed notes")]
    [InlineData("I missed notes")]
    [InlineData("I missed some notes")]
    [InlineData("missed a few notes")]
    [InlineData("Missed the note again!")]
    [InlineData("played it wrong")]
    [InlineData("not clean")]
    [InlineData("lots of mistakes, still")]
    public void What_says_only_that_it_went_wrong_is_no_cause(string words) => Causes.SayNothing(words).ShouldBeTrue();

    [Theory]
    [InlineData("rushing")]
    [InlineData("missed the shift because the hand was late")]
    [InlineData("wrong finger on the F sharp")]
    [InlineData("notes too short")]
    [InlineData("fingers not ready")]
    [InlineData("too loud")]
    [InlineData("")]
    public void What_says_why_is_one(string words) => Causes.SayNothing(words).ShouldBeFalse();

    [Fact]
    public void All_that_come_with_the_program_say_why() => Causes.All.ShouldAllBe(cause => !Causes.SayNothing(cause.Name));
}
