using Shouldly;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

public sealed class StageClockTests
{
    /// <summary>A window that tells more than went by, for an hour: all that is ever granted is the hour and the slack, once.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(7)]
    public void However_fast_a_window_counts_it_cannot_outrun_the_clock(int factor)
    {
        var (played, ahead) = (0.0, 0.0);
        for (var second = 1; second <= 3600; second++)
        {
            var (added, now) = StageClock.Count(played, second * factor, 1 - ahead);
            added.ShouldBeGreaterThanOrEqualTo(0);
            (played, ahead) = (played + added, now);
        }

        played.ShouldBeInRange(3600, 3600 + StageClock.Slack + 1e-9);
    }

    [Fact]
    public void A_closed_lid_adds_nothing_and_the_same_report_twice_counts_once()
    {
        StageClock.Count(30, 30, 7200).Added.ShouldBe(0);
        StageClock.Count(30, 31, 1).Added.ShouldBe(1);
        StageClock.Count(31, 31, 0.2).Added.ShouldBe(0);
        StageClock.Count(31, 12, 5).Added.ShouldBe(0, "a window that counts behind takes nothing away");
    }

    /// <summary>Two minutes away; then acts come first with little to tell, and the report of the whole time after them.</summary>
    [Fact]
    public void What_went_by_while_the_program_was_away_is_claimed_a_little_later()
    {
        var (added, ahead) = StageClock.Count(10, 11, 110);
        added.ShouldBe(1);
        StageClock.Count(11, 120, 0.5 - ahead).Added.ShouldBe(109, 1);
        StageClock.Count(10, 10, 10_000).Ahead.ShouldBe(-StageClock.MostUnclaimed, "not more than that");
    }

    [Fact]
    public void A_clock_that_is_set_back_neither_stops_nor_feeds_the_drill()
    {
        StageClock.Count(10, 12, -3600).Added.ShouldBe(2);
        StageClock.Count(10, 4000, -3600).Added.ShouldBe(StageClock.Slack);
    }
}
