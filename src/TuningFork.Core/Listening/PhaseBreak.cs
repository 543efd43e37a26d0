namespace TuningFork.Core.Listening;

/// <summary>
/// Whether a tone goes on or begins anew at the same pitch: the phase of what goes on can be told from before, the phase of what begins
/// anew is another one (after Bello, Duxbury, Davies and Sandler 2004, On the use of phase and energy for musical onset detection in the
/// complex domain, IEEE Signal Processing Letters 11, 553; from memory).
/// </summary>
internal static class PhaseBreak
{
    private const int Partials = 6;

    /// <summary>Looks are so many seconds before and after, and twice so many.</summary>
    private const double Apart = 0.025;

    /// <summary>A look takes so many seconds to each side, and a period at least.</summary>
    private const double Half = 0.01;

    /// <summary>Seconds of sound that are needed before and after.</summary>
    public const double Needed = 0.07;

    /// <summary>0 where the partials go on as before, 1 where by chance, up to 2 where they turn round; the louder ones weigh more.</summary>
    /// <param name="samples">Sound, with <see cref="Needed"/> seconds round the moment.</param>
    /// <param name="rate">Samples a second.</param>
    /// <param name="at">The moment, in seconds from the first sample.</param>
    /// <param name="hertz">The pitch, the same before and after.</param>
    public static double Of(ReadOnlySpan<float> samples, double rate, double at, double hertz)
    {
        var half = Math.Max(Half, 1 / hertz);
        var (broken, weights) = (0.0, 1e-9);
        for (var partial = 1; partial <= Partials && partial * hertz < 0.4 * rate; partial++)
        {
            var far = Look(samples, rate, at - (2 * Apart), half, partial * hertz);
            var near = Look(samples, rate, at - Apart, half, partial * hertz);
            var soon = Look(samples, rate, at + Apart, half, partial * hertz);
            var late = Look(samples, rate, at + (2 * Apart), half, partial * hertz);
            // It turns evenly: across the moment twice the mean of what it turns before and after.
            var (before, after) = (Turned(far.Phase, near.Phase), Turned(soon.Phase, late.Phase));
            var turn = before + (Turned(before, after) / 2);
            var weight = Math.Min(Math.Min(far.Size, near.Size), Math.Min(soon.Size, late.Size));
            broken += weight * (1 - Math.Cos(Turned(near.Phase, soon.Phase) - (2 * turn)));
            weights += weight;
        }

        return broken / weights;
    }

    private static double Turned(double from, double to) => Math.IEEERemainder(to - from, 2 * Math.PI);

    /// <summary>Size and phase of one partial round a moment, against a tone of the same frequency that never breaks.</summary>
    private static (double Size, double Phase) Look(ReadOnlySpan<float> samples, double rate, double at, double half, double hertz)
    {
        var (from, to) = ((int)((at - half) * rate), (int)((at + half) * rate));
        var (real, imaginary) = (0.0, 0.0);
        for (var i = Math.Max(0, from); i < Math.Min(samples.Length, to); i++)
        {
            var weight = 0.5 - (0.5 * Math.Cos(2 * Math.PI * (i - from) / (to - from)));
            var (sine, cosine) = Math.SinCos(2 * Math.PI * hertz * i / rate);
            real += weight * samples[i] * cosine;
            imaginary -= weight * samples[i] * sine;
        }

        return (Math.Sqrt((real * real) + (imaginary * imaginary)), Math.Atan2(imaginary, real));
    }
}
