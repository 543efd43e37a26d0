namespace TuningFork.Core.Notation;

/// <summary>The notes that a tempo may count, by the names they are kept under.</summary>
public static class BeatValue
{
    private static readonly Dictionary<string, Fraction> Values = new(StringComparer.Ordinal)
    {
        ["half"] = new(1, 2),
        ["dotted quarter"] = new(3, 8),
        ["quarter"] = new(1, 4),
        ["eighth"] = new(1, 8),
    };

    /// <summary>Their names, the longest first.</summary>
    public static IReadOnlyCollection<string> Names => Values.Keys;

    /// <summary>The part of a whole note behind a name; a quarter for a name that is not known.</summary>
    /// <param name="name">Its name.</param>
    public static Fraction Of(string name) => Values.GetValueOrDefault(name, Values["quarter"]);
}
