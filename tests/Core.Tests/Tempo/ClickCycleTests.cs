using Shouldly;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Tempo;

public sealed class ClickCycleTests
{
    [Fact]
    public void Groups_accent_their_first_beats()
    {
        Levels(new ClickWish { Beats = 7, Groups = [3, 2, 2] }).ShouldBe("3112121");
        Levels(new ClickWish { Beats = 16, Groups = [4, 4, 4, 4] }).ShouldBe("3111211121112111");
        Levels(new ClickWish { Beats = 3 }).ShouldBe("311");
    }

    [Fact]
    public void Parts_of_a_beat_lie_evenly_between_the_beats()
    {
        for (var parts = 1; parts <= 6; parts++)
        {
            var cycle = Made(new ClickWish { Beats = 5, Subdivision = parts });
            cycle.Clicks.Count.ShouldBe(5 * parts);
            foreach (var (click, i) in cycle.Clicks.Select((click, i) => (click, i)))
                click.At.ShouldBe((double)i / parts, 1e-12);
        }
    }

    [Fact]
    public void A_weaning_click_leaves_out_beats_and_bars_and_keeps_the_length()
    {
        Made(new ClickWish { Beats = 4, On = ClickOn.TwoAndFour }).Clicks.Select(click => click.At).ShouldBe([1, 3]);
        Made(new ClickWish { Beats = 4, On = ClickOn.FirstOfBar }).Clicks.Select(click => click.At).ShouldBe([0]);
        var nth = Made(new ClickWish { Beats = 3, EveryNthBar = 4 });
        (nth.Beats, nth.Clicks.Count).ShouldBe((12, 3));
        var gap = Made(
            new ClickWish
            {
                Beats = 4,
                SoundBars = 2,
                SilentBars = 1,
            }
        );
        (gap.Beats, gap.Clicks.Count, gap.Clicks[^1].At).ShouldBe((12, 8, 7));
    }

    [Fact]
    public void Each_beat_can_be_touched_by_itself()
    {
        var own = new ClickWish
        {
            Beats = 5,
            Groups = [3, 2],
            Subdivision = 2,
            Touches = [BeatTouch.Loud, BeatTouch.Silent, BeatTouch.Soft, BeatTouch.Loud, BeatTouch.Silent],
        };
        Made(own).Clicks.Select(click => (click.At, click.Level)).ShouldBe([(0, 3), (0.5, 0), (2, 1), (2.5, 0), (3, 2), (3.5, 0)]);
        Made(own).Beats.ShouldBe(5);
        string.Join(' ', ClickCycle.TouchesOf(own with { Touches = [] })).ShouldBe("Loud Soft Soft Loud Soft");
        string.Join(' ', ClickCycle.TouchesOf(new ClickWish { On = ClickOn.TwoAndFour })).ShouldBe("Silent Soft Silent Soft");
        Problem(own with { Beats = 4, Groups = [] }).Field.ShouldBe("touches");
        Problem(own with { Touches = [.. Enumerable.Repeat(BeatTouch.Silent, 5)] }).Remedy.ShouldStartWith("At least one beat");
    }

    [Fact]
    public void What_does_not_add_up_is_said_with_the_sum()
    {
        Problem(new ClickWish { Beats = 7, Groups = [3, 2, 3] })
            .ShouldBe(("groups", "3 + 2 + 3 makes 8 and the bar has 7 beats. Change the groups or the bar until they agree."));
        Problem(new ClickWish { Beats = 0 }).Field.ShouldBe("beats");
        Problem(new ClickWish { Subdivision = 7 }).Field.ShouldBe("subdivision");
        Problem(new ClickWish { Beats = 3, On = ClickOn.TwoAndFour }).Field.ShouldBe("on");
        Problem(new ClickWish { SilentBars = 2 }).Field.ShouldBe("soundBars");
    }

    private static string Levels(ClickWish wish) => string.Concat(Made(wish).Clicks.Select(click => click.Level));

    private static ClickCycle Made(ClickWish wish) => ClickCycle.Of(wish, out _).ShouldNotBeNull();

    private static (string Field, string Remedy) Problem(ClickWish wish)
    {
        ClickCycle.Of(wish, out var problem).ShouldBeNull();
        return problem.ShouldNotBeNull();
    }
}
