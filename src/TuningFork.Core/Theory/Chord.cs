namespace TuningFork.Core.Theory;

/// <summary>A kind of chord: its intervals above the root.</summary>
/// <param name="Id">Short lasting name: "m7".</param>
/// <param name="Name">What it is called.</param>
/// <param name="Sign">What stands after the root in a chord symbol.</param>
/// <param name="Intervals">Intervals above the root, the first the unison.</param>
public sealed record ChordKind(string Id, string Name, string Sign, IReadOnlyList<Interval> Intervals);

/// <summary>A chord: root, kind and what is lowest.</summary>
/// <param name="Root">The root.</param>
/// <param name="Kind">The kind.</param>
/// <param name="Inversion">0 root position, 1 first inversion, and so on.</param>
public sealed record Chord(NoteName Root, ChordKind Kind, int Inversion = 0)
{
    private static readonly Interval P1 = new(0, 0),
        Min3 = new(2, 3),
        M3 = new(2, 4),
        D5 = new(4, 6),
        P5 = new(4, 7),
        A5 = new(4, 8),
        D7 = new(6, 9),
        Min7 = new(6, 10),
        M7 = new(6, 11);

    /// <summary>Triads and seventh chords.</summary>
    public static IReadOnlyList<ChordKind> Kinds { get; } =
    [
        new("major", "major triad", "", [P1, M3, P5]),
        new("minor", "minor triad", "m", [P1, Min3, P5]),
        new("diminished", "diminished triad", "dim", [P1, Min3, D5]),
        new("augmented", "augmented triad", "aug", [P1, M3, A5]),
        new("dominant-seventh", "dominant seventh", "7", [P1, M3, P5, Min7]),
        new("major-seventh", "major seventh", "maj7", [P1, M3, P5, M7]),
        new("minor-seventh", "minor seventh", "m7", [P1, Min3, P5, Min7]),
        new("half-diminished", "half-diminished seventh", "m7♭5", [P1, Min3, D5, Min7]),
        new("diminished-seventh", "diminished seventh", "dim7", [P1, Min3, D5, D7]),
        new("minor-major-seventh", "minor triad with major seventh", "m(maj7)", [P1, Min3, P5, M7]),
        new("augmented-major-seventh", "augmented triad with major seventh", "maj7♯5", [P1, M3, A5, M7]),
    ];

    /// <summary>The kind with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static ChordKind KindOf(string id) =>
        Kinds.FirstOrDefault(kind => kind.Id == id) ?? throw new ArgumentException($"There is no chord called \"{id}\".", nameof(id));

    /// <summary>Its notes from the lowest, by name.</summary>
    public IReadOnlyList<NoteName> Notes => [.. Pitches(4).Select(pitch => pitch.Name)];

    /// <summary>Symbol with the bass after a stroke when it is inverted: "Dm7/F".</summary>
    public string Symbol => Root.Printed + Kind.Sign + (Inversion > 0 ? "/" + Notes[0].Printed : "");

    /// <summary>Its pitches, close together, the lowest in this octave or just above.</summary>
    /// <param name="octave">Octave of the root in root position.</param>
    /// <exception cref="InvalidOperationException">There is no such inversion.</exception>
    public IReadOnlyList<Pitch> Pitches(int octave)
    {
        if (Inversion < 0 || Inversion >= Kind.Intervals.Count)
            throw new InvalidOperationException($"A {Kind.Name} has {Kind.Intervals.Count - 1} inversions; {Inversion} is none of them.");
        var root = new Pitch(Root, octave);
        var close = Kind.Intervals.Select(interval => root.Plus(interval)).ToList();
        return [.. close.Skip(Inversion), .. close.Take(Inversion).Select(pitch => pitch with { Octave = pitch.Octave + 1 })];
    }

    /// <summary>The chords on the seven degrees of a key: triads, or seventh chords. Minor keys take the harmonic scale.</summary>
    /// <param name="key">The key.</param>
    /// <param name="sevenths">True for seventh chords.</param>
    /// <returns>Each with its Roman numeral.</returns>
    public static IReadOnlyList<(string Numeral, Chord Chord)> OfKey(Key key, bool sevenths = false)
    {
        var kind = Scale.Kind(key.IsMinor ? "harmonic-minor" : "major");
        var notes = Scale.Upward(kind, new Pitch(key.Tonic, 4), 2);
        var size = sevenths ? 4 : 3;
        return
        [
            .. Enumerable
                .Range(0, 7)
                .Select(degree =>
                {
                    var pitches = Enumerable.Range(0, size).Select(i => notes[degree + (2 * i)]).ToList();
                    var intervals = pitches.Select(pitch => Interval.Between(pitches[0], pitch)).ToList();
                    var found = Kinds.First(one => one.Intervals.SequenceEqual(intervals));
                    return (Numeral(degree, found), new Chord(pitches[0].Name, found));
                }),
        ];
    }

    private static string Numeral(int degree, ChordKind kind)
    {
        var numeral = new[] { "I", "II", "III", "IV", "V", "VI", "VII" }[degree];
        var minor = kind.Intervals[1].Semitones == 3;
        var sign = kind.Id switch
        {
            "diminished" or "diminished-seventh" => "°",
            "half-diminished" => "ø",
            "augmented" or "augmented-major-seventh" => "+",
            _ => "",
        };
        return (minor ? numeral.ToLowerInvariant() : numeral) + sign + (kind.Intervals.Count == 4 ? "7" : "");
    }
}
