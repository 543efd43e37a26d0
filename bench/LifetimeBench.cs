using System.Diagnostics;
using Microsoft.Data.Sqlite;

namespace TuningFork.Bench;

/// <summary>Two real servers, one on ten years of history and one on sixty, asked in turn: what a lifetime adds.</summary>
internal static class LifetimeBench
{
    private const int WarmUps = 20;
    private const int Pairs = 50;

    public static async Task RunAsync()
    {
        var folders = new[] { 1, 6 }.ToDictionary(times => times, _ => Directory.CreateTempSubdirectory("tuning-fork-lifetime-").FullName);
        try
        {
            foreach (var (times, folder) in folders)
                await TenYears.WriteAsync(Path.Combine(folder, "own.db"), DateOnly.FromDateTime(DateTime.Today), times * TenYears.Days);
            await using var ten = await BenchServer.StartAsync(folders[1], 5397);
            await using var sixty = await BenchServer.StartAsync(folders[6], 5398);
            foreach (var (one, other) in ServerBench.Rounds(ten.Http).Zip(ServerBench.Rounds(sixty.Http)))
                await PrintAsync(one.Name, one.Ask, other.Ask);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            foreach (var folder in folders.Values)
                Directory.Delete(folder, recursive: true);
        }
    }

    private static async Task PrintAsync(string name, Func<Task> ten, Func<Task> sixty)
    {
        var (tens, sixties) = (new List<double>(), new List<double>());
        for (var i = 0; i < WarmUps + Pairs; i++)
        {
            var (one, other) = (await TimeAsync(ten), await TimeAsync(sixty));
            if (i < WarmUps)
                continue;
            tens.Add(one);
            sixties.Add(other);
        }

        var (less, more) = (Median(tens), Median(sixties));
        Console.WriteLine($"{name, -18} ten years {less, 6:0.0} ms   sixty {more, 6:0.0} ms   {more / less:0.00} x   (goal: 1.5 x)");
    }

    private static async Task<double> TimeAsync(Func<Task> work)
    {
        var watch = Stopwatch.StartNew();
        await work();
        return watch.Elapsed.TotalMilliseconds;
    }

    private static double Median(List<double> times) => times.Order().ElementAt(times.Count / 2);
}
