using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>A piece by heart from any of its stations (common practice).</summary>
public sealed class StationsTests
{
    [Theory]
    [InlineData(9)]
    [InlineData(32)]
    [InlineData(48)]
    [InlineData(131)]
    public void The_stations_cut_the_piece_without_a_gap_and_are_called_in_mixed_order(int bars)
    {
        var request = DayPlannerTests.Request(30, Shapes.All[0], 1, passages: 0, exercises: 1);
        var piece = request.Materials.First(material => material.Kind == MaterialKind.Piece) with { ToBar = bars };
        request = request with { Materials = [piece] };
        var run = RunOf(piece);
        MethodChoice.For(run, request).ShouldBe([Methods.PerformanceTake, Methods.Stations]);
        var drill = MethodChoice.Change(run, Methods.Stations.Id, request);
        drill
            .Targets.SelectMany(station => Enumerable.Range(station.FromBar, station.StopAfterBar!.Value - station.FromBar + 1))
            .ShouldBe(Enumerable.Range(1, bars));
        drill.Targets.Count.ShouldBeLessThanOrEqualTo(12);
        drill.Sequence.Distinct().Count().ShouldBe(drill.Targets.Count);
        drill.Sequence.Zip(drill.Sequence.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
        var cue = Stage.Now(drill, [], 0);
        (cue.HidesMusic, cue.Next).ShouldBe((true, ""), "by heart, and one does not know where one is sent next");
        cue.Sentence.ShouldBe($"By heart. Stop after bar {drill.Targets[drill.Sequence[0]].StopAfterBar}.");
        MethodChoice.For(drill, request).ShouldContain(Methods.PerformanceTake, "and back");
    }

    [Fact]
    public void A_piece_of_a_few_bars_has_no_stations()
    {
        var request = DayPlannerTests.Request(30, Shapes.All[0], 1, passages: 0, exercises: 1);
        var piece = request.Materials.First(material => material.Kind == MaterialKind.Piece) with { ToBar = 8 };
        var run = RunOf(piece);
        MethodChoice.For(run, request with { Materials = [piece] }).ShouldBeEmpty();
    }

    private static Drill RunOf(Material piece) =>
        new()
        {
            Id = "d1",
            Area = Area.Repertoire,
            MethodId = Methods.PerformanceTake.Id,
            Title = piece.Title,
            Minutes = 6,
            Targets =
            [
                new Target
                {
                    Key = TargetKey.Of(piece.Id),
                    Title = piece.Title,
                    MaterialId = piece.Id,
                },
            ],
        };
}
