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
    /// <summary>Triads and seventh chords.</summary>
    public static IReadOnlyList<ChordKind> Kinds => ChordKinds.Basic;

    /// <summary>Another note below all of them, "C/D"; null where the lowest is one of its own.</summary>
    public NoteName? Bass { get; init; }

    /// <summary>The kind with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static ChordKind KindOf(string id) =>
        ChordKinds.All.FirstOrDefault(kind => kind.Id == id)
        ?? throw new ArgumentException($"There is no chord called \"{id}\".", nameof(id));

    /// <summary>Its notes from the lowest, by name.</summary>
    public IReadOnlyList<NoteName> Notes => [.. Pitches(4).Select(pitch => pitch.Name)];

    /// <summary>Symbol with the bass after a stroke when it is not the root: "Dm7/F", "C/D".</summary>
    public string Symbol => Root.Printed + Kind.Sign + (Inversion > 0 || Bass is not null ? "/" + Notes[0].Printed : "");

    /// <summary>Its pitches from the lowest: in root position as the chord is built, inverted as close together as they come.</summary>
    /// <param name="octave">Octave of the root in root position.</param>
    /// <exception cref="InvalidOperationException">There is no such inversion.</exception>
    public IReadOnlyList<Pitch> Pitches(int octave)
    {
        if (Inversion < 0 || Inversion >= Kind.Intervals.Count)
            throw new InvalidOperationException($"A {Kind.Name} has {Kind.Intervals.Count - 1} inversions; {Inversion} is none of them.");
        var root = new Pitch(Root, octave);
        if (Inversion == 0)
            return
            [
                .. Bass is { } bass ? [Below(bass, root)] : Array.Empty<Pitch>(),
                .. Kind.Intervals.Select(interval => root.Plus(interval)),
            ];
        var lowest = root.Plus(Within(Kind.Intervals[Inversion]));
        return
        [
            .. Kind
                .Intervals.Select(interval => root.Plus(Within(interval)))
                .Select(pitch => pitch.Midi < lowest.Midi ? pitch with { Octave = pitch.Octave + 1 } : pitch)
                .OrderBy(pitch => pitch.Midi),
        ];
    }

    /// <summary>A ninth as a second, a thirteenth as a sixth.</summary>
    private static Interval Within(Interval interval) =>
        interval.Steps >= Interval.Octave.Steps
            ? new Interval(interval.Steps - Interval.Octave.Steps, interval.Semitones - Interval.Octave.Semitones)
            : interval;

    private static Pitch Below(NoteName bass, Pitch root)
    {
        var pitch = new Pitch(bass, root.Octave);
        return pitch.Midi < root.Midi ? pitch : pitch with { Octave = root.Octave - 1 };
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

    /// <summary>
    /// A chord as a progression has it: the tonic of a minor key with a seventh is a minor seventh, not the one that the harmonic scale
    /// spells and nobody means (common practice).
    /// </summary>
    /// <param name="key">The key.</param>
    /// <param name="degree">Its degree, 1 to 7.</param>
    /// <param name="chord">The chord on it.</param>
    public static Chord Played(Key key, int degree, Chord chord)
    {
        ArgumentNullException.ThrowIfNull(chord);
        return key.IsMinor && degree == 1 && chord.Kind.Intervals.Count == 4
            ? chord with
            {
                Kind = Kinds.First(kind => kind.Id == MinorSeventh),
            }
            : chord;
    }

    private const string MinorSeventh = "minor-seventh";

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
