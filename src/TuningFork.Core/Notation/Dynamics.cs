namespace TuningFork.Core.Notation;

/// <summary>Words of loudness that every reader of MusicXML and of ABC knows.</summary>
public static class Dynamics
{
    private static readonly HashSet<string> Known = new(StringComparer.Ordinal)
    {
        "pppp",
        "ppp",
        "pp",
        "p",
        "mp",
        "mf",
        "f",
        "ff",
        "fff",
        "ffff",
        "sfz",
        "sf",
        "fp",
        "rf",
        "rfz",
        "sfp",
    };

    /// <summary>Whether a word is one of them.</summary>
    /// <param name="name">As in "mf".</param>
    public static bool IsKnown(string name) => Known.Contains(name);
}
