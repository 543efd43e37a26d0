namespace TuningFork.Core.Planning;

/// <summary>A routine with the days it is meant for.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Weekdays">Its days, one bit each, Monday first.</param>
/// <param name="LeastMinutes">Minutes that its musts need.</param>
public sealed record RoutineDays(int Id, int Weekdays, int LeastMinutes)
{
    /// <summary>Whether it is meant for a day.</summary>
    public bool IsOn(DateOnly day) => (Weekdays & (1 << PracticeDay.Weekday(day))) != 0;
}

/// <summary>Which routine a sitting follows where none is chosen.</summary>
public static class RoutineOfDay
{
    /// <summary>
    /// The one that is meant for the weekday, the fewest days first; several take turns over the sittings of a day. One whose musts
    /// do not fit gives way to the next that fits, those of the day before others.
    /// </summary>
    /// <param name="routines">All routines, one or more, in their order.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="sitting">Number of the sitting, from 0.</param>
    /// <param name="playing">Minutes of playing in it, breaks not among them.</param>
    public static RoutineDays Of(IReadOnlyList<RoutineDays> routines, DateOnly day, int sitting, int playing)
    {
        ArgumentNullException.ThrowIfNull(routines);
        var meant = routines
            .Where(routine => routine.IsOn(day))
            .OrderBy(routine => System.Numerics.BitOperations.PopCount((uint)routine.Weekdays))
            .ThenBy(routine => routine.Id)
            .ToList();
        var first = meant.Count == 0 ? routines[0] : meant[sitting % meant.Count];
        return first.LeastMinutes <= playing
            ? first
            : meant.Concat(routines).FirstOrDefault(routine => routine.LeastMinutes <= playing) ?? first;
    }
}
