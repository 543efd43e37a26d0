using CsvHelper;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Notation;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping.EarlierLog;

/// <summary>A table as it came: rows of texts, each as long as the longest.</summary>
/// <param name="Heads">What its columns are called; A, B, C where it does not say.</param>
/// <param name="Rows">Its rows, with the line on which each stands.</param>
public sealed record LogTable(IReadOnlyList<string> Heads, IReadOnlyList<(int Line, IReadOnlyList<string> Cells)> Rows)
{
    public const int Largest = 5 << 20;
    private const int MostRows = 50_000;
    private const int MostColumns = 40;
    private const int LongestCell = 4000;

    /// <summary>Reads CSV, whatever parts its fields: commas, semicolons or tabs.</summary>
    /// <exception cref="FieldException">It is no table, or too large.</exception>
    public static LogTable Read(byte[] bytes)
    {
        var rows = new List<(int Line, IReadOnlyList<string> Cells)>();
        try
        {
            using var csv = CsvReader.FromText(
                EncodedText.Of(bytes),
                CsvReaderOptions.Default with
                {
                    HasHeader = false,
                    SkipEmptyLines = true,
                }
            );
            while (csv.Read())
            {
                if (csv.FieldCount > MostColumns)
                    throw Refused($"It has {csv.FieldCount} columns; {MostColumns} are read at most.");
                if (rows.Count == MostRows)
                    throw Refused($"It has more than {MostRows:N0} lines. Cut it in two.");
                var cells = Enumerable.Range(0, csv.FieldCount).Select(i => Cut(csv.GetString(i))).ToList();
                if (cells.Exists(cell => cell.Length > 0))
                    rows.Add((rows.Count + 1, cells));
            }
        }
        catch (CsvFormatException problem)
        {
            throw Refused($"It cannot be read as CSV: {problem.Message}");
        }

        if (rows.Count == 0)
            throw Refused("There is nothing in it. Export your log as CSV and choose that file.");
        var width = rows.Max(row => row.Cells.Count);
        var whole = rows.Select(row =>
                (row.Line, Cells: (IReadOnlyList<string>)[.. row.Cells, .. Enumerable.Repeat("", width - row.Cells.Count)])
            )
            .ToList();
        // A first line in which no cell is a date is a line of names.
        var hasHeads = whole.Count > 1 && !whole[0].Cells.Any(IsDate);
        IReadOnlyList<string> heads = hasHeads ? whole[0].Cells : [.. Enumerable.Range(0, width).Select(i => $"{(char)('A' + (i % 26))}")];
        return new LogTable(heads, hasHeads ? whole[1..] : whole);
    }

    /// <summary>The column that tells something, by its head, else by what stands in it; null where none does.</summary>
    public int? Guess(LogColumn column)
    {
        var named = Enumerable.Range(0, Heads.Count).Where(i => EarlierLogs.ColumnOf(Heads[i]) == column).ToList();
        if (named.Count > 0)
            return named[0];
        var free = Enumerable.Range(0, Heads.Count).Where(i => EarlierLogs.ColumnOf(Heads[i]) is null).ToList();
        bool Most(int i, Func<string, bool> holds) =>
            Rows.Count(row => row.Cells[i].Length > 0) is > 0 and var filled && Rows.Count(row => holds(row.Cells[i])) >= filled * 0.8;
        return column switch
        {
            LogColumn.Date => Found(free.Where(i => Most(i, IsDate))),
            LogColumn.Minutes => Found(free.Where(i => Most(i, cell => !IsDate(cell) && EarlierLogs.TryMinutes(cell, 1, out _)))),
            _ => null,
        };
    }

    private static int? Found(IEnumerable<int> columns) => columns.Select(i => (int?)i).FirstOrDefault();

    private static bool IsDate(string cell) =>
        EarlierLogs.TryDate(cell, DateOrder.DayFirst, out _) || EarlierLogs.TryDate(cell, DateOrder.MonthFirst, out _);

    private static string Cut(string cell) => cell.Trim() is var plain && plain.Length > LongestCell ? plain[..LongestCell] : plain;

    private static FieldException Refused(string words) => new("file", words);
}
