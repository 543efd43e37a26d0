namespace TuningFork.Core.EarTraining;

/// <summary>How often two items were taken for each other.</summary>
/// <param name="One">The item that opens earlier.</param>
/// <param name="Other">The other.</param>
/// <param name="Times">Times that one was taken for the other.</param>
/// <param name="Asked">Times that either was asked.</param>
public sealed record Confusion(EarItem One, EarItem Other, int Times, int Asked)
{
    /// <summary>In words: "minor sixth and major sixth: taken for each other 5 times in 12".</summary>
    public string Words =>
        $"{One.Answer} and {Other.Answer} ({EarItems.NameOf(One.Family)}): taken for each other {(Times == 1 ? "once" : Times == 2 ? "twice" : $"{Times} times")} in {Asked}";
}

/// <summary>Who is taken for whom.</summary>
public static class Confusions
{
    /// <summary>Taken for each other so often, it is no slip of the finger.</summary>
    public const int Least = 2;

    /// <summary>The days that count: what was confused before is over.</summary>
    public const int Days = 28;

    /// <summary>What to do about two that are taken for each other (common practice).</summary>
    /// <param name="family">Their family.</param>
    public static string RemedyOf(EarFamily family) =>
        family switch
        {
            EarFamily.IntervalsUp or EarFamily.IntervalsDown or EarFamily.IntervalsTogether =>
                "Sing both from one note, slowly, over a drone on it; then a round of only these two.",
            EarFamily.Triads or EarFamily.Sevenths =>
                "Sing both note by note from the lowest, listen where they differ; then a round of only these two.",
            EarFamily.DegreesMajor or EarFamily.DegreesMinor =>
                "Sing the scale over a drone on its first note and stay on each of the two; then a round of only these two.",
            EarFamily.Scales => "Sing both from one note over a drone and stop where they part; then a round of only these two.",
            EarFamily.TwoChords or EarFamily.FourChords => "Sing the lowest notes of both; then a round of only these two.",
            _ => "Tap both, one after the other, to the same beat; then a round of only these two.",
        };

    /// <summary>Pairs that are taken for each other, most often first.</summary>
    /// <param name="counts">How often each item was answered with each; rightly where both are the same.</param>
    public static IReadOnlyList<Confusion> Of(IReadOnlyList<(string Item, string Said, int Times)> counts)
    {
        ArgumentNullException.ThrowIfNull(counts);
        var asked = counts
            .GroupBy(one => one.Item, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.Sum(one => one.Times), StringComparer.Ordinal);
        return
        [
            .. counts
                .Where(one => one.Item != one.Said)
                .GroupBy(one => string.CompareOrdinal(one.Item, one.Said) < 0 ? (one.Item, one.Said) : (one.Said, one.Item))
                .Select(group =>
                    (One: EarItems.Find(group.Key.Item1), Other: EarItems.Find(group.Key.Item2), Times: group.Sum(one => one.Times))
                )
                .Where(pair => pair is { One: not null, Other: not null, Times: >= Least })
                .Select(pair => new Confusion(
                    pair.One!,
                    pair.Other!,
                    pair.Times,
                    asked.GetValueOrDefault(pair.One!.Key) + asked.GetValueOrDefault(pair.Other!.Key)
                ))
                .OrderByDescending(pair => pair.Times)
                .ThenBy(pair => pair.Asked)
                .ThenBy(pair => pair.One.Key, StringComparer.Ordinal),
        ];
    }
}
