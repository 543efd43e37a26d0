using System.IO.Compression;
using System.Text;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Tests.Notation;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Keeping;
using TuningFork.Data.Keeping.Archives;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Data;

public sealed class ArchiveTests : IDisposable
{
    private static readonly DateTime Now = new(2031, 5, 14, 18, 0, 0, DateTimeKind.Utc);

    private readonly string folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task What_was_written_and_read_in_is_the_same_book_in_every_table()
    {
        var demo = await DemoAsync();
        using var archive = new MemoryStream();
        var head = ArchiveWriter.Write(demo, archive, Now, TestContext.Current.CancellationToken);
        head.Rows["Takes"].ShouldBeGreaterThan(500);
        head.Attachments.ShouldBe(1, "two pages of the same bytes are there once");

        var again = PathOf("again.db");
        await ArchiveReader.ReadAsync(archive, again, TestContext.Current.CancellationToken);
        var (before, after) = (Dump(demo), Dump(again));
        after.Keys.ShouldBe(before.Keys);
        foreach (var (table, rows) in before)
            after[table].ShouldBe(rows, table);
        // What is made from the tables is there too: words are found.
        Lines(again, "SELECT count(*) FROM EntryWords WHERE EntryWords MATCH 'march'")[0].ShouldNotBe("0");
    }

    [Fact]
    public async Task Every_table_and_column_is_documented_and_has_a_rule_for_adding()
    {
        var demo = await DemoAsync();
        var text = await File.ReadAllTextAsync(
            Path.Combine(OutsideFiles.Root(), "docs", "archive.md"),
            TestContext.Current.CancellationToken
        );
        using var file = SafeFile.Open(demo, SqliteOpenMode.ReadOnly);
        var tables = BookTables.Of(file);
        foreach (var table in tables)
        {
            var paragraph = text.Split("\n\n").SingleOrDefault(one => one.StartsWith($"**{table}**", StringComparison.Ordinal));
            paragraph.ShouldNotBeNull(table);
            foreach (var column in BookTables.Columns(file, table))
                paragraph.ShouldContain($"`{column}`", Case.Sensitive, $"{table}.{column}");
        }

        MergeRules.All.Select(rule => rule.Table).Order(StringComparer.Ordinal).ShouldBe(tables.Order(StringComparer.Ordinal));
        foreach (var rule in MergeRules.All)
        {
            var columns = BookTables.Columns(file, rule.Table);
            foreach (var column in rule.Same.Concat(rule.State).Concat(rule.Texts).Concat(rule.Points.Select(point => point.Column)))
                columns.ShouldContain(column, rule.Table);
        }
    }

    [Fact]
    public async Task Into_a_filled_book_nothing_comes_twice_and_everything_points_to_the_right_things()
    {
        var demo = await DemoAsync();
        var own = await OwnAsync();
        var before = Dump(own);

        // A trial changes nothing.
        var trial = BookMerge.Add(Copy(demo), own, isTrial: true, TestContext.Current.CancellationToken);
        Dump(own)["Takes"].ShouldBe(before["Takes"]);
        var first = BookMerge.Add(Copy(demo), own, isTrial: false, TestContext.Current.CancellationToken);
        first.ShouldBe(trial);
        first.Single(one => one.Table == "Materials").Known.ShouldBe(2, "the waltz and its bars 8 to 9 were there already");
        Lines(own, "PRAGMA foreign_key_check").ShouldBeEmpty();
        Dump(own)["Facts"].ShouldBe(before["Facts"], "what the other book remembers of itself goes by its own numbers");

        // Each take is still of the thing it was of, by its number and by its key; so are the drills that were planned.
        const string Played = """
            SELECT m.Title || m.FromBar || '|' || count(*) FROM Takes t JOIN Materials m ON m.Id = t.MaterialId
            WHERE t.Key = 'm:' || m.Id OR t.Key LIKE 'm:' || m.Id || ':%' GROUP BY m.Title || m.FromBar ORDER BY 1
            """;
        Lines(own, Played).ShouldBe(Lines(demo, Played));
        const string Planned = """
            SELECT m.Title || m.FromBar || '|' || count(*) FROM SessionDrills d, json_each(d.DrillJson, '$.targets') t
            JOIN Materials m ON m.Id = json_extract(t.value, '$.materialId') GROUP BY m.Title || m.FromBar ORDER BY 1
            """;
        Lines(own, Planned).ShouldBe(Lines(demo, Planned));
        Lines(own, "SELECT Title FROM Materials WHERE Title = 'My own piece'").Count.ShouldBe(1);

        var second = BookMerge.Add(Copy(demo), own, isTrial: false, TestContext.Current.CancellationToken);
        second.Sum(one => one.Added).ShouldBe(0, string.Join(' ', second.Where(one => one.Added > 0)));
    }

    /// <summary>How well something is known: the later day counts, whichever book it is in.</summary>
    [Theory]
    [InlineData(400, false)]
    [InlineData(-400, true)]
    public async Task Of_what_both_know_the_later_day_counts(int daysLater, bool comes)
    {
        var demo = await DemoAsync();
        var own = await OwnAsync();
        var there = Lines(demo, "SELECT LastVisit FROM Materials WHERE FromBar = 8 AND LastVisit IS NOT NULL")[0];
        var here = DateOnly.Parse(there, System.Globalization.CultureInfo.InvariantCulture).AddDays(daysLater);
        await using (var db = new PracticeDb(PracticeFile.Options(own)))
        {
            var row = await db.Materials.FirstAsync(row => row.FromBar == 8, TestContext.Current.CancellationToken);
            (row.LastVisit, row.LastClean) = (here, 41);
            await db.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        BookMerge.Add(Copy(demo), own, isTrial: false, TestContext.Current.CancellationToken);
        Lines(own, "SELECT LastVisit FROM Materials WHERE FromBar = 8")[0]
            .ShouldBe(comes ? there : here.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture));
    }

    [Fact]
    public async Task One_of_an_older_version_is_brought_up_to_date_and_of_a_newer_one_refused_with_its_number()
    {
        var path = PathOf("older.db");
        await using (SafeFile.Open(path, SqliteOpenMode.ReadWriteCreate)) { }
        await using (
            var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite($"Data Source={path};Pooling=False").Options)
        )
        {
            var first = db.Database.GetMigrations().First();
            await db.GetService<IMigrator>().MigrateAsync(first, TestContext.Current.CancellationToken);
        }

        using (var file = SafeFile.Open(path))
            SafeFile.Run(
                file,
                "INSERT INTO Entries (Key, AtUtc, Day, Kind, About, Text) VALUES ('3f2504e0-4f89-11d3-9a0c-0305e82c3301', '2031-05-14 18:00:00', '2031-05-14', 'Note', '', 'From long ago')"
            );
        using var archive = new MemoryStream();
        ArchiveWriter.Write(path, archive, Now, TestContext.Current.CancellationToken).Version.ShouldBe(1);
        var today = PathOf("today.db");
        await ArchiveReader.ReadAsync(archive, today, TestContext.Current.CancellationToken);
        await using (var db = new PracticeDb(PracticeFile.Options(today)))
            (await db.Entries.SingleAsync(TestContext.Current.CancellationToken)).Text.ShouldBe("From long ago");

        using var newer = Changed(archive, "book.json", text =>
            text.Replace("\"version\": 1", "\"version\": 99", StringComparison.Ordinal)
                .Replace("_First", "_Unheard", StringComparison.Ordinal)
        );
        var refused = await Should.ThrowAsync<ArchiveException>(() => ArchiveReader.ReadAsync(newer, PathOf("none.db")));
        refused.Message.ShouldContain("version 99");
        File.Exists(PathOf("none.db")).ShouldBeFalse();
    }

    [Theory]
    [InlineData("a line is cut", "tables/Takes.jsonl")]
    [InlineData("a line is gone", "tables/Takes.jsonl")]
    [InlineData("a column of elsewhere", "tables/Entries.jsonl")]
    [InlineData("a row that belongs to nothing", "tables/Materials.jsonl")]
    [InlineData("an attachment was changed", "attachments/")]
    [InlineData("no head", "book.json")]
    public async Task What_is_damaged_is_refused_and_leaves_nothing(string damage, string where)
    {
        using var archive = new MemoryStream();
        ArchiveWriter.Write(await DemoAsync(), archive, Now, TestContext.Current.CancellationToken);
        using var broken = Changed(archive, where, text => damage switch
            {
                "a line is cut" => text[..^20],
                "a line is gone" => text[(text.IndexOf('\n', StringComparison.Ordinal) + 1)..],
                "a column of elsewhere" => text.Replace("\"Text\":", "\"Elsewhere\":", StringComparison.Ordinal),
                "a row that belongs to nothing" => text.Replace("\"PieceId\":1,", "\"PieceId\":999,", StringComparison.Ordinal),
                "an attachment was changed" => text[..^1] + "?",
                _ => "{}",
            });
        var refused = await Should.ThrowAsync<ArchiveException>(() => ArchiveReader.ReadAsync(broken, PathOf("none.db")));
        refused.Message.ShouldMatch("(Take another copy|Choose the file).*", damage);
        Directory.EnumerateFiles(folder, "none*").ShouldBeEmpty();
    }

    private string PathOf(string name) => Path.Combine(folder, name);

    private string Copy(string path)
    {
        var copy = PathOf($"{Guid.NewGuid():N}.db");
        SafeFile.Copy(path, copy);
        return copy;
    }

    /// <summary>The demo with two pages of the same bytes; made once, and copied for each test.</summary>
    private static readonly Lazy<Task<string>> MadeOnce = new(async () =>
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("tuning-fork-").FullName, "demo.db");
        await DemoFile.PrepareAsync(path, DemoPlayer.Clarinet, new DateOnly(2031, 5, 14));
        await using var db = new PracticeDb(PracticeFile.Options(path));
        var piece = await db.Materials.FirstAsync(row => row.Title == "Ferry Waltz");
        foreach (var name in new[] { "one", "two" })
            db.Pages.Add(
                new PageRow
                {
                    MaterialId = piece.Id,
                    Name = name,
                    ContentType = "application/pdf",
                    Bytes = Encoding.ASCII.GetBytes("%PDF-1.4 a page"),
                }
            );
        await db.SaveChangesAsync();
        return path;
    });

    private async Task<string> DemoAsync()
    {
        var path = PathOf("demo.db");
        if (!File.Exists(path))
            SafeFile.Copy(await MadeOnce.Value, path);
        return path;
    }

    /// <summary>A book of one's own with something of its own, and something that the demo has as well.</summary>
    private async Task<string> OwnAsync()
    {
        var path = PathOf("own.db");
        await PracticeFile.PrepareAsync(path, cancel: TestContext.Current.CancellationToken);
        await using var db = new PracticeDb(PracticeFile.Options(path));
        await Seed.RoutinesAsync(db, TestContext.Current.CancellationToken);
        db.Materials.Add(new MaterialRow { Kind = MaterialKind.Piece, Title = "My own piece" });
        var waltz = new MaterialRow
        {
            Kind = MaterialKind.Piece,
            Title = "Ferry Waltz",
            ToBar = 48,
        };
        db.Materials.Add(waltz);
        db.Materials.Add(
            new MaterialRow
            {
                Kind = MaterialKind.Passage,
                Piece = waltz,
                FromBar = 8,
                ToBar = 9,
            }
        );
        await db.SaveChangesAsync(TestContext.Current.CancellationToken);
        return path;
    }

    /// <summary>Every row of every table, as text.</summary>
    private static SortedDictionary<string, List<string>> Dump(string path)
    {
        using var file = SafeFile.Open(path, SqliteOpenMode.ReadOnly);
        var all = new SortedDictionary<string, List<string>>(StringComparer.Ordinal);
        foreach (var table in BookTables.Of(file))
        {
            var columns = BookTables.Columns(file, table).Select(column => $"quote(\"{column}\")");
            all[table] = [.. SafeFile.Lines(file, $"SELECT {string.Join("||'|'||", columns)} FROM \"{table}\" ORDER BY rowid")];
        }

        return all;
    }

    private static IReadOnlyList<string> Lines(string path, string sql)
    {
        using var file = SafeFile.Open(path, SqliteOpenMode.ReadOnly);
        return SafeFile.Lines(file, sql);
    }

    /// <summary>The same archive with one of its parts changed.</summary>
    private static MemoryStream Changed(MemoryStream archive, string where, Func<string, string> change)
    {
        archive.Position = 0;
        var changed = new MemoryStream();
        using (var from = new ZipArchive(archive, ZipArchiveMode.Read, leaveOpen: true))
        using (var to = new ZipArchive(changed, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var entry in from.Entries)
            {
                using var reader = new StreamReader(entry.Open(), Encoding.UTF8);
                var text = reader.ReadToEnd();
                using var writer = new StreamWriter(to.CreateEntry(entry.FullName).Open(), new UTF8Encoding(false));
                writer.Write(entry.FullName.StartsWith(where, StringComparison.Ordinal) ? change(text) : text);
            }
        }

        return changed;
    }
}
