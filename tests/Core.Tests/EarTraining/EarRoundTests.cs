using Shouldly;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Spacing;
using Xunit;

namespace TuningFork.Core.Tests.EarTraining;

/// <summary>Rounds lived through with made-up ears (common practice: what is due, what is confused, a little new).</summary>
public sealed class EarRoundTests
{
    private static readonly DateOnly Start = new(2031, 5, 14);

    /// <summary>A player of an ear: knows for how long after an answer each item is kept, and what is taken for what.</summary>
    private sealed class Ear(int seed, bool pitched = true)
    {
        private readonly Random random = new(seed);

        public Dictionary<string, EarStanding> Known { get; } = new(StringComparer.Ordinal);
        public List<(DateOnly Day, EarAnswer Answer, EarChoice Choice)> All { get; } = [];

        /// <summary>Always takes the first for the second.</summary>
        public (string Is, string For)? Mistake { get; init; }

        public double Skill { get; init; } = 0.9;

        /// <summary>What is never right.</summary>
        public string Never { get; init; } = "";

        public EarChoice Ask(DateOnly day, IReadOnlyList<string>? only = null)
        {
            var today = All.Where(one => one.Day == day).Select(one => one.Answer).ToList();
            var counts = All.Where(one => one.Answer.Said is not null && one.Day >= day.AddDays(-Confusions.Days))
                .GroupBy(one => (one.Answer.Item, one.Answer.Said!))
                .Select(group => (group.Key.Item1, group.Key.Item2, group.Count()))
                .ToList();
            var request = new EarRequest(EarItems.For(pitched), Known, today, Confusions.Of(counts), day, random.Next())
            {
                Only = only ?? [],
                RightLately = EarRound.RightLately(All.Select(one => one.Answer)),
            };
            return EarRound.Next(request)!;
        }

        public EarAnswer Answer(DateOnly day, EarChoice choice)
        {
            var wrong = Mistake is { } mistake && mistake.Is == choice.Item.Key && choice.Alternatives.Any(one => one.Key == mistake.For);
            var right = !wrong && choice.Item.Key != Never && random.NextDouble() < Skill;
            var said =
                right ? choice.Item
                : wrong ? EarItems.Find(Mistake!.Value.For)!
                : choice.Alternatives.First(one => one != choice.Item);
            var answer = new EarAnswer(choice.Item.Key, said.Key, right, 3);
            All.Add((day, answer, choice));
            var grade = EarMemory.GradeOf(answer, choice.Alternatives.Count, 3);
            Known[answer.Item] = EarMemory.After(Known.GetValueOrDefault(answer.Item), answer, grade, day);
            return answer;
        }

        public void Live(int days, int questions)
        {
            for (var day = 0; day < days; day++)
            {
                for (var i = 0; i < questions; i++)
                    Answer(Start.AddDays(day), Ask(Start.AddDays(day)));
            }
        }
    }

    [Theory]
    [InlineData(1, true)]
    [InlineData(2, true)]
    [InlineData(3, false)]
    public void Weeks_of_rounds_open_a_little_ask_what_is_due_and_never_the_same_twice_in_a_row(int seed, bool pitched)
    {
        var ear = new Ear(seed, pitched);
        ear.Live(days: 30, questions: 20);
        var days = ear.All.GroupBy(one => one.Day).ToList();
        days[0].Count(one => one.Choice.Why == EarWhy.New).ShouldBe(EarRound.NewOnTheFirst);
        days.Skip(1).ShouldAllBe(day => day.Count(one => one.Choice.Why == EarWhy.New) <= EarRound.NewADay);
        foreach (var day in days)
        {
            var asked = day.Select(one => one.Answer.Item).ToList();
            asked.Zip(asked.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
        }

        ear.All.ShouldAllBe(one => one.Choice.Alternatives.Contains(one.Choice.Item));
        ear.All.ShouldAllBe(one => one.Choice.Alternatives.Count >= 2 && one.Choice.Alternatives.Count <= EarRound.MostAlternatives);
        ear.All.ShouldAllBe(one => one.Choice.Alternatives.All(other => other.Family == one.Choice.Item.Family));
        ear.All.Where(one => one.Day == Start).ShouldAllBe(one => one.Choice.Alternatives.Count <= 3);
        ear.All.TakeLast(100).Average(one => one.Choice.Alternatives.Count).ShouldBeGreaterThan(3, "they grow");
        ear.All.Where(one => one.Choice.Item.Family == EarFamily.DegreesMajor)
            .Select(one => one.Choice.Alternatives.Select(item => item.Answer).Where(answer => answer.Length == 1).ToList())
            .ShouldAllBe(degrees => degrees.SequenceEqual(degrees.Order(StringComparer.Ordinal)), "as they lie in the scale");
        // It opens in its stated order.
        var opened = ear.All.Where(one => one.Choice.Why == EarWhy.New).Select(one => one.Choice.Item).ToList();
        var stated = EarItems.For(pitched).Where(opened.Contains);
        opened.Where(item => EarItems.Below(item) is null).ShouldBe(stated.Where(item => EarItems.Below(item) is null));
        foreach (var item in opened)
        {
            if (EarItems.Below(item) is { } below)
                opened.IndexOf(below).ShouldBeInRange(0, opened.IndexOf(item) - 1, "a level waits for the one below");
        }

        // Nothing that is due is left behind for long.
        ear.Known.Values.Count(one => one.Due < Start.AddDays(27)).ShouldBeLessThanOrEqualTo(3);
    }

    [Fact]
    public void What_was_missed_comes_back_after_three_others_and_tomorrow()
    {
        var ear = new Ear(5) { Skill = 1 };
        ear.Live(days: 3, questions: 20);
        var day = Start.AddDays(3);
        var missed = ear.Ask(day);
        ear.Known[missed.Item.Key] = EarMemory.After(
            ear.Known[missed.Item.Key],
            new EarAnswer(missed.Item.Key, missed.Alternatives.First(one => one != missed.Item).Key, false, 3),
            Grade.Again,
            day
        );
        ear.All.Add((day, new EarAnswer(missed.Item.Key, null, false, 3), missed));
        ear.Known[missed.Item.Key].Due.ShouldBe(day.AddDays(1));
        for (var i = 0; i < 3; i++)
        {
            var other = ear.Ask(day);
            other.Item.ShouldNotBe(missed.Item);
            ear.Answer(day, other);
        }

        ear.Ask(day).ShouldSatisfyAllConditions(next => next.Item.ShouldBe(missed.Item), next => next.Why.ShouldBe(EarWhy.Again));
    }

    [Fact]
    public void A_confusion_is_found_is_asked_more_often_and_has_a_round_of_its_own()
    {
        var ear = new Ear(7) { Mistake = ("triad:minor:0", "triad:major:0"), Skill = 0.97 };
        ear.Live(days: 12, questions: 20);
        var counts = ear
            .All.GroupBy(one => (one.Answer.Item, one.Answer.Said!))
            .Select(group => (group.Key.Item1, group.Key.Item2, group.Count()))
            .ToList();
        var worst = Confusions.Of(counts)[0];
        (worst.One.Key, worst.Other.Key).ShouldBe(("triad:major:0", "triad:minor:0"));
        worst.Words.ShouldStartWith("major and minor (triads): taken for each other ");
        ear.All.Where(one => one.Choice.Why == EarWhy.Confused)
            .GroupBy(one => one.Choice.Item.Key)
            .OrderByDescending(group => group.Count())
            .Take(2)
            .Select(group => group.Key)
            .Order(StringComparer.Ordinal)
            .ShouldBe(["triad:major:0", "triad:minor:0"]);

        var only = new[] { "triad:major:0", "triad:minor:0" };
        var day = Start.AddDays(12);
        for (var i = 0; i < 12; i++)
        {
            var choice = ear.Ask(day, only);
            choice.Alternatives.Select(one => one.Key).ShouldBe(only);
            ear.Answer(day, choice);
        }

        var asked = ear.All.TakeLast(12).Select(one => one.Answer.Item).ToList();
        asked.Distinct(StringComparer.Ordinal).Count().ShouldBe(2);
        Enumerable.Range(2, 10).ShouldAllBe(i => asked[i] != asked[i - 1] || asked[i - 1] != asked[i - 2]);
    }

    [Fact]
    public void Nothing_new_opens_while_a_quarter_goes_wrong()
    {
        var ear = new Ear(9) { Skill = 0.5 };
        ear.Live(days: 10, questions: 20);
        ear.Known.Count.ShouldBeLessThan(12);
        new Ear(9) { Skill = 1 }.ShouldSatisfyAllConditions(one =>
        {
            one.Live(10, 20);
            one.Known.Count.ShouldBeGreaterThan(ear.Known.Count + 5);
        });
    }

    /// <summary>One thing that never comes right (a rhythm on a machine without keys) is asked a few times a day and stops nothing.</summary>
    [Fact]
    public void What_never_comes_right_stops_nothing()
    {
        var ear = new Ear(11) { Skill = 1, Never = "parts:3" };
        ear.Live(days: 20, questions: 20);
        ear.Known.Count.ShouldBeGreaterThan(30);
        ear.All.Where(one => one.Answer.Item == "parts:3").GroupBy(one => one.Day).ShouldAllBe(day => day.Count() <= 4);
    }

    /// <summary>The time of an answer counts as well as being right; luck among few does not count as ease.</summary>
    [Theory]
    [InlineData(false, 1.0, 8, Grade.Again)]
    [InlineData(true, 9.0, 8, Grade.Hard)]
    [InlineData(true, 4.0, 8, Grade.Good)]
    [InlineData(true, 2.0, 8, Grade.Easy)]
    [InlineData(true, 2.0, 2, Grade.Good)]
    public void Time_counts(bool right, double seconds, int alternatives, Grade grade) =>
        EarMemory.GradeOf(new EarAnswer("up:7", "up:7", right, seconds), alternatives, 4).ShouldBe(grade);

    [Fact]
    public void The_first_answer_of_a_day_is_the_test()
    {
        var right = new EarAnswer("up:7", "up:7", true, 3);
        var once = EarMemory.After(null, right, Grade.Good, Start);
        var again = EarMemory.After(once, right, Grade.Easy, Start);
        (again.Memory, again.Due, again.Asked, again.Right).ShouldBe((once.Memory, once.Due, 2, 2));
        EarMemory.After(again, right with { Right = false }, Grade.Again, Start).Due.ShouldBe(Start.AddDays(1));
        EarMemory
            .After(once, right, Grade.Good, once.Due)
            .Due.DayNumber.ShouldBeGreaterThan(once.Due.DayNumber + once.Due.DayNumber - Start.DayNumber);
        EarMemory.Usual([]).ShouldBe(EarMemory.UsualSeconds);
        EarMemory.Usual([1, 1, 1, 1, 2, 2, 5, 9, 9, 9, 9]).ShouldBe(2);
    }
}
