using Shouldly;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.LookingBack;

/// <summary>A week's review asks about what is stuck, what is over, and what has lain long, each with one proposal.</summary>
public sealed class WeekReviewTests
{
    private static readonly DateOnly Day = new(2031, 5, 11);

    private static Material Passage(int id) =>
        new()
        {
            Id = id,
            Kind = MaterialKind.Passage,
            Title = $"Mill, bars {id}",
            Area = Area.Repertoire,
            Visits = 9,
            LastVisit = Day.AddDays(-1),
            Target = Bpm.Near(100),
        };

    [Fact]
    public void Each_question_has_its_proposal_and_nothing_is_asked_twice()
    {
        var stuck = Passage(1) with { Stuck = true };
        var there = stuck with { Id = 11, Reach = Core.Ability.Reach.At(97, 0.05) };
        var again = Passage(2) with { Stuck = true, Relief = new ReliefTime(Relief.TwoShortVisits, Day.AddDays(-30)) };
        var gone = Passage(3) with { Stuck = true, Relief = new ReliefTime(Relief.WeekOff, Day.AddDays(-20)) };
        var exercise = Passage(4) with { Kind = MaterialKind.Exercise, Area = Area.Technique, Stuck = true };
        var due = exercise with { Id = 5, ReviewOn = Day.AddDays(3), Readiness = Readiness.Ready };
        var piece = Passage(6) with { Kind = MaterialKind.Piece, Readiness = Readiness.Ready, Confirmed = Day.AddDays(-40) };
        var dated = piece with { Id = 7, Performance = Day.AddDays(20) };
        var resting = Passage(8) with { Resting = true, LastVisit = Day.AddDays(-50) };
        var fresh = resting with { Id = 9, LastVisit = Day.AddDays(-5) };
        var questions = WeekReview.Questions([stuck, there, again, gone, exercise, due, piece, dated, resting, fresh, Passage(10)], Day);
        questions
            .Select(one => (one.Topic, one.MaterialId, one.Proposal))
            .ShouldBe([
                (ReviewTopic.Stuck, 1, "two short visits a day, one of them a spare minute, for two weeks"),
                (ReviewTopic.Stuck, 3, "a week's rest"),
                (ReviewTopic.Stuck, 4, "half of its minutes, for two weeks"),
                (ReviewTopic.Exercise, 5, "let it rest"),
                (ReviewTopic.Rest, 6, "let it rest"),
                (ReviewTopic.BringBack, 8, "bring it back"),
            ]);
        (questions[3].Decision, questions[3].Otherwise, questions[0].Otherwise).ShouldBe((ReviewDecision.Rest, "keep it", "as it is"));
        var kept = WeekReview.Questions([due with { Readiness = Readiness.Shaping, Stuck = false }], Day).Single();
        (kept.Proposal, kept.Otherwise).ShouldBe(("keep it", "let it rest"));
        WeekReview.Questions([], Day).ShouldBeEmpty();
    }
}
