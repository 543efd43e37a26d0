using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Data;

namespace TuningFork.Server.Features.Progress;

/// <summary>Finds sittings by the clock: "7:30" those that were under way at half past seven.</summary>
internal static class SittingSearch
{
    private static readonly string[] Forms = ["H:mm", "HH:mm"];

    /// <summary>The time of day that was looked for; null where it was words.</summary>
    public static TimeOnly? TimeOf(string? search) =>
        TimeOnly.TryParseExact(search?.Trim(), Forms, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time) ? time : null;

    /// <summary>Days with a sitting under way at that time, by the player's clock; the newest first.</summary>
    public static async Task<List<DateOnly>> DaysAsync(PracticeDb db, TimeOnly time, TimeZoneInfo zone, CancellationToken cancel)
    {
        var sittings = await db
            .Sessions.Where(session => session.EndedUtc != null)
            .Select(session => new
            {
                session.Day,
                session.StartedUtc,
                session.EndedUtc,
            })
            .ToListAsync(cancel);
        TimeOnly Local(DateTime utc) =>
            TimeOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), zone));
        return
        [
            .. sittings
                // To the minute: the end is part of it, as it is shown.
                .Where(one => time.IsBetween(Minute(Local(one.StartedUtc)), Minute(Local(one.EndedUtc!.Value)).AddMinutes(1)))
                .Select(one => one.Day)
                .Distinct()
                .OrderDescending(),
        ];
    }

    private static TimeOnly Minute(TimeOnly time) => new(time.Hour, time.Minute);
}
