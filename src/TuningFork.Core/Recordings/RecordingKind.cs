namespace TuningFork.Core.Recordings;

/// <summary>Where a recording comes from and what it is for.</summary>
public enum RecordingKind
{
    /// <summary>A take recorded here.</summary>
    Take,

    /// <summary>A file of one's own playing, added by hand.</summary>
    Added,

    /// <summary>Something to play along with.</summary>
    Song,
}
