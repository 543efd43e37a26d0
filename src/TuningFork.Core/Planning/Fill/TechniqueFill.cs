using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Technique: the exercises whose turn it is, each by a method that fits its state.</summary>
internal static class TechniqueFill
{
    /// <summary>Less than this is over before an exercise has begun to work (common practice).</summary>
    private const int LeastMinutes = 2;

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

        var parts = FillContext.Chop(minutes, context.Usual, 15, Math.Clamp(minutes / LeastMinutes, 1, Math.Max(queue.Count, (minutes + 14) / 15)));
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
        var method = Choose(material, context.Careful);
        var away = material.LastVisit is { } last ? context.Request.Day.DayNumber - last.DayNumber : 0;
        var reason = away > 7 && material.LastClean is { } clean ? $"{away} days away; last clean {clean}" : queued.Reason;
        return context.Make(Area.Technique, method, material.Title, minutes, reason, context.TargetOf(material));
    }

    /// <summary>Varies from visit to visit; no climbing on a tired day.</summary>
    private static Method Choose(Material material, bool careful)
    {
        if (material.LastClean is not { } clean)
            return material.Visits % 2 == 0 ? Methods.FixedCount : Methods.CleanInRow;
        if (careful || material.Target is { } target && clean >= target)
            return material.Visits % 2 == 0 ? Methods.CleanInRow : Methods.FixedCount;
        return material.Visits % 3 == 2 ? Methods.CleanInRow : Methods.TempoLadder;
    }
}
