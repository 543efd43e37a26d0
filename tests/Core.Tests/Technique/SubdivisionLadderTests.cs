using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>The same notes at one click, twice as many on each rung (common practice).</summary>
public sealed class SubdivisionLadderTests
{
    /// <summary>A scale of seven notes over one octave, up and down, has 15 notes; at 80 the rungs last so long (arithmetic).</summary>
    [Fact]
    public void The_rungs_of_a_scale_at_80_last_as_the_table_says() =>
        SubdivisionLadder.Rungs.Select(rung => SubdivisionLadder.Seconds(15, rung, new Bpm(80))).ShouldBe([45, 22.5, 11.25, 5.625, 2.8125]);

    [Theory]
    [InlineData(null, 60)]
    [InlineData(120.0, 60)]
    [InlineData(288.0, 72)]
    [InlineData(900.0, 80)]
    public void The_click_is_where_the_top_is_within_reach(double? notesAMinute, int click) =>
        SubdivisionLadder.Click(notesAMinute).Value.ShouldBe(click);

    [Theory]
    [InlineData("+++++", false, 4, true)]
    [InlineData("++++", false, 3, false)]
    [InlineData("++-+-", false, 1, true)]
    [InlineData("--", false, -1, true)]
    [InlineData("+++++----", true, 4, true)]
    [InlineData("+++++---", true, 4, false)]
    public void It_ends_at_the_top_or_where_a_rung_broke_twice(string played, bool andDown, int highest, bool over)
    {
        var place = SubdivisionLadder.After(5, andDown, played.Select(take => take == '+'));
        (place.Highest, place.IsDone).ShouldBe((highest, over));
    }

    [Fact]
    public void It_moves_one_rung_at_a_time_its_record_never_falls_and_it_ends()
    {
        for (var seed = 0; seed < 500; seed++)
        {
            var random = new Random(seed);
            var andDown = random.Next(2) == 0;
            var (rung, highest, takes) = (0, -1, new List<bool>());
            for (var place = SubdivisionLadder.After(5, andDown, takes); !place.IsDone; place = SubdivisionLadder.After(5, andDown, takes))
            {
                Math.Abs(place.Rung - rung).ShouldBeLessThanOrEqualTo(1);
                place.Highest.ShouldBeGreaterThanOrEqualTo(highest);
                (rung, highest) = (place.Rung, place.Highest);
                takes.Add(random.Next(3) > 0);
            }

            // Each rung breaks once at most before the end; each break costs the rung below it once more.
            takes.Count.ShouldBeLessThanOrEqualTo(5 + (2 * 5) + 5);
        }
    }

    [Fact]
    public void On_the_stage_a_rung_that_held_doubles_the_notes_and_the_click_stays()
    {
        var drill = new Drill
        {
            Id = "d1",
            Area = Area.Technique,
            MethodId = Methods.SubdivisionLadder.Id,
            Title = "Scale",
            Minutes = 3,
            Targets =
            [
                .. SubdivisionLadder.Rungs.Select(rung => new Target
                {
                    Key = TargetKey.Rung(1, rung.Id, "Bb major"),
                    Title = rung.Name,
                    Tempo = new Bpm(72),
                    TakeSeconds = 10,
                }),
            ],
        };
        var (takes, cues) = (new List<StageTake>(), new List<Cue>());
        for (var cue = Stage.Now(drill, takes, 0); !cue.Complete; cue = Stage.Now(drill, takes, 0))
        {
            cues.Add(cue);
            takes.Add(new StageTake(cue.TargetIndex, takes.Count != 2, cue.Tempo));
        }

        cues.Select(cue => cue.Title)
            .ShouldBe(["whole notes", "half notes", "quarters", "half notes", "quarters", "eighths", "sixteenths"]);
        cues.ShouldAllBe(cue => cue.Tempo == new Bpm(72));
        cues[3].Count.ShouldBe("half notes held; rung 2 of 5, about 10 s");
        Stage.Now(drill with { Times = 2 }, takes, 0).Title.ShouldBe("eighths", "by wish it goes back down");
        TargetKey.Parse(drill.Targets[0].Key).ShouldBe(new TargetKey(TargetKind.Material, 1, TargetPart.Rung, "whole:Bb major"));
        TargetKey.Parse(drill.Targets[0].Key).InKey.ShouldBe("Bb major");
        TodaysTempo.Weight(drill.MethodId, drill.Targets[0].Key).ShouldBe(0, "how well the values hold says nothing of the tempo");
    }
}
