using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Drills over a set of things: one take each in rounds, and work and rest in turns.</summary>
internal static class RoundsFill
{
    /// <summary>Rounds that a set should last, so that each thing is met more than once.</summary>
    private const int WantedRounds = 3;

    /// <summary>More rounds than this of the same few things is drudgery; others join instead.</summary>
    private const int MostRounds = 6;

    private const int MostInASet = 6;

    /// <summary>Visits before something is no longer fresh (common practice).</summary>
    private const int FreshVisits = 4;

    /// <summary>
    /// How many of the queue make a set: as many as three rounds fit, at least two. What is not due yet joins too: a third
    /// take of something else is worth more than a fourth of the same (measured with simulated learners, docs/judgement.md).
    /// </summary>
    public static int SetSize(IReadOnlyList<Queued> queue, int minutes)
    {
        var size = 0;
        var seconds = 0;
        foreach (var queued in queue.Take(MostInASet))
        {
            seconds += queued.Material.TakeSeconds;
            if (size >= 2 && seconds * WantedRounds > minutes * 60)
                break;
            size++;
        }

        return size;
    }

    public static Drill OneTakeEach(FillContext context, Area area, int minutes, IReadOnlyList<Queued> set)
    {
        var targets = set.Select(queued => context.TargetOf(queued.Material)).ToList();
        return Sized(context.Make(area, Methods.OneTakeRounds, Titles(set), minutes, Reasons(set), targets) with { Mix = MixFor(set, context.Request.Mix) });
    }

    /// <summary>Mixing grows with what can be played: in turn while something is fresh, shuffled later; never more than was chosen.</summary>
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
        var rounds = Math.Clamp(fitting, 1, MostRounds);
        var groups = drill.Targets.Select(target => target.Group).ToList();
        var sequence = Filled(drill, DrillOrder.Rounds(groups, rounds, mix, new Random(drill.Seed)), mix);
        var more = sequence.Count - (rounds * drill.Targets.Count);
        return drill with
        {
            Sequence = sequence,
            Sum = fitting == 0
                ? $"too short: one round of {drill.Targets.Count} needs {round} s"
                : $"{(rounds == 1 ? "1 round" : $"{rounds} rounds")} of {drill.Targets.Count}, {round} s a round{(more > 0 ? $", and {Words.Count(more, "take")} more" : "")}",
        };
    }

    /// <summary>What is left after the last whole round goes to single takes, the first of the set first; never the same twice running.</summary>
    private static IReadOnlyList<int> Filled(Drill drill, IReadOnlyList<int> rounds, Mix mix)
    {
        var left = drill.Seconds - rounds.Sum(index => drill.Targets[index].TakeSeconds);
        if (mix == Mix.Blocked || drill.Targets.Count < 2 || rounds.Count >= MostRounds * drill.Targets.Count)
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
    public static IEnumerable<Drill> WorkRestBlocks(FillContext context, Area area, WorkRest rounds, int minutes, IReadOnlyList<Queued> queue)
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
        return context.Make(area, Methods.WorkRestRounds, Words.List(titles), minutes, "a new one after each rest", [.. set.Select(material => context.TargetOf(material))]) with
        {
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
        return string.Join(" · ", pieces.Select(piece => piece.First().Title + string.Concat(piece.Skip(1).Select(material => ", " + material.ShortTitle))));
    }

    private static string Reasons(IReadOnlyList<Queued> set)
    {
        var slipped = set.Where(queued => queued.Material.Slipped).ToList();
        var due = set.Count(queued => queued.IsDue);
        var parts = new List<string>();
        if (due > 0)
            parts.Add(due == set.Count ? "all due" : $"{due} due");
        if (slipped.Count > 0)
            parts.Add($"{slipped[0].Material.ShortTitle} slipped last time");
        if (set.FirstOrDefault(queued => queued.Material.AskedFor) is { } asked)
            parts.Insert(0, $"you asked for {asked.Material.ShortTitle}");
        if (set.FirstOrDefault(queued => queued.Reason.Contains("; concert", StringComparison.Ordinal)) is { } concert)
            parts.Add(concert.Reason.Split("; ").First(part => part.StartsWith("concert", StringComparison.Ordinal)));
        if (parts.Count > 0 && set.FirstOrDefault(queued => queued.Material.Goal.Length > 0) is { } aimed)
            parts.Add(aimed.Material.Goal);
        return parts.Count == 0 ? set[0].Reason : string.Join("; ", parts);
    }
}
