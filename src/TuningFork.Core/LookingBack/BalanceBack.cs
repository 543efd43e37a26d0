using TuningFork.Core.Planning;
using TuningFork.Core.Practice;

namespace TuningFork.Core.LookingBack;

/// <summary>What the areas had of what was wanted in a stretch of days that is over.</summary>
public static class BalanceBack
{
    /// <summary>An area is short, or long, when so large a part of what was wanted is missing, or too much (common practice).</summary>
    private const double Off = 0.25;

    /// <summary>Fewer minutes are nothing to speak of.</summary>
    private const double Slight = 5;

    /// <summary>What to see in it: the area that is shortest of what it was to have, and the one that had most beyond it.</summary>
    /// <param name="balance">Wanted and played; the warm-up, of which as much is wanted as was played, says nothing.</param>
    public static string Words(IReadOnlyList<AreaBalance> balance)
    {
        ArgumentNullException.ThrowIfNull(balance);
        var played = balance.Sum(one => one.Played);
        if (played <= 0)
            return "Nothing was played in these days.";
        var shortest = balance.MaxBy(one => one.Wanted - one.Played)!;
        var longest = balance.MaxBy(one => one.Played - one.Wanted)!;
        var missing = shortest.Wanted - shortest.Played;
        if (missing < Slight || missing < Off * shortest.Wanted)
            return $"{Practice.Words.Minutes((int)Math.Round(played))} played, each area near what it was to have.";
        var said = $"{Practice.Words.Sentence(Areas.Name(shortest.Area))} had {shortest.Played:0} of {shortest.Wanted:0} minutes";
        return longest.Played - longest.Wanted >= Slight
            ? $"{said}; {Areas.Name(longest.Area)} had {longest.Played - longest.Wanted:0} more than it was to have."
            : $"{said}.";
    }
}
