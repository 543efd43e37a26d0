namespace TuningFork.Core.Ability;

/// <summary>
/// Keeps the estimate of what a player can do over days. What is kept is the reach without the day's form: a tired evening moves
/// it by little. Slow work cannot hurt it, because a clean take far below reach is what was expected anyway.
/// </summary>
public static class Estimate
{
    /// <summary>How unsure a guess is with which something begins.</summary>
    public const double FirstSpread = 0.3;

    /// <summary>Where somebody begins with what is raw, as a part of the target (common practice).</summary>
    public const double RawPart = 0.6;

    /// <summary>The same for what is taking shape.</summary>
    public const double ShapingPart = 0.78;

    /// <summary>At its target: from this part of the target on; also where something begins that was rated concert-ready by hand.</summary>
    public const double TargetPart = 0.92;

    /// <summary>Growth goes on to about here above the target before it ends (common practice).</summary>
    public const double CeilingPart = 1.15;

    /// <summary>A day's form: how much all takes of a day may lie higher or lower together.</summary>
    private const double Form = 0.03;

    /// <summary>What is lost to each doubling of the days away, for something never visited before.</summary>
    private const double Sinks = 0.012;

    /// <summary>Visits after which half as much is lost.</summary>
    private const int HalfVisits = 8;

    /// <summary>Unsureness of every night, and of every visit.</summary>
    private const double Night = 0.012;
    private const double MostSpread = 0.3;

    /// <summary>Part of a day's growth that is still there the next day.</summary>
    internal const double Settles = 0.8;

    /// <summary>The reach on a later day: it sinks a little and grows unsure, less the more often it was visited.</summary>
    /// <param name="kept">The reach kept after the last visit.</param>
    /// <param name="days">Days since, 0 or more.</param>
    /// <param name="visits">Visits so far, 0 or more.</param>
    public static Reach Later(Reach kept, int days, int visits)
    {
        if (days <= 0)
            return kept;
        var fresh = (double)HalfVisits / (HalfVisits + visits);
        var lost = Sinks * fresh * Math.Log2(days);
        var variance = (kept.Spread * kept.Spread) + (Night * Night * (1 + (fresh * (days - 1) / 2.0)));
        return new Reach(kept.Log - lost, Math.Max(kept.Spread, Math.Min(MostSpread, Math.Sqrt(variance))));
    }

    /// <summary>What is believed before the first take of a day.</summary>
    /// <param name="now">The reach, brought to the day.</param>
    /// <param name="traits">The player's own.</param>
    /// <param name="target">The target in the unit of the reach, or null.</param>
    public static Morning Morning(Reach now, Traits traits, double? target)
    {
        ArgumentNullException.ThrowIfNull(traits);
        return new Morning(
            now.Log,
            Math.Sqrt((now.Spread * now.Spread) + (Form * Form)),
            traits.Width,
            traits.Rate,
            target is { } goal ? Math.Log(goal * CeilingPart) : null
        );
    }

    /// <summary>
    /// The reach that is kept at the end of a day: growth as it settles, and of the rest the part that is not the day's form.
    /// </summary>
    /// <param name="now">The reach that the day began with.</param>
    /// <param name="end">What is believed at its end.</param>
    public static Reach Keep(Reach now, DayReach end)
    {
        ArgumentNullException.ThrowIfNull(end);
        var variance = now.Spread * now.Spread;
        var share = variance / (variance + (Form * Form));
        var moved = end.Log - end.Grown - now.Log;
        var left = variance - (share * share * (variance + (Form * Form) - (end.Spread * end.Spread)));
        return new Reach(now.Log + (share * moved) + (Settles * end.Grown), Math.Sqrt(Math.Max(1e-4, left)));
    }

    /// <summary>What is believed after some takes of a day.</summary>
    /// <param name="morning">What was believed before them.</param>
    /// <param name="takes">The takes in order.</param>
    public static DayReach During(Morning morning, IEnumerable<Evidence> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        return takes.Aggregate(DayReach.At(morning), (day, take) => day.After(take));
    }
}
