namespace TuningFork.Core.Listening;

/// <summary>A place of the bar at which notes come early or late again and again: after a dotted note, off the beat.</summary>
/// <param name="InBar">The place, in whole notes from the beginning of the bar.</param>
/// <param name="LateMs">How late they are beside the others, in milliseconds; below zero for early.</param>
/// <param name="Takes">Takes in which they were.</param>
public sealed record PlaceHabit(double InBar, Estimate LateMs, int Takes)
{
    /// <summary>It has to be so in so many bars of each take: else one step of the fingers may be the reason.</summary>
    private const int Bars = 2;

    /// <summary>The place that is farthest off.</summary>
    /// <param name="takes">Takes of the same notes: of each that was heard its bar, its place in it, and its milliseconds late.</param>
    /// <returns>The place; null where none is off again and again.</returns>
    public static PlaceHabit? Of(IReadOnlyList<IReadOnlyList<(int Bar, double InBar, int LateMs)>> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        return Recurring.Greatest(takes.SelectMany(Places), isEitherWay: true) is { } place
            ? new PlaceHabit(place.Place, place.Ms, place.Takes)
            : null;
    }

    /// <summary>How late the notes of each place are beside the mean of their bar, in the middle of its bars.</summary>
    private static IEnumerable<(double InBar, double Ms)> Places(IReadOnlyList<(int Bar, double InBar, int LateMs)> take) =>
        take.GroupBy(note => note.Bar)
            .SelectMany(bar => bar.Select(note => (note.InBar, Ms: note.LateMs - bar.Average(other => other.LateMs))))
            .GroupBy(note => note.InBar, note => note.Ms)
            .Where(place => place.Count() >= Bars)
            .Select(place => (place.Key, Middle([.. place.Order()])));

    /// <summary>The middle one; of two the one that is nearer to nothing, and nothing where one is early and one late.</summary>
    private static double Middle(double[] sorted)
    {
        var (low, high) = (sorted[(sorted.Length - 1) / 2], sorted[sorted.Length / 2]);
        return Math.Max(0, low) + Math.Min(0, high);
    }
}
