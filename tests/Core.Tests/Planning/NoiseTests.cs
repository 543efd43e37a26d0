using Shouldly;
using TuningFork.Core.Planning;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>How much sound a day bears (recommended exposure limit, NIOSH 98-126, table 1-1, from memory).</summary>
public sealed class NoiseTests
{
    [Theory]
    [InlineData(85, 480)]
    [InlineData(88, 240)]
    [InlineData(91, 120)]
    [InlineData(94, 60)]
    [InlineData(97, 30)]
    [InlineData(100, 15)]
    public void Each_three_decibels_halve_the_time(double level, double minutes) => Noise.AllowedMinutes(level).ShouldBe(minutes, 1e-9);

    [Fact]
    public void Sources_of_a_day_add_up_as_shares()
    {
        Noise.Dose([new(85, 240), new(94, 30)]).ShouldBe(1, 1e-9);
        Noise.Dose([new(70, 600)]).ShouldBe(0);
        Noise.Dose([]).ShouldBe(0);
        Noise.Say(1.5).ShouldContain("too much");
        Noise.Say(0.6).ShouldContain("wise");
        Noise.SayAllowed(100).ShouldBe("15 minutes");
        Noise.SayAllowed(91).ShouldBe("2 h");
        Noise.SayAllowed(60).ShouldBe("as long as you like");
        Should.Throw<ArgumentOutOfRangeException>(() => Noise.AllowedMinutes(500));
        Should.Throw<ArgumentOutOfRangeException>(() => Noise.Dose([new(90, 2000)]));
    }
}
