namespace TuningFork.Core.Listening;

/// <summary>
/// How much new sound there is at each moment: the spectral flux of a bank of filters, logarithmic, each band beside the loudest of its
/// neighbours a little before, so that vibrato is not taken for notes (Böck and Widmer 2013, Maximum filter vibrato suppression for onset
/// detection, DAFx-13).
/// </summary>
internal sealed class OnsetFunction
{
    private const int BandsPerOctave = 24;
    private const double LowestBand = 60;

    /// <summary>Hops that lie between a moment and the one it is compared with.</summary>
    private const int Apart = 3;

    /// <summary>What is so much softer than the loudest band so far weighs little.</summary>
    private const double Floor = 0.003;

    private readonly int width;
    private readonly Magnitudes magnitudes;
    private readonly (int First, double[] Weights)[] bands;
    private readonly Queue<double[]> before = new();
    private double loudest;

    /// <param name="rate">Samples a second.</param>
    public OnsetFunction(double rate)
    {
        width = 1 << (int)Math.Round(Math.Log2(rate * 0.032));
        Hop = (int)Math.Round(rate * 0.005);
        magnitudes = new Magnitudes(width);
        bands = [.. Bands(rate)];
    }

    /// <summary>Samples that one look takes.</summary>
    public int Width => width;

    /// <summary>Samples from one look to the next.</summary>
    public int Hop { get; }

    /// <summary>The flux of the next look.</summary>
    /// <param name="samples">So many as <see cref="Width"/> says.</param>
    public double Next(ReadOnlySpan<float> samples)
    {
        magnitudes.Of(samples);
        var now = before.Count > Apart ? before.Dequeue() : new double[bands.Length];
        for (var band = 0; band < bands.Length; band++)
        {
            var sum = 0.0;
            var (first, weights) = bands[band];
            for (var i = 0; i < weights.Length; i++)
                sum += weights[i] * magnitudes.Values[first + i];
            loudest = Math.Max(loudest, sum);
            now[band] = sum;
        }

        var floor = Math.Max(1e-4, Floor * loudest);
        for (var band = 0; band < now.Length; band++)
            now[band] = Math.Log(1 + (now[band] / floor));
        var flux = before.Count == Apart ? Rise(before.Peek(), now) : 0;
        before.Enqueue(now);
        return flux;
    }

    private static double Rise(double[] then, double[] now)
    {
        var sum = 0.0;
        for (var band = 0; band < now.Length; band++)
        {
            var most = Math.Max(then[band], Math.Max(then[Math.Max(0, band - 1)], then[Math.Min(then.Length - 1, band + 1)]));
            sum += Math.Max(0, now[band] - most);
        }

        return sum / now.Length;
    }

    /// <summary>Triangles from the middle of one band to that of the next, none narrower than what the spectrum tells apart.</summary>
    private IEnumerable<(int First, double[] Weights)> Bands(double rate)
    {
        var bin = rate / width;
        var middles = new List<int>();
        for (var hertz = LowestBand; hertz < rate * 0.45; hertz *= Math.Pow(2, 1.0 / BandsPerOctave))
        {
            var at = (int)Math.Round(hertz / bin);
            if (middles.Count == 0 || at > middles[^1])
                middles.Add(at);
        }

        for (var i = 1; i + 1 < middles.Count; i++)
        {
            var (left, middle, right) = (middles[i - 1], middles[i], middles[i + 1]);
            var weights = new double[right - left - 1];
            for (var at = left + 1; at < right; at++)
                weights[at - left - 1] = at <= middle ? (double)(at - left) / (middle - left) : (double)(right - at) / (right - middle);
            yield return (left + 1, weights);
        }
    }
}
