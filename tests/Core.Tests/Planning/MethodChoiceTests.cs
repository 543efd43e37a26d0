using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;
using static TuningFork.Core.Tests.Planning.RepertoireFillTests;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Methods of the player's own, and another method by hand.</summary>
public sealed class MethodChoiceTests
{
    [Fact]
    public void A_method_of_ones_own_takes_its_turn_where_it_fits()
    {
        var own = new Method(new("own:1"), "whisper", "So soft that nobody hears it.", (2, 5), "", "", Course.FixedCount, 2)
        {
            Fit = Fit.Raw,
        };
        IEnumerable<string> Visits(Fit fit, Material passage) =>
            Enumerable
                .Range(1, 10)
                .Select(visits => Drills([passage with { Visits = visits }], 5, own with { Fit = fit })[0].MethodId.Name);
        var raw = Passage() with { Readiness = Readiness.Raw, LastClean = null };
        Visits(Fit.Raw, raw).Count(id => id == "own:1").ShouldBe(2, "every fifth time, as each of ours");
        Visits(Fit.Ready, raw).ShouldNotContain("own:1");
        Visits(Fit.BeforeDate, raw with { Performance = Day.AddDays(40) }).ShouldNotContain("own:1");
        Visits(Fit.BeforeDate, raw with { Performance = Day.AddDays(20) }).ShouldContain("own:1");
        Drills([raw with { Visits = 8 }], 5, own)[0].Own.ShouldBe(own, "the drill keeps it, whatever becomes of it later");
        foreach (
            var wrong in new[]
            {
                own with
                {
                    Name = " ",
                },
                own with
                {
                    How = "",
                },
                own with
                {
                    UsualMinutes = (5, 2),
                },
                own with
                {
                    Course = Course.Rounds,
                },
                own with
                {
                    Count = 0,
                },
            }
        )
            OwnMethods.Check(wrong).ShouldHaveSingleItem();
    }

    [Fact]
    public void Another_method_can_be_chosen_and_the_choice_stays()
    {
        var request = new DayRequest
        {
            Day = Day,
            Minutes = 5,
            Routine = new Routine("r", [new Block(Area.Repertoire, 1, 5, 99)], false),
            Materials = [Passage()],
        };
        var plan = DayPlanner.Plan(request);
        foreach (var method in MethodChoice.For(plan.Drills[0], request))
        {
            var changed = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Method, plan.Drills[0].Id, MethodId: method.Id), request).Drills[
                0
            ];
            (changed.MethodId, changed.Locked, changed.Minutes).ShouldBe((method.Id, true, plan.Drills[0].Minutes));
            changed.Targets.ShouldContain(target => target.MaterialId == 7, method.Name);
            Should.NotThrow(() => Stage.Now(changed, [], 0), method.Name);
        }

        // A burst needs something else to switch to, of another piece; and one can change one's mind.
        MethodChoice.For(plan.Drills[0], request).ShouldNotContain(Methods.BurstAndSwitch);
        var two = request with
        {
            Materials = [Passage() with { LastClean = new Bpm(90) }, Passage() with { Id = 8, Group = 2, LastClean = new Bpm(80) }],
        };
        var bursts = MethodChoice.Change(plan.Drills[0], Methods.BurstAndSwitch.Id, two);
        bursts.Targets.Select(target => target.MaterialId).ShouldBe([7, 8]);
        MethodChoice.Change(bursts, Methods.FixedCount.Id, two).Targets.ShouldHaveSingleItem().MaterialId.ShouldBe(7);
        MethodChoice.For(plan.Drills[0], request with { IsPitched = false }).ShouldNotContain(Methods.OtherKeys);
        Should.Throw<PlanException>(() => MethodChoice.Change(plan.Drills[0], new("magic"), request)).Field.ShouldBe("methodId");
        Should
            .Throw<PlanException>(() => MethodChoice.Change(plan.Drills[0] with { Area = Area.Ear }, Methods.FixedCount.Id, request))
            .Field.ShouldBe("drillId");
    }
}
