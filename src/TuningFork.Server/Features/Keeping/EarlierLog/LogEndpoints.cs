using System.Globalization;
using System.Net.Mime;
using Microsoft.AspNetCore.Mvc;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping.EarlierLog;

/// <summary>A column of a log, with what stands in it.</summary>
public sealed record LogColumnView(string Name, IReadOnlyList<string> Samples);

/// <summary>A log as it was understood; nothing of it is kept yet.</summary>
/// <param name="Columns">Its columns.</param>
/// <param name="Wish">Which column tells what.</param>
/// <param name="IsUnsure">Whether all its dates could be read with the day or the month first.</param>
/// <param name="Words">What would come of it, in a sentence.</param>
/// <param name="First">The first of its lines.</param>
/// <param name="New">Lines that would be added.</param>
/// <param name="Problems">What was not understood, by line; the first of them.</param>
public sealed record LogLookView(
    IReadOnlyList<LogColumnView> Columns,
    LogWish Wish,
    bool IsUnsure,
    string Words,
    IReadOnlyList<LogLine> First,
    int New,
    IReadOnlyList<string> Problems
);

/// <summary>A log that was taken in.</summary>
/// <param name="Id">With it it is taken out again.</param>
public sealed record LogView(string Id, string Name, string Words);

/// <summary>Logs of earlier practice, from CSV: looked at, taken in, taken out again.</summary>
public static class LogEndpoints
{
    private const int Shown = 8;

    public static void MapEarlierLogs(this WebApplication app)
    {
        var group = app.MapGroup("/api/earlier-logs").WithTags("Archive");
        group
            .MapGet("", async (PracticeDb db, CancellationToken cancel) => Views(await LogBooks.AllAsync(db, cancel)))
            .WithName("GetEarlierLogs");
        var reading = group.MapGroup("").WithMetadata(new RequestSizeLimitAttribute(LogTable.Largest));
        reading
            .MapPost(
                "/look",
                async (
                    HttpRequest request,
                    [AsParameters] LogWish wish,
                    PracticeDb db,
                    PlanDesk plans,
                    PracticeClock clock,
                    CancellationToken cancel
                ) =>
                {
                    var (table, read) = await ReadAsync(request, wish, plans, clock, cancel);
                    return Look(table, read, await LogBooks.NewAsync(db, read.Lines, cancel));
                }
            )
            .Accepts<byte[]>(MediaTypeNames.Application.Octet)
            .WithName("LookIntoEarlierLog");
        reading
            .MapPost(
                "",
                async (
                    HttpRequest request,
                    [AsParameters] LogWish wish,
                    PracticeDb db,
                    PlanDesk plans,
                    PracticeClock clock,
                    TimeProvider time,
                    CancellationToken cancel,
                    string name = "an earlier log"
                ) =>
                {
                    var (_, read) = await ReadAsync(request, wish, plans, clock, cancel);
                    var lines = await LogBooks.NewAsync(db, read.Lines, cancel);
                    if (lines.Count == 0)
                        throw new FieldException("file", read.Problems is [var first, ..] ? first : "All of it is in your book already.");
                    await LogBooks.KeepAsync(
                        db,
                        Problems.Text("name", name, 200),
                        lines,
                        Noon(time.LocalTimeZone),
                        time.GetUtcNow().UtcDateTime,
                        cancel
                    );
                    return Views(await LogBooks.AllAsync(db, cancel));
                }
            )
            .Accepts<byte[]>(MediaTypeNames.Application.Octet)
            .WithName("TakeEarlierLog");
        group
            .MapDelete("/{id}", async (string id, PracticeDb db, CancellationToken cancel) =>
                await LogBooks.TakeOutAsync(db, id, cancel)
                    ? Views(await LogBooks.AllAsync(db, cancel))
                    : throw Problems.Unknown("id", "log")
            )
            .WithName("TakeEarlierLogOut");
    }

    private static async Task<(LogTable Table, LogReading Read)> ReadAsync(
        HttpRequest request,
        LogWish wish,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel);
        if (bytes.Length > LogTable.Largest)
            throw new FieldException("file", "It is larger than 5 MB. Cut it in two.");
        var table = LogTable.Read(bytes.ToArray());
        return (table, LogReading.Of(table, wish, clock.Today(await plans.ProfileAsync(cancel))));
    }

    /// <summary>Twelve o'clock of a day, as the clock on the wall showed it.</summary>
    private static Func<DateOnly, DateTime> Noon(TimeZoneInfo zone) =>
        day => TimeZoneInfo.ConvertTimeToUtc(day.ToDateTime(new TimeOnly(12, 0), DateTimeKind.Unspecified), zone);

    private static LogLookView Look(LogTable table, LogReading read, List<LogLine> fresh)
    {
        var minutes = fresh.Sum(line => line.Minutes);
        var days = fresh.Select(line => line.Day).Distinct().Count();
        var words =
            fresh.Count == 0
                ? (read.Lines.Count > 0 ? "All of it is in your book already." : "Nothing of it was understood yet.")
                : string.Create(
                    CultureInfo.InvariantCulture,
                    $"{Words.Count(fresh.Count, "line")} on {Words.Count(days, "day")} from {fresh.Min(line => line.Day):d MMM yyyy} to {fresh.Max(line => line.Day):d MMM yyyy}, {minutes / 60:0.#} hours in all"
                ) + (read.Lines.Count > fresh.Count ? $"; {read.Lines.Count - fresh.Count} are there already." : ".");
        return new LogLookView(
            [
                .. table.Heads.Select(
                    (head, i) => new LogColumnView(head, [.. table.Rows.Select(row => row.Cells[i]).Where(cell => cell.Length > 0).Take(3)])
                ),
            ],
            read.Wish,
            read.IsUnsure,
            words,
            [.. fresh.Take(Shown)],
            fresh.Count,
            read.Problems.Count <= Shown
                ? read.Problems
                : [.. read.Problems.Take(Shown), $"{read.Problems.Count - Shown} more lines were not understood."]
        );
    }

    private static List<LogView> Views(List<(string Id, TakenLog Log)> logs) =>
        logs.ConvertAll(one => new LogView(
            one.Id,
            one.Log.Name,
            string.Create(
                CultureInfo.InvariantCulture,
                $"{Words.Count(one.Log.Lines, "line")} on {Words.Count(one.Log.Days, "day")}, taken in on {one.Log.TakenUtc:d MMM yyyy}"
            )
        ));
}
