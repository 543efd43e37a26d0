namespace TuningFork.Core.Planning;

/// <summary>What the rest of the day asks of the player; several may hold.</summary>
[Flags]
public enum Demands
{
    /// <summary>An ordinary day.</summary>
    None = 0,

    /// <summary>A long rehearsal waits later today: warm up to the core only, keep strength.</summary>
    Rehearsal = 1,

    /// <summary>Tired: nothing new, nothing faster than it was.</summary>
    Tired = 2,

    /// <summary>A concert today: loosen up, touch the programme once, save the rest.</summary>
    Concert = 4,
}

/// <summary>A pause inside a sitting.</summary>
/// <param name="AfterPlayed">Minutes of playing before it, breaks not counted.</param>
/// <param name="Minutes">Its length in whole minutes.</param>
public sealed record Break(int AfterPlayed, int Minutes)
{
    /// <summary>True for the one minute that stands where a full break would leave too little.</summary>
    public bool IsShakeOut => Minutes == 1;
}

/// <summary>What the length of a sitting alone decides: warm-up, breaks, the size of a drill.</summary>
public static class SittingLength
{
    /// <summary>Shortest sitting in minutes.</summary>
    public const int Least = 5;

    /// <summary>Longest sitting in minutes.</summary>
    public const int Most = 240;

    private const int PlayBeforeBreak = 25;
    private const int LeastAfterFullBreak = 10;
    private const int LeastAfterShakeOut = 3;

    /// <summary>
    /// Warm-up minutes: a fifth of a sitting up to 75 minutes, then growing slowly to half an hour at 240; never zero.
    /// Halved, to the core, when a rehearsal or a concert waits (common practice).
    /// </summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    /// <param name="demands">What the day asks.</param>
    /// <param name="opening">Minutes that the player has set for its opening; more than one make room for themselves and a minute of
    /// the rest, up to a third of the sitting.</param>
    public static int WarmUp(int minutes, Demands demands = Demands.None, int opening = 1)
    {
        Check(minutes);
        var usual = minutes <= 75 ? minutes / 5m : 15 + ((minutes - 75) / 11m);
        var spare = (demands & (Demands.Rehearsal | Demands.Concert)) != Demands.None;
        if (spare)
            usual /= 2;
        var whole = Math.Max(1, (int)Math.Round(usual, MidpointRounding.AwayFromZero));
        return !spare && opening > 1 && opening + 1 <= minutes / 3 ? Math.Max(whole, opening + 1) : whole;
    }

    /// <summary>
    /// Breaks: five minutes after each 25 of playing, ten after each 50; one minute to shake out where fewer than ten
    /// minutes would follow a full break; none where fewer than three would follow (common practice). A minute to shake out is left
    /// out where the player has set the minutes beside it.
    /// </summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    /// <param name="set">Minutes of playing that were set and do not give.</param>
    public static IReadOnlyList<Break> Breaks(int minutes, int set = 0)
    {
        var found = Usual(minutes).ToList();
        while (minutes - found.Sum(pause => pause.Minutes) < set && found.FindLastIndex(pause => pause.IsShakeOut) is >= 0 and var last)
            found.RemoveAt(last);
        return found;
    }

    private static List<Break> Usual(int minutes)
    {
        Check(minutes);
        var found = new List<Break>();
        var played = 0;
        for (var left = minutes; left > PlayBeforeBreak; )
        {
            left -= PlayBeforeBreak;
            played += PlayBeforeBreak;
            var full = found.Count % 2 == 0 ? 5 : 10;
            var length = left - full >= LeastAfterFullBreak ? full : 1;
            if (left - length < LeastAfterShakeOut)
                break;
            found.Add(new Break(played, length));
            left -= length;
        }

        return found;
    }

    /// <summary>
    /// Usual and longest drill in minutes for a sitting: short drills in short sittings, 15 minutes on one thing at the very most (common
    /// practice).
    /// </summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    public static (int Usual, int Most) Drill(int minutes)
    {
        Check(minutes);
        return minutes switch
        {
            <= 20 => (2, 3),
            <= 45 => (4, 5),
            <= 75 => (5, 8),
            _ => (8, 10),
        };
    }

    private static void Check(int minutes)
    {
        if (minutes is < Least or > Most)
            throw new ArgumentOutOfRangeException(nameof(minutes), minutes, "A sitting lasts 5 to 240 minutes.");
    }
}
