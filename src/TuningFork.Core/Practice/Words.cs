namespace TuningFork.Core.Practice;

/// <summary>Numbers as people say them.</summary>
public static class Words
{
    /// <summary>"1 day", "3 days".</summary>
    public static string Days(int days) => days == 1 ? "1 day" : $"{days} days";

    /// <summary>"today", "yesterday", "3 days ago".</summary>
    public static string Ago(int days) =>
        days switch
        {
            <= 0 => "today",
            1 => "yesterday",
            _ => $"{days} days ago",
        };

    /// <summary>"today", "tomorrow", "in 9 days".</summary>
    public static string In(int days) =>
        days switch
        {
            <= 0 => "today",
            1 => "tomorrow",
            _ => $"in {days} days",
        };

    /// <summary>"1 bar", "4 bars".</summary>
    public static string Count(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";

    /// <summary>"1 minute", "4 minutes".</summary>
    public static string Minutes(int minutes) => minutes == 1 ? "1 minute" : $"{minutes} minutes";

    /// <summary>"a", "a and b", "a, b and c".</summary>
    public static string List(IReadOnlyList<string> items)
    {
        ArgumentNullException.ThrowIfNull(items);
        return items.Count switch
        {
            0 => "",
            1 => items[0],
            _ => string.Join(", ", items.Take(items.Count - 1)) + " and " + items[^1],
        };
    }

    /// <summary>The first letter in upper case.</summary>
    public static string Sentence(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
    }

    /// <summary>The first letter in lower case, for a title inside a sentence.</summary>
    public static string Small(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];
    }
}
