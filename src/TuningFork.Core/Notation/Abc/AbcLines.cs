namespace TuningFork.Core.Notation;

/// <summary>ABC text as something to begin with: without its number, the same music several times, a line each.</summary>
public static class AbcLines
{
    /// <summary>Lines of one's own that are made from something.</summary>
    public const int Own = 3;

    /// <summary>A tune without its number in a book.</summary>
    /// <param name="abc">ABC text.</param>
    public static string WithoutNumber(string abc)
    {
        ArgumentNullException.ThrowIfNull(abc);
        return string.Join('\n', abc.Split('\n').Where(line => !line.StartsWith("X:", StringComparison.Ordinal)));
    }

    /// <summary>ABC text whose music stands so many times below its head.</summary>
    /// <param name="abc">ABC text of one voice.</param>
    /// <param name="times">How often, 1 or more.</param>
    public static string Repeated(string abc, int times = Own)
    {
        ArgumentNullException.ThrowIfNull(abc);
        ArgumentOutOfRangeException.ThrowIfLessThan(times, 1);
        var lines = abc.ReplaceLineEndings("\n").TrimEnd('\n').Split('\n');
        // The head ends with the key.
        var key = Array.FindIndex(lines, line => line.StartsWith("K:", StringComparison.Ordinal));
        var music = string.Join('\n', lines[(key + 1)..]).TrimEnd();
        var inside = music.EndsWith("|]", StringComparison.Ordinal) ? $"{music[..^2]}|" : music;
        return string.Join('\n', [.. lines[..(key + 1)], .. Enumerable.Repeat(inside, times - 1), music]) + "\n";
    }
}
