using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What is to be said of a passage or a piece as it was entered; nothing is refused.</summary>
public static class PassageWords
{
    /// <summary>Bars beyond which a passage is long (common practice: one to four).</summary>
    public const int MostBars = 8;

    /// <summary>Difficulties that choose a method or an exercise.</summary>
    private static readonly string[] Known = [.. Purpose.Difficulties, "memory", "join"];

    /// <summary>The words; empty when there is nothing to say, and for other material.</summary>
    /// <param name="passage">The passage.</param>
    /// <param name="earlier">Bars of the passages of its piece that were there before.</param>
    public static string Of(Material passage, IEnumerable<(int From, int To)> earlier)
    {
        ArgumentNullException.ThrowIfNull(passage);
        ArgumentNullException.ThrowIfNull(earlier);
        if (passage is { Kind: MaterialKind.Piece, Target: null })
            return "No target tempo yet: type or tap one, so that the plan knows where it leads.";
        if (passage.Kind != MaterialKind.Passage)
            return "";
        var words = new List<string>();
        if (earlier.Contains((passage.FromBar, passage.ToBar)))
            words.Add("These bars are there already.");
        if (Long(passage.FromBar, passage.ToBar) is { } tooLong)
            words.Add(tooLong);
        if (passage.Difficulty.Length > 0 && !Known.Contains(passage.Difficulty, StringComparer.Ordinal))
            words.Add($"No method knows \"{passage.Difficulty}\" as a difficulty; it is kept as a word of yours.");
        return string.Join(' ', words);
    }

    /// <summary>That it has many bars for a passage; null when it has not.</summary>
    /// <param name="from">Its first bar.</param>
    /// <param name="to">Its last bar.</param>
    public static string? Long(int from, int to) =>
        to - from >= MostBars ? $"{from}–{to}: {to - from + 1} bars are long for a passage; one to four come faster." : null;
}
