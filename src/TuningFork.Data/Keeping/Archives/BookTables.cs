using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>The tables of a file that hold what somebody entered or played; not those that are made from them.</summary>
internal static class BookTables
{
    /// <summary>Their names, in order. Tables for searching, and what the database keeps for itself, are left out.</summary>
    public static IReadOnlyList<string> Of(SqliteConnection file)
    {
        var searched = SafeFile.Lines(file, "SELECT name FROM sqlite_master WHERE type='table' AND sql LIKE 'CREATE VIRTUAL%'");
        return
        [
            .. SafeFile
                .Lines(file, "SELECT name FROM sqlite_master WHERE type='table' ORDER BY name")
                .Where(name =>
                    !name.StartsWith("sqlite_", StringComparison.Ordinal)
                    && !name.StartsWith("__EF", StringComparison.Ordinal)
                    && !searched.Any(table => name == table || name.StartsWith(table + "_", StringComparison.Ordinal))
                ),
        ];
    }

    /// <summary>The columns of one of them.</summary>
    public static IReadOnlyList<string> Columns(SqliteConnection file, string table) =>
        SafeFile.Lines(file, $"SELECT name FROM pragma_table_info('{table}') ORDER BY cid");

    /// <summary>A name as SQL takes it.</summary>
    public static string Quoted(string name) => $"\"{name.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";

    /// <summary>A command of a sentence that is made of names of this file's own tables and columns alone.</summary>
    public static SqliteCommand Command(SqliteConnection file, string sql)
    {
        var command = file.CreateCommand();
#pragma warning disable CA2100 // Names come from the file's own list of tables and columns, values as parameters.
        command.CommandText = sql;
#pragma warning restore CA2100
        return command;
    }
}
