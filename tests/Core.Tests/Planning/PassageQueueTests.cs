using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;
using static TuningFork.Core.Tests.Planning.RepertoireFillTests;

namespace TuningFork.Core.Tests.Planning;

/// <summary>What is held back for others, and when.</summary>
public sealed class PassageQueueTests
{
    private const int Minutes = 20;
    private const int DaysToDate = 30;

    /// <summary>The sum of what all need is unsure: nearly enough minutes hold nothing back, far too few do.</summary>
    [Theory]
    [InlineData(0.9, false)]
    [InlineData(1.2, false)]
    [InlineData(1.6, true)]
    public void Something_is_held_back_only_when_clearly_not_all_fits(double wanted, bool holds)
    {
        var one = Passage() with
        {
            Reach = Reach.At(70, 0.04),
            LastVisit = Day.AddDays(-1),
            Slipped = false,
            Best = new Bpm(70),
            Performance = Day.AddDays(DaysToDate),
        };
        var each = Growth.Takes(one.Reach!.Value, one.Target!.Value.Value, Traits.Usual) * one.TakeSeconds;
        var there = DaysToDate * Habits.UsualPart * Minutes * 60;
        var all = Enumerable
            .Range(1, (int)Math.Round(wanted * there / each))
            .Select(id => one with { Id = id, Group = id, Title = $"{id}" });
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = Day,
                Minutes = Minutes,
                UsualMinutes = Minutes,
                Routine = new Routine("r", [new Block(Area.Repertoire, 1, Minutes, 99)], false),
                Materials = [.. all],
            }
        );
        plan.Waiting.Any(waiting => waiting.Reason.EndsWith("others first", StringComparison.Ordinal)).ShouldBe(holds);
    }
}
