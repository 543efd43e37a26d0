using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What an area was to have in the last seven days, and what it had.</summary>
/// <param name="Area">The area.</param>
/// <param name="Wanted">Minutes wanted, 0 or more.</param>
/// <param name="Played">Minutes played, 0 or more.</param>
public sealed record AreaBalance(Area Area, double Wanted, double Played);

/// <summary>The balance of a week: the same sum as the plan's, share x (minutes of the last six days and today).</summary>
public static class WeekBalance
{
    /// <summary>So many minutes behind are nothing to speak of (common practice).</summary>
    private const int Slight = 2;

    /// <summary>The one thing to read: what was played, and which area is shortest of what it was to have.</summary>
    /// <param name="balance">The balance.</param>
    public static string Words(IReadOnlyList<AreaBalance> balance)
    {
        ArgumentNullException.ThrowIfNull(balance);
        var played = (int)Math.Round(balance.Sum(one => one.Played));
        if (played == 0)
            return "Nothing played yet.";
        var shortest = balance.MaxBy(one => one.Wanted - one.Played)!;
        var missing = (int)Math.Round(shortest.Wanted - shortest.Played);
        return missing > Slight
            ? $"{Practice.Words.Minutes(played)} played. {Practice.Words.Sentence(Areas.Name(shortest.Area))} has {missing} to come."
            : $"{Practice.Words.Minutes(played)} played, each area has what it was to have.";
    }

    /// <summary>Wanted and played of every area; of the warm-up what was played and what today's sitting would have.</summary>
    /// <param name="shares">Wanted shares in percent.</param>
    /// <param name="history">Played seconds of the last six days and today so far.</param>
    /// <param name="minutesLeft">Minutes that today has left, 0 or more.</param>
    public static IReadOnlyList<AreaBalance> Of(IReadOnlyList<AreaShare> shares, IReadOnlyList<AreaHistory> history, int minutesLeft)
    {
        ArgumentNullException.ThrowIfNull(shares);
        ArgumentNullException.ThrowIfNull(history);
        var played = history.ToDictionary(one => one.Area, one => one.PlayedSeconds / 60.0);
        var warmUp = minutesLeft < SittingLength.Least ? 0 : SittingLength.WarmUp(minutesLeft, Demands.None);
        var all = Areas.Shared.Sum(area => played.GetValueOrDefault(area)) + Math.Max(0, minutesLeft - warmUp);
        var warm = played.GetValueOrDefault(Area.WarmUp);
        return
        [
            Round(Area.WarmUp, warm + warmUp, warm),
            .. shares.Select(share => Round(share.Area, share.Percent * all / 100, played.GetValueOrDefault(share.Area))),
        ];
    }

    private static AreaBalance Round(Area area, double wanted, double played) => new(area, Math.Round(wanted, 1), Math.Round(played, 1));
}
