using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>
/// Lays out a day: shares and debts, the routine's shape, drills, order and breaks. Pure: the same request makes the same plan.
/// </summary>
public static class DayPlanner
{
    /// <summary>The plan. Its drills and breaks add up to the minutes exactly, unless all blocks are fixed at fewer.</summary>
    /// <param name="request">Everything that is known.</param>
    /// <exception cref="ArgumentOutOfRangeException">The minutes are outside 5 to 240.</exception>
    /// <exception cref="PlanException">The routine's musts, or the drills that stay, exceed the day.</exception>
    public static DayPlan Plan(DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        var context = new FillContext(request);
        request = context.Request;
        var breaks = request.Routine.Breaks(request.Minutes);
        var playing = request.Minutes - breaks.Sum(pause => pause.Minutes);
        if (request.Quiet)
            return Finish(request, context, QuietDay.Drills(context, playing), breaks, [HealthWords.Pain]);

        // Back after a week away: a third of the sitting is simple sound.
        var warmUp = Math.Max(WarmUpMinutes(request, playing), request.PracticeDaysBack is null ? 0 : playing / 3);
        var shared = Math.Max(0, playing - warmUp);
        var budget = Budget.Today(request.Shares, request.History, shared, request.Minutes, area =>
            DemandWeights.Of(area, request.Demands)
        );
        var fitted = Fit(request, playing, warmUp, budget);
        var blocks = Blocks(context, fitted);
        var summary = DaySummary.For(request, budget, fitted, blocks, context.Waiting);
        return Finish(request, context, DrillSequence.Of(blocks, request.Routine.Interwoven, context.Random), breaks, summary);
    }

    private static int WarmUpMinutes(DayRequest request, int playing) =>
        request.Routine.WarmUpWanted(playing) is not { } wanted
            ? SittingLength.WarmUp(request.Minutes, request.Demands, request.OpeningMinutes)
        : WarmUpCut.CoreOnly(request.Demands) ? Math.Max(1, wanted / 2)
        : wanted;

    private static FittedRoutine Fit(DayRequest request, int playing, int warmUp, DayBudget budget)
    {
        var wanted = budget.Areas.ToDictionary(part => part.Area, part => (decimal)part.Minutes);
        wanted[Area.WarmUp] = warmUp;
        var held = request
            .Kept.Where(drill => drill.Area is not null)
            .GroupBy(drill => drill.Area!.Value)
            .ToDictionary(group => group.Key, group => group.Sum(drill => drill.Minutes));
        var routine = request.Routine;
        foreach (var area in held.Keys.Where(area => routine.Blocks.All(block => block.Area != area)).Order())
        {
            var play = routine.Blocks.Count > 0 && routine.Blocks[^1].Area == Area.Play ? 1 : 0;
            routine = routine with
            {
                Blocks = [.. routine.Blocks.SkipLast(play), new Block(area, 0, 1, 240, Must: false), .. routine.Blocks.TakeLast(play)],
            };
        }

        routine = WithLeasts(routine, request.Shares, playing);
        if (request.PracticeDaysBack is not null && wanted.TryGetValue(Area.Technique, out var technique))
            wanted[Area.Technique] = Math.Max(technique, playing / 3m);
        var promised = Promises.Of(request, playing, warmUp);
        foreach (var (area, least) in promised)
            wanted[area] = Math.Max(wanted.GetValueOrDefault(area), least);
        var waited = budget.Areas.ToDictionary(part => part.Area, part => part.WaitedDays ?? int.MaxValue);
        var fitted = RoutineFit.Fit(
            routine,
            playing,
            wanted,
            waited,
            promised
                .Keys.Union(held.Keys)
                .ToDictionary(area => area, area => Math.Max(held.GetValueOrDefault(area), promised.GetValueOrDefault(area)))
        );
        if (!fitted.Fits)
        {
            throw held.Count > 0
                ? new PlanException(
                    "minutes",
                    $"The drills that stay and the musts of \"{routine.Name}\" need {playing + fitted.Short} minutes and there are {playing}. Unlock one, or give the day more minutes."
                )
                : new PlanException(
                    "minutes",
                    $"The musts of \"{routine.Name}\" need {playing + fitted.Short} minutes and there are {playing}. Choose another routine, make a block optional, or give the day {Words.Minutes(fitted.Short)} more."
                );
        }

        return fitted with
        {
            Routine = routine,
        };
    }

    /// <summary>Of two leasts, the share's and the routine's, the larger holds, as long as the musts fit.</summary>
    private static Routine WithLeasts(Routine routine, IReadOnlyList<AreaShare> shares, int playing)
    {
        foreach (var share in shares.Where(share => share.Percent > 0))
        {
            var first = routine.Blocks.FirstOrDefault(block => block.Area == share.Area && block.Fixed is null);
            if (first is null || first.Least >= share.Least)
                continue;
            var raised = first with
            {
                Least = Math.Min(share.Least, first.Most),
                Wanted = Math.Max(first.Wanted, Math.Min(share.Least, first.Most)),
            };
            var all = routine with { Blocks = [.. routine.Blocks.Select(block => ReferenceEquals(block, first) ? raised : block)] };
            if (all.LeastMinutes <= playing)
                routine = all;
        }

        return routine;
    }

    private static List<FilledBlock> Blocks(FillContext context, FittedRoutine fitted)
    {
        var kept = context.Request.Kept.Where(drill => drill.Area is not null).ToLookup(drill => drill.Area!.Value);
        var placed = new HashSet<Area>();
        var filled = new List<FilledBlock>();
        foreach (var (block, minutes) in fitted.Routine!.Blocks.Zip(fitted.Minutes))
        {
            if (minutes == 0)
                continue;
            List<Drill> held = placed.Add(block.Area) ? [.. kept[block.Area]] : [];
            var left = minutes - held.Sum(drill => drill.Minutes);
            filled.Add(
                new FilledBlock(
                    block,
                    minutes,
                    [
                        .. held,
                        .. ReliefFill
                            .Eased(context.Request, Fill(context.Holding(block), block, left))
                            .Select(drill => drill with { Block = block.Name }),
                    ]
                )
            );
        }

        foreach (
            var material in context.Request.Materials.Where(one =>
                Promises.IsOwed(one, context.Request) && filled.TrueForAll(block => block.Block.Area != one.Area)
            )
        )
            context.Waiting.Add(
                new Waiting(material.Area, material.Id, material.Title, $"{FillContext.ByWeek(material)}; no place in today's routine")
            );
        context.Waiting.RemoveAll(item => context.Request.Materials.Any(one => one.Id == item.MaterialId && one.TwiceADay));
        context.Waiting.AddRange(Promises.NotKept(context.Request, filled.SelectMany(block => block.Drills)));
        Settle(context, filled);
        return
        [
            .. filled.Select(block =>
                block.Block.Area == Area.SightReading ? block with { Drills = ReadingFill.InTodaysKeys(context, block.Drills) } : block
            ),
        ];
    }

    /// <summary>
    /// Where an area has several blocks: what one had no room for and another has does not wait, and nothing waits twice.
    /// </summary>
    private static void Settle(FillContext context, List<FilledBlock> blocks)
    {
        var placed = blocks
            .GroupBy(block => block.Block.Area)
            .Where(area => area.Count() > 1)
            .SelectMany(area => area)
            .SelectMany(block => block.Drills)
            .SelectMany(drill => drill.Targets.Select(target => (drill.Area, target.MaterialId)))
            .ToHashSet();
        var waiting = context
            .Waiting.Where(item => item.MaterialId is null || !placed.Contains((item.Area, item.MaterialId)))
            .DistinctBy(item => (item.Area, (object?)item.MaterialId ?? item.Title))
            .ToList();
        context.Waiting.Clear();
        context.Waiting.AddRange(waiting);
    }

    private static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes) =>
        block.Area switch
        {
            Area.WarmUp => WarmUpFill.Fill(context, minutes),
            Area.SightReading => ReadingFill.Fill(context, minutes),
            Area.Technique => TechniqueFill.Fill(context, block, minutes),
            Area.Repertoire => RepertoireFill.Fill(context, block, minutes),
            Area.Ear => EarFill.Fill(context, minutes),
            _ => PlayFill.Fill(context, block, minutes),
        };

    /// <summary>What rests after pain, by name; of a piece its passages alone.</summary>
    private static IEnumerable<Waiting> Rests(FillContext context) =>
        context
            .Request.Materials.Where(material => context.Resting.Contains(material.Id) && !material.HasPassages)
            .Select(material => new Waiting(material.Area, material.Id, material.Title, "rests: it moves like what hurt"));

    private static DayPlan Finish(
        DayRequest request,
        FillContext context,
        IReadOnlyList<Drill> drills,
        IReadOnlyList<Break> breaks,
        IReadOnlyList<string> summary
    ) =>
        new()
        {
            Day = request.Day,
            Minutes = request.Minutes,
            Drills = PlanEdit.AsByHand(BreakPlacement.Insert(drills, breaks), request),
            Waiting =
            [
                .. context.Waiting,
                .. Rests(context),
                .. request
                    .LeftOut.SelectMany(PlanEdit.Waits)
                    .Where(item => context.Waiting.All(other => other.MaterialId != item.MaterialId)),
            ],
            LeftOut = request.LeftOut,
            Summary = summary,
        };
}

/// <summary>A block with its drills.</summary>
internal sealed record FilledBlock(Block Block, int Minutes, IReadOnlyList<Drill> Drills);
