using Shouldly;
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
        var heard = HeardCauses.Of([rushes, Steady, rushes with { DriftMs = -45 }, rushes])!;
        heard.Cause.Name.ShouldBe("rushing");
        heard.Words.ShouldBe("3 of the last 4 takes rush, by 32 ms from beginning to end.");
        HeardCauses.Of([.. Enumerable.Repeat(Steady with { DriftMs = 60 }, 3)])!.Cause.Name.ShouldBe("still too fast for it");
        HeardCauses.Of([.. Enumerable.Repeat(Steady with { IsUneven = true }, 3)])!.Cause.Name.ShouldBe("fingers uneven");
        HeardCauses
            .Of([.. Enumerable.Repeat(Steady with { OffCents = 22 }, 4)])!
            .ShouldSatisfyAllConditions(
                one => one.Cause.Name.ShouldBe("out of tune"),
                one => one.Words.ShouldBe("4 of the last 4 takes are beside the pitch by 22 cents.")
            );
    }

    [Fact]
    public void Once_is_no_cause_and_what_was_mended_is_none_any_more()
    {
        var rushes = Steady with { DriftMs = -50 };
        HeardCauses.Of([]).ShouldBeNull();
        HeardCauses.Of([rushes, rushes]).ShouldBeNull();
        HeardCauses.Of([rushes, rushes, rushes, Steady, Steady, Steady]).ShouldBeNull();
        HeardCauses.Of([.. Enumerable.Repeat(Steady with { DriftMs = -12 }, 5)]).ShouldBeNull("too little to work on");
    }
}
