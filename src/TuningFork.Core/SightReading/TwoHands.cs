using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>For which hands of a keyboard music is.</summary>
internal enum Hands
{
    Right,
    Left,
    Both,
}

/// <summary>Which hands read, and the voice beside the melody.</summary>
internal static class TwoHands
{
    /// <summary>Keyboards read the left hand alone from some level on, later both; what is asked comes for certain.</summary>
    public static Hands Of(ReadingWish wish, Random random)
    {
        var level = wish.Instrument.HasTwoStaves ? wish.Levels.Texture : 1;
        var asked = wish.Asked == Strand.Texture;
        if (level >= ReadingTables.BothHands)
            return asked || random.Next(3) > 0 ? Hands.Both : Hands.Left;
        var alone = level >= ReadingTables.LeftHand && (asked ? random.Next(4) > 0 : random.Next(2) == 0);
        return alone ? Hands.Left : Hands.Right;
    }

    /// <summary>Semitones between the second voice and the nearest note of the melody at least, its room, and from where on it lies above.</summary>
    private const int Clear = 1,
        Room = 19,
        LowestBelow = 55,
        LowestLeft = 36;

    /// <summary>The voice below: the left hand's, or one to be heard, which lies above where the melody itself is low.</summary>
    public static Score Beside(Score score, IReadOnlyList<int> chords, bool bothHands, ReadingWish wish)
    {
        var line = score.Bars.SelectMany(bar => bar.Elements).SelectMany(element => element.Pitches).Select(pitch => pitch.Midi).ToList();
        var (lowest, highest) = (line.Min(), line.Max());
        var below = bothHands || lowest + score.ToSounding.Semitones >= LowestBelow;
        var (low, high) = below
            ? (Math.Max(lowest - Clear - Room, bothHands ? LowestLeft : 0), lowest - Clear)
            : (highest + Clear, highest + Clear + Room);
        // Its chance is its own: the melody stays what it is.
        var random = new Random(wish.Seed);
        return score with
        {
            Clef = Clef.Bass,
            Bars = SecondVoice.Make(
                score.Bars,
                chords,
                score.Key,
                score.Time,
                bothHands ? wish.Levels.Texture : ReadingTables.TwoABar,
                low,
                high,
                random
            ),
        };
    }
}
