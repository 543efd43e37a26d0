using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Repertoire;

/// <summary>Which passage of a piece is looked at first.</summary>
public static class PassageInHand
{
    /// <summary>The first raw one that does not rest, else the first that takes shape; null when all are ready or at rest.</summary>
    /// <param name="passages">The passages, in the order of their bars.</param>
    public static Material? Of(IReadOnlyList<Material> passages)
    {
        ArgumentNullException.ThrowIfNull(passages);
        return passages.FirstOrDefault(passage => passage is { Resting: false, Readiness: Readiness.Raw })
            ?? passages.FirstOrDefault(passage => passage is { Resting: false, Readiness: Readiness.Shaping });
    }
}
