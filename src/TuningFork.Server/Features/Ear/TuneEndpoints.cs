using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Ear;

/// <summary>A tune to be found: where, and how it went before.</summary>
/// <param name="Key">The key in which it comes next, "F major".</param>
/// <param name="First">Its first note there, "C".</param>
/// <param name="Tones">The key's chord and the first note, as they sound.</param>
/// <param name="Last">How it went the last time, in words; empty before.</param>
public sealed record TuneView(
    int Id,
    string Title,
    int StartDegree,
    bool IsMinor,
    string Key,
    string First,
    IReadOnlyList<Tone> Tones,
    string Last
);

/// <summary>A tune one knows.</summary>
/// <param name="StartDegree">The degree of its first note, 1 to 7.</param>
public sealed record TuneWish(string Title, int StartDegree = 1, bool IsMinor = false);

/// <summary>How it was looked for. Sent again with the same key it counts once.</summary>
/// <param name="Seconds">Seconds until it was found or given up.</param>
/// <param name="WrongStarts">How often it was begun wrong.</param>
public sealed record FindWish(Guid Key, double Seconds, int WrongStarts, bool Found);

/// <summary>The tune that was added.</summary>
public sealed record TuneAdded(int Id);

/// <summary>What came of it.</summary>
public sealed record FoundView(string Words);

/// <summary>Tunes one knows, found on the instrument, over HTTP.</summary>
public static class TuneEndpoints
{
    private const double MostSeconds = 3600;
    private const int MostWrong = 500;

    public static void MapTunes(this WebApplication app)
    {
        var group = app.MapGroup("/api/ear/tunes").WithTags("Ear");
        group.MapGet("", AllAsync).WithName("GetTunes");
        group
            .MapPost("", async (TuneWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                var title = Problems.Text("title", wish.Title);
                if (title.Length == 0)
                    throw new FieldException("title", "What is the tune called?");
                if (wish.StartDegree is < 1 or > 7)
                    throw new FieldException("startDegree", "The first note is a degree of the key, 1 to 7.");
                var row = new TuneRow
                {
                    Title = title,
                    StartDegree = wish.StartDegree,
                    IsMinor = wish.IsMinor,
                };
                db.Tunes.Add(row);
                await db.SaveChangesAsync(cancel);
                return new TuneAdded(row.Id);
            })
            .WithName("AddTune");
        group.MapPost("/{id:int}/finds", FindAsync).WithName("KeepFind");
        group.MapRemoval<TuneRow>("/{id:int}", "Tune", "tune");
    }

    /// <summary>What waited longest comes first.</summary>
    private static async Task<List<TuneView>> AllAsync(PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var profile = await desk.ProfileAsync(cancel);
        var tunes = await db.Tunes.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel);
        var finds = (await db.Finds.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel)).ToLookup(row => row.TuneId);
        return [.. tunes.OrderBy(tune => finds[tune.Id].LastOrDefault()?.Id ?? 0).Select(tune => View(tune, [.. finds[tune.Id]], profile))];
    }

    private static TuneView View(TuneRow tune, IReadOnlyList<FindRow> finds, ProfileRow profile)
    {
        var task = KnownTunes.Next(new KnownTune(tune.StartDegree, tune.IsMinor), [.. finds.Select(find => find.Signature)]);
        return new TuneView(
            tune.Id,
            tune.Title,
            tune.StartDegree,
            tune.IsMinor,
            task.Key.Name,
            task.First.Printed,
            Tones(task, profile),
            finds is [.., var last] ? Last(last, tune.IsMinor) : ""
        );
    }

    private static string Last(FindRow last, bool isMinor) =>
        $"{(last.Found ? "found" : "given up")} in {Key.OfSignature(last.Signature, isMinor).Name} after {TimeSpan.FromSeconds(last.Seconds):m\\:ss}"
        + (last.WrongStarts > 0 ? $", {Core.Practice.Words.Count(last.WrongStarts, "wrong start")}" : "");

    /// <summary>The chord of the key and the first note, sounding, in the player's register.</summary>
    private static IReadOnlyList<Tone> Tones(TuneTask task, ProfileRow profile)
    {
        var home = profile.EarCentre - 6 + Over(task.Key.Tonic.PitchClass + profile.Transposition - (profile.EarCentre - 6));
        var first = home + Over(task.First.PitchClass - task.Key.Tonic.PitchClass);
        int[] chord = [home, home + (task.Key.IsMinor ? 3 : 4), home + 7];
        return [.. chord.Select(note => new Tone(Tuning.Hertz(note), 0, 1.4)), new Tone(Tuning.Hertz(first), 1.8, 1.2)];
    }

    /// <summary>Semitones up to the next octave, 0 to 11.</summary>
    private static int Over(int semitones) => ((semitones % 12) + 12) % 12;

    private static async Task<FoundView> FindAsync(
        int id,
        FindWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var tune = await db.Tunes.FirstOrDefaultAsync(row => row.Id == id, cancel) ?? throw Problems.Unknown("id", "tune");
        if (wish.Seconds is not (>= 0 and <= MostSeconds))
            throw new FieldException("seconds", $"The time lies between 0 and {MostSeconds:0} seconds.");
        if (wish.WrongStarts is < 0 or > MostWrong)
            throw new FieldException("wrongStarts", $"Wrong starts are 0 to {MostWrong}.");
        var finds = await db.Finds.Where(row => row.TuneId == id).OrderBy(row => row.Id).ToListAsync(cancel);
        var before = finds.LastOrDefault(row => row.Found && row.Key != wish.Key)?.Seconds;
        if (finds.TrueForAll(row => row.Key != wish.Key))
        {
            var task = KnownTunes.Next(new KnownTune(tune.StartDegree, tune.IsMinor), finds.ConvertAll(row => row.Signature));
            db.Finds.Add(
                new FindRow
                {
                    Key = wish.Key,
                    TuneId = id,
                    Day = clock.Today(await desk.ProfileAsync(cancel)),
                    Signature = task.Key.Signature,
                    Seconds = wish.Seconds,
                    WrongStarts = wish.WrongStarts,
                    Found = wish.Found,
                }
            );
            await db.SaveChangesAsync(cancel);
        }

        return new FoundView(wish.Found ? KnownTunes.Words(wish.Seconds, before) : "It comes back in another key.");
    }
}
