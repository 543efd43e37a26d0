namespace TuningFork.Core.Notation;

/// <summary>Bars taken out of a score, as a score of their own.</summary>
public static class Excerpt
{
    /// <summary>Number of the first bar: 0 for an upbeat, else 1, or what the music itself says.</summary>
    public static int FirstBar(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return score.Numbers()[0];
    }

    /// <summary>Number of the last bar.</summary>
    public static int LastBar(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return score.Numbers()[^1];
    }

    /// <summary>Whether there are bars of these numbers, the second not before the first.</summary>
    public static bool Holds(Score score, int from, int to)
    {
        ArgumentNullException.ThrowIfNull(score);
        var numbers = score.Numbers();
        return from <= to && numbers.Contains(from) && numbers.Contains(to);
    }

    /// <summary>
    /// The bars from one to another, numbered as players do. Key, metre and clef are those that hold there; repeats are left out; what is
    /// tied or slurred over the edges begins or ends there.
    /// </summary>
    /// <param name="score">The whole.</param>
    /// <param name="from">First bar.</param>
    /// <param name="to">Last bar, not before the first.</param>
    /// <exception cref="ArgumentOutOfRangeException">The score has no such bars.</exception>
    public static Score Of(Score score, int from, int to)
    {
        ArgumentNullException.ThrowIfNull(score);
        var numbers = score.Numbers().ToList();
        var (first, last) = (numbers.IndexOf(from), numbers.LastIndexOf(to));
        if (first < 0 || last < first)
            throw new ArgumentOutOfRangeException(nameof(to), to, $"The music has bars {numbers[0]} to {numbers[^1]}.");
        var (key, time, clef) = (score.Key, score.Time, score.Clef);
        for (var i = 0; i <= first; i++)
        {
            (key, time) = (score.Bars[i].Key ?? key, score.Bars[i].Time ?? time);
            clef = i < first ? score.Bars[i].Elements.Select(element => element.Clef).LastOrDefault(one => one is not null) ?? clef : clef;
        }

        var bars = score
            .Bars.Skip(first)
            .Take(last - first + 1)
            .Select(
                (bar, i) =>
                    bar with
                    {
                        RepeatBegins = false,
                        RepeatEnds = false,
                        Times = 2,
                        Ending = [],
                        Way = Way.None,
                        IsDouble = bar.IsDouble && i < last - first,
                        Key = i == 0 ? null : bar.Key,
                        Time = i == 0 ? null : bar.Time,
                        Number = i == 0 ? from : bar.Number,
                    }
            )
            .ToList();
        return score with { Key = key, Time = time, Clef = clef, Bars = Closed(bars) };
    }

    /// <summary>The same of all voices; those that are silent in these bars are left out.</summary>
    /// <param name="music">The whole.</param>
    /// <param name="from">First bar.</param>
    /// <param name="to">Last bar, not before the first.</param>
    /// <exception cref="ArgumentOutOfRangeException">The music has no such bars.</exception>
    public static Music Of(Music music, int from, int to)
    {
        ArgumentNullException.ThrowIfNull(music);
        var voices = music.Voices.Select(voice => Of(voice, from, to)).ToList();
        var kept = voices
            .Where(
                (voice, i) => i == 0 || IsFirstOfStaff(voices, i) || voice.Bars.Any(bar => bar.Elements.Any(element => !element.IsHidden))
            )
            .ToList();
        return new Music(kept);
    }

    private static bool IsFirstOfStaff(List<Score> voices, int index) =>
        voices.FindIndex(voice => voice.Staff == voices[index].Staff) == index;

    /// <summary>Ties, slurs and hairpins that reach beyond the edges end there.</summary>
    private static List<Bar> Closed(List<Bar> bars)
    {
        var places = bars.SelectMany((bar, i) => bar.Elements.Select((_, j) => (Bar: i, Index: j))).ToList();
        var elements = places.ConvertAll(place => bars[place.Bar].Elements[place.Index]);
        var (slur, grows, falls) = (-1, -1, -1);
        for (var i = 0; i < elements.Count; i++)
        {
            var one = elements[i];
            if (one.SlurEnds && slur < 0)
                one = one with { SlurEnds = false };
            if (one.SlurEnds)
                slur = -1;
            if (one.Hairpin.HasFlag(Hairpin.GrowsTo) && grows < 0)
                one = one with { Hairpin = one.Hairpin & ~Hairpin.GrowsTo };
            if (one.Hairpin.HasFlag(Hairpin.FallsTo) && falls < 0)
                one = one with { Hairpin = one.Hairpin & ~Hairpin.FallsTo };
            grows =
                one.Hairpin.HasFlag(Hairpin.GrowsFrom) ? i
                : one.Hairpin.HasFlag(Hairpin.GrowsTo) ? -1
                : grows;
            falls =
                one.Hairpin.HasFlag(Hairpin.FallsFrom) ? i
                : one.Hairpin.HasFlag(Hairpin.FallsTo) ? -1
                : falls;
            slur = one.SlurBegins ? i : slur;
            elements[i] = one;
        }

        if (slur >= 0)
            elements[slur] = elements[slur] with { SlurBegins = false };
        if (grows >= 0)
            elements[grows] = elements[grows] with { Hairpin = elements[grows].Hairpin & ~Hairpin.GrowsFrom };
        if (falls >= 0)
            elements[falls] = elements[falls] with { Hairpin = elements[falls].Hairpin & ~Hairpin.FallsFrom };
        if (elements.Count > 0 && elements[^1].Tied)
            elements[^1] = elements[^1] with { Tied = false, TiedOnly = [] };
        var next = 0;
        return bars.ConvertAll(bar => bar with { Elements = [.. bar.Elements.Select(_ => elements[next++])] });
    }
}
