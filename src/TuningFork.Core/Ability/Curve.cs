namespace TuningFork.Core.Ability;

/// <summary>
/// The chance of a clean take over tempo: a logistic curve over the logarithm of the tempo with a few slips that have nothing
/// to do with it (the psychometric curve of adaptive testing: Watson and Pelli 1983, Perception and Psychophysics 33, 113;
/// from memory).
/// </summary>
public static class Curve
{
    /// <summary>Takes that are missed however slow they are (common practice).</summary>
    public const double Slips = 0.03;

    /// <summary>Takes that come clean however fast they are.</summary>
    private const double Luck = 0.002;

    /// <summary>How far below the middle of the curve the reach lies, in widths: there five of six come clean.</summary>
    private static readonly double Below = Math.Log(
        ((Reach.Clean - Luck) / (1 - Slips - Luck)) / (1 - ((Reach.Clean - Luck) / (1 - Slips - Luck)))
    );

    /// <summary>The chance of a clean take, 0.002 to 0.97.</summary>
    /// <param name="reach">Logarithm of the reach.</param>
    /// <param name="tempo">Logarithm of the tempo.</param>
    /// <param name="width">Width of the curve in logarithms, above 0.</param>
    public static double Chance(double reach, double tempo, double width) =>
        Luck + ((1 - Slips - Luck) / (1 + Math.Exp(((tempo - reach) / width) - Below)));
}
