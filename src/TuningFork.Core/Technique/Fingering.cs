using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>Which hand.</summary>
public enum Hand
{
    /// <summary>The right one.</summary>
    Right,

    /// <summary>The left one.</summary>
    Left,
}

/// <summary>
/// The usual fingers of major and minor scales on a keyboard, and the groups of scales that share them (keyboard handbooks, from memory).
/// </summary>
public static class Fingering
{
    private static readonly string[] Majors = ["C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"];

    // One octave up from the tonic, thumb 1; the eighth finger is that of the next octave's first note.
    private static readonly string[] MajorRight =
    [
        "1231234",
        "2312341",
        "1231234",
        "3123412",
        "1231234",
        "1234123",
        "2341231",
        "1231234",
        "3412312",
        "1231234",
        "4123123",
        "1231234",
    ];
    private static readonly string[] MajorLeft =
    [
        "5432132",
        "3214321",
        "5432132",
        "3214321",
        "5432132",
        "5432132",
        "4321321",
        "5432132",
        "3214321",
        "5432132",
        "3214321",
        "4321432",
    ];
    private static readonly string[] MinorRight =
    [
        "1231234",
        "3412312",
        "1231234",
        "3123412",
        "1231234",
        "1234123",
        "3412312",
        "1231234",
        "3412312",
        "1231234",
        "4123123",
        "1231234",
    ];
    private static readonly string[] MinorLeft =
    [
        "5432132",
        "3214321",
        "5432132",
        "2143213",
        "5432132",
        "5432132",
        "4321321",
        "5432132",
        "3214321",
        "5432132",
        "2132143",
        "4321432",
    ];

    // Where the harmonic form's fingers would put a thumb on a black key.
    private static readonly Dictionary<(string Kind, Hand Hand, int Tonic), string> OfTheirOwn = new()
    {
        [("melodic-minor", Hand.Right, 1)] = "2312341",
        [("melodic-minor", Hand.Right, 6)] = "2312341",
        [("natural-minor", Hand.Left, 8)] = "3213214",
    };

    /// <summary>Kinds of scales whose fingers are known.</summary>
    public static IReadOnlyList<string> Kinds { get; } = ["major", "natural-minor", "harmonic-minor", "melodic-minor"];

    /// <summary>Fingers of so many octaves up, the top note included: right C major in one octave 1 2 3 1 2 3 4 5.</summary>
    /// <param name="key">The key.</param>
    /// <param name="hand">Which hand.</param>
    /// <param name="octaves">1 or more.</param>
    /// <param name="kind">Lasting name of the scale kind: of a minor key its form going up, the harmonic one unless another is named.</param>
    public static IReadOnlyList<int> Up(Key key, Hand hand, int octaves, string kind = "harmonic-minor")
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(octaves, 1);
        var octave = (OfTheirOwn.GetValueOrDefault((kind, hand, key.Tonic.PitchClass)) ?? Octave(key, hand))
            .Select(finger => finger - '0')
            .ToList();
        var all = Enumerable.Repeat(octave, octaves).SelectMany(fingers => fingers).ToList();
        if (hand == Hand.Right)
            return
            [
                .. all,
                octave[0] == 1
                    ? octave[^1] == 3
                        ? 4
                        : 5
                    : octave[0],
            ];
        // Further up the thumb follows the second finger: the first finger of the table stands only at the bottom.
        var again = octave[^1] == 2 ? 1 : octave[0];
        for (var i = 7; i < all.Count; i += 7)
            all[i] = again;
        return [.. all, again];
    }

    /// <summary>Keys with the same fingers in both hands, the largest group first.</summary>
    /// <param name="minor">True for the minors.</param>
    public static IReadOnlyList<IReadOnlyList<Key>> Groups(bool minor = false) =>
        [
            .. Enumerable
                .Range(0, 12)
                .Select(pitchClass => Key.OfPitchClass(pitchClass, minor))
                .GroupBy(key => Octave(key, Hand.Right) + Octave(key, Hand.Left), StringComparer.Ordinal)
                .OrderByDescending(group => group.Count())
                .ThenBy(group => group.First().Tonic.PitchClass)
                .Select(group => group.ToList()),
        ];

    private static string Octave(Key key, Hand hand)
    {
        var table = (key.IsMinor, hand) switch
        {
            (false, Hand.Right) => MajorRight,
            (false, _) => MajorLeft,
            (true, Hand.Right) => MinorRight,
            _ => MinorLeft,
        };
        return table[key.Tonic.PitchClass % Majors.Length];
    }
}
