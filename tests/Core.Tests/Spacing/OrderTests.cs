using CsCheck;
using Shouldly;
using TuningFork.Core.Spacing;
using Xunit;

namespace TuningFork.Core.Tests;

/// <summary>
/// Arithmetic: with n things and a largest group of m, max(0, 2m - n - 1) equal neighbours cannot be avoided; brute force on small n.
/// </summary>
public sealed class OrderTests
{
    public static int Unavoidable(IReadOnlyCollection<string> groups) =>
        groups.Count == 0
            ? 0
            : Math.Max(0, (2 * groups.GroupBy(group => group, StringComparer.Ordinal).Max(group => group.Count())) - groups.Count - 1);

    [Fact]
    public void Has_the_fewest_equal_neighbours_and_keeps_every_thing() =>
        Gen.Select(Gen.OneOf("a", "b", "c", "d").Array[1, 14], Gen.Int, Gen.Bool)
            .Sample(
                (groups, seed, shuffled) =>
                {
                    var order = DrillOrder.Spread(groups, group => group, shuffled ? new Random(seed) : null);
                    order.Order(StringComparer.Ordinal).ShouldBe(groups.Order(StringComparer.Ordinal));
                    DrillOrder.Repeats(order, group => group).ShouldBe(Unavoidable(groups));
                },
                iter: 3000
            );

    [Fact]
    public void Equals_brute_force_with_something_before() =>
        Gen.Select(Gen.OneOf("a", "b", "c").Array[1, 6], Gen.OneOf("a", "b", "c"))
            .Sample(
                (groups, before) =>
                {
                    var fewest = Permutations(groups).Min(order => DrillOrder.Repeats([before, .. order], group => group));
                    DrillOrder
                        .Repeats([before, .. DrillOrder.Spread(groups, group => group, null, before)], group => group)
                        .ShouldBe(fewest);
                },
                iter: 400
            );

    [Fact]
    public void Rounds_hold_each_thing_once_and_nothing_follows_itself() =>
        Gen.Select(Gen.OneOf("a", "b", "c").Array[2, 6], Gen.Int[1, 5], Gen.OneOf(Mix.InTurn, Mix.Shuffled), Gen.Int)
            .Sample(
                (groups, rounds, mix, seed) =>
                {
                    var order = DrillOrder.Rounds(groups, rounds, mix, new Random(seed));
                    order.Count.ShouldBe(groups.Length * rounds);
                    foreach (var round in order.Chunk(groups.Length))
                        round.Order().ShouldBe(Enumerable.Range(0, groups.Length));
                    order.Zip(order.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
                },
                iter: 2000
            );

    [Fact]
    public void Blocked_stays_with_one_until_it_is_done() =>
        DrillOrder.Rounds(["a", "b"], 3, Mix.Blocked, new Random(1)).ShouldBe([0, 0, 0, 1, 1, 1]);

    private static IEnumerable<string[]> Permutations(string[] items) =>
        items.Length <= 1
            ? [items]
            : items.SelectMany((item, i) => Permutations([.. items[..i], .. items[(i + 1)..]]).Select(rest => (string[])[item, .. rest]));
}
