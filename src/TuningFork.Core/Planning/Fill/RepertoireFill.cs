using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Repertoire: raw passages one at a time while fresh, what can be played mixed in rounds of single takes, ready ones
/// performed now and then. A repeating method gets at least two and a half minutes a passage (common practice).
/// </summary>
internal static class RepertoireFill
{
    private const int LeastRepeating = 3;

    /// <summary>Ways to work at a passage alone that take turns; the player's own come after them.</summary>
    private const int Ways = 4;

    public static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes)
    {
        if (minutes <= 0)
            yield break;
        foreach (var drill in PerformanceFill.Fill(context, minutes))
        {
            minutes -= drill.Minutes;
            yield return drill;
        }

        var queue = Queue(context);
        if (queue.Count == 0)
        {
            foreach (var length in FillContext.Chop(minutes, context.Usual, 10))
                yield return Fallback(context, length);
            yield break;
        }

        if (block.Rounds is { } rounds && minutes >= (2 * rounds.Work) + rounds.Rest)
        {
            foreach (var drill in RoundsFill.WorkRestBlocks(context, Area.Repertoire, rounds, minutes, queue))
                yield return drill;
            yield break;
        }

        foreach (var drill in Mixed(context, queue, minutes))
            yield return drill;
    }

    private static List<Queued> Queue(FillContext context)
    {
        var request = context.Request;
        var open = request.Materials.Where(material =>
            !material.Resting && material.Area == Area.Repertoire
            && (material.Kind == MaterialKind.Passage || material is { Kind: MaterialKind.Piece, HasPassages: false, Readiness: not Readiness.Ready })
            && !context.Used.Contains($"m:{material.Id}"));
        var tired = (request.Demands & (Demands.Tired | Demands.Rehearsal | Demands.Concert)) != Demands.None;
        var queue = DueList.For(open, request.Day, request.School)
            .Where(queued => !tired || queued.Material.LastVisit is not null || queued.Material.AskedFor)
            // Not the same as yesterday unless it is due: a night between visits is worth more than one more take.
            .Where(queued => queued.IsDue || queued.Material.AskedFor || queued.Material.LastVisit != request.Day.AddDays(-1))
            .ToList();
        if ((request.Demands & Demands.Concert) != Demands.None && queue.Exists(queued => queued.Material.Readiness == Readiness.Ready))
            queue.RemoveAll(queued => queued.Material.Readiness != Readiness.Ready);
        return queue;
    }

    private static IEnumerable<Drill> Mixed(FillContext context, List<Queued> queue, int minutes)
    {
        var parts = FillContext.Chop(minutes, Math.Max(LeastRepeating, context.Usual), 10);
        var alone = queue.Where(Alone).ToList();
        var places = Math.Max(1, parts.Count / 3);
        alone.AddRange(queue.Where(Shaky).OrderBy(queued => queued.Material.Memory?.Stability ?? 0).Take(Math.Max(0, (parts.Count / 3) - alone.Count)));
        var raw = new Queue<Queued>(alone);
        var mix = queue.Except(alone).ToList();
        var rawPlaces = mix.Count == 0 ? parts.Count : Math.Min(raw.Count, Math.Clamp(Intake(raw, context.Request.Day), places, Math.Max(1, parts.Count * 2 / 3)));
        foreach (var (length, place) in Lengths(parts, mix.Count == 0 ? 0 : rawPlaces).Select((length, place) => (length, place)))
        {
            if (place < rawPlaces && raw.TryDequeue(out var queued))
                yield return Single(context, queued, length);
            else if (mix.Count > 0)
                yield return TakeSet(context, mix, length);
            else if (raw.TryDequeue(out queued))
                yield return Single(context, queued, length);
            else
                yield return Fallback(context, length);
        }

        var left = raw.Concat(mix).Where(queued => queued.IsDue).ToList();
        foreach (var queued in left)
            context.Waiting.Add(new Waiting(Area.Repertoire, queued.Material.Id, queued.Material.Title, queued.Reason));
    }

    /// <summary>
    /// New passages a day, so that all of them are under way in the first quarter of the days until sections begin; 0 without a date.
    /// </summary>
    private static int Intake(IEnumerable<Queued> raw, DateOnly day)
    {
        var dated = raw.Where(queued => queued.Material is { Visits: 0, Performance: { } date } && date > day).ToList();
        if (dated.Count == 0)
            return 0;
        var date = dated.Min(queued => queued.Material.Performance!.Value);
        var days = Math.Max(1, (Performances.Phases(dated.Min(queued => queued.Material.PerformanceSet), date).SectionsFrom.DayNumber - day.DayNumber) / 4);
        return (dated.Count + days - 1) / days;
    }

    /// <summary>Repeating methods are through after about three minutes; what a raw place has beyond that goes to the rounds.</summary>
    private static int[] Lengths(IReadOnlyList<int> parts, int rawPlaces)
    {
        var lengths = parts.ToArray();
        for (int raw = 0, round = rawPlaces; raw < rawPlaces && round < lengths.Length; raw++)
        {
            for (; lengths[raw] > LeastRepeating && round < lengths.Length; round++)
            {
                lengths[raw]--;
                lengths[round]++;
            }
        }

        return lengths;
    }

    /// <summary>A raw passage, or a whole piece, gets a drill to itself.</summary>
    private static bool Alone(Queued queued) =>
        queued.Material.Kind == MaterialKind.Piece || (queued.Material.Readiness == Readiness.Raw && queued.Material.LastClean is null);

    /// <summary>Played before, and still not clean the last time: a repeating method gets it further than single takes in rounds.</summary>
    private static bool Shaky(Queued queued) =>
        queued is { IsDue: true, Material: { Readiness: not Readiness.Ready, Slipped: true, Kind: MaterialKind.Passage } } && !Alone(queued);

    private static Drill TakeSet(FillContext context, List<Queued> mix, int minutes)
    {
        var from = mix.Take(RoundsFill.SetSize(mix, minutes)).ToList();
        if (from.Count == 1 && from[0].Material.Readiness == Readiness.Ready)
        {
            mix.Remove(from[0]);
            if (from[0].Material is { Kind: MaterialKind.Passage, PutBack: < 3, PieceEnds: > 0 })
                return PutBack(context, from[0].Material, minutes, from[0].Reason);
            return context.Make(Area.Repertoire, Methods.PerformanceTake, from[0].Material.Title, minutes, from[0].Reason + "; so that it stays ready", context.TargetOf(from[0].Material, Pace.Performance));
        }

        if (from.Count == 1)
        {
            mix.Remove(from[0]);
            return Single(context, from[0], minutes);
        }

        mix.RemoveAll(from.Contains);
        return RoundsFill.OneTakeEach(context, Area.Repertoire, minutes, from);
    }

    private static Drill Single(FillContext context, Queued queued, int minutes)
    {
        var material = queued.Material;
        var isNew = material.Visits == 0;
        var whole = material.Kind == MaterialKind.Piece;
        // A passage was found while its piece was read: it needs no reading of its own.
        var method = whole ? Methods.SlowReading
            : isNew ? Methods.FixedCount
            : material.Stuck ? Methods.SlowAnchor
            : Varied(context, material);
        var reason = whole && !isNew ? queued.Reason + "; make passages of what trips"
            : material.Missing.Length > 0 && method.Id == material.Proposed ? $"still missing: {material.Missing}; {queued.Reason}"
            : queued.Reason;
        return method == Methods.PutBack ? PutBack(context, material, minutes, reason) : context.MakeOne(Area.Repertoire, method, material, minutes, reason);
    }

    /// <summary>
    /// From visit to visit another way: what was found to help comes every other time; raw passages slowly and in altered
    /// versions that fit what is hard; what is clean somewhere climbs.
    /// </summary>
    private static Method Varied(FillContext context, Material material)
    {
        var own = OwnMethods.For(context.Request.Methods, material, context.Request.Day);
        var turn = material.Visits % (Ways + own.Count);
        if (turn >= Ways)
            return own[turn - Ways];
        if (turn % 2 == 0 && Methods.All.FirstOrDefault(method => method.Id == material.Proposed) is { } proposed)
            return proposed;
        return turn switch
        {
            1 when material.LastClean is not null && !context.Careful => Methods.TempoLadder,
            2 => material.Difficulty switch
            {
                "rhythm" => Methods.RhythmAlone,
                "fingering" or "shift" => Methods.GrowingChain,
                "coordination" => Methods.RhythmVariants,
                "memory" => Methods.FromMemory,
                "join" => Methods.PutBack,
                "intonation" or "tone" => Methods.SingFirst,
                _ => Methods.SilentBars,
            },
            0 => Methods.FixedCount,
            _ when material.Readiness == Readiness.Raw || !material.EasyLastTime => Methods.CleanMinutes,
            _ => Methods.CleanInRow,
        };
    }

    /// <summary>A passage goes back into its place: the bars around it, its section, the piece.</summary>
    public static Drill PutBack(FillContext context, Material material, int minutes, string reason)
    {
        var reach = material.PutBack switch { 0 => 1, 1 => 4, _ => 10_000 };
        var (from, to) = (Math.Max(material.PieceBegins, material.FromBar - reach), Math.Min(Math.Max(material.ToBar, material.PieceEnds), material.ToBar + reach));
        var around = material with { FromBar = from, ToBar = to };
        var where = material.PutBack switch { 0 => "with the bars around it", 1 => "in its section", _ => "in the piece" };
        var target = context.TargetOf(around) with { Title = $"{material.Title}, {where}", StopAfterBar = to };
        return context.Make(Area.Repertoire, Methods.PutBack, material.Title, minutes, $"{reason}; {(material.Readiness == Readiness.Ready ? "clean by itself, now " : "")}{where}: bars {from} to {to}", target);
    }

    /// <summary>Short bursts on a passage and on one of another piece, in turn; null without a tempo to begin at, or without such another.</summary>
    public static Drill? Bursts(FillContext context, Material material, int minutes, string reason)
    {
        var other = context.Request.Materials.Where(one => one is { Kind: MaterialKind.Passage, Resting: false, LastClean: not null } && one.Group != material.Group)
            .OrderBy(one => one.LastVisit).ThenBy(one => one.Id).FirstOrDefault();
        return other is null || material is not { Kind: MaterialKind.Passage, LastClean: not null } ? null
            : context.Make(Area.Repertoire, Methods.BurstAndSwitch, $"{material.Title} · {other.Title}", minutes, reason, context.TargetOf(material, Pace.Ladder), context.TargetOf(other, Pace.Ladder));
    }

    private static Drill Fallback(FillContext context, int minutes)
    {
        var none = !context.Request.Materials.Any(material => material is { Area: Area.Repertoire, Resting: false });
        return context.Make(Area.Repertoire, Methods.FreePlay, "Music of your choice", minutes,
            none ? "enter a piece and its hard bars come back in time" : "nothing else is due today")
            with
        { How = "Play what you like, right through." };
    }
}
