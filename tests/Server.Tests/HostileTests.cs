using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Data.Keeping;
using TuningFork.Server.Features.Keeping.Csv;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>What nobody should send, and what lies about where it should not: told in a sentence, nothing lost, nothing stopped.</summary>
public sealed class HostileTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task The_same_recording_sent_twice_at_once_keeps_its_sound()
    {
        await app.FirstDay();
        var sound = Wave(400_000);
        for (var time = 0; time < 12; time++)
        {
            var key = Guid.NewGuid();
            var answers = await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => SendAsync(key, sound)));
            answers.ShouldAllBe(answer => answer.StatusCode == HttpStatusCode.OK);
            var id = Id(JsonNode.Parse(await answers[0].Content.ReadAsStringAsync(Cancel))!);
            (await app.Http.GetByteArrayAsync($"/api/recordings/{id}/sound", Cancel)).ShouldBe(sound);
        }
    }

    [Theory]
    [InlineData("RRULE:FREQ=SECONDLY", "more often than once a day")]
    [InlineData("RRULE:FREQ=SECONDLY;COUNT=2147483647", "more often than once a day")]
    [InlineData("RRULE:FREQ=MINUTELY", "more often than once a day")]
    [InlineData("RRULE:FREQ=DAILY;BYHOUR=0,1,2,3,4,5,6,7,8,9,10,11;BYMINUTE=0,1,2,3,4,5,6,7,8,9", "hours and minutes")]
    public async Task A_calendar_without_end_is_refused_at_once_and_holds_up_nobody(string rule, string why)
    {
        await app.FirstDay();
        var text =
            $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:19700101T100000Z\r\nDURATION:PT1S\r\n{rule}\r\nEND:VEVENT\r\nEND:VCALENDAR";
        var calendar = app.Send(HttpMethod.Post, "/api/week/calendar", new { text }, 400);
        await app.Post("/api/journal", new { key = Guid.NewGuid(), text = "Meanwhile." });
        (await calendar)["detail"]!.GetValue<string>().ShouldContain(why);
    }

    [Fact]
    public async Task A_calendar_with_an_ordinary_year_behind_it_is_read()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        const string text =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20300101T100000Z\r\nDURATION:PT1H\r\nRRULE:FREQ=WEEKLY\r\nEND:VEVENT\r\nEND:VCALENDAR";
        (await app.Post("/api/week/calendar", new { text }))["taken"]!.GetValue<int>().ShouldBe(4);
    }

    [Theory]
    [InlineData("Materials", "Kind", "\"Nonsense\"")]
    [InlineData("Materials", "Kind", "\"7\"")]
    [InlineData("Materials", "Area", "\"Nowhere\"")]
    [InlineData("Materials", "Target", "1000000000000000")]
    [InlineData("Materials", "Performance", "\"32-13-99\"")]
    [InlineData("Materials", "LaterDates", "\"soon\"")]
    [InlineData("Materials", "WorkJson", "\"{\"")]
    [InlineData("Materials", "KeyPlanJson", "\"[1\"")]
    [InlineData("Profiles", "WeekdayMinutes", "\"x\"")]
    [InlineData("Profiles", "BoundaryHour", "99")]
    [InlineData("Profiles", "SharesJson", "\"{}\"")]
    [InlineData("Profiles", "School", "\"\"")]
    [InlineData("Routines", "BlocksJson", "\"[{\"")]
    [InlineData("WarmUps", "PartsJson", "\"null\"")]
    public async Task An_archive_with_one_wrong_value_is_refused_with_its_row_and_changes_nothing(string table, string field, string value)
    {
        await app.FirstDay();
        var before = Plain(await app.Get("/api/today"));
        var archive = await app.Http.GetByteArrayAsync("/api/archive", Cancel);
        // Whoever changes it by hand can write the hash as well; without one the value itself is looked at.
        var refused = await app.Http.PostAsync("/api/archive", Octets(Changed(archive, table, field, JsonNode.Parse(value)!)), Cancel);
        refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var words = (await refused.Content.ReadAsStringAsync(Cancel));
        words.ShouldContain(table);
        words.ShouldContain(field);
        Plain(await app.Get("/api/today")).ShouldBe(before);

        static string Plain(JsonNode today) => today["drills"]!.ToJsonString();
    }

    [Fact]
    public async Task A_table_that_was_changed_by_a_bad_cable_is_refused()
    {
        await app.FirstDay();
        var archive = await app.Http.GetByteArrayAsync("/api/archive", Cancel);
        var refused = await app.Http.PostAsync(
            "/api/archive",
            Octets(Changed(archive, "Materials", "Note", JsonValue.Create("other words"), withHashes: true)),
            Cancel
        );
        refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await refused.Content.ReadAsStringAsync(Cancel)).ShouldContain("Materials is not what it was");
    }

    [Fact]
    public async Task A_small_archive_that_unpacks_to_a_full_disk_is_refused()
    {
        await app.FirstDay();
        var archive = await app.Http.GetByteArrayAsync("/api/archive", Cancel);
        var bomb = Changed(archive, "Materials", "Note", JsonValue.Create(new string('a', 31_000_000)), everywhere: true);
        bomb.Length.ShouldBeLessThan(2_000_000);
        var refused = await app.Http.PostAsync("/api/archive", Octets(bomb), Cancel);
        refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await refused.Content.ReadAsStringAsync(Cancel)).ShouldContain("weighs");
    }

    [Fact]
    public async Task A_broken_row_is_named_can_be_taken_out_and_everything_else_works()
    {
        await app.FirstDay();
        using (var book = SafeFile.Open(app.Book))
            SafeFile.Run(book, "UPDATE Materials SET Area='Nowhere' WHERE Id=(SELECT max(Id) FROM Materials)");
        var today = await app.Http.GetAsync("/api/today", Cancel);
        today.StatusCode.ShouldBe(HttpStatusCode.ServiceUnavailable);
        (await today.Content.ReadAsStringAsync(Cancel)).ShouldContain("Area is");
        var fault = (await app.Get("/api/backups/rows")).AsArray().ShouldHaveSingleItem()!;
        fault["table"]!.GetValue<string>().ShouldBe("Materials");
        await app.Post("/api/journal", new { key = Guid.NewGuid(), text = "Works." });
        (await app.Post("/api/backups/rows/remove", fault)).AsArray().ShouldBeEmpty();
        (await app.Get("/api/today"))["drills"]!.AsArray().ShouldNotBeEmpty();
        (await app.Get("/api/backups"))["backups"]!.AsArray().ShouldNotBeEmpty("the book as it was lies there");
    }

    [Fact]
    public async Task Kinds_that_there_are_not_numbers_that_are_none_and_days_at_the_end_of_the_calendar_are_refused()
    {
        await app.FirstDay();
        (await SendAsync(Guid.NewGuid(), Wave(100), kind: "7")).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await app.Get("/api/recordings"))["recordings"]!.AsArray().ShouldBeEmpty();
        await app.Refused(HttpMethod.Get, "/api/journal/days/9999-12-31", null, "day", 400);
        await app.Refused(HttpMethod.Get, "/api/recordings?kind=7", null, "kind", 400);
        await app.Refused(HttpMethod.Get, "/api/recordings?materialId=NaN", null, "request", 400);
        var hidden = new
        {
            title = "Hidden",
            work = new
            {
                kind = "Steps",
                by = "Words",
                items = new[] { "one", "two", "three" },
                patterns = new
                {
                    size = 60,
                    perWeek = 1,
                    joined = true,
                    first = "2031-05-14",
                    from = 4,
                },
            },
        };
        await app.Refused(HttpMethod.Post, "/api/technique/made", hidden, "patterns", 400);
        new PatternPlan(3, 1, false, DateOnly.MaxValue).Check().ShouldNotBeNull();
    }

    [Theory]
    [InlineData("=HYPERLINK(\"x\")")]
    [InlineData("+1+1")]
    [InlineData("@sum")]
    public void A_cell_that_begins_like_a_formula_is_a_text(string text) => CsvFiles.Say(text).ShouldBe($"'{text}");

    [Fact]
    public void A_folder_with_strange_names_is_read_all_the_same()
    {
        var folder = Directory.CreateTempSubdirectory().FullName;
        try
        {
            File.WriteAllText(Path.Combine(folder, "2026-13-45T000000Z.Daily.db"), "");
            new Backups(Path.Combine(folder, "own.db"), folder).All().ShouldBeEmpty();
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public void A_device_is_removed_when_that_is_written_and_not_before()
    {
        var folder = Directory.CreateTempSubdirectory().FullName;
        try
        {
            var devices = new Devices(folder, TimeProvider.System);
            var secret = devices.Pair(devices.NewCode().Code, "tablet")!;
            var device = devices.Of(secret)!;
            var line = devices.WhenRemoved(device.Id);
            // Where the list is to be written there is a folder: nothing can be written.
            var list = Path.Combine(folder, "devices.json");
            File.Move(list, list + ".kept");
            Directory.CreateDirectory(list);
            Should.Throw<FieldException>(() => devices.Remove(device.Id));
            devices.Of(secret).ShouldNotBeNull("what could not be written has not happened");
            line.IsCancellationRequested.ShouldBeFalse();
            Directory.Delete(list);
            devices.Remove(device.Id).ShouldBeTrue();
            devices.Of(secret).ShouldBeNull();
            line.IsCancellationRequested.ShouldBeTrue("what it had open ends with it");
            new Devices(folder, TimeProvider.System).Of(secret).ShouldBeNull();
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public void A_second_folder_that_leads_back_to_the_book_is_refused()
    {
        var folder = Directory.CreateTempSubdirectory().FullName;
        try
        {
            var data = Directory.CreateDirectory(Path.Combine(folder, "data")).FullName;
            var link = Path.Combine(folder, "link");
            Directory.CreateSymbolicLink(link, data);
            Should
                .Throw<FolderException>(() => new SecondCopy(data, Path.Combine(data, "own.db")).Choose(link))
                .Message.ShouldContain("lies there itself");
            Should.Throw<FolderException>(() => new SecondCopy(data, Path.Combine(data, "own.db")).Choose("/"));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Task<HttpResponseMessage> SendAsync(Guid key, byte[] sound, string kind = "Added") =>
        app.Http.PostAsync($"/api/recordings/file?key={key}&kind={kind}&name=x", Octets(sound), Cancel);

    private static ByteArrayContent Octets(byte[] bytes) => new(bytes) { Headers = { ContentType = new("application/octet-stream") } };

    private static byte[] Wave(int bytes)
    {
        var wave = new byte[44 + bytes];
        Encoding.ASCII.GetBytes("RIFF").CopyTo(wave, 0);
        BitConverter.GetBytes(36 + bytes).CopyTo(wave, 4);
        Encoding.ASCII.GetBytes("WAVEfmt ").CopyTo(wave, 8);
        wave[16] = 16;
        wave[20] = wave[22] = 1;
        BitConverter.GetBytes(8000).CopyTo(wave, 24);
        BitConverter.GetBytes(16000).CopyTo(wave, 28);
        wave[32] = 2;
        wave[34] = 16;
        Encoding.ASCII.GetBytes("data").CopyTo(wave, 36);
        BitConverter.GetBytes(bytes).CopyTo(wave, 40);
        return wave;
    }

    /// <summary>The same archive with another value in the first row of a table, or in each.</summary>
    private static byte[] Changed(
        byte[] archive,
        string table,
        string field,
        JsonNode value,
        bool withHashes = false,
        bool everywhere = false
    )
    {
        using var bytes = new MemoryStream();
        bytes.Write(archive);
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Update, leaveOpen: true))
        {
            var lines = Read(zip, $"tables/{table}.jsonl").Split('\n', StringSplitOptions.RemoveEmptyEntries);
            lines.ShouldNotBeEmpty();
            for (var i = 0; i < (everywhere ? lines.Length : 1); i++)
            {
                var row = JsonNode.Parse(lines[i])!;
                row[field] = value.DeepClone();
                lines[i] = row.ToJsonString();
            }

            Write(zip, $"tables/{table}.jsonl", string.Join('\n', lines) + "\n");
            if (!withHashes)
            {
                var head = JsonNode.Parse(Read(zip, "book.json"))!.AsObject();
                head.Remove("tables").ShouldBeTrue();
                Write(zip, "book.json", head.ToJsonString());
            }
        }

        return bytes.ToArray();
    }

    private static string Read(ZipArchive zip, string name)
    {
        using var reader = new StreamReader(zip.GetEntry(name)!.Open());
        return reader.ReadToEnd();
    }

    private static void Write(ZipArchive zip, string name, string text)
    {
        zip.GetEntry(name)!.Delete();
        using var writer = new StreamWriter(zip.CreateEntry(name).Open());
        writer.Write(text);
    }
}
