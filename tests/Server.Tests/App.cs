using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Tests;

/// <summary>The server with an empty book of its own, spoken to over HTTP only.</summary>
public sealed class App : WebApplicationFactory<Program>
{
    /// <summary>A Wednesday at six in the evening, local time.</summary>
    public static DateTimeOffset Evening { get; } =
        new(2031, 5, 14, 18, 0, 0, TimeZoneInfo.Local.GetUtcOffset(new DateTime(2031, 5, 14, 18, 0, 0, DateTimeKind.Unspecified)));

    /// <summary>An empty book that was made once; every app begins with a copy of it.</summary>
    private static readonly Lazy<string> Empty = new(() =>
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("tuning-fork-").FullName, "own.db");
        TuningFork.Data.PracticeFile.PrepareAsync(path).GetAwaiter().GetResult();
        return path;
    });

    private readonly string data = Directory.CreateTempSubdirectory("tuning-fork-").FullName;

    public App()
    {
        File.Copy(Empty.Value, Book);
        Http = CreateClient();
    }

    public HttpClient Http { get; }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("data", data);
        builder.UseSetting("own", "true");
        builder.UseSetting("testing", "true");
    }

    public Task<JsonNode> Get(string path) => Send(HttpMethod.Get, path, null, 200);

    public Task<JsonNode> Post(string path, object body, int status = 200) => Send(HttpMethod.Post, path, body, status);

    public Task<JsonNode> Put(string path, object body, int status = 200) => Send(HttpMethod.Put, path, body, status);

    public async Task<JsonNode> Send(HttpMethod method, string path, object? body, int status)
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content =
                body is null ? null
                : body is string raw ? new StringContent(raw, System.Text.Encoding.UTF8, "application/json")
                : body is byte[] bytes ? new ByteArrayContent(bytes) { Headers = { ContentType = new("application/octet-stream") } }
                : JsonContent.Create(body),
        };
        using var answer = await Http.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        ((int)answer.StatusCode).ShouldBe(status, $"{method} {path}: {text}");
        return text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!;
    }

    /// <summary>Expects a refusal about a field that says what to do.</summary>
    public async Task Refused(HttpMethod method, string path, object? body, string field, int status = 400)
    {
        var problem = await Send(method, path, body, status);
        problem["errors"]!.AsObject().Select(error => error.Key).ShouldContain(field, problem.ToJsonString());
        problem["detail"]!.GetValue<string>().Length.ShouldBeGreaterThan(15);
    }

    public Task Clock(DateTimeOffset now) => Put("/api/testing/clock", new { now });

    /// <summary>A player with one exercise and one piece of two passages.</summary>
    public async Task<(int Piece, int First, int Second, int Exercise)> FirstDay()
    {
        await Put(
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                weekdayMinutes = new[] { 30, 30, 30, 30, 30, 30, 30 },
            }
        );
        var exercise = await Post(
            "/api/materials",
            new
            {
                kind = "Exercise",
                title = "C major",
                target = 100,
            }
        );
        var piece = await Post(
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Mill Song",
                toBar = 24,
                target = 90,
            }
        );
        var id = Id(piece);
        var first = await Post(
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = id,
                fromBar = 3,
                toBar = 4,
                readiness = "Shaping",
            }
        );
        var second = await Post(
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = id,
                fromBar = 9,
                toBar = 9,
                readiness = "Shaping",
            }
        );
        return (id, Id(first), Id(second), Id(exercise));
    }

    /// <summary>Presses a key on the stage for the drill that is there.</summary>
    public Task<JsonNode> Act(JsonNode session, string kind, double seconds = 1, int? value = null, int[]? lateAt = null) =>
        Post("/api/session/act", ActOf(session, kind, seconds, value, lateAt));

    /// <summary>What the stage sends when a key is pressed: whose session, which drill, and what was shown.</summary>
    public static JsonObject ActOf(JsonNode session, string kind, double seconds = 1, int? value = null, int[]? lateAt = null) =>
        new()
        {
            ["id"] = Guid.NewGuid(),
            ["sessionId"] = Id(session),
            ["position"] = session["position"]!.GetValue<int>(),
            ["playedSeconds"] = seconds,
            ["kind"] = kind,
            ["value"] = value,
            ["key"] = session["target"]?["key"]?.GetValue<string>(),
            ["lateAt"] = lateAt is null ? null : new JsonArray([.. lateAt.Select(step => JsonValue.Create(step))]),
        };

    /// <summary>Adds a material to today's plan.</summary>
    public async Task<JsonNode> Add(int material, int minutes = 6) =>
        await Post(
            "/api/today/changes",
            new
            {
                version = (await Get("/api/today"))["version"]!.GetValue<int>(),
                kind = "Add",
                materialId = material,
                value = minutes,
            }
        );

    /// <summary>Chooses another method for a drill of today.</summary>
    public async Task<JsonNode> Choose(JsonNode drill, string method) =>
        await Post(
            "/api/today/changes",
            new
            {
                version = (await Get("/api/today"))["version"]!.GetValue<int>(),
                kind = "Method",
                drillId = (string?)drill["id"],
                methodId = method,
            }
        );

    /// <summary>Begins today's plan.</summary>
    public async Task<JsonNode> Begin() =>
        await Post("/api/session", new { version = (await Get("/api/today"))["version"]!.GetValue<int>() });

    /// <summary>Closes the open session.</summary>
    public async Task<JsonNode> Close(string note = "", int[]? tomorrow = null, int? tension = null) =>
        await Post(
            "/api/session/close",
            new
            {
                id = Guid.NewGuid(),
                sessionId = Id(await Get("/api/session")),
                note,
                tomorrow,
                tension,
            }
        );

    /// <summary>Skips drills until one is as wished.</summary>
    public async Task<JsonNode> SkipTo(JsonNode session, Func<JsonNode, bool> found)
    {
        while (!found(session))
        {
            // Past the last drill nothing happens any more, whatever is pressed.
            session["cue"].ShouldNotBeNull("no drill of the session is as wished");
            session = await Act(session, "Skip", 0);
        }

        return session;
    }

    public string Book => Path.Combine(data, "own.db");

    /// <summary>Something befalls the file while nobody looks: it holds only this text, or it is gone.</summary>
    public void Break(string? content)
    {
        Services.GetRequiredService<Ledger>().LookAgain(TuningFork.Server.Hosting.Book.Own);
        foreach (var part in new[] { Book, Book + "-wal", Book + "-shm" })
            File.Delete(part);
        if (content is not null)
            File.WriteAllText(Book, content);
        Thread.Sleep(10);
    }

    public string? Content() => File.Exists(Book) ? File.ReadAllText(Book) : null;

    /// <summary>What the files hold that were set aside.</summary>
    public IReadOnlyList<string> SetAside() => [.. Directory.GetFiles(data, "own-set-aside-*.db").Select(File.ReadAllText)];

    /// <summary>Files in the folder whose names begin so.</summary>
    public IReadOnlyList<string> FilesInFolder(string begin) => Directory.GetFiles(data, begin + "*");

    /// <summary>Writes into the file itself, past the program.</summary>
    public void Write(string sql)
    {
        using var file = TuningFork.Data.Keeping.SafeFile.Open(Book);
        TuningFork.Data.Keeping.SafeFile.Run(file, sql);
    }

    /// <summary>Rows of a table in the file itself.</summary>
    public int Count(string table) => Number($"select count(*) from \"{table}\"");

    /// <summary>A whole number out of the file itself.</summary>
    public int Number(string sql)
    {
        using var file = TuningFork.Data.Keeping.SafeFile.Open(Book);
        return int.Parse(TuningFork.Data.Keeping.SafeFile.Lines(file, sql)[0], System.Globalization.CultureInfo.InvariantCulture);
    }

    public static int MinutesOf(JsonNode today, string area) =>
        today["drills"]!.AsArray().Where(drill => (string?)drill!["area"] == area).Sum(drill => drill!["minutes"]!.GetValue<int>());

    public static int Id(JsonNode node) => node["id"]!.GetValue<int>();

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (disposing && Directory.Exists(data))
        {
            Http.Dispose();
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(data, recursive: true);
        }
    }
}
