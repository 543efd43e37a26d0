using TuningFork.Core.Tempo;

namespace TuningFork.Core.Listening;

/// <summary>What is listened for.</summary>
/// <param name="Written">What is written; empty where nobody knows.</param>
/// <param name="WholeSeconds">Seconds of a whole note at the tempo that is wanted.</param>
/// <param name="Beat">The beat of the click, in whole notes.</param>
/// <param name="A4">Frequency of A4 in hertz.</param>
/// <param name="IsPitched">False where only beginnings are heard: a drum, two hands, chords.</param>
/// <param name="DelayMs">Milliseconds by which everything is heard late in this room, and how far that may be off.</param>
/// <param name="Rules">What a take is missed for.</param>
/// <param name="Sustains">
/// Whether a note sounds on at will, blown, bowed or sung: then the same note again, where it is not written, is no fault; it is too often heard
/// where there is none.
/// </param>
/// <param name="IsOneWithClick">Whether it is worked on that note and click are one: then notes beside it are faults.</param>
public sealed record ListenWish(
    IReadOnlyList<WrittenMoment> Written,
    double WholeSeconds,
    double Beat,
    double A4,
    bool IsPitched,
    Estimate DelayMs,
    VerdictRules Rules,
    bool Sustains = true,
    bool IsOneWithClick = false
);

/// <summary>A take as it was heard.</summary>
/// <param name="Tones">Its notes.</param>
/// <param name="Alignment">Which of them is which written one.</param>
/// <param name="Timing">How early or late; null where too little was heard.</param>
/// <param name="Verdict">Whether it is clean.</param>
/// <param name="Intonation">How far from the pitch; null where too little was heard, and where pitch is not judged.</param>
/// <param name="Tempo">
/// The tempo at which it was played where no click gave one; null with a click, where it stopped or broke off, and where too little was heard.
/// </param>
public sealed record HeardTake(
    IReadOnlyList<HeardTone> Tones,
    Alignment Alignment,
    TakeTiming? Timing,
    TakeVerdict Verdict,
    Intonation? Intonation,
    Bpm? Tempo
);

/// <summary>Listens to takes of something written, one after the other, and says of each when it is over how it was.</summary>
public sealed class TakeListener
{
    /// <summary>Lowest frequency of a drone in hertz.</summary>
    public const double LowestDrone = 20;

    /// <summary>Highest frequency of a drone in hertz.</summary>
    public const double HighestDrone = 5_000;

    /// <summary>So long after its beginning the pitch of a note is known, in seconds.</summary>
    private const double PitchKnown = 0.25;

    /// <summary>Nothing for so long, in seconds, and longer than the longest note: it was broken off.</summary>
    private const double Quiet = 2;

    /// <summary>Fewer notes that are nothing of what is written are no take.</summary>
    private const double LeastPart = 0.25;

    /// <summary>Softer than this part of its louder notes is no note, where it lies on a click or has no pitch.</summary>
    private const double Soft = 0.25;

    /// <summary>So near to a beat of the click, in seconds, it may be the click.</summary>
    private const double OnClick = 0.03;

    /// <summary>So many notes make it certain that a take is over.</summary>
    private const int Believed = 3;

    private readonly ListenWish wish;
    private readonly NoteListener notes;
    private readonly double quiet;
    private double? click;
    private double? drone;
    private int used;
    private int looked;

    /// <summary>A listener.</summary>
    /// <param name="rate">Samples a second, 8,000 to 96,000.</param>
    /// <param name="wish">What is listened for.</param>
    /// <exception cref="ArgumentException">Nothing is written.</exception>
    public TakeListener(int rate, ListenWish wish)
    {
        ArgumentNullException.ThrowIfNull(wish);
        if (wish.Written.Count == 0)
            throw new ArgumentException("There is nothing to compare with.", nameof(wish));
        this.wish = wish;
        notes = wish.IsPitched
            ? new NoteListener(
                rate,
                Hertz(wish.Written.Min(moment => moment.Midis[0]) - 4),
                Hertz(wish.Written.Max(moment => moment.Midis[^1]) + 4)
            )
            : new NoteListener(rate, isPitched: false);
        var longest = wish.Written.Zip(wish.Written.Skip(1), (one, other) => other.At - one.At).DefaultIfEmpty(0).Max();
        quiet = Math.Max(Quiet, (longest + (2 * wish.Beat)) * wish.WholeSeconds);

        double Hertz(int midi) => Math.Max(25, wish.A4 * Math.Pow(2, (midi - 69) / 12.0));
    }

    /// <summary>Notes of the take under way.</summary>
    public int Notes => notes.Count - used;

    /// <summary>A click began, or there is none any more.</summary>
    /// <param name="beat">When one of its beats sounds, in seconds of what is heard; null for no click.</param>
    public void Click(double? beat) => click = beat;

    /// <summary>A drone began, or there is none any more: over it pure intervals are meant.</summary>
    /// <param name="hertz">Its frequency, from <see cref="LowestDrone"/> to <see cref="HighestDrone"/>; null for no drone.</param>
    /// <exception cref="ArgumentOutOfRangeException">The frequency is out of range.</exception>
    public void Drone(double? hertz)
    {
        if (hertz is not (null or (>= LowestDrone and <= HighestDrone)))
            throw new ArgumentOutOfRangeException(nameof(hertz), hertz, $"A drone has {LowestDrone} to {HighestDrone} Hz.");
        drone = hertz;
    }

    /// <summary>Takes samples in; a take for each that is over by now.</summary>
    /// <param name="block">Samples from -1 to 1, as many as come.</param>
    public HeardTake? Add(ReadOnlySpan<float> block)
    {
        notes.Add(block);
        if (notes.Count == used || notes.Newest is not { } newest)
            return null;
        var since = notes.Seconds - newest;
        if (since < PitchKnown)
            return null;
        var over = since > quiet;
        // Each note is looked at once; a take that is too short to be one, only when it is quiet.
        if (!over && (looked == notes.Count || notes.Count - used < wish.Written.Count / 2))
            return null;
        looked = notes.Count;
        var heard = notes.From(used);
        var tones = WithoutClicks(heard);
        var take = Judge(tones);
        var length = over ? tones.Count : Length(take);
        if (length == 0 && !over)
            return null;
        used += over ? heard.Count : heard.TakeWhile(tone => tone.At <= tones[length - 1].At).Count();
        // What came after its end is the beginning of the next one.
        if (length < tones.Count)
            take = Judge([.. tones.Take(length)]);
        return take.Alignment.Moments.Count(one => one.Match == Match.Right) >= LeastPart * wish.Written.Count ? take : null;
    }

    /// <summary>
    /// What was heard without the click from the loudspeaker, and without noises: what is soft beside the take and lies on a beat of the click,
    /// or has no pitch where there should be one.
    /// </summary>
    private List<HeardTone> WithoutClicks(IReadOnlyList<HeardTone> tones)
    {
        // Of long notes there are fewer than clicks.
        var soft = Soft * tones.Select(tone => tone.Level).Order().ElementAt(3 * tones.Count / 4);
        return [.. tones.Where(tone => tone.Level > soft || !((wish.IsPitched && tone.Hertz <= 0) || IsOnClick(tone.At)))];
    }

    private bool IsOnClick(double at)
    {
        if (click is not { } one || wish.DelayMs.PlusMinus > TakeTiming.MostUnknown)
            return false;
        var beat = wish.Beat * wish.WholeSeconds;
        var since = at - one - (wish.DelayMs.Value / 1000);
        return Math.Abs(since - (Math.Round(since / beat) * beat)) <= OnClick + (wish.DelayMs.PlusMinus / 1000);
    }

    /// <summary>Nothing more comes: the take under way, if there is one.</summary>
    public HeardTake? End() => Add(new float[(int)((quiet + 0.5) * notes.Rate)]);

    /// <summary>
    /// How many notes a take had that is over; 0 where it goes on. The last note alone may be taken for one that is written earlier: the
    /// end is believed with the notes before it, or when others follow that are not written.
    /// </summary>
    private static int Length(HeardTake take)
    {
        var moments = take.Alignment.Moments;
        if (moments[^1].Heard is not { } last)
            return 0;
        var after = take.Tones.Count - 1 - last;
        return after >= Believed || (after == 0 && moments.TakeLast(Believed).All(one => one.Match == Match.Right)) ? last + 1 : 0;
    }

    private HeardTake Judge(IReadOnlyList<HeardTone> tones)
    {
        var alignment = Alignment.Of(wish.Written, tones, wish.WholeSeconds, click is not null, wish.A4, wish.IsPitched);
        var whole = wish.WholeSeconds / alignment.Rate;
        var timing = TakeTiming.Of(wish.Written, tones, alignment, whole, FirstBeat(tones, alignment), wish.DelayMs);
        var verdict = TakeVerdict.Of(wish, tones, alignment, timing, whole);
        var intonation = wish.IsPitched ? Intonation.Of(wish.Written, tones, alignment, wish.A4, drone) : null;
        return new HeardTake(tones, alignment, timing, verdict, intonation, click is null ? TempoOf(timing, verdict) : null);
    }

    /// <summary>A take that stopped, or of which a part is missing, has no tempo.</summary>
    private Bpm? TempoOf(TakeTiming? timing, TakeVerdict verdict) =>
        timing is null || verdict.Faults.Any(fault => fault.Kind is FaultKind.Stop or FaultKind.BrokenOff)
            ? null
            : Bpm.Near(60 / (timing.WholeSeconds * wish.Beat));

    /// <summary>The beat of the click on which what is written begins: that which is nearest to where the notes say it was.</summary>
    private double? FirstBeat(IReadOnlyList<HeardTone> tones, Alignment alignment)
    {
        if (click is not { } one)
            return null;
        var begins = alignment
            .Moments.Where(moment => moment.Heard is not null)
            .Select(moment => tones[moment.Heard!.Value].At - (wish.Written[moment.Written].At * wish.WholeSeconds))
            .Order()
            .ToList();
        if (begins.Count == 0)
            return null;
        var beat = wish.Beat * wish.WholeSeconds;
        var middle = begins[begins.Count / 2] - (wish.DelayMs.Value / 1000);
        return one + (Math.Round((middle - one) / beat) * beat);
    }
}
