namespace TuningFork.Core.LookingBack;

/// <summary>Clean takes against missed ones of a stretch of days.</summary>
public static class TakesBack
{
    /// <summary>Most is learnt between these parts of clean takes (Wilson and others 2019: about one miss in six; common practice for the bounds).</summary>
    private const double Hardest = 0.7,
        Easiest = 0.92;

    /// <summary>Fewer takes say nothing.</summary>
    private const int Enough = 20;

    /// <summary>What to see in it.</summary>
    /// <param name="takes">All takes.</param>
    /// <param name="clean">Those that were clean.</param>
    public static string Words(int takes, int clean)
    {
        var part = takes == 0 ? 0 : (double)clean / takes;
        var counted = $"{clean} of {takes} takes were clean ({100 * part:0} %)";
        return takes == 0 ? "No take was marked in these days."
            : takes < Enough ? $"{counted}; too few to say more."
            : part > Easiest ? $"{counted}: on the easy side. A miss in six is where most is learnt."
            : part < Hardest ? $"{counted}: on the hard side. Slower, or shorter, brings more."
            : $"{counted}: about where most is learnt.";
    }
}
