using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Where the player overrules: another plan, another number of times, a limit; and words on what was entered.</summary>
public sealed class OverruledTests
{
    [Fact]
    public void Planned_anew_it_is_another_plan_of_the_same_minutes()
    {
        var request = DayPlannerTests.Request(40, Shapes.Default, 5, 20, 6);
        string Of(int variant)
        {
            var plan = DayPlanner.Plan(request with { Variant = variant, Seed = request.Seed + variant });
            plan.Total.ShouldBe(40);
            return string.Join('|', plan.Drills.Select(drill => drill.Title).Order(StringComparer.Ordinal));
        }

        Enumerable.Range(0, 4).Select(Of).Distinct().Count().ShouldBe(4);
        Of(1).ShouldBe(Of(1));
    }

    [Fact]
    public void Takes_that_a_method_counts_can_be_chosen_and_stay()
    {
        var request = DayPlannerTests.Request(30, new Routine("r", [new Block(Area.Repertoire, 1, 30, 99)], false), 5, 0, 0);
        var slow = new Drill
        {
            Id = "d1",
            Area = Area.Repertoire,
            MethodId = Methods.FixedCount.Id,
            Title = "Kite, 3",
            Minutes = 4,
            Targets = [new Target { Key = "m:1", Title = "Kite, 3" }],
        };
        var plan = new DayPlan
        {
            Day = request.Day,
            Minutes = 30,
            Drills = [slow],
        };
        var ten = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Times, "d1", 10), request);
        ten.Kept.Single().Times.ShouldBe(10);
        Methods.Of(ten.Drills[0]).Name.ShouldBe("10 times, slowly");
        Stage.Now(ten.Drills[0], [.. Enumerable.Repeat(new StageTake(0, true), 9)], 10).Complete.ShouldBeFalse();
        Stage.Now(ten.Drills[0], [.. Enumerable.Repeat(new StageTake(0, true), 10)], 10).Complete.ShouldBeTrue();
        Should.Throw<PlanException>(() => PlanEdit.Apply(plan, new PlanChange(ChangeKind.Times, "d1", 2), request)).Field.ShouldBe("value");
        Should
            .Throw<PlanException>(() =>
                PlanEdit.Apply(
                    plan with
                    {
                        Drills = [slow with { MethodId = Methods.CleanInRow.Id }],
                    },
                    new PlanChange(ChangeKind.Times, "d1", 5),
                    request
                )
            )
            .Field.ShouldBe("drillId");
    }

    [Fact]
    public void A_limit_of_passages_under_way_holds_new_ones_back()
    {
        var request = DayPlannerTests.Request(60, Shapes.Default, 5, 20, 6);
        request = request with
        {
            Materials =
            [
                .. request.Materials.Select(one => one.LastVisit is null ? one : one with { Best = new TuningFork.Core.Tempo.Bpm(60) }),
            ],
        };
        var growing = request.Materials.Count(one => one.Kind == MaterialKind.Passage && Standing.IsGrowing(one, request.Day));
        bool Begins(int most) =>
            DayPlanner
                .Plan(request with { UnderWay = most })
                .Drills.SelectMany(drill => drill.Targets)
                .Any(target =>
                    request.Materials.Any(one => one.Id == target.MaterialId && one is { Kind: MaterialKind.Passage, LastVisit: null })
                );
        Begins(0).ShouldBeTrue();
        Begins(growing).ShouldBeFalse();
        Begins(growing + 5).ShouldBeTrue();
    }

    [Fact]
    public void What_has_no_tempo_takes_one_drill_of_technique_in_four()
    {
        var request = DayPlannerTests.Request(45, Shapes.Default, 5, 8, 3);
        Material Free(int id) =>
            new()
            {
                Id = id,
                Kind = MaterialKind.Exercise,
                Title = $"Free {id}",
                Area = Area.Technique,
            };
        var drills = Enumerable
            .Range(0, 20)
            .SelectMany(day =>
                DayPlanner
                    .Plan(
                        request with
                        {
                            Day = request.Day.AddDays(day),
                            Materials = [.. request.Materials, Free(401), Free(402), Free(403)],
                        }
                    )
                    .Drills.Where(drill => drill.Area == Area.Technique)
            )
            .ToList();
        drills.Count(drill => drill.Title.StartsWith("Free", StringComparison.Ordinal)).ShouldBeLessThanOrEqualTo((drills.Count + 3) / 4);
    }

    [Fact]
    public void A_passage_entered_twice_too_long_or_with_an_unknown_difficulty_is_said()
    {
        var passage = new Material
        {
            Id = 3,
            Kind = MaterialKind.Passage,
            Title = "Kite, 5–16",
            Area = Area.Repertoire,
            FromBar = 5,
            ToBar = 16,
            Difficulty = "left hand stretch",
        };
        PassageWords
            .Of(passage, [(5, 16)])
            .ShouldBe(
                "These bars are there already. 5–16: 12 bars are long for a passage; one to four come faster. No method knows \"left hand stretch\" as a difficulty; it is kept as a word of yours."
            );
        PassageWords.Of(passage with { ToBar = 8, Difficulty = "shift" }, [(5, 16)]).ShouldBeEmpty();
    }
}
