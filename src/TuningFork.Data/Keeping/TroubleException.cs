using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping;

/// <summary>Why a file cannot be used.</summary>
public enum TroubleKind
{
    /// <summary>It cannot be read, or its check found faults.</summary>
    Damaged,

    /// <summary>It, or its folder, cannot be written.</summary>
    Unwritable,

    /// <summary>A later version of the program wrote it.</summary>
    Newer,

    /// <summary>The disk is full.</summary>
    NoRoom,

    /// <summary>There was one before, and it is gone or empty.</summary>
    Missing,

    /// <summary>Another program holds it.</summary>
    InUse,
}

/// <summary>A file cannot be used; the message is one sentence for the player, with what to do.</summary>
public sealed class TroubleException(TroubleKind kind, string message, Exception? inner = null) : Exception(message, inner)
{
    public TroubleKind Kind { get; } = kind;

    /// <summary>There was a file, and it is gone or empty.</summary>
    public static TroubleException Gone(string path, Exception? inner = null) =>
        new(
            TroubleKind.Missing,
            $"There was a book in {path} before, and now it is {(File.Exists(path) ? "empty" : "gone")}. Put it back there, take a backup, or begin an empty one.",
            inner
        );

    /// <summary>What a failure of the database, or of the disk, means; null when it is none of these.</summary>
    public static TroubleException? Of(Exception? failure, string path)
    {
        var name = Path.GetFileName(path);
        return failure switch
        {
            null => null,
            TroubleException known => known,
            SqliteException { SqliteErrorCode: 13 } => new(
                TroubleKind.NoRoom,
                $"The disk is full: there is no room to write {path}. Nothing was changed; make room and try again.",
                failure
            ),
            SqliteException { SqliteErrorCode: 14 } when !File.Exists(path) => Gone(path, failure),
            SqliteException { SqliteErrorCode: 8 or 3 or 14 or 23 } => new(
                TroubleKind.Unwritable,
                $"The file {path} cannot be written. Give it and its folder back their right to be written, and try again.",
                failure
            ),
            SqliteException { SqliteErrorCode: 5 or 6 } => new(
                TroubleKind.InUse,
                $"Another program holds {name} at the moment. Nothing was changed; close it and try again.",
                failure
            ),
            SqliteException { SqliteErrorCode: 11 or 26 } => new(
                TroubleKind.Damaged,
                $"The file {path} is damaged and cannot be read. It is left as it is; a backup can take its place.",
                failure
            ),
            SqliteException { SqliteErrorCode: 10 } when new DriveInfo(Path.GetFullPath(path)).AvailableFreeSpace < 1024 * 1024 => new(
                TroubleKind.NoRoom,
                $"The disk is full: there is no room to write {path}. Nothing was changed; make room and try again.",
                failure
            ),
            SqliteException { SqliteErrorCode: 10 } => new(
                TroubleKind.Unwritable,
                $"The disk refuses to read or write {path}. Look after the disk, then try again; a backup lies in the folder beside it.",
                failure
            ),
            IOException { HResult: 28 } => new(
                TroubleKind.NoRoom,
                $"The disk is full: there is no room to write {path}. Nothing was changed; make room and try again.",
                failure
            ),
            // What is refused elsewhere, a folder on another disk or a setting, is named by what it is.
            IOException
            or UnauthorizedAccessException
                when !failure.Message.Contains(path, StringComparison.Ordinal) && failure.Message.Contains('/', StringComparison.Ordinal) =>
                new(
                    TroubleKind.Unwritable,
                    $"{failure.Message.TrimEnd('.')}. Give it back its rights, or look after the disk it lies on, and try again.",
                    failure
                ),
            IOException or UnauthorizedAccessException => new(
                TroubleKind.Unwritable,
                $"The file {path} cannot be written. Give it and its folder back their right to be written, and try again.",
                failure
            ),
            _ => Of(failure.InnerException, path),
        };
    }
}
