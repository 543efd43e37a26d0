using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Less of what annoys for two weeks, and subdivision ladders in their turn (common practice).</summary>
public sealed class ReliefTests
{
    private static readonly Routine Long = Shapes.All.First(shape => shape.Blocks.Any(block => block.Area == Area.Technique));

    /// <summary>Whatever is eased: the day keeps its sum, and what is eased gets less while something else can take it.</summary>
    [Fact]
    public void Half_of_the_minutes_go_to_something_else_and_the_day_stays_as_long()
    {
        var eased = 0;
        for (var seed = 0; seed < 30; seed++)
        {
            var request = DayPlannerTests.Request(45, Long, seed, passages: 6, exercises: 5);
            var before = DayPlanner.Plan(request);
            foreach (
                var drill in before.Drills.Where(drill =>
                    drill is { Area: Area.Technique, Minutes: > 1, Targets: [{ MaterialId: not null }] }
                    && before.Drills.Count(other => other.Area == Area.Technique) > 1
                )
            )
            {
                var id = drill.Targets[0].MaterialId;
                var after = DayPlanner.Plan(With(request, id!.Value, new ReliefTime(Relief.HalfMinutes, request.Day)));
                after.Total.ShouldBe(before.Total);
                var less = after.Drills.Single(other => other.Targets.Any(target => target.MaterialId == id) && other.Targets.Count == 1);
                less.Minutes.ShouldBe(drill.Minutes - (drill.Minutes / 2), less.Title);
                less.Reason.ShouldBe("less of it, as you wished");
                DayPlanner
                    .Plan(With(request, id.Value, new ReliefTime(Relief.HalfMinutes, request.Day.AddDays(1))))
                    .Drills.Select(other => (other.Title, other.Minutes))
                    .ShouldBe(before.Drills.Select(other => (other.Title, other.Minutes)), "from tomorrow, not today");
                eased++;
            }
        }

        eased.ShouldBeGreaterThan(20);
    }

    [Fact]
    public void It_holds_until_it_was_looked_at_and_a_week_off_is_a_week()
    {
        var from = new DateOnly(2031, 5, 12);
        var half = new ReliefTime(Relief.HalfMinutes, from);
        half.On(from.AddDays(-1)).ShouldBe(Relief.None);
        half.On(from.AddDays(40)).ShouldBe(Relief.HalfMinutes);
        half.LooksAgainOn.ShouldBe(new DateOnly(2031, 5, 26));
        var off = new ReliefTime(Relief.WeekOff, from);
        Enumerable.Range(-1, 20).Count(day => off.On(from.AddDays(day)) == Relief.WeekOff).ShouldBe(7);
    }

    /// <summary>A sheet's ladder comes every fourth visit, at a click between 60 and 80, in the key whose turn it is.</summary>
    [Fact]
    public void A_ladder_takes_its_turn_among_the_visits_and_leads_the_key_of_the_week_in_the_warm_up()
    {
        var request = DayPlannerTests.Request(45, Long, 1, passages: 2, exercises: 1);
        var scale = request.Materials.First(material => material.Kind == MaterialKind.Exercise) with
        {
            Rhythm = "eighth",
            Visits = 7,
            ToBar = 2,
            LastVisit = request.Day.AddDays(-1),
        };
        var ladder = Drills(scale).Single(drill => drill.MethodId == Methods.SubdivisionLadder.Id);
        ladder.Targets.Select(target => target.Key).ShouldBe(SubdivisionLadder.Rungs.Select(rung => $"m:{scale.Id}:r:{rung.Id}"));
        ladder.Targets.ShouldAllBe(target => target.Tempo!.Value.Value >= 60 && target.Tempo.Value.Value <= 80);
        ladder.Targets.Zip(ladder.Targets.Skip(1)).ShouldAllBe(pair => pair.First.TakeSeconds > pair.Second.TakeSeconds);
        Drills(scale with { ToBar = 16 })
            .Single(drill => drill.MethodId == Methods.SubdivisionLadder.Id)
            .Targets.Select(target => TargetKey.Parse(target.Key).InRhythm)
            .ShouldBe(["quarter", "eighth", "sixteenth"], "whole notes of something long would take all of its minutes");
        Drills(scale with { Visits = 8 }).ShouldNotContain(drill => drill.MethodId == Methods.SubdivisionLadder.Id);

        var week = scale with { Visits = 8, KeyPlan = new KeyPlan(KeySchool.OneAWeek) };
        var warm = Drills(week).Single(drill => drill.Area == Area.WarmUp && drill.MethodId == Methods.SubdivisionLadder.Id);
        warm.Targets.ShouldAllBe(target => target.MaterialId == null && target.Group.StartsWith("w:") && target.Key.EndsWith(":C major"));
        Drills(week)
            .ShouldContain(
                drill => drill.Area == Area.Technique && drill.Targets.Any(target => TargetKey.Parse(target.Key).InKey == "C major"),
                "technique keeps the key as well"
            );

        // Nothing climbs on a tired day, on the first days back, or after pain, in the warm-up either.
        foreach (
            var gentle in new[]
            {
                request with
                {
                    Demands = Demands.Tired,
                },
                request with
                {
                    PracticeDaysBack = 1,
                },
                request with
                {
                    AfterPain = new AfterPain(1, []),
                },
            }
        )
            Drills(week, gentle).ShouldNotContain(drill => drill.MethodId == Methods.SubdivisionLadder.Id);

        IReadOnlyList<Drill> Drills(Material exercise, DayRequest? day = null) =>
            DayPlanner
                .Plan(
                    (day ?? request) with
                    {
                        Materials = [.. request.Materials.Select(material => material.Id == exercise.Id ? exercise : material)],
                    }
                )
                .Drills;
    }

    private static DayRequest With(DayRequest request, int id, ReliefTime relief) =>
        request with
        {
            Materials = [.. request.Materials.Select(material => material.Id == id ? material with { Relief = relief } : material)],
        };
}
