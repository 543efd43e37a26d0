using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What was decided for the day as a whole, in plain sentences.</summary>
internal static class DaySummary
{
    /// <summary>A tired person reads no more than this.</summary>
    private const int MostWords = 30;

    /// <summary>Fewer minutes behind are not worth a word.</summary>
    private const int LeastBehind = 4;

    public static IReadOnlyList<string> For(
        DayRequest request,
        DayBudget budget,
        FittedRoutine fitted,
        IReadOnlyList<FilledBlock> blocks,
        IReadOnlyList<Waiting> waiting
    )
    {
        var lines = new List<string>();
        if (request.Instead.Length > 0)
            lines.Add($"\"{request.Instead}\" needs more minutes; today \"{request.Routine.Name}\".");
        lines.AddRange(Demanded(request));
        lines.AddRange(WaitingAreas(budget, request.Routine, blocks));
        // Said once a week; what waits stands under the list every day.
        if (waiting.Count > 0 && request.Day.DayOfWeek == DayOfWeek.Monday)
        {
            var repertoire = request.Materials.Where(material => material.Kind == MaterialKind.Passage);
            var keepUp = DueList.MinutesToKeepUp(repertoire, request.Day, request.School);
            var today = blocks.Where(block => block.Block.Area == Area.Repertoire).Sum(block => block.Minutes);
            var waits = $"{Words.Count(waiting.Count, "thing")} {(waiting.Count == 1 ? "waits" : "wait")}";
            lines.Add(keepUp > today ? $"{waits}; {Words.Minutes(keepUp)} of repertoire a day would keep up." : $"{waits}, named below.");
        }

        lines.AddRange(Debts(request, budget, blocks));
        if (budget.Unplaced > 0)
            lines.Add($"Your mosts a day leave {Words.Minutes(budget.Unplaced)} that no area may take; raise one, or shorten the day.");
        if (fitted.Free > 0)
            lines.Add($"The blocks of \"{request.Routine.Name}\" are fixed: {Words.Minutes(fitted.Free)} of the day are yours.");
        if (fitted.Over > 0)
            lines.Add($"The routine's mosts leave {Words.Minutes(fitted.Over)} over; they went to the block that is owed most.");
        // Said when something new waits, and once a week: not the same sentence every day.
        var review = request.Materials.Where(material => material.ReviewOn <= request.Day).ToList();
        if (review.Exists(material => material.ReviewOn == request.Day) || (review.Count > 0 && request.Day.DayOfWeek == DayOfWeek.Monday))
            lines.Add(
                $"{(review.Count == 1 ? $"{review[0].Title} waits" : $"{review.Count} exercises wait")} for a decision: keep, rest or drop. See Technique."
            );
        var words = 0;
        return [.. lines.TakeWhile((line, place) => (words += line.Split(' ').Length) <= MostWords || place == 0)];
    }

    private static IEnumerable<string> Debts(DayRequest request, DayBudget budget, IReadOnlyList<FilledBlock> blocks)
    {
        var shared = budget.Areas.Sum(part => part.Minutes);
        var behind = budget
            .Areas.Select(part =>
                (
                    part.Area,
                    Days: (int)Math.Round(part.Wanted - (request.Shares.First(share => share.Area == part.Area).Percent * shared / 100m))
                )
            )
            .Where(pair => pair.Days >= LeastBehind && request.History.Any(history => history.PlayedSeconds > 0))
            .OrderByDescending(pair => pair.Days)
            .Take(2)
            .ToList();
        if (behind.Count == 0)
            yield break;
        var today = blocks.Where(block => behind.Exists(pair => pair.Area == block.Block.Area)).Sum(block => block.Minutes);
        var named = Words.List([
            .. behind.Select(
                (pair, i) =>
                    i == 0 ? $"{Areas.Name(pair.Area)} is {Words.Minutes(pair.Days)} behind" : $"{Areas.Name(pair.Area)} {pair.Days}"
            ),
        ]);
        yield return $"{Words.Sentence(named)} this week. Today gives {(behind.Count == 1 ? "it" : "them")} {today}.";
    }

    private static IEnumerable<string> WaitingAreas(DayBudget budget, Routine routine, IReadOnlyList<FilledBlock> blocks)
    {
        // What the routine leaves out on purpose was said where it was made.
        var left = budget
            .Areas.Where(part =>
                (part.Waits || part.Minutes > 0)
                && routine.Blocks.Any(block => block.Area == part.Area)
                && blocks.All(block => block.Block.Area != part.Area)
            )
            .ToList();
        if (left.Count == 1)
            yield return $"{Words.Sentence(Areas.Name(left[0].Area))} does not fit today ({(left[0].WaitedDays is { } days ? $"last played {Words.Ago(days)}" : "not played yet")}).";
        else if (left.Count > 1)
            yield return $"{Words.Sentence(Words.List([.. left.Select(part => Areas.Name(part.Area))]))} do not fit today; they take turns.";
    }

    private static IEnumerable<string> Demanded(DayRequest request)
    {
        if ((request.Demands & Demands.Concert) != Demands.None)
            yield return "A concert today: loosen up, touch the programme, save the rest.";
        if ((request.Demands & Demands.Rehearsal) != Demands.None)
            yield return "A rehearsal later: the warm-up is cut to its core and nothing new begins.";
        if ((request.Demands & Demands.Tired) != Demands.None)
            yield return "Tired: nothing new, and nothing faster than it was.";
        if (request.HoldTempo)
            yield return "Tension was high last time: nothing faster today. Rest before it hurts.";
    }
}
