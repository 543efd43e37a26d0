using CsCheck;
using Shouldly;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Tempo;

public sealed class TempoTrendTests
{
    private static readonly DateOnly Start = new(2031, 1, 6);

    /// <summary>
    /// Worked by hand: the ten slopes of five points, their median; S of a rising row of five is 10 (statistics texts, from memory).
    /// </summary>
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
        Gen.Select(Gen.Double[-3, 3], Gen.Double[-50, 50], Gen.Int[0, 11])
            .Sample(
                (slope, start, outlier) =>
                    Trend
                        .TheilSen([.. Enumerable.Range(0, 12).Select(i => ((double)i, start + (slope * i) + (i == outlier ? 1000 : 0)))])
                        .ShouldBe(slope, 1e-6)
            );

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
        Plateau
            .Look(
                [.. Points(70, 74, 78, 82, 84), .. Points(84, 84, 84, 84, 84, 84).Select(point => point with { Slow = true })],
                reached: false
            )
            .IsStuck.ShouldBeFalse("slow work says nothing");
        Plateau.Look(Points(80, 80, 80), reached: false).IsStuck.ShouldBeFalse("too few visits to say");
        Plateau.Look(Points(80, 80, 80, 80, 80, 80, 80, 80), reached: false, tense: true).Remedies[0].Title.ShouldBe("Step down");
        Plateau.Look(Points(90, 88, 87, 86, 84, 83, 82, 80), reached: false).Reason.ShouldStartWith("It has sunk by about");
    }

    private static TempoPoint[] Points(params int[] clean) =>
        [.. clean.Select((tempo, i) => new TempoPoint(Start.AddDays(i * 2), tempo, tempo + 2, tempo))];
}
