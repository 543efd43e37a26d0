namespace TuningFork.Core.EarTraining;

/// <summary>What a question of the ear is about; the answers to choose from are of one family.</summary>
public enum EarFamily
{
    /// <summary>Two notes, the second higher.</summary>
    IntervalsUp,

    /// <summary>Two notes, the second lower.</summary>
    IntervalsDown,

    /// <summary>Two notes at once.</summary>
    IntervalsTogether,

    /// <summary>Three-note chords and which note is lowest.</summary>
    Triads,

    /// <summary>Four-note chords.</summary>
    Sevenths,

    /// <summary>A note after a cadence in major.</summary>
    DegreesMajor,

    /// <summary>A note after a cadence in minor.</summary>
    DegreesMinor,

    /// <summary>Scales and modes.</summary>
    Scales,

    /// <summary>Two chords after each other.</summary>
    TwoChords,

    /// <summary>Four chords after each other.</summary>
    FourChords,

    /// <summary>Beats in a bar.</summary>
    Metre,

    /// <summary>What a beat is cut into.</summary>
    Subdivision,

    /// <summary>Where the pulse goes.</summary>
    Pulse,

    /// <summary>Which beat of a bar is silent.</summary>
    SilentBeat,

    /// <summary>Which of four strokes are low and which are high.</summary>
    Strokes,

    /// <summary>What was another in the second bar.</summary>
    Change,

    /// <summary>Which groove goes round.</summary>
    Grooves,

    /// <summary>Two bars of rhythm, tapped back.</summary>
    RhythmEcho,

    /// <summary>Four notes in a key, given back by their degrees.</summary>
    Lines,
}

/// <summary>One thing an ear can know, with a memory of its own.</summary>
/// <param name="Key">Short lasting name: "down:8" a minor sixth down, "triad:minor:1" a minor triad over its third.</param>
/// <param name="Family">Its family.</param>
/// <param name="Name">Its full name: "minor sixth down".</param>
/// <param name="Answer">What the key says that answers it, within its family: "minor sixth".</param>
public sealed record EarItem(string Key, EarFamily Family, string Name, string Answer);
