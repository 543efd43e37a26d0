using TuningFork.Core.EarTraining;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>Tunes that the demo's player knows and has found by ear; invented like all of it.</summary>
internal static class DemoTunes
{
    public static async Task AddAsync(PracticeDb db, DateOnly today)
    {
        TuneRow[] tunes =
        [
            new() { Title = "The Ferryman's Round", StartDegree = 5 },
            new() { Title = "Snow on the Quay", IsMinor = true },
            new() { Title = "Three Lamps", StartDegree = 3 },
        ];
        db.Tunes.AddRange(tunes);
        await db.SaveChangesAsync();
        db.Finds.AddRange(
            Find(1, tunes[0], today.AddDays(-24), 0, 142, 5),
            Find(2, tunes[1], today.AddDays(-19), 0, 95, 2),
            Find(3, tunes[0], today.AddDays(-10), 1, 88, 2)
        );
    }

    /// <summary>What was heard and played back, of late.</summary>
    public static IEnumerable<CopyRow> Copied(DateOnly today, bool isPitched)
    {
        (int DaysAgo, CopyKind Kind, int Hearings, bool Right)[] all =
        [
            (33, CopyKind.Phrase, 2, true),
            (26, CopyKind.Phrase, 3, true),
            (21, CopyKind.Figure, 2, true),
            (17, CopyKind.Phrase, 6, false),
            (12, CopyKind.Phrase, 4, true),
            (8, CopyKind.Figure, 5, false),
            (4, CopyKind.Phrase, 3, true),
            (2, CopyKind.Figure, 3, true),
        ];
        var level = new Dictionary<CopyKind, int>();
        foreach (var ((ago, kind, hearings, right), number) in all.Select((one, i) => (one, i)))
        {
            if (!isPitched && kind == CopyKind.Figure)
                continue;
            var at = level.GetValueOrDefault(kind, Copies.First);
            level[kind] = Copies.Next(at, right, hearings);
            yield return new CopyRow
            {
                Key = new Guid(number, 3, 0, new byte[8]),
                Day = today.AddDays(-ago),
                Kind = kind,
                Level = at,
                Hearings = hearings,
                Right = right,
            };
        }
    }

    private static FindRow Find(int number, TuneRow tune, DateOnly day, int signature, double seconds, int wrong) =>
        new()
        {
            Key = new Guid(number, 2, 0, new byte[8]),
            TuneId = tune.Id,
            Day = day,
            Signature = signature,
            Seconds = seconds,
            WrongStarts = wrong,
            Found = true,
        };
}
