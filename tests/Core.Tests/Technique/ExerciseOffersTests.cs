using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

public sealed class ExerciseOffersTests
{
    private static readonly DateOnly Day = new(2031, 5, 12);

    [Fact]
    public void Each_difficulty_and_words_of_ones_own_have_two_or_three_different_sheets()
    {
        foreach (var difficulty in (string[])[.. Purpose.Difficulties, "memory", "join", "vibrato"])
        {
            var offers = ExerciseOffers.For(difficulty);
            offers.Count.ShouldBeInRange(2, 3);
            offers.Select(offer => offer with { Why = "" }).ShouldBeUnique();
            foreach (var offer in offers)
                Sheets
                    .Make(
                        new SheetWish
                        {
                            Figure = offer.Figure,
                            Octaves = offer.Octaves,
                            Rhythm = offer.Rhythm,
                            Joining = offer.Joining,
                            PatternNumber = offer.Pattern,
                        },
                        Instrument.Known.First(one => one.IsPitched)
                    )
                    .Notes.ShouldBeGreaterThan(3);
        }

        ExerciseOffers.For("vibrato").ShouldAllBe(offer => offer.Why.Contains("vibrato"));
    }

    [Fact]
    public void The_plan_says_when_no_exercise_serves_and_own_words_count_once_one_does()
    {
        Material Passage(string difficulty) =>
            new()
            {
                Id = 1,
                Kind = MaterialKind.Passage,
                Title = "March, 3",
                Area = Area.Repertoire,
                Difficulty = difficulty,
                Readiness = Readiness.Shaping,
            };
        Material Exercise(string serves) =>
            new()
            {
                Id = 2,
                Kind = MaterialKind.Exercise,
                Title = "Scale",
                Area = Area.Technique,
                Serves = [serves],
            };
        Purpose.Say(Purpose.Of([Passage("shift")], Day), [Passage("shift")]).ShouldBe("shift in March, 3; no exercise for it yet");
        Purpose
            .Say(Purpose.Of([Passage("shift"), Exercise("shift")], Day), [Passage("shift"), Exercise("shift")])
            .ShouldBe("shift in March, 3");
        Purpose.Of([Passage("vibrato")], Day).ShouldBeNull("nothing could serve it");
        Purpose.Of([Passage("vibrato"), Exercise("vibrato")], Day)!.Difficulty.ShouldBe("vibrato");
    }
}
