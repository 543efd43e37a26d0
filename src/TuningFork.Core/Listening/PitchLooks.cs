using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>Pitch and loudness of a line every ten milliseconds, kept for as long as is listened.</summary>
internal sealed class PitchLooks
{
    private const double Wanted = 0.01;

    /// <summary>Seconds from one look to the next: a whole number of samples.</summary>
    private readonly double apart;

    private readonly PitchTracker tracker;
    private readonly List<Look> looks = [];

    /// <param name="rate">Samples a second.</param>
    /// <param name="lowest">The lowest frequency in hertz.</param>
    /// <param name="highest">The highest.</param>
    public PitchLooks(double rate, double lowest, double highest)
    {
        tracker = new PitchTracker((int)Math.Round(rate), lowest, highest);
        Hop = (int)Math.Round(Wanted * rate);
        apart = Hop / rate;
    }

    private readonly record struct Look(float Hertz, float Confidence, float Level);

    /// <summary>Samples from one look to the next; look n is round sample n x hop.</summary>
    public int Hop { get; }

    /// <summary>Samples that one look takes.</summary>
    public int Window => tracker.Window;

    /// <summary>Looks so far.</summary>
    public int Count => looks.Count;

    /// <summary>Level of the loudest look: root mean square.</summary>
    public double LoudestOfAll { get; private set; }

    /// <summary>Looks at what is round the next moment.</summary>
    public void Add(ReadOnlySpan<float> samples)
    {
        var level = PitchTracker.Level(samples);
        LoudestOfAll = Math.Max(LoudestOfAll, level);
        looks.Add(
            tracker.Look(samples) is { } heard
                ? new Look((float)heard.Hertz, (float)heard.Confidence, (float)level)
                : new Look(0, 0, (float)level)
        );
    }

    /// <summary>The largest level between two moments in seconds.</summary>
    public double Loudest(double from, double to) => Between(from, to).Select(look => look.Level).DefaultIfEmpty().Max();

    /// <summary>The smallest level between two moments in seconds.</summary>
    public double Softest(double from, double to) => Between(from, to).Select(look => look.Level).DefaultIfEmpty().Min();

    /// <summary>The moment at which it is softest between two moments in seconds, and how soft.</summary>
    public (double At, double Level) Quietest(double from, double to)
    {
        var softest = Enumerable.Range(Index(from), Index(to) - Index(from) + 1).MinBy(i => looks[i].Level);
        return (softest * apart, looks[softest].Level);
    }

    /// <summary>Cents between the pitches at two moments; null where one of them has none.</summary>
    public double? Change(double before, double after) =>
        Hertz(before) is { } one && Hertz(after) is { } other ? Math.Abs(Tuning.Cents(other, one)) : null;

    /// <summary>The pitch at a moment; null where there is none.</summary>
    public double? Hertz(double at) => looks.Count > 0 && looks[Index(at)].Hertz is > 0 and var hertz ? hertz : null;

    /// <summary>
    /// When the pitch became another one, told by the look with which it has come to rest there; null where it has not come to rest by
    /// then, and where it is the same as before.
    /// </summary>
    /// <param name="last">Index of that look.</param>
    public double? Turned(int last)
    {
        var first = last - Run + 1;
        if (Rest(last) is not { } after || Rest(last - 1) is not null)
            return null;
        for (var i = last - Run; i >= Math.Max(Run - 1, last - Run - LongestTurn); i--)
        {
            if (Rest(i) is not { } before)
                continue;
            var cents = Math.Abs(Tuning.Cents(after, before));
            if (cents <= Another)
                continue;
            // What dies away changes its pitch as well, as a drum does.
            var isNone = IsMultiple(cents) || (cents < Swing && WasThere(after, i)) || looks[last].Level < Fades * looks[i].Level;
            return isNone ? null : Math.Min(i + 2, (i + first) / 2.0) * apart;
        }

        return null;
    }

    /// <summary>Whether a pitch was there before, not long before a look: it swings.</summary>
    private bool WasThere(double hertz, int last)
    {
        for (var i = Math.Max(0, last - LongestSwing); i < last; i++)
        {
            if (looks[i].Confidence > Clear && Math.Abs(Tuning.Cents(looks[i].Hertz, hertz)) <= StillSame)
                return true;
        }

        return false;
    }

    /// <summary>
    /// Whether two pitches are an octave, a twelfth or another whole multiple apart: what is so is more often misheard than played. While one
    /// note dies away under the next one, what repeats is a multiple of both periods.
    /// </summary>
    /// <param name="cents">What they are apart, 0 or more.</param>
    public static bool IsMultiple(double cents)
    {
        var times = Math.Round(Math.Pow(2, cents / 1200));
        return times is >= 2 and <= MostTimes && Math.Abs(cents - (1200 * Math.Log2(times))) <= Another;
    }

    /// <summary>The pitch of the looks up to one, where all have one and nearly the same; else null.</summary>
    private double? Rest(int last)
    {
        if (last < Run - 1)
            return null;
        var (low, high, sum) = (double.MaxValue, 0.0, 0.0);
        for (var i = last - Run + 1; i <= last; i++)
        {
            if (looks[i].Confidence <= Clear)
                return null;
            (low, high, sum) = (Math.Min(low, looks[i].Hertz), Math.Max(high, looks[i].Hertz), sum + looks[i].Hertz);
        }

        return Tuning.Cents(high, low) > StillSame ? null : sum / Run;
    }

    /// <summary>Looks running that are a pitch at rest, and looks between two of them at most.</summary>
    private const int Run = 5;
    private const int LongestTurn = 15;

    /// <summary>What is softer than this part of what was before is no other note.</summary>
    private const double Fades = 0.3;

    /// <summary>Wider than so many cents no vibrato swings, nor slower than a cycle in so many looks.</summary>
    private const double Swing = 150;
    private const int LongestSwing = 25;

    /// <summary>Cents between two notes at least; what is one; and how many times a pitch is misheard.</summary>
    private const double Another = 70;
    private const double StillSame = 40;
    private const int MostTimes = 6;

    /// <summary>What sounds from a moment until another one begins.</summary>
    public HeardTone Tone(double at, double until)
    {
        // Past the attack and before the end, where the note is long enough.
        var skip = Math.Min(Attack, (until - at) / 4);
        var level = 0.0;
        var end = until;
        var heard = new List<Look>();
        var looked = 0;
        for (var i = Index(at) + 1; i < looks.Count && i * apart < until; i++)
        {
            level = Math.Max(level, looks[i].Level);
            if (looks[i].Level < Ended * level)
            {
                end = i * apart;
                break;
            }

            if (i * apart < at + skip || i * apart > until - skip)
                continue;
            looked++;
            if (looks[i].Confidence > Clear)
                heard.Add(looks[i]);
        }

        if (heard.Count == 0 || heard.Count < looked / 4)
            return new HeardTone(at, end, 0, 0, level);
        var middle = heard.OrderBy(look => look.Hertz).ElementAt(heard.Count / 2);
        return new HeardTone(at, end, middle.Hertz, heard.Average(look => look.Confidence), level, Settled(at, end, middle.Hertz));
    }

    /// <summary>Seconds until several looks running are near where the pitch ends up; null for short notes, and where it never rests.</summary>
    private double? Settled(double at, double end, double hertz)
    {
        if (end - at < LongEnough)
            return null;
        var near = 0;
        for (var i = Index(at) + 1; i < looks.Count && i * apart < end; i++)
        {
            near = looks[i].Confidence > Clear && Math.Abs(Tuning.Cents(looks[i].Hertz, hertz)) <= Near ? near + 1 : 0;
            if (near == Rests)
                return Math.Max(0, ((i - Rests + 1) * apart) - at);
        }

        return null;
    }

    /// <summary>An attack is over after so many seconds.</summary>
    private const double Attack = 0.04;

    /// <summary>Seconds that a note lasts of which it can be told when it settled.</summary>
    private const double LongEnough = 0.3;

    /// <summary>It rests where so many looks running are within so many cents.</summary>
    private const int Rests = 5;
    private const double Near = 10;

    /// <summary>A note has ended where it is softer than this part of its loudest moment.</summary>
    private const double Ended = 0.05;

    /// <summary>Confidence of a look that says something about the pitch.</summary>
    private const double Clear = 0.8;

    private int Index(double at) => Math.Clamp((int)Math.Round(at / apart), 0, looks.Count - 1);

    private IEnumerable<Look> Between(double from, double to)
    {
        for (var i = Math.Max(0, (int)Math.Ceiling(from / apart)); i < looks.Count && i * apart < to; i++)
            yield return looks[i];
    }
}
