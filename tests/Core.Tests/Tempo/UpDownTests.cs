using Shouldly;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Tempo;

/// <summary>Where up-and-down rules settle, by simulation.</summary>
public sealed class UpDownTests(ITestOutputHelper output)
{
    /// <summary>Levitt 1971, J. Acoust. Soc. Am. 49, 467, from memory: 50 %, 70.7 %, 79.4 %, 84.1 % clean.</summary>
    [Theory]
    [InlineData(1, 0.5)]
    [InlineData(2, 0.7071)]
    [InlineData(3, 0.7937)]
    [InlineData(4, 0.8409)]
    public void One_miss_down_settles_at_the_published_values(int cleanToClimb, double published)
    {
        var rule = new UpDown(cleanToClimb, 1);
        rule.SettlesAt().ShouldBe(published, 1e-4);
        Simulated(rule).ShouldBe(published, 0.02);
    }

    [Fact]
    public void Our_rule_settles_where_it_says()
    {
        var simulated = Simulated(UpDown.Ours);
        output.WriteLine($"three clean up, one miss down: {UpDown.Ours.SettlesAt():0.0000} computed, {simulated:0.0000} simulated");
        simulated.ShouldBe(UpDown.Ours.SettlesAt(), 0.02);
        UpDown.Ours.SettlesAt().ShouldBe(0.7937, 1e-4);
    }

    /// <summary>
    /// A learner whose chance of a clean take falls gently with the tempo; the share of clean chances at the tempos visited.
    /// </summary>
    private static double Simulated(UpDown rule)
    {
        var random = new Random(7);
        var (level, clean, misses) = (0.0, 0, 0);
        var (sum, count) = (0.0, 0);
        for (var take = 0; take < 400_000; take++)
        {
            var chance = 1 / (1 + Math.Exp(level / 40));
            if (take > 2000)
                (sum, count) = (sum + level, count + 1);
            (clean, misses) = random.NextDouble() < chance ? (clean + 1, 0) : (0, misses + 1);
            var step =
                clean == rule.CleanToClimb ? 1
                : misses == rule.MissesToFall ? -1
                : 0;
            if (step == 0)
                continue;
            level += step;
            (clean, misses) = (0, 0);
        }

        return 1 / (1 + Math.Exp(sum / count / 40));
    }

    [Fact]
    public void The_ladder_is_that_rule()
    {
        var random = new Random(3);
        var state = new LadderState(new Bpm(100));
        var (clean, misses, tempo) = (0, 0, 100);
        for (var take = 0; take < 2000; take++)
        {
            var ok = random.NextDouble() < 0.7;
            (clean, misses) = ok ? (clean + 1, 0) : (0, misses + 1);
            state = Ladder.After(state, ok, null);
            var step =
                clean == UpDown.Ours.CleanToClimb ? 3
                : misses == UpDown.Ours.MissesToFall ? -3
                : 0;
            if (step != 0)
                (clean, misses) = (0, 0);
            tempo = Math.Clamp(tempo + step, Bpm.Slowest, Bpm.Fastest);
            state.Tempo.Value.ShouldBe(tempo);
        }
    }
}
