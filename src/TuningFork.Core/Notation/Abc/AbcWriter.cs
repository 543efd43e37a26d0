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

    /// <summary>Music of several voices: those of a staff stand on it together, staves are joined by a brace.</summary>
    /// <param name="music">The music; title, tempo, key and metre are those of its first voice.</param>
    /// <param name="barsPerLine">Bars on a line, 1 or more.</param>
    public static string Write(Music music, int barsPerLine = 4)
    {
        ArgumentNullException.ThrowIfNull(music);
        if (music.Voices.Count == 1)
            return Write(music.Lead, barsPerLine);
        // The higher voice of a staff comes first: its stems go up.
        var voices = music.Voices.OrderBy(voice => voice.Staff).ThenByDescending(Height).ToList();
        var text = Head(music.Lead);
        Line(text, $"%%score {Staves(voices)}");
        Line(text, $"K:{KeyField(music.Lead.Key)}");
        for (var i = 0; i < voices.Count; i++)
        {
            var voice = voices[i];
            Line(text, $"V:{i + 1}{(voice.Clef == Theory.Clef.Treble ? " clef=treble" : Clef(voice.Clef))}");
            WriteBars(text, voice, barsPerLine, null);
        }

        return text.ToString();
    }

    /// <summary>Staves that are played together, joined by a brace: a voice each, of the same bars.</summary>
    /// <param name="staves">The staves from the top, one or more; title, tempo, key and metre are the first one's.</param>
    /// <param name="barsPerLine">Bars on a line, 1 or more.</param>
    public static string Write(IReadOnlyList<Score> staves, int barsPerLine = 4) =>
        Write(new Music([.. staves.Select((staff, i) => staff with { Staff = i })]), barsPerLine);

    private static string Staves(IReadOnlyList<Score> voices)
    {
        var staves = voices
            .Select((voice, i) => (voice.Staff, Number: i + 1))
            .GroupBy(one => one.Staff)
            .Select(staff => string.Join(' ', staff.Select(one => one.Number)))
            .Select(numbers => numbers.Contains(' ', StringComparison.Ordinal) ? $"({numbers})" : numbers)
            .ToList();
        return staves.Count > 1 ? $"{{{string.Join(" | ", staves)}}}" : staves[0];
    }

    /// <summary>Where a voice lies: the middle of its pitches as MIDI notes; what is silent lies lowest.</summary>
    private static double Height(Score voice) =>
        voice
            .Bars.SelectMany(bar => bar.Elements)
            .SelectMany(element => element.Pitches)
            .Select(pitch => (double)pitch.Midi)
            .DefaultIfEmpty()
            .Average();

    private static StringBuilder Head(Score score)
    {
        var text = new StringBuilder();
        Line(text, "X:1");
        if (score.Title.Length > 0)
            Line(text, "T:" + AbcElement.Plain(score.Title));
        Line(text, $"M:{score.Time}");
        Line(text, "L:1/8");
        if (score.Tempo is { } tempo)
            Line(text, $"Q:{score.TempoBeat}={tempo}");
        return text;
    }

    private static void WriteBars(StringBuilder text, Score score, int barsPerLine, Naming? naming)
    {
        var (key, time, clef) = (score.Key, score.Time, score.Clef);
        var names = new StringBuilder();
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var bar = score.Bars[i];
            (key, time) = (bar.Key ?? key, bar.Time ?? time);
            text.Append(Opening(bar));
            if (bar.Key is not null && i > 0)
                text.Append(CultureInfo.InvariantCulture, $"[K:{KeyField(key)}]");
            if (bar.Time is not null && i > 0)
                text.Append(CultureInfo.InvariantCulture, $"[M:{time}]");
            WriteBar(text, bar, key, time, ref clef);
            var isLast = i == score.Bars.Count - 1;
            text.Append(Closing(bar, isLast, !isLast && score.Bars[i + 1].RepeatBegins));
            var lineEnds = isLast || (i + 1) % barsPerLine == 0;
            text.Append(lineEnds ? '\n' : ' ');
            if (naming is { } school)
            {
                Names(names, bar, note => NoteNaming.Of(note, key, school, score.Tonic));
                if (lineEnds)
                {
                    Line(text, $"w:{names}");
                    names.Clear();
                }
            }
        }
    }

    /// <summary>A name for each note, a line for each that is only held on.</summary>
    private static void Names(StringBuilder names, Bar bar, Func<NoteName, string> name)
    {
        for (var i = 0; i < bar.Elements.Count; i++)
        {
            if (!bar.Elements[i].IsRest)
                names.Append(' ').Append(i > 0 && bar.Elements[i - 1].Tied ? "_" : name(bar.Elements[i].Pitches[^1].Name));
        }
    }

    private static string Opening(Bar bar)
    {
        var repeat = bar.RepeatBegins ? "|:" : "";
        return bar.Ending.Count > 0 ? $"{repeat}[{string.Join(',', bar.Ending)} " : repeat;
    }

    private static string Closing(Bar bar, bool isLast, bool nextRepeats) =>
        bar.RepeatEnds ? $"{new string(':', bar.Times - 1)}|"
        : isLast ? "|]"
        : nextRepeats ? ""
        : bar.IsDouble ? "||"
        : "|";

    private static void WriteBar(StringBuilder text, Bar bar, Key key, TimeSignature time, ref Clef clef)
    {
        var accidentals = new Accidentals(key);
        // A short bar ends on the bar line: its beats are counted from there.
        var isShort = bar.IsPartial && bar.Length < time.Bar;
        var groups = Beams.Groups(bar, time, isShort ? time.Bar - bar.Length : Fraction.Zero);
        foreach (var sign in AbcSigns.Of(bar.Way, atEnd: false))
            text.Append(CultureInfo.InvariantCulture, $"!{sign}!");
        for (var i = 0; i < bar.Elements.Count; i++)
        {
            if (i > 0 && (groups[i] < 0 || groups[i] != groups[i - 1]))
                text.Append(' ');
            if (bar.Elements[i].Clef is { } other && other != clef)
            {
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"[K:{KeyField(key)}{(other == Theory.Clef.Treble ? " clef=treble" : Clef(other))}]"
                );
                clef = other;
            }

            if (i == bar.Elements.Count - 1)
                foreach (var sign in AbcSigns.Of(bar.Way, atEnd: true))
                    text.Append(CultureInfo.InvariantCulture, $"!{sign}!");
            AbcElement.Write(text, bar, i, accidentals);
        }

        text.Append(' ');
    }

    private static string KeyField(Key key) => key.Tonic + (key.IsMinor ? "m" : "");

    private static string Clef(Clef clef) =>
        clef switch
        {
            Theory.Clef.Treble => "",
            Theory.Clef.Percussion => " clef=perc",
            Theory.Clef.Soprano => " clef=alto1",
            Theory.Clef.MezzoSoprano => " clef=alto2",
            Theory.Clef.Baritone => " clef=bass3",
            _ => $" clef={clef.ToString().ToLowerInvariant()}",
        };

    private static void Line(StringBuilder text, string line) => text.Append(line).Append('\n');
}
