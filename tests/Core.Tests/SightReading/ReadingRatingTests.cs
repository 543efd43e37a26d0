using Shouldly;
using TuningFork.Core.SightReading;
using Xunit;

namespace TuningFork.Core.Tests.SightReading;

/// <summary>
/// Levels find made-up readers whose chances share nothing with the rating: Weibull curves with lapses, a step for each strand, and a
/// form of the day. The aim is five bars of six (an up-and-down rule that settles at 79 to 84 %: Levitt 1971, from memory).
/// </summary>
public sealed class ReadingRatingTests
{
    private const int Readers = 300;

    [Fact]
    public void Made_up_readers_are_found_by_strand()
    {
        var (overall, some, most, later) = (0, 0, 0, 0);
        double right = 0;
        double bias = 0;
        for (var reader = 0; reader < Readers; reader++)
        {
            var random = new Random(reader);
            var centre = 2 + (8 * random.NextDouble());
            var truth = Enum.GetValues<Strand>()
                .ToDictionary(strand => strand, _ => Math.Clamp(centre + (2.5 * ((2 * random.NextDouble()) - 1)), 1, 12));
            var rating = ReadingRating.Beginning;
            Strand? last = null;
            for (var reading = 1; reading <= 100; reading++)
            {
                var (asked, levels) = rating.Next(last);
                last = asked;
                var bars = levels.Rhythm < 3 ? 4 : 8;
                var form = reader % 3 == 2 ? 0.5 * ((2 * random.NextDouble()) - 1) : 0;
                var on = Enumerable.Range(0, bars).Count(_ => random.NextDouble() < Chance(truth, levels, form, reader % 2 == 0));
                rating = rating.After(levels, bars, on);
                if (reading > 40)
                    right += (double)on / bars / 60;
                if (reading == 10)
                    overall += Math.Abs(rating.Overall - truth.Values.Average()) <= 1 ? 1 : 0;
                if (reading == 30)
                    some += truth.Count(pair => Math.Abs(rating[pair.Key].Level - pair.Value) <= 1);
                if (reading == 60)
                    most += truth.Count(pair => Math.Abs(rating[pair.Key].Level - pair.Value) <= 1);
                if (reading == 100)
                    bias += (rating.Overall - truth.Values.Average()) / Readers;
                if (reading == 100)
                    later += truth.Count(pair => Math.Abs(rating[pair.Key].Level - pair.Value) <= 1);
            }
        }

        double strands = Readers * 4;
        var said =
            $"{overall / (double)Readers:0.00} {some / strands:0.00} {most / strands:0.00} {later / strands:0.00} right {right / Readers:0.000} bias {bias:0.00}";
        (overall / (double)Readers).ShouldBeGreaterThan(0.7, said);
        (some / strands).ShouldBeGreaterThan(0.7, said);
        (most / strands).ShouldBeGreaterThan(0.8, said);
        (later / strands).ShouldBeGreaterThan(0.8, said);
        (right / Readers).ShouldBe(ReadingRating.Aim, 0.05, said);
    }

    [Fact]
    public void The_weak_strand_is_asked_most_and_none_twice_running()
    {
        var rating = new ReadingRating([7, 3, 7, 7], [.. Enumerable.Range(0, 16).Select(i => i % 5 == 0 ? 0.4 : 0)]);
        rating.Next(null).Asked.ShouldBe(Strand.Rhythm);
        rating.Next(Strand.Rhythm).Asked.ShouldNotBe(Strand.Rhythm);
        rating.Next(Strand.Rhythm, pitched: false).Asked.ShouldBe(Strand.Rhythm);
        var (_, levels) = rating.Next(null);
        (levels.Keys, levels.Range, levels.Texture).ShouldBe((4, 4, 4), "the others three below");
    }

    [Fact]
    public void More_right_is_never_less_and_says_more_of_what_was_asked()
    {
        var rating = ReadingRating.From(5);
        var levels = ReadingLevels.Asking(Strand.Keys, 5, _ => 5);
        var ratings = Enumerable.Range(0, 9).Select(right => rating.After(levels, 8, right)).ToList();
        ratings.Select(one => one[Strand.Keys].Level).ShouldBeInOrder();
        ratings[0][Strand.Keys].Level.ShouldBeLessThan(5);
        ratings[8][Strand.Keys].Level.ShouldBeGreaterThan(5);
        (5 - ratings[5][Strand.Rhythm].Level).ShouldBeLessThan(5 - ratings[5][Strand.Keys].Level);
        ratings[4][Strand.Keys].Spread.ShouldBeLessThan(rating[Strand.Keys].Spread);
        Should.Throw<ArgumentOutOfRangeException>(() => rating.After(levels, 4, 5));
    }

    /// <summary>A Weibull curve or steps in the odds, five in six at one's own level, three slips in a hundred.</summary>
    private static double Chance(IReadOnlyDictionary<Strand, double> truth, ReadingLevels levels, double form, bool weibull)
    {
        var part = 0.985;
        foreach (var (strand, level) in truth)
        {
            var above = level + form - levels[strand];
            part *= weibull ? 1 - Math.Exp(-1.79 * Math.Pow(1.5, above)) : 1 / (1 + (0.2 * Math.Pow(0.4, above)));
        }

        return part;
    }
}
