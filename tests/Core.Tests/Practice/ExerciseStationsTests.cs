using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>The way of an exercise into music, and the rule of each move (common practice).</summary>
public sealed class ExerciseStationsTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Theory]
    [InlineData(ExerciseStation.SlowAndRight, "++", false, ExerciseStation.Faster)]
    [InlineData(ExerciseStation.SlowAndRight, "+-+", true, null)]
    [InlineData(ExerciseStation.SlowAndRight, "+", true, null)]
    [InlineData(ExerciseStation.Faster, "--", true, ExerciseStation.InMusic)]
    [InlineData(ExerciseStation.Faster, "++++", false, null)]
    [InlineData(ExerciseStation.Faster, "", true, null)]
    [InlineData(ExerciseStation.InMusic, "-++", false, ExerciseStation.Checked)]
    [InlineData(ExerciseStation.InMusic, "+-", true, null)]
    [InlineData(ExerciseStation.Checked, "+-", true, ExerciseStation.Faster)]
    [InlineData(ExerciseStation.Checked, "-+", true, null)]
    [InlineData(ExerciseStation.None, "++++", true, null)]
    public void Each_move_has_its_rule(ExerciseStation now, string firsts, bool atTarget, ExerciseStation? next) =>
        (ExerciseStations.Next(now, [.. firsts.Select(first => first == '+')], atTarget)?.To).ShouldBe(next);

    [Fact]
    public void The_plan_asks_what_the_station_asks()
    {
        Of(ExerciseStation.SlowAndRight).MethodId.ShouldBe(Methods.FixedCount.Id);
        Of(ExerciseStation.Faster).MethodId.ShouldBe(Of(ExerciseStation.None).MethodId);
        var music = Of(ExerciseStation.InMusic);
        (music.MethodId, music.How.Contains("Kite Song", StringComparison.Ordinal)).ShouldBe((Methods.CleanInRow.Id, true));
        Of(ExerciseStation.Checked, daysAgo: 21).MethodId.ShouldBe(Methods.PerformanceTake.Id);
    }

    [Fact]
    public void What_is_checked_comes_after_three_weeks_or_when_asked_for()
    {
        Plan(Lick(ExerciseStation.Checked, daysAgo: 20)).ShouldNotContain(drill => IsLick(drill));
        Plan(Lick(ExerciseStation.Checked, daysAgo: 21)).ShouldContain(drill => IsLick(drill));
        Plan(Lick(ExerciseStation.Checked, daysAgo: 2) with { AskedFor = true }).ShouldContain(drill => IsLick(drill));
    }

    [Fact]
    public void What_is_to_be_slow_and_right_stands_in_no_burst()
    {
        Bursts(ExerciseStation.None).ShouldBeTrue("both nearly up to tempo");
        Bursts(ExerciseStation.SlowAndRight).ShouldBeFalse();

        static bool Bursts(ExerciseStation station) =>
            new[] { Day, Day.AddDays(1) }.Any(day =>
                Plan(day, Near(1, station), Near(3, ExerciseStation.None)).Any(drill => drill.MethodId == Methods.BurstAndSwitch.Id)
            );

        static Material Near(int id, ExerciseStation station) => Lick(station, daysAgo: 2) with { Id = id, Reach = Reach.At(85, 0.03) };
    }

    private static Drill Of(ExerciseStation station, int daysAgo = 2) => Plan(Lick(station, daysAgo)).First(IsLick);

    private static bool IsLick(Drill drill) => drill.Targets.Any(target => target.MaterialId == 1);

    private static Material Lick(ExerciseStation station, int daysAgo) =>
        new()
        {
            Id = 1,
            Kind = MaterialKind.Exercise,
            Area = Area.Technique,
            Title = "Lick",
            Target = new Bpm(100),
            Best = new Bpm(70),
            LastVisit = Day.AddDays(-daysAgo),
            Visits = 4,
            Station = station,
        };

    private static IReadOnlyList<Drill> Plan(Material lick) => Plan(Day, lick);

    private static IReadOnlyList<Drill> Plan(DateOnly day, params Material[] exercises) =>
        DayPlanner
            .Plan(
                new DayRequest
                {
                    Day = day,
                    Minutes = 10,
                    Routine = new Routine("r", [new Block(Area.Technique, 1, 10, 99)], false),
                    Materials =
                    [
                        .. exercises,
                        new Material
                        {
                            Id = 2,
                            Kind = MaterialKind.Piece,
                            Area = Area.Repertoire,
                            Title = "Kite Song",
                            LastVisit = Day.AddDays(-1),
                        },
                    ],
                }
            )
            .Drills;
}
