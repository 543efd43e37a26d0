using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>What a tuner shows at a moment.</summary>
/// <param name="Note">The note that is meant.</param>
/// <param name="Hertz">What sounds.</param>
/// <param name="Confidence">How periodic it is, 0 to 1.</param>
public sealed record TunerReading(TunedNote Note, double Hertz, double Confidence);

/// <summary>Listens to one line in blocks of samples and says which note it is, and how far from it.</summary>
public sealed class Tuner
{
    /// <summary>Looks a second.</summary>
    private const int Looks = 15;

    /// <summary>So many looks are taken together: their median, so that a crack or a click moves nothing.</summary>
    private const int Together = 5;

    /// <summary>Below the lowest note of an instrument by this part something may still sound: a slack string.</summary>
    private const double Slack = 0.75;

    private const double LowestOfAll = 25;
    private const double HighestOfAll = 4_500;

    private readonly PitchTracker tracker;
    private readonly Instrument instrument;
    private readonly double a4;
    private readonly IReadOnlyList<Pitch> notes;
    private readonly float[] window;
    private readonly int hop;
    private readonly Queue<HeardPitch> lately = new();
    private int filled;

    /// <summary>A tuner for an instrument.</summary>
    /// <param name="instrument">The instrument: where it transposes the note is named as it is written.</param>
    /// <param name="a4">Frequency of A4 in hertz.</param>
    /// <param name="rate">Samples a second, 8,000 to 96,000.</param>
    /// <param name="onlyItsNotes">True to hear every sound as one of the notes that the instrument is tuned to.</param>
    /// <exception cref="ArgumentOutOfRangeException">The rate is out of range.</exception>
    public Tuner(Instrument instrument, double a4, int rate, bool onlyItsNotes)
    {
        ArgumentNullException.ThrowIfNull(instrument);
        (this.instrument, this.a4) = (instrument, a4);
        notes = onlyItsNotes ? TuningNotes.Of(instrument) : [];
        var lowest = instrument.Lowest is { } low
            ? Math.Max(LowestOfAll, Slack * Tuning.Hertz(Math.Max(0, low.Midi + instrument.Transposition), a4))
            : LowestOfAll;
        tracker = new PitchTracker(rate, lowest, HighestOfAll);
        window = new float[tracker.Window];
        hop = rate / Looks;
    }

    /// <summary>Takes samples in; a reading for each look that was due, null where nothing was heard.</summary>
    /// <param name="samples">Samples from -1 to 1, as many as come.</param>
    public IEnumerable<TunerReading?> Add(ReadOnlyMemory<float> samples)
    {
        while (samples.Length > 0)
        {
            var taken = Math.Min(samples.Length, hop - filled);
            Take(samples.Span[..taken]);
            samples = samples[taken..];
            filled += taken;
            if (filled < hop)
                continue;
            filled = 0;
            yield return Look();
        }
    }

    private void Take(ReadOnlySpan<float> samples)
    {
        if (samples.Length >= window.Length)
        {
            samples[^window.Length..].CopyTo(window);
            return;
        }

        window.AsSpan(samples.Length).CopyTo(window);
        samples.CopyTo(window.AsSpan(window.Length - samples.Length));
    }

    private TunerReading? Look()
    {
        if (tracker.Look(window) is not { } heard)
        {
            lately.Clear();
            return null;
        }

        // Another note begins anew.
        if (lately.Count > 0 && Math.Abs(Tuning.Cents(heard.Hertz, lately.Last().Hertz)) > 60)
            lately.Clear();
        lately.Enqueue(heard);
        if (lately.Count > Together)
            lately.Dequeue();
        var middle = lately.OrderBy(one => one.Hertz).ElementAt(lately.Count / 2);
        var note =
            notes.Count > 0
                ? TunedNote.Among(middle.Hertz, a4, instrument.ToSounding, notes)
                : TunedNote.Nearest(middle.Hertz, a4, instrument.ToSounding);
        return note is { } meant ? new TunerReading(meant, middle.Hertz, middle.Confidence) : null;
    }
}
