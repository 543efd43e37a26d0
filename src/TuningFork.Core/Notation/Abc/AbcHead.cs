using System.Globalization;
using System.Text.RegularExpressions;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>What the fields of an ABC tune say that holds for all of its voices.</summary>
internal sealed partial class AbcHead
{
    private const int LongestTitle = 200;

    public string Title { get; private set; } = "";

    public AbcKey Key { get; private set; } = AbcKey.Plain;

    public TimeSignature Time { get; private set; } = TimeSignature.Common;

    public Bpm? Tempo { get; private set; }

    public Fraction TempoBeat { get; private set; } = new(1, 4);

    /// <summary>Words of the tempo, to stand above the first note.</summary>
    public string TempoWords { get; private set; } = "";

    /// <summary>Unit length as it was given; null where the metre decides.</summary>
    public Fraction? Unit { get; private set; }

    /// <summary>How voices share staves: for each staff the names of its voices; empty where nothing is said.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Staves { get; private set; } = [];

    /// <summary>Letters that stand for a sign (U:).</summary>
    public Dictionary<char, string> Letters { get; } =
        new()
        {
            ['~'] = "roll",
            ['H'] = "fermata",
            ['L'] = "accent",
            ['M'] = "lowermordent",
            ['O'] = "coda",
            ['P'] = "uppermordent",
            ['S'] = "segno",
            ['T'] = "trill",
            ['u'] = "upbow",
            ['v'] = "downbow",
        };

    /// <summary>The unit length of a metre: an eighth, a sixteenth below three quarters (ABC 2.1, 3.1.7).</summary>
    public static Fraction UnitOf(TimeSignature time) =>
        !time.IsFree && time.Bar < new Fraction(3, 4) ? new Fraction(1, 16) : new Fraction(1, 8);

    /// <summary>Takes a field of the head, or one of the body that holds for all voices.</summary>
    /// <param name="field">Its letter.</param>
    /// <param name="value">What it says.</param>
    /// <param name="clef">Clef where the key names none.</param>
    /// <param name="leftOut">Told of what is not taken over.</param>
    /// <param name="wrong">Makes an error at the field.</param>
    public void Set(char field, string value, Clef clef, Action<string> leftOut, Func<string, AbcException> wrong)
    {
        switch (field)
        {
            case 'T' when Title.Length == 0:
                Title = value[..Math.Min(LongestTitle, value.Length)];
                break;
            case 'M':
                Time = Metre(value, wrong);
                break;
            case 'L':
                Unit = Length(value, wrong);
                break;
            case 'Q':
                ReadTempo(value, leftOut);
                break;
            case 'K':
                Key = AbcKey.Read(value, Key with { Clef = clef }, leftOut, wrong);
                break;
            case 'P' when value.Length > 1:
                leftOut("the order of parts: they are played as they stand");
                break;
            case 'w' or 'W':
                leftOut("words under the notes");
                break;
            case 'm':
                leftOut("macros");
                break;
            case 'U':
                Letter(value);
                break;
        }
    }

    /// <summary>A line of directions: which voices stand on which staff.</summary>
    public void Direction(string line)
    {
        var match = Score().Match(line);
        if (!match.Success)
            return;
        var staves = new List<List<string>>();
        var isOpen = false;
        foreach (Match token in Tokens().Matches(match.Groups["staves"].Value))
        {
            if (token.Value == "(")
                (isOpen, _) = (true, Add(staves));
            else if (token.Value == ")")
                isOpen = false;
            else if (token.Value is not ("[" or "]" or "{" or "}" or "|" or "*"))
            {
                if (!isOpen)
                    Add(staves);
                staves[^1].Add(token.Value);
            }
        }

        Staves = staves;

        static bool Add(List<List<string>> to)
        {
            to.Add([]);
            return true;
        }
    }

    public static Fraction Length(string value, Func<string, AbcException> wrong) =>
        Part(value) is { } length && length > Fraction.Zero && length <= Fraction.Whole
            ? length
            : throw wrong("Write the unit length like L:1/8.");

    public static TimeSignature Metre(string value, Func<string, AbcException> wrong)
    {
        var plain = value
            .Replace(" ", "", StringComparison.Ordinal)
            .Replace("(", "", StringComparison.Ordinal)
            .Replace(")", "", StringComparison.Ordinal);
        if (plain is "C")
            return TimeSignature.Common;
        if (plain is "C|")
            return new TimeSignature(2, 2);
        if (plain.Length == 0 || plain.StartsWith("none", StringComparison.OrdinalIgnoreCase))
            return TimeSignature.Free;
        // A number alone is the old way to write so many halves.
        if (int.TryParse(plain, NumberStyles.None, CultureInfo.InvariantCulture, out var halves))
            return TimeSignature.Additive([halves], 2) ?? throw wrong("Write the metre like M:3/4.");
        // 2/4+3/8 counts in the shorter unit.
        var parts = plain.Split('/').Length > 2 ? plain.Split('+') : [plain];
        var read = parts.Select(part => TimeSignature.TryParse(part, out var one) ? one : (TimeSignature?)null).ToList();
        if (read.Contains(null))
            throw wrong("Write the metre like M:3/4, M:6/8, M:2+3/8, M:C or M:none.");
        var unit = read.Max(one => one!.Value.Unit);
        return read.Count == 1
            ? read[0]!.Value
            : TimeSignature.Additive([.. read.Select(one => one!.Value.Beats * (unit / one.Value.Unit))], unit)
                ?? throw wrong("This metre is too long. Write it like M:2+3/8.");
    }

    private void Letter(string value)
    {
        var match = UserSign().Match(value);
        if (match.Success)
            Letters[match.Groups["letter"].Value[0]] = match.Groups["sign"].Value;
    }

    private void ReadTempo(string value, Action<string> leftOut)
    {
        var words = string.Join(' ', Quoted().Matches(value).Select(match => match.Groups["words"].Value.Trim()));
        var plain = Quoted().Replace(value, "");
        var number = TempoNumber().Match(plain);
        var isFirst = Tempo is null;
        if (words.Length > 0 && TempoWords.Length == 0)
            TempoWords = words;
        if (!number.Success)
        {
            if (plain.Trim().Length > 0)
                leftOut("a tempo that is no number");
            return;
        }

        if (
            !int.TryParse(number.Groups["beats"].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var beats)
            || beats is < Bpm.Slowest or > Bpm.Fastest
        )
        {
            leftOut("a tempo beyond what can be counted");
            return;
        }

        if (!isFirst)
        {
            leftOut("changes of tempo");
            return;
        }

        Tempo = new Bpm(beats);
        // "1/4 3/8=40" counts both together.
        var lengths = Fractions().Matches(plain[..number.Index]).Select(match => Part(match.Value)).OfType<Fraction>().ToList();
        TempoBeat = lengths.Count > 0 && Values.Of(Fraction.Sum(lengths)) is not null ? Fraction.Sum(lengths) : new Fraction(1, 4);
    }

    private static Fraction? Part(string text)
    {
        var parts = text.Trim().Split('/');
        if (!int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var upper) || parts.Length > 2)
            return null;
        if (parts.Length == 1)
            return new Fraction(upper, 1);
        return int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var lower) && lower is >= 1 and <= 512
            ? new Fraction(upper, lower)
            : null;
    }

    [GeneratedRegex(@"^(score|staves)\s+(?<staves>.*)$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Score();

    [GeneratedRegex(@"[()\[\]{}|*]|[^\s()\[\]{}|*]+", RegexOptions.None, 1000)]
    private static partial Regex Tokens();

    [GeneratedRegex(@"^(?<letter>[A-Za-z~])\s*=\s*[!+](?<sign>[^!+]*)[!+]", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex UserSign();

    [GeneratedRegex("\"(?<words>[^\"]*)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Quoted();

    [GeneratedRegex(@"=?\s*(?<beats>\d+)\s*$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex TempoNumber();

    [GeneratedRegex(@"\d+/\d+", RegexOptions.None, 1000)]
    private static partial Regex Fractions();
}
