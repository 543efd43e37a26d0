using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>A tune of a book: where it stands in the text.</summary>
internal sealed record AbcTune(string Name, int From, int To);

/// <summary>Cuts a tune book into its tunes (ABC 2.1, 2.2): each begins with its number and ends with an empty line.</summary>
internal static class AbcBook
{
    private static readonly char[] Ends = ['\n', '\r'];

    /// <summary>The tunes; a text without numbers is one tune.</summary>
    public static IReadOnlyList<AbcTune> Tunes(string text)
    {
        var tunes = new List<AbcTune>();
        var (from, name) = (-1, "");
        foreach (var (line, at) in Lines(text))
        {
            var isNumber = line.StartsWith("X:", StringComparison.Ordinal);
            if (from >= 0 && (isNumber || line.Trim().Length == 0))
            {
                tunes.Add(new AbcTune(name, from, at));
                from = -1;
            }

            if (isNumber)
                (from, name) = (at, $"tune {line[2..].Trim()}".Trim());
            else if (from >= 0 && line.StartsWith("T:", StringComparison.Ordinal) && name.StartsWith("tune", StringComparison.Ordinal))
                name = line[2..].Trim() is { Length: > 0 } title ? title : name;
        }

        if (from >= 0)
            tunes.Add(new AbcTune(name, from, text.Length));
        // A number alone is no tune.
        tunes.RemoveAll(tune => !text[tune.From..tune.To].Contains("K:", StringComparison.Ordinal));
        return tunes.Count > 0 ? tunes : [new AbcTune("", 0, text.Length)];
    }

    /// <summary>What the book says before its first tune: it holds for all of them.</summary>
    public static AbcHead Head(string text, Clef clef)
    {
        var head = new AbcHead();
        if (!Lines(text).Any(line => line.Text.StartsWith("X:", StringComparison.Ordinal)))
            return head;
        foreach (var (line, _) in Lines(text).TakeWhile(line => !line.Text.StartsWith("X:", StringComparison.Ordinal)))
        {
            if (line.Length > 1 && line[1] == ':' && line[0] is 'M' or 'L' or 'U')
                head.Set(line[0], Plain(line[2..]), clef, _ => { }, message => new AbcException(1, 1, message));
        }

        return head;
    }

    private static string Plain(string value) => value.Split('%')[0].Trim();

    private static IEnumerable<(string Text, int At)> Lines(string text)
    {
        for (var at = 0; at < text.Length; )
        {
            var end = text.IndexOfAny(Ends, at);
            var to = end < 0 ? text.Length : end;
            yield return (text[at..to], at);
            at =
                end < 0 ? text.Length
                : text[end] == '\r' && end + 1 < text.Length && text[end + 1] == '\n' ? end + 2
                : end + 1;
        }
    }
}
