using CsCheck;
using Shouldly;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Tempo;

public sealed class TempoTrendTests
{
    private static readonly DateOnly Start = new(2031, 1, 6);

    /// <summary>Worked by hand: the ten slopes of five points, their median; S of a rising row of five is 10 (statistics texts, from memory).</summary>
    [Fact]
    public void Slope_and_trend_are_those_of_a_row_worked_by_hand()
    {
        Trend.TheilSen([(1, 1), (2, 3), (3, 2), (4, 5), (5, 20)]).ShouldBe(2.5, 1e-12);
        Trend.MannKendall([1, 2, 3, 4, 5]).S.ShouldBe(10);
        Trend.MannKendall([1, 2, 3, 4, 5]).Z.ShouldBe(9 / Math.Sqrt(5 * 4 * 15 / 18.0), 1e-12);
        Trend.MannKendall([5, 5, 5, 5]).Z.ShouldBe(0);
        Trend.Median([4, 1, 3, 2]).ShouldBe(2.5);
    }

    [Fact]
    public void A_line_with_an_outlier_keeps_its_slope() =>
        Gen.Select(Gen.Double[-3, 3], Gen.Double[-50, 50], Gen.Int[0, 11]).Sample((slope, start, outlier) =>
            Trend.TheilSen([.. Enumerable.Range(0, 12).Select(i => ((double)i, start + (slope * i) + (i == outlier ? 1000 : 0)))]).ShouldBe(slope, 1e-6));

    [Fact]
    public void No_gain_over_eight_visits_is_a_plateau_and_gets_advice_and_a_rise_is_none()
    {
        var flat = Plateau.Look(Points(60, 66, 72, 76, 78, 79, 78, 79, 78, 79, 79, 78, 79), reached: false);
        flat.IsStuck.ShouldBeTrue();
        flat.Reason.ShouldBe("No real gain over 8 visits: it stays near 79.");
        flat.Remedies.Select(remedy => remedy.Title).ShouldContain("Let it rest");
        flat.Remedies.ShouldAllBe(remedy => !remedy.How.Contains("harder", StringComparison.OrdinalIgnoreCase));
        Plateau.Look(Points(60, 63, 66, 69, 72, 74, 76, 78, 80), reached: false).IsStuck.ShouldBeFalse();
        Plateau.Look(Points(96, 97, 97, 97, 97, 97, 97, 97, 97), reached: true).IsStuck.ShouldBeFalse("the target was reached once");
        Plateau.Look([.. Points(70, 74, 78, 82, 84), .. Points(84, 84, 84, 84, 84, 84).Select(point => point with { Slow = true })], reached: false).IsStuck.ShouldBeFalse("slow work says nothing");
        Plateau.Look(Points(80, 80, 80), reached: false).IsStuck.ShouldBeFalse("too few visits to say");
        Plateau.Look(Points(80, 80, 80, 80, 80, 80, 80, 80), reached: false, tense: true).Remedies[0].Title.ShouldBe("Step down");
        Plateau.Look(Points(90, 88, 87, 86, 84, 83, 82, 80), reached: false).Reason.ShouldStartWith("It has sunk by about");
    }

    /// <summary>
    /// Learners made up here, growing in two ways the forecast does not know: towards a ceiling, and by a power of the days;
    /// visits one to four days apart, each off by about one beat in a hundred.
    /// </summary>
    [Fact]
    public void The_range_of_a_forecast_holds_the_truth_in_75_to_90_percent_and_is_narrow_enough_to_be_of_use()
    {
        var random = new Random(20310106);
        var (held, all) = (0, 0);
        var widths = new List<double>();
        while (all < 400)
        {
            var (points, truth) = Learner(random);
            if (truth is < 5 or > 400 || Forecast.For(points, new Bpm(120)) is not { Latest: { } latest } forecast)
                continue;
            var today = points[^1].Day.DayNumber;
            all++;
            if (truth >= forecast.Earliest.DayNumber - today - 0.5 && truth <= latest.DayNumber - today + 0.5)
                held++;
            widths.Add((latest.DayNumber - forecast.Earliest.DayNumber) / truth);
        }

        var coverage = 100.0 * held / all;
        TestContext.Current.TestOutputHelper?.WriteLine($"coverage {coverage:0.0} %, median width {Trend.Median(widths):0.00} of the true time");
        coverage.ShouldBeInRange(75, 90);
        Trend.Median(widths).ShouldBeLessThan(0.5);
    }

    [Fact]
    public void A_learner_who_does_not_grow_is_told_so_and_too_few_visits_give_no_forecast()
    {
        var flat = Forecast.For(Points([.. Enumerable.Range(0, 20).Select(i => 80 + (i % 2))]), new Bpm(120)).ShouldNotBeNull();
        flat.Latest.ShouldBeNull();
        Forecast.For(Points(80, 82, 84), new Bpm(120)).ShouldBeNull();
        Forecast.For(Points(100, 105, 110, 115, 118, 121), new Bpm(120)).ShouldBeNull("it is reached");
    }

    private static TempoPoint[] Points(params int[] clean) => [.. clean.Select((tempo, i) => new TempoPoint(Start.AddDays(i * 2), tempo, tempo + 2, tempo))];

    private static (TempoPoint[] Points, double Truth) Learner(Random random)
    {
        var noise = 0.6 + (0.8 * random.NextDouble());
        Func<double, double> skill;
        if (random.Next(3) > 0)
        {
            var (ceiling, start, pace) = (125 + (45 * random.NextDouble()), 50 + (30 * random.NextDouble()), 0.006 + (0.02 * random.NextDouble()));
            skill = day => ceiling - ((ceiling - start) * Math.Exp(-pace * day));
        }
        else
        {
            var (ceiling, start, power) = (150 + (60 * random.NextDouble()), 50 + (30 * random.NextDouble()), 0.4 + (0.4 * random.NextDouble()));
            skill = day => ceiling - ((ceiling - start) * Math.Pow(1 + (day / 12), -power));
        }

        var points = new List<TempoPoint>();
        var until = 40 + random.Next(80);
        for (double day = 0; day < until; day += 1 + random.Next(4))
        {
            var tempo = (int)Math.Round(skill(day) + (noise * Gauss(random)));
            points.Add(new TempoPoint(Start.AddDays((int)day), tempo, tempo));
        }

        var last = points[^1].Day.DayNumber - Start.DayNumber;
        double arrival = last;
        while (skill(arrival) < 120 && arrival < 2000)
            arrival++;
        return ([.. points], arrival - last);
    }

    private static double Gauss(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
