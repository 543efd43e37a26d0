namespace TuningFork.Core.Practice;

/// <summary>Where an exercise or a lick stands on its way into music.</summary>
public enum ExerciseStation
{
    /// <summary>It goes by its tempo alone.</summary>
    None,

    /// <summary>Slowly, until it is right.</summary>
    SlowAndRight,

    /// <summary>Up to its target.</summary>
    Faster,

    /// <summary>Used in a piece, without stopping for it.</summary>
    InMusic,

    /// <summary>It is there: looked at again now and then.</summary>
    Checked,
}

/// <summary>A move that the takes speak for.</summary>
/// <param name="To">The station that is proposed.</param>
/// <param name="Why">Why, in a few words.</param>
public sealed record StationMove(ExerciseStation To, string Why);

/// <summary>The stations of an exercise, and the rule of each move (common practice).</summary>
public static class ExerciseStations
{
    /// <summary>What is checked comes again after so many days.</summary>
    public const int CheckDays = Standing.ConfirmedDays;

    private const int CleanDays = 2;

    /// <summary>What it is called: "slow and right".</summary>
    /// <param name="station">The station.</param>
    public static string Name(ExerciseStation station) =>
        station switch
        {
            ExerciseStation.SlowAndRight => "slow and right",
            ExerciseStation.Faster => "faster",
            ExerciseStation.InMusic => "in music",
            ExerciseStation.Checked => "checked",
            _ => "by tempo alone",
        };

    /// <summary>
    /// The next station: faster after clean first takes on two days, in music at its target, checked after clean first takes in music on
    /// two days; back to faster when a check was missed. Null while it stays.
    /// </summary>
    /// <param name="now">Where it stands.</param>
    /// <param name="firsts">Whether the first take of each visit at this station was clean, oldest first.</param>
    /// <param name="atTarget">Whether it is at its target.</param>
    public static StationMove? Next(ExerciseStation now, IReadOnlyList<bool> firsts, bool atTarget)
    {
        ArgumentNullException.ThrowIfNull(firsts);
        var clean = firsts.Count >= CleanDays && firsts.TakeLast(CleanDays).All(first => first);
        return now switch
        {
            ExerciseStation.SlowAndRight when clean => new(ExerciseStation.Faster, "clean at first try on two days"),
            ExerciseStation.Faster when firsts.Count > 0 && atTarget => new(ExerciseStation.InMusic, "at its target"),
            ExerciseStation.InMusic when clean => new(ExerciseStation.Checked, "clean in music on two days"),
            ExerciseStation.Checked when firsts is [.., false] => new(ExerciseStation.Faster, "missed at its check"),
            _ => null,
        };
    }

    /// <summary>Whether it has its turn: what is checked only after three weeks.</summary>
    /// <param name="material">The exercise.</param>
    /// <param name="today">The practice day.</param>
    public static bool HasItsTurn(Material material, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(material);
        return material.Station != ExerciseStation.Checked || material.AskedFor || !(material.LastVisit > today.AddDays(-CheckDays));
    }
}
