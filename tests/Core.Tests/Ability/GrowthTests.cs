using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Ability;

/// <summary>The path to a target: what is needed and where it leads cannot contradict each other (arithmetic).</summary>
public sealed class GrowthTests
{
    private static readonly DateOnly Today = new(2031, 5, 14);

    [Fact]
    public void So_many_takes_as_are_needed_lead_just_there()
    {
        foreach (var part in new[] { 0.4, 0.6, 0.8, 0.93 })
        {
            foreach (var traits in new[] { Traits.Usual, Traits.Usual with { Exposure = 100, Gained = 3 } })
            {
                var now = Reach.At(120 * part, 0.05);
                var takes = Growth.Takes(now, 120, traits);
                Growth.After(now, 120, takes, traits).Tempo.ShouldBe(120 * Growth.SafePart, 0.01);
                Growth.After(now, 120, takes / 2, traits).Tempo.ShouldBeInRange(now.Tempo, 120 * Growth.SafePart);
                Growth.After(now, 120, takes, traits).Spread.ShouldBeGreaterThan(now.Spread, "a forecast is a range");
            }
        }

        Growth.Takes(Reach.At(118, 0.05), 120, Traits.Usual).ShouldBe(0);
        Growth.Takes(Reach.At(60, 0.05), 120, Traits.Usual).ShouldBeGreaterThan(Growth.Takes(Reach.At(90, 0.05), 120, Traits.Usual) * 1.5);
    }

    /// <summary>Eleven minutes that fit with hours to spare, beside a target that is not in sight: so it must not be again.</summary>
    [Fact]
    public void The_sum_of_a_performance_goes_by_what_can_be_played()
    {
        PerformancePlan Plan(double part)
        {
            var piece = new Material
            {
                Id = 1,
                Kind = MaterialKind.Piece,
                Area = Area.Repertoire,
                Title = "Kite",
                ToBar = 40,
                Target = new Bpm(144),
                HasPassages = true,
                Performance = Today.AddDays(20),
                PerformanceSet = Today,
            };
            var passages = Enumerable
                .Range(10, 4)
                .Select(id => new Material
                {
                    Id = id,
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    Title = $"Kite, {id}",
                    Group = 1,
                    Target = new Bpm(144),
                    Readiness = Readiness.Shaping,
                    Visits = 6,
                    LastVisit = Today.AddDays(-1),
                    Reach = Reach.At(144 * part, 0.05),
                    Performance = piece.Performance,
                });
            return Performances.All([piece, .. passages], Today, 8, Traits.Usual).Single();
        }

        Plan(0.55).PassageMinutes.ShouldBeGreaterThan(Plan(0.9).PassageMinutes * 2);
        Plan(0.55).Fits.ShouldBeFalse("rated taking shape, and at 55 % of its tempo");
        Plan(0.55).LeaveOut.ShouldNotBeEmpty();
        Plan(0.97).Fits.ShouldBeTrue();
    }

    [Fact]
    public void Ratings_are_asked_about_when_the_takes_say_something_else()
    {
        var passage = new Material
        {
            Id = 7,
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Title = "Kite, 16–19",
            Target = new Bpm(100),
            Readiness = Readiness.Shaping,
        };
        FirstTake First(bool clean, int tempo) => new(clean, new Bpm(tempo));
        RatingQuestions.Of(passage, [First(true, 93), First(true, 92)])!.Proposed.ShouldBe(Readiness.Ready);
        RatingQuestions.Of(passage, [First(true, 93), First(true, 91)]).ShouldBeNull("91 is below 92 % of its target");
        RatingQuestions.Of(passage, [First(true, 100), First(false, 95)]).ShouldBeNull();
        RatingQuestions
            .Of(passage with { Readiness = Readiness.Raw }, [First(true, 50), First(true, 52)])!
            .Proposed.ShouldBe(Readiness.Shaping);
        RatingQuestions
            .Of(passage with { Readiness = Readiness.Ready }, [First(false, 100), First(true, 100), First(false, 100)])!
            .Proposed.ShouldBe(Readiness.Shaping);
        RatingQuestions
            .Of(passage with { Readiness = Readiness.Ready }, [First(true, 100), First(true, 100), First(true, 100)])
            .ShouldBeNull();
    }
}
