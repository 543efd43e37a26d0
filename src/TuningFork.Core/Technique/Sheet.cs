using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>How far a scale or arpeggio goes.</summary>
public enum OctaveOrder
{
    /// <summary>Up so many octaves and down again.</summary>
    UpAndDown,

    /// <summary>Each octave by itself up and down, then all of them joined.</summary>
    ByOctavesThenJoined,
}

/// <summary>How two hands go together.</summary>
public enum Together
{
    /// <summary>The same notes, an octave or more apart.</summary>
    Parallel,

    /// <summary>From the same key away from each other, and back.</summary>
    Contrary,
}

/// <summary>What a sheet is to show.</summary>
public sealed record SheetWish
{
    /// <summary>"scale", "arpeggio" or "pattern".</summary>
    public string Figure { get; init; } = "scale";

    /// <summary>Lasting name of the scale kind, or of the chord kind for an arpeggio.</summary>
    public string Kind { get; init; } = "major";

    /// <summary>The first note, written: "Bb".</summary>
    public string Tonic { get; init; } = "C";

    /// <summary>Octaves, 1 to 4.</summary>
    public int Octaves { get; init; } = 1;

    /// <summary>How far it goes.</summary>
    public OctaveOrder Order { get; init; }

    /// <summary>Lasting name of the rhythm.</summary>
    public string Rhythm { get; init; } = "eighth";

    /// <summary>Lasting name of the articulation.</summary>
    public string Joining { get; init; } = "plain";

    /// <summary>Clicks a minute, 20 to 400.</summary>
    public Bpm Tempo { get; init; } = new(72);

    /// <summary>For a pattern: degrees in it, 3 to 5.</summary>
    public int PatternSize { get; init; } = 4;

    /// <summary>Of a shape moved through a scale: its lasting name, and how it is broken.</summary>
    public string Shape { get; init; } = "thirds";

    /// <summary>How a shape is broken.</summary>
    public ShapeWay Way { get; init; }

    /// <summary>For a pattern: its number in dictionary order, from 1.</summary>
    public int PatternNumber { get; init; } = 1;

    /// <summary>For a pattern: the number of a second one joined to it, or null.</summary>
    public int? PairedWith { get; init; }

    /// <summary>For a keyboard: the hand whose fingers stand above the notes, or null.</summary>
    public Hand? Hand { get; init; }

    /// <summary>For a keyboard: both hands on two staves, and how they go; null for one line.</summary>
    public Together? Together { get; init; }

    /// <summary>Lowest written note that may be used; null for the instrument's.</summary>
    public Pitch? Lowest { get; init; }

    /// <summary>Highest written note that may be used; null for the instrument's.</summary>
    public Pitch? Highest { get; init; }
}

/// <summary>A rung of the subdivision ladder.</summary>
/// <param name="Rhythm">Lasting name of its rhythm.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Seconds">Seconds of all notes once.</param>
public sealed record Rung(string Rhythm, string Name, double Seconds);

/// <summary>A sheet: the music and its arithmetic.</summary>
/// <param name="Score">The music, in written pitch.</param>
/// <param name="Title">What it is called: "B♭ major scale, two octaves".</param>
/// <param name="Notes">Notes in it, tied ones counted once.</param>
/// <param name="Seconds">Seconds of one time through, to the end of the last bar.</param>
/// <param name="TopNote">Where the top note falls, in words; empty when there is nothing to say.</param>
/// <param name="Rungs">The subdivision ladder at this click.</param>
public sealed record Sheet(Score Score, string Title, int Notes, double Seconds, string TopNote, IReadOnlyList<Rung> Rungs)
{
    /// <summary>What the left hand plays with it, on a staff of its own; null where there is one line.</summary>
    public Score? Left { get; init; }

    /// <summary>All of it.</summary>
    public Music Music => new(Left is { } left ? [Score, left with { Staff = 1 }] : [Score]);

    /// <summary>Seconds of all rungs together.</summary>
    public double LadderSeconds => Rungs.Sum(rung => rung.Seconds);

    /// <summary>Notes a minute: clicks a minute times notes a click.</summary>
    public int NotesPerMinute { get; init; }
}
