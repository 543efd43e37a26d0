namespace TuningFork.Core.Practice;

/// <summary>
/// A passage that was never clean is too big: it is played in halves until both are clean, and every third time whole (common practice).
/// </summary>
public static class Halves
{
    /// <summary>Visits after which something that was never clean is too big.</summary>
    public const int VisitsToClean = 4;

    private const int Turns = 3;

    /// <summary>Whether a passage is played in halves.</summary>
    /// <param name="material">The material.</param>
    public static bool Are(Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        return material is { Kind: MaterialKind.Passage, Best: null, LastClean: null, Visits: >= VisitsToClean }
            && material.Bars > 1
            && !Parts(material).All(part => material.Parts.GetValueOrDefault(part.Key) is { LastClean: not null });
    }

    /// <summary>The half whose turn it is; null when it is the turn of the whole.</summary>
    /// <param name="material">A passage in halves.</param>
    public static (string Key, int From, int To)? Today(Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        var turn = (material.Visits - VisitsToClean) % Turns;
        var parts = Parts(material);
        return turn == Turns - 1 ? null : parts[turn];
    }

    private static (string Key, int From, int To)[] Parts(Material material)
    {
        var middle = material.FromBar + ((material.Bars - 1) / 2);
        return [Part(material.FromBar, middle), Part(middle + 1, material.ToBar)];
    }

    private static (string Key, int From, int To) Part(int from, int to) => ($"b:{from}-{to}", from, to);
}
