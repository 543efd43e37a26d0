namespace TuningFork.Core.Notation;

/// <summary>Note values that can be written with one head: breve to 256th, with up to three dots.</summary>
public static class Values
{
    private static readonly string[] Names = ["breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th", "128th", "256th"];

    /// <summary>How much longer a head is with none, one, two and three dots.</summary>
    private static readonly Fraction[] Dots = [new(1, 1), new(3, 2), new(7, 4), new(15, 8)];

    private static readonly Dictionary<Fraction, (string Name, int Dots)> All = Names
        .SelectMany((name, i) => Dots.Select((longer, dots) => (Value: Plain(i) * longer, Name: name, Dots: dots)))
        .ToDictionary(one => one.Value, one => (one.Name, one.Dots));

    /// <summary>Values with one dot at most, the longest first: longer lengths are cut into them.</summary>
    private static readonly Fraction[] ForCutting =
    [
        .. All.Where(pair => pair.Value.Dots < 2 && pair.Value.Name != "breve").Select(pair => pair.Key).OrderDescending(),
    ];

    /// <summary>Name and dots of a value; null when one head cannot show it.</summary>
    /// <param name="value">Part of a whole note.</param>
    public static (string Name, int Dots)? Of(Fraction value) => All.TryGetValue(value, out var found) ? found : null;

    /// <summary>The value of a name, as MusicXML writes it; null where there is none of it.</summary>
    /// <param name="name">"quarter", "16th".</param>
    /// <param name="dots">Its dots, 0 to 3.</param>
    public static Fraction? Named(string name, int dots = 0)
    {
        var at = Array.IndexOf(Names, name);
        return at < 0 || dots < 0 || dots >= Dots.Length ? null : Plain(at) * Dots[dots];
    }

    /// <summary>A length cut into values that can be written, the longest first; to be tied.</summary>
    /// <param name="length">Part of a whole note; its lower number a power of two up to 256.</param>
    /// <exception cref="ArgumentException">It cannot be written.</exception>
    public static IReadOnlyList<Fraction> Cut(Fraction length) =>
        TryCut(length) ?? throw new ArgumentException($"{length} of a whole note cannot be written.", nameof(length));

    /// <summary>The same; null where it cannot be written.</summary>
    /// <param name="length">Part of a whole note.</param>
    public static IReadOnlyList<Fraction>? TryCut(Fraction length)
    {
        var parts = new List<Fraction>();
        for (var left = length; left > Fraction.Zero; )
        {
            var part = Array.Find(ForCutting, value => value <= left);
            if (part == default || parts.Count > 1000)
                return null;
            parts.Add(part);
            left -= part;
        }

        return parts;
    }

    private static Fraction Plain(int index) => index == 0 ? new Fraction(2, 1) : new Fraction(1, 1L << (index - 1));
}
