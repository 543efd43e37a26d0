namespace TuningFork.Core.Theory;

/// <summary>Reads chord symbols: "C", "F#m7", "Bbmaj7", "Dm7/F".</summary>
public static class ChordSymbols
{
    private static readonly Dictionary<string, string> Signs = new(StringComparer.Ordinal)
    {
        [""] = "major",
        ["maj"] = "major",
        ["M"] = "major",
        ["m"] = "minor",
        ["min"] = "minor",
        ["-"] = "minor",
        ["dim"] = "diminished",
        ["°"] = "diminished",
        ["o"] = "diminished",
        ["aug"] = "augmented",
        ["+"] = "augmented",
        ["7"] = "dominant-seventh",
        ["maj7"] = "major-seventh",
        ["M7"] = "major-seventh",
        ["m7"] = "minor-seventh",
        ["min7"] = "minor-seventh",
        ["-7"] = "minor-seventh",
        ["m7b5"] = "half-diminished",
        ["ø"] = "half-diminished",
        ["ø7"] = "half-diminished",
        ["dim7"] = "diminished-seventh",
        ["°7"] = "diminished-seventh",
        ["o7"] = "diminished-seventh",
        ["m(maj7)"] = "minor-major-seventh",
        ["mmaj7"] = "minor-major-seventh",
        ["mM7"] = "minor-major-seventh",
        ["maj7#5"] = "augmented-major-seventh",
    };

    /// <summary>Reads a symbol. A bass after a stroke must be a note of the chord.</summary>
    /// <param name="text">The symbol.</param>
    /// <param name="chord">What was read.</param>
    public static bool TryParse(string? text, out Chord chord)
    {
        chord = new Chord(new NoteName(Step.C, 0), Chord.Kinds[0]);
        var plain = (text ?? "")
            .Trim()
            .Replace("𝄫", "bb", StringComparison.Ordinal)
            .Replace("𝄪", "##", StringComparison.Ordinal)
            .Replace('♯', '#')
            .Replace('♭', 'b');
        var parts = plain.Split('/');
        if (parts.Length > 2 || parts[0].Length == 0)
            return false;
        var length = 1;
        while (length < parts[0].Length && parts[0][length] is '#' or 'b')
            length++;
        if (!NoteName.TryParse(parts[0][..length], out var name) || !Signs.TryGetValue(parts[0][length..], out var kind))
            return false;
        chord = new Chord(name, Chord.KindOf(kind));
        return parts.Length == 1 || Inverted(parts[1], ref chord);
    }

    /// <summary>Reads a symbol.</summary>
    /// <param name="text">The symbol.</param>
    /// <exception cref="FormatException">It is none.</exception>
    public static Chord Parse(string text) =>
        TryParse(text, out var chord)
            ? chord
            : throw new FormatException($"\"{text}\" is no chord; write it like C, F#m7, Bbmaj7 or Dm7/F.");

    /// <summary>All positions of a chord, root position first.</summary>
    /// <param name="chord">The chord; its own inversion does not matter.</param>
    public static IReadOnlyList<Chord> Inversions(Chord chord)
    {
        ArgumentNullException.ThrowIfNull(chord);
        return [.. Enumerable.Range(0, chord.Kind.Intervals.Count).Select(inversion => chord with { Inversion = inversion })];
    }

    private static bool Inverted(string bass, ref Chord chord)
    {
        if (!NoteName.TryParse(bass, out var lowest))
            return false;
        var place = chord.Notes.ToList().IndexOf(lowest);
        if (place < 0)
            return false;
        chord = chord with { Inversion = place };
        return true;
    }
}
