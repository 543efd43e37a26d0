using MathNet.Numerics.Distributions;

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

    /// <summary>A step is claimed where chance would show one anywhere in the passage in less than so many of a hundred cases.</summary>
    private const double Chance = 0.02;

    /// <summary>The latest step.</summary>
    /// <param name="takes">Takes of the same notes: for each note that was heard its place, 0 to 1, and how many milliseconds late it was.</param>
    /// <returns>The step; null where none comes late again and again.</returns>
    public static StepHabit? Of(IReadOnlyList<IReadOnlyList<(double At, int LateMs)>> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        var places = takes.SelectMany(take => take.Select(note => note.At)).Distinct().Order().ToList();
        var before = places.Skip(1).Zip(places).ToDictionary(pair => pair.First, pair => pair.Second);
        var steps = takes
            .SelectMany(take => Steps(take, before))
            .GroupBy(step => step.At)
            .Where(step => step.Count() >= Fewest)
            .Select(step => (At: step.Key, Ms: step.Select(one => one.Ms).ToList()))
            .ToList();
        // What one step differs by from take to take is little known from a few takes; all of them together know it.
        var free = steps.Sum(step => step.Ms.Count - 1);
        if (free == 0)
            return null;
        var spread = Math.Sqrt(steps.Sum(step => step.Ms.Sum(ms => Math.Pow(ms - step.Ms.Average(), 2))) / free);
        var far = StudentT.InvCDF(0, 1, free, 1 - (Chance / steps.Count)) * spread;
        var (at, late) = steps.MaxBy(step => step.Ms.Average());
        var off = Math.Max(TakeTiming.Finest, far / Math.Sqrt(late.Count));
        var often = late.Count(ms => ms >= WorthMs);
        return late.Average() >= Math.Max(WorthMs, off) && often >= Fewest
            ? new StepHabit(at, new Estimate(late.Average(), off), often)
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
