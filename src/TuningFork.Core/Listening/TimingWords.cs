using System.Globalization;

namespace TuningFork.Core.Listening;

/// <summary>Says how early or late a take was, no more exactly than it is known.</summary>
public static class TimingWords
{
    /// <summary>Milliseconds of drift from which on there is something to do about it.</summary>
    private const double WorthDoing = 20;

    /// <summary>The figures in words, the weightiest first: "32 ms late in the mean (± 8)", "rushes by 30 ms over the take".</summary>
    /// <param name="timing">The timing.</param>
    /// <param name="beat">The beat of the click, in whole notes.</param>
    public static IReadOnlyList<string> Of(TakeTiming timing, double beat)
    {
        ArgumentNullException.ThrowIfNull(timing);
        var words = new List<string>();
        if (timing.MeanMs is { } mean)
            words.Add(
                mean.IsCertain
                    ? $"{Ms(mean.Value)} {(mean.Value > 0 ? "late" : "early")} in the mean (± {Figure(mean.PlusMinus)})"
                    : $"with the click, as far as can be heard (± {Figure(mean.PlusMinus)} ms)"
            );
        if (timing is { Drifts: true, DriftMs: { } drift })
            words.Add($"{(drift.Value < 0 ? "rushes" : "drags")} by {Ms(drift.Value)} over the take (± {Figure(drift.PlusMinus)})");
        words.Add($"notes within {Ms(Math.Max(TakeTiming.Finest, timing.SpreadMs))} of its own line");
        if (timing.IsUneven)
            words.Add(string.Create(CultureInfo.InvariantCulture, $"pairs uneven, {timing.Unevenness!.Value.Value:0.00} : 1"));
        if (timing.Places.Where(IsWorthSaying).MaxBy(place => Math.Abs(place.LateMs.Value)) is { } place)
            words.Add(
                $"notes {PlaceName(place.InBar, beat)} come {Ms(place.LateMs.Value)} {(place.LateMs.Value > 0 ? "late" : "early")} beside the others (± {Figure(place.LateMs.PlusMinus)})"
            );
        return words;
    }

    private static bool IsWorthSaying(PlaceTiming place) => place.LateMs.IsCertain && Math.Abs(place.LateMs.Value) >= WorthDoing;

    /// <summary>A place of the bar as it is counted: "on 2", "on 2 and", "a third after 2".</summary>
    /// <param name="inBar">The place, in whole notes from the beginning of the bar.</param>
    /// <param name="beat">The beat that is counted, in whole notes.</param>
    public static string PlaceName(double inBar, double beat)
    {
        var twelfths = (int)Math.Round(12 * inBar / beat);
        var (count, rest) = (1 + (twelfths / 12), twelfths % 12);
        return rest switch
        {
            0 => $"on {count}",
            3 => $"a quarter after {count}",
            4 => $"a third after {count}",
            6 => $"on {count} and",
            8 => $"two thirds after {count}",
            9 => $"three quarters after {count}",
            _ => $"between {count} and {count + 1}",
        };
    }

    /// <summary>What helps, where a drift is large enough; else empty.</summary>
    /// <param name="timing">The timing.</param>
    /// <param name="written">What is written.</param>
    /// <param name="beat">The beat of the click, in whole notes.</param>
    public static string Help(TakeTiming timing, IReadOnlyList<WrittenMoment> written, double beat)
    {
        ArgumentNullException.ThrowIfNull(timing);
        return timing is not { Drifts: true, DriftMs: { } drift } || Math.Abs(drift.Value) < WorthDoing ? ""
            : drift.Value < 0
                ? WrittenMoment.BarLength(written) / beat % 2 == 0 ? "Put the click on 2 and 4, or on every second bar."
                    : "Put the click on the first beat of every second bar."
            : "Halve the distance of the click: every half beat.";
    }

    private static string Ms(double value) => $"{Figure(Math.Abs(value))} ms";

    private static string Figure(double value) => Math.Round(value).ToString(CultureInfo.InvariantCulture);
}
