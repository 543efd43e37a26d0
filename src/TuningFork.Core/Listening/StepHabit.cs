namespace TuningFork.Core.Listening;

/// <summary>
/// A step between two notes that comes late again and again: where the thumb goes under, a string is crossed, the hand leaps.
/// </summary>
/// <param name="At">Where the later of the two notes stands in what is written, from 0 for the first note to 1 for the last.</param>
/// <param name="LateMs">By how much the step is longer than written beside the others, in milliseconds.</param>
/// <param name="Takes">Takes in which it was late.</param>
public sealed record StepHabit(double At, Estimate LateMs, int Takes)
{
    /// <summary>In so many takes a step has to be late.</summary>
    public const int Fewest = 3;

    /// <summary>
    /// Less than this in milliseconds is nothing to work on: one note out of its place by a fortieth of the time to the next is just heard
    /// (Friberg and Sundberg 1995, from memory), by some 10 ms in eighths.
    /// </summary>
    private const double WorthMs = 20;

    /// <summary>A stop would hide everything else: it counts for no more than this in milliseconds.</summary>
    private const double MostMs = 200;

    /// <summary>The latest step.</summary>
    /// <param name="takes">Takes of the same notes: for each note that was heard its place, 0 to 1, and how many milliseconds late it was.</param>
    /// <returns>The step; null where none comes late again and again.</returns>
    public static StepHabit? Of(IReadOnlyList<IReadOnlyList<(double At, int LateMs)>> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        var places = takes.SelectMany(take => take.Select(note => note.At)).Distinct().Order().ToList();
        var before = places.Skip(1).Zip(places).ToDictionary(pair => pair.First, pair => pair.Second);
        if (Recurring.Greatest(takes.SelectMany(take => Steps(take, before)), Fewest, isEitherWay: false) is not { } step)
            return null;
        var often = step.Values.Count(ms => ms >= WorthMs);
        return step.Ms.Value >= WorthMs && often >= Fewest ? new StepHabit(step.Place, step.Ms, often) : null;
    }

    /// <summary>By how much each step is longer than written, where both of its notes were heard.</summary>
    private static IEnumerable<(double At, double Ms)> Steps(
        IReadOnlyList<(double At, int LateMs)> take,
        Dictionary<double, double> before
    ) =>
        take.Zip(take.Skip(1))
            .Where(pair => before.TryGetValue(pair.Second.At, out var last) && last == pair.First.At)
            .Select(pair => (pair.Second.At, Math.Clamp(pair.Second.LateMs - (double)pair.First.LateMs, -MostMs, MostMs)));
}
