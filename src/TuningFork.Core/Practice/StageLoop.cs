using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>
/// Minutes without a miss, by the clock: one press begins, only a miss is pressed, and each round that goes by is a clean take.
/// </summary>
public static class StageLoop
{
    /// <summary>Fewest minutes.</summary>
    public const int LeastMinutes = 1;

    /// <summary>Most minutes.</summary>
    public const int MostMinutes = 5;

    /// <summary>Rounds of the bars that went by whole since the stretch began.</summary>
    /// <param name="target">What goes round.</param>
    /// <param name="tempo">Its tempo, or null.</param>
    /// <param name="seconds">Seconds since the stretch began, 0 or more.</param>
    public static int Rounds(Target target, Bpm? tempo, double seconds)
    {
        ArgumentNullException.ThrowIfNull(target);
        return (int)(Math.Max(0, seconds) / RoundSeconds(target, tempo));
    }

    /// <summary>Whether the stretch has lasted as long as it should.</summary>
    /// <param name="drill">A drill of minutes without a miss.</param>
    /// <param name="playedSeconds">Seconds played of it.</param>
    /// <param name="from">Seconds played when the stretch began; null before it did.</param>
    public static bool IsThrough(Drill drill, double playedSeconds, double? from) => playedSeconds - from >= Needed(Methods.Of(drill));

    internal static Cue Now(Drill drill, Method method, IReadOnlyList<StageTake> takes, double playedSeconds, double? from)
    {
        var target = drill.Targets[0];
        var tempo = target.Tempo;
        foreach (var _ in takes.Where(take => !take.Clean))
            tempo = tempo?.Plus(-Ladder.Step(tempo.Value, target.Goal));
        var needed = Needed(method);
        return Stage.Take(drill, 0) with
        {
            Sentence =
                from is null ? "One press, then round and round; press only a miss. "
                : takes is [.., { Clean: false }] ? "A little slower, and anew."
                : "Round and round, without a miss.",
            Tempo = tempo,
            Count = $"{needed / 60}:{needed % 60:00} without a miss",
            Loop = new LoopCue(from, needed),
            TurnsAtSeconds = from is { } began ? (int)Math.Ceiling(began + needed) : null,
            Complete = from is not null && IsThrough(drill, playedSeconds, from),
        };
    }

    /// <summary>The bars go round without a stop: no time to set up again between them.</summary>
    private static double RoundSeconds(Target target, Bpm? tempo) =>
        Math.Max(1, target.TakeSeconds - Takes.SetUpSeconds) * ((target.Tempo?.Value ?? 1.0) / (tempo?.Value ?? target.Tempo?.Value ?? 1));

    private static int Needed(Method method) => method.Count * 60;
}
