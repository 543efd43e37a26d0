using CsCheck;
using MathNet.Numerics.Statistics;
using Shouldly;
using TuningFork.Core.LookingBack;
using Xunit;

namespace TuningFork.Core.Tests.LookingBack;

/// <summary>Comparisons that look back: against a library of statistics, against exact counts, and against chance itself.</summary>
public sealed class ShuffleTests
{
    [Fact]
    public void Rank_correlation_is_that_of_a_library()
    {
        // MathNet.Numerics, Correlation.Spearman; small numbers, so that there are ties.
        Gen.Select(Gen.Int[0, 6].List[3, 20], Gen.Int[0, 6].List[20, 20])
            .Sample(
                (first, second) =>
                {
                    List<double> x = first.ConvertAll(one => (double)one);
                    List<double> y = second.Take(x.Count).Select(one => (double)one).ToList();
                    var expected = Correlation.Spearman(x, y);
                    if (!double.IsNaN(expected))
                        Shuffle.Spearman(x, y).ShouldBe(expected, 1e-9);
                }
            );
    }

    [Fact]
    public void The_part_by_chance_is_that_of_all_orders()
    {
        // All 20 ways to choose three of six: only the one seen and its mirror are as large (arithmetic).
        Shuffle.Means([4, 5, 6], [1, 2, 3]).Chance.ShouldBe(0.1, 0.02);
        Shuffle.Means([4, 5, 6], [1, 2, 3]).Difference.ShouldBe(3);
        // Of the 24 orders of four, two are perfectly in line.
        Shuffle.Ranks([1, 2, 3, 4], [1, 2, 3, 4]).Chance.ShouldBe(2 / 24.0, 0.02);
        Shuffle.Means([1, 1], [1, 1]).Chance.ShouldBe(1);
        Should.Throw<ArgumentException>(() => Shuffle.Means([], [1]));
    }

    [Fact]
    public void Pure_chance_is_called_sure_about_as_often_as_it_says()
    {
        var random = new Random(5);
        List<double> Some() => [.. Enumerable.Range(0, 12).Select(_ => random.NextDouble())];
        var sure = Enumerable.Range(0, 400).Count(_ => Shuffle.Means(Some(), Some()).Chance <= 0.05);
        // 400 at 5 %: 20, with a spread of 4.4.
        sure.ShouldBeInRange(5, 36);
    }

    [Fact]
    public void With_too_little_nothing_is_said_of_hours_and_lengths()
    {
        var few = Enumerable.Range(0, 7).Select(i => Sitting(9, 20, 1)).Concat(Enumerable.Range(0, 20).Select(_ => Sitting(19, 20, 0.5)));
        Conditions.Words([.. few]).ShouldHaveSingleItem().ShouldStartWith("Too little to tell");
        var many = Enumerable
            .Range(0, 20)
            .Select(i => Sitting(9, 20, 2 + (i % 3)))
            .Concat(Enumerable.Range(0, 20).Select(i => Sitting(19, 20, 0.5 + (i % 3 * 0.1))));
        Conditions.Words([.. many]).ShouldHaveSingleItem().ShouldContain("hardly by chance");
        var same = Enumerable.Range(0, 40).Select(i => Sitting(i % 2 == 0 ? 9 : 19, 20 + i, i * i % 7));
        Conditions.Words([.. same]).ShouldAllBe(line => line.Contains("chance", StringComparison.Ordinal));
    }

    [Fact]
    public void What_a_method_brought_has_a_range_that_holds_the_truth_and_is_silent_on_little()
    {
        var random = new Random(3);
        // Two methods: half a percent and a fifth of a percent a minute, with noise.
        IEnumerable<MethodVisit> Of(string name, double rate, int visits) =>
            Enumerable.Range(0, visits).Select(_ => new MethodVisit(name, (rate * 4) + ((random.NextDouble() - 0.5) * 4), 4));
        MethodGain.Of(Of("Rounds", 0.5, 9)).ShouldBeEmpty();
        var held = 0;
        for (var i = 0; i < 60; i++)
        {
            var one = MethodGain.Of(Of("Rounds", 0.5, 30)).ShouldHaveSingleItem();
            held += one.Low <= 5 && one.High >= 5 ? 1 : 0;
        }

        held.ShouldBeInRange(38, 57, "80 % of 60 is 48, with a spread of 3");
        var clear = MethodGain.Of([.. Of("Rounds", 0.5, 200), .. Of("Ladder", 0.1, 200)]);
        clear.Select(one => one.Method).ShouldBe(["Rounds", "Ladder"]);
        MethodGain.Words(clear).ShouldContain("clearly more than Ladder");
        MethodGain.Words(MethodGain.Of([.. Of("Rounds", 0.3, 12), .. Of("Ladder", 0.29, 12)])).ShouldContain("overlap");
        MethodGain.Words([]).ShouldStartWith("Too little");
    }

    private static SittingResult Sitting(int hour, double minutes, double gain) => new(new TimeOnly(hour, 0), minutes, 1, gain, null);
}
