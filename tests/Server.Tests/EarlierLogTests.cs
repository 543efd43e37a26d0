using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>Practice that was kept in tables elsewhere.</summary>
public sealed class EarlierLogTests : IDisposable
{
    private const string Log =
        "Date;Practice time;What I worked on;Comments;BPM\r\n"
        + "03/04/2031;0:25;Scales;\"Uneven; \"\"left\"\" hand\";\r\n"
        + "03/04/2031;20;Mill Song, bars 3-4;;84\r\n"
        + "14/04/2031;1:05;Sight-reading;;\r\n"
        + "31/04/2031;30;Mill Song;;\r\n"
        + "15/04/2031;a while;Mill Song;;\r\n";

    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task A_table_is_understood_taken_in_once_and_taken_out_again()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var look = await app.Post("/api/earlier-logs/look", Encoding.UTF8.GetBytes(Log));
        ((int?)look["wish"]!["date"], (int?)look["wish"]!["minutes"], (int?)look["wish"]!["tempo"]).ShouldBe((0, 1, 4));
        look["words"]!.GetValue<string>().ShouldBe("3 lines on 2 days from 3 Apr 2031 to 14 Apr 2031, 1.8 hours in all.");
        look["problems"]!
            .AsArray()
            .Select(line => line!.GetValue<string>())
            .ShouldBe(["Line 5: \"31/04/2031\" is no day.", "Line 6: \"a while\" is no time up to 12 hours."]);
        look["first"]!.AsArray().Select(line => (string?)line!["area"]).ShouldBe(["Technique", "Repertoire", "SightReading"]);
        app.Count("Sessions").ShouldBe(0, "a look keeps nothing");

        var logs = await app.Post("/api/earlier-logs?name=old.csv", Encoding.UTF8.GetBytes(Log));
        app.Count("Sessions").ShouldBe(2);
        app.Number("select cast(sum(PlayedSeconds) as integer) from SessionDrills").ShouldBe((25 + 20 + 65) * 60);
        var back = await app.Get("/api/look-back?from=2031-04-01&to=2031-04-30");
        back["balance"]!
            .AsArray()
            .Where(row => row!["played"]!.GetValue<double>() > 0)
            .Select(row => $"{row!["area"]} {row["played"]}")
            .ShouldBe(["SightReading 65", "Technique 25", "Repertoire 20"], ignoreOrder: true);
        var journal = (await app.Get("/api/journal/days/2031-04-03")).ToJsonString();
        journal.ShouldContain("Uneven; \\u0022left\\u0022 hand");
        journal.ShouldContain("At 84.");
        await app.Get("/api/today");
        await app.Get("/api/week/ahead");

        // The same table again, and one that goes on: only what is new.
        await app.Refused(HttpMethod.Post, "/api/earlier-logs", Encoding.UTF8.GetBytes(Log), "file");
        var longer = await app.Post("/api/earlier-logs/look", Encoding.UTF8.GetBytes(Log + "16/04/2031;30;Mill Song;;\r\n"));
        longer["new"]!.GetValue<int>().ShouldBe(1);

        await app.Send(HttpMethod.Delete, $"/api/earlier-logs/{logs[0]!["id"]!.GetValue<string>()}", null, 200);
        (app.Count("Sessions"), app.Count("SessionDrills"), app.Count("Entries")).ShouldBe((0, 0, 0));
        await app.Refused(HttpMethod.Delete, $"/api/earlier-logs/{logs[0]!["id"]!.GetValue<string>()}", "", "id", 404);
    }

    [Fact]
    public async Task Columns_are_found_without_heads_and_put_right_by_hand_and_either_order_is_asked_for()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        var bare = Encoding
            .Unicode.GetPreamble()
            .Concat(Encoding.Unicode.GetBytes("Trills\t3/4/2031\t25\nScales\t5/4/2031\t30\n"))
            .ToArray();
        var look = await app.Post("/api/earlier-logs/look", bare);
        ((int?)look["wish"]!["date"], (int?)look["wish"]!["minutes"]).ShouldBe((1, 2));
        look["isUnsure"]!.GetValue<bool>().ShouldBeTrue();
        Days(look).ShouldBe(["2031-04-03", "2031-04-05"]);
        look = await app.Post("/api/earlier-logs/look?monthFirst=true&what=0", bare);
        Days(look).ShouldBe(["2031-03-04", "2031-05-04"]);
        look["first"]![0]!["what"]!.GetValue<string>().ShouldBe("Trills");
        look = await app.Post("/api/earlier-logs/look?minutes=-1", bare);
        look["problems"]![0]!.GetValue<string>().ShouldContain("Say which column");

        await app.Refused(HttpMethod.Post, "/api/earlier-logs/look", Array.Empty<byte>(), "file");
        await app.Refused(HttpMethod.Post, "/api/earlier-logs/look", Encoding.UTF8.GetBytes(new string(',', 60)), "file");
        await app.Refused(HttpMethod.Post, "/api/earlier-logs", "only,words\nand,more\n"u8.ToArray(), "file");
        (await app.Post("/api/earlier-logs/look", Enumerable.Range(0, 400).Select(i => (byte)i).ToArray()))["new"]!
            .GetValue<int>()
            .ShouldBe(0);
    }

    private static IEnumerable<string?> Days(JsonNode look) => look["first"]!.AsArray().Select(line => (string?)line!["day"]);
}
