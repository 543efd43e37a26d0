using CsCheck;
using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>
/// The last two weeks, the eve and the day of a performance, and minutes set by week (the project's guide, passages; common practice).
/// </summary>
public sealed class NearDateTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void On_the_day_and_on_its_eve_every_dated_piece_has_its_place_once_at_its_tempo()
    {
        var days =
            from minutes in Gen.Int[20, 90]
            from seed in Gen.Int[0, 10_000]
            from left in Gen.Int[0, 1]
            from dated in Gen.Int[1, 3]
            select (Request: With(minutes, seed, dated, Day.AddDays(left)), Left: left, Dated: dated);
        days.Sample(
            day =>
            {
                var plan = DayPlanner.Plan(day.Request);
                plan.Total.ShouldBe(day.Request.Minutes);
                foreach (var piece in Enumerable.Range(100, day.Dated))
                {
                    var drills = plan.Drills.Where(drill => drill.Targets.Any(target => target.MaterialId == piece)).ToList();
                    drills.Count.ShouldBe(1);
                    drills[0].Targets.ShouldAllBe(target => target.Pace == Pace.Performance && target.Ease == 1);
                    (
                        drills[0].MethodId == Methods.PerformanceTake.Id
                        || drills[0].Title.EndsWith("beginning and end", StringComparison.Ordinal)
                    ).ShouldBeTrue();
                }

                if (day.Left > 0)
                    return;
                plan.Drills.ShouldNotContain(drill => drill.Area == Area.SightReading);
                plan.Drills.Where(drill => drill.Area == Area.WarmUp)
                    .Sum(drill => drill.Minutes)
                    .ShouldBeLessThanOrEqualTo(SittingLength.WarmUp(day.Request.Minutes, Demands.Concert));
                plan.Drills.Where(drill => drill.Area == Area.Repertoire)
                    .SelectMany(drill => drill.Targets)
                    .Where(target => target.MaterialId is not null)
                    .ShouldAllBe(target =>
                        day.Request.Materials.First(one => one.Id == target.MaterialId).LastVisit != null || target.MaterialId >= 100
                    );
            },
            iter: 200
        );
    }

    [Fact]
    public void Near_a_date_the_repertoire_has_what_the_way_to_it_needs_and_the_others_keep_their_least()
    {
        var far = DayPlanner.Plan(With(45, 3, 1, Day.AddDays(60)));
        var near = DayPlanner.Plan(With(45, 3, 1, Day.AddDays(9)));
        Minutes(near, Area.Repertoire).ShouldBeGreaterThan(Minutes(far, Area.Repertoire));
        foreach (var area in new[] { Area.SightReading, Area.Technique, Area.Ear, Area.Play })
            Minutes(near, area).ShouldBeGreaterThan(0);
    }

    [Fact]
    public void After_a_performance_the_next_goes_on_with_sections_at_once()
    {
        var piece = new Material
        {
            Id = 1,
            Kind = MaterialKind.Piece,
            Title = "March",
            Area = Area.Repertoire,
            Performance = Day.AddDays(20),
            PerformanceSet = Day.AddDays(-40),
        };
        Performances.On(piece with { LastPerformance = null, PerformanceSet = Day.AddDays(-1) }, Day).ShouldBe(Phase.Passages);
        Performances.On(piece with { LastPerformance = Day.AddDays(-1) }, Day).ShouldBe(Phase.Sections);
        Performances.On(piece with { LastPerformance = Day.AddDays(-1) }, Day.AddDays(12)).ShouldBe(Phase.RunThroughs);
    }

    [Fact]
    public void Minutes_set_by_week_are_kept_and_what_does_not_fit_is_named()
    {
        var request = DayPlannerTests.Request(40, Shapes.Default, 5, 8, 6);
        Material Wished(Material material, int minutes, int times) =>
            material.Id == 205 ? material with { WeekMinutes = minutes, WeekTimes = times } : material;
        var kept = DayPlanner.Plan(request with { Materials = [.. request.Materials.Select(material => Wished(material, 7, 3))] });
        kept.Drills.ShouldContain(drill => drill.Minutes == 7 && drill.Targets.Any(target => target.MaterialId == 205));
        var often = DayPlanner.Plan(
            request with
            {
                Materials = [.. request.Materials.Select(material => Wished(material, 7, 3) with { WeekVisits = 3 })],
            }
        );
        often.Drills.ShouldNotContain(drill => drill.Minutes == 7 && drill.Targets.Any(target => target.MaterialId == 205));
        var tooLong = DayPlanner.Plan(request with { Materials = [.. request.Materials.Select(material => Wished(material, 59, 2))] });
        tooLong.Waiting.ShouldContain(item => item.MaterialId == 205 && item.Reason.Contains("not enough minutes"));
    }

    [Fact]
    public void Minutes_set_for_a_piece_go_to_its_passages_and_without_a_place_they_are_named()
    {
        var request = DayPlannerTests.Request(40, Shapes.Default, 5, 12, 3);
        var old = request
            .Materials.Select(one => one.Group == 101 && one.LastVisit is not null ? one with { LastVisit = Day.AddDays(-9) } : one)
            .ToList();
        List<Material> wished = [.. old.Select(one => one.Id == 101 ? one with { WeekMinutes = 6, WeekTimes = 2 } : one)];
        var drill = DayPlanner.Plan(request with { Materials = wished }).Drills.First(one => one.Reason == "6 min, twice a week");
        (drill.Minutes, drill.MethodId).ShouldBe((6, Methods.OneTakeRounds.Id));
        drill.Targets.ShouldAllBe(target => target.Group == "m:101");
        var none = request.Routine with { Blocks = [.. request.Routine.Blocks.Where(block => block.Area != Area.Repertoire)] };
        DayPlanner
            .Plan(request with { Materials = wished, Routine = none })
            .Waiting.ShouldContain(item => item.MaterialId == 101 && item.Reason.Contains("no place"));
    }

    private static int Minutes(DayPlan plan, Area area) => plan.Drills.Where(drill => drill.Area == area).Sum(drill => drill.Minutes);

    private static DayRequest With(int minutes, int seed, int dated, DateOnly date)
    {
        var request = DayPlannerTests.Request(minutes, Shapes.Default, seed, 12, 4);
        return request with
        {
            Materials =
            [
                .. request.Materials.Select(one =>
                    one.Group >= 100 && one.Group < 100 + dated
                        ? one with
                        {
                            Performance = date,
                            PerformanceSet = Day.AddDays(-50),
                            LastVisit = one.Kind == MaterialKind.Piece ? Day.AddDays(-3) : one.LastVisit,
                            Reach = one.Reach is null ? null : TuningFork.Core.Ability.Reach.At(45, 0.06),
                        }
                        : one
                ),
            ],
        };
    }
}
