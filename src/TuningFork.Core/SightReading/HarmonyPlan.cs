namespace TuningFork.Core.SightReading;

/// <summary>A chord for each bar, as the degree of its root from 0: a phrase that asks ends on the fifth, the last one at home.</summary>
internal static class HarmonyPlan
{
    private const int Home = 0;

    /// <summary>The fifth degree, from 0.</summary>
    public const int Dominant = 4;

    /// <summary>What a phrase goes through before its close, by common practice of tonal phrases; the last one is its preparation.</summary>
    private static readonly int[][] Ways =
    [
        [Home, 3, 1],
        [Home, 5, 3],
        [Home, Dominant, Home],
        [Home, 3, Home],
        [Home, 5, 1],
        [Home, Home, 3],
        [Home, 1, 3],
    ];

    public static int[] Make(int bars, Random random)
    {
        var chords = new int[bars];
        var phrases = RhythmPlan.Phrases(bars);
        var way = Ways[random.Next(Ways.Length)];
        foreach (var (first, length) in phrases)
        {
            var last = first + length == bars;
            // The answer begins as the question did, most of the time.
            if (first > 0 && random.Next(3) == 0)
                way = Ways[random.Next(Ways.Length)];
            for (var i = 0; i < length - 1; i++)
                chords[first + i] = way[Math.Min(i, way.Length - 1)];
            chords[first + length - 1] = last ? Home : Dominant;
            if (last && length > 1)
                chords[first + length - 2] = Dominant;
        }

        return chords;
    }

    /// <summary>Whether a degree of the scale belongs to a chord: root, third, fifth; to the dominant also its seventh.</summary>
    public static bool Holds(int chord, int degree)
    {
        var above = (((degree - chord) % 7) + 7) % 7;
        return above is 0 or 2 or 4 || (chord == Dominant && above == 6);
    }
}
