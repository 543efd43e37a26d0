namespace TuningFork.Core.Ability;

/// <summary>
/// Where practice leads: each take closes a part of the way to the ceiling, and part of it settles overnight. The one function
/// that sums, goals, forecasts, warnings and the plan itself ask, so that they cannot contradict each other. The way that is left
/// shrinks by the same part with each take (an exponential learning curve: Heathcote, Brown and Mewhort 2000, Psychonomic Bulletin
/// and Review 7, 185, from memory).
/// </summary>
public static class Growth
{
    /// <summary>Takes of a usual visit (common practice).</summary>
    public const int TakesAVisit = 3;

    /// <summary>
    /// At the end a first take is to be clean at 92 % of the target: first takes of a day are harder, and a night takes a little,
    /// so more than that has to be within reach (common practice).
    /// </summary>
    public const double SafePart = 0.97;

    /// <summary>The later takes of a day bring less: so much of what the first brings, over a usual visit.</summary>
    private const double DayPart = 0.9;

    /// <summary>How far growth itself may be off, as a part of it (common practice).</summary>
    private const double Doubt = 0.45;

    /// <summary>Takes that are still needed until the target is safe; 0 when it is.</summary>
    /// <param name="now">The reach now.</param>
    /// <param name="target">The target, above 0, in the same unit.</param>
    /// <param name="traits">The player's own.</param>
    /// <param name="better">By how many standard deviations reach and growth are better than believed; below 0 for worse.</param>
    public static double Takes(Reach now, double target, Traits traits, double better = 0)
    {
        ArgumentNullException.ThrowIfNull(traits);
        var ceiling = Math.Log(target * Estimate.CeilingPart);
        var (way, end) = (ceiling - now.Log - (better * now.Spread), Math.Log(Estimate.CeilingPart / SafePart));
        return way <= end ? 0 : Math.Log(way / end) / (ATake(traits) * Math.Exp(better * Doubt));
    }

    /// <summary>The reach after so many takes, as a range.</summary>
    /// <param name="now">The reach now.</param>
    /// <param name="target">The target, above 0, in the same unit.</param>
    /// <param name="takes">Takes, 0 or more.</param>
    /// <param name="traits">The player's own.</param>
    public static Reach After(Reach now, double target, double takes, Traits traits)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(takes);
        ArgumentNullException.ThrowIfNull(traits);
        var ceiling = Math.Log(target * Estimate.CeilingPart);
        var way = Math.Max(0, ceiling - now.Log);
        var grown = way * (1 - Math.Exp(-ATake(traits) * takes));
        return new Reach(now.Log + grown, Math.Sqrt((now.Spread * now.Spread) + (Doubt * Doubt * grown * grown)));
    }

    /// <summary>Where the path from one tempo to another stands after a part of its takes.</summary>
    /// <param name="from">Where it begins, above 0.</param>
    /// <param name="to">Where it leads, above that.</param>
    /// <param name="part">Part of the takes, 0 to 1.</param>
    public static double Between(double from, double to, double part)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(from);
        var ceiling = Math.Log(to * Estimate.CeilingPart);
        var (way, end) = (ceiling - Math.Log(from), Math.Log(Estimate.CeilingPart));
        return Math.Exp(ceiling - (way * Math.Pow(end / way, part)));
    }

    private static double ATake(Traits traits) => traits.Rate * Estimate.Settles * DayPart;
}
