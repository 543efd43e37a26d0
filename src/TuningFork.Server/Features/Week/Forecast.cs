using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;

namespace TuningFork.Server.Features.Week;

/// <summary>What is likely planned for the coming days: the planner's own plans, each after typical results of the days before.</summary>
public sealed class Forecast(PracticeDb db, PlanDesk plans)
{
    /// <summary>Takes of one thing in a drill; more change little.</summary>
    private const int MostTakes = 6;

    /// <summary>Of so many takes one is missed: where most is learnt (see how a day is planned).</summary>
    private const int OneMissedIn = 6;

    /// <summary>The plans of some days from today on; a day without minutes has none.</summary>
    /// <param name="facts">What is known today. Its rows are played on in memory: they must not be used for anything else after this.</param>
    /// <param name="days">How many days.</param>
    public async Task<IReadOnlyList<DayPlan?>> OfAsync(DayFacts facts, int days, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(facts);
        var keys = await db.Keys.AsNoTracking().ToListAsync(cancel);
        var goals = (
            await db.Goals.AsNoTracking().Where(row => row.Reached == null && row.Until >= facts.Day).ToListAsync(cancel)
        ).ConvertAll(Bookkeeping.ToCore);
        var lately = await PlayedLately.OfAsync(db, facts.Day, cancel);
        var lived = new Lived(facts, keys);
        var found = new List<DayPlan?>();
        for (var ahead = 0; ahead < days; ahead++)
        {
            var day = facts.Day.AddDays(ahead);
            var now = ahead == 0 ? facts : At(facts, day, keys, goals, lately.Later(day, lived.Played));
            var plan = await PlanAsync(now, ahead == 0, cancel);
            found.Add(plan);
            foreach (var drill in plan?.Drills ?? [])
                lived.Play(drill, day);
        }

        return found;
    }

    private async Task<DayPlan?> PlanAsync(DayFacts facts, bool isToday, CancellationToken cancel)
    {
        if (isToday && await plans.StoredAsync(facts.Day, cancel) is { } stored)
            return PlanDesk.Read(stored);
        if (facts.Calendar.MinutesOn(facts.Day) < SittingLength.Least)
            return null;
        var row = await plans.FreshAsync(facts, cancel);
        return PlanDesk.Read(row);
    }

    /// <summary>What would be known on a later day.</summary>
    private static DayFacts At(DayFacts facts, DateOnly day, List<KeyRow> keys, List<Goal> goals, PlayedLately lately) =>
        facts with
        {
            Day = day,
            Materials = Goals.Point(PlanDesk.ToCore(facts.Rows, day, keys, null, ProfileBooks.TraitsOf(facts.Profile)), goals, day),
            History = lately.History(_ => true),
            Balance = lately.History(one => !facts.Body.QuietDays.Contains(one), lost: true),
            MinutesByDay = lately.MinutesByDay,
            LastEnded = null,
        };

    /// <summary>The days that were played in memory: the rows go on as if they had been lived.</summary>
    private sealed class Lived(DayFacts facts, List<KeyRow> keys)
    {
        private readonly Dictionary<(int Material, DateOnly Day), VisitRow> visits = [];

        public List<(DateOnly Day, Area Area, double Seconds)> Played { get; } = [];

        /// <summary>Plays a drill as one typically does: of each thing some takes, one in six missed.</summary>
        public void Play(Drill drill, DateOnly day)
        {
            if (drill.Area is not { } area)
                return;
            Played.Add((day, area, drill.Minutes * 60));
            foreach (var target in drill.Targets.Where(target => target.MaterialId is not null))
            {
                // What was removed after the plan was made is played no more.
                if (facts.Rows.FirstOrDefault(one => one.Id == target.MaterialId) is not { } row)
                    continue;
                if (!visits.TryGetValue((row.Id, day), out var visit))
                    visits[(row.Id, day)] = visit = VisitBooks.Begin(row, day);
                if (row.Kind == MaterialKind.Book)
                    continue;
                var takes = Math.Clamp(
                    drill.Minutes * 60 / Math.Max(1, drill.Targets.Count * Math.Max(15, target.TakeSeconds)),
                    1,
                    MostTakes
                );
                for (var take = 1; take <= takes; take++)
                {
                    var clean = take % OneMissedIn != 0;
                    if (TodaysTempo.PartOf(target.Key) is { } part)
                        KeyBooks.Played(
                            KeyOf(row.Id, part),
                            day,
                            visit.Tries.Length == 0,
                            new Try(clean, target.Tempo),
                            row,
                            Bookkeeping.ToCore(row, day).StartInKey
                        );
                    VisitBooks.Add(row, visit, clean, target.Tempo?.Value, TodaysTempo.Weight(drill.MethodId, target.Key));
                }
            }
        }

        private KeyRow KeyOf(int material, string name)
        {
            if (keys.Find(key => key.MaterialId == material && key.Key == name) is { } there)
                return there;
            var added = new KeyRow { MaterialId = material, Key = name };
            keys.Add(added);
            return added;
        }
    }
}
