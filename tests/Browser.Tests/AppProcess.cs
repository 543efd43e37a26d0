using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json.Nodes;

namespace TuningFork.Browser.Tests;

/// <summary>
/// The real server in a process of its own, on a free port and a folder of its own, so that it can be killed. Where TUNING_FORK_SERVER
/// names the folder of a program that was compiled ahead of time, it is that one.
/// </summary>
public sealed class AppProcess : IAsyncDisposable
{
    private readonly string[] extra;
    private Process? process;

    /// <summary>
    /// How far the program's clock is from the machine's, once it was set or where the tests run as on another day; a program that is
    /// started anew goes on by it.
    /// </summary>
    private TimeSpan? ahead = DateTimeOffset.TryParse(
        Environment.GetEnvironmentVariable("testing-now"),
        CultureInfo.InvariantCulture,
        out var begun
    )
        ? begun - DateTimeOffset.Now
        : null;

    private AppProcess(string[] extra)
    {
        this.extra = extra;
        Port = FreePort();
        Data = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        Http = new HttpClient { BaseAddress = new Uri(Address) };
    }

    public int Port { get; }

    public string Data { get; }

    public HttpClient Http { get; }

    public string Address => $"http://127.0.0.1:{Port}";

    public static string Root { get; } = FindRoot();

    /// <summary>Folders with a demo and with an empty book that were made once; every other app begins with a copy of one.</summary>
    private static readonly Lazy<Task<string>> Demo = new(() => MadeAsync());

    private static readonly Lazy<Task<string>> Empty = new(() => MadeAsync("--own"));

    private static async Task<string> MadeAsync(params string[] extra)
    {
        var app = new AppProcess(extra);
        await app.RunAsync();
        app.Kill();
        app.Http.Dispose();
        return app.Data;
    }

    /// <summary>The time by the program's clock, as this machine's zone has it.</summary>
    public DateTimeOffset Now => TimeZoneInfo.ConvertTime(DateTimeOffset.Now + (ahead ?? TimeSpan.Zero), TimeZoneInfo.Local);

    public static async Task<AppProcess> StartAsync(params string[] extra)
    {
        var app = new AppProcess(extra);
        var made = await (extra.Contains("--own") ? Empty : Demo).Value;
        foreach (var file in Directory.EnumerateFiles(made, "*", SearchOption.AllDirectories))
        {
            var to = Path.Combine(app.Data, Path.GetRelativePath(made, file));
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.Copy(file, to);
        }

        await app.RunAsync();
        return app;
    }

    public async Task RunAsync()
    {
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        foreach (
            var argument in new[]
            {
                Path.Combine(Environment.GetEnvironmentVariable("TUNING_FORK_SERVER") ?? AppContext.BaseDirectory, "TuningFork.Server.dll"),
                "--urls",
                Address,
                "--data",
                Data,
                "--webroot",
                Path.Combine(Root, "web/dist"),
                "--testing",
            }
                .Concat(extra)
                .Concat(ahead is not null ? ["--testing-now", Now.ToString("o", CultureInfo.InvariantCulture)] : [])
        )
            start.ArgumentList.Add(argument);
        process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.ErrorDataReceived += (_, line) =>
        {
            if (line.Data is not null)
                Console.Error.WriteLine(line.Data);
        };
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        for (var tries = 0; tries < 300; tries++)
        {
            try
            {
                using var answer = await Http.GetAsync(new Uri("/api/about", UriKind.Relative));
                if (answer.StatusCode == HttpStatusCode.OK)
                    return;
            }
            catch (HttpRequestException)
            {
                // Not listening yet.
            }

            await Task.Delay(100);
        }

        throw new TimeoutException("The server did not answer.");
    }

    /// <summary>A Wednesday at six in the evening, local time.</summary>
    public static DateTimeOffset Evening { get; } =
        new(2031, 5, 14, 18, 0, 0, TimeZoneInfo.Local.GetUtcOffset(new DateTime(2031, 5, 14, 18, 0, 0, DateTimeKind.Unspecified)));

    /// <summary>Presses a key on the stage for the drill that is there.</summary>
    public Task<JsonNode> ActAsync(JsonNode session, string kind, int? value = null) =>
        Send(
            HttpMethod.Post,
            "/api/session/act",
            new
            {
                id = Guid.NewGuid(),
                sessionId = session["id"]!.GetValue<int>(),
                position = session["position"]!.GetValue<int>(),
                playedSeconds = 1,
                kind,
                value,
                key = session["target"]?["key"]?.GetValue<string>(),
            }
        );

    /// <summary>Presses one key after the other until something holds; a journey that does not get there in so many presses fails.</summary>
    public async Task<JsonNode> ActUntilAsync(JsonNode session, Func<JsonNode, bool> there, Func<JsonNode, string> key)
    {
        for (var pressed = 0; !there(session); pressed++)
        {
            if (pressed == MostPresses)
                throw new InvalidOperationException($"{MostPresses} presses and not there: {session.ToJsonString()}");
            session = await ActAsync(session, key(session));
        }

        return session;
    }

    /// <summary>Leaves drill after drill out until something holds.</summary>
    public Task<JsonNode> SkipToAsync(JsonNode session, Func<JsonNode, bool> there) => ActUntilAsync(session, there, _ => "Skip");

    private const int MostPresses = 300;

    public async Task CloseAsync() =>
        await Send(
            HttpMethod.Post,
            "/api/session/close",
            new { id = Guid.NewGuid(), sessionId = (await Session())["id"]!.GetValue<int>() }
        );

    /// <summary>Somebody who plays, half an hour on every day.</summary>
    public Task PlayerAsync(string instrument, string family) =>
        Send(
            HttpMethod.Put,
            "/api/profile",
            new
            {
                instrument,
                family,
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );

    /// <summary>Asks the server past the browser, to prepare what a journey needs.</summary>
    public async Task<JsonNode> Send(HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        using var answer = await Http.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        if (!answer.IsSuccessStatusCode)
            throw new HttpRequestException($"{method} {path} answered {(int)answer.StatusCode}: {text}");
        return text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!;
    }

    public async Task<JsonNode> Session() => (await Http.GetFromJsonAsync<JsonNode>(new Uri("/api/session", UriKind.Relative)))!;

    /// <summary>Ends it at once, without a chance to tidy up.</summary>
    public void Kill()
    {
        process?.Kill(entireProcessTree: true);
        process?.WaitForExit();
        process = null;
    }

    public async Task SetClockAsync(DateTimeOffset now)
    {
        using var answer = await Http.PutAsJsonAsync(new Uri("/api/testing/clock", UriKind.Relative), new { now });
        answer.EnsureSuccessStatusCode();
        ahead = now - DateTimeOffset.Now;
    }

    public ValueTask DisposeAsync()
    {
        Kill();
        Http.Dispose();
        try
        {
            Directory.Delete(Data, recursive: true);
        }
        catch (IOException)
        {
            // A file still held goes with the machine's temporary folder.
        }

        return ValueTask.CompletedTask;
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "TuningFork.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new DirectoryNotFoundException("The project's folder was not found.");
    }
}
