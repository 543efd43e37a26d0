using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What the body said at one time.</summary>
/// <param name="Day">The practice day.</param>
/// <param name="Tension">0 none to 3 high.</param>
/// <param name="Pain">Pain, numbness or tingling.</param>
/// <param name="Keys">Keys of what was played when it was told; none when it was not told of a drill.</param>
public sealed record BodyWord(DateOnly Day, int Tension, bool Pain, IReadOnlyList<string> Keys);

/// <summary>How the body stands on a day, by all that was told.</summary>
/// <param name="Quiet">True while pain was told and not that it is well again.</param>
/// <param name="HoldTempo">True after rising tension.</param>
/// <param name="QuietDays">Days spent without the instrument: they owe nothing to anybody.</param>
/// <param name="AfterPain">The way back, or null.</param>
public sealed record Body(bool Quiet, bool HoldTempo, IReadOnlySet<DateOnly> QuietDays, AfterPain? AfterPain)
{
    /// <summary>Nothing was told.</summary>
    public static Body Well { get; } = new(false, false, new HashSet<DateOnly>(), null);

    /// <summary>Days for which tension is remembered (common practice).</summary>
    private const int TensionDays = 3;

    /// <summary>Days for which tension that was high speaks against a plateau of skill (common practice).</summary>
    public const int TenseDays = 14;

    /// <summary>From this level on tension is the ceiling: tempo does not rise.</summary>
    public const int HighTension = 2;

    /// <summary>The highest level that can be told.</summary>
    public const int MostTension = 3;

    /// <summary>Steps by which the tempo goes down when tension is told: two when it is high, one when it has risen.</summary>
    /// <param name="tension">What was told, 0 to 3.</param>
    /// <param name="before">What was told before on that day, or null.</param>
    /// <param name="minds">True where a rise alone counts: it was asked for, or several things take turns.</param>
    public static int StepsDown(int tension, int? before, bool minds) =>
        tension >= HighTension ? 2
        : minds && tension > (before ?? 0) ? 1
        : 0;

    /// <summary>How it stands.</summary>
    /// <param name="words">What was told, oldest first.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="practised">Days of practice, in any order.</param>
    public static Body Of(IReadOnlyList<BodyWord> words, DateOnly today, IEnumerable<DateOnly> practised)
    {
        ArgumentNullException.ThrowIfNull(words);
        ArgumentNullException.ThrowIfNull(practised);
        if (words.Count == 0)
            return Well;
        var last = words[^1];
        var hold = last.Tension >= HighTension && today.DayNumber - last.Day.DayNumber <= TensionDays;
        var pain = words.ToList().FindLastIndex(word => word.Pain);
        if (pain < 0)
            return new Body(false, hold, Well.QuietDays, null);
        var quiet = QuietSpans(words, today).ToHashSet();
        if (pain == words.Count - 1)
            return new Body(true, hold, quiet, null);
        var well = words[pain + 1].Day;
        var back = practised.Count(day => day >= well && day < today);
        var first = words.ToList().FindLastIndex(pain, word => !word.Pain) + 1;
        var keys = words.Skip(first).Take(pain - first + 1).SelectMany(word => word.Keys).Distinct(StringComparer.Ordinal).ToList();
        return new Body(false, hold, quiet, back < AfterPain.Days ? new AfterPain(back, keys) : null);
    }

    /// <summary>The days after one on which pain was told, up to the one before it was well again.</summary>
    private static IEnumerable<DateOnly> QuietSpans(IReadOnlyList<BodyWord> words, DateOnly today)
    {
        for (var at = 0; at < words.Count; at++)
        {
            if (!words[at].Pain)
                continue;
            var until = at + 1 < words.Count ? words[at + 1].Day : today.AddDays(1);
            for (var day = words[at].Day.AddDays(1); day < until; day = day.AddDays(1))
                yield return day;
        }
    }
}

/// <summary>
/// The way back after pain: half, six tenths and eight tenths of the minutes, without what hurt (common practice; it replaces no doctor).
/// </summary>
/// <param name="PracticeDaysBack">Practice days since it was well again, 0 on the first.</param>
/// <param name="Keys">Keys of what was played when it was told.</param>
public sealed record AfterPain(int PracticeDaysBack, IReadOnlyList<string> Keys)
{
    private static readonly double[] Parts = [0.5, 0.6, 0.8];

    /// <summary>Practice days that the way back takes.</summary>
    public static int Days => Parts.Length;

    /// <summary>Minutes of this day.</summary>
    /// <param name="usual">Usual minutes.</param>
    public int Minutes(int usual) => (int)Math.Round(usual * Parts[Math.Clamp(PracticeDaysBack, 0, Days - 1)]);

    /// <summary>
    /// What rests meanwhile: what was played when it was told; what shares its movement, which is the difficulty that it has or
    /// serves; and the whole piece around a passage of those.
    /// </summary>
    /// <param name="materials">All material.</param>
    public IReadOnlySet<int> Resting(IReadOnlyList<Material> materials)
    {
        ArgumentNullException.ThrowIfNull(materials);
        var told = materials.Where(one => Keys.Any(key => TargetKey.IsOf(key, one.Id))).ToList();
        var movements = told.SelectMany(Movements).ToHashSet(StringComparer.Ordinal);
        var rest = told.Concat(materials.Where(one => Movements(one).Any(movements.Contains))).ToList();
        var pieces = rest.Where(one => one.Kind == MaterialKind.Passage).Select(one => one.Group).ToHashSet();
        return rest.Select(one => one.Id)
            .Concat(materials.Where(one => one.Kind == MaterialKind.Piece && pieces.Contains(one.Id)).Select(one => one.Id))
            .ToHashSet();
    }

    private static IEnumerable<string> Movements(Material material) =>
        material.Kind switch
        {
            MaterialKind.Exercise => material.Serves.Where(one => Purpose.Movements.Contains(one, StringComparer.Ordinal)),
            MaterialKind.Passage when Purpose.Movements.Contains(material.Difficulty, StringComparer.Ordinal) => [material.Difficulty],
            _ => [],
        };
}
