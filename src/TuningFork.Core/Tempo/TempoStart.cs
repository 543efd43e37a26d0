namespace TuningFork.Core.Tempo;

/// <summary>Where to begin today.</summary>
/// <param name="Tempo">The tempo of the first take.</param>
/// <param name="Reason">Why, in a few words.</param>
public sealed record StartTempo(Bpm Tempo, string Reason);

/// <summary>Chooses today's first tempo from what was clean before.</summary>
public static class TempoStart
{
    /// <summary>
    /// At the last clean tempo after a few days, slightly below after a longer gap, 2 above after an easy day; about
    /// half the target where nothing was clean yet. Never above the target; held back when tired (common practice).
    /// </summary>
    /// <param name="lastClean">Last clean tempo, or null.</param>
    /// <param name="daysSince">Days since it was played; 0 when unknown.</param>
    /// <param name="easyLastTime">True when the last visit had no miss.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <param name="careful">True when nothing should be faster than it was (tired, tense, a concert today).</param>
    /// <returns>Null when neither a clean tempo nor a target is known.</returns>
    public static StartTempo? For(Bpm? lastClean, int daysSince, bool easyLastTime, Bpm? target, bool careful = false)
    {
        if (lastClean is not { } clean)
            return target is { } goal ? new StartTempo(Bpm.Near(goal.Value * 0.55), $"slow first; target {goal}") : null;
        var start = (careful, daysSince, easyLastTime) switch
        {
            (_, > 7, _) => Bpm.Near(clean.Value * 0.95),
            (true, _, _) => clean.Plus(-2),
            (_, _, true) => clean.Plus(2),
            _ => clean,
        };
        if (target is { } most && start > most)
            start = most;
        return new StartTempo(start, $"last clean {clean}");
    }
}
