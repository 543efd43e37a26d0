namespace TuningFork.Core.Listening;

/// <summary>
/// Hears clicks and claps: moments at which the power of the sound's slope jumps out of what is around. Too short for a pitch, they are
/// told to a millisecond; for notes there is <see cref="NoteListener"/>.
/// </summary>
public static class Strokes
{
    /// <summary>A thousandth of a second.</summary>
    private const int LooksASecond = 1_000;

    /// <summary>Two strokes are at least so many looks apart: what comes sooner is the first one's echo.</summary>
    private const int Apart = 60;

    /// <summary>Strokes stand out by so many times in power; less is noise.</summary>
    private const double StandsOut = 30;

    /// <summary>A stroke begins where it reaches this part of its power, at most so many looks before its loudest.</summary>
    private const double Begins = 0.05;
    private const int Attack = 12;

    /// <summary>The moments, in seconds from the first sample.</summary>
    /// <param name="samples">Samples from -1 to 1.</param>
    /// <param name="rate">Samples a second, 8,000 or more.</param>
    /// <param name="expected">So many strokes are looked for, 1 or more: what is much softer than they are is none.</param>
    /// <exception cref="ArgumentOutOfRangeException">The rate or the number is out of range.</exception>
    public static IReadOnlyList<double> Of(ReadOnlySpan<float> samples, int rate, int expected)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, 8_000);
        ArgumentOutOfRangeException.ThrowIfLessThan(expected, 1);
        var power = Powers(samples, rate);
        var peaks = Peaks(power);
        if (peaks.Count == 0)
            return [];
        var around = power.Order().ElementAt(power.Length / 2);
        var loud = power[peaks.OrderByDescending(peak => power[peak]).ElementAt(Math.Min(expected, peaks.Count) - 1)];
        if (loud < StandsOut * around)
            return [];
        // Half-way, in decibels, between the strokes and what is around.
        var least = Math.Max(loud / StandsOut, Math.Sqrt(loud * around));
        return [.. peaks.Where(peak => power[peak] >= least).Select(peak => Begin(power, peak) / (double)LooksASecond)];
    }

    private static double[] Powers(ReadOnlySpan<float> samples, int rate)
    {
        var power = new double[(int)((long)samples.Length * LooksASecond / rate)];
        for (var look = 0; look < power.Length; look++)
        {
            var from = (int)((long)look * rate / LooksASecond);
            var to = (int)((look + 1L) * rate / LooksASecond);
            for (var i = Math.Max(1, from); i < to; i++)
                power[look] += Math.Pow(samples[i] - samples[i - 1], 2) / (to - from);
        }

        return power;
    }

    /// <summary>Looks that are the loudest of all within reach.</summary>
    private static List<int> Peaks(double[] power)
    {
        var peaks = new List<int>();
        for (var look = 0; look < power.Length; look++)
        {
            var from = Math.Max(0, look - Apart);
            var around = power.AsSpan(from, Math.Min(power.Length, look + Apart + 1) - from);
            if (power[look] > 0 && around.IndexOfAnyExceptInRange(0, power[look]) < 0 && around.IndexOf(power[look]) == look - from)
                peaks.Add(look);
        }

        return peaks;
    }

    private static int Begin(double[] power, int peak)
    {
        var begin = peak;
        for (var look = peak - 1; look >= Math.Max(0, peak - Attack); look--)
        {
            if (power[look] >= Begins * power[peak])
                begin = look;
        }

        return begin;
    }
}
