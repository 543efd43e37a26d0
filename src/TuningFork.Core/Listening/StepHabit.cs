namespace TuningFork.Core.Listening;

/// <summary>
/// A step between two notes that comes late again and again: where the thumb goes under, a string is crossed, the hand leaps.
/// </summary>
/// <param name="At">Where the later of the two notes stands in what is written, from 0 for the first note to 1 for the last.</param>
/// <param name="LateMs">By how much the step is longer than written beside the others, in milliseconds.</param>
/// <param name="Takes">Takes in which it was late.</param>
public sealed record StepHabit(double At, Estimate LateMs, int Takes)
{
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
        return Recurring.Greatest(takes.SelectMany(take => Steps(take, before)), isEitherWay: false) is { } step
            ? new StepHabit(step.Place, step.Ms, step.Takes)
            : null;
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
