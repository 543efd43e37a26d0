using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What a file in trouble looks like from outside, and the way back from there.</summary>
public sealed class BackupTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_backup_made_by_hand_brings_a_removed_thing_back_and_says_what_would_be_missing()
    {
        await app.Clock(Evening);
        var (_, _, _, exercise) = await app.FirstDay();
        var made = await app.Post("/api/backups", new { });
        var backup = made["backups"]!.AsArray().ShouldHaveSingleItem()!;
        backup["holds"]!.GetValue<string>().ShouldContain("4 things to practise");
        await app.Post("/api/journal", new { key = Guid.NewGuid(), text = "Later." });
        await app.Send(HttpMethod.Delete, $"/api/materials/{exercise}", null, 200);
        var all = await app.Get("/api/backups");
        all["backups"]![0]!["missing"]!.GetValue<string>().ShouldBe("Missing with it: 1 note.");

        var name = backup["name"]!.GetValue<string>();
        await app.Refused(HttpMethod.Post, "/api/backups/own.db/restore", new { }, "name", 404);
        all = await app.Post($"/api/backups/{name}/restore", new { });
        all["backups"]!.AsArray().Count.ShouldBe(2, "the book as it was before is a backup now");
        (await app.Get("/api/materials")).AsArray().ShouldContain(item => Id(item!) == exercise);
        (await app.Get("/api/journal"))["days"]!.AsArray().ShouldBeEmpty();
        await app.Refused(HttpMethod.Post, "/api/backups/begin-anew", new { }, "file", 409);
    }

    [Theory]
    [InlineData("damaged", "Damaged")]
    [InlineData("", "Missing")]
    [InlineData(null, "Missing")]
    public async Task A_book_that_cannot_be_used_is_told_and_a_backup_or_an_empty_one_takes_its_place(string? content, string kind)
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var name = (await app.Post("/api/backups", new { }))["backups"]![0]!["name"]!.GetValue<string>();
        app.Break(content);
        var about = await app.Get("/api/about");
        about["trouble"]!["kind"]!.GetValue<string>().ShouldBe(kind);
        about["trouble"]!["offer"]!["name"]!.GetValue<string>().ShouldBe(name);
        await app.Refused(HttpMethod.Get, "/api/today", "", "file", 503);
        await app.Refused(HttpMethod.Post, "/api/journal", new { key = Guid.NewGuid(), text = "Now?" }, "file", 503);
        app.Content().ShouldBe(content, "it is left as it is");

        await app.Post($"/api/backups/{name}/restore", new { });
        (await app.Get("/api/about"))["trouble"].ShouldBeNull();
        (await app.Get("/api/materials")).AsArray().Count.ShouldBe(4);

        app.Break(content);
        (await app.Get("/api/about"))["trouble"].ShouldNotBeNull();
        await app.Post("/api/backups/begin-anew", new { });
        (await app.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeFalse();
        if (content?.Length > 0)
            app.SetAside().ShouldContain(content);
    }
}
