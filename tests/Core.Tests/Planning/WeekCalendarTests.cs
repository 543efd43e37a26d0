using CsCheck;
using Shouldly;
using TuningFork.Core.Planning;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>The minutes of each day of a week, moved about and spread.</summary>
public sealed class WeekCalendarTests
{
    private static readonly DateOnly Monday = new(2031, 5, 12);

    [Fact]
    public void A_day_has_its_weekdays_minutes_unless_it_is_an_exception_or_was_moved()
    {
        var calendar = new WeekCalendar(
            [30, 30, 30, 30, 30, 45, 0],
            [new DayOff(Monday.AddDays(1), Monday.AddDays(2), DayOffKind.LateShift, 10, "")],
            new Dictionary<DateOnly, int> { [Monday.AddDays(2)] = 15 }
        );
        Enumerable.Range(0, 7).Select(day => calendar.MinutesOn(Monday.AddDays(day))).ShouldBe([30, 10, 15, 30, 30, 45, 0]);
        calendar.Off(Monday.AddDays(1))!.Name.ShouldBe("Late shift");
        calendar.Off(Monday).ShouldBeNull();
        calendar.IsMoved(Monday.AddDays(2)).ShouldBeTrue();
    }

    [Fact]
    public void Moving_keeps_the_sum_or_is_refused()
    {
        Gen.Select(Gen.Int[0, 240].Array[7], Gen.Int[0, 6], Gen.Int[0, 6], Gen.Int[-5, 240])
            .Sample(
                (week, from, to, minutes) =>
                {
                    var calendar = new WeekCalendar(week, [], new Dictionary<DateOnly, int>());
                    try
                    {
                        var moved = calendar.Move(Monday.AddDays(from), Monday.AddDays(to), minutes);
                        (moved.From + moved.To).ShouldBe(week[from] + week[to]);
                        (moved.From == 0 || moved.From >= SittingLength.Least).ShouldBeTrue();
                        moved.To.ShouldBeInRange(SittingLength.Least, SittingLength.Most);
                    }
                    catch (PlanException refused)
                    {
                        refused.Message.ShouldNotBeEmpty();
                    }
                }
            );
    }

    [Fact]
    public void A_missed_day_is_spread_by_a_quarter_a_day_and_the_rest_is_let_go()
    {
        var week = new[] { 40, 40, 40, 40, 0, 20, 40 };
        var calendar = new WeekCalendar(week, [], new Dictionary<DateOnly, int>());
        var played = new Dictionary<DateOnly, double> { [Monday] = 40 };
        // Tuesday was missed; it is Wednesday.
        var spread = calendar.Spread(Monday.AddDays(2), played, Monday.AddDays(-30))!;
        spread.Missed.ShouldBe(Monday.AddDays(1));
        spread.Days.ShouldBe(
            new Dictionary<DateOnly, int>
            {
                [Monday.AddDays(2)] = 50,
                [Monday.AddDays(3)] = 50,
                [Monday.AddDays(5)] = 25,
                [Monday.AddDays(6)] = 50,
                [Monday.AddDays(7)] = 45,
            }
        );
        (spread.Minutes, spread.LetGo).ShouldBe((40, 0));
        // Spread once, it is not piled upon again.
        new WeekCalendar(week, [], spread.Days.ToDictionary()).Spread(Monday.AddDays(2), played, Monday.AddDays(-30)).ShouldBeNull();
        calendar.Spread(Monday.AddDays(2), played, Monday.AddDays(2)).ShouldBeNull("the book begins today");
        calendar.Spread(Monday.AddDays(1), played, Monday.AddDays(-30))!.Missed.ShouldBe(Monday.AddDays(-1), "a Sunday of forty");
        var away = new WeekCalendar(
            week,
            [new DayOff(Monday.AddDays(-9), Monday.AddDays(1), DayOffKind.Holiday, 0, "")],
            new Dictionary<DateOnly, int>()
        );
        away.Spread(Monday.AddDays(2), played, Monday.AddDays(-30)).ShouldBeNull("a holiday is not missed");
    }

    [Fact]
    public void A_day_in_chunks_adds_up_and_a_very_long_one_is_named()
    {
        Sittings.Next(30, 3, 0).ShouldBe(10);
        Sittings.Next(20, 3, 1).ShouldBe(10);
        Sittings.Next(7, 3, 2).ShouldBe(7);
        Sittings.Next(45, 1, 0).ShouldBe(45);
        Sittings.Next(6, 3, 0).ShouldBe(5, "never less than a sitting");
        Sittings.Say(3, 1).ShouldStartWith("Sitting 2 of 3 today.");
        Sittings.Say(1, 0).ShouldBeEmpty();
        var calendar = new WeekCalendar([30, 30, 30, 30, 30, 30, 0], [], new Dictionary<DateOnly, int>());
        calendar.SayLong(90).ShouldBeEmpty();
        calendar.SayLong(95).ShouldContain("three times");
    }
}
