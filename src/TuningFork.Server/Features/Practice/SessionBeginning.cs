using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Turns today's plan into a session, and takes that back while nothing was played.</summary>
public sealed class SessionBeginning(
    PracticeDb db,
    SessionDesk desk,
    SessionClosing closing,
    PlanDesk plans,
    StageMusic music,
    PracticeClock clock
)
{
    /// <summary>Begins today's plan; an open session is simply gone on with, one of an earlier day closes by itself.</summary>
    public async Task<SessionRow> BeginAsync(int version, CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        if (await desk.OpenAsync(cancel) is { } open)
        {
            if (!plans.IsOver(open, facts.Day))
                return open;
            await closing.CloseLeftOpenAsync(open, cancel);
            await db.SaveChangesAsync(cancel);
            facts = await plans.FactsAsync(cancel);
        }

        var (row, plan) = await TodayEndpoints.TouchAsync(plans, db, facts, version, cancel);
        if (plan.Drills.Count == 0)
            throw new FieldException("drills", "The plan is empty. Add a drill, or plan anew.");
        var drills = new List<Drill>();
        foreach (var drill in plan.Drills)
            drills.Add(await LateItems.HardFirstAsync(db, await WithNotesAsync(drill, cancel), cancel));
        row.Begun = true;
        // The plan's number is needed for the session: two steps, kept together or not at all.
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        await db.SaveChangesAsync(cancel);
        var session = new SessionRow
        {
            Day = facts.Day,
            PlanId = row.Id,
            PlannedMinutes = plan.Total,
            Purpose = row.Purpose,
            StartedUtc = clock.UtcNow,
            PulseUtc = clock.UtcNow,
            Running = true,
            Drills = [.. drills.Select((drill, position) => RowOf(facts.Day, position, drill))],
        };
        db.Sessions.Add(session);
        await db.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
        return session;
    }

    /// <summary>A drill as a row of a session.</summary>
    public static SessionDrillRow RowOf(DateOnly day, int position, Drill drill) =>
        new()
        {
            Day = day,
            Position = position,
            Area = drill.Area,
            CreditedTo = drill.CreditedTo,
            Title = drill.Title,
            DrillJson = JsonSerializer.Serialize(drill, Bookkeeping.Json),
            PlannedSeconds = drill.Seconds,
        };

    /// <summary>A growing chain goes note by note where the music of its bars is there.</summary>
    private async Task<Drill> WithNotesAsync(Drill drill, CancellationToken cancel)
    {
        if (drill.Links is null || await music.LinksAsync(drill.Targets[0], cancel) is not { } notes)
            return drill;
        var known = drill with { Links = notes, LinksAreNotes = true };
        return known with { Sum = StageSteps.Sum(known) };
    }

    /// <summary>True while nothing of it was played, marked or written: it was begun by mistake, or a moment ago.</summary>
    public static async Task<bool> IsUntouchedAsync(PracticeDb db, SessionRow session, CancellationToken cancel) =>
        session.Drills.Sum(row => row.PlayedSeconds) < StageClock.Unplayed
        && session.Drills.TrueForAll(row => row.Takes.Count == 0)
        && !await db.Entries.AnyAsync(entry => entry.SessionId == session.Id, cancel);

    /// <summary>Takes back that it was begun: the plan stands as before, and nothing is in the books.</summary>
    public async Task LeaveAsync(int id, CancellationToken cancel)
    {
        var session = await desk.NeedAsync(id, cancel);
        if (!await IsUntouchedAsync(db, session, cancel))
            throw new FieldException("session", "Something was played in this session already. Close it; what was played is kept.");
        await closing.TakeBackAsync(session, cancel);
        await db.SaveChangesAsync(cancel);
    }
}
