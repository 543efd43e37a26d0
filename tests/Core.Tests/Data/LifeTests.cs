using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>
/// Forty-two days of three made-up people: what a good plan never does, looked for in every day's plan (common practice).
/// </summary>
public sealed class LifeTests
{
    private const int Days = 42;
    private static readonly DateOnly First = new(2031, 3, 3);

    /// <summary>Name, minutes, family, days until a recital (0 for none), passages.</summary>
    public static TheoryData<string, int, Family, int, int> People =>
        new()
        {
            { "beginner", 20, Family.Strings, 0, 9 },
            { "recital", 45, Family.Keys, Days, 12 },
            { "drummer", 30, Family.Percussion, 0, 8 },
        };

    [Theory]
    [MemberData(nameof(People))]
    public void Six_weeks_keep_what_a_good_plan_promises(string name, int minutes, Family family, int recital, int passages)
    {
        var materials = Material(passages, recital);
        var history = new History(
            new ProfileRow { Family = family },
            new RoutineRow
            {
                Name = "weave",
                BlocksJson = System.Text.Json.JsonSerializer.Serialize(Shapes.Default.Blocks, Bookkeeping.Json),
                Interwoven = true,
            },
            seed: 7
        );
        var waited = new Dictionary<int, int>();
        for (var day = First; day < First.AddDays(Days); day = day.AddDays(1))
        {
            if (day.DayOfWeek == DayOfWeek.Sunday)
                continue;
            var growing = materials
                .Where(row => row.Kind == MaterialKind.Passage)
                .Select(row => Bookkeeping.ToCore(row, day, row.Piece))
                .Where(one => Standing.IsGrowing(one, day))
                .ToList();
            history.Play(day, minutes, materials);
            Look(name, history.Plans[^1], growing, family, minutes);
            foreach (var one in growing)
            {
                waited[one.Id] = materials.First(row => row.Id == one.Id).LastVisit == day ? 0 : waited.GetValueOrDefault(one.Id) + 1;
                // Where twice as much is wanted as fits, some waits longer, and is named each day.
                waited[one.Id]
                    .ShouldBeLessThanOrEqualTo(
                        history.Plans[^1].Waiting.Any(item => item.MaterialId == one.Id) ? 9 : 6,
                        $"{name}, {day}: {one.Title} was left"
                    );
            }
        }

        var work = history
            .Sessions.SelectMany(session => session.Drills)
            .Where(row => row.Area == Area.Repertoire)
            .Select(row => (Drill: System.Text.Json.JsonSerializer.Deserialize<Drill>(row.DrillJson, Bookkeeping.Json)!, row.Takes))
            .SelectMany(pair =>
                pair.Takes.Where(take =>
                    take.MaterialId is not null && pair.Drill.Targets[take.TargetIndex].Pace is Pace.Work or Pace.Ladder
                )
            )
            .ToList();
        ((double)work.Count(take => take.Clean) / work.Count).ShouldBeInRange(0.75, 0.92, $"{name}: {work.Count} takes");
        var parts = materials
            .Where(row => row.Kind == MaterialKind.Passage)
            .Select(row => Bookkeeping.ToCore(row, First.AddDays(Days), row.Piece))
            .Select(one => (one.Reach ?? one.Start).Tempo / one.Target!.Value.Value)
            .ToList();
        parts.Average().ShouldBeGreaterThan(0.72, $"{name}: passages get ready");
        parts.Count(part => part > 0.9).ShouldBeGreaterThanOrEqualTo(parts.Count / 3, $"{name}: some can be played, not all half");
    }

    private static void Look(string name, DayPlan plan, List<Material> growing, Family family, int minutes)
    {
        plan.Total.ShouldBe(minutes);
        plan.Summary.Sum(line => line.Split(' ').Length)
            .ShouldBeLessThanOrEqualTo(30, $"{name}, {plan.Day}: {string.Join(' ', plan.Summary)}");
        if (growing.Count > 0)
            plan.Drills.ShouldNotContain(
                drill => drill.Area == Area.Repertoire && drill.MethodId == Methods.FreePlay.Id,
                $"{name}, {plan.Day}: free choice while something grows"
            );
        foreach (var drill in plan.Drills.Where(drill => !drill.IsBreak))
        {
            drill.Reason.Split(' ').Length.ShouldBeLessThanOrEqualTo(8, drill.Reason);
            foreach (var said in new[] { "not due", "all due", "until tomorrow", "the reward" })
                drill.Reason.ShouldNotContain(said);
            drill.Targets.ShouldAllBe(
                target =>
                    target.Goal == null
                    || target.Tempo == null
                    || target.Tempo <= target.Goal
                    || TargetKey.Parse(target.Key).Part == TargetPart.Limit,
                "never above the target, unless its limit is measured"
            );
        }

        var ideas = plan.Drills.Where(drill => drill.MethodId == Methods.FreePlay.Id).Select(drill => drill.Title).ToList();
        ideas.ShouldBeUnique();
        if (family == Family.Percussion)
            ideas.ShouldNotContain(idea =>
                idea.Contains("notes", StringComparison.Ordinal)
                || idea.Contains("key", StringComparison.Ordinal)
                || idea.Contains("arpeggios", StringComparison.Ordinal)
            );
    }

    private static List<MaterialRow> Material(int passages, int recital)
    {
        var date = recital > 0 ? First.AddDays(recital) : (DateOnly?)null;
        var rows = Enumerable
            .Range(0, 3)
            .Select(piece => new MaterialRow
            {
                Id = 1 + piece,
                Kind = MaterialKind.Piece,
                Area = Area.Repertoire,
                Title = $"Piece {piece}",
                ToBar = 40,
                Target = 84 + (12 * piece),
                Performance = date,
                PerformanceSet = date is null ? null : First,
            })
            .ToList();
        rows.AddRange(
            Enumerable
                .Range(0, passages)
                .Select(i => new MaterialRow
                {
                    Id = 10 + i,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    Piece = rows[i % 3],
                    PieceId = rows[i % 3].Id,
                    FromBar = 1 + (4 * (i / 3)),
                    ToBar = 3 + (4 * (i / 3)),
                    Difficulty = i % 2 == 0 ? "rhythm" : "",
                })
        );
        rows.AddRange(
            Enumerable
                .Range(0, 3)
                .Select(i => new MaterialRow
                {
                    Id = 50 + i,
                    Kind = MaterialKind.Exercise,
                    Area = Area.Technique,
                    Title = $"Exercise {i}",
                    Target = 100,
                })
        );
        rows.Add(
            new MaterialRow
            {
                Id = 60,
                Kind = MaterialKind.Book,
                Area = Area.SightReading,
                Title = "Small Tunes",
                Examples = 400,
            }
        );
        return rows;
    }
}
