using Microsoft.Data.Sqlite;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Bench;

/// <summary>What a list of recordings costs with 500 and with 5,000 of them, asked in turns.</summary>
internal static class RecordingsBench
{
    private const int Few = 500;
    private const int Many = 5_000;
    private const int Things = 20;

    private static readonly string[] Asked =
    [
        "/api/recordings",
        "/api/recordings?materialId=1",
        "/api/recordings/room",
        "/api/recordings/apart",
    ];

    public static async Task RunAsync()
    {
        var folders = new[] { Few, Many }.ToDictionary(
            count => count,
            _ => Directory.CreateTempSubdirectory("tuning-fork-bench-").FullName
        );
        try
        {
            foreach (var (count, folder) in folders)
                await WriteAsync(Path.Combine(folder, "own.db"), count);
            await using var few = await BenchServer.StartAsync(folders[Few], 5398);
            await using var many = await BenchServer.StartAsync(folders[Many], 5399);
            foreach (var address in Asked.Select(one => new Uri(one, UriKind.Relative)))
            {
                var (of500, of5000) = (
                    BenchServer.Measure(() => few.Http.GetStringAsync(address)),
                    BenchServer.Measure(() => many.Http.GetStringAsync(address))
                );
                Console.WriteLine(
                    $"{address, -30} {Few}: median {of500.Median:0.0} ms   {Many}: {of5000.Median:0.0} ms   {of5000.Median / of500.Median:0.00} x"
                );
            }
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            foreach (var folder in folders.Values)
                Directory.Delete(folder, recursive: true);
        }
    }

    private static async Task WriteAsync(string file, int count)
    {
        await PracticeFile.PrepareAsync(file);
        await using var db = new PracticeDb(PracticeFile.Options(file));
        db.Profiles.Add(new ProfileRow { Instrument = "Viola" });
        db.Materials.AddRange(
            Enumerable.Range(1, Things).Select(i => new MaterialRow { Kind = MaterialKind.Exercise, Title = $"Exercise {i}" })
        );
        await db.SaveChangesAsync();
        var begin = DateTime.UtcNow.AddDays(-count);
        db.Recordings.AddRange(
            Enumerable
                .Range(0, count)
                .Select(i => new RecordingRow
                {
                    Key = Guid.NewGuid(),
                    Kind = RecordingKind.Take,
                    MaterialId = (i % Things) + 1,
                    AtUtc = begin.AddDays(i),
                    EndedUtc = begin.AddDays(i),
                    Day = DateOnly.FromDateTime(begin.AddDays(i)),
                    ContentType = "audio/webm",
                    Seconds = 20,
                    Bytes = 150_000,
                })
        );
        await db.SaveChangesAsync();
    }
}
