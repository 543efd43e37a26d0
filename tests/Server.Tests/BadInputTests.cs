using System.Net;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;

namespace TuningFork.Server.Tests;

/// <summary>Bad input gets the field and the remedy, and changes nothing.</summary>
public sealed class BadInputTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Is_refused_with_the_field_and_the_remedy_and_nothing_changes()
    {
        var (piece, passage, _, _) = await app.FirstDay();
        var before = (await app.Get("/api/materials")).ToJsonString();
        var post = HttpMethod.Post;
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = piece,
                fromBar = 9,
                toBar = 4,
            },
            "toBar"
        );
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = piece,
                fromBar = 20,
                toBar = 25,
            },
            "toBar"
        );
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Passage",
                pieceId = 9999,
                fromBar = 1,
                toBar = 2,
            },
            "pieceId",
            404
        );
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "X",
                target = 19,
            },
            "target"
        );
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "X",
                target = 401,
            },
            "target"
        );
        await app.Refused(post, "/api/materials", new { kind = "Piece", title = "  " }, "title");
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "X",
                note = new string('n', 10_001),
            },
            "note"
        );
        await app.Refused(
            post,
            "/api/materials",
            new
            {
                kind = "Book",
                title = "X",
                examples = 0,
            },
            "examples"
        );
        await app.Refused(post, "/api/materials", "{ \"kind\": \"Piece\", ", "request");
        await app.Refused(post, "/api/materials", "{ \"kind\": \"Poem\", \"title\": \"X\" }", "kind");
        await app.Refused(
            HttpMethod.Put,
            $"/api/materials/{piece}",
            new
            {
                kind = "Piece",
                title = "Mill Song",
                toBar = 8,
            },
            "toBar"
        );
        await app.Refused(HttpMethod.Put, "/api/materials/4711", new { kind = "Piece", title = "X" }, "id", 404);
        (await app.Get("/api/materials")).ToJsonString().ShouldBe(before);

        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, minutes = 4 }, "minutes");
        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, minutes = 241 }, "minutes");
        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, until = "half past" }, "until");
        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, routineId = 999 }, "routineId", 404);
        await app.Refused(
            post,
            "/api/today/changes",
            new
            {
                version = 0,
                kind = "LeaveOut",
                drillId = "no",
            },
            "drillId"
        );
        await app.Refused(post, "/api/routines/fit", """{"blocks":[null],"minutes":30}""", "blocks[0]");
        await app.Refused(
            HttpMethod.Put,
            "/api/profile",
            """{"instrument":"Viola","family":"strings","version":1,"weekdayMinutes":[30,30,30,30,30,30,30],"shares":[null]}""",
            "shares[0]"
        );
        await app.Refused(post, "/api/journal", new { key = Guid.NewGuid(), text = new string('n', 10_001) }, "text");
        await app.Refused(
            post,
            "/api/session/act",
            new
            {
                id = Guid.NewGuid(),
                sessionId = 1,
                position = 0,
                playedSeconds = 1,
                kind = "Clean",
            },
            "session",
            409
        );
        await app.Refused(
            HttpMethod.Put,
            "/api/profile",
            new
            {
                instrument = "Viola",
                family = "strings",
                version = 1,
                weekdayMinutes = new[] { 1 },
            },
            "weekdayMinutes"
        );
        passage.ShouldBeGreaterThan(0);
    }

    [Theory]
    [InlineData(
        "PUT",
        "/api/profile",
        """{"instrument":"Viola","family":"strings","version":1,"weekdayMinutes":[30,30,30,30,30,30,30],"school":99}"""
    )]
    [InlineData(
        "PUT",
        "/api/profile",
        """{"instrument":"Viola","family":"strings","version":1,"weekdayMinutes":[30,30,30,30,30,30,30],"mix":-1}"""
    )]
    [InlineData(
        "PUT",
        "/api/profile",
        """{"instrument":"Viola","family":"strings","version":1,"weekdayMinutes":[30,30,30,30,30,30,30],"shares":[{"area":12345,"percent":100}]}"""
    )]
    [InlineData("POST", "/api/materials", """{"kind":9,"title":"X"}""")]
    [InlineData("POST", "/api/journal", """{"key":"6b1f0b2e-0000-4000-8000-000000000001","text":"X","kind":77}""")]
    [InlineData(
        "POST",
        "/api/routines",
        """{"name":"X","interwoven":false,"weekdays":[],"blocks":[{"area":99,"least":1,"wanted":2,"most":3,"must":true}]}"""
    )]
    [InlineData("PUT", "/api/today", """{"version":0,"demands":[1024]}""")]
    public async Task A_number_in_place_of_a_kind_is_refused(string verb, string path, string body)
    {
        await app.FirstDay();
        var problem = await app.Send(new HttpMethod(verb), path, body, 400);
        problem["detail"]!.GetValue<string>().ShouldContain("Send valid JSON");
        await app.Get("/api/today");
    }

    [Theory]
    [InlineData(
        "PUT",
        "/api/profile",
        """{"instrument":"Viola","family":"strings","weekdayMinutes":[30,30,30,30,30,30,30]}""",
        "/api/routines",
        0
    )]
    [InlineData("POST", "/api/journal", """{"key":"6b1f0b2e-0000-4000-8000-000000000001","text":"Once."}""", "/api/journal", 1)]
    public async Task Sent_eight_times_at_once_it_is_there_once_and_nothing_fails(
        string verb,
        string path,
        string body,
        string look,
        int entries
    )
    {
        if (entries > 0)
            await app.FirstDay();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ =>
                    app.Http.SendAsync(
                        new HttpRequestMessage(new HttpMethod(verb), path)
                        {
                            Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
                        }
                    )
                )
        );
        answers.ShouldAllBe(answer => (int)answer.StatusCode == 200 || (int)answer.StatusCode == 409);
        answers.ShouldContain(answer => answer.IsSuccessStatusCode);
        await app.Get(look);
        app.Count("Profiles").ShouldBe(1);
        app.Count("Entries").ShouldBe(entries);
    }

    [Fact]
    public async Task A_routine_that_cannot_work_is_warned_of_and_refused_for_the_day()
    {
        await app.FirstDay();
        var blocks = new[]
        {
            new
            {
                area = "Technique",
                least = 20,
                wanted = 20,
                most = 30,
                must = true,
            },
            new
            {
                area = "Repertoire",
                least = 20,
                wanted = 25,
                most = 60,
                must = true,
            },
        };
        (await app.Post("/api/routines/fit", new { blocks, minutes = 30 }))["warning"]!.GetValue<string>().ShouldContain("10 too few");
        var routine = await app.Post(
            "/api/routines",
            new
            {
                name = "Too much",
                interwoven = false,
                weekdays = Array.Empty<int>(),
                blocks,
            }
        );
        await app.Refused(
            HttpMethod.Put,
            "/api/today",
            new
            {
                version = 0,
                minutes = 30,
                routineId = App.Id(routine),
            },
            "minutes"
        );
        (await app.Get("/api/today"))["version"]!.GetValue<int>().ShouldBe(0);
        await app.Refused(
            HttpMethod.Post,
            "/api/routines",
            new
            {
                name = "Upside down",
                interwoven = false,
                weekdays = Array.Empty<int>(),
                blocks = new[]
                {
                    new
                    {
                        area = "Ear",
                        least = 9,
                        wanted = 5,
                        most = 30,
                        must = true,
                    },
                },
            },
            "blocks[0].wanted"
        );
        (
            await app.Put(
                "/api/today",
                new
                {
                    version = 0,
                    minutes = 45,
                    routineId = App.Id(routine),
                }
            )
        )["total"]!.GetValue<int>().ShouldBe(45);
    }

    [Fact]
    public async Task Optional_blocks_stay_optional_in_the_file()
    {
        var routines = await app.Get("/api/routines");
        var weave = routines.AsArray().First(routine => (string?)routine!["name"] == "Everyday weave")!;
        weave["blocks"]!.AsArray().Count(block => !block!["must"]!.GetValue<bool>()).ShouldBe(3);
    }

    /// <summary>
    /// Every documented address is sent nonsense of every kind: it may refuse, and has to say what about, but never fail.
    /// </summary>
    [Fact]
    public async Task Nothing_that_can_be_sent_makes_the_server_fail()
    {
        await app.FirstDay();
        var paths = (await app.Get("/openapi/v1.json"))["paths"]!.AsObject();
        var schemas = (await app.Get("/openapi/v1.json"))["components"]!["schemas"]!.AsObject();
        var sent = 0;
        foreach (var (path, item) in paths)
        {
            foreach (var (verb, operation) in item!.AsObject())
            {
                foreach (var body in Nonsense(operation!, schemas))
                {
                    foreach (
                        var id in new[] { "999999", "-1", "x", "9999999999999" }.Take(path.Contains('{', StringComparison.Ordinal) ? 4 : 1)
                    )
                    {
                        using var request = new HttpRequestMessage(
                            new HttpMethod(verb),
                            path.Replace("{id}", id, StringComparison.Ordinal)
                        );
                        if (body is not null)
                            request.Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
                        using var answer = await app.Http.SendAsync(request);
                        var text = await answer.Content.ReadAsStringAsync();
                        ((int)answer.StatusCode).ShouldBeLessThan(500, $"{verb} {request.RequestUri} {body}: {text}");
                        if ((int)answer.StatusCode >= 400)
                            text.ShouldContain("\"detail\"", Case.Sensitive, $"{verb} {request.RequestUri} {body}");
                        sent++;
                    }
                }
            }
        }

        sent.ShouldBeGreaterThan(300);
        await app.Refused(
            HttpMethod.Post,
            "/api/routines",
            new
            {
                interwoven = true,
                weekdays = Array.Empty<int>(),
                blocks = Array.Empty<int>(),
            },
            "name"
        );
        (await app.Get("/api/materials")).AsArray().Count.ShouldBeGreaterThanOrEqualTo(4);
    }

    private static IEnumerable<string?> Nonsense(JsonNode operation, JsonObject schemas)
    {
        if (operation["requestBody"] is not { } body)
            return [null];
        // A file is sent as it is: any text will do for nonsense.
        var name = body["content"]!["application/json"]?["schema"]!["$ref"]?.GetValue<string>().Split('/')[^1];
        var fields = name is null ? [] : schemas[name]!["properties"]!.AsObject().Select(property => property.Key).ToList();
        var odd = new[]
        {
            "null",
            "-1",
            "1e308",
            "99999999999999",
            "\"\"",
            "\"\\u0000\"",
            "[]",
            "[null]",
            "{}",
            "true",
            "\"2031-02-30\"",
            $"\"{new string('x', 11_000)}\"",
        };
        return
        [
            "",
            "{",
            "null",
            "[]",
            "7",
            "\"x\"",
            "{}",
            .. fields.SelectMany(field => odd.Select(value => $$"""{"{{field}}":{{value}}}""")),
            .. odd.Select(value => "{" + string.Join(',', fields.Select(field => $"\"{field}\":{value}")) + "}"),
        ];
    }

    [Fact]
    public async Task Two_windows_do_not_overwrite_each_other()
    {
        await app.FirstDay();
        var first = await app.Put("/api/today", new { version = 0, minutes = 45 });
        await app.Refused(HttpMethod.Put, "/api/today", new { version = 0, minutes = 20 }, "version", 409);
        (await app.Get("/api/today"))["minutes"]!.GetValue<int>().ShouldBe(45);
        await app.Put("/api/today", new { version = first["version"]!.GetValue<int>(), minutes = 20 });
        var routine = (await app.Get("/api/routines"))[0]!;
        var body = new
        {
            name = "Mine",
            interwoven = true,
            weekdays = new[] { 0 },
            blocks = routine["blocks"],
            version = routine["version"]!.GetValue<int>(),
        };
        await app.Put($"/api/routines/{App.Id(routine)}", body);
        await app.Refused(HttpMethod.Put, $"/api/routines/{App.Id(routine)}", body, "version", 409);
    }

    [Theory]
    [InlineData("Host", "example.invalid")]
    [InlineData("Origin", "http://example.invalid")]
    [InlineData("Origin", "http://localhost:1")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    public async Task Foreign_hosts_and_origins_are_refused(string header, string value)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/about");
        request.Headers.TryAddWithoutValidation(header, value);
        using var answer = await app.Http.SendAsync(request);
        answer.StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        answer.Headers.Contains("Content-Security-Policy").ShouldBeTrue("a refusal is guarded like any other answer");
    }

    [Fact]
    public async Task An_address_that_is_none_says_so_and_a_host_may_be_written_in_capitals()
    {
        foreach (var path in new[] { "/api/nothing", "/api/pages/1.5", "/api/recordings/first.wav" })
            await app.Refused(HttpMethod.Get, path, null, "path", 404);
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/about");
        request.Headers.Host = "LOCALHOST";
        using var answer = await app.Http.SendAsync(request);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task The_page_may_load_nothing_from_elsewhere()
    {
        using var answer = await app.Http.GetAsync(new Uri("/api/about", UriKind.Relative));
        var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldContain("default-src 'none'");
        policy.ShouldNotContain("unsafe");
        policy.ShouldNotContain("http");
    }
}
