namespace TuningFork.Server.Features.Practice;

/// <summary>What is known of a take beside clean or missed.</summary>
/// <param name="Late">Of a run on the click: how many came late.</param>
/// <param name="Seconds">Of a run against the clock, or of a stretch without a miss: how long it took.</param>
/// <param name="LateItems">The names of what came late, one a line.</param>
/// <param name="Off">Of a miss: -1 too early, 1 too late.</param>
/// <param name="Heard">The take as it was heard, where it was: its id.</param>
public readonly record struct TakeDetail(
    int? Late = null,
    double? Seconds = null,
    string? LateItems = null,
    int? Off = null,
    int? Heard = null
);
