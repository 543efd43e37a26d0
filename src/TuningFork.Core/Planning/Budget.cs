using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What an area has had lately.</summary>
/// <param name="Area">The area.</param>
/// <param name="PlayedSeconds">Seconds really played in the window: the last six days and today so far.</param>
/// <param name="DaysSince">Days since it was last played; null when never.</param>
public sealed record AreaHistory(Area Area, int PlayedSeconds, int? DaysSince);

/// <summary>One area's part of today.</summary>
/// <param name="Area">The area.</param>
/// <param name="Wanted">Minutes it is owed today, 0 or more.</param>
/// <param name="Minutes">Whole minutes it gets.</param>
/// <param name="WaitedDays">Days since it was last played; null when never.</param>
/// <param name="Waits">True when the day was too short for its least.</param>
public sealed record AreaBudget(Area Area, decimal Wanted, int Minutes, int? WaitedDays, bool Waits);

/// <summary>Today's minutes by area, paid against the week.</summary>
/// <param name="Areas">The five shared areas in their order.</param>
/// <param name="Unplaced">Minutes no area may take because every one is at its most.</param>
public sealed record DayBudget(IReadOnlyList<AreaBudget> Areas, int Unplaced)
{
    /// <summary>The part of one area.</summary>
    public AreaBudget this[Area area] => Areas.First(part => part.Area == area);
}

/// <summary>Turns wanted shares and what was played into today's minutes.</summary>
public static class Budget
{
    /// <summary>Minutes each area is owed: share x (minutes of the last six days and today) less what it had, never below zero.</summary>
    /// <param name="shares">Wanted shares in percent.</param>
    /// <param name="history">Played seconds in the window, by area; areas left out count as zero.</param>
    /// <param name="minutes">Today's minutes for the five areas, warm-up and breaks already taken off.</param>
    public static IReadOnlyDictionary<Area, decimal> Wanted(
        IReadOnlyList<AreaShare> shares,
        IReadOnlyList<AreaHistory> history,
        int minutes
    )
    {
        ArgumentNullException.ThrowIfNull(shares);
        ArgumentNullException.ThrowIfNull(history);
        var played = history.Where(h => h.Area != Area.WarmUp).ToDictionary(h => h.Area, h => h.PlayedSeconds / 60m);
        var all = played.Values.Sum() + minutes;
        return shares.ToDictionary(
            share => share.Area,
            share => Math.Max(0, (share.Percent * all / 100m) - played.GetValueOrDefault(share.Area))
        );
    }

    /// <summary>
    /// The exact best split of today. When not even the leasts fit, areas take turns: the one that has waited longest
    /// is served first (then the one owed most), the others wait and are named. Shares of 0 % get nothing.
    /// </summary>
    /// <param name="shares">Wanted shares with least and most a day.</param>
    /// <param name="history">What each area had lately.</param>
    /// <param name="minutes">Minutes for the five areas today, 0 or more.</param>
    /// <param name="sitting">Length of the whole sitting in minutes; sight reading takes at least 5 % of it.</param>
    /// <param name="weight">Multiplies what an area is owed, for a day with special demands; 1 when left out.</param>
    public static DayBudget Today(
        IReadOnlyList<AreaShare> shares,
        IReadOnlyList<AreaHistory> history,
        int minutes,
        int sitting,
        Func<Area, decimal>? weight = null
    )
    {
        ArgumentOutOfRangeException.ThrowIfNegative(minutes);
        var wanted = Wanted(shares, history, minutes);
        var rows = shares
            .OrderBy(share => share.Area)
            .Select(share => new Row(
                share.Area,
                wanted[share.Area] * (weight?.Invoke(share.Area) ?? 1m),
                LeastOf(share, sitting),
                share.Percent == 0 ? 0 : Math.Max(share.Most, LeastOf(share, sitting)),
                history.FirstOrDefault(h => h.Area == share.Area)?.DaysSince
            ))
            .ToList();
        var served = Served(rows, minutes);
        var parts = rows.Select(row =>
                served.Contains(row.Area)
                    ? new SplitPart(row.Least, row.Most, row.Wanted, row.Waited)
                    : new SplitPart(0, 0, row.Wanted, row.Waited)
            )
            .ToList();
        var place = Math.Min(minutes, parts.Sum(part => part.Most));
        var given = MinuteSplit.Solve(parts, place);
        return new DayBudget(
            [
                .. rows.Select(
                    (row, i) => new AreaBudget(row.Area, row.Wanted, given[i], row.DaysSince, !served.Contains(row.Area) && row.Most > 0)
                ),
            ],
            minutes - place
        );
    }

    private static int LeastOf(AreaShare share, int sitting) =>
        share switch
        {
            { Percent: 0 } => 0,
            { Area: Area.SightReading } => Math.Max(share.Least, (int)Math.Ceiling(sitting * Shares.LeastSightReadingPart)),
            _ => share.Least,
        };

    private static HashSet<Area> Served(List<Row> rows, int minutes)
    {
        var served = new HashSet<Area>();
        var left = minutes;
        foreach (var row in rows.OrderByDescending(row => row.Waited).ThenByDescending(row => row.Wanted).ThenBy(row => row.Area))
        {
            if (row.Least > left || row.Most == 0)
                continue;
            served.Add(row.Area);
            left -= row.Least;
        }

        return served;
    }

    private sealed record Row(Area Area, decimal Wanted, int Least, int Most, int? DaysSince)
    {
        public int Waited => DaysSince ?? int.MaxValue;
    }
}
