using Shouldly;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Tempo;

/// <summary>The schools of the click: always, not at first, fewer and fewer (common practice).</summary>
public sealed class ClickSchoolsTests
{
    [Fact]
    public void The_school_says_whether_it_starts_and_a_hand_overrules_it()
    {
        Of(ClickSchool.Always).Starts.ShouldBeTrue();
        Of(ClickSchool.ByKey).Starts.ShouldBeFalse();
        Of(ClickSchool.NotAtFirst, daysKnown: null).Starts.ShouldBeFalse();
        Of(ClickSchool.NotAtFirst, daysKnown: 13).Word.ShouldBe("new: no click yet");
        Of(ClickSchool.NotAtFirst, daysKnown: 14).Starts.ShouldBeTrue();
        foreach (var school in Enum.GetValues<ClickSchool>())
        {
            ClickSchools.Of(school, true, 4, null, ClickSchools.Steps).Starts.ShouldBeTrue();
            ClickSchools.Of(school, false, 4, 100, 0).Starts.ShouldBeFalse();
        }
    }

    [Theory]
    [InlineData("", 0)]
    [InlineData("+", 0)]
    [InlineData("++", 1)]
    [InlineData("++++", 2)]
    [InlineData("++-", 0)]
    [InlineData("++++-+", 1)]
    [InlineData("++++++++", 4)]
    [InlineData("++++++++++++-", 3)]
    [InlineData("---++", 1)]
    public void A_step_after_two_clean_visits_and_back_after_a_miss(string visits, int step) =>
        ClickSchools.WeanStep(visits.Select(one => one == '+')).ShouldBe(step);

    [Fact]
    public void Weaned_it_is_heard_less_and_less_in_every_bar_there_is()
    {
        foreach (var beats in Enumerable.Range(1, 12))
        {
            var heard = Enumerable
                .Range(0, ClickSchools.Steps)
                .Select(step => ClickSchools.Of(ClickSchool.Weaning, null, beats, 100, step))
                .Select(click => (double)click.Cycle.Clicks.Count / click.Cycle.Beats)
                .ToList();
            heard.Zip(heard.Skip(1)).ShouldAllBe(pair => pair.Second <= pair.First, $"{beats} beats");
            heard[0].ShouldBe(1);
            heard[^1].ShouldBe(1.0 / (2 * beats), 1e-9, "the first of every other bar");
            var none = ClickSchools.Of(ClickSchool.Weaning, null, beats, 100, ClickSchools.Steps);
            (none.Starts, none.Word).ShouldBe((false, "no click any more"));
        }

        ClickSchools.Of(ClickSchool.Weaning, null, 4, 100, 1).Cycle.Clicks.Select(click => click.At).ShouldBe([1, 3]);
        ClickSchools.Of(ClickSchool.Weaning, null, 3, 100, 1).Cycle.Clicks.Select(click => click.At).ShouldBe([0], "no 2 and 4 in three");
    }

    private static DrillClick Of(ClickSchool school, int? daysKnown = 100) => ClickSchools.Of(school, null, 4, daysKnown, 0);
}
