using TuningFork.Core.Practice;

namespace TuningFork.Core.LookingBack;

/// <summary>A thing on a day: the fastest tempo that came clean, and the fastest that ever had before.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Before">Fastest clean tempo of all days before; null where none was clean.</param>
/// <param name="Clean">Fastest clean tempo of the day.</param>
/// <param name="DaysTried">
/// Days since the last clean take, where it was tried in between and missed; 0 where it was not.
/// </param>
public sealed record DayMove(string Title, int? Before, int Clean, int DaysTried = 0)
{
    /// <summary>Lines of a day: more are not read.</summary>
    private const int Most = 3;

    /// <summary>What went further on a day than ever before, what gained most first; what came clean for the first time before it.</summary>
    /// <param name="all">All that came clean on the day.</param>
    public static IReadOnlyList<string> Lines(IEnumerable<DayMove> all)
    {
        ArgumentNullException.ThrowIfNull(all);
        return
        [
            .. all.Where(one => one.Before is null || one.Clean > one.Before)
                .OrderByDescending(one => one.Before is { } before ? (double)one.Clean / before : double.MaxValue)
                .ThenBy(one => one.Title, StringComparer.Ordinal)
                .Take(Most)
                .Select(one =>
                    one.Before is { } before
                        ? $"{one.Title}: {before} → {one.Clean}{(one.DaysTried > 0 ? $", first clean take in {Words.Days(one.DaysTried)}" : "")}"
                        : $"{one.Title}: clean for the first time, at {one.Clean}"
                ),
        ];
    }
}
