using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>A drill of a session.</summary>
/// <param name="OwnBar">Every fourth bar of its groove is silent: it is the player's own.</param>
public sealed record SessionDrillView(
    int Position,
    Area? Area,
    string Title,
    string Method,
    string How,
    string Sum,
    int Minutes,
    int AllowedSeconds,
    double PlayedSeconds,
    DrillState State,
    int Takes,
    int CleanTakes,
    int Nudge,
    bool CanAsk,
    bool OwnBar
);

/// <summary>The open session as the stage shows it.</summary>
/// <param name="Position">The drill on the stage; equal to the number of drills when all are through.</param>
/// <param name="Abc">The music of the thing at hand in ABC notation; empty where there is none.</param>
/// <param name="MusicWord">Why the music of the thing at hand cannot be shown; empty where it can, or where there is none.</param>
/// <param name="Groove">The groove at hand, or null.</param>
/// <param name="LaterToday">Of the thing that was played last, when it is to come once more in a later sitting today: its title; else
/// empty.</param>
/// <param name="IsUntouched">True while nothing of it was played or written: it can be left as if it had never begun.</param>
/// <param name="IsOver">True when it is of an earlier day and was left open: it can only be closed.</param>
public sealed record SessionView(
    int Id,
    DateOnly Day,
    bool Running,
    int Position,
    int PlannedMinutes,
    string Purpose,
    IReadOnlyList<SessionDrillView> Drills,
    Cue? Cue,
    TargetView? Target,
    EarQuestion? Question,
    string NextDrill,
    string Abc,
    string MusicWord,
    Groove? Groove,
    bool IsOver,
    string LaterToday,
    bool IsUntouched
);

/// <summary>Leaves a session in which nothing was played yet.</summary>
public sealed record LeaveWish(int SessionId);

/// <summary>Begins today's plan.</summary>
public sealed record BeginWish(int Version);

/// <summary>The stage's own count for the drill, sent every second.</summary>
public sealed record PulseWish(int SessionId, int Position, double PlayedSeconds);

/// <summary>What was done on the stage.</summary>
public enum StageAct
{
    Clean,
    Missed,
    Undo,
    Done,
    Skip,
    Back,
    Pause,
    Resume,

    /// <summary>One minute more for the drill.</summary>
    Extend,

    /// <summary>Value: beats a minute by which the tempo is moved in all.</summary>
    Nudge,

    /// <summary>Value: 1 to 3.</summary>
    Readiness,

    /// <summary>A run over keys, chords or positions is through. Value: how many came late; Seconds: how long it took.</summary>
    Run,

    /// <summary>Value: tension, 0 to 3.</summary>
    Tension,

    /// <summary>The thing at hand is to come once more in a later sitting today; again: no more.</summary>
    Later,
}

/// <summary>An act on the stage. Sent again with the same id it counts once.</summary>
/// <param name="SessionId">The session that the window shows.</param>
/// <param name="Key">Key of the target that was shown when it was pressed; left out: what stands there now.</param>
public sealed record ActWish(
    Guid Id,
    int SessionId,
    int Position,
    double PlayedSeconds,
    StageAct Kind,
    int? Value = null,
    double? Seconds = null,
    string? Key = null
);

/// <summary>What a pulse comes back with.</summary>
public sealed record PulseView(int Position, double PlayedSeconds, bool Running);

/// <summary>A line on one drill.</summary>
public sealed record CloseLine(int Position, string Text);

/// <summary>
/// The end of a session. Sent again with the same id it counts once. Tomorrow: positions of drills whose material is asked for next time.
/// PainAt: position of the drill in which it hurt, or null.
/// </summary>
public sealed record CloseWish(
    Guid Id,
    int SessionId,
    string Note = "",
    IReadOnlyList<CloseLine>? Lines = null,
    IReadOnlyList<int>? Tomorrow = null,
    int? Tension = null,
    bool Pain = false,
    string Where = "",
    int? PainAt = null
);

/// <summary>What the close came to.</summary>
public sealed record CloseView(
    double PlayedMinutes,
    int PlannedMinutes,
    string Advice,
    IReadOnlyList<RatingQuestion> Questions,
    IReadOnlyList<TargetQuestion> Targets
);

/// <summary>The session over HTTP.</summary>
public static class SessionEndpoints
{
    public static void MapSession(this WebApplication app)
    {
        var group = app.MapGroup("/api/session").WithTags("Session");
        group
            .MapGet("", async Task<IResult> (SessionDesk desk, SessionViews views, CancellationToken cancel) =>
                await desk.OpenAsync(cancel) is { } session
                    ? TypedResults.Ok(await views.OfAsync(session, cancel))
                    : TypedResults.NoContent()
            )
            .Produces<SessionView>()
            .Produces(StatusCodes.Status204NoContent)
            .WithName("GetSession");
        group
            .MapPost("", async (BeginWish wish, SessionDesk desk, SessionViews views, CancellationToken cancel) =>
                await views.OfAsync(await desk.BeginAsync(wish.Version, cancel), cancel)
            )
            .WithName("BeginSession");
        group
            .MapPost("/pulse", async (PulseWish wish, SessionDesk desk, PracticeDb db, CancellationToken cancel) =>
            {
                var session = await desk.NeedRunningAsync(wish.SessionId, cancel);
                if (session.Running)
                    desk.Report(session, wish.Position, wish.PlayedSeconds);
                session.Version++;
                await db.SaveChangesAsync(cancel);
                return new PulseView(
                    session.Current,
                    session.Drills.FirstOrDefault(row => row.Position == session.Current)?.PlayedSeconds ?? 0,
                    session.Running
                );
            })
            .WithName("Pulse");
        group
            .MapPost("/leave", async (LeaveWish wish, SessionDesk desk, CancellationToken cancel) =>
                await desk.LeaveAsync(wish.SessionId, cancel)
            )
            .WithName("LeaveSession");
        group.MapPost("/act", ActAsync).WithName("Act");
        group.MapPost("/close", CloseAsync).WithName("CloseSession");
    }

    private static async Task<SessionView> ActAsync(
        ActWish wish,
        SessionDesk desk,
        ThingAtHand thing,
        SessionViews views,
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var session = await desk.NeedRunningAsync(wish.SessionId, cancel);
        var row = session.Drills.FirstOrDefault(drill => drill.Position == wish.Position);
        // A retry, or an act for a drill that was left already, changes nothing; the answer shows where the session stands.
        if (wish.Position == session.Current && !await desk.SeenAsync(session, wish.Id, cancel))
        {
            session.Version++;
            if (session.Running)
                desk.Report(session, wish.Position, wish.PlayedSeconds);
            if (wish.Kind is StageAct.Pause or StageAct.Resume)
                Run(session, wish.Kind == StageAct.Resume, clock);
            else if (wish.Kind == StageAct.Back)
                await desk.BackAsync(session, cancel);
            else if (row is not null)
                await OnDrillAsync(wish, desk, thing, session, row, cancel);
            await db.SaveChangesAsync(cancel);
        }

        return await views.OfAsync(session, cancel);
    }

    private static void Run(SessionRow session, bool running, PracticeClock clock)
    {
        if (running && !session.Running)
            session.PulseUtc = clock.UtcNow;
        session.Running = running;
    }

    private static Task OnDrillAsync(
        ActWish wish,
        SessionDesk desk,
        ThingAtHand thing,
        SessionRow session,
        SessionDrillRow row,
        CancellationToken cancel
    )
    {
        switch (wish.Kind)
        {
            case StageAct.Clean or StageAct.Missed:
                return desk.TakeAsync(session, row, wish.Id, wish.Kind == StageAct.Clean, wish.Key, cancel);
            case StageAct.Run:
                return desk.RunAsync(session, row, wish.Id, wish.Value ?? 0, wish.Seconds, wish.Key, cancel);
            case StageAct.Tension:
                return thing.TenseAsync(session, row, wish.Value ?? 0, cancel);
            case StageAct.Later:
                return thing.LaterAsync(session, row, wish.Key, cancel);
            case StageAct.Undo:
                return desk.UndoAsync(session, row, cancel);
            case StageAct.Done:
                return desk.LeaveAsync(session, row, DrillState.Done, cancel);
            case StageAct.Skip:
                return desk.LeaveAsync(session, row, DrillState.Skipped, cancel);
            case StageAct.Extend:
                SessionDesk.Extend(row);
                return Task.CompletedTask;
            case StageAct.Nudge:
                row.Nudge = wish.Value is >= -200 and <= 200
                    ? wish.Value.Value
                    : throw new FieldException("value", "The tempo can be moved by up to 200 beats a minute.");
                return Task.CompletedTask;
            default:
                return thing.RateAsync(session, row, wish.Value ?? 0, wish.Key, cancel);
        }
    }

    private static async Task<CloseView> CloseAsync(
        CloseWish wish,
        SessionDesk desk,
        SessionEvening evening,
        PracticeDb db,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (
            await db
                .Sessions.AsNoTracking()
                .Include(row => row.Drills)
                    .ThenInclude(row => row.Takes)
                .FirstOrDefaultAsync(row => row.ClosedBy == wish.Id, cancel) is
            { } before
        )
            return await AskedAsync(Closed(before, wish), before, evening, again: true, cancel);
        var session = await desk.NeedAsync(wish.SessionId, cancel);
        var note = Problems.Text("note", wish.Note);
        var where = Problems.Text("where", wish.Where, 200);
        if (wish.Tension is < 0 or > 3)
            throw new FieldException("tension", "Tension is 0 (none) to 3 (high).");
        if (note.Length > 0)
            db.Entries.Add(JournalEndpoints.Entry(clock.UtcNow, session.Day, EntryKind.Session, note, session.Id));
        foreach (var line in Problems.Whole("lines", wish.Lines ?? []))
        {
            var row = session.Drills.FirstOrDefault(drill => drill.Position == line.Position) ?? throw Problems.Unknown("lines", "drill");
            var text = Problems.Text($"lines[{line.Position}]", line.Text);
            if (text.Length > 0)
                db.Entries.Add(JournalEndpoints.Entry(clock.UtcNow, session.Day, EntryKind.Drill, text, session.Id, row, MaterialOf(row)));
        }

        foreach (var position in wish.Tomorrow ?? [])
            await AskAsync(db, session, position, cancel);
        if (wish.Tension is not null || wish.Pain)
        {
            var hurt = wish is { Pain: true, PainAt: { } at }
                ? session.Drills.FirstOrDefault(drill => drill.Position == at) ?? throw Problems.Unknown("painAt", "drill")
                : null;
            var keys = hurt is null ? "" : string.Join(',', SessionDesk.Read(hurt).Targets.Select(target => target.Key));
            await BodyEndpoints.TellAsync(
                db,
                new BodyRow
                {
                    Day = session.Day,
                    AtUtc = clock.UtcNow,
                    Tension = wish.Tension ?? 0,
                    Pain = wish.Pain,
                    Where = where,
                    Keys = keys,
                },
                cancel
            );
        }

        await evening.LearnAsync(session, cancel);
        var view = await AskedAsync(Closed(session, wish), session, evening, again: false, cancel);
        session.EndedUtc = clock.UtcNow;
        session.Running = false;
        session.ClosedBy = wish.Id;
        session.Version++;
        // Nothing can be sent again for a session that is closed.
        db.Acts.RemoveRange(await db.Acts.Where(act => act.SessionId == session.Id).ToListAsync(cancel));
        await db.SaveChangesAsync(cancel);
        return view;
    }

    /// <summary>The close with what is asked: ratings first, and how fast something should go in the end; few questions in all.</summary>
    private static async Task<CloseView> AskedAsync(
        CloseView view,
        SessionRow session,
        SessionEvening evening,
        bool again,
        CancellationToken cancel
    )
    {
        var questions = await evening.QuestionsAsync(session, again, cancel);
        return view with
        {
            Questions = questions,
            Targets = await evening.TargetsAsync(session, RatingQuestions.Most - questions.Count, again, cancel),
        };
    }

    private static CloseView Closed(SessionRow session, CloseWish wish)
    {
        var played = session.Drills.Where(row => row.Area is not null).Sum(row => row.PlayedSeconds) / 60;
        return new CloseView(Math.Round(played, 1), session.PlannedMinutes, wish.Pain ? Core.Planning.HealthWords.Pain : "", [], []);
    }

    private static async Task AskAsync(PracticeDb db, SessionRow session, int position, CancellationToken cancel)
    {
        var row = session.Drills.FirstOrDefault(drill => drill.Position == position) ?? throw Problems.Unknown("tomorrow", "drill");
        var ids = SessionDesk.Read(row).Targets.Select(target => target.MaterialId).OfType<int>().Distinct().ToList();
        foreach (
            var key in SessionDesk
                .Read(row)
                .Targets.Where(target => target.MaterialId is null)
                .Select(target => target.Key)
                .Distinct(StringComparer.Ordinal)
        )
        {
            var ask = await db.Asks.FindAsync([key], cancel) ?? db.Asks.Add(new AskRow { Key = key }).Entity;
            ask.Day = session.Day.AddDays(1);
        }

        foreach (var material in await db.Materials.Where(material => ids.Contains(material.Id)).ToListAsync(cancel))
            material.AskedFor = session.Day.AddDays(1);
    }

    private static int? MaterialOf(SessionDrillRow row)
    {
        var ids = SessionDesk.Read(row).Targets.Select(target => target.MaterialId).Distinct().ToList();
        return ids.Count == 1 ? ids[0] : null;
    }
}
