namespace TuningFork.Core.Notation;

/// <summary>Where groups of tuplets begin and end in a bar whose elements know only in what ratio they are.</summary>
internal static class Tuplets
{
    /// <summary>
    /// Sets the beginning and the end of each group. Where the elements say it themselves that holds; else a group goes on until it is
    /// as long as its number says and lasts a plain value.
    /// </summary>
    /// <param name="elements">Elements of a bar of one voice, in order.</param>
    public static IReadOnlyList<Element> Grouped(IReadOnlyList<Element> elements)
    {
        var result = elements.ToArray();
        for (var i = 0; i < result.Length; )
        {
            if (result[i].Tuplet is not { } tuplet)
            {
                i++;
                continue;
            }

            var run = 1;
            while (
                i + run < result.Length
                && result[i + run].Tuplet is { } next
                && (next.Actual, next.Normal) == (tuplet.Actual, tuplet.Normal)
            )
                run++;
            var size = SizeOf(result.AsSpan(i, run));
            for (var k = 0; k < size; k++)
                result[i + k] = result[i + k] with { Tuplet = tuplet with { Begins = k == 0, Ends = k == size - 1 } };
            i += size;
        }

        return result;
    }

    /// <summary>Rests in a tuplet for a length that no plain rests can fill.</summary>
    /// <param name="length">Part of a whole note.</param>
    /// <param name="hidden">Whether they are not shown.</param>
    /// <returns>Null where there is no such tuplet.</returns>
    public static IReadOnlyList<Element>? Rests(Fraction length, bool hidden)
    {
        var odd = length.Denominator;
        while (odd % 2 == 0)
            odd /= 2;
        if (odd is 1 or > 31)
            return null;
        var normal = 1;
        while (normal * 2 < odd)
            normal *= 2;
        var tuplet = new Tuplet((int)odd, normal);
        return Values.TryCut(length * new Fraction(odd, normal)) is { } parts
            ? [.. parts.Select(part => Element.Rest(part) with { Tuplet = tuplet, IsHidden = hidden })]
            : null;
    }

    /// <summary>How many elements of a run of one ratio belong to its first group.</summary>
    private static int SizeOf(ReadOnlySpan<Element> run)
    {
        if (run[0].Tuplet!.Begins)
        {
            // Two brackets that follow each other are two groups; one that is never closed goes by its length.
            for (var i = 0; i < run.Length && (i == 0 || !run[i].Tuplet!.Begins); i++)
                if (run[i].Tuplet!.Ends)
                    return i + 1;
        }

        var unit = UnitOf(run);
        var nominal = Fraction.Zero;
        for (var i = 0; i < run.Length; i++)
        {
            nominal += run[i].Written;
            var length = nominal * new Fraction(run[0].Tuplet!.Normal, run[0].Tuplet!.Actual);
            if (nominal >= unit * new Fraction(run[0].Tuplet!.Actual, 1) && IsPlain(length))
                return i + 1;
        }

        return run.Length;
    }

    /// <summary>The value that is meant by the number of a tuplet: the one without dots that stands most often, of several the longer.</summary>
    private static Fraction UnitOf(ReadOnlySpan<Element> run)
    {
        var counts = new Dictionary<Fraction, int>();
        foreach (var element in run)
        {
            var plain = Values.Of(element.Written) is ({ } name, _) ? Values.Named(name)!.Value : element.Written;
            counts[plain] = counts.GetValueOrDefault(plain) + 1;
        }

        return counts.OrderByDescending(pair => pair.Value).ThenByDescending(pair => pair.Key).First().Key;
    }

    private static bool IsPlain(Fraction length) => (length.Denominator & (length.Denominator - 1)) == 0;
}
