using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>What is done when a thing was missed three times running.</summary>
public enum Help
{
    /// <summary>It goes on as it is.</summary>
    None,
    Slower,
    Smaller,

    /// <summary>Something else for some minutes, then the rest of the drill.</summary>
    Break,
}

/// <summary>Carries out what was chosen after three misses.</summary>
public sealed class HelpAtHand(PracticeDb db)
{
    public async Task GiveAsync(SessionRow session, SessionDrillRow row, Help help, CancellationToken cancel)
    {
        var drill = SessionDesk.Read(row);
        if (SessionDesk.CueOf(row, drill).Help is not { } offered)
            return;
        var last = row.Takes.MaxBy(take => take.Number)!;
        drill = help switch
        {
            Help.Slower when last.Tempo is { } tempo => Slower(row, drill, offered, new Bpm(tempo)),
            Help.Smaller when offered is { HalfTo: not null, MaterialId: { } id } => await SmallerAsync(
                session,
                drill,
                offered,
                id,
                cancel
            ),
            Help.Slower or Help.Smaller => throw new FieldException("value", "That is not offered for this. Take a break, or go on."),
            _ => drill,
        };
        row.DrillJson = JsonSerializer.Serialize(drill with { HelpedAt = row.Takes.Count }, Bookkeeping.Json);
        if (help == Help.Break)
            Split(session, row, drill);
    }

    /// <summary>A ladder reckons from its foot: there the nudge does it.</summary>
    private static Drill Slower(SessionDrillRow row, Drill drill, HelpCue offered, Bpm tempo)
    {
        if (Methods.Of(drill).Course != Course.Ladder)
            return StageHelp.Slower(drill, offered.TargetIndex, tempo);
        row.Nudge += StageHelp.Slower(drill, offered.TargetIndex, tempo).Targets[offered.TargetIndex].Tempo!.Value.Value - tempo.Value;
        return drill;
    }

    /// <summary>Half of the bars becomes a passage of its own, or is one already.</summary>
    private async Task<Drill> SmallerAsync(SessionRow session, Drill drill, HelpCue offered, int passage, CancellationToken cancel)
    {
        var whole = await db.Materials.Include(row => row.Piece).FirstAsync(row => row.Id == passage, cancel);
        var half = await db.Materials.FirstOrDefaultAsync(
            row =>
                row.Kind == MaterialKind.Passage
                && row.PieceId == whole.PieceId
                && row.FromBar == whole.FromBar
                && row.ToBar == offered.HalfTo!.Value,
            cancel
        );
        if (half is null)
        {
            half = Bookkeeping.PassageOf(whole.Piece!, whole.FromBar, offered.HalfTo!.Value);
            (half.Target, half.Difficulty) = (whole.Target, whole.Difficulty);
            db.Materials.Add(half);
            await MaterialEndpoints.RateAsync(db, half, session.Day, cancel);
            // Its number is needed for the drill.
            await db.SaveChangesAsync(cancel);
        }

        return StageHelp.Smaller(drill, offered, half.Id, Bookkeeping.TitleOf(half, whole.Piece));
    }

    /// <summary>The drill ends here, a break follows, then what is left of the drill: so one sees what the break has brought.</summary>
    private static void Split(SessionRow session, SessionDrillRow row, Drill drill)
    {
        var left = Math.Max(StageClock.More, (int)(row.PlannedSeconds + row.ExtraSeconds - row.PlayedSeconds));
        foreach (var later in session.Drills.Where(one => one.Position > row.Position))
            later.Position += 2;
        var pause = new Drill
        {
            Id = drill.Id + "-break",
            Title = "Something else",
            How = "Instrument down, something else, hands loose. Then again.",
            Minutes = StageHelp.BreakMinutes,
        };
        var rest = drill with { Id = drill.Id + "-again", Minutes = left / 60, SavedSeconds = left % 60, HelpedAt = 0 };
        session.Drills.Add(SessionBeginning.RowOf(session.Day, row.Position + 1, pause));
        session.Drills.Add(SessionBeginning.RowOf(session.Day, row.Position + 2, rest));
        (row.PlannedSeconds, row.ExtraSeconds) = ((int)row.PlayedSeconds, 0);
        var played = drill with { Minutes = Math.Max(1, (row.PlannedSeconds + 30) / 60), HelpedAt = row.Takes.Count };
        row.DrillJson = JsonSerializer.Serialize(played, Bookkeeping.Json);
        session.PlannedMinutes += StageHelp.BreakMinutes;
    }
}
