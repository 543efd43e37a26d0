using System.Globalization;
using TuningFork.Core.Planning;
using TuningFork.Core.Repertoire;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Planning;

/// <summary>
/// How many minutes a day has: set for the weekday, advised, left, done, and those that the ways to performances are measured by.
/// </summary>
public static class DayMinutes
{
    public static LoadAdvice Advice(DayFacts facts)
    {
        var week = WeekOf(facts.Profile);
        var usual = facts.Calendar.MinutesOn(facts.Day);
        var last = facts.Rows.Select(row => row.LastVisit).Where(day => day < facts.Day).Max();
        return usual == 0
            ? new LoadAdvice(
                10,
                facts.Calendar.Off(facts.Day) is { } off
                    ? $"{off.Name}: nothing is planned. Here are ten minutes, if you like."
                    : "No minutes are set for this day; here are ten."
            )
            : Load.For(
                usual,
                facts.Day,
                facts.MinutesByDay.Where(pair => !facts.Body.QuietDays.Contains(pair.Key)).ToDictionary(),
                week.Sum(),
                last,
                facts.Body.AfterPain
            );
    }

    /// <summary>Minutes of a sitting: an equal part of the day where it has several, else the day, or what is left of it.</summary>
    /// <param name="begun">Sittings of the day that were begun.</param>
    public static int OfSitting(DayFacts facts, int begun)
    {
        var sittings = SittingsOn(facts.Profile, facts.Day);
        return begun > 0 && begun >= sittings
            ? Left(facts)
            : Sittings.Next(begun == 0 ? Advice(facts).Minutes : Left(facts), sittings, begun);
    }

    /// <summary>Sittings that a day is to have, 1 for one.</summary>
    public static int SittingsOn(ProfileRow profile, DateOnly day) =>
        profile.WeekdaySittings.Length == 0
            ? 1
            : int.Parse(profile.WeekdaySittings.Split(',')[PracticeDay.Weekday(day)], CultureInfo.InvariantCulture);

    /// <summary>Minutes for a further sitting: what is left of the day's, or ten where nothing is.</summary>
    public static int Left(DayFacts facts) => Habits.Left(Advice(facts).Minutes, facts.MinutesByDay.GetValueOrDefault(facts.Day));

    /// <summary>What there is to say when the day's minutes were played; empty while some are left.</summary>
    public static string Done(DayFacts facts) =>
        facts.LastEnded is null ? "" : Habits.Done(Advice(facts).Minutes, facts.MinutesByDay.GetValueOrDefault(facts.Day));

    /// <summary>
    /// Wanted and played of the last seven days, with what is left of the minutes usual on this weekday; no plan is needed for it.
    /// </summary>
    /// <param name="minutes">Minutes that the day has.</param>
    public static IReadOnlyList<AreaBalance> Balance(
        ProfileRow profile,
        IReadOnlyList<AreaHistory> history,
        int minutes,
        double playedToday
    ) => WeekBalance.Of(ProfileBooks.SharesOf(profile), history, Math.Max(0, minutes - (int)Math.Round(playedToday)));

    /// <summary>The same from what is loaded already.</summary>
    public static IReadOnlyList<AreaBalance> Balance(DayFacts facts) =>
        Balance(facts.Profile, facts.History, facts.Calendar.MinutesOn(facts.Day), facts.MinutesByDay.GetValueOrDefault(facts.Day));

    /// <summary>Minutes set for the seven weekdays from Monday.</summary>
    public static List<int> WeekOf(ProfileRow profile) => [.. profile.WeekdayMinutes.Split(',').Select(int.Parse)];

    /// <summary>Minutes of the days on which one plays, on average.</summary>
    public static int Usual(ProfileRow profile) =>
        WeekOf(profile).Where(minutes => minutes > 0).DefaultIfEmpty().Average() is var average ? (int)Math.Round(average) : 0;

    /// <summary>Part of its usual minutes that a day brings on average.</summary>
    public static double KeptPart(DayFacts facts) => Habits.KeptPart(facts.MinutesByDay, facts.Day, WeekOf(facts.Profile));

    /// <summary>
    /// The ways to all performances ahead, measured by the repertoire minutes of the last four weeks, the warm-up not among them,
    /// over the days the book has lived; by the week's plan for who has just begun.
    /// </summary>
    public static IReadOnlyList<PerformancePlan> Performances(DayFacts facts) =>
        Core.Repertoire.Performances.All(
            facts.Materials,
            facts.Day,
            Habits.RepertoireMinutes(facts.MinutesByDay, facts.Day, WeekOf(facts.Profile), ProfileBooks.SharesOf(facts.Profile)),
            ProfileBooks.TraitsOf(facts.Profile)
        );
}
