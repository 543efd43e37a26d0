using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>A time signature.</summary>
/// <param name="Beats">The upper number, 1 to 32.</param>
/// <param name="Unit">The lower number: 1, 2, 4, 8, 16 or 32.</param>
public readonly record struct TimeSignature(int Beats, int Unit)
{
    /// <summary>Four quarters.</summary>
    public static TimeSignature Common { get; } = new(4, 4);

    /// <summary>Length of a full bar.</summary>
    public Fraction Bar => new(Beats, Unit);

    /// <summary>What is beamed together: three eighths in 3/8, 6/8, 9/8 and 12/8, two in other metres of eighths, else the unit.</summary>
    public Fraction Beat =>
        Unit >= 8 && Beats % 3 == 0 && Beats > 3 ? new Fraction(3, Unit)
        : Unit >= 8 ? new Fraction(Beats == 3 ? 3 : 2, Unit)
        : new Fraction(1, Unit);

    /// <summary>"6/8".</summary>
    public override string ToString() => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Beats}/{Unit}");
}

/// <summary>So many notes in the time of so many.</summary>
/// <param name="Actual">Notes played: 3 in a triplet.</param>
/// <param name="Normal">Notes of that value whose time they take: 2 in a triplet.</param>
/// <param name="Begins">True for the first of the group.</param>
/// <param name="Ends">True for the last of the group.</param>
public sealed record Tuplet(int Actual, int Normal, bool Begins = false, bool Ends = false);

/// <summary>How a note is attacked or joined.</summary>
public enum Articulation
{
    /// <summary>Plain.</summary>
    None,

    /// <summary>Short.</summary>
    Staccato,

    /// <summary>Held for its full value.</summary>
    Tenuto,

    /// <summary>Stressed.</summary>
    Accent,
}

/// <summary>A note, a chord or a rest.</summary>
/// <param name="Pitches">Written pitches; one for a note, several for a chord, none for a rest.</param>
/// <param name="Written">Its written value, dots counted, tuplet not: 1/8 for each note of a triplet of eighths.</param>
public sealed record Element(IReadOnlyList<Pitch> Pitches, Fraction Written)
{
    /// <summary>The tuplet it belongs to, or null.</summary>
    public Tuplet? Tuplet { get; init; }

    /// <summary>True when it is tied to the next.</summary>
    public bool Tied { get; init; }

    /// <summary>True when a slur begins on it.</summary>
    public bool SlurBegins { get; init; }

    /// <summary>True when a slur ends on it.</summary>
    public bool SlurEnds { get; init; }

    /// <summary>How it is attacked.</summary>
    public Articulation Articulation { get; init; }

    /// <summary>Finger above it, 0 to 5, or null.</summary>
    public int? Finger { get; init; }

    /// <summary>Words above it, or empty.</summary>
    public string Words { get; init; } = "";

    /// <summary>True for a rest.</summary>
    public bool IsRest => Pitches.Count == 0;

    /// <summary>How long it really lasts, its tuplet counted.</summary>
    public Fraction Length => Tuplet is { } tuplet ? Written * new Fraction(tuplet.Normal, tuplet.Actual) : Written;

    /// <summary>A note.</summary>
    public static Element Note(Pitch pitch, Fraction written) => new([pitch], written);

    /// <summary>A rest.</summary>
    public static Element Rest(Fraction written) => new([], written);
}

/// <summary>A bar.</summary>
/// <param name="Elements">What it holds, in order.</param>
public sealed record Bar(IReadOnlyList<Element> Elements)
{
    /// <summary>The key from here, where it changes; else null.</summary>
    public Key? Key { get; init; }

    /// <summary>The time signature from here, where it changes; else null.</summary>
    public TimeSignature? Time { get; init; }

    /// <summary>True when a repeat begins with it.</summary>
    public bool RepeatBegins { get; init; }

    /// <summary>True when it goes back to the beginning of the repeat.</summary>
    public bool RepeatEnds { get; init; }

    /// <summary>The times through on which it is played, at the beginning of a first or second ending; empty elsewhere.</summary>
    public IReadOnlyList<int> Ending { get; init; } = [];

    /// <summary>True for an upbeat, or for a bar that an upbeat fills: it may be short.</summary>
    public bool IsPartial { get; init; }

    /// <summary>Length of what it holds.</summary>
    public Fraction Length => Fraction.Sum(Elements.Select(element => element.Length));
}

/// <summary>Music for one staff, in written pitch.</summary>
public sealed record Score
{
    /// <summary>What it is called.</summary>
    public string Title { get; init; } = "";

    /// <summary>The clef.</summary>
    public Clef Clef { get; init; } = Clef.Treble;

    /// <summary>The key at its beginning.</summary>
    public Key Key { get; init; } = Key.C;

    /// <summary>The time signature at its beginning.</summary>
    public TimeSignature Time { get; init; } = TimeSignature.Common;

    /// <summary>Tempo, or null.</summary>
    public Bpm? Tempo { get; init; }

    /// <summary>The value that the tempo counts.</summary>
    public Fraction TempoBeat { get; init; } = new(1, 4);

    /// <summary>The way from written to sounding pitch.</summary>
    public Interval ToSounding { get; init; } = Interval.Unison;

    /// <summary>The bars in order.</summary>
    public required IReadOnlyList<Bar> Bars { get; init; }

    /// <summary>Seconds that something lasts at the tempo, 60 where none is given.</summary>
    /// <param name="length">Part of a whole note.</param>
    public double Seconds(Fraction length) => (length / TempoBeat).Value * 60 / (Tempo?.Value ?? 60);

    /// <summary>The bars in the order in which they are played, repeats and endings followed; indices into <see cref="Bars"/>.</summary>
    public IReadOnlyList<int> Played()
    {
        var order = new List<int>();
        var start = 0;
        var pass = 1;
        IReadOnlyList<int> ending = [];
        for (var i = 0; i < Bars.Count; i++)
        {
            var bar = Bars[i];
            if (bar.RepeatBegins && i != start)
                (start, pass, ending) = (i, 1, []);
            if (bar.Ending.Count > 0)
                ending = bar.Ending;
            if (ending.Count > 0 && !ending.Contains(pass))
                continue;
            order.Add(i);
            if (!bar.RepeatEnds)
                continue;
            var again =
                ending.Count > 0 ? Bars.Skip(i + 1).Any(later => later.Ending.Contains(pass + 1)) || ending.Contains(pass + 1) : pass < 2;
            if (again)
                (i, pass, ending) = (start - 1, pass + 1, []);
            else
                (start, pass, ending) = (i + 1, 1, []);
        }

        return order;
    }

    /// <summary>
    /// What is wrong with it, each with its bar from 1: bars that are not full, ties to another pitch or to nothing, tuplets left open.
    /// </summary>
    public IReadOnlyList<(int Bar, string Problem)> Check() => ScoreCheck.Check(this);
}
