using System.Globalization;
using System.Text.RegularExpressions;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>What a key field of ABC says: signature, further accidentals, clef, octave and transposition.</summary>
/// <param name="Key">The signature.</param>
/// <param name="Further">Alterations of letters that the signature does not have.</param>
/// <param name="Clef">The clef.</param>
/// <param name="Octaves">Octaves by which notes are written higher than their letters say.</param>
/// <param name="Semitones">Semitones by which they sound above what is written.</param>
internal sealed partial record AbcKey(Key Key, IReadOnlyDictionary<Step, int> Further, Clef Clef, int Octaves, int Semitones)
{
    private static readonly Dictionary<string, int> Modes = new(StringComparer.Ordinal)
    {
        [""] = 0,
        ["maj"] = 0,
        ["ion"] = 0,
        ["m"] = -3,
        ["min"] = -3,
        ["aeo"] = -3,
        ["mix"] = -1,
        ["dor"] = -2,
        ["phr"] = -4,
        ["lyd"] = 1,
        ["loc"] = -5,
    };

    private static readonly Dictionary<Step, int> None = [];

    /// <summary>C major in the treble clef.</summary>
    public static AbcKey Plain { get; } = new(Key.C, None, Clef.Treble, 0, 0);

    /// <summary>What a letter without accidental is raised by.</summary>
    public int AlterationOf(Step step) => Further.TryGetValue(step, out var alteration) ? alteration : Key.AlterationOf(step);

    /// <summary>Reads a key field.</summary>
    /// <param name="value">What stands after the colon.</param>
    /// <param name="before">What held before, for what is not said.</param>
    /// <param name="leftOut">Told of what is not taken over.</param>
    /// <param name="wrong">Makes an error at the field.</param>
    public static AbcKey Read(string value, AbcKey before, Action<string> leftOut, Func<string, AbcException> wrong)
    {
        var words = value.Split([' ', '\t'], StringSplitOptions.RemoveEmptyEntries).ToList();
        var found = before;
        var rest = new List<string>();
        foreach (var word in words)
        {
            if (found.Staved(word) is { } staved)
                found = staved;
            else
                rest.Add(word);
        }

        // A field that only changes the clef leaves the key.
        if (rest.Count == 0 && words.Count > 0)
            return found;
        return found.Signed(rest, leftOut, wrong);
    }

    /// <summary>With the clef, octave or transposition that a word names; null where it names none.</summary>
    public AbcKey? Staved(string word)
    {
        var match = Property().Match(word);
        var (name, value) = match.Success
            ? (match.Groups["name"].Value.ToLowerInvariant(), match.Groups["value"].Value.Trim('"'))
            : ("clef", word);
        switch (name)
        {
            case "octave" when int.TryParse(value, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var octaves):
                return this with { Octaves = Math.Clamp(octaves, -4, 4) };
            case "transpose"
            or "t"
            or "sound" when int.TryParse(value, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var semitones):
                return this with { Semitones = Math.Clamp(semitones, -36, 36) };
            case "clef":
                var clef = ClefName().Match(value);
                // A bare word is a clef by its whole name only: C, F and G are keys.
                if (
                    !clef.Success
                    || (!match.Success && clef.Groups["name"].Length < 4)
                    || ClefOf(clef.Groups["name"].Value) is not { } known
                )
                    return match.Success ? this : null;
                var octave = clef.Groups["octave"].Value switch
                {
                    "-8" or "_8" => -12,
                    "+8" or "^8" => 12,
                    "-15" => -24,
                    "+15" => 24,
                    _ => 0,
                };
                return this with { Clef = known, Semitones = octave };
            default:
                return match.Success ? this : null;
        }
    }

    private AbcKey Signed(List<string> words, Action<string> leftOut, Func<string, AbcException> wrong)
    {
        var plain = this with { Further = None };
        if (words.Count == 0 || words[0].Equals("none", StringComparison.OrdinalIgnoreCase))
            return plain with { Key = Key.C };
        // The scale of the pipes: F and C are sharp, whether it is written or not.
        if (words[0] is "HP" or "Hp")
            return plain with { Key = Key.OfSignature(2) };
        var match = Tonic().Match(string.Concat(words.TakeWhile(word => !Accidental().IsMatch(word))));
        var further = words.Where(word => Accidental().IsMatch(word)).SelectMany(word => Accidental().Matches(word)).ToList();
        if (!match.Success)
            return further.Count > 0
                ? (plain with { Key = Key.C }).WithFurther(further, leftOut)
                : throw wrong("Write the key like K:G, K:Bb, K:F#m or K:Ddor.");
        var mode = match.Groups["mode"].Value.ToLowerInvariant();
        var isOwn = mode.StartsWith("exp", StringComparison.Ordinal);
        if (
            !NoteName.TryParse(match.Groups["tonic"].Value, out var tonic)
            || (!isOwn && !Modes.ContainsKey(Short(mode)))
            || (!isOwn && tonic.Fifths + Modes[Short(mode)] is < -7 or > 7)
        )
            throw wrong("Write the key like K:G, K:Bb, K:F#m or K:Ddor.");
        var key = isOwn ? Key.C : Key.OfSignature(tonic.Fifths + Modes[Short(mode)], Modes[Short(mode)] == -3);
        return (plain with { Key = key }).WithFurther(further, leftOut);
    }

    private static string Short(string mode) => mode.Length > 3 ? mode[..3] : mode;

    private AbcKey WithFurther(List<Match> accidentals, Action<string> leftOut)
    {
        if (accidentals.Count == 0)
            return this;
        var further = accidentals
            .Select(one =>
                (
                    Step: Enum.Parse<Step>(one.Groups["letter"].Value.ToUpperInvariant()),
                    By: one.Groups["sign"].Value switch
                    {
                        "^" => 1,
                        "^^" => 2,
                        "_" => -1,
                        "__" => -2,
                        _ => 0,
                    }
                )
            )
            .Where(one => Key.AlterationOf(one.Step) != one.By)
            .GroupBy(one => one.Step)
            .ToDictionary(group => group.Key, group => group.Last().By);
        if (further.Count > 0)
            leftOut("signatures of their own: their signs stand before the notes");
        return this with { Further = further };
    }

    private static Clef? ClefOf(string name) =>
        name.ToLowerInvariant() switch
        {
            "treble" or "g" or "g2" or "treble1" or "treble2" => Theory.Clef.Treble,
            "bass" or "f" or "f4" or "bass4" => Theory.Clef.Bass,
            "bass3" or "f3" or "baritone" => Theory.Clef.Baritone,
            "alto" or "c" or "c3" or "alto3" => Theory.Clef.Alto,
            "alto4" or "tenor" or "c4" => Theory.Clef.Tenor,
            "alto1" or "c1" or "soprano" => Theory.Clef.Soprano,
            "alto2" or "c2" or "mezzo" or "mezzosoprano" => Theory.Clef.MezzoSoprano,
            "perc" or "p" or "percussion" or "drum" => Theory.Clef.Percussion,
            _ => null,
        };

    [GeneratedRegex("^(?<name>[A-Za-z]+)=(?<value>.*)$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Property();

    [GeneratedRegex(@"^(?<name>[A-Za-z]+[1-5]?)(?<octave>[+^_-](8|15))?$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex ClefName();

    [GeneratedRegex("^(?<tonic>[A-G][#b]?)(?<mode>[A-Za-z]*)$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Tonic();

    [GeneratedRegex(@"(?<sign>\^\^|\^|__|_|=)(?<letter>[A-Ga-g])", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Accidental();
}
