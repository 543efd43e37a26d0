using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>What each level of each strand holds (common practice of graded reading; the table stands in the documentation).</summary>
public static class ReadingTables
{
    /// <summary>Letters from the lowest to the highest note, by level.</summary>
    private static readonly int[] Spans = [4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18];

    /// <summary>The largest leap in letters, by level: 1 a second, 2 a third, 7 an octave.</summary>
    private static readonly int[] Leaps = [1, 2, 3, 4, 4, 5, 7, 7, 7, 8, 9, 9];

    private static readonly (int Level, int Fifths, bool Minor)[] Signatures =
    [
        (1, 0, false),
        (1, 1, false),
        (1, -1, false),
        (2, 2, false),
        (2, -2, false),
        (3, 0, true),
        (3, 1, true),
        (3, -1, true),
        (4, 3, false),
        (4, -3, false),
        (5, 2, true),
        (5, -2, true),
        (6, 4, false),
        (6, -4, false),
        (7, 3, true),
        (7, -3, true),
        (8, 5, false),
        (8, -5, false),
        (9, 4, true),
        (9, -4, true),
        (10, 6, false),
        (10, -6, false),
        (11, 5, true),
        (11, -5, true),
        (12, 7, false),
        (12, -7, false),
        (12, 6, true),
        (12, -6, true),
    ];

    private static readonly (int Level, TimeSignature Time)[] Times =
    [
        (1, new(4, 4)),
        (2, new(3, 4)),
        (2, new(2, 4)),
        (5, new(6, 8)),
        (10, new(2, 2)),
        (10, new(3, 8)),
        (11, new(5, 8)),
        (11, new(7, 8)),
    ];

    /// <summary>From this level on notes between the scale's own appear.</summary>
    public const int Chromatic = 8;

    /// <summary>From these levels on: the left hand of keyboards alone, slurs, dynamics, articulation, two notes at once, three.</summary>
    public const int LeftHand = 2;

    /// <summary>Slurs.</summary>
    public const int Slurs = 3;

    /// <summary>Soft and loud.</summary>
    public const int Dynamics = 4;

    /// <summary>Short, held and stressed notes.</summary>
    public const int Articulations = 5;

    /// <summary>Both hands of keyboards: a held note below each bar.</summary>
    public const int BothHands = 5;

    /// <summary>Two notes a bar below.</summary>
    public const int TwoABar = 7;

    /// <summary>A note a beat below.</summary>
    public const int OneABeat = 9;

    /// <summary>Two at once below.</summary>
    public const int TwoBelow = 11;

    /// <summary>Two notes at once, where the instrument can.</summary>
    public const int Pairs = 7;

    /// <summary>Three at once.</summary>
    public const int Triads = 10;

    /// <summary>Letters from the lowest to the highest note.</summary>
    public static int Span(int level) => Spans[level - 1];

    /// <summary>The largest leap in letters.</summary>
    public static int Leap(int level) => Leaps[level - 1];

    /// <summary>The keys of a level with all below, each with the level on which it is new.</summary>
    public static IReadOnlyList<(int Level, Key Key)> Keys(int level) =>
        [.. Signatures.Where(one => one.Level <= level).Select(one => (one.Level, Key.OfSignature(one.Fifths, one.Minor)))];

    /// <summary>The metres of a level with all below, each with the level on which it is new.</summary>
    public static IReadOnlyList<(int Level, TimeSignature Time)> Metres(int level) => [.. Times.Where(one => one.Level <= level)];
}
