namespace TuningFork.Core.Listening;

/// <summary>
/// Samples at a lower rate, as they come in: what is too high is taken away by a windowed sinc first (Oppenheim and Schafer, Discrete-Time
/// Signal Processing, from memory). Sample n of what comes out is at the time of sample n x <see cref="Factor"/> of what went in.
/// </summary>
internal sealed class Decimated
{
    /// <summary>Coefficients for each sample of the lower rate, to either side.</summary>
    private const int Reach = 12;

    private readonly float[] filter;
    private readonly List<float> held;
    private long next;
    private long begun;

    /// <param name="rate">Samples a second that come in.</param>
    /// <param name="wanted">Samples a second that are enough.</param>
    public Decimated(int rate, int wanted)
    {
        Factor = Math.Max(1, (int)Math.Round((double)rate / wanted));
        Rate = (double)rate / Factor;
        filter = Factor == 1 ? [1] : Sinc(Factor);
        // What was before the beginning is silence.
        held = [.. new float[filter.Length / 2]];
        begun = -(filter.Length / 2);
    }

    /// <summary>So many samples become one.</summary>
    public int Factor { get; }

    /// <summary>Samples a second that come out.</summary>
    public double Rate { get; }

    /// <summary>Takes samples in and gives those on that are ready.</summary>
    public void Add(ReadOnlySpan<float> samples, List<float> ready)
    {
        held.AddRange(samples);
        var half = filter.Length / 2;
        var all = System.Runtime.InteropServices.CollectionsMarshal.AsSpan(held);
        while ((next * Factor) + half < begun + all.Length)
        {
            var from = (int)((next * Factor) - half - begun);
            ready.Add(Product(filter, all.Slice(from, filter.Length)));
            next++;
        }

        var done = (int)Math.Clamp((next * Factor) - half - begun, 0, held.Count);
        held.RemoveRange(0, done);
        begun += done;
    }

    /// <summary>The sum of products, several at once.</summary>
    public static float Product(ReadOnlySpan<float> one, ReadOnlySpan<float> other)
    {
        var sum = System.Numerics.Vector<float>.Zero;
        var at = 0;
        for (; at <= one.Length - System.Numerics.Vector<float>.Count; at += System.Numerics.Vector<float>.Count)
            sum += new System.Numerics.Vector<float>(one[at..]) * new System.Numerics.Vector<float>(other[at..]);
        var rest = System.Numerics.Vector.Sum(sum);
        for (; at < one.Length; at++)
            rest += one[at] * other[at];
        return rest;
    }

    private static float[] Sinc(int factor)
    {
        var half = Reach * factor;
        var sinc = new float[(2 * half) + 1];
        for (var i = -half; i <= half; i++)
        {
            // A little below half of the lower rate, under a Hann window.
            var x = 0.9 * Math.PI * i / factor;
            var window = 0.5 * (1 + Math.Cos(Math.PI * i / (half + 1)));
            sinc[i + half] = (float)((i == 0 ? 1 : Math.Sin(x) / x) * window);
        }

        var sum = sinc.Sum();
        for (var i = 0; i < sinc.Length; i++)
            sinc[i] /= sum;
        return sinc;
    }
}
