using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping;

/// <summary>Copies of a file that are whole or not there, and its check. All of it for files that this program alone uses.</summary>
public static class SafeFile
{
    /// <summary>Opens a file for looking after it: not pooled, so that it is closed when this is done with it.</summary>
    /// <exception cref="SqliteException">It cannot be opened.</exception>
    public static SqliteConnection Open(string path, SqliteOpenMode mode = SqliteOpenMode.ReadWrite)
    {
        var file = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
                DefaultTimeout = 5,
            }.ToString()
        );
        file.Open();
        return file;
    }

    /// <summary>
    /// Copies a file as it stands at one moment, also while it is written: under a temporary name, checked, then renamed, so
    /// that under its own name there is a whole copy or none.
    /// </summary>
    /// <param name="from">The file.</param>
    /// <param name="to">Where the copy is to stand; what stands there is replaced.</param>
    /// <param name="change">What is to be changed in the copy before it gets its name; null for nothing.</param>
    /// <exception cref="TroubleException">There is no room, it cannot be written, or what was read is damaged.</exception>
    public static void Copy(string from, string to, Action<SqliteConnection>? change = null)
    {
        var partial = to + ".partial";
        TroubleException? Trouble(Exception problem) =>
            // What is only to be made is not a book that is gone.
            problem is SqliteException { SqliteErrorCode: 14 }
            && File.Exists(from)
            && !File.Exists(partial)
                ? new TroubleException(
                    TroubleKind.Unwritable,
                    $"Nothing can be written to {Path.GetDirectoryName(Path.GetFullPath(to))}. Give the folder its right to be written, or choose another.",
                    problem
                )
                : TroubleException.Of(problem, to);
        try
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
            Delete(partial);
            using (var source = Open(from))
            using (var copy = Open(partial, SqliteOpenMode.ReadWriteCreate))
            {
                source.BackupDatabase(copy);
                // One file, without a log beside it.
                Run(copy, "PRAGMA journal_mode=DELETE");
                change?.Invoke(copy);
                Check(copy, partial);
            }

            Settle(partial);
            File.Move(partial, to, overwrite: true);
        }
        catch (Exception problem) when (Trouble(problem) is not null)
        {
            var trouble = Trouble(problem)!;
            Try(() => Delete(partial));
            throw trouble;
        }
    }

    /// <summary>Checks a file from beginning to end.</summary>
    /// <exception cref="TroubleException">It is damaged.</exception>
    public static void Check(SqliteConnection file, string path)
    {
        var found = Lines(file, "PRAGMA integrity_check(1)");
        if (found is not ["ok"])
            throw new TroubleException(
                TroubleKind.Damaged,
                $"The file {path} is damaged ({(found.Count == 0 ? "no answer" : found[0].ReplaceLineEndings(" "))}). It is left as it is; a backup can take its place."
            );
    }

    /// <summary>Checks a file without writing to it: one that is damaged is left to the last bit as it is, its log too.</summary>
    /// <exception cref="TroubleException">It is damaged.</exception>
    /// <exception cref="SqliteException">It cannot be read at all.</exception>
    public static void CheckOnly(string path)
    {
        using var file = Open(path, SqliteOpenMode.ReadOnly);
        Check(file, path);
    }

    /// <summary>Puts a file that is ready in the place of another, in one step.</summary>
    /// <exception cref="TroubleException">The log of the one that is to go still holds something.</exception>
    public static void Replace(string ready, string path)
    {
        Settle(ready);
        Empty(path);
        File.Move(ready, path, overwrite: true);
    }

    /// <summary>What follows on the name of a file that was put out of the way.</summary>
    internal const string Aside = "-set-aside-";

    /// <summary>Puts a file out of the way, its log with it, under a name that says when; answers that name.</summary>
    public static string SetAside(string path, DateTime now)
    {
        var aside = Path.Combine(
            Path.GetDirectoryName(Path.GetFullPath(path))!,
            $"{Path.GetFileNameWithoutExtension(path)}{Aside}{now:yyyy-MM-dd-HHmmss}.db"
        );
        // The log goes first: left behind alone it would be taken for that of the file that comes.
        foreach (var part in new[] { "-wal", "-shm", "" })
        {
            if (File.Exists(path + part))
                File.Move(path + part, aside + part, overwrite: true);
        }

        return aside;
    }

    /// <summary>Deletes a file and what lies beside it.</summary>
    public static void Delete(string path)
    {
        foreach (var part in new[] { "-wal", "-shm", "-journal", "" })
            File.Delete(path + part);
    }

    /// <summary>The answer of a question, a line each.</summary>
    public static IReadOnlyList<string> Lines(SqliteConnection file, string sql)
    {
        using var command = Command(file, sql);
        using var reader = command.ExecuteReader();
        var lines = new List<string>();
        while (reader.Read())
            lines.Add(reader.GetValue(0).ToString() ?? "");
        return lines;
    }

    /// <summary>Carries something out.</summary>
    public static void Run(SqliteConnection file, string sql)
    {
        using var command = Command(file, sql);
        command.ExecuteNonQuery();
    }

    private static SqliteCommand Command(SqliteConnection file, string sql)
    {
        var command = file.CreateCommand();
#pragma warning disable CA2100 // All sentences stand in this folder; none is made of anything from outside.
        command.CommandText = sql;
#pragma warning restore CA2100
        return command;
    }

    /// <summary>Brings what the log still holds into the file.</summary>
    private static void Empty(string path)
    {
        if (!File.Exists(path + "-wal"))
            return;
        if (!File.Exists(path))
        {
            // A log without its file: it is nobody's now, and must not be taken for that of the one that comes.
            SetAside(path, File.GetLastWriteTimeUtc(path + "-wal"));
            return;
        }

        using (var file = Open(path))
            Run(file, "PRAGMA wal_checkpoint(TRUNCATE)");
        if (new FileInfo(path + "-wal") is { Exists: true, Length: > 0 })
            throw new TroubleException(
                TroubleKind.InUse,
                $"Another program holds {Path.GetFileName(path)} at the moment. Nothing was changed; close it and try again."
            );
        File.Delete(path + "-wal");
        File.Delete(path + "-shm");
    }

    /// <summary>On the disk, not only on its way there.</summary>
    private static void Settle(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.ReadWrite);
        file.Flush(flushToDisk: true);
    }

    private static void Try(Action work)
    {
        try
        {
            work();
        }
        catch (IOException)
        {
            // The trouble that led here is what is told.
        }
    }
}
