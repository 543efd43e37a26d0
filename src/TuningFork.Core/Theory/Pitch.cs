using System.Globalization;

namespace TuningFork.Core.Theory;

/// <summary>A spelled pitch: letter, accidental and octave. C4 is middle C (scientific pitch notation).</summary>
/// <param name="Name">Letter and accidental.</param>
/// <param name="Octave">Octave of the letter, -1 to 9; B#3 sounds as C4.</param>
public readonly record struct Pitch(NoteName Name, int Octave)
{
    /// <summary>MIDI note number; C4 is 60.</summary>
    public int Midi => ((Octave + 1) * 12) + NoteName.Natural(Name.Step) + Name.Alteration;

    /// <summary>Place on the staff: letters above C0.</summary>
    public int Diatonic => (Octave * 7) + (int)Name.Step;

    /// <summary>A pitch of a letter, an accidental and an octave.</summary>
    public static Pitch Of(Step step, int alteration, int octave) => new(new NoteName(step, alteration), octave);

    /// <summary>Reads "C4", "F#5", "Bb-1".</summary>
    /// <param name="text">Name and octave.</param>
    /// <exception cref="FormatException">It is no pitch.</exception>
    public static Pitch Parse(string text) =>
        TryParse(text, out var pitch)
            ? pitch
            : throw new FormatException($"\"{text}\" is no pitch. Write a letter, # or b, and the octave, like F#4 or Bb3.");

    /// <summary>Reads a pitch; false when it is none.</summary>
    /// <param name="text">Name and octave.</param>
    /// <param name="pitch">What was read.</param>
    public static bool TryParse(string? text, out Pitch pitch)
    {
        pitch = default;
        if (string.IsNullOrEmpty(text))
            return false;
        var digits = text.AsSpan().IndexOfAnyInRange('0', '9');
        if (digits < 1)
            return false;
        if (text[digits - 1] == '-')
            digits--;
        if (
            !NoteName.TryParse(text[..digits], out var name)
            || !int.TryParse(text.AsSpan(digits), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var octave)
            || octave is < -1 or > 9
        )
            return false;
        pitch = new Pitch(name, octave);
        return pitch.Midi is >= 0 and <= 127;
    }

    /// <summary>This pitch moved up by an interval, or down by one of negative steps, spelled by its letters.</summary>
    /// <param name="interval">How far.</param>
    /// <exception cref="ArgumentOutOfRangeException">It would need more than a double accidental.</exception>
    public Pitch Plus(Interval interval) =>
        TryPlus(interval, out var moved)
            ? moved
            : throw new ArgumentOutOfRangeException(
                nameof(interval),
                interval,
                $"{interval} from {this} would need more than a double accidental."
            );

    /// <summary>As <see cref="Plus"/>; false where it would need more than a double accidental.</summary>
    /// <param name="interval">How far.</param>
    /// <param name="moved">The pitch there.</param>
    public bool TryPlus(Interval interval, out Pitch moved)
    {
        var diatonic = Diatonic + interval.Steps;
        var octave = (int)Math.Floor(diatonic / 7.0);
        var step = (Step)(diatonic - (octave * 7));
        var alteration = Midi + interval.Semitones - (((octave + 1) * 12) + NoteName.Natural(step));
        moved = Of(step, alteration, octave);
        return alteration is >= -2 and <= 2;
    }

    /// <summary>This pitch moved by an interval, by its letters where that can be written, else spelled simply.</summary>
    /// <param name="interval">How far.</param>
    public Pitch Near(Interval interval) =>
        TryPlus(interval, out var moved) ? moved : OfMidi(Midi + interval.Semitones, sharps: Name.Alteration >= 0);

    /// <summary>The simplest spelling of a MIDI note: a natural, else one sharp or one flat.</summary>
    /// <param name="midi">MIDI note number.</param>
    /// <param name="sharps">Sharps rather than flats.</param>
    public static Pitch OfMidi(int midi, bool sharps = true)
    {
        var octave = (int)Math.Floor(midi / 12.0) - 1;
        var above = midi - ((octave + 1) * 12);
        // From the letters' natural semitones: the one itself, else its neighbour below with a sharp or above with a flat.
        foreach (var alteration in sharps ? [0, 1] : new[] { 0, -1 })
        {
            for (var step = Step.C; step <= Step.B; step++)
            {
                if (NoteName.Natural(step) == above - alteration)
                    return Of(step, alteration, octave);
            }
        }

        throw new InvalidOperationException("Every semitone has a letter.");
    }

    /// <summary>The same sound with another letter when it can be written more simply: Fb4 as E4, B#3 as C4.</summary>
    public Pitch Simplified()
    {
        var odd =
            Name is { Step: Step.E or Step.B, Alteration: 1 } or { Step: Step.F or Step.C, Alteration: -1 } or { Alteration: < -1 or > 1 };
        return odd ? OfMidi(Midi, sharps: Name.Alteration > 0) : this;
    }

    /// <summary>Name and octave: "F#4".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Name}{Octave}");
}
