using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Repertoire;
using TuningFork.Server.Features.Sound;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>Shows a session as the stage does: the drills, the cue of this moment, the question, the music.</summary>
public sealed partial class SessionViews(
    PracticeDb db,
    PlanDesk plans,
    ThingAtHand thing,
    MusicDesk music,
    StageSound sound,
    PracticeClock clock,
    ILogger<SessionViews> log
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
        var (abc, word) = target is null || cue!.HidesMusic ? ("", "") : await MusicAsync(target, cue, cancel);
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
            await SessionBeginning.IsUntouchedAsync(db, session, cancel),
            drill is null or { IsBreak: true } || cue is { Resting: true }
                ? null
                : await thing.WrittenAsync(session, drill, target, cancel),
            cue is null ? null : await sound.OfAsync(session, drill!, cue, target, cancel)
        );
    }

    private static SessionDrillView View(SessionDrillRow row)
    {
        var drill = SessionDesk.Read(row);
        var method = drill.IsBreak ? null : Methods.Of(drill);
        return new SessionDrillView(
            row.Position,
            row.Area,
            row.Title,
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
            Things(drill)
        );
    }

    private static List<ThingView> Things(Drill drill)
    {
        // A key or an example of a thing is not asked for by itself.
        var things = drill.Targets.Where(target => target.MaterialId is not null).DistinctBy(target => target.MaterialId).ToList();
        return things.Count > 1 ? things.ConvertAll(target => new ThingView(target.Key, target.Title)) : [];
    }

    private async Task<EarQuestion?> QuestionAsync(Drill drill, Cue cue, CancellationToken cancel) =>
        cue.Question < 0
            ? null
            : EarTasks.Question(drill.Targets[0].Key, drill.Seed + (cue.Question * 7919), (await plans.ProfileAsync(cancel)).EarCentre);

    /// <summary>The music of a target as the stage shows it. A drill runs at worst without its music, and with a word about it.</summary>
    private async Task<(string Abc, string Word)> MusicAsync(Target target, Cue cue, CancellationToken cancel)
    {
        try
        {
            return (await AbcAsync(target, cue, cancel), "");
        }
        catch (FieldException problem)
        {
            return ("", problem.Message);
        }
#pragma warning disable CA1031 // Whatever is wrong with the music, what was played counts and the drill goes on.
        catch (Exception problem) when (problem is not (OperationCanceledException or SqliteException))
        {
            NoMusic(log, target.Key, problem);
            return ("", "The music of this cannot be shown; the drill goes on without it.");
        }
#pragma warning restore CA1031
    }

    [LoggerMessage(LogLevel.Error, "The music of {Key} cannot be shown.")]
    private static partial void NoMusic(ILogger log, string key, Exception problem);

    /// <summary>The music of a target in ABC notation, in its key, pattern or thinned; empty when it has none.</summary>
    private async Task<string> AbcAsync(Target target, Cue cue, CancellationToken cancel)
    {
        if (target.Work is { Kind: WorkKind.Notation } written)
            return written.Text;
        if (
            TargetKey.Parse(target.Key) is { Kind: TargetKind.Material } key
            && await music.OfPassageAsync(
                key.Id,
                key.Part == TargetPart.Variant ? key.Name : cue.Variant,
                cancel,
                cue.Step,
                cue.StopAfterBar
            )
                is { } bars
        )
            return AbcWriter.Write(bars with { Title = "", Tempo = null });
        if (target.MaterialId is not { } id)
            return "";
        var json = await db.Materials.Where(row => row.Id == id).Select(row => row.SheetJson).FirstOrDefaultAsync(cancel);
        if (string.IsNullOrEmpty(json) || JsonSerializer.Deserialize<SheetRequest>(json, Bookkeeping.Json) is not { } sheet)
            return "";
        try
        {
            var wish = SheetEndpoints.For(sheet, target.Key, target.Work);
            return AbcWriter.Write(
                SheetEndpoints.Make(wish, ProfileBooks.InstrumentOf(await plans.ProfileAsync(cancel))).Score with
                {
                    Title = "",
                    Tempo = null,
                }
            );
        }
        catch (FieldException)
        {
            // The range has become too small for it: the drill goes on without its music.
            return "";
        }
    }
}
