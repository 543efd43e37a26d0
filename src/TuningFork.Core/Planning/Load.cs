using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Advice on how long to play, after time away or a steep week.</summary>
/// <param name="Minutes">Minutes to plan.</param>
/// <param name="Reason">Why they differ from the usual ones; empty when they do not.</param>
public sealed record LoadAdvice(int Minutes, string Reason);

/// <summary>Builds up gently (common practice).</summary>
public static class Load
{
    /// <summary>This week's minutes may be so many times the average of the four weeks before.</summary>
    public const double SteepWeek = 1.3;

    private const int AwayDays = 7;
    private const int ShortestAdvice = 10;

    /// <summary>
    /// The usual minutes, six tenths of them after a week or more away, three quarters after a steep week; never below
    /// ten unless the usual ones are.
    /// </summary>
    /// <param name="usual">Usual minutes of this weekday.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="played">Minutes by day, of at least the last 35 days; days without playing may be left out.</param>
    public static LoadAdvice For(int usual, DateOnly today, IReadOnlyDictionary<DateOnly, double> played)
    {
        ArgumentNullException.ThrowIfNull(played);
        var days = played.Where(day => day.Value > 0 && day.Key < today).Select(day => day.Key).ToList();
        if (days.Count == 0)
            return new LoadAdvice(usual, "");
        var away = today.DayNumber - days.Max().DayNumber - 1;
        if (away >= AwayDays)
            return new LoadAdvice(Less(usual, 0.6), $"{Words.Days(away)} without playing: a shorter plan, and build up.");
        var week = Sum(played, today.AddDays(-6), today);
        var before = Sum(played, today.AddDays(-34), today.AddDays(-7)) / 4;
        return before > 0 && days.Min() <= today.AddDays(-28) && week > before * SteepWeek
            ? new LoadAdvice(Less(usual, 0.75), $"This week already has {week:0} minutes, the four weeks before had {before:0} each: less today, so that it stays well.")
            : new LoadAdvice(usual, "");
    }

    private static double Sum(IReadOnlyDictionary<DateOnly, double> played, DateOnly from, DateOnly to) =>
        played.Where(day => day.Key >= from && day.Key <= to).Sum(day => day.Value);

    private static int Less(int usual, double part) =>
        Math.Min(usual, Math.Max(ShortestAdvice, (int)Math.Round(usual * part)));
}
