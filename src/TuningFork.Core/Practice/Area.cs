namespace TuningFork.Core.Practice;

/// <summary>
/// What a drill trains. The order is the order in which a day is usually worked, and the last tie-breaker of every split.
/// </summary>
public enum Area
{
    /// <summary>Easy motion and sound before anything hard. Goes by the length of the sitting, owes nothing and is owed nothing.</summary>
    WarmUp,

    /// <summary>Unseen music, in time, without stopping.</summary>
    SightReading,

    /// <summary>Exercises: scales, chords, patterns, studies.</summary>
    Technique,

    /// <summary>Pieces and their passages.</summary>
    Repertoire,

    /// <summary>Hearing, singing back and naming.</summary>
    Ear,

    /// <summary>Free playing, making things up, playing through: reward and test.</summary>
    Play,
}

/// <summary>Words and sets of areas.</summary>
public static class Areas
{
    /// <summary>The five areas that share the week; warm-up is not among them.</summary>
    public static IReadOnlyList<Area> Shared { get; } = [Area.SightReading, Area.Technique, Area.Repertoire, Area.Ear, Area.Play];

    /// <summary>All six areas in the order of a day.</summary>
    public static IReadOnlyList<Area> All { get; } = [Area.WarmUp, .. Shared];

    /// <summary>The area as a person says it, in lower case: "sight reading".</summary>
    public static string Name(Area area) =>
        area switch
        {
            Area.WarmUp => "warm-up",
            Area.SightReading => "sight reading",
            Area.Technique => "technique",
            Area.Repertoire => "repertoire",
            Area.Ear => "ear training",
            Area.Play => "play",
            _ => throw new ArgumentOutOfRangeException(nameof(area), area, "There is no such area."),
        };
}
