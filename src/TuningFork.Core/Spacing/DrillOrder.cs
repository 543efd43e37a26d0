namespace TuningFork.Core.Spacing;

/// <summary>How several things are mixed.</summary>
public enum Mix
{
    /// <summary>One until it is done, then the next; for raw material only.</summary>
    Blocked,

    /// <summary>Round and round in the same order.</summary>
    InTurn,

    /// <summary>Every round in another order.</summary>
    Shuffled,
}

/// <summary>
/// Orders things so that neighbours differ whenever that is possible, with the fewest repeats otherwise. With n things
/// and a largest group of m, no repeat is needed exactly when m &lt;= ceil(n/2); otherwise 2m - n - 1 are (arithmetic).
/// </summary>
public static class DrillOrder
{
    /// <summary>An order with the fewest equal neighbours.</summary>
    /// <param name="items">The things, in the order that is preferred.</param>
    /// <param name="group">What makes two of them alike.</param>
    /// <param name="random">Shuffles where given; where null the preferred order is kept as far as possible.</param>
    /// <param name="before">The group of what goes before the first, or null.</param>
    public static IReadOnlyList<T> Spread<T>(IReadOnlyList<T> items, Func<T, string> group, Random? random = null, string? before = null)
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(group);
        var queues = new Dictionary<string, Queue<(T Item, int Index)>>(StringComparer.Ordinal);
        var order = Enumerable.Range(0, items.Count).ToArray();
        if (random is not null)
            random.Shuffle(order);
        foreach (var index in order)
        {
            var key = group(items[index]);
            if (!queues.TryGetValue(key, out var queue))
                queues[key] = queue = new();
            queue.Enqueue((items[index], index));
        }

        var result = new List<T>(items.Count);
        for (var left = items.Count; left > 0; left--)
        {
            var key = Next(queues, left, before, random);
            result.Add(queues[key].Dequeue().Item);
            if (queues[key].Count == 0)
                queues.Remove(key);
            before = key;
        }

        return result;
    }

    /// <summary>Equal neighbours in an order.</summary>
    public static int Repeats<T>(IReadOnlyList<T> items, Func<T, string> group) =>
        Enumerable
            .Range(1, Math.Max(0, items.Count - 1))
            .Count(i => string.Equals(group(items[i]), group(items[i - 1]), StringComparison.Ordinal));

    /// <summary>
    /// Indices of the things to take in rounds. In turn and shuffled, every round holds each thing once and no thing follows
    /// itself, across the ends of rounds too (with one thing alone that cannot be helped).
    /// </summary>
    /// <param name="groups">The group (piece or exercise) of each thing.</param>
    /// <param name="rounds">Rounds, 1 or more.</param>
    /// <param name="mix">How they are mixed.</param>
    /// <param name="random">Chance, for <see cref="Mix.Shuffled"/>.</param>
    public static IReadOnlyList<int> Rounds(IReadOnlyList<string> groups, int rounds, Mix mix, Random random)
    {
        ArgumentNullException.ThrowIfNull(groups);
        ArgumentOutOfRangeException.ThrowIfLessThan(rounds, 1);
        var all = Enumerable.Range(0, groups.Count).ToArray();
        if (mix == Mix.Blocked)
            return [.. all.SelectMany(index => Enumerable.Repeat(index, rounds))];
        if (mix == Mix.InTurn)
        {
            var turn = Spread(all, index => groups[index]);
            return [.. Enumerable.Repeat(turn, rounds).SelectMany(round => round)];
        }

        var result = new List<int>();
        for (var round = 0; round < rounds; round++)
        {
            var last = result.Count > 0 ? result[^1] : -1;
            var order = Spread(all, index => groups[index], random, last < 0 ? null : groups[last]).ToList();
            if (order.Count > 1 && order[0] == last)
                SwapFirst(order, groups);
            result.AddRange(order);
        }

        return result;
    }

    /// <summary>
    /// All of one group: the round may begin with the thing just played; another of the same group changes places with it.
    /// </summary>
    private static void SwapFirst(List<int> order, IReadOnlyList<string> groups)
    {
        var other = order.FindIndex(1, index => groups[index] == groups[order[0]]);
        if (other > 0)
            (order[0], order[other]) = (order[other], order[0]);
    }

    private static string Next<T>(Dictionary<string, Queue<(T Item, int Index)>> queues, int left, string? before, Random? random)
    {
        var best = queues.Keys.Min(key => Cost(key));
        var open = queues.Keys.Where(key => Cost(key) == best).ToList();
        if (random is null)
            return open.OrderBy(key => queues[key].Peek().Index).First();
        var pick = random.Next(open.Sum(key => queues[key].Count));
        foreach (var key in open)
        {
            pick -= queues[key].Count;
            if (pick < 0)
                return key;
        }

        return open[^1];

        int Cost(string key)
        {
            var now = string.Equals(key, before, StringComparison.Ordinal) ? 1 : 0;
            var worst = 0;
            foreach (var (other, queue) in queues)
            {
                var count = queue.Count - (other == key ? 1 : 0);
                var others = left - 1 - count;
                worst = Math.Max(worst, count - others - (other == key ? 0 : 1));
            }

            return now + worst;
        }
    }
}
