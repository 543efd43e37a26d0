using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>
/// Runs the open session: the seconds, the takes, the turn from drill to drill. Everything is in the file when a call returns.
/// </summary>
public sealed class SessionDesk(
    PracticeDb db,
    PlanDesk plans,
    TakeBooks books,
    CleanStretches stretches,
    FallenOut fallen,
    PracticeClock clock
)
{
    public Task<SessionRow?> OpenAsync(CancellationToken cancel) =>
        db
            .Sessions.Include(session => session.Drills)
                .ThenInclude(drill => drill.Takes)
            .Where(session => session.EndedUtc == null)
            .OrderBy(session => session.Id)
            .AsSplitQuery()
            .FirstOrDefaultAsync(cancel);

    /// <summary>The open session, which has to be the one that a window still shows: an old window changes nothing in a new one.</summary>
    public async Task<SessionRow> NeedAsync(int id, CancellationToken cancel) =>
        await OpenAsync(cancel) switch
        {
            null => throw new FieldException(
                "session",
                "There is no open session any more; it was closed. Begin one from today's plan.",
                StatusCodes.Status409Conflict
            ),
            { } open when open.Id != id => throw new FieldException(
                "session",
                "Another session has begun meanwhile, and nothing was changed in it. Reload this page to see it.",
                StatusCodes.Status409Conflict
            ),
            { } open => open,
        };

    /// <summary>The open session for an act or a report: of an earlier day it can only be closed.</summary>
    public async Task<SessionRow> NeedRunningAsync(int id, CancellationToken cancel)
    {
        var open = await NeedAsync(id, cancel);
        return await IsOverAsync(open, cancel) ? throw Unclosed(open) : open;
    }

    public async Task<bool> IsOverAsync(SessionRow session, CancellationToken cancel) =>
        plans.IsOver(session, clock.Today(await plans.ProfileAsync(cancel)));

    internal static FieldException Unclosed(SessionRow open) =>
        new(
            "session",
            string.Create(
                CultureInfo.InvariantCulture,
                $"The session of {open.Day:dddd d MMMM} is over. Begin today's: what was played then is kept with its own day."
            ),
            StatusCodes.Status409Conflict
        );

    /// <summary>
    /// Takes over the seconds the stage has counted. They are the stage's own total for the drill, so a report sent twice,
    /// or from two windows, counts once; and they cannot outrun the clock, so a closed lid or a set clock adds nothing. What
    /// was granted ahead of the clock is taken off the next report: the slack is given once, not with every report. What went by
    /// and was not claimed yet may be claimed a little later: after the program was away the acts of that time come first.
    /// </summary>
    public void Report(SessionRow session, int position, double playedSeconds)
    {
        if (double.IsNaN(playedSeconds) || playedSeconds < 0)
            throw new FieldException("playedSeconds", "Seconds played are 0 or more.");
        if (position != session.Current || position >= session.Drills.Count)
            return;
        var drill = session.Drills.First(row => row.Position == position);
        var now = clock.UtcNow;
        var gone = (now - session.PulseUtc).TotalSeconds;
        var (added, ahead) = StageClock.Count(drill.PlayedSeconds, playedSeconds, gone);
        drill.PlayedSeconds += added;
        session.PulseUtc = now.AddSeconds(ahead);
    }

    /// <summary>Whether an act was carried out before, when it is sent again because its answer was lost; else it is noted.</summary>
    public async Task<bool> SeenAsync(SessionRow session, Guid act, CancellationToken cancel)
    {
        if (await db.Acts.FindAsync([act], cancel) is not null)
            return true;
        db.Acts.Add(new ActRow { Id = act, SessionId = session.Id });
        return false;
    }

    /// <summary>Clean or missed: recorded once for each id, then the drill may be at its end.</summary>
    /// <param name="detail">What is known of it beside clean or missed.</param>
    public async Task TakeAsync(
        SessionRow session,
        SessionDrillRow row,
        Guid id,
        bool clean,
        string? key,
        CancellationToken cancel,
        TakeDetail detail = default
    )
    {
        if (await db.Takes.AnyAsync(take => take.Id == id, cancel))
            return;
        var drill = Read(row);
        var cue = CueOf(row, drill);
        var shown = Shown(drill, cue, key);
        // A take pressed for what was shown counts, though its rest, or another way to work on it, has just begun.
        if ((!cue.CountsTakes && !(cue.Period is not null && key is not null)) || cue.Complete || shown < 0)
            return;
        if (cue.Loop is not null)
        {
            await stretches.PressAsync(session, row, drill, cue, id, clean, cancel);
            return;
        }

        // Which step it was that needed another try.
        if (!clean && Methods.Of(drill).Course == Course.Steps)
            detail = detail with { LateItems = cue.Title };
        var target = drill.Targets[shown];
        var tempo = await HeardTempoAsync(detail.Heard, target, cancel)
            ?? (shown == cue.TargetIndex ? cue.Tempo : target.Tempo?.Plus(row.Nudge));
        await books.MarkAsync(session, row, drill, shown, new Try(clean, tempo, cue.Run?.IsRepair == true ? 0 : 1), id, cancel, detail);
        // Where the tempo follows the takes it goes on from the one that was just played.
        if (target is { Able: not null, Pace: Pace.Work } && Methods.Of(drill).Course is Course.Rounds or Course.WorkRest)
            row.Nudge = 0;
        if (CueOf(row, drill).Complete && !GoesOn(session, row, drill))
            await LeaveAsync(session, row, DrillState.Done, cancel);
    }

    /// <summary>The tempo at which a take was heard, where no click gave it: what is shown is then only wished.</summary>
    private async Task<Bpm?> HeardTempoAsync(int? id, Target target, CancellationToken cancel) =>
        id is null
            ? null
            : Bookkeeping.ToBpm(
                await db
                    .Heard.Where(heard => heard.Id == id && heard.TargetKey == target.Key && !heard.Simulated)
                    .Select(heard => heard.PlayedTempo)
                    .FirstOrDefaultAsync(cancel)
            );

    /// <summary>A stretch that has lasted long enough ends its drill by the clock.</summary>
    public async Task SettleAsync(SessionRow session, CancellationToken cancel)
    {
        if (
            session.Drills.FirstOrDefault(drill => drill.Position == session.Current) is { LoopFrom: not null } row
            && Read(row) is var drill
            && StageLoop.IsThrough(drill, row.PlayedSeconds, row.LoopFrom)
        )
            await LeaveAsync(session, row, DrillState.Done, cancel);
    }

    /// <summary>Rounds that are through while no later drill can use the time go on with more takes.</summary>
    private static bool GoesOn(SessionRow session, SessionDrillRow row, Drill drill)
    {
        // Takes pressed faster than they can be played have had their time all the same.
        var played = StageClock.Spent(row.PlayedSeconds, row.Takes.Sum(take => drill.Targets[take.TargetIndex].TakeSeconds));
        var left = (int)(row.PlannedSeconds + row.ExtraSeconds - played);
        if (SavedTime.Longer(drill, WaitingAfter(session, row).Select(Read), left) is not { } longer)
            return false;
        row.DrillJson = JsonSerializer.Serialize(longer, Bookkeeping.Json);
        return true;
    }

    private static List<SessionDrillRow> WaitingAfter(SessionRow session, SessionDrillRow row) =>
        [
            .. session
                .Drills.Where(drill => drill.Position > row.Position && drill is { State: DrillState.Waiting, Takes.Count: 0 })
                .OrderBy(drill => drill.Position),
        ];

    /// <summary>The index of what the stage showed when it was pressed; without a key what stands there now, -1 for nothing.</summary>
    internal static int Shown(Drill drill, Cue cue, string? key)
    {
        if (key is null || (cue.TargetIndex >= 0 && drill.Targets[cue.TargetIndex].Key == key))
            return cue.TargetIndex;
        var index = drill.Targets.ToList().FindIndex(target => target.Key == key);
        return index >= 0
            ? index
            : throw new FieldException(
                "key",
                "What was shown is not in this drill any more, so nothing was counted. Reload the stage and play it again."
            );
    }

    /// <summary>A run is clean when nothing came late and the clock had not run out.</summary>
    public Task RunAsync(SessionRow session, SessionDrillRow row, ActWish wish, CancellationToken cancel)
    {
        var drill = Read(row);
        if (CueOf(row, drill).Run is not { } run)
            return Task.CompletedTask;
        var late = wish.Value ?? 0;
        if (late < 0 || late > run.Steps.Count)
            throw new FieldException("value", $"Of {run.Steps.Count} arrivals 0 to {run.Steps.Count} come late.");
        if (wish.LateAt is { } told && (told.Count > late || told.Any(step => step < 0 || step >= run.Steps.Count)))
            throw new FieldException("lateAt", $"Steps of the run are 0 to {run.Steps.Count - 1}, and as many as came late at most.");
        if (wish.Seconds is < 0 or > 3600 || (run.LimitSeconds > 0 && wish.Seconds is null))
            throw new FieldException("seconds", "Give the seconds that the run took, 0 to 3600.");
        var clean = late == 0 && (run.LimitSeconds == 0 || wish.Seconds <= run.LimitSeconds);
        var items =
            run.Items.Count == 0
                ? []
                : (wish.LateAt ?? []).Select(step => drill.Targets[0].Work!.Items[run.Items[step]]).Distinct(StringComparer.Ordinal);
        return TakeAsync(session, row, wish.Id, clean, wish.Key, cancel, new TakeDetail(late, wish.Seconds, string.Join('\n', items)));
    }

    /// <summary>Takes the last take of the drill back.</summary>
    public async Task UndoAsync(SessionRow session, SessionDrillRow row, CancellationToken cancel)
    {
        if (row.Takes.MaxBy(take => take.Number) is not { } last)
            return;
        await books.TakeBackAsync(session, row, Read(row), last, cancel);
        await stretches.TakeBackAsync(session, row, Read(row), last, cancel);
    }

    /// <summary>One minute more for a drill, an hour in all at most.</summary>
    public static void Extend(SessionDrillRow row) =>
        row.ExtraSeconds =
            row.ExtraSeconds + StageClock.More <= StageClock.MostMore
                ? row.ExtraSeconds + StageClock.More
                : throw new FieldException(
                    "kind",
                    $"A drill gets {StageClock.MostMore / 60} minutes more at most. Begin another one for more."
                );

    /// <summary>Leaves a drill as done or skipped and goes to the next one that waits.</summary>
    public async Task LeaveAsync(SessionRow session, SessionDrillRow row, DrillState state, CancellationToken cancel)
    {
        row.State = state;
        var complete = CueOf(row, Read(row)).Complete;
        if (row.LoopFrom is not null)
            await stretches.EndAsync(session, row, Read(row), CueOf(row, Read(row)), cancel);
        if (row.Takes.Count > 0 || (state == DrillState.Done && row.PlayedSeconds >= StageClock.Visit))
            await books.TouchedAsync(session, Read(row), row, cancel);
        await fallen.KeepAsync(session, row, Read(row), cancel);
        if (state == DrillState.Done)
            PassOn(session, row, complete);
        session.Current = session
            .Drills.Where(drill => drill.State == DrillState.Waiting)
            .Select(drill => drill.Position)
            .DefaultIfEmpty(session.Drills.Count)
            .Min();
        if (session.Drills.FirstOrDefault(drill => drill.Position == session.Current) is { Takes.Count: 0 } next)
            next.DrillJson = JsonSerializer.Serialize(await books.RefreshedAsync(Read(next), session.Day, cancel), Bookkeeping.Json);
    }

    /// <summary>The time that a drill leaves goes to the rounds that follow in its area.</summary>
    private static void PassOn(SessionRow session, SessionDrillRow row, bool complete)
    {
        var waiting = WaitingAfter(session, row);
        var left = (int)(row.PlannedSeconds + row.ExtraSeconds - row.PlayedSeconds);
        row.LostSeconds = 0;
        if (SavedTime.PassOn(Read(row), waiting.Select(Read), left) is { } passed)
        {
            var next = waiting.First(drill => Read(drill).Id == passed.Drill.Id);
            next.DrillJson = JsonSerializer.Serialize(passed.Drill, Bookkeeping.Json);
            next.PlannedSeconds += passed.Seconds;
            row.PlannedSeconds -= passed.Seconds;
            left -= passed.Seconds;
        }

        row.LostSeconds = left > 0 && complete ? left : 0;
    }

    /// <summary>
    /// Goes back to the drill before and opens it again: with a minute more where its time was up, and without its last take
    /// where that take had ended it.
    /// </summary>
    public async Task BackAsync(SessionRow session, CancellationToken cancel)
    {
        if (session.Current == 0)
            return;
        session.Current--;
        var row = session.Drills.First(drill => drill.Position == session.Current);
        (row.State, row.LostSeconds) = (DrillState.Waiting, 0);
        if (CueOf(row, Read(row)).Complete)
            await UndoAsync(session, row, cancel);
        var left = row.PlannedSeconds + row.ExtraSeconds - row.PlayedSeconds;
        if (left < StageClock.Back)
            row.ExtraSeconds += (int)Math.Ceiling(StageClock.Back - left);
    }

    public static Drill Read(SessionDrillRow row) => JsonSerializer.Deserialize<Drill>(row.DrillJson, Bookkeeping.Json)!;

    public static Cue CueOf(SessionDrillRow row, Drill drill) =>
        Stage.Now(
            // A minute more is time of the drill as any other.
            drill with
            {
                SavedSeconds = drill.SavedSeconds + row.ExtraSeconds,
            },
            [.. row.Takes.OrderBy(take => take.Number).Select(take => Bookkeeping.ToStage(take, drill))],
            row.PlayedSeconds,
            row.Nudge,
            row.LoopFrom
        );
}
