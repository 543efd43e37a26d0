using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>What is offered after three misses running (common practice: slower, smaller, or something else).</summary>
public sealed class StageHelpTests
{
    private static readonly Drill Rounds = new()
    {
        Id = "d",
        Area = Area.Repertoire,
        MethodId = Methods.OneTakeRounds.Id,
        Title = "x",
        Minutes = 5,
        Sequence = [0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1],
        Targets =
        [
            new Target
            {
                Key = "m:1",
                MaterialId = 1,
                Title = "one",
                FromBar = 5,
                StopAfterBar = 8,
                Tempo = new Bpm(80),
                Able = new Morning(Math.Log(80), 0.1, 0.08, 0.02),
                TakeSeconds = 20,
            },
            new Target
            {
                Key = "m:2",
                MaterialId = 2,
                Title = "two",
                FromBar = 3,
                StopAfterBar = 3,
            },
        ],
    };

    [Fact]
    public void It_is_offered_for_the_thing_that_was_missed_three_times_running_and_after_three_more()
    {
        Help("0- 1+ 0-").ShouldBeNull();
        var help = Help("0- 1+ 0- 1+ 0-")!;
        (help.Title, help.HalfTo, help.CanSlow, help.CanSayWhy).ShouldBe(("one", 6, true, true), "5 to 8 has its half at 6");
        Help("0- 1+ 0+ 1+ 0- 1+ 0-").ShouldBeNull("a clean one between: not running");
        Help("0- 1+ 0- 1+ 0- 1+").ShouldBeNull("something else was played since");
        Help("0- 1+ 0- 1+ 0- 1- 0-").ShouldBeNull("four are not three");
        Help("0- 0- 0- 0- 0- 0-").ShouldNotBeNull("six are");
        Help("1- 1- 1-")!.HalfTo.ShouldBeNull("one bar has no half");
        Stage.Now(Rounds with { HelpedAt = 3 }, Takes("0- 0- 0-"), 60).Help.ShouldBeNull("it was answered");
    }

    [Fact]
    public void Methods_that_ease_by_themselves_do_not_ask()
    {
        foreach (var method in Methods.All)
        {
            var drill = Rounds with { MethodId = method.Id, Links = 4 };
            if (method.Course is Course.CleanMinutes or Course.Altered or Course.Once or Course.Questions or Course.Timed)
                StageHelp.Of(drill, Takes("0- 0- 0-")).ShouldBeNull(method.Name);
        }
    }

    [Fact]
    public void Slower_stays_slower_and_half_of_the_bars_ends_earlier()
    {
        var slower = StageHelp.Slower(Rounds, 0, new Bpm(76));
        Stage.Now(slower, Takes("0- 1+ 0- 1+ 0- 1+"), 60).Tempo!.Value.Value.ShouldBe(65, "85 % of 76, whatever was believed before");
        Stage.Now(slower, Takes("0- 1+ 0- 1+ 0- 1+ 0+ 1+"), 60).Tempo!.Value.Value.ShouldBe(65);
        var smaller = StageHelp.Smaller(Rounds, Help("0- 0- 0-")!, 9, "one, 5–6");
        var cue = Stage.Now(smaller, Takes("0- 0- 0- 1+"), 60);
        (cue.Title, cue.Sentence).ShouldBe(("one, 5–6", "Once. Stop after bar 6."));
        smaller.Targets[0].TakeSeconds.ShouldBe(14, "half of the playing, and getting ready as before");
    }

    private static HelpCue? Help(string takes) => Stage.Now(Rounds, Takes(takes), 60).Help;

    private static List<StageTake> Takes(string takes) =>
        [.. takes.Split(' ').Select(one => new StageTake(one[0] - '0', one[1] == '+', one[0] == '0' ? new Bpm(76) : null))];
}
