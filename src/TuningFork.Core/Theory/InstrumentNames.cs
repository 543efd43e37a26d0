namespace TuningFork.Core.Theory;

/// <summary>Finds instruments by what people call them: "Classical guitar", "bb clarinet", "sax", "singing".</summary>
public static class InstrumentNames
{
    /// <summary>Words that stand for others (everyday speech, from memory).</summary>
    private static readonly Dictionary<string, string> Words = new(StringComparer.Ordinal)
    {
        ["bb"] = "b flat",
        ["eb"] = "e flat",
        ["sax"] = "saxophone",
        ["contrabass"] = "double bass",
        ["upright"] = "double",
        ["keyboard"] = "piano",
        ["organ"] = "piano",
        ["harpsichord"] = "piano",
        ["singing"] = "voice",
        ["singer"] = "voice",
        ["vocals"] = "voice",
        ["drums"] = "drum kit",
        ["drumset"] = "drum kit",
        ["cajon"] = "hand drum",
        ["cajón"] = "hand drum",
        ["djembe"] = "hand drum",
        ["conga"] = "hand drum",
        ["congas"] = "hand drum",
        ["bongos"] = "hand drum",
        ["darbuka"] = "hand drum",
        ["percussion"] = "hand drum",
        ["violoncello"] = "cello",
    };

    /// <summary>Whole names that stand for others.</summary>
    private static readonly Dictionary<string, string> Whole = new(StringComparer.Ordinal)
    {
        ["bass"] = "double bass",
        ["french horn"] = "horn in f",
        ["electric bass"] = "bass guitar",
        ["soprano"] = "soprano voice",
        ["alto"] = "alto voice",
        ["tenor"] = "tenor voice",
        ["baritone"] = "baritone voice",
    };

    /// <summary>The instrument that is meant; null when nobody knows it by that name.</summary>
    /// <param name="typed">What was typed.</param>
    public static Instrument? Find(string typed)
    {
        ArgumentNullException.ThrowIfNull(typed);
        var plain = string.Join(' ', Split(typed));
        var words = Split(Whole.GetValueOrDefault(plain, plain))
            .SelectMany(word => Split(Words.GetValueOrDefault(word, word)))
            .ToHashSet(StringComparer.Ordinal);
        if (words.Count == 0)
            return null;
        var known = Instrument.Known.Select(one => (Instrument: one, Words: Split(one.Name))).ToList();
        // The fullest name that is in it: a bass guitar is no guitar. Else the first that it is a part of: a clarinet is the usual one.
        return known
            .Where(one => one.Words.All(words.Contains))
            .OrderByDescending(one => one.Words.Length)
            .Select(one => one.Instrument)
            .FirstOrDefault()
            ?? known.Where(one => words.IsSubsetOf(one.Words)).Select(one => one.Instrument).FirstOrDefault();
    }

    private static string[] Split(string name) =>
        name.ToLowerInvariant()
            .Replace("♭", " flat", StringComparison.Ordinal)
            .Replace("b-flat", "b flat", StringComparison.Ordinal)
            .Split([' ', '-', ',', '(', ')', '.', '/'], StringSplitOptions.RemoveEmptyEntries);
}
