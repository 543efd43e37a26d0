namespace TuningFork.Core.Ability;

/// <summary>
/// What a player can do: the tempo at which five takes of six come clean, with how sure that is. It is the logarithm that is
/// known about as well above as below, because tempo is felt in parts and not in beats.
/// </summary>
/// <param name="Log">Natural logarithm of the tempo, in the unit of whoever asks: notes or beats a minute.</param>
/// <param name="Spread">Standard deviation of that logarithm, above 0: 0.05 is about 5 % either way.</param>
public readonly record struct Reach(double Log, double Spread)
{
    /// <summary>Share of takes that come clean at the reach.</summary>
    public const double Clean = 5 / 6.0;

    /// <summary>Standard deviations that hold the middle four fifths of a normal distribution.</summary>
    private const double FourFifths = 1.2816;

    /// <summary>The tempo.</summary>
    public double Tempo => Math.Exp(Log);

    /// <summary>Slow end of the range that holds the truth four times in five.</summary>
    public double Low => Math.Exp(Log - (FourFifths * Spread));

    /// <summary>Fast end of that range.</summary>
    public double High => Math.Exp(Log + (FourFifths * Spread));

    /// <summary>A reach at a tempo.</summary>
    /// <param name="tempo">The tempo, above 0.</param>
    /// <param name="spread">How unsure it is, above 0.</param>
    public static Reach At(double tempo, double spread)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(tempo);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(spread);
        return new Reach(Math.Log(tempo), spread);
    }

    /// <summary>The same in another unit.</summary>
    /// <param name="factor">How many of the other unit make one of this: two notes a beat turn beats into notes. Above 0.</param>
    public Reach Times(double factor) => this with { Log = Log + Math.Log(factor) };
}
