using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>
/// Takes of a player whose notes scatter and who waits before one of them, drawn from a distribution that is known: what is claimed is held
/// against what was asked for.
/// </summary>
public sealed class StepHabitTests
{
    private const int Notes = 16;

    [Fact]
    public void A_step_that_is_late_in_each_take_is_found_in_its_place_and_by_as_much()
    {
        var found = Enumerable
            .Range(0, 200)
            .Select(seed => StepHabit.Of(Takes(seed, 5, jitterMs: 10, (take, note) => note >= 9 ? 50 : 0)))
            .ToList();
        found.Count(habit => habit is not null && Math.Abs(habit.At - At(9)) < 1e-9).ShouldBeGreaterThan(190);
        found.OfType<StepHabit>().Average(habit => habit.LateMs.Value).ShouldBe(50, 3);
        found.OfType<StepHabit>().ShouldAllBe(habit => habit.Takes >= 3);
    }

    [Theory]
    [InlineData(3, 12)]
    [InlineData(5, 12)]
    [InlineData(5, 35)]
    public void Of_a_player_who_only_scatters_nothing_is_claimed(int takes, double jitterMs)
    {
        Enumerable
            .Range(0, 300)
            .Count(seed => StepHabit.Of(Takes(seed, takes, jitterMs, (_, _) => 0)) is not null)
            .ShouldBeLessThanOrEqualTo(300 * 4 / 100);
    }

    [Fact]
    public void Once_is_no_habit_and_neither_is_a_step_that_comes_early()
    {
        // From that note on all are late: one wait, in one take.
        StepHabit.Of(Takes(1, 5, 8, (take, note) => take == 0 && note >= 9 ? 400 : 0)).ShouldBeNull();
        StepHabit.Of(Takes(1, 5, 8, (_, note) => note >= 9 ? -50 : 0)).ShouldBeNull();
        StepHabit.Of([]).ShouldBeNull();
        StepHabit.Of(Takes(1, 1, 8, (_, note) => note >= 9 ? 50 : 0)).ShouldBeNull();
    }

    [Fact]
    public void Notes_that_were_not_heard_leave_no_step_behind_them()
    {
        // The note before the late one is missing in three of five takes: two are too few.
        var takes = Takes(1, 5, 8, (_, note) => note >= 9 ? 60 : 0);
        StepHabit.Of([.. takes.Select((take, i) => i < 3 ? take.Where(note => note.At != At(8)).ToList() : take)]).ShouldBeNull();
    }

    private static double At(int note) => Math.Round(note / (Notes - 1.0), 3);

    private static List<List<(double At, int LateMs)>> Takes(int seed, int takes, double jitterMs, Func<int, int, double> lateMs)
    {
        var random = new Random(seed);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        return
        [
            .. Enumerable
                .Range(0, takes)
                .Select(take =>
                    Enumerable
                        .Range(0, Notes)
                        .Select(note => (At(note), (int)Math.Round(lateMs(take, note) + (jitterMs * Normal()))))
                        .ToList()
                ),
        ];
    }
}
