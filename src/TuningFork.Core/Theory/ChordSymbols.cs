namespace TuningFork.Core.Theory;

/// <summary>Reads chord symbols as people write them: "C", "F#m7", "BbΔ", "Dm7/F", "G7(b9)", "A-7", "E7+9", "C/D", "F6/9".</summary>
public static class ChordSymbols
{
    private static readonly Dictionary<string, ChordKind> Signs = ChordKinds
        .All.SelectMany(kind => new[] { (Sign: Plain(kind.Sign), Kind: kind), (Sign: kind.Id, Kind: kind) })
        .Concat(
            new (string Sign, string Kind)[]
            {
                ("sus", "sus4"),
                ("add2", "add9"),
                ("2", "add9"),
                ("madd2", "madd9"),
                ("maj6", "6"),
                ("7sus", "7sus4"),
                ("9sus", "9sus4"),
                ("aug7", "7#5"),
                ("augmaj7", "augmented-major-seventh"),
                ("7altered", "alt"),
                ("7alt", "alt"),
                ("alt7", "alt"),
                ("majadd9", "add9"),
            }.Select(pair => (pair.Sign, Kind: Chord.KindOf(pair.Kind)))
        )
        .DistinctBy(pair => pair.Sign, StringComparer.Ordinal)
        .ToDictionary(pair => pair.Sign, pair => pair.Kind, StringComparer.Ordinal);

    /// <summary>How people write the same: each is read as the other, in this order.</summary>
    private static readonly (string From, string To)[] Ways =
    [
        ("°7", "dim7"),
        ("o7", "dim7"),
        ("°", "dim"),
        ("ø7", "m7b5"),
        ("ø", "m7b5"),
        ("Δ7", "maj7"),
        ("Δ9", "maj9"),
        ("Δ", "maj7"),
        ("major", "maj"),
        ("minor", "m"),
        ("min", "m"),
        ("mi", "m"),
        ("Maj", "maj"),
        ("ma7", "maj7"),
        ("ma9", "maj9"),
        ("M", "maj"),
    ];

    /// <summary>Reads a symbol.</summary>
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
            .Replace('♭', 'b')
            .Replace("6/9", "69", StringComparison.Ordinal);
        var parts = plain.Split('/');
        if (parts.Length > 2 || parts[0].Length == 0)
            return false;
        var length = 1;
        while (length < parts[0].Length && parts[0][length] is '#' or 'b')
            length++;
        if (!NoteName.TryParse(parts[0][..length], out var name) || KindOf(parts[0][length..]) is not { } kind)
            return false;
        chord = new Chord(name, kind);
        return parts.Length == 1 || WithBass(parts[1], ref chord);
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
        return [.. Enumerable.Range(0, chord.Kind.Intervals.Count).Select(inversion => chord with { Inversion = inversion, Bass = null })];
    }

    /// <summary>The kind that a sign stands for, however it is written; null where there is none.</summary>
    private static ChordKind? KindOf(string sign)
    {
        var plain = Plain(sign).Replace('△', 'Δ').Replace('Ø', 'ø');
        if (Signs.TryGetValue(plain, out var kind))
            return kind;
        if (plain is "o")
            return Chord.KindOf("diminished");
        // A dash or a plus after a figure lowers or raises what follows; at the beginning they are minor and augmented.
        for (var i = plain.Length - 2; i > 0; i--)
        {
            if (plain[i] is '-' or '+' && char.IsDigit(plain[i + 1]))
                plain = plain[..i] + (plain[i] == '-' ? 'b' : '#') + plain[(i + 1)..];
        }

        plain =
            plain.StartsWith('-') ? "m" + plain[1..]
            : plain.StartsWith('+') ? "aug" + plain[1..]
            : plain;
        foreach (var (from, to) in Ways)
            plain = plain.Replace(from, to, StringComparison.Ordinal);
        return Signs.TryGetValue(plain, out kind) ? kind
            : plain == "maj" ? Chord.KindOf("major")
            : null;
    }

    /// <summary>A sign without brackets, commas and blanks, its signs as they are typed.</summary>
    private static string Plain(string sign) =>
        string.Concat(sign.Where(letter => letter is not ('(' or ')' or ',' or ' ')))
            .Replace('♯', '#')
            .Replace('♭', 'b')
            .Replace("6/9", "69", StringComparison.Ordinal);

    /// <summary>What is lowest: a note of the chord, or another below all of them.</summary>
    private static bool WithBass(string bass, ref Chord chord)
    {
        if (!NoteName.TryParse(bass, out var lowest))
            return false;
        var place = chord.Notes.ToList().IndexOf(lowest);
        chord = place >= 0 ? chord with { Inversion = place } : chord with { Bass = lowest };
        return true;
    }
}
