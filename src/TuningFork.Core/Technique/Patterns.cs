using System.Globalization;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>Permutation patterns of scale degrees, numbered in dictionary order (3 give 6, 4 give 24, 5 give 120; OEIS A000142).</summary>
public static class Patterns
{
    /// <summary>Fewest degrees of a pattern.</summary>
    public const int Least = 3;

    /// <summary>Most degrees of a pattern.</summary>
    public const int Most = 5;

    /// <summary>How many there are: n factorial.</summary>
    /// <param name="size">Degrees, n, 0 or more.</param>
    public static int Count(int size) => Enumerable.Range(1, size).Aggregate(1, (product, factor) => product * factor);

    /// <summary>The permutation of 1 to n with a number: number 8 of 4 is 2143.</summary>
    /// <param name="size">Degrees, n, 1 to 9.</param>
    /// <param name="number">Its number in dictionary order, 1 to n!.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such size or number.</exception>
    public static IReadOnlyList<int> Permutation(int size, int number)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(size, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(size, 9);
        ArgumentOutOfRangeException.ThrowIfLessThan(number, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(number, Count(size));
        var left = Enumerable.Range(1, size).ToList();
        var rest = number - 1;
        var result = new List<int>(size);
        for (var places = size - 1; places >= 0; places--)
        {
            var index = rest / Count(places);
            rest %= Count(places);
            result.Add(left[index]);
            left.RemoveAt(index);
        }

        return result;
    }

    /// <summary>Days that a plan lasts: so many patterns a week, one after the other, whole weeks for each.</summary>
    /// <param name="patterns">Patterns left, 0 or more.</param>
    /// <param name="perWeek">One or two a week.</param>
    public static int DaysLeft(int patterns, int perWeek)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(patterns);
        ArgumentOutOfRangeException.ThrowIfLessThan(perWeek, 1);
        return ((patterns * 7) + perWeek - 1) / perWeek;
    }

    /// <summary>Its figures: "2143", or "2143 3142" for a pair.</summary>
    internal static string Name(SheetWish wish) =>
        string.Join(
            ' ',
            Both(wish).Select(pattern => string.Concat(pattern.Select(degree => degree.ToString(CultureInfo.InvariantCulture))))
        );

    /// <summary>
    /// The pattern moved up the scale step by step and back, then the first note; two joined ones start from the same degree, then both
    /// move on.
    /// </summary>
    internal static IReadOnlyList<Pitch> Line(Figure figure, Pitch first, SheetWish wish)
    {
        var up = figure.Up(first, wish.Octaves);
        var down = figure.Down(first, wish.Octaves).Reverse().ToList();
        var patterns = Both(wish);
        var steps = up.Count - wish.PatternSize;
        if (steps < 1)
            throw new SheetException("octaves", "The pattern does not fit into the range of the scale. Take two octaves.");
        var line = new List<Pitch>();
        for (var step = 0; step <= steps; step++)
            line.AddRange(patterns.SelectMany(pattern => pattern.Select(degree => up[step + degree - 1])));
        for (var step = steps; step >= 0; step--)
            line.AddRange(patterns.SelectMany(pattern => pattern.Reverse().Select(degree => down[step + degree - 1])));
        line.Add(first);
        return line;
    }

    private static List<IReadOnlyList<int>> Both(SheetWish wish)
    {
        if (wish.PatternSize is < Least or > Most)
            throw new SheetException("patternSize", $"A pattern has {Least} to {Most} degrees.");
        var count = Count(wish.PatternSize);
        foreach (var (field, number) in new[] { ("patternNumber", (int?)wish.PatternNumber), ("pairedWith", wish.PairedWith) })
        {
            if (number is { } given && (given < 1 || given > count))
                throw new SheetException(field, $"There are {count} patterns of {wish.PatternSize} degrees; choose 1 to {count}.");
        }

        return wish.PairedWith is { } second
            ? [Permutation(wish.PatternSize, wish.PatternNumber), Permutation(wish.PatternSize, second)]
            : [Permutation(wish.PatternSize, wish.PatternNumber)];
    }
}
