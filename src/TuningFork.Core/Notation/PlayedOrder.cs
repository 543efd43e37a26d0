namespace TuningFork.Core.Notation;

/// <summary>The way through bars with repeats, endings and signs.</summary>
internal static class PlayedOrder
{
    /// <summary>Bars that are played at most: a way that turns in circles ends.</summary>
    private const int Most = 100_000;

    public static IReadOnlyList<int> Of(IReadOnlyList<Bar> bars)
    {
        var order = new List<int>();
        var (start, pass, jumped) = (0, 1, false);
        IReadOnlyList<int> ending = [];
        for (var i = 0; i < bars.Count && order.Count < Most; i++)
        {
            var bar = bars[i];
            if (bar.RepeatBegins && i != start)
                (start, pass, ending) = (i, 1, []);
            if (bar.Ending.Count > 0)
                ending = bar.Ending;
            if (ending.Count > 0 && !(jumped ? IsLast(bars, i, ending) : ending.Contains(pass)))
                continue;
            order.Add(i);
            if (bar.RepeatEnds && !jumped && Again(bars, start, i, ending, pass))
            {
                (i, pass, ending) = (start - 1, pass + 1, []);
                continue;
            }

            if (bar.RepeatEnds)
                (start, pass, ending) = (i + 1, 1, []);
            if (jumped && bar.Way.HasFlag(Way.Fine))
                break;
            if (jumped && bar.Way.HasFlag(Way.ToCoda) && From(bars, Way.Coda) is var coda and > -1 && coda > i)
                (i, start, pass, ending) = (coda - 1, coda, 1, []);
            else if (!jumped && (bar.Way & (Way.DaCapo | Way.DalSegno)) != Way.None)
            {
                var back = bar.Way.HasFlag(Way.DaCapo) ? 0 : Math.Max(0, From(bars, Way.Segno));
                (i, start, pass, ending, jumped) = (back - 1, back, 1, [], true);
            }
        }

        return order;
    }

    /// <summary>Whether what is repeated comes once more: an ending for the next pass may stand before this one or behind it.</summary>
    private static bool Again(IReadOnlyList<Bar> bars, int start, int at, IReadOnlyList<int> ending, int pass) =>
        ending.Count > 0
            ? bars.Take(at + 1)
                .Skip(start)
                .Concat(bars.Skip(at + 1).TakeWhile(later => !later.RepeatBegins))
                .Any(bar => bar.Ending.Contains(pass + 1))
            : pass < bars[at].Times;

    /// <summary>After a da capo repeats are left out, and of endings the last one is taken (common practice).</summary>
    private static bool IsLast(IReadOnlyList<Bar> bars, int at, IReadOnlyList<int> ending) =>
        !bars.Skip(at + 1)
            .TakeWhile(later => !later.RepeatBegins)
            .Any(later => later.Ending.Count > 0 && later.Ending.Max() > ending.Max());

    private static int From(IReadOnlyList<Bar> bars, Way sign)
    {
        for (var i = 0; i < bars.Count; i++)
            if (bars[i].Way.HasFlag(sign))
                return i;
        return -1;
    }
}
