using System.Globalization;

namespace TuningFork.Core.Notation;

/// <summary>Something of a file that was not taken over.</summary>
/// <param name="Kind">What it is, as in "ornaments".</param>
/// <param name="Bars">The bars in which it stood, by their printed numbers; empty where it belongs to all of the music.</param>
public sealed record LeftOut(string Kind, IReadOnlyList<int> Bars)
{
    /// <summary>"ornaments (bars 3, 5–8)".</summary>
    public override string ToString()
    {
        if (Bars.Count == 0)
            return Kind;
        var stretches = new List<string>();
        for (var i = 0; i < Bars.Count; )
        {
            var from = i++;
            while (i < Bars.Count && Bars[i] == Bars[i - 1] + 1)
                i++;
            stretches.Add(
                i - from == 1
                    ? Bars[from].ToString(CultureInfo.InvariantCulture)
                    : string.Create(CultureInfo.InvariantCulture, $"{Bars[from]}–{Bars[i - 1]}")
            );
        }

        const int most = 12;
        var said = stretches.Count > most ? $"{string.Join(", ", stretches.Take(most))} …" : string.Join(", ", stretches);
        return $"{Kind} ({(Bars.Count == 1 ? "bar" : "bars")} {said})";
    }
}

/// <summary>Collects what is left out while music is read.</summary>
internal sealed class LeftOutList
{
    private readonly SortedDictionary<string, SortedSet<int>> found = new(StringComparer.Ordinal);

    /// <summary>Something of all of the music.</summary>
    public void Add(string kind) => found.TryAdd(kind, []);

    /// <summary>Something of one bar.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="bar">Index of the bar, from 0.</param>
    public void Add(string kind, int bar)
    {
        if (!found.TryGetValue(kind, out var bars))
            found[kind] = bars = [];
        bars.Add(bar);
    }

    /// <summary>All of it, with the bars by their printed numbers.</summary>
    public IReadOnlyList<LeftOut> By(IReadOnlyList<int> numbers) =>
        [
            .. found.Select(pair => new LeftOut(
                pair.Key,
                [.. pair.Value.Where(bar => bar < numbers.Count).Select(bar => numbers[bar]).Distinct().Order()]
            )),
        ];
}
