using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>The delay of a room, from what a microphone hears of the click or of claps.</summary>
public sealed class RoomDelayTests
{
    private const int Rate = 48_000;
    private const double First = 3;
    private const double Every = 60.0 / RoomDelay.Tempo;

    /// <summary>From wired loudspeakers to headphones without a wire (orders of size: common practice).</summary>
    [Theory]
    [InlineData(3)]
    [InlineData(45)]
    [InlineData(320)]
    public void The_click_itself_is_heard_as_late_as_it_comes(double lateMs)
    {
        var sound = Clicks(lateMs, 0);
        var delay = RoomDelay.Of(Heard(sound), First, byClaps: false);
        delay.Ms!.Value.Value.ShouldBe(lateMs, 2);
        delay.Ms.Value.PlusMinus.ShouldBe(TakeTiming.Finest, "no figure is more exact than it is");
        delay.Words.ShouldContain("after it here");
    }

    [Fact]
    public void Claps_leave_more_room_for_what_nobody_notices_of_his_own_hands()
    {
        var delay = RoomDelay.Of(Heard(Clicks(90, jitterMs: 15)), First, byClaps: true);
        delay.Ms!.Value.Value.ShouldBe(90, 12);
        delay.Ms.Value.PlusMinus.ShouldBeInRange(25, 35);
    }

    [Fact]
    public void What_cannot_be_told_says_what_to_do()
    {
        RoomDelay
            .Of([], First, byClaps: false)
            .ShouldSatisfyAllConditions(none => none.Ms.ShouldBeNull(), none => none.Words.ShouldContain("Turn the click up"));
        RoomDelay.Of([], First, byClaps: true).Words.ShouldContain("Clap louder");
        // The click from a loudspeaker and the claps beside it.
        double[] twice = [.. Moments(20).Concat(Moments(240)).Order()];
        RoomDelay
            .Of(twice, First, byClaps: true)
            .ShouldSatisfyAllConditions(both => both.Ms.ShouldBeNull(), both => both.Words.ShouldContain("headphones"));
        // Here and there, and not with the click.
        var random = new Random(4);
        double[] anywhere = [.. Moments(0).Select(at => at + (0.11 * random.NextDouble()))];
        RoomDelay.Of([.. anywhere.Take(9)], First, byClaps: true).Ms.ShouldBeNull();
    }

    [Fact]
    public void A_noisy_room_is_no_hindrance()
    {
        var sound = Clicks(45, 0);
        SimulatedInstrument.AddNoise(sound, 3);
        RoomDelay.Of(Heard(sound), First, byClaps: false).Ms!.Value.Value.ShouldBe(45, 3);
        // Noise alone is no click.
        var noise = new float[15 * Rate];
        var random = new Random(5);
        foreach (ref var sample in noise.AsSpan())
            sample = (float)(0.2 * ((2 * random.NextDouble()) - 1));
        Heard(noise).ShouldBeEmpty();
    }

    [Fact]
    public void A_chair_and_an_echo_move_nothing()
    {
        double[] heard = [.. Moments(60).Concat([First + 0.4, First + 5.55]).Concat(Moments(60 + 95).Take(7)).Order()];
        RoomDelay.Of(heard, First, byClaps: false).Ms!.Value.Value.ShouldBe(60, 0.001);
    }

    private static IEnumerable<double> Moments(double lateMs) =>
        Enumerable.Range(0, RoomDelay.Clicks).Select(beat => First + (beat * Every) + (lateMs / 1000));

    /// <summary>Clicks as the page makes them: a decaying tone, the first of four higher.</summary>
    private static float[] Clicks(double lateMs, double jitterMs)
    {
        var samples = new float[(int)((First + (RoomDelay.Clicks * Every) + 1) * Rate)];
        var random = new Random(2);
        foreach (var (moment, beat) in Moments(lateMs).Select((moment, beat) => (moment, beat)))
        {
            var at = moment + (jitterMs * ((2 * random.NextDouble()) - 1) * Math.Sqrt(3) / 1000);
            Line.AddClick(samples, Rate, at, Line.ClickHertz(beat), 0.4);
        }

        return samples;
    }

    private static IReadOnlyList<double> Heard(float[] sound) => Strokes.Of(sound, Rate, RoomDelay.Clicks);
}
