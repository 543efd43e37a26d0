using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Of what annoys, or is stuck, half of the minutes; what is freed goes to the next drill of the area.</summary>
internal static class ReliefFill
{
    /// <summary>The drills of a block with their minutes moved; the sum stays.</summary>
    public static IReadOnlyList<Drill> Eased(DayRequest request, IEnumerable<Drill> block)
    {
        var drills = block.ToList();
        for (var i = 0; i < drills.Count; i++)
        {
            if (drills[i] is not { ByHand: false, Locked: false, Minutes: > 1 } || !IsEased(request, drills[i]))
                continue;
            var to = Enumerable
                .Range(0, drills.Count)
                .Where(at => at != i && !drills[at].Locked && !drills[at].IsBreak && !IsEased(request, drills[at]))
                .OrderBy(at => Math.Abs(at - i))
                .ThenByDescending(at => at)
                .Cast<int?>()
                .FirstOrDefault();
            if (to is not { } other)
                continue;
            var freed = drills[i].Minutes / 2;
            drills[i] = Resized(drills[i], -freed) with { Reason = "less of it, as you wished" };
            drills[other] = Resized(drills[other], freed);
        }

        return drills;
    }

    /// <summary>Whether a passage is left out of today's rounds: it comes every other day.</summary>
    public static bool IsLeftOut(Material material, DateOnly day) =>
        material is { Relief.Kind: Relief.HalfMinutes, AskedFor: false }
        && material.Relief.On(day) == Relief.HalfMinutes
        && material.LastVisit == day.AddDays(-1);

    private static bool IsEased(DayRequest request, Drill drill) =>
        drill.Targets.Select(target => target.MaterialId).OfType<int>().Distinct().ToList() is [var id]
        && request.Materials.FirstOrDefault(material => material.Id == id)?.Relief.On(request.Day)
            is Relief.HalfMinutes
                or Relief.TwoShortVisits;

    private static Drill Resized(Drill drill, int minutes)
    {
        var sized = RoundsFill.Sized(drill with { Minutes = drill.Minutes + minutes });
        return AlteredVersion.Of(drill.MethodId).Count > 0 ? sized with { Sum = StageSteps.Sum(sized) } : sized;
    }
}
