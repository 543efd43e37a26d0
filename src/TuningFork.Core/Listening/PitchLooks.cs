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

    /// <summary>Cents between the pitches at two moments; null where one of them has none.</summary>
    public double? Change(double before, double after) =>
        Hertz(before) is { } one && Hertz(after) is { } other ? Math.Abs(Tuning.Cents(other, one)) : null;

    /// <summary>The pitch at a moment; null where there is none.</summary>
    public double? Hertz(double at) => looks.Count > 0 && looks[Index(at)].Hertz is > 0 and var hertz ? hertz : null;

    /// <summary>Whether the pitch becomes another one at a moment and stays: what was steady before and what is after differ.</summary>
    public bool Turns(double at)
    {
        if (Steady(at - FarBefore, at - NearBefore) is not { } before || Steady(at + NearAfter, at + FarAfter) is not { } after)
            return false;
        var cents = Math.Abs(Tuning.Cents(after, before));
        return cents > Another && !IsMultiple(cents);
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

    /// <summary>The pitch of some looks running that all have one, and nearly the same; else null.</summary>
    private double? Steady(double from, double to)
    {
        var (low, high, sum, count) = (double.MaxValue, 0.0, 0.0, 0);
        foreach (var look in Between(from, to))
        {
            if (look.Confidence <= Clear)
                return null;
            (low, high, sum, count) = (Math.Min(low, look.Hertz), Math.Max(high, look.Hertz), sum + look.Hertz, count + 1);
        }

        return count < Fewest || Tuning.Cents(high, low) > StillSame ? null : sum / count;
    }

    /// <summary>Seconds round a change of pitch within which looks hear something of both, and those that tell them apart.</summary>
    private const double NearBefore = 0.02;
    private const double FarBefore = 0.07;
    private const double NearAfter = 0.03;
    private const double FarAfter = 0.09;
    private const int Fewest = 4;

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
