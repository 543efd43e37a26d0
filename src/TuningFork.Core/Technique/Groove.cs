using System.Globalization;

namespace TuningFork.Core.Technique;

/// <summary>A stroke of a groove.</summary>
public enum Stroke
{
    /// <summary>Silence, "." or "-".</summary>
    None,

    /// <summary>A soft stroke, "o".</summary>
    Soft,

    /// <summary>A stroke, "x".</summary>
    Plain,

    /// <summary>A strong stroke, "X".</summary>
    Strong,
}

/// <summary>One line of a groove: a sound, a surface or a hand.</summary>
/// <param name="Name">What it is called: "low", "slap".</param>
/// <param name="Strokes">One for each place.</param>
public sealed record GrooveLine(string Name, IReadOnlyList<Stroke> Strokes);

/// <summary>A groove written as a grid of strokes.</summary>
/// <param name="BeatsPerBar">Beats of a bar, 1 to 16.</param>
/// <param name="PlacesPerBeat">Places in a beat, 1 to 6.</param>
/// <param name="Lines">Its lines, the highest first.</param>
public sealed record Groove(int BeatsPerBar, int PlacesPerBeat, IReadOnlyList<GrooveLine> Lines)
{
    /// <summary>Most bars of a groove.</summary>
    public const int MostBars = 8;

    /// <summary>Bars.</summary>
    public int Bars => Lines[0].Strokes.Count / (BeatsPerBar * PlacesPerBeat);

    /// <summary>
    /// Reads a grid: a line for each sound, a name, a colon and one sign a place: x stroke, X strong, o soft, . or - silent;
    /// bar lines and spaces are for the eye. A first line "4 beats of 4" gives the beats of a bar and the places of a beat;
    /// without it four of four are meant.
    /// </summary>
    /// <param name="text">The grid.</param>
    /// <exception cref="GrooveException">It cannot be read; the message names the line, the place and the remedy.</exception>
    public static Groove Parse(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var rows = text.ReplaceLineEndings("\n")
            .Split('\n')
            .Select((row, i) => (Text: row.Trim(), Number: i + 1))
            .Where(row => row.Text.Length > 0)
            .ToList();
        var (beats, places) = (4, 4);
        if (rows.Count > 0 && !rows[0].Text.Contains(':', StringComparison.Ordinal))
        {
            (beats, places) = Head(rows[0].Text, rows[0].Number);
            rows.RemoveAt(0);
        }

        if (rows.Count is 0 or > 6)
            throw new GrooveException(1, 1, "A groove has 1 to 6 lines, each with a name and its strokes: \"low: x..x\".");
        var lines = rows.ConvertAll(row => Line(row.Text, row.Number));
        Measure(lines, rows, beats * places);
        return new Groove(beats, places, lines);
    }

    private static (int Beats, int Places) Head(string text, int number)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (
            words is [var beats, "beats", "of", var places]
            && int.TryParse(beats, CultureInfo.InvariantCulture, out var bar)
            && int.TryParse(places, CultureInfo.InvariantCulture, out var beat)
            && bar is >= 1 and <= 16
            && beat is >= 1 and <= 6
        )
            return (bar, beat);
        throw new GrooveException(
            number,
            1,
            "Write \"4 beats of 4\" for the beats of a bar (1 to 16) and the places of a beat (1 to 6), or a line of strokes with a name and a colon."
        );
    }

    private static GrooveLine Line(string text, int number)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        if (colon < 1)
            throw new GrooveException(number, 1, "Begin the line with a name and a colon: \"low: x..x\".");
        var strokes = new List<Stroke>();
        for (var i = colon + 1; i < text.Length; i++)
        {
            if (text[i] is '|' or ' ')
                continue;
            strokes.Add(
                text[i] switch
                {
                    '.' or '-' => Stroke.None,
                    'o' => Stroke.Soft,
                    'x' => Stroke.Plain,
                    'X' => Stroke.Strong,
                    var other => throw new GrooveException(
                        number,
                        i + 1,
                        $"\"{other}\" is no stroke. Write x, X (strong), o (soft) or . (silent)."
                    ),
                }
            );
        }

        return new GrooveLine(text[..colon].Trim(), strokes);
    }

    private static void Measure(List<GrooveLine> lines, List<(string Text, int Number)> rows, int bar)
    {
        for (var i = 0; i < lines.Count; i++)
        {
            var count = lines[i].Strokes.Count;
            if (count == 0 || count % bar != 0 || count / bar > MostBars)
                throw new GrooveException(
                    rows[i].Number,
                    rows[i].Text.Length,
                    $"\"{lines[i].Name}\" has {count} places; a bar has {bar}. Write 1 to {MostBars} full bars."
                );
            if (count != lines[0].Strokes.Count)
                throw new GrooveException(
                    rows[i].Number,
                    rows[i].Text.Length,
                    $"\"{lines[i].Name}\" has {count} places and \"{lines[0].Name}\" {lines[0].Strokes.Count}. Make them equally long."
                );
        }
    }
}

/// <summary>A grid cannot be read.</summary>
/// <param name="line">Line from 1.</param>
/// <param name="column">Place in the line from 1.</param>
/// <param name="message">What is wrong and what to do, for the player.</param>
public sealed class GrooveException(int line, int column, string message)
    : Exception(string.Create(CultureInfo.InvariantCulture, $"Line {line}, place {column}: {message}"))
{
    /// <summary>Line from 1.</summary>
    public int Line { get; } = line;

    /// <summary>Place in the line from 1.</summary>
    public int Column { get; } = column;
}
