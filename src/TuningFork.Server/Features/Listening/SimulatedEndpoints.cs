using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>How a simulated player plays.</summary>
/// <param name="Sound">What it sounds like.</param>
/// <param name="Noisy">Whether the room is noisy.</param>
/// <param name="Before">Seconds before the first beat.</param>
/// <param name="LateMs">Milliseconds by which all notes are late.</param>
/// <param name="JitterMs">Standard deviation of the notes round that.</param>
/// <param name="RushMs">By how much the last note comes too early beside the first.</param>
/// <param name="Cents">Cents by which all notes are sharp.</param>
/// <param name="Wrong">Notes of a take that are another one.</param>
/// <param name="Missing">Notes that are left out.</param>
/// <param name="Seed">Of what is left to chance.</param>
public sealed record SimulatedWish(
    SimulatedSound Sound = SimulatedSound.Reed,
    bool Noisy = false,
    double Before = 0,
    double LateMs = 0,
    double JitterMs = 0,
    double RushMs = 0,
    double Cents = 0,
    int Wrong = 0,
    int Missing = 0,
    int Seed = 1
);

/// <summary>A simulated player instead of a microphone: its sound, to be listened to like any other.</summary>
public static class SimulatedEndpoints
{
    private const int Rate = 48_000;
    private const int UsualTempo = 80;
    private const double MostBefore = 10;
    private const double MostMs = 500;
    private const double MostCents = 100;
    private const int MostNotes = 50;

    /// <summary>How long a note is that is tuned to.</summary>
    private const double TunedSeconds = 3;

    /// <summary>What sounds on after the last note.</summary>
    private const double After = 1;

    public static void MapSimulated(this WebApplication app)
    {
        var group = app.MapGroup("/api/simulated").ExcludeFromDescription();
        group.MapGet("/take", TakeAsync);
        group.MapGet("/tuning", TuningAsync);
        group.MapGet("/claps", Claps);
    }

    /// <summary>A take of what is at hand on the stage.</summary>
    private static async Task<IResult> TakeAsync([AsParameters] SimulatedWish wish, HandReader reader, CancellationToken cancel)
    {
        Check(wish);
        var (hand, word) = await reader.OfAsync(new Estimate(0, 0), cancel);
        if (hand is null)
            throw new FieldException("session", word, StatusCodes.Status409Conflict);
        var written = hand.Played.Voices.Count == 1 ? Performed.Notes(hand.Played.Lead) : Performed.Notes(hand.Played.Voices);
        var random = new Random(wish.Seed);
        var chosen = Enumerable.Range(0, written.Count).ToArray();
        random.Shuffle(chosen);
        var take = new SimulatedTake
        {
            Tempo = new Bpm(hand.Tempo ?? UsualTempo),
            Beat = hand.Wish.Beat,
            LateMs = wish.LateMs,
            JitterMs = wish.JitterMs,
            RushMs = wish.RushMs,
            Cents = wish.Cents,
            Wrong = chosen.Take(wish.Wrong).ToHashSet(),
            Missing = chosen.Skip(wish.Wrong).Take(wish.Missing).ToHashSet(),
            A4 = hand.Wish.A4,
        };
        return Sound(take.Play(written, wish.Before, wish.Seed), wish);
    }

    /// <summary>The notes that the instrument is tuned to, one after the other.</summary>
    private static async Task<IResult> TuningAsync([AsParameters] SimulatedWish wish, PlanDesk plans, CancellationToken cancel)
    {
        Check(wish);
        var profile = await plans.ProfileAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        return Sound(
            [
                .. TuningNotes
                    .Of(instrument)
                    .Select(
                        (note, i) =>
                            new SoundedNote(
                                wish.Before + (i * TunedSeconds),
                                TunedSeconds,
                                Tuning.Hertz(note.Midi + instrument.ToSounding.Semitones, profile.A4) * Math.Pow(2, wish.Cents / 1200)
                            )
                    ),
            ],
            wish
        );
    }

    /// <summary>Claps with the clicks by which the delay of the room is measured.</summary>
    private static IResult Claps([AsParameters] SimulatedWish wish)
    {
        Check(wish);
        var take = new SimulatedTake
        {
            Tempo = new Bpm(RoomDelay.Tempo),
            LateMs = wish.LateMs,
            JitterMs = wish.JitterMs,
        };
        var claps = Enumerable
            .Range(0, RoomDelay.Clicks)
            .Select(beat => new HeardNote(69, new Fraction(beat, 4), new Fraction(1, 8), 1))
            .ToList();
        return Sound(take.Play(claps, wish.Before, wish.Seed), wish with { Sound = SimulatedSound.Struck });
    }

    private static IResult Sound(IReadOnlyList<SoundedNote> notes, SimulatedWish wish)
    {
        var seconds = notes.Count == 0 ? After : notes.Max(note => note.At + note.Seconds) + After;
        var sound = SimulatedInstrument.Render(notes, wish.Sound, Rate, seconds, wish.Seed);
        if (wish.Noisy)
            SimulatedInstrument.AddNoise(sound, wish.Seed);
        return Results.Bytes(WaveFile.Write(sound, Rate), "audio/wav");
    }

    private static void Check(SimulatedWish wish)
    {
        if (!Enum.IsDefined(wish.Sound))
            throw new FieldException("sound", "It sounds blown, plucked or struck.");
        Within("before", wish.Before, 0, MostBefore);
        Within("lateMs", wish.LateMs, -MostMs, MostMs);
        Within("jitterMs", wish.JitterMs, 0, MostMs);
        Within("rushMs", wish.RushMs, -MostMs, MostMs);
        Within("cents", wish.Cents, -MostCents, MostCents);
        Within("wrong", wish.Wrong, 0, MostNotes);
        Within("missing", wish.Missing, 0, MostNotes);
    }

    private static void Within(string field, double value, double least, double most)
    {
        if (!(value >= least && value <= most))
            throw new FieldException(field, $"It lies between {least:0} and {most:0}.");
    }
}
