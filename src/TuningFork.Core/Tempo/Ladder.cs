namespace TuningFork.Core.Tempo;

/// <summary>Where a climb stands.</summary>
/// <param name="Tempo">Tempo of the next take.</param>
/// <param name="CleanRun">Clean takes in a row at this tempo.</param>
public sealed record LadderState(Bpm Tempo, int CleanRun = 0);

/// <summary>The up-and-down rule of tempo work.</summary>
public static class Ladder
{
    /// <summary>Clean takes in a row before the tempo goes up (common practice).</summary>
    public const int CleanToClimb = 3;

    /// <summary>Within this part of the target a step is a single beat (common practice).</summary>
    public const double NearPart = 0.05;

    /// <summary>A ladder may go so much beyond its target.</summary>
    public const double Reserve = 0.1;

    /// <summary>Step in beats a minute: single beats within 5 % of the target, else 2 to 5 by the distance.</summary>
    /// <param name="now">Present tempo.</param>
    /// <param name="target">Target, or null when there is none.</param>
    public static int Step(Bpm now, Bpm? target)
    {
        if (target is not { } goal)
            return 3;
        var distance = goal.Value - now.Value;
        return distance <= goal.Value * NearPart ? 1 : Math.Clamp(distance / 8, 2, 5);
    }

    /// <summary>The state after a take: up after so many clean in a row, back after one miss. It may pass the target by a tenth: what
    /// has a reserve is safe at its tempo (common practice).</summary>
    /// <param name="state">Before the take.</param>
    /// <param name="clean">Whether it was clean.</param>
    /// <param name="target">Target, or null.</param>
    /// <param name="toClimb">Clean takes in a row before it goes up.</param>
    public static LadderState After(LadderState state, bool clean, Bpm? target, int toClimb = CleanToClimb)
    {
        ArgumentNullException.ThrowIfNull(state);
        var step = Step(state.Tempo, target);
        if (!clean)
            return new LadderState(state.Tempo.Plus(-step));
        if (state.CleanRun + 1 < toClimb)
            return state with { CleanRun = state.CleanRun + 1 };
        var up = state.Tempo.Plus(step);
        return new LadderState(
            target is { } goal ? Bpm.Near(Math.Min(up.Value, Math.Max(state.Tempo.Value, goal.Value * (1 + Reserve)))) : up
        );
    }
}
