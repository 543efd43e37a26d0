using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

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
            .MapPost("", async (BeginWish wish, SessionBeginning beginning, SessionViews views, CancellationToken cancel) =>
                await views.OfAsync(await beginning.BeginAsync(wish.Version, cancel), cancel)
            )
            .WithName("BeginSession");
        group
            .MapPost("/pulse", async (PulseWish wish, SessionDesk desk, PracticeDb db, CancellationToken cancel) =>
            {
                var session = await desk.NeedRunningAsync(wish.SessionId, cancel);
                if (session.Running)
                    desk.Report(session, wish.Position, wish.PlayedSeconds);
                await desk.SettleAsync(session, cancel);
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
            .MapPost("/leave", async (LeaveWish wish, SessionBeginning beginning, CancellationToken cancel) =>
                await beginning.LeaveAsync(wish.SessionId, cancel)
            )
            .WithName("LeaveSession");
        group.MapPost("/act", ActAsync).WithName("Act");
        group.MapPost("/close", CloseAsync).WithName("CloseSession");
    }

    private static async Task<SessionView> ActAsync(
        ActWish wish,
        SessionDesk desk,
        ThingAtHand thing,
        HelpAtHand help,
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
            else if (wish.Kind == StageAct.Help && row is not null)
                await GiveAsync(wish, desk, help, session, row, cancel);
            else if (row is not null)
                await OnDrillAsync(wish, desk, thing, session, row, cancel);
            await db.SaveChangesAsync(cancel);
        }

        return await views.OfAsync(session, cancel);
    }

    private static async Task GiveAsync(
        ActWish wish,
        SessionDesk desk,
        HelpAtHand help,
        SessionRow session,
        SessionDrillRow row,
        CancellationToken cancel
    )
    {
        var chosen =
            wish.Value is { } value && Enum.IsDefined((Help)value)
                ? (Help)value
                : throw new FieldException("value", "Help is 0 (none), 1 (slower), 2 (half of the bars) or 3 (something else first).");
        await help.GiveAsync(session, row, chosen, cancel);
        if (chosen == Help.Break)
            await desk.LeaveAsync(session, row, DrillState.Done, cancel);
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
                return desk.TakeAsync(
                    session,
                    row,
                    wish.Id,
                    wish.Kind == StageAct.Clean,
                    wish.Key,
                    cancel,
                    new TakeDetail(Off: wish is { Kind: StageAct.Missed, Value: -1 or 1 } ? wish.Value : null, Heard: wish.HeardId)
                );
            case StageAct.Run:
                return desk.RunAsync(session, row, wish, cancel);
            case StageAct.Tension:
                return thing.TenseAsync(session, row, wish.Value ?? 0, cancel);
            case StageAct.Later:
                return thing.AgainAsync(session, row, wish.Key, 0, cancel);
            case StageAct.Tomorrow:
                return thing.AgainAsync(session, row, wish.Key, 1, cancel);
            case StageAct.Click:
                return thing.ClickAsync(row, wish.Value == 1, wish.Key, cancel);
            case StageAct.Settle:
                return thing.SettleAsync(wish.Value ?? 0, cancel);
            case StageAct.Relief:
                return thing.RelieveAsync(session, row, (Relief)(wish.Value ?? -1), wish.Key, cancel);
            case StageAct.Station:
                return thing.GoOnAsync(session, wish.Value ?? 0, cancel);
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
        SessionClosing closing,
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
            db.Entries.Add(EntryBooks.New(clock.UtcNow, session.Day, EntryKind.Session, note, session.Id));
        foreach (var line in Problems.Whole("lines", wish.Lines ?? []))
        {
            var row = session.Drills.FirstOrDefault(drill => drill.Position == line.Position) ?? throw Problems.Unknown("lines", "drill");
            if (string.IsNullOrWhiteSpace(line.Text + line.Cause + line.Remedy + line.NextTime))
                continue;
            var entry = EntryBooks.New(clock.UtcNow, session.Day, EntryKind.Drill, "", session.Id, row, MaterialOf(row));
            Problems.Text($"lines[{line.Position}]", line.Text);
            EntryBooks.Write(entry, new EntryChange(line.Text, line.Cause, line.Remedy, line.NextTime));
            db.Entries.Add(entry);
        }

        await AskAsync(db, session, wish, cancel);
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
        // What was written with the close is in no query yet.
        var isEmpty = !db.ChangeTracker.Entries<EntryRow>().Any() && wish is { Tension: null, Pain: false };
        if (isEmpty && await closing.IsEmptyAsync(session, cancel))
            await closing.TakeBackAsync(session, cancel);
        else
            await closing.EndAsync(session, wish.Id, cancel);
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
            ListToRate = await evening.ListAsync(session.Day, cancel),
        };
    }

    private static CloseView Closed(SessionRow session, CloseWish wish)
    {
        var played = session.Drills.Where(row => row.Area is not null).Sum(row => row.PlayedSeconds) / 60;
        return new CloseView(Math.Round(played, 1), session.PlannedMinutes, wish.Pain ? Core.Planning.HealthWords.Pain : "", [], [], null);
    }

    /// <summary>What is asked for tomorrow: all that a drill is about, or single things.</summary>
    private static async Task AskAsync(PracticeDb db, SessionRow session, CloseWish wish, CancellationToken cancel)
    {
        var drills = session.Drills.ToDictionary(row => row.Position, row => SessionDesk.Read(row).Targets);
        var asked = (wish.Tomorrow ?? [])
            .SelectMany(position => drills.GetValueOrDefault(position) ?? throw Problems.Unknown("tomorrow", "drill"))
            .ToList();
        var all = drills.Values.SelectMany(targets => targets).ToList();
        foreach (var key in wish.TomorrowKeys ?? [])
            asked.Add(all.Find(target => target.Key == key) ?? throw Problems.Unknown("tomorrowKeys", "thing"));
        foreach (var key in asked.Where(target => target.MaterialId is null).Select(target => target.Key).Distinct(StringComparer.Ordinal))
        {
            var ask = await db.Asks.FindAsync([key], cancel) ?? db.Asks.Add(new AskRow { Key = key }).Entity;
            ask.Day = session.Day.AddDays(1);
        }

        var ids = asked.Select(target => target.MaterialId).OfType<int>().Distinct().ToList();
        foreach (var material in await db.Materials.Where(material => ids.Contains(material.Id)).ToListAsync(cancel))
            material.AskedFor = session.Day.AddDays(1);
    }

    private static int? MaterialOf(SessionDrillRow row)
    {
        var ids = SessionDesk.Read(row).Targets.Select(target => target.MaterialId).Distinct().ToList();
        return ids.Count == 1 ? ids[0] : null;
    }
}
