namespace TuningFork.Core.Listening;

/// <summary>
/// Where exactly a note begins that was found roughly. What sounded before is described by linear prediction (the covariance method; Makhoul
/// 1975, Proceedings of the IEEE 63, 561): where the prediction begins to fail, something new sounds. Of all moments the most likely is
/// taken from which on the errors grow, at once or evenly until the note is there (a change of variance; Basseville and Nikiforov 1993,
/// Detection of Abrupt Changes).
/// </summary>
internal sealed class TrueStart
{
    private const int Order = 64;

    /// <summary>Errors are taken together in cells of so many seconds.</summary>
    private const double CellSeconds = 0.001;

    /// <summary>What sounded before is described by so many seconds before the search.</summary>
    private const double Described = 0.05;

    /// <summary>Fewer cells have no variance worth the name.</summary>
    private const int Least = 3;

    /// <summary>The quietest moment is looked for over so many cells together.</summary>
    private const int Together = 8;

    /// <summary>Moments tried at first; then those near the best of them.</summary>
    private const int Stride = 4;

    /// <summary>
    /// Seconds in which what sounded before falls to 1/e, when it is released: the same prediction with each coefficient the smaller, the
    /// farther it reaches back (bandwidth expansion, as in the coding of speech; from memory). Without it the end of a note would be taken for
    /// the beginning of the next one.
    /// </summary>
    private static readonly double[] DiesAway = [double.PositiveInfinity, 0.06, 0.03, 0.015, 0.008];

    /// <summary>A note is there at once, or grows within so many cells.</summary>
    private static readonly int[] Attacks = [0, 5, 10, 20, 40, 60];

    private readonly double rate;
    private readonly int cell;

    /// <param name="rate">Samples a second.</param>
    public TrueStart(double rate)
    {
        this.rate = rate;
        cell = Math.Max(1, (int)Math.Round(rate * CellSeconds));
    }

    /// <summary>Samples before the first place that may be the beginning.</summary>
    public int Before => (int)(Described * rate);

    /// <summary>The beginning, in samples from the first of <paramref name="samples"/>, and how many times the errors grow by it.</summary>
    /// <param name="samples">
    /// Sound round the place: <see cref="Before"/> samples of what was before, then those among which the beginning is.
    /// </param>
    /// <param name="rough">Where it was found roughly, in samples from the first.</param>
    /// <param name="softest">Root mean square of what counts as silence.</param>
    public (double At, double Growth) Find(ReadOnlySpan<float> samples, int rough, double softest)
    {
        Span<double> errors = stackalloc double[(samples.Length - Before) / cell];
        var silence = softest * softest * cell;
        Errors(samples, Predict(samples[..Before], softest), silence, errors);
        // It does not begin before the quietest moment: there something else ends.
        var quiet = Quietest(errors[..Math.Clamp((rough - Before) / cell, Together, errors.Length)]);
        var (at, growth) = Change(errors[quiet..], silence);
        return (Before + (cell * (quiet + at)), growth);
    }

    /// <summary>The squared errors in cells, of that prediction which fails least: that it goes on, or dies away.</summary>
    private void Errors(ReadOnlySpan<float> samples, float[] prediction, double silence, Span<double> errors)
    {
        errors.Fill(double.MaxValue);
        var damped = new float[Order];
        foreach (var seconds in DiesAway)
        {
            for (var i = 0; i < Order; i++)
                damped[i] = (float)(prediction[i] * Math.Exp((i - Order) / (seconds * rate)));
            for (var i = 0; i < errors.Length; i++)
                errors[i] = Math.Min(errors[i], silence + Failed(samples.Slice(Before + (i * cell) - Order, cell + Order), damped));
        }
    }

    /// <summary>Sum of the squared errors, all but the first samples, from which the others are told.</summary>
    private static double Failed(ReadOnlySpan<float> samples, float[] prediction)
    {
        var sum = 0.0;
        for (var at = Order; at < samples.Length; at++)
        {
            double error = samples[at] - Decimated.Product(prediction, samples.Slice(at - Order, Order));
            sum += error * error;
        }

        return sum;
    }

    private static int Quietest(ReadOnlySpan<double> errors)
    {
        var (best, least, sum) = (0, double.MaxValue, 0.0);
        for (var i = 0; i < errors.Length; i++)
        {
            sum += errors[i] - (i >= Together ? errors[i - Together] : 0);
            if (i >= Together - 1 && sum < least)
                (best, least) = (i - Together + 1, sum);
        }

        return best;
    }

    /// <summary>The cell in which the errors begin to grow, with the greatest likelihood, and how many times they do.</summary>
    private static (int At, double Growth) Change(ReadOnlySpan<double> errors, double silence)
    {
        Span<double> sums = stackalloc double[errors.Length + 1];
        for (var i = 0; i < errors.Length; i++)
            sums[i + 1] = sums[i] + errors[i];
        var best = (At: 0, Likely: double.MinValue, Growth: 1.0);
        for (var at = Least; at < errors.Length - Least; at += Stride)
            Better(errors, sums, at, silence, ref best);
        var near = best.At;
        for (var at = Math.Max(Least, near - Stride + 1); at < Math.Min(errors.Length - Least, near + Stride); at++)
            Better(errors, sums, at, silence, ref best);
        return (best.At, best.Growth);
    }

    private static void Better(
        ReadOnlySpan<double> errors,
        ReadOnlySpan<double> sums,
        int at,
        double silence,
        ref (int At, double Likely, double Growth) best
    )
    {
        var before = sums[at] / at;
        foreach (var attack in Attacks)
        {
            var full = Math.Min(at + (attack / 2), errors.Length - Least);
            var after = (sums[^1] - sums[full]) / (errors.Length - full);
            if (after <= before)
                continue;
            var likely = -at * (Math.Log(before) + 1);
            var until = Math.Min(at + attack, errors.Length);
            for (var i = at; i < until; i++)
            {
                // Its amplitude grows evenly: the variance by the square.
                var grown = (i - at + 0.5) / attack;
                var expected = before + ((after - before) * grown * grown);
                likely -= Math.Log(expected) + (errors[i] / expected);
            }

            likely -= ((errors.Length - until) * Math.Log(after)) + ((sums[^1] - sums[until]) / after);
            if (likely > best.Likely)
                best = (at, likely, (after - (Silent * silence)) / (before - (Silent * silence)));
        }
    }

    /// <summary>So much of what was added as silence is not counted where it is asked how much the errors grow.</summary>
    private const double Silent = 0.96;

    /// <summary>
    /// What the next sample is the sum of, the oldest first: the prediction of the least squares, by Cholesky's decomposition.
    /// </summary>
    private static float[] Predict(ReadOnlySpan<float> samples, double softest)
    {
        var products = Products(samples);
        // A little noise: silence and pure tones would be predicted without any error.
        var noise = (1e-5 * products[0, 0]) + (softest * softest * (samples.Length - Order));
        var root = new double[Order, Order];
        for (var row = 0; row < Order; row++)
        {
            for (var column = 0; column <= row; column++)
            {
                var sum = products[column + 1, row + 1] + (row == column ? noise : 0);
                for (var k = 0; k < column; k++)
                    sum -= root[row, k] * root[column, k];
                root[row, column] = row == column ? Math.Sqrt(Math.Max(sum, noise)) : sum / root[column, column];
            }
        }

        var solved = new double[Order];
        for (var row = 0; row < Order; row++)
        {
            var sum = products[0, row + 1];
            for (var k = 0; k < row; k++)
                sum -= root[row, k] * solved[k];
            solved[row] = sum / root[row, row];
        }

        for (var row = Order - 1; row >= 0; row--)
        {
            for (var k = row + 1; k < Order; k++)
                solved[row] -= root[k, row] * solved[k];
            solved[row] /= root[row, row];
        }

        return [.. solved.Reverse().Select(one => (float)one)];
    }

    /// <summary>Products of the samples with themselves, so many and so many earlier.</summary>
    private static double[,] Products(ReadOnlySpan<float> samples)
    {
        var count = samples.Length - Order;
        var products = new double[Order + 1, Order + 1];
        for (var lag = 0; lag <= Order; lag++)
        {
            products[0, lag] = Decimated.Product(samples[Order..], samples.Slice(Order - lag, count));
            for (var i = 1; i + lag <= Order; i++)
                products[i, i + lag] =
                    products[i - 1, i + lag - 1]
                    + (samples[Order - i] * (double)samples[Order - i - lag])
                    - (samples[^i] * (double)samples[^(i + lag)]);
        }

        return products;
    }
}
