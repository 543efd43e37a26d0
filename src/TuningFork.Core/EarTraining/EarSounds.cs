using TuningFork.Core.Notation;
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
    private const double Beat = 0.7;

    /// <summary>Beats of a pulse, and of the taps of a rhythm.</summary>
    private const double Tap = 0.12;

    /// <summary>The click under a rhythm is high and short, so that it is told apart.</summary>
    private const int Click = 24;
    private const double ClickSeconds = 0.04;

    /// <summary>The strong beat of a bar lies so much higher.</summary>
    private const int Accent = 7;

    /// <summary>A change of a twentieth a beat is heard by most people who listen for it (common practice).</summary>
    private const double Change = 0.05;

    /// <summary>Where inner strokes of a bar of eight may stand, and those that are always there.</summary>
    private static readonly int[] Inner = [2, 4, 6],
        AtLeast = [2, 6];

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
            EarFamily.RhythmEcho => "A bar is counted, two are heard; then tap them to the click.",
            EarFamily.Lines => "The chords set the key. Which four notes?",
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
            EarFamily.Metre => Metre(what, home),
            EarFamily.Subdivision => Parts(what, home),
            EarFamily.Pulse => Pulse(what, home),
            EarFamily.SilentBeat => Silent(Number(what), home),
            EarFamily.Strokes => Strokes(what, home),
            EarFamily.RhythmEcho => Echo(Number(what), ground),
            EarFamily.Lines => Line([.. EarLines.Degrees(Number(what), ground.Seed).Select(degree => home + Above(degree))]),
            _ => Changed(what, ground),
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

    /// <summary>Three bars of beats, the first of each bar and of each group within it stronger.</summary>
    private static List<Tone> Metre(string what, int home)
    {
        var parts = what.Split(':');
        var beats = Number(parts[0]);
        int[] strong =
            parts.Length > 1 ? [Number(parts[1])]
            : beats == 6 ? [3]
            : [];
        return
        [
            .. Enumerable
                .Range(0, beats * 3)
                .Select(beat =>
                    Struck(
                        home
                            + (
                                beat % beats == 0 ? Accent + 5
                                : strong.Contains(beat % beats) ? Accent - 2
                                : 0
                            ),
                        beat * 0.36
                    )
                ),
        ];
    }

    /// <summary>Four beats, each cut into parts; the beat itself is lower.</summary>
    private static List<Tone> Parts(string what, int home)
    {
        int[] parts = what.Contains('+', StringComparison.Ordinal)
            ? [.. what.Split('+').Select(Number)]
            : [.. Enumerable.Repeat(1, Number(what))];
        var tones = new List<Tone>();
        for (var beat = 0; beat < 4; beat++)
        {
            var at = (double)beat;
            foreach (var part in parts)
            {
                tones.Add(Struck(home + (Math.Abs(at - beat) < 1e-9 ? 0 : Accent), at * 0.9));
                at += (double)part / parts.Sum();
            }
        }

        return tones;
    }

    private static List<Tone> Pulse(string what, int home)
    {
        var change = what switch
        {
            "faster" => 1 - Change,
            "slower" => 1 + Change,
            _ => 1,
        };
        var (at, tones) = (0.0, new List<Tone>());
        for (var beat = 0; beat < 10; beat++)
        {
            tones.Add(Struck(home, at * Beat));
            at += beat < 3 ? 1 : Math.Pow(change, beat - 2);
        }

        return tones;
    }

    private static List<Tone> Silent(int missing, int home) =>
        [
            .. Enumerable
                .Range(0, 8)
                .Where(beat => beat != missing - 1)
                .Select(beat => Struck(beat % 4 == 0 ? home + Accent : home, beat * Beat)),
        ];

    private static List<Tone> Strokes(string what, int home) =>
        [.. what.Select((stroke, i) => Struck(stroke == 'L' ? home - 12 : home + Accent, i * Beat * 0.8))];

    /// <summary>A bar of eight with strokes by chance, and the same bar with one thing other.</summary>
    private static List<Tone> Changed(string what, EarGround ground)
    {
        var random = new Random(ground.Seed);
        // Strokes stand on the first and on three of the inner even places, so that each has room to move.
        var places = Inner.Where(_ => random.Next(3) > 0).Prepend(0).Concat(AtLeast).Distinct().Order().ToList();
        var moved = places[1 + random.Next(places.Count - 1)];
        var second = what switch
        {
            "out" => places.Where(place => place != moved),
            "added" => places.Append(moved - 1),
            "early" => places.Select(place => place == moved ? place - 1 : place),
            "late" => places.Select(place => place == moved ? place + 1 : place),
            _ => places,
        };
        return
        [
            .. places
                .Concat(second.Select(place => place + 8))
                .Order()
                .Select(place => Struck(place % 8 == 0 ? ground.Home + Accent : ground.Home, place * Beat * 0.45)),
        ];
    }

    /// <summary>A bar counted in, two bars of rhythm, and the click on for two more in which they are tapped.</summary>
    private static List<Tone> Echo(int level, EarGround ground)
    {
        const double beat = 60.0 / EarLines.EchoTempo;
        var clicks = Enumerable
            .Range(0, EarLines.CountIn + (2 * EarLines.EchoBeats))
            .Select(at => Struck(ground.Home + (at % 4 == 0 ? 12 : 0) + Click, at * beat) with { Seconds = ClickSeconds });
        var strokes = Performed
            .Notes(EarLines.Rhythm(level, ground.Seed))
            .Select(note => Struck(ground.Home, (EarLines.CountIn + (note.At.Value * 4)) * beat));
        return [.. clicks.Concat(strokes).OrderBy(tone => tone.AtSeconds)];
    }

    /// <summary>Semitones of a degree of the major scale above its key; 8 is the octave.</summary>
    private static int Above(int degree) => degree == 8 ? 12 : Scale.Major.Up[degree - 1].Semitones;

    private static Tone Struck(int note, double at) => new(Tuning.Hertz(note), at, Tap);

    private static List<Tone> Line(params int[] notes) =>
        [.. notes.Select((note, i) => new Tone(Tuning.Hertz(note), i * Beat, Beat * 0.9))];

    private static List<Tone> Together(double at, params int[] notes) =>
        [.. notes.Select(note => new Tone(Tuning.Hertz(note), at, Beat * 2))];

    private static string After(string key) => key[(key.IndexOf(':', StringComparison.Ordinal) + 1)..];

    private static int Number(string text) => int.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
}
