using System.Globalization;
using System.Text;
using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>One table of a merge.</summary>
internal sealed class MergeTable
{
    private const string Id = "Id";

    private readonly MergeRule rule;
    private readonly SqliteConnection source;
    private readonly SqliteConnection target;
    private readonly Renumbering numbers;
    private readonly List<string> columns;
    private readonly Dictionary<string, int> places;
    private readonly bool isNumbered;
    private readonly Dictionary<string, long> known = new(StringComparer.Ordinal);

    public MergeTable(MergeRule rule, SqliteConnection source, SqliteConnection target, Renumbering numbers)
    {
        (this.rule, this.source, this.target, this.numbers) = (rule, source, target, numbers);
        columns = [.. BookTables.Columns(target, rule.Table)];
        places = columns.Select((name, i) => (name, i)).ToDictionary(one => one.name, one => one.i, StringComparer.Ordinal);
        // Numbers are given anew, but for what is known by a number or a key of its own.
        isNumbered =
            SafeFile.Lines(target, $"SELECT type FROM pragma_table_info('{rule.Table}') WHERE name='Id' AND pk=1") is ["INTEGER"]
            && !rule.Same.Contains(Id, StringComparer.Ordinal);
    }

    public Merged Add(CancellationToken cancel)
    {
        if (rule.IsOfTheBook)
            return new Merged(rule.Table, 0, 0);
        foreach (var (row, values) in Rows(target))
            known[Identity(values)] = isNumbered ? (long)values[places[Id]] : row;
        var (added, there) = (0, 0);
        using var insert = Insert();
        foreach (var (_, values) in Rows(source))
        {
            cancel.ThrowIfCancellationRequested();
            var number = isNumbered ? (long)values[places[Id]] : 0;
            if (!Translate(values))
                continue;
            var identity = Identity(values);
            if (known.TryGetValue(identity, out var row))
            {
                there++;
                Update(row, values);
            }
            else
            {
                row = Put(insert, values);
                known[identity] = row;
                added++;
            }

            if (isNumbered)
                numbers.Note(rule.Table, number, row);
            else if (places.TryGetValue(Id, out var place) && values[place] is long own)
                numbers.Note(rule.Table, own, own);
        }

        return new Merged(rule.Table, added, there);
    }

    /// <summary>Rows in the order in which they were made: a piece comes before its passages.</summary>
    private IEnumerable<(long Row, object[] Values)> Rows(SqliteConnection book)
    {
        using var command = BookTables.Command(
            book,
            $"SELECT rowid, {string.Join(',', columns.Select(BookTables.Quoted))} FROM {BookTables.Quoted(rule.Table)} ORDER BY rowid"
        );
        using var reader = command.ExecuteReader();
        while (reader.Read())
        {
            var values = new object[columns.Count];
            for (var i = 0; i < values.Length; i++)
                values[i] = reader.GetValue(i + 1);
            yield return (reader.GetInt64(0), values);
        }
    }

    /// <summary>Puts the numbers of the target in; false where a row hangs on something that did not come along.</summary>
    private bool Translate(object[] values)
    {
        foreach (var (column, table) in rule.Points)
        {
            var place = places[column];
            if (values[place] is not long number || number == 0)
                continue;
            if (numbers.Of(table, number) is { } there)
                values[place] = there;
            else if (rule.Same.Contains(column, StringComparer.Ordinal))
                return false;
            else
                values[place] = IsNullable(column) ? DBNull.Value : 0L;
        }

        foreach (var place in rule.Texts.Select(column => places[column]))
        {
            if (values[place] is string text)
                values[place] = numbers.Text(text);
        }

        return true;
    }

    private bool IsNullable(string column) =>
        SafeFile.Lines(target, $"SELECT \"notnull\" FROM pragma_table_info('{rule.Table}') WHERE name='{column}'") is ["0"];

    private string Identity(object[] values)
    {
        var text = new StringBuilder();
        var inside = rule.Inside is { } more && values[places[more.Set]] is not DBNull ? more.Columns : [];
        foreach (var value in rule.Same.Concat(inside).Select(column => values[places[column]]))
            text.Append(
                    value switch
                    {
                        byte[] bytes => Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(bytes)),
                        DBNull => "\0",
                        IFormattable some => some.ToString(null, CultureInfo.InvariantCulture),
                        _ => value.ToString(),
                    }
                )
                .Append('\u001f');
        return text.ToString();
    }

    private SqliteCommand Insert()
    {
        var put = columns.Where(column => !isNumbered || column != Id).ToList();
        var insert = BookTables.Command(
            target,
            $"INSERT INTO {BookTables.Quoted(rule.Table)} ({string.Join(',', put.Select(BookTables.Quoted))}) VALUES ({string.Join(',', put.Select(column => $"$v{places[column]}"))}); SELECT last_insert_rowid()"
        );
        foreach (var column in put)
            insert.Parameters.Add(new SqliteParameter($"$v{places[column]}", DBNull.Value));
        return insert;
    }

    private static long Put(SqliteCommand insert, object[] values)
    {
        foreach (SqliteParameter parameter in insert.Parameters)
            parameter.Value = values[int.Parse(parameter.ParameterName[2..], CultureInfo.InvariantCulture)];
        return (long)insert.ExecuteScalar()!;
    }

    /// <summary>How well something is known: the later day counts.</summary>
    private void Update(long row, object[] values)
    {
        if (rule.State.Count == 0 || values[places[rule.State[0]]] is not string day)
            return;
        using var update = BookTables.Command(
            target,
            $"UPDATE {BookTables.Quoted(rule.Table)} SET {string.Join(',', rule.State.Select((column, i) => $"{BookTables.Quoted(column)}=$v{i}"))} WHERE rowid=$row AND ({BookTables.Quoted(rule.State[0])} IS NULL OR {BookTables.Quoted(rule.State[0])} < $day)"
        );
        for (var i = 0; i < rule.State.Count; i++)
            update.Parameters.AddWithValue($"$v{i}", values[places[rule.State[i]]]);
        update.Parameters.AddWithValue("$row", row);
        update.Parameters.AddWithValue("$day", day);
        update.ExecuteNonQuery();
    }
}
