using System.Globalization;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>Makes scale, arpeggio and pattern sheets for an instrument and its range.</summary>
public static class Sheets
{
    /// <summary>Most octaves of a sheet.</summary>
    public const int MostOctaves = 4;

    private const int MiddleC = 60;

    /// <summary>So many octaves in words, from one.</summary>
    internal static IReadOnlyList<string> Numbers { get; } = ["", "one octave", "two octaves", "three octaves", "four octaves"];

    /// <summary>The sheet.</summary>
    /// <param name="wish">What it is to show.</param>
    /// <param name="instrument">Whose clef, range and transposition count.</param>
    /// <exception cref="SheetException">The wish cannot be met; the message names the remedy.</exception>
    public static Sheet Make(SheetWish wish, Instrument instrument)
    {
        ArgumentNullException.ThrowIfNull(wish);
        ArgumentNullException.ThrowIfNull(instrument);
        if (wish.Together is { } together)
            return BothHands(wish with { Together = null }, together, instrument);
        var rhythm = Found("rhythm", () => Rhythm.Get(wish.Rhythm));
        var (range, figure) = (SheetRange.Of(wish, instrument), FigureOf(wish));
        var (score, notes) = Written(wish, instrument, isTurned: false);
        return new Sheet(
            score,
            score.Title,
            notes,
            score.Seconds(Performed.Length(score)),
            TopNote(wish, figure, rhythm, range),
            Rungs(notes, wish)
        )
        {
            NotesPerMinute = (int)Math.Round(wish.Tempo.Value * (double)rhythm.Values.Count / rhythm.Clicks),
        };
    }

    private static Figure FigureOf(SheetWish wish) =>
        NoteName.TryParse(wish.Tonic, out var tonic)
            ? Figure.Of(wish, tonic)
            : throw new SheetException("tonic", $"\"{wish.Tonic}\" is no note. Write a letter A to G and # or b, like F# or Bb.");

    /// <summary>The notes of a sheet as music, and how many they are.</summary>
    /// <param name="wish">What it is to show.</param>
    /// <param name="instrument">Whose it is.</param>
    /// <param name="isTurned">True to begin at the top, go down and come back, instead of up and down.</param>
    private static (Score Score, int Notes) Written(SheetWish wish, Instrument instrument, bool isTurned)
    {
        var (rhythm, joining) = (Found("rhythm", () => Rhythm.Get(wish.Rhythm)), Found("joining", () => Joining.Get(wish.Joining)));
        var (range, figure) = (SheetRange.Of(wish, instrument), FigureOf(wish));
        var line = figure.Line(range.FirstNote(figure, wish.Octaves), wish);
        range.Check(line);
        var score = new Score
        {
            Title = $"{figure.Title}, {Numbers[wish.Octaves]}",
            Clef = ClefOf(instrument, wish.Hand, line),
            Key = figure.Key,
            Tonic = figure.Tonic,
            Tempo = wish.Tempo,
            ToSounding = instrument.ToSounding,
            Bars = Setter.Bars(
                isTurned ? Turned(line) : line,
                rhythm,
                joining,
                isTurned ? Turned(Fingers(wish, figure)) : Fingers(wish, figure),
                figure.Sections(wish, line.Count)
            ),
        };
        return (score, line.Count);
    }

    /// <summary>Right and left hand on two staves: the same notes, or away from each other and back.</summary>
    private static Sheet BothHands(SheetWish wish, Together together, Instrument instrument)
    {
        if (!instrument.HasTwoStaves)
            throw new SheetException("together", $"{instrument.Name} is written on one staff. Choose one line.");
        if (wish.Figure is not ("scale" or "arpeggio") || (wish.Order != OctaveOrder.UpAndDown && wish.Octaves > 1))
            throw new SheetException("together", "Both hands go together through scales and arpeggios, up and down in one go.");
        var right = Make(wish with { Hand = Hand.Right }, instrument);
        var first = right.Score.Bars[0].Elements[0].Pitches[0];
        var isContrary = together == Together.Contrary;
        var left = wish with { Hand = Hand.Left, Lowest = isContrary ? first with { Octave = first.Octave - wish.Octaves } : wish.Lowest };
        var title = $"{right.Title}, {(isContrary ? "in contrary motion" : "hands together")}";
        return right with { Score = right.Score with { Title = title }, Title = title, Left = Written(left, instrument, isContrary).Score };
    }

    /// <summary>What goes up and down, from the top down and up again.</summary>
    private static List<T> Turned<T>(IReadOnlyList<T> upAndDown)
    {
        var top = upAndDown.Count / 2;
        return [.. upAndDown.Skip(top), .. upAndDown.Skip(1).Take(top)];
    }

    /// <summary>Notes of a scale of k notes, n octaves up and down, the top one once: 2kn + 1 (arithmetic).</summary>
    /// <param name="notesPerOctave">k, 1 or more.</param>
    /// <param name="octaves">n, 1 or more.</param>
    public static int NoteCount(int notesPerOctave, int octaves) => (2 * notesPerOctave * octaves) + 1;

    /// <summary>Whether the top note falls on a click: only when the notes per click divide k x n (arithmetic).</summary>
    /// <param name="notesPerOctave">k.</param>
    /// <param name="octaves">n.</param>
    /// <param name="notesPerClick">Notes to a click, 1 or more.</param>
    public static bool TopFallsOnClick(int notesPerOctave, int octaves, int notesPerClick) => notesPerOctave * octaves % notesPerClick == 0;

    /// <summary>The left hand of a keyboard reads the bass clef, and so does what lies mostly below the middle of it.</summary>
    private static Clef ClefOf(Instrument instrument, Hand? hand, IReadOnlyList<Pitch> line) =>
        instrument.Family == Family.Keys && (hand is null ? line.Average(pitch => pitch.Midi) < MiddleC : hand == Hand.Left)
            ? Clef.Bass
            : instrument.Clef;

    /// <summary>Fingers of a major or minor scale, in the order of its line; none where no hand was wished for, or none are known.</summary>
    private static List<int> Fingers(SheetWish wish, Figure figure)
    {
        if (wish.Hand is not { } hand || wish.Figure != "scale" || !Fingering.Kinds.Contains(wish.Kind, StringComparer.Ordinal))
            return [];
        List<int> Round(int octaves)
        {
            var down = wish.Kind == "melodic-minor" ? "natural-minor" : wish.Kind;
            return
            [
                .. Fingering.Up(figure.Key, hand, octaves, wish.Kind),
                .. Fingering.Up(figure.Key, hand, octaves, down).Reverse().Skip(1),
            ];
        }

        return wish.Order == OctaveOrder.UpAndDown || wish.Octaves == 1
            ? Round(wish.Octaves)
            : [.. Enumerable.Repeat(Round(1), wish.Octaves).SelectMany(fingers => fingers), .. Round(wish.Octaves)];
    }

    private static List<Rung> Rungs(int notes, SheetWish wish) =>
        [.. SubdivisionLadder.Rungs.Select(rung => new Rung(rung.Id, rung.Name, SubdivisionLadder.Seconds(notes, rung, wish.Tempo)))];

    private static string TopNote(SheetWish wish, Figure figure, Rhythm rhythm, SheetRange range)
    {
        var perClick = rhythm.NotesPerClick;
        if (figure.IsPattern || perClick == 1)
            return "";
        if (TopFallsOnClick(figure.NotesPerOctave, wish.Octaves, perClick))
            return "The top note falls on a click.";
        var place = (figure.NotesPerOctave * wish.Octaves % perClick) + 1;
        var better = Enumerable
            .Range(1, MostOctaves)
            .FirstOrDefault(octaves => TopFallsOnClick(figure.NotesPerOctave, octaves, perClick) && range.Fits(figure, octaves));
        var remedy = better > 0 ? string.Create(CultureInfo.InvariantCulture, $" With {Numbers[better]} it falls on one.") : "";
        return string.Create(CultureInfo.InvariantCulture, $"The top note is note {place} of {perClick} in its click, not on it.{remedy}");
    }

    private static T Found<T>(string field, Func<T> look)
    {
        try
        {
            return look();
        }
        catch (ArgumentException problem)
        {
            throw new SheetException(field, problem.Message.Split(" (Parameter", 2)[0] + " Choose one from the list.");
        }
    }
}
