namespace TuningFork.Core.Tempo;

/// <summary>Something to try when a tempo no longer rises.</summary>
/// <param name="Title">What, in a few words.</param>
/// <param name="How">How, in a sentence.</param>
/// <param name="Does">What the plan does about it from tomorrow when it is accepted; none where the player does it.</param>
public sealed record Remedy(string Title, string How, Relief Does = Relief.None);

/// <summary>Whether a tempo is stuck.</summary>
/// <param name="IsStuck">No real gain over the last visits, below the target.</param>
/// <param name="Visits">Visits that were looked at.</param>
/// <param name="Gain">Beats a minute from the beginning of those to their end, along the median slope.</param>
/// <param name="Reason">Why, in a sentence; empty when it is not stuck.</param>
/// <param name="Remedies">What to try; empty when it is not stuck.</param>
public sealed record PlateauView(bool IsStuck, int Visits, double Gain, string Reason, IReadOnlyList<Remedy> Remedies);

/// <summary>Finds plateaus and says what else could be tried; never "try harder" (common practice).</summary>
public static class Plateau
{
    /// <summary>Visits without a gain that make a plateau.</summary>
    public const int Visits = 8;

    /// <summary>A gain smaller than this part of the tempo over those visits is none.</summary>
    public const double RealGain = 0.03;

    private const double RisingZ = 1.645;

    /// <summary>Looks at the reach over the last visits with takes near it. What once was clean at its target is not stuck.</summary>
    /// <param name="points">All visits, in order.</param>
    /// <param name="reached">Whether it was clean at its target at any time.</param>
    /// <param name="tense">True when tension was noted lately.</param>
    public static PlateauView Look(IReadOnlyList<TempoPoint> points, bool reached, bool tense = false)
    {
        ArgumentNullException.ThrowIfNull(points);
        var last = points
            .Where(point => point is { Reach: not null, Slow: false })
            .TakeLast(Visits)
            .Select(point => point.Reach!.Value)
            .ToList();
        if (last.Count < Visits || reached)
            return new PlateauView(false, last.Count, 0, "", []);
        var slope = Trend.TheilSen([.. last.Select((reach, i) => ((double)i, reach))]);
        var gain = slope * (last.Count - 1);
        var rising = gain >= Trend.Median(last) * RealGain || Trend.MannKendall(last).Z > RisingZ;
        if (rising)
            return new PlateauView(false, last.Count, gain, "", []);
        var reason =
            gain <= -1
                ? $"It has sunk by about {Math.Round(-gain)} over {Visits} visits."
                : $"No real gain over {Visits} visits: it stays near {Math.Round(Trend.Median(last))}.";
        return new PlateauView(true, last.Count, gain, reason, [.. Remedies(last[^1], tense)]);
    }

    private static IEnumerable<Remedy> Remedies(double tempo, bool tense)
    {
        if (tense)
            yield return new Remedy(
                "Step down",
                "Tension is the ceiling: ten beats slower until the shoulders are down, then up by single beats."
            );
        yield return new Remedy(
            "Another method",
            $"Two weeks without the ladder: rounds of single takes, or the slow anchor at {Math.Max(Bpm.Slowest, Math.Round(tempo / 2))}."
        );
        yield return new Remedy(
            "Half the minutes",
            "Give it half the time; what is freed goes to something that moves.",
            Relief.HalfMinutes
        );
        yield return new Remedy("Twice a day", "Split it into two short visits with hours between.", Relief.TwoShortVisits);
        yield return new Remedy("Let it rest", "A week without it, then come back a little slower.", Relief.WeekOff);
        yield return new Remedy("Smaller", "Find the two notes where it breaks and make them a drill of their own.");
    }
}
