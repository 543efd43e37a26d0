using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>Applies changes by hand to a plan. The sum may then differ from the minutes; the player sees by how much.</summary>
public static class PlanEdit
{
    /// <summary>Minutes of a drill that is added without saying how long (common practice).</summary>
    private const int UsualAdded = 3;

    /// <summary>Longest drill set by hand, in minutes.</summary>
    public const int MostMinutes = 60;

    /// <summary>The plan after a change; the old one is left as it was.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="change">The change.</param>
    /// <param name="request">What the plan was made from, for new drills.</param>
    /// <exception cref="PlanException">The change names something that is not there, or a value out of range.</exception>
    public static DayPlan Apply(DayPlan plan, PlanChange change, DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(change);
        var drills = plan.Drills.ToList();
        if (change.Kind == ChangeKind.Add)
        {
            drills.Insert(PlaceFor(drills, MaterialOf(request, change).Area), Made(plan, request, change, change.Value ?? UsualAdded));
            return plan with
            {
                Drills = Places(drills),
                Waiting = [.. plan.Waiting.Where(item => item.MaterialId != change.MaterialId)],
                LeftOut = [.. plan.LeftOut.Where(left => left.Targets.All(target => target.MaterialId != change.MaterialId))],
            };
        }

        var index = drills.FindIndex(drill => drill.Id == change.DrillId);
        if (index < 0)
            throw new PlanException("drillId", "That drill is no longer in the plan. Reload the plan and try again.");
        var drill = drills[index];
        switch (change.Kind)
        {
            case ChangeKind.Lock:
                drills[index] = drill with { Locked = !drill.Locked };
                break;
            case ChangeKind.Minutes:
                drills[index] = RoundsFill.Sized(drill with { Minutes = Checked(change.Value), ByHand = true });
                break;
            case ChangeKind.Times:
                drills[index] = Counted(drill, change.Value);
                break;
            case ChangeKind.Method:
                drills[index] = MethodChoice.Change(drill, change.MethodId, request) with { MovedTo = drill.MovedTo };
                break;
            case ChangeKind.LeaveOut:
                drills.RemoveAt(index);
                return plan with
                {
                    Drills = Places(drills),
                    Waiting = [.. plan.Waiting, .. Waits(drill)],
                    LeftOut = [.. plan.LeftOut, drill],
                };
            case ChangeKind.Move:
                drills.RemoveAt(index);
                drills.Insert(Math.Clamp(change.Value ?? 0, 0, drills.Count), drill with { MovedTo = 0 });
                break;
            default:
                drills[index] = Swapped(plan, request, change, drill) with { ByHand = true, MovedTo = drill.MovedTo };
                break;
        }

        return plan with
        {
            Drills = Places(drills),
        };
    }

    /// <summary>
    /// Drills laid out anew, as far as the player has had a hand in them: without what was left out, and what was moved in its place.
    /// </summary>
    /// <param name="drills">The drills as they were laid out, those that stay among them.</param>
    /// <param name="request">What they were made from.</param>
    internal static IReadOnlyList<Drill> AsByHand(IReadOnlyList<Drill> drills, DayRequest request)
    {
        var left = drills.ToList();
        var stays = request.Kept.Select(kept => kept.Id).ToHashSet(StringComparer.Ordinal);
        foreach (var drill in drills.Where(drill => request.LeftOut.Any(gone => Same(gone, drill)) && !stays.Contains(drill.Id)))
            Drop(left, drill, other => !other.IsBreak && !stays.Contains(other.Id) && !request.LeftOut.Any(gone => Same(gone, other)));
        foreach (var drill in left.Where(drill => drill.MovedTo is not null).OrderBy(drill => drill.MovedTo).ToList())
        {
            left.Remove(drill);
            left.Insert(Math.Min(drill.MovedTo!.Value, left.Count), drill);
        }

        return left;
    }

    /// <summary>Takes a drill out; its minutes go to the next of its area that the player has not set, else to the next of any.</summary>
    private static void Drop(List<Drill> drills, Drill gone, Func<Drill, bool> isFree)
    {
        var at = drills.IndexOf(gone);
        drills.RemoveAt(at);
        var next = drills
            .Where(drill => isFree(drill) && drill.Minutes + gone.Minutes <= MostMinutes)
            .OrderBy(drill => drill.Area != gone.Area)
            .ThenBy(drill => Math.Abs(drills.IndexOf(drill) - at))
            .FirstOrDefault();
        if (next is not null)
            drills[drills.IndexOf(next)] = RoundsFill.Sized(next with { Minutes = next.Minutes + gone.Minutes });
    }

    /// <summary>About the same: the same targets, or the same name where there are none.</summary>
    private static bool Same(Drill one, Drill other) =>
        one.Area == other.Area
        && (
            one.Targets.Count > 0 || other.Targets.Count > 0
                ? one
                    .Targets.Select(target => target.Key)
                    .ToHashSet(StringComparer.Ordinal)
                    .SetEquals(other.Targets.Select(target => target.Key))
                : one.Title == other.Title
        );

    /// <summary>Each drill that was moved by hand knows where it stands now; the last place is the last in a longer plan too.</summary>
    private static List<Drill> Places(List<Drill> drills) =>
        [
            .. drills.Select(
                (drill, place) =>
                    drill.MovedTo is null ? drill : drill with { MovedTo = place == drills.Count - 1 ? Drill.LastPlace : place }
            ),
        ];

    private static int Checked(int? minutes) =>
        minutes is >= 1 and <= MostMinutes ? minutes.Value : throw new PlanException("value", $"A drill lasts 1 to {MostMinutes} minutes.");

    private static Drill Counted(Drill drill, int? times)
    {
        if (drill.IsBreak || Methods.TimesOf(Methods.Of(drill)) is not { } range)
            throw new PlanException("drillId", "This drill does not count its takes. Choose a method that does, like six times, slowly.");
        return times >= range.Least && times <= range.Most
            ? drill with
            {
                Times = times,
                ByHand = true,
            }
            : throw new PlanException("value", $"Choose {range.Least} to {range.Most}.");
    }

    /// <summary>What a drill that was left out was about, as things that wait.</summary>
    internal static IEnumerable<Waiting> Waits(Drill drill) =>
        drill.Area is not { } area
            ? []
            : drill
                .Targets.Where(target => target.MaterialId is not null && TargetKey.Parse(target.Key).Kind == TargetKind.Material)
                .DistinctBy(target => target.MaterialId)
                .Select(target => new Waiting(
                    area,
                    target.MaterialId,
                    drill.Targets.Count(other => other.MaterialId == target.MaterialId) > 1 ? drill.Title : target.Title,
                    "left out by you"
                ));

    private static Material MaterialOf(DayRequest request, PlanChange change) =>
        request.Materials.FirstOrDefault(material => material.Id == change.MaterialId)
        ?? throw new PlanException("materialId", "There is no such material. Choose one from the list.");

    /// <summary>After the last drill of its area, else before play.</summary>
    private static int PlaceFor(List<Drill> drills, Area area)
    {
        var same = drills.FindLastIndex(drill => drill.Area == area);
        if (same >= 0)
            return same + 1;
        var play = drills.FindIndex(drill => drill.Area == Area.Play);
        return play >= 0 && area != Area.Play ? play : drills.Count;
    }

    private static Drill Swapped(DayPlan plan, DayRequest request, PlanChange change, Drill drill)
    {
        if (drill.IsBreak)
            throw new PlanException("drillId", "A break cannot be swapped. Leave it out or change its minutes.");
        if (change.MaterialId is not null)
            return Made(plan, request, change, drill.Minutes) with { Id = drill.Id };
        // Without a wish: fill the same area again without what stands in the plan.
        var titles = plan.Drills.Select(other => other.Title).ToHashSet(StringComparer.Ordinal);
        var fresh = new FillContext(request with { Kept = plan.Drills, ScaleMinutes = int.MaxValue });
        return Candidates(fresh, request, drill).FirstOrDefault(other => !titles.Contains(other.Title)) is { } found
            ? found with
            {
                Id = drill.Id,
                Minutes = drill.Minutes,
            }
            : throw new PlanException(
                "drillId",
                $"There is nothing else for {Areas.Name(drill.Area!.Value)} today. Enter more material, or leave this out."
            );
    }

    private static IEnumerable<Drill> Candidates(FillContext context, DayRequest request, Drill drill)
    {
        if (drill.Area == Area.WarmUp)
            return Fill.WarmUpFill.Others(context, drill);
        if (drill.Area != Area.Play)
            return Filled(context, drill.Area!.Value, drill.Minutes);
        // Play rotates by the day: tomorrow's and the days' after are the other ideas.
        return Enumerable
            .Range(1, 6)
            .SelectMany(days =>
                Filled(new FillContext(request with { Kept = [], Day = request.Day.AddDays(days) }), Area.Play, drill.Minutes)
            );
    }

    private static Drill Made(DayPlan plan, DayRequest request, PlanChange change, int minutes)
    {
        var material = MaterialOf(request, change);
        var id = $"a{plan.Drills.Count(drill => drill.Id.StartsWith('a')) + 1}";
        while (plan.Drills.Any(drill => drill.Id == id))
            id += "x";
        var context = new FillContext(
            request with
            {
                Kept = [],
                ScaleMinutes = int.MaxValue,
                Materials =
                [
                    material with
                    {
                        AskedFor = true,
                        Resting = false,
                        LastVisit = material.LastVisit == request.Day ? request.Day.AddDays(-1) : material.LastVisit,
                    },
                ],
            }
        );
        var length = Checked(minutes);
        var drill =
            material.Area == Area.WarmUp ? context.MakeOne(Area.WarmUp, Methods.EaseIn, material, length, "")
            : material.Kind == MaterialKind.Piece
                ? context.Make(
                    Area.Repertoire,
                    material.Readiness == Readiness.Raw ? Methods.SlowReading : Methods.PerformanceTake,
                    material.Title,
                    length,
                    "",
                    context.TargetOf(material, material.Readiness == Readiness.Raw ? Pace.Slow : Pace.Performance)
                )
            : Filled(context, material.Area, length).FirstOrDefault(made => made.Targets.Count > 0)
                ?? throw new PlanException("materialId", $"{material.Title} has nothing left to practise. Choose something else.");
        return drill with { Id = id, Minutes = length, Reason = "added by you", ByHand = true };
    }

    private static IEnumerable<Drill> Filled(FillContext context, Area area, int minutes)
    {
        var block = new Block(area, minutes, minutes, minutes);
        return area switch
        {
            Area.WarmUp => Fill.WarmUpFill.Fill(context, minutes),
            Area.SightReading => Fill.ReadingFill.Fill(context, minutes),
            Area.Technique => Fill.TechniqueFill.Fill(context, block, minutes),
            Area.Repertoire => Fill.RepertoireFill.Fill(context, block, minutes),
            Area.Ear => Fill.EarFill.Fill(context, minutes),
            _ => Fill.PlayFill.Fill(
                context,
                context.Request.Routine.Blocks.FirstOrDefault(block => block.Area == Area.Play) ?? new Block(Area.Play, 1, 1, 240),
                minutes
            ),
        };
    }
}
