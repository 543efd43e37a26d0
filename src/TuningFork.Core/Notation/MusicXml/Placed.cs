namespace TuningFork.Core.Notation;

/// <summary>A note, chord or rest of a bar with its place in time and the voice it belongs to.</summary>
internal sealed class Placed
{
    /// <summary>When it begins, from the beginning of the bar.</summary>
    public required Fraction At { get; init; }

    /// <summary>The staff, from 0.</summary>
    public required int Staff { get; init; }

    /// <summary>The voice as the file names it.</summary>
    public required string Voice { get; init; }

    /// <summary>What it is; its pitches and ties are in the order in which they came.</summary>
    public required Element Element { get; set; }

    /// <summary>When it ends.</summary>
    public Fraction End => At + Element.Length;

    /// <summary>Adds a note of a chord to it.</summary>
    public void Add(Theory.Pitch pitch, bool tied)
    {
        var before = Element.Tied ? (Element.TiedOnly.Count > 0 ? Element.TiedOnly : Element.Pitches) : [];
        var held = tied ? [.. before, pitch] : before;
        var pitches = Element.Pitches.Contains(pitch) ? Element.Pitches : [.. Element.Pitches, pitch];
        Element = Element with { Pitches = pitches, Tied = held.Count > 0, TiedOnly = held.Count < pitches.Count ? held : [] };
    }
}

/// <summary>A sign that stands at a place of a staff: loudness, words, hairpins, a clef.</summary>
/// <param name="At">Where, from the beginning of the bar.</param>
/// <param name="Staff">The staff, from 0.</param>
/// <param name="Set">What it does to the element at which it stands.</param>
/// <param name="IsEnd">True where it belongs to what sounds before it.</param>
internal sealed record Direction(Fraction At, int Staff, Func<Element, Element> Set, bool IsEnd = false);
