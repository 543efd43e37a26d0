using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Ear training: self-checked tasks, the one asked longest ago first, then the one most often missed.</summary>
internal static class EarFill
{
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
        for (var i = 0; i < parts.Count; i++)
        {
            var (task, record) = tasks[i % tasks.Count];
            yield return context.Make(
                Area.Ear,
                Methods.SingThenHear,
                task.Title,
                parts[i],
                context.Asked(task.Key) ? FillContext.YouAsked : Reason(task, record, day),
                new Target
                {
                    Key = task.Key,
                    Title = task.Title,
                    Group = task.Key,
                }
            ) with
            {
                How = task.IsPitched ? "" : "Answer by tapping or aloud, before you hear it.",
            };
        }
    }

    private static string Reason(EarTask task, EarRecord? record, DateOnly day) =>
        record switch
        {
            null or { LastDay: null } => $"first time: {task.About}",
            { Missed: > 0, LastDay: { } last } =>
                $"missed {record.Missed} of {record.Asked} lately; {Words.Ago(day.DayNumber - last.DayNumber)}",
            { LastDay: { } last } => $"last asked {Words.Ago(day.DayNumber - last.DayNumber)}",
        };
}
