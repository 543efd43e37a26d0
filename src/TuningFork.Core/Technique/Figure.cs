using System.Globalization;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>What is played on a sheet, before rhythm: a scale, an arpeggio or a pattern moved along a scale.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Tonic">Its first note.</param>
/// <param name="Key">The key it is written in.</param>
/// <param name="NotesPerOctave">Notes in an octave.</param>
/// <param name="Up">Pitches up so many octaves from a first note.</param>
/// <param name="Down">Pitches down again, the top one first.</param>
internal sealed record Figure(
    string Title,
    NoteName Tonic,
    Key Key,
    int NotesPerOctave,
    Func<Pitch, int, IReadOnlyList<Pitch>> Up,
    Func<Pitch, int, IReadOnlyList<Pitch>> Down
)
{
    public bool IsPattern { get; init; }

    /// <summary>What is moved through the scale, or null.</summary>
    public ScaleShape? Shape { get; init; }

    /// <summary>Semitones it may reach above its top octave; for patterns.</summary>
    public int Above { get; init; }

    public static Figure Of(SheetWish wish, NoteName tonic)
    {
        try
        {
            return wish.Figure switch
            {
                "scale" => OfScale(Scale.Kind(wish.Kind), tonic),
                "arpeggio" => OfArpeggio(Chord.KindOf(wish.Kind), tonic),
                "pattern" => OfScale(Scale.Kind(wish.Kind), tonic) with { IsPattern = true, Title = PatternTitle(wish, tonic) },
                "shape" => OfShape(ScaleShape.Get(wish.Shape), Scale.Kind(wish.Kind), tonic),
                _ => throw new SheetException("figure", "A sheet shows a scale, an arpeggio, a pattern or a shape in a scale."),
            };
        }
        catch (ArgumentException problem)
        {
            throw new SheetException("kind", problem.Message.Split(" (Parameter", 2)[0] + " Choose one from the list.");
        }
    }

    public IReadOnlyList<Pitch> Line(Pitch first, SheetWish wish)
    {
        if (Shape is { } shape)
            return shape.Line(this, first, wish.Octaves, wish.Way);
        if (IsPattern)
            return Patterns.Line(this, first, wish);
        if (wish.Order == OctaveOrder.UpAndDown || wish.Octaves == 1)
            return Round(first, wish.Octaves);
        var line = new List<Pitch>();
        for (var octave = 0; octave < wish.Octaves; octave++)
            line.AddRange(Round(first with { Octave = first.Octave + octave }, 1));
        line.AddRange(Round(first, wish.Octaves));
        return line;
    }

    /// <summary>Notes of each part of a line that is played by itself: octave after octave, then all joined.</summary>
    public IReadOnlyList<int> Sections(SheetWish wish, int notes)
    {
        if (Shape is not null || IsPattern || wish.Order == OctaveOrder.UpAndDown || wish.Octaves == 1)
            return [notes];
        var octave = Sheets.NoteCount(NotesPerOctave, 1);
        return [.. Enumerable.Repeat(octave, wish.Octaves), notes - (octave * wish.Octaves)];
    }

    /// <summary>Up and down, the top note once.</summary>
    private List<Pitch> Round(Pitch first, int octaves) => [.. Up(first, octaves), .. Down(first, octaves).Skip(1)];

    private static Figure OfScale(ScaleKind kind, NoteName tonic)
    {
        if (!Scale.CanBeWritten(kind, tonic))
            throw new SheetException(
                "tonic",
                $"{tonic.Printed} {kind.Name} would need more than seven accidentals in its signature. Take the same sound with another letter, {Simpler(kind, tonic).Printed}."
            );
        return new Figure(
            $"{tonic.Printed} {kind.Name} scale",
            tonic,
            Scale.Signature(kind, tonic),
            kind.Count,
            (first, octaves) => Plainly(kind, Scale.Upward(kind, first, octaves)),
            (first, octaves) => Plainly(kind, Scale.Downward(kind, first, octaves))
        );
    }

    /// <summary>Scales that have not each letter once are written without double accidentals (common practice).</summary>
    private static IReadOnlyList<Pitch> Plainly(ScaleKind kind, IReadOnlyList<Pitch> line) =>
        kind.Count != 7 && line.Any(pitch => Math.Abs(pitch.Name.Alteration) > 1) ? [.. line.Select(pitch => pitch.Simplified())] : line;

    private static Figure OfShape(ScaleShape shape, ScaleKind kind, NoteName tonic) =>
        OfScale(kind, tonic) with
        {
            IsPattern = true,
            Shape = shape,
            Title = $"{tonic.Printed} {kind.Name} in {shape.Name}",
        };

    private static Figure OfArpeggio(ChordKind kind, NoteName tonic)
    {
        var minor = kind.Intervals[1].Semitones == 3;
        var key = new Key(tonic, minor);
        if (!key.CanBeWritten)
            throw new SheetException(
                "tonic",
                $"{key.Name} would need more than seven accidentals in its signature. Take the same sound with another letter, {Key.OfPitchClass(tonic.PitchClass, minor).Tonic.Printed}."
            );
        var up = new ScaleKind(kind.Id, kind.Name, kind.Intervals, null);
        var title =
            kind.Intervals.Count == 3
                ? $"{tonic.Printed} {kind.Name.Replace(" triad", "", StringComparison.Ordinal)} arpeggio"
                : $"{tonic.Printed} {kind.Name} arpeggio";
        return new Figure(
            title,
            tonic,
            key,
            kind.Intervals.Count,
            (first, octaves) => Scale.Upward(up, first, octaves),
            (first, octaves) => Scale.Downward(up, first, octaves)
        );
    }

    private static NoteName Simpler(ScaleKind kind, NoteName tonic) =>
        Enumerable
            .Range(-14, 29)
            .Select(NoteName.AtFifths)
            .Where(name => name.PitchClass == tonic.PitchClass && Scale.CanBeWritten(kind, name))
            .OrderBy(name => Math.Abs(Scale.Signature(kind, name).Signature))
            .First();

    private static string PatternTitle(SheetWish wish, NoteName tonic)
    {
        var numbers = string.Create(
            CultureInfo.InvariantCulture,
            $"{wish.PatternNumber}{(wish.PairedWith is { } second ? $" and {second}" : "")}"
        );
        return $"Pattern {numbers} ({Patterns.Name(wish)}) in {tonic.Printed} {Scale.Kind(wish.Kind).Name}";
    }
}
