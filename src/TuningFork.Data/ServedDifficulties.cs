namespace TuningFork.Data;

/// <summary>The difficulties that an exercise serves, as they stand in the book: those of the list, and words of one's own.</summary>
public static class ServedDifficulties
{
    /// <summary>Stands for a comma within somebody's words, because a comma parts them.</summary>
    private const char InWords = '\u201A';

    /// <summary>As they are kept.</summary>
    /// <param name="difficulties">The difficulties; empty ones and doubles are left out.</param>
    public static string Written(IEnumerable<string> difficulties) =>
        string.Join(
            ',',
            difficulties.Select(one => one.Trim().Replace(',', InWords)).Where(one => one.Length > 0).Distinct(StringComparer.Ordinal)
        );

    /// <summary>As they were said.</summary>
    /// <param name="kept">The text that is kept.</param>
    public static IReadOnlyList<string> Read(string kept)
    {
        ArgumentNullException.ThrowIfNull(kept);
        return [.. kept.Split(',', StringSplitOptions.RemoveEmptyEntries).Select(one => one.Replace(InWords, ','))];
    }
}
