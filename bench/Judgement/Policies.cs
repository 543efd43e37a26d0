using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Bench.Judgement;

/// <summary>What is known to a policy: the books that are kept, nothing of the learner.</summary>
internal sealed class Books
{
    public const int Pieces = 6;
    public const int PerPiece = 5;
    public const int Passages = Pieces * PerPiece;
    public const int TakeSeconds = 22;

    /// <summary>The worlds know no tempo: every take is of four bars of four at this one, with the time to set up again.</summary>
    public const int Tempo = 72;
    public const int Concert = 60;

    private readonly Dictionary<(int Passage, DateOnly Day), VisitRow> visits = [];
    private readonly List<bool>[] firsts = [.. Enumerable.Range(0, Passages).Select(_ => new List<bool>())];

    public Books()
    {
        Rows =
        [
            .. Enumerable
                .Range(0, Pieces)
                .Select(piece => new MaterialRow
                {
                    Id = 1000 + piece,
                    Kind = MaterialKind.Piece,
                    Area = Area.Repertoire,
                    Title = $"Piece {piece}",
                    ToBar = 48,
                    Target = Tempo,
                    LastClean = Tempo,
                    Performance = First.AddDays(Concert),
                    PerformanceSet = First,
                }),
        ];
        Rows.AddRange(
            Enumerable
                .Range(0, Passages)
                .Select(id => new MaterialRow
                {
                    Id = id,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    PieceId = 1000 + (id / PerPiece),
                    Piece = Rows[id / PerPiece],
                    FromBar = 1 + (8 * (id % PerPiece)),
                    ToBar = 4 + (8 * (id % PerPiece)),
                })
        );
    }

    public static DateOnly First { get; } = new(2031, 3, 3);

    public List<MaterialRow> Rows { get; }

    public MaterialRow Passage(int id) => Rows[Pieces + id];

    /// <summary>Whether the last first take was clean; false before the first.</summary>
    public bool LastFirst(int id) => firsts[id].Count > 0 && firsts[id][^1];

    public int DaysSince(int id, DateOnly day) => Passage(id).LastVisit is { } last ? day.DayNumber - last.DayNumber : 999;

    /// <summary>Notes a visit without a take, as a drill leaves it in which nothing is counted.</summary>
    public void Visit(int id, DateOnly day)
    {
        if (!visits.ContainsKey((id, day)))
            visits[(id, day)] = VisitBooks.Begin(Passage(id), day);
    }

    public void VisitPiece(int id, DateOnly day)
    {
        if (Rows[id - 1000].LastVisit != day)
            VisitBooks.Begin(Rows[id - 1000], day);
    }

    /// <summary>Passages of a piece that lie in the bars up to one, as many as a take of so many seconds holds.</summary>
    public static IEnumerable<int> Met(int piece, int? last, int seconds)
    {
        var to = last ?? 48;
        var from = to - ((seconds - 8) * Tempo / 60 / 4) + 1;
        return Enumerable
            .Range((piece - 1000) * PerPiece, PerPiece)
            .Where(id => 1 + (8 * (id % PerPiece)) >= from && 4 + (8 * (id % PerPiece)) <= to);
    }

    /// <summary>Notes a take. Rated by what first takes say: three clean running are ready, one is taking shape.</summary>
    public void Note(int id, DateOnly day, bool clean, int? tempo)
    {
        var row = Passage(id);
        if (!visits.TryGetValue((id, day), out var visit))
        {
            visits[(id, day)] = visit = VisitBooks.Begin(row, day);
        }

        if (visit.Takes == 0)
            firsts[id].Add(clean);

        VisitBooks.Add(row, visit, clean, tempo);
        row.Readiness =
            firsts[id].TakeLast(3).ToList() is { Count: 3 } last && last.TrueForAll(one => one) ? Readiness.Ready
            : clean || row.Readiness != Readiness.Raw ? Readiness.Shaping
            : Readiness.Raw;
    }
}

/// <summary>A way to spend a day's takes.</summary>
internal static class Policies
{
    private const int TakesAVisit = 3;

    public static IReadOnlyList<(string Name, Func<Books, DateOnly, int, IEnumerable<(int Passage, int? Tempo)>> Day)> Simple { get; } =
    [
        ("blocked, piece by piece", (_, day, takes) => Blocked(day, takes)),
        ("all in turn", (books, day, takes) =>
            InOrder(takes, Enumerable.Range(0, Books.Passages).OrderByDescending(id => books.DaysSince(id, day)).ThenBy(id => id))
        ),
        ("every other day", (books, day, takes) =>
            InOrder(
                takes,
                Enumerable
                    .Range(0, Books.Passages)
                    .Where(id => books.DaysSince(id, day) >= 2)
                    .OrderByDescending(id => books.DaysSince(id, day))
                    .ThenBy(id => id)
            )
        ),
        ("toughest first", (books, day, takes) =>
            InOrder(
                takes,
                Enumerable
                    .Range(0, Books.Passages)
                    .Where(id => !books.LastFirst(id) || books.DaysSince(id, day) >= 3)
                    .OrderBy(books.LastFirst)
                    .ThenByDescending(id => books.DaysSince(id, day))
                    .ThenBy(id => id)
            )
        ),
        ("widening gaps", (books, day, takes) =>
            InOrder(
                takes,
                Enumerable
                    .Range(0, Books.Passages)
                    .Where(id => Due(books.Passage(id)) <= day)
                    .OrderBy(id => Due(books.Passage(id)))
                    .ThenBy(id => id)
            )
        ),
    ];

    /// <summary>What the app really plans: half an hour of repertoire, its drills played take by take as the stage asks for them.</summary>
    public static void PlayPlan(Books books, DateOnly day, int minutes, Func<int, int?, bool> play)
    {
        var passages = books.Rows.Where(row => row.PieceId is not null).ToList();
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = day,
                Minutes = minutes,
                Seed = day.DayNumber,
                Routine = new Routine("repertoire", [new Block(Area.Repertoire, 1, minutes, 240)], false),
                Shares = [.. Areas.Shared.Select(area => new AreaShare(area, area == Area.Repertoire ? 100 : 0, 0, 240))],
                Materials = [.. books.Rows.Select(row => Bookkeeping.ToCore(row, day, row.Piece, row.PieceId is null))],
            }
        );
        var drills = plan.Drills.Where(drill => !drill.IsBreak).ToList();
        for (var at = 0; at < drills.Count; at++)
        {
            var takes = new List<StageTake>();
            var left = PlayDrill(books, drills[at], day, takes, 0, play);
            if (SavedTime.PassOn(drills[at], drills.Skip(at + 1), left) is { } passed)
                drills[drills.FindIndex(drill => drill.Id == passed.Drill.Id)] = passed.Drill;
            // Nothing that follows can use the time: the rounds go on, as on the stage.
            else if (SavedTime.GoOn(drills[at], left) is { } on)
                PlayDrill(books, on, day, takes, on.Seconds - left, play);
        }
    }

    /// <summary>Plays a drill to its end, or to the end of its time.</summary>
    /// <returns>The seconds it leaves.</returns>
    private static int PlayDrill(Books books, Drill drill, DateOnly day, List<StageTake> takes, int used, Func<int, int?, bool> play)
    {
        var method = Methods.Of(drill);
        // The stage lets the last take end.
        for (; used < drill.Seconds; used += Books.TakeSeconds)
        {
            var cue = Stage.Now(drill, takes, used);
            if (cue.Complete)
                break;
            if (drill.Targets is [{ MaterialId: >= 1000 and var piece, StopAfterBar: var last } through])
            {
                // A section or a whole piece: its passages are met once, on the way; nothing is noted of each.
                foreach (var met in Books.Met(piece, last, through.TakeSeconds))
                    play(met, null);
                books.VisitPiece(piece, day);
                takes.Add(new StageTake(0, true));
                used += through.TakeSeconds - Books.TakeSeconds;
                continue;
            }

            var index = Math.Max(0, cue.TargetIndex);
            var target = drill.Targets.ElementAtOrDefault(index);
            // Without counted takes, as in a first reading, the passage is simply played.
            var id = target?.MaterialId ?? Altered(target);
            var clean =
                id is not { } passage
                || passage >= 1000
                || play(passage, target!.MaterialId is null || method.Course == Course.Timed ? null : Books.Tempo);
            takes.Add(new StageTake(index, clean));
        }

        if (StageRuns.PlaceAfter(drill, takes) is { } place && drill.Targets[0].MaterialId is >= 1000 and var walked)
            books.Rows[walked - 1000].Place = place;
        if (method.Course == Course.Timed && drill.Targets is [{ MaterialId: { } read and < 1000 }, ..])
            books.Visit(read, day);
        return drill.Seconds - used;
    }

    private static int? Altered(Target? target) =>
        target is not null && TargetKey.Parse(target.Key) is { Kind: TargetKind.Material } key ? key.Id : null;

    private static DateOnly Due(MaterialRow row) =>
        row.LastVisit is { } last
            ? DueDay.Of(
                School.WideningGaps,
                last,
                row is { Stability: { } stability, MemoryDifficulty: { } difficulty } ? new Memory(stability, difficulty) : null,
                row.Readiness,
                row.Slipped,
                null
            )
            : DateOnly.MinValue;

    private static IEnumerable<(int, int?)> Blocked(DateOnly day, int takes)
    {
        var piece = Math.Min(Books.Pieces - 1, (day.DayNumber - Books.First.DayNumber) / (Books.Concert / Books.Pieces));
        for (var i = 0; i < takes; i++)
            yield return ((piece * Books.PerPiece) + (i * Books.PerPiece / takes), Books.Tempo);
    }

    /// <summary>Three takes of each in order; when all are through and there is time, round again.</summary>
    private static IEnumerable<(int, int?)> InOrder(int takes, IEnumerable<int> order)
    {
        var list = order.ToList();
        if (list.Count == 0)
            yield break;
        for (var i = 0; i < takes; i++)
            yield return (list[i / TakesAVisit % list.Count], Books.Tempo);
    }
}
