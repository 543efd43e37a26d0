using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Every removal can be taken back, with all that hung on it.</summary>
public sealed class RemovalTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Everything_that_can_be_removed_comes_back_as_it_was()
    {
        await app.Clock(Evening);
        var (piece, first, second, exercise) = await app.FirstDay();
        await app.Put(
            $"/api/pieces/{piece}/music",
            new { abc = "X:1\nM:4/4\nL:1/4\nK:C\n" + string.Concat(Enumerable.Repeat("CDEF|", 24)) }
        );
        using (var page = new ByteArrayContent([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, 1, 2, 3]))
        {
            page.Headers.ContentType = new("application/octet-stream");
            (await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/pages?name=one", UriKind.Relative), page)).EnsureSuccessStatusCode();
        }

        await app.Post("/api/journal", new { key = Guid.NewGuid(), text = "Kept." });
        await app.Post(
            "/api/goals",
            new
            {
                kind = "Tempo",
                materialId = exercise,
                to = 120,
                until = "2031-07-01",
            }
        );
        await app.Post(
            "/api/methods",
            new
            {
                name = "Traffic light",
                how = "Stop at red.",
                records = "",
                leave = "",
                least = 2,
                most = 5,
                course = "FixedCount",
                count = 3,
            }
        );
        var page1 = Id((await app.Get($"/api/pieces/{piece}"))["pages"]![0]!);
        foreach (
            var (path, look) in new[]
            {
                ($"/api/journal/{Id((await app.Get("/api/journal"))["days"]![0]!["entries"]![0]!)}", "/api/journal"),
                ($"/api/goals/{Id((await app.Get("/api/goals")).AsArray()[0]!)}", "/api/goals"),
                (
                    $"/api/methods/{(await app.Get("/api/methods")).AsArray().First(one => one!["ownId"] is not null)!["ownId"]}",
                    "/api/methods"
                ),
                ($"/api/routines/{Id((await app.Get("/api/routines"))[1]!)}", "/api/routines"),
                ($"/api/warm-ups/{Id((await app.Get("/api/warm-ups"))["versions"]![0]!)}", "/api/warm-ups"),
                ($"/api/pages/{page1}", $"/api/pieces/{piece}"),
                ($"/api/pieces/{piece}/music", $"/api/pieces/{piece}"),
                ($"/api/materials/{exercise}", "/api/materials"),
            }
        )
        {
            var before = (await app.Get(look)).ToJsonString();
            await app.Send(HttpMethod.Delete, path, null, 200);
            (await app.Get(look)).ToJsonString().ShouldNotBe(before, path);
            await app.Send(HttpMethod.Delete, path, null, 404);
            await app.Send(HttpMethod.Post, $"{path}/back", null, 200);
            (await app.Get(look)).ToJsonString().ShouldBe(before, path);
        }

        // A piece goes after its passages, and its music and pages come back with it.
        foreach (var gone in new[] { first, second, piece })
            await app.Send(HttpMethod.Delete, $"/api/materials/{gone}", null, 200);
        await app.Refused(HttpMethod.Post, $"/api/materials/{first}/back", new { }, "id", 409);
        await app.Send(HttpMethod.Post, $"/api/materials/{piece}/back", null, 200);
        await app.Send(HttpMethod.Post, $"/api/materials/{first}/back", null, 200);
        var back = await app.Get($"/api/pieces/{piece}");
        back["hasMusic"]!.GetValue<bool>().ShouldBeTrue();
        back["pages"]!.AsArray().Count.ShouldBe(1);
        back["passages"]!.AsArray().Count.ShouldBe(1);
        await app.Get("/api/today");

        // Removed music makes room for other music.
        await app.Send(HttpMethod.Delete, $"/api/pieces/{piece}/music", null, 200);
        await app.Put($"/api/pieces/{piece}/music", new { abc = "X:1\nM:4/4\nL:1/4\nK:C\nGGGG|" });
        (await app.Get($"/api/pieces/{piece}"))["hasMusic"]!.GetValue<bool>().ShouldBeTrue();
    }
}
