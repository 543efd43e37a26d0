using TuningFork.Core.Ability;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Practice;

/// <summary>Where something stands: at its target or below, and when it comes back. Plans, lists and sums all ask here.</summary>
public static class Standing
{
    /// <summary>Days for which a three that was confirmed by hand is believed.</summary>
    public const int ConfirmedDays = 21;

    /// <summary>Days between two performances of a three, in every school (common practice).</summary>
    public const int ThreeDays = 3;

    /// <summary>A reach that was set to the edge lies on it.</summary>
    private const double Rounding = 1e-6;

    /// <summary>Every other day, come what may.</summary>
    private const int OtherDays = 2;

    /// <summary>
    /// Whether it is at its target: the reach is 92 % of it or more, or a three was confirmed in the last three weeks. Without a target,
    /// or untimed, the rating says it.
    /// </summary>
    /// <param name="material">The material.</param>
    /// <param name="today">The practice day.</param>
    public static bool AtTarget(Material material, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(material);
        return (material.Confirmed is { } confirmed && today.DayNumber - confirmed.DayNumber <= ConfirmedDays)
            || (
                material.Target is { } target && material.IsTimed
                    ? (material.Reach ?? material.Start).Tempo >= (target.Value * Estimate.TargetPart) - Rounding
                    : material.Readiness == Readiness.Ready
            );
    }

    /// <summary>Whether the whole target is within reach: until then it comes at least as often as a three.</summary>
    /// <param name="material">The material.</param>
    public static bool AtTempo(Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        return material is not { Target: { } target, IsTimed: true } || (material.Reach is { } reach && reach.Tempo >= target.Value);
    }

    /// <summary>
    /// Whether its first takes can be relied on: until then what is at its target goes on before anything else gets what is left of a
    /// day.
    /// </summary>
    /// <param name="material">The material.</param>
    /// <param name="today">The practice day.</param>
    public static bool IsSafe(Material material, DateOnly today) =>
        AtTarget(material, today)
        && (
            material is not { Target: { } target, IsTimed: true }
            || (material.Reach ?? material.Start).Tempo >= target.Value * Growth.SafePart
        );

    /// <summary>Whether it is under way and below its target.</summary>
    /// <param name="material">The material.</param>
    /// <param name="today">The practice day.</param>
    public static bool IsGrowing(Material material, DateOnly today) =>
        material is { LastVisit: not null, Resting: false } && !AtTarget(material, today);

    /// <summary>
    /// The day on which it comes back; null while it grows, for then it stands in the queue every day, and for what was never played.
    /// </summary>
    /// <param name="material">The material.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="school">The player's school of spacing.</param>
    public static DateOnly? Due(Material material, DateOnly today, School school)
    {
        ArgumentNullException.ThrowIfNull(material);
        if (material.LastVisit is not { } last)
            return null;
        var own = material.School ?? school;
        if (!AtTarget(material, today))
            return own == School.EveryOtherDay ? last.AddDays(OtherDays) : null;
        var due = DueDay.Of(
            own,
            last,
            material.Memory,
            material.Readiness == Readiness.Raw ? Readiness.Shaping : material.Readiness,
            material.Slipped,
            material.Performance
        );
        var three = last.AddDays(ThreeDays);
        return due > three && material.Kind == MaterialKind.Passage && (material.Readiness == Readiness.Ready || !AtTempo(material))
            ? three
            : due;
    }

    /// <summary>How it stands in a few words: "92 of 120", "92", "raw".</summary>
    /// <param name="material">The material.</param>
    public static string Words(Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        return material switch
        {
            { Reach: { } reach, Target: { } target } => $"{Math.Round(Math.Min(reach.Tempo, target.Value))} of {target}",
            { Reach: { } reach } => $"about {Math.Round(reach.Tempo)}",
            { Readiness: Readiness.Raw } => "raw",
            { Readiness: Readiness.Shaping } => "taking shape",
            _ => "ready",
        };
    }
}
