namespace TuningFork.Core.Technique;

/// <summary>Where a shuttle stands.</summary>
/// <param name="Level">Index into the sizes.</param>
/// <param name="Size">Things in the present set.</param>
/// <param name="CleanRun">Runs in a row without a stop.</param>
public sealed record ShuttleState(int Level, int Size, int CleanRun);

/// <summary>
/// Back and forth between two keys or chords until both are found without searching, then three, four, six, twelve. Two runs
/// without a stop and the set grows; two stops running and it shrinks (common practice).
/// </summary>
public static class Shuttle
{
    /// <summary>Runs without a stop before the set grows.</summary>
    public const int CleanToGrow = 2;

    private static readonly int[] AllSizes = [2, 3, 4, 6, 12];

    /// <summary>The sizes for so many things: 2, 3, 4, 6, 12 as far as they go, and all of them last.</summary>
    /// <param name="count">Things, 2 or more.</param>
    public static IReadOnlyList<int> Sizes(int count)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, 2);
        return [.. AllSizes.Where(size => size < count), count];
    }

    /// <summary>The state after some runs.</summary>
    /// <param name="count">Things in all.</param>
    /// <param name="level">Level at the beginning.</param>
    /// <param name="runs">The runs so far, true for one without a stop.</param>
    public static ShuttleState After(int count, int level, IEnumerable<bool> runs)
    {
        ArgumentNullException.ThrowIfNull(runs);
        var sizes = Sizes(count);
        level = Math.Clamp(level, 0, sizes.Count - 1);
        var (clean, stops) = (0, 0);
        foreach (var run in runs)
        {
            (clean, stops) = run ? (clean + 1, 0) : (0, stops + 1);
            if (clean == CleanToGrow && level < sizes.Count - 1)
                (level, clean) = (level + 1, 0);
            else if (stops == 2 && level > 0)
                (level, stops) = (level - 1, 0);
        }

        return new ShuttleState(level, sizes[level], clean);
    }

    /// <summary>
    /// The things of one run in their order, by index. Two go back and forth four times; up to four come twice, mixed, never
    /// the same twice running; more come once.
    /// </summary>
    /// <param name="count">Things in all.</param>
    /// <param name="size">Things in the set.</param>
    /// <param name="seed">Chooses the set and mixes it; another one each day and run.</param>
    public static IReadOnlyList<int> Run(int count, int size, int seed)
    {
        var first = (seed / 100 % count + count) % count;
        var set = Enumerable.Range(first, size).Select(i => i % count).ToArray();
        if (size == 2)
            return [.. Enumerable.Repeat(set, 4).SelectMany(pair => pair)];
        var random = new Random(seed);
        var run = new List<int>();
        for (var round = 0; round < (size <= 4 ? 2 : 1); round++)
        {
            random.Shuffle(set);
            if (run.Count > 0 && set[0] == run[^1])
                (set[0], set[^1]) = (set[^1], set[0]);
            run.AddRange(set);
        }

        return run;
    }
}
