using TuningFork.Core.Planning.Fill;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning;

/// <summary>Another method for a drill that is about one material.</summary>
public static class MethodChoice
{
    private static readonly Method[] Ours =
    [
        Methods.CleanInRow,
        Methods.CleanMinutes,
        Methods.FixedCount,
        Methods.TempoLadder,
        Methods.BurstAndSwitch,
        Methods.SubdivisionLadder,
        Methods.FastestAndSlowest,
        Methods.SlowAnchor,
        Methods.EqualValues,
        Methods.RhythmVariants,
        Methods.RhythmAlone,
        Methods.GrowingChain,
        Methods.SilentBars,
        Methods.SingFirst,
        Methods.HandsSeparately,
        Methods.EyesClosed,
        Methods.FromMemory,
        Methods.Stations,
        Methods.OtherKeys,
        Methods.MelodyOnly,
        Methods.PutBack,
        Methods.PerformanceTake,
        Methods.FromThisCell,
        Methods.SilentStudy,
    ];

    /// <summary>For a whole piece.</summary>
    private static readonly Method[] OfPieces = [Methods.PerformanceTake, Methods.Stations];

    /// <summary>For what goes through the keys.</summary>
    private static readonly Method[] InKeys = [Methods.KeyRound, Methods.SubdivisionLadder];

    /// <summary>Not for instruments without pitch.</summary>
    private static readonly Method[] OfPitch = [Methods.OtherKeys, Methods.MelodyOnly];

    /// <summary>What can be chosen for a drill; empty where the method is part of what it is.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="request">What the plan was made from.</param>
    public static IReadOnlyList<Method> For(Drill drill, DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        if (MaterialOf(drill, request) is not { } material)
            return [];
        if (material.KeyPlan is not null)
            return InKeys;
        if (OfPieces.Any(method => method.Id == drill.MethodId) && material.Kind == MaterialKind.Piece)
            return StationsDrill.Fits(material) ? OfPieces : [];
        var context = new FillContext(request with { Kept = [] });
        return
        [
            .. Ours.Where(method =>
                method == Methods.PutBack ? material.Kind == MaterialKind.Passage
                : method == Methods.SubdivisionLadder ? RungsDrill.Fits(material)
                : method == Methods.Stations ? StationsDrill.Fits(material)
                : method == Methods.FastestAndSlowest ? material.Reach is not null
                : method == Methods.BurstAndSwitch ? PassageWork.Bursts(context, material, 1, "") is not null
                : request.IsPitched || !OfPitch.Contains(method)
            ),
            .. request.Methods,
        ];
    }

    /// <summary>The drill by another method.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="methodId">Lasting name of the method.</param>
    /// <param name="request">What the plan was made from.</param>
    /// <exception cref="PlanException">The drill has no choice, or there is no such method.</exception>
    public static Drill Change(Drill drill, MethodId? methodId, DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(drill);
        var choices = For(drill, request);
        if (choices.Count == 0)
            throw new PlanException("drillId", "This drill has no other method: what it is about decides. Swap it, or leave it out.");
        var method = choices.FirstOrDefault(one => one.Id == methodId)
            ?? throw new PlanException("methodId", "There is no such method for it. Choose one from the list.");
        var material = MaterialOf(drill, request)!;
        var context = new FillContext(request with { Kept = [] });
        var reason = $"your choice: {Words.Small(method.Fits)}";
        var made =
            method == Methods.PutBack ? PassageWork.PutBack(context, material, drill.Minutes)
            : method == Methods.Stations ? StationsDrill.Of(context, material, drill.Minutes, reason)
            : method == Methods.SubdivisionLadder
                ? RungsDrill.Of(context, drill.Area!.Value, material, KeyOf(drill, material), drill.Minutes, reason)
            : method == Methods.KeyRound ? TechniqueDrill.InKeys(context, material, drill.Minutes, reason)
            : method == Methods.BurstAndSwitch ? PassageWork.Bursts(context, material, drill.Minutes, reason)!
            : context.MakeOne(drill.Area!.Value, method, material with { Stuck = false }, drill.Minutes, reason);
        return made with { Id = drill.Id, Locked = true };
    }

    /// <summary>The key that a drill begins with; null where its material stays in one.</summary>
    private static Key? KeyOf(Drill drill, Material material) =>
        material.KeyPlan is not null && Key.TryParse(TargetKey.Parse(drill.Targets[0].Key).InKey, out var key) ? key : null;

    private static Material? MaterialOf(Drill drill, DayRequest request)
    {
        ArgumentNullException.ThrowIfNull(drill);
        // Bursts have a partner; the drill is about the first.
        var targets =
            drill is { Area: Area.Repertoire } && drill.MethodId == Methods.BurstAndSwitch.Id ? drill.Targets.Take(1) : drill.Targets;
        if (
            drill.Area is not (Area.Repertoire or Area.Technique)
            || targets.Select(target => target.MaterialId).OfType<int>().Distinct().ToList() is not [var id]
        )
            return null;
        return
            request.Materials.FirstOrDefault(material => material.Id == id) is { Work: null } found
            && (found.KeyPlan is null || RungsDrill.Fits(found))
            && (
                found.Kind != MaterialKind.Piece
                || drill.MethodId == Methods.SlowReading.Id
                || OfPieces.Any(method => method.Id == drill.MethodId)
            )
            ? found
            : null;
    }
}
