using TuningFork.Core.Notation;

namespace TuningFork.Core.Technique;

/// <summary>A rhythm that is repeated over a line of notes.</summary>
/// <param name="Id">Short lasting name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Values">Written values of one round of it; together whole clicks.</param>
/// <param name="Tuplet">Notes in the time of others, when each round is one tuplet; else null.</param>
public sealed record Rhythm(string Id, string Name, IReadOnlyList<Fraction> Values, (int Actual, int Normal)? Tuplet = null)
{
    private static readonly Fraction Quarter = new(1, 4),
        Eighth = new(1, 8),
        Sixteenth = new(1, 16),
        DottedEighth = new(3, 16);

    /// <summary>Rungs of the subdivision ladder, slowest first: whole notes to sixteenths at one click.</summary>
    public static IReadOnlyList<Rhythm> Ladder { get; } =
    [
        new("whole", "whole notes", [Fraction.Whole]),
        new("half", "half notes", [new Fraction(1, 2)]),
        new("quarter", "quarters", [Quarter]),
        new("eighth", "eighths", [Eighth, Eighth]),
        new("sixteenth", "sixteenths", [Sixteenth, Sixteenth, Sixteenth, Sixteenth]),
    ];

    /// <summary>All of them: the ladder, triplets, sextuplets, and the uneven ones.</summary>
    public static IReadOnlyList<Rhythm> All { get; } =
    [
        .. Ladder,
        new("triplet", "triplets", [Eighth, Eighth, Eighth], (3, 2)),
        new("sextuplet", "sextuplets", [Sixteenth, Sixteenth, Sixteenth, Sixteenth, Sixteenth, Sixteenth], (6, 4)),
        new("long-short", "long-short", [DottedEighth, Sixteenth]),
        new("short-long", "short-long", [Sixteenth, DottedEighth]),
        new("long-short-short", "long-short-short", [Eighth, Sixteenth, Sixteenth]),
        new("short-short-long", "short-short-long", [Sixteenth, Sixteenth, Eighth]),
    ];

    /// <summary>Length of one round.</summary>
    public Fraction Length => Fraction.Sum(Values) * (Tuplet is { } tuplet ? new Fraction(tuplet.Normal, tuplet.Actual) : Fraction.Whole);

    /// <summary>Clicks (quarters) of one round, 1 or more.</summary>
    public int Clicks => (int)(Length / Quarter).Numerator;

    /// <summary>Notes to a click; 1 for a quarter and everything longer.</summary>
    public int NotesPerClick => Math.Max(1, Values.Count / Clicks);

    /// <summary>Half as many notes in the same time, or the nearest there is: sixteenths become eighths, triplets quarters.</summary>
    public Rhythm Halved =>
        Get(
            Id switch
            {
                "sixteenth" => "eighth",
                "sextuplet" => "triplet",
                "quarter" => "half",
                "half" or "whole" => "whole",
                _ => "quarter",
            }
        );

    /// <summary>The rhythm with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static Rhythm Get(string id) =>
        All.FirstOrDefault(rhythm => rhythm.Id == id) ?? throw new ArgumentException($"There is no rhythm called \"{id}\".", nameof(id));
}
