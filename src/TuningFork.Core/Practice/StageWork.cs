using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>One way to work on a thing for some seconds, before the next way takes its turn.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Sentence">What to do, in one sentence.</param>
/// <param name="OfTempo">Part of the work tempo; 0 for no tempo at all.</param>
/// <param name="Variant">The altered music that goes with it; empty as written.</param>
/// <param name="Counts">Whether takes are marked: where the notes are played as written.</param>
internal sealed record WorkStep(string Name, string Sentence, double OfTempo, string Variant = "", bool Counts = false);

/// <summary>
/// Work and rest in turns, by the clock: each round has one thing, and within its minutes the ways to work on it take turns by
/// the clock as well; each day begins with another, and the last is always once at tempo (common practice).
/// </summary>
public static class StageWork
{
    private const int UsualWork = 4;
    private const int UsualRest = 1;

    /// <summary>So much of the time that is left after the last round is worth one more run.</summary>
    private const int LeastRun = 45;

    /// <summary>Ways to work on what has a tempo and notes.</summary>
    private static readonly IReadOnlyList<WorkStep> OfNotes =
    [
        new("slow, with the click", "Slowly, with the click.", 0.65, Counts: true),
        new("long-short", "Long-short, each pair early.", 0.85, "long-short"),
        new("short-long", "Short-long, each pair early.", 0.85, "short-long"),
        new("otherwise articulated", "Otherwise articulated: slurred, or every note short.", 0.85),
        new("note by note", "Note by note: hear the next, then play it.", 0),
    ];

    /// <summary>Ways to work on a stroke, a groove, a change, or what has no tempo.</summary>
    private static readonly IReadOnlyList<WorkStep> OfMotions =
    [
        new("slowly", "Slowly; every motion is ready before it is made.", 0.65, Counts: true),
        new("softly", "As softly as it still speaks.", 0.85),
        new("one motion at a time", "One motion at a time: ready, then go.", 0),
    ];

    private static readonly WorkStep AtTempo = new("at tempo", "At tempo, once through. ", 1, Counts: true);

    /// <summary>Seconds of work, and of work and rest together, in one round.</summary>
    private static (int Work, int Round) RoundOf(Drill drill)
    {
        var work = (drill.WorkMinutes ?? UsualWork) * 60;
        return (work, work + ((drill.RestMinutes ?? UsualRest) * 60));
    }

    /// <summary>The targets that have had work for so long, as indices, in the order of their rounds.</summary>
    /// <param name="drill">A drill whose method works and rests in turns.</param>
    /// <param name="playedSeconds">Seconds played of it, 0 or more.</param>
    /// <param name="leastSeconds">Seconds of work from which a target counts as worked on.</param>
    public static IReadOnlyList<int> Worked(Drill drill, double playedSeconds, double leastSeconds)
    {
        ArgumentNullException.ThrowIfNull(drill);
        if (drill.Targets.Count == 0)
            return [];
        var (work, round) = RoundOf(drill);
        var rounds = (int)(playedSeconds / round) + 1;
        return
        [
            .. Enumerable
                .Range(0, rounds)
                .Where(number => Math.Min(work, playedSeconds - (number * (double)round)) >= Math.Min(work, leastSeconds))
                .Select(number => number % drill.Targets.Count)
                .Distinct(),
        ];
    }

    /// <summary>One round under way.</summary>
    /// <param name="Number">Which one, from 0.</param>
    /// <param name="Of">Of how many.</param>
    /// <param name="Begins">Seconds played of the drill at which it began.</param>
    /// <param name="Work">Seconds of work in it.</param>
    /// <param name="Into">Seconds since it began.</param>
    private readonly record struct Round(int Number, int Of, int Begins, int Work, double Into);

    internal static Cue Now(Drill drill, IReadOnlyList<StageTake> takes, double playedSeconds)
    {
        var (work, whole) = RoundOf(drill);
        var rounds = Math.Max(1, Takes.WorkRest(drill.Seconds / 60, work / 60, (whole - work) / 60).Rounds);
        var number = Math.Min((int)(playedSeconds / whole), rounds - 1);
        var round = new Round(number, rounds, number * whole, work, playedSeconds - (number * (double)whole));
        return round.Into < work ? Work(drill, takes, round)
            : number < rounds - 1 ? Rest(drill, number, round.Begins + whole)
            : Left(drill, takes, rounds, round.Begins + work);
    }

    private static Cue Work(Drill drill, IReadOnlyList<StageTake> takes, Round round)
    {
        var ends = round.Begins + round.Work;
        var count = $"round {round.Number + 1} of {round.Of}";
        if (drill.Targets.Count == 0)
            return new Cue
            {
                Title = drill.Title,
                Sentence = "Work, then rest.",
                Count = count,
                Period = new PeriodCue(ends),
                TurnsAtSeconds = ends,
            };
        var index = round.Number % drill.Targets.Count;
        var target = drill.Targets[index];
        var steps = Steps(drill, target);
        var at = (int)(round.Into * steps.Count / round.Work);
        var step = steps[at];
        var tempo = step == AtTempo ? Stage.Moved(target, index, takes) : target.Tempo;
        return Stage.Take(drill, index) with
        {
            Tempo = step.OfTempo == 0 || tempo is not { } full ? null : Bpm.Near(full.Value * step.OfTempo),
            Sentence = step == AtTempo ? step.Sentence + Stage.Stop(target) : step.Sentence,
            Count = $"{count}, {step.Name}",
            Next =
                at + 1 < steps.Count ? steps[at + 1].Name
                : round.Number + 1 < round.Of ? $"rest, then {Next(drill, round.Number)}"
                : "",
            CountsTakes = step.Counts,
            Variant = step.Variant,
            Period = new PeriodCue(ends),
            TurnsAtSeconds = round.Begins + (int)Math.Ceiling((at + 1) * (double)round.Work / steps.Count),
        };
    }

    private static Cue Rest(Drill drill, int number, int ends) =>
        new()
        {
            Title = "Rest",
            Sentence = "Hands down, look away.",
            Next = drill.Targets.Count == 0 ? "" : Next(drill, number),
            Resting = true,
            Period = new PeriodCue(ends),
            TurnsAtSeconds = ends,
        };

    /// <summary>What is left after the last round: one run through what was worked on, where there is time for it; else rest.</summary>
    private static Cue Left(Drill drill, IReadOnlyList<StageTake> takes, int rounds, int from)
    {
        if (drill.Seconds - from < LeastRun || drill.Targets.Count == 0)
            return Rest(drill, rounds - 1, drill.Seconds) with { Next = "" };
        var index = rounds % drill.Targets.Count;
        return Stage.Take(drill, index) with
        {
            Tempo = Stage.Moved(drill.Targets[index], index, takes),
            Sentence = "One run with what is left. " + Stage.Stop(drill.Targets[index]),
            Period = new PeriodCue(drill.Seconds),
        };
    }

    private static string Next(Drill drill, int number) => drill.Targets[(number + 1) % drill.Targets.Count].Title;

    /// <summary>The ways of a round, in the order of the day: each day begins with another.</summary>
    private static List<WorkStep> Steps(Drill drill, Target target)
    {
        var all =
            target is { Tempo: not null, Work: null } && TargetKey.Parse(target.Key).Kind == TargetKind.Material ? OfNotes : OfMotions;
        var first = drill.Seed % all.Count;
        return [.. all.Skip(first), .. all.Take(first), AtTempo];
    }
}
