namespace TuningFork.Core.Theory;

/// <summary>How the notes of a chord are laid out.</summary>
public enum Voicing
{
    /// <summary>As close together as they come.</summary>
    Close,

    /// <summary>The second note from the top an octave lower.</summary>
    Open,

    /// <summary>Root, third and seventh; root, third and fifth for a triad: what tells the chord.</summary>
    Shell,
}

/// <summary>Lays chords out (jazz and keyboard handbooks, from memory).</summary>
public static class Voicings
{
    /// <summary>The pitches from the lowest.</summary>
    /// <param name="chord">The chord.</param>
    /// <param name="voicing">How it is laid out.</param>
    /// <param name="octave">Octave of the root in root position.</param>
    public static IReadOnlyList<Pitch> Of(Chord chord, Voicing voicing, int octave = 4)
    {
        ArgumentNullException.ThrowIfNull(chord);
        var close = chord.Pitches(octave);
        return voicing switch
        {
            Voicing.Open =>
            [
                .. close
                    .Where((_, i) => i != close.Count - 2)
                    .Append(close[^2] with { Octave = close[^2].Octave - 1 })
                    .OrderBy(pitch => pitch.Midi),
            ],
            Voicing.Shell => Shell(chord, close),
            _ => close,
        };
    }

    /// <summary>The fifth of a seventh chord is left out, wherever it lies.</summary>
    private static IReadOnlyList<Pitch> Shell(Chord chord, IReadOnlyList<Pitch> close)
    {
        var fifth = (chord with { Inversion = 0 }).Notes[2];
        return close.Count == 4 ? [.. close.Where(pitch => pitch.Name != fifth)] : close;
    }
}
