using System.Net.WebSockets;
using System.Runtime.InteropServices;
using System.Text.Json;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Sound;

/// <summary>What a tuner shows.</summary>
/// <param name="Note">The note as it is written; null where nothing is heard.</param>
/// <param name="Cents">How far from it, in hundredths of a semitone.</param>
/// <param name="Words">The same in words.</param>
public sealed record TunerView(string? Note, double Cents, string Words);

/// <summary>
/// Listens over a WebSocket: samples come in blocks (16 bits, little-endian, one line), readings go out as JSON. Sound goes no further
/// than this machine, and nothing of it is kept.
/// </summary>
public static class TunerEndpoints
{
    private const int LargestBlock = 1 << 16;

    /// <summary>Nobody tunes for longer; a page that was forgotten lets go.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(30);

    /// <summary>A note that is tuned to is in no key: it goes by its letter, or by its syllable where do is fixed.</summary>
    private static Key Plain => Key.C;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    public static void MapTuner(this WebApplication app) => app.MapGet("/api/listen/tuner", ListenAsync).ExcludeFromDescription();

    private static async Task ListenAsync(
        HttpContext context,
        PlanDesk plans,
        int rate,
        bool own = false,
        CancellationToken cancel = default
    )
    {
        if (!context.WebSockets.IsWebSocketRequest)
            throw new FieldException("upgrade", "This address listens over a WebSocket. Open it as one.");
        if (rate is < 8_000 or > 96_000)
            throw new FieldException("rate", "Samples come at 8,000 to 96,000 a second.");
        var profile = await plans.ProfileAsync(cancel);
        var tuner = new Tuner(ProfileBooks.InstrumentOf(profile), profile.A4, rate, own);
        using var socket = await context.WebSockets.AcceptWebSocketAsync();
        using var until = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        until.CancelAfter(Longest);
        try
        {
            await HearAsync(socket, tuner, profile.Naming, until.Token);
        }
        catch (Exception problem) when (problem is OperationCanceledException or WebSocketException)
        {
            // The page was left, or the time is up.
        }
    }

    private static async Task HearAsync(WebSocket socket, Tuner tuner, Naming naming, CancellationToken cancel)
    {
        var block = new byte[LargestBlock];
        while (socket.State == WebSocketState.Open)
        {
            var length = 0;
            ValueWebSocketReceiveResult part;
            do
            {
                part = await socket.ReceiveAsync(block.AsMemory(length), cancel);
                length += part.Count;
                if (part.MessageType != WebSocketMessageType.Binary || (length == block.Length && !part.EndOfMessage))
                {
                    await socket.CloseOutputAsync(WebSocketCloseStatus.NormalClosure, null, cancel);
                    return;
                }
            } while (!part.EndOfMessage);

            foreach (var reading in tuner.Add(Samples(block.AsSpan(0, length))))
                await socket.SendAsync(
                    JsonSerializer.SerializeToUtf8Bytes(View(reading, naming), Json),
                    WebSocketMessageType.Text,
                    endOfMessage: true,
                    cancel
                );
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

    private static TunerView View(TunerReading? reading, Naming naming) =>
        reading is null
            ? new TunerView(null, 0, "")
            : new TunerView(
                $"{NoteNaming.Of(reading.Note.Written.Name, Plain, naming == Naming.FixedDo ? naming : Naming.Letters)}{reading.Note.Written.Octave}",
                Math.Round(reading.Note.Cents, 1),
                reading.Note.Words
            );
}
