using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Technique: the exercises whose turn it is, each by a method that fits its state.</summary>
internal static class TechniqueFill
{
    /// <summary>Less than this is over before an exercise has begun to work (common practice).</summary>
    private const int LeastMinutes = 2;

    /// <summary>Days in which every exercise comes round, at least.</summary>
    private const int LeastTurn = 3;

    /// <summary>Fewest minutes in which two exercises get three or four bursts each.</summary>
    private const int LeastBurst = 4;

    private const int PartOfUntimed = 4;

    /// <summary>Days of waiting that serving the purpose of the day is worth (common practice).</summary>
    private const double PurposeDays = 0.5;

    /// <summary>Usual minutes of one exercise in a sitting up to three quarters of an hour (common practice).</summary>
    private const int ShortDrill = 3;

    /// <summary>The same in a longer one.</summary>
    private const int LongDrill = 5;

    /// <summary>Most minutes without an exercise while there is one (common practice).</summary>
    private const int MostPlain = 10;

    public static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes)
    {
        if (minutes <= 0)
            yield break;
        foreach (var material in context.Owed(Area.Technique, minutes))
        {
            minutes -= material.WeekMinutes;
            yield return TechniqueDrill.Of(
                context,
                new Queued(material, context.Request.Day, true, null, FillContext.ByWeek(material)),
                material.WeekMinutes
            );
        }

        if (minutes <= 0)
            yield break;
        var queue = Queue(context);
        if (queue.Count == 0)
        {
            foreach (var length in FillContext.Chop(minutes, context.Usual, 10))
                yield return Plain(context, length, "enter an exercise and its tempo is kept for you");

            yield break;
        }

        if (block.Rounds is { } rounds && minutes >= (2 * rounds.Work) + rounds.Rest)
        {
            foreach (var drill in RoundsFill.WorkRestBlocks(context, Area.Technique, rounds, minutes, queue))
                yield return drill;
            yield break;
        }

        // Few exercises would be through long before their time.
        var over = Math.Min(MostPlain, minutes - (queue.Count * LongDrill));
        minutes -= over >= LeastMinutes ? over : 0;
        var parts = FillContext.Chop(
            minutes,
            Math.Min(context.Usual, context.Request.Minutes > 45 ? LongDrill : ShortDrill),
            15,
            Math.Clamp(minutes / LeastMinutes, 1, Math.Max(queue.Count, (minutes + 14) / 15))
        );
        LimitUntimed(context, queue, parts.Count);
        var taken = 0;
        foreach (var length in parts)
        {
            if (Burst(context, queue, taken, length) is { } burst)
            {
                taken += 2;
                yield return burst;
                continue;
            }

            var queued = queue[taken % queue.Count];
            for (var tries = 0; tries < queue.Count && queued.Material.IsScale && context.ScaleLeft < length; tries++)
                queued = queue[++taken % queue.Count];
            taken++;
            if (queued.Material.IsScale)
                context.ScaleLeft -= length;
            yield return TechniqueDrill.Of(context, queued, length);
        }

        if (over >= LeastMinutes)
            yield return Plain(context, over, "another exercise would have its place here");
        Name(context, queue, parts.Count);
    }

    /// <summary>Something that everybody knows, where there is no exercise for the minutes.</summary>
    private static Drill Plain(FillContext context, int minutes, string reason) =>
        !context.Request.IsPitched
            ? context.Make(Area.Technique, Methods.EaseIn, "A rudiment you know", minutes, reason) with
            {
                How = "Slowly, both hands alike, every stroke from the same height.",
            }
            : context.Make(Area.Technique, Methods.EaseIn, "A scale you know", minutes, reason) with
            {
                How = "Two notes to a click, slowly, every note alike.",
            };

    /// <summary>What has been away longer than all of them need to come round waits by name.</summary>
    private static void Name(FillContext context, List<Queued> queue, int drills)
    {
        var most = Math.Max(LeastTurn, (queue.Count + drills - 1) / Math.Max(1, drills));
        foreach (
            var queued in queue.Where(queued =>
                !context.Used.Contains(TargetKey.Of(queued.Material.Id))
                && queued.Material.LastVisit is { } last
                && context.Request.Day.DayNumber - last.DayNumber > most
            )
        )
            context.Waiting.Add(
                new Waiting(
                    Area.Technique,
                    queued.Material.Id,
                    queued.Material.Title,
                    $"{Words.Days(context.Request.Day.DayNumber - queued.Material.LastVisit!.Value.DayNumber)} away"
                )
            );
    }

    /// <summary>What has no tempo takes one drill in four over the days; those beyond go to the end of the queue.</summary>
    private static void LimitUntimed(FillContext context, List<Queued> queue, int drills)
    {
        var day = context.Request.Day.DayNumber;
        var room = (((day + 1) * drills) / PartOfUntimed) - ((day * drills) / PartOfUntimed);
        var beyond = queue.Where(queued => queued.Material is { IsTimed: false, ComesFirst: false }).Skip(room).ToList();
        queue.RemoveAll(beyond.Contains);
        queue.AddRange(beyond);
    }

    private static List<Queued> Queue(FillContext context)
    {
        var request = context.Request;
        var exercises = request
            .Materials.Where(material =>
                material is { Kind: MaterialKind.Exercise, Area: Area.Technique, Resting: false }
                && (material.AskedFor || material.Work?.Patterns?.IsOn(request.Day) != false)
                && (material.TwiceADay || ExerciseStations.HasItsTurn(material, request.Day))
                && !context.Used.Contains(TargetKey.Of(material.Id))
            )
            .ToList();
        var queue = InTurn(context, DueList.For(exercises, request.Day, request.School, request.BackToday, request.Variant));
        // The exercises of an earlier sitting today are better than none.
        if (queue.Count > 0)
            return queue;
        return [.. exercises.Select(material => new Queued(material, request.Day, false, null, "once more today"))];
    }

    /// <summary>
    /// The longest away first, so that every exercise has its turn; what serves the purpose of the day goes before others that were
    /// away about as long. What was asked for stays in front.
    /// </summary>
    private static List<Queued> InTurn(FillContext context, IReadOnlyList<Queued> queue)
    {
        var day = context.Request.Day;
        var tired = (context.Request.Demands & (Demands.Tired | Demands.Rehearsal | Demands.Concert)) != Demands.None;
        bool Serves(Queued queued) =>
            context.Purpose is { } purpose && queued.Material.Serves.Contains(purpose.Difficulty, StringComparer.Ordinal);
        double Away(Queued queued) =>
            day.DayNumber
            - (queued.Material.LastVisit ?? queued.Due).DayNumber
            + (Serves(queued) ? PurposeDays : 0)
            + (queued.Material.LastVisit is null ? 1 : 0)
            + DueList.Shaken(queued.Material.Id, context.Request.Variant);
        return
        [
            .. queue
                .OrderByDescending(queued => queued.Material.AskedFor)
                .ThenByDescending(queued => queued.Material.TwiceADay)
                .ThenBy(queued => tired && queued.Material.LastVisit is null)
                .ThenByDescending(Away)
                .ThenBy(queued => queued.Material.Id)
                .Select(queued =>
                    Serves(queued) && queued.Material is { AskedFor: false, Goal.Length: 0 }
                        ? queued with
                        {
                            Reason = $"for {context.Purpose!.Difficulty}; {queued.Reason}",
                        }
                        : queued
                ),
        ];
    }

    /// <summary>Two exercises that are nearly up to tempo, in bursts, every other day.</summary>
    private static Drill? Burst(FillContext context, List<Queued> queue, int taken, int minutes)
    {
        if (context.Careful || minutes < LeastBurst || context.Request.Day.DayNumber % 2 == 0 || taken + 1 >= queue.Count)
            return null;
        var pair = queue.GetRange(taken, 2).ConvertAll(queued => queued.Material);
        if (
            !pair.TrueForAll(material =>
                material
                    is {
                        Work: null,
                        KeyPlan: null,
                        Stuck: false,
                        Station: ExerciseStation.None or ExerciseStation.Faster,
                        Reach: { } reach,
                        Target: { } target
                    }
                && reach.Tempo < target.Value
                && reach.Tempo >= target.Value * 0.7
            )
        )
            return null;
        return context.Make(
            Area.Technique,
            Methods.BurstAndSwitch,
            string.Join(" · ", pair.Select(material => material.Title)),
            minutes,
            "both nearly up to tempo",
            [.. pair.Select(material => context.TargetOf(material, Pace.Ladder))]
        );
    }
}
