namespace TuningFork.Core.Theory;

/// <summary>The chords or keys of a song, as people list them: "G, C, D7", "F major".</summary>
public static class Harmony
{
    /// <summary>Most chords and keys of a song.</summary>
    public const int Most = 48;

    /// <summary>Each as it is printed; what is neither a chord nor a key comes back as the problem.</summary>
    /// <param name="text">The list: commas, semicolons, bar lines, lines or spaces between them.</param>
    /// <param name="unknown">The first that is neither; null when all are known.</param>
    public static IReadOnlyList<string> Read(string text, out string? unknown)
    {
        ArgumentNullException.ThrowIfNull(text);
        unknown = null;
        var names = new List<string>();
        foreach (var part in text.Split([',', ';', '|', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (NameOf(part) is { } name)
                names.Add(name);
            else if (BySpaces(part) is { } more)
                names.AddRange(more);
            else
                unknown ??= part;
        }

        return [.. names.Distinct(StringComparer.Ordinal)];
    }

    /// <summary>Chords and keys with nothing but spaces between them: "Dm7 G7 C", "D minor Am"; null where one is neither.</summary>
    private static List<string>? BySpaces(string part)
    {
        var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var names = new List<string>();
        for (var i = 0; i < words.Length; i++)
        {
            // A key has two words.
            var isKey = i + 1 < words.Length && Key.TryParse($"{words[i]} {words[i + 1]}", out _);
            if (NameOf(isKey ? $"{words[i]} {words[++i]}" : words[i]) is not { } name)
                return null;
            names.Add(name);
        }

        return names;
    }

    /// <summary>A key or a chord as it is printed: "B♭ major", "Dm7"; null for neither.</summary>
    /// <param name="text">As it is written.</param>
    public static string? NameOf(string text) =>
        Key.TryParse(text, out var key) ? key.Name
        : ChordSymbols.TryParse(text, out var chord) ? chord.Symbol
        : null;
}
