using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Repertoire;

public sealed class RepertoireTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void Every_mark_lies_in_one_passage_of_one_to_four_bars()
    {
        var random = new Random(3);
        for (var i = 0; i < 3000; i++)
        {
            var marks = Enumerable.Range(0, random.Next(1, 20)).Select(_ => random.Next(0, 48)).ToList();
            var passages = SlowReading.Suggest(marks);
            marks.ShouldAllBe(mark => passages.Count(passage => mark >= passage.From && mark <= passage.To) == 1);
            passages.ShouldAllBe(passage => passage.To - passage.From + 1 >= 1 && passage.To - passage.From + 1 <= 4);
            passages.Zip(passages.Skip(1)).ShouldAllBe(pair => pair.First.To < pair.Second.From);
            passages.ShouldAllBe(passage => marks.Contains(passage.From) && marks.Contains(passage.To), "borders are marks");
        }

        SlowReading.Suggest([8, 9, 17, 19, 31]).ShouldBe([new(8, 9), new(17, 19), new(31, 31)]);
        SlowReading.TempoFor(new Bpm(120)).Value.ShouldBe(60);
    }

    [Fact]
    public void A_three_that_misses_its_first_takes_is_put_in_question()
    {
        RatingDoubt.Of(true, [true, false, false]).ShouldContain("2 of the last 3");
        RatingDoubt.Of(true, [false, false, true, true]).ShouldBeEmpty();
        RatingDoubt.Of(false, [false, false, false]).ShouldBeEmpty();
        RatingDoubt.Of(true, [false, false]).ShouldBeEmpty("too little is known");
    }

    [Fact]
    public void Causes_name_a_remedy_and_a_method_and_none_is_wrong_notes()
    {
        Causes.All.Select(cause => cause.Name).Distinct().Count().ShouldBe(Causes.All.Count);
        Causes.All.ShouldAllBe(cause => cause.Remedy.Length > 10 && Methods.All.Contains(cause.Method));
        Causes.All.ShouldNotContain(cause => cause.Name.Contains("wrong", StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>Passages until four weeks before, run-throughs in the last week or two; nearer dates 2 : 1 : 1 (common practice).</summary>
    [Fact]
    public void Phases_are_planned_backwards_and_shrink_in_proportion()
    {
        Performances.Phases(Day, Day.AddDays(100)).ShouldBe((Day.AddDays(72), Day.AddDays(86)));
        Performances.Phases(Day, Day.AddDays(16)).ShouldBe((Day.AddDays(8), Day.AddDays(12)));
        for (var days = 4; days < 200; days++)
        {
            var (sections, runs) = Performances.Phases(Day, Day.AddDays(days));
            Day.ShouldBeLessThan(sections);
            sections.ShouldBeLessThan(runs);
            runs.ShouldBeLessThan(Day.AddDays(days));
        }
    }

    [Fact]
    public void The_days_of_a_piece_go_from_passages_to_sections_to_run_throughs_and_never_back()
    {
        var piece = new Material
        {
            Id = 1,
            Kind = MaterialKind.Piece,
            Area = Area.Repertoire,
            Title = "Kite",
            ToBar = 48,
            Performance = Day.AddDays(60),
            PerformanceSet = Day,
        };
        var phases = Enumerable.Range(0, 60).Select(day => Performances.On(piece, Day.AddDays(day))!.Value).ToList();
        phases.ShouldBe(phases.Order().ToList());
        phases.CountBy(phase => phase).ShouldBe([new(Phase.Passages, 32), new(Phase.Sections, 14), new(Phase.RunThroughs, 14)]);
        Performances.On(piece, Day.AddDays(60)).ShouldBeNull("the day itself");
        var near = Enumerable
            .Range(0, 8)
            .Select(day => Performances.On(piece with { Performance = Day.AddDays(8) }, Day.AddDays(day))!.Value)
            .ToList();
        near.CountBy(phase => phase).Select(pair => pair.Value).ShouldBe([4, 2, 2]);
    }

    [Fact]
    public void The_sum_says_whether_it_fits_and_what_to_leave_out()
    {
        var piece = new Material
        {
            Id = 1,
            Kind = MaterialKind.Piece,
            Area = Area.Repertoire,
            Title = "Kite",
            ToBar = 48,
            BeatsPerBar = 3,
            Target = new Bpm(120),
            Performance = Day.AddDays(20),
            PerformanceSet = Day,
        };
        var passages = Enumerable
            .Range(2, 8)
            .Select(id => new Material
            {
                Id = id,
                Kind = MaterialKind.Passage,
                Area = Area.Repertoire,
                Title = $"Kite, {id}",
                ShortTitle = $"{id}",
                Group = 1,
                FromBar = id,
                ToBar = id + 1,
                Target = new Bpm(120),
                Readiness = id < 5 ? Readiness.Raw : Readiness.Shaping,
            })
            .ToList();
        var enough = Performances.All([piece, .. passages], Day, 20)[0];
        enough.Fits.ShouldBeTrue();
        enough.LeaveOut.ShouldBeEmpty();
        enough.Warning.ShouldBeEmpty();
        enough.Words.ShouldContain("It fits, with ");
        enough.NeededMinutes.ShouldBe(enough.PassageMinutes + enough.SectionMinutes + (((enough.Runs * enough.RunSeconds) + 59) / 60));
        enough.RunSeconds.ShouldBe(80, "48 bars of 3 beats at 120 are 72 s, and 8 to set up (arithmetic)");
        var tooFew = Performances.All([piece, .. passages], Day, 3)[0];
        tooFew.Fits.ShouldBeFalse();
        tooFew.Words.ShouldContain("too few");
        tooFew.Warning.ShouldContain("Kite");
        tooFew.Warning.ShouldContain("; you usually have ");
        Performances.All([piece, .. passages], Day, 0.5)[0].Warning.ShouldContain("needs many times the ");
        (tooFew.LeaveOut[0].MaterialId, tooFew.LeaveOut[0].Title).ShouldBe((2, "2"), "raw and dear first");
        Performances
            .All([piece, .. passages.Select(one => one with { Resting = true })], Day, 3)[0]
            .NeededMinutes.ShouldBeLessThan(tooFew.NeededMinutes);

        // A second date: what the first needs is taken off; in the order of their dates both fit or neither order does (Jackson 1955,
        // from memory).
        var later = piece with { Id = 50, Title = "Lantern", Performance = Day.AddDays(30) };
        var both = Performances.All([later, piece, .. passages], Day, 20);
        both.Select(plan => plan.Title).ShouldBe(["Kite", "Lantern"]);
        both[1].Earlier.ShouldBe(both[0].NeededMinutes);
        both[1].AvailableMinutes.ShouldBe((20 * 30) - both[0].NeededMinutes);
    }
}
