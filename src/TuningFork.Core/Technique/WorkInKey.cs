using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>A lick or a progression in another key.</summary>
public static class WorkInKey
{
    /// <summary>Whether it can go through the keys: written music, or chords whose own key is known.</summary>
    /// <param name="work">What the exercise is made of.</param>
    public static bool CanMove(Work work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return work.Kind == WorkKind.Notation || (work.Kind == WorkKind.Changes && Key.TryParse(work.Key, out _));
    }

    /// <summary>The chords of a progression in a key, each at the same place of it: Dm7 G7 Cmaj7 in B flat is Cm7 F7 B♭maj7.</summary>
    /// <param name="work">A progression whose own key is known.</param>
    /// <param name="key">The key.</param>
    /// <exception cref="FormatException">It has no key of its own, or a symbol is no chord.</exception>
    public static IReadOnlyList<string> Chords(Work work, Key key)
    {
        ArgumentNullException.ThrowIfNull(work);
        if (!Key.TryParse(work.Key, out var home))
            throw new FormatException($"\"{work.Key}\" is no key; write it like C major.");
        var up = Interval.Between(new Pitch(home.Tonic, 4), new Pitch(key.Tonic, 4));
        return [.. work.Items.Select(item => Moved(ChordSymbols.Parse(item), up).Symbol)];
    }

    private static Chord Moved(Chord chord, Interval up) =>
        chord with
        {
            Root = Moved(chord.Root, up),
            Bass = chord.Bass is { } bass ? Moved(bass, up) : null,
        };

    private static NoteName Moved(NoteName name, Interval up) => new Pitch(name, 4).Plus(up).Name;
}
