using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>Where an exercise stands, and which station its takes propose.</summary>
/// <param name="Words">"slow and right".</param>
/// <param name="Next">The station that is proposed, or null.</param>
/// <param name="NextWords">The same in words; empty for none.</param>
/// <param name="Why">Why it is proposed: "clean at first try on two days".</param>
public sealed record StationView(
    int MaterialId,
    string Title,
    ExerciseStation Now,
    string Words,
    ExerciseStation? Next,
    string NextWords,
    string Why
);

/// <summary>The stations of exercises in the books.</summary>
public sealed class StationBooks(PracticeDb db)
{
    /// <summary>Where it stands; null for what is no exercise, or goes through the keys and has its way by that.</summary>
    public async Task<StationView?> OfAsync(MaterialRow? row, DateOnly today, CancellationToken cancel)
    {
        if (row is not { Kind: MaterialKind.Exercise, KeyPlanJson: "" })
            return null;
        var tries = row.StationSince is { } since
            ? await db
                .Visits.AsNoTracking()
                .Where(visit => visit.MaterialId == row.Id && visit.Takes > 0 && visit.Day >= since)
                .OrderBy(visit => visit.Day)
                .Select(visit => visit.Tries)
                .ToListAsync(cancel)
            : [];
        var move = ExerciseStations.Next(
            row.Station,
            [.. tries.Select(VisitBooks.First).OfType<Core.Spacing.Try>().Select(first => first.Clean)],
            Standing.AtTarget(Bookkeeping.ToCore(row, today), today)
        );
        return new StationView(
            row.Id,
            row.Title,
            row.Station,
            ExerciseStations.Name(row.Station),
            move?.To,
            move is null ? "" : ExerciseStations.Name(move.To),
            move?.Why ?? ""
        );
    }

    /// <summary>Puts it there; what is played from now on counts for the next move.</summary>
    public static void Put(MaterialRow row, ExerciseStation station, DateOnly today)
    {
        if (!Enum.IsDefined(station))
            throw new FieldException("station", "Exercises stand at slow and right, faster, in music, checked, or at none of them.");
        if (row.KeyPlanJson.Length > 0 && station != ExerciseStation.None)
            throw new FieldException("station", "What goes through the keys has its way by them. Leave it to its tempo alone.");
        row.Station = station;
        row.StationSince =
            station == ExerciseStation.None ? null
            : row.LastVisit >= today ? today.AddDays(1)
            : today;
    }
}
