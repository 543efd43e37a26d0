using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Everything out, everything in, over HTTP.</summary>
public sealed class ArchiveTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_book_that_was_written_goes_on_on_another_machine_with_the_same_plan()
    {
        await PlayAsync();
        var archive = await FileAsync("/api/archive");
        app.FilesInFolder("under-way-").ShouldBeEmpty("what was sent is not kept");
        using var other = new App();
        await other.Clock(Evening.AddDays(1));
        var look = await other.Post("/api/archive/look", archive);
        look["isWhole"]!.GetValue<bool>().ShouldBeTrue();
        Line(look, "takes").ShouldBe((app.Count("Takes"), 0));
        (await other.Get("/api/about"))["hasPlayer"]!.GetValue<bool>().ShouldBeFalse("a look changes nothing");

        await other.Post("/api/archive", archive);
        await app.Clock(Evening.AddDays(1));
        (await other.Get("/api/today"))["drills"]!.ToJsonString().ShouldBe((await app.Get("/api/today"))["drills"]!.ToJsonString());
        (await other.Get("/api/journal")).ToJsonString().ShouldBe((await app.Get("/api/journal")).ToJsonString());
        other.FilesInFolder("under-way-").ShouldBeEmpty();
    }

    [Fact]
    public async Task Read_into_a_filled_book_it_adds_what_is_new_once_and_the_way_back_stays_open()
    {
        await PlayAsync();
        var archive = await FileAsync("/api/archive");
        using var other = new App();
        await other.Clock(Evening.AddDays(-3));
        await other.FirstDay();
        await other.Post("/api/journal", new { key = Guid.NewGuid(), text = "Written on the other machine." });
        var before = other.Count("Sessions");

        var look = await other.Post("/api/archive/look", archive);
        look["isWhole"]!.GetValue<bool>().ShouldBeFalse();
        Line(look, "sittings").Added.ShouldBe(1);
        Line(look, "things to practise").Added.ShouldBe(0, "both have the same four");
        other.Count("Sessions").ShouldBe(before);
        await other.Clock(Evening.AddDays(1));
        (await other.Post("/api/archive", archive))["lines"]!.ToJsonString().ShouldBe(look["lines"]!.ToJsonString());
        other.Count("Sessions").ShouldBe(before + 1);
        other.Count("Takes").ShouldBe(app.Count("Takes"));
        var words = (await other.Get("/api/journal")).ToJsonString();
        words.ShouldContain("Written on the other machine.");
        words.ShouldContain("Better than yesterday.");
        await other.Get("/api/today");

        var again = await other.Post("/api/archive", archive);
        again["lines"]!.AsArray().Sum(line => line!["added"]!.GetValue<int>()).ShouldBe(0);
        again["what"]!.GetValue<string>().ShouldContain("already");
        var backups = (await other.Get("/api/backups"))["backups"]!.AsArray();
        await other.Post($"/api/backups/{backups[^1]!["name"]!.GetValue<string>()}/restore", new { });
        other.Count("Sessions").ShouldBe(before);
    }

    [Fact]
    public async Task What_is_no_archive_is_refused_in_a_sentence_and_leaves_nothing()
    {
        await PlayAsync();
        var archive = await FileAsync("/api/archive");
        await app.Refused(HttpMethod.Post, "/api/archive/look", "no zip"u8.ToArray(), "archive");
        await app.Refused(HttpMethod.Post, "/api/archive", Array.Empty<byte>(), "archive");
        await app.Refused(HttpMethod.Post, "/api/archive", archive[..(archive.Length / 2)], "archive");
        await app.Refused(HttpMethod.Post, "/api/archive", Zip(("book.json", "{\"format\": \"another\"}")), "archive");
        await app.Refused(
            HttpMethod.Post,
            "/api/archive",
            Zip(
                (
                    "book.json",
                    Head(archive)
                        .Replace("\"version\": ", "\"version\": 9", StringComparison.Ordinal)
                        .Replace("\"schema\": \"2", "\"schema\": \"3", StringComparison.Ordinal)
                )
            ),
            "archive"
        );
        // A small file that unpacks into very much.
        var bomb = Zip(("book.json", Head(archive)), ("tables/Acts.jsonl", new string(' ', 40 << 20)));
        bomb.Length.ShouldBeLessThan(100_000);
        await app.Refused(HttpMethod.Post, "/api/archive", bomb, "archive");
        app.FilesInFolder("under-way-").ShouldBeEmpty();
        app.Count("Sessions").ShouldBe(1);
    }

    /// <summary>Read by a plain reader of RFC 4180: quotes doubled, lines ended by CR LF, as many fields in each line as in the first.</summary>
    [Theory]
    [InlineData("sittings", 1)]
    [InlineData("drills", 4)]
    [InlineData("takes", 2)]
    [InlineData("tempi", 1)]
    [InlineData("readings", 0)]
    [InlineData("ear-answers", 0)]
    public async Task Tables_go_out_as_documented(string name, int least)
    {
        await PlayAsync();
        app.Write("UPDATE Materials SET Title = 'Slow, \"late\"' || char(10) || 'tune' WHERE Kind = 'Piece'");
        var bytes = await FileAsync($"/api/csv/{name}");
        bytes[..3].ShouldBe([0xEF, 0xBB, 0xBF]);
        var rows = Rfc4180(Encoding.UTF8.GetString(bytes[3..]));
        rows.Count.ShouldBeGreaterThanOrEqualTo(least + 1);
        rows.ShouldAllBe(row => row.Count == rows[0].Count);
        var documented = await File.ReadAllTextAsync(Path.Combine(Root(), "docs", "csv.md"));
        var paragraph = documented.Split("\n\n").Single(one => one.StartsWith($"**{name}**", StringComparison.Ordinal));
        rows[0].ShouldAllBe(column => paragraph.Contains($"`{column}`", StringComparison.Ordinal));
        if (name == "takes")
        {
            rows.Count.ShouldBe(app.Count("Takes") + 1);
            rows[1][rows[0].IndexOf("Day")].ShouldBe("2031-05-14");
            rows.Select(row => row[rows[0].IndexOf("What")]).ShouldContain("Slow, \"late\"\ntune");
        }
    }

    [Fact]
    public async Task Each_backup_goes_to_another_folder_as_well_and_from_there_to_a_new_machine()
    {
        await PlayAsync();
        await app.Refused(HttpMethod.Put, "/api/backups/second", new { folder = "stick" }, "folder");
        var stick = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        (await app.Put("/api/backups/second", new { folder = stick }))["second"]!["words"]!.GetValue<string>().ShouldContain("no copy");
        var all = await app.Post("/api/backups", new { });
        all["second"]!["words"]!.GetValue<string>().ShouldContain("less than a day");
        all["second"]!["backups"]!.AsArray().Count.ShouldBe(1);
        await app.Clock(Evening.AddDays(9).AddHours(1));
        all = await app.Get("/api/backups");
        all["second"]!["words"]!.GetValue<string>().ShouldContain("9 days");
        all["second"]!["isOld"]!.GetValue<bool>().ShouldBeTrue();

        using var other = new App();
        await other.Clock(Evening.AddDays(1));
        var there = await other.Put("/api/backups/second", new { folder = stick });
        var name = there["second"]!["backups"]![0]!["name"]!.GetValue<string>();
        await other.Post($"/api/backups/{name}/restore?second=true", new { });
        other.Count("Takes").ShouldBe(app.Count("Takes"));
        Directory.Delete(stick, recursive: true);
        (await other.Get("/api/backups"))["second"]!["words"]!.GetValue<string>().ShouldContain("not there");
        (await other.Put("/api/backups/second", new { folder = "" }))["second"]!["folder"]!.GetValue<string>().ShouldBeEmpty();
    }

    /// <summary>A day with some takes and a note.</summary>
    private async Task PlayAsync()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var session = await app.SkipTo(await app.Begin(), one => one["cue"]!["countsTakes"]!.GetValue<bool>());
        session = await app.Act(session, "Clean");
        await app.Act(session, "Missed");
        await app.Close("Better than yesterday.");
    }

    private async Task<byte[]> FileAsync(string path)
    {
        using var answer = await app.Http.GetAsync(new Uri(path, UriKind.Relative));
        ((int)answer.StatusCode).ShouldBe(200);
        return await answer.Content.ReadAsByteArrayAsync();
    }

    private static (int Added, int Known) Line(JsonNode look, string name)
    {
        var line = look["lines"]!.AsArray().Single(line => line!["name"]!.GetValue<string>() == name)!;
        return (line["added"]!.GetValue<int>(), line["known"]!.GetValue<int>());
    }

    private static string Head(byte[] archive)
    {
        using var zip = new ZipArchive(new MemoryStream(archive), ZipArchiveMode.Read);
        using var reader = new StreamReader(zip.GetEntry("book.json")!.Open());
        return reader.ReadToEnd();
    }

    private static byte[] Zip(params (string Name, string Text)[] entries)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in entries)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name, CompressionLevel.SmallestSize).Open());
                writer.Write(text);
            }
        }

        return bytes.ToArray();
    }

    private static List<List<string>> Rfc4180(string text)
    {
        var rows = new List<List<string>> { new() { "" } };
        var isQuoted = false;
        for (var i = 0; i < text.Length; i++)
        {
            if (isQuoted && text[i] == '"' && i + 1 < text.Length && text[i + 1] == '"')
                rows[^1][^1] += text[i++];
            else if (text[i] == '"')
                isQuoted = !isQuoted;
            else if (isQuoted)
                rows[^1][^1] += text[i];
            else if (text[i] == ',')
                rows[^1].Add("");
            else if (text[i] == '\r')
                text[++i].ShouldBe('\n');
            else
                rows[^1][^1] += text[i].ToString(CultureInfo.InvariantCulture);
            if (!isQuoted && text[i] == '\n' && i + 1 < text.Length)
                rows.Add([""]);
        }

        return rows;
    }

    private static string Root()
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "TuningFork.slnx")))
            at = Path.GetDirectoryName(at)!;
        return at;
    }
}
