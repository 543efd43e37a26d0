using TuningFork.Core.Practice;
using TuningFork.Core.Technique;

namespace TuningFork.Core.Planning;

/// <summary>What a spare minute is spent on.</summary>
public enum SpareKind
{
    /// <summary>A passage below its target, a time or two.</summary>
    Passage,

    /// <summary>A change, or the positions of a chord.</summary>
    Change,

    /// <summary>A scale in the key that waits longest.</summary>
    Scale,

    /// <summary>One question for the ear.</summary>
    Ear,

    /// <summary>A silent look at the bars, away from the instrument.</summary>
    Look,
}

/// <summary>Something short to do in passing.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Key">What it is about: a target's key, or "ear".</param>
/// <param name="MaterialId">Its material, or null.</param>
/// <param name="Title">What it is called.</param>
/// <param name="How">What to do, in a sentence.</param>
/// <param name="Why">Why this, in a few words.</param>
/// <param name="Seconds">How long it takes, 10 to 60.</param>
/// <param name="Tempo">Beats a minute, where it has a tempo.</param>
public sealed record Spare(SpareKind Kind, string Key, int? MaterialId, string Title, string How, string Why, int Seconds, int? Tempo);

/// <summary>
/// Short things for whenever one passes the instrument: a few a day, spread, and never the first test of a day (common practice;
/// spacing within a day helps as spacing between days does, Cepeda et al. 2006).
/// </summary>
public static class SpareMinutes
{
    /// <summary>Fewest and most a day; 0 switches them off.</summary>
    public const int Least = 2;

    /// <summary>Most a day.</summary>
    public const int Most = 4;

    private const int Shortest = 10;
    private const int Longest = 60;

    /// <summary>Minutes between two of them, and between the same thing and a sitting (common practice).</summary>
    public const int GapMinutes = 45;

    /// <summary>Of what can be done so much is asked in passing: cold, and right (common practice).</summary>
    private const double Ease = 0.85;

    /// <summary>Takes of a passage.</summary>
    private const int Times = 2;

    /// <summary>How many wait, and when the next comes.</summary>
    /// <param name="from">Begin of the waking hours.</param>
    /// <param name="until">Their end.</param>
    /// <param name="aDay">How many a day; 0 for none.</param>
    /// <param name="now">The time of day.</param>
    /// <param name="done">Those that were done today.</param>
    /// <param name="last">When the last was done, or null.</param>
    /// <returns>Next is null when none comes any more today.</returns>
    public static (int Waiting, TimeOnly? Next) Waiting(TimeOnly from, TimeOnly until, int aDay, TimeOnly now, int done, TimeOnly? last)
    {
        if (aDay == 0 || done >= aDay || until <= from)
            return (0, null);
        var pause = (until - from) / aDay;
        var come = Enumerable.Range(0, aDay).Count(slot => from.Add(pause * slot) <= now);
        var waiting = Math.Max(0, come - done);
        if (now >= until)
            return (0, null);
        if (last is { } at && now < at.AddMinutes(GapMinutes) && at <= now)
            return (0, at.AddMinutes(GapMinutes));
        return waiting > 0 ? (waiting, null) : (0, from.Add(pause * Math.Max(done, come)) is var next && next < until ? next : null);
    }

    /// <summary>What is spent on the next one: what has a date soon, then what is furthest from its target; kinds take turns.</summary>
    /// <param name="materials">All material.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="done">Keys of those done today, in order.</param>
    /// <param name="skipped">Keys that are not wished now.</param>
    /// <param name="away">Away from the instrument: something to hear, or a silent look.</param>
    /// <param name="hasEar">Whether there are questions for the ear.</param>
    /// <returns>Null where there is nothing.</returns>
    public static Spare? Choose(
        IReadOnlyList<Material> materials,
        DateOnly day,
        IReadOnlyList<string> done,
        IReadOnlyCollection<string> skipped,
        bool away,
        bool hasEar
    )
    {
        ArgumentNullException.ThrowIfNull(done);
        var all = All(materials, day, away, hasEar);
        var kinds = done.Select(key => all.FirstOrDefault(one => one.Key == key)?.Kind).ToList();
        return all.Where(one => !skipped.Contains(one.Key, StringComparer.Ordinal))
            // What came least today, then what kind came least; passages come twice as often as others.
            .OrderBy(one => done.Count(key => key == one.Key))
            .ThenBy(one => kinds.Count(kind => kind == one.Kind) / (one.Kind == SpareKind.Passage ? 2.0 : 1.0))
            .FirstOrDefault();
    }

    /// <summary>All that a spare minute could be spent on, the most pressing of each kind first.</summary>
    /// <param name="materials">All material.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="away">Away from the instrument.</param>
    /// <param name="hasEar">Whether there are questions for the ear.</param>
    public static IReadOnlyList<Spare> All(IReadOnlyList<Material> materials, DateOnly day, bool away, bool hasEar)
    {
        ArgumentNullException.ThrowIfNull(materials);
        return away
            ? Away(materials, day, hasEar)
            : [.. Passages(materials, day), .. Changes(materials, day), .. Scales(materials, day), .. Ear(hasEar)];
    }

    private static IReadOnlyList<Spare> Passages(IReadOnlyList<Material> materials, DateOnly day) =>
        [
            .. Raw(materials, day)
                .Select(material =>
                {
                    var seconds = (int)
                        Math.Clamp(Times * ((material.Bars * material.BeatsPerBar * 60.0 / TempoOf(material)) + 4), Shortest, Longest);
                    return new Spare(
                        SpareKind.Passage,
                        TargetKey.Of(material.Id),
                        material.Id,
                        material.Title,
                        material.IsTimed ? "Twice, no faster than this. Count the first." : "Twice, quietly. Count the first.",
                        Why(material, day),
                        seconds,
                        material.IsTimed ? TempoOf(material) : null
                    );
                }),
        ];

    private static IReadOnlyList<Spare> Changes(IReadOnlyList<Material> materials, DateOnly day) =>
        [
            .. materials
                .Where(material =>
                    material is { Resting: false, Work.Kind: WorkKind.Changes or WorkKind.Inversions } && !Standing.AtTarget(material, day)
                )
                .OrderBy(material => material.LastVisit ?? DateOnly.MinValue)
                .Select(material => new Spare(
                    SpareKind.Change,
                    TargetKey.Of(material.Id),
                    material.Id,
                    material.Title,
                    material.Work!.Kind == WorkKind.Changes
                        ? "Half a minute of this change, slowly and right."
                        : "All positions once, slowly and right.",
                    material.LastVisit is { } last ? $"last {Words.Ago(day.DayNumber - last.DayNumber)}" : "not played yet",
                    30,
                    null
                )),
        ];

    private static IReadOnlyList<Spare> Scales(IReadOnlyList<Material> materials, DateOnly day) =>
        [
            .. materials
                .Where(material => material is { Resting: false, KeyPlan: not null, LastVisit: not null })
                .Select(material => (material, Key: Oldest(material)))
                .Where(pair => pair.Key is not null)
                .OrderBy(pair => pair.Key!.LastDay)
                .Select(pair => new Spare(
                    SpareKind.Scale,
                    TargetKey.Of(pair.material.Id, TargetPart.Key, pair.Key!.Key.ToString()),
                    pair.material.Id,
                    $"{pair.material.Title}: {pair.Key.Key}",
                    "Once up and down, every note heard.",
                    $"this key waits {Words.Days(day.DayNumber - pair.Key.LastDay.DayNumber)}",
                    30,
                    null
                )),
        ];

    private static KeyRecord? Oldest(Material material) => material.Keys.OrderBy(key => key.LastDay).FirstOrDefault();

    private static IReadOnlyList<Spare> Ear(bool hasEar) =>
        hasEar ? [new Spare(SpareKind.Ear, "ear", null, "One question for the ear", "Listen, and say what it is.", "", 20, null)] : [];

    private static IReadOnlyList<Spare> Away(IReadOnlyList<Material> materials, DateOnly day, bool hasEar) =>
        [
            .. Ear(hasEar),
            .. Raw(materials, day)
                .Select(material => new Spare(
                    SpareKind.Look,
                    $"look:{material.Id}",
                    material.Id,
                    material.Title,
                    "Look at the bars and hear them; let the fingers go through them on the table.",
                    Why(material, day),
                    40,
                    null
                )),
        ];

    /// <summary>What has its second visit of the day open, then passages under way and below their target, the most pressing first.</summary>
    private static IEnumerable<Material> Raw(IReadOnlyList<Material> materials, DateOnly day) =>
        materials
            .Where(material =>
                IsSecondVisit(material, day)
                || (material is { Kind: MaterialKind.Passage, Resting: false, LastVisit: not null } && !Standing.AtTarget(material, day))
            )
            .OrderByDescending(material => IsSecondVisit(material, day))
            .ThenBy(material => material.Performance ?? DateOnly.MaxValue)
            .ThenBy(Part);

    /// <summary>What is to have two short visits a day, and was visited once.</summary>
    private static bool IsSecondVisit(Material material, DateOnly day) =>
        material is { Kind: MaterialKind.Passage or MaterialKind.Exercise, TwiceADay: true, Resting: false } && material.LastVisit == day;

    private static double Part(Material material) =>
        material.Target is { } target ? (material.Reach ?? material.Start).Tempo / target.Value : (int)material.Readiness / 3.0;

    private static int TempoOf(Material material) => Math.Max(20, (int)((material.Reach ?? material.Start).Tempo * Ease));

    private static string Why(Material material, DateOnly day) =>
        IsSecondVisit(material, day) ? "its second short visit today"
        : material.Performance is { } date ? $"concert in {Words.Days(date.DayNumber - day.DayNumber)}"
        : material.Target is { } target ? $"at {(material.Reach ?? material.Start).Tempo:0} of {target.Value}"
        : "not ready yet";
}
