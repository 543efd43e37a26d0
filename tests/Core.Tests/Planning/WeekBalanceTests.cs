using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>The balance of the week is the plan's own sum, so that picture and plan never contradict each other.</summary>
public sealed class WeekBalanceTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(30)]
    [InlineData(75)]
    public void What_is_wanted_and_not_played_is_what_the_plan_owes(int left)
    {
        AreaHistory[] history = [.. Areas.All.Select((area, i) => new AreaHistory(area, 400 * i, 1))];
        var balance = WeekBalance.Of(Shares.Default, history, left);
        var owed = Budget.Wanted(Shares.Default, history, left == 0 ? 0 : left - SittingLength.WarmUp(left, Demands.None));
        foreach (var one in balance.Where(one => one.Area != Area.WarmUp))
            Math.Max(0, one.Wanted - one.Played).ShouldBe((double)owed[one.Area], 0.11);
        balance
            .Where(one => one.Area != Area.WarmUp)
            .Sum(one => one.Wanted)
            .ShouldBe(
                history.Where(one => one.Area != Area.WarmUp).Sum(one => one.PlayedSeconds) / 60.0
                    + Math.Max(0, left - (left == 0 ? 0 : SittingLength.WarmUp(left, Demands.None))),
                0.3
            );
        balance
            .First(one => one.Area == Area.WarmUp)
            .Wanted.ShouldBeGreaterThanOrEqualTo(balance.First(one => one.Area == Area.WarmUp).Played);
    }
}
