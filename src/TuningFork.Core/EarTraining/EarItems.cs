using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>
/// All that can be asked, in the order in which it opens: families one after the other, each beginning with two that are far apart and
/// growing by one (common practice of ear training courses).
/// </summary>
public static class EarItems
{
    /// <summary>A family opens with so many, so that there is something to tell apart.</summary>
    private const int AtFirst = 2;

    private static readonly (int Semitones, string Name)[] Intervals =
    [
        (7, "fifth"),
        (2, "major second"),
        (12, "octave"),
        (4, "major third"),
        (5, "fourth"),
        (3, "minor third"),
        (1, "minor second"),
        (9, "major sixth"),
        (8, "minor sixth"),
        (10, "minor seventh"),
        (6, "tritone"),
        (11, "major seventh"),
    ];

    private static readonly (string Kind, int Lowest)[] Triads =
    [
        ("major", 0),
        ("minor", 0),
        ("diminished", 0),
        ("augmented", 0),
        ("major", 1),
        ("minor", 1),
        ("major", 2),
        ("minor", 2),
        ("diminished", 1),
        ("diminished", 2),
    ];

    private static readonly (string Kind, int Lowest)[] Sevenths =
    [
        ("dominant-seventh", 0),
        ("major-seventh", 0),
        ("minor-seventh", 0),
        ("half-diminished", 0),
        ("diminished-seventh", 0),
        ("minor-major-seventh", 0),
        ("dominant-seventh", 1),
        ("dominant-seventh", 2),
        ("dominant-seventh", 3),
    ];

    private static readonly string[] Scales =
    [
        "major",
        "natural-minor",
        "harmonic-minor",
        "major-pentatonic",
        "dorian",
        "minor-pentatonic",
        "mixolydian",
        "melodic-minor",
        "phrygian",
        "lydian",
        "blues",
        "whole-tone",
        "locrian",
    ];

    /// <summary>Letters of the degrees of the major scale as chords: capitals major, small minor.</summary>
    private static readonly string[] Pairs = ["V-I", "IV-I", "I-vi", "V-vi", "I-ii", "I-iii", "ii-V", "iv-I"];

    private static readonly string[] Fours =
    [
        "I-IV-V-I",
        "I-vi-IV-V",
        "I-V-vi-IV",
        "I-IV-I-V",
        "I-vi-ii-V",
        "vi-IV-I-V",
        "I-iii-IV-V",
        "IV-V-iii-vi",
    ];

    private static readonly (EarFamily Family, int Wave, IReadOnlyList<EarItem> Items)[] Families =
    [
        (EarFamily.IntervalsUp, 0, [.. Intervals.Select(one => Interval(EarFamily.IntervalsUp, one, "up", " up"))]),
        (EarFamily.Triads, 0, [.. Triads.Select(one => Chord(EarFamily.Triads, one.Kind, one.Lowest))]),
        (
            EarFamily.DegreesMajor,
            0,
            [.. Degrees(EarFamily.DegreesMajor, "major", ["1", "5", "3", "2", "6", "4", "7", "♭7", "♯4", "♭3", "♭6", "♭2"])]
        ),
        (EarFamily.Subdivision, 1, [.. RhythmItems.Parts()]),
        (EarFamily.Metre, 2, [.. RhythmItems.Metres()]),
        (EarFamily.RhythmEcho, 2, [.. RhythmItems.Echoes()]),
        (EarFamily.Lines, 3, [.. Lines()]),
        (EarFamily.IntervalsDown, 3, [.. Intervals.Select(one => Interval(EarFamily.IntervalsDown, one, "down", " down"))]),
        (EarFamily.DegreesMinor, 4, [.. Degrees(EarFamily.DegreesMinor, "minor", ["1", "5", "3", "2", "6", "4", "♯7", "7", "♯6"])]),
        (
            EarFamily.Scales,
            5,
            [
                .. Scales.Select(kind => new EarItem(
                    $"scale:{kind}",
                    EarFamily.Scales,
                    $"{Scale.Kind(kind).Name} scale",
                    Scale.Kind(kind).Name
                )),
            ]
        ),
        (EarFamily.TwoChords, 6, [.. Pairs.Select(one => Chords(EarFamily.TwoChords, "two", one))]),
        (EarFamily.IntervalsTogether, 7, [.. Intervals.Select(one => Interval(EarFamily.IntervalsTogether, one, "together", " together"))]),
        (EarFamily.Sevenths, 8, [.. Sevenths.Select(one => Chord(EarFamily.Sevenths, one.Kind, one.Lowest))]),
        (EarFamily.FourChords, 10, [.. Fours.Select(one => Chords(EarFamily.FourChords, "four", one))]),
    ];

    private static readonly (EarFamily Family, int Wave, IReadOnlyList<EarItem> Items)[] WithoutPitch =
    [
        (EarFamily.Subdivision, 0, [.. RhythmItems.Parts()]),
        (EarFamily.Metre, 0, [.. RhythmItems.Metres()]),
        (EarFamily.RhythmEcho, 1, [.. RhythmItems.Echoes()]),
        (EarFamily.Strokes, 1, [.. RhythmItems.Strokes()]),
        (EarFamily.Pulse, 2, [.. RhythmItems.Pulses()]),
        (EarFamily.Grooves, 2, [.. RhythmItems.Grooves()]),
        (EarFamily.SilentBeat, 3, [.. RhythmItems.Silent()]),
        (EarFamily.Change, 4, [.. RhythmItems.Changes()]),
    ];

    private static readonly IReadOnlyList<EarItem> Pitched = Order(Families);
    private static readonly IReadOnlyList<EarItem> Unpitched = Order(WithoutPitch);

    private static readonly Dictionary<string, EarItem> ByKey = Pitched
        .Concat(Unpitched)
        .DistinctBy(item => item.Key, StringComparer.Ordinal)
        .ToDictionary(item => item.Key, StringComparer.Ordinal);

    /// <summary>What fits an instrument, in the order in which it opens.</summary>
    /// <param name="isPitched">Whether it has notes of its own; without them it is asked of rhythm.</param>
    public static IReadOnlyList<EarItem> For(bool isPitched) => isPitched ? Pitched : Unpitched;

    /// <summary>The item with this lasting name; null when there is none.</summary>
    /// <param name="key">Its name.</param>
    public static EarItem? Find(string key) => ByKey.GetValueOrDefault(key);

    /// <summary>The level below one of a rhythm or a line; null for the first, and for what has no levels.</summary>
    /// <param name="item">The item.</param>
    public static EarItem? Below(EarItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item.Family is EarFamily.RhythmEcho or EarFamily.Lines ? Find($"{item.Key[..^1]}{item.Key[^1] - '1'}") : null;
    }

    /// <summary>What a family is called.</summary>
    /// <param name="family">The family.</param>
    public static string NameOf(EarFamily family) =>
        family switch
        {
            EarFamily.IntervalsUp => "intervals up",
            EarFamily.IntervalsDown => "intervals down",
            EarFamily.IntervalsTogether => "intervals together",
            EarFamily.Triads => "triads",
            EarFamily.Sevenths => "seventh chords",
            EarFamily.DegreesMajor => "degrees in major",
            EarFamily.DegreesMinor => "degrees in minor",
            EarFamily.Scales => "scales and modes",
            EarFamily.TwoChords => "two chords",
            EarFamily.FourChords => "four chords",
            EarFamily.Metre => "metre",
            EarFamily.Subdivision => "parts of a beat",
            EarFamily.Pulse => "pulse",
            EarFamily.SilentBeat => "the silent beat",
            EarFamily.Strokes => "low and high strokes",
            EarFamily.Grooves => "grooves",
            EarFamily.RhythmEcho => "rhythm tapped back",
            EarFamily.Lines => "four notes",
            _ => "what changed",
        };

    /// <summary>Wave by wave: a family that begins brings two, one that is under way one more.</summary>
    private static List<EarItem> Order((EarFamily Family, int Wave, IReadOnlyList<EarItem> Items)[] families)
    {
        var order = new List<EarItem>();
        var all = families.Sum(family => family.Items.Count);
        for (var wave = 0; order.Count < all; wave++)
        {
            foreach (var (_, from, items) in families.Where(family => family.Wave <= wave))
            {
                var there = from == wave ? 0 : AtFirst + wave - from - 1;
                order.AddRange(items.Skip(there).Take(from == wave ? AtFirst : 1));
            }
        }

        return order;
    }

    private static EarItem Interval(EarFamily family, (int Semitones, string Name) one, string key, string way) =>
        new($"{key}:{one.Semitones}", family, one.Name + way, one.Name);

    private static EarItem Chord(EarFamily family, string kind, int lowest)
    {
        string[] over = ["", ", first inversion", ", second inversion", ", third inversion"];
        var name = ChordKinds.Basic.First(chord => chord.Id == kind).Name;
        var key = family == EarFamily.Triads ? "triad" : "seventh";
        // Among triads alone "triad" need not be said again.
        var answer = name.Replace(" triad", "", StringComparison.Ordinal) + over[lowest];
        return new EarItem(
            $"{key}:{kind}:{lowest}",
            family,
            name + over[lowest],
            family == EarFamily.Triads ? answer : name + over[lowest]
        );
    }

    private static IEnumerable<EarItem> Degrees(EarFamily family, string mode, string[] degrees) =>
        degrees.Select(degree => new EarItem(
            $"{mode}:{degree.Replace('♭', 'b').Replace('♯', '#')}",
            family,
            $"degree {degree} in {mode}",
            degree
        ));

    private static EarItem Chords(EarFamily family, string key, string chords)
    {
        var name = chords.Replace("-", " – ", StringComparison.Ordinal);
        return new EarItem($"{key}:{chords}", family, name, name);
    }

    private static IEnumerable<EarItem> Lines() =>
        Enumerable
            .Range(1, EarLines.Levels)
            .Select(level => new EarItem($"line:{level}", EarFamily.Lines, $"four notes, level {level}", $"level {level}"));
}
