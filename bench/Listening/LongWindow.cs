using MathNet.Numerics.IntegralTransforms;
using TuningFork.Core.Listening;

namespace TuningFork.Bench.Listening;

/// <summary>
/// The pitch of a note from its whole length, in another way than it was heard: the frequency near it at which the first partials together are
/// strongest in one long spectrum (a harmonic sum; Noll 1969, from memory).
/// </summary>
internal static class LongWindow
{
    private const int Width = 1 << 18;
    private const double Shortest = 0.35;
    private const double Attack = 0.06;
    private const double Release = 0.04;
    private const int Partials = 8;
    private const double HighestHertz = 8_000;
    private const double Reach = 60;
    private const double Step = 0.25;

    /// <summary>Cents by which a note was heard beside that; null for notes that are too short.</summary>
    public static double? Off(float[] samples, int rate, HeardTone tone)
    {
        if (tone.Hertz <= 0 || tone.Until - tone.At < Shortest)
            return null;
        var spectrum = Spectrum(samples.AsSpan((int)((tone.At + Attack) * rate), (int)((tone.Until - tone.At - Attack - Release) * rate)));
        var cents = Enumerable.Range(0, 1 + (int)(2 * Reach / Step)).Select(i => (i * Step) - Reach);
        return -cents.MaxBy(off => Sum(spectrum, tone.Hertz * Math.Pow(2, off / 1200) * Width / rate, HighestHertz * Width / rate));
    }

    private static double[] Spectrum(ReadOnlySpan<float> samples)
    {
        var real = new double[Width + 2];
        for (var i = 0; i < samples.Length; i++)
            real[i] = samples[i] * (0.5 - (0.5 * Math.Cos(2 * Math.PI * i / samples.Length)));
        Fourier.ForwardReal(real, Width, FourierOptions.NoScaling);
        return
        [
            .. Enumerable
                .Range(0, (Width / 2) + 1)
                .Select(bin => Math.Sqrt((real[2 * bin] * real[2 * bin]) + (real[(2 * bin) + 1] * real[(2 * bin) + 1]))),
        ];
    }

    private static double Sum(double[] spectrum, double bin, double highest) =>
        Enumerable.Range(1, Partials).Select(partial => partial * bin).Where(at => at < highest).Sum(at => At(spectrum, at));

    private static double At(double[] spectrum, double bin)
    {
        var (whole, part) = ((int)bin, bin - (int)bin);
        return ((1 - part) * spectrum[whole]) + (part * spectrum[whole + 1]);
    }
}
