namespace TuningFork.Core.Planning;

/// <summary>One taker of minutes in a split.</summary>
/// <param name="Least">Fewest whole minutes it may get, 0 or more.</param>
/// <param name="Most">Most whole minutes it may get, not below <paramref name="Least"/>.</param>
/// <param name="Wanted">Minutes it would like; may be a fraction.</param>
/// <param name="Waited">Days since it last had any; settles ties, the longest first.</param>
public readonly record struct SplitPart(int Least, int Most, decimal Wanted, int Waited = 0);

/// <summary>
/// Splits whole minutes so that the sum of squared differences from what is wanted is the smallest possible.
/// The cost is a sum of strictly convex functions, one a part, so handing out minute by minute to the part whose
/// cost grows least is exact (marginal allocation; Fox 1966, "Discrete optimization via marginal analysis", from memory).
/// </summary>
public static class MinuteSplit
{
    /// <summary>Whole minutes for each part, in the order given; they add up to <paramref name="total"/> exactly.</summary>
    /// <remarks>Of several equally good splits the one is taken that gives the odd minute to the part that has waited longest, then to
    /// the earlier one.</remarks>
    /// <param name="parts">The takers.</param>
    /// <param name="total">Minutes to give, between the sum of the leasts and the sum of the mosts.</param>
    /// <exception cref="ArgumentException">The total is outside what the parts allow, or a part's bounds are reversed.</exception>
    public static int[] Solve(IReadOnlyList<SplitPart> parts, int total)
    {
        ArgumentNullException.ThrowIfNull(parts);
        if (parts.Any(part => part.Least < 0 || part.Most < part.Least))
            throw new ArgumentException("Every part needs 0 <= least <= most.", nameof(parts));
        if (total < parts.Sum(part => part.Least) || total > parts.Sum(part => (long)part.Most))
            throw new ArgumentException($"{total} minutes are outside what the parts allow.", nameof(total));

        var given = parts.Select(part => part.Least).ToArray();
        for (var left = total - given.Sum(); left > 0; left--)
            given[Cheapest(parts, given)]++;
        return given;
    }

    private static int Cheapest(IReadOnlyList<SplitPart> parts, int[] given)
    {
        var best = -1;
        for (var i = 0; i < parts.Count; i++)
        {
            if (given[i] < parts[i].Most && (best < 0 || Before(i, best)))
                best = i;
        }

        return best;

        bool Before(int i, int j)
        {
            var difference = (given[i] - parts[i].Wanted) - (given[j] - parts[j].Wanted);
            return difference < 0 || (difference == 0 && parts[i].Waited > parts[j].Waited);
        }
    }
}
