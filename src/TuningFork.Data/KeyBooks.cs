using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>Takes in a key, a pattern or another part of a material, and what they come to.</summary>
public static class KeyBooks
{
    /// <summary>Days after which a key begins a new turn.</summary>
    private const int TurnDays = 7;

    /// <summary>Notes that a material was played in a key or a pattern; after more than a week a new turn of it begins.</summary>
    /// <param name="row">The key.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="began">Whether it was the first of the day.</param>
    /// <param name="take">The take.</param>
    /// <param name="material">Its material, in whose unit the reach is kept.</param>
    /// <param name="start">Where it begins when it was never played, in beats.</param>
    /// <param name="traits">The player's own.</param>
    public static void Played(KeyRow row, DateOnly day, bool began, Try take, MaterialRow material, Reach start, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(row);
        Touched(row, day, began, material, start);
        row.Tries = VisitBooks.Written(row.Tries, take.Clean, take.Tempo?.Value, 1);
        SumKey(row, material, traits);
        if (
            take is { Clean: true, Tempo.Value: var beats }
            && !(row.LastClean > beats && row.Tries.Contains(' ', StringComparison.Ordinal))
        )
            row.LastClean = beats;
        Settle(row, material);
    }

    /// <summary>Notes that a material was played in a key, without a take: in the warm-up.</summary>
    /// <param name="row">The key.</param>
    /// <param name="day">The practice day.</param>
    /// <param name="began">Whether it was the first of the day.</param>
    /// <param name="material">Its material.</param>
    /// <param name="start">Where it begins when it was never played, in beats.</param>
    public static void Touched(KeyRow row, DateOnly day, bool began, MaterialRow material, Reach start)
    {
        ArgumentNullException.ThrowIfNull(row);
        if (row.Visits == 0 || row.LastDay != day)
        {
            var now =
                row.ReachLog is { } log && row.ReachSpread is { } spread
                    ? Estimate.Later(new Reach(log, spread), day.DayNumber - row.LastDay.DayNumber, row.Visits)
                    : start.Times(ReachBooks.NotesABeat(material));
            (row.ReachLogBefore, row.ReachSpreadBefore, row.Tries) = (now.Log, now.Spread, "");
        }

        if (row.Visits == 0 || day.DayNumber - row.FirstDay.DayNumber >= TurnDays)
            row.FirstDay = day;
        if (row.LastDay != day || row.Visits == 0)
            row.Visits++;
        row.Began = began || (row.LastDay == day && row.Began);
        row.LastDay = day;
    }

    /// <summary>
    /// A take as its key or pattern counts it: on a rung of the subdivision ladder the key was touched, and nothing is said of its tempo.
    /// </summary>
    public static Try InPart(string key, Try take) => TargetKey.Parse(key).Part == TargetPart.Rung ? take with { Tempo = null } : take;

    /// <summary>Takes the last take in a key back; the key keeps its turn.</summary>
    public static void RemoveLast(KeyRow row, MaterialRow material, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(row);
        row.Tries = VisitBooks.WithoutLast(row.Tries);
        SumKey(row, material, traits);
        Settle(row, material);
    }

    /// <summary>What was done on an earlier day stays done, though the reach sinks between days.</summary>
    private static void Settle(KeyRow row, MaterialRow material)
    {
        if (material.WorkJson.Length == 0 || row.DoneOn < row.LastDay)
            return;
        var done = Bookkeeping
            .ToCore(material, row.LastDay)
            .IsDone(row.Key, ReachBooks.PartOf(row, material, row.LastDay) with { Done = false });
        row.DoneOn = done ? row.LastDay : null;
    }

    private static void SumKey(KeyRow row, MaterialRow material, Traits? traits)
    {
        var takes = Visits.Evidence(VisitBooks.Tries(row.Tries));
        var notes = ReachBooks.NotesABeat(material);
        var now = ReachBooks.ReachOf(row.ReachLogBefore, row.ReachSpreadBefore, notes)!.Value;
        var kept =
            takes.Count == 0
                ? now
                : Estimate.Keep(
                    now,
                    Estimate.During(Estimate.Morning(now, traits ?? Traits.Usual, VisitBooks.Target(material)?.Value), takes)
                );
        (row.ReachLog, row.ReachSpread) = (kept.Times(notes).Log, kept.Spread);
    }
}
