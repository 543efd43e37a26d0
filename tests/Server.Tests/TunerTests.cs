using System.Net.WebSockets;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using TuningFork.Core.Listening;
using Xunit;
using static TuningFork.Server.Tests.App;

namespace TuningFork.Server.Tests;

/// <summary>The tuner over its WebSocket.</summary>
public sealed class TunerTests : IDisposable
{
    private const int Rate = 44_100;

    private readonly App app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Samples_go_in_and_the_note_as_it_is_written_comes_out()
    {
        await app.Clock(Evening);
        await app.FirstDay();
        using var socket = await OpenAsync();
        // A4 eleven cents flat, and silence after it.
        var tone = SimulatedInstrument.Render(
            [new SoundedNote(0, 0.8, 440 * Math.Pow(2, -11 / 1200.0))],
            SimulatedSound.Reed,
            Rate,
            1.2,
            1
        );
        foreach (var block in WaveFile.Write(tone, Rate).Skip(44).Chunk(2048))
            await socket.SendAsync(block, WebSocketMessageType.Binary, endOfMessage: true, CancellationToken.None);
        var readings = new List<JsonNode>();
        for (var i = 0; i < 18; i++)
            readings.Add(await ReadAsync(socket));
        var heard = readings.Where(one => one["note"] is not null).ToList();
        heard.Count.ShouldBeInRange(10, 14);
        heard.ShouldAllBe(one => one["cents"]!.GetValue<double>() > -12 && one["cents"]!.GetValue<double>() < -10);
        heard[3]["words"]!.GetValue<string>().ShouldBe("11 cents flat");
        readings[^1]["note"].ShouldBeNull("it is silent");

        // Words are no samples: it is hung up, and nothing else happens.
        await socket.SendAsync("words"u8.ToArray(), WebSocketMessageType.Text, endOfMessage: true, CancellationToken.None);
        (await socket.ReceiveAsync(new byte[100], CancellationToken.None)).MessageType.ShouldBe(WebSocketMessageType.Close);
        await app.Get("/api/today");
    }

    [Fact]
    public async Task What_is_no_socket_or_too_fast_is_refused_with_what_to_do()
    {
        await app.FirstDay();
        await app.Refused(HttpMethod.Get, $"/api/listen/tuner?rate={Rate}", new { }, "upgrade");
        await Should.ThrowAsync<InvalidOperationException>(() => OpenAsync(4_000_000));
    }

    private Task<WebSocket> OpenAsync(int rate = Rate) =>
        app.Server.CreateWebSocketClient().ConnectAsync(new Uri($"ws://localhost/api/listen/tuner?rate={rate}"), CancellationToken.None);

    private static async Task<JsonNode> ReadAsync(WebSocket socket)
    {
        var bytes = new byte[1000];
        var answer = await socket.ReceiveAsync(bytes, CancellationToken.None).WaitAsync(TimeSpan.FromSeconds(10));
        return JsonNode.Parse(Encoding.UTF8.GetString(bytes, 0, answer.Count))!;
    }
}
