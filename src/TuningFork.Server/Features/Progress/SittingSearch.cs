using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>Finds sittings by the clock: "7:30" those that were under way at half past seven.</summary>
internal static class SittingSearch
{
    /// <summary>Days with a sitting under way at that time, by the player's clock; the newest first.</summary>
    public static async Task<List<DateOnly>> DaysAsync(PracticeDb db, TimeOnly time, PracticeClock clock, CancellationToken cancel)
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
        return
        [
            .. sittings
                // To the minute: the end is part of it, as it is shown.
                .Where(one => time.IsBetween(Minute(clock.Local(one.StartedUtc)), Minute(clock.Local(one.EndedUtc!.Value)).AddMinutes(1)))
                .Select(one => one.Day)
                .Distinct()
                .OrderDescending(),
        ];
    }

    private static TimeOnly Minute(DateTime time) => new(time.Hour, time.Minute);
}
