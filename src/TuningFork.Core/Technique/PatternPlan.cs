using TuningFork.Core.Ability;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Technique;

/// <summary>Where the plan stands.</summary>
/// <param name="Numbers">The pattern of today, two when they are joined.</param>
/// <param name="Done">Patterns, or pairs, that are done.</param>
/// <param name="Last">The day on which the last one is through, when the others go as planned.</param>
/// <param name="IsOver">True when all are done.</param>
public sealed record PatternToday(IReadOnlyList<int> Numbers, int Done, DateOnly Last, bool IsOver);

/// <summary>
/// All permutation patterns, one or two a week, in dictionary order. One that is not done stays, and the end moves: clear notes
/// come before more of them.
/// </summary>
/// <param name="Size">Degrees of a pattern, 3 to 5.</param>
/// <param name="PerWeek">1 or 2 a week; with two they take turns from day to day.</param>
/// <param name="Joined">True to join two patterns into one of twice the length; each pair then counts as one.</param>
/// <param name="First">The day it begins.</param>
/// <param name="From">Number of the first pattern.</param>
public sealed record PatternPlan(int Size, int PerWeek, bool Joined, DateOnly First, int From = 1)
{
    private const int DaysInAWeek = 7;
    private const int EveryDay = 127;
    private const int FirstYear = 1970,
        LastYear = 2200;

    /// <summary>Weekdays on which it is played, Monday 1 to Sunday 64, added up.</summary>
    public int Weekdays { get; init; } = EveryDay;

    /// <summary>Days on which a pattern is played before it can be done.</summary>
    public int LeastDays => PerWeek == 1 ? 4 : 3;

    /// <summary>The patterns in the order in which they come.</summary>
    public IReadOnlyList<IReadOnlyList<int>> Units =>
        [.. Enumerable.Range(From, Math.Max(0, Patterns.Count(Size) - From + 1)).Chunk(Joined ? 2 : 1)];

    /// <summary>Whether a day is one on which it is played.</summary>
    public bool IsOn(DateOnly day) => (Weekdays & (1 << (((int)day.DayOfWeek + 6) % DaysInAWeek))) != 0;

    /// <summary>The end of the lasting key of a pattern or a pair: "p:3", "p:3+4".</summary>
    public static string KeyOf(IReadOnlyList<int> numbers) => $"p:{string.Join('+', numbers)}";

    /// <summary>Whether a pattern is done: played on enough days, and at its target; without a target clean.</summary>
    /// <param name="record">What happened with it, or null.</param>
    /// <param name="target">Target tempo, or null.</param>
    public bool IsDone(PartRecord? record, Bpm? target) =>
        record is { Done: true }
        || record is { LastClean: { } clean }
            && record.Days >= LeastDays
            && (target is not { } goal || clean.Value >= goal.Value || record.Reach?.Tempo >= goal.Value * Estimate.TargetPart);

    /// <summary>The pattern of a day: of the first that are not done, as many as there are a week, the one that was away longest.</summary>
    /// <param name="records">What happened with each, by <see cref="KeyOf"/>.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <param name="day">The practice day.</param>
    public PatternToday On(IReadOnlyDictionary<string, PartRecord> records, Bpm? target, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(records);
        var open = Units.Where(unit => !IsDone(records.GetValueOrDefault(KeyOf(unit)), target)).ToList();
        var done = Units.Count - open.Count;
        var now = open.Take(PerWeek).MinBy(unit => records.GetValueOrDefault(KeyOf(unit))?.Last ?? DateOnly.MinValue) ?? Units[^1];
        var begins = day < First ? First : day;
        return new PatternToday(now, done, begins.AddDays(Patterns.DaysLeft(open.Count, PerWeek)), open.Count == 0);
    }

    /// <summary>What is wrong with it, with the field; null when it can be used.</summary>
    public (string Field, string Problem)? Check() =>
        Size is < Patterns.Least or > Patterns.Most ? ("size", $"A pattern has {Patterns.Least} to {Patterns.Most} degrees.")
        : PerWeek is < 1 or > 2 ? ("perWeek", "Take one or two patterns a week: clear notes come before more of them.")
        : From < 1 || From > Patterns.Count(Size)
            ? ("from", $"There are {Patterns.Count(Size)} patterns of {Size} degrees; begin with 1 to {Patterns.Count(Size)}.")
        : First.Year is < FirstYear or > LastYear ? ("first", $"Patterns begin on a day between {FirstYear} and {LastYear}.")
        : Weekdays is < 1 or > EveryDay ? ("weekdays", "Choose at least one weekday.")
        : null;
}
