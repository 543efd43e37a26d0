namespace TuningFork.Core.Ability;

/// <summary>What is believed of one thing before its first take of a day, or before the first of a drill.</summary>
/// <param name="Log">Logarithm of the reach.</param>
/// <param name="Spread">How unsure it is, the day's form counted.</param>
/// <param name="Width">Width of the player's curve.</param>
/// <param name="Rate">Growth a take as a part of the way that is left.</param>
/// <param name="Ceiling">Logarithm of the tempo that growth goes towards; null where there is no target.</param>
/// <param name="Takes">Takes so far today.</param>
public sealed record Morning(double Log, double Spread, double Width, double Rate, double? Ceiling = null, int Takes = 0)
{
    /// <summary>The same in another unit.</summary>
    /// <param name="factor">How many of the other unit make one of this, above 0.</param>
    public Morning Times(double factor) => this with { Log = Log + Math.Log(factor), Ceiling = Ceiling + Math.Log(factor) };

    /// <summary>The reach as a tempo.</summary>
    public double Tempo => Math.Exp(Log);
}
