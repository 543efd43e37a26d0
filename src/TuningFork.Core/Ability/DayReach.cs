namespace TuningFork.Core.Ability;

/// <summary>A take as evidence.</summary>
/// <param name="Tempo">The tempo it was played at, above 0.</param>
/// <param name="Clean">Whether it was clean.</param>
/// <param name="Weight">How much it counts, above 0 and up to 1: half for what tests something else as well (by heart, inside a
/// section).</param>
public readonly record struct Evidence(double Tempo, bool Clean, double Weight = 1);

/// <summary>
/// What is believed of one thing while a day goes on: the reach kept from before and the day's form together. Each take moves
/// it by Bayes' rule on a curve over the logarithm of the tempo, so a clean take far below reach says next to nothing and a
/// miss there much (QUEST: Watson and Pelli 1983; ratings with uncertainty: Glickman 1999, Applied Statistics 48, 377; both
/// from memory). The belief is held at some points, because takes that only say "at least this" make it lopsided, and a bell
/// drawn anew after each of them would count the same news again and again.
/// </summary>
public sealed class DayReach
{
    /// <summary>The first take of a day is harder by this part (common practice).</summary>
    public const double FirstIsHarder = 0.03;

    private const int Points = 41;
    private const double Edge = 4;

    /// <summary>Way to the ceiling that is assumed where there is no target.</summary>
    private const double UnknownWay = 0.06;

    /// <summary>
    /// Part of the unsureness that counts when a tempo is chosen: all of it would begin so far below that the takes say nothing.
    /// </summary>
    private const double Boldness = 0.5;

    /// <summary>Logarithms of the tempi that are considered, and how much is believed in each; together 1.</summary>
    private readonly double[] points;
    private readonly double[] belief;

    private DayReach(Morning morning, double[] points, double[] belief, double grown, int takes)
    {
        (Morning, this.points, this.belief, Grown, Takes) = (morning, points, belief, grown, takes);
        Log = points.Zip(belief, (point, weight) => point * weight).Sum();
        Spread = Math.Sqrt(points.Zip(belief, (point, weight) => weight * (point - Log) * (point - Log)).Sum());
    }

    /// <summary>What was believed before the first take.</summary>
    public Morning Morning { get; }

    /// <summary>Logarithm of today's reach.</summary>
    public double Log { get; }

    /// <summary>How unsure it is, the day's form counted.</summary>
    public double Spread { get; }

    /// <summary>Takes so far today.</summary>
    public int Takes { get; }

    /// <summary>Growth that is assumed of today's takes, in logarithms.</summary>
    public double Grown { get; }

    /// <summary>Today's reach.</summary>
    public double Tempo => Math.Exp(Log);

    /// <summary>The beginning of a day.</summary>
    /// <param name="morning">What is believed then.</param>
    public static DayReach At(Morning morning)
    {
        ArgumentNullException.ThrowIfNull(morning);
        var at = new double[Points];
        var weights = new double[Points];
        for (var i = 0; i < Points; i++)
        {
            var z = Edge * ((2.0 * i / (Points - 1)) - 1);
            at[i] = morning.Log + (z * morning.Spread);
            weights[i] = Math.Exp(-z * z / 2);
        }

        return new DayReach(morning, at, Whole(weights), 0, morning.Takes);
    }

    /// <summary>The same as the beginning of another drill of the day.</summary>
    public Morning Later => Morning with { Log = Log, Spread = Spread, Takes = Takes };

    /// <summary>The chance that the next take is clean, all that is not known counted.</summary>
    /// <param name="tempo">Its tempo, above 0.</param>
    /// <param name="width">Another width of the curve than the player's, or null.</param>
    public double Chance(double tempo, double? width = null)
    {
        var at = Hardness(tempo);
        var sum = 0.0;
        for (var i = 0; i < Points; i++)
            sum += belief[i] * Curve.Chance(points[i], at, width ?? Morning.Width);
        return sum;
    }

    /// <summary>The tempo at which the next take is clean with such a chance, part of the unsureness counted.</summary>
    /// <param name="chance">The chance, 0.05 to 0.95.</param>
    public double For(double chance = Reach.Clean)
    {
        if (chance is < 0.05 or > 0.95)
            throw new ArgumentOutOfRangeException(nameof(chance), chance, "A tempo is chosen for a chance of 0.05 to 0.95.");
        var (low, high) = (Log - 1.5, Log + 1.5);
        for (var i = 0; i < 14; i++)
        {
            var middle = (low + high) / 2;
            var at = middle + (Takes == 0 ? FirstIsHarder : 0);
            var sum = 0.0;
            for (var j = 0; j < Points; j++)
                sum += belief[j] * Curve.Chance(Log + ((points[j] - Log) * Boldness), at, Morning.Width);
            (low, high) = sum >= chance ? (middle, high) : (low, middle);
        }

        return Math.Exp(low);
    }

    /// <summary>What is believed after a take.</summary>
    /// <param name="take">The take.</param>
    public DayReach After(Evidence take)
    {
        var at = Hardness(take.Tempo);
        var grown = Morning.Rate * Way(take.Tempo);
        var moved = new double[Points];
        var next = new double[Points];
        for (var i = 0; i < Points; i++)
        {
            var chance = Curve.Chance(points[i], at, Morning.Width);
            chance = take.Clean ? chance : 1 - chance;
            next[i] = belief[i] * (take.Weight >= 1 ? chance : Math.Pow(chance, take.Weight));
            moved[i] = points[i] + grown;
        }

        return new DayReach(Morning, moved, Whole(next), Grown + grown, Takes + 1);
    }

    /// <summary>
    /// The way to the ceiling that a take at a tempo works on: none where it is far too easy or far too hard, less with every take of the
    /// day.
    /// </summary>
    internal double Way(double tempo)
    {
        var chance = Curve.Chance(Log, Math.Log(tempo), Morning.Width);
        return chance is < 0.25 or > 0.965 ? 0 : Math.Max(0.02, (Morning.Ceiling ?? (Log + UnknownWay)) - Log) / (1 + (0.1 * Takes));
    }

    private double Hardness(double tempo) => Math.Log(tempo) + (Takes == 0 ? FirstIsHarder : 0);

    private static double[] Whole(double[] weights)
    {
        var all = weights.Sum();
        for (var i = 0; i < weights.Length; i++)
            weights[i] /= all;
        return weights;
    }
}
