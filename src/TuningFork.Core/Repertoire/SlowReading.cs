using TuningFork.Core.Tempo;

namespace TuningFork.Core.Repertoire;

/// <summary>A passage suggested by what tripped.</summary>
/// <param name="From">First bar.</param>
/// <param name="To">Last bar.</param>
public sealed record SuggestedPassage(int From, int To);

/// <summary>The first reading of a piece, very slowly, once; what trips becomes passages of one to four bars (common practice).</summary>
public static class SlowReading
{
    /// <summary>Most bars of a passage.</summary>
    public const int MostBars = 4;

    /// <summary>Marked bars so near each other belong together: one unmarked bar may lie between.</summary>
    private const int Near = 2;

    /// <summary>Half the target, 60 where there is none.</summary>
    /// <param name="target">Target, or null.</param>
    public static Bpm TempoFor(Bpm? target) => target is { } goal ? Bpm.Near(goal.Value * 0.5) : new Bpm(60);

    /// <summary>
    /// Passages that hold every mark, one to four bars each, none overlapping another; a longer run of marks is cut into even parts.
    /// </summary>
    /// <param name="marks">Bars that tripped, in any order, repeated or not.</param>
    public static IReadOnlyList<SuggestedPassage> Suggest(IEnumerable<int> marks)
    {
        ArgumentNullException.ThrowIfNull(marks);
        var clusters = new List<List<int>>();
        foreach (var bar in marks.Distinct().Order())
        {
            if (clusters.Count > 0 && bar - clusters[^1][^1] <= Near)
                clusters[^1].Add(bar);
            else
                clusters.Add([bar]);
        }

        return [.. clusters.SelectMany(Cut)];
    }

    private static IEnumerable<SuggestedPassage> Cut(List<int> cluster)
    {
        var length = cluster[^1] - cluster[0] + 1;
        var parts = (length + MostBars - 1) / MostBars;
        for (var i = 0; i < parts; i++)
        {
            var (from, to) = (cluster[0] + (i * length / parts), cluster[0] + ((i + 1) * length / parts) - 1);
            var marked = cluster.Where(bar => bar >= from && bar <= to).ToList();
            if (marked.Count > 0)
                yield return new SuggestedPassage(marked[0], marked[^1]);
        }
    }
}
