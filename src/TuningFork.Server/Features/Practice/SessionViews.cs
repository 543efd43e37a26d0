using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Sound;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Shows a session as the stage does: the drills, the cue of this moment, the question, the music.</summary>
public sealed class SessionViews(
    PracticeDb db,
    PlanDesk plans,
    ThingAtHand thing,
    StationBooks stations,
    StageMusic music,
    StageSound sound,
    PracticeClock clock
)
{
    /// <summary>The session as it stands.</summary>
    public async Task<SessionView> OfAsync(SessionRow session, CancellationToken cancel)
    {
        var rows = session.Drills.OrderBy(row => row.Position).ToList();
        var current = rows.FirstOrDefault(row => row.Position == session.Current);
        var drill = current is null ? null : SessionDesk.Read(current);
        var cue = current is null ? null : SessionDesk.CueOf(current, drill!);
        var target = cue is { TargetIndex: >= 0 } ? drill!.Targets[cue.TargetIndex] : null;
        var (abc, word) = target is null || cue!.HidesMusic ? ("", "") : await music.OfAsync(target, cue, cancel);
        var asked = current is null ? null : await thing.MaterialAsync(current, null, cancel);
        var title = asked is null
            ? ""
            : Bookkeeping.TitleOf(asked, asked.PieceId is { } piece ? await db.Materials.FindAsync([piece], cancel) : null);
        return new SessionView(
            session.Id,
            session.Day,
            session.Running,
            session.Current,
            session.PlannedMinutes,
            session.Purpose,
            rows.ConvertAll(View),
            cue,
            target is null
                ? null
                : new TargetView(
                    target.Key,
                    target.MaterialId,
                    target.Title,
                    cue!.Tempo?.Value,
                    target.Goal?.Value,
                    target.Beat.Name,
                    target.Note
                ),
            cue is null ? null : await QuestionAsync(drill!, cue, cancel),
            rows.Where(row => row.Position > session.Current && row.State == DrillState.Waiting).Select(row => row.Title).FirstOrDefault()
                ?? "",
            abc,
            word,
            target?.Work is { Kind: WorkKind.Groove } groove ? Groove.Parse(groove.Text) : null,
            plans.IsOver(session, clock.Today(await plans.ProfileAsync(cancel))),
            asked?.AskedFor == session.Day ? title : "",
            asked?.AskedFor == session.Day.AddDays(1) ? title : "",
            asked?.ReliefFrom > session.Day
                ? $"{title}: {ReliefTime.Words(asked.Relief)} from tomorrow, looked at again on {new ReliefTime(asked.Relief, asked.ReliefFrom.Value).LooksAgainOn:d MMMM}."
                : "",
            asked is null or { Kind: MaterialKind.Book } ? "" : title,
            await StationAsync(session, rows, asked, cancel),
            await SessionBeginning.IsUntouchedAsync(db, session, cancel),
            drill is null or { IsBreak: true } || cue is { Resting: true }
                ? null
                : await thing.WrittenAsync(session, drill, target, cancel),
            cue is null ? null : await sound.OfAsync(session, drill!, cue, target, cancel),
            drill is null or { IsBreak: true } ? null : SeedOf(drill, target, abc),
            target is null || cue!.HidesMusic ? [] : await StagePages.OfAsync(db, target, cancel),
            await SessionClosing.EndedBeforeAsync(db, session, cancel),
            rows.Exists(row => row.Position > session.Current && row.State == DrillState.Waiting) ? 0 : rows.Sum(row => row.LeftSeconds)
        );
    }

    /// <summary>The exercise at hand when its takes speak for another station, else that of the drill before.</summary>
    private async Task<StationView?> StationAsync(
        SessionRow session,
        IReadOnlyList<SessionDrillRow> rows,
        MaterialRow? asked,
        CancellationToken cancel
    )
    {
        if (await stations.OfAsync(asked, session.Day, cancel) is { Next: not null } here)
            return here;
        var before = rows.FirstOrDefault(row => row.Position == session.Current - 1 && row.Takes.Count > 0);
        return
            before is not null
            && await stations.OfAsync(await thing.MaterialAsync(before, null, cancel), session.Day, cancel) is { Next: not null } last
            ? last
            : null;
    }

    /// <summary>The groove or the bars at hand; an empty line where something is made up from nothing.</summary>
    private static SeedView? SeedOf(Drill drill, Target? target, string abc)
    {
        const string nothing = "M:4/4\nL:1/4\nK:C\n";
        var key = target is null ? default : TargetKey.Parse(target.Key);
        var source = key.Kind == TargetKind.Material && target is not null ? key.Id : (int?)null;
        var title = $"From {(key.Part is TargetPart.Whole or TargetPart.Bars && target is not null ? target.Title : drill.Title)}";
        return target?.Work is { Kind: WorkKind.Groove } groove ? new SeedView(title, groove.Text, true, source, "")
            : abc.Length > 0
                ? new SeedView(
                    title,
                    AbcLines.WithoutNumber(abc),
                    false,
                    source,
                    abc.Contains("\nV:", StringComparison.Ordinal) ? "" : AbcLines.Repeated(AbcLines.WithoutNumber(abc))
                )
            : drill.Area == Area.Play ? new SeedView(title, nothing, false, source, "")
            : null;
    }

    private static SessionDrillView View(SessionDrillRow row)
    {
        var drill = SessionDesk.Read(row);
        var method = drill.IsBreak ? null : Methods.Of(drill);
        return new SessionDrillView(
            row.Position,
            row.Area,
            row.Title,
            drill.MethodId.Name,
            method?.Name ?? "",
            drill.How.Length > 0 ? drill.How : method?.How ?? "",
            drill.Sum,
            drill.Minutes,
            row.PlannedSeconds + row.ExtraSeconds,
            Math.Round(row.PlayedSeconds, 1),
            row.State,
            row.Takes.Count,
            row.Takes.Count(take => take.Clean),
            row.Nudge,
            drill.Targets.Count > 0,
            drill.MethodId == Methods.ThreeAndOne.Id,
            DeskOf(drill),
            Things(drill),
            drill.Block,
            drill.SavedSeconds
        );
    }

    /// <summary>The song of a drill; null where it is about none.</summary>
    public static int? SongOf(Drill drill) =>
        drill.Targets is [{ Key: var key }, ..] && TargetKey.Parse(key) is { Kind: TargetKind.Song } song ? song.Id : null;

    private static DeskView? DeskOf(Drill drill) =>
        drill.MethodId == Methods.SlowReading.Id && drill.Targets is [{ MaterialId: { } piece, StopAfterBar: null }]
            ? new DeskView(DeskKind.SlowReading, piece)
        : drill.MethodId == Methods.FirstLook.Id && drill.Targets is [{ MaterialId: { } book }] ? new DeskView(DeskKind.FirstLook, book)
        : drill.MethodId == Methods.Shelf.Id ? new DeskView(DeskKind.Shelf, null)
        : drill.MethodId == Methods.NewMusic.Id ? new DeskView(DeskKind.NewMusic, null)
        : drill.MethodId == Methods.UnseenInTime.Id && drill.Targets is [{ MaterialId: { } read }, ..] ? new DeskView(DeskKind.Paper, read)
        : SongOf(drill) is { } song ? new DeskView(DeskKind.PlayAlong, song)
        : drill.MethodId == Methods.EarRound.Id ? new DeskView(DeskKind.EarRound, null)
        : null;

    private static List<ThingView> Things(Drill drill)
    {
        // A key or an example of a thing is not asked for by itself.
        var things = drill.Targets.Where(target => target.MaterialId is not null).DistinctBy(target => target.MaterialId).ToList();
        return things.Count > 1 ? things.ConvertAll(target => new ThingView(target.Key, target.Title)) : [];
    }

    private async Task<EarQuestion?> QuestionAsync(Drill drill, Cue cue, CancellationToken cancel) =>
        cue.Question < 0
            ? null
            : EarTasks.Question(
                drill.Targets[0].Key,
                drill.Seed + (cue.Question * 7919),
                (await plans.ProfileAsync(cancel)).EarCentre,
                drill.Targets[0].Place
            );
}
