namespace TuningFork.Core.Listening;

/// <summary>A place of the bar at which notes come early or late again and again: after a dotted note, off the beat, on the last one.</summary>
/// <param name="InBar">The place, in whole notes from the beginning of the bar.</param>
/// <param name="LateMs">How late they are beside the others, in milliseconds; below zero for early.</param>
/// <param name="Takes">Takes in which they were.</param>
public sealed record PlaceHabit(double InBar, Estimate LateMs, int Takes)
{
    /// <summary>In so many takes it has to be so.</summary>
    public const int Fewest = 3;

    /// <summary>And in so many bars of each: else one step of the fingers may be the reason.</summary>
    private const int Bars = 2;

    /// <summary>Less than this in milliseconds is nothing to work on, as for a step (<see cref="StepHabit"/>).</summary>
    private const double WorthMs = 20;

    /// <summary>The place that is farthest off.</summary>
    /// <param name="takes">Takes of the same notes: of each note that was heard its bar, its place in it, and how many milliseconds late it was.</param>
    /// <returns>The place; null where none is off again and again.</returns>
    public static PlaceHabit? Of(IReadOnlyList<IReadOnlyList<(int Bar, double InBar, int LateMs)>> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        if (Recurring.Greatest(takes.SelectMany(Places), Fewest, isEitherWay: true) is not { } place)
            return null;
        var often = place.Values.Count(ms => Math.Sign(ms) == Math.Sign(place.Ms.Value) && Math.Abs(ms) >= WorthMs);
        return Math.Abs(place.Ms.Value) >= WorthMs && often >= Fewest ? new PlaceHabit(place.Place, place.Ms, often) : null;
    }

    /// <summary>How late the notes of each place are beside the mean of their bar, in the middle of its bars.</summary>
    private static IEnumerable<(double InBar, double Ms)> Places(IReadOnlyList<(int Bar, double InBar, int LateMs)> take) =>
        take.GroupBy(note => note.Bar)
            .SelectMany(bar => bar.Select(note => (note.InBar, Ms: note.LateMs - bar.Average(other => other.LateMs))))
            .GroupBy(note => note.InBar, note => note.Ms)
            .Where(place => place.Count() >= Bars)
            .Select(place => (place.Key, Middle([.. place.Order()])));

    /// <summary>The middle one; of two in the middle the one that is nearer to nothing, and nothing where one is early and one late.</summary>
    private static double Middle(double[] sorted)
    {
        var (low, high) = (sorted[(sorted.Length - 1) / 2], sorted[sorted.Length / 2]);
        return Math.Max(0, low) + Math.Min(0, high);
    }
}
