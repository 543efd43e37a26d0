using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Repertoire: what a performance asks, threes performed once each, what grows mixed in rounds of single takes, every third
/// visit or so of a passage alone by another method; when all had a place a second turn, and free choice only when nothing under
/// way is below its target.
/// </summary>
internal static class RepertoireFill
{
    private const int LeastRepeating = 3;

    /// <summary>Usual minutes of a drill in a short sitting.</summary>
    private const int ShortDrill = 4;

    /// <summary>One part in so many of the minutes goes to passages alone.</summary>
    private const int PartOfAlone = 4;

    /// <summary>Threes take a third of the minutes at most.</summary>
    private const int PartOfThrees = 3;

    public static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes)
    {
        if (minutes <= 0)
            yield break;
        foreach (var drill in PerformanceFill.Fill(context, minutes))
        {
            minutes -= drill.Minutes;
            yield return drill;
        }

        foreach (var material in context.Owed(Area.Repertoire, minutes))
        {
            minutes -= material.WeekMinutes;
            yield return ByWeek(context, material);
        }

        var queue = PassageQueue.Of(context, minutes);
        if (block.Rounds is { } rounds && queue.Count > 0 && minutes >= (2 * rounds.Work) + rounds.Rest)
        {
            foreach (var drill in RoundsFill.WorkRestBlocks(context, Area.Repertoire, rounds, minutes, queue))
                yield return drill;
            yield break;
        }

        if (context.Later.Count == 0 && Stretches.Between(context, minutes) is { } between)
        {
            minutes -= between.Minutes;
            yield return between;
        }

        var threes = Threes(context, queue, minutes);
        if (threes is not null)
        {
            minutes -= threes.Minutes;
            yield return threes;
        }

        foreach (var drill in Mixed(context, queue, minutes))
            yield return drill;
    }

    /// <summary>The minutes that were set for a passage, or for a piece: those of its passages that wait longest, in rounds.</summary>
    private static Drill ByWeek(FillContext context, Material material)
    {
        var (request, words) = (context.Request, FillContext.ByWeek(material));
        var inside = DueList
            .For(
                request.Materials.Where(one =>
                    one.Kind == MaterialKind.Passage
                    && one.Group == material.Id
                    && material.Kind == MaterialKind.Piece
                    && !context.Used.Contains(TargetKey.Of(one.Id))
                ),
                request.Day,
                request.School
            )
            .Select(queued => queued with { Reason = words })
            .ToList();
        if (inside.Count > 1)
        {
            context.Used.Add(TargetKey.Of(material.Id));
            return RoundsFill.OneTakeEach(
                context,
                Area.Repertoire,
                material.WeekMinutes,
                RoundsFill.Pick(inside, material.WeekMinutes)
            ) with
            {
                Reason = words,
            };
        }

        return PassageWork.Single(context, new Queued(material, request.Day, true, null, words), material.WeekMinutes);
    }

    /// <summary>Threes that are due, one take each; they leave the queue.</summary>
    private static Drill? Threes(FillContext context, List<Queued> queue, int minutes)
    {
        var due = queue
            .Where(queued =>
                queued is { IsDue: true, Material: { Readiness: Readiness.Ready, Kind: MaterialKind.Passage, PutBack: >= 3 or 0 } }
                && Standing.AtTarget(queued.Material, context.Request.Day)
            )
            .ToList();
        if (due.Count < 2 || minutes < PartOfThrees)
            return null;
        var seconds = 0;
        var set = due.TakeWhile(queued => (seconds += queued.Material.TakeSeconds) <= minutes * 60 / PartOfThrees).ToList();
        if (set.Count < 2)
            return null;
        queue.RemoveAll(set.Contains);
        return RoundsFill.OnceEach(context, set);
    }

    private static IEnumerable<Drill> Mixed(FillContext context, List<Queued> queue, int minutes)
    {
        var parts = minutes > 0 ? FillContext.Chop(minutes, Math.Max(LeastRepeating, context.Usual), 10) : [];
        var first = queue.Where(queued => queued.IsDue || queued.Material.ComesFirst).ToList();
        var alone = new Queue<Queued>(Alone(context, first, minutes, parts.Count));
        first.RemoveAll(alone.Contains);
        // A whole piece is no single take of rounds: it has a drill to itself, or waits.
        var whole = first.Where(queued => queued.Material.Kind == MaterialKind.Piece).ToList();
        first.RemoveAll(whole.Contains);
        var lengths = Lengths(parts, alone.Count, AloneMinutes(context));
        var free = 0;
        foreach (var length in lengths)
        {
            if (alone.TryDequeue(out var queued))
                yield return PassageWork.Single(context, queued, length);
            else if (first.Count > 0)
                yield return Set(context, first, length);
            else if (SecondTurn.Spare(context, queue, length) is { } more)
                yield return more;
            else
                free += length;
        }

        foreach (var length in free > 0 ? FillContext.Chop(free, SecondTurn.MostOfOne, SecondTurn.MostOfOne) : [])
            yield return SecondTurn.FreeChoice(context, length);

        foreach (var queued in alone.Concat(first).Concat(whole))
            context.Waiting.Add(new Waiting(Area.Repertoire, queued.Material.Id, queued.Material.Title, queued.Reason));
        foreach (var queued in context.Later.Where(queued => context.SeenToday.TrueForAll(seen => seen.Material.Id != queued.Material.Id)))
            context.Waiting.Add(
                new Waiting(
                    Area.Repertoire,
                    queued.Material.Id,
                    queued.Material.Title,
                    queued.Material.LastVisit is null ? "not begun yet" : $"{Standing.Words(queued.Material)}; others first"
                )
            );
    }

    /// <summary>Minutes of a passage alone: two in short sittings, three in longer ones.</summary>
    private static int AloneMinutes(FillContext context) => context.Usual <= ShortDrill ? 2 : LeastRepeating;

    /// <summary>A repeating method is through after about three minutes; what its place has beyond that goes to the rounds.</summary>
    private static int[] Lengths(IReadOnlyList<int> parts, int alone, int longest)
    {
        var lengths = parts.ToArray();
        for (int at = 0, round = alone; at < alone && round < lengths.Length; at++)
        {
            for (; lengths[at] > longest && round < lengths.Length; round++)
            {
                lengths[at]--;
                lengths[round]++;
            }
        }

        return lengths;
    }

    /// <summary>
    /// What gets a drill to itself today: whole pieces, and passages whose turn it is, what has a remedy first. A quarter of the
    /// minutes at most goes to them over the days, so on short days not every day.
    /// </summary>
    private static IEnumerable<Queued> Alone(FillContext context, List<Queued> first, int minutes, int parts)
    {
        if (first.Count == 1)
            return first.Where(queued => !Standing.AtTarget(queued.Material, context.Request.Day));
        var day = context.Request.Day.DayNumber;
        var each = PartOfAlone * AloneMinutes(context);
        var places = (((day + 1) * minutes) / each) - ((day * minutes) / each);
        // The rounds keep a place for what was asked for, and for the many.
        places = Math.Min(places, parts > 1 || !first.Exists(queued => queued.Material.ComesFirst) ? Math.Max(1, parts - 1) : 0);
        var pieces = first.Where(queued => queued.Material.Kind == MaterialKind.Piece).Take(Math.Max(parts > 1 ? 1 : 0, places)).ToList();
        return pieces.Concat(
            first
                .Where(queued =>
                    queued.Material is { Kind: MaterialKind.Passage, Visits: > 0 } && PassageWork.IsTurn(context, queued.Material)
                )
                .OrderByDescending(queued => queued.Material is { ComesFirst: true } or { Missing.Length: > 0 })
                .Take(Math.Max(0, places - pieces.Count))
        );
    }

    /// <summary>A set of what comes first; one thing left over is worked at alone.</summary>
    private static Drill Set(FillContext context, List<Queued> first, int minutes)
    {
        var set = RoundsFill.Pick(first, minutes);
        first.RemoveAll(set.Contains);
        context.SeenToday.AddRange(set);
        if (set.Count > 1)
            return RoundsFill.OneTakeEach(context, Area.Repertoire, minutes, set);
        return Standing.AtTarget(set[0].Material, context.Request.Day)
            ? PassageWork.Performed(context, set[0], minutes)
            : PassageWork.Single(context, set[0], minutes);
    }
}
