using System.Net.WebSockets;
using System.Runtime.InteropServices;
using System.Text.Json;
using System.Text.Json.Serialization;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>
/// A WebSocket over which a microphone is listened to: samples come in blocks (16 bits, little-endian, one line), words as JSON text;
/// answers go out as JSON. Sound goes no further than this machine, and nothing of it is kept.
/// </summary>
public sealed class SampleSocket(WebSocket socket) : IDisposable
{
    private const int LargestBlock = 1 << 16;
    private const int Slowest = 8_000;
    private const int Quickest = 96_000;

    /// <summary>Nobody listens for longer without a word; a page that was forgotten lets go.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromHours(2);

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    /// <summary>HTTP/1.1 opens a WebSocket by GET; HTTP/2, which the browsers of guests speak, by CONNECT (RFC 8441).</summary>
    public static IReadOnlyList<string> OpenedBy { get; } = [HttpMethods.Get, HttpMethods.Connect];

    /// <summary>An address that is listened at: nobody waits for the end of what comes in over it.</summary>
    public static void Describe(RouteHandlerBuilder address) => address.WithMetadata(new OwnTurn()).ExcludeFromDescription();

    /// <summary>Opens one, where the request is for one and its rate is possible.</summary>
    public static async Task<SampleSocket> OpenAsync(HttpContext context, int rate)
    {
        if (!context.WebSockets.IsWebSocketRequest)
            throw new FieldException("upgrade", "This address listens over a WebSocket. Open it as one.");
        if (rate is < Slowest or > Quickest)
            throw new FieldException("rate", "Samples come at 8,000 to 96,000 a second.");
        return new SampleSocket(await context.WebSockets.AcceptWebSocketAsync());
    }

    public void Dispose() => socket.Dispose();

    /// <summary>Hears until the page is left, the time is up, or something else than was agreed on comes.</summary>
    /// <param name="heard">Given samples as they come.</param>
    /// <param name="said">Given words; false for those that are not understood. None are, where this is left out.</param>
    /// <param name="cancel">Cancelled when the request ends.</param>
    public async Task HearAsync(
        Func<float[], CancellationToken, Task> heard,
        Func<JsonElement, CancellationToken, Task<bool>>? said,
        CancellationToken cancel
    )
    {
        using var until = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        until.CancelAfter(Longest);
        try
        {
            var block = new byte[LargestBlock];
            while (socket.State == WebSocketState.Open)
            {
                var (length, type) = await ReceiveAsync(block, until.Token);
                var understood = type switch
                {
                    WebSocketMessageType.Binary when length is { } bytes => await Yes(heard(Samples(block.AsSpan(0, bytes)), until.Token)),
                    WebSocketMessageType.Text when length is { } text && said is not null && Words(block.AsMemory(0, text)) is { } words =>
                        await said(words, until.Token),
                    _ => false,
                };
                if (understood)
                    continue;
                if (socket.State is WebSocketState.Open or WebSocketState.CloseReceived)
                    await socket.CloseOutputAsync(WebSocketCloseStatus.NormalClosure, null, until.Token);
                return;
            }
        }
        catch (Exception problem) when (problem is OperationCanceledException or WebSocketException or IOException)
        {
            // The page was left, or the time is up.
        }
    }

    public ValueTask SendAsync<T>(T answer, CancellationToken cancel) =>
        socket.SendAsync(
            JsonSerializer.SerializeToUtf8Bytes(answer, Json),
            WebSocketMessageType.Text,
            WebSocketMessageFlags.EndOfMessage,
            cancel
        );

    private static async Task<bool> Yes(Task task)
    {
        await task;
        return true;
    }

    /// <summary>A whole message; its length is null where it is too long.</summary>
    private async Task<(int? Length, WebSocketMessageType Type)> ReceiveAsync(byte[] block, CancellationToken cancel)
    {
        for (var length = 0; ; )
        {
            var part = await socket.ReceiveAsync(block.AsMemory(length), cancel);
            length += part.Count;
            if (part.EndOfMessage)
                return (length, part.MessageType);
            if (length == block.Length)
                return (null, part.MessageType);
        }
    }

    private static JsonElement? Words(ReadOnlyMemory<byte> text)
    {
        try
        {
            using var document = JsonDocument.Parse(text);
            return document.RootElement.Clone();
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static float[] Samples(ReadOnlySpan<byte> block)
    {
        var whole = MemoryMarshal.Cast<byte, short>(block[..(block.Length & ~1)]);
        var samples = new float[whole.Length];
        for (var i = 0; i < samples.Length; i++)
            samples[i] = whole[i] / (float)short.MaxValue;
        return samples;
    }
}
