using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>What all answers to one question share: where it lies, and its chance.</summary>
/// <param name="Home">Sounding MIDI note of the first note, the lowest note of a chord, or the key.</param>
/// <param name="Seed">Makes it again.</param>
public readonly record struct EarGround(int Home, int Seed)
{
    /// <summary>Lowest and highest middle of a register: comfortable singing ranges (common practice).</summary>
    public const int LowestCentre = 48,
        HighestCentre = 72;

    /// <summary>A ground round a register.</summary>
    /// <param name="centre">Sounding MIDI note in its middle, 48 to 72.</param>
    /// <param name="seed">Makes it again.</param>
    public static EarGround Round(int centre, int seed)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(centre, LowestCentre);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(centre, HighestCentre);
        return new EarGround(centre - 4 + new Random(seed).Next(9), seed);
    }
}

/// <summary>How an item sounds on a ground; the same ground makes what is taken for each other comparable.</summary>
public static class EarSounds
{
    internal const double Beat = 0.7;

    /// <summary>What is asked, in one sentence.</summary>
    /// <param name="family">The family.</param>
    public static string Ask(EarFamily family) =>
        family switch
        {
            EarFamily.IntervalsUp or EarFamily.IntervalsDown or EarFamily.IntervalsTogether => "Which interval?",
            EarFamily.Triads or EarFamily.Sevenths => "Which chord?",
            EarFamily.DegreesMajor or EarFamily.DegreesMinor => "The chords set the key. Which degree is the last note?",
            EarFamily.Scales => "Which scale?",
            EarFamily.TwoChords => "The first chords set the key. Which two follow?",
            EarFamily.FourChords => "Which four chords?",
            EarFamily.Metre => "Bars of how many?",
            EarFamily.Subdivision => "What is each beat cut into?",
            EarFamily.Pulse => "Where does the pulse go?",
            EarFamily.SilentBeat => "Two bars of four. Which beat is silent?",
            EarFamily.Strokes => "Which strokes?",
            EarFamily.Grooves => "Which groove?",
            EarFamily.RhythmEcho => "A bar is counted, two are heard; then tap them to the click.",
            EarFamily.Lines => "The chords set the key. Which four notes? Sing them, play them, or give them.",
            _ => "What is other in the second bar?",
        };

    /// <summary>The question: with the cadence where a key has to be set.</summary>
    /// <param name="item">What is asked.</param>
    /// <param name="ground">Where it lies.</param>
    public static IReadOnlyList<Tone> Question(EarItem item, EarGround ground)
    {
        ArgumentNullException.ThrowIfNull(item);
        var cadence = item.Family switch
        {
            EarFamily.DegreesMajor or EarFamily.TwoChords or EarFamily.Lines => ["I", "IV", "V", "I"],
            EarFamily.DegreesMinor => ["i", "iv", "V", "i"],
            _ => Array.Empty<string>(),
        };
        var keyed = Progression(cadence, ground.Home, 0, 0.75);
        var at = cadence.Length == 0 ? 0 : (cadence.Length * Beat * 0.75) + 0.3;
        return [.. keyed, .. Bare(item, ground).Select(tone => tone with { AtSeconds = tone.AtSeconds + at })];
    }

    /// <summary>An answer, to be heard beside another: without the cadence; a chord together and note by note, a degree led home.</summary>
    /// <param name="item">The answer.</param>
    /// <param name="ground">Where the question lay.</param>
    public static IReadOnlyList<Tone> Answer(EarItem item, EarGround ground)
    {
        ArgumentNullException.ThrowIfNull(item);
        var bare = Bare(item, ground);
        return item.Family switch
        {
            EarFamily.Triads or EarFamily.Sevenths or EarFamily.IntervalsTogether =>
            [
                .. bare,
                .. bare.Select((tone, i) => tone with { AtSeconds = (Beat * 2.2) + (i * Beat * 0.7), Seconds = Beat * 0.65 }),
            ],
            EarFamily.DegreesMajor or EarFamily.DegreesMinor => Line(ground.Home, ground.Home + DegreeOf(item), ground.Home),
            _ => bare,
        };
    }

    /// <summary>Semitones of a degree above its key: 6 is a major sixth in major and a minor one in minor.</summary>
    internal static int DegreeOf(EarItem item)
    {
        var degree = After(item.Key);
        var scale = item.Family == EarFamily.DegreesMajor ? Scale.Major : Scale.NaturalMinor;
        var sign = degree[0] switch
        {
            'b' => -1,
            '#' => 1,
            _ => 0,
        };
        return scale.Up[degree[^1] - '1'].Semitones + sign;
    }

    /// <summary>Semitones above a key of the notes of a chord named by its degree: capitals major, small letters minor.</summary>
    internal static int[] ChordOf(string degree)
    {
        string[] names = ["I", "II", "III", "IV", "V", "VI", "VII"];
        var root = Scale.Major.Up[Array.IndexOf(names, degree.ToUpperInvariant())].Semitones;
        return [root, root + (char.IsUpper(degree[0]) ? 4 : 3), root + 7];
    }

    private static List<Tone> Bare(EarItem item, EarGround ground)
    {
        var (home, what) = (ground.Home, After(item.Key));
        return item.Family switch
        {
            EarFamily.IntervalsUp => Line(home, home + Number(what)),
            EarFamily.IntervalsDown => Line(home, home - Number(what)),
            EarFamily.IntervalsTogether => Together(0, home, home + Number(what)),
            EarFamily.Triads or EarFamily.Sevenths => Together(0, [.. Inverted(what).Select(step => home - 5 + step)]),
            EarFamily.DegreesMajor or EarFamily.DegreesMinor => Line(home + DegreeOf(item)),
            EarFamily.Scales => ScaleLine(what, home),
            EarFamily.TwoChords or EarFamily.FourChords => Progression(what.Split('-'), home, 0, 1.2),
            EarFamily.Metre => EarStrokes.Metre(what, home),
            EarFamily.Subdivision => EarStrokes.Parts(what, home),
            EarFamily.Pulse => EarStrokes.Pulse(what, home),
            EarFamily.SilentBeat => EarStrokes.Silent(Number(what), home),
            EarFamily.Strokes => EarStrokes.Strokes(what, home),
            EarFamily.Grooves => EarStrokes.Groove(what, home),
            EarFamily.RhythmEcho => EarStrokes.Echo(Number(what), ground),
            EarFamily.Lines => Line([.. EarLines.Degrees(Number(what), ground.Seed).Select(degree => home + Above(degree))]),
            _ => EarStrokes.Changed(what, ground),
        };
    }

    /// <summary>Notes of a chord above its lowest: "minor:1" has its third there.</summary>
    private static IEnumerable<int> Inverted(string what)
    {
        var parts = what.Split(':');
        var notes = ChordKinds.Basic.First(kind => kind.Id == parts[0]).Intervals.Select(interval => interval.Semitones).ToList();
        var lowest = Number(parts[1]);
        var turned = notes.Skip(lowest).Concat(notes.Take(lowest).Select(note => note + 12)).ToList();
        return turned.Select(note => note - turned[0]);
    }

    private static List<Tone> ScaleLine(string kind, int home)
    {
        var up = Scale.Kind(kind).Up.Select(interval => interval.Semitones).Append(12);
        return [.. up.Select((step, i) => new Tone(Tuning.Hertz(home - 5 + step), i * 0.38, 0.35))];
    }

    /// <summary>Chords in close position round the key, each with its root below.</summary>
    private static List<Tone> Progression(IReadOnlyList<string> degrees, int home, double at, double length) =>
        [
            .. degrees.SelectMany(
                (degree, i) =>
                {
                    var notes = ChordOf(degree);
                    // The root below; the others where the hand would find them, from a fourth under the key on.
                    return notes
                        .Select(note => home + (note > 7 ? note - 12 : note))
                        .Prepend(home - 12 + (notes[0] > 7 ? notes[0] - 12 : notes[0]))
                        .Distinct()
                        .Select(note => new Tone(Tuning.Hertz(note), at + (i * Beat * length), Beat * length * 0.92));
                }
            ),
        ];

    /// <summary>Semitones of a degree of the major scale above its key; 8 is the octave.</summary>
    internal static int Above(int degree) => degree == 8 ? 12 : Scale.Major.Up[degree - 1].Semitones;

    private static List<Tone> Line(params int[] notes) =>
        [.. notes.Select((note, i) => new Tone(Tuning.Hertz(note), i * Beat, Beat * 0.9))];

    private static List<Tone> Together(double at, params int[] notes) =>
        [.. notes.Select(note => new Tone(Tuning.Hertz(note), at, Beat * 2))];

    private static string After(string key) => key[(key.IndexOf(':', StringComparison.Ordinal) + 1)..];

    internal static int Number(string text) => int.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
}
