using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Technique;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

public sealed class GrooveMusicTests
{
    [Fact]
    public void Strokes_lie_where_the_grid_has_them_and_go_round_until_four_bars_are_full()
    {
        var take = WrittenMoment.Of(GrooveMusic.Take(Groove.Parse("3 beats of 2\nhigh: x.|..|x.\nlow: x.|.o|..")));
        take.Select(moment => moment.Bar).ShouldBe([1, 1, 1, 2, 2, 2, 3, 3, 3, 4, 4, 4]);
        take.Take(3).Select(moment => moment.InBar).ShouldBe([0, 0.375, 0.5], "strokes at one place are one");
        take[3].At.ShouldBe(0.75);
        take.ShouldAllBe(moment => moment.Midis.Count == 1);
    }

    [Theory]
    [InlineData(1, 4)]
    [InlineData(2, 4)]
    [InlineData(3, 6)]
    [InlineData(8, 8)]
    public void A_groove_is_never_cut(int bars, int played)
    {
        var groove = Groove.Parse("low: " + string.Concat(Enumerable.Repeat("x...x...x..xx.x.|", bars)));
        GrooveMusic.Take(groove).Lead.Bars.Count.ShouldBe(played);
        GrooveMusic.Take(groove).Check().ShouldBeEmpty();
    }
}
