using CsCheck;
using Shouldly;
using TuningFork.Core.Planning;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>The hour at which one likes to play, between what is taken.</summary>
public sealed class BusyTimesTests
{
    private static TimeOnly At(int hour, int minute = 0) => new(hour, minute);

    [Fact]
    public void The_nearest_free_start_is_found()
    {
        IReadOnlyList<Busy> busy = [new(At(18), At(20), "choir"), new(At(20, 15), At(21), "call")];
        BusyTimes.Free(At(17), 60, busy).ShouldBe(At(17), "it ends as the choir begins");
        BusyTimes.Free(At(18, 30), 60, busy).ShouldBe(At(17));
        BusyTimes.Free(At(20, 30), 30, busy).ShouldBe(At(21));
        BusyTimes.Say(At(20, 30), 30, busy).ShouldBe("20:30 is taken by call; 21:00 is free.");
        BusyTimes.Say(At(21), 30, busy).ShouldBeEmpty();
        BusyTimes.Say(At(12), 60, [new(At(0), At(23, 59), "all day")]).ShouldContain("no 60 minutes are free");
    }

    [Fact]
    public void What_is_found_never_lies_in_what_is_taken()
    {
        var stretch = Gen.Select(Gen.Int[0, 1438], Gen.Int[0, 300])
            .Select((from, length) => new Busy(At(0).AddMinutes(from), At(0).AddMinutes(Math.Min(1439, from + length)), "x"));
        Gen.Select(Gen.Int[0, 1439], Gen.Int[5, 60], stretch.List[0, 8])
            .Sample(
                (wished, minutes, busy) =>
                {
                    var free = BusyTimes.Free(At(0).AddMinutes(wished), minutes, busy);
                    (BusyTimes.Say(At(0).AddMinutes(wished), minutes, busy).Length == 0).ShouldBe(free == At(0).AddMinutes(wished));
                    if (free is not { } start)
                        return;
                    var (from, until) = (start.ToTimeSpan().TotalMinutes, start.ToTimeSpan().TotalMinutes + minutes);
                    busy.ShouldAllBe(one =>
                        one.From == one.Until || until <= one.From.ToTimeSpan().TotalMinutes || from >= one.Until.ToTimeSpan().TotalMinutes
                    );
                }
            );
    }
}
