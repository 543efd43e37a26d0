using System.Text.Json;
using TuningFork.Core.Listening;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>Takes on the stage are listened to over a WebSocket; what came of them is asked for and marked over HTTP.</summary>
public static class TakesEndpoints
{
    private const double MostDelay = 1_000;

    /// <summary>Full scale, nearly: the sound is cut off there.</summary>
    private const float Clipped = 0.999f;

    /// <summary>So many samples at full scale in one block are no accident.</summary>
    private const int ManyClipped = 8;

    public static void MapTakes(this WebApplication app)
    {
        app.MapGet("/api/listen/takes", ListenAsync).ExcludeFromDescription();
        var group = app.MapGroup("/api/heard").WithTags("Listening");
        group
            .MapGet("", (HeardBooks books, CancellationToken cancel, int? materialId = null, DateOnly? day = null, int? before = null) =>
                books.ListAsync(materialId, day, before, cancel)
            )
            .WithName("GetHeard");
        group.MapGet("/trust", (HeardBooks books, CancellationToken cancel) => books.TrustAsync(cancel)).WithName("GetTrust");
        group
            .MapPut("/{id:int}", (int id, MarkRequest mark, HeardBooks books, CancellationToken cancel) =>
                books.MarkAsync(id, mark.Clean, cancel)
            )
            .WithName("MarkHeard");
    }

    private static async Task ListenAsync(
        HttpContext context,
        HandReader reader,
        HeardBooks books,
        Ledger ledger,
        Turns turns,
        int rate,
        double delay = 0,
        double plusMinus = 0,
        CancellationToken cancel = default
    )
    {
        if (!(delay is >= -MostDelay and <= MostDelay && plusMinus is >= 0 and <= MostDelay))
            throw new FieldException("delay", "A delay is at most a second, and so is what it may be off.");
        var (hand, word) = await reader.OfAsync(new Estimate(delay, plusMinus), cancel);
        using var socket = await SampleSocket.OpenAsync(context, rate);
        var listener = hand is null ? null : new TakeListener(rate, hand.Wish);
        var book = ledger.Of(context);
        var notes = 0;
        await socket.SendAsync(new ListenView(0, null, word), cancel);
        await socket.HearAsync(
            async (samples, until) =>
            {
                if (listener is null)
                    return;
                var take = listener.Add(samples);
                if (take is not null)
                {
                    // The program may be asked for other things meanwhile: one writer at a time.
                    using var turn = await turns.TakeAsync(book, until);
                    var row = await books.KeepAsync(hand!, take, until);
                    await socket.SendAsync(new ListenView(listener.Notes, HeardBooks.View(row), ""), until);
                }
                else if (samples.Count(sample => Math.Abs(sample) >= Clipped) >= ManyClipped)
                    await socket.SendAsync(
                        new ListenView(listener.Notes, null, "Too loud for the microphone: turn it down, or stand further off."),
                        until
                    );
                else if (listener.Notes != notes)
                    await socket.SendAsync(new ListenView(listener.Notes, null, ""), until);
                notes = listener.Notes;
            },
            (words, _) => Task.FromResult(Understood(words, listener)),
            cancel
        );
    }

    /// <summary>{"click": seconds of what is heard at which a beat sounds, or null}.</summary>
    private static bool Understood(JsonElement words, TakeListener? listener)
    {
        if (words.ValueKind != JsonValueKind.Object || !words.TryGetProperty("click", out var click))
            return false;
        if (click.ValueKind == JsonValueKind.Null)
            listener?.Click(null);
        else if (click.ValueKind == JsonValueKind.Number && click.TryGetDouble(out var beat) && double.IsFinite(beat))
            listener?.Click(beat);
        else
            return false;
        return true;
    }
}
