using CsCheck;
using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

public sealed class RoutineTests
{
    public static TheoryData<string, int> ShapesAndMinutes
    {
        get
        {
            var data = new TheoryData<string, int>();
            foreach (var shape in Shapes.All)
            {
                foreach (var minutes in new[] { 10, 20, 30, 45, 60, 90 })
                    data.Add(shape.Name, minutes);
            }

            return data;
        }
    }

    /// <summary>Common practice: a warm-up, sight reading and music on every day, nothing lost, no block beyond its bounds.</summary>
    [Theory]
    [MemberData(nameof(ShapesAndMinutes))]
    public void Every_shape_stays_sensible_at_every_length(string name, int sitting)
    {
        var shape = Shapes.All.First(one => one.Name == name);
        shape.Check().ShouldBeEmpty();
        var playing = sitting - SittingLength.Breaks(sitting).Sum(pause => pause.Minutes);
        var fitted = RoutineFit.Fit(shape, playing);
        TestContext.Current.TestOutputHelper?.WriteLine(
            string.Join("  ", shape.Blocks.Zip(fitted.Minutes, (block, minutes) => $"{block.Area} {minutes}"))
        );
        fitted.Fits.ShouldBeTrue();
        fitted.Over.ShouldBe(0);
        fitted.Minutes.Sum().ShouldBe(playing);
        foreach (var (block, minutes) in shape.Blocks.Zip(fitted.Minutes))
        {
            if (minutes > 0)
                minutes.ShouldBeInRange(block.Floor, block.Ceiling);
            else
                block.Must.ShouldBeFalse();
        }

        int Of(Area area) => shape.Blocks.Zip(fitted.Minutes).Where(pair => pair.First.Area == area).Sum(pair => pair.Second);
        Of(Area.WarmUp).ShouldBeGreaterThan(0);
        if (name != Shapes.HardBars)
            Of(Area.SightReading).ShouldBeGreaterThanOrEqualTo(sitting < 20 ? 1 : 2);
        Of(Area.WarmUp).ShouldBeLessThanOrEqualTo(sitting / 3);
        if (sitting >= 20)
            fitted.Minutes.Count(minutes => minutes == 0).ShouldBeLessThanOrEqualTo(shape.Blocks.Count / 3);
    }

    [Fact]
    public void Musts_survive_and_optional_blocks_go_first()
    {
        var blocks =
            from areas in Gen.OneOf(Areas.All.ToArray()).Array[1, 8]
            from least in Gen.Int[0, 6].Array[8]
            from room in Gen.Int[0, 12].Array[8]
            from must in Gen.Bool.Array[8]
            select areas.Select((area, i) => new Block(area, least[i], least[i] + (room[i] / 2), least[i] + room[i], must[i])).ToList();
        Gen.Select(blocks, Gen.Int[5, 90])
            .Sample(
                (list, minutes) =>
                {
                    var routine = new Routine("any", list, false);
                    var fitted = RoutineFit.Fit(routine, minutes);
                    if (routine.LeastMinutes > minutes)
                    {
                        fitted.Short.ShouldBe(routine.LeastMinutes - minutes);
                        return;
                    }

                    fitted.Minutes.Sum().ShouldBe(minutes);
                    foreach (var (block, given) in list.Zip(fitted.Minutes).Where(pair => pair.First.Must))
                        given.ShouldBeGreaterThanOrEqualTo(block.Least);
                },
                iter: 2000
            );
    }

    [Fact]
    public void Fixed_minutes_never_change()
    {
        var routine = new Routine("fixed", [new(Area.WarmUp, 1, 5, 20), new(Area.Ear, 0, 3, 9, Fixed: 7), new(Area.Play, 1, 5, 90)], false);
        foreach (var minutes in new[] { 10, 30, 60 })
            RoutineFit.Fit(routine, minutes).Minutes[1].ShouldBe(7);
    }

    [Theory]
    [InlineData(20, "")]
    [InlineData(30, "25+1")]
    [InlineData(45, "25+5")]
    [InlineData(60, "25+5 50+1")]
    [InlineData(90, "25+5 50+10")]
    public void Breaks_come_as_common_practice_has_them(int minutes, string expected) =>
        string.Join(' ', SittingLength.Breaks(minutes).Select(pause => $"{pause.AfterPlayed}+{pause.Minutes}")).ShouldBe(expected);

    /// <summary>Common practice: a fifth of a short sitting, a quarter to half an hour in a long one, never zero.</summary>
    [Fact]
    public void The_warm_up_goes_by_the_sitting()
    {
        SittingLength.WarmUp(5).ShouldBe(1);
        SittingLength.WarmUp(30).ShouldBe(6);
        SittingLength.WarmUp(60).ShouldBe(12);
        SittingLength.WarmUp(120).ShouldBeInRange(15, 30);
        SittingLength.WarmUp(240).ShouldBe(30);
        SittingLength.WarmUp(60, Demands.Rehearsal).ShouldBe(6);
        Enumerable
            .Range(5, 236)
            .Select(minutes => SittingLength.WarmUp(minutes))
            .ShouldBe(Enumerable.Range(5, 236).Select(minutes => SittingLength.WarmUp(minutes)).Order());
    }
}
