namespace TuningFork.Core.Theory;

/// <summary>A kind of scale: its intervals above the first note.</summary>
/// <param name="Id">Short lasting name: "harmonic-minor".</param>
/// <param name="Name">What it is called.</param>
/// <param name="Up">Intervals above the first note going up, the first one the unison.</param>
/// <param name="SignatureShift">Fifths from the tonic's major signature to the one it is written with; null without a signature.</param>
public sealed record ScaleKind(string Id, string Name, IReadOnlyList<Interval> Up, int? SignatureShift)
{
    /// <summary>Intervals going down, in rising order; as going up unless they differ.</summary>
    public IReadOnlyList<Interval> Down { get; init; } = Up;

    /// <summary>Notes in an octave.</summary>
    public int Count => Up.Count;
}

/// <summary>Scales from a first note, spelled.</summary>
public static class Scale
{
    /// <summary>The farthest names on the line of fifths: A sharp, and B where the other five are flats.</summary>
    private const int MostSharps = 10,
        MostNaturals = 5;

    private static readonly Interval P1 = new(0, 0),
        Min2 = new(1, 1),
        M2 = new(1, 2),
        Min3 = new(2, 3),
        M3 = new(2, 4),
        P4 = new(3, 5),
        A4 = new(3, 6),
        D5 = new(4, 6),
        P5 = new(4, 7),
        A5 = new(4, 8),
        Min6 = new(5, 8),
        M6 = new(5, 9),
        Min7 = new(6, 10),
        M7 = new(6, 11);

    /// <summary>Major.</summary>
    public static ScaleKind Major { get; } = new("major", "major", [P1, M2, M3, P4, P5, M6, M7], 0);

    /// <summary>Natural minor.</summary>
    public static ScaleKind NaturalMinor { get; } = new("natural-minor", "natural minor", [P1, M2, Min3, P4, P5, Min6, Min7], -3);

    /// <summary>All twelve notes: spelled with sharps going up and with flats going down, whatever the first note (common practice).</summary>
    public static ScaleKind Chromatic { get; } =
        new("chromatic", "chromatic", [P1, Min2, M2, Min3, M3, P4, A4, P5, Min6, M6, Min7, M7], null);

    /// <summary>All kinds.</summary>
    public static IReadOnlyList<ScaleKind> Kinds { get; } =
    [
        Major,
        NaturalMinor,
        new("harmonic-minor", "harmonic minor", [P1, M2, Min3, P4, P5, Min6, M7], -3),
        new("melodic-minor", "melodic minor", [P1, M2, Min3, P4, P5, M6, M7], -3) { Down = NaturalMinor.Up },
        new("dorian", "Dorian", [P1, M2, Min3, P4, P5, M6, Min7], -2),
        new("phrygian", "Phrygian", [P1, Min2, Min3, P4, P5, Min6, Min7], -4),
        new("lydian", "Lydian", [P1, M2, M3, A4, P5, M6, M7], 1),
        new("mixolydian", "Mixolydian", [P1, M2, M3, P4, P5, M6, Min7], -1),
        new("locrian", "Locrian", [P1, Min2, Min3, P4, D5, Min6, Min7], -5),
        new("major-pentatonic", "major pentatonic", [P1, M2, M3, P5, M6], 0),
        new("minor-pentatonic", "minor pentatonic", [P1, Min3, P4, P5, Min7], -3),
        new("blues", "blues", [P1, Min3, P4, D5, P5, Min7], -3),
        new("whole-tone", "whole-tone", [P1, M2, M3, A4, A5, new(5, 10)], null),
        new("half-whole", "octatonic, half step first", [P1, Min2, Min3, M3, A4, P5, M6, Min7], null),
        new("whole-half", "octatonic, whole step first", [P1, M2, Min3, P4, D5, Min6, M6, M7], null),
        Chromatic,
    ];

    /// <summary>The kind with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static ScaleKind Kind(string id) =>
        Kinds.FirstOrDefault(kind => kind.Id == id) ?? throw new ArgumentException($"There is no scale called \"{id}\".", nameof(id));

    /// <summary>Pitches from the first note up so many octaves and a last first note: k x octaves + 1.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="first">The first note.</param>
    /// <param name="octaves">Octaves, 1 or more.</param>
    public static IReadOnlyList<Pitch> Upward(ScaleKind kind, Pitch first, int octaves)
    {
        ArgumentNullException.ThrowIfNull(kind);
        return kind == Chromatic ? Semitones(first, octaves, MostSharps) : Line(kind.Up, first, octaves);
    }

    /// <summary>Pitches from the top down to the first note.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="first">The lowest note.</param>
    /// <param name="octaves">Octaves, 1 or more.</param>
    public static IReadOnlyList<Pitch> Downward(ScaleKind kind, Pitch first, int octaves)
    {
        ArgumentNullException.ThrowIfNull(kind);
        var line = kind == Chromatic ? Semitones(first, octaves, MostNaturals) : Line(kind.Down, first, octaves);
        return [.. line.AsEnumerable().Reverse()];
    }

    /// <summary>
    /// The key whose signature it is written with; C major for kinds without one, and when the signature would be too long.
    /// </summary>
    /// <param name="kind">The kind.</param>
    /// <param name="tonic">The first note.</param>
    public static Key Signature(ScaleKind kind, NoteName tonic)
    {
        ArgumentNullException.ThrowIfNull(kind);
        var fifths = tonic.Fifths + kind.SignatureShift;
        return fifths is >= -7 and <= 7 and var found ? Key.OfSignature(found, kind.SignatureShift == -3) : Key.C;
    }

    /// <summary>Whether all its notes can be spelled from this first note and it has a signature that can be written.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="tonic">The first note.</param>
    public static bool CanBeWritten(ScaleKind kind, NoteName tonic)
    {
        ArgumentNullException.ThrowIfNull(kind);
        return kind.SignatureShift is not { } shift || tonic.Fifths + shift is >= -7 and <= 7;
    }

    /// <summary>Every semitone; the first note keeps its own name in every octave.</summary>
    private static List<Pitch> Semitones(Pitch first, int octaves, int mostFifths)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(octaves, 1);
        return
        [
            .. Enumerable
                .Range(0, (12 * octaves) + 1)
                .Select(semitones =>
                    semitones % 12 == 0 ? first with { Octave = first.Octave + (semitones / 12) } : Named(first.Midi + semitones)
                ),
        ];

        // The line of fifths comes round after twelve: seven semitones to a fifth, and back.
        Pitch Named(int midi)
        {
            var fifths = midi * 7 % 12;
            return new Pitch(NoteName.AtFifths(fifths > mostFifths ? fifths - 12 : fifths), (midi / 12) - 1);
        }
    }

    private static List<Pitch> Line(IReadOnlyList<Interval> intervals, Pitch first, int octaves)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(octaves, 1);
        var line = new List<Pitch>((intervals.Count * octaves) + 1);
        for (var octave = 0; octave < octaves; octave++)
            line.AddRange(intervals.Select(interval => (first with { Octave = first.Octave + octave }).Near(interval)));
        line.Add(first with { Octave = first.Octave + octaves });
        return line;
    }
}
