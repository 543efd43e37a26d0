namespace TuningFork.Core.Spacing;

/// <summary>How far something is.</summary>
public enum Readiness
{
    /// <summary>Cannot be played through yet.</summary>
    Raw = 1,

    /// <summary>Taking shape.</summary>
    Shaping = 2,

    /// <summary>Concert-ready: performable today.</summary>
    Ready = 3,
}
