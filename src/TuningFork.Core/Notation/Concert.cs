using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Shows the music of a transposing instrument as it sounds.</summary>
public static class Concert
{
    /// <summary>The score at concert pitch; notes respelled where the written spelling would need too many accidentals.</summary>
    /// <param name="score">Music in written pitch.</param>
    public static Score Of(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        var way = score.ToSounding;
        return score with
        {
            Key = score.Key.Plus(way),
            ToSounding = Interval.Unison,
            Bars =
            [
                .. score.Bars.Select(bar =>
                    bar with
                    {
                        Key = bar.Key?.Plus(way),
                        Elements =
                        [
                            .. bar.Elements.Select(element =>
                                element with
                                {
                                    Pitches = [.. element.Pitches.Select(pitch => Moved(pitch, way, score.Key))],
                                }
                            ),
                        ],
                    }
                ),
            ],
        };
    }

    private static Pitch Moved(Pitch pitch, Interval way, Key from)
    {
        // Where the key was respelled, the notes go the same way: a diminished second up or down.
        var plain = from.Signature + (way.Semitones * 7) - (way.Steps * 12);
        var respelled = from.Plus(way).Signature - plain;
        var interval = respelled == 0 ? way : new Interval(way.Steps + (respelled > 0 ? -1 : 1), way.Semitones);
        return pitch.Near(interval);
    }
}
