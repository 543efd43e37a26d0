using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>
/// A long sitting with little material: no thing for more than a quarter of an hour, the bars between, and free choice once.
/// </summary>
public sealed class LittleMaterialTests
{
    private static readonly DateOnly Day = new(2031, 5, 12);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void An_hour_with_few_passages_walks_over_the_piece_before_it_is_free(int passages)
    {
        var plan = DayPlanner.Plan(Hour(passages));
        var music = plan.Drills.Where(drill => !drill.IsBreak).ToList();
        foreach (var id in Enumerable.Range(1, passages))
            music
                .Where(drill => drill.Targets.Any(target => target.MaterialId == id))
                .Sum(drill => (double)drill.Minutes / drill.Targets.Count)
                .ShouldBeLessThanOrEqualTo(16, "a quarter of an hour of one thing at one time");
        music
            .Where(drill => drill.MethodId == Methods.JoinedSection.Id)
            .Select(drill => (drill.Targets[0].FromBar, drill.Targets[0].StopAfterBar))
            .Order()
            .ShouldBe([(1, 8), (9, 16), (17, 24), (25, 32)]);
        music
            .Where(drill => drill.MethodId == Methods.FreePlay.Id)
            .ShouldAllBe(drill => drill.Reason == "a quarter of an hour of each is enough");
        music.Count(drill => drill.MethodId == Methods.FreePlay.Id).ShouldBeLessThanOrEqualTo(passages == 1 ? 2 : 1);
    }

    private static DayRequest Hour(int passages) =>
        new()
        {
            Day = Day,
            Minutes = 60,
            UsualMinutes = 60,
            Routine = new Routine("music", [new Block(Area.Repertoire, 1, 60, 240)], false),
            Shares = [.. Areas.Shared.Select(area => new AreaShare(area, area == Area.Repertoire ? 100 : 0, 0, 240))],
            Materials =
            [
                new Material
                {
                    Id = 100,
                    Kind = MaterialKind.Piece,
                    Title = "Piece",
                    Area = Area.Repertoire,
                    Target = new Bpm(100),
                    FromBar = 1,
                    ToBar = 32,
                    HasPassages = true,
                    LastVisit = Day.AddDays(-2),
                    Visits = 3,
                    Group = 100,
                },
                .. Enumerable
                    .Range(1, passages)
                    .Select(id => new Material
                    {
                        Id = id,
                        Kind = MaterialKind.Passage,
                        Title = $"P{id}",
                        Area = Area.Repertoire,
                        Group = 100,
                        FromBar = id * 5,
                        ToBar = (id * 5) + 2,
                        Target = new Bpm(100),
                        Reach = TuningFork.Core.Ability.Reach.At(70, 0.05),
                        LastVisit = Day.AddDays(-1),
                        Visits = 3,
                        Best = new Bpm(72),
                        LastClean = new Bpm(70),
                        Readiness = Readiness.Shaping,
                    }),
            ],
        };
}
