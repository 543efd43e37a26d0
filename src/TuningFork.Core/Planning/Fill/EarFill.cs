using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Ear training: rounds of naming, and between them tasks of singing, the one asked longest ago first, then the one most often missed.
/// </summary>
internal static class EarFill
{
    /// <summary>Where a day has one drill for the ear, each third day it is sung.</summary>
    private const int SungEach = 3;

    /// <summary>Key of a round.</summary>
    private const string Round = "ear:round";

    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var day = context.Request.Day;
        var all = EarTasks.For(context.Request.IsPitched).ToList();
        var tasks = all.Where(task => !context.Used.Contains(task.Key))
            .Select(task => (Task: task, Record: context.Request.Ear.FirstOrDefault(record => record.Key == task.Key)))
            .OrderByDescending(pair => context.Asked(pair.Task.Key))
            .ThenBy(pair => pair.Record?.LastDay ?? DateOnly.MinValue)
            .ThenByDescending(pair => pair.Record is { Asked: > 0 } record ? (double)record.Missed / record.Asked : 0)
            .ThenBy(pair => (all.IndexOf(pair.Task) + day.DayNumber + context.Request.Variant) % all.Count)
            .ToList();
        if (tasks.Count == 0)
            tasks = [.. all.Select(task => (task, (EarRecord?)null))];
        var parts = FillContext.Chop(minutes, context.Request.Minutes > 75 ? 4 : 3, 8);
        var sung = 0;
        for (var i = 0; i < parts.Count; i++)
        {
            if (IsRound(context, i, parts.Count, tasks))
            {
                yield return Named(context, parts[i]);
                continue;
            }

            var (task, record) = tasks[sung++ % tasks.Count];
            yield return context.Make(
                Area.Ear,
                task.IsPitched ? Methods.SingThenHear : Methods.TapThenHear,
                task.Title,
                parts[i],
                context.Asked(task.Key) ? FillContext.YouAsked : Reason(task, record, day),
                new Target
                {
                    Key = task.Key,
                    Title = task.Title,
                    Group = task.Key,
                    Place = record is null ? 0 : record.Asked - record.Missed,
                }
            );
        }
    }

    /// <summary>Rounds and singing take turns; what was asked for comes first, what was swapped away does not come back.</summary>
    private static bool IsRound(FillContext context, int part, int parts, List<(EarTask Task, EarRecord? Record)> tasks) =>
        (context.Asked(Round) && part == 0)
        || (
            !context.Used.Contains(Round)
            && !context.Asked(tasks[0].Task.Key)
            && (parts == 1 ? context.Request.Day.DayNumber % SungEach != 0 : part % 2 == 0)
        );

    private static Drill Named(FillContext context, int minutes) =>
        context.Make(
            Area.Ear,
            Methods.EarRound,
            context.Request.IsPitched ? "Name what you hear" : "Name the rhythm you hear",
            minutes,
            context.Asked(Round) ? FillContext.YouAsked : context.Request.EarDigest.Reason,
            new Target
            {
                Key = Round,
                Title = "A round for the ear",
                Group = Round,
            }
        );

    private static string Reason(EarTask task, EarRecord? record, DateOnly day) =>
        record switch
        {
            null or { LastDay: null } => $"first time: {task.About}",
            { Missed: > 0, LastDay: { } last } =>
                $"missed {record.Missed} of {record.Asked} lately; {Words.Ago(day.DayNumber - last.DayNumber)}",
            { LastDay: { } last } => $"last asked {Words.Ago(day.DayNumber - last.DayNumber)}",
        };
}
