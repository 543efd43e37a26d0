namespace TuningFork.Core.Planning;

/// <summary>Why a day is not as its weekday.</summary>
public enum DayOffKind
{
    /// <summary>Away, or off.</summary>
    Holiday,

    /// <summary>Work that lasts into the evening.</summary>
    LateShift,

    /// <summary>Playing with others: the day has its playing already.</summary>
    Rehearsal,

    /// <summary>People come, or one goes to them.</summary>
    Visit,

    /// <summary>Anything else.</summary>
    Other,
}
