using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Takes whose notes scatter, and are early or late at one place of the bar by what was asked for.</summary>
public sealed class PlaceHabitTests
{
    private const int Bars = 4;
    private static readonly double[] Places = [0, 0.25, 0.375, 0.5, 0.75];

    [Theory]
    [InlineData(40)]
    [InlineData(-40)]
    public void A_place_that_is_off_in_each_take_is_found_and_by_as_much(int ms)
    {
        var found = Enumerable
            .Range(0, 200)
            .Select(seed => PlaceHabit.Of(Takes(seed, 4, 10, (_, place) => place == 0.375 ? ms : 0)))
            .ToList();
        found.Count(habit => habit?.InBar == 0.375).ShouldBeGreaterThan(190);
        // Beside the others: they are beside the mean of all by a fifth of it, the other way.
        found.OfType<PlaceHabit>().Average(habit => habit.LateMs.Value).ShouldBe(0.8 * ms, 3);
        found.OfType<PlaceHabit>().ShouldAllBe(habit => habit.Takes >= 3);
    }

    [Theory]
    [InlineData(3, 12, 0)]
    [InlineData(5, 30, 0)]
    [InlineData(5, 10, 60)]
    public void Of_a_player_who_scatters_and_rushes_evenly_nothing_is_claimed(int takes, double jitterMs, double rushMs)
    {
        Enumerable
            .Range(0, 300)
            .Count(seed => PlaceHabit.Of(Takes(seed, takes, jitterMs, (at, _) => -rushMs * at)) is not null)
            .ShouldBeLessThanOrEqualTo(300 * 4 / 100);
    }

    [Fact]
    public void Two_takes_are_no_habit_and_one_note_that_stopped_is_none()
    {
        PlaceHabit.Of([]).ShouldBeNull();
        PlaceHabit.Of(Takes(1, 2, 8, (_, place) => place == 0.5 ? 60 : 0)).ShouldBeNull();
        PlaceHabit
            .Of(Takes(1, 5, 8, (at, place) => place == 0.5 && at is > 0.3 and < 0.5 ? 150 : 0))
            .ShouldBeNull("only in one of its bars");
        // From that step on all are late.
        Enumerable
            .Range(0, 100)
            .Count(seed => PlaceHabit.Of(Takes(seed, 5, 8, (at, _) => at > 0.6 ? 60 : 0)) is not null)
            .ShouldBeLessThan(5);
    }

    private static List<List<(int Bar, double InBar, int LateMs)>> Takes(
        int seed,
        int takes,
        double jitterMs,
        Func<double, double, double> lateMs
    )
    {
        var random = new Random(seed);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        return
        [
            .. Enumerable
                .Range(0, takes)
                .Select(_ =>
                    Enumerable
                        .Range(0, Bars)
                        .SelectMany(bar => Places.Select(place => (Bar: bar, Place: place)))
                        .Select(note =>
                            (
                                note.Bar,
                                note.Place,
                                (int)Math.Round(lateMs((note.Bar + note.Place) / Bars, note.Place) + (jitterMs * Normal()))
                            )
                        )
                        .ToList()
                ),
        ];
    }
}
