namespace TuningFork.Core.Planning;

/// <summary>A stretch of a day that is taken, by the clock on the wall.</summary>
/// <param name="From">When it begins.</param>
/// <param name="Until">When it ends; not before it begins.</param>
/// <param name="Title">What it is.</param>
public sealed record Busy(TimeOnly From, TimeOnly Until, string Title);

/// <summary>Whether the hour at which one likes to play is free, and which is where it is not.</summary>
public static class BusyTimes
{
    /// <summary>Nobody is sent to play before or after these hours (common practice: the neighbours).</summary>
    private static readonly TimeOnly Earliest = new(7, 0);
    private static readonly TimeOnly Latest = new(22, 0);

    /// <summary>
    /// The start nearest to the wished hour at which the minutes fit between what is taken, from seven to ten in the evening: the wished
    /// one where it is free, else the beginning or end of a gap.
    /// </summary>
    /// <param name="wished">The hour that is wished.</param>
    /// <param name="minutes">Minutes of the sitting, above 0.</param>
    /// <param name="busy">What is taken that day, in any order; it may overlap.</param>
    /// <returns>Null where no gap is long enough.</returns>
    public static TimeOnly? Free(TimeOnly wished, int minutes, IReadOnlyList<Busy> busy)
    {
        ArgumentNullException.ThrowIfNull(busy);
        var length = TimeSpan.FromMinutes(minutes);
        var wish = wished.ToTimeSpan();
        if (Fits(wish))
            return wished;
        var starts = busy.Select(one => one.Until.ToTimeSpan())
            .Concat(busy.Select(one => one.From.ToTimeSpan() - length))
            .Append(Earliest.ToTimeSpan())
            .Append(Latest.ToTimeSpan() - length)
            .Where(start => start >= Earliest.ToTimeSpan() && start + length <= Latest.ToTimeSpan() && Fits(start))
            .OrderBy(start => (start - wish).Duration())
            .ThenByDescending(start => start)
            .ToList();
        return starts.Count == 0 ? null : TimeOnly.FromTimeSpan(starts[0]);

        bool Fits(TimeSpan start) =>
            busy.All(one => start + length <= one.From.ToTimeSpan() || start >= one.Until.ToTimeSpan() || one.From == one.Until);
    }

    /// <summary>What there is to say of the wished hour; empty where it is free.</summary>
    /// <param name="wished">The hour that is wished.</param>
    /// <param name="minutes">Minutes of the sitting.</param>
    /// <param name="busy">What is taken that day.</param>
    public static string Say(TimeOnly wished, int minutes, IReadOnlyList<Busy> busy)
    {
        var free = Free(wished, minutes, busy);
        if (free == wished)
            return "";
        var (start, end) = (wished.ToTimeSpan(), wished.ToTimeSpan() + TimeSpan.FromMinutes(minutes));
        var taken = busy.First(one => one.From != one.Until && start < one.Until.ToTimeSpan() && end > one.From.ToTimeSpan());
        return $"{wished:HH\\:mm} is taken by {taken.Title}; {(free is { } at ? $"{at:HH\\:mm} is free" : $"no {minutes} minutes are free that day")}.";
    }
}
