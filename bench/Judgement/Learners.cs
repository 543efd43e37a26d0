namespace TuningFork.Bench.Judgement;

/// <summary>Somebody made up who learns passages; the policies see only whether a take was clean.</summary>
internal interface ILearner
{
    /// <summary>Chance that a first take is clean at a moment, in seconds since the beginning.</summary>
    double Chance(int passage, double at);

    /// <summary>Plays a take.</summary>
    bool Play(int passage, double at);
}

/// <summary>
/// The spacing model of Pavlik and Anderson (2005, Cognitive Science 29, 559): activation is the log of the sum of traces
/// that decay by a power of their age; the decay of a trace grows with the activation at the time it was made. Parameters from
/// memory: intercept of the decay a = 0.177, its scale c = 0.217, threshold -0.704, noise 0.255, time between sessions counted
/// at 0.025. Learners and passages vary around them.
/// </summary>
internal sealed class ActivationLearner(Random random, int passages) : ILearner
{
    private const double BetweenSessions = 0.025;
    private const double Day = 86_400;
    private const double Noise = 0.255;

    private readonly List<(double At, double Decay)>[] traces =
    [
        .. Enumerable.Range(0, passages).Select(_ => new List<(double, double)>()),
    ];
    private readonly double scale = 0.217 * Spread(random, 0.15);
    private readonly double intercept = 0.177 * Spread(random, 0.15);
    private readonly double threshold = -0.704 + (0.3 * Normal(random));
    private readonly double[] hardness = [.. Enumerable.Range(0, passages).Select(_ => 0.6 * Normal(random))];

    public double Chance(int passage, double at) => 1 / (1 + Math.Exp((threshold + hardness[passage] - Activation(passage, at)) / Noise));

    public bool Play(int passage, double at)
    {
        var clean = random.NextDouble() < Chance(passage, at);
        var activation = Activation(passage, at);
        traces[passage].Add((at, intercept + (double.IsNegativeInfinity(activation) ? 0 : scale * Math.Exp(activation))));
        return clean;
    }

    private double Activation(int passage, double at)
    {
        var sum = 0.0;
        foreach (var (made, decay) in traces[passage])
        {
            // Nights and the hours between sessions count little.
            var days = Math.Floor(at / Day) - Math.Floor(made / Day);
            var age = Math.Max(1, days > 0 ? (at - made - (days * Day * (1 - BetweenSessions))) : at - made);
            sum += Math.Pow(Math.Max(1, age), -decay);
        }

        return Math.Log(sum);
    }

    private static double Spread(Random random, double part) => Math.Exp(part * Normal(random));

    internal static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}

/// <summary>
/// A plain half-life: the chance halves with each half-life. A clean take lengthens it, the more the longer it had waited; a
/// missed one shortens it a little; what has just been played is hardly helped by playing it again.
/// </summary>
internal sealed class HalfLifeLearner(Random random, int passages) : ILearner
{
    private const double Day = 86_400;

    private readonly double[] halfLife = [.. Enumerable.Range(0, passages).Select(_ => 0.25)];
    private readonly double[] last = [.. Enumerable.Range(0, passages).Select(_ => double.NegativeInfinity)];
    private readonly double[] ease = [.. Enumerable.Range(0, passages).Select(_ => Math.Exp(0.25 * ActivationLearner.Normal(random)))];
    private readonly double gift = Math.Exp(0.2 * ActivationLearner.Normal(random));

    public double Chance(int passage, double at) =>
        double.IsNegativeInfinity(last[passage]) ? 0.05 : 0.98 * Math.Pow(2, -Math.Max(0, at - last[passage]) / Day / halfLife[passage]);

    public bool Play(int passage, double at)
    {
        var chance = Chance(passage, at);
        var clean = random.NextDouble() < chance;
        var waited = Math.Min(1, 1 - chance);
        halfLife[passage] =
            double.IsNegativeInfinity(last[passage]) ? 0.4 * ease[passage]
            : clean ? halfLife[passage] * (1 + (1.6 * ease[passage] * gift * waited) + 0.02)
            : Math.Max(0.25, halfLife[passage] * 0.85);
        last[passage] = at;
        return clean;
    }
}
