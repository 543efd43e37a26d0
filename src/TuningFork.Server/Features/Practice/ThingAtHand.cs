using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>What the player says on the stage about the thing at hand: how it stands, how tense it is, that it is to come again.</summary>
public sealed class ThingAtHand(PracticeDb db, WrittenLast written, StationBooks stations, PracticeClock clock)
{
    /// <summary>Rates the thing at hand.</summary>
    public async Task RateAsync(SessionRow session, SessionDrillRow row, int readiness, string? key, CancellationToken cancel)
    {
        if (!Enum.IsDefined((Readiness)readiness))
            throw new FieldException("value", "Readiness is 1 (raw), 2 (taking shape) or 3 (concert-ready).");
        if (await MaterialAsync(row, key, cancel) is not { } material)
            throw new FieldException("value", "There is nothing here that has a readiness.");
        material.Readiness = (Readiness)readiness;
        await MaterialEndpoints.RateAsync(db, material, session.Day, cancel);
        session.Rated = true;
    }

    /// <summary>
    /// Tension is the ceiling: from 2 on the tempo steps down twice, and once when it has risen with the tempo. Of two things in
    /// turn only the one just played steps down.
    /// </summary>
    public async Task TenseAsync(SessionRow session, SessionDrillRow row, int tension, CancellationToken cancel)
    {
        if (tension is < 0 or > Body.MostTension)
            throw new FieldException("value", "Tension is 0 (none) to 3 (high).");
        var before = await db
            .Bodies.Where(body => body.Day == session.Day)
            .OrderByDescending(body => body.Id)
            .Select(body => (int?)body.Tension)
            .FirstOrDefaultAsync(cancel);
        await BodyEndpoints.TellAsync(
            db,
            new BodyRow
            {
                Day = session.Day,
                AtUtc = clock.UtcNow,
                Tension = tension,
            },
            cancel
        );
        var drill = SessionDesk.Read(row);
        var cue = SessionDesk.CueOf(row, drill);
        if (cue is not { Tempo: { } tempo, TargetIndex: >= 0 } || Methods.Of(drill).Course is not (Course.Ladder or Course.Bursts))
            return;
        var index = row.Takes.MaxBy(take => take.Number)?.TargetIndex ?? cue.TargetIndex;
        var alone = drill.Targets.Count == 1;
        var steps = Body.StepsDown(tension, before, cue.AsksTension || !alone);
        var beats = steps * Core.Tempo.Ladder.Step(tempo, drill.Targets[index].Goal);
        if (alone)
            row.Nudge -= beats;
        else
            row.DrillJson = JsonSerializer.Serialize(
                drill with
                {
                    Targets =
                    [
                        .. drill.Targets.Select((target, at) => at == index ? target with { Tempo = target.Tempo?.Plus(-beats) } : target),
                    ],
                },
                Bookkeeping.Json
            );
    }

    /// <summary>Asks for the thing once more, in a later sitting of the day or on a day after it; pressed again, no more.</summary>
    public async Task AgainAsync(SessionRow session, SessionDrillRow row, string? key, int days, CancellationToken cancel)
    {
        if (await MaterialAsync(row, key, cancel) is not { } material)
            throw new FieldException("value", "There is nothing here that could be asked for again.");
        var day = session.Day.AddDays(days);
        material.AskedFor = material.AskedFor == day ? null : day;
    }

    /// <summary>Less of it from tomorrow on, because it annoys.</summary>
    public async Task RelieveAsync(SessionRow session, SessionDrillRow row, Relief relief, string? key, CancellationToken cancel)
    {
        if (await MaterialAsync(row, key, cancel) is not { } material)
            throw new FieldException("value", "There is nothing here of which there could be less.");
        ReliefEndpoints.Give(material, relief, session.Day);
    }

    /// <summary>An exercise goes on to the station that its takes propose.</summary>
    public async Task GoOnAsync(SessionRow session, int exercise, CancellationToken cancel)
    {
        var row = await db.Materials.FindAsync([exercise], cancel);
        if (await stations.OfAsync(row, session.Day, cancel) is not { Next: { } next })
            throw new FieldException("value", "Its takes do not speak for another station yet. On its page it can be put anywhere.");
        StationBooks.Put(row!, next, session.Day);
    }

    /// <summary>With the click or without, whatever the school says; remembered for what has a place of its own in the books.</summary>
    public async Task ClickAsync(SessionDrillRow row, bool on, string? key, CancellationToken cancel)
    {
        var drill = SessionDesk.Read(row);
        var index = SessionDesk.Shown(drill, SessionDesk.CueOf(row, drill), key);
        if (index >= 0 && drill.Targets[index].MaterialId is { } id && await db.Materials.FindAsync([id], cancel) is { } material)
            material.Click = on;
    }

    /// <summary>The line that came back is settled; pressed again, it is not.</summary>
    public async Task SettleAsync(int entry, CancellationToken cancel)
    {
        var line = await db.Entries.FindAsync([entry], cancel) ?? throw Problems.Unknown("value", "entry");
        await written.SettleAsync(entry, line.SettledUtc is null, cancel);
    }

    /// <summary>The last line about what is shown; of those that are settled only one that was settled in this session.</summary>
    public async Task<WrittenView?> WrittenAsync(SessionRow session, Drill drill, Target? target, CancellationToken cancel)
    {
        var line = target?.MaterialId is { } id
            ? (await written.OfAsync([id], session.Id, cancel)).GetValueOrDefault(id)
            : (await written.OfAsync([drill.Title], session.Id, cancel)).GetValueOrDefault(drill.Title);
        return line is not null && (line.SettledUtc is null || line.SettledUtc >= session.StartedUtc)
            ? WrittenLast.View(line, target?.Title ?? drill.Title, session.Day)
            : null;
    }

    /// <summary>The material that is meant: in rounds the thing just played, not the one that comes next.</summary>
    public async Task<MaterialRow?> MaterialAsync(SessionDrillRow row, string? key, CancellationToken cancel)
    {
        var drill = SessionDesk.Read(row);
        var index = row.Takes.MaxBy(take => take.Number)?.TargetIndex ?? SessionDesk.Shown(drill, SessionDesk.CueOf(row, drill), key);
        return index >= 0 && drill.Targets.ElementAtOrDefault(index)?.MaterialId is { } id
            ? await db.Materials.FindAsync([id], cancel)
            : null;
    }
}
