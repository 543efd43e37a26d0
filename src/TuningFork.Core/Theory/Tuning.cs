namespace TuningFork.Core.Theory;

/// <summary>Frequencies: equal temperament, and the pure intervals above a drone.</summary>
public static class Tuning
{
    /// <summary>Lowest frequency of A4 in hertz.</summary>
    public const double LowestA4 = 400;

    /// <summary>Highest frequency of A4 in hertz.</summary>
    public const double HighestA4 = 480;

    /// <summary>Frequency in hertz of a MIDI note number: f = A4 x 2^((n - 69) / 12) (ISO 16:1975 for A4 = 440).</summary>
    /// <param name="midi">Sounding note number, 0 to 127.</param>
    /// <param name="a4">Frequency of A4 in hertz, 400 to 480.</param>
    /// <exception cref="ArgumentOutOfRangeException">The note or A4 is out of range.</exception>
    public static double Hertz(int midi, double a4 = 440)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(midi);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(midi, 127);
        if (a4 is < LowestA4 or > HighestA4 || double.IsNaN(a4))
            throw new ArgumentOutOfRangeException(nameof(a4), a4, "A4 lies between 400 and 480 Hz.");
        return a4 * Math.Pow(2, (midi - 69) / 12.0);
    }

    /// <summary>Cents from one frequency to another: 1200 log2(f / f0).</summary>
    /// <param name="hertz">The frequency, above 0.</param>
    /// <param name="reference">The one it is compared with, above 0.</param>
    public static double Cents(double hertz, double reference)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(hertz);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(reference);
        return 1200 * Math.Log2(hertz / reference);
    }

    /// <summary>
    /// The pure frequency ratio of an interval above a drone: 16/15, 9/8, 6/5, 5/4, 4/3, 45/32, 3/2, 8/5, 5/3, 9/5, 15/8
    /// (five-limit just intonation; theory handbooks, from memory).
    /// </summary>
    /// <param name="semitones">Semitones above the drone, 0 or more; octaves double.</param>
    public static double JustRatio(int semitones)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(semitones);
        var (upper, lower) = (semitones % 12) switch
        {
            0 => (1, 1),
            1 => (16, 15),
            2 => (9, 8),
            3 => (6, 5),
            4 => (5, 4),
            5 => (4, 3),
            6 => (45, 32),
            7 => (3, 2),
            8 => (8, 5),
            9 => (5, 3),
            10 => (9, 5),
            _ => (15, 8),
        };
        return Math.Pow(2, semitones / 12) * upper / lower;
    }
}
