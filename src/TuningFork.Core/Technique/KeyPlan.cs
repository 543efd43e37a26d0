using TuningFork.Core.Ability;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>How many keys a day.</summary>
public enum KeySchool
{
    /// <summary>So many a day that twelve are covered in a few days, by the minutes (default).</summary>
    SeveralADay,

    /// <summary>One key a day.</summary>
    OneADay,

    /// <summary>One key a week.</summary>
    OneAWeek,
}

/// <summary>In which order the keys come.</summary>
public enum KeyOrder
{
    /// <summary>Each a fourth above the last: C, F, B flat.</summary>
    Fourths,

    /// <summary>Each a fifth above the last: C, G, D.</summary>
    Fifths,

    /// <summary>Each a half step above the last.</summary>
    HalfSteps,

    /// <summary>Mixed, none again before all have come.</summary>
    Shuffled,

    /// <summary>On a keyboard: those with the same fingers one after the other, the largest family first.</summary>
    Fingers,
}

/// <summary>A way through the keys.</summary>
/// <param name="School">How many keys a day.</param>
/// <param name="Order">Their order.</param>
/// <param name="WithMinors">True for 24 keys, each major followed by its relative minor; false for twelve majors.</param>
/// <param name="Minor">True for the twelve minors alone.</param>
public sealed record KeyPlan(
    KeySchool School = KeySchool.SeveralADay,
    KeyOrder Order = KeyOrder.Fourths,
    bool WithMinors = false,
    bool Minor = false
)
{
    /// <summary>Minutes that a key needs: a few takes of a scale (common practice).</summary>
    public const int MinutesAKey = 1;

    private const int DaysInAWeek = 7;

    /// <summary>All its keys in their order, from C (A for minors).</summary>
    /// <param name="seed">Makes a shuffled order again.</param>
    public IReadOnlyList<Key> Keys(int seed = 0)
    {
        var steps = Order switch
        {
            KeyOrder.Fifths => 7,
            KeyOrder.HalfSteps => 1,
            _ => 5,
        };
        var start = Minor ? 9 : 0;
        var twelve =
            Order == KeyOrder.Fingers
                ? [.. Fingering.Groups(Minor).SelectMany(family => family)]
                : Enumerable.Range(0, 12).Select(i => Key.OfPitchClass((start + (i * steps)) % 12, Minor)).ToArray();
        if (Order == KeyOrder.Shuffled)
            new Random(seed).Shuffle(twelve);
        return WithMinors && !Minor ? [.. twelve.SelectMany(key => new[] { key, key.Relative })] : twelve;
    }

    /// <summary>Keys a day: by the minutes where several are wanted, one otherwise.</summary>
    /// <param name="minutes">Minutes of the drill, 0 or more.</param>
    public int KeysADay(int minutes) => School == KeySchool.SeveralADay ? Math.Clamp(minutes / MinutesAKey, 1, Keys().Count) : 1;

    /// <summary>Days until all keys have come: ceil(keys / keys a day), or a week for each.</summary>
    /// <param name="minutes">Minutes a day.</param>
    public int DaysToCover(int minutes)
    {
        var keys = Keys().Count;
        return School == KeySchool.OneAWeek ? keys * DaysInAWeek : (keys + KeysADay(minutes) - 1) / KeysADay(minutes);
    }

    /// <summary>
    /// Today's keys: those that have waited longest, in the plan's order, going on after the last one; never beginning with
    /// the key of the last beginning while there is another.
    /// </summary>
    /// <param name="known">What happened with the keys so far.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="minutes">Minutes of the drill.</param>
    /// <param name="seed">Makes a shuffled order again.</param>
    /// <param name="taken">Keys that another exercise has today: they come only where there is no other. The key of the week is the same
    /// wherever it is played.</param>
    public IReadOnlyList<Key> Today(
        IReadOnlyList<KeyRecord> known,
        DateOnly today,
        int minutes,
        int seed = 0,
        IReadOnlyCollection<Key>? taken = null
    )
    {
        ArgumentNullException.ThrowIfNull(known);
        var keys = Keys(seed).ToList();
        var records = known.ToDictionary(record => record.Key);
        var last = known.Count == 0 ? null : known.MaxBy(record => (record.LastDay, keys.IndexOf(record.Key)));
        if (School == KeySchool.OneAWeek && Week(known, today) is { } week && keys.Contains(week))
            return [week];
        var from = last is null ? 0 : keys.IndexOf(last.Key) + 1;
        var inTurn = keys.Skip(from).Concat(keys.Take(from)).ToList();
        var chosen = inTurn
            .OrderBy(key => School != KeySchool.OneAWeek && taken?.Contains(key) == true)
            .ThenBy(key => records.TryGetValue(key, out var record) ? record.LastDay.DayNumber : int.MinValue)
            .Take(KeysADay(minutes))
            .OrderBy(inTurn.IndexOf)
            .ToList();
        var began = known.Where(record => record.Began).MaxBy(record => record.LastDay)?.Key;
        if (chosen.Count > 1 && chosen[0] == began)
            chosen = [.. chosen.Skip(1), chosen[0]];
        return chosen;
    }

    /// <summary>The key of this week: begun less than seven days ago.</summary>
    private static Key? Week(IReadOnlyList<KeyRecord> known, DateOnly today)
    {
        var last = known.MaxBy(record => record.LastDay);
        return last is not null && today.DayNumber - last.FirstDay.DayNumber < DaysInAWeek ? last.Key : null;
    }
}

/// <summary>What happened with a key.</summary>
/// <param name="Key">The key.</param>
/// <param name="LastDay">Day it was last played.</param>
/// <param name="FirstDay">First day of its present turn.</param>
/// <param name="Began">True when that last day began with it.</param>
/// <param name="LastClean">Last clean tempo, or null.</param>
/// <param name="Reach">What the player can do in it, brought to the day of the plan, in beats; null before the first timed take.</param>
public sealed record KeyRecord(Key Key, DateOnly LastDay, DateOnly FirstDay, bool Began, int? LastClean = null, Reach? Reach = null);
