namespace TuningFork.Core.EarTraining;

/// <summary>What an ear can know of rhythm, in the order in which each family opens.</summary>
internal static class RhythmItems
{
    private static readonly (string Key, string Name)[] PartsOfABeat =
    [
        ("2", "two equal parts"),
        ("3", "three equal parts"),
        ("4", "four equal parts"),
        ("3+1", "long and short"),
        ("1+3", "short and long"),
        ("2+1+1", "one long, two short"),
        ("1+1+2", "two short, one long"),
        ("2+1", "swung: two thirds and one"),
        ("1+2+1", "short, long, short"),
        ("5", "five equal parts"),
    ];

    private static readonly (string Key, string Name)[] Bars =
    [
        ("3", "three"),
        ("4", "four"),
        ("2", "two"),
        ("6", "six: twice three"),
        ("5:3", "five: three and two"),
        ("7:4", "seven: four and three"),
        ("5:2", "five: two and three"),
        ("7:3", "seven: three and four"),
    ];

    private static readonly (string Key, string Name)[] Ways =
    [
        ("steady", "it stays"),
        ("faster", "it gets faster"),
        ("slower", "it gets slower"),
    ];

    private static readonly int[] SilentBeats = [2, 4, 3, 6, 8, 7, 5];
    private static readonly string[] FourStrokes = ["LHLH", "LLHH", "LHHL", "LHHH", "LLLH", "LLHL", "LHLL", "HLHL"];

    /// <summary>
    /// A bar in sixteenths, or in twelfths where it swings or has three beats: low, high, and nothing. Handbooks of percussion, from
    /// memory; tresillo, habanera and the claves by their onsets in Toussaint, The Geometry of Musical Rhythm.
    /// </summary>
    internal static readonly IReadOnlyDictionary<string, (string Name, int Beats, string Bar)> GrooveBars = new Dictionary<
        string,
        (string, int, string)
    >(StringComparer.Ordinal)
    {
        ["backbeat"] = ("backbeat", 4, "L...H...L...H..."),
        ["waltz"] = ("waltz", 3, "L...H...H..."),
        ["every-beat"] = ("low on every beat", 4, "L.H.L.H.L.H.L.H."),
        ["half-time"] = ("half time", 4, "L.......H......."),
        ["shuffle"] = ("shuffle", 4, "L.LH.LL.LH.L"),
        ["tresillo"] = ("tresillo", 4, "L.....H.....H..."),
        ["habanera"] = ("habanera", 4, "L.....H.L...H..."),
        ["clave-32"] = ("clave, three and two", 4, "L..H..H...H.H..."),
        ["clave-23"] = ("clave, two and three", 4, "..H.H...L..H..H."),
    };

    private static readonly (string Key, string Name)[] Others =
    [
        ("same", "nothing changed"),
        ("out", "one stroke left out"),
        ("added", "one stroke added"),
        ("early", "one stroke early"),
        ("late", "one stroke late"),
    ];

    /// <summary>What a beat is cut into.</summary>
    public static IEnumerable<EarItem> Parts() =>
        PartsOfABeat.Select(one => new EarItem($"parts:{one.Key}", EarFamily.Subdivision, $"a beat of {one.Name}", one.Name));

    /// <summary>Beats in a bar.</summary>
    public static IEnumerable<EarItem> Metres() =>
        Bars.Select(one => new EarItem($"metre:{one.Key}", EarFamily.Metre, $"bars of {one.Name}", one.Name));

    /// <summary>Where the pulse goes.</summary>
    public static IEnumerable<EarItem> Pulses() =>
        Ways.Select(one => new EarItem($"pulse:{one.Key}", EarFamily.Pulse, $"a pulse: {one.Name}", one.Name));

    /// <summary>Which beat is silent.</summary>
    public static IEnumerable<EarItem> Silent() =>
        SilentBeats.Select(beat => new EarItem(
            $"silent:{beat}",
            EarFamily.SilentBeat,
            $"silence on beat {((beat - 1) % 4) + 1} of the {(beat > 4 ? "second" : "first")} bar",
            $"beat {((beat - 1) % 4) + 1} of bar {(beat > 4 ? 2 : 1)}"
        ));

    /// <summary>Which strokes are low and which are high.</summary>
    public static IEnumerable<EarItem> Strokes() =>
        FourStrokes.Select(one => new EarItem($"strokes:{one}", EarFamily.Strokes, $"strokes: {Spoken(one)}", Spoken(one)));

    private static string Spoken(string strokes) => string.Join(" ", strokes.Select(stroke => stroke == 'L' ? "low" : "high"));

    /// <summary>Grooves by name.</summary>
    public static IEnumerable<EarItem> Grooves() =>
        GrooveBars.Select(one => new EarItem($"groove:{one.Key}", EarFamily.Grooves, $"groove: {one.Value.Name}", one.Value.Name));

    /// <summary>Rhythms to be tapped back, by level.</summary>
    public static IEnumerable<EarItem> Echoes() =>
        Enumerable
            .Range(1, EarLines.Levels)
            .Select(level => new EarItem($"echo:{level}", EarFamily.RhythmEcho, $"two bars of rhythm, level {level}", $"level {level}"));

    /// <summary>What was another in the second bar.</summary>
    public static IEnumerable<EarItem> Changes() =>
        Others.Select(one => new EarItem($"change:{one.Key}", EarFamily.Change, $"the second bar: {one.Name}", one.Name));
}
