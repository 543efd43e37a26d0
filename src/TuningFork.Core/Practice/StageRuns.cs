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

    internal static Cue Steps(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var items = drill.Targets[0].Work!.Items;
        var place = Place(drill, takes);
        var retries = takes.Reverse().TakeWhile(take => !take.Clean).Count();
        var done = place >= items.Count;
        return Stage.Take(drill, 0) with
        {
            Title = done ? drill.Title : items[place],
            Sentence =
                retries > 0 ? "Again, with patience."
                : drill.Targets[0].Work!.By is StepsBy.Notes or StepsBy.Octaves ? "Only when it is centred: on to the next."
                : "Only when it is right: on to the next.",
            Count = done ? "all done" : $"{Math.Min(place + 1, items.Count)} of {items.Count}{(retries > 0 ? $", retry {retries}" : "")}",
            Next = place + 1 < items.Count ? items[place + 1] : "",
            Step = Math.Min(place, items.Count - 1),
            Complete = done,
        };
    }

    /// <summary>
    /// Where an exercise stands after the takes of a drill, to be kept for the next time: the step that comes next, from the
    /// beginning again once all were done, or the set of a shuttle; of a piece the last bar of the stretch. Null for drills that keep
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
                .After(work.Items.Count, target.Place, RunPlace.After(takes, work.Items.Count).Runs)
                .Place,
            Course.Clock => (target.Place + takes.Count) % work.Items.Count,
            _ => null,
        };
    }

    private static int Place(Drill drill, IReadOnlyList<StageTake> takes) => drill.Targets[0].Place + takes.Count(take => take.Clean);

    private static Cue BackAndForth(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var (target, work) = (drill.Targets[0], drill.Targets[0].Work!);
        var place = RunPlace.After(takes, work.Items.Count);
        var state = Shuttle.After(work.Items.Count, target.Place, place.Runs);
        var order = Shuttle.Run(state.Set, drill.Seed + place.Runs.Count, place.Late.Count > 0 ? place.Late : target.Hard);
        var set = Enumerable.Range(state.Set.First, state.Set.Size).ToList();
        var cue = OnTheClick(drill, place, order, state.Set);
        return cue with
        {
            Run = cue.Run! with { Row = Row(work, state) },
            Title = place.Repairing is null ? Words.List([.. set.Select(index => Name(work.Items[index]))]) : cue.Title,
            Sentence =
                place.Repairing is not null ? "Back and forth until it is found."
                : place.Runs is [.., false] ? "Again, from the beginning."
                : state.Set.Size == 2 ? "Back and forth, no searching."
                : "Once through, no searching.",
            Count = place.Repairing is null
                ? $"set {state.Place + 1} of {Shuttle.Sets(work.Items.Count).Count}; {state.CleanRun} of {Shuttle.CleanToGoOn} runs without a stop"
                : LateNames(work, place),
            Complete = state.IsDone,
        };
    }

    private static Cue Changes(Drill drill, IReadOnlyList<StageTake> takes)
    {
        var (target, work) = (drill.Targets[0], drill.Targets[0].Work!);
        var place = RunPlace.After(takes, work.Items.Count);
        var hard = place.Late.Count > 0 ? place.Late : target.Hard;
        // A progression goes round: it begins with the change into what is hardest.
        var from = hard.Count > 0 ? (hard[0] + work.Items.Count - 1) % work.Items.Count : 0;
        var order = Enumerable.Range(0, work.Items.Count).Select(i => (from + i) % work.Items.Count).ToList();
        var cue = OnTheClick(drill, place, order, new ShuttleSet(0, work.Items.Count));
        return cue with
        {
            Sentence = place.Repairing is null ? "Each chord on its first beat." : "Back and forth until it is found.",
            Count =
                place.Repairing is not null ? LateNames(work, place)
                : place.Runs.Count == 0 ? ""
                : $"{place.Runs.Count(clean => clean)} of {place.Runs.Count} runs with all in time",
        };
    }

    /// <summary>
    /// A run in an order, or the repair of what came late: four times back and forth with the one before it in the set, which goes round.
    /// </summary>
    private static Cue OnTheClick(Drill drill, RunPlace place, IReadOnlyList<int> order, ShuttleSet set)
    {
        const int toggles = 4;
        var work = drill.Targets[0].Work!;
        var cue = Stage.Take(drill, 0);
        if (place.Repairing is not { } late)
            return cue with { Run = RunOf(order) };
        var before = set.First + ((late - set.First + set.Size - 1) % set.Size);
        return cue with
        {
            Title = $"{Name(work.Items[before])} and {Name(work.Items[late])}",
            Run = RunOf([.. Enumerable.Repeat(new[] { before, late }, toggles).SelectMany(pair => pair)]) with { IsRepair = true },
        };

        RunCue RunOf(IReadOnlyList<int> items) => new([.. items.Select(index => Name(work.Items[index]))], work.Beats, 0) { Items = items };
    }

    private static List<RunThing> Row(Work work, ShuttleState state)
    {
        var through = Shuttle
            .Sets(work.Items.Count)
            .Take(state.IsDone ? state.Place + 1 : state.Place)
            .Where(set => set.Size == state.Set.Size)
            .SelectMany(set => Enumerable.Range(set.First, set.Size))
            .ToHashSet();
        return
        [
            .. work.Items.Select(
                (item, i) => new RunThing(Name(item), i >= state.Set.First && i < state.Set.First + state.Set.Size, through.Contains(i))
            ),
        ];
    }

    private static string LateNames(Work work, RunPlace place) =>
        $"late: {Words.List([.. place.Late.Select(index => Name(work.Items[index]))])}";

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
    private static string Name(string item) => Harmony.NameOf(item) ?? item;

    private static string Laid(Chord chord, Voicing voicing) =>
        string.Join(' ', Voicings.Of(chord, voicing).Select(pitch => pitch.Name.Printed));
}
