using TuningFork.Core.Theory;

namespace TuningFork.Core.Repertoire;

/// <summary>What players decide about a passage, called as their family calls it (common practice).</summary>
/// <param name="Hand">What the hand does, or the mouth.</param>
/// <param name="Stroke">What sounds the note: bow, breath, stroke.</param>
public sealed record Decisions(string Hand, string Stroke)
{
    /// <summary>The names that a family uses.</summary>
    /// <param name="family">The family.</param>
    public static Decisions For(Family family) =>
        family switch
        {
            Family.Strings => new("fingering", "bowing"),
            Family.Plucked => new("fingering", "strokes"),
            Family.Voice => new("words", "breath"),
            Family.Winds => new("fingering", "breath"),
            Family.Percussion => new("sticking", "grip and stroke"),
            Family.Keys => new("fingering", "pedal"),
            _ => new("fingering", "how it is played"),
        };
}
