namespace TuningFork.Core.Spacing;

/// <summary>When material comes back.</summary>
public static class DueDay
{
    private const int PerformanceWindowDays = 21;

    /// <summary>
    /// The day it is due. Raw or slipped material comes back after one night; nothing comes back the same day; no gap
    /// reaches past a performance: the day before it is the last.
    /// </summary>
    /// <param name="school">The school.</param>
    /// <param name="lastVisit">Day of the last visit.</param>
    /// <param name="memory">Memory after it.</param>
    /// <param name="readiness">Present readiness.</param>
    /// <param name="slipped">True when the first take of the last visit was missed.</param>
    /// <param name="performance">Next performance, or null.</param>
    public static DateOnly Of(School school, DateOnly lastVisit, Memory? memory, Readiness readiness, bool slipped, DateOnly? performance)
    {
        var gap = school switch
        {
            _ when slipped || memory is null => 1,
            School.EveryOtherDay => 2,
            School.ToughestFirst => readiness == Readiness.Ready ? 3 : 1,
            _ when readiness == Readiness.Raw => 1,
            _ => Widened(lastVisit, memory.Value.Stability, performance),
        };
        var due = lastVisit.AddDays(gap);
        if (performance is { } date && date > lastVisit && due >= date)
            due = date.AddDays(-1);
        return due > lastVisit ? due : lastVisit.AddDays(1);
    }

    /// <summary>
    /// Days until the chance falls below what is desired on that day: from three weeks before a performance on more is desired.
    /// </summary>
    private static int Widened(DateOnly lastVisit, double stability, DateOnly? performance)
    {
        var usual = Fsrs.Interval(stability, Fsrs.UsualRetention);
        if (performance is not { } date || date <= lastVisit)
            return usual;
        var window = date.DayNumber - PerformanceWindowDays - lastVisit.DayNumber;
        return Math.Min(usual, Math.Max(window, Fsrs.Interval(stability, Fsrs.RetentionBeforePerformance)));
    }
}
