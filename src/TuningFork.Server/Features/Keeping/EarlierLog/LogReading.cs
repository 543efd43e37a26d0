using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Practice;

namespace TuningFork.Server.Features.Keeping.EarlierLog;

/// <summary>Which column tells what, from 0; null where none does.</summary>
/// <param name="MonthFirst">Whether dates like 3/4/2031 begin with the month; null to find out.</param>
public sealed record LogWish(
    [property: FromQuery(Name = "date")] int? Date = null,
    [property: FromQuery(Name = "minutes")] int? Minutes = null,
    [property: FromQuery(Name = "what")] int? What = null,
    [property: FromQuery(Name = "area")] int? Area = null,
    [property: FromQuery(Name = "note")] int? Note = null,
    [property: FromQuery(Name = "tempo")] int? Tempo = null,
    [property: FromQuery(Name = "monthFirst")] bool? MonthFirst = null
);

/// <summary>A line that was understood.</summary>
public sealed record LogLine(DateOnly Day, double Minutes, Area Area, string What, string Note);

/// <summary>A log, read.</summary>
/// <param name="Wish">Which column tells what, guessed where it was not said.</param>
/// <param name="IsUnsure">Whether all its dates could be read either way round.</param>
/// <param name="Lines">What was understood.</param>
/// <param name="Problems">What was not, by line.</param>
public sealed record LogReading(LogWish Wish, bool IsUnsure, IReadOnlyList<LogLine> Lines, IReadOnlyList<string> Problems)
{
    private const int LongestWhat = 120;

    public static LogReading Of(LogTable table, LogWish wish, DateOnly today)
    {
        int? Column(int? wished, LogColumn column) =>
            wished is { } given ? (given < table.Heads.Count && given >= 0 ? given : null) : table.Guess(column);
        var (date, minutes) = (Column(wish.Date, LogColumn.Date), Column(wish.Minutes, LogColumn.Minutes));
        string Cell(IReadOnlyList<string> cells, int? column) => column is { } i ? cells[i] : "";
        var order = EarlierLogs.OrderOf(table.Rows.Select(row => Cell(row.Cells, date)));
        var full = wish with
        {
            Date = date,
            Minutes = minutes,
            What = Column(wish.What, LogColumn.What),
            Area = Column(wish.Area, LogColumn.Area),
            Note = Column(wish.Note, LogColumn.Note),
            Tempo = Column(wish.Tempo, LogColumn.Tempo),
            MonthFirst = wish.MonthFirst ?? (order == DateOrder.MonthFirst),
        };
        var (lines, problems) = (new List<LogLine>(), new List<string>());
        if (date is null || minutes is null)
            return new LogReading(full, IsUnsure: false, [], ["Say which column tells the day and which how long it was."]);
        var unit = EarlierLogs.UnitOf(table.Heads[minutes.Value]);
        foreach (var (line, cells) in table.Rows)
        {
            var (day, time) = (Cell(cells, date), Cell(cells, minutes));
            if (!EarlierLogs.TryDate(day, full.MonthFirst == true ? DateOrder.MonthFirst : DateOrder.DayFirst, out var read))
                problems.Add(Said(line, $"\"{day}\" is no day"));
            else if (read > today)
                problems.Add(Said(line, $"{day} is still to come"));
            else if (!EarlierLogs.TryMinutes(time, unit, out var length))
                problems.Add(Said(line, $"\"{time}\" is no time up to {EarlierLogs.MostMinutes / 60} hours"));
            else
                lines.Add(LineOf(read, length, cells));
        }

        return new LogReading(
            full,
            order is null && wish.MonthFirst is null && lines.Count > 0 && IsNumeric(table, date.Value),
            lines,
            problems
        );

        LogLine LineOf(DateOnly day, double time, IReadOnlyList<string> cells)
        {
            var (what, told, note, tempo) = (
                Cell(cells, full.What),
                Cell(cells, full.Area),
                Cell(cells, full.Note),
                Cell(cells, full.Tempo)
            );
            var area = EarlierLogs.AreaOf(told) ?? EarlierLogs.AreaOf(what) ?? Core.Practice.Area.Repertoire;
            var title =
                what.Length > 0 ? what
                : told.Length > 0 ? told
                : Areas.Name(area);
            var words = tempo.Length > 0 ? $"{note}{(note.Length > 0 ? " " : "")}At {tempo}." : note;
            return new LogLine(day, time, area, title[..Math.Min(title.Length, LongestWhat)], words);
        }
    }

    private static bool IsNumeric(LogTable table, int column) =>
        table.Rows.Any(row => row.Cells[column].Contains('/', StringComparison.Ordinal));

    private static string Said(int line, string what) => string.Create(CultureInfo.InvariantCulture, $"Line {line}: {what}.");
}
