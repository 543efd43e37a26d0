using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using TuningFork.Data;
using TuningFork.Data.Keeping;

namespace TuningFork.Bench;

/// <summary>The Today endpoint of the real server on ten years of history, beside the bare SQL reads it needs.</summary>
internal static class ServerBench
{
    private static readonly string[] Reads =
    [
        "SELECT * FROM Profiles",
        "SELECT * FROM Materials",
        "SELECT * FROM Routines",
        "SELECT Day, Area, SUM(PlayedSeconds) FROM SessionDrills WHERE Area IS NOT NULL AND PlayedSeconds > 0 AND Day >= date('now', '-35 days') GROUP BY Day, Area",
        "SELECT Key, MAX(Day), COUNT(*), SUM(Clean) FROM Takes WHERE Day >= date('now', '-60 days') AND Key LIKE 'ear:%' GROUP BY Key",
        "SELECT COUNT(*), SUM(Due <= date('now')) FROM EarItems",
        "SELECT Item, Said, COUNT(*) FROM EarAnswers WHERE Day >= date('now', '-28 days') AND Said IS NOT NULL GROUP BY Item, Said",
        "SELECT * FROM Bodies WHERE Day >= date('now', '-35 days') ORDER BY Id",
        "SELECT * FROM Keys",
        "SELECT MAX(EndedUtc) FROM Sessions WHERE Day = date('now')",
        "SELECT * FROM Visits WHERE Day = date('now')",
        "SELECT MaterialId, Day FROM Visits WHERE MaterialId IN (SELECT Id FROM Materials WHERE Kind = 'Book') AND Day >= date('now', '-28 days')",
        "SELECT * FROM Plans WHERE Day = date('now') AND NOT Begun",
    ];

    public static IEnumerable<(string Name, string Goal, Func<Task> Ask)> Rounds(HttpClient http) =>
        [
            ("a round's question", "under 50 ms", () => http.GetStringAsync(new Uri("/api/ear/question", UriKind.Relative))),
            ("new music", "under 30 ms", async () =>
            {
                using var answer = await http.PostAsJsonAsync(new Uri("/api/reading/new", UriKind.Relative), new { });
                answer.EnsureSuccessStatusCode();
            }),
            ("four weeks back", "under 200 ms", () => http.GetStringAsync(Back(28))),
            ("a year back", "under 200 ms", () => http.GetStringAsync(Back(366))),
            ("weeks, closer", "under 200 ms", () => http.GetStringAsync(Back(28, "/closer"))),
            ("a year, closer", "under 200 ms", () => http.GetStringAsync(Back(366, "/closer"))),
            ("the journal", "under 200 ms", () => http.GetStringAsync(new Uri("/api/journal", UriKind.Relative))),
            ("a search", "under 100 ms", () => http.GetStringAsync(new Uri("/api/journal?search=thumb+lat", UriKind.Relative))),
            ("body and ears", "under 200 ms", () => http.GetStringAsync(new Uri("/api/health", UriKind.Relative))),
            ("the week ahead", "under 1 s", () => http.GetStringAsync(new Uri("/api/week/ahead", UriKind.Relative))),
        ];

    private static Uri Back(int days, string how = "")
    {
        var today = DateOnly.FromDateTime(DateTime.Today);
        return new Uri($"/api/look-back{how}?from={today.AddDays(1 - days):yyyy-MM-dd}&to={today:yyyy-MM-dd}", UriKind.Relative);
    }

    public static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("tuning-fork-bench-").FullName;
        var file = Path.Combine(folder, "own.db");
        await TenYears.WriteAsync(file, DateOnly.FromDateTime(DateTime.Today));
        await using var connection = new SqliteConnection(PracticeFile.ConnectionString(file));
        await connection.OpenAsync();
        Console.WriteLine(
            $"history: {Count("Sessions")} days, {Count("Takes")} takes, {Count("Materials WHERE Kind = 'Passage'")} passages, {new FileInfo(file).Length / 1_000_000} MB"
        );

        var bare = BenchServer.Measure(() =>
        {
            foreach (var read in Reads)
                Read(read);
            return Task.CompletedTask;
        });
        var watch = Stopwatch.StartNew();
        SafeFile.CheckOnly(file);
        Console.WriteLine($"check at a start   {watch.ElapsedMilliseconds} ms");
        watch.Restart();
        new Backups(file).Make(BackupKind.Daily, DateTime.UtcNow);
        Console.WriteLine($"backup, checked    {watch.ElapsedMilliseconds} ms");
        try
        {
            await using var server = await BenchServer.StartAsync(folder, 5397);
            var http = server.Http;
            var endpoint = BenchServer.Measure(() => http.GetStringAsync(new Uri("/api/today", UriKind.Relative)));
            Console.WriteLine($"bare SQL reads     median {bare.Median:0.0} ms   95 % {bare.High:0.0} ms");
            Console.WriteLine(
                $"GET /api/today     median {endpoint.Median:0.0} ms   95 % {endpoint.High:0.0} ms   (goal: 95 % under 60 ms)   {endpoint.Median / bare.Median:0.0} x the bare reads"
            );
            Console.WriteLine($"server's memory    {Memory(server.ProcessId)} MB after {BenchServer.Calls} calls   (goal: under 250 MB)");
            foreach (var (name, goal, ask) in Rounds(http))
            {
                var one = BenchServer.Measure(ask);
                Console.WriteLine($"{name, -18} median {one.Median:0.0} ms   95 % {one.High:0.0} ms   (goal: {goal})");
            }
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }

        long Count(string from)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"SELECT COUNT(*) FROM {from}";
            return (long)command.ExecuteScalar()!;
        }

        void Read(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var reader = command.ExecuteReader();
            var values = new object[reader.FieldCount];
            while (reader.Read())
                reader.GetValues(values);
        }
    }

    private static int Memory(int process) =>
        File.ReadLines($"/proc/{process}/status")
            .Where(line => line.StartsWith("VmRSS", StringComparison.Ordinal))
            .Select(line => int.Parse(line.Split(' ', StringSplitOptions.RemoveEmptyEntries)[1], CultureInfo.InvariantCulture) / 1024)
            .First();
}
