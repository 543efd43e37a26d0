using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Keeping.EarlierLog;

/// <summary>A log that was taken in.</summary>
/// <param name="Sessions">Its sittings.</param>
/// <param name="Entries">Its notes.</param>
public sealed record TakenLog(string Name, DateTime TakenUtc, int Lines, int Days, List<int> Sessions, List<int> Entries);

/// <summary>Writes earlier logs into a book, and takes them out again.</summary>
public static class LogBooks
{
    private const string Fact = "earlier-log-";

    /// <summary>Lines of a log that are not in the book yet: the same thing on the same day for as long is the same line.</summary>
    public static async Task<List<LogLine>> NewAsync(PracticeDb db, IReadOnlyList<LogLine> lines, CancellationToken cancel)
    {
        if (lines.Count == 0)
            return [];
        var (first, last) = (lines.Min(line => line.Day), lines.Max(line => line.Day));
        var known = (
            await db
                .SessionDrills.AsNoTracking()
                .Where(row => row.Day >= first && row.Day <= last)
                .Select(row => new
                {
                    row.Day,
                    row.Title,
                    row.PlayedSeconds,
                })
                .ToListAsync(cancel)
        ).GroupBy(row => (row.Day, row.Title, Seconds: (int)Math.Round(row.PlayedSeconds))).ToDictionary(group => group.Key, group => group.Count());
        var fresh = new List<LogLine>();
        foreach (var line in lines)
        {
            var key = (line.Day, line.What, (int)Math.Round(line.Minutes * 60));
            if (known.TryGetValue(key, out var left) && left > 0)
                known[key] = left - 1;
            else
                fresh.Add(line);
        }

        return fresh;
    }

    /// <summary>Keeps lines as sittings that are over, one a day, and what was written as notes of these days.</summary>
    /// <param name="noon">The moment at which a day's sitting is said to have begun; a log does not tell it.</param>
    public static async Task<TakenLog> KeepAsync(
        PracticeDb db,
        string name,
        IReadOnlyList<LogLine> lines,
        Func<DateOnly, DateTime> noon,
        DateTime nowUtc,
        CancellationToken cancel
    )
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var (sessions, entries) = (new List<SessionRow>(), new List<EntryRow>());
        // No two sittings begin at one moment: by it they are told apart.
        var taken = (await db.Sessions.AsNoTracking().Select(row => row.StartedUtc).ToListAsync(cancel)).ToHashSet();
        foreach (var day in lines.GroupBy(line => line.Day).OrderBy(group => group.Key))
        {
            var began = noon(day.Key);
            while (!taken.Add(began))
                began = began.AddSeconds(1);
            var ended = began.AddMinutes(day.Sum(line => line.Minutes));
            sessions.Add(
                new SessionRow
                {
                    Day = day.Key,
                    StartedUtc = began,
                    EndedUtc = ended,
                    PulseUtc = ended,
                    PlannedMinutes = (int)Math.Round(day.Sum(line => line.Minutes)),
                    Drills = [.. day.Select(DrillOf)],
                }
            );
            entries.AddRange(
                day.Where(line => line.Note.Length > 0)
                    .Select(line => new EntryRow
                    {
                        Key = Guid.NewGuid(),
                        AtUtc = ended,
                        Day = day.Key,
                        Kind = EntryKind.Day,
                        About = line.What,
                        Text = line.Note,
                    })
            );
        }

        db.Sessions.AddRange(sessions);
        db.Entries.AddRange(entries);
        await db.SaveChangesAsync(cancel);
        var log = new TakenLog(
            name,
            nowUtc,
            lines.Count,
            sessions.Count,
            [.. sessions.Select(row => row.Id)],
            [.. entries.Select(row => row.Id)]
        );
        db.Facts.Add(new FactRow { Name = $"{Fact}{Guid.NewGuid():N}", Value = JsonSerializer.Serialize(log, Bookkeeping.Json) });
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return log;
    }

    /// <summary>The logs that were taken in, the newest first, each with the name under which it can be taken out.</summary>
    public static async Task<List<(string Id, TakenLog Log)>> AllAsync(PracticeDb db, CancellationToken cancel) =>
        [
            .. (await db.Facts.AsNoTracking().Where(fact => fact.Name.StartsWith(Fact)).ToListAsync(cancel))
                .Select(fact => (fact.Name[Fact.Length..], JsonSerializer.Deserialize<TakenLog>(fact.Value, Bookkeeping.Json)!))
                .OrderByDescending(one => one.Item2.TakenUtc),
        ];

    /// <summary>Takes a log out again, with what was written in it; false where there is none of that name.</summary>
    public static async Task<bool> TakeOutAsync(PracticeDb db, string id, CancellationToken cancel)
    {
        if (await db.Facts.FindAsync([Fact + id], cancel) is not { } fact)
            return false;
        var log = JsonSerializer.Deserialize<TakenLog>(fact.Value, Bookkeeping.Json)!;
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        foreach (var some in log.Entries.Chunk(500))
            await db.Entries.IgnoreQueryFilters().Where(row => some.Contains(row.Id)).ExecuteDeleteAsync(cancel);
        foreach (var some in log.Sessions.Chunk(500))
            await db.Sessions.Where(row => some.Contains(row.Id)).ExecuteDeleteAsync(cancel);
        db.Facts.Remove(fact);
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return true;
    }

    private static SessionDrillRow DrillOf(LogLine line, int place)
    {
        var minutes = Math.Max(1, (int)Math.Round(line.Minutes));
        var drill = new Drill
        {
            Id = string.Create(CultureInfo.InvariantCulture, $"d{place + 1}"),
            Area = line.Area,
            Title = line.What,
            Minutes = minutes,
            Reason = "from an earlier log",
        };
        return new SessionDrillRow
        {
            Day = line.Day,
            Position = place,
            Area = line.Area,
            Title = line.What,
            PlannedSeconds = minutes * 60,
            PlayedSeconds = Math.Round(line.Minutes * 60),
            State = DrillState.Done,
            DrillJson = JsonSerializer.Serialize(drill, Bookkeeping.Json),
        };
    }
}
