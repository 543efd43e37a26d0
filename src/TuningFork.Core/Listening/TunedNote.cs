using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>A pitch beside the note that is meant.</summary>
/// <param name="Written">The note as the player reads it.</param>
/// <param name="Cents">Hundredths of a semitone above it, below zero for flat.</param>
public readonly record struct TunedNote(Pitch Written, double Cents)
{
    /// <summary>Cents within which a note is in tune; ears tell tones apart from about five on (common practice).</summary>
    public const double InTune = 5;

    /// <summary>The note of equal temperament that is nearest.</summary>
    /// <param name="hertz">What sounds, above 0.</param>
    /// <param name="a4">Frequency of A4.</param>
    /// <param name="toSounding">From written to sounding pitch.</param>
    /// <returns>The note; null where it lies beyond the keyboard.</returns>
    public static TunedNote? Nearest(double hertz, double a4, Interval toSounding)
    {
        var at = 69 + (Tuning.Cents(hertz, a4) / 100);
        var midi = (int)Math.Round(at);
        var written = midi - toSounding.Semitones;
        if (midi is < 0 or > 127 || written is < 0 or > 127)
            return null;
        return new TunedNote(Pitch.OfMidi(written, sharps: false), 100 * (at - midi));
    }

    /// <summary>Of some notes, open strings or a tuning note, the nearest to what sounds.</summary>
    /// <param name="hertz">What sounds, above 0.</param>
    /// <param name="a4">Frequency of A4.</param>
    /// <param name="toSounding">From written to sounding pitch.</param>
    /// <param name="notes">The notes as they are written.</param>
    /// <returns>The note; null where none lies within a fourth: something else is played.</returns>
    public static TunedNote? Among(double hertz, double a4, Interval toSounding, IReadOnlyList<Pitch> notes)
    {
        ArgumentNullException.ThrowIfNull(notes);
        const double furthest = 500;
        return notes
            .Select(note => (TunedNote?)new TunedNote(note, Tuning.Cents(hertz, Tuning.Hertz(note.Midi + toSounding.Semitones, a4))))
            .Where(note => Math.Abs(note!.Value.Cents) <= furthest)
            .MinBy(note => Math.Abs(note!.Value.Cents));
    }

    /// <summary>In words: "in tune", "4 cents flat", "12 cents sharp".</summary>
    public string Words =>
        Math.Abs(Cents) <= InTune ? "in tune"
        : Cents < 0 ? $"{Math.Round(-Cents)} cents flat"
        : $"{Math.Round(Cents)} cents sharp";
}
