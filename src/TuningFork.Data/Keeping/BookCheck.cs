using System.Globalization;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using TuningFork.Core.Notation;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data.Keeping.Archives;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Keeping;

/// <summary>A row that cannot be read.</summary>
/// <param name="Table">Its table.</param>
/// <param name="Row">Its key, as it is kept.</param>
/// <param name="Field">The column.</param>
/// <param name="Why">What is wrong with it, in words.</param>
public sealed record RowFault(string Table, string Row, string Field, string Why)
{
    /// <summary>In a sentence without its full stop.</summary>
    public string Words => $"row {Row} of {Table} cannot be read: {Field} {Why}";
}

/// <summary>Reads every row of a book as the program does, so that nothing in it takes a page down later.</summary>
public static class BookCheck
{
    /// <summary>Years between which something is practised, written or planned.</summary>
    private const int FirstYear = 1900,
        LastYear = 2200;

    private const int MostShown = 40;

    /// <summary>Whole numbers that have bounds, by what they are called.</summary>
    private static readonly Dictionary<string, (long Least, long Most)> Bounds = new(StringComparer.Ordinal)
    {
        ["Materials.Target"] = (Core.Tempo.Bpm.Slowest, Core.Tempo.Bpm.Fastest),
        ["Materials.LastClean"] = (Core.Tempo.Bpm.Slowest, Core.Tempo.Bpm.Fastest),
        ["Materials.Best"] = (Core.Tempo.Bpm.Slowest, Core.Tempo.Bpm.Fastest),
        ["Materials.FromBar"] = (0, 100_000),
        ["Materials.ToBar"] = (0, 100_000),
        ["Materials.BeatsPerBar"] = (1, 64),
        ["Profiles.BoundaryHour"] = (0, 23),
        ["Profiles.A4"] = (300, 600),
        ["Profiles.Transposition"] = (-60, 60),
        ["Profiles.OpeningMinutes"] = (0, 60),
        ["Profiles.SpareADay"] = (0, 100),
        ["Profiles.ReviewWeekday"] = (0, 6),
        ["Profiles.LessonWeekday"] = (0, 6),
        ["Plans.Minutes"] = (1, 1440),
        ["Plans.Sitting"] = (0, 1000),
        ["DaysOff.Minutes"] = (0, 1440),
        ["DaysMoved.Minutes"] = (-1440, 1440),
        ["Routines.Weekdays"] = (0, 127),
    };

    /// <summary>The first fault of a book that is up to date; null when all of it can be read.</summary>
    /// <param name="path">The book.</param>
    /// <param name="cancel">Stops it.</param>
    public static RowFault? FirstOf(string path, CancellationToken cancel = default) => All(path, cancel).FirstOrDefault();

    /// <summary>All faults of a book that is up to date.</summary>
    /// <param name="path">The book.</param>
    /// <param name="cancel">Stops it.</param>
    public static IEnumerable<RowFault> All(string path, CancellationToken cancel = default)
    {
        using var db = new PracticeDb(PracticeFile.Options(path));
        using var book = SafeFile.Open(path, SqliteOpenMode.ReadOnly);
        var faults = db
            .Model.GetEntityTypes()
            .OrderBy(kind => kind.GetTableName(), StringComparer.Ordinal)
            .SelectMany(kind => OfTable(book, kind, cancel));
        // What stands in relation to others is asked when every value by itself can be read.
        var found = false;
        foreach (var fault in faults)
        {
            found = true;
            yield return fault;
        }

        if (found)
            yield break;
        foreach (var fault in OfMeaning(db, cancel))
            yield return fault;
    }

    /// <summary>Takes a row out of a book, with what hangs on it.</summary>
    /// <param name="path">The book.</param>
    /// <param name="fault">The row.</param>
    public static void Remove(string path, RowFault fault)
    {
        ArgumentNullException.ThrowIfNull(fault);
        using var db = new PracticeDb(PracticeFile.Options(path));
        var kind = db.Model.GetEntityTypes().First(one => one.GetTableName() == fault.Table);
        using var book = SafeFile.Open(path);
        using var all = book.BeginTransaction();
        SafeFile.Run(book, "PRAGMA defer_foreign_keys=ON");
        using (var remove = BookTables.Command(book, $"DELETE FROM {BookTables.Quoted(fault.Table)} WHERE {KeyOf(kind)} = $key"))
        {
            remove.Parameters.AddWithValue("$key", fault.Row);
            remove.ExecuteNonQuery();
        }

        // What belonged to it has no place any more; a few rounds, since that may have had something as well.
        for (var loose = Loose(book); loose.Count > 0; loose = Loose(book))
        {
            foreach (var (table, row) in loose)
            {
                using var remove = BookTables.Command(book, $"DELETE FROM {BookTables.Quoted(table)} WHERE rowid = $row");
                remove.Parameters.AddWithValue("$row", row);
                remove.ExecuteNonQuery();
            }
        }

        all.Commit();
    }

    private static List<(string Table, long Row)> Loose(SqliteConnection book)
    {
        using var check = BookTables.Command(book, "PRAGMA foreign_key_check");
        using var reader = check.ExecuteReader();
        var loose = new List<(string, long)>();
        while (reader.Read())
        {
            if (!reader.IsDBNull(1))
                loose.Add((reader.GetString(0), reader.GetInt64(1)));
        }

        return loose;
    }

    /// <summary>The key of a row as one text: several columns with a bar between.</summary>
    private static string KeyOf(IEntityType kind) =>
        string.Join(
            " || '|' || ",
            kind.FindPrimaryKey()!.Properties.Select(property => $"CAST({BookTables.Quoted(property.GetColumnName())} AS TEXT)")
        );

    private static IEnumerable<RowFault> OfTable(SqliteConnection book, IEntityType kind, CancellationToken cancel)
    {
        var table = kind.GetTableName()!;
        var columns = kind.GetProperties().Where(property => property.ClrType != typeof(byte[])).ToList();
        using var read = BookTables.Command(
            book,
            $"SELECT {KeyOf(kind)}, {string.Join(',', columns.Select(property => BookTables.Quoted(property.GetColumnName())))} FROM {BookTables.Quoted(table)}"
        );
        using var reader = read.ExecuteReader();
        while (reader.Read())
        {
            cancel.ThrowIfCancellationRequested();
            for (var i = 0; i < columns.Count; i++)
            {
                if (WrongWith(table, columns[i], reader.GetValue(i + 1)) is { } why)
                    yield return new RowFault(table, reader.GetValue(0).ToString() ?? "", columns[i].GetColumnName(), why);
            }
        }
    }

    /// <summary>What is wrong with a value by itself; null when it can be read.</summary>
    private static string? WrongWith(string table, IProperty property, object value)
    {
        if (value is DBNull)
            return property.IsNullable ? null : "is empty";
        var type = Nullable.GetUnderlyingType(property.ClrType) ?? property.ClrType;
        var text = value.ToString() ?? "";
        bool Invalid() =>
            type switch
            {
                _ when type.IsEnum => !IsMember(type, text),
                _ when type == typeof(Beat) => Beat.Find(text) is null,
                _ when type == typeof(bool) => value is not (0L or 1L),
                _ when type == typeof(int) => value is not long whole
                    || Math.Abs(whole) > int.MaxValue
                    || IsOutside(table, property, whole),
                _ when type == typeof(long) => value is not long,
                _ when type == typeof(double) => value is not (double or long)
                    || !double.IsFinite(Convert.ToDouble(value, CultureInfo.InvariantCulture)),
                _ when type == typeof(Guid) => !Guid.TryParse(text, out _),
                _ when type == typeof(DateOnly) => !DateOnly.TryParseExact(
                    text,
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var day
                ) || IsFar(day.Year),
                _ when type == typeof(DateTime) => !DateTime.TryParse(text, CultureInfo.InvariantCulture, out var moment)
                    || IsFar(moment.Year),
                _ when type == typeof(string) => value is not string,
                _ => false,
            };
        return Invalid() ? $"is \"{(text.Length > MostShown ? text[..MostShown] + "…" : text)}\"" : null;
    }

    /// <summary>Names of members; of flags several, with commas between.</summary>
    private static bool IsMember(Type type, string text) =>
        !text.Any(char.IsAsciiDigit)
        && Enum.TryParse(type, text, out var member)
        && (type.IsDefined(typeof(FlagsAttribute), inherit: false) || Enum.IsDefined(type, member!));

    private static bool IsFar(int year) => year is < FirstYear or > LastYear;

    private static bool IsOutside(string table, IProperty property, long value) =>
        Bounds.TryGetValue($"{table}.{property.Name}", out var bounds) && (value < bounds.Least || value > bounds.Most);

    /// <summary>What each row means to the program: the same reading that every page does.</summary>
    private static IEnumerable<RowFault> OfMeaning(PracticeDb db, CancellationToken cancel)
    {
        var day = new DateOnly(2000, 1, 1);
        foreach (var row in db.Profiles.IgnoreQueryFilters().AsNoTracking())
        {
            if (Fault(() => OfProfile(row), out var why))
                yield return new RowFault("Profiles", $"{row.Id}", why.Field, why.Why);
        }

        var materials = db.Materials.IgnoreQueryFilters().AsNoTracking().ToDictionary(row => row.Id);
        foreach (var row in materials.Values)
        {
            cancel.ThrowIfCancellationRequested();
            var piece = row.PieceId is { } id ? materials.GetValueOrDefault(id) : null;
            if (row.PieceId is not null && (piece is not { Kind: MaterialKind.Piece } || row.Kind != MaterialKind.Passage))
                yield return new RowFault("Materials", $"{row.Id}", "PieceId", "does not lead from a passage to a piece");
            else if (row.Kind == MaterialKind.Passage && piece is null)
                yield return new RowFault("Materials", $"{row.Id}", "PieceId", "is empty for a passage");
            else if (Fault(() => OfMaterial(row, day, piece), out var why))
                yield return new RowFault("Materials", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.Routines.IgnoreQueryFilters().AsNoTracking())
        {
            if (Fault(() => Check("BlocksJson", In("BlocksJson", () => Bookkeeping.ToCore(row)).Check()), out var why))
                yield return new RowFault("Routines", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.WarmUps.IgnoreQueryFilters().AsNoTracking())
        {
            if (Fault(() => Check("PartsJson", In("PartsJson", () => Bookkeeping.ToCore(row, day)).Check()), out var why))
                yield return new RowFault("WarmUps", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.Plans.IgnoreQueryFilters().AsNoTracking())
        {
            if (Fault(() => Json<DayPlan>("PlanJson", row.PlanJson), out var why))
                yield return new RowFault("Plans", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.SessionDrills.IgnoreQueryFilters().AsNoTracking().AsEnumerable())
        {
            cancel.ThrowIfCancellationRequested();
            if (Fault(() => OfDrill(row.DrillJson), out var why))
                yield return new RowFault("SessionDrills", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.Methods.IgnoreQueryFilters().AsNoTracking())
        {
            if (Fault(() => In("Name", () => Bookkeeping.ToCore(row)), out var why))
                yield return new RowFault("Methods", $"{row.Id}", why.Field, why.Why);
        }

        foreach (var row in db.Visits.IgnoreQueryFilters().AsNoTracking().AsEnumerable())
        {
            cancel.ThrowIfCancellationRequested();
            if (Fault(() => In("Tries", () => VisitBooks.Tries(row.Tries)), out var why))
                yield return new RowFault("Visits", $"{row.Id}", why.Field, why.Why);
        }
    }

    private static void OfProfile(ProfileRow row)
    {
        In("WeekdayMinutes", () => Numbers(row.WeekdayMinutes, 7, 0, 240));
        if (row.WeekdaySittings.Length > 0)
            In("WeekdaySittings", () => Numbers(row.WeekdaySittings, 7, 0, 10));
        In("SharesJson", () => Check("SharesJson", Core.Planning.Shares.Check(ProfileBooks.SharesOf(row))));
        In("TraitsJson", () => ProfileBooks.TraitsOf(row));
        In("SpareFrom", () => TimeOnly.Parse(row.SpareFrom, CultureInfo.InvariantCulture));
        In("SpareUntil", () => TimeOnly.Parse(row.SpareUntil, CultureInfo.InvariantCulture));
        foreach (var (field, json) in new[] { ("SoundJson", row.SoundJson), ("VerdictJson", row.VerdictJson) })
        {
            if (json.Length > 0)
                In(field, () => JsonDocument.Parse(json).Dispose());
        }
    }

    private static void OfMaterial(MaterialRow row, DateOnly day, MaterialRow? piece)
    {
        In("LaterDates", () => Bookkeeping.DatesOf(row));
        foreach (var (field, json) in new[] { ("KeyPlanJson", row.KeyPlanJson), ("WorkJson", row.WorkJson), ("SheetJson", row.SheetJson) })
        {
            if (json.Length > 0)
                In(field, () => JsonDocument.Parse(json).Dispose());
        }

        if (row is { FromBar: var from, ToBar: var to } && to < from)
            throw new RowException("ToBar", "lies before FromBar");
        var material = In("WorkJson", () => Bookkeeping.ToCore(row, day, piece));
        if (material.Work?.Check() is { } wrong)
            throw new RowException("WorkJson", $"says {wrong.Problem}");
    }

    private static void OfDrill(string json)
    {
        var drill = Json<Drill>("DrillJson", json);
        foreach (var target in drill.Targets)
            In("DrillJson", () => TargetKey.Parse(target.Key));
        if (drill.Sequence.Any(index => index < 0 || index >= drill.Targets.Count))
            throw new RowException("DrillJson", "names a target that it has not");
    }

    private static T Json<T>(string field, string json)
        where T : class =>
        In(field, () => JsonSerializer.Deserialize<T>(json, Bookkeeping.Json)) ?? throw new RowException(field, "is empty");

    private static void Numbers(string text, int count, int least, int most)
    {
        var numbers = text.Split(',').Select(part => int.Parse(part, NumberStyles.Integer, CultureInfo.InvariantCulture)).ToList();
        if (numbers.Count != count || numbers.Exists(number => number < least || number > most))
            throw new FormatException($"has to hold {count} numbers from {least} to {most}");
    }

    private static void Check(string field, IReadOnlyList<(string Field, string Problem)> problems)
    {
        if (problems.Count > 0)
            throw new RowException(field, $"says {problems[0].Problem.TrimEnd('.')}");
    }

    private static void In(string field, Action read) => In(field, () =>
        {
            read();
            return true;
        });

    private static T In<T>(string field, Func<T> read)
    {
        try
        {
            return read();
        }
        catch (Exception problem) when (problem is not RowException and not OutOfMemoryException)
        {
            throw new RowException(field, "is not what stands there", problem);
        }
    }

    private static bool Fault(Action read, out RowException why)
    {
        try
        {
            read();
            why = null!;
            return false;
        }
        catch (RowException problem)
        {
            why = problem;
            return true;
        }
    }

    private sealed class RowException(string field, string why, Exception? inner = null) : Exception(why, inner)
    {
        public string Field { get; } = field;

        public string Why { get; } = why;
    }
}
