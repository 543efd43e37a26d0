using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>Where a drill of altered versions stands.</summary>
/// <param name="Step">The step at hand, from 0; as many as there are when all were played and it is played as written.</param>
/// <param name="CleanRun">Clean takes of it in a row.</param>
/// <param name="Lowered">Times that its tempo went down.</param>
/// <param name="Halved">True when half of the bars is enough for now.</param>
public readonly record struct StepState(int Step, int CleanRun, int Lowered, bool Halved)
{
    /// <summary>Misses of the step in a row.</summary>
    internal int Misses { get; init; }
}

/// <summary>
/// Altered versions step by step: on after what went well, slower after two misses, then half of the bars, then on all the same; at
/// the end, or when its time is nearly up, one take as written. The place is kept for the next time (common practice).
/// </summary>
public static class StageSteps
{
    /// <summary>Misses in a row after which it is made easier.</summary>
    public const int MissesToEase = 2;

    /// <summary>Takes with closed eyes, before they open.</summary>
    public const int ClosedTakes = 4;

    /// <summary>So much of the tempo is left after a step down.</summary>
    private const double Slower = 0.9;

    /// <summary>With open eyes a little above the best with closed ones.</summary>
    private const double Opened = 1.03;

    /// <summary>A chain longer than that takes more minutes than anybody has.</summary>
    public const int MostLinks = 32;

    /// <summary>How many steps come before the take as written.</summary>
    /// <param name="drill">A drill of altered versions.</param>
    public static int Count(Drill drill)
    {
        ArgumentNullException.ThrowIfNull(drill);
        return IsChain(drill) ? Links(drill)
            : IsClosed(drill) ? ClosedTakes
            : drill.Targets.Count - 1;
    }

    /// <summary>Where it stands after some takes.</summary>
    /// <param name="drill">A drill of altered versions.</param>
    /// <param name="takes">Its takes, in order.</param>
    public static StepState After(Drill drill, IEnumerable<StageTake> takes)
    {
        ArgumentNullException.ThrowIfNull(drill);
        ArgumentNullException.ThrowIfNull(takes);
        var count = Count(drill);
        var state = new StepState(Math.Clamp(drill.Targets[0].Place, 0, Math.Max(0, count - 1)), 0, 0, false);
        foreach (var take in takes)
            state =
                state.Step >= count ? state
                // With closed eyes each take is a step: the tempo alone follows.
                : IsClosed(drill) || (take.Clean && state.CleanRun + 1 >= ToGoOn(drill)) ? new StepState(state.Step + 1, 0, 0, false)
                : take.Clean ? state with { CleanRun = state.CleanRun + 1, Misses = 0 }
                : Missed(drill, state);
        return state;
    }

    /// <summary>The place to be kept for the next time: the step at hand, from the beginning again once all were played.</summary>
    /// <param name="drill">A drill of altered versions.</param>
    /// <param name="takes">Its takes, in order.</param>
    public static int PlaceAfter(Drill drill, IEnumerable<StageTake> takes)
    {
        var step = After(drill, takes).Step;
        return step >= Count(drill) || IsClosed(drill) ? 0 : step;
    }

    /// <summary>Seconds that all steps and the take as written need when each goes well at once.</summary>
    /// <param name="drill">A drill of altered versions.</param>
    public static int Seconds(Drill drill)
    {
        ArgumentNullException.ThrowIfNull(drill);
        var (count, each) = (Count(drill), drill.Targets[0].TakeSeconds);
        var left = count - Math.Clamp(drill.Targets[0].Place, 0, Math.Max(0, count - 1));
        var setUp = Math.Min(each, Takes.SetUpSeconds);
        var steps = IsChain(drill)
            // Step k plays k of n notes; only the playing grows, getting ready again does not.
            ? Enumerable.Range(count - left + 1, left).Sum(link => setUp + ((double)(each - setUp) * link / count))
            : (double)left * each * ToGoOn(drill);
        return (int)Math.Ceiling(steps) + drill.Targets[^1].TakeSeconds;
    }

    /// <summary>The arithmetic in words: "6 steps, then as written: about 4 min when all goes well; the place is kept".</summary>
    /// <param name="drill">A drill of altered versions.</param>
    public static string Sum(Drill drill)
    {
        ArgumentNullException.ThrowIfNull(drill);
        var minutes = (Seconds(drill) + 59) / 60;
        return $"{Words.Count(Count(drill), "step")}, then as written: about {minutes} min when all goes well"
            + (minutes > drill.Minutes ? "; the place is kept" : "");
    }

    internal static Cue Now(Drill drill, IReadOnlyList<StageTake> takes, double playedSeconds)
    {
        var written = drill.Targets.Count - 1;
        var count = Count(drill);
        var ends = Math.Max(0, drill.Seconds - drill.Targets[written].TakeSeconds);
        var state = After(drill, takes.Where(take => take.TargetIndex != written));
        if (takes.Any(take => take.TargetIndex == written) || state.Step >= count || playedSeconds >= ends)
            return Written(drill, takes);
        var target = drill.Targets[Version(drill, state.Step)];
        var version = AlteredVersion.Of(drill.MethodId).First(one => one.Id == TargetKey.Parse(target.Key).Name);
        return Stage.Take(drill, Version(drill, state.Step)) with
        {
            Sentence = Sentence(state, version, HalfOf(target), takes),
            Tempo = TempoOf(drill, target, state, takes),
            Count = Counted(drill, state, count),
            Next = NextOf(drill, state, count),
            Step = IsChain(drill) ? state.Step + 1 : null,
            StopAfterBar = state.Halved ? HalfOf(target) : null,
            TurnsAtSeconds = ends > 0 ? ends : null,
        };
    }

    private static Cue Written(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var written = drill.Targets.Count - 1;
        var closed = takes.Where(take => take is { Clean: true, Tempo: not null } && take.TargetIndex != written).ToList();
        return Stage.Take(drill, written) with
        {
            Sentence = IsClosed(drill) ? "Eyes open, once, as written." : "Once, as written.",
            Tempo =
                IsClosed(drill) && closed.Count > 0
                    ? Bpm.Near(closed.Max(take => take.Tempo!.Value.Value) * Opened)
                    : drill.Targets[written].Tempo,
            Count = "as written",
            Complete = takes.Any(take => take.TargetIndex == written),
        };
    }

    private static StepState Missed(Drill drill, StepState state)
    {
        if (state.Misses + 1 < MissesToEase)
            return state with { CleanRun = 0, Misses = state.Misses + 1 };
        var eased = state with { CleanRun = 0, Misses = 0 };
        return state.Lowered == 0 ? eased with { Lowered = 1 }
            : !state.Halved && HalfOf(drill.Targets[Version(drill, state.Step)]) is not null && !IsChain(drill)
                ? eased with
                {
                    Halved = true,
                }
            // It has had its share of today; a chain stays where it breaks.
            : IsChain(drill) ? eased with { Lowered = state.Lowered + 1 }
            : new StepState(state.Step + 1, 0, 0, false);
    }

    /// <summary>Clean takes of a step before the next: two of a silence, which is easily clean by luck; one of others.</summary>
    private static int ToGoOn(Drill drill) => drill.MethodId == Methods.SilentBars.Id ? 2 : 1;

    private static bool IsChain(Drill drill) => drill.MethodId == Methods.GrowingChain.Id;

    private static bool IsClosed(Drill drill) => drill.MethodId == Methods.EyesClosed.Id;

    /// <summary>Its notes where the music is known, else its beats.</summary>
    private static int Links(Drill drill) => Math.Clamp(drill.Links ?? 1, 1, MostLinks);

    private static int Version(Drill drill, int step) => IsChain(drill) || IsClosed(drill) ? 0 : step;

    /// <summary>The last bar of the first half; null for one bar.</summary>
    private static int? HalfOf(Target target) =>
        target.StopAfterBar is { } last && last > target.FromBar ? target.FromBar + ((last - target.FromBar) / 2) : null;

    private static Bpm? TempoOf(Drill drill, Target target, StepState state, IReadOnlyList<StageTake> takes)
    {
        if (target.Tempo is not { } tempo)
            return null;
        if (!IsClosed(drill))
            return Bpm.Near(tempo.Value * Math.Pow(Slower, state.Lowered));
        foreach (var take in takes)
            tempo = tempo.Plus((take.Clean ? 1 : -1) * Ladder.Step(tempo, drill.Targets[^1].Goal));
        return tempo;
    }

    private static string Sentence(StepState state, AlteredVersion version, int? half, IReadOnlyList<StageTake> takes) =>
        state.Halved ? $"To bar {half} only: smaller, not harder. {version.Sentence}"
        : takes is not [.., { Clean: false }] ? version.Sentence
        : state is { Misses: 0, Lowered: > 0, CleanRun: 0 } ? "A tenth slower. " + version.Sentence
        : "Again, calmly. " + version.Sentence;

    private static string Counted(Drill drill, StepState state, int count)
    {
        var what = IsChain(drill) ? (drill.LinksAreNotes ? "notes" : "beats") : "";
        var step = IsChain(drill) ? $"{state.Step + 1} of {count} {what}" : $"step {state.Step + 1} of {count}";
        var needed = ToGoOn(drill);
        return needed > 1 ? $"{step}, {state.CleanRun} of {needed} clean" : step;
    }

    private static string NextOf(Drill drill, StepState state, int count) =>
        state.Step + 1 >= count ? "as written"
        : IsChain(drill) || IsClosed(drill) ? ""
        : drill.Targets[state.Step + 1].Title;
}
