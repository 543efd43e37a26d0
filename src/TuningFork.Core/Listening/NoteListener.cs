using System.Runtime.InteropServices;

namespace TuningFork.Core.Listening;

/// <summary>
/// Hears the notes of one line in blocks of samples: where new sound begins (<see cref="OnsetFunction"/>, then <see cref="TrueStart"/>),
/// what pitch it has (<see cref="PitchTracker"/>), how long it lasts. Of chords the beginnings are heard, and no pitch.
/// </summary>
public sealed class NoteListener
{
    /// <summary>Samples a second are enough.</summary>
    private const int Enough = 16_000;

    /// <summary>A beginning is the largest of so many looks before and after, and stands above the mean of those around.</summary>
    private const int Around = 6;
    private const int MeanBefore = 20;
    private const int MeanAfter = 18;
    private const double Above = 0.03;

    /// <summary>The true beginning is looked for so many seconds before and after the rough one.</summary>
    private const double SearchBefore = 0.05;
    private const double SearchAfter = 0.08;

    /// <summary>Two notes are at least so far apart, in seconds: fifteen a second are more than hands can.</summary>
    private const double Nearest = 0.06;

    /// <summary>What follows a beginning so soon, in seconds, stands out or belongs to it.</summary>
    private const double Bumps = 0.1;

    /// <summary>A note that is damped is silent within so many seconds.</summary>
    private const double Damped = 0.05;

    /// <summary>So much softer than the loudest moment is silence.</summary>
    private const double Silence = 0.01;

    private const double Kept = 1.0;

    /// <summary>After a beginning the pitch may take so long, in seconds, to be what it is.</summary>
    private const double Legato = 0.1;

    private readonly bool isPitched;
    private readonly Decimated low;
    private readonly OnsetFunction onsets;
    private readonly TrueStart start;
    private readonly PitchLooks looks;
    private readonly List<float> samples = [];
    private readonly List<float> flux = [];
    private readonly List<(double At, double Growth)> begins = [];
    private long first;
    private int picked;
    private int turned;

    /// <summary>A listener.</summary>
    /// <param name="rate">Samples a second, 8,000 to 96,000.</param>
    /// <param name="lowest">The lowest frequency in hertz that is played, 20 or more.</param>
    /// <param name="highest">The highest.</param>
    /// <param name="isPitched">False for a drum and for what is no line: another pitch is no other note there.</param>
    /// <exception cref="ArgumentOutOfRangeException">The rate or the range is out of range.</exception>
    public NoteListener(int rate, double lowest = 60, double highest = 2_500, bool isPitched = true)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, 8_000);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(rate, 96_000);
        Rate = rate;
        this.isPitched = isPitched;
        low = new Decimated(rate, Enough);
        onsets = new OnsetFunction(low.Rate);
        start = new TrueStart(low.Rate);
        looks = new PitchLooks(low.Rate, lowest, highest);
        // Before the first sample it was silent.
        var before = Math.Max(onsets.Width, looks.Window);
        first = -before;
        samples.AddRange(new float[before]);
    }

    /// <summary>Samples a second that come in.</summary>
    public int Rate { get; }

    /// <summary>Seconds heard so far.</summary>
    public double Seconds => (first + samples.Count) / low.Rate;

    /// <summary>The notes so far; after <see cref="End"/> all of them.</summary>
    public IReadOnlyList<HeardTone> Tones => From(0);

    /// <summary>Notes so far.</summary>
    public int Count => begins.Count;

    /// <summary>When the newest note began, in seconds; null before the first.</summary>
    public double? Newest => begins.Count > 0 ? begins[^1].At : null;

    /// <summary>The notes from one on.</summary>
    /// <param name="note">Index of the first one wanted.</param>
    public IReadOnlyList<HeardTone> From(int note) =>
        [.. begins.Skip(note).Select((begin, i) => looks.Tone(begin.At, note + i + 1 < begins.Count ? begins[note + i + 1].At : Seconds))];

    private ReadOnlySpan<float> All => CollectionsMarshal.AsSpan(samples);

    /// <summary>Takes samples in.</summary>
    /// <param name="block">Samples from -1 to 1, as many as come.</param>
    public void Add(ReadOnlySpan<float> block)
    {
        low.Add(block, samples);
        while (Round(flux.Count, onsets.Hop, onsets.Width) is { Length: > 0 } round)
            flux.Add((float)onsets.Next(round));
        while (Round(looks.Count, looks.Hop, looks.Window) is { Length: > 0 } round)
            looks.Add(round);
        for (; picked + MeanAfter < flux.Count && (picked + MeanAfter) * onsets.Hop <= looks.Count * looks.Hop; picked++)
        {
            var rough = (double)picked * onsets.Hop / low.Rate;
            if (Peak(picked) is { } height)
                Offer(rough, height);
            // By then it is known whether it had a beginning of its own.
            for (; turned * looks.Hop <= picked * onsets.Hop; turned++)
            {
                if (isPitched && looks.Turned(turned) is { } turn && (begins.Count == 0 || turn - begins[^1].At > Legato))
                    OfferTurn(turn);
            }
        }

        Forget();
    }

    /// <summary>Nothing more comes: what is not decided yet is.</summary>
    public void End() => Add(new float[(int)(0.3 * low.Rate * low.Factor)]);

    /// <summary>Samples round a moment; none where they have not come yet.</summary>
    private ReadOnlySpan<float> Round(int look, int hop, int width)
    {
        var from = ((long)look * hop) - (width / 2) - first;
        return from + width > samples.Count ? [] : All.Slice((int)Math.Max(0, from), width);
    }

    /// <summary>How much a look stands above what is around; null where it is no peak.</summary>
    private double? Peak(int at)
    {
        var here = flux[at];
        for (var i = Math.Max(0, at - Around); i <= at + Around; i++)
        {
            if (flux[i] > here || (flux[i] == here && i < at))
                return null;
        }

        var from = Math.Max(0, at - MeanBefore);
        var above = here - flux.Skip(from).Take(at + MeanAfter + 1 - from).Average();
        return above >= Above ? above : null;
    }

    /// <summary>Another pitch without a beginning of its own: notes that are bound.</summary>
    private void OfferTurn(double rough)
    {
        var (begin, growth) = Begin(rough);
        Add(Math.Abs(begin - rough) <= Nearest ? begin : rough, growth);
    }

    private void Offer(double rough, double height)
    {
        var (begin, growth) = Begin(rough);
        // What is damped fails the prediction as well, and more than a soft note that follows at once.
        var (quiet, level) = looks.Quietest(begin, begin + Damped);
        if (level < 0.1 * looks.Loudest(begin - 0.06, begin) && level < 0.5 * looks.Loudest(quiet, quiet + 0.06))
            (begin, growth) = Begin(rough, quiet);
        // An attack may have a second bump.
        if (height < 0.1 && begins.Count > 0 && begin - begins[^1].At is > Nearest and < Bumps)
            return;
        if (IsNote(begin, 10 * Math.Log10(growth), height))
            Add(begin, growth);
    }

    private void Add(double begin, double growth)
    {
        if (begins.Count > 0 && begin - begins[^1].At < Nearest)
        {
            // Of two so near each other that is one at which more begins.
            if (growth <= begins[^1].Growth)
                return;
            begins.RemoveAt(begins.Count - 1);
        }

        begins.Add((begin, growth));
    }

    /// <summary>
    /// Whether something new begins there: the prediction fails by some decibels, and what follows is another pitch, or louder. Vibrato, the
    /// noise of a bow and a click from the loudspeakers fail in one or the other.
    /// </summary>
    private bool IsNote(double begin, double growth, double height)
    {
        var after = looks.Loudest(begin + 0.02, begin + 0.1);
        if (after < 2 * Silence * looks.LoudestOfAll)
            return false;
        // A note that is damped at once fails the prediction too: what ends does not begin.
        var before = looks.Loudest(begin - 0.06, begin);
        if (looks.Softest(begin + 0.02, begin + 0.1) < 0.1 * before && looks.Loudest(begin + 0.04, begin + 0.1) < 0.5 * before)
            return false;
        var rise = 20 * Math.Log10(after / Math.Max(1e-6, looks.Softest(begin - 0.04, begin + 0.02)));
        return looks.Change(begin - 0.05, begin + 0.07) switch
        {
            null => growth >= 6 && (height >= 0.05 || rise >= 5),
            { } cents when PitchLooks.IsMultiple(cents) => growth >= 15 || (growth >= 2 && height >= 0.08),
            > 60 => growth >= 2,
            _ => IsAgain(begin, growth, height, rise),
        };
    }

    /// <summary>Whether the same pitch begins anew: it fails the prediction and grows, or its partials do not go on as they were.</summary>
    private bool IsAgain(double begin, double growth, double height, double rise) =>
        (height >= 0.05 && growth >= 6 && rise >= 5)
        || (height >= 0.15 && ((growth >= 6 && rise >= 3) || (growth >= 3 && rise >= 5) || growth >= 11))
        || (height >= 0.06 && growth >= 2 && Broken(begin) is var broken && (broken >= 0.9 || (height >= 0.1 && broken >= 0.6)));

    /// <summary>How little its partials go on as they were; 0 where that cannot be told.</summary>
    private double Broken(double begin)
    {
        var at = begin - (first / low.Rate);
        return looks.Hertz(begin + 0.07) is { } hertz && at >= PhaseBreak.Needed ? PhaseBreak.Of(All, low.Rate, at, hertz) : 0;
    }

    /// <summary>The true beginning near a moment in seconds, and how many times the errors of the prediction grow by it.</summary>
    /// <param name="rough">The moment.</param>
    /// <param name="earliest">It is not looked for before that.</param>
    private (double At, double Growth) Begin(double rough, double earliest = 0)
    {
        var middle = (int)(Math.Round(Math.Max(rough, earliest) * low.Rate) - first);
        var searched = Math.Max((int)(Math.Round(earliest * low.Rate) - first), middle - (int)(SearchBefore * low.Rate));
        var from = Math.Max(0, searched - start.Before);
        var to = Math.Min(samples.Count, middle + (int)(SearchAfter * low.Rate));
        var (at, growth) = start.Find(All[from..to], middle - from, Math.Max(1e-4, Silence * looks.LoudestOfAll));
        return ((first + from + at) / low.Rate, growth);
    }

    /// <summary>What is long past is not needed any more.</summary>
    private void Forget()
    {
        var spare = samples.Count - (int)(Kept * low.Rate);
        if (spare < low.Rate)
            return;
        samples.RemoveRange(0, spare);
        first += spare;
    }
}
