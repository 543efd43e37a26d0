using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Drills over a set of things: one take each in rounds, and work and rest in turns.</summary>
internal static class RoundsFill
{
    /// <summary>Rounds that a set should last: a third thing is worth more than a third take.</summary>
    private const int WantedRounds = 2;

    /// <summary>More rounds than this of the same few things is drudgery; others join instead.</summary>
    private const int MostRounds = 6;

    private const int MostInASet = 9;

    /// <summary>Visits before something is no longer fresh (common practice).</summary>
    private const int FreshVisits = 4;

    /// <summary>
    /// What of a queue makes a set: as many as two rounds fit, at least two where there are two, from as many pieces as possible:
    /// at most half from one while another waits.
    /// </summary>
    /// <param name="queue">The queue in its order, at least one.</param>
    /// <param name="minutes">Minutes of the drill.</param>
    public static IReadOnlyList<Queued> Pick(IReadOnlyList<Queued> queue, int minutes)
    {
        var set = new List<Queued>();
        var seconds = 0;
        while (set.Count < Math.Min(MostInASet, queue.Count))
        {
            var next = queue.FirstOrDefault(queued => !set.Contains(queued) && Fits(queued))
                ?? queue.First(queued => !set.Contains(queued));
            seconds += next.Material.TakeSeconds;
            if (set.Count >= 2 && seconds * WantedRounds > minutes * 60)
                break;
            set.Add(next);
        }

        return set;

        bool Fits(Queued queued) =>
            set.Count(other => other.Material.Group == queued.Material.Group) is var same && (same == 0 || (same + 1) * 2 <= set.Count + 1);
    }

    /// <summary>One take of each and no more: what is ready is kept so.</summary>
    public static Drill OnceEach(FillContext context, IReadOnlyList<Queued> set)
    {
        var targets = set.Select(queued => context.TargetOf(queued.Material, Pace.Performance)).ToList();
        var minutes = Math.Max(1, (targets.Sum(target => target.TakeSeconds) + 59) / 60);
        return Sized(
            context.Make(Area.Repertoire, Methods.OneTakeRounds, Titles(set), minutes, "ready: one take each keeps them so", targets) with
            {
                Mix = Mix.Shuffled,
                MostRounds = 1,
            }
        );
    }

    public static Drill OneTakeEach(FillContext context, Area area, int minutes, IReadOnlyList<Queued> set)
    {
        var targets = set.Select(queued => context.TargetOf(queued.Material)).ToList();
        return Sized(
            context.Make(area, Methods.OneTakeRounds, Titles(set), minutes, Reasons(set), targets) with
            {
                Mix = MixFor(set, context.Request.Mix),
            }
        );
    }

    /// <summary>
    /// Mixing grows with what can be played: in turn while something is fresh, shuffled later; never more than was chosen.
    /// </summary>
    private static Mix MixFor(IReadOnlyList<Queued> set, Mix chosen)
    {
        var fresh = set.Any(queued => queued.Material.Readiness != Readiness.Ready && queued.Material.Visits < FreshVisits);
        return (Mix)Math.Min((int)chosen, (int)(fresh ? Mix.InTurn : Mix.Shuffled));
    }

    /// <summary>A drill in rounds, or of work and rest: its takes and its sum follow its length. Others stay as they are.</summary>
    public static Drill Sized(Drill drill)
    {
        if (drill is { WorkMinutes: { } work, RestMinutes: { } rest })
            return drill with { Sum = WorkRestSum(drill.Minutes, new WorkRest(work, rest)) };
        if (drill.MethodId != Methods.OneTakeRounds.Id)
            return drill;
        var mix = drill.Mix ?? Mix.Shuffled;
        var round = drill.Targets.Sum(target => target.TakeSeconds);
        var fitting = Takes.RoundsThatFit(drill.Seconds, drill.Targets.Select(target => target.TakeSeconds));
        var rounds = Math.Clamp(fitting, 1, drill.MostRounds ?? MostRounds);
        var groups = drill.Targets.Select(target => target.Group).ToList();
        var sequence = Filled(drill, DrillOrder.Rounds(groups, rounds, mix, new Random(drill.Seed)), mix);
        var more = sequence.Count - (rounds * drill.Targets.Count);
        return drill with
        {
            Sequence = sequence,
            Sum =
                fitting == 0
                    ? $"too short: one round of {drill.Targets.Count} needs {round} s"
                    : $"{(rounds == 1 ? "1 round" : $"{rounds} rounds")} of {drill.Targets.Count}, {round} s a round{(more > 0 ? $", and {Words.Count(more, "take")} more" : "")}",
        };
    }

    /// <summary>
    /// What is left after the last whole round goes to single takes, the first of the set first; never the same twice running.
    /// </summary>
    private static IReadOnlyList<int> Filled(Drill drill, IReadOnlyList<int> rounds, Mix mix)
    {
        var left = drill.Seconds - rounds.Sum(index => drill.Targets[index].TakeSeconds);
        if (
            mix == Mix.Blocked
            || drill.MostRounds is not null
            || drill.Targets.Count < 2
            || rounds.Count >= MostRounds * drill.Targets.Count
        )
            return rounds;
        var all = rounds.ToList();
        for (var index = 0; index < drill.Targets.Count; index++)
        {
            if (drill.Targets[index].TakeSeconds > left || index == all[^1])
                continue;
            all.Add(index);
            left -= drill.Targets[index].TakeSeconds;
        }

        return all;
    }

    /// <summary>Work and rest in blocks of about 25 minutes, so that the breaks of a long sitting find their places between them.</summary>
    public static IEnumerable<Drill> WorkRestBlocks(
        FillContext context,
        Area area,
        WorkRest rounds,
        int minutes,
        IReadOnlyList<Queued> queue
    )
    {
        var taken = 0;
        foreach (var length in FillContext.Chop(minutes, 25, 29))
        {
            var count = Math.Min(queue.Count, Math.Max(1, Takes.WorkRest(length, rounds.Work, rounds.Rest).Rounds));
            var set = Enumerable.Range(taken, count).Select(i => queue[i % queue.Count].Material).ToList();
            taken += count;
            yield return WorkRest(context, area, rounds, length, set);
        }
    }

    private static Drill WorkRest(FillContext context, Area area, WorkRest rounds, int minutes, IReadOnlyList<Material> set)
    {
        var titles = set.Select(material => material.Title).ToList();
        return context.Make(
            area,
            Methods.WorkRestRounds,
            Words.List(titles),
            minutes,
            "a new one after each rest",
            [.. set.Select(material => context.TargetOf(material))]
        ) with
        {
            // Each day begins with another way to work.
            Seed = context.Request.Day.DayNumber,
            WorkMinutes = rounds.Work,
            RestMinutes = rounds.Rest,
            Sum = WorkRestSum(minutes, rounds),
        };
    }

    private static string WorkRestSum(int minutes, WorkRest rounds)
    {
        var (count, used) = Takes.WorkRest(minutes, rounds.Work, rounds.Rest);
        return count == 0
            ? $"too short for {rounds.Work} min of work"
            : $"{count} rounds of {rounds.Work} min with {rounds.Rest} min rest: {used} min{(minutes > used ? $", {minutes - used} to spare" : "")}";
    }

    private static string Titles(IReadOnlyList<Queued> set)
    {
        var pieces = set.Select(queued => queued.Material).GroupBy(material => material.Group);
        return string.Join(
            " · ",
            pieces.Select(piece => piece.First().Title + string.Concat(piece.Skip(1).Select(material => ", " + material.ShortTitle)))
        );
    }

    /// <summary>Why today, of the first of them, which is why the set is there.</summary>
    private static string Reasons(IReadOnlyList<Queued> set) =>
        set.FirstOrDefault(queued => queued.Material.AskedFor) is { } asked ? $"you asked for {asked.Material.ShortTitle}"
        : set.FirstOrDefault(queued => queued.Material.Slipped) is { } slipped ? $"{slipped.Material.ShortTitle} {slipped.Reason}"
        : set[0].Reason;
}
