namespace TuningFork.Core.Spacing;

/// <summary>How a visit went, as the memory model counts it. Never asked for by name: see <see cref="Grading"/>.</summary>
public enum Grade
{
    /// <summary>Not there.</summary>
    Again = 1,

    /// <summary>There with effort.</summary>
    Hard = 2,

    /// <summary>There.</summary>
    Good = 3,

    /// <summary>There and more.</summary>
    Easy = 4,
}

/// <summary>What is remembered of one material.</summary>
/// <param name="Stability">Days after which the chance of a clean first take has fallen to 90 %; above 0.</param>
/// <param name="Difficulty">1 (easy) to 10 (hard).</param>
public readonly record struct Memory(double Stability, double Difficulty);

/// <summary>
/// The open FSRS-6 memory model with its published default parameters, one visit a day, without same-day steps and
/// without random spread of intervals. Source: the open-spaced-repetition project, "The algorithm" (FSRS-6); checked
/// against npm's ts-fsrs 5.4.2.
/// </summary>
public static class Fsrs
{
    /// <summary>Desired chance of a clean first take.</summary>
    public const double UsualRetention = 0.90;

    /// <summary>Desired chance in the last three weeks before a performance (common practice).</summary>
    public const double RetentionBeforePerformance = 0.95;

    private const double LeastStability = 0.001;
    private const double MostStability = 36500;

    private static readonly double[] W =
    [
        0.212,
        1.2931,
        2.3065,
        8.2956,
        6.4133,
        0.8334,
        3.0194,
        0.001,
        1.8722,
        0.1666,
        0.796,
        1.4835,
        0.0614,
        0.2629,
        1.6483,
        0.6014,
        1.8729,
        0.5425,
        0.0912,
        0.0658,
        0.1542,
    ];

    private static double Decay => -W[20];

    /// <summary>
    /// Rounded to eight places, as the retrievability is: the reference does so, and long sequences would drift apart otherwise.
    /// </summary>
    private static readonly double Factor = Math.Round(Math.Pow(0.9, 1 / -W[20]) - 1, 8);

    /// <summary>Chance, 0 to 1, that a first take is clean so many days after the last visit.</summary>
    /// <param name="days">Days since; below 0 (a clock that went back) counts as 0.</param>
    /// <param name="stability">Stability in days, above 0.</param>
    public static double Retrievability(double days, double stability)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(stability);
        return Math.Round(Math.Pow(1 + (Factor * Math.Max(0, days) / stability), Decay), 8);
    }

    /// <summary>Memory after a visit.</summary>
    /// <param name="before">Memory before, null for the first visit.</param>
    /// <param name="days">Days since the last visit; below 0 counts as 0.</param>
    /// <param name="grade">How it went.</param>
    public static Memory After(Memory? before, int days, Grade grade)
    {
        if (before is not { } memory)
            return new Memory(Math.Max(W[(int)grade - 1], 0.1), Math.Clamp(FirstDifficulty(grade), 1, 10));
        var retrievability = Retrievability(days, memory.Stability);
        var stability =
            grade == Grade.Again ? Math.Min(memory.Stability, Forgotten(memory, retrievability)) : Recalled(memory, retrievability, grade);
        return new Memory(Math.Clamp(stability, LeastStability, MostStability), NextDifficulty(memory.Difficulty, grade));
    }

    /// <summary>Days until the chance of a clean first take has fallen to the wish, 1 to 36,500.</summary>
    /// <param name="stability">Stability in days.</param>
    /// <param name="retention">Desired chance, above 0 and below 1.</param>
    public static int Interval(double stability, double retention)
    {
        if (retention is <= 0 or >= 1)
            throw new ArgumentOutOfRangeException(nameof(retention), retention, "The desired retention lies between 0 and 1.");
        var days = stability * (Math.Pow(retention, 1 / Decay) - 1) / Factor;
        return (int)Math.Clamp(Math.Round(days, MidpointRounding.AwayFromZero), 1, MostStability);
    }

    /// <summary>
    /// The days each grade would earn, kept strictly rising from hard to easy as the reference scheduler does.
    /// </summary>
    /// <param name="before">Memory before the visit, null for the first.</param>
    /// <param name="days">Days since the last visit.</param>
    /// <param name="grade">How it went.</param>
    /// <param name="retention">Desired chance.</param>
    public static int IntervalAfter(Memory? before, int days, Grade grade, double retention)
    {
        int Raw(Grade g) => Interval(After(before, days, g).Stability, retention);
        var again = Math.Min(Raw(Grade.Again), Raw(Grade.Hard));
        var hard = Math.Max(Raw(Grade.Hard), again + 1);
        var good = Math.Max(Raw(Grade.Good), hard + 1);
        return grade switch
        {
            Grade.Again => again,
            Grade.Hard => hard,
            Grade.Good => good,
            _ => Math.Max(Raw(Grade.Easy), good + 1),
        };
    }

    private static double FirstDifficulty(Grade grade) => W[4] - Math.Exp(((int)grade - 1) * W[5]) + 1;

    private static double NextDifficulty(double difficulty, Grade grade)
    {
        var change = -W[6] * ((int)grade - 3);
        var damped = difficulty + (change * (10 - difficulty) / 9);
        return Math.Clamp((W[7] * FirstDifficulty(Grade.Easy)) + ((1 - W[7]) * damped), 1, 10);
    }

    private static double Recalled(Memory memory, double retrievability, Grade grade)
    {
        var penalty = grade == Grade.Hard ? W[15] : 1;
        var bonus = grade == Grade.Easy ? W[16] : 1;
        return memory.Stability
            * (
                1
                + (
                    Math.Exp(W[8])
                    * (11 - memory.Difficulty)
                    * Math.Pow(memory.Stability, -W[9])
                    * (Math.Exp((1 - retrievability) * W[10]) - 1)
                    * penalty
                    * bonus
                )
            );
    }

    private static double Forgotten(Memory memory, double retrievability) =>
        W[11] * Math.Pow(memory.Difficulty, -W[12]) * (Math.Pow(memory.Stability + 1, W[13]) - 1) * Math.Exp((1 - retrievability) * W[14]);
}
