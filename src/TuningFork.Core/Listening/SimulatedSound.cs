namespace TuningFork.Core.Listening;

/// <summary>What a simulated player sounds like.</summary>
public enum SimulatedSound
{
    /// <summary>Blown, with odd partials mostly, and a soft beginning.</summary>
    Reed,

    /// <summary>A string that is plucked and dies away.</summary>
    Plucked,

    /// <summary>A skin that is struck.</summary>
    Struck,
}
