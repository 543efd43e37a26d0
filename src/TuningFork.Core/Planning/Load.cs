using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Advice on how long to play, after time away or a steep week.</summary>
/// <param name="Minutes">Minutes to plan.</param>
/// <param name="Reason">Why they differ from the usual ones; empty when they do not.</param>
/// <param name="PracticeDaysBack">Practice days since a return from a week or more away, 0 on the first; null when one is not building
/// up.</param>
public sealed record LoadAdvice(int Minutes, string Reason, int? PracticeDaysBack = null);

/// <summary>Builds up gently (common practice).</summary>
public static class Load
{
    /// <summary>This week's minutes may be so many times the average of the weeks before.</summary>
    public const double SteepWeek = 1.3;

    private const int AwayDays = 7;
    private const int ShortestAdvice = 10;
    private const int MostRampDays = 10;
    private const double RampFrom = 0.6;

    /// <summary>
    /// The usual minutes. After a week or more away they rise from six tenths over as many practice days as half the days away,
    /// ten at most; after a steep week three quarters. Never below ten unless the usual ones are.
    /// </summary>
    /// <param name="usual">Usual minutes of this weekday.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="played">Minutes by day, of at least the last 35 days; days without playing may be left out.</param>
    /// <param name="aWeek">Minutes set for the week; who stays within them gets no word.</param>
    /// <param name="lastPlayed">The last day of playing, where that may be longer ago than those days; or null.</param>
    /// <param name="afterPain">The way back after pain, or null; where there is a way back of both kinds, the fewer minutes hold.</param>
    public static LoadAdvice For(
        int usual,
        DateOnly today,
        IReadOnlyDictionary<DateOnly, double> played,
        int aWeek = 0,
        DateOnly? lastPlayed = null,
        AfterPain? afterPain = null
    )
    {
        var advice = ByHabit(usual, today, played, aWeek, lastPlayed);
        var gentle = Math.Max(SittingLength.Least, afterPain?.Minutes(usual) ?? usual);
        return afterPain is null || gentle >= advice.Minutes
            ? advice
            : advice with
            {
                Minutes = gentle,
                Reason =
                    $"Practice day {afterPain.PracticeDaysBack + 1} of {AfterPain.Days} after pain: {gentle} of {usual} minutes, no climbing, nothing that moves like what hurt. Stop when it comes back.",
            };
    }

    /// <summary>Whether a week has too many minutes beside those before it: more than 1.3 times the average of the practised ones.</summary>
    /// <param name="week">Minutes of the week.</param>
    /// <param name="before">Minutes of the weeks before; those without practice do not count.</param>
    public static bool IsSteep(double week, IReadOnlyList<double> before)
    {
        var practised = before.Where(minutes => minutes > 0).ToList();
        return practised.Count > 0 && week > practised.Average() * SteepWeek;
    }

    private static LoadAdvice ByHabit(
        int usual,
        DateOnly today,
        IReadOnlyDictionary<DateOnly, double> played,
        int aWeek,
        DateOnly? lastPlayed
    )
    {
        ArgumentNullException.ThrowIfNull(played);
        var days = played.Where(day => day.Value > 0 && day.Key < today).Select(day => day.Key).Order().ToList();
        if (days.Count == 0 && lastPlayed < today)
            days.Add(lastPlayed.Value);
        if (days.Count == 0)
            return new LoadAdvice(usual, "");
        if (Ramp(usual, today, days) is { } ramp)
            return ramp;
        var week = Sum(played, today.AddDays(-6), today);
        var before = Enumerable
            .Range(0, 4)
            .Select(back => Sum(played, today.AddDays(-13 - (7 * back)), today.AddDays(-7 - (7 * back))))
            .Where(minutes => minutes > 0)
            .ToList();
        return days[0] <= today.AddDays(-14) && IsSteep(week, before) && week + usual > aWeek
            ? new LoadAdvice(
                Less(usual, 0.75),
                $"This week already has {week:0} minutes, the weeks before had {before.Average():0} each: less today, so that it stays well."
            )
            : new LoadAdvice(usual, "");
    }

    /// <summary>The way back after the last gap of a week or more; null when there was none, or it is behind.</summary>
    private static LoadAdvice? Ramp(int usual, DateOnly today, List<DateOnly> days)
    {
        for (var i = days.Count - 1; i >= 0; i--)
        {
            var away = (i == days.Count - 1 ? today : days[i + 1]).DayNumber - days[i].DayNumber - 1;
            if (away < AwayDays)
                continue;
            var (back, ramp) = (days.Count - 1 - i, Math.Min(MostRampDays, (away + 1) / 2));
            if (back >= ramp)
                return null;
            var minutes = Less(usual, RampFrom + ((1 - RampFrom) * back / ramp));
            return new LoadAdvice(
                minutes,
                back == 0
                    ? $"{Words.Days(away)} without playing: a shorter plan, and build up."
                    : $"Practice day {back + 1} of {ramp} back: {minutes} of {usual} minutes.",
                back
            );
        }

        return null;
    }

    private static double Sum(IReadOnlyDictionary<DateOnly, double> played, DateOnly from, DateOnly to) =>
        played.Where(day => day.Key >= from && day.Key <= to).Sum(day => day.Value);

    private static int Less(int usual, double part) => Math.Min(usual, Math.Max(ShortestAdvice, (int)Math.Round(usual * part)));
}
