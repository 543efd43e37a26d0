using TuningFork.Core.Notation;

namespace TuningFork.Core.SightReading;

/// <summary>A note or a rest of a rhythm, before it has a pitch.</summary>
/// <param name="Written">Its written value, part of a whole note.</param>
/// <param name="IsRest">True for silence.</param>
/// <param name="Tuplet">The tuplet it belongs to, or null.</param>
internal sealed record RhythmNote(Fraction Written, bool IsRest = false, Tuplet? Tuplet = null)
{
    /// <summary>True when it is held on from the note before.</summary>
    public bool Held { get; init; }

    public Fraction Length => Tuplet is { } tuplet ? Written * new Fraction(tuplet.Normal, tuplet.Actual) : Written;
}

/// <summary>A figure of rhythm that recurs: one beat or several.</summary>
/// <param name="Level">The level on which it is new.</param>
/// <param name="Weight">How often it comes beside the others.</param>
/// <param name="Notes">What it is made of.</param>
internal sealed record RhythmCell(int Level, int Weight, params IReadOnlyList<RhythmNote> Notes)
{
    private static readonly Tuplet First = new(3, 2, Begins: true);
    private static readonly Tuplet Inside = new(3, 2);
    private static readonly Tuplet Last = new(3, 2, Ends: true);

    /// <summary>Cells over quarters.</summary>
    private static readonly RhythmCell[] Simple =
    [
        new(1, 8, N(1, 4)),
        new(1, 5, N(1, 2)),
        new(2, 2, N(3, 4)),
        new(3, 8, N(1, 8), N(1, 8)),
        new(4, 6, N(3, 8), N(1, 8)),
        new(4, 2, R(1, 4)),
        new(6, 4, R(1, 8), N(1, 8)),
        new(7, 5, N(1, 8), N(1, 4), N(1, 8)),
        new(
            8,
            5,
            new RhythmNote(new(1, 8), false, First),
            new RhythmNote(new(1, 8), false, Inside),
            new RhythmNote(new(1, 8), false, Last)
        ),
        new(9, 5, N(1, 16), N(1, 16), N(1, 16), N(1, 16)),
        new(9, 5, N(1, 8), N(1, 16), N(1, 16)),
        new(9, 3, N(1, 16), N(1, 16), N(1, 8)),
        new(9, 4, N(3, 16), N(1, 16)),
        new(12, 5, N(1, 16), N(1, 8), N(1, 16)),
        new(
            12,
            4,
            new RhythmNote(new(1, 4), false, First),
            new RhythmNote(new(1, 4), false, Inside),
            new RhythmNote(new(1, 4), false, Last)
        ),
    ];

    /// <summary>Cells over three eighths.</summary>
    private static readonly RhythmCell[] Compound =
    [
        new(5, 6, N(3, 8)),
        new(5, 7, N(1, 4), N(1, 8)),
        new(5, 6, N(1, 8), N(1, 8), N(1, 8)),
        new(5, 2, N(3, 4)),
        new(6, 3, N(1, 8), N(1, 4)),
        new(6, 3, R(1, 8), N(1, 8), N(1, 8)),
        new(10, 4, N(3, 16), N(1, 16), N(1, 8)),
        new(10, 4, N(1, 8), N(1, 16), N(1, 16), N(1, 8)),
        new(12, 3, N(1, 16), N(1, 16), N(1, 8), N(1, 8)),
    ];

    /// <summary>Cells over two eighths, in metres of five and seven.</summary>
    private static readonly RhythmCell[] Pair =
    [
        new(11, 6, N(1, 4)),
        new(11, 6, N(1, 8), N(1, 8)),
        new(12, 3, N(1, 8), N(1, 16), N(1, 16)),
    ];

    public Fraction Length => Fraction.Sum(Notes.Select(beat => beat.Length));

    /// <summary>The cells of a group of a metre, as a metre of halves twice as long.</summary>
    public static IReadOnlyList<RhythmCell> For(Fraction group, TimeSignature time) =>
        time.Unit == 2 ? [.. Simple.Where(cell => cell.Level < 9).Select(Doubled)]
        : group == new Fraction(3, 8) ? Compound
        : group == new Fraction(1, 4) && time.Unit == 8 ? Pair
        : Simple;

    private static RhythmCell Doubled(RhythmCell cell) =>
        new(cell.Level, cell.Weight, [.. cell.Notes.Select(beat => beat with { Written = beat.Written * new Fraction(2, 1) })]);

    private static RhythmNote N(int upper, int lower) => new(new Fraction(upper, lower));

    private static RhythmNote R(int upper, int lower) => new(new Fraction(upper, lower), true);
}
