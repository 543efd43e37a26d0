using System.Globalization;
using System.Text.RegularExpressions;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>Scales and arpeggios that a title means: whoever types "G major scale, two octaves" need not make a sheet of it.</summary>
public static partial class NamedSheet
{
    /// <summary>A minor scale of no kind is the harmonic one, as where a scale goes through the minor keys (common practice).</summary>
    private const string UsualMinor = "harmonic-minor";

    /// <summary>What a title asks for.</summary>
    /// <param name="title">
    /// A first note, a kind, "scale" or "arpeggio", and octaves where there are more than one: "Bb harmonic minor scale", "D minor
    /// arpeggio, 2 octaves". Capitals do not matter but for "a", which is mostly no note.
    /// </param>
    /// <returns>The wish, which may go beyond an instrument; null where the title means nothing of the kind.</returns>
    public static SheetWish? Read(string title)
    {
        ArgumentNullException.ThrowIfNull(title);
        var found = Name().Match(title);
        if (!found.Success || found.Groups["note"].Value == "a")
            return null;
        var alteration = found.Groups["sign"].Value.Trim(' ', '-').ToUpperInvariant() switch
        {
            "" => "",
            "#" or "♯" or "SHARP" => "#",
            _ => "b",
        };
        var figure = found.Groups["figure"].Value.ToUpperInvariant();
        return KindOf(found.Groups["kind"].Value, figure) is not { } kind
            ? null
            : new SheetWish
            {
                Figure = figure == "ARPEGGIO" ? "arpeggio" : "scale",
                Kind = kind,
                Tonic = found.Groups["note"].Value.ToUpperInvariant() + alteration,
                Octaves = OctavesOf(found.Groups["octaves"].Value),
            };
    }

    private static string? KindOf(string words, string figure)
    {
        bool Means(string name) => string.Equals(words, name, StringComparison.OrdinalIgnoreCase);
        return figure == "ARPEGGIO" ? Chord.Kinds.FirstOrDefault(kind => Means(kind.Name) || Means(Plain(kind)))?.Id
            : Means("minor") ? UsualMinor
            : Scale.Kinds.FirstOrDefault(kind => Means(kind.Name))?.Id;
    }

    /// <summary>"minor" for "minor triad", as an arpeggio is called.</summary>
    private static string Plain(ChordKind kind) => kind.Name.Replace(" triad", "", StringComparison.Ordinal);

    private static int OctavesOf(string words) =>
        words.Length == 0 ? 1
        : int.TryParse(words, CultureInfo.InvariantCulture, out var figure) ? figure
        : Enumerable.Range(1, Sheets.MostOctaves).First(n => Sheets.Numbers[n].StartsWith($"{words} ", StringComparison.OrdinalIgnoreCase));

    [GeneratedRegex(
        @"^\s*(?<note>[A-G])(?<sign>#|b|♯|♭|[ -](sharp|flat))?\s+(?<kind>\S.*?)\s+(?<figure>scale|arpeggio)"
            + @"(,?\s+((in|over)\s+)?(?<octaves>one|two|three|four|[1-4])\s+octaves?)?\s*$",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture | RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Name();
}
