using System.Globalization;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Rows;

namespace TuningFork.Bench;

/// <summary>Prints the plans of six weeks of a made-up life, to be read as a teacher would read them.</summary>
internal static class LifePrint
{
    private const int Days = 42;
    private static readonly DateOnly First = new(2031, 3, 3);

    public static void Write(string file)
    {
        var materials = Material();
        var player = new ProfileRow { Family = TuningFork.Core.Theory.Family.Plucked, Instrument = "Guitar" };
        var history = new History(
            player,
            new RoutineRow
            {
                Name = "weave",
                BlocksJson = System.Text.Json.JsonSerializer.Serialize(Shapes.Default.Blocks, Bookkeeping.Json),
                Interwoven = true,
            },
            seed: 11,
            [
                .. ProfileBooks
                    .WarmUpsFor(player)
                    .Select(
                        (row, i) =>
                        {
                            row.Id = 1 + i;
                            return row;
                        }
                    ),
            ]
        );
        using var paper = new StreamWriter(file);
        for (var day = First; day < First.AddDays(Days); day = day.AddDays(1))
        {
            // One week away, Sundays free, short Fridays.
            if (day.DayOfWeek == DayOfWeek.Sunday || (day >= First.AddDays(21) && day < First.AddDays(28)))
                continue;
            history.Play(day, day.DayOfWeek == DayOfWeek.Friday ? 15 : 30, materials);
            Day(paper, history.Plans[^1]);
        }

        foreach (var row in materials.Where(row => row.Kind is MaterialKind.Passage or MaterialKind.Exercise))
            paper.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{Bookkeeping.TitleOf(row, row.Piece)}: {row.Visits} visits, {Standing.Words(Bookkeeping.ToCore(row, First.AddDays(Days), row.Piece))}"
                )
            );
    }

    private static void Day(StreamWriter paper, DayPlan plan)
    {
        paper.WriteLine(
            string.Create(CultureInfo.InvariantCulture, $"\n== {plan.Day:ddd d MMM}, {plan.Minutes} min: {string.Join(' ', plan.Summary)}")
        );
        foreach (var drill in plan.Drills)
            paper.WriteLine(
                $"{drill.Minutes, 3}  {(drill.Area is { } area ? Areas.Name(area) : "break"), -14} {drill.Title} [{(drill.IsBreak ? "" : Methods.Of(drill).Name)}{string.Concat(drill.Targets.Where(target => target.Tempo is not null).Take(4).Select(target => $" {target.Tempo}/{target.Goal?.ToString() ?? "-"}"))}] {drill.Reason}{(drill.Sum.Length > 0 ? $" ({drill.Sum})" : "")}"
            );
        foreach (var waits in plan.Waiting)
            paper.WriteLine($"     waits: {waits.Title}: {waits.Reason}");
    }

    private static List<MaterialRow> Material()
    {
        var date = First.AddDays(35);
        var rows = new (string Title, int Bars, int Target, DateOnly? Date)[]
        {
            ("Ferry Waltz", 48, 120, date),
            ("Mill Song", 32, 96, null),
            ("Night Train", 40, 84, null),
        }
            .Select(
                (piece, i) =>
                    new MaterialRow
                    {
                        Id = 1 + i,
                        Kind = MaterialKind.Piece,
                        Area = Area.Repertoire,
                        Title = piece.Title,
                        ToBar = piece.Bars,
                        Target = piece.Target,
                        Performance = piece.Date,
                        PerformanceSet = piece.Date is null ? null : First,
                    }
            )
            .ToList();
        var difficulties = new[] { "shift", "", "rhythm", "fingering", "", "memory" };
        rows.AddRange(
            Enumerable
                .Range(0, 11)
                .Select(i => new MaterialRow
                {
                    Id = 10 + i,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    Piece = rows[i % 3],
                    PieceId = rows[i % 3].Id,
                    FromBar = 3 + (7 * (i / 3)),
                    ToBar = 5 + (7 * (i / 3)) + (i % 2),
                    Difficulty = difficulties[i % 6],
                })
        );
        rows.AddRange(
            new[]
            {
                ("Slurs", "fingering"),
                ("Shifts on one string", "shift"),
                ("Right hand in turn", ""),
                ("Thirds", "coordination"),
            }.Select(
                (one, i) =>
                    new MaterialRow
                    {
                        Id = 50 + i,
                        Kind = MaterialKind.Exercise,
                        Area = Area.Technique,
                        Title = one.Item1,
                        Target = 100,
                        Serves = one.Item2,
                        ReviewOn = First.AddDays(Review.Days),
                    }
            )
        );
        rows.Add(
            new MaterialRow
            {
                Id = 60,
                Kind = MaterialKind.Book,
                Area = Area.SightReading,
                Title = "Small Tunes",
                Examples = 90,
            }
        );
        return rows;
    }
}
