using CsCheck;
using Shouldly;
using TuningFork.Core.Planning;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>What a player has a hand in outlives planning anew, whatever the changes were and in whatever order.</summary>
public sealed class ByHandTests
{
    private static readonly ChangeKind[] Kinds = [ChangeKind.Minutes, ChangeKind.Move, ChangeKind.LeaveOut, ChangeKind.Lock];

    [Fact]
    public void Changes_outlive_planning_anew_and_the_minutes_still_add_up()
    {
        var cases =
            from minutes in Gen.Int[30, 90]
            from seed in Gen.Int[0, 10_000]
            from changes in Gen.Select(Gen.Int[0, Kinds.Length - 1], Gen.Int[0, 100], Gen.Int[0, 100]).List[1, 5]
            select (minutes, seed, changes);
        cases.Sample(
            one =>
            {
                var request = DayPlannerTests.Request(one.minutes, Shapes.Default, one.seed, 12, 5);
                var plan = DayPlanner.Plan(request);
                foreach (var (kind, which, value) in one.changes)
                {
                    var drills = plan.Drills.Where(drill => !drill.IsBreak).ToList();
                    if (drills.Count > 2)
                        plan = PlanEdit.Apply(
                            plan,
                            new PlanChange(
                                Kinds[kind],
                                drills[which % drills.Count].Id,
                                Kinds[kind] == ChangeKind.Minutes ? 1 + (value % 4) : value % drills.Count
                            ),
                            request
                        );
                }

                DayPlan anew;
                try
                {
                    anew = DayPlanner.Plan(request with { Seed = one.seed + 1, Kept = plan.Kept, LeftOut = plan.LeftOut });
                }
                catch (PlanException)
                {
                    // What stays and the musts do not fit together: refused, not dropped.
                    return;
                }

                foreach (var kept in plan.Kept)
                    anew.Drills.ShouldContain(drill =>
                        drill.Id == kept.Id && drill.Minutes == kept.Minutes && drill.MethodId == kept.MethodId
                    );
                foreach (
                    var gone in plan.LeftOut.Where(gone =>
                        gone.Targets.Count > 0
                        && plan.Kept.All(kept =>
                            !kept.Targets.Select(target => target.Key).ToHashSet().SetEquals(gone.Targets.Select(target => target.Key))
                        )
                    )
                )
                    anew.Drills.ShouldNotContain(drill =>
                        drill.Area == gone.Area
                        && drill.Targets.Select(target => target.Key).ToHashSet().SetEquals(gone.Targets.Select(target => target.Key))
                    );
                anew.LeftOut.ShouldBe(plan.LeftOut);
                anew.Total.ShouldBeLessThanOrEqualTo(one.minutes);
                anew.Total.ShouldBeGreaterThan(one.minutes - plan.LeftOut.Sum(gone => gone.Minutes) - 1);
                anew.Drills.Select(drill => drill.Id).ShouldBeUnique();
            },
            iter: 300
        );
    }

    /// <summary>A day made much shorter: what is locked stays, of the rest as much as fits, and what goes is named.</summary>
    [Fact]
    public void On_a_shorter_day_what_does_not_fit_is_named_and_nothing_else_goes()
    {
        var request = DayPlannerTests.Request(60, Shapes.Default, 7, 12, 5);
        var plan = DayPlanner.Plan(request);
        var drills = plan.Drills.Where(drill => !drill.IsBreak).ToList();
        plan = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Lock, drills[^1].Id), request);
        foreach (var drill in drills.SkipLast(1).TakeLast(4))
            plan = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Minutes, drill.Id, 8), request);
        PlanAnew.Keeping(plan, request with { Seed = 8 }).Gone.ShouldBeEmpty("an hour holds them");

        var shorter = request with { Minutes = 30, Routine = Shapes.All[^1] };
        var (anew, gone) = PlanAnew.Keeping(plan, shorter);
        gone.ShouldNotBeEmpty();
        gone.ShouldAllBe(drill => !drill.Locked);
        foreach (var kept in plan.Kept.Where(kept => gone.All(one => one.Id != kept.Id)))
            anew.Drills.ShouldContain(drill => drill.Id == kept.Id && drill.Minutes == kept.Minutes);
        anew.Total.ShouldBeLessThanOrEqualTo(30);
        foreach (var one in gone)
            Should.Throw<PlanException>(
                () =>
                    DayPlanner.Plan(
                        shorter with
                        {
                            Kept = [.. plan.Kept.Where(kept => gone.All(left => left.Id != kept.Id)), one],
                            LeftOut = plan.LeftOut,
                        }
                    ),
                $"{one.Title} would have fitted"
            );
    }

    [Fact]
    public void What_was_moved_stands_where_it_was_put()
    {
        var request = DayPlannerTests.Request(45, Shapes.Default, 7, 12, 5);
        var plan = DayPlanner.Plan(request);
        var (last, second) = (plan.Drills[^1].Id, plan.Drills[1].Id);
        plan = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Move, last, 0), request);
        plan = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Move, second, plan.Drills.Count - 1), request);
        var anew = DayPlanner.Plan(request with { Seed = 99, Kept = plan.Kept, LeftOut = plan.LeftOut });
        anew.Drills[0].Id.ShouldBe(last);
        anew.Drills[^1].Id.ShouldBe(second);
    }

    /// <summary>A day is never later than today, and near days are believed.</summary>
    [Fact]
    public void Days_ahead_are_seen_from_today()
    {
        var today = new DateOnly(2031, 5, 14);
        foreach (var (ahead, seen) in new[] { (-400, -400), (-1, -1), (0, 0), (1, 0), (2, 0), (3, -1), (1826, -1) })
            PracticeDay.AsSeenOn(today.AddDays(ahead), today).ShouldBe(today.AddDays(seen), $"{ahead} days ahead");
        OpenSession
            .IsOver(today.AddDays(-1), today, TimeSpan.FromMinutes(59))
            .ShouldBeFalse("who plays on past the boundary is still in it");
        OpenSession.IsOver(today.AddDays(-1), today, TimeSpan.FromMinutes(61)).ShouldBeTrue();
        OpenSession.IsOver(today, today, TimeSpan.FromHours(9)).ShouldBeFalse();
        OpenSession.IsOver(today.AddDays(1), today, TimeSpan.FromHours(-9)).ShouldBeFalse("a flight west");
        OpenSession.IsOver(today.AddDays(1826), today, TimeSpan.FromDays(-1826)).ShouldBeTrue("begun under a clock that was wrong");
    }
}
