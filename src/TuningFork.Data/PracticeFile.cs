using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Data.Keeping;

namespace TuningFork.Data;

/// <summary>Opens a player's file: write-ahead log, foreign keys, migrations, a backup before each migration.</summary>
public static class PracticeFile
{
    /// <summary>How to reach a file.</summary>
    public static string ConnectionString(string path) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Mode = SqliteOpenMode.ReadWrite,
            DefaultTimeout = 10,
        }.ToString();

    /// <summary>Options for a context on a file.</summary>
    public static DbContextOptions<PracticeDb> Options(string path) =>
        new DbContextOptionsBuilder<PracticeDb>().UseSqlite(ConnectionString(path)).Options;

    /// <summary>Whether there is a file with something in it.</summary>
    public static bool IsThere(string path) => new FileInfo(path) is { Exists: true, Length: > 0 };

    /// <summary>
    /// Creates the file, or brings it up to date. The work is done on a copy beside it that takes its place in one step: killed
    /// at any moment, the file is as it was before or as it is to be, and the next start begins anew.
    /// </summary>
    /// <param name="path">The file.</param>
    /// <param name="keep">Keeps the file as it is before a migration changes it; null where it is not worth keeping.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="TroubleException">It is damaged, of a later version, cannot be written, or there is no room. Nothing was
    /// changed.</exception>
    public static async Task PrepareAsync(string path, Action<string>? keep = null, CancellationToken cancel = default)
    {
        var next = path + ".next";
        try
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(path))!);
            SafeFile.Delete(next);
            if (IsThere(path))
            {
                if (Look(path) is not { Count: > 0 } pending)
                    return;
                keep?.Invoke(pending[0]);
                SafeFile.Copy(path, next);
            }

            await MigrateAsync(next, cancel);
            SqliteConnection.ClearAllPools();
            SafeFile.Replace(next, path);
        }
        catch (Exception problem) when (TroubleException.Of(problem, path) is not null)
        {
            throw TroubleException.Of(problem, path)!;
        }
    }

    /// <summary>Checks a file and answers the migrations that are still to come, in order.</summary>
    private static List<string> Look(string path)
    {
        SafeFile.CheckOnly(path);
        using var file = SafeFile.Open(path);
        // Taken and let go again: whether it can be written is found out now, not at the first note.
        SafeFile.Run(file, "BEGIN IMMEDIATE; PRAGMA user_version=0; ROLLBACK");
        var applied =
            SafeFile.Lines(file, "SELECT name FROM sqlite_master WHERE name='__EFMigrationsHistory'").Count == 0
                ? []
                : SafeFile.Lines(file, """SELECT "MigrationId" FROM "__EFMigrationsHistory" """);
        using var db = new PracticeDb(Options(path));
        var known = db.Database.GetMigrations().ToList();
        return applied.Except(known, StringComparer.Ordinal).FirstOrDefault() is null
            ? known.Except(applied, StringComparer.Ordinal).ToList()
            : throw new TroubleException(
                TroubleKind.Newer,
                $"The file {path} was written by a later version of Tuning Fork. Start that version, or put a backup of this one in its place."
            );
    }

    private static async Task MigrateAsync(string path, CancellationToken cancel)
    {
        await using (var file = SafeFile.Open(path, SqliteOpenMode.ReadWriteCreate))
        {
            // A start that was killed leaves the lock of its migration behind; nobody else can hold it in this folder.
            if (SafeFile.Lines(file, "SELECT name FROM sqlite_master WHERE name='__EFMigrationsLock'").Count > 0)
                SafeFile.Run(file, """DELETE FROM "__EFMigrationsLock" """);
        }

        await using (
            var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(ConnectionString(path) + ";Pooling=False").Options)
        )
        {
            await db.Database.MigrateAsync(cancel);
            await AbilityRebuild.RunAsync(db, cancel);
            await MusicRebuild.RunAsync(db, cancel);
        }

        await using var made = SafeFile.Open(path);
        SafeFile.Check(made, path);
        SafeFile.Run(made, "PRAGMA journal_mode=WAL");
    }
}
