using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;

namespace TuningFork.Core.Planning;

/// <summary>A material in the queue of a day.</summary>
/// <param name="Material">The material.</param>
/// <param name="Due">The day it is due.</param>
/// <param name="IsDue">Whether that day has come.</param>
/// <param name="Chance">Chance that a first take would be clean now, 0 to 1; null for new material.</param>
/// <param name="Reason">Why it stands where it stands, in a few words.</param>
public sealed record Queued(Material Material, DateOnly Due, bool IsDue, double? Chance, string Reason);

/// <summary>Puts material in the order in which it deserves today's minutes.</summary>
public static class DueList
{
    /// <summary>Days between two visits that growth is given when a sum is made (common practice).</summary>
    private const int GrowingDays = 2;

    /// <summary>Most that falling behind its path moves something forward, in days of waiting.</summary>
    private const double MostBehind = 3;

    /// <summary>Growth a day, in logarithms, beyond which a date is out of reach and pulls no more (common practice).</summary>
    private const double OutOfReach = 0.06;

    /// <summary>Most of those days.</summary>
    private const double MostShaken = 2.5;

    /// <summary>Days that growth is given where there is no date (common practice).</summary>
    private const double UsualDays = 60;

    /// <summary>
    /// What was asked for; what slipped or comes back from a rest; then what grows and what is due, by how long it waited and how
    /// far it is behind its path; what grows and was played yesterday; what is new; last what is at its target and not due.
    /// Visited today: left out.
    /// </summary>
    /// <param name="materials">Candidates; resting ones are left out.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="school">The school of spacing.</param>
    /// <param name="backToday">Whether what needs it may come again on a day on which it was visited: learning, and no test.</param>
    /// <param name="variant">How often the day was planned anew: things that wait about as long change places.</param>
    public static IReadOnlyList<Queued> For(
        IEnumerable<Material> materials,
        DateOnly today,
        School school,
        bool backToday = false,
        int variant = 0
    )
    {
        ArgumentNullException.ThrowIfNull(materials);
        return
        [
            .. materials
                .Where(material =>
                    !material.Resting && (material.LastVisit != today || material.AskedFor || (backToday && IsForAgain(material, today)))
                )
                .Select(material => Place(material, today, school))
                .OrderBy(queued => Group(queued, today))
                .ThenByDescending(queued => Waits(queued, today) + Shaken(queued.Material.Id, variant))
                .ThenBy(queued => queued.Material.Id),
        ];
    }

    /// <summary>Minutes a day that would keep up with everything under way: the length of a visit over its gap, summed.</summary>
    /// <param name="materials">Material under way; resting ones do not count.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="school">The school of spacing.</param>
    public static int MinutesToKeepUp(IEnumerable<Material> materials, DateOnly today, School school)
    {
        ArgumentNullException.ThrowIfNull(materials);
        var seconds = materials
            .Where(material => !material.Resting)
            .Sum(material =>
            {
                var gap = Standing.Due(material, today, school) is { } due
                    ? Math.Max(1, due.DayNumber - material.LastVisit!.Value.DayNumber)
                    : GrowingDays;
                return (double)material.VisitSeconds / gap;
            });
        return (int)Math.Ceiling(seconds / 60);
    }

    /// <summary>
    /// What comes in a second sitting: wished so, slipped or never clean, and of exercises what is changed under the clock or climbs.
    /// </summary>
    private static bool IsForAgain(Material material, DateOnly today) =>
        material.TwiceADay
        || material.Slipped
        || (material.Best is null && material.IsTimed)
        || material is { Kind: MaterialKind.Exercise, Work.Kind: WorkKind.Changes }
        || (material is { Kind: MaterialKind.Exercise, IsTimed: true } && !Standing.AtTarget(material, today));

    private static Queued Place(Material material, DateOnly today, School school)
    {
        // What is new has waited since it was entered: the review is so many days after that.
        if (material.LastVisit is not { } last)
            return new Queued(
                material,
                material.ReviewOn?.AddDays(-Review.Days) is { } entered && entered < today ? entered : today,
                true,
                null,
                Joined(material, "first time")
            );
        if (last == today)
            return new Queued(
                material,
                today,
                true,
                null,
                material.AskedFor ? Fill.FillContext.YouAsked
                    : material.TwiceADay ? "the second of two short visits today"
                    : material.MinutesToday > 0 ? $"again today, after {material.MinutesToday} min"
                    : "again today, to learn it"
            );
        var days = today.DayNumber - last.DayNumber;
        double? chance = material.Memory is { } memory ? Fsrs.Retrievability(days, memory.Stability) : null;
        if (material.KeyPlan is { } plan)
            return new Queued(material, last.AddDays(1), true, chance, KeysWhy(material, plan, today));
        if (IsBack(material, today) && material.BackOn is { } back)
            return new Queued(material, back, true, chance, $"back after {Words.Days(back.DayNumber - last.DayNumber)} of rest");
        var due = Standing.Due(material, today, school);
        return new Queued(material, due ?? today, due is null || due <= today, chance, Why(material, today, days));
    }

    /// <summary>What goes through the keys comes every day: each key has its own turn, the exercise has none.</summary>
    private static string KeysWhy(Material material, KeyPlan plan, DateOnly today)
    {
        var asked = material.AskedFor ? "you asked for it; " : "";
        var never = plan.Keys(material.Id).Count(key => material.Keys.All(record => record.Key != key));
        if (never > 0)
            return $"{asked}{never} {(never == 1 ? "key" : "keys")} not touched yet";
        var longest = material.Keys.Where(record => plan.Keys(material.Id).Contains(record.Key)).MinBy(record => record.LastDay)!;
        return $"{asked}{longest.Key.Name} waits {Words.Days(today.DayNumber - longest.LastDay.DayNumber)}";
    }

    private static int Group(Queued queued, DateOnly today)
    {
        var material = queued.Material;
        return material switch
        {
            // Two visits a day were promised: each sitting has one.
            { ComesFirst: true } => 0,
            // An exercise that is new waits like the others, so that it has its turn; a passage does not push in.
            { LastVisit: null, Kind: MaterialKind.Exercise } => 2,
            { LastVisit: null } => 4,
            _ when material.LastVisit == today => 4,
            _ when !queued.IsDue => 5,
            _ when IsBack(material, today) || material.Slipped => 1,
            _ when material.LastVisit == today.AddDays(-1) && !Standing.AtTarget(material, today) => 3,
            _ => 2,
        };
    }

    /// <summary>Days by which a new plan moves something in the queue.</summary>
    internal static double Shaken(int id, int variant) => variant == 0 ? 0 : new Random((variant * 7919) + id).NextDouble() * MostShaken;

    /// <summary>Days of waiting, and for what grows as many more as it is behind its path.</summary>
    private static double Waits(Queued queued, DateOnly today)
    {
        var material = queued.Material;
        if (material.LastVisit is not { } last)
            return today.DayNumber - queued.Due.DayNumber + (material.Performance is not null ? 1 : 0);
        if (!queued.IsDue)
            return -Lasting(material, today);
        var days = today.DayNumber - last.DayNumber;
        return days + Behind(material, today) + (material.GoalBehind ? 1 : 0);
    }

    /// <summary>How far something is behind its path, in days of waiting: what has to be grown every day until its date.</summary>
    private static double Behind(Material material, DateOnly today)
    {
        if (material is not { Kind: MaterialKind.Passage, Reach: { } reach, Target: { } target } || Standing.AtTarget(material, today))
            return 0;
        var left = material.Performance is { } date && date > today ? date.DayNumber - today.DayNumber : UsualDays;
        var aDay = Math.Log(target.Value / reach.Tempo) / left;
        return aDay > OutOfReach ? 0 : Math.Clamp(100 * aDay, 0, MostBehind);
    }

    /// <summary>Its rest is over and nobody has looked how it stands.</summary>
    private static bool IsBack(Material material, DateOnly today) =>
        material.BackOn is { } back && back <= today && material.LastVisit < back;

    /// <summary>
    /// Of what is not due: the chance that it would be clean on the day it has to be, or tomorrow where there is no such day.
    /// </summary>
    private static double Lasting(Material material, DateOnly today)
    {
        var day = material.Performance is { } date && date > today ? date : today.AddDays(1);
        return material is { Memory: { } memory, LastVisit: { } last }
            ? Fsrs.Retrievability(day.DayNumber - last.DayNumber, memory.Stability)
            : 0;
    }

    /// <summary>Why today, in a few words: "92 of 120, 19 days left".</summary>
    private static string Why(Material material, DateOnly today, int days) =>
        Joined(
            material,
            material switch
            {
                { Slipped: true } => $"slipped {Words.Ago(days)}",
                _ when Standing.AtTarget(material, today) => material.Readiness == Readiness.Ready
                    ? $"ready; last played {Words.Ago(days)}"
                    : $"at its target; last played {Words.Ago(days)}",
                { Reach: not null, Performance: { } date } when date >= today =>
                    $"{Standing.Words(material)}, {Words.Days(date.DayNumber - today.DayNumber)} left",
                { Reach: not null } => $"{Standing.Words(material)}, {Words.Days(days)} away",
                _ => $"last played {Words.Ago(days)}",
            }
        );

    private static string Joined(Material material, string why) =>
        material.AskedFor ? Fill.FillContext.YouAsked
        : material.TwiceADay ? "the first of two short visits today"
        : material is { Goal.Length: > 0, Slipped: false } ? material.Goal
        : why;
}
