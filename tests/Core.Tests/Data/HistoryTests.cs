using Microsoft.EntityFrameworkCore;
using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>Months of planning and playing with a made-up learner, and the file they are kept in.</summary>
public sealed class HistoryTests
{
    [Fact]
    public void Twelve_weeks_of_real_plans_keep_the_shares_and_every_gap_is_a_night_or_more()
    {
        var history = Play(84, out var materials);
        var seconds = history
            .Sessions.SelectMany(session => session.Drills)
            .Where(drill => drill.Area is not null && drill.Area != Area.WarmUp)
            .GroupBy(drill => drill.Area!.Value)
            .ToDictionary(group => group.Key, group => group.Sum(drill => drill.PlayedSeconds));
        foreach (var share in Shares.Default)
            (100 * seconds[share.Area] / seconds.Values.Sum()).ShouldBe(share.Percent, 4.0, $"{share.Area}");

        var examples = history
            .Sessions.SelectMany(session => session.Drills)
            .SelectMany(drill => drill.Takes)
            .Select(take => take.Key)
            .Where(key => key.StartsWith("book:", StringComparison.Ordinal))
            .ToList();
        examples.ShouldBeUnique();
        history.Visits.GroupBy(visit => (visit.MaterialId, visit.Day)).ShouldAllBe(group => group.Count() == 1);
        foreach (var material in materials.Where(row => row.Kind == MaterialKind.Passage))
            history
                .Visits.Where(visit => visit.MaterialId == material.Id)
                .Max(visit => visit.Day)
                .ShouldBeGreaterThan(new DateOnly(2031, 3, 1), $"{material.FromBar} was forgotten");
    }

    [Fact]
    public void The_same_seed_makes_the_same_months() =>
        Play(30, out _)
            .Sessions.SelectMany(session => session.Drills)
            .Select(drill => drill.DrillJson)
            .ShouldBe(Play(30, out _).Sessions.SelectMany(session => session.Drills).Select(drill => drill.DrillJson));

    [Fact]
    public void A_take_taken_back_leaves_everything_as_it_was()
    {
        var row = new MaterialRow
        {
            Id = 1,
            Kind = MaterialKind.Passage,
            Target = 100,
            LastVisit = new DateOnly(2031, 1, 1),
            Stability = 4,
            MemoryDifficulty = 5,
            LastClean = 80,
            Visits = 3,
        };
        var visit = VisitBooks.Begin(row, new DateOnly(2031, 1, 6));
        VisitBooks.Add(row, visit, clean: true, 82);
        var once = (row.Stability, row.MemoryDifficulty, row.LastClean, row.Slipped, visit.Grade, visit.Tries);
        VisitBooks.Add(row, visit, clean: false, 90);
        VisitBooks.RemoveLast(row, visit).ShouldBeFalse();
        (row.Stability, row.MemoryDifficulty, row.LastClean, row.Slipped, visit.Grade, visit.Tries).ShouldBe(once);
        VisitBooks.RemoveLast(row, visit).ShouldBeTrue();
        (row.Stability, row.MemoryDifficulty, row.LastClean, visit.Grade).ShouldBe((4d, 5d, 80, (Grade?)null));
        (row.Visits, row.LastVisit).ShouldBe((3, new DateOnly(2031, 1, 1)));
    }

    [Fact]
    public async Task The_demo_ends_yesterday_and_has_its_gap_its_plateau_and_its_slip()
    {
        var folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        try
        {
            var file = Path.Combine(folder, "demo.db");
            var today = new DateOnly(2031, 5, 14);
            await DemoFile.PrepareAsync(file, DemoPlayer.Clarinet, today);
            await using var db = new PracticeDb(PracticeFile.Options(file));
            var days = await db.Sessions.Select(session => session.Day).OrderBy(day => day).ToListAsync();
            days[^1].ShouldBe(today.AddDays(-1));
            days.Zip(days.Skip(1)).Max(pair => pair.Second.DayNumber - pair.First.DayNumber).ShouldBeGreaterThan(10);
            (await db.Materials.CountAsync(row => row.Slipped && row.Kind == MaterialKind.Passage)).ShouldBeGreaterThan(0);
            var stuck = await db.Materials.FirstAsync(row => row.Title == "Crossing the break in pairs");
            ((double)stuck.LastClean! / stuck.Target!.Value).ShouldBeLessThan(0.97);
            (await db.Entries.CountAsync()).ShouldBeGreaterThan(30);
            (await db.Database.SqlQueryRaw<string>("SELECT journal_mode AS Value FROM pragma_journal_mode").ToListAsync()).ShouldBe([
                "wal",
            ]);

            // The same day again: nothing is made anew. The next day: the demo moves with it.
            var entries = await db.Entries.MaxAsync(entry => entry.Id);
            db.Entries.Add(
                new EntryRow
                {
                    Key = Guid.NewGuid(),
                    Text = "mine",
                    Day = today,
                }
            );
            await db.SaveChangesAsync();
            await DemoFile.PrepareAsync(file, DemoPlayer.Clarinet, today);
            (await db.Entries.MaxAsync(entry => entry.Id)).ShouldBe(entries + 1);
            await DemoFile.PrepareAsync(file, DemoPlayer.Clarinet, today.AddDays(1));
            await using var moved = new PracticeDb(PracticeFile.Options(file));
            (await moved.Sessions.MaxAsync(session => session.Day)).ShouldBe(today);
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    private static History Play(int days, out List<MaterialRow> materials)
    {
        var piece = new MaterialRow
        {
            Id = 1,
            Kind = MaterialKind.Piece,
            Title = "Mill Song",
            Area = Area.Repertoire,
            ToBar = 40,
            Target = 100,
            Readiness = Readiness.Shaping,
        };
        materials =
        [
            piece,
            new MaterialRow
            {
                Id = 50,
                Kind = MaterialKind.Book,
                Title = "Tunes",
                Area = Area.SightReading,
                Examples = 900,
            },
        ];
        for (var i = 0; i < 10; i++)
            materials.Add(
                new MaterialRow
                {
                    Id = 2 + i,
                    Kind = MaterialKind.Passage,
                    Piece = piece,
                    PieceId = 1,
                    Area = Area.Repertoire,
                    FromBar = (4 * i) + 1,
                    ToBar = (4 * i) + 2,
                    Readiness = Readiness.Shaping,
                }
            );
        for (var i = 0; i < 5; i++)
            materials.Add(
                new MaterialRow
                {
                    Id = 20 + i,
                    Kind = MaterialKind.Exercise,
                    Title = $"Exercise {i}",
                    Area = Area.Technique,
                    Target = 100,
                }
            );
        var history = new History(new ProfileRow { Family = Family.Strings }, Seed.Routines().First(), seed: 3);
        var start = new DateOnly(2031, 1, 1);
        for (var day = 0; day < days; day++)
        {
            if (day % 5 != 3)
                history.Play(start.AddDays(day), 20 + (day * 7 % 41), materials);
        }

        return history;
    }
}
