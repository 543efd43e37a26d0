using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>A day without the instrument, after pain, numbness or tingling.</summary>
internal static class QuietDay
{
    public static IReadOnlyList<Drill> Drills(FillContext context, int minutes)
    {
        var kept = context.Request.Kept.Where(drill => drill.MethodId == Methods.SilentStudy.Id || drill.Area == Area.Ear).ToList();
        var left = minutes - kept.Sum(drill => drill.Minutes);
        if (left < 0)
            throw new PlanException("minutes", "The locked drills are longer than the day. Unlock one, or give the day more minutes.");
        var ear = EarFill.Fill(context, left / 2).ToList();
        var study = Study(context, left - (left / 2)).ToList();
        return
        [
            .. kept,
            .. study
                .Zip(ear.Cast<Drill?>().Concat(Enumerable.Repeat<Drill?>(null, study.Count)), (a, b) => new[] { a, b })
                .SelectMany(pair => pair)
                .OfType<Drill>(),
            .. ear.Skip(study.Count),
        ];
    }

    private static IEnumerable<Drill> Study(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var queue = DueList.For(
            context.Request.Materials.Where(material => material.Kind is MaterialKind.Passage or MaterialKind.Piece),
            context.Request.Day,
            context.Request.School
        );
        foreach (var (length, i) in FillContext.Chop(minutes, 4, 10).Select((length, i) => (length, i)))
        {
            yield return i < queue.Count
                ? context.Make(
                    Area.Repertoire,
                    Methods.SilentStudy,
                    queue[i].Material.Title,
                    length,
                    "in the head, hands at rest",
                    context.TargetOf(queue[i].Material, timed: false)
                )
                : context.Make(Area.Repertoire, Methods.SilentStudy, "Music you know", length, "in the head, hands at rest");
        }
    }
}
