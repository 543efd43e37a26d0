using TuningFork.Core.Theory;
using static TuningFork.Core.WarmUps.WarmUpElement;

namespace TuningFork.Core.WarmUps;

/// <summary>The versions that a player begins with, by the family of the instrument (common practice); all can be changed.</summary>
public static class WarmUpLibrary
{
    private static readonly WarmUpPart Bar = new(
        Agility,
        "Easy running notes",
        "Many notes at a comfortable speed, light and loose.",
        2,
        Core: true,
        FromRepertoire: true
    );

    private static readonly string[] Brass = ["trumpet", "horn", "trombone", "tuba", "cornet", "euphonium"];

    /// <summary>Three versions.</summary>
    /// <param name="family">The family of the instrument.</param>
    /// <param name="instrument">Its name; tells brass and the clarinet from other winds.</param>
    public static IReadOnlyList<WarmUp> For(Family family, string instrument = "") =>
        [
            .. (
                family switch
                {
                    Family.Winds => Winds(Crossing(instrument)),
                    Family.Strings => Strings(),
                    Family.Plucked => WarmUpsByHand.Plucked,
                    Family.Voice => WarmUpsByHand.Voice,
                    Family.Keys => Keys(),
                    Family.Percussion => Percussion(),
                    _ => Other(),
                }
            ).Select((version, i) => new WarmUp(-1 - i, version.Name, version.Parts)),
        ];

    private static WarmUpPart Crossing(string instrument)
    {
        if (Brass.Any(name => instrument.Contains(name, StringComparison.OrdinalIgnoreCase)))
            return new(
                Movement,
                "Slurs over the harmonic series",
                "One fingering or position, up and back; the air moves, the lips only follow.",
                2
            );
        return instrument.Contains("clarinet", StringComparison.OrdinalIgnoreCase)
            ? new(Movement, "Twelfths over the break", "Low note, register key, back; only the air moves on.", 2)
            : new(Movement, "Octaves, slurred", "Low to high and back, the throat open, no push.", 2);
    }

    private static IEnumerable<(string Name, WarmUpPart[] Parts)> Winds(WarmUpPart crossing) =>
        [
            (
                "Low and full",
                [
                    new(Sound, "Long tones, low register", "One note a breath, ears on the sound.", 2),
                    new(Sound, "Long tones in pairs", "Two neighbouring notes, no bump between them.", 1, Core: false),
                    new(Scales, "One slow scale", "Half notes over a drone, tuned one by one.", 2, Drone: PartDrone.With),
                    crossing,
                    Bar,
                    new(Agility, "Trills between neighbours", "Even and loose; stop before it tightens.", 1, Core: false),
                ]
            ),
            (
                "Swell and fade",
                [
                    new(Sound, "Long tones, swelling", "Soft, full, soft again; the pitch stays.", 2),
                    new(Scales, "One slow arpeggio", "Half notes, every note as full as the first.", 2),
                    new(Scales, "The same scale in thirds", "Slowly, slurred in pairs.", 1, Core: false),
                    new(Movement, "Low to high and back", "Slurred leaps, fingers close, the throat open.", 2),
                    new(Agility, "Tongue on one note", "Light and short, a comfortable speed, never the fastest.", 1, Core: false),
                    Bar,
                ]
            ),
            (
                "Quietly",
                [
                    new(Sound, "Starting from nothing", "Begin each note without the tongue; let it fade to nothing.", 2),
                    new(Sound, "Bending the pitch", "A little under, back to the middle of the note.", 1, Core: false),
                    new(Scales, "A minor scale over a drone", "Whole notes; wait for each to settle.", 2, Drone: PartDrone.With),
                    crossing with
                    {
                        Core = false,
                        Minutes = 1,
                    },
                    new(Movement, "Fifths through the range", "Step by step upward, the same sound everywhere.", 2),
                    new(Agility, "Easy running notes", "Five notes up and down, many times, light fingers.", 2),
                ]
            ),
        ];

    private static IEnumerable<(string Name, WarmUpPart[] Parts)> Strings() =>
        [
            (
                "Open strings",
                [
                    new(Sound, "Open strings, long strokes", "Whole strokes, the sound from beginning to end.", 2),
                    new(Sound, "One note, four dynamics", "The same speed, the weight changes.", 1, Core: false),
                    new(Scales, "One slow scale", "Over a drone, each note centred before the next.", 2, Drone: PartDrone.With),
                    new(
                        Movement,
                        "Shifts over a drone",
                        "No click; one octave up and down, listen into the note.",
                        2,
                        Drone: PartDrone.With
                    ),
                    Bar,
                    new(Agility, "Finger drops", "Each finger falls by itself; nothing else moves.", 1, Core: false),
                ]
            ),
            (
                "Across",
                [
                    new(Sound, "Double notes, softly", "Two neighbouring strings, both alike.", 2),
                    new(Scales, "One slow arpeggio", "The hand settled before it moves.", 2),
                    new(Movement, "Across the strings", "Slow crossings, the elbow leads.", 2),
                    new(Movement, "Octaves by one finger", "Look, move, listen.", 1, Core: false),
                    new(Agility, "Easy running notes", "Four notes a stroke, light fingers.", 2),
                ]
            ),
            (
                "By ear",
                [
                    new(Sound, "Tuning by listening", "Fifths or fourths until they ring, then long notes on them.", 2),
                    new(Scales, "A scale on one string", "Slowly, sing each note before it sounds.", 2),
                    new(Scales, "Its thirds", "Two by two, over the drone.", 1, Core: false, Drone: PartDrone.With),
                    new(Movement, "Harmonics, up the string", "Touch, let it ring, go on.", 2),
                    Bar,
                ]
            ),
        ];

    private static IEnumerable<(string Name, WarmUpPart[] Parts)> Keys() =>
        [
            (
                "Weight",
                [
                    new(Sound, "Five notes, hands together", "Slowly, the weight carried from key to key.", 2),
                    new(Sound, "Long chords", "Sink in, listen until the sound is gone.", 1, Core: false),
                    new(Scales, "One slow scale", "Hands separately, then together, quietly.", 2),
                    new(Movement, "Stretches and jumps", "Look, move, wait, then play.", 2),
                    Bar,
                    new(Agility, "Alternating hands", "Soft and even, no louder thumb.", 1, Core: false),
                ]
            ),
            (
                "Wide",
                [
                    new(Sound, "One note, five ways", "The same key from soft to full, the wrist loose.", 2),
                    new(Scales, "One slow arpeggio", "The thumb travels early; no accent.", 2),
                    new(Scales, "Contrary motion", "From the middle outward and back, slowly.", 1, Core: false),
                    new(Movement, "Octaves in leaps", "Loose wrist, the arm measures the way.", 2),
                    new(Agility, "Easy running notes", "Five fingers, up and down, light.", 2),
                ]
            ),
            (
                "Quietly",
                [
                    new(Sound, "Chords from nothing", "As softly as they will speak, all notes at once.", 2),
                    new(Scales, "A minor scale, eyes closed", "Slowly, every note alike.", 2),
                    new(Movement, "Hands over the keyboard", "The same chord in each octave, without looking twice.", 1),
                    new(Agility, "Repeated notes, changing fingers", "Even, from the key, not above it.", 1, Core: false),
                    Bar,
                ]
            ),
        ];

    private static IEnumerable<(string Name, WarmUpPart[] Parts)> Percussion() =>
        [
            (
                "Rebound",
                [
                    new(Sound, "Single strokes, slow", "One stroke a beat, let it rebound, listen to the tone.", 2),
                    new(Sound, "Open tones", "The same spot, the same sound, hand after hand.", 1, Core: false),
                    new(Scales, "Even doubles", "Two a hand, slowly, with the click, both alike.", 2),
                    new(Movement, "Round the surfaces", "Edge, centre, edge; the arm moves before the hand.", 2),
                    new(
                        Agility,
                        "Easy rolling strokes",
                        "Many strokes at a comfortable speed, loose grip.",
                        2,
                        Core: true,
                        FromRepertoire: true
                    ),
                ]
            ),
            (
                "Soft to loud",
                [
                    new(Sound, "One stroke, eight counts", "Prepare, strike, rest; nothing moves that need not.", 2),
                    new(Scales, "Paradiddles, slow", "Accents taller, taps low; the click in the middle.", 2),
                    new(Movement, "Sixteen strokes, four dynamics", "One tempo; the height of the stroke alone changes.", 2),
                    new(Movement, "Hands in turn", "Right leads, left leads, no change in sound.", 1, Core: false),
                    new(Agility, "A groove you like", "Quietly, four bars, shoulders down.", 2),
                ]
            ),
            (
                "Hands apart",
                [
                    new(Sound, "The weaker hand alone", "Slow quarters, the same tone as the other hand.", 2),
                    new(Scales, "Threes and fours", "Singles in groups of three, then of four, one slow click.", 2),
                    new(Scales, "Flams, opening and closing", "Far apart, nearer, together, apart again.", 1, Core: false),
                    new(Movement, "Placement", "Three places, one stroke each, the same loudness.", 2),
                    new(
                        Agility,
                        "Easy rolling strokes",
                        "Many strokes at a comfortable speed, loose grip.",
                        2,
                        Core: true,
                        FromRepertoire: true
                    ),
                ]
            ),
        ];

    private static IEnumerable<(string Name, WarmUpPart[] Parts)> Other() =>
        [
            (
                "Sound first",
                [
                    new(Sound, "Long tones", "Slow, eyes off the page, ears on the sound.", 2),
                    new(Scales, "One slow scale", "Over a drone, each note heard to its end.", 2, Drone: PartDrone.With),
                    new(Movement, "Across the instrument", "Low to high and back without hurry.", 2),
                    Bar,
                ]
            ),
            (
                "Plain and slow",
                [
                    new(Sound, "The simplest notes you know", "As beautifully as you can.", 2),
                    new(Scales, "One slow arpeggio", "Every note alike.", 2),
                    new(Movement, "Wide steps", "Look, move, then play.", 2),
                    new(Agility, "Easy running notes", "Many notes at a comfortable speed.", 2),
                    new(Agility, "A line you like", "Lightly, from memory.", 1, Core: false),
                ]
            ),
            (
                "Quietly",
                [
                    new(Sound, "As softly as it will speak", "One note at a time; wait until it has gone.", 2),
                    new(Scales, "A scale, eyes closed", "Slowly, sing each note first.", 2),
                    new(Movement, "Leaps, one at a time", "Hear the far note, then go.", 1),
                    Bar,
                ]
            ),
        ];
}
