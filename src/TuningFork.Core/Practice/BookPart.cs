using System.Globalization;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Practice;

/// <summary>A stretch of a book of examples that has something in common.</summary>
/// <param name="From">Its first number.</param>
/// <param name="To">Its last number.</param>
/// <param name="Words">What they have in common, as it was written: "G major, two voices".</param>
/// <param name="Key">Their key, or null.</param>
public sealed record BookPart(int From, int To, string Words, Key? Key)
{
    /// <summary>Most parts of a book.</summary>
    public const int Most = 60;

    /// <summary>Parts as they are typed, a line or semicolon between them: "1-20 C major; 21-40 G major, two voices".</summary>
    /// <param name="text">The text.</param>
    /// <param name="examples">Examples of the book.</param>
    /// <param name="problem">What cannot be read, with the remedy; null when all can.</param>
    public static IReadOnlyList<BookPart> Read(string text, int examples, out string? problem)
    {
        ArgumentNullException.ThrowIfNull(text);
        problem = null;
        var parts = new List<BookPart>();
        foreach (var line in text.Split([';', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (Of(line) is not { } part)
                problem ??= $"\"{line}\" cannot be read. Write numbers and what they have in common, like 1-20 C major.";
            else if (part.From < 1 || part.To < part.From || part.To > examples)
                problem ??= $"{part.From}-{part.To} does not lie in the book's numbers 1 to {examples}, from the lower to the higher.";
            else if (parts.Find(other => part.From <= other.To && other.From <= part.To) is { } twice)
                problem ??= $"{part.From}-{part.To} and {twice.From}-{twice.To} overlap. Each number belongs to one part.";
            else
                parts.Add(part);
        }

        if (parts.Count > Most)
            problem ??= $"A book has {Most} parts at most.";
        return [.. parts.OrderBy(part => part.From)];
    }

    private static BookPart? Of(string line)
    {
        var space = line.IndexOf(' ', StringComparison.Ordinal);
        if (space < 0)
            return null;
        var numbers = line[..space].Split(['-', '\u2013']);
        var words = line[space..].Trim();
        if (numbers.Length > 2 || !Number(numbers[0], out var from) || !Number(numbers[^1], out var to))
            return null;
        var key = Theory.Key.TryParse(words.Split(',')[0].Trim(), out var found) ? found : (Key?)null;
        return new BookPart(from, to, words, key);
    }

    private static bool Number(string text, out int number) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out number);
}
