using TuningFork.Core.Technique;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Practice;

/// <summary>The stage of exercises that go over keys, chords, positions or steps.</summary>
public static class StageRuns
{
    internal static Cue Now(Drill drill, Method method, IReadOnlyList<StageTake> takes) =>
        method.Course == Course.Clock ? AgainstClock(drill, takes)
        : drill.Targets[0].Work!.Kind == WorkKind.Shuttle ? BackAndForth(drill, takes)
        : Changes(drill, takes);

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

    internal static Cue Steps(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var items = drill.Targets[0].Work!.Items;
        var place = Place(drill, takes);
        var retries = takes.Reverse().TakeWhile(take => !take.Clean).Count();
        var done = place >= items.Count;
        return Stage.Take(drill, 0) with
        {
            Title = done ? drill.Title : items[place],
            Sentence = retries == 0 ? "Only when it is right: on to the next." : "Again, with patience.",
            Count = done ? "all done" : $"{Math.Min(place + 1, items.Count)} of {items.Count}{(retries > 0 ? $", retry {retries}" : "")}",
            Next = place + 1 < items.Count ? items[place + 1] : "",
            Complete = done,
        };
    }

    /// <summary>
    /// Where an exercise stands after the takes of a drill, to be kept for the next time: the step that comes next, from the
    /// beginning again once all were done, or the level of a shuttle; of a piece the last bar of the stretch. Null for drills that keep
    /// no place.
    /// </summary>
    /// <param name="drill">The drill.</param>
    /// <param name="takes">Its takes in order.</param>
    public static int? PlaceAfter(Drill drill, IReadOnlyList<StageTake> takes)
    {
        ArgumentNullException.ThrowIfNull(drill);
        ArgumentNullException.ThrowIfNull(takes);
        if (drill.MethodId == Methods.JoinedSection.Id && drill.Targets is [{ StopAfterBar: { } last } section])
            return takes.Count > 0 ? last : section.Place;
        if (drill.Targets is not [{ Work: { } work } target, ..])
            return null;
        return Methods.Of(drill).Course switch
        {
            Course.Steps => Place(drill, takes) % work.Items.Count,
            Course.Run when work.Kind == WorkKind.Shuttle => Shuttle
                .After(work.Items.Count, target.Place, takes.Select(take => take.Clean))
                .Level,
            Course.Clock => (target.Place + takes.Count) % work.Items.Count,
            _ => null,
        };
    }

    private static int Place(Drill drill, IReadOnlyList<StageTake> takes) => drill.Targets[0].Place + takes.Count(take => take.Clean);

    private static Cue BackAndForth(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var (target, work) = (drill.Targets[0], drill.Targets[0].Work!);
        var state = Shuttle.After(work.Items.Count, target.Place, takes.Select(take => take.Clean));
        var order = Shuttle.Run(work.Items.Count, state.Size, drill.Seed + takes.Count);
        var names = order.Select(index => Name(work.Items[index])).ToList();
        return Stage.Take(drill, 0) with
        {
            Title = Words.List([.. names.Distinct(StringComparer.Ordinal)]),
            Sentence =
                takes.Count > 0 && !takes[^1].Clean ? "Repair, then again."
                : state.Size == 2 ? "Back and forth, no searching."
                : "Once through, no searching.",
            Count = $"{state.Size} of {work.Items.Count}; {state.CleanRun} of {Shuttle.CleanToGrow} runs without a stop",
            Run = new RunCue(names, work.Beats, 0),
        };
    }

    private static Cue Changes(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var work = drill.Targets[0].Work!;
        return Stage.Take(drill, 0) with
        {
            Sentence = "Each chord on its first beat.",
            Count = takes.Count == 0 ? "" : $"{takes.Count(take => take.Clean)} of {takes.Count} runs with all in time",
            Run = new RunCue([.. work.Items.Select(Name)], work.Beats, 0),
        };
    }

    private static Cue AgainstClock(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var (target, work) = (drill.Targets[0], drill.Targets[0].Work!);
        var place = (target.Place + takes.Count) % work.Items.Count;
        var chord = ChordSymbols.Parse(work.Items[place]);
        List<string> steps = [.. ChordSymbols.Inversions(chord).Select(one => Laid(one, work.Voicing)).Distinct(StringComparer.Ordinal)];
        return Stage.Take(drill, 0) with
        {
            Title = chord.Symbol,
            Sentence = $"All {steps.Count} positions in {work.LimitSeconds} seconds.",
            Count = takes.Count == 0 ? "" : $"{takes.Count(take => take.Clean)} of {takes.Count} in time",
            Next = Name(work.Items[(place + 1) % work.Items.Count]),
            Run = new RunCue(steps, 0, work.LimitSeconds),
        };
    }

    /// <summary>A key or chord as it is printed.</summary>
    private static string Name(string item) =>
        Key.TryParse(item, out var key) ? key.Name
        : ChordSymbols.TryParse(item, out var chord) ? chord.Symbol
        : item;

    private static string Laid(Chord chord, Voicing voicing) =>
        string.Join(' ', Voicings.Of(chord, voicing).Select(pitch => pitch.Name.Printed));
}
