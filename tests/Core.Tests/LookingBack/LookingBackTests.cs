using CsCheck;
using Shouldly;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.LookingBack;

/// <summary>Sums over stretches of days, each with its sentence; the participation ratio by arithmetic.</summary>
public sealed class LookingBackTests
{
    [Fact]
    public void Days_in_effect_are_seven_of_seven_equal_ones_and_one_where_all_lies_on_one()
    {
        Evenness.DaysInEffect([30, 30, 30, 30, 30, 30, 30]).ShouldBe(7, 1e-9);
        Evenness.DaysInEffect([0, 0, 210, 0]).ShouldBe(1, 1e-9);
        Evenness.DaysInEffect([]).ShouldBe(0);
        Evenness.DaysInEffect([20, 10]).ShouldBe(1.8, 1e-9);
        Gen.Double[0.1, 120]
            .Array[1, 28]
            .Sample(days =>
            {
                var even = Evenness.DaysInEffect(days);
                return even >= 1 - 1e-9
                    && even <= days.Length + 1e-9
                    && Math.Abs(even - Evenness.DaysInEffect(days.Select(one => one * 3).Append(0))) < 1e-6;
            });
    }

    [Fact]
    public void Cramming_is_named_with_the_same_minutes_on_more_days()
    {
        var weekend = Enumerable.Range(0, 28).Select(day => day % 7 is 5 or 6 ? 75.0 : 0).ToList();
        var crammed = Evenness.Of(weekend);
        (crammed.IsCrammed, crammed.Played, Math.Round(crammed.InEffect)).ShouldBe((true, 8, 8));
        var spread = Evenness.Spread(weekend, [30, 30, 30, 0, 30, 60, 60]);
        spread.Sum().ShouldBe(150, "the same minutes");
        spread[3].ShouldBe(0, "what is free stays free");
        spread.Count(one => one > 0).ShouldBe(6);
        Evenness.Of([.. Enumerable.Repeat(20.0, 28)]).IsCrammed.ShouldBeFalse();
        Evenness
            .Of([.. Enumerable.Range(0, 28).Select(day => day % 7 == 0 ? 20.0 : 0)])
            .IsCrammed.ShouldBeFalse("a thin week is no crammed one");
        // Few minutes go on few days: no crumbs.
        Evenness
            .Spread([.. Enumerable.Range(0, 28).Select(day => day % 7 == 0 ? 40.0 : 0)], [30, 30, 30, 30, 30, 30, 30])
            .Where(one => one > 0)
            .ShouldBe([10, 10, 10, 10]);
        Evenness.Of([0, 0, 0]).Words.ShouldBe("Nothing was played in these days.");
    }

    [Fact]
    public void What_moved_is_named_and_what_is_within_the_unsure_is_not()
    {
        var all = new[]
        {
            new Movement(1, "Mill, bars 5–8", 78, 84, 120, 4),
            new Movement(2, "Quay", 60, 61, null, 3),
            new Movement(3, "Lamp", 90, 80, 100, 2),
        };
        all.Select(one => (one.IsUp, one.IsDown)).ShouldBe([(true, false), (false, false), (false, true)]);
        all[0].Tempi.ShouldBe("78 → 84 of 120");
        Movement.Words(all).ShouldBe("1 of 3 with a tempo moved up, most of all Mill, bars 5–8 (78 → 84).");
        Movement.Words([all[1]]).ShouldBe("Of 1 thing with a tempo none moved up by more than 3 %.");
        Movement.Words([]).ShouldBe("Nothing with a tempo was played in these days.");
    }

    [Fact]
    public void A_day_says_what_went_further_than_ever_in_three_lines()
    {
        DayMove
            .Lines([
                new("Mill, bars 5–8", 78, 84, DaysTried: 4),
                new("Quay", 60, 58),
                new("Lamp", null, 40),
                new("Round", 90, 92),
                new("Jig", 100, 120),
            ])
            .ShouldBe(["Lamp: clean for the first time, at 40", "Jig: 100 → 120", "Mill, bars 5–8: 78 → 84, first clean take in 4 days"]);
    }

    [Fact]
    public void The_balance_names_what_is_short_and_the_takes_whether_it_is_hard()
    {
        AreaBalance[] balance =
        [
            new(Area.WarmUp, 60, 60),
            new(Area.Technique, 80, 120),
            new(Area.Repertoire, 140, 90),
            new(Area.Ear, 30, 40),
        ];
        BalanceBack.Words(balance).ShouldBe("Repertoire had 90 of 140 minutes; technique had 40 more than it was to have.");
        BalanceBack
            .Words([new(Area.Technique, 80, 78), new(Area.Repertoire, 140, 142)])
            .ShouldBe("220 minutes played, each area near what it was to have.");
        TakesBack.Words(100, 84).ShouldBe("84 of 100 takes were clean (84 %): about where most is learnt.");
        TakesBack.Words(100, 96).ShouldContain("on the easy side");
        TakesBack.Words(100, 55).ShouldContain("on the hard side");
        TakesBack.Words(10, 9).ShouldEndWith("too few to say more.");
    }
}
