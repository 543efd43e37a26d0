using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>Precision at low tempo after days away (common practice).</summary>
public sealed class DensityTests
{
    private static readonly DateOnly Day = new(2031, 5, 12);

    [Fact]
    public void It_goes_down_to_one_note_a_click_and_up_again_to_what_is_written()
    {
        foreach (var rhythm in Rhythm.All)
        {
            var steps = Density.Steps(rhythm);
            steps[0].NotesPerClick.ShouldBe(1);
            steps[^1].ShouldBe(rhythm);
            steps.Zip(steps.Skip(1)).ShouldAllBe(pair => pair.First.NotesPerClick < pair.Second.NotesPerClick);
        }

        Density.Steps(Rhythm.Get("sixteenth")).Select(step => step.Id).ShouldBe(["quarter", "eighth", "sixteenth"]);
    }

    [Fact]
    public void It_is_over_when_it_was_clean_as_written_on_two_days()
    {
        (DateOnly, DateOnly?, bool) Visit(int ago, int? before, bool clean) =>
            (Day.AddDays(-ago), before is { } days ? Day.AddDays(-days) : null, clean);
        Density.IsRegaining([Visit(9, 10, true)]).ShouldBeFalse("it was never away");
        Density.IsRegaining([Visit(9, null, true)]).ShouldBeFalse("it is new");
        Density.IsRegaining([Visit(3, 14, false)]).ShouldBeTrue();
        Density.IsRegaining([Visit(3, 14, true), Visit(2, 3, false)]).ShouldBeTrue("clean on one day only");
        Density.IsRegaining([Visit(20, 21, true), Visit(19, 20, true), Visit(3, 19, true), Visit(2, 3, true)]).ShouldBeFalse();
    }

    [Fact]
    public void The_stage_goes_up_after_two_clean_takes_and_back_after_a_miss()
    {
        var drill = new Drill
        {
            Id = "d1",
            Area = Area.Technique,
            MethodId = Methods.HalfDensity.Id,
            Title = "Scale",
            Minutes = 4,
            Reason = "",
            Targets =
            [
                .. new[] { "m:1:h:quarter", "m:1:h:eighth", "m:1" }.Select(key => new Target
                {
                    Key = key,
                    Title = key,
                    Group = "m:1",
                    MaterialId = 1,
                    TakeSeconds = 10,
                }),
            ],
        };
        int At(string takes) => Stage.Now(drill, [.. takes.Select(take => new StageTake(0, take == '+'))], 0).TargetIndex;
        At("").ShouldBe(0);
        At("+").ShouldBe(0);
        At("++").ShouldBe(1);
        At("++-").ShouldBe(0);
        At("++++").ShouldBe(2);
        Stage.Now(drill, [.. "+++++++".Select(_ => new StageTake(0, true))], 0).Complete.ShouldBeTrue("three clean as written");
        TodaysTempo.Weight(Methods.HalfDensity.Id, "m:1:h:eighth").ShouldBe(0, "fewer notes say nothing about the tempo of all");
    }
}
