using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;

namespace TuningFork.Server.Features.Listening;

/// <summary>What a tuner shows.</summary>
/// <param name="Note">The note as it is written; null where nothing is heard.</param>
/// <param name="Cents">How far from it, in hundredths of a semitone.</param>
/// <param name="Words">The same in words.</param>
public sealed record TunerView(string? Note, double Cents, string Words);

/// <summary>The tuner over a WebSocket.</summary>
public static class TunerEndpoints
{
    public static void MapTuner(this WebApplication app) =>
        SampleSocket.Describe(app.MapMethods("/api/listen/tuner", SampleSocket.OpenedBy, ListenAsync));

    private static async Task ListenAsync(
        HttpContext context,
        PlanDesk plans,
        int rate,
        bool own = false,
        CancellationToken cancel = default
    )
    {
        var profile = await plans.ProfileAsync(cancel);
        using var socket = await SampleSocket.OpenAsync(context, rate);
        var tuner = new Tuner(ProfileBooks.InstrumentOf(profile), profile.A4, rate, own);
        await socket.HearAsync(
            async (samples, until) =>
            {
                foreach (var reading in tuner.Add(samples))
                    await socket.SendAsync(View(reading, profile.Naming), until);
            },
            null,
            cancel
        );
    }

    private static TunerView View(TunerReading? reading, Naming naming) =>
        reading is null
            ? new TunerView(null, 0, "")
            : new TunerView(NoteNaming.WithOctave(reading.Note.Written, naming), Math.Round(reading.Note.Cents, 1), reading.Note.Words);
}
