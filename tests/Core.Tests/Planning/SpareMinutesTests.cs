using CsCheck;
using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Short things in passing: how many wait, which is next, and that none of them is the first test of a day.</summary>
public sealed class SpareMinutesTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void They_come_spread_over_the_waking_hours_and_with_gaps()
    {
        Of(8).ShouldBe((0, new TimeOnly(9, 0)));
        Of(9, 30).ShouldBe((1, null));
        Of(14).ShouldBe((2, null), "nine and one o'clock");
        Of(14, done: 2, last: 13.5).ShouldBe((0, new TimeOnly(14, 15)), "three quarters of an hour between two");
        Of(14, 30, done: 2, last: 13.5).ShouldBe((0, new TimeOnly(17, 0)));
        Of(22).ShouldBe((0, null));
        Of(14, done: 3).ShouldBe((0, null));
        SpareMinutes.Waiting(new(9, 0), new(21, 0), 0, new(14, 0), 0, null).ShouldBe((0, null));

        static (int, TimeOnly?) Of(int hour, int minute = 0, int done = 0, double? last = null) =>
            SpareMinutes.Waiting(
                new(9, 0),
                new(21, 0),
                3,
                new(hour, minute),
                done,
                last is { } at ? TimeOnly.FromTimeSpan(TimeSpan.FromHours(at)) : null
            );
    }

    [Fact]
    public void Never_more_wait_than_are_wished_and_the_next_is_always_ahead()
    {
        Gen.Select(Gen.Int[0, 600], Gen.Int[120, 800], Gen.Int[2, 4], Gen.Int[0, 1439], Gen.Int[0, 5])
            .Sample(
                (from, length, aDay, now, done) =>
                {
                    var (begin, at) = (TimeOnly.MinValue.AddMinutes(from), TimeOnly.MinValue.AddMinutes(now));
                    var (waiting, next) = SpareMinutes.Waiting(begin, begin.AddMinutes(length), aDay, at, done, null);
                    waiting.ShouldBeInRange(0, Math.Max(0, aDay - done));
                    if (next is { } time)
                        time.ShouldBeGreaterThan(at);
                    if (waiting > 0)
                        next.ShouldBeNull();
                }
            );
    }

    [Fact]
    public void Each_is_short_takes_turns_and_is_below_its_target()
    {
        var materials = new[] { Passage(1, 60), Passage(2, 80), Passage(3, 118), Exercise(4) };
        var done = new List<string>();
        for (var i = 0; i < 8; i++)
        {
            var one = SpareMinutes.Choose(materials, Day, done, [], away: false, hasEar: true)!;
            one.Seconds.ShouldBeInRange(10, 60);
            one.MaterialId.ShouldNotBe(3, "it is at its target");
            if (done.Count > 0)
                one.Key.ShouldNotBe(done[^1]);
            done.Add(one.Key);
        }

        done[0].ShouldBe(TargetKey.Of(1), "furthest from its target");
        done.ShouldContain("ear");
        SpareMinutes.Choose(materials, Day, [], [TargetKey.Of(1)], away: false, hasEar: false)!.MaterialId.ShouldBe(2);
        SpareMinutes.Choose(materials, Day, ["ear"], [], away: true, hasEar: true)!.Kind.ShouldBe(SpareKind.Look);
        SpareMinutes.Choose([], Day, [], [], away: false, hasEar: false).ShouldBeNull();
        SpareMinutes
            .Choose(
                [Passage(5, 60) with { Performance = Day.AddDays(9) }, Passage(1, 90) with { TwiceADay = true, LastVisit = Day }],
                Day,
                [],
                [],
                away: false,
                hasEar: false
            )!
            .ShouldSatisfyAllConditions(one => one.MaterialId.ShouldBe(1), one => one.Why.ShouldBe("its second short visit today"));
        SpareMinutes
            .Choose([Passage(5, 60) with { Performance = Day.AddDays(9) }, Passage(1, 50)], Day, [], [], away: false, hasEar: false)!
            .MaterialId.ShouldBe(5, "its concert is near");
    }

    [Fact]
    public void A_take_in_passing_says_something_of_the_tempo_and_tests_nothing()
    {
        var before = new BeforeVisit(Day.AddDays(-3), new Memory(5, 5), new Bpm(80), new Reach(Math.Log(80), 0.1), 6);
        var start = new Reach(Math.Log(60), 0.3);
        VisitOutcome Sum(params Try[] tries) => Visits.Sum(before, Day, tries, new Bpm(120), start, Traits.Usual);
        var passing = new Try(true, new Bpm(84), Try.PassingWeight, InPassing: true);

        var alone = Sum(passing);
        (alone.Grade, alone.Memory, alone.Slipped).ShouldBe((null, before.Memory, false));
        alone.Reach!.Value.Log.ShouldBeGreaterThan(Sum(new Try(false, new Bpm(84), Try.PassingWeight, InPassing: true)).Reach!.Value.Log);

        // What comes after it in a sitting is the test, whatever passed before.
        var missed = new Try(false, new Bpm(80));
        Sum(passing, missed).Grade.ShouldBe(Sum(missed).Grade);
        Sum(passing with { Clean = false }, new Try(true, new Bpm(80))).Grade.ShouldBe(Grade.Good);
        // It weighs as half a take.
        Sum(new Try(true, new Bpm(84))).Reach!.Value.Log.ShouldBeGreaterThan(alone.Reach!.Value.Log);
    }

    private static Material Passage(int id, int reach) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Passage,
            Title = $"Passage {id}",
            Area = Area.Repertoire,
            Target = new Bpm(120),
            LastVisit = Day.AddDays(-2),
            Reach = new Reach(Math.Log(reach), 0.1),
            FromBar = 1,
            ToBar = 2,
        };

    private static Material Exercise(int id) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Exercise,
            Title = "Changes",
            Area = Area.Technique,
            Work = new Core.Technique.Work(Core.Technique.WorkKind.Changes),
            LastVisit = Day.AddDays(-2),
        };
}
