using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>A routine stretched or shrunk to a number of minutes.</summary>
/// <param name="Minutes">Whole minutes of each block, in the routine's order; 0 where it has no place today.</param>
/// <param name="Short">Minutes by which the musts exceed the day; 0 when they fit.</param>
/// <param name="Over">Minutes that had to go beyond a block's most, because every block was at its most.</param>
/// <param name="Free">Minutes that no block takes, because all are fixed.</param>
public sealed record FittedRoutine(IReadOnlyList<int> Minutes, int Short, int Over, int Free = 0)
{
    /// <summary>True when the musts fit the day.</summary>
    public bool Fits => Short == 0;

    /// <summary>The routine that was fitted, where it differs from the one asked for; else null.</summary>
    public Routine? Routine { get; init; }
}

/// <summary>Stretches and shrinks routines with the exact split of <see cref="MinuteSplit"/>.</summary>
public static class RoutineFit
{
    /// <summary>
    /// Musts survive; optional blocks go first, those whose area has waited least before the others, later ones before
    /// earlier ones. What is left is split as near as possible to what is wanted.
    /// </summary>
    /// <param name="routine">The shape.</param>
    /// <param name="minutes">Minutes of playing, breaks already taken off.</param>
    /// <param name="wanted">Minutes wanted by area today; null to keep the routine's own proportions. Areas at 0 lose their optional
    /// blocks.</param>
    /// <param name="waited">Days each area has waited; may be left out.</param>
    /// <param name="held">Minutes already promised to an area by locked drills; its first block does not go below.</param>
    public static FittedRoutine Fit(
        Routine routine,
        int minutes,
        IReadOnlyDictionary<Area, decimal>? wanted = null,
        IReadOnlyDictionary<Area, int>? waited = null,
        IReadOnlyDictionary<Area, int>? held = null
    )
    {
        ArgumentNullException.ThrowIfNull(routine);
        var rows = Rows(routine, minutes, wanted, waited, held);
        Drop(rows, minutes, wanted is not null);
        var needed = rows.Where(row => row.In).Sum(row => row.Least);
        if (needed > minutes)
            return new FittedRoutine([.. rows.Select(row => row.In ? row.Least : 0)], needed - minutes, 0);

        var over = Math.Max(0, minutes - rows.Where(row => row.In).Sum(row => row.Most));
        var free = over > 0 && !Widen(rows, minutes) ? over : 0;
        var parts = rows.Select(row => row.In ? new SplitPart(row.Least, row.Most, row.Wanted, row.Waited) : new SplitPart(0, 0, 0))
            .ToList();
        return new FittedRoutine(MinuteSplit.Solve(parts, minutes - free), 0, over - free, free);
    }

    private static List<Row> Rows(
        Routine routine,
        int minutes,
        IReadOnlyDictionary<Area, decimal>? wanted,
        IReadOnlyDictionary<Area, int>? waited,
        IReadOnlyDictionary<Area, int>? held
    )
    {
        var byArea = routine
            .Blocks.GroupBy(block => block.Area)
            .ToDictionary(group => group.Key, group => Math.Max(1, group.Sum(block => block.Wanted)));
        var all = Math.Max(1, routine.Blocks.Sum(block => block.Fixed ?? block.Wanted));
        var seen = new HashSet<Area>();
        return
        [
            .. routine.Blocks.Select(
                (block, index) =>
                {
                    var promised = seen.Add(block.Area) ? held?.GetValueOrDefault(block.Area) ?? 0 : 0;
                    var want = wanted is null
                        ? (decimal)block.Wanted * minutes / all
                        : wanted.GetValueOrDefault(block.Area) * block.Wanted / byArea[block.Area];
                    return new Row
                    {
                        Index = index,
                        Least = Math.Max(block.Floor, promised),
                        Most = Math.Max(block.Ceiling, promised),
                        Wanted = want,
                        Must = block.Must || promised > 0,
                        Fixed = block.Fixed is not null,
                        Waited = waited?.GetValueOrDefault(block.Area) ?? 0,
                    };
                }
            ),
        ];
    }

    private static void Drop(List<Row> rows, int minutes, bool owed)
    {
        if (owed)
        {
            foreach (var row in rows.Where(row => !row.Must && row.Wanted == 0))
                row.In = false;
        }

        while (rows.Where(row => row.In).Sum(row => row.Least) > minutes)
        {
            var next = rows.Where(row => row is { In: true, Must: false })
                .OrderBy(row => row.Waited)
                .ThenByDescending(row => row.Index)
                .FirstOrDefault();
            if (next is null)
                return;
            next.In = false;
        }

        if (rows.Exists(row => row.In) || rows.Count == 0)
            return;
        // Nothing is a must and nothing fits whole: the smallest block gets what there is.
        var smallest = rows.MinBy(row => row.Least)!;
        smallest.In = true;
        smallest.Least = Math.Min(smallest.Least, minutes);
    }

    /// <summary>
    /// The block that wants most today takes what goes beyond the mosts; what is fixed stays so. False where nothing else is there.
    /// </summary>
    private static bool Widen(List<Row> rows, int minutes)
    {
        var widest = rows.Where(row => row is { In: true, Fixed: false })
            .OrderByDescending(row => row.Wanted)
            .ThenByDescending(row => row.Index)
            .FirstOrDefault();
        if (widest is not null)
            widest.Most += minutes;
        return widest is not null;
    }

    private sealed class Row
    {
        public required int Index { get; init; }
        public required int Least { get; set; }
        public required int Most { get; set; }
        public required decimal Wanted { get; init; }
        public required bool Must { get; init; }
        public required bool Fixed { get; init; }
        public required int Waited { get; init; }
        public bool In { get; set; } = true;
    }
}
