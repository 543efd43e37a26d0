using System.Runtime.InteropServices;
using System.Text.Json;
using TuningFork.Core.Listening;

namespace TuningFork.Server.Features.Listening;

/// <summary>What came of measuring the delay of the room.</summary>
/// <param name="Ms">Milliseconds; null where they could not be told.</param>
/// <param name="PlusMinus">How far they may be off.</param>
/// <param name="Words">The same in a sentence, or what to do.</param>
public sealed record DelayView(double? Ms, double? PlusMinus, string Words);

/// <summary>How late the microphone hears what sounds with the click, over a WebSocket.</summary>
public static class DelayEndpoints
{
    /// <summary>The clicks are over long before.</summary>
    private const int LongestSeconds = 60;

    public static void MapDelay(this WebApplication app) =>
        SampleSocket.Describe(app.MapMethods("/api/listen/delay", SampleSocket.OpenedBy, ListenAsync));

    private static async Task ListenAsync(HttpContext context, int rate, bool claps = false, CancellationToken cancel = default)
    {
        using var socket = await SampleSocket.OpenAsync(context, rate);
        var heard = new List<float>();
        await socket.HearAsync(
            (samples, _) =>
            {
                if (heard.Count < LongestSeconds * rate)
                    heard.AddRange(samples);
                return Task.CompletedTask;
            },
            async (words, until) =>
            {
                if (First(words) is not { } first)
                    return false;
                var strokes = Strokes.Of(CollectionsMarshal.AsSpan(heard), rate, RoomDelay.Clicks);
                var delay = RoomDelay.Of(strokes, first, claps);
                await socket.SendAsync(new DelayView(delay.Ms?.Value, delay.Ms?.PlusMinus, delay.Words), until);
                return true;
            },
            cancel
        );
    }

    /// <summary>{"first": seconds of what is heard at which the first of the clicks sounded}: all of them did.</summary>
    private static double? First(JsonElement words) =>
        words.ValueKind == JsonValueKind.Object
        && words.TryGetProperty("first", out var first)
        && first.ValueKind == JsonValueKind.Number
        && first.TryGetDouble(out var seconds)
        && double.IsFinite(seconds)
            ? seconds
            : null;
}
