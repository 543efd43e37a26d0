namespace TuningFork.Core.Planning;

/// <summary>A routine with the days it is meant for.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Weekdays">Its days, one bit each, Monday first.</param>
/// <param name="Routine">The shape itself.</param>
/// <param name="Ticked">When one of its days was last ticked, UTC; null where that is not known.</param>
public sealed record RoutineDays(int Id, int Weekdays, Routine Routine, DateTime? Ticked = null)
{
    /// <summary>Whether it is meant for a day.</summary>
    public bool IsOn(DateOnly day) => (Weekdays & (1 << PracticeDay.Weekday(day))) != 0;
}

/// <summary>Which routine a sitting follows where none is chosen.</summary>
public static class RoutineOfDay
{
    /// <summary>
    /// The one that is meant for the weekday. Where several are: the player's own before those that come with the program, then the
    /// one ticked last; they take turns over the sittings of the day. One whose musts do not fit gives way to the next that fits, those
    /// of the day before others.
    /// </summary>
    /// <param name="routines">All routines, one or more, in their order.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="sitting">Number of the sitting, from 0.</param>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    public static RoutineDays Of(IReadOnlyList<RoutineDays> routines, DateOnly day, int sitting, int minutes)
    {
        ArgumentNullException.ThrowIfNull(routines);
        var meant = routines
            .Where(routine => routine.IsOn(day))
            .OrderBy(routine => Shapes.IsShipped(routine.Routine))
            .ThenByDescending(routine => routine.Ticked ?? DateTime.MinValue)
            .ThenBy(routine => System.Numerics.BitOperations.PopCount((uint)routine.Weekdays))
            .ThenBy(routine => routine.Id)
            .ToList();
        var first = meant.Count == 0 ? routines[0] : meant[sitting % meant.Count];
        return meant.Prepend(first).Concat(routines).FirstOrDefault(routine => routine.Routine.FitsIn(minutes)) ?? first;
    }
}
