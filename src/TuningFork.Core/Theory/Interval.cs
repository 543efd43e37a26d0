using System.Globalization;

namespace TuningFork.Core.Theory;

/// <summary>The way from one pitch to another: letters and semitones, both negative when it goes down.</summary>
/// <param name="Steps">Letters: a third is 2, an octave 7.</param>
/// <param name="Semitones">Semitones: a major third is 4.</param>
public readonly record struct Interval(int Steps, int Semitones)
{
    private static readonly int[] Plain = [0, 2, 4, 5, 7, 9, 11];

    /// <summary>Steps and semitones of the perfect unison.</summary>
    public static Interval Unison { get; } = new(0, 0);

    /// <summary>An octave up.</summary>
    public static Interval Octave { get; } = new(7, 12);

    /// <summary>The number as musicians count it: 1 unison, 3 third, 8 octave; always positive.</summary>
    public int Number => Math.Abs(Steps) + 1;

    /// <summary>"P" perfect, "M" major, "m" minor, "A" augmented, "d" diminished; doubled letters for doubly augmented and so on.</summary>
    public string Quality
    {
        get
        {
            var steps = Math.Abs(Steps);
            var up = Steps < 0 || (Steps == 0 && Semitones < 0) ? -Semitones : Semitones;
            var difference = up - Plain[steps % 7] - (steps / 7 * 12);
            var perfect = (steps % 7) is 0 or 3 or 4;
            return perfect
                ? difference == 0
                    ? "P"
                    : difference > 0
                        ? new string('A', difference)
                        : new string('d', -difference)
                : difference switch
                {
                    0 => "M",
                    -1 => "m",
                    > 0 => new string('A', difference),
                    _ => new string('d', -difference - 1),
                };
        }
    }

    /// <summary>Whether it goes down.</summary>
    public bool IsDown => Steps < 0 || (Steps == 0 && Semitones < 0);

    /// <summary>From one pitch to another.</summary>
    public static Interval Between(Pitch from, Pitch to) => new(to.Diatonic - from.Diatonic, to.Midi - from.Midi);

    /// <summary>The usual spelling of so many semitones: 3 a minor third, 6 an augmented fourth, -2 a major second down.</summary>
    /// <param name="semitones">Semitones, negative for down.</param>
    public static Interval OfSemitones(int semitones)
    {
        int[] steps = [0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6];
        var size = Math.Abs(semitones);
        var up = (size / 12 * 7) + steps[size % 12];
        return new Interval(semitones < 0 ? -up : up, semitones);
    }

    /// <summary>The same way in the other direction.</summary>
    public Interval Reversed => new(-Steps, -Semitones);

    /// <summary>Quality and number, with a minus when it goes down: "M3", "-P5".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{(IsDown ? "-" : "")}{Quality}{Number}");
}
