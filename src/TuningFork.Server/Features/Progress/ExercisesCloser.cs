using Microsoft.EntityFrameworkCore;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;

namespace TuningFork.Server.Features.Progress;

/// <summary>What exercises came to in a stretch of days: keys left out, steps tried again, passages that they were made for.</summary>
public static class ExercisesCloser
{
    /// <summary>A key is untouched when it was not played for so long.</summary>
    private const int KeyDays = 28;

    private const int KeysNamed = 6;

    /// <summary>Keys of each exercise that goes through them, which have not been touched for four weeks, or never.</summary>
    public static IReadOnlyList<NamedThing> Keys(DayFacts facts) =>
        [
            .. facts
                .Materials.Where(material => material is { KeyPlan: not null, Resting: false, LastVisit: not null })
                .Select(material =>
                {
                    var touched = material
                        .Keys.Where(key => facts.Day.DayNumber - key.LastDay.DayNumber < KeyDays)
                        .Select(key => key.Key)
                        .ToHashSet();
                    var missing = material.KeyPlan!.Keys().Where(key => !touched.Contains(key)).Select(key => key.ToString()).ToList();
                    return new NamedThing(
                        material.Id,
                        material.Title,
                        missing.Count == 0
                            ? "all its keys were touched in four weeks"
                            : $"not for four weeks: {string.Join(", ", missing.Take(KeysNamed))}{(missing.Count > KeysNamed ? $" and {missing.Count - KeysNamed} more" : "")}"
                    );
                }),
        ];

    /// <summary>Exercises by steps or octaves that were played in these days, each with the steps that needed another try.</summary>
    public static async Task<IReadOnlyList<NamedThing>> RetriesAsync(
        PracticeDb db,
        DateOnly from,
        DateOnly to,
        DayFacts facts,
        CancellationToken cancel
    )
    {
        var played = await db
            .Visits.Where(visit => visit.Day >= from && visit.Day <= to && visit.Takes > 0)
            .Select(visit => visit.MaterialId)
            .Distinct()
            .ToListAsync(cancel);
        var things = new List<NamedThing>();
        foreach (var row in facts.Rows.Where(row => played.Contains(row.Id) && Bookkeeping.WorkOf(row) is { Kind: WorkKind.Steps }))
        {
            var again = await LateItems.RetriesAsync(db, row.Id, Bookkeeping.WorkOf(row), from, to, cancel);
            things.Add(
                new NamedThing(
                    row.Id,
                    row.Title,
                    again.Count == 0
                        ? "each step came at once"
                        : $"tried again: {string.Join(", ", again.Select(one => $"{one.Name} ({Words.Count(one.Times, "time")})"))}"
                )
            );
        }

        return things;
    }

    /// <summary>Exercises that were made for a passage, and what that passage gained in these days.</summary>
    public static async Task<IReadOnlyList<NamedThing>> CuresAsync(
        PracticeDb db,
        DateOnly from,
        DateOnly to,
        DayFacts facts,
        CancellationToken cancel
    )
    {
        var made = facts.Rows.Where(row => row is { SourceId: not null, Kind: MaterialKind.Exercise }).ToList();
        var moved = (await LookBackEndpoints.MovementsAsync(db, from, to, cancel)).ToDictionary(one => one.MaterialId);
        return
        [
            .. made.Where(row => facts.Materials.Any(one => one.Id == row.SourceId))
                .Select(row => new NamedThing(
                    row.Id,
                    row.Title,
                    $"for {facts.Materials.First(one => one.Id == row.SourceId).Title}: "
                        + (
                            moved.TryGetValue(row.SourceId!.Value, out var passage)
                                ? passage.IsUp
                                    ? $"{passage.Tempi}"
                                    : "it has not gained in these days"
                                : "not played in these days"
                        )
                )),
            .. facts
                .Materials.Where(one =>
                    one is { Kind: MaterialKind.Exercise, Resting: false, Serves.Count: > 0 } && moved.ContainsKey(one.Id)
                )
                .Select(one => (Exercise: one, Passages: Served(one, facts, moved)))
                .Where(one => one.Passages.Count > 0)
                .Select(one => new NamedThing(
                    one.Exercise.Id,
                    one.Exercise.Title,
                    $"serves {Words.List(one.Exercise.Serves)}: {one.Passages.Count(passage => passage.IsUp)} of {Words.Count(one.Passages.Count, "such passage")} gained"
                )),
        ];
    }

    /// <summary>What became of the passages with a difficulty that an exercise serves.</summary>
    private static List<Movement> Served(Material exercise, DayFacts facts, Dictionary<int, Movement> moved) =>
        [
            .. facts
                .Materials.Where(one =>
                    one.Kind == MaterialKind.Passage && exercise.Serves.Contains(one.Difficulty, StringComparer.Ordinal)
                )
                .Select(one => moved.GetValueOrDefault(one.Id))
                .OfType<Movement>(),
        ];
}
