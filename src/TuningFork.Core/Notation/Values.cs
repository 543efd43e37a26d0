namespace TuningFork.Core.Notation;

/// <summary>Note values that can be written with one head: whole to 64th, with up to two dots.</summary>
public static class Values
{
    private static readonly string[] Names = ["whole", "half", "quarter", "eighth", "16th", "32nd", "64th"];

    /// <summary>Name and dots of a value; null when one head cannot show it.</summary>
    /// <param name="value">Part of a whole note.</param>
    public static (string Name, int Dots)? Of(Fraction value)
    {
        for (var i = 0; i < Names.Length; i++)
        {
            var plain = new Fraction(1, 1L << i);
            if (value == plain)
                return (Names[i], 0);
            if (value == plain * new Fraction(3, 2))
                return (Names[i], 1);
            if (value == plain * new Fraction(7, 4))
                return (Names[i], 2);
        }

        return null;
    }

    /// <summary>A length cut into values that can be written, the longest first; to be tied.</summary>
    /// <param name="length">Part of a whole note; its lower number a power of two up to 64.</param>
    /// <exception cref="ArgumentException">It cannot be written.</exception>
    public static IReadOnlyList<Fraction> Cut(Fraction length)
    {
        var parts = new List<Fraction>();
        var left = length;
        while (left > Fraction.Zero)
        {
            var part = Enumerable
                .Range(0, Names.Length)
                .SelectMany(i => new[] { new Fraction(3, 2L << i), new Fraction(1, 1L << i) })
                .Where(value => value <= left && Of(value) is not null)
                .DefaultIfEmpty(Fraction.Zero)
                .Max();
            if (part == Fraction.Zero)
                throw new ArgumentException($"{length} of a whole note cannot be written.", nameof(length));
            parts.Add(part);
            left -= part;
        }

        return parts;
    }
}
