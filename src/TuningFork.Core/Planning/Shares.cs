using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What one area is to get.</summary>
/// <param name="Area">One of the five shared areas.</param>
/// <param name="Percent">Wanted share of the week's minutes outside the warm-up, 0 to 100.</param>
/// <param name="Least">Fewest minutes on a day on which it has a place.</param>
/// <param name="Most">Most minutes on any day.</param>
public sealed record AreaShare(Area Area, int Percent, int Least, int Most);

/// <summary>The wanted shares of the week.</summary>
public static class Shares
{
    /// <summary>Sight reading takes at least this part of a sitting (common practice).</summary>
    public const decimal LeastSightReadingPart = 0.05m;

    /// <summary>A sensible start (common practice); the percentages add up to 100.</summary>
    public static IReadOnlyList<AreaShare> Default { get; } =
    [
        new(Area.SightReading, 10, 2, 20),
        new(Area.Technique, 25, 3, 45),
        new(Area.Repertoire, 40, 4, 120),
        new(Area.Ear, 10, 2, 20),
        new(Area.Play, 15, 2, 60),
    ];

    /// <summary>What is wrong with a set of shares, in words, each with the field it is about; empty when it can be used.</summary>
    /// <param name="shares">One entry for each of the five shared areas.</param>
    public static IReadOnlyList<(string Field, string Problem)> Check(IReadOnlyList<AreaShare> shares)
    {
        ArgumentNullException.ThrowIfNull(shares);
        var found = new List<(string, string)>();
        if (!shares.Select(share => share.Area).Order().SequenceEqual(Areas.Shared))
            found.Add(("shares", "Give each of the five areas exactly once: sight reading, technique, repertoire, ear training, play."));
        var sum = shares.Sum(share => share.Percent);
        if (sum != 100)
            found.Add(("shares", $"The shares add up to {sum} %. Change them until they add up to 100 %."));
        foreach (var share in shares)
        {
            var name = Areas.Name(share.Area);
            if (share.Percent is < 0 or > 100)
                found.Add(($"{share.Area}.percent", $"A share is 0 to 100 %; {name} has {share.Percent}."));
            if (share.Least < 0 || share.Most > 240 || share.Most < share.Least)
                found.Add(($"{share.Area}.most", $"For {name}, least must be 0 or more, most at most 240, and least not above most."));
        }

        return found;
    }
}
