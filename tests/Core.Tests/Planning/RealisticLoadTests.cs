using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>
/// About three or four passages in ten minutes with methods that repeat (common practice); a round lasts as long as its takes.
/// </summary>
public sealed class RealisticLoadTests
{
    [Theory]
    [InlineData(4, 10, true)]
    [InlineData(3, 8, true)]
    [InlineData(5, 10, false)]
    [InlineData(8, 15, false)]
    public void Three_or_four_repeated_passages_fit_ten_minutes_and_more_do_not(int passages, int minutes, bool fits)
    {
        var drills = Enumerable
            .Range(0, passages)
            .Select(i => Drill(Methods.CleanInRow, (minutes / passages) + (i < minutes % passages ? 1 : 0), Target(i)))
            .ToList();
        RealisticLoad.Check(drills).Count.ShouldBe(fits ? 0 : 1);
    }

    [Fact]
    public void The_sentence_holds_the_sum()
    {
        var drills = Enumerable.Range(0, 6).Select(i => Drill(Methods.FixedCount, 2, Target(i))).ToList();
        RealisticLoad
            .Check(drills)
            .ShouldBe([
                "6 passages are to be worked at one by one, in 12 minutes. About two and a half minutes each makes 15: leave 2 out, or give 3 more.",
            ]);
    }

    [Fact]
    public void A_round_that_does_not_fit_its_minutes_is_named()
    {
        // Eight bars of four at 60 are 32 s, with 8 s to set up 40; three of them 120 s (arithmetic).
        Target Long(int i) => Target(i) with { TakeSeconds = Takes.Seconds(8, 4, new Bpm(60)) };
        RealisticLoad.Check([Drill(Methods.OneTakeRounds, 2, Long(1), Long(2), Long(3))]).ShouldBeEmpty();
        RealisticLoad
            .Check([Drill(Methods.OneTakeRounds, 1, Long(1), Long(2), Long(3))])
            .ShouldHaveSingleItem()
            .ShouldContain("lasts 120 s and there are 60");
    }

    [Fact]
    public void What_the_planner_makes_itself_is_realistic()
    {
        foreach (var minutes in new[] { 10, 20, 30, 45, 60, 90 })
        {
            var materials = Enumerable
                .Range(1, 20)
                .Select(i => new Material
                {
                    Id = i,
                    Kind = MaterialKind.Passage,
                    Title = $"Mill Song, {i}",
                    Area = Area.Repertoire,
                    Group = 1,
                    FromBar = i,
                    ToBar = i + 1,
                    Target = new Bpm(90),
                })
                .ToList();
            DayPlanner
                .Plan(
                    new DayRequest
                    {
                        Day = new DateOnly(2031, 5, 14),
                        Minutes = minutes,
                        Routine = Shapes.Default,
                        Materials = materials,
                    }
                )
                .Warnings.ShouldBeEmpty($"{minutes} minutes");
        }
    }

    private static Drill Drill(Method method, int minutes, params Target[] targets) =>
        new()
        {
            Id = "d1",
            Area = Area.Repertoire,
            MethodId = method.Id,
            Title = "Mill Song",
            Minutes = minutes,
            Targets = targets,
        };

    private static Target Target(int i) =>
        new()
        {
            Key = $"m:{i}",
            MaterialId = i,
            Title = $"Mill Song, {i}",
            TakeSeconds = 20,
        };
}
