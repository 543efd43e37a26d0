using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>What technique is for, what becomes of exercises, and how they come back after days away.</summary>
public sealed class PurposeTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void The_difficulty_that_weighs_most_among_passages_under_way_is_the_purpose()
    {
        Material[] all =
        [
            Passage(1, "rhythm"),
            Passage(2, "fingering"),
            Passage(3, "fingering"),
            Passage(4, "tone") with
            {
                Readiness = Readiness.Ready,
            },
            Passage(5, "memory"),
            Passage(6, "memory"),
            Passage(7, "memory"),
        ];
        var purpose = Purpose.Of(all, Day).ShouldNotBeNull();
        purpose.Difficulty.ShouldBe("fingering", "memory is nothing that an exercise serves");
        purpose.Words.ShouldBe("fingering in passage 2 and passage 3");
        Purpose.Of([all[0] with { Slipped = true, Performance = Day.AddDays(9) }, all[1], all[2]], Day)!.Difficulty.ShouldBe("rhythm");
        Purpose.Of(all, Day, "tone")!.Words.ShouldBe("tone", "chosen by hand");
        Purpose.Of(all, Day, Purpose.None).ShouldBeNull();
        Purpose.Of([all[4]], Day).ShouldBeNull();
    }

    [Fact]
    public void Exercises_that_serve_it_come_first_and_the_others_still_come()
    {
        Material[] all =
        [
            Passage(1, "tone"),
            Exercise(10),
            Exercise(11),
            Exercise(12) with
            {
                Serves = ["tone"],
            },
            Exercise(13) with
            {
                Serves = ["tone"],
            },
        ];
        var drills = Technique(all, 15);
        drills[0].Targets[0].MaterialId.ShouldBe(12);
        drills[0].Reason.ShouldStartWith("for tone; ");
        drills.SelectMany(drill => drill.Targets).Select(target => target.MaterialId).Intersect([10, 11]).ShouldNotBeEmpty();
        Technique(all, 15, "none")[0].Targets[0].MaterialId.ShouldBe(10);
        all[1] = all[1] with { LastVisit = Day.AddDays(-9) };
        Technique(all, 15)[0].Targets[0].MaterialId.ShouldBe(10, "the longest away comes first, the purpose breaks ties");
    }

    [Fact]
    public void After_a_week_away_fewer_notes_come_before_any_climbing_until_note_and_click_are_one()
    {
        var away = Exercise(10) with { Rhythm = "sixteenth", LastVisit = Day.AddDays(-12) };
        var drill = Technique([away], 4).Single();
        drill.MethodId.ShouldBe(Methods.HalfDensity.Id);
        drill.Targets.Select(target => target.Key).ShouldBe(["m:10:h:quarter", "m:10:h:eighth", "m:10"]);
        drill.Targets.Select(target => target.Tempo).Distinct().Count().ShouldBe(1, "the click stays");
        drill.Reason.ShouldBe("12 days away: quarters first");
        Technique([away with { LastVisit = Day.AddDays(-1), Regaining = true }], 4)
            .Single()
            .Reason.ShouldBe("back after days away: quarters first");
        Technique([away with { LastVisit = Day.AddDays(-1) }], 4).Single().MethodId.ShouldNotBe(Methods.HalfDensity.Id);
        Technique([away with { Rhythm = "half" }], 4).Single().MethodId.ShouldNotBe(Methods.HalfDensity.Id);
    }

    [Fact]
    public void The_same_key_does_not_come_twice_a_day_by_two_exercises()
    {
        var plan = new KeyPlan();
        var drills = Technique([Exercise(10) with { KeyPlan = plan }, Exercise(11) with { KeyPlan = plan }], 6);
        var keys = drills
            .SelectMany(drill => drill.Targets)
            .Select(target => target.Key[target.Key.IndexOf(":k:", StringComparison.Ordinal)..])
            .ToList();
        keys.Count.ShouldBeGreaterThan(3);
        keys.ShouldBeUnique();
    }

    [Fact]
    public void Halving_never_makes_more_notes()
    {
        foreach (var rhythm in Rhythm.All)
            (rhythm.Halved.Values.Count / rhythm.Halved.Length.Value).ShouldBeLessThanOrEqualTo(
                rhythm.Values.Count / rhythm.Length.Value,
                rhythm.Name
            );
    }

    [Fact]
    public void A_review_proposes_by_what_happened()
    {
        Review.Propose(Exercise(1), Day).Decision.ShouldBe(ReviewDecision.Keep);
        Review
            .Propose(Exercise(1) with { Readiness = Readiness.Ready }, Day)
            .ShouldBe(new ReviewProposal(ReviewDecision.Rest, "its target is reached"));
        Review.Propose(Exercise(1) with { Stuck = true }, Day).Decision.ShouldBe(ReviewDecision.Rest);
        Review.Propose(Exercise(1) with { LastVisit = Day.AddDays(-40) }, Day).Decision.ShouldBe(ReviewDecision.Drop);
        Review.Propose(Exercise(1) with { Resting = true }, Day).Decision.ShouldBe(ReviewDecision.BringBack);
        Review.Next(ReviewDecision.Keep, Day).ShouldBe(Day.AddDays(28));
        Review.Next(ReviewDecision.Drop, Day).ShouldBeNull();
    }

    private static List<Drill> Technique(IReadOnlyList<Material> all, int minutes, string focus = "") =>
        [
            .. DayPlanner
                .Plan(
                    new DayRequest
                    {
                        Day = Day,
                        Minutes = minutes + 1,
                        Routine = new Routine("t", [new Block(Area.WarmUp, 1, 1, 1), new Block(Area.Technique, 1, minutes, 99)], false),
                        Materials = all,
                        Focus = focus,
                        ScaleMinutes = 99,
                    }
                )
                .Drills.Where(drill => drill.Area == Area.Technique),
        ];

    private static Material Passage(int id, string difficulty) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Title = $"passage {id}",
            Difficulty = difficulty,
            Readiness = Readiness.Shaping,
        };

    private static Material Exercise(int id) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Exercise,
            Area = Area.Technique,
            Title = $"exercise {id}",
            Readiness = Readiness.Shaping,
            Target = new Bpm(140),
            LastClean = new Bpm(80),
            LastVisit = Day.AddDays(-3),
            Visits = 6,
            Memory = new Memory(2, 5),
        };
}
