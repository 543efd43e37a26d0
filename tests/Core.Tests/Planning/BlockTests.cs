using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Blocks of a routine of one's own: order, name, what they hold, leasts (the project's guide, time and routines).</summary>
public sealed class BlockTests
{
    [Fact]
    public void A_block_holds_chosen_material_ideas_and_a_name_and_the_routine_keeps_its_order()
    {
        var request = DayPlannerTests.Request(40, Shapes.Default, 5, 12, 6);
        var routine = new Routine(
            "own",
            [
                new(Area.Play, 4, 6, 10) { Name = "Known grooves", Ideas = ["shuffle", "march"] },
                new(Area.Repertoire, 8, 12, 20) { Name = "One piece", Materials = [102] },
                new(Area.WarmUp, 2, 4, 8),
                new(Area.Technique, 4, 8, 20) { Materials = [203] },
            ],
            Interwoven: false
        );
        var plan = DayPlanner.Plan(request with { Routine = routine });
        plan.Drills.Where(drill => drill.Area is not null)
            .Select(drill => drill.Area!.Value)
            .Distinct()
            .ShouldBe([Area.Play, Area.Repertoire, Area.WarmUp, Area.Technique]);
        var piece = plan.Drills.Where(drill => drill.Area == Area.Repertoire).ToList();
        piece.ShouldAllBe(drill => drill.Block == "One piece");
        piece.SelectMany(drill => drill.Targets).ShouldAllBe(target => target.Group == "m:102");
        plan.Drills.Where(drill => drill.Area == Area.Technique)
            .SelectMany(drill => drill.Targets)
            .ShouldAllBe(target => target.MaterialId == 203);
        plan.Drills.Where(drill => drill.MethodId == Methods.FreePlay.Id)
            .ShouldAllBe(drill => drill.Title == "shuffle" || drill.Title == "march");
        routine.Word.ShouldBe("It leaves out sight reading and ear training. The warm-up comes after other work.");
        Shapes.Default.Word.ShouldBeEmpty();
    }

    [Fact]
    public void Of_two_leasts_the_larger_holds()
    {
        var request = DayPlannerTests.Request(20, Shapes.Default, 5, 12, 6) with { History = [new AreaHistory(Area.Repertoire, 9000, 1)] };
        var plan = DayPlanner.Plan(request);
        plan.Drills.Where(drill => drill.Area == Area.Repertoire)
            .Sum(drill => drill.Minutes)
            .ShouldBeGreaterThanOrEqualTo(Shares.Default.First(share => share.Area == Area.Repertoire).Least);
    }

    [Fact]
    public void What_waits_is_named_once_where_a_day_has_two_blocks_of_music()
    {
        var routine = new Routine(
            "twice",
            [new(Area.Repertoire, 8, 12, 12), new(Area.Ear, 2, 2, 2), new(Area.Repertoire, 8, 12, 12)],
            Interwoven: false
        );
        foreach (var seed in Enumerable.Range(1, 20))
        {
            var plan = DayPlanner.Plan(DayPlannerTests.Request(26, routine, seed, 30, 2));
            plan.Waiting.ShouldNotBeEmpty();
            plan.Waiting.Where(item => item.MaterialId is not null).Select(item => item.MaterialId).ShouldBeUnique();
        }
    }
}
