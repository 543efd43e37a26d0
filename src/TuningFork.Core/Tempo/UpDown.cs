namespace TuningFork.Core.Tempo;

/// <summary>An up-and-down rule: so many clean takes in a row and it gets harder, so many misses in a row and it gets easier.</summary>
/// <param name="CleanToClimb">Clean takes in a row, 1 or more.</param>
/// <param name="MissesToFall">Misses in a row, 1 or more.</param>
public sealed record UpDown(int CleanToClimb, int MissesToFall)
{
    /// <summary>The rule of the tempo ladder: three clean in a row, one miss.</summary>
    public static UpDown Ours { get; } = new(Ladder.CleanToClimb, 1);

    /// <summary>
    /// The rate of clean takes at which steps up and down balance, where the tempo settles. The chance that a clean run comes
    /// before a run of misses is p^(a-1)(1-q^b) / (p^(a-1) + q^(b-1) - p^(a-1) q^(b-1)) (Feller, An Introduction to
    /// Probability Theory, runs of successes before failures; from memory); it is one half there. With one miss to fall this
    /// gives 0.5^(1/a), the values of Levitt 1971.
    /// </summary>
    public double SettlesAt()
    {
        var (low, high) = (0.0, 1.0);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Climbs(middle) < 0.5 ? (middle, high) : (low, middle);
        }

        return low;
    }

    private double Climbs(double p)
    {
        var (q, clean) = (1 - p, Math.Pow(p, CleanToClimb - 1));
        var miss = Math.Pow(q, MissesToFall - 1);
        return clean * (1 - Math.Pow(q, MissesToFall)) / (clean + miss - (clean * miss));
    }
}
