using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>A plan made anew under a change of mind about the day, with what was changed by hand.</summary>
public static class PlanAnew
{
    /// <summary>
    /// A plan made anew with all that the player has changed by hand: what was locked, and of the rest as many as fit, in their order.
    /// </summary>
    /// <param name="before">The plan as it was.</param>
    /// <param name="request">What the new one is made from.</param>
    /// <returns>The new plan, and what does not fit it any more.</returns>
    /// <exception cref="PlanException">What is locked does not fit.</exception>
    public static (DayPlan Plan, IReadOnlyList<Drill> Gone) Keeping(DayPlan before, DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(request);
        if (With(before.Kept) is { } all)
            return (all, []);
        var fits = before.Kept.Where(drill => drill.Locked).ToList();
        var plan = DayPlanner.Plan(request with { Kept = fits, LeftOut = before.LeftOut });
        foreach (var drill in before.Kept.Where(drill => !drill.Locked))
        {
            if (With([.. fits, drill]) is not { } more)
                continue;
            fits.Add(drill);
            plan = more;
        }

        return (plan, [.. before.Kept.Except(fits)]);

        DayPlan? With(IReadOnlyList<Drill> kept)
        {
            try
            {
                return DayPlanner.Plan(request with { Kept = kept, LeftOut = before.LeftOut });
            }
            catch (PlanException)
            {
                return null;
            }
        }
    }
}
