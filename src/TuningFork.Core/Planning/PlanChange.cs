using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>What a player may do with a plan.</summary>
public enum ChangeKind
{
    /// <summary>Keep a drill when planning anew, or let it go again.</summary>
    Lock,

    /// <summary>Put a drill at another place.</summary>
    Move,

    /// <summary>Give a drill other minutes.</summary>
    Minutes,

    /// <summary>Take a drill out.</summary>
    LeaveOut,

    /// <summary>Put another thing of the same area in its place.</summary>
    Swap,

    /// <summary>Do it by another method.</summary>
    Method,

    /// <summary>Add a drill.</summary>
    Add,

    /// <summary>Play it another number of times.</summary>
    Times,
}

/// <summary>One change.</summary>
/// <param name="Kind">What to do.</param>
/// <param name="DrillId">The drill, except for <see cref="ChangeKind.Add"/>.</param>
/// <param name="Value">New place from 0 for a move; new minutes, or minutes of an added drill; new number of takes.</param>
/// <param name="MaterialId">The material to swap in or to add.</param>
/// <param name="MethodId">Lasting name of the other method.</param>
public sealed record PlanChange(
    ChangeKind Kind,
    string? DrillId = null,
    int? Value = null,
    int? MaterialId = null,
    MethodId? MethodId = null
);
