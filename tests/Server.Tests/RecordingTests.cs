using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Recordings over HTTP.</summary>
public sealed class RecordingTests : IDisposable
{
    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Sound_comes_in_pieces_a_piece_may_come_twice_and_what_came_is_heard()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        var key = Guid.NewGuid();
        var wish = new
        {
            key,
            materialId = passage,
            contentType = "audio/webm;codecs=opus",
            tempo = 84,
        };
        var id = Id(await app.Post("/api/recordings", wish));
        Id(await app.Post("/api/recordings", wish)).ShouldBe(id, "sent again it begins once");
        await app.Refused(HttpMethod.Post, $"/api/recordings/{id}/end", new { seconds = 1 }, "sound");
        await app.Post($"/api/recordings/{id}/sound?at=0&seconds=1", "first,"u8.ToArray());
        await app.Refused(HttpMethod.Post, $"/api/recordings/{id}/sound?at=60&seconds=9", "gap"u8.ToArray(), "at", 409);
        // Its answer was lost, and the next piece came with the same one again in front.
        await app.Post($"/api/recordings/{id}/sound?at=0&seconds=1", "first,"u8.ToArray());
        (await app.Post($"/api/recordings/{id}/sound?at=3&seconds=2", "st,second"u8.ToArray()))["bytes"]!.GetValue<int>().ShouldBe(12);

        // Nothing more came: the program that recorded was killed.
        await app.Clock(Evening.AddMinutes(5));
        var cut = await app.Get($"/api/recordings/{id}");
        cut["word"]!.GetValue<string>().ShouldStartWith("It was cut off");
        cut["seconds"]!.GetValue<double>().ShouldBe(2);

        var done = await app.Post($"/api/recordings/{id}/end", new { seconds = 2.4, clean = true });
        (done["word"]!.GetValue<string>(), done["clean"]!.GetValue<bool>(), done["tempo"]!.GetValue<int>()).ShouldBe(("", true, 84));
        using var request = new HttpRequestMessage(HttpMethod.Get, $"/api/recordings/{id}/sound");
        request.Headers.Range = new System.Net.Http.Headers.RangeHeaderValue(6, null);
        using var heard = await app.Http.SendAsync(request);
        heard.StatusCode.ShouldBe(HttpStatusCode.PartialContent);
        (await heard.Content.ReadAsStringAsync()).ShouldBe("second");
        heard.Content.Headers.ContentType!.MediaType.ShouldBe("audio/webm");
        Titles(await app.Get($"/api/recordings?materialId={passage}")).ShouldBe([done["title"]!.GetValue<string>()]);
    }

    [Fact]
    public async Task What_would_have_to_change_is_what_is_missing_in_the_passage()
    {
        await app.Clock(Evening);
        var (piece, passage, _, _) = await app.FirstDay();
        var id = await RecordAsync(passage);
        await app.Refused(
            HttpMethod.Put,
            $"/api/recordings/{id}",
            new
            {
                asImagined = false,
                change = "wrong notes",
                isMarked = false,
            },
            "change"
        );
        var said = await app.Put(
            $"/api/recordings/{id}",
            new
            {
                asImagined = false,
                change = "rushing",
                isMarked = true,
            }
        );
        said["change"]!.GetValue<string>().ShouldBe("rushing");
        var there = (await app.Get($"/api/pieces/{piece}"))["passages"]!.AsArray().Single(one => Id(one!) == passage)!;
        there["missing"]!.GetValue<string>().ShouldBe("rushing");
        there["remedy"]!.GetValue<string>().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task For_want_of_room_the_middle_goes_and_the_first_the_newest_and_the_marked_stay()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        await app.Put("/api/recordings/room", new { megabytes = 10 });
        await app.Refused(HttpMethod.Put, "/api/recordings/room", new { megabytes = 1 }, "megabytes");
        var ids = new List<int>();
        for (var day = 0; day < 5; day++)
        {
            await app.Clock(Evening.AddDays(day));
            ids.Add(await RecordAsync(passage, new byte[3_000_000]));
            if (day == 1)
                await app.Put(
                    $"/api/recordings/{ids[1]}",
                    new
                    {
                        asImagined = true,
                        change = "",
                        isMarked = true,
                    }
                );
        }

        (await app.Get("/api/recordings"))["recordings"]!.AsArray().Select(one => Id(one!)).ShouldBe([ids[4], ids[1], ids[0]]);
        (await app.Get("/api/recordings/room"))["words"]!.GetValue<string>().ShouldBe("9 MB of 10 MB used.");
    }

    [Fact]
    public async Task After_a_week_the_first_and_the_newest_are_offered_and_a_line_goes_into_the_journal()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        (await app.Send(HttpMethod.Get, $"/api/recordings/apart/{passage}", null, 200)).ShouldBeNull();
        var first = await RecordAsync(passage);
        await app.Clock(Evening.AddDays(8));
        (await app.Get($"/api/recordings/apart/{passage}"))["offer"]!.GetValue<string>().ShouldBe("Record");
        (await app.Get("/api/recordings/apart")).AsArray().ShouldBeEmpty();
        var newest = await RecordAsync(passage);
        var offer = (await app.Get("/api/recordings/apart")).AsArray().Single()!;
        (Id(offer["first"]!), Id(offer["newest"]!)).ShouldBe((first, newest));
        offer["words"]!.GetValue<string>().ShouldContain("8 days apart");
        await app.Post(
            "/api/recordings/apart",
            new
            {
                key = Guid.NewGuid(),
                firstId = first,
                newestId = newest,
                different = "The low notes speak at once now.",
            }
        );
        (await app.Get("/api/recordings/apart")).AsArray().ShouldBeEmpty();
        (await app.Get("/api/journal")).ToJsonString().ShouldContain("8 days apart: The low notes speak at once now.");
    }

    [Fact]
    public async Task A_file_of_ones_own_is_known_by_its_bytes_and_nothing_else_is_taken()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var key = Guid.NewGuid();
        var place = $"/api/recordings/file?key={key}&kind=Song&name=Slow%20blues&seconds=12.5";
        await app.Refused(HttpMethod.Post, place, "<html><script>alert(1)</script>"u8.ToArray(), "file");
        var song = await app.Post(place, Wave());
        (song["contentType"]!.GetValue<string>(), song["title"]!.GetValue<string>()).ShouldBe(("audio/wav", "Slow blues"));
        Id(await app.Post(place, Wave())).ShouldBe(Id(song), "sent again it is there once");
        var looped = await app.Put(
            $"/api/recordings/{Id(song)}/loop",
            new
            {
                from = 2.5,
                to = 6.0,
                speed = 70,
                countIn = 4,
                rounds = 3,
                playedSeconds = 15.0,
            }
        );
        looped["loop"]!["rounds"]!.GetValue<int>().ShouldBe(3);
        looped["loop"]!["lastPlayed"]!
            .GetValue<string>()
            .ShouldBe(DateOnly.FromDateTime(Evening.Date).ToString("O", CultureInfo.InvariantCulture));
        await app.Refused(
            HttpMethod.Put,
            $"/api/recordings/{Id(song)}/loop",
            new
            {
                from = 6.0,
                to = 2.5,
                speed = 70,
                countIn = 0,
                rounds = 0,
                playedSeconds = 0.0,
            },
            "to"
        );
        Titles(await app.Get("/api/recordings?kind=Song")).ShouldBe(["Slow blues"]);
        Titles(await app.Get("/api/recordings")).ShouldBeEmpty("songs have a list of their own");
    }

    [Fact]
    public async Task What_has_ended_takes_no_more_sound_and_a_song_is_no_take()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        var id = await RecordAsync(passage);
        await app.Refused(HttpMethod.Post, $"/api/recordings/{id}/sound?at=5", "more"u8.ToArray(), "id", 409);
        (await app.Post($"/api/recordings/{id}/end", new { seconds = 3, clean = true }))["clean"]!.GetValue<bool>().ShouldBeTrue();
        var song = await app.Post($"/api/recordings/file?key={Guid.NewGuid()}&kind=Song&name=Blues", Wave());
        await app.Refused(HttpMethod.Post, $"/api/recordings/{Id(song)}/sound?at=0", "more"u8.ToArray(), "id");
        await app.Refused(HttpMethod.Post, $"/api/recordings/{Id(song)}/end", new { seconds = 1, clean = true }, "id");
    }

    [Fact]
    public async Task Songs_come_in_the_order_in_which_they_waited()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        foreach (var name in new[] { "Blues", "Waltz", "Jig" })
            await app.Post($"/api/recordings/file?key={Guid.NewGuid()}&kind=Song&name={name}", Wave());
        app.Write("UPDATE Recordings SET LastPlayed='2031-05-10' WHERE Name='Waltz'");
        app.Write("UPDATE Recordings SET LastPlayed='2031-05-02' WHERE Name='Jig'");
        Titles(await app.Get("/api/recordings?kind=Song")).ShouldBe(["Blues", "Jig", "Waltz"]);
        var two = await app.Get("/api/recordings?kind=Song&limit=2");
        (string.Join(' ', Titles(two)), two["more"]!.GetValue<bool>()).ShouldBe(("Blues Jig", true));
        (await app.Get("/api/recordings?kind=Song&limit=1000"))["more"]!.GetValue<bool>().ShouldBeFalse();
        await app.Refused(HttpMethod.Get, "/api/recordings?kind=Song&limit=1001", null, "limit");
    }

    [Fact]
    public async Task A_backup_brings_the_sound_back_and_an_archive_takes_it_along()
    {
        await app.Clock(Evening);
        var (_, passage, _, _) = await app.FirstDay();
        var id = await RecordAsync(passage, "as it sounded"u8.ToArray());
        await app.Post("/api/backups", new { });
        await app.Send(HttpMethod.Delete, $"/api/recordings/{id}", null, 200);
        await app.Refused(HttpMethod.Get, $"/api/recordings/{id}/sound", new { }, "id", 404);
        // It goes for good at the next start after a day; another backup is made then, and the older one still needs it.
        app.Write("DELETE FROM Recordings");
        await app.Clock(Evening.AddDays(2));
        await app.Post("/api/backups", new { });
        var backups = (await app.Get("/api/backups"))["backups"]!.AsArray();
        await app.Post($"/api/backups/{backups[^1]!["name"]!.GetValue<string>()}/restore", new { });
        (await app.Http.GetStringAsync($"/api/recordings/{id}/sound")).ShouldBe("as it sounded");

        var archive = await app.Http.GetByteArrayAsync("/api/archive");
        using var other = new App();
        await other.Post("/api/archive/look", archive);
        await other.Post("/api/archive", archive);
        (await other.Http.GetStringAsync($"/api/recordings/{id}/sound")).ShouldBe("as it sounded");
        other.FilesInFolder("under-way-").ShouldBeEmpty();
        using var filled = new App();
        await filled.Clock(Evening.AddDays(-3));
        await filled.FirstDay();
        await filled.Post("/api/archive", archive);
        var there = (await filled.Get("/api/recordings"))["recordings"]!.AsArray().Single()!;
        (await filled.Http.GetStringAsync($"/api/recordings/{Id(there)}/sound")).ShouldBe("as it sounded");
    }

    /// <summary>A recording of some bytes, begun and ended.</summary>
    private async Task<int> RecordAsync(int material, byte[]? sound = null)
    {
        var begun = await app.Post(
            "/api/recordings",
            new
            {
                key = Guid.NewGuid(),
                materialId = material,
                contentType = "audio/webm",
            }
        );
        await app.Post($"/api/recordings/{Id(begun)}/sound?at=0&seconds=3", sound ?? "sound"u8.ToArray());
        await app.Post($"/api/recordings/{Id(begun)}/end", new { seconds = 3 });
        return Id(begun);
    }

    /// <summary>A WAV file without sound in it.</summary>
    private static byte[] Wave() =>
        [
            .. "RIFF"u8,
            36,
            0,
            0,
            0,
            .. "WAVEfmt "u8,
            16,
            0,
            0,
            0,
            1,
            0,
            1,
            0,
            0x80,
            0x3E,
            0,
            0,
            0,
            0x7D,
            0,
            0,
            2,
            0,
            16,
            0,
            .. "data"u8,
            0,
            0,
            0,
            0,
        ];

    private static List<string> Titles(JsonNode list) =>
        [.. list["recordings"]!.AsArray().Select(one => one!["title"]!.GetValue<string>())];
}
