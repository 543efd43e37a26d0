using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Material as the targets of a day's drills, each at the tempo that its method wants.</summary>
internal static class FillTargets
{
    /// <summary>On a day on which nothing should be hard, so much of the tempo (common practice).</summary>
    private const double CarefulPart = 0.95;

    /// <summary>A piece that misses goes no further below its slowest passage than this.</summary>
    private const double LeastOfSlowest = 0.8;

    /// <summary>A material as the target of a drill, at the tempo that the method wants today.</summary>
    public static Target TargetOf(this FillContext context, Material material, Pace pace = Pace.Work, bool timed = true)
    {
        if (timed && pace != Pace.Performance && Halves.Are(material) && Halves.Today(material) is { } half)
            return context.TargetIn(
                material with
                {
                    FromBar = half.From,
                    ToBar = half.To,
                    Visits = 0,
                },
                TargetPart.Bars,
                $"{half.From}-{half.To}",
                $"{material.Title}: {(half.From == half.To ? "bar" : "bars")} {(half.From == half.To ? $"{half.From}" : $"{half.From}–{half.To}")}",
                material.Parts.GetValueOrDefault(half.Key)?.Reach,
                pace
            );
        var able =
            timed && material.IsTimed
                ? material.Today ?? Estimate.Morning(material.Reach ?? material.Start, context.Request.Traits, material.Target?.Value)
                : null;
        var target = new Target
        {
            Key = TargetKey.Of(material.Id),
            MaterialId = material.Id,
            Title = material.Title,
            Group = TargetKey.Of(material.Group),
            Goal = material.Target,
            Beat = material.Beat,
            FromBar = material.FromBar,
            StopAfterBar = material.Kind == MaterialKind.Passage ? material.ToBar : null,
            Note = material.Note,
            Work = material.Work,
            Place = material.Place,
            Pace = pace,
            Ease = context.Careful && !(pace == Pace.Performance && IsPerforming(context.Request)) ? CarefulPart : 1,
        };
        return WithTempo(target, able, material);
    }

    /// <summary>
    /// A piece or a stretch of it, with the reach of its slowest passage: its own takes may lower it by some way, and never
    /// raise it above.
    /// </summary>
    public static Material Whole(this FillContext context, Material piece, int from, int to)
    {
        var inside = context
            .Request.Materials.Where(one =>
                one is { Kind: MaterialKind.Passage, Reach: not null } && one.Group == piece.Id && one.FromBar <= to && one.ToBar >= from
            )
            .Select(one => one.Reach!.Value)
            .ToList();
        var part = piece with { FromBar = from, ToBar = to };
        if (inside.Count == 0)
            return part;
        var slowest = inside.MinBy(reach => reach.Log);
        return part with
        {
            Today = null,
            Reach = piece.Reach is { } own
                ? own with
                {
                    Log = Math.Clamp(own.Log, slowest.Log + Math.Log(LeastOfSlowest), slowest.Log),
                }
                : slowest,
        };
    }

    /// <summary>
    /// The target with what is believed of the player's reach, and the tempo and the seconds of a take that follow from it.
    /// </summary>
    private static Target WithTempo(Target target, Morning? able, Material material)
    {
        var tempo = able is null ? (Bpm?)null : TodaysTempo.Of(DayReach.At(able), target.Pace, target.Goal, target.Ease);
        return target with
        {
            Able = able,
            Tempo = tempo,
            TakeSeconds = Takes.Seconds(Math.Max(1, material.Bars), material.BeatsPerBar, tempo ?? material.WorkingTempo),
        };
    }

    /// <summary>
    /// A material in one of its keys or patterns, each with a reach of its own; one that was never played begins below the others.
    /// </summary>
    /// <param name="context">The day.</param>
    /// <param name="material">The material.</param>
    /// <param name="part">Which part of it.</param>
    /// <param name="name">The name of the part: "Bb major", "3", "17-18".</param>
    /// <param name="title">What it is called.</param>
    /// <param name="own">The reach of it, brought to today; null when it was never played.</param>
    /// <param name="pace">What the method wants.</param>
    public static Target TargetIn(
        this FillContext context,
        Material material,
        TargetPart part,
        string name,
        string title,
        Reach? own,
        Pace pace = Pace.Work
    )
    {
        var target = context.TargetOf(material, pace) with { Key = TargetKey.Of(material.Id, part, name), Title = title };
        return material.IsTimed
            ? WithTempo(target, Estimate.Morning(own ?? material.StartInKey, context.Request.Traits, material.Target?.Value), material)
            : target;
    }

    /// <summary>A material in one of its keys.</summary>
    public static Target TargetInKey(this FillContext context, Material material, Key key) =>
        context.TargetIn(
            material,
            TargetPart.Key,
            $"{key}",
            material.Work is { Kind: WorkKind.Changes } work ? $"{key.Name}: {string.Join(' ', WorkInKey.Chords(work, key))}" : key.Name,
            material.Keys.FirstOrDefault(known => known.Key == key)?.Reach
        );

    /// <summary>A performance alone makes the day careful: what is performed goes at its tempo.</summary>
    private static bool IsPerforming(DayRequest request) =>
        !request.HoldTempo && request.AfterPain is null && (request.Demands & (Demands.Tired | Demands.Concert)) == Demands.Concert;
}
