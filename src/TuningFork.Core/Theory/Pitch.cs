namespace TuningFork.Core.Theory;

/// <summary>Equal temperament and transposing instruments.</summary>
public static class Pitch
{
    /// <summary>Frequency in hertz of a MIDI note number: f = A4 x 2^((n - 69) / 12) (ISO 16:1975 for A4 = 440).</summary>
    /// <param name="midi">Sounding note number, 0 to 127.</param>
    /// <param name="a4">Frequency of A4 in hertz, 400 to 480.</param>
    public static double Hertz(int midi, double a4 = 440)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(midi);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(midi, 127);
        if (a4 is < 400 or > 480)
            throw new ArgumentOutOfRangeException(nameof(a4), a4, "A4 lies between 400 and 480 Hz.");
        return a4 * Math.Pow(2, (midi - 69) / 12.0);
    }
}
