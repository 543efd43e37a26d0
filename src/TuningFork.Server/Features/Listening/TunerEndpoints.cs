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
    /// <summary>A note that is tuned to is in no key: it goes by its letter, or by its syllable where do is fixed.</summary>
    private static Key Plain => Key.C;

    public static void MapTuner(this WebApplication app) => app.MapGet("/api/listen/tuner", ListenAsync).ExcludeFromDescription();

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

    /// <summary>The name of a written note.</summary>
    internal static string Name(Pitch written, Naming naming) =>
        $"{NoteNaming.Of(written.Name, Plain, naming == Naming.FixedDo ? naming : Naming.Letters)}{written.Octave}";

    private static TunerView View(TunerReading? reading, Naming naming) =>
        reading is null
            ? new TunerView(null, 0, "")
            : new TunerView(Name(reading.Note.Written, naming), Math.Round(reading.Note.Cents, 1), reading.Note.Words);
}
