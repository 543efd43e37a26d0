namespace TuningFork.Core.Recordings;

/// <summary>What is offered for a thing that was recorded.</summary>
public enum ApartOffer
{
    /// <summary>Nothing for now.</summary>
    None,

    /// <summary>To record it once more: what there is lies too near to the first one.</summary>
    Record,

    /// <summary>To hear the first and the newest side by side.</summary>
    Compare,
}

/// <summary>
/// Progress in small amounts cannot be heard from inside; the first take and one of some days later, side by side, show it. That is
/// offered after a week and after four (common practice).
/// </summary>
public static class DaysApart
{
    /// <summary>Days after which it is offered.</summary>
    public static IReadOnlyList<int> Steps { get; } = [7, 28];

    /// <summary>What to offer today.</summary>
    /// <param name="first">The day of the first recording.</param>
    /// <param name="newest">The day of the newest one; the same as the first where there is only one.</param>
    /// <param name="compared">Days that lay between the two when they were last compared, 0 for never.</param>
    /// <param name="today">Today.</param>
    /// <returns>The offer, and the step it is for, in days: 0 without one.</returns>
    public static (ApartOffer Offer, int Step) Of(DateOnly first, DateOnly newest, int compared, DateOnly today)
    {
        var waited = Steps.Where(step => step > compared && today.DayNumber - first.DayNumber >= step).ToList();
        if (waited.Count == 0)
            return (ApartOffer.None, 0);
        var step = waited[^1];
        return (newest.DayNumber - first.DayNumber >= step ? ApartOffer.Compare : ApartOffer.Record, step);
    }

    /// <summary>How far two recordings lie apart, in words: "9 days apart".</summary>
    public static string Words(DateOnly first, DateOnly newest) =>
        (newest.DayNumber - first.DayNumber) switch
        {
            <= 0 => "the same day",
            var days => $"{Practice.Words.Days(days)} apart",
        };
}
