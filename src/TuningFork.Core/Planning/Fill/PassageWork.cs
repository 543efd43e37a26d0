using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Work at one passage alone: what was found to help, another way from visit to visit, and back into its place.</summary>
internal static class PassageWork
{
    /// <summary>Ways to work at a passage alone that take turns; the player's own come after them.</summary>
    private const int Ways = 4;

    /// <summary>A passage is worked at alone every so many visits (common practice).</summary>
    public const int EveryVisits = 3;

    /// <summary>
    /// Whether it is the turn of another method than rounds: every third visit of what has a remedy, a difficulty or a method of
    /// the player's own, of what is stuck, and of what was never clean. In rounds the tempo climbs by itself.
    /// </summary>
    public static bool IsTurn(FillContext context, Material material) =>
        material.Visits % EveryVisits == EveryVisits - 1
        && (
            material is { Proposed.IsNone: false } or { Difficulty.Length: > 0 } or { Stuck: true } or { Best: null }
            || OwnMethods.For(context.Request.Methods, material, context.Request.Day).Count > 0
        );

    public static Drill Single(FillContext context, Queued queued, int minutes)
    {
        var material = queued.Material;
        var whole = material.Kind == MaterialKind.Piece;
        if (whole && material.Visits > 0)
            return Stretches.Of(context, material, minutes, "stretch by stretch: make passages of what trips");
        var method =
            whole ? Methods.SlowReading
            : material.Stuck ? Methods.SlowAnchor
            : Varied(context, material);
        var reason = material.Missing.Length > 0 && method.Id == material.Proposed ? $"still missing: {material.Missing}" : queued.Reason;
        return method == Methods.PutBack
            ? PutBack(context, material, minutes)
            : context.MakeOne(Area.Repertoire, method, material, minutes, reason);
    }

    /// <summary>
    /// From turn to turn another way: what was found to help comes every other time; what was never clean slowly and in small
    /// steps; what is clean somewhere climbs, and is turned over in versions that fit what is hard about it.
    /// </summary>
    private static Method Varied(FillContext context, Material material)
    {
        var own = OwnMethods
            .For(context.Request.Methods, material, context.Request.Day)
            .Where(method => !context.Careful || !Climbs(method))
            .ToList();
        // Alone every third visit: one turn after the other.
        var turn = ((material.Visits / EveryVisits) + (material.Visits % EveryVisits)) % (Ways + own.Count);
        if (turn >= Ways)
            return own[turn - Ways];
        if (turn % 2 == 0 && Methods.Find(material.Proposed) is { } proposed && (!context.Careful || !Climbs(proposed)))
            return proposed;
        return turn switch
        {
            1 when material.Best is not null && !context.Careful => Methods.TempoLadder,
            2 => material.Difficulty switch
            {
                "rhythm" => Methods.RhythmAlone,
                "fingering" or "shift" => Methods.GrowingChain,
                "coordination" => Methods.RhythmVariants,
                "memory" => Methods.FromMemory,
                "join" => Methods.PutBack,
                "intonation" or "tone" => Methods.SingFirst,
                "" when material.Best is not null && !context.Careful => Methods.TempoLadder,
                _ => Methods.SilentBars,
            },
            0 when material.Best is null => Methods.FixedCount,
            _ when material.Best is null => Methods.CleanMinutes,
            _ => Methods.CleanInRow,
        };
    }

    private static bool Climbs(Method method) => method.Course is Course.Ladder or Course.Bursts;

    /// <summary>A passage goes back into its place: the bars around it, its section, the piece.</summary>
    public static Drill PutBack(FillContext context, Material material, int minutes)
    {
        var reach = material.PutBack switch
        {
            0 => 1,
            1 => 4,
            _ => 10_000,
        };
        var (from, to) = (
            Math.Max(material.PieceBegins, material.FromBar - reach),
            Math.Min(Math.Max(material.ToBar, material.PieceEnds), material.ToBar + reach)
        );
        var around = material with { FromBar = from, ToBar = to };
        var where = material.PutBack switch
        {
            0 => "with the bars around it",
            1 => "in its section",
            _ => "in the piece",
        };
        var target = context.TargetOf(around) with { Title = $"{material.Title}, {where}", StopAfterBar = to };
        return context.Make(Area.Repertoire, Methods.PutBack, material.Title, minutes, $"bars {from}–{to}, {where}", target);
    }

    /// <summary>
    /// Short bursts on a passage and on one of another piece, in turn; null without a tempo to begin at, or without such another.
    /// </summary>
    public static Drill? Bursts(FillContext context, Material material, int minutes, string reason)
    {
        var other = context
            .Request.Materials.Where(one =>
                one is { Kind: MaterialKind.Passage, Resting: false, LastClean: not null } && one.Group != material.Group
            )
            .OrderBy(one => one.LastVisit)
            .ThenBy(one => one.Id)
            .FirstOrDefault();
        return other is null || material is not { Kind: MaterialKind.Passage, LastClean: not null }
            ? null
            : context.Make(
                Area.Repertoire,
                Methods.BurstAndSwitch,
                $"{material.Title} · {other.Title}",
                minutes,
                reason,
                context.TargetOf(material, Pace.Ladder),
                context.TargetOf(other, Pace.Ladder)
            );
    }

    /// <summary>What is at its target: put back into its place until that held three times, then performed.</summary>
    public static Drill Performed(FillContext context, Queued queued, int minutes) =>
        queued.Material is { Kind: MaterialKind.Passage, PutBack: < 3, PieceEnds: > 0 }
            ? PutBack(context, queued.Material, minutes)
            : context.Make(
                Area.Repertoire,
                Methods.PerformanceTake,
                queued.Material.Title,
                minutes,
                queued.Reason,
                context.TargetOf(queued.Material, Pace.Performance)
            );
}
