using Shouldly;
using TuningFork.Data.Demo;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>Each made-up player writes what is true of that player's instrument.</summary>
public sealed class DemoWordsTests
{
    [Theory]
    [InlineData("reed")]
    [InlineData("breath")]
    [InlineData("tongue")]
    [InlineData("bite")]
    [InlineData("fingering")]
    [InlineData("Sang")]
    public void A_drummer_writes_nothing_of_wind_and_keys(string word) =>
        All(DemoWords.HandDrum).ShouldNotContain(line => line.Contains(word));

    [Fact]
    public void No_idea_is_on_the_shelf_twice()
    {
        DemoWords.HandDrum.Shelf.ShouldBeUnique();
        DemoWords.Clarinet.Shelf.ShouldBeUnique();
        DemoWords.HandDrum.Shelf.Intersect(DemoWords.Clarinet.Shelf).ShouldBeEmpty();
    }

    private static IEnumerable<string> All(DemoWords words) =>
        [
            .. words.AboutPassages.Keys,
            .. words.AboutPassages.Values.SelectMany(lines => lines),
            .. words.AboutExercises.Values.SelectMany(lines => lines),
            .. words.Whys.Values.SelectMany(why => new[] { why.Cause, why.Remedy, why.NextTime, why.Tag }),
            .. words.Phrases,
            .. words.AboutSessions,
            .. words.Shelf,
            words.NotPlayed,
            words.Carried,
        ];
}
