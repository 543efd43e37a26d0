using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>Reads an archive into a file of its own, brings it up to date, and checks it.</summary>
public static class ArchiveReader
{
    /// <summary>Bytes of one line, one attachment, and of everything unpacked: what is larger was not written by this program.</summary>
    private const int LongestLine = 32 << 20;
    private const int LargestAttachment = 256 << 20;
    private const long LargestTable = 4L << 30;
    private const long LongestHead = 1 << 20;

    internal static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    /// <summary>What an archive says of itself.</summary>
    /// <param name="archive">The archive; it can be read from any place.</param>
    /// <exception cref="ArchiveException">It is none, or a later version wrote it.</exception>
    public static ArchiveHead Head(Stream archive)
    {
        using var zip = Open(archive);
        return Head(zip);
    }

    /// <summary>Makes a book of an archive.</summary>
    /// <param name="archive">The archive; it can be read from any place.</param>
    /// <param name="path">Where the book is to stand; what stands there is replaced.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="ArchiveException">It is none, is damaged, or a later version wrote it; nothing is left at the path.</exception>
    /// <exception cref="TroubleException">There is no room, or it cannot be written.</exception>
    public static async Task<ArchiveHead> ReadAsync(Stream archive, string path, CancellationToken cancel = default)
    {
        try
        {
            using var zip = Open(archive);
            var head = Head(zip);
            SafeFile.Delete(path);
            await EmptyAsync(path, head.Schema, cancel);
            var room = new ArchiveRoom(archive.Length, path);
            Fill(zip, head, path, room, cancel);
            await ArchiveSounds.ReadAsync(zip, head, SoundsOf(path), room, cancel);
            await PracticeFile.PrepareAsync(path, cancel: cancel);
            // As the program reads it: what would take a page down later is refused now.
            if (BookCheck.FirstOf(path, cancel) is { } fault)
                throw Damaged(fault.Words);
            return head;
        }
        catch (Exception problem)
        {
            SqliteConnection.ClearAllPools();
            SafeFile.Delete(path);
            SafeFile.Delete(path + ".next");
            SoundsOf(path).Clear();
            if (problem is InvalidDataException or JsonException or DecoderFallbackException)
                throw Damaged(problem.Message, problem);
            if (problem is SqliteException { SqliteErrorCode: SqliteConstraint or SqliteMismatch })
                throw Damaged(problem.Message, problem);
            throw;
        }
    }

    /// <summary>Where the sound lies that came with a book that was read.</summary>
    public static Sounds SoundsOf(string path) => new(path + ".sounds");

    private const int SqliteConstraint = 19;
    private const int SqliteMismatch = 20;

    private static ZipArchive Open(Stream archive)
    {
        try
        {
            return new ZipArchive(archive, ZipArchiveMode.Read, leaveOpen: true);
        }
        catch (InvalidDataException problem)
        {
            throw new ArchiveException(
                "This is no archive of a book: it is not a zip file. Choose the file that was written here.",
                problem
            );
        }
    }

    private static ArchiveHead Head(ZipArchive zip)
    {
        var entry = zip.GetEntry(ArchiveHead.Entry);
        if (entry is null || entry.Length > LongestHead)
            throw new ArchiveException("This is no archive of a book: book.json is not in it. Choose the file that was written here.");
        ArchiveHead? head;
        try
        {
            using var text = entry.Open();
            head = JsonSerializer.Deserialize<ArchiveHead>(text, Json);
        }
        catch (Exception problem) when (problem is JsonException or InvalidDataException)
        {
            throw Damaged("book.json cannot be read", problem);
        }

        if (head is not { Format: ArchiveHead.Name, Schema: not null, Rows: not null })
            throw new ArchiveException("This is no archive of a book: its format is another. Choose the file that was written here.");
        var known = Schemas();
        if (!known.Contains(head.Schema, StringComparer.Ordinal))
            throw new ArchiveException(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"This archive has version {head.Version}; this program reads versions up to {known.Count}. Bring the program up to date, then read it in. Nothing was changed."
                )
            );
        return head;
    }

    /// <summary>The changes that the tables have been through, in order.</summary>
    private static List<string> Schemas()
    {
        using var db = new PracticeDb(PracticeFile.Options(""));
        return [.. db.Database.GetMigrations()];
    }

    /// <summary>An empty book with the tables as they were then.</summary>
    private static async Task EmptyAsync(string path, string schema, CancellationToken cancel)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(path))!);
        await using (SafeFile.Open(path, SqliteOpenMode.ReadWriteCreate)) { }
        await using var db = new PracticeDb(
            new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFile.ConnectionString(path) + ";Pooling=False").Options
        );
        await db.GetService<IMigrator>().MigrateAsync(schema, cancel);
    }

    private static void Fill(ZipArchive zip, ArchiveHead head, string path, ArchiveRoom room, CancellationToken cancel)
    {
        using var book = SafeFile.Open(path);
        SafeFile.Run(book, "PRAGMA foreign_keys=OFF");
        using var all = book.BeginTransaction();
        var tables = BookTables.Of(book);
        if (head.Rows.Keys.Except(tables, StringComparer.Ordinal).FirstOrDefault() is { } strange)
            throw Damaged($"there is no table {strange} in its version");
        foreach (var table in tables)
        {
            SafeFile.Run(book, $"DELETE FROM {BookTables.Quoted(table)}");
            var (read, hash) = FillTable(zip, book, table, room, cancel);
            if (head.Tables is { } hashes && hashes.TryGetValue(table, out var written) && written != hash)
                throw Damaged($"{table} is not what it was");
            if (read != head.Rows.GetValueOrDefault(table))
                throw Damaged($"of {head.Rows.GetValueOrDefault(table)} rows of {table} {read} are there");
        }

        if (SafeFile.Lines(book, "PRAGMA foreign_key_check") is [var loose, ..])
            throw Damaged($"a row of {loose} belongs to something that is not there");
        all.Commit();
    }

    private static (int Rows, string Hash) FillTable(
        ZipArchive zip,
        SqliteConnection book,
        string table,
        ArchiveRoom room,
        CancellationToken cancel
    )
    {
        if (zip.GetEntry(ArchiveHead.TableEntry(table)) is not { } entry)
            return (0, Convert.ToHexStringLower(SHA256.HashData([])));
        if (entry.Length > LargestTable)
            throw Damaged($"{table} is too large");
        var columns = BookTables.Columns(book, table);
        using var insert = BookTables.Command(
            book,
            $"INSERT INTO {BookTables.Quoted(table)} ({string.Join(',', columns.Select(BookTables.Quoted))}) VALUES ({string.Join(',', columns.Select((_, i) => $"$v{i}"))})"
        );
        var values = columns.Select((_, i) => insert.Parameters.Add(new SqliteParameter($"$v{i}", DBNull.Value))).ToList();
        using var sha = SHA256.Create();
        using var hashed = new CryptoStream(entry.Open(), sha, CryptoStreamMode.Read);
        using var lines = new StreamReader(hashed, new UTF8Encoding(false, throwOnInvalidBytes: true));
        var count = 0;
        while (Line(lines, table) is { } line)
        {
            cancel.ThrowIfCancellationRequested();
            room.Take(line.Length);
            using var row = JsonDocument.Parse(line);
            if (row.RootElement.ValueKind != JsonValueKind.Object)
                throw Damaged($"a line of {table} is no row");
            foreach (var field in row.RootElement.EnumerateObject())
            {
                if (!columns.Contains(field.Name, StringComparer.Ordinal))
                    throw Damaged($"{table} has no column {field.Name} in its version");
            }

            for (var i = 0; i < columns.Count; i++)
                values[i].Value = row.RootElement.TryGetProperty(columns[i], out var value) ? Value(zip, value, room) : DBNull.Value;
            insert.ExecuteNonQuery();
            count++;
        }

        return (count, Convert.ToHexStringLower(sha.Hash!));
    }

    /// <summary>The next line; one without end is not read into memory.</summary>
    private static string? Line(StreamReader lines, string table)
    {
        var line = new StringBuilder();
        while (lines.Read() is >= 0 and var sign)
        {
            if (sign == '\n')
                return line.ToString();
            if (line.Append((char)sign).Length > LongestLine)
                throw Damaged($"a line of {table} is too long");
        }

        return line.Length > 0 ? line.ToString() : null;
    }

    private static object Value(ZipArchive zip, JsonElement value, ArchiveRoom room) =>
        value.ValueKind switch
        {
            JsonValueKind.String => value.GetString()!,
            JsonValueKind.Number => value.TryGetInt64(out var whole) ? whole : value.GetDouble(),
            JsonValueKind.Null => DBNull.Value,
            JsonValueKind.Object when value.TryGetProperty("attachment", out var hash) && hash.ValueKind == JsonValueKind.String =>
                Attached(zip, hash.GetString()!, room),
            _ => throw Damaged("a value is of no known kind"),
        };

    private static byte[] Attached(ZipArchive zip, string hash, ArchiveRoom room)
    {
        var entry = zip.GetEntry(ArchiveHead.AttachmentEntry(hash)) ?? throw Damaged($"the attachment {hash} is missing");
        if (entry.Length > LargestAttachment)
            throw Damaged($"the attachment {hash} is too large");
        room.Take(entry.Length);
        using var from = entry.Open();
        // A zip may say less than it holds.
        var bytes = new byte[entry.Length];
        from.ReadExactly(bytes);
        if (from.ReadByte() >= 0 || Convert.ToHexStringLower(SHA256.HashData(bytes)) != hash)
            throw Damaged($"the attachment {hash} is not what it was");
        return bytes;
    }

    internal static ArchiveException Damaged(string what, Exception? inner = null) =>
        new($"This archive is damaged: {what.TrimEnd('.')}. Take another copy of it. Nothing was changed.", inner);
}
