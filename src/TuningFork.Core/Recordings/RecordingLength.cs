using TuningFork.Core.Practice;

namespace TuningFork.Core.Recordings;

/// <summary>How long a recording of a take runs by itself.</summary>
public static class RecordingLength
{
    /// <summary>Seconds of the longest recording: a whole evening is not kept by mistake.</summary>
    public const int MostSeconds = 45 * 60;

    /// <summary>Bars after the end of a take until it stops by itself: the last note dies away in them (common practice).</summary>
    private const int BarsAfter = 1;

    /// <summary>Seconds from the first beat until it stops by itself; null where a take has no end of its own.</summary>
    /// <param name="target">What is played.</param>
    /// <param name="cue">What is to be done at this moment.</param>
    /// <param name="beatsPerBar">Beats in its bar, 1 or more.</param>
    public static double? Seconds(Target target, Cue cue, int beatsPerBar)
    {
        ArgumentNullException.ThrowIfNull(target);
        ArgumentNullException.ThrowIfNull(cue);
        ArgumentOutOfRangeException.ThrowIfLessThan(beatsPerBar, 1);
        if (cue.Tempo is not { } tempo || target.TakeSeconds <= Takes.SetUpSeconds)
            return null;
        // A stretch without a miss, a run, a rest: the clock or the player ends them.
        if (cue is not { CountsTakes: true, Loop: null, Run: null, Resting: false })
            return null;
        var bar = beatsPerBar * 60.0 / tempo.Value;
        var take = cue.StopAfterBar is { } last
            ? (last - target.FromBar + 1) * bar
            : (target.TakeSeconds - Takes.SetUpSeconds) * ((target.Tempo ?? tempo).Value / (double)tempo.Value);
        return Math.Min(MostSeconds, take + (BarsAfter * bar));
    }
}
