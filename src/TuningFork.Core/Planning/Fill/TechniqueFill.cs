using TuningFork.Core.Practice;
using TuningFork.Core.Technique;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Technique: the exercises whose turn it is, each by a method that fits its state.</summary>
internal static class TechniqueFill
{
    /// <summary>Less than this is over before an exercise has begun to work (common practice).</summary>
    private const int LeastMinutes = 2;

    private const int MostRounds = 4;

    /// <summary>Usual minutes of one exercise in a sitting up to three quarters of an hour (common practice).</summary>
    private const int ShortDrill = 3;

    /// <summary>The same in a longer one.</summary>
    private const int LongDrill = 5;

    public static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var queue = Queue(context);
        if (queue.Count == 0)
        {
            foreach (var length in FillContext.Chop(minutes, context.Usual, 10))
            {
                yield return context.Make(Area.Technique, Methods.EaseIn, "A scale you know", length, "enter an exercise and its tempo is kept for you")
                    with
                { How = "Two notes to a click, slowly, every note alike." };
            }

            yield break;
        }

        if (block.Rounds is { } rounds && minutes >= (2 * rounds.Work) + rounds.Rest)
        {
            foreach (var drill in RoundsFill.WorkRestBlocks(context, Area.Technique, rounds, minutes, queue))
                yield return drill;
            yield break;
        }

        var parts = FillContext.Chop(minutes, Math.Min(context.Usual, context.Request.Minutes > 45 ? LongDrill : ShortDrill), 15, Math.Clamp(minutes / LeastMinutes, 1, Math.Max(queue.Count, (minutes + 14) / 15)));
        var taken = 0;
        foreach (var length in parts)
        {
            var queued = queue[taken % queue.Count];
            for (var tries = 0; tries < queue.Count && queued.Material.IsScale && context.ScaleLeft < length; tries++)
                queued = queue[++taken % queue.Count];
            taken++;
            if (queued.Material.IsScale)
                context.ScaleLeft -= length;
            yield return One(context, queued, length);
        }
    }

    private static List<Queued> Queue(FillContext context)
    {
        var request = context.Request;
        var exercises = request.Materials
            .Where(material => material is { Kind: MaterialKind.Exercise, Area: Area.Technique, Resting: false } && !context.Used.Contains($"m:{material.Id}"))
            .ToList();
        var queue = DueList.For(exercises, request.Day, request.School).ToList();
        // The exercises of an earlier sitting today are better than none.
        return queue.Count > 0 ? queue : [.. exercises.Select(material => new Queued(material, request.Day, false, null, "once more today"))];
    }

    private static Drill One(FillContext context, Queued queued, int minutes)
    {
        var material = queued.Material;
        if (material.KeyPlan is { } plan)
            return InKeys(context, queued, plan, minutes);
        var method = Choose(material, context.Careful);
        var away = material.LastVisit is { } last ? context.Request.Day.DayNumber - last.DayNumber : 0;
        var reason = away > 7 && material.LastClean is { } clean ? $"{away} days away; last clean {clean}" : queued.Reason;
        return context.MakeOne(Area.Technique, method, material, minutes, reason);
    }

    /// <summary>Today's keys, round and round while the minutes last.</summary>
    private static Drill InKeys(FillContext context, Queued queued, KeyPlan plan, int minutes)
    {
        var material = queued.Material;
        var keys = plan.Today(material.Keys, context.Request.Day, minutes, material.Id);
        var targets = keys.Select(key => context.TargetInKey(material, key)).ToList();
        context.Used.Add($"m:{material.Id}");
        var rounds = Math.Clamp(Takes.RoundsThatFit(minutes * 60, targets.Select(target => target.TakeSeconds)), 1, MostRounds);
        var days = plan.DaysToCover(minutes);
        var reason = $"{queued.Reason}; {plan.Keys().Count} keys in {Words.Days(days)}";
        return context.Make(Area.Technique, Methods.KeyRound, $"{material.Title}: {Words.List([.. keys.Select(key => key.Name)])}", minutes, reason, targets) with
        {
            Sequence = [.. Enumerable.Repeat(Enumerable.Range(0, targets.Count), rounds).SelectMany(round => round)],
            Sum = rounds == 1 ? "once each" : $"{rounds} rounds of {targets.Count}",
        };
    }

    /// <summary>Varies from visit to visit; no climbing on a tired day.</summary>
    private static Method Choose(Material material, bool careful)
    {
        if (material.LastClean is not { } clean)
            return material.Visits % 2 == 0 ? Methods.FixedCount : Methods.CleanInRow;
        if (material.Stuck)
            return material.Visits % 2 == 0 ? Methods.SlowAnchor : Methods.CleanInRow;
        if (careful || material.Target is { } target && clean >= target)
            return material.Visits % 2 == 0 ? Methods.CleanInRow : Methods.FixedCount;
        return material.Visits % 3 == 2 ? Methods.CleanInRow : Methods.TempoLadder;
    }
}
