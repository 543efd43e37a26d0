using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Reading;

/// <summary>What was played or tapped of new music.</summary>
/// <param name="Events">Keys and taps, in beats from the first bar line.</param>
/// <param name="DelayMs">So much later this machine hears them, from the calibration.</param>
public sealed record PlayedWish(ReadingSeed Seed, int Tempo, IReadOnlyList<PlayedEvent> Events, double DelayMs = 0);

/// <summary>How it was marked.</summary>
/// <param name="Words">What there is to say about being early or late, in a sentence; empty when nothing was played.</param>
public sealed record MarkedView(IReadOnlyList<FollowedNote> Notes, IReadOnlyList<int> Wrong, string Words);

/// <summary>How a player of numbers is to play new music.</summary>
/// <param name="WrongPart">Part of the bars that go wrong, 0 to 1.</param>
/// <param name="LagMs">Milliseconds by which all comes late.</param>
/// <param name="Taps">Taps the rhythm in place of playing.</param>
public sealed record StandInAsk(ReadingSeed Seed, int Tempo, double WrongPart, double LagMs = 0, bool Taps = false);

/// <summary>Taps along with a click.</summary>
/// <param name="Taps">When it was tapped, in beats from the first click.</param>
public sealed record CalibrationWish(int Tempo, IReadOnlyList<double> Taps);

/// <summary>What is late about a machine.</summary>
/// <param name="IsEven">Whether the taps were even enough to trust it.</param>
/// <param name="Words">What came of it, in a sentence.</param>
public sealed record CalibrationView(double DelayMs, double SpreadMs, bool IsEven, string Words);

/// <summary>What is played or tapped, marked by itself; and the calibration it needs.</summary>
public static class PlayedEndpoints
{
    private const int MostEvents = 2000;
    private const double MostDelayMs = 1000;

    /// <summary>Within so much of the click it is neither early nor late, on the whole.</summary>
    private const double OnTheClickMs = 20;

    public static void MapPlayed(this WebApplication app)
    {
        var group = app.MapGroup("/api/reading").WithTags("Sight reading");
        group
            .MapPost("/marks", async (PlayedWish wish, PlanDesk desk, CancellationToken cancel) =>
                Marked(wish, await ReadingAsync(wish.Seed, desk, cancel))
            )
            .WithName("MarkReading");
        group
            .MapPost("/stand-in", async (StandInAsk wish, PlanDesk desk, CancellationToken cancel) =>
                Played(wish, await ReadingAsync(wish.Seed, desk, cancel))
            )
            .WithName("PlayStandIn");
        app.MapPost("/api/sound/calibration", Calibrated).WithName("Calibrate").WithTags("Sound");
    }

    private static async Task<Core.SightReading.Reading> ReadingAsync(ReadingSeed seed, PlanDesk desk, CancellationToken cancel) =>
        ReadingEndpoints.Compose(seed, ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel)));

    /// <summary>What is tapped is the rhythm of the upper staff; what is played is all that is read.</summary>
    private static IReadOnlyList<Score> Read(Core.SightReading.Reading reading, bool taps) => taps ? [reading.Score] : reading.Staves;

    private static MarkedView Marked(PlayedWish wish, Core.SightReading.Reading reading)
    {
        Problems.Tempo("tempo", wish.Tempo);
        if (wish.Events.Count > MostEvents)
            throw new FieldException("events", $"More than {MostEvents} notes are no reading.");
        if (wish.Events.Any(one => !double.IsFinite(one.AtBeats) || one.Midi is < 0 or > 127))
            throw new FieldException("events", "A note has a time in beats and, if it has a pitch, a MIDI number from 0 to 127.");
        if (!(Math.Abs(wish.DelayMs) <= MostDelayMs))
            throw new FieldException("delayMs", $"A delay lies within {MostDelayMs:0} ms.");
        var taps = wish.Events.Count > 0 && wish.Events.All(one => one.Midi is null);
        var marked = Follow.Of(Read(reading, taps), new Bpm(wish.Tempo), wish.Events, wish.DelayMs);
        return new MarkedView(marked.Notes, marked.Wrong, Words(marked));
    }

    /// <summary>How early or late it was on the whole; empty when nothing was played.</summary>
    internal static string Words(Followed marked)
    {
        var late = marked.Notes.Select(note => note.LateMs).OfType<double>().Order().ToList();
        if (late.Count == 0)
            return "";
        var middle = late[late.Count / 2];
        var spread = late.Select(one => Math.Abs(one - middle)).Order().ElementAt(late.Count / 2);
        var whole =
            Math.Abs(middle) <= OnTheClickMs ? "On the click on the whole"
            : middle > 0 ? $"{middle:0} ms late on the whole"
            : $"{-middle:0} ms early on the whole";
        return $"{whole}; half of it within {spread:0} ms of that.";
    }

    private static StandInPlayed Played(StandInAsk wish, Core.SightReading.Reading reading)
    {
        Problems.Tempo("tempo", wish.Tempo);
        if (wish.WrongPart is not (>= 0 and <= 1))
            throw new FieldException("wrongPart", "The part of bars that go wrong lies between 0 and 1.");
        if (!(Math.Abs(wish.LagMs) <= MostDelayMs))
            throw new FieldException("lagMs", $"A delay lies within {MostDelayMs:0} ms.");
        return StandIn.Play(
            Read(reading, wish.Taps),
            new Bpm(wish.Tempo),
            new StandInWish(wish.WrongPart, wish.LagMs, Seed: wish.Seed.Seed),
            wish.Taps
        );
    }

    private static CalibrationView Calibrated(CalibrationWish wish)
    {
        Problems.Tempo("tempo", wish.Tempo);
        if (wish.Taps.Count > MostEvents || wish.Taps.Any(tap => !double.IsFinite(tap)))
            throw new FieldException("taps", $"Taps are times in beats, {MostEvents} at most.");
        var found = Calibration.Of(wish.Taps, new Bpm(wish.Tempo))
            ?? throw new FieldException(
                "taps",
                $"Fewer than {Calibration.Fewest} taps lay near a click. Tap along with all {Calibration.Clicks} clicks, once each."
            );
        var (delay, spread) = (Math.Round(found.DelayMs), Math.Round(found.SpreadMs));
        return new CalibrationView(
            delay,
            spread,
            found.IsEven,
            found.IsEven
                ? $"Kept: taps are heard {delay:0} ms after the click, half of them within {spread:0} ms of that."
                : $"Half of the taps lie more than {spread:0} ms from the others: too uneven to be kept. Try once more, as evenly as you can."
        );
    }
}
