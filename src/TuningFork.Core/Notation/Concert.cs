using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Moves music: to the pitch at which it sounds, or by any interval.</summary>
public static class Concert
{
    /// <summary>The score at concert pitch; notes respelled where the written spelling would need too many accidentals.</summary>
    /// <param name="score">Music in written pitch.</param>
    public static Score Of(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return Moved(score, score.ToSounding) with { ToSounding = Interval.Unison };
    }

    /// <summary>The score higher or lower; notes respelled where their key is.</summary>
    /// <param name="score">The music.</param>
    /// <param name="way">The way that every note goes.</param>
    public static Score Moved(Score score, Interval way)
    {
        ArgumentNullException.ThrowIfNull(score);
        var key = score.Key;
        var bars = new List<Bar>();
        foreach (var bar in score.Bars)
        {
            key = bar.Key ?? key;
            var interval = Spelling(way, key);
            bars.Add(bar with { Key = bar.Key?.Plus(way), Elements = [.. bar.Elements.Select(element => Moved(element, interval))] });
        }

        return score with
        {
            Key = score.Key.Plus(way),
            Tonic = score.Tonic is { } tonic ? new Pitch(tonic, 4).Near(Spelling(way, score.Key)).Name : null,
            Bars = bars,
        };
    }

    private static Element Moved(Element element, Interval by) =>
        element.IsRest
            ? element
            : element with
            {
                Pitches = [.. element.Pitches.Select(pitch => pitch.Near(by))],
                TiedOnly = [.. element.TiedOnly.Select(pitch => pitch.Near(by))],
                Grace = [.. element.Grace.Select(pitch => pitch.Near(by))],
            };

    /// <summary>Where the key was respelled, the notes go the same way: a diminished second up or down.</summary>
    private static Interval Spelling(Interval way, Key from)
    {
        var plain = from.Signature + (way.Semitones * 7) - (way.Steps * 12);
        var respelled = from.Plus(way).Signature - plain;
        return respelled == 0 ? way : new Interval(way.Steps + (respelled > 0 ? -1 : 1), way.Semitones);
    }
}
