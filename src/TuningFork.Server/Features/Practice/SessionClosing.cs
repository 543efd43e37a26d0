using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Ends a session: at a press, or by itself where it was left open on an earlier day.</summary>
public sealed class SessionClosing(PracticeDb db, PlanDesk plans, SessionEvening evening, PracticeClock clock)
{
    /// <summary>Stands in <see cref="SessionRow.ClosedBy"/> of a session that ended by itself.</summary>
    public static readonly Guid ByItself = Guid.Empty;

    /// <summary>Less than this is nothing played.</summary>
    private const double LeastSeconds = 1;

    /// <summary>Closes a session that was left open, at its last sign of life; one in which nothing happened is taken back.</summary>
    public async Task CloseLeftOpenAsync(SessionRow session, CancellationToken cancel)
    {
        if (await IsEmptyAsync(session, cancel))
        {
            await TakeBackAsync(session, cancel);
            return;
        }

        await evening.LearnAsync(session, cancel);
        await EndAsync(session, ByItself, cancel);
    }

    /// <summary>Ends it; nothing can be sent again for a session that is closed.</summary>
    /// <param name="session">The session with its drills.</param>
    /// <param name="by">Id of the message that closes it.</param>
    /// <param name="cancel">Cancels.</param>
    public async Task EndAsync(SessionRow session, Guid by, CancellationToken cancel)
    {
        var isOver = plans.IsOver(session, clock.Today(await plans.ProfileAsync(cancel)));
        session.EndedUtc = isOver ? LastSign(session) : clock.UtcNow;
        session.Running = false;
        session.ClosedBy = by;
        session.Version++;
        db.Acts.RemoveRange(await db.Acts.Where(act => act.SessionId == session.Id).ToListAsync(cancel));
    }

    /// <summary>As if it had never begun: the plan stands as before.</summary>
    public async Task TakeBackAsync(SessionRow session, CancellationToken cancel)
    {
        var plan = await db.Plans.FindAsync([session.PlanId], cancel);
        if (plan is not null && !await db.Sessions.AnyAsync(other => other.PlanId == plan.Id && other.Id != session.Id, cancel))
            plan.Begun = false;
        db.Acts.RemoveRange(await db.Acts.Where(act => act.SessionId == session.Id).ToListAsync(cancel));
        db.Sessions.Remove(session);
    }

    /// <summary>Whether nothing was played, marked, written, rated or recorded in it.</summary>
    public async Task<bool> IsEmptyAsync(SessionRow session, CancellationToken cancel) =>
        !session.Rated
        && session.Drills.Sum(row => row.PlayedSeconds) < LeastSeconds
        && session.Drills.TrueForAll(row => row.Takes.Count == 0)
        && !await db.Entries.AnyAsync(entry => entry.SessionId == session.Id, cancel)
        && !await db.Recordings.AnyAsync(recording => recording.AtUtc >= session.StartedUtc, cancel);

    /// <summary>The day of the session before, where that one ended by itself and this is the first since; else null.</summary>
    public static async Task<DateOnly?> EndedBeforeAsync(PracticeDb db, SessionRow session, CancellationToken cancel) =>
        await db
            .Sessions.AsNoTracking()
            .Where(other => other.Id < session.Id)
            .OrderByDescending(other => other.Id)
            .Select(other => new { other.Day, other.ClosedBy })
            .FirstOrDefaultAsync(cancel)
            is { } before
        && before.ClosedBy == ByItself
            ? before.Day
            : null;

    private DateTime LastSign(SessionRow session)
    {
        var last = session.Drills.SelectMany(drill => drill.Takes).Select(take => take.AtUtc).Append(session.PulseUtc).Max();
        return last < session.StartedUtc ? session.StartedUtc
            : last > clock.UtcNow ? clock.UtcNow
            : last;
    }
}
