using System.Diagnostics;
using Microsoft.Data.Sqlite;

namespace TuningFork.Bench;

/// <summary>The real server on a folder, as ./run starts it.</summary>
internal sealed class BenchServer : IAsyncDisposable
{
    public const int Calls = 200;

    /// <summary>Tenths of a second until it is up: the file of a lifetime is checked first.</summary>
    private const int MostWaits = 1800;
    private const int WarmUps = 20;

    private readonly Process process;

    private BenchServer(Process process, string address)
    {
        this.process = process;
        Http = new HttpClient { BaseAddress = new Uri(address) };
    }

    public HttpClient Http { get; }

    public int ProcessId => process.Id;

    /// <summary>Starts one, and waits until it answers.</summary>
    public static async Task<BenchServer> StartAsync(string folder, int port)
    {
        var address = $"http://127.0.0.1:{port}";
        var start = new ProcessStartInfo("dotnet") { UseShellExecute = false, RedirectStandardOutput = false };
        foreach (
            var argument in new[]
            {
                Path.Combine(AppContext.BaseDirectory, "TuningFork.Server.dll"),
                "--own",
                "--urls",
                address,
                "--data",
                folder,
            }
        )
            start.ArgumentList.Add(argument);
        start.Environment["DOTNET_GCgen0size"] = "0x1000000";
        var server = new BenchServer(Process.Start(start)!, address);
        try
        {
            await server.WaitAsync();
        }
        catch
        {
            // What stays up would answer the next measurement.
            await server.DisposeAsync();
            throw;
        }

        return server;
    }

    /// <summary>Milliseconds of something done again and again: the median, and what 95 % stay under.</summary>
    public static (double Median, double High) Measure(Func<Task> work)
    {
        for (var i = 0; i < WarmUps; i++)
            work().GetAwaiter().GetResult();
        var times = new double[Calls];
        for (var i = 0; i < Calls; i++)
        {
            var clock = Stopwatch.StartNew();
            work().GetAwaiter().GetResult();
            times[i] = clock.Elapsed.TotalMilliseconds;
        }

        Array.Sort(times);
        return (times[Calls / 2], times[(int)(Calls * 0.95)]);
    }

    public async ValueTask DisposeAsync()
    {
        process.Kill();
        await process.WaitForExitAsync();
        process.Dispose();
        Http.Dispose();
        SqliteConnection.ClearAllPools();
    }

    private async Task WaitAsync()
    {
        for (var i = 0; i < MostWaits; i++)
        {
            try
            {
                await Http.GetStringAsync(new Uri("/api/about", UriKind.Relative));
                return;
            }
            catch (HttpRequestException)
            {
                await Task.Delay(100);
            }
        }

        throw new TimeoutException("The server did not answer.");
    }
}
