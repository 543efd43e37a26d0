using static TuningFork.Core.WarmUps.WarmUpElement;

namespace TuningFork.Core.WarmUps;

/// <summary>Versions for plucked strings, and for the voice, which has no instrument but the body (common practice).</summary>
internal static class WarmUpsByHand
{
    private static readonly WarmUpPart Bar = new(
        Agility,
        "Easy running notes",
        "Many notes at a comfortable speed, light and loose.",
        2,
        Core: true,
        FromRepertoire: true
    );

    public static IReadOnlyList<(string Name, WarmUpPart[] Parts)> Plucked { get; } =
    [
        (
            "Open strings",
            [
                new(Sound, "Open strings, one by one", "Pluck, let it ring to the end, the hand at rest between.", 2),
                new(Sound, "Near and far", "The same string close to the bridge, in the middle, over the neck.", 1, Core: false),
                new(Scales, "One slow scale", "Half notes, each note held until the next one sounds.", 2),
                new(Movement, "Along one string", "One finger up and down the neck; look, move, then pluck.", 2),
                Bar,
                new(Agility, "Finger drops", "Each finger falls by itself, close to the fret; nothing else moves.", 1, Core: false),
            ]
        ),
        (
            "Across",
            [
                new(Sound, "Two strings together", "Both alike, softly; listen until they have gone.", 2),
                new(Scales, "One slow arpeggio", "The fingers wait on their strings before they pluck.", 2),
                new(Movement, "Across the strings", "Lowest to highest and back, the arm carries the hand.", 2),
                new(Movement, "Two shapes, slowly", "Lift, hover, land all fingers at once; no sound until they lie.", 1, Core: false),
                new(Agility, "Alternating strokes", "Two fingers or down and up, even, quiet, a comfortable speed.", 2),
            ]
        ),
        (
            "Light hands",
            [
                new(Sound, "As softly as it speaks", "One note at a time, as little pressure as will ring clean.", 2),
                new(Scales, "A scale, two fingers to a string", "Slowly, sing each note before it sounds.", 2),
                new(Scales, "Its thirds", "Two by two, the first held under the second.", 1, Core: false),
                new(Movement, "Harmonics, along the neck", "Touch, pluck, let go; twelve, seven, five.", 2),
                Bar,
            ]
        ),
    ];

    public static IReadOnlyList<(string Name, WarmUpPart[] Parts)> Voice { get; } =
    [
        (
            "Humming",
            [
                new(Sound, "Humming, lips closed", "Comfortable middle notes, jaw loose, as quietly as it hums by itself.", 2),
                new(Sound, "Breath in, breath out", "Low and silent in; out on \u201cf\u201d, slowly and evenly.", 1, Core: false),
                new(Scales, "Five notes up and down", "On an open vowel, slowly, a half step higher each time; stop before it is work.", 2),
                new(
                    Movement,
                    "Slides through the range",
                    "From low to high and back on a rolled lip or \u201cng\u201d, softly, without a push.",
                    2
                ),
                new(
                    Agility,
                    "Light turns of five notes",
                    "Quick and easy on \u201cya\u201d, in the middle only.",
                    2,
                    Core: true,
                    FromRepertoire: true
                ),
            ]
        ),
        (
            "Vowels",
            [
                new(Sound, "One note, five vowels", "One breath, the vowel changes and the sound stays.", 2),
                new(Scales, "One slow arpeggio", "Up and down on \u201coh\u201d, the top no louder than the bottom.", 2),
                new(Movement, "Octaves, softly", "Low note, breathe, the note above it; the jaw stays loose.", 2),
                new(
                    Agility,
                    "Short notes from the breath",
                    "Three light beats of the belly, one vowel; never from the throat.",
                    1,
                    Core: false
                ),
                new(Agility, "A phrase you know, on one vowel", "Its notes only, lightly.", 2, Core: true, FromRepertoire: true),
            ]
        ),
        (
            "Quietly",
            [
                new(Sound, "Sighs", "From a comfortable high place down, like a yawn.", 2),
                new(Scales, "A minor scale over a drone", "Each note settles before the next.", 2, Drone: PartDrone.With),
                new(Movement, "Swell and fade", "One middle note, soft, fuller, soft; the pitch stays.", 2),
                new(Agility, "Words in rhythm", "A line of the text spoken on one note, clear and quick.", 1),
            ]
        ),
    ];
}
