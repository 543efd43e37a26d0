namespace TuningFork.Core.Notation;

/// <summary>Bars taken out of a score, as a score of their own.</summary>
public static class Excerpt
{
    /// <summary>Number of the first bar: 0 for an upbeat, else 1.</summary>
    public static int FirstBar(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return score.Bars.Count > 1 && score.Bars[0].IsPartial ? 0 : 1;
    }

    /// <summary>
    /// The bars from one to another, numbered as players do. Key and metre are those that hold there; repeats are left out; what is tied
    /// over the edges begins or ends there.
    /// </summary>
    /// <param name="score">The whole.</param>
    /// <param name="from">First bar.</param>
    /// <param name="to">Last bar, not before the first.</param>
    /// <exception cref="ArgumentOutOfRangeException">The score has no such bars.</exception>
    public static Score Of(Score score, int from, int to)
    {
        ArgumentNullException.ThrowIfNull(score);
        var (first, last) = (from - FirstBar(score), to - FirstBar(score));
        if (first < 0 || last < first || last >= score.Bars.Count)
            throw new ArgumentOutOfRangeException(
                nameof(to),
                to,
                $"The music has bars {FirstBar(score)} to {score.Bars.Count - 1 + FirstBar(score)}."
            );
        var (key, time) = (score.Key, score.Time);
        foreach (var bar in score.Bars.Take(first + 1))
            (key, time) = (bar.Key ?? key, bar.Time ?? time);
        var bars = score
            .Bars.Skip(first)
            .Take(last - first + 1)
            .Select(
                (bar, i) =>
                    bar with
                    {
                        RepeatBegins = false,
                        RepeatEnds = false,
                        Ending = [],
                        Key = i == 0 ? null : bar.Key,
                        Time = i == 0 ? null : bar.Time,
                    }
            )
            .ToList();
        var end = bars[^1].Elements;
        if (end.Count > 0 && end[^1].Tied)
            bars[^1] = bars[^1] with { Elements = [.. end.SkipLast(1), end[^1] with { Tied = false }] };
        return score with { Key = key, Time = time, Bars = bars };
    }
}
