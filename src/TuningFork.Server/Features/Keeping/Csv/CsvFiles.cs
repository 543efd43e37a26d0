using System.Globalization;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;

namespace TuningFork.Server.Features.Keeping.Csv;

/// <summary>One of the tables that go out (docs/csv.md).</summary>
/// <param name="Name">What its file is called, without ending.</param>
/// <param name="Columns">Its columns.</param>
/// <param name="Rows">Its rows, a value for each column.</param>
public sealed record CsvFile(string Name, IReadOnlyList<string> Columns, Func<PracticeDb, IAsyncEnumerable<object?[]>> Rows);

/// <summary>The tables that go out.</summary>
public static class CsvFiles
{
    public static IReadOnlyList<CsvFile> All { get; } =
    [
        new("sittings", ["Sitting", "Day", "StartedUtc", "EndedUtc", "PlannedMinutes", "PlayedSeconds", "Drills", "Purpose"], Sittings),
        new("drills", ["Drill", "Sitting", "Place", "Day", "Area", "Title", "Method", "PlannedSeconds", "PlayedSeconds", "State"], Drills),
        new("takes", ["Take", "Drill", "Number", "Day", "AtUtc", "What", "Part", "Clean", "Tempo", "Late", "Seconds"], Takes),
        new("tempi", ["What", "FromBar", "ToBar", "Day", "Takes", "CleanTakes", "CleanTempo", "Target", "Beat"], Tempi),
        new("readings", ["Day", "AtUtc", "Title", "Strand", "Level", "Bars", "Right", "Tempo", "Kept"], Readings),
        new("ear-answers", ["Day", "AtUtc", "Asked", "Answered", "Right", "Seconds"], EarAnswers),
    ];

    /// <summary>A value as it is written: days and moments by ISO 8601, decimals with a point, nothing where nothing is known.</summary>
    public static string Say(object? value) =>
        value switch
        {
            null => "",
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            DateTime utc => utc.ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture),
            IFormattable some => some.ToString(null, CultureInfo.InvariantCulture),
            _ => Harmless(value.ToString() ?? ""),
        };

    /// <summary>A text that a spreadsheet would carry out as a formula is marked as a text.</summary>
    private static string Harmless(string text) =>
        text.Length > 0 && "=+-@\t\r".Contains(text[0], StringComparison.Ordinal) ? $"'{text}" : text;

    private static async IAsyncEnumerable<object?[]> Sittings(PracticeDb db)
    {
        var rows = db
            .Sessions.AsNoTracking()
            .OrderBy(row => row.StartedUtc)
            .Select(row => new
            {
                Row = row,
                Played = row.Drills.Sum(drill => drill.PlayedSeconds),
                Drills = row.Drills.Count,
            })
            .AsAsyncEnumerable();
        await foreach (var one in rows)
            yield return
            [
                one.Row.Id,
                one.Row.Day,
                one.Row.StartedUtc,
                one.Row.EndedUtc,
                one.Row.PlannedMinutes,
                one.Played,
                one.Drills,
                one.Row.Purpose,
            ];
    }

    private static async IAsyncEnumerable<object?[]> Drills(PracticeDb db)
    {
        var rows = db.SessionDrills.AsNoTracking().OrderBy(row => row.SessionId).ThenBy(row => row.Position).AsAsyncEnumerable();
        await foreach (var row in rows)
            yield return
            [
                row.Id,
                row.SessionId,
                row.Position + 1,
                row.Day,
                row.Area,
                row.Title,
                JsonNode.Parse(row.DrillJson)?["methodId"]?.GetValue<string>(),
                row.PlannedSeconds + row.ExtraSeconds,
                row.PlayedSeconds,
                row.State,
            ];
    }

    private static async IAsyncEnumerable<object?[]> Takes(PracticeDb db)
    {
        var titles = await TitlesAsync(db);
        await foreach (var row in db.Takes.AsNoTracking().OrderBy(row => row.AtUtc).ThenBy(row => row.Number).AsAsyncEnumerable())
        {
            var target = TargetKey.Parse(row.Key);
            yield return
            [
                row.Id,
                row.SessionDrillId,
                row.Number + 1,
                row.Day,
                row.AtUtc,
                row.MaterialId is { } id ? titles.GetValueOrDefault(id) : row.Key,
                target.Kind == TargetKind.Material ? target.Name : null,
                row.Clean,
                row.Tempo,
                row.Late,
                row.Seconds,
            ];
        }
    }

    private static async IAsyncEnumerable<object?[]> Tempi(PracticeDb db)
    {
        var titles = await TitlesAsync(db);
        var materials = await db.Materials.IgnoreQueryFilters().AsNoTracking().ToDictionaryAsync(row => row.Id);
        var visits = db
            .Visits.IgnoreQueryFilters()
            .AsNoTracking()
            .OrderBy(row => row.Day)
            .ThenBy(row => row.MaterialId)
            .AsAsyncEnumerable();
        await foreach (var visit in visits)
        {
            var row = materials[visit.MaterialId];
            var isPassage = row.Kind == MaterialKind.Passage;
            yield return
            [
                titles[row.Id],
                isPassage ? row.FromBar : null,
                isPassage ? row.ToBar : null,
                visit.Day,
                visit.Takes,
                visit.CleanTakes,
                visit.Clean,
                row.Target,
                row.Beat.Name,
            ];
        }
    }

    private static async IAsyncEnumerable<object?[]> Readings(PracticeDb db)
    {
        await foreach (var row in db.Readings.AsNoTracking().OrderBy(row => row.AtUtc).AsAsyncEnumerable())
            yield return [row.Day, row.AtUtc, row.Title, row.Asked, row.Level, row.Bars, row.Right, row.Tempo, row.Kept];
    }

    private static async IAsyncEnumerable<object?[]> EarAnswers(PracticeDb db)
    {
        await foreach (var row in db.EarAnswers.AsNoTracking().OrderBy(row => row.AtUtc).AsAsyncEnumerable())
            yield return [row.Day, row.AtUtc, row.Item, row.Said, row.Right, row.Seconds];
    }

    /// <summary>What each thing is called: a passage by its piece.</summary>
    private static async Task<Dictionary<int, string>> TitlesAsync(PracticeDb db)
    {
        var rows = await db.Materials.IgnoreQueryFilters().AsNoTracking().ToDictionaryAsync(row => row.Id);
        return rows.Values.ToDictionary(row => row.Id, row => row.PieceId is { } piece ? rows[piece].Title : row.Title);
    }
}
