using System.Globalization;
using System.Text;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Writes a score in ABC notation (ABC 2.1, abcnotation.com standard).</summary>
public static class AbcWriter
{
    /// <summary>The score as ABC text.</summary>
    /// <param name="score">The music.</param>
    /// <param name="barsPerLine">Bars on a line, 1 or more.</param>
    /// <param name="naming">Names to stand under the notes, or null for none.</param>
    public static string Write(Score score, int barsPerLine = 4, Naming? naming = null)
    {
        ArgumentNullException.ThrowIfNull(score);
        ArgumentOutOfRangeException.ThrowIfLessThan(barsPerLine, 1);
        var text = Head(score);
        Line(text, $"K:{KeyField(score.Key)}{Clef(score.Clef)}");
        WriteBars(text, score, barsPerLine, naming);
        return text.ToString();
    }

    /// <summary>Staves that are played together, joined by a brace: a voice each, of the same bars.</summary>
    /// <param name="staves">The staves from the top, one or more; title, tempo, key and metre are the first one's.</param>
    /// <param name="barsPerLine">Bars on a line, 1 or more.</param>
    public static string Write(IReadOnlyList<Score> staves, int barsPerLine = 4)
    {
        ArgumentNullException.ThrowIfNull(staves);
        if (staves.Count == 1)
            return Write(staves[0], barsPerLine);
        var text = Head(staves[0]);
        Line(text, $"%%score {{{string.Join(" | ", Enumerable.Range(1, staves.Count))}}}");
        Line(text, $"K:{KeyField(staves[0].Key)}");
        for (var i = 0; i < staves.Count; i++)
        {
            Line(text, $"V:{i + 1}{(staves[i].Clef == Theory.Clef.Treble ? " clef=treble" : Clef(staves[i].Clef))}");
            WriteBars(text, staves[i], barsPerLine, null);
        }

        return text.ToString();
    }

    private static StringBuilder Head(Score score)
    {
        var text = new StringBuilder();
        Line(text, "X:1");
        if (score.Title.Length > 0)
            Line(text, "T:" + Plain(score.Title));
        Line(text, $"M:{score.Time}");
        Line(text, "L:1/8");
        if (score.Tempo is { } tempo)
            Line(text, $"Q:{score.TempoBeat}={tempo}");
        return text;
    }

    private static void WriteBars(StringBuilder text, Score score, int barsPerLine, Naming? naming)
    {
        var (key, time) = (score.Key, score.Time);
        var names = new StringBuilder();
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var bar = score.Bars[i];
            (key, time) = (bar.Key ?? key, bar.Time ?? time);
            text.Append(Opening(bar, i));
            if (bar.Key is not null && i > 0)
                text.Append(CultureInfo.InvariantCulture, $"[K:{KeyField(key)}]");
            if (bar.Time is not null && i > 0)
                text.Append(CultureInfo.InvariantCulture, $"[M:{time}]");
            WriteBar(text, bar, key, time);
            var last = i == score.Bars.Count - 1;
            var nextRepeats = !last && score.Bars[i + 1].RepeatBegins;
            text.Append(
                bar.RepeatEnds ? ":|"
                : last ? "|]"
                : nextRepeats ? ""
                : "|"
            );
            var lineEnds = last || (i + 1) % barsPerLine == 0;
            text.Append(lineEnds ? '\n' : ' ');
            if (naming is { } school)
            {
                Names(names, bar, key, school);
                if (lineEnds)
                {
                    Line(text, $"w:{names}");
                    names.Clear();
                }
            }
        }
    }

    /// <summary>A name for each note, a line for each that is only held on.</summary>
    private static void Names(StringBuilder names, Bar bar, Key key, Naming naming)
    {
        for (var i = 0; i < bar.Elements.Count; i++)
        {
            if (!bar.Elements[i].IsRest)
                names
                    .Append(' ')
                    .Append(i > 0 && bar.Elements[i - 1].Tied ? "_" : NoteNaming.Of(bar.Elements[i].Pitches[^1].Name, key, naming));
        }
    }

    private static string Opening(Bar bar, int index)
    {
        var repeat =
            bar.RepeatBegins && index > 0 ? "|:"
            : bar.RepeatBegins ? "|:"
            : "";
        return bar.Ending.Count > 0 ? $"{repeat}[{string.Join(',', bar.Ending)} " : repeat;
    }

    private static void WriteBar(StringBuilder text, Bar bar, Key key, TimeSignature time)
    {
        var accidentals = new Accidentals(key);
        // A short bar ends on the bar line: its beats are counted from there.
        var groups = Beams.Groups(bar, time, bar.IsPartial ? time.Bar - bar.Length : Fraction.Zero);
        for (var i = 0; i < bar.Elements.Count; i++)
        {
            if (i > 0 && (groups[i] < 0 || groups[i] != groups[i - 1]))
                text.Append(' ');
            WriteElement(text, bar, i, accidentals);
        }

        text.Append(' ');
    }

    private static void WriteElement(StringBuilder text, Bar bar, int index, Accidentals accidentals)
    {
        var element = bar.Elements[index];
        if (element.Tuplet is { Begins: true } tuplet)
            text.Append(CultureInfo.InvariantCulture, $"({tuplet.Actual}:{tuplet.Normal}:{GroupSize(bar, index)}");
        if (element.SlurBegins)
            text.Append('(');
        if (element.Words.Length > 0)
            text.Append(CultureInfo.InvariantCulture, $"\"^{Plain(element.Words)}\"");
        if (element.Finger is { } finger)
            text.Append(CultureInfo.InvariantCulture, $"!{finger}!");
        text.Append(
            element.Articulation switch
            {
                Articulation.Staccato => ".",
                Articulation.Tenuto => "!tenuto!",
                Articulation.Accent => "!accent!",
                _ => "",
            }
        );
        var notes = string.Concat(element.Pitches.Select(pitch => Note(pitch, accidentals)));
        text.Append(
            element.Pitches.Count switch
            {
                0 => "z",
                1 => notes,
                _ => $"[{notes}]",
            }
        );
        text.Append(Length(element.Written / new Fraction(1, 8)));
        if (element.Tied)
            text.Append('-');
        if (element.SlurEnds)
            text.Append(')');
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

    private static string KeyField(Key key) => key.Tonic + (key.IsMinor ? "m" : "");

    private static string Clef(Clef clef) =>
        clef switch
        {
            Theory.Clef.Treble => "",
            Theory.Clef.Percussion => " clef=perc",
            _ => $" clef={clef.ToString().ToLowerInvariant()}",
        };

    private static string Plain(string text) =>
        string.Concat(text.Select(letter => char.IsControl(letter) ? ' ' : letter))
            .Replace('"', '\'')
            .Replace("%", "", StringComparison.Ordinal);

    private static void Line(StringBuilder text, string line) => text.Append(line).Append('\n');
}
