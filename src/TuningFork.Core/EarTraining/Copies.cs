namespace TuningFork.Core.EarTraining;

/// <summary>What is heard and then played on the instrument.</summary>
public enum CopyKind
{
    /// <summary>Two bars, heard as often as needed, played back.</summary>
    Phrase,

    /// <summary>A figure heard on the first degree of a key, moved up its scale by ear and back.</summary>
    Figure,
}

/// <summary>How hard the next phrase or figure is: up when it came after few hearings, down when it did not come (common practice).</summary>
public static class Copies
{
    /// <summary>Where one begins, and the hardest.</summary>
    public const int First = 2,
        Hardest = 12;

    /// <summary>Heard no oftener than that it was easy.</summary>
    public const int FewHearings = 3;

    /// <summary>Degrees of a figure by level: three, four, five.</summary>
    private const int LevelsASize = 4,
        Smallest = 3;

    /// <summary>The level of the next.</summary>
    /// <param name="level">The level of this one, 1 to <see cref="Hardest"/>.</param>
    /// <param name="right">Whether all of it came.</param>
    /// <param name="hearings">How often it was heard, 1 or more.</param>
    public static int Next(int level, bool right, int hearings) =>
        Math.Clamp(
            right
                ? hearings <= FewHearings
                    ? level + 1
                    : level
                : level - 1,
            1,
            Hardest
        );

    /// <summary>What follows from it, in a sentence.</summary>
    /// <param name="level">The level of this one.</param>
    /// <param name="right">Whether all of it came.</param>
    /// <param name="hearings">How often it was heard.</param>
    public static string Words(int level, bool right, int hearings)
    {
        var next = Next(level, right, hearings);
        var times = hearings == 1 ? "one hearing" : $"{hearings} hearings";
        return right
            ? $"All of it after {times}. {(next > level ? $"The next one is harder: level {next}." : $"The next one is as hard: level {next}.")}"
            : $"Not yet, after {times}. {(next < level ? $"The next one is easier: level {next}." : "The next one is as easy.")}";
    }

    /// <summary>How many degrees a figure of a level has.</summary>
    /// <param name="level">1 to <see cref="Hardest"/>.</param>
    public static int FigureSize(int level)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(level, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(level, Hardest);
        return Smallest + ((level - 1) / LevelsASize);
    }
}
