using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Practice;

/// <summary>Minutes without a miss: stretches that begin with a press and end with a miss, or with their drill.</summary>
public sealed class CleanStretches(TakeBooks books)
{
    /// <summary>The first press begins a stretch; a miss ends it, and the next one begins when one has set up again.</summary>
    public async Task PressAsync(
        SessionRow session,
        SessionDrillRow row,
        Drill drill,
        Cue cue,
        Guid id,
        bool clean,
        CancellationToken cancel
    )
    {
        if (row.LoopFrom is null)
            row.LoopFrom = clean ? row.PlayedSeconds : null;
        else if (!clean)
        {
            var stretch = Math.Max(0, row.PlayedSeconds - row.LoopFrom.Value);
            await EndAsync(session, row, drill, cue, cancel);
            await books.MarkAsync(session, row, drill, 0, new Try(false, cue.Tempo), id, cancel, new TakeDetail(Seconds: stretch));
            row.LoopFrom = row.PlayedSeconds + Takes.SetUpSeconds;
        }
    }

    /// <summary>What went by of a stretch without a press was clean, round by round; the longest of the day is kept.</summary>
    public async Task EndAsync(SessionRow session, SessionDrillRow row, Drill drill, Cue cue, CancellationToken cancel)
    {
        if (row.LoopFrom is not { } from)
            return;
        var stretch = Math.Max(0, row.PlayedSeconds - from);
        for (var round = StageLoop.Rounds(drill.Targets[0], cue.Tempo, stretch); round > 0; round--)
            await books.MarkAsync(session, row, drill, 0, new Try(true, cue.Tempo), Guid.CreateVersion7(), cancel);
        if (drill.Targets[0].MaterialId is { } material)
            await books.LongestAsync(material, session.Day, (int)stretch, cancel);
        row.LoopFrom = null;
    }

    /// <summary>A miss that was none: its stretch goes on, and the rounds that it had settled are settled later.</summary>
    public async Task TakeBackAsync(SessionRow session, SessionDrillRow row, Drill drill, TakeRow miss, CancellationToken cancel)
    {
        if (row.LoopFrom is not { } from || miss is not { Clean: false, Seconds: { } stretch })
            return;
        row.LoopFrom = Math.Max(0, from - Takes.SetUpSeconds - stretch);
        foreach (var round in row.Takes.OrderByDescending(take => take.Number).TakeWhile(take => take.Clean).ToList())
            await books.TakeBackAsync(session, row, drill, round, cancel);
    }
}
