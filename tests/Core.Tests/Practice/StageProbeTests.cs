using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>Both limits in three minutes (common practice).</summary>
public sealed class StageProbeTests
{
    private static readonly Drill Drill = new()
    {
        Id = "d1",
        Area = Area.Technique,
        MethodId = Methods.FastestAndSlowest.Id,
        Title = "Scale",
        Minutes = 3,
        Targets =
        [
            new Target
            {
                Key = TargetKey.Of(1, TargetPart.Limit, StageProbe.Fastest),
                Title = "as fast as it goes",
                Tempo = new Bpm(90),
                MaterialId = 1,
            },
            new Target
            {
                Key = TargetKey.Of(1, TargetPart.Limit, StageProbe.Slowest),
                Title = "as slowly as it holds",
                Tempo = new Bpm(90),
            },
        ],
    };

    /// <summary>A player who plays clean up to one tempo and down to another: the probe finds both to the beat and the ten.</summary>
    [Theory]
    [InlineData(97, 25, 97, 30)]
    [InlineData(90, 40, 90, 40)]
    [InlineData(80, 20, null, 20)]
    [InlineData(93, 60, 93, null)]
    public void It_finds_the_limits_of_a_player(int most, int least, int? fastest, int? slowest)
    {
        var takes = new List<StageTake>();
        for (var cue = Stage.Now(Drill, takes, 0); !cue.Complete; cue = Stage.Now(Drill, takes, 0))
        {
            takes.Count.ShouldBeLessThan(40);
            takes.Add(new StageTake(cue.TargetIndex, cue.Tempo!.Value.Value <= most && cue.Tempo.Value.Value >= least, cue.Tempo));
        }

        int? Of(int target, Func<IEnumerable<int>, int> pick) =>
            takes.Where(take => take.Clean && take.TargetIndex == target).Select(take => take.Tempo!.Value.Value).ToList()
                is { Count: > 0 } all
                ? pick(all)
                : null;
        (Of(0, Enumerable.Max), Of(1, Enumerable.Min)).ShouldBe((fastest, slowest));
        takes.Count(take => take is { TargetIndex: 0, Clean: false }).ShouldBe(2);
    }

    [Fact]
    public void After_two_thirds_of_its_time_it_turns_to_the_slow_end()
    {
        Stage.Now(Drill, [], 0).ShouldSatisfyAllConditions(cue => cue.TargetIndex.ShouldBe(0), cue => cue.TurnsAtSeconds.ShouldBe(120));
        Stage.Now(Drill, [new StageTake(0, true, new Bpm(90))], 120).TargetIndex.ShouldBe(1);
        TodaysTempo.Weight(Drill.MethodId, Drill.Targets[0].Key).ShouldBe(1, "a take at the limit tells most about it");
    }
}
