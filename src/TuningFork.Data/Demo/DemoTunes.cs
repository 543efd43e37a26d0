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
