using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.WarmUps;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>What the player set is what comes: fixed minutes, the warm-up's, its opening, and what was promised for weeks.</summary>
public sealed class SaidIsDoneTests
{
    private static readonly Routine Tens = new(
        "Three tens",
        [
            new(Area.Technique, 2, 5, 20, Must: false, Fixed: 10),
            new(Area.Play, 2, 5, 20, Must: false, Fixed: 10),
            new(Area.Play, 2, 5, 20, Must: false, Fixed: 10),
        ],
        Interwoven: false
    );

    [Fact]
    public void Three_fixed_tens_in_thirty_minutes_are_ten_each()
    {
        Tens.Breaks(30).ShouldBeEmpty("the minute to shake out gives way");
        RoutineFit.Fit(Tens, Tens.Playing(30)).Minutes.ShouldBe([10, 10, 10]);
        var plan = DayPlanner.Plan(DayPlannerTests.Request(30, Tens, 3, 4, 3));
        plan.Drills.ShouldAllBe(drill => !drill.IsBreak);
        plan.Total.ShouldBe(30);
        SittingLength.Breaks(30).ShouldHaveSingleItem("others keep it");
    }

    [Fact]
    public void What_is_fixed_stays_so_when_minutes_are_left_over()
    {
        var fitted = RoutineFit.Fit(Tens, 45);
        fitted.Minutes.ShouldBe([10, 10, 10]);
        (fitted.Free, fitted.Over).ShouldBe((15, 0));
        var plan = DayPlanner.Plan(DayPlannerTests.Request(45, Tens, 3, 4, 3));
        plan.Drills.Where(drill => !drill.IsBreak).Sum(drill => drill.Minutes).ShouldBe(30);
        plan.Summary.ShouldContain(line => line.Contains("Three tens"));
    }

    [Fact]
    public void The_minutes_of_a_warm_up_in_a_routine_of_ones_own_count()
    {
        Block[] rest = [new(Area.SightReading, 2, 4, 10), new(Area.Technique, 2, 10, 30), new(Area.Repertoire, 2, 20, 60)];
        var own = new Routine("own", [new Block(Area.WarmUp, 1, 26, 26), .. rest], Interwoven: false);
        var fitted = RoutineFit.Fit(own, own.Playing(60)).Minutes[0];
        fitted.ShouldBeGreaterThan(20);
        WarmUp(own).ShouldBeInRange(fitted, 26, "no less than what the editor shows");
        WarmUp(own with { Blocks = [new Block(Area.WarmUp, 1, 3, 3), .. rest] }).ShouldBeLessThanOrEqualTo(3);
        WarmUp(Shapes.Default).ShouldBe(SittingLength.WarmUp(60), "the shapes that come with the program go by the sitting");

        static int WarmUp(Routine routine) =>
            DayPlanner
                .Plan(DayPlannerTests.Request(60, routine, 3, 9, 4))
                .Drills.Where(drill => drill.Area == Area.WarmUp)
                .Sum(drill => drill.Minutes);
    }

    [Theory]
    [InlineData(20, 4)]
    [InlineData(30, 4)]
    [InlineData(60, 7)]
    public void The_opening_gets_its_minutes(int sitting, int minutes)
    {
        var drills = Opened(sitting, minutes);
        drills[0].Title.ShouldBe("Awareness, always the same");
        drills[0].Minutes.ShouldBe(minutes);
    }

    [Fact]
    public void Where_the_opening_has_no_room_it_is_left_out_whole_and_it_can_be_switched_off()
    {
        Opened(10, 4)[0].Title.ShouldNotContain("Awareness");
        Opened(10, 4)[0].Sum.ShouldContain("awareness");
        foreach (var sitting in new[] { 10, 20, 30, 60 })
        {
            Opened(sitting, 0).ShouldAllBe(drill => !drill.Title.Contains("Awareness"));
            Opened(sitting, 0)[0].How.ShouldStartWith(WarmUpOpening.BodyCheck);
        }
    }

    [Fact]
    public void The_players_words_for_a_part_on_a_passage_stand_there()
    {
        var request = DayPlannerTests.Request(45, Shapes.Default, 3, 6, 3);
        var passage = request.Materials.First(material => material.Kind == MaterialKind.Passage && material.LastVisit is not null);
        var version = new WarmUp(
            1,
            "mine",
            [
                new(WarmUpElement.Sound, "Long tones", "softly"),
                new(WarmUpElement.Agility, "Fast fingers", "fast fingers, even", 3, MaterialId: passage.Id),
            ]
        );
        DayPlanner
            .Plan(request with { WarmUps = [version] })
            .Drills.Single(drill => drill.Area == Area.WarmUp && drill.Targets.Any(target => target.MaterialId == passage.Id))
            .How.ShouldBe($"Fast fingers, even. Stop after bar {passage.ToBar}.");
    }

    [Fact]
    public void One_key_a_week_the_same_in_warm_up_and_technique_none_skipped()
    {
        var scale = new Material
        {
            Id = 7,
            Group = 7,
            Kind = MaterialKind.Exercise,
            Title = "Scale",
            Area = Area.Technique,
            IsScale = true,
            ToBar = 2,
            Rhythm = "eighth",
            Target = new(100),
            KeyPlan = new KeyPlan(KeySchool.OneAWeek),
        };
        var weeks = new List<string>();
        var start = DayPlannerTests.Request(45, Shapes.Default, 3, 6, 0);
        for (var day = 0; day < 42; day++)
        {
            var today = start.Day.AddDays(day);
            var request = start with
            {
                Day = today,
                Materials = [.. start.Materials.Where(material => material.Kind != MaterialKind.Exercise), scale],
            };
            var keys = DayPlanner
                .Plan(request)
                .Drills.SelectMany(drill => drill.Targets)
                .Select(target => TargetKey.Parse(target.Key))
                .Where(key => key.Kind == TargetKind.Material && key.Id == scale.Id)
                .Select(key => key.InKey)
                .Distinct()
                .ToList();
            var key = keys.ShouldHaveSingleItem($"day {day}");
            weeks.Add(key);
            // On every other day only the warm-up is played, whose ladder leaves the key's record as technique does.
            scale = scale with
            {
                LastVisit = day % 2 == 0 ? today : scale.LastVisit,
                Visits = scale.Visits + (day % 2 == 0 ? 1 : 0),
                Keys = Touched(scale.Keys, key, today),
            };
        }

        weeks.Chunk(7).ShouldAllBe(week => week.Distinct().Count() == 1);
        weeks.Distinct().ShouldBe(new KeyPlan(KeySchool.OneAWeek).Keys().Take(6).Select(key => $"{key}"));

        static IReadOnlyList<KeyRecord> Touched(IReadOnlyList<KeyRecord> known, string name, DateOnly day)
        {
            var key = new KeyPlan().Keys().First(one => $"{one}" == name);
            var before = known.FirstOrDefault(record => record.Key == key);
            var first = before is { FirstDay: var from } && day.DayNumber - from.DayNumber < 7 ? from : day;
            return [.. known.Where(record => record.Key != key), new KeyRecord(key, day, first, Began: true)];
        }
    }

    /// <summary>Two weeks with two sittings a day, and two with one: each visit is in the plan, or is said not to be.</summary>
    [Theory]
    [InlineData(30, 20)]
    [InlineData(20, 15)]
    [InlineData(45, 10)]
    public void Two_visits_a_day_are_two_visits_a_day(int first, int second)
    {
        var exercise = 202;
        foreach (var id in new[] { exercise, 3 })
        {
            var request = DayPlannerTests.Request(first, Shapes.Default, 5, 14, 6);
            var materials = request.Materials.ToDictionary(material => material.Id);
            materials[id] = materials[id] with { TwiceADay = true };
            for (var day = 0; day < 14; day++)
            {
                var today = request.Day.AddDays(day);
                foreach (var (minutes, sitting) in new[] { (first, 0), (second, 1) })
                {
                    var plan = DayPlanner.Plan(
                        request with
                        {
                            Day = today,
                            Minutes = minutes,
                            Sitting = sitting,
                            BackToday = sitting > 0,
                            Seed = day,
                            Materials = [.. materials.Values],
                        }
                    );
                    var played = plan
                        .Drills.SelectMany(drill => drill.Targets)
                        .Select(target => target.MaterialId)
                        .OfType<int>()
                        .ToHashSet();
                    played.ShouldContain(id, $"day {day}, sitting {sitting}");
                    foreach (var one in played)
                        materials[one] = materials[one] with { LastVisit = today, Visits = materials[one].Visits + 1 };
                }

                // With one sitting the second visit is a spare minute, offered before anything else.
                SpareMinutes.Choose([.. materials.Values], today, [], [], away: false, hasEar: true)!.MaterialId.ShouldBe(id);
            }
        }
    }

    [Fact]
    public void A_visit_that_has_no_room_is_said()
    {
        var request = DayPlannerTests.Request(20, Shapes.Default, 5, 6, 4);
        var soon = request with
        {
            Sitting = 1,
            Materials =
            [
                .. request.Materials.Select(material =>
                    material.Id == 201 ? material with { TwiceADay = true, LastVisit = request.Day } : material
                ),
            ],
        };
        DayPlanner.Plan(soon).Waiting.Single(item => item.MaterialId == 201).Reason.ShouldContain("two hours");
        var music = soon with
        {
            BackToday = true,
            Routine = new Routine("music", [new(Area.WarmUp, 1, 3, 6), new(Area.Repertoire, 5, 20, 60)], Interwoven: false),
        };
        DayPlanner.Plan(music).Waiting.Single(item => item.MaterialId == 201).Reason.ShouldContain("no room");
    }

    private static IReadOnlyList<Drill> Opened(int sitting, int minutes) =>
        [
            .. DayPlanner
                .Plan(
                    DayPlannerTests.Request(sitting, Shapes.Default, 3, 9, 4) with
                    {
                        WarmUpSchool = WarmUpSchool.Awareness,
                        Awareness = "Breathe out.",
                        OpeningMinutes = minutes,
                    }
                )
                .Drills.Where(drill => drill.Area == Area.WarmUp),
        ];
}
