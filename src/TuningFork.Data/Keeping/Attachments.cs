using System.Security.Cryptography;
using System.Text;
using Microsoft.Data.Sqlite;
using TuningFork.Data.Keeping.Archives;

namespace TuningFork.Data.Keeping;

/// <summary>
/// What was attached to a book, kept once for all its backups: in a backup stands only what each is called, a hash of its bytes; the
/// bytes lie in a folder beside the backups.
/// </summary>
/// <param name="folder">The folder.</param>
public sealed class Attachments(string folder)
{
    /// <summary>No file begins so: a zero, then what it is.</summary>
    private static readonly byte[] Mark = "\0attachment:"u8.ToArray();

    private const int HashLength = 64;

    /// <summary>Takes what is attached out of a copy of a book, and keeps it in the folder.</summary>
    /// <exception cref="IOException">There is no room, or the folder cannot be written.</exception>
    public void TakeOut(SqliteConnection copy)
    {
        var some = false;
        foreach (var (place, bytes) in In(copy).Where(one => HashOf(one.Bytes) is null))
        {
            var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
            Keep(hash, bytes);
            place.Put(copy, [.. Mark, .. Encoding.ASCII.GetBytes(hash)]);
            some = true;
        }

        if (some)
            SafeFile.Run(copy, "VACUUM");
    }

    /// <summary>Puts it in again.</summary>
    /// <exception cref="TroubleException">Something is missing from the folder, or is not what it was.</exception>
    public void PutIn(SqliteConnection copy)
    {
        foreach (var (place, bytes) in In(copy))
        {
            if (HashOf(bytes) is { } hash)
                place.Put(copy, Read(hash));
        }
    }

    /// <summary>Hashes of what a backup needs from the folder.</summary>
    public static IReadOnlyList<string> NeededBy(SqliteConnection backup) =>
        [.. In(backup).Select(one => HashOf(one.Bytes)).OfType<string>().Distinct(StringComparer.Ordinal)];

    /// <summary>Whether everything that a backup needs is there.</summary>
    public bool Has(IEnumerable<string> hashes) => hashes.All(hash => File.Exists(PathOf(hash)));

    /// <summary>Copies what another folder lacks.</summary>
    public void CopyTo(Attachments other, IEnumerable<string> hashes)
    {
        ArgumentNullException.ThrowIfNull(other);
        foreach (var hash in hashes.Where(hash => !File.Exists(other.PathOf(hash))))
            other.Keep(hash, Read(hash));
    }

    /// <summary>Removes what no backup needs any more.</summary>
    public void KeepOnly(IReadOnlySet<string> needed)
    {
        if (!Directory.Exists(folder))
            return;
        foreach (var path in Directory.EnumerateFiles(folder).Where(path => !needed.Contains(Path.GetFileName(path))))
            File.Delete(path);
    }

    private string PathOf(string hash) => Path.Combine(folder, hash);

    /// <summary>Written under a temporary name: under its own there is a whole file or none.</summary>
    private void Keep(string hash, byte[] bytes)
    {
        if (File.Exists(PathOf(hash)))
            return;
        Directory.CreateDirectory(folder);
        var partial = PathOf(hash) + ".partial";
        using (var file = new FileStream(partial, FileMode.Create, FileAccess.Write))
        {
            file.Write(bytes);
            file.Flush(flushToDisk: true);
        }

        File.Move(partial, PathOf(hash), overwrite: true);
    }

    private byte[] Read(string hash)
    {
        if (File.Exists(PathOf(hash)) && File.ReadAllBytes(PathOf(hash)) is var bytes)
        {
            if (Convert.ToHexStringLower(SHA256.HashData(bytes)) == hash)
                return bytes;
        }

        throw new TroubleException(
            TroubleKind.Damaged,
            $"Something that was attached to the book is missing from {folder}, or was changed there. Put the folder back beside the backups, or choose another backup. Nothing was changed."
        );
    }

    private static string? HashOf(byte[] bytes) =>
        bytes.Length == Mark.Length + HashLength && bytes.AsSpan().StartsWith(Mark)
            ? Encoding.ASCII.GetString(bytes, Mark.Length, HashLength)
            : null;

    /// <summary>Everything that is attached, in whatever table: one at a time, the largest may be some megabytes.</summary>
    private static IEnumerable<(Place Place, byte[] Bytes)> In(SqliteConnection book)
    {
        foreach (var table in BookTables.Of(book))
        {
            var columns = SafeFile.Lines(book, $"SELECT name FROM pragma_table_info('{table}') WHERE type='BLOB'");
            foreach (var column in columns)
            {
                foreach (var row in SafeFile.Lines(book, $"SELECT rowid FROM {BookTables.Quoted(table)}"))
                {
                    var place = new Place(table, column, long.Parse(row, System.Globalization.CultureInfo.InvariantCulture));
                    yield return (place, place.Get(book));
                }
            }
        }
    }

    private sealed record Place(string Table, string Column, long Row)
    {
        public byte[] Get(SqliteConnection book)
        {
            using var command = BookTables.Command(
                book,
                $"SELECT {BookTables.Quoted(Column)} FROM {BookTables.Quoted(Table)} WHERE rowid=$row"
            );
            command.Parameters.AddWithValue("$row", Row);
            return command.ExecuteScalar() as byte[] ?? [];
        }

        public void Put(SqliteConnection book, byte[] bytes)
        {
            using var command = BookTables.Command(
                book,
                $"UPDATE {BookTables.Quoted(Table)} SET {BookTables.Quoted(Column)}=$bytes WHERE rowid=$row"
            );
            command.Parameters.AddWithValue("$bytes", bytes);
            command.Parameters.AddWithValue("$row", Row);
            command.ExecuteNonQuery();
        }
    }
}
