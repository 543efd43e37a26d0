namespace TuningFork.Core.Spacing;

/// <summary>Schools of when a passage comes back.</summary>
public enum School
{
    /// <summary>Gaps widen by how well it went (default).</summary>
    WideningGaps,

    /// <summary>Every other day, come what may.</summary>
    EveryOtherDay,

    /// <summary>Raw and half-made daily, ready ones every third day.</summary>
    ToughestFirst,
}
