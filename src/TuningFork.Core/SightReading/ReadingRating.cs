namespace TuningFork.Core.SightReading;

/// <summary>What a reader can do in one strand: the level at which five bars of six come on time and right, and how sure that is.</summary>
/// <param name="Level">1 to 12, with parts.</param>
/// <param name="Spread">Standard deviation in levels.</param>
public readonly record struct StrandRating(double Level, double Spread);

/// <summary>
/// What is believed of a reader, strand by strand, moved by each reading. A bar comes right with the product of what each strand allows it,
/// each a logistic curve over the difference of levels with five in six at its own level; the update is one step of a Kalman filter on
/// it, with the strands bound together at first: who reads one well probably reads the others (item response theory; Glickman 1999, from
/// memory). The weak or unknown strand is asked at its level, the others three below: with two below it cannot be told which of them failed (tried with made-up readers).
/// </summary>
/// <param name="Levels">A level for each strand, in their order.</param>
/// <param name="Covariance">Four by four, row by row.</param>
public sealed record ReadingRating(IReadOnlyList<double> Levels, IReadOnlyList<double> Covariance)
{
    /// <summary>Part of the bars that is to come on time and right.</summary>
    public const double Aim = 5.0 / 6;

    /// <summary>Below this part of the bars in two readings running: easier or slower.</summary>
    public const double TooHard = 0.7;

    /// <summary>Above this part: harder or faster.</summary>
    public const double TooEasy = 0.95;

    private const int Strands = 4;
    private const double Steepness = 0.85;
    private const double FirstSpread = 3;
    private const double Alike = 0.7;

    /// <summary>What a reader may change from one reading to the next, as variance.</summary>
    private const double Drift = 0.01;

    /// <summary>Bars in one reading tell less than as many single ones: they hang together.</summary>
    private const double Together = 0.9;
    private const double Lapses = 0.02;

    /// <summary>Levels below the mean that are worth one standard deviation of not knowing, when the strand to ask is chosen.</summary>
    private const double WeakPart = 0.2;
    private const double MostMove = 2.5;
    private const int Steps = 4;

    /// <summary>Where somebody begins who has read nothing yet: low, and unsure.</summary>
    public static ReadingRating Beginning { get; } = From(4);

    /// <summary>The same level in every strand, unsure.</summary>
    public static ReadingRating From(double level) =>
        new(
            [.. Enumerable.Repeat(Math.Clamp(level, 1, ReadingLevels.Most), Strands)],
            [.. Enumerable.Range(0, Strands * Strands).Select(i => FirstSpread * FirstSpread * (i / Strands == i % Strands ? 1 : Alike))]
        );

    /// <summary>The rating of a strand.</summary>
    public StrandRating this[Strand strand] => new(Levels[(int)strand], Math.Sqrt(Covariance[(int)strand * (Strands + 1)]));

    /// <summary>The whole level of a strand, 1 to 12.</summary>
    public int LevelOf(Strand strand) => (int)Math.Clamp(Math.Round(Levels[(int)strand]), 1, ReadingLevels.Most);

    /// <summary>The level over all strands, with parts.</summary>
    public double Overall => Levels.Average();

    /// <summary>The part of the bars that is expected to come right.</summary>
    /// <param name="levels">How hard the music is.</param>
    public double Expected(ReadingLevels levels) =>
        (1 - Lapses) * Enum.GetValues<Strand>().Aggregate(1.0, (part, strand) => part * Of(Levels[(int)strand] - levels[strand]));

    /// <summary>The strand to ask next, and the levels of the music for it.</summary>
    /// <param name="last">The strand that was asked last; it is not asked twice running.</param>
    /// <param name="pitched">False where only rhythm is read.</param>
    public (Strand Asked, ReadingLevels Levels) Next(Strand? last, bool pitched = true)
    {
        var asked = pitched
            ? Enum.GetValues<Strand>()
                .Where(strand => strand != last)
                .MaxBy(strand => this[strand].Spread + (WeakPart * (Overall - this[strand].Level)))
            : Strand.Rhythm;
        // As near to five in six as whole levels allow.
        var level = LevelOf(asked);
        var levels = Enumerable
            .Range(level - 1, 3)
            .Select(one => ReadingLevels.Asking(asked, one, LevelOf))
            .MinBy(one => Math.Abs(Expected(one) - Aim));
        return (asked, levels);
    }

    /// <summary>After a reading.</summary>
    /// <param name="levels">How hard the music was.</param>
    /// <param name="bars">Bars in it, 1 or more.</param>
    /// <param name="right">Bars on time and right.</param>
    public ReadingRating After(ReadingLevels levels, int bars, int right)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(bars, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(right, bars);
        ArgumentOutOfRangeException.ThrowIfNegative(right);
        var before = Covariance.Select((value, i) => value + (i % (Strands + 1) == 0 ? Drift : 0)).ToArray();
        var (now, after) = (Levels, before);
        // The most likely levels, a few Newton steps from what was believed.
        for (var step = 0; step < Steps; step++)
        {
            var at = this with { Levels = now };
            var expected = Math.Clamp(at.Expected(levels), 0.01, 0.99);
            var slope = Enum.GetValues<Strand>().Select(strand => Steepness * (1 - Of(at.Levels[(int)strand] - levels[strand]))).ToArray();
            var along = Enumerable
                .Range(0, Strands)
                .Select(i => Enumerable.Range(0, Strands).Sum(j => before[(i * Strands) + j] * slope[j]))
                .ToArray();
            var weight = Together * bars * expected / (1 - expected);
            var gain = 1 / (1 + (weight * slope.Zip(along, (one, other) => one * other).Sum()));
            var surprise =
                (Together * (right - (bars * expected)) / (1 - expected))
                + (weight * Enumerable.Range(0, Strands).Sum(i => slope[i] * (at.Levels[i] - Levels[i])));
            now =
            [
                .. Levels.Select(
                    (level, i) =>
                        Math.Clamp(level + Math.Clamp(along[i] * gain * surprise, -MostMove, MostMove), 0.5, ReadingLevels.Most + 0.5)
                ),
            ];
            after = [.. before.Select((value, i) => value - (weight * gain * along[i / Strands] * along[i % Strands]))];
        }

        return new(now, after);
    }

    /// <summary>How likely a bar is not to fail by a strand that lies so many levels above what is asked.</summary>
    private static double Of(double above) => 1 / (1 + Math.Exp(-((Steepness * above) + Math.Log(Aim / (1 - Aim)))));
}
