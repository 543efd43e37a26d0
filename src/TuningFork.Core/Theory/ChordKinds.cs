namespace TuningFork.Core.Theory;

/// <summary>The kinds of chords that have a name.</summary>
public static class ChordKinds
{
    private static readonly Interval P1 = new(0, 0),
        M2 = new(1, 2),
        Min3 = new(2, 3),
        M3 = new(2, 4),
        P4 = new(3, 5),
        D5 = new(4, 6),
        P5 = new(4, 7),
        A5 = new(4, 8),
        M6 = new(5, 9),
        D7 = new(6, 9),
        Min7 = new(6, 10),
        M7 = new(6, 11),
        Min9 = new(8, 13),
        M9 = new(8, 14),
        A9 = new(8, 15),
        P11 = new(10, 17),
        A11 = new(10, 18),
        Min13 = new(12, 20),
        M13 = new(12, 21);

    /// <summary>Triads and seventh chords.</summary>
    public static IReadOnlyList<ChordKind> Basic { get; } =
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

    /// <summary>Fewer, other and more notes: power chords, suspended, sixths, ninths to thirteenths, altered. An eleventh has no third.</summary>
    public static IReadOnlyList<ChordKind> Extended { get; } =
    [
        new("5", "root and fifth", "5", [P1, P5]),
        new("sus2", "suspended second", "sus2", [P1, M2, P5]),
        new("sus4", "suspended fourth", "sus4", [P1, P4, P5]),
        new("6", "triad with sixth", "6", [P1, M3, P5, M6]),
        new("m6", "minor triad with sixth", "m6", [P1, Min3, P5, M6]),
        new("69", "triad with sixth and ninth", "6/9", [P1, M3, P5, M6, M9]),
        new("m69", "minor triad with sixth and ninth", "m6/9", [P1, Min3, P5, M6, M9]),
        new("add9", "triad with ninth", "add9", [P1, M3, P5, M9]),
        new("madd9", "minor triad with ninth", "m(add9)", [P1, Min3, P5, M9]),
        new("7sus4", "seventh with suspended fourth", "7sus4", [P1, P4, P5, Min7]),
        new("9sus4", "ninth with suspended fourth", "9sus4", [P1, P4, P5, Min7, M9]),
        new("9", "dominant ninth", "9", [P1, M3, P5, Min7, M9]),
        new("maj9", "major ninth", "maj9", [P1, M3, P5, M7, M9]),
        new("m9", "minor ninth", "m9", [P1, Min3, P5, Min7, M9]),
        new("mmaj9", "minor triad with major seventh and ninth", "m(maj9)", [P1, Min3, P5, M7, M9]),
        new("11", "eleventh", "11", [P1, P5, Min7, M9, P11]),
        new("m11", "minor eleventh", "m11", [P1, Min3, P5, Min7, M9, P11]),
        new("13", "dominant thirteenth", "13", [P1, M3, P5, Min7, M9, M13]),
        new("maj13", "major thirteenth", "maj13", [P1, M3, P5, M7, M9, M13]),
        new("m13", "minor thirteenth", "m13", [P1, Min3, P5, Min7, M9, M13]),
        new("7b5", "seventh with lowered fifth", "7♭5", [P1, M3, D5, Min7]),
        new("7#5", "seventh with raised fifth", "7♯5", [P1, M3, A5, Min7]),
        new("7b9", "seventh with lowered ninth", "7♭9", [P1, M3, P5, Min7, Min9]),
        new("7#9", "seventh with raised ninth", "7♯9", [P1, M3, P5, Min7, A9]),
        new("7#11", "seventh with raised eleventh", "7♯11", [P1, M3, P5, Min7, A11]),
        new("7b13", "seventh with lowered thirteenth", "7♭13", [P1, M3, Min7, Min13]),
        new("7#5b9", "seventh with raised fifth and lowered ninth", "7♯5♭9", [P1, M3, A5, Min7, Min9]),
        new("7#5#9", "seventh with raised fifth and ninth", "7♯5♯9", [P1, M3, A5, Min7, A9]),
        new("9#11", "ninth with raised eleventh", "9♯11", [P1, M3, P5, Min7, M9, A11]),
        new("maj7#11", "major seventh with raised eleventh", "maj7♯11", [P1, M3, P5, M7, A11]),
        new("maj9#11", "major ninth with raised eleventh", "maj9♯11", [P1, M3, P5, M7, M9, A11]),
        new("alt", "altered", "7alt", [P1, M3, Min7, Min9]),
    ];

    /// <summary>All of them.</summary>
    public static IReadOnlyList<ChordKind> All { get; } = [.. Basic, .. Extended];
}
