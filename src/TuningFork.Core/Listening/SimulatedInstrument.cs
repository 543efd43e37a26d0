namespace TuningFork.Core.Listening;

/// <summary>
/// Makes sound of notes, for the demo, for tests and for machines without a microphone. It need not deceive anybody; it has what listening
/// has to cope with: soft and hard beginnings, partials, dying away, noise.
/// </summary>
public static class SimulatedInstrument
{
    /// <summary>Strengths of the partials of a reed in a cylindrical bore: the even ones are weak (common knowledge of acoustics, from memory).</summary>
    private static readonly double[] ReedPartials = [1, 0.05, 0.6, 0.06, 0.35, 0.05, 0.18, 0.03, 0.08];

    private const double ReedAttack = 0.035;
    private const double ReedRelease = 0.05;
    private const double PluckedDecay = 0.996;
    private const double DampSeconds = 0.06;
    private const double StruckDecay = 0.12;
    private const double StruckHertz = 110;
    private const double NoiseLevel = 0.1;

    /// <summary>Renders notes.</summary>
    /// <param name="notes">The notes; they may overlap.</param>
    /// <param name="sound">What they sound like.</param>
    /// <param name="rate">Samples a second, 8,000 to 96,000.</param>
    /// <param name="seconds">How long the whole is; what lasts longer is cut.</param>
    /// <param name="seed">Of what is left to chance: the noise of the breath and of the pluck.</param>
    /// <returns>Samples from -1 to 1.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The rate or the length is out of range.</exception>
    public static float[] Render(IEnumerable<SoundedNote> notes, SimulatedSound sound, int rate, double seconds, int seed)
    {
        ArgumentNullException.ThrowIfNull(notes);
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, 8_000);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(rate, 96_000);
        ArgumentOutOfRangeException.ThrowIfNegative(seconds);
        var samples = new float[(int)(seconds * rate)];
        var random = new Random(seed);
        foreach (var note in notes)
        {
            switch (sound)
            {
                case SimulatedSound.Reed:
                    Reed(samples, note, rate, random);
                    break;
                case SimulatedSound.Plucked:
                    Pluck(samples, note, rate, random);
                    break;
                default:
                    Strike(samples, note, rate, random);
                    break;
            }
        }

        return samples;
    }

    /// <summary>Adds the noise of a room, 20 dB below the sound.</summary>
    /// <param name="samples">Samples, changed in place.</param>
    /// <param name="seed">Of the noise.</param>
    public static void AddNoise(Span<float> samples, int seed)
    {
        var power = 0.0;
        foreach (var sample in samples)
            power += sample * (double)sample;
        var random = new Random(seed);
        // Evenly distributed from -1 to 1 has a power of a third.
        var level = NoiseLevel * Math.Sqrt(3 * power / Math.Max(1, samples.Length));
        foreach (ref var sample in samples)
            sample += (float)(level * ((2 * random.NextDouble()) - 1));
    }

    private static void Reed(float[] samples, SoundedNote note, int rate, Random random)
    {
        var most = ReedPartials.Sum();
        Add(samples, note, rate, note.Seconds + ReedRelease, at =>
        {
            var swell = Math.Min(1, at / ReedAttack) * Math.Clamp((note.Seconds + ReedRelease - at) / ReedRelease, 0, 1);
            var tone = 0.0;
            for (var partial = 0; partial < ReedPartials.Length && note.Hertz * (partial + 1) < rate / 2.0; partial++)
                tone += ReedPartials[partial] * Math.Sin(2 * Math.PI * note.Hertz * (partial + 1) * at);
            var breath = 0.01 * ((2 * random.NextDouble()) - 1);
            return swell * ((tone / most) + breath);
        });
    }

    /// <summary>A delay line that is fed back through a mean of two samples (Karplus and Strong 1983, Computer Music Journal 7, 43), tuned between samples.</summary>
    private static void Pluck(float[] samples, SoundedNote note, int rate, Random random)
    {
        var period = (rate / note.Hertz) - 0.5;
        var line = new double[(int)Math.Ceiling(period) + 1];
        for (var i = 0; i < line.Length; i++)
            line[i] = (2 * random.NextDouble()) - 1;
        var whole = (int)period;
        var part = period - whole;
        var (at, before) = (0, 0.0);
        Add(samples, note, rate, note.Seconds + DampSeconds, seconds =>
        {
            // Read between two samples, so that the pitch is what was asked for.
            var one = line[(at - whole + (2 * line.Length)) % line.Length];
            var other = line[(at - whole - 1 + (2 * line.Length)) % line.Length];
            var heard = ((1 - part) * one) + (part * other);
            line[at] = PluckedDecay * 0.5 * (heard + before);
            before = heard;
            at = (at + 1) % line.Length;
            return 0.6 * heard * Math.Clamp((note.Seconds + DampSeconds - seconds) / DampSeconds, 0, 1);
        });
    }

    private static void Strike(float[] samples, SoundedNote note, int rate, Random random) => Add(samples, note, rate, 0.6, at =>
        {
            var hertz = (note.Hertz > 0 ? note.Hertz : StruckHertz) * (1 + (0.5 * Math.Exp(-at / 0.015)));
            var skin = Math.Exp(-at / StruckDecay) * Math.Sin(2 * Math.PI * hertz * at);
            var slap = Math.Exp(-at / 0.006) * ((2 * random.NextDouble()) - 1);
            return (0.7 * skin) + (0.5 * slap);
        });

    private static void Add(float[] samples, SoundedNote note, int rate, double seconds, Func<double, double> wave)
    {
        // A note may begin between two samples.
        var first = (int)Math.Ceiling(Math.Max(0, note.At) * rate);
        var last = Math.Min(samples.Length, (int)((note.At + seconds) * rate));
        for (var i = first; i < last; i++)
            samples[i] += (float)(note.Loudness * wave(((double)i / rate) - note.At));
    }
}
