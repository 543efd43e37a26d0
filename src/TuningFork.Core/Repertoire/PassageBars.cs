namespace TuningFork.Core.Repertoire;

/// <summary>Whether bars can be a passage of a piece.</summary>
public static class PassageBars
{
    /// <summary>What is wrong with them, with the remedy; null when nothing is.</summary>
    /// <param name="title">The piece.</param>
    /// <param name="first">Its first bar, 0 with an upbeat.</param>
    /// <param name="last">Its last bar.</param>
    /// <param name="from">First bar of the passage.</param>
    /// <param name="to">Last bar of it.</param>
    public static string? Problem(string title, int first, int last, int from, int to) =>
        to < from ? $"The last bar ({to}) lies before the first ({from}); swap them."
        : from < first || to > last ? $"{title} has bars {first} to {last}; {from}–{to} goes beyond."
        : null;
}
