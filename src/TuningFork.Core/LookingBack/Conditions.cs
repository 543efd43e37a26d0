namespace TuningFork.Core.LookingBack;

/// <summary>A sitting and what it came to.</summary>
/// <param name="Start">When it began, by the clock on the wall.</param>
/// <param name="Minutes">Minutes played.</param>
/// <param name="Number">Which of its day, from 1.</param>
/// <param name="Gain">What its things gained on average, in percent; null on days with several sittings, where nobody can tell them apart.</param>
/// <param name="CleanPart">Part of its takes that was clean, 0 to 1; null with few takes.</param>
public sealed record SittingResult(TimeOnly Start, double Minutes, int Number, double? Gain, double? CleanPart);

/// <summary>
/// Whether the hour, the length or the place in the day make a difference: said only with enough of it, and with how easily chance would
/// do the same.
/// </summary>
public static class Conditions
{
    /// <summary>Sittings that each side needs (common practice).</summary>
    public const int Enough = 8;

    private const double Sure = 0.05;
    private const double Hint = 0.2;
    private static readonly TimeOnly Evening = new(17, 0);

    /// <summary>What can be said, a sentence each; where there is too little, that is said once.</summary>
    /// <param name="sittings">Sittings of a stretch of days.</param>
    public static IReadOnlyList<string> Words(IReadOnlyList<SittingResult> sittings)
    {
        ArgumentNullException.ThrowIfNull(sittings);
        var alone = sittings.Where(one => one.Gain is not null).ToList();
        var words = new[] { Hour(alone), Length(alone), Place(sittings) }.OfType<string>().ToList();
        return words.Count > 0
            ? words
            : [$"Too little to tell whether hour, length or a second sitting make a difference: each side needs {Enough} sittings."];
    }

    private static string? Hour(List<SittingResult> sittings)
    {
        var evening = sittings.Where(one => one.Start >= Evening).Select(one => one.Gain!.Value).ToList();
        var before = sittings.Where(one => one.Start < Evening).Select(one => one.Gain!.Value).ToList();
        if (evening.Count < Enough || before.Count < Enough)
            return null;
        var (difference, chance) = Shuffle.Means(evening, before);
        return $"After five o'clock things gained {evening.Average():0.0} % a visit, before it {before.Average():0.0} %: {Say(difference, chance)}";
    }

    private static string? Length(List<SittingResult> sittings)
    {
        if (sittings.Count < 2 * Enough || sittings.Max(one => one.Minutes) < sittings.Min(one => one.Minutes) * 1.5)
            return null;
        var (together, chance) = Shuffle.Ranks([.. sittings.Select(one => one.Minutes)], [.. sittings.Select(one => one.Gain!.Value)]);
        return $"{(together >= 0 ? "Longer" : "Shorter")} sittings went with more gain a visit: {Say(together, chance)}";
    }

    private static string? Place(IReadOnlyList<SittingResult> sittings)
    {
        var first = sittings.Where(one => one is { Number: 1, CleanPart: not null }).Select(one => one.CleanPart!.Value).ToList();
        var later = sittings.Where(one => one is { Number: > 1, CleanPart: not null }).Select(one => one.CleanPart!.Value).ToList();
        if (first.Count < Enough || later.Count < Enough)
            return null;
        var (difference, chance) = Shuffle.Means(first, later);
        return $"First sittings of a day were {first.Average():P0} clean, later ones {later.Average():P0}: {Say(difference, chance)}";
    }

    private static string Say(double difference, double chance) =>
        difference == 0 ? "no difference."
        : chance <= Sure ? $"hardly by chance (as large in {chance:P0} of shufflings)."
        : chance <= Hint ? $"a hint, not more (chance does as much in {chance:P0})."
        : $"that may well be chance (as much in {chance:P0} of shufflings).";
}
