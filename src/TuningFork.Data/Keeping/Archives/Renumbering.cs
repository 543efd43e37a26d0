using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>Numbers of rows in one book, and what they are in another; also where they stand inside texts.</summary>
internal sealed partial class Renumbering
{
    private readonly Dictionary<string, Dictionary<long, long>> numbers = new(StringComparer.Ordinal);

    public void Note(string table, long from, long to)
    {
        if (!numbers.TryGetValue(table, out var known))
            numbers[table] = known = [];
        known[from] = to;
    }

    /// <summary>The number there; null where its row did not come along.</summary>
    public long? Of(string table, long from) =>
        numbers.TryGetValue(table, out var known) && known.TryGetValue(from, out var to) ? to : null;

    /// <summary>A text with the numbers of there: a key of a target, a method of one's own, or JSON with such in it.</summary>
    public string Text(string text)
    {
        if (text.Length == 0 || text[0] is not ('{' or '['))
            return Named(text);
        var json = JsonNode.Parse(text)!;
        Walk(json);
        return json.ToJsonString(Bookkeeping.Json);
    }

    /// <summary>"m:12:k:Bb major", "w:3:1", "book:5:7", "song:4", "own:4", each alone or one after the other on lines or after commas.</summary>
    private string Named(string text) =>
        Number()
            .Replace(text, match =>
            {
                var table = match.Groups["kind"].Value switch
                {
                    "w" => "WarmUps",
                    "own" => "Methods",
                    "song" => "Recordings",
                    _ => "Materials",
                };
                var there = Of(table, long.Parse(match.Groups["number"].Value, CultureInfo.InvariantCulture));
                return there is null
                    ? match.Value
                    : string.Create(CultureInfo.InvariantCulture, $"{match.Groups["before"].Value}{match.Groups["kind"].Value}:{there}");
            });

    private void Walk(JsonNode node)
    {
        if (node is JsonArray list)
        {
            for (var i = 0; i < list.Count; i++)
                Exchange(list[i], "", fresh => list[i] = fresh);
        }
        else if (node is JsonObject one)
        {
            foreach (var (name, value) in one.ToList())
                Exchange(value, name, fresh => one[name] = fresh);
        }
    }

    private void Exchange(JsonNode? value, string name, Action<JsonNode> put)
    {
        if (value is not JsonValue plain)
        {
            if (value is not null)
                Walk(value);
            return;
        }

        if (plain.TryGetValue(out string? text))
        {
            if (Named(text) is var fresh && fresh != text)
                put(JsonValue.Create(fresh));
        }
        else if (
            name.Equals("materialId", StringComparison.OrdinalIgnoreCase)
            && plain.TryGetValue(out long number)
            && Of("Materials", number) is { } there
        )
        {
            put(JsonValue.Create(there));
        }
    }

    [GeneratedRegex(
        "(?<before>^|[\\n,])(?<kind>m|w|book|own|song):(?<number>[0-9]{1,9})(?=$|[:\\n,])",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Number();
}
