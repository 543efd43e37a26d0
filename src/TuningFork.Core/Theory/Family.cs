namespace TuningFork.Core.Theory;

/// <summary>Families of instruments, which warm up and improvise in ways of their own.</summary>
public enum Family
{
    /// <summary>Sounded by breath.</summary>
    Winds,

    /// <summary>Sounded by the bow.</summary>
    Strings,

    /// <summary>Strings sounded by the fingers or a plectrum.</summary>
    Plucked,

    /// <summary>Played from a keyboard.</summary>
    Keys,

    /// <summary>Struck, with pitch or without.</summary>
    Percussion,

    /// <summary>Sung.</summary>
    Voice,

    /// <summary>None of these.</summary>
    Other,
}
