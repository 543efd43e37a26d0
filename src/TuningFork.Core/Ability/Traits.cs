namespace TuningFork.Core.Ability;

/// <summary>
/// What is one player's own, fitted to the takes with time. The starting values are honest guesses (common practice): a
/// first guess of the growth counts as much as two weeks of takes, one of the curve as much as fifty takes.
/// </summary>
public sealed record Traits
{
    /// <summary>Growth a take as a part of the way that is left to the ceiling, before anything is known.</summary>
    public const double UsualRate = 0.014;

    /// <summary>How much exposure the usual rate counts for.</summary>
    private const double PriorExposure = 20;

    /// <summary>What was seen some weeks ago counts less: each visit keeps so much of what was before.</summary>
    private const double Keeps = 0.993;

    /// <summary>
    /// An estimate follows only part of the way when somebody grows faster or slower than assumed: what it moves beyond the assumption
    /// counts so many times.
    /// </summary>
    private const double Amplified = 2;

    /// <summary>Above this a move says where somebody stands, not how fast he grows.</summary>
    private const double SureEnough = 0.1;

    private static readonly double[] Widths = [0.03, 0.042, 0.06, 0.085, 0.12];

    /// <summary>How much the usual width is preferred, in logarithms of likelihood for each width.</summary>
    private static readonly double[] Preferred = [-3, -0.7, 0, -0.7, -3];

    /// <summary>Nobody begins knowing anything.</summary>
    public static Traits Usual { get; } = new();

    /// <summary>Takes times the way that was left, summed over visits, ever less by age.</summary>
    public double Exposure { get; init; }

    /// <summary>Growth seen in those.</summary>
    public double Gained { get; init; }

    /// <summary>Logarithms of the likelihood of what was seen, for each width of the curve that is considered.</summary>
    public IReadOnlyList<double> Likelihoods { get; init; } = new double[Widths.Length];

    /// <summary>Growth a take as a part of the way that is left (in logarithms), 0.001 to 0.04.</summary>
    public double Rate => Math.Clamp((Gained + (UsualRate * PriorExposure)) / (Exposure + PriorExposure), 0.001, 0.04);

    /// <summary>Width of the curve: how many parts faster turns a chance of nearly three in four into one in two, 0.03 to 0.12.</summary>
    public double Width
    {
        get
        {
            var logs = Likelihoods.Zip(Preferred, (seen, prior) => seen + prior).ToArray();
            var most = logs.Max();
            var weights = logs.Select(log => Math.Exp(log - most)).ToArray();
            return Widths.Zip(weights, (width, weight) => width * weight).Sum() / weights.Sum();
        }
    }

    /// <summary>The traits after a visit.</summary>
    /// <param name="morning">What was believed at its beginning.</param>
    /// <param name="takes">Its takes.</param>
    /// <param name="before">The reach kept after the visit before it: growth is what is left of a visit at the end of the next.</param>
    /// <param name="after">The reach kept after it.</param>
    public Traits After(Morning morning, IReadOnlyList<Evidence> takes, Reach before, Reach after)
    {
        ArgumentNullException.ThrowIfNull(morning);
        ArgumentNullException.ThrowIfNull(takes);
        var seen = Likelihoods.Select(one => one * Keeps).ToArray();
        var day = DayReach.At(morning);
        var exposure = 0.0;
        foreach (var take in takes)
        {
            for (var i = 0; i < Widths.Length; i++)
            {
                var chance = day.Chance(take.Tempo, Widths[i]);
                seen[i] += take.Weight * Math.Log(Math.Clamp(take.Clean ? chance : 1 - chance, 0.01, 1));
            }

            exposure += day.Way(take.Tempo);
            day = day.After(take);
        }

        if (exposure <= 0 || before.Spread > SureEnough)
            return this with { Likelihoods = seen };
        var assumed = Estimate.Settles * Rate * exposure;
        var gained = assumed + (Amplified * Math.Clamp(after.Log - before.Log - assumed, -0.05, 0.05));
        return this with
        {
            Likelihoods = seen,
            Exposure = (Exposure * Keeps) + exposure,
            Gained = (Gained * Keeps) + (gained / Estimate.Settles),
        };
    }
}
