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
    /// <summary>Where material that goes through the keys stands among what is due: as if a first take were clean nine times in ten.</summary>
    private const double KeysChance = 0.9;

    /// <summary>Most days between two visits of an exercise whose tempo is still to grow (common practice).</summary>
    private const int MostDaysAway = 3;

    /// <summary>What each day of waiting moves an exercise forward, so that all of them come round.</summary>
    private const double OverdueADay = 0.03;

    /// <summary>
    /// First what was asked for, then what is due: nearer performances, what slipped, raw, then the least likely to be
    /// clean. New material comes after what is due; what is not due yet comes last, the least lasting first. Visited today: left out.
    /// </summary>
    /// <param name="materials">Candidates; resting ones are left out.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="school">The school of spacing.</param>
    public static IReadOnlyList<Queued> For(IEnumerable<Material> materials, DateOnly today, School school)
    {
        ArgumentNullException.ThrowIfNull(materials);
        return [.. materials
            .Where(material => !material.Resting && material.LastVisit != today)
            .Select(material => Place(material, today, school))
            .OrderByDescending(queued => queued.Material.AskedFor)
            .ThenByDescending(queued => queued.IsDue)
            .ThenBy(queued => Urgency(queued, today))
            .ThenBy(queued => queued.Material.Id)];
    }

    /// <summary>Minutes a day that would keep up with everything under way: the length of a visit over its gap, summed.</summary>
    /// <param name="materials">Material under way; resting ones do not count.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="school">The school of spacing.</param>
    public static int MinutesToKeepUp(IEnumerable<Material> materials, DateOnly today, School school)
    {
        ArgumentNullException.ThrowIfNull(materials);
        var seconds = materials.Where(material => !material.Resting).Sum(material =>
        {
            var due = material.LastVisit is { } last
                ? Return.Due(material.School ?? school, last, material.Memory, material.Readiness, material.Slipped, material.Performance)
                : today.AddDays(1);
            var gap = Math.Max(1, due.DayNumber - (material.LastVisit ?? today).DayNumber);
            return (double)material.VisitSeconds / gap;
        });
        return (int)Math.Ceiling(seconds / 60);
    }

    private static Queued Place(Material material, DateOnly today, School school)
    {
        // What is new has waited since it was entered: the review is so many days after that.
        if (material.LastVisit is not { } last)
            return new Queued(material, material.ReviewOn?.AddDays(-Review.Days) is { } entered && entered < today ? entered : today, true, null, (material.AskedFor ? "you asked for it" : "new") + (material.Goal.Length > 0 ? $"; {material.Goal}" : ""));
        var days = today.DayNumber - last.DayNumber;
        if (material.KeyPlan is { } plan)
            return new Queued(material, last.AddDays(1), true, KeysChance, KeysWhy(material, plan, today));
        if (IsBack(material, today) && material.BackOn is { } back)
            return new Queued(material, back, true, material.Memory is { } rested ? Fsrs.Retrievability(days, rested.Stability) : null, $"back after {Words.Days(back.DayNumber - last.DayNumber)} of rest: a check");
        var due = Return.Due(material.School ?? school, last, material.Memory, material.Readiness, material.Slipped, material.Performance);
        // What is remembered still has to grow faster: an exercise below its target does not stay away for long.
        if (material is { Kind: MaterialKind.Exercise, Readiness: not Readiness.Ready } && due > last.AddDays(MostDaysAway))
            due = last.AddDays(MostDaysAway);
        double? chance = material.Memory is { } memory ? Fsrs.Retrievability(days, memory.Stability) : null;
        return new Queued(material, due, due <= today, chance, Why(material, today, due, days));
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

    private static double Urgency(Queued queued, DateOnly today)
    {
        var material = queued.Material;
        if (!queued.IsDue)
            return Lasting(material, today);
        var score = queued.Chance ?? 0.97;
        if (material.Kind == MaterialKind.Exercise)
            score = Math.Min(score, 0.97) - (OverdueADay * (today.DayNumber - queued.Due.DayNumber));
        if (material.Performance is { } date && date >= today)
            score -= 0.4 * Math.Clamp(1 - ((date.DayNumber - today.DayNumber) / 42.0), 0, 1);
        if (material.Slipped)
            score -= 0.3;
        if (IsBack(material, today))
            score -= 0.5;
        if (material.Goal.Length > 0)
            score -= material.GoalBehind ? 0.2 : 0.1;
        if (material.Readiness == Readiness.Raw && material.LastVisit is not null)
            score -= 0.15;
        return score;
    }

    /// <summary>Its rest is over and nobody has looked how it stands.</summary>
    private static bool IsBack(Material material, DateOnly today) => material.BackOn is { } back && back <= today && material.LastVisit < back;

    /// <summary>Of what is not due: the chance that it would be clean on the day it has to be, or tomorrow where there is no such day.</summary>
    private static double Lasting(Material material, DateOnly today)
    {
        var day = material.Performance is { } date && date > today ? date : today.AddDays(1);
        return material is { Memory: { } memory, LastVisit: { } last } ? Fsrs.Retrievability(day.DayNumber - last.DayNumber, memory.Stability) : 0;
    }

    private static string Why(Material material, DateOnly today, DateOnly due, int days)
    {
        var parts = new List<string>();
        if (material.AskedFor)
            parts.Add("you asked for it");
        if (material.Slipped)
            parts.Add($"slipped {Words.Ago(days)}");
        else if (material.Readiness == Readiness.Raw)
            parts.Add("raw");
        else if (due > today)
            parts.Add("not due yet");
        else
            parts.Add(due == today ? "due" : $"due since {Words.Days(today.DayNumber - due.DayNumber)}");
        if (material.LastClean is { } clean)
            parts.Add(material.Slipped ? $"last clean {clean}" : $"last clean {clean}, {Words.Ago(days)}");
        else if (!material.Slipped)
            parts.Add($"last played {Words.Ago(days)}");
        if (material.Performance is { } date && date >= today && date.DayNumber - today.DayNumber <= 42)
            parts.Add($"concert {Words.In(date.DayNumber - today.DayNumber)}");
        if (material.Goal.Length > 0)
            parts.Add(material.Goal);
        return string.Join("; ", parts);
    }
}
