using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>So many notes in the time of so many.</summary>
/// <param name="Actual">Notes played: 3 in a triplet.</param>
/// <param name="Normal">Notes of that value whose time they take: 2 in a triplet.</param>
/// <param name="Begins">True for the first of the group.</param>
/// <param name="Ends">True for the last of the group.</param>
public sealed record Tuplet(int Actual, int Normal, bool Begins = false, bool Ends = false);

/// <summary>A note, a chord or a rest.</summary>
/// <param name="Pitches">Written pitches; one for a note, several for a chord, none for a rest.</param>
/// <param name="Written">Its written value, dots counted, tuplet not: 1/8 for each note of a triplet of eighths.</param>
public sealed record Element(IReadOnlyList<Pitch> Pitches, Fraction Written)
{
    /// <summary>Written pitches; one for a note, several for a chord, none for a rest.</summary>
    public IReadOnlyList<Pitch> Pitches { get; init; } = Pitches ?? [];

    /// <summary>The tuplet it belongs to, or null.</summary>
    public Tuplet? Tuplet { get; init; }

    /// <summary>True when it is tied to the next, all of it or the pitches of <see cref="TiedOnly"/>.</summary>
    public bool Tied { get; init; }

    /// <summary>Which pitches of a chord are tied, where not all are; else empty.</summary>
    public IReadOnlyList<Pitch> TiedOnly { get; init; } = [];

    /// <summary>True when a slur begins on it.</summary>
    public bool SlurBegins { get; init; }

    /// <summary>True when a slur ends on it.</summary>
    public bool SlurEnds { get; init; }

    /// <summary>How it is attacked.</summary>
    public Articulation Articulation { get; init; }

    /// <summary>Ornaments, fermatas, bowing and other signs.</summary>
    public Marks Marks { get; init; }

    /// <summary>Grace notes before it; they take no time of the bar.</summary>
    public IReadOnlyList<Pitch> Grace { get; init; } = [];

    /// <summary>How loud from here, as in "mf"; empty where nothing is said.</summary>
    public string Dynamic { get; init; } = "";

    /// <summary>What a hairpin does here.</summary>
    public Hairpin Hairpin { get; init; }

    /// <summary>Whether it shares a beam with the next; null where the metre decides.</summary>
    public bool? Beamed { get; init; }

    /// <summary>The clef from here on; null where it stays.</summary>
    public Clef? Clef { get; init; }

    /// <summary>True for a rest that fills a gap of a voice and is not shown.</summary>
    public bool IsHidden { get; init; }

    /// <summary>Finger above it, 0 to 5, or null.</summary>
    public int? Finger { get; init; }

    /// <summary>Words above it, or empty.</summary>
    public string Words { get; init; } = "";

    /// <summary>True for a rest.</summary>
    public bool IsRest => Pitches.Count == 0;

    /// <summary>How long it really lasts, its tuplet counted.</summary>
    public Fraction Length => Tuplet is { } tuplet ? Written * new Fraction(tuplet.Normal, tuplet.Actual) : Written;

    /// <summary>Whether a pitch of it is tied to the next.</summary>
    /// <param name="pitch">One of its pitches.</param>
    public bool IsTied(Pitch pitch) => Tied && (TiedOnly.Count == 0 || TiedOnly.Contains(pitch));

    /// <summary>A note.</summary>
    public static Element Note(Pitch pitch, Fraction written) => new([pitch], written);

    /// <summary>A rest.</summary>
    public static Element Rest(Fraction written) => new([], written);
}
