using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>The file comes up after anything, and there is a way back.</summary>
public sealed class KeepingTests : IDisposable
{
    private static readonly DateTime Noon = new(2031, 5, 14, 12, 0, 0, DateTimeKind.Utc);

    private readonly string folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;

    private string Book => Path.Combine(folder, "own.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_file_that_was_left_with_the_lock_of_a_migration_is_brought_up_to_date()
    {
        await OlderAsync();
        using (var file = SafeFile.Open(Book))
            SafeFile.Run(
                file,
                """CREATE TABLE IF NOT EXISTS "__EFMigrationsLock" ("Id" INTEGER PRIMARY KEY, "Timestamp" TEXT NOT NULL); INSERT OR REPLACE INTO "__EFMigrationsLock" VALUES (1, '2031-05-14')"""
            );
        await PracticeFile.PrepareAsync(Book).WaitAsync(TimeSpan.FromSeconds(30));
        (await NotesAsync()).ShouldBe(["Before the upgrade."]);
    }

    [Theory]
    [InlineData("own.db.next", "half of a copy")]
    [InlineData("own.db.next-wal", "a log of it")]
    [InlineData("own.db.partial", "torn")]
    public async Task What_a_killed_start_left_behind_is_in_nobodys_way(string left, string text)
    {
        await File.WriteAllTextAsync(Path.Combine(folder, left), text);
        await PracticeFile.PrepareAsync(Book);
        await WriteAsync("Here.");
        await File.WriteAllTextAsync(Path.Combine(folder, left), text);
        await PracticeFile.PrepareAsync(Book);
        (await NotesAsync()).ShouldBe(["Here."]);
    }

    [Fact]
    public async Task An_upgrade_is_backed_up_first_and_not_done_when_that_fails()
    {
        await OlderAsync();
        var backups = new Backups(Book);
        var failed = await Should.ThrowAsync<TroubleException>(() =>
            PracticeFile.PrepareAsync(Book, _ => throw new TroubleException(TroubleKind.NoRoom, "The disk is full."))
        );
        failed.Kind.ShouldBe(TroubleKind.NoRoom);
        Pending().ShouldBeTrue("nothing was migrated");
        // A torn copy of a try before is not taken for one.
        Directory.CreateDirectory(backups.Folder);
        await File.WriteAllTextAsync(Path.Combine(backups.Folder, "2031-05-14T120000Z.BeforeUpgrade.db"), "torn");
        await PracticeFile.PrepareAsync(Book, _ => backups.Make(BackupKind.BeforeUpgrade, Noon));
        Pending().ShouldBeFalse();
        backups.All().ShouldHaveSingleItem().Contents!.Notes.ShouldBe(1);
    }

    [Fact]
    public async Task What_the_player_can_do_is_estimated_once_from_all_takes_of_an_older_book()
    {
        await OlderAsync("DatesAndWishes");
        await using (var old = Open())
        {
            await old.Database.ExecuteSqlRawAsync(
                """INSERT INTO "Materials" ("Id","Kind","Title","Area","FromBar","ToBar","BeatsPerBar","Beat","Target","Readiness","Difficulty","Note","Resting","IsScale","SheetJson","KeyPlanJson","WorkJson","Place","Serves","Missing","Remedy","Proposed","PutBack","Fingering","Stroke","Why","NextExample","Examples","PerDay","LastVisit","Visits","Slipped","EasyLastTime","Stuck","LastClean","Version") VALUES (1,'Exercise','Run','Technique',1,4,4,'quarter',120,'Raw','','',0,0,'','','',0,'','','','',0,'','','',1,0,3,'2031-05-06',6,0,0,0,43,1)"""
            );
            for (var day = 1; day <= 6; day++)
            {
                var (on, tries, clean) = ($"2031-05-0{day}", day < 6 ? "84+ 86+ 88+ 92-" : "43+ 43+ 43+ 43+", day < 6 ? 88 : 43);
                await old.Database.ExecuteSqlAsync(
                    $"""INSERT INTO "Visits" ("MaterialId","Day","Tries","Takes","CleanTakes","Clean") VALUES (1,{on},{tries},4,3,{clean})"""
                );
            }
        }

        // Music was kept as text; what cannot be read stays as it was.
        await using (var old = Open())
            await old.Database.ExecuteSqlRawAsync(
                """INSERT INTO "Music" ("MaterialId","Abc","LeftOut") VALUES (1,'X:1' || char(10) || 'M:3/4' || char(10) || 'K:F' || char(10) || 'F2 G2 A2|]','')"""
            );
        SqliteConnection.ClearAllPools();
        await PracticeFile.PrepareAsync(Book);
        await using var db = Open();
        var music = await db.Music.SingleAsync();
        (music.Abc, ScoreJson.Read(music.Score).Lead.Bars[0].Elements.Count).ShouldBe(("", 3));
        var row = await db.Materials.SingleAsync();
        Math.Exp(row.ReachLog!.Value).ShouldBeInRange(80, 95, "the slow anchor of the last day does not hide what can be done");
        (row.Best, row.LastClean).ShouldBe((88, 43));
        (await db.Visits.CountAsync(visit => visit.ReachLog != null)).ShouldBe(6);
    }

    [Fact]
    public async Task What_cannot_be_used_is_said_in_one_sentence_and_left_as_it_is()
    {
        await PracticeFile.PrepareAsync(Book);
        for (var i = 0; i < 200; i++)
            await WriteAsync($"Note {i}, with some words so that it takes room.");
        SqliteConnection.ClearAllPools();
        var whole = await File.ReadAllBytesAsync(Book);
        foreach (
            var (name, bytes) in new (string, byte[])[]
            {
                ("text", "This is a letter, not a book."u8.ToArray()),
                ("cut", whole[..(whole.Length / 3)]),
                ("flipped header", [.. whole.Select((one, i) => i is > 16 and < 90 ? (byte)~one : one)]),
                ("zeroed pages", [.. whole.Select((one, i) => i > whole.Length / 2 ? (byte)0 : one)]),
            }
        )
        {
            await File.WriteAllBytesAsync(Book, bytes);
            var trouble = await Should.ThrowAsync<TroubleException>(() => PracticeFile.PrepareAsync(Book), name);
            trouble.Kind.ShouldBe(TroubleKind.Damaged, name);
            trouble.Message.ShouldNotContain("\n");
            (await File.ReadAllBytesAsync(Book)).ShouldBe(bytes, name);
        }

        await File.WriteAllBytesAsync(Book, whole);
        using (var file = SafeFile.Open(Book))
            SafeFile.Run(file, """INSERT INTO "__EFMigrationsHistory" VALUES ('20990101000000_Later', '99.0.0')""");
        (await Should.ThrowAsync<TroubleException>(() => PracticeFile.PrepareAsync(Book))).Kind.ShouldBe(TroubleKind.Newer);
    }

    [Fact]
    public async Task Days_are_kept_one_a_day_and_only_when_something_changed()
    {
        await PracticeFile.PrepareAsync(Book);
        var backups = new Backups(Book);
        backups.MakeDaily(Noon, TimeZoneInfo.Utc);
        backups.All().ShouldBeEmpty("an empty book is not worth one");
        for (var day = 0; day < 20; day++)
        {
            await WriteAsync($"Day {day}");
            var at = Noon.AddDays(day);
            File.SetLastWriteTimeUtc(Book, DateTime.UtcNow.AddHours(1));
            backups.MakeDaily(at, TimeZoneInfo.Utc);
            backups.MakeDaily(at.AddHours(2), TimeZoneInfo.Utc);
        }

        var kept = backups.All();
        // Fourteen days, and of the week before them the last one: Sunday, 18 May.
        kept.Count.ShouldBe(15);
        kept[0].TakenUtc.ShouldBe(Noon.AddDays(19));
        kept[0].Contents!.Notes.ShouldBe(20);
        kept[^2].Contents!.Notes.ShouldBe(7);
        kept[^1].Contents!.Notes.ShouldBe(5);
        SqliteConnection.ClearAllPools();
        foreach (var part in new[] { Book, Book + "-wal" }.Where(File.Exists))
            File.SetLastWriteTimeUtc(part, DateTime.UtcNow.AddDays(-1));
        backups.MakeDaily(Noon.AddDays(20), TimeZoneInfo.Utc);
        backups.All()[0].TakenUtc.ShouldBe(Noon.AddDays(19), "nothing has changed since");
    }

    /// <summary>Fourteen days, eight weeks, twelve months, as anybody counts them on a calendar.</summary>
    [Fact]
    public void Of_years_of_days_some_weeks_and_months_stay()
    {
        var last = new DateTime(2031, 5, 14, 18, 0, 0, DateTimeKind.Utc);
        var kept = Retention
            .Kept(Enumerable.Range(0, 900).Select(back => last.AddDays(-back)))
            .Select(DateOnly.FromDateTime)
            .Order()
            .ToList();
        var days = Enumerable.Range(0, 14).Select(back => DateOnly.FromDateTime(last).AddDays(-back));
        // The week of 14 May and seven Sundays before it.
        var sundays = Enumerable.Range(0, 7).Select(back => new DateOnly(2031, 5, 11).AddDays(-7 * back));
        var months = Enumerable.Range(0, 11).Select(back => new DateOnly(2031, 5, 1).AddMonths(-back).AddDays(-1));
        kept.ShouldBe(days.Concat(sundays).Concat(months).Distinct().Order());
    }

    /// <summary>A clock that was years ahead leaves backups of days to come: the one of today stays all the same.</summary>
    [Fact]
    public async Task A_backup_of_today_stays_beside_those_of_a_clock_that_was_ahead()
    {
        await PracticeFile.PrepareAsync(Book);
        await WriteAsync("Here.");
        var backups = new Backups(Book);
        for (var day = 0; day < 40; day++)
            backups.Make(BackupKind.Daily, Noon.AddYears(5).AddDays(day));
        await File.WriteAllTextAsync(Path.Combine(backups.Folder, "2031-05-13T120000Z.Daily.db.partial"), "half");
        var today = backups.Make(BackupKind.Daily, Noon);
        backups.All().ShouldContain(backup => backup.Name == today);
        Directory.GetFiles(backups.Folder, "*.partial").ShouldBeEmpty();
    }

    [Fact]
    public async Task What_is_attached_lies_beside_the_backups_once_and_goes_with_the_last_that_needs_it()
    {
        await PracticeFile.PrepareAsync(Book);
        await AttachAsync("Mill Song", [.. Enumerable.Range(0, 300_000).Select(i => (byte)(i * 7 / 3))]);
        var backups = new Backups(Book);
        for (var hour = 0; hour < 3; hour++)
            backups.Make(BackupKind.ByHand, Noon.AddHours(hour));
        var attachments = Path.Combine(backups.Folder, "attachments");
        Directory.GetFiles(attachments).Length.ShouldBe(1);
        Directory.GetFiles(backups.Folder).Max(path => new FileInfo(path).Length).ShouldBeLessThan(450_000, "a book without the picture");
        var before = await PagesAsync();

        // On another disk it is the same, and from there it comes back too.
        var other = new Backups(Book, Path.Combine(folder, "stick"));
        backups.CopyNewestTo(other).ShouldBeTrue();
        backups.CopyNewestTo(other).ShouldBeFalse("it is there already");
        await using (var db = Open())
            await db.Pages.ExecuteDeleteAsync();
        backups.Restore(other.All()[0].Name, Noon.AddDays(1), other);
        (await PagesAsync()).ShouldBe(before);

        File.Delete(Directory.GetFiles(attachments)[0]);
        backups.All().Count(backup => backup.Contents is null).ShouldBe(3, "what is missing is seen before it is needed");
        Should.Throw<TroubleException>(() => backups.Restore(backups.All()[^1].Name, Noon.AddDays(2))).Message.ShouldContain("attached");
        (await PagesAsync()).ShouldBe(before, "nothing has changed");

        await using (var db = Open())
            await db.Pages.ExecuteDeleteAsync();
        for (var hour = 0; hour < Backups.Kept; hour++)
        {
            other.Make(BackupKind.ByHand, Noon.AddDays(3).AddHours(hour));
            Directory.GetFiles(Path.Combine(other.Folder, "attachments")).Length.ShouldBe(hour < Backups.Kept - 1 ? 1 : 0);
        }
    }

    [Theory]
    [InlineData("stick")]
    [InlineData("/nowhere/at/all")]
    [InlineData("{data}")]
    [InlineData("{data}/backups")]
    [InlineData("/proc")]
    public void A_folder_that_cannot_hold_copies_is_refused_in_a_sentence(string wished)
    {
        var second = new SecondCopy(folder, Book);
        Directory.CreateDirectory(Path.Combine(folder, "backups"));
        Should
            .Throw<FolderException>(() => second.Choose(wished.Replace("{data}", folder, StringComparison.Ordinal)))
            .Message.ShouldEndWith(".");
        second.Folder.ShouldBeNull();
    }

    [Fact]
    public void A_folder_is_kept_may_be_away_and_is_let_go()
    {
        var stick = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        var second = new SecondCopy(folder, Book);
        second.Choose(stick);
        var copies = second.Backups!.Folder;
        new SecondCopy(folder, Book).Folder.ShouldBe(copies);
        second.Choose(copies);
        second.Folder.ShouldBe(copies, "the folder itself is as good as the one it lies in");
        Directory.Delete(stick, recursive: true);
        second.Backups.ShouldBeNull();
        second.Folder.ShouldBe(copies);
        second.Choose("");
        second.Folder.ShouldBeNull();
    }

    private async Task AttachAsync(string title, byte[] bytes)
    {
        await using var db = Open();
        var piece = new MaterialRow { Title = title, Kind = TuningFork.Core.Practice.MaterialKind.Piece };
        db.Pages.Add(
            new PageRow
            {
                Material = piece,
                Name = "Page",
                ContentType = "image/png",
                Bytes = bytes,
            }
        );
        await db.SaveChangesAsync();
    }

    private async Task<List<string>> PagesAsync()
    {
        SqliteConnection.ClearAllPools();
        await using var db = Open();
        return [.. (await db.Pages.ToListAsync()).Select(page => $"{page.Name} {Convert.ToBase64String(page.Bytes)}")];
    }

    [Fact]
    public async Task A_backup_brings_everything_back_pages_too_and_the_way_back_from_it_stays_open()
    {
        await PracticeFile.PrepareAsync(Book);
        await WriteAsync("Monday.");
        await using (var db = Open())
        {
            var piece = new MaterialRow { Title = "Mill Song", Kind = TuningFork.Core.Practice.MaterialKind.Piece };
            db.Pages.Add(
                new PageRow
                {
                    Material = piece,
                    Name = "page 1",
                    ContentType = "image/png",
                    Bytes = [1, 2, 3, 4],
                }
            );
            await db.SaveChangesAsync();
        }

        var backups = new Backups(Book);
        var monday = backups.Make(BackupKind.Daily, Noon);
        await WriteAsync("Tuesday.");
        SqliteConnection.ClearAllPools();
        backups.Restore(monday, Noon.AddDays(1));
        (await NotesAsync()).ShouldBe(["Monday."]);
        await using (var db = Open())
            (await db.Pages.SingleAsync()).Bytes.ShouldBe([1, 2, 3, 4]);
        SqliteConnection.ClearAllPools();
        backups.Restore(backups.All().First(backup => backup.Kind == BackupKind.BeforeRestore).Name, Noon.AddDays(2));
        (await NotesAsync()).ShouldBe(["Monday.", "Tuesday."]);
    }

    [Fact]
    public async Task A_damaged_file_is_set_aside_when_a_backup_takes_its_place()
    {
        await PracticeFile.PrepareAsync(Book);
        await WriteAsync("Monday.");
        var backups = new Backups(Book);
        var monday = backups.Make(BackupKind.Daily, Noon);
        SqliteConnection.ClearAllPools();
        await File.WriteAllTextAsync(Book, "damaged");
        await File.WriteAllTextAsync(Book + "-wal", "its log");
        backups.Restore(monday, Noon);
        (await NotesAsync()).ShouldBe(["Monday."]);
        var aside = Directory.GetFiles(folder, "own-set-aside-*.db").ShouldHaveSingleItem();
        (await File.ReadAllTextAsync(aside)).ShouldBe("damaged");
        (await File.ReadAllTextAsync(aside + "-wal")).ShouldBe("its log");
    }

    [Fact]
    public async Task A_book_in_the_old_place_is_taken_along_once()
    {
        var old = Path.Combine(folder, "old", "own.db");
        await PracticeFile.PrepareAsync(old);
        await using (var db = new PracticeDb(PracticeFile.Options(old)))
        {
            db.Entries.Add(new EntryRow { Key = Guid.NewGuid(), Text = "From before." });
            await db.SaveChangesAsync();
        }

        SqliteConnection.ClearAllPools();
        TakeAlong.Book(old, Book).ShouldNotBeNull().ShouldContain("taken along");
        (await NotesAsync()).ShouldBe(["From before."]);
        File.Exists(old).ShouldBeFalse();
        PracticeFile.IsThere(Path.Combine(folder, "old", "own-taken-along.db")).ShouldBeTrue("nothing is deleted");
        TakeAlong.Book(old, Book).ShouldBeNull();
        await PracticeFile.PrepareAsync(old);
        TakeAlong.Book(old, Book).ShouldBeNull("what lies in the new place is not overwritten");
    }

    private PracticeDb Open() => new(PracticeFile.Options(Book));

    private async Task WriteAsync(string text)
    {
        await using var db = Open();
        db.Entries.Add(new EntryRow { Key = Guid.NewGuid(), Text = text });
        await db.SaveChangesAsync();
    }

    private async Task<List<string>> NotesAsync()
    {
        await using var db = Open();
        return await db.Entries.OrderBy(entry => entry.Id).Select(entry => entry.Text).ToListAsync();
    }

    /// <summary>A file as the version before this one left it, with a note in it.</summary>
    /// <summary>A book of the version before this one, or before a change by its name.</summary>
    private async Task OlderAsync(string? change = null)
    {
        await using (var made = SafeFile.Open(Book, SqliteOpenMode.ReadWriteCreate))
            SafeFile.Run(made, "PRAGMA journal_mode=WAL");
        await using var db = Open();
        var all = db.Database.GetMigrations().ToList();
        var before = change is null ? all[^2] : all[all.FindIndex(name => name.EndsWith(change, StringComparison.Ordinal)) - 1];
        await db.Database.MigrateAsync(before);
        await db.Database.ExecuteSqlRawAsync(
            """INSERT INTO "Entries" ("Key", "AtUtc", "Day", "Kind", "About", "Text") VALUES ('0A000000-0000-0000-0000-000000000001', '2031-05-14 18:00:00', '2031-05-14', 'Note', '', 'Before the upgrade.')"""
        );
        SqliteConnection.ClearAllPools();
    }

    private bool Pending()
    {
        using var db = Open();
        return db.Database.GetPendingMigrations().Any();
    }
}
