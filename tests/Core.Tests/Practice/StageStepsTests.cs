using CsCheck;
using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>Altered versions step by step.</summary>
public sealed class StageStepsTests
{
    private static readonly Gen<Drill> Drills =
        from method in Gen.OneOf(
            Gen.Const(Methods.SilentBars),
            Gen.Const(Methods.GrowingChain),
            Gen.Const(Methods.RhythmVariants),
            Gen.Const(Methods.EqualValues),
            Gen.Const(Methods.HandsSeparately),
            Gen.Const(Methods.EyesClosed)
        )
        from links in Gen.Int[1, 40]
        from place in Gen.Int[0, 40]
        from bars in Gen.Int[1, 6]
        select Altered(method, links, place, bars);

    /// <summary>However it goes, the steps go forward or stay, and all clean takes lead through every one of them to the end.</summary>
    [Fact]
    public void Steps_never_go_back_and_clean_takes_lead_through_all_of_them() =>
        Drills
            .SelectMany(drill => Gen.Bool.List[0, 60].Select(marks => (drill, marks)))
            .Sample(one =>
            {
                var (drill, takes, before) = (one.drill, new List<StageTake>(), -1);
                foreach (var clean in one.marks)
                {
                    var cue = Stage.Now(drill, takes, 0);
                    if (cue.Complete)
                        break;
                    var step = StageSteps.After(drill, takes).Step;
                    step.ShouldBeGreaterThanOrEqualTo(before);
                    before = step;
                    takes.Add(new StageTake(cue.TargetIndex, clean, cue.Tempo));
                }

                for (var more = 0; !Stage.Now(drill, takes, 0).Complete; more++)
                {
                    more.ShouldBeLessThan(100);
                    var cue = Stage.Now(drill, takes, 0);
                    takes.Add(new StageTake(cue.TargetIndex, true, cue.Tempo));
                }

                takes[^1].TargetIndex.ShouldBe(drill.Targets.Count - 1, "the last take is as written");
                takes.Count(take => take.TargetIndex == drill.Targets.Count - 1).ShouldBe(1);
                StageSteps.PlaceAfter(drill, takes.SkipLast(1)).ShouldBe(0, "all were played: from the beginning next time");
            });

    /// <summary>What a drill needs when all goes well is the sum of the takes that it really asks for.</summary>
    [Fact]
    public void Its_seconds_are_those_of_its_takes() =>
        Drills
            .Where(drill => drill.MethodId != Methods.GrowingChain.Id)
            .Sample(drill =>
            {
                var (takes, seconds) = (new List<StageTake>(), 0);
                while (Stage.Now(drill, takes, 0) is { Complete: false } cue)
                {
                    seconds += drill.Targets[cue.TargetIndex].TakeSeconds;
                    takes.Add(new StageTake(cue.TargetIndex, true, cue.Tempo));
                }

                StageSteps.Seconds(drill).ShouldBe(seconds);
            });

    /// <summary>Twelve notes of which each step plays one more: 1 + 2 + ... + 12 twelfths of the playing, and twelve times the setting up.</summary>
    [Fact]
    public void A_chain_lasts_as_long_as_its_links()
    {
        var drill = Altered(Methods.GrowingChain, 12, 0, 4);
        var playing = drill.Targets[0].TakeSeconds - Takes.SetUpSeconds;
        StageSteps
            .Seconds(drill)
            .ShouldBe((int)Math.Ceiling((12 * Takes.SetUpSeconds) + (playing * 78 / 12.0)) + drill.Targets[^1].TakeSeconds);
        StageSteps
            .Seconds(drill with { Targets = [drill.Targets[0] with { Place = 11 }, drill.Targets[1]] })
            .ShouldBe(drill.Targets[0].TakeSeconds + drill.Targets[^1].TakeSeconds, "the place is kept: one link is left");
    }

    [Fact]
    public void A_silence_goes_on_after_two_clean_a_tenth_slower_after_two_misses_then_half_of_the_bars()
    {
        var drill = Altered(Methods.SilentBars, 1, 0, 4);
        Cue After(params bool[] marks) => Stage.Now(drill, [.. marks.Select(clean => new StageTake(0, clean, new Bpm(60)))], 0);
        After().Count.ShouldBe("step 1 of 6, 0 of 2 clean");
        After(true, true).Title.ShouldBe("other bars");
        After(false).Tempo.ShouldBe(new Bpm(60));
        After(false, false).Tempo.ShouldBe(new Bpm(54));
        After(false, false, true, true).Tempo.ShouldBe(new Bpm(60), "the next step begins at its own tempo");
        var halved = After(false, false, false, false);
        (halved.StopAfterBar, halved.Tempo).ShouldBe((2, new Bpm(54)));
        After(false, false, false, false, false, false).Title.ShouldBe("other bars", "enough of it for today");
    }

    [Fact]
    public void With_closed_eyes_the_tempo_follows_and_open_eyes_go_a_little_above_the_best()
    {
        var drill = Altered(Methods.EyesClosed, 1, 0, 4);
        var takes = new List<StageTake>();
        List<int> tempi = [];
        foreach (var clean in new[] { true, true, false, true })
        {
            var cue = Stage.Now(drill, takes, 0);
            tempi.Add(cue.Tempo!.Value.Value);
            takes.Add(new StageTake(cue.TargetIndex, clean, cue.Tempo));
        }

        (tempi[1] - tempi[0], tempi[2] - tempi[1], tempi[3]).ShouldBe((tempi[1] - tempi[0], tempi[2] - tempi[1], tempi[1]));
        tempi[2].ShouldBeGreaterThan(tempi[1]);
        var open = Stage.Now(drill, takes, 0);
        (open.TargetIndex, open.Sentence).ShouldBe((1, "Eyes open, once, as written."));
        open.Tempo!.Value.Value.ShouldBeInRange(tempi[1] + 1, tempi[1] + 4);
    }

    /// <summary>When the time is nearly up the take as written comes, wherever the steps stand; they go on there next time.</summary>
    [Fact]
    public void The_end_of_its_time_belongs_to_the_take_as_written()
    {
        var drill = Altered(Methods.GrowingChain, 20, 3, 4);
        var first = Stage.Now(drill, [], 0);
        (first.Step, first.Count, first.TurnsAtSeconds).ShouldBe((4, "4 of 20 beats", drill.Seconds - drill.Targets[1].TakeSeconds));
        List<StageTake> takes = [new(0, true), new(0, true)];
        Stage.Now(drill, takes, first.TurnsAtSeconds!.Value).Sentence.ShouldBe("Once, as written.");
        StageSteps.PlaceAfter(drill, takes).ShouldBe(5);
    }

    private static Drill Altered(Method method, int links, int place, int bars)
    {
        var written = new Target
        {
            Key = "m:7",
            MaterialId = 7,
            Title = "as written",
            FromBar = 1,
            StopAfterBar = bars,
            Tempo = new Bpm(75),
            Goal = new Bpm(110),
            TakeSeconds = Takes.Seconds(bars, 4, new Bpm(75)),
        };
        var versions = AlteredVersion.Of(method.Id).Take(method == Methods.GrowingChain ? 1 : 99);
        return new Drill
        {
            Id = "d1",
            Area = Area.Repertoire,
            MethodId = method.Id,
            Title = "x",
            Minutes = 5,
            Links = method == Methods.GrowingChain ? links : null,
            Targets =
            [
                .. versions.Select(
                    (version, at) =>
                        written with
                        {
                            Key = TargetKey.Of(7, TargetPart.Variant, version.Id),
                            MaterialId = null,
                            Title = version.Id == "silent-bars-swapped" ? "other bars" : version.Name,
                            Tempo = new Bpm(60),
                            Goal = null,
                            TakeSeconds = Takes.Seconds(bars, 4, new Bpm(60)),
                            Place = at == 0 ? place : 0,
                        }
                ),
                written,
            ],
        };
    }
}
