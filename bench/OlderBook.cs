using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Keeping;

namespace TuningFork.Bench;

/// <summary>A book as an older version left it, with notes and pages in it, for trying upgrades.</summary>
internal static class OlderBook
{
    private const int PageBytes = 4096;

    /// <summary>The first change that such a book has not seen.</summary>
    private const string FirstAfter = "DatesAndWishes";

    public static async Task MakeAsync(string path, int notes)
    {
        await using (var made = SafeFile.Open(path, SqliteOpenMode.ReadWriteCreate))
            SafeFile.Run(made, "PRAGMA journal_mode=WAL");
        await using (var db = new PracticeDb(PracticeFile.Options(path)))
            await db.Database.MigrateAsync(
                db.Database.GetMigrations().TakeWhile(name => !name.EndsWith(FirstAfter, StringComparison.Ordinal)).Last()
            );
        SqliteConnection.ClearAllPools();
        await using var file = SafeFile.Open(path);
        SafeFile.Run(
            file,
            $"""
            WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < {notes})
            INSERT INTO "Entries" ("Key", "AtUtc", "Day", "Kind", "About", "Text")
            SELECT printf('0A000000-0000-0000-0000-%012d', i), '2031-05-14 18:00:00', '2031-05-14', 'Note', '', 'Note ' || i FROM n
            """
        );
        SafeFile.Run(
            file,
            """INSERT INTO "Materials" ("Kind", "Title", "Area", "FromBar", "ToBar", "BeatsPerBar", "Beat", "Readiness", "Difficulty", "Note", "Resting", "IsScale", "SheetJson", "KeyPlanJson", "WorkJson", "Place", "Serves", "Missing", "Remedy", "Proposed", "PutBack", "Fingering", "Stroke", "Why", "NextExample", "Examples", "PerDay", "Visits", "Slipped", "EasyLastTime", "Stuck", "Version") VALUES ('Piece', 'Mill Song', 'Repertoire', 1, 24, 4, 'quarter', 'Raw', '', '', 0, 0, '', '', '', 0, '', '', '', '', 0, '', '', '', 1, 0, 3, 0, 0, 0, 0, 0)"""
        );
        SafeFile.Run(
            file,
            $"""
            WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < {notes})
            INSERT INTO "Pages" ("MaterialId", "Name", "ContentType", "Bytes") SELECT 1, 'page ' || i, 'image/png', randomblob({PageBytes}) FROM n
            """
        );
    }
}
