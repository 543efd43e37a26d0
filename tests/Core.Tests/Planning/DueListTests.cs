using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>What goes first when more is due than fits, and why.</summary>
public sealed class DueListTests
{
    private static readonly DateOnly Today = new(2031, 5, 14);

    [Fact]
    public void Asked_for_then_slipped_then_what_waited_then_yesterdays_then_new_then_not_due()
    {
        Material[] materials =
        [
            Passage(1, days: 1, stability: 30) with
            {
                Title = "not due",
                Reach = Reach.At(90, 0.03),
            },
            Passage(2, days: 12, stability: 8) with
            {
                Title = "due",
                Reach = Reach.At(90, 0.03),
            },
            Passage(8, days: 1, stability: 30) with
            {
                Title = "grows, played yesterday",
            },
            Passage(9, days: 2, stability: 30) with
            {
                Title = "grows",
            },
            Passage(3, days: 2, stability: 8) with
            {
                Title = "slipped",
                Slipped = true,
            },
            Passage(4, days: 1, stability: 30) with
            {
                Title = "asked",
                AskedFor = true,
            },
            new Material
            {
                Id = 5,
                Kind = MaterialKind.Passage,
                Title = "new",
                Area = Area.Repertoire,
            },
            Passage(6, days: 3, stability: 1) with
            {
                Title = "resting",
                Resting = true,
            },
            Passage(7, days: 0, stability: 1) with
            {
                Title = "played today",
            },
        ];
        var queue = DueList.For(materials, Today, School.WideningGaps);
        queue
            .Select(queued => queued.Material.Title)
            .ShouldBe(["asked", "slipped", "due", "grows", "grows, played yesterday", "new", "not due"]);
        queue[1].Reason.ShouldStartWith("slipped 2 days ago");
        queue[2].Reason.ShouldBe("at its target; last played 12 days ago");
        queue[3].Reason.ShouldBe("72 of 90, 2 days away");
        queue[6].IsDue.ShouldBeFalse();
    }

    [Fact]
    public void A_new_exercise_has_its_turn_among_the_others()
    {
        Material Exercise(int id, DateOnly? last) =>
            new()
            {
                Id = id,
                Kind = MaterialKind.Exercise,
                Title = $"E{id}",
                Area = Area.Technique,
                Target = new Bpm(100),
                LastVisit = last,
                Visits = last is null ? 0 : 5,
                Memory = last is null ? null : new Memory(20, 5),
                ReviewOn = Today.AddDays(Review.Days - 4),
            };
        Material[] all =
        [
            Exercise(1, Today.AddDays(-2)),
            Exercise(2, Today.AddDays(-3)),
            Exercise(3, Today.AddDays(-1)),
            Exercise(4, null),
        ];
        DueList
            .For(all, Today, School.WideningGaps)
            .Select(queued => queued.Material.Id)
            .ShouldBe([4, 2, 1, 3], "entered four days ago; then the longest away");
    }

    [Fact]
    public void A_near_performance_moves_things_forward_and_is_named()
    {
        var far = Passage(1, days: 9, stability: 9);
        var near = Passage(2, days: 9, stability: 9) with { Performance = Today.AddDays(5) };
        var queue = DueList.For([far, near], Today, School.WideningGaps);
        queue[0].Material.Id.ShouldBe(2);
        queue[0].Reason.ShouldBe("72 of 90, 5 days left");
    }

    /// <summary>Arithmetic: twenty passages of a minute and a half, each every other day, need fifteen minutes a day.</summary>
    [Fact]
    public void The_minutes_that_would_keep_up_are_visits_over_gaps()
    {
        var one = Passage(1, days: 1, stability: 5);
        var materials = Enumerable.Range(1, 20).Select(id => one with { Id = id }).ToList();
        var expected = (int)Math.Ceiling(20 * one.VisitSeconds / 2.0 / 60);
        DueList.MinutesToKeepUp(materials, Today, School.EveryOtherDay).ShouldBe(expected);
        DueList.MinutesToKeepUp(materials.Select(material => material with { Resting = true }), Today, School.EveryOtherDay).ShouldBe(0);
    }

    [Fact]
    public void A_day_that_cannot_hold_everything_says_what_waits_and_what_would_keep_up()
    {
        var materials = Enumerable
            .Range(1, 60)
            .Select(id => Passage(id, days: 20, stability: 3) with { Group = id % 7, Title = $"Piece {id % 7}, {id}" })
            .ToList();
        var monday = Today.AddDays((8 - (int)Today.DayOfWeek) % 7);
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = monday,
                Minutes = 30,
                Routine = Shapes.Default,
                Materials = materials,
            }
        );
        DayPlanner
            .Plan(
                new DayRequest
                {
                    Day = monday.AddDays(1),
                    Minutes = 30,
                    Routine = Shapes.Default,
                    Materials = materials,
                }
            )
            .Summary.ShouldNotContain(text => text.Contains("keep up", StringComparison.Ordinal), "once a week");
        var placed = plan.Drills.SelectMany(drill => drill.Targets).Count(target => target.MaterialId is not null);
        plan.Waiting.Count.ShouldBe(60 - placed);
        var line = plan.Summary.First(text => text.Contains("would keep up", StringComparison.Ordinal));
        line.ShouldStartWith($"{plan.Waiting.Count} things wait; ");
        line.ShouldContain($"{DueList.MinutesToKeepUp(materials, monday, School.WideningGaps)} minutes");
    }

    [Fact]
    public void A_short_day_names_the_area_that_waits_and_for_how_long()
    {
        var history = Areas.Shared.Select(area => new AreaHistory(area, 600, area == Area.Ear ? 4 : 1)).ToList();
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = Today,
                Minutes = 10,
                Routine = Shapes.Default,
                History = history,
            }
        );
        plan.Drills.ShouldContain(drill => drill.Area == Area.Ear, "the ear has waited longest");
        plan.Summary.Sum(line => line.Split(' ').Length).ShouldBeLessThanOrEqualTo(30, "no more than a tired person reads");
        plan.Summary.ShouldContain(line => line.Contains("fit today", StringComparison.Ordinal));
    }

    private static Material Passage(int id, int days, double stability) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Passage,
            Title = $"P, {id}",
            Area = Area.Repertoire,
            FromBar = 1,
            ToBar = 3,
            Target = new Bpm(90),
            Readiness = Readiness.Shaping,
            LastVisit = Today.AddDays(-days),
            Visits = 4,
            Memory = new Memory(stability, 5),
            LastClean = new Bpm(80),
            Reach = Reach.At(72, 0.05),
        };
}
