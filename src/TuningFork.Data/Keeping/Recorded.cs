using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping;

/// <summary>Which recordings stand in a book, or in a backup of it.</summary>
internal static class Recorded
{
    /// <summary>Their keys; none where the book is older than recordings are.</summary>
    public static IReadOnlyList<Guid> In(SqliteConnection book) =>
        SafeFile.Lines(book, "SELECT name FROM sqlite_master WHERE name='Recordings'").Count == 0
            ? []
            :
            [
                .. SafeFile
                    .Lines(book, """SELECT "Key" FROM "Recordings" ORDER BY "Id" """)
                    // A key that is none names no sound; the rest of the book does not suffer from it.
                    .Select(key => Guid.TryParse(key, out var known) ? known : (Guid?)null)
                    .OfType<Guid>(),
            ];

    /// <summary>The same of a file; null when it cannot be read.</summary>
    public static IReadOnlyList<Guid>? In(string path)
    {
        try
        {
            using var book = SafeFile.Open(path, SqliteOpenMode.ReadOnly);
            return In(book);
        }
        catch (SqliteException)
        {
            return null;
        }
    }
}
