using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Something loud, and for how long one is in it.</summary>
/// <param name="Level">Sound level in dBA, 40 to 140.</param>
/// <param name="Minutes">Minutes a day, 0 to 1440.</param>
public sealed record LoudSource(double Level, double Minutes);

/// <summary>
/// How much sound a day bears: 85 dBA for eight hours, half as long for each 3 dB more (recommended exposure limit, NIOSH 98-126).
/// Several sources of a day add up as shares of it.
/// </summary>
public static class Noise
{
    private const double Limit = 85;
    private const double Hours = 8;
    private const double Exchange = 3;

    /// <summary>Below this level the day has no limit to speak of (NIOSH 98-126 integrates from 80 dBA).</summary>
    private const double Counts = 80;

    private const double Quietest = 40;
    private const double Loudest = 140;
    private const double MinutesADay = 1440;
    private const double Near = 0.5;

    /// <summary>Minutes a day at one level.</summary>
    /// <param name="level">dBA, 40 to 140.</param>
    /// <returns>Infinity below 80 dBA.</returns>
    /// <exception cref="ArgumentOutOfRangeException">The level is none that can be meant.</exception>
    public static double AllowedMinutes(double level)
    {
        if (double.IsNaN(level) || level is < Quietest or > Loudest)
            throw new ArgumentOutOfRangeException(nameof(level), $"A level is {Quietest} to {Loudest} dBA.");
        return level < Counts ? double.PositiveInfinity : Hours * 60 / Math.Pow(2, (level - Limit) / Exchange);
    }

    /// <summary>The part of a day's sound that some sources use up: 1 is all of it.</summary>
    /// <param name="sources">Sources of one day.</param>
    /// <exception cref="ArgumentOutOfRangeException">A level or a time is none that can be meant.</exception>
    public static double Dose(IEnumerable<LoudSource> sources)
    {
        ArgumentNullException.ThrowIfNull(sources);
        return sources.Sum(source =>
            double.IsNaN(source.Minutes) || source.Minutes is < 0 or > MinutesADay
                ? throw new ArgumentOutOfRangeException(nameof(sources), $"Minutes a day are 0 to {MinutesADay}.")
                : source.Minutes / AllowedMinutes(source.Level)
        );
    }

    /// <summary>What to make of it.</summary>
    /// <param name="dose">Part of a day's sound.</param>
    public static string Say(double dose) =>
        dose > 1
            ? $"{dose:P0} of a day's sound: too much. Protection for the ears, more distance, a softer room or shorter; ask a doctor when it rings or dulls afterwards."
        : dose > Near ? $"{dose:P0} of a day's sound: what else is loud today counts too. Protection for the ears is wise."
        : $"{dose:P0} of a day's sound.";

    /// <summary>How long one may be in it in words: "2 h", "15 min", "as long as you like".</summary>
    /// <param name="level">dBA, 40 to 140.</param>
    public static string SayAllowed(double level) =>
        AllowedMinutes(level) switch
        {
            double.PositiveInfinity => "as long as you like",
            >= 60 and var minutes => $"{minutes / 60:0.#} h",
            var minutes => Words.Minutes(Math.Max(1, (int)Math.Floor(minutes))),
        };
}
