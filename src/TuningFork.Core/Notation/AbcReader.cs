using System.Globalization;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Music that was read, and what was left out of it.</summary>
/// <param name="Score">The music, in written pitch.</param>
/// <param name="LeftOut">What was not taken over, in words; empty when all was.</param>
public sealed record ReadMusic(Score Score, IReadOnlyList<string> LeftOut);

/// <summary>
/// Reads one voice of ABC notation (ABC 2.1, abcnotation.com standard): header, notes, rests, chords, ties, slurs, tuplets,
/// broken rhythm, bar lines, repeats and endings, changes of key, metre and unit length. Grace notes, lyrics, chord symbols
/// and ornaments are left out and named.
/// </summary>
public static class AbcReader
{
    /// <summary>Longest text that is read, in signs.</summary>
    public const int LongestText = 400_000;

    /// <summary>The music.</summary>
    /// <param name="text">ABC text; the header may be missing from the front, then C major, four quarters and eighths are meant.</param>
    /// <param name="clef">Clef where the text names none.</param>
    /// <exception cref="AbcException">It cannot be read; the message names line, place and remedy.</exception>
    public static ReadMusic Read(string text, Clef clef = Clef.Treble)
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Length > LongestText)
            throw new AbcException(1, 1, $"This text is too long; take {LongestText:N0} signs or fewer.");
        var signs = new AbcText(text);
        var head = new AbcHead { Clef = clef };
        while (
            signs.AtLineStart
            && !signs.IsOver
            && (
                signs.Next is '%' or '\n'
                || (char.IsAsciiLetter(signs.Next) && signs.Peek(1) == ':' && signs.Peek(2) != '|' && signs.Peek(2) != ':')
            )
        )
        {
            if (signs.Next is '%' or '\n')
            {
                signs.RestOfLine();
                continue;
            }

            var mark = signs.Mark();
            var field = signs.Take();
            signs.Take();
            head.Set(field, signs.RestOfLine(), message => signs.Wrong(message, mark));
            if (field == 'K')
                break;
        }

        var body = new AbcBody(signs, head);
        var bars = body.Read();
        return new ReadMusic(
            new Score
            {
                Title = head.Title,
                Clef = head.Clef,
                Key = body.FirstKey,
                Time = body.FirstTime,
                Tempo = head.Tempo,
                TempoBeat = head.TempoBeat,
                Bars = bars,
            },
            [.. head.LeftOut]
        );
    }
}

/// <summary>What the fields of ABC say.</summary>
internal sealed class AbcHead
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

    private Fraction? unit;

    public string Title { get; private set; } = "";

    public Clef Clef { get; set; }

    public Key Key { get; private set; } = Key.C;

    public TimeSignature Time { get; private set; } = TimeSignature.Common;

    public Bpm? Tempo { get; private set; }

    public Fraction TempoBeat { get; private set; } = new(1, 4);

    /// <summary>What was not taken over.</summary>
    public SortedSet<string> LeftOut { get; } = new(StringComparer.Ordinal);

    /// <summary>The unit length: given, or an eighth, a sixteenth in metres below three quarters (ABC 2.1, 3.1.7).</summary>
    public Fraction Unit => unit ?? (Time.Bar < new Fraction(3, 4) ? new Fraction(1, 16) : new Fraction(1, 8));

    public void Set(char field, string value, Func<string, AbcException> wrong)
    {
        switch (field)
        {
            case 'T':
                Title = Title.Length == 0 ? value[..Math.Min(200, value.Length)] : Title;
                break;
            case 'M':
                Time = Metre(value, wrong);
                break;
            case 'L':
                unit =
                    Part(value) is { } length && length > Fraction.Zero && length <= Fraction.Whole
                        ? length
                        : throw wrong("Write the unit length like L:1/8.");
                break;
            case 'Q':
                ReadTempo(value, wrong);
                break;
            case 'K':
                ReadKey(value, wrong);
                break;
            case 'V':
                LeftOut.Add("voices after the first");
                break;
            case 'w' or 'W':
                LeftOut.Add("words");
                break;
        }
    }

    private static TimeSignature Metre(string value, Func<string, AbcException> wrong)
    {
        var parts = value switch
        {
            "C" => ["4", "4"],
            "C|" => ["2", "2"],
            _ => value.Split('/'),
        };
        return
            parts.Length == 2
            && int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var beats)
            && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var unit)
            && beats is >= 1 and <= 32
            && unit is 1 or 2 or 4 or 8 or 16 or 32
            ? new TimeSignature(beats, unit)
            : throw wrong("Write the metre like M:3/4, M:6/8 or M:C.");
    }

    private void ReadTempo(string value, Func<string, AbcException> wrong)
    {
        var plain = System
            .Text.RegularExpressions.Regex.Replace(
                value,
                "\"[^\"]*\"",
                "",
                System.Text.RegularExpressions.RegexOptions.None,
                TimeSpan.FromSeconds(1)
            )
            .Trim();
        if (plain.Length == 0)
            return;
        var parts = plain.Split('=');
        if (
            !int.TryParse(parts[^1], NumberStyles.None, CultureInfo.InvariantCulture, out var beats)
            || beats is < Bpm.Slowest or > Bpm.Fastest
        )
            throw wrong($"Write the tempo like Q:1/4=96, {Bpm.Slowest} to {Bpm.Fastest} beats a minute.");
        Tempo = new Bpm(beats);
        if (parts.Length == 2)
            TempoBeat = Part(parts[0].Trim()) is { } beat && beat > Fraction.Zero ? beat : throw wrong("Write the tempo like Q:1/4=96.");
    }

    private void ReadKey(string value, Func<string, AbcException> wrong)
    {
        var words = value.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        foreach (var word in words)
        {
            var name = word.Replace("clef=", "", StringComparison.Ordinal);
            if (
                Enum.GetValues<Clef>()
                    .Where(one => one.ToString().StartsWith(name, StringComparison.OrdinalIgnoreCase) && name.Length >= 4)
                    .ToList()
                is [var clef]
            )
                Clef = clef;
        }

        if (words.Length == 0 || words[0] is "none" or "HP" or "Hp" || words[0].StartsWith("clef", StringComparison.Ordinal))
        {
            Key = Key.C;
            return;
        }

        var first = words[0];
        var letters = first.Length > 1 && first[1] is '#' or 'b' ? 2 : 1;
        var mode = (
            first[letters..] + (words.Length > 1 && !words[1].Contains('=', StringComparison.Ordinal) ? words[1] : "")
        ).ToLowerInvariant();
        if (Enum.TryParse<Clef>(mode, ignoreCase: true, out _))
            mode = "";
        if (
            !char.IsAsciiLetterUpper(first[0])
            || !NoteName.TryParse(first[..letters], out var tonic)
            || !Modes.TryGetValue(mode.Length > 3 ? mode[..3] : mode, out var fifths)
            || tonic.Fifths + fifths is < -7 or > 7
        )
            throw wrong("Write the key like K:G, K:Bb, K:F#m or K:Ddor.");
        Key = Key.OfSignature(tonic.Fifths + fifths, fifths == -3);
    }

    private static Fraction? Part(string text)
    {
        var parts = text.Split('/');
        if (!int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var upper) || parts.Length > 2)
            return null;
        if (parts.Length == 1)
            return new Fraction(upper, 1);
        return int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var lower) && lower is >= 1 and <= 64
            ? new Fraction(upper, lower)
            : null;
    }
}
