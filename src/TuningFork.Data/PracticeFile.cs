using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace TuningFork.Data;

/// <summary>Opens a player's file: write-ahead log, foreign keys, migrations, a copy before each migration.</summary>
public static class PracticeFile
{
    /// <summary>How to reach a file.</summary>
    public static string ConnectionString(string path) => new SqliteConnectionStringBuilder
    {
        DataSource = path,
        ForeignKeys = true,
        Mode = SqliteOpenMode.ReadWriteCreate,
        DefaultTimeout = 10,
    }.ToString();

    /// <summary>Options for a context on a file.</summary>
    public static DbContextOptions<PracticeDb> Options(string path) =>
        new DbContextOptionsBuilder<PracticeDb>().UseSqlite(ConnectionString(path)).Options;

    /// <summary>Creates the file or brings it up to date; the file as it was is kept beside it before a migration.</summary>
    public static async Task PrepareAsync(string path, CancellationToken cancel = default)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(path))!);
        var existed = File.Exists(path);
        await using var db = new PracticeDb(Options(path));
        var pending = (await db.Database.GetPendingMigrationsAsync(cancel)).ToList();
        if (pending.Count == 0)
            return;
        if (existed)
            await CopyAsync(db, $"{path}.before-{pending[0]}", cancel);
        await db.Database.MigrateAsync(cancel);
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL", cancel);
    }

    private static async Task CopyAsync(PracticeDb db, string to, CancellationToken cancel)
    {
        if (!File.Exists(to))
            await db.Database.ExecuteSqlAsync($"VACUUM INTO {to}", cancel);
    }
}
