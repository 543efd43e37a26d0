using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using Xunit;

namespace TuningFork.Core.Tests.WarmUps;

public sealed class WarmUpTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);
    private static readonly WarmUpPart Opening = WarmUpOpening.Of(WarmUpSchool.EaseIn, "");

    public static TheoryData<Family, string> Instruments =>
        new()
        {
            { Family.Winds, "B-flat clarinet" },
            { Family.Winds, "Trumpet" },
            { Family.Winds, "Flute" },
            { Family.Strings, "Violin" },
            { Family.Plucked, "Guitar" },
            { Family.Voice, "Voice" },
            { Family.Keys, "Piano" },
            { Family.Percussion, "Hand drum" },
            { Family.Other, "" },
        };

    /// <summary>Four elements, each with a core; three or four versions (common practice).</summary>
    [Theory]
    [MemberData(nameof(Instruments))]
    public void Every_family_begins_with_complete_versions(Family family, string instrument)
    {
        var versions = WarmUpLibrary.For(family, instrument);
        versions.Count.ShouldBeInRange(3, 4);
        foreach (var version in versions)
        {
            version.Check().ShouldBeEmpty();
            version
                .Parts.Where(part => part.Core)
                .Select(part => part.Element)
                .Distinct()
                .Order()
                .ShouldBe(Enum.GetValues<WarmUpElement>());
        }

        versions.SelectMany(version => version.Parts).ShouldContain(part => part.FromRepertoire);
    }

    [Theory]
    [MemberData(nameof(Instruments))]
    public void The_drone_sounds_with_what_is_played_over_it(Family family, string instrument)
    {
        foreach (var part in WarmUpLibrary.For(family, instrument).SelectMany(version => version.Parts))
        {
            var isOver = $"{part.Title} {part.How}".Contains("drone", StringComparison.OrdinalIgnoreCase);
            part.Drone.ShouldBe(isOver ? PartDrone.With : PartDrone.AsSet, part.Title);
        }
    }

    [Theory]
    [InlineData(WarmUpSchool.EaseIn)]
    [InlineData(WarmUpSchool.Awareness)]
    public void A_drummer_begins_without_a_tune_and_without_a_note(WarmUpSchool school)
    {
        var how = WarmUpOpening.Of(school, "", isPitched: false).How;
        how.ShouldNotContain("tune");
        how.ShouldNotContain("note");
        how.ShouldNotBe(WarmUpOpening.Of(school, "").How);
    }

    [Fact]
    public void The_clarinet_crosses_by_twelfths_and_brass_slurs_over_the_series()
    {
        Titles(Family.Winds, "B-flat clarinet").ShouldContain("Twelfths over the break");
        Titles(Family.Winds, "Trumpet").ShouldContain("Slurs over the harmonic series");
        Titles(Family.Winds, "Flute").ShouldContain("Octaves, slurred");

        static IEnumerable<string> Titles(Family family, string instrument) =>
            WarmUpLibrary.For(family, instrument).SelectMany(version => version.Parts).Select(part => part.Title);
    }

    [Fact]
    public void Minutes_add_up_the_core_stays_and_only_a_rehearsal_or_a_concert_drops_every_extra()
    {
        foreach (var version in WarmUpLibrary.For(Family.Winds, "B-flat clarinet"))
        {
            for (var minutes = 1; minutes <= 30; minutes++)
            {
                foreach (var demands in new[] { Demands.None, Demands.Tired, Demands.Rehearsal, Demands.Concert })
                {
                    var cut = WarmUpCut.Of(version, Opening, minutes, demands);
                    var played = cut.Stretches.SelectMany(stretch => stretch.Parts).ToList();
                    cut.Stretches.Sum(stretch => stretch.Minutes).ShouldBe(minutes);
                    cut.Stretches.ShouldAllBe(stretch => stretch.Minutes >= 1);
                    version.Parts.Where(part => part.Core).ShouldBeSubsetOf(played.Select(pair => pair.Part));
                    var opening = cut.Stretches.Where(stretch => stretch.Parts.Any(pair => pair.Part == Opening)).ToList();
                    opening.ShouldAllBe(stretch => stretch.Parts.Count == 1 && stretch.Minutes == Opening.Minutes);
                    played
                        .Select(pair => pair.Part.Element)
                        .ShouldBe(played.Select(pair => pair.Part.Element).Order(), "the elements keep their order");
                    played.Count.ShouldBe(1 + version.Parts.Count - cut.LeftOut.Count);
                    (cut.Reason.Length > 0).ShouldBe(cut.LeftOut.Count > 0);
                    if (WarmUpCut.CoreOnly(demands))
                        played.ShouldAllBe(pair => pair.Part.Core);
                    else if (minutes >= version.Minutes() + Opening.Minutes)
                        cut.LeftOut.ShouldBeEmpty();
                }
            }
        }
    }

    [Fact]
    public void The_reason_names_the_rehearsal_and_what_goes()
    {
        var version = new WarmUp(
            7,
            "Low",
            [new(WarmUpElement.Agility, "Trills", "", 1, Core: false), new(WarmUpElement.Sound, "Long tones", "", 2)]
        );
        var cut = WarmUpCut.Of(version, WarmUpOpening.Of(WarmUpSchool.Awareness, "Breathe."), 3, Demands.Rehearsal);
        cut.Reason.ShouldBe("a rehearsal later, keep your strength: the core only, without trills");
        cut.Stretches.Select(stretch => stretch.Parts[0].Part.Title).ShouldBe(["Awareness, always the same", "Long tones"]);
    }

    [Fact]
    public void Versions_take_turns_and_one_that_is_asked_for_comes_first()
    {
        WarmUp[] versions = [Version(1, Day.AddDays(-1)), Version(2, Day.AddDays(-3)), Version(3, null)];
        First(versions).ShouldBe("w:3:");
        First([versions[0], versions[1]]).ShouldBe("w:2:");
        First(versions, "w:1:1").ShouldBe("w:1:");

        static WarmUp Version(int id, DateOnly? last) =>
            new(id, $"{id}", [new(WarmUpElement.Sound, $"tones {id}", "", 3), new(WarmUpElement.Agility, $"runs {id}", "", 1)], last);
        static string First(IReadOnlyList<WarmUp> versions, params string[] asked) =>
            Plan(request => request with { WarmUps = versions, Asked = asked }).First(drill => drill.Area == Area.WarmUp).Targets[0].Key[
                ..4
            ];
    }

    [Fact]
    public void A_passage_that_is_known_and_not_due_serves_as_agility_for_both_at_a_comfortable_tempo()
    {
        var known = new Material
        {
            Id = 5,
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Title = "Ferry Waltz, 17–18",
            FromBar = 17,
            ToBar = 18,
            Readiness = Readiness.Ready,
            LastClean = new Bpm(120),
            Reach = TuningFork.Core.Ability.Reach.At(120, 0.04),
            LastVisit = Day.AddDays(-1),
            Visits = 9,
            Memory = new Memory(30, 5),
        };
        WarmUp[] versions =
        [
            new(1, "one", [new(WarmUpElement.Sound, "tones", "", 2), new(WarmUpElement.Agility, "Easy runs", "", 2, FromRepertoire: true)]),
        ];
        var drill = Plan(request => request with { WarmUps = versions, Materials = [known] })
            .Single(drill => drill.Targets.Any(target => target.MaterialId == 5));
        (drill.Area, drill.CreditedTo, drill.Targets[0].Tempo).ShouldBe((Area.WarmUp, Area.Repertoire, new Bpm(90)));
        drill.Reason.ShouldBe("music you know, credited to repertoire too");

        var due = known with { LastVisit = Day.AddDays(-60) };
        Plan(request => request with { WarmUps = versions, Materials = [due] })
            .Where(drill => drill.Area == Area.WarmUp)
            .ShouldAllBe(drill => drill.CreditedTo == null, "the first take of a day is the test and is not given away");
    }

    private static IEnumerable<Drill> Plan(Func<DayRequest, DayRequest> with) =>
        DayPlanner
            .Plan(
                with(
                    new DayRequest
                    {
                        Day = Day,
                        Minutes = 45,
                        Routine = Shapes.All[0],
                        Family = Family.Winds,
                    }
                )
            )
            .Drills;
}
