using TuningFork.Core.Ability;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>Says what to do now, from a drill, the takes so far and the seconds played.</summary>
public static class Stage
{
    private const int LeastGraceSeconds = 10;
    private const int MostGraceSeconds = 120;

    /// <summary>Clean bursts before the click goes up: three or four (common practice).</summary>
    private const int BurstsToClimb = 4;

    /// <summary>The cue of this moment.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="takes">Takes so far, in order.</param>
    /// <param name="playedSeconds">Seconds played of it, 0 or more.</param>
    /// <param name="nudge">Beats a minute by which the player has moved the tempo.</param>
    /// <param name="loopFrom">Of minutes without a miss: seconds played when the present stretch began; null before it did.</param>
    public static Cue Now(Drill drill, IReadOnlyList<StageTake> takes, double playedSeconds, int nudge = 0, double? loopFrom = null)
    {
        ArgumentNullException.ThrowIfNull(drill);
        ArgumentNullException.ThrowIfNull(takes);
        if (drill.IsBreak)
            return new Cue { Title = drill.Title, Sentence = drill.How };
        var method = Methods.Of(drill);
        var cue = method.Course switch
        {
            Course.Rounds => InRounds(drill, takes),
            Course.CleanInRow => CleanInRow(drill, method, takes),
            Course.CleanMinutes => StageLoop.Now(drill, method, takes, playedSeconds, loopFrom),
            Course.FixedCount => FixedCount(drill, method, takes),
            Course.Ladder => Climb(drill, takes),
            Course.WorkRest => StageWork.Now(drill, takes, playedSeconds),
            Course.Once => Once(drill, takes),
            Course.Questions => Question(drill, takes),
            Course.Run or Course.Clock => StageRuns.Now(drill, method, takes),
            Course.Steps => StageRuns.Steps(drill, takes),
            Course.Densities => StageRungs.Densities(drill, method, takes),
            Course.Rungs => StageRungs.Rungs(drill, method, takes),
            Course.Probe => StageProbe.Now(drill, takes, playedSeconds),
            Course.Bursts => Burst(drill, takes),
            Course.Altered => StageSteps.Now(drill, takes, playedSeconds),
            _ => Plain(drill, method),
        };
        return cue with
        {
            Tempo = cue.Tempo?.Plus(nudge),
            Help = cue.Complete ? null : StageHelp.Of(drill, takes),
            GraceSeconds = cue.CountsTakes ? Grace(drill, cue.TargetIndex) : 0,
        };
    }

    private static Cue Plain(Drill drill, Method method)
    {
        var target = drill.Targets.Count > 0 ? drill.Targets[0] : null;
        return new Cue
        {
            TargetIndex = target is null ? -1 : 0,
            Title = drill.Title,
            Sentence = drill.How.Length > 0 ? drill.How : FirstSentence(method.How),
            Tempo = target?.Tempo,
        };
    }

    private static Cue InRounds(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var complete = takes.Count >= drill.Sequence.Count;
        var index = drill.Sequence[Math.Min(takes.Count, drill.Sequence.Count - 1)];
        var target = drill.Targets[index];
        var next = takes.Count + 1 < drill.Sequence.Count ? drill.Targets[drill.Sequence[takes.Count + 1]].Title : "";
        return Take(drill, index) with
        {
            Title = target.Title,
            Tempo = Moved(target, index, takes),
            Sentence =
                drill.MethodId == Methods.UnseenInTime.Id ? "Look half a minute. Then keep the beat."
                : drill.MethodId == Methods.KeyRound.Id ? "Once, then the next key."
                : drill.MethodId == Methods.Stations.Id ? $"By heart. {Stop(target)}"
                : "Once. " + Stop(target),
            Count = $"take {Math.Min(takes.Count + 1, drill.Sequence.Count)} of {drill.Sequence.Count}",
            // What comes next is not told before: one begins where one is sent.
            Next = drill.MethodId == Methods.Stations.Id ? "" : next,
            HidesMusic = drill.MethodId == Methods.Stations.Id,
            Complete = complete,
        };
    }

    /// <summary>
    /// The tempo of the next take of a target: where five of six come clean after what was just played. Fixed where nothing is believed
    /// of its reach, or where it is slow on purpose.
    /// </summary>
    internal static Bpm? Moved(Target target, int index, IReadOnlyList<StageTake> takes)
    {
        if (target is not { Able: { } able, Pace: Pace.Work or Pace.Performance, Tempo: not null })
            return target.Tempo;
        var played = takes.Where(take => take.TargetIndex == index && take.Tempo is not null).ToList();
        return played.Count == 0
            ? target.Tempo
            : TodaysTempo.Next(
                Estimate.During(able, played.Select(take => new Evidence(take.Tempo!.Value.Value, take.Clean))),
                played[^1].Tempo!.Value,
                target.Goal,
                target.Ease
            );
    }

    private static Cue CleanInRow(Drill drill, Method method, IReadOnlyList<StageTake> takes)
    {
        var run = takes.Reverse().TakeWhile(take => take.Clean).Count();
        return Take(drill, 0) with
        {
            // The tempo stays while it goes well; a miss may lower it.
            Tempo = Moved(drill.Targets[0], 0, [.. takes.Take(takes.Count - run)]),
            Sentence = (takes is [.., { Clean: false }] ? "Again, calmly. " : "The same tempo each time. ") + Stop(drill.Targets[0]),
            Count = $"{Math.Min(run, method.Count)} of {method.Count} clean in a row",
            Complete = run >= method.Count,
        };
    }

    private static Cue FixedCount(Drill drill, Method method, IReadOnlyList<StageTake> takes) =>
        Take(drill, 0) with
        {
            Sentence =
                (
                    method.Id == Methods.FromMemory.Id
                        ? takes.Count == 0
                            ? "Without looking: that is the test. "
                            : "Look at what was missing, then again. "
                        : method.Id == Methods.JoinedSection.Id
                            ? "Over all the joins; the beat goes on. "
                            : drill.Own is not null
                                ? FirstSentence(method.How) + " "
                                : "Think it through, then play it slowly. "
                ) + Stop(drill.Targets[0]),
            HidesMusic = method.Id == Methods.FromMemory.Id && takes.Count == 0,
            Count = $"take {Math.Min(takes.Count + 1, method.Count)} of {method.Count}",
            Complete = takes.Count >= method.Count,
        };

    private static Cue Climb(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var (state, rose, fell) = Climbed(drill.Targets[0], takes, Ladder.CleanToClimb);
        // Clean so often at its highest, where it goes no further.
        var top = takes.Count > 0 && takes[^1].Clean && state.CleanRun == 0 && !rose;
        return Take(drill, 0) with
        {
            Complete = top,
            Sentence =
                top ? "The top: there is a reserve above the target."
                : fell ? "A step back."
                : rose ? "Up: hear the new tempo first."
                : $"Clean {Ladder.CleanToClimb} times, then up.",
            Tempo = state.Tempo,
            Count = $"{state.CleanRun} of {Ladder.CleanToClimb} clean in a row",
            AsksTension = rose,
        };
    }

    private static Cue Burst(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var index = takes.Count % drill.Targets.Count;
        var (state, rose, _) = Climbed(drill.Targets[index], takes.Where(take => take.TargetIndex == index), BurstsToClimb);
        return Take(drill, index) with
        {
            Sentence = rose ? "Up: hear the new tempo, one burst." : "One burst, then the other. " + Stop(drill.Targets[index]),
            Tempo = state.Tempo,
            Count = $"{state.CleanRun} of {BurstsToClimb} clean bursts",
            Next = drill.Targets[(index + 1) % drill.Targets.Count].Title,
            AsksTension = rose,
        };
    }

    /// <summary>Where a ladder stands after some takes, and whether the last of them raised it.</summary>
    private static (LadderState State, bool Rose, bool Fell) Climbed(Target target, IEnumerable<StageTake> takes, int toClimb)
    {
        var state = new LadderState(target.Tempo ?? new Bpm(60));
        var (rose, fell) = (false, false);
        foreach (var take in takes)
        {
            var next = Ladder.After(state, take.Clean, target.Goal, toClimb);
            (rose, fell) = (next.Tempo > state.Tempo, next.Tempo < state.Tempo);
            state = next;
        }

        return (state, rose, fell);
    }

    private static Cue Once(Drill drill, IReadOnlyList<StageTake> takes) =>
        Take(drill, 0) with
        {
            Sentence = "Once, right through. No stopping.",
            Complete = takes.Count > 0,
        };

    private static Cue Question(Drill drill, IReadOnlyList<StageTake> takes) =>
        Take(drill, 0) with
        {
            Sentence = "Listen, answer aloud, then hear it.",
            Count = takes.Count == 0 ? "" : $"{takes.Count(take => take.Clean)} of {takes.Count} right",
            Question = takes.Count,
        };

    internal static Cue Take(Drill drill, int index) =>
        new()
        {
            TargetIndex = index,
            Title = drill.Targets[index].Title,
            Sentence = "",
            Tempo = drill.Targets[index].Tempo,
            CountsTakes = true,
        };

    internal static string Stop(Target target) => target.StopAfterBar is { } bar ? $"Stop after bar {bar}." : "Then stop.";

    private static int Grace(Drill drill, int index) =>
        index < 0 ? 0 : Math.Clamp(drill.Targets[index].TakeSeconds, LeastGraceSeconds, MostGraceSeconds);

    private static string FirstSentence(string text) =>
        text.IndexOf('.', StringComparison.Ordinal) is >= 0 and var end ? text[..(end + 1)] : text;
}
