using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>Ways through the keys, over simulated weeks with days off.</summary>
public sealed class KeyPlanTests
{
    private static readonly DateOnly Start = new(2031, 3, 3);

    [Fact]
    public void The_orders_are_those_of_the_line_of_fifths_and_of_half_steps()
    {
        Names(new KeyPlan(Order: KeyOrder.Fourths)).ShouldBe(["C", "F", "Bb", "Eb", "Ab", "Db", "Gb", "B", "E", "A", "D", "G"]);
        Names(new KeyPlan(Order: KeyOrder.Fifths)).Take(4).ShouldBe(["C", "G", "D", "A"]);
        Names(new KeyPlan(Order: KeyOrder.HalfSteps)).Take(4).ShouldBe(["C", "Db", "D", "Eb"]);
        new KeyPlan(WithMinors: true).Keys().Count.ShouldBe(24);
        new KeyPlan(Minor: true).Keys()[0].ToString().ShouldBe("A minor");
        foreach (var order in Enum.GetValues<KeyOrder>())
            new KeyPlan(Order: order).Keys(3).Select(key => key.Tonic.PitchClass).Order().ShouldBe(Enumerable.Range(0, 12));
    }

    [Theory]
    [InlineData(KeyOrder.Fourths, 6, false)]
    [InlineData(KeyOrder.Fifths, 10, false)]
    [InlineData(KeyOrder.HalfSteps, 4, true)]
    [InlineData(KeyOrder.Shuffled, 6, true)]
    [InlineData(KeyOrder.Shuffled, 30, false)]
    public void Several_a_day_cover_all_keys_in_time_and_no_day_begins_where_the_last_one_did(KeyOrder order, int minutes, bool withMinors)
    {
        var plan = new KeyPlan(KeySchool.SeveralADay, order, withMinors);
        var days = Simulate(plan, minutes, 60).ToList();
        days.ShouldAllBe(day => day.Count == plan.KeysADay(minutes) && day.Distinct().Count() == day.Count);
        var cover = plan.DaysToCover(minutes);
        cover.ShouldBe((int)Math.Ceiling((withMinors ? 24.0 : 12.0) / plan.KeysADay(minutes)));
        for (var from = 0; from + cover <= days.Count; from += cover)
            days.Skip(from)
                .Take(cover)
                .SelectMany(day => day)
                .Distinct()
                .Count()
                .ShouldBe(withMinors ? 24 : 12, $"days {from} to {from + cover}");
        days.Zip(days.Skip(1)).ShouldAllBe(pair => pair.First[0] != pair.Second[0]);
    }

    [Fact]
    public void One_a_day_goes_on_where_it_was_and_one_a_week_stays_a_week()
    {
        var daily = Simulate(new KeyPlan(KeySchool.OneADay, KeyOrder.Fourths), 10, 24)
            .Select(day => day.ShouldHaveSingleItem().Tonic.ToString())
            .ToList();
        daily.ShouldBe([.. Names(new KeyPlan()), .. Names(new KeyPlan())]);
        var weekly = Simulate(new KeyPlan(KeySchool.OneAWeek, KeyOrder.Fourths), 10, 42, daysOff: false)
            .Select(day => day.ShouldHaveSingleItem().Tonic.ToString())
            .ToList();
        weekly.Chunk(7).ShouldAllBe(week => week.Distinct().Count() == 1);
        weekly.Distinct().ShouldBe(["C", "F", "Bb", "Eb", "Ab", "Db"]);
    }

    [Fact]
    public void After_a_gap_the_key_that_has_waited_longest_comes_first()
    {
        var plan = new KeyPlan(KeySchool.OneADay);
        KeyRecord[] known = [.. plan.Keys().Select((key, i) => new KeyRecord(key, Start.AddDays(i == 4 ? -40 : i), Start, false))];
        plan.Today(known, Start.AddDays(30), 5).ShouldHaveSingleItem().ToString().ShouldBe("Ab major");
    }

    private static List<string> Names(KeyPlan plan) => [.. plan.Keys().Select(key => key.Tonic.ToString())];

    /// <summary>Plays the plan day by day, every fifth day off.</summary>
    private static IEnumerable<IReadOnlyList<Key>> Simulate(KeyPlan plan, int minutes, int days, bool daysOff = true)
    {
        var known = new Dictionary<Key, KeyRecord>();
        for (var (played, date) = (0, Start); played < days; date = date.AddDays(1))
        {
            if (daysOff && date.DayNumber % 5 == 0)
                continue;
            var today = plan.Today([.. known.Values], date, minutes, seed: 11);
            foreach (var key in today)
            {
                var first =
                    known.TryGetValue(key, out var before) && date.DayNumber - before.FirstDay.DayNumber < 7 ? before.FirstDay : date;
                known[key] = new KeyRecord(key, date, first, key == today[0]);
            }

            played++;
            yield return today;
        }
    }
}
