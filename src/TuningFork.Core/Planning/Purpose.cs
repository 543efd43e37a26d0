using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>What today's technique is for: a difficulty of the passages now being worked at.</summary>
/// <param name="Difficulty">The difficulty.</param>
/// <param name="Passages">The passages that have it, the most pressing first; none when it was chosen by hand.</param>
public sealed record TechniquePurpose(string Difficulty, IReadOnlyList<Material> Passages)
{
    /// <summary>"fingering in Ferry Waltz, 31–33 and March, 40–41".</summary>
    public string Words =>
        Passages.Count == 0
            ? Difficulty
            : $"{Difficulty} in {Practice.Words.List([.. Passages.Take(2).Select(passage => passage.Title), .. Passages.Count > 2 ? [$"{Passages.Count - 2} more"] : Array.Empty<string>()])}";
}

/// <summary>Picks the purpose of technique from the difficulties of one's own passages (common practice).</summary>
public static class Purpose
{
    /// <summary>The word for no purpose, where one is chosen by hand.</summary>
    public const string None = "none";

    /// <summary>Difficulties that exercises can serve.</summary>
    public static IReadOnlyList<string> Difficulties { get; } = ["fingering", "shift", "rhythm", "coordination", "intonation", "tone"];

    /// <summary>Those of them that are a movement of the body: rhythm and sound are none.</summary>
    public static IReadOnlyList<string> Movements { get; } = ["fingering", "shift", "coordination"];

    /// <summary>The purpose of a day; null when no passage under way has such a difficulty.</summary>
    /// <param name="materials">All material.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="chosen">A difficulty chosen by hand, "none", or empty for the app's choice.</param>
    public static TechniquePurpose? Of(IEnumerable<Material> materials, DateOnly today, string chosen = "")
    {
        ArgumentNullException.ThrowIfNull(materials);
        if (chosen == None)
            return null;
        var all = materials.ToList();
        return all.Where(material =>
                material is { Kind: MaterialKind.Passage, Resting: false, Readiness: not Readiness.Ready }
                && CanBeServed(material.Difficulty, all)
            )
            .GroupBy(material => material.Difficulty, StringComparer.Ordinal)
            .Select(group =>
                (
                    Purpose: new TechniquePurpose(
                        group.Key,
                        [.. group.OrderByDescending(passage => Weight(passage, today)).ThenBy(passage => passage.Id)]
                    ),
                    Weight: group.Sum(passage => Weight(passage, today))
                )
            )
            .Where(pair => chosen.Length == 0 || pair.Purpose.Difficulty == chosen)
            .OrderByDescending(pair => pair.Weight)
            .ThenBy(pair => pair.Purpose.Difficulty, StringComparer.Ordinal)
            .Select(pair => pair.Purpose)
            .FirstOrDefault()
            ?? (chosen.Length > 0 ? new TechniquePurpose(chosen, []) : null);
    }

    /// <summary>Whether technique can be for something: a difficulty of the list, or words of one's own that an exercise serves.</summary>
    /// <param name="difficulty">The difficulty.</param>
    /// <param name="materials">All material.</param>
    public static bool CanBeServed(string difficulty, IEnumerable<Material> materials) =>
        Difficulties.Contains(difficulty, StringComparer.Ordinal) || IsServed(difficulty, materials);

    /// <summary>The purpose in words; where no exercise under way serves it, that is said.</summary>
    /// <param name="purpose">The purpose, or null.</param>
    /// <param name="materials">All material.</param>
    public static string Say(TechniquePurpose? purpose, IEnumerable<Material> materials) =>
        purpose is null ? ""
        : IsServed(purpose.Difficulty, materials) ? purpose.Words
        : $"{purpose.Words}; no exercise for it yet";

    private static bool IsServed(string difficulty, IEnumerable<Material> materials) =>
        difficulty.Length > 0
        && materials.Any(material =>
            material is { Kind: MaterialKind.Exercise, Resting: false } && material.Serves.Contains(difficulty, StringComparer.Ordinal)
        );

    private static int Weight(Material passage, DateOnly today) =>
        1
        + (passage.Slipped ? 1 : 0)
        + (passage.Stuck ? 1 : 0)
        + (passage.Performance is { } date && date >= today && date.DayNumber - today.DayNumber <= 42 ? 1 : 0);
}
