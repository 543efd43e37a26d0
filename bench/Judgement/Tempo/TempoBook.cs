using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>A way to spend some weeks.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Pieces">Pieces.</param>
/// <param name="Passages">Passages from the first day on.</param>
/// <param name="Later">Passages that come in addition on day 15.</param>
/// <param name="Minutes">Minutes of a sitting.</param>
/// <param name="Days">Days.</param>
/// <param name="Dated">Whether the last day is a concert.</param>
/// <param name="Weave">Whether all areas share the sitting.</param>
internal sealed record Scenario(string Name, int Pieces, int Passages, int Later, int Minutes, int Days, bool Dated, bool Weave = false)
{
    public const int LaterFrom = 15;

    public int All => Passages + Later;

    public static IReadOnlyList<Scenario> Usual { get; } =
    [
        new("30 passages, 30 min, 60 days", 6, 30, 0, 30, 60, true),
        new("12 passages, 20 min, 42 days", 3, 12, 0, 20, 42, true),
        new("40 in 8 pieces, half a year", 8, 40, 0, 25, 182, false),
        new("20, and 5 from day 15", 5, 20, 5, 30, 60, true),
        new("twice what fits", 6, 48, 0, 20, 42, true),
        new("the weave, 30 min, 12 passages", 3, 12, 0, 30, 42, true, true),
    ];
}

/// <summary>What a policy may know: takes as they were recorded, ratings, nothing of the learner.</summary>
internal sealed class TempoBook
{
    public const int SetUp = 8;
    private const int Bars = 4;
    private const int Gap = 8;

    private readonly Dictionary<(int Passage, DateOnly Day), VisitRow> visits = [];

    public TempoBook(Scenario scenario, World world, int number)
    {
        Scenario = scenario;
        var random = new Random(5000 + number);
        var perPiece = (scenario.All + scenario.Pieces - 1) / scenario.Pieces;
        for (var piece = 0; piece < scenario.Pieces; piece++)
        {
            // Real life: two dates, and pieces without one.
            var date =
                !scenario.Dated ? (DateOnly?)null
                : world != World.RealLife ? First.AddDays(scenario.Days)
                : (piece % 3) switch
                {
                    0 => First.AddDays(scenario.Days),
                    1 => First.AddDays(scenario.Days * 2 / 3),
                    _ => null,
                };
            Rows.Add(
                new MaterialRow
                {
                    Id = 1000 + piece,
                    Kind = MaterialKind.Piece,
                    Area = Area.Repertoire,
                    Title = $"Piece {piece}",
                    ToBar = Gap * perPiece,
                    Target = 72 + random.Next(73),
                    Performance = date,
                    PerformanceSet = date is null ? null : First,
                }
            );
        }

        for (var id = 0; id < scenario.All; id++)
        {
            var piece = Rows[id % scenario.Pieces];
            var from = 1 + (Gap * (id / scenario.Pieces));
            Passages.Add(
                new MaterialRow
                {
                    Id = id,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    PieceId = piece.Id,
                    Piece = piece,
                    FromBar = from,
                    ToBar = from + Bars - 1,
                }
            );
        }

        Rows.AddRange(Passages);
        Pencil = [.. Passages.Select(row => new PencilTempo(row.Piece!.Target!.Value))];
        Firsts = [.. Passages.Select(_ => new List<(bool Clean, int Tempo)>())];
    }

    public static DateOnly First { get; } = new(2031, 3, 3);

    public Scenario Scenario { get; }

    public List<MaterialRow> Rows { get; } = [];

    public List<MaterialRow> Passages { get; } = [];

    public List<PencilTempo> Pencil { get; }

    public List<(bool Clean, int Tempo)>[] Firsts { get; }

    public IReadOnlyList<int> Targets => [.. Passages.Select(row => row.Piece!.Target!.Value)];

    public IEnumerable<int> Known(DateOnly day) =>
        Enumerable.Range(0, day.DayNumber - First.DayNumber < Scenario.LaterFrom ? Scenario.Passages : Scenario.All);

    public int DaysSince(int id, DateOnly day) => Passages[id].LastVisit is { } last ? day.DayNumber - last.DayNumber : 999;

    public VisitRow? Visit(int id, DateOnly day) => visits.GetValueOrDefault((id, day));

    public static int Seconds(int bars, double tempo) => (int)Math.Ceiling(bars * 4 * 60 / tempo) + SetUp;

    public static int TakeSeconds(double tempo) => Seconds(Bars, tempo);

    /// <summary>Records a take.</summary>
    public void Note(int id, DateOnly day, bool clean, int tempo, double weight = 1)
    {
        var row = Passages[id];
        if (!visits.TryGetValue((id, day), out var visit))
            visits[(id, day)] = visit = VisitBooks.Begin(row, day);
        if (visit.Takes == 0)
            Firsts[id].Add((clean, tempo));
        VisitBooks.Add(row, visit, clean, tempo, weight, Traits);
    }

    /// <summary>What the app has learnt of the player by now.</summary>
    public Traits Traits { get; private set; } = Traits.Usual;

    /// <summary>The evening: what the day says about the player.</summary>
    public void Learn(DateOnly day)
    {
        foreach (var row in Passages)
        {
            if (Visit(row.Id, day) is { Takes: > 0 } visit)
                Traits = VisitBooks.Learnt(row, visit, Traits);
        }
    }

    /// <summary>Notes a visit without a take.</summary>
    public void Touch(int id, DateOnly day)
    {
        if (!visits.ContainsKey((id, day)))
            visits[(id, day)] = VisitBooks.Begin(Passages[id], day);
    }

    /// <summary>
    /// What an honest player rates from first takes: two clean near the target make a three, one clean at two thirds a two.
    /// </summary>
    public Readiness Rating(int id)
    {
        var target = Passages[id].Piece!.Target!.Value;
        var last = Firsts[id].TakeLast(2).ToList();
        return last.Count == 2 && last.TrueForAll(first => first.Clean && first.Tempo >= target * 0.92) ? Readiness.Ready
            : Firsts[id].Exists(first => first.Clean && first.Tempo >= target * 0.66) ? Readiness.Shaping
            : Readiness.Raw;
    }
}

/// <summary>The tempo that a player keeps with a pencil: three clean in a row, 4 % up; two misses running, 5 % down.</summary>
internal sealed class PencilTempo(int target)
{
    private int clean;
    private int missed;

    public double Tempo { get; private set; } = target * 0.5;

    public void After(bool wasClean)
    {
        (clean, missed) = wasClean ? (clean + 1, 0) : (0, missed + 1);
        if (clean == 3)
            (Tempo, clean) = (Math.Min(target, Tempo * 1.04), 0);
        else if (missed == 2)
            (Tempo, missed) = (Tempo * 0.95, 0);
    }
}
