using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>
/// Writes everything of a book into one file that other programs can read too: a zip with a head (book.json), a file of JSON lines for
/// each table, and what was attached as it came, each once (docs/archive.md).
/// </summary>
public static class ArchiveWriter
{
    private const string Attachment = "attachment";

    /// <summary>Writes the archive of a book as it stands at one moment, also while it is written.</summary>
    /// <param name="path">The book.</param>
    /// <param name="to">Where the archive goes.</param>
    /// <param name="nowUtc">Now.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="SqliteException">The book cannot be read.</exception>
    public static ArchiveHead Write(string path, Stream to, DateTime nowUtc, CancellationToken cancel = default)
    {
        using var book = SafeFile.Open(path, SqliteOpenMode.ReadOnly);
        // One reading from the first table to the last: what is written meanwhile is not seen.
        using var moment = book.BeginTransaction(deferred: true);
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var rows = new Dictionary<string, int>(StringComparer.Ordinal);
        var hashes = new Dictionary<string, string>(StringComparer.Ordinal);
        var attached = new Dictionary<string, Place>(StringComparer.Ordinal);
        foreach (var table in BookTables.Of(book))
            (rows[table], hashes[table]) = WriteTable(book, zip, table, attached, cancel);
        foreach (var (hash, place) in attached)
        {
            cancel.ThrowIfCancellationRequested();
            // Pictures, scans and sound are packed already.
            using var entry = zip.CreateEntry(ArchiveHead.AttachmentEntry(hash), CompressionLevel.NoCompression).Open();
            entry.Write(Bytes(book, place));
        }

        var sounds = ArchiveSounds.Write(zip, Sounds.Of(path), Recorded.In(book), cancel);
        var schemas = SafeFile.Lines(book, """SELECT "MigrationId" FROM "__EFMigrationsHistory" ORDER BY "MigrationId" """);
        var head = new ArchiveHead(ArchiveHead.Name, schemas.Count, schemas[^1], nowUtc, rows, attached.Count, sounds, hashes);
        using var last = zip.CreateEntry(ArchiveHead.Entry).Open();
        JsonSerializer.Serialize(last, head, ArchiveReader.Json);
        return head;
    }

    private static (int Rows, string Hash) WriteTable(
        SqliteConnection book,
        ZipArchive zip,
        string table,
        Dictionary<string, Place> attached,
        CancellationToken cancel
    )
    {
        using var entry = zip.CreateEntry(ArchiveHead.TableEntry(table)).Open();
        using var sha = SHA256.Create();
        using var hashed = new CryptoStream(entry, sha, CryptoStreamMode.Write, leaveOpen: true);
        using var lines = new BufferedStream(hashed, 1 << 16);
        using var json = new Utf8JsonWriter(lines);
        using var command = BookTables.Command(book, $"SELECT rowid AS \"row number\", * FROM {BookTables.Quoted(table)} ORDER BY 1");
        using var reader = command.ExecuteReader();
        var count = 0;
        while (reader.Read())
        {
            cancel.ThrowIfCancellationRequested();
            json.WriteStartObject();
            for (var i = 1; i < reader.FieldCount; i++)
                WriteValue(json, reader, i, hash => attached.TryAdd(hash, new Place(table, reader.GetName(i), reader.GetInt64(0))));
            json.WriteEndObject();
            json.Flush();
            json.Reset();
            lines.WriteByte((byte)'\n');
            count++;
        }

        lines.Flush();
        hashed.FlushFinalBlock();
        return (count, Convert.ToHexStringLower(sha.Hash!));
    }

    private static void WriteValue(Utf8JsonWriter json, SqliteDataReader reader, int i, Action<string> attach)
    {
        json.WritePropertyName(reader.GetName(i));
        switch (reader.GetValue(i))
        {
            case long number:
                json.WriteNumberValue(number);
                break;
            case double number:
                json.WriteNumberValue(number);
                break;
            case string text:
                json.WriteStringValue(text);
                break;
            case byte[] bytes:
                var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
                attach(hash);
                json.WriteStartObject();
                json.WriteString(Attachment, hash);
                json.WriteEndObject();
                break;
            default:
                json.WriteNullValue();
                break;
        }
    }

    private static byte[] Bytes(SqliteConnection book, Place place)
    {
        using var command = BookTables.Command(
            book,
            $"SELECT {BookTables.Quoted(place.Column)} FROM {BookTables.Quoted(place.Table)} WHERE rowid = $row"
        );
        command.Parameters.AddWithValue("$row", place.Row);
        return (byte[])command.ExecuteScalar()!;
    }

    /// <summary>Where bytes stand in the book.</summary>
    private sealed record Place(string Table, string Column, long Row);
}
