using System.Globalization;
using System.Text;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Writes single notes, chords and rests of ABC with their signs.</summary>
internal static class AbcElement
{
    public static void Write(StringBuilder text, Bar bar, int index, Accidentals accidentals)
    {
        var element = bar.Elements[index];
        if (element.Tuplet is { Begins: true } tuplet)
            text.Append(CultureInfo.InvariantCulture, $"({tuplet.Actual}:{tuplet.Normal}:{GroupSize(bar, index)}");
        if (element.SlurBegins)
            text.Append('(');
        if (element.Grace.Count > 0)
            text.Append('{').AppendJoin("", element.Grace.Select(pitch => Note(pitch, accidentals))).Append('}');
        if (element.Words.Length > 0)
            text.Append(CultureInfo.InvariantCulture, $"\"^{Plain(element.Words)}\"");
        foreach (var sign in AbcSigns.Of(element))
            text.Append(CultureInfo.InvariantCulture, $"!{sign}!");
        if (element.Articulation.HasFlag(Articulation.Staccato))
            text.Append('.');
        text.Append(Heads(element, accidentals));
        text.Append(Length(element.Written / new Fraction(1, 8)));
        if (element.Tied && element.TiedOnly.Count == 0)
            text.Append('-');
        if (element.SlurEnds)
            text.Append(')');
    }

    /// <summary>Text without what would end it.</summary>
    public static string Plain(string text) =>
        string.Concat(text.Select(letter => char.IsControl(letter) ? ' ' : letter))
            .Replace('"', '\'')
            .Replace("%", "", StringComparison.Ordinal);

    private static string Heads(Element element, Accidentals accidentals)
    {
        if (element.IsRest)
            return element.IsHidden ? "x" : "z";
        var isPart = element.Tied && element.TiedOnly.Count > 0;
        var notes = element.Pitches.Select(pitch => Note(pitch, accidentals) + (isPart && element.IsTied(pitch) ? "-" : "")).ToList();
        return notes.Count == 1 ? notes[0] : $"[{string.Concat(notes)}]";
    }

    private static int GroupSize(Bar bar, int from)
    {
        var size = 1;
        for (var i = from; i < bar.Elements.Count && bar.Elements[i].Tuplet is { Ends: false }; i++)
            size++;
        return size;
    }

    private static string Note(Pitch pitch, Accidentals accidentals)
    {
        var sign = accidentals.Needed(pitch)
            ? pitch.Name.Alteration switch
            {
                0 => "=",
                < 0 and var flats => new string('_', -flats),
                var sharps => new string('^', sharps),
            }
            : "";
        var letter = pitch.Name.Step.ToString();
        return sign
            + pitch.Octave switch
            {
                >= 5 => letter.ToLowerInvariant() + new string('\'', pitch.Octave - 5),
                _ => letter + new string(',', 4 - pitch.Octave),
            };
    }

    private static string Length(Fraction eighths) =>
        (eighths.Numerator, eighths.Denominator) switch
        {
            (1, 1) => "",
            (var upper, 1) => upper.ToString(CultureInfo.InvariantCulture),
            (1, 2) => "/",
            var (upper, lower) => string.Create(CultureInfo.InvariantCulture, $"{upper}/{lower}"),
        };
}
