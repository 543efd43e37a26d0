using System.Numerics;

namespace TuningFork.Core.Listening;

/// <summary>A pitch as it is heard.</summary>
/// <param name="Hertz">Its frequency.</param>
/// <param name="Confidence">How periodic what was heard is, 0 to 1: near 1 for a clear tone, low for noise and chords.</param>
public readonly record struct HeardPitch(double Hertz, double Confidence);

/// <summary>
/// The pitch of one line at a moment, by YIN: the difference function, its cumulative mean, the first dip below a threshold, a parabola
/// through it (de Cheveigné and Kawahara 2002, Journal of the Acoustical Society of America 111, 1917). The dip is then looked for again at
/// a multiple of the period: over more periods a difference between samples weighs less.
/// </summary>
public sealed class PitchTracker
{
    /// <summary>What is softer than this part of full scale, as root mean square, is silence.</summary>
    public const double Silence = 0.001;

    /// <summary>Multiples of a period are as deep as it is, but for noise and dying away.</summary>
    private const double Hardly = 0.06;

    /// <summary>What is less periodic is no tone.</summary>
    private const double LeastConfidence = 0.6;

    private readonly int rate;
    private readonly int shortest;
    private readonly int longest;
    private readonly double[] differences;
    private readonly double[] means;

    /// <summary>A tracker for a range of pitches.</summary>
    /// <param name="rate">Samples a second, 8,000 to 96,000.</param>
    /// <param name="lowest">The lowest frequency in hertz that is looked for, 20 or more.</param>
    /// <param name="highest">The highest, at most a quarter of the rate.</param>
    /// <exception cref="ArgumentOutOfRangeException">One of them is out of range.</exception>
    public PitchTracker(int rate, double lowest = 50, double highest = 2_500)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, 8_000);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(rate, 96_000);
        ArgumentOutOfRangeException.ThrowIfLessThan(lowest, 20);
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(highest, lowest);
        this.rate = rate;
        shortest = (int)(rate / Math.Min(highest, rate / 4.0));
        longest = (int)Math.Ceiling(rate / lowest) + 1;
        differences = new double[longest + 2];
        means = new double[longest + 2];
        means[0] = 1;
    }

    /// <summary>Samples that one look takes: two of the longest periods.</summary>
    public int Window => 2 * longest;

    /// <summary>The pitch in a window; null for silence and for what has none.</summary>
    /// <param name="samples">So many samples as <see cref="Window"/> says, or more; the last ones are looked at.</param>
    /// <exception cref="ArgumentException">There are fewer.</exception>
    public HeardPitch? Look(ReadOnlySpan<float> samples)
    {
        if (samples.Length < Window)
            throw new ArgumentException($"A look takes {Window} samples.", nameof(samples));
        samples = samples[^Window..];
        if (Level(samples) < Silence)
            return null;
        Differ(samples);
        var (period, height) = Dip();
        if (period == 0 || 1 - height < LeastConfidence)
            return null;
        return new HeardPitch(rate / Refined(period), Math.Clamp(1 - height, 0, 1));
    }

    /// <summary>Root mean square of samples, 0 to 1.</summary>
    public static double Level(ReadOnlySpan<float> samples)
    {
        var sum = 0.0;
        foreach (var sample in samples)
            sum += sample * (double)sample;
        return samples.Length == 0 ? 0 : Math.Sqrt(sum / samples.Length);
    }

    /// <summary>The difference function (step 2 of the paper).</summary>
    private void Differ(ReadOnlySpan<float> samples)
    {
        var width = samples.Length - longest - 1;
        var here = samples[..width];
        for (var lag = 1; lag <= longest + 1; lag++)
        {
            var later = samples.Slice(lag, width);
            var sums = Vector<float>.Zero;
            var i = 0;
            for (; i <= width - Vector<float>.Count; i += Vector<float>.Count)
            {
                var apart = new Vector<float>(here[i..]) - new Vector<float>(later[i..]);
                sums += apart * apart;
            }

            double sum = Vector.Sum(sums);
            for (; i < width; i++)
            {
                double apart = here[i] - later[i];
                sum += apart * apart;
            }

            differences[lag] = sum;
        }
    }

    /// <summary>
    /// The first dip that is hardly less deep than the deepest of all, by the cumulative mean (steps 3 and 4; the paper takes the first below
    /// a threshold, which low strings with strong partials have too early); 0 where there is none.
    /// </summary>
    private (int Lag, double Height) Dip()
    {
        var sum = 0.0;
        var deepest = double.MaxValue;
        for (var lag = 1; lag <= longest + 1; lag++)
        {
            sum += differences[lag];
            means[lag] = sum > 0 ? differences[lag] * lag / sum : 1;
            if (lag > shortest && IsDip(lag - 1))
                deepest = Math.Min(deepest, means[lag - 1]);
        }

        for (var lag = shortest; lag <= longest; lag++)
        {
            if (IsDip(lag) && means[lag] <= deepest + Hardly)
                return (lag, means[lag]);
        }

        return (0, 1);
    }

    private bool IsDip(int lag) => means[lag] <= means[lag - 1] && means[lag] <= means[lag + 1];

    /// <summary>The period between samples, from the furthest multiple of it that can be seen.</summary>
    private double Refined(int lag)
    {
        var period = Bottom(lag);
        for (var times = 2; times * period < longest - 1; times++)
        {
            // Near where it has to be: a dip beside it would be another one.
            var near = (int)Math.Round(times * period);
            period = Bottom(Lowest(near)) / times;
        }

        return period;
    }

    private int Lowest(int near)
    {
        var lowest = near;
        for (var lag = Math.Max(1, near - 1); lag <= Math.Min(longest, near + 1); lag++)
        {
            if (differences[lag] < differences[lowest])
                lowest = lag;
        }

        return lowest;
    }

    /// <summary>Where a parabola through three points has its bottom (step 5).</summary>
    private double Bottom(int lag)
    {
        if (lag <= 1 || lag > longest)
            return lag;
        var (left, here, right) = (differences[lag - 1], differences[lag], differences[lag + 1]);
        var bend = left - (2 * here) + right;
        return bend > 0 ? lag + Math.Clamp((left - right) / (2 * bend), -1, 1) : lag;
    }
}
