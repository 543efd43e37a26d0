using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Makes the drill of one exercise, by what it is made of and how it stands.</summary>
internal static class TechniqueDrill
{
    private const int MostRounds = 4;

    /// <summary>One visit of so many measures both limits.</summary>
    private const int ProbeTurn = 12;

    public static Drill Of(FillContext context, Queued queued, int minutes)
    {
        var material = queued.Material;
        if (material.KeyPlan is { } plan)
            return RungsDrill.IsItsTurn(context, material)
                ? RungsDrill.Of(
                    context,
                    Area.Technique,
                    material,
                    plan.Today(material.Keys, context.Request.Day, minutes, material.Id)[0],
                    minutes,
                    queued.Reason
                )
                : InKeys(context, material, minutes, queued.Reason);
        if (AtStation(context, queued, minutes) is { } stationed)
            return stationed;
        if (material.Work is { } work && Special(work.Kind, material) is { } special)
            return context.MakeOne(Area.Technique, special, material, minutes, queued.Reason);
        if (material.Work?.Patterns is { } patterns)
            return OfPattern(context, queued, patterns, minutes);
        if (material.Work?.Numbers is { } numbers)
            return OfBook(context, queued, numbers, minutes);
        var away = material.LastVisit is { } last ? context.Request.Day.DayNumber - last.DayNumber : 0;
        var back = context.Request.PracticeDaysBack is not null;
        if (
            (away > Density.DriftDays || material.Regaining)
            && Rhythm.All.FirstOrDefault(rhythm => rhythm.Id == material.Rhythm) is { NotesPerClick: > 1 } rhythm
        )
            return Thinned(context, material, rhythm, away, minutes);
        if (RungsDrill.IsItsTurn(context, material))
            return RungsDrill.Of(context, Area.Technique, material, null, minutes, queued.Reason);
        var reason = away > Density.DriftDays ? $"{away} days away" : queued.Reason;
        return context.MakeOne(Area.Technique, back ? Methods.FixedCount : Choose(material, context.Careful), material, minutes, reason);
    }

    /// <summary>What its station asks; null where it asks for nothing but more tempo.</summary>
    private static Drill? AtStation(FillContext context, Queued queued, int minutes)
    {
        var material = queued.Material;
        Drill With(Method method) => context.MakeOne(Area.Technique, method, material, minutes, ExerciseStations.Name(material.Station));
        return material.Station switch
        {
            // What has a method of its own is slow and right by that.
            ExerciseStation.SlowAndRight when material.Work is null or { Kind: WorkKind.Groove or WorkKind.Notation } => With(
                Methods.FixedCount
            ),
            ExerciseStation.InMusic => With(Methods.CleanInRow) with
            {
                How = $"Use it in {MusicFor(context)}: play some bars, let it come where it fits, and go on whatever happens.",
            },
            ExerciseStation.Checked => With(Methods.PerformanceTake),
            _ => null,
        };
    }

    /// <summary>The piece that was played last.</summary>
    private static string MusicFor(FillContext context) =>
        context
            .Request.Materials.Where(one => one is { Kind: MaterialKind.Piece, Area: Area.Repertoire, Resting: false, LastVisit: not null })
            .OrderByDescending(one => one.LastVisit)
            .ThenBy(one => one.Id)
            .FirstOrDefault()
            ?.Title
        ?? "a tune you know";

    /// <summary>The method that belongs to what it is made of; null where the usual ones fit.</summary>
    private static Method? Special(WorkKind kind, Material material) =>
        kind switch
        {
            WorkKind.Shuttle => Methods.KeyShuttle,
            WorkKind.Changes => Methods.ChordChanges,
            WorkKind.Inversions => Methods.Inversions,
            WorkKind.Steps => Methods.OneByOne,
            WorkKind.Groove when material.LastClean is not null && material.Visits % 3 == 1 => Methods.ThreeAndOne,
            _ => null,
        };

    /// <summary>Today's keys, round and round while the minutes last; none that another exercise has today.</summary>
    public static Drill InKeys(FillContext context, Material material, int minutes, string reason)
    {
        var plan = material.KeyPlan!;
        var keys = plan.Today(
            material.Keys,
            context.Request.Day,
            minutes,
            material.Id,
            [.. plan.Keys(material.Id).Where(key => IsTaken(context, key))]
        );
        var targets = keys.Select(key => context.TargetInKey(material, key)).ToList();
        context.Used.Add(TargetKey.Of(material.Id));
        var rounds = Math.Clamp(Takes.RoundsThatFit(minutes * 60, targets.Select(target => target.TakeSeconds)), 1, MostRounds);
        return context.Make(
            Area.Technique,
            Methods.KeyRound,
            $"{material.Title}: {Words.List([.. keys.Select(key => key.Name)])}",
            minutes,
            reason,
            targets
        ) with
        {
            Sequence = [.. Enumerable.Repeat(Enumerable.Range(0, targets.Count), rounds).SelectMany(round => round)],
            Sum = rounds == 1 ? "once each" : $"{rounds} rounds of {targets.Count}",
        };
    }

    private static bool IsTaken(FillContext context, Key key) => context.Used.Any(used => TargetKey.Parse(used).InKey == $"{key}");

    /// <summary>The pattern whose turn it is.</summary>
    private static Drill OfPattern(FillContext context, Queued queued, PatternPlan patterns, int minutes)
    {
        var material = queued.Material;
        var today = patterns.On(material.Parts, material.Target, context.Request.Day);
        var numbers = string.Join(" and ", today.Numbers);
        var names = string.Join(' ', today.Numbers.Select(number => string.Concat(Patterns.Permutation(patterns.Size, number))));
        var method = Choose(material, context.Careful);
        var key = PatternPlan.KeyOf(today.Numbers);
        var target = context.TargetIn(
            material,
            TargetPart.Pattern,
            string.Join('+', today.Numbers),
            $"Pattern {numbers} ({names})",
            material.Parts.GetValueOrDefault(key)?.Reach,
            TodaysTempo.PaceOf(method)
        );
        context.Used.Add(TargetKey.Of(material.Id));
        var reason = today.IsOver
            ? "all done: begin again, or rest"
            : $"{today.Done} of {patterns.Units.Count} done; until about {today.Last:d MMM}";
        return context.Make(Area.Technique, method, $"{material.Title}: {target.Title}", minutes, reason, target);
    }

    /// <summary>
    /// A first look at the next numbers of a book, every second visit until all were looked at; else the number whose turn it is.
    /// </summary>
    private static Drill OfBook(FillContext context, Queued queued, NumberBook book, int minutes)
    {
        var material = queued.Material;
        var unseen = book.Unseen.ToList();
        if (unseen.Count > 0 && (material.Visits % 2 == 0 || unseen.Count == book.Count))
            return context.Make(
                Area.Technique,
                Methods.FirstLook,
                $"{material.Title}: look through",
                minutes,
                $"{book.Count - unseen.Count} of {book.Count} looked at",
                context.TargetOf(material, timed: false) with
                {
                    Work = null,
                }
            );
        var today = book.On(material.Parts, material.Target);
        var record = material.Parts.GetValueOrDefault(NumberBook.KeyOf(today.Number));
        var goal = book.TargetOf(today.Number, material.Target);
        var look = book.MarkOf(today.Number).Look;
        var method = OfNumber(look, record, goal, context.Careful);
        var target = context.TargetIn(
            material with
            {
                Target = goal,
                Work = null,
            },
            TargetPart.Number,
            $"{today.Number}",
            $"Number {today.Number}",
            record?.Reach ?? material.StartIn(NumberBook.KeyOf(today.Number)),
            TodaysTempo.PaceOf(method)
        );
        context.Used.Add(TargetKey.Of(material.Id));
        var hard = look == NumberLook.Hard ? "a hard one; " : "";
        return context.Make(
            Area.Technique,
            method,
            $"{material.Title}: number {today.Number}",
            minutes,
            today.IsOver ? "all done: begin again, or rest" : $"{hard}{today.Done} of {book.Count} done",
            target
        );
    }

    /// <summary>
    /// Slowly the first time unless it looked easy, then up; what has been clean at its target, or has a tired player, is only confirmed.
    /// </summary>
    private static Method OfNumber(NumberLook look, PartRecord? record, Bpm? goal, bool careful) =>
        record?.LastClean is not { } clean
            ? look == NumberLook.Easy
                ? Methods.TempoLadder
                : Methods.FixedCount
            : careful || goal is not { } top || clean.Value >= top.Value || record.Days % 3 == 2
                ? Methods.CleanInRow
                : Methods.TempoLadder;

    /// <summary>Fewer notes to the same click, after days away, up to what is written.</summary>
    private static Drill Thinned(FillContext context, Material material, Rhythm rhythm, int away, int minutes)
    {
        var written = context.TargetOf(material);
        var steps = Density.Steps(rhythm);
        context.Used.Add(TargetKey.Of(material.Id));
        return context.Make(
            Area.Technique,
            Methods.HalfDensity,
            material.Title,
            minutes,
            away > Density.DriftDays ? $"{away} days away: {steps[0].Name} first" : $"back after days away: {steps[0].Name} first",
            [
                .. steps
                    .SkipLast(1)
                    .Select(step =>
                        written with
                        {
                            Key = TargetKey.Of(material.Id, TargetPart.Density, step.Id),
                            Title = $"{material.Title}, {step.Name}",
                        }
                    ),
                written,
            ]
        );
    }

    /// <summary>Varies from visit to visit; no climbing on a tired day.</summary>
    private static Method Choose(Material material, bool careful)
    {
        if (material.Reach is not { } reach || material.LastClean is null)
            return material.Visits % 2 == 0 ? Methods.FixedCount : Methods.CleanInRow;
        if (material.Stuck)
            return material.Visits % 2 == 0 ? Methods.SlowAnchor : Methods.CleanInRow;
        if (!careful && material.Visits % ProbeTurn == ProbeTurn - 1)
            return Methods.FastestAndSlowest;
        if (careful || material.Target is { } target && reach.Tempo >= target.Value)
            return material.Visits % 2 == 0 ? Methods.CleanInRow : Methods.FixedCount;
        return material.Visits % 3 == 2 ? Methods.CleanInRow : Methods.TempoLadder;
    }
}
