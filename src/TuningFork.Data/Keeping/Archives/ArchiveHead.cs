namespace TuningFork.Data.Keeping.Archives;

/// <summary>What stands at the head of an archive, in <c>book.json</c>.</summary>
/// <param name="Format">Always <see cref="Name"/>.</param>
/// <param name="Version">The version of the tables: how many changes they have been through; a program reads its own and all before it.</param>
/// <param name="Schema">The last of these changes by name.</param>
/// <param name="WrittenUtc">When it was written.</param>
/// <param name="Rows">Rows of each table.</param>
/// <param name="Attachments">Files that lie beside the tables.</param>
/// <param name="Tables">The hash of each table as it lies here; null in archives of earlier versions.</param>
/// <param name="Sounds">Recordings whose sound lies beside the tables: the key of each and the hash of its sound.</param>
public sealed record ArchiveHead(
    string Format,
    int Version,
    string Schema,
    DateTime WrittenUtc,
    IReadOnlyDictionary<string, int> Rows,
    int Attachments,
    IReadOnlyDictionary<string, string>? Sounds = null,
    IReadOnlyDictionary<string, string>? Tables = null
)
{
    /// <summary>The name of the format.</summary>
    public const string Name = "tuning-fork-book";

    internal const string Entry = "book.json";

    internal static string TableEntry(string table) => $"tables/{table}.jsonl";

    internal static string AttachmentEntry(string hash) => $"attachments/{hash}";

    internal static string SoundEntry(string key) => $"sounds/{key}";
}

/// <summary>An archive cannot be read; the message says why and what to do.</summary>
public sealed class ArchiveException(string message, Exception? inner = null) : Exception(message, inner);
