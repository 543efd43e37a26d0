namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>Which world a learner lives in.</summary>
internal enum World
{
    /// <summary>Each passage by itself.</summary>
    Tempo,

    /// <summary>Passages share five hidden skills; what is alike back to back gains less.</summary>
    Shared,

    /// <summary>As the first, with uneven minutes, a missed week, noisy ratings and takes that nobody records.</summary>
    RealLife,
}

/// <summary>
/// Somebody made up who learns to play passages faster. Shares neither code nor constants with the program: each passage has a
/// capacity (logarithm of tempo); the chance of a clean take is a logistic curve, a Weibull curve with slips, or a logistic
/// curve that the form of each day shifts; learning is largest where the chance is 0.6 to 0.9, falls with the takes of that
/// day and nears an own ceiling; part of it settles overnight; left alone it sinks towards a floor.
/// </summary>
internal sealed class TempoLearner
{
    private const int Skills = 5;
    private const double SharedPart = 0.3;
    private const double AlikePart = 0.6;
    private const double FirstTake = 0.03;

    private readonly Random random;
    private readonly World world;
    private readonly int curve;
    private readonly double spread;
    private readonly double pace;
    private readonly double settles;
    private readonly double sinks;
    private readonly double[] ceiling;
    private readonly double[] floor;
    private readonly double[] kept;
    private readonly double[] gained;
    private readonly int[] takes;
    private readonly int[] daysPractised;
    private readonly int[] skill;
    private double form;
    private int before = -1;

    public TempoLearner(int number, World world, IReadOnlyList<int> targets)
    {
        (random, this.world, curve) = (new Random(number), world, number % 3);
        spread = 0.04 + (0.05 * random.NextDouble());
        pace = 0.022 * Math.Exp(0.3 * Normal());
        settles = 0.6 + (0.3 * random.NextDouble());
        sinks = 0.012 + (0.012 * random.NextDouble());
        floor = [.. targets.Select(target => Math.Log(target * (0.42 + (0.23 * random.NextDouble()))))];
        ceiling = [.. targets.Select(target => Math.Log(target * (1.08 + (0.22 * random.NextDouble()))))];
        kept = [.. floor];
        skill = [.. targets.Select(_ => random.Next(Skills))];
        (gained, takes, daysPractised) = (new double[targets.Count], new int[targets.Count], new int[targets.Count]);
    }

    /// <summary>A night: part of the day's gain settles, what was not played sinks, tomorrow has its own form.</summary>
    public void Night()
    {
        for (var i = 0; i < kept.Length; i++)
        {
            kept[i] += settles * gained[i];
            if (takes[i] > 0)
                daysPractised[i]++;
            else
                kept[i] -= sinks * Math.Max(0, kept[i] - floor[i]) / (1 + (daysPractised[i] / 5.0));
            (gained[i], takes[i]) = (0, 0);
        }

        form = curve == 2 ? 0.12 * (random.NextDouble() - 0.5) : 0;
        before = -1;
    }

    /// <summary>Chance that a first take at a tempo is clean on a day of no special form.</summary>
    public double First(int passage, double tempo) => Chance(Math.Log(tempo) + FirstTake - kept[passage] - gained[passage]);

    /// <summary>Chance of the next take.</summary>
    public double Next(int passage, double tempo) =>
        Chance(Math.Log(tempo) + (takes[passage] == 0 ? FirstTake : 0) - kept[passage] - gained[passage] - form);

    /// <summary>What a take with such a chance would bring, in logarithms.</summary>
    public double Gain(int passage, double chance) =>
        pace
        * Useful(chance)
        * Math.Max(0, ceiling[passage] - kept[passage] - gained[passage])
        / (1 + (0.22 * takes[passage]))
        * (world == World.Shared && before >= 0 && before != passage && skill[before] == skill[passage] ? AlikePart : 1);

    /// <summary>Capacity now: five of six clean.</summary>
    public double Capacity(int passage) => Math.Exp(kept[passage] + gained[passage]);

    public bool Play(int passage, double tempo)
    {
        var chance = Next(passage, tempo);
        var gain = Gain(passage, chance);
        if (world == World.Shared)
        {
            var alike = Enumerable.Range(0, kept.Length).Where(other => other != passage && skill[other] == skill[passage]).ToList();
            foreach (var other in alike)
                gained[other] += SharedPart * gain / alike.Count * (kept[other] + gained[other] < ceiling[other] ? 1 : 0);
            gain *= 1 - SharedPart;
        }

        gained[passage] += gain;
        takes[passage]++;
        before = passage;
        return random.NextDouble() < chance;
    }

    /// <summary>Chance of something else than a take: a rating that is off, a note not made.</summary>
    public double Luck() => random.NextDouble();

    private double Chance(double above) =>
        curve == 1 ? 0.97 * Math.Exp(-0.152 * Math.Exp(above / spread)) : 1 / (1 + (0.2 * Math.Exp(above / spread)));

    private static double Useful(double chance) =>
        chance switch
        {
            < 0.2 => 0.15,
            < 0.6 => 0.15 + (0.85 * (chance - 0.2) / 0.4),
            <= 0.9 => 1,
            _ => 1 - (0.75 * (chance - 0.9) / 0.1),
        };

    private double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
