namespace TuningFork.Core.Planning;

/// <summary>When a session that nobody closed is over.</summary>
public static class OpenSession
{
    /// <summary>
    /// Who plays on past the boundary hour is still in yesterday's session; after so long without a sign it is over (common practice).
    /// </summary>
    public static readonly TimeSpan Silence = TimeSpan.FromHours(1);

    /// <summary>True when it belongs to an earlier practice day and has been silent: it is to be closed with its own day.</summary>
    /// <param name="day">Its practice day.</param>
    /// <param name="today">Today's.</param>
    /// <param name="silent">Time since it last gave a sign; below zero when the clock went back.</param>
    public static bool IsOver(DateOnly day, DateOnly today, TimeSpan silent) =>
        PracticeDay.AsSeenOn(day, today) < today && silent.Duration() > Silence;
}
