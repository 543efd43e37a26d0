using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>Work and rest in turns. The rounds of a block: common practice, domain arithmetic floor((T + r) / (w + r)).</summary>
public sealed class StageWorkTests
{
    private static readonly Drill Block = new()
    {
        Id = "d",
        Area = Area.Repertoire,
        MethodId = Methods.WorkRestRounds.Id,
        Title = "x",
        Minutes = 24,
        WorkMinutes = 4,
        RestMinutes = 1,
        Targets =
        [
            new Target
            {
                Key = "m:1",
                Title = "one",
                MaterialId = 1,
                Tempo = new Bpm(100),
            },
            new Target { Key = "m:2", Title = "two" },
        ],
    };

    [Fact]
    public void Work_and_rest_follow_the_clock()
    {
        At(0).Title.ShouldBe("one");
        At(239).Resting.ShouldBeFalse();
        (At(100).Period!.EndsAtSeconds, At(100).Resting).ShouldBe((240, false), "the figure that runs down is that of the work");
        (At(240).Resting, At(240).Next, At(240).Period!.EndsAtSeconds).ShouldBe((true, "two", 300), "it flips at zero");
        (At(300).Title, At(300).Period!.EndsAtSeconds).ShouldBe(("two", 540));
        At(601).Title.ShouldBe("one");
        // T = 24, w = 4, r = 1: five rounds fill it exactly, the last without a rest.
        At(1439).Count.ShouldStartWith("round 5 of 5");
        At(1439).Title.ShouldBe("one");
        // Rounds of 5 minutes, 4 of them work; the second thing begins at 300 seconds.
        StageWork.Worked(Block, 10, 20).ShouldBeEmpty();
        StageWork.Worked(Block, 299, 20).ShouldBe([0]);
        StageWork.Worked(Block, 310, 20).ShouldBe([0]);
        StageWork.Worked(Block, 320, 20).ShouldBe([0, 1]);
        StageWork.Worked(Block, 1440, 20).ShouldBe([0, 1]);
    }

    /// <summary>At every second of every block the cue holds, turns when it says and not before, and ends each round at tempo.</summary>
    [Fact]
    public void The_ways_to_work_take_turns_by_the_clock_and_begin_elsewhere_each_day()
    {
        var firsts = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (minutes, work, rest) in new[] { (24, 4, 1), (25, 3, 1), (10, 4, 1), (3, 4, 1), (26, 5, 2) })
        foreach (var seed in Enumerable.Range(700_000, 5))
        {
            var drill = Block with { Minutes = minutes, WorkMinutes = work, RestMinutes = rest, Seed = seed };
            var ways = new List<string>();
            for (var second = 0; second < minutes * 60; second++)
            {
                var cue = Stage.Now(drill, [], second);
                cue.Period!.EndsAtSeconds.ShouldBeInRange(second + 1, Math.Max(second + 1, work * 60 * 20));
                if (cue.TurnsAtSeconds is { } turn && turn < minutes * 60)
                    Same(Stage.Now(drill, [], turn - 1), cue).ShouldBeTrue($"{second} of {minutes}: nothing turns before it is said");
                if (cue.TurnsAtSeconds is { } end && end < minutes * 60)
                    Same(Stage.Now(drill, [], end), cue).ShouldBeFalse($"{second} of {minutes}: it turns when it is said");
                if (ways.Count == 0 || ways[^1] != cue.Count)
                    ways.Add(cue.Count);
            }

            if (minutes < work)
                continue;
            ways.Count(way => way.EndsWith(", at tempo", StringComparison.Ordinal)).ShouldBe(Takes.WorkRest(minutes, work, rest).Rounds);
            ways[..5].Distinct().Count().ShouldBe(5, "five other ways before it");
            ways[5].ShouldEndWith(", at tempo");
            firsts.Add(ways[0]);
        }

        firsts.Count.ShouldBeGreaterThanOrEqualTo(5, "each day begins with another way");
    }

    [Fact]
    public void Takes_are_marked_where_the_notes_are_as_written_and_the_music_is_that_of_the_way()
    {
        var cues = Enumerable.Range(0, 240).Select(At).DistinctBy(cue => cue.Count).ToList();
        cues.Where(cue => cue.CountsTakes)
            .Select(cue => (cue.Count.Split(", ", 2)[1], cue.Tempo!.Value.Value))
            .ShouldBe([("slow, with the click", 65), ("at tempo", 100)], ignoreOrder: true);
        cues.Where(cue => cue.Variant.Length > 0).Select(cue => cue.Variant).ShouldBe(["long-short", "short-long"], ignoreOrder: true);
        cues.Single(cue => cue.Count.EndsWith("note by note", StringComparison.Ordinal)).Tempo.ShouldBeNull("no click where one waits");
        // The second thing has no tempo: no rhythm is made uneven, and nothing is said of a click it cannot have.
        Enumerable.Range(300, 240).Select(At).ShouldAllBe(cue => cue.Variant.Length == 0 && cue.Tempo == null);
    }

    [Fact]
    public void What_is_left_is_one_run_or_rest()
    {
        var longer = Block with { Minutes = 26 };
        var left = Stage.Now(longer, [], 24 * 60);
        (left.Title, left.CountsTakes, left.Period!.EndsAtSeconds).ShouldBe(
            ("two", true, 26 * 60),
            "the next in turn, with the time there is"
        );
        Stage.Now(longer with { Minutes = 24, SavedSeconds = 30 }, [], 24 * 60).Resting.ShouldBeTrue("half a minute is no run");
    }

    private static Cue At(int second) => Stage.Now(Block, [], second);

    private static bool Same(Cue one, Cue other) => (one.Title, one.Count, one.Resting) == (other.Title, other.Count, other.Resting);
}
