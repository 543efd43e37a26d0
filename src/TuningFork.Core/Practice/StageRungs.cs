using TuningFork.Core.Technique;

namespace TuningFork.Core.Practice;

/// <summary>The stage of exercises whose notes come in other values to the same click.</summary>
internal static class StageRungs
{
    /// <summary>Fewer notes to the same click, then twice as many, up to what is written.</summary>
    internal static Cue Densities(Drill drill, Method method, IReadOnlyList<StageTake> takes)
    {
        var last = drill.Targets.Count - 1;
        var (step, run) = Density.After(drill.Targets.Count, takes.Select(take => take.Clean));
        return Stage.Take(drill, step) with
        {
            Title = drill.Targets[step].Title,
            Sentence =
                step == last ? "As written now, the same click."
                : step == 0 ? "One note to the click: the two are one."
                : "Twice as many, the same click.",
            Count =
                step == last
                    ? $"{Math.Min(run, method.Count)} of {method.Count} clean in a row"
                    : $"{run} of {Density.CleanToDouble} clean, then twice as many",
            Next = step < last ? drill.Targets[step + 1].Title : "",
            Complete = step == last && run >= method.Count,
        };
    }

    /// <summary>Twice as many notes at the same click, rung by rung.</summary>
    internal static Cue Rungs(Drill drill, Method method, IReadOnlyList<StageTake> takes)
    {
        var rungs = drill.Targets.Count;
        var place = SubdivisionLadder.After(rungs, method.Count > 1, takes.Select(take => take.Clean));
        var next = place.Rung + (place.IsDescending ? -1 : 1);
        return Stage.Take(drill, place.Rung) with
        {
            Sentence =
                place.IsDescending ? "Half as many notes; the click stays."
                : takes is [.., { Clean: false }] ? "One rung down: sound first, then up again."
                : place.Rung == 0 ? "The click stays; listen into every note."
                : "Twice as many notes; the click stays.",
            Count =
                (place.Highest < 0 ? "" : $"{Rhythm.Get(TargetKey.Parse(drill.Targets[place.Highest].Key).InRhythm).Name} held; ")
                + $"rung {place.Rung + 1} of {rungs}, about {drill.Targets[place.Rung].TakeSeconds} s",
            Next = !place.IsDone && next >= 0 && next < rungs ? drill.Targets[next].Title : "",
            Complete = place.IsDone,
        };
    }
}
