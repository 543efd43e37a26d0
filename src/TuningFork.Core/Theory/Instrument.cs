namespace TuningFork.Core.Theory;

/// <summary>Where notes stand on the staff.</summary>
public enum Clef
{
    /// <summary>G on the second line.</summary>
    Treble,

    /// <summary>F on the fourth line.</summary>
    Bass,

    /// <summary>C on the third line.</summary>
    Alto,

    /// <summary>C on the fourth line.</summary>
    Tenor,

    /// <summary>Without pitch.</summary>
    Percussion,

    /// <summary>C on the first line.</summary>
    Soprano,

    /// <summary>C on the second line.</summary>
    MezzoSoprano,

    /// <summary>F on the third line.</summary>
    Baritone,
}

/// <summary>What an instrument is: how it is written and how that sounds.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Family">Its family.</param>
/// <param name="Clef">Usual clef.</param>
/// <param name="Lowest">Lowest usual written note; null without pitch.</param>
/// <param name="Highest">Highest usual written note; null without pitch.</param>
/// <param name="Transposition">Semitones from written to sounding pitch.</param>
/// <param name="OpenStrings">Written pitches of the open strings, lowest first; empty for others.</param>
public sealed record Instrument(
    string Name,
    Family Family,
    Clef Clef,
    Pitch? Lowest,
    Pitch? Highest,
    int Transposition = 0,
    IReadOnlyList<Pitch>? OpenStrings = null
)
{
    /// <summary>Instruments that are known by name (ranges and transpositions: orchestration handbooks, from memory).</summary>
    public static IReadOnlyList<Instrument> Known { get; } =
    [
        Wind("B-flat clarinet", "E3", "G6", -2),
        Wind("E-flat clarinet", "E3", "F6", 3),
        Wind("Bass clarinet", "Eb3", "E6", -14),
        Wind("Flute", "C4", "C7"),
        Wind("Piccolo", "D4", "C7", 12),
        Wind("Oboe", "Bb3", "E6"),
        Wind("Bassoon", "Bb1", "D5", clef: Clef.Bass),
        Wind("Soprano recorder", "C4", "D6", 12),
        Wind("Alto recorder", "F4", "G6"),
        Wind("Alto saxophone", "Bb3", "F6", -9),
        Wind("Tenor saxophone", "Bb3", "F6", -14),
        Wind("Soprano saxophone", "Bb3", "F6", -2),
        Wind("Baritone saxophone", "Bb3", "F6", -21),
        Wind("B-flat trumpet", "F#3", "C6", -2),
        Wind("Horn in F", "F#2", "C6", -7) with
        {
            ScalesFrom = Pitch.Parse("G3"),
        },
        Wind("Trombone", "E2", "Bb4", clef: Clef.Bass),
        Wind("Tuba", "E1", "F4", clef: Clef.Bass),
        Strings("Violin", Clef.Treble, "A7", 0, "G3", "D4", "A4", "E5"),
        Strings("Viola", Clef.Alto, "E6", 0, "C3", "G3", "D4", "A4"),
        Strings("Cello", Clef.Bass, "A5", 0, "C2", "G2", "D3", "A3"),
        Strings("Double bass", Clef.Bass, "G4", -12, "E2", "A2", "D3", "G3"),
        Plucked("Guitar", Clef.Treble, "E6", -12, "E3", "A3", "D4", "G4", "B4", "E5"),
        Plucked("Bass guitar", Clef.Bass, "G4", -12, "E2", "A2", "D3", "G3"),
        Plucked("Mandolin", Clef.Treble, "A6", 0, "G3", "D4", "A4", "E5"),
        Plucked("Ukulele", Clef.Treble, "A5", 0, "C4", "E4", "G4", "A4"),
        new("Harp", Family.Plucked, Clef.Treble, Pitch.Parse("C1"), Pitch.Parse("G7")),
        new("Piano", Family.Keys, Clef.Treble, Pitch.Parse("A0"), Pitch.Parse("C8"))
        {
            ScalesFrom = Pitch.Parse("G3"),
            LeftHandFrom = Pitch.Parse("G2"),
        },
        new("Accordion", Family.Keys, Clef.Treble, Pitch.Parse("F3"), Pitch.Parse("A6")) { ScalesFrom = Pitch.Parse("G3") },
        new("Hand drum", Family.Percussion, Clef.Percussion, null, null),
        new("Snare drum", Family.Percussion, Clef.Percussion, null, null),
        new("Drum kit", Family.Percussion, Clef.Percussion, null, null),
        new("Vibraphone", Family.Percussion, Clef.Treble, Pitch.Parse("F3"), Pitch.Parse("F6")),
        Voice("Voice", "C4", "G5"),
        Voice("Soprano voice", "C4", "A5"),
        Voice("Alto voice", "G3", "E5"),
        Voice("Tenor voice", "C4", "A5", -12),
        Voice("Baritone voice", "A2", "F4", clef: Clef.Bass),
        Voice("Bass voice", "E2", "E4", clef: Clef.Bass),
    ];

    /// <summary>True for keyboards that reach far below the treble staff: they are read from two staves.</summary>
    public bool HasTwoStaves => Family == Family.Keys && Lowest is { Midi: < LowestOfTwoStaves };

    private const int LowestOfTwoStaves = 48;

    /// <summary>MIDI notes between which ear questions lie well: sung by most people (common practice).</summary>
    private const int LowestCentre = 55;
    private const int HighestCentre = 64;

    /// <summary>Sounding MIDI note round which ear questions lie.</summary>
    public int EarCentre =>
        Lowest is { } low && Highest is { } high
            ? Math.Clamp(low.Midi + ((high.Midi - low.Midi) * 2 / 5) + Transposition, LowestCentre, HighestCentre)
            : 60;

    /// <summary>An instrument with pitch that nobody knows by name: treble clef, C4 to C6, as it sounds.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="family">Its family.</param>
    public static Instrument Unknown(string name, Family family) =>
        family == Family.Percussion
            ? new Instrument(name, family, Clef.Percussion, null, null)
            : new Instrument(name, family, Clef.Treble, Pitch.Parse("C4"), Pitch.Parse("C6"));

    /// <summary>Scales usually begin with the first tonic from this written note on; null for the lowest (common practice).</summary>
    public Pitch? ScalesFrom { get; init; }

    /// <summary>The same for the left hand of a keyboard, in the bass clef.</summary>
    public Pitch? LeftHandFrom { get; init; }

    /// <summary>True when it has notes of its own to read.</summary>
    public bool IsPitched => Lowest is not null && Highest is not null;

    /// <summary>The way from written to sounding pitch, spelled.</summary>
    public Interval ToSounding => Interval.OfSemitones(Transposition);

    private static Instrument Wind(string name, string low, string high, int transposition = 0, Clef clef = Clef.Treble) =>
        new(name, Family.Winds, clef, Pitch.Parse(low), Pitch.Parse(high), transposition);

    private static Instrument Voice(string name, string low, string high, int transposition = 0, Clef clef = Clef.Treble) =>
        new(name, Family.Voice, clef, Pitch.Parse(low), Pitch.Parse(high), transposition);

    private static Instrument Plucked(string name, Clef clef, string high, int transposition, params string[] open) =>
        Strings(name, clef, high, transposition, open) with
        {
            Family = Family.Plucked,
        };

    private static Instrument Strings(string name, Clef clef, string high, int transposition, params string[] open) =>
        new(name, Family.Strings, clef, Pitch.Parse(open[0]), Pitch.Parse(high), transposition, [.. open.Select(Pitch.Parse)]);
}
