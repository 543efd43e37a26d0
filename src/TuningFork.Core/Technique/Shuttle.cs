namespace TuningFork.Core.Technique;

/// <summary>A set of neighbours.</summary>
/// <param name="First">Index of its first thing.</param>
/// <param name="Size">How many.</param>
public readonly record struct ShuttleSet(int First, int Size);

/// <summary>Where a shuttle stands.</summary>
/// <param name="Place">The set at hand, as an index into <see cref="Shuttle.Sets"/>; the last one once all are through.</param>
/// <param name="Set">That set.</param>
/// <param name="CleanRun">Runs of it in a row without a stop.</param>
/// <param name="IsDone">True when all sets are through.</param>
public sealed record ShuttleState(int Place, ShuttleSet Set, int CleanRun, bool IsDone);

/// <summary>
/// Keys or chords, cut into pairs, threes, fours, sixes, and all of them: back and forth until each is found without searching. Two
/// runs without a stop and the next set comes; when all of a size are through, they grow (common practice).
/// </summary>
public static class Shuttle
{
    /// <summary>Runs in a row without a stop before the next set comes.</summary>
    public const int CleanToGoOn = 2;

    private static readonly int[] AllSizes = [2, 3, 4, 6, 12];

    /// <summary>The sizes for so many things: 2, 3, 4, 6, 12 as far as they go, and all of them last.</summary>
    /// <param name="count">Things, 2 or more.</param>
    public static IReadOnlyList<int> Sizes(int count)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, 2);
        return [.. AllSizes.Where(size => size < count), count];
    }

    /// <summary>All sets in their order; where a size does not divide the things, its last set reaches back.</summary>
    /// <param name="count">Things, 2 or more.</param>
    public static IReadOnlyList<ShuttleSet> Sets(int count) =>
        [
            .. Sizes(count)
                .SelectMany(size =>
                    Enumerable
                        .Range(0, (count + size - 1) / size)
                        .Select(number => new ShuttleSet(Math.Min(number * size, count - size), size))
                ),
        ];

    /// <summary>The state after some runs.</summary>
    /// <param name="count">Things in all.</param>
    /// <param name="place">The set at the beginning.</param>
    /// <param name="runs">The runs so far, true for one without a stop.</param>
    public static ShuttleState After(int count, int place, IEnumerable<bool> runs)
    {
        ArgumentNullException.ThrowIfNull(runs);
        var sets = Sets(count);
        place = Math.Clamp(place, 0, sets.Count - 1);
        var clean = 0;
        foreach (var run in runs)
        {
            clean = run ? clean + 1 : 0;
            if (clean < CleanToGoOn)
                continue;
            if (place == sets.Count - 1)
                return new ShuttleState(place, sets[place], clean, true);
            (place, clean) = (place + 1, 0);
        }

        return new ShuttleState(place, sets[place], clean, false);
    }

    /// <summary>
    /// The things of one run in their order, by index. Two go back and forth four times; up to four come twice, mixed, never the same
    /// twice running; more come once. What is hard comes first.
    /// </summary>
    /// <param name="set">The set.</param>
    /// <param name="seed">Mixes it; another one each day and run.</param>
    /// <param name="hard">Things that came late, hardest first.</param>
    public static IReadOnlyList<int> Run(ShuttleSet set, int seed, IReadOnlyList<int>? hard = null)
    {
        var things = Enumerable.Range(set.First, set.Size).ToArray();
        var first = (hard ?? []).Where(things.Contains).Cast<int?>().FirstOrDefault() ?? -1;
        if (set.Size == 2)
            return [.. Enumerable.Repeat(things.OrderBy(thing => thing != first), 4).SelectMany(pair => pair)];
        var random = new Random(seed);
        var run = new List<int>();
        for (var round = 0; round < (set.Size <= 4 ? 2 : 1); round++)
        {
            random.Shuffle(things);
            if (round == 0 && first >= 0)
                (things[0], things[Array.IndexOf(things, first)]) = (first, things[0]);
            if (run.Count > 0 && things[0] == run[^1])
                (things[0], things[^1]) = (things[^1], things[0]);
            run.AddRange(things);
        }

        return run;
    }
}
