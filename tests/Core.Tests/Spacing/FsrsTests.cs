using System.Text.Json;
using Shouldly;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Spacing;

/// <summary>Against npm's ts-fsrs 5.4.2 (FSRS-6), short-term steps and fuzz off; tests/reference/fsrs.mjs made the fixture.</summary>
public sealed class FsrsTests
{
    [Fact]
    public void Equals_the_reference_visit_by_visit_to_four_decimals()
    {
        var sequences = JsonSerializer.Deserialize<List<Sequence>>(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "reference", "fsrs.json")),
            JsonSerializerOptions.Web
        )!;
        sequences.Count.ShouldBe(120);
        foreach (var (sequence, number) in sequences.Select((sequence, number) => (sequence, number)))
        {
            Memory? memory = null;
            foreach (var visit in sequence.Visits)
            {
                var at = $"sequence {number}, gap {visit.Gap}";
                if (memory is { } known)
                    Fsrs.Retrievability(visit.Gap, known.Stability).ShouldBe(visit.Retrievability!.Value, 0.00005, at);
                Fsrs.IntervalAfter(memory, visit.Gap, (Grade)visit.Grade, sequence.Retention).ShouldBe(visit.Interval, at);
                memory = Fsrs.After(memory, visit.Gap, (Grade)visit.Grade);
                memory.Value.Stability.ShouldBe(visit.Stability, 0.00005, at);
                memory.Value.Difficulty.ShouldBe(visit.Difficulty, 0.00005, at);
            }
        }
    }

    /// <summary>By definition of stability: after so many days the chance is 90 %.</summary>
    [Fact]
    public void Stability_is_the_days_to_ninety_percent()
    {
        foreach (var stability in new[] { 0.5, 3, 40, 900 })
            Fsrs.Retrievability(stability, stability).ShouldBe(0.9, 1e-7);
        Fsrs.Interval(17, 0.9).ShouldBe(17);
        Should.Throw<ArgumentOutOfRangeException>(() => Fsrs.Interval(17, 1));
    }

    [Theory]
    [InlineData("80+", 80, 120, Grade.Good)]
    [InlineData("84+", 80, 120, Grade.Good)]
    [InlineData("111+", 112, 120, Grade.Easy)]
    [InlineData("60+ 60+ 80-", 80, 120, Grade.Again)]
    [InlineData("50- 60+ 80+", 80, 120, Grade.Good)]
    [InlineData("60+", 80, 120, Grade.Hard)]
    [InlineData("80- 80+", 80, 120, Grade.Hard)]
    [InlineData("80- 60+", 80, 120, Grade.Again)]
    [InlineData("80- 80- 80+ 80+", 80, 120, Grade.Again)]
    [InlineData("80+ 80- 80-", 80, 120, Grade.Good)]
    [InlineData("60+", 0, 120, Grade.Good)]
    public void The_grade_follows_from_the_first_take_near_reach_and_the_one_after_it(string takes, int reach, int target, Grade expected)
    {
        var tries = takes
            .Split(' ')
            .Select(take => new Try(take[^1] == '+', new Bpm(int.Parse(take[..^1], System.Globalization.CultureInfo.InvariantCulture))))
            .ToList();
        Grading.Of(tries, reach == 0 ? null : reach, new Bpm(target)).ShouldBe(expected);
    }

    [Fact]
    public void Schools_bring_things_back_as_they_say()
    {
        var day = new DateOnly(2031, 1, 10);
        var memory = new Memory(10, 5);
        int Gap(School school, Readiness readiness, bool slipped = false, DateOnly? performance = null) =>
            DueDay.Of(school, day, memory, readiness, slipped, performance).DayNumber - day.DayNumber;
        Gap(School.WideningGaps, Readiness.Shaping).ShouldBe(10);
        Gap(School.WideningGaps, Readiness.Raw).ShouldBe(1);
        Gap(School.EveryOtherDay, Readiness.Ready).ShouldBe(2);
        Gap(School.ToughestFirst, Readiness.Ready).ShouldBe(3);
        Gap(School.ToughestFirst, Readiness.Shaping).ShouldBe(1);
        foreach (var school in Enum.GetValues<School>())
            Gap(school, Readiness.Ready, slipped: true).ShouldBe(1);
        Gap(School.WideningGaps, Readiness.Ready, performance: day.AddDays(20)).ShouldBeLessThan(10);
        Gap(School.WideningGaps, Readiness.Ready, performance: day.AddDays(4)).ShouldBe(3);
        // Not yet three weeks before it now, but within them when it would come back: on their first day.
        Gap(School.WideningGaps, Readiness.Ready, performance: day.AddDays(21 + 7)).ShouldBe(7);
    }

    private sealed record Sequence(double Retention, IReadOnlyList<Visit> Visits);

    private sealed record Visit(int Gap, int Grade, double? Retrievability, double Stability, double Difficulty, int Interval);
}
