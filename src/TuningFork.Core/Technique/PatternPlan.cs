namespace TuningFork.Core.Technique;

/// <summary>The patterns of a week's days.</summary>
/// <param name="Numbers">The pattern of today, two when they are joined.</param>
/// <param name="Week">Week of the plan from 1.</param>
/// <param name="IsOver">True after the last week.</param>
public sealed record PatternToday(IReadOnlyList<int> Numbers, int Week, bool IsOver);

/// <summary>All permutation patterns over weeks, one or two a week, in dictionary order.</summary>
/// <param name="Size">Degrees of a pattern, 3 to 5.</param>
/// <param name="PerWeek">1 or 2 a week; with two the days of the week are split between them.</param>
/// <param name="Joined">True to join two patterns into one of twice the length; each pair then counts as one.</param>
/// <param name="First">The day it begins.</param>
/// <param name="From">Number of the first pattern.</param>
public sealed record PatternPlan(int Size, int PerWeek, bool Joined, DateOnly First, int From = 1)
{
    private const int DaysInAWeek = 7;

    /// <summary>Days of a week that the first of two patterns has.</summary>
    private const int FirstDays = 4;

    /// <summary>The patterns in the order in which they come.</summary>
    public IReadOnlyList<IReadOnlyList<int>> Units => [.. Enumerable.Range(From, Math.Max(0, Patterns.Count(Size) - From + 1)).Chunk(Joined ? 2 : 1)];

    /// <summary>The last day: whole weeks, so many patterns in each.</summary>
    public DateOnly Last => First.AddDays((Weeks * DaysInAWeek) - 1);

    /// <summary>Weeks in all.</summary>
    public int Weeks => (Units.Count + PerWeek - 1) / PerWeek;

    /// <summary>The pattern of a day; before the first day the first one, after the last the last one.</summary>
    /// <param name="day">The practice day.</param>
    public PatternToday On(DateOnly day)
    {
        var since = Math.Max(0, day.DayNumber - First.DayNumber);
        var unit = (since / DaysInAWeek * PerWeek) + (PerWeek == 2 && since % DaysInAWeek >= FirstDays ? 1 : 0);
        return new PatternToday(Units[Math.Clamp(unit, 0, Units.Count - 1)], Math.Min(Weeks, (since / DaysInAWeek) + 1), since / DaysInAWeek >= Weeks);
    }

    /// <summary>What is wrong with it, with the field; null when it can be used.</summary>
    public (string Field, string Problem)? Check() =>
        Size is < Patterns.Least or > Patterns.Most ? ("size", $"A pattern has {Patterns.Least} to {Patterns.Most} degrees.")
        : PerWeek is < 1 or > 2 ? ("perWeek", "Take one or two patterns a week: clear notes come before more of them.")
        : From < 1 || From > Patterns.Count(Size) ? ("from", $"There are {Patterns.Count(Size)} patterns of {Size} degrees; begin with 1 to {Patterns.Count(Size)}.")
        : null;
}
