using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Repertoire;
using Xunit;

namespace TuningFork.Core.Tests.Repertoire;

/// <summary>What is heard of several takes says what is missing, once it comes again.</summary>
public sealed class HeardCausesTests
{
    private static readonly HeardSign Steady = new(null, false, 4);

    [Fact]
    public void What_comes_again_is_a_cause_with_what_helps()
    {
        var rushes = Steady with { DriftMs = -32 };
        var heard = Of([rushes, Steady, rushes with { DriftMs = -45 }, rushes])!;
        heard.Cause.Name.ShouldBe("rushing");
        heard.Words.ShouldBe("3 of the last 4 takes rush, by 32 ms from beginning to end.");
        Of([.. Enumerable.Repeat(Steady with { DriftMs = 60 }, 3)])!.Cause.Name.ShouldBe("still too fast for it");
        Of([.. Enumerable.Repeat(Steady with { IsUneven = true }, 3)])!.Cause.Name.ShouldBe("fingers uneven");
        Of([.. Enumerable.Repeat(Steady with { OffCents = 22 }, 4)])!
            .ShouldSatisfyAllConditions(
                one => one.Cause.Name.ShouldBe("out of tune"),
                one => one.Words.ShouldBe("4 of the last 4 takes are beside the pitch by 22 cents.")
            );
    }

    [Fact]
    public void Once_is_no_cause_and_what_was_mended_is_none_any_more()
    {
        var rushes = Steady with { DriftMs = -50 };
        Of([]).ShouldBeNull();
        Of([rushes, rushes]).ShouldBeNull();
        Of([rushes, rushes, rushes, Steady, Steady, Steady]).ShouldBeNull();
        Of([.. Enumerable.Repeat(Steady with { DriftMs = -12 }, 5)]).ShouldBeNull("too little to work on");
    }

    [Fact]
    public void A_step_that_comes_late_is_told_before_everything_else()
    {
        var step = new HeardStep(new StepHabit(0.5, new Estimate(41.6, 12), 4), "to F♯5 in bar 6");
        var heard = HeardCauses.Of([.. Enumerable.Repeat(Steady with { IsUneven = true }, 4)], step, place: null)!;
        heard.Cause.Name.ShouldBe("one change of fingers");
        heard.Words.ShouldBe("The step to F♯5 in bar 6 comes late by 42 ms (± 12) in 4 takes.");
    }

    [Fact]
    public void What_comes_in_bar_after_bar_is_no_single_step()
    {
        var place = new HeardPlace(new PlaceHabit(0.375, new Estimate(-31.6, 8), 4), "on 2 and");
        var step = new HeardStep(new StepHabit(0.5, new Estimate(41.6, 12), 4), "to F♯5 in bar 6");
        var heard = HeardCauses.Of([Steady, Steady, Steady, Steady], step, place)!;
        heard.Cause.Name.ShouldBe("rhythm not clear");
        heard.Words.ShouldBe("Notes on 2 and come early by 32 ms (± 8) beside the others in 4 takes.");
        var rushes = Enumerable.Repeat(Steady with { DriftMs = -60 }, 4).ToList();
        HeardCauses.Of(rushes, step: null, place)!.Cause.Name.ShouldBe("rushing", "its bars end early as well");
    }

    private static HeardCause? Of(IReadOnlyList<HeardSign> takes) => HeardCauses.Of(takes, step: null, place: null);
}
