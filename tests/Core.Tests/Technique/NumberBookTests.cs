using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>A book of numbered exercises: hard ones early, the rest in order, what is done is left (common practice).</summary>
public sealed class NumberBookTests
{
    private static readonly DateOnly Day = new(2031, 5, 12);

    private readonly Dictionary<string, PartRecord> records = new(StringComparer.Ordinal);

    [Fact]
    public void Two_hard_ones_and_the_next_in_order_take_turns_and_what_is_for_later_comes_last()
    {
        var book = Book(6, (2, NumberLook.Later), (4, NumberLook.Hard), (5, NumberLook.Hard), (6, NumberLook.Hard));
        var order = new List<int>();
        for (var i = 0; i < 20; i++)
        {
            var now = book.On(records, null);
            if (now.IsOver)
                break;
            order.Add(now.Number);
            Play(now.Number, Day.AddDays(i), new Bpm(80));
        }

        // 1 and 3 have two days each, the hard ones three, and number 2 waits for all of them.
        order.Order().ShouldBe([1, 1, 2, 2, 3, 3, 4, 4, 4, 5, 5, 5, 6, 6, 6]);
        order.Take(6).Order().ShouldBe([1, 1, 4, 4, 5, 5]);
        order.TakeLast(2).ShouldBe([2, 2]);
        order.Take(8).Zip(order.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second, "they take turns");
        book.On(records, null).ShouldBe(new NumberToday(6, 6, 0, true));
    }

    [Theory]
    [InlineData(3)]
    [InlineData(60)]
    [InlineData(400)]
    public void Days_that_are_left_are_what_an_easy_life_takes(int count)
    {
        var chance = new Random(count);
        var book = Book(count, [.. Enumerable.Range(1, count).Select(number => (number, (NumberLook)chance.Next(4)))]);
        var left = book.On(records, null).DaysLeft;
        for (var i = 0; i < left; i++)
        {
            var now = book.On(records, null);
            now.DaysLeft.ShouldBe(left - i);
            Play(now.Number, Day.AddDays(i), new Bpm(80));
        }

        book.On(records, null).IsOver.ShouldBeTrue();
    }

    [Fact]
    public void What_is_not_done_after_eight_days_makes_room_and_comes_back_when_nothing_else_is_left()
    {
        var book = Book(2, (1, NumberLook.Hard), (2, NumberLook.Easy));
        for (var i = 0; i < NumberBook.StuckDays; i++)
            Play(1, Day.AddDays(i), null);
        for (var i = 0; i < 3; i++)
        {
            book.On(records, null).Number.ShouldBe(2);
            Play(2, Day.AddDays(20 + i), null);
        }

        Play(2, Day.AddDays(30), new Bpm(60));
        book.On(records, null).ShouldBe(new NumberToday(1, 1, 1, false));
    }

    [Fact]
    public void A_number_is_done_at_its_own_target_or_by_hand()
    {
        var book = new NumberBook(3)
        {
            Marks = new Dictionary<int, NumberMark>
            {
                [1] = new(NumberLook.Easy, Target: new Bpm(60)),
                [2] = new(NumberLook.Easy),
                [3] = new(Done: true),
            },
        };
        foreach (var number in new[] { 1, 2 })
            Play(number, Day, new Bpm(66));
        Enumerable.Range(1, 3).Select(number => book.IsDone(number, Of(number), new Bpm(80))).ShouldBe([true, false, true]);
        book.Unseen.ShouldBeEmpty("what is done needs no look");
        new NumberBook(0).Check()!.Value.Field.ShouldBe("numbers");
        new NumberBook(401).Check()!.Value.Problem.ShouldContain("1 to 400");
        (new NumberBook(4) { Bars = 0 }).Check()!.Value.Field.ShouldBe("bars");
    }

    private static NumberBook Book(int count, params (int Number, NumberLook Look)[] looks) =>
        new(count) { Marks = looks.ToDictionary(look => look.Number, look => new NumberMark(look.Look)) };

    private PartRecord? Of(int number) => records.GetValueOrDefault(NumberBook.KeyOf(number));

    private void Play(int number, DateOnly day, Bpm? clean) =>
        records[NumberBook.KeyOf(number)] = new PartRecord(null, (Of(number)?.Days ?? 0) + 1, day, clean ?? Of(number)?.LastClean);
}
