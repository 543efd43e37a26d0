using System.Numerics;
using MathNet.Numerics.IntegralTransforms;

namespace TuningFork.Core.Listening;

/// <summary>
/// How loud each frequency is in a stretch of sound: its spectrum by a transform of half the length, even samples as the real part and odd
/// ones as the imaginary (Press and others, Numerical Recipes, FFT of single real function; from memory).
/// </summary>
internal sealed class Magnitudes
{
    private readonly double[] window;
    private readonly Complex[] half;
    private readonly Complex[] turns;

    /// <param name="width">Samples of a stretch: a power of two, 4 or more.</param>
    public Magnitudes(int width)
    {
        window = MathNet.Numerics.Window.HannPeriodic(width);
        half = new Complex[width / 2];
        turns = [.. Enumerable.Range(0, (width / 2) + 1).Select(k => Complex.FromPolarCoordinates(1, -2 * Math.PI * k / width))];
        Values = new double[(width / 2) + 1];
    }

    /// <summary>Of each frequency from 0 to half the rate, after <see cref="Of"/>.</summary>
    public double[] Values { get; }

    /// <summary>Looks at a stretch, under a window of Hann.</summary>
    /// <param name="samples">So many as the width.</param>
    public void Of(ReadOnlySpan<float> samples)
    {
        for (var i = 0; i < half.Length; i++)
            half[i] = new Complex(samples[2 * i] * window[2 * i], samples[(2 * i) + 1] * window[(2 * i) + 1]);
        Fourier.Forward(half, FourierOptions.NoScaling);
        for (var k = 0; k < Values.Length; k++)
        {
            var (one, other) = (half[k % half.Length], Complex.Conjugate(half[(half.Length - k) % half.Length]));
            var odd = (one - other) * turns[k];
            // Half the sum is the spectrum of the even samples; half the difference, a quarter turned back, that of the odd ones.
            var (real, imaginary) = (one.Real + other.Real + odd.Imaginary, one.Imaginary + other.Imaginary - odd.Real);
            Values[k] = 0.5 * Math.Sqrt((real * real) + (imaginary * imaginary));
        }
    }
}
