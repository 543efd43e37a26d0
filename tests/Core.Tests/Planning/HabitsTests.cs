using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

public sealed class HabitsTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    private static double Minutes(IReadOnlyDictionary<DateOnly, double> played, params int[] week) =>
        Habits.RepertoireMinutes(played, Day, week.Length > 0 ? week : [30, 30, 30, 30, 30, 30, 30], Shares.Default);

    private static Dictionary<DateOnly, double> Played(int days, double minutes, int every = 1) =>
        Enumerable.Range(1, days).Where(back => back % every == 0).ToDictionary(back => Day.AddDays(-back), _ => minutes);

    /// <summary>Arithmetic: 30 minutes, a fifth of them warm-up, 40 % of the rest repertoire.</summary>
    [Fact]
    public void Who_has_just_begun_is_measured_by_the_weeks_plan()
    {
        Minutes(new Dictionary<DateOnly, double>()).ShouldBe(30 * 0.8 * 0.4, 1e-9);
        Minutes(Played(6, 90)).ShouldBe(30 * 0.8 * 0.4, 1e-9);
    }

    [Fact]
    public void Later_by_what_was_played_over_the_days_the_book_has_lived_pauses_among_them()
    {
        Minutes(Played(28, 45)).ShouldBe(45 * 0.8 * 0.4, 1e-9);
        Minutes(Played(28, 45, every: 2)).ShouldBe(22.5 * 0.8 * 0.4, 1e-9);
        Minutes(Played(10, 45)).ShouldBe(45 * 0.8 * 0.4, 1e-9);
        var old = Played(28, 45);
        old[Day.AddDays(-200)] = 10_000;
        old[Day] = 500;
        Minutes(old).ShouldBe(45 * 0.8 * 0.4, 1e-9, "neither what is long ago nor today");
    }

    [Fact]
    public void What_is_kept_of_the_minutes_is_three_quarters_at_first_and_then_what_is_seen()
    {
        double Kept(Dictionary<DateOnly, double> played, params int[] week) =>
            Habits.KeptPart(played, Day, week.Length > 0 ? week : [30, 30, 30, 30, 30, 30, 30]);
        Kept([]).ShouldBe(0.75, 1e-9);
        Kept([], 30, 30, 30, 30, 30, 0, 0).ShouldBe(0.75 * 5 / 7, 1e-9, "days off are no days");
        Kept([], 0, 0, 0, 0, 0, 0, 0).ShouldBe(0.75, 1e-9);
        Kept(Played(28, 30)).ShouldBe(((0.75 * 14) + 28) / 42, 1e-9);
        Kept(Played(28, 30, every: 2)).ShouldBe(((0.75 * 14) + 14) / 42, 1e-9);
        Kept(Played(28, 1, every: 28)).ShouldBeInRange(0.2, 0.3, "nearly never");
        Kept(Played(28, 90)).ShouldBe(1, "more than is set makes no promise");
        Kept(Played(3, 30)).ShouldBeInRange(0.75, 0.8, "three days say little");
    }

    [Theory]
    [InlineData(30, 0, 30, false)]
    [InlineData(30, 24, 6, false)]
    [InlineData(30, 26, Habits.Further, true)]
    [InlineData(30, 48, Habits.Further, true)]
    public void A_further_sitting_has_what_is_left_else_ten(int wanted, double played, int left, bool done)
    {
        Habits.Left(wanted, played).ShouldBe(left);
        (Habits.Done(wanted, played).Length > 0).ShouldBe(done);
    }

    private static readonly RoutineDays Every = new(1, 0b1111111, Needing(10)),
        Weekend = new(2, 0b1100000, Needing(20)),
        Wednesday = new(3, 0b0000100, Needing(15)),
        Short = new(4, 0, Needing(4));

    private static Routine Needing(int minutes) => new($"own {minutes}", [new Block(Area.Play, minutes, minutes, 60)], false);

    /// <summary>The day is a Wednesday.</summary>
    [Theory]
    [InlineData(0, 30, 3)]
    [InlineData(1, 30, 1)]
    [InlineData(2, 30, 3)]
    [InlineData(0, 12, 1)]
    [InlineData(0, 6, 4)]
    public void The_routine_meant_for_the_fewest_days_comes_first_and_what_does_not_fit_gives_way(int sitting, int minutes, int id) =>
        RoutineOfDay.Of([Every, Weekend, Wednesday, Short], Day, sitting, minutes).Id.ShouldBe(id);

    [Fact]
    public void Where_none_is_meant_for_the_day_it_is_the_first() => RoutineOfDay.Of([Weekend, Short], Day, 0, 60).Id.ShouldBe(2);

    [Fact]
    public void Of_two_on_a_day_the_players_own_goes_first_then_the_one_ticked_last()
    {
        var shipped = new RoutineDays(1, 0b1111111, Shapes.Default, new DateTime(2031, 5, 13, 0, 0, 0, DateTimeKind.Utc));
        var own = new RoutineDays(2, 0b1111111, Needing(10));
        RoutineOfDay.Of([shipped, own], Day, 0, 30).Id.ShouldBe(2, "the player's own, though it has as many days and a higher number");
        var changed = shipped with { Id = 3, Routine = Shapes.Default with { Blocks = [.. Shapes.Default.Blocks.Skip(1)] } };
        RoutineOfDay.Of([shipped, changed], Day, 0, 30).Id.ShouldBe(3, "a shape that was changed is the player's own");
        var later = own with { Id = 4, Ticked = new DateTime(2031, 5, 14, 0, 0, 0, DateTimeKind.Utc) };
        RoutineOfDay.Of([own, later], Day, 0, 30).Id.ShouldBe(4, "the one ticked last");
    }

    [Fact]
    public void Monday_is_the_first_weekday() =>
        Enumerable.Range(0, 7).Select(back => PracticeDay.Weekday(new DateOnly(2031, 5, 12).AddDays(back))).ShouldBe([0, 1, 2, 3, 4, 5, 6]);
}

public sealed class WeekWordsTests
{
    [Theory]
    [InlineData(0, 0, 40, "Nothing played yet.")]
    [InlineData(30, 11, 40, "41 minutes played. Repertoire has 29 to come.")]
    [InlineData(30, 38, 40, "68 minutes played, each area has what it was to have.")]
    public void The_shortest_area_is_named_or_none(double technique, double repertoire, double wanted, string words) =>
        WeekBalance
            .Words([new(Core.Practice.Area.Technique, technique, technique), new(Core.Practice.Area.Repertoire, wanted, repertoire)])
            .ShouldBe(words);
}
