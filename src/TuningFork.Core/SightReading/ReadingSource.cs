namespace TuningFork.Core.SightReading;

/// <summary>Where unseen music comes from.</summary>
public enum ReadingSource
{
    /// <summary>Books and new music take turns by day, as far as there are books (default).</summary>
    InTurn,

    /// <summary>Books as long as they have something unseen.</summary>
    Books,

    /// <summary>New music only.</summary>
    NewMusic,
}
