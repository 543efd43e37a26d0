using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Methods that alter, what is still missing, and the way back into the piece.</summary>
public sealed class RepertoireFillTests
{
    internal static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void What_is_missing_proposes_the_method_and_an_altered_drill_ends_as_written()
    {
        var drill = Only(
            Passage() with
            {
                Readiness = Readiness.Raw,
                LastClean = null,
                Visits = 4,
                Missing = "rushing",
                Proposed = Methods.SilentBars.Id,
            }
        );
        (drill.MethodId, drill.Reason).ShouldBe((Methods.SilentBars.Id, "still missing: rushing"));
        drill.Targets.Count.ShouldBe(7, "by bars, by beats, by notes, each swapped as well, then as written");
        drill
            .Targets.SkipLast(1)
            .ShouldAllBe(target => target.MaterialId == null && target.Key.StartsWith("m:7:v:silent-", StringComparison.Ordinal));
        drill.Targets[^1].MaterialId.ShouldBe(7, "only the take as written counts for the memory");
        Only(
            Passage() with
            {
                Readiness = Readiness.Raw,
                LastClean = null,
                Visits = 4,
                ToBar = 9,
                FromBar = 9,
                Missing = "rushing",
                Proposed = Methods.SilentBars.Id,
            }
        )
            .Targets.Count.ShouldBe(5, "one bar has no other to take turns with");
    }

    [Theory]
    [InlineData("rhythm", "rhythm-alone")]
    [InlineData("fingering", "growing-chain")]
    [InlineData("coordination", "rhythm-variants")]
    [InlineData("memory", "from-memory")]
    [InlineData("tone", "sing-first")]
    [InlineData("", "silent-bars")]
    public void Without_a_cause_the_difficulty_chooses_the_altered_version(string difficulty, string method) =>
        Only(Passage() with { Readiness = Readiness.Raw, LastClean = null, Visits = 2, Difficulty = difficulty })
            .MethodId.Name.ShouldBe(method);

    [Theory]
    [InlineData(0, 15, 20)]
    [InlineData(1, 12, 23)]
    [InlineData(2, 1, 40)]
    public void A_ready_passage_goes_back_step_by_step(int step, int from, int to)
    {
        var drill = Only(Passage() with { Readiness = Readiness.Ready, LastClean = new Bpm(100), PutBack = step });
        drill.MethodId.ShouldBe(Methods.PutBack.Id);
        drill.Targets[0].StopAfterBar.ShouldBe(to);
        drill.Reason.ShouldStartWith($"bars {from}–{to}, ");
        drill
            .Targets[0]
            .TakeSeconds.ShouldBeGreaterThanOrEqualTo(Takes.Seconds(to - from + 1, 4, new Bpm(102)), "all its bars are counted");
    }

    [Fact]
    public void What_has_come_back_into_its_piece_is_performed_now_and_then() =>
        Only(Passage() with { Readiness = Readiness.Ready, LastClean = new Bpm(100), PutBack = 3 })
            .MethodId.ShouldBe(Methods.PerformanceTake.Id);

    [Fact]
    public void What_was_never_clean_in_four_visits_is_played_in_halves_until_both_are()
    {
        var never = Passage() with { Readiness = Readiness.Raw, LastClean = null, Best = null };
        (int From, int? To) Bars(Material passage) =>
            Only(passage).Targets[^1] is var target ? (target.FromBar, target.StopAfterBar) : default;
        Bars(never with { Visits = 3 }).ShouldBe((16, 19));
        Enumerable
            .Range(4, 6)
            .Select(visits => Bars(never with { Visits = visits }))
            .ShouldBe([(16, 17), (18, 19), (16, 19), (16, 17), (18, 19), (16, 19)]);
        Only(never with { Visits = 4 }).Targets[^1].Key.ShouldBe("m:7:b:16-17", "half of the notes say nothing of the tempo of all");
        PartRecord Clean(int last) => new(Reach.At(70, 0.05), 2, Day.AddDays(-last), new Bpm(70));
        var both = new Dictionary<string, PartRecord>(StringComparer.Ordinal) { ["b:16-17"] = Clean(2), ["b:18-19"] = Clean(1) };
        Bars(never with { Visits = 7, Parts = both }).ShouldBe((16, 19));
        Bars(never with { Visits = 4, FromBar = 16, ToBar = 16 }).ShouldBe((16, 16), "one bar has no halves");
    }

    [Fact]
    public void Mixing_grows_with_what_can_be_played()
    {
        Material[] fresh =
        [
            .. Enumerable
                .Range(1, 4)
                .Select(id => Passage() with { Id = id, Group = id, Readiness = Readiness.Shaping, LastClean = new Bpm(80), Visits = 2 }),
        ];
        Rounds(fresh).Distinct().Count().ShouldBe(1, "in turn while it is fresh");
        Rounds([.. fresh.Select(one => one with { Visits = 9 })]).Distinct().Count().ShouldBeGreaterThan(1, "shuffled later");

        static List<string> Rounds(Material[] all)
        {
            var drill = Drills(all, 10).First(drill => drill.MethodId == Methods.OneTakeRounds.Id);
            return
            [
                .. drill
                    .Sequence.Chunk(drill.Targets.Count)
                    .Where(round => round.Length == drill.Targets.Count)
                    .Select(round => string.Join(',', round)),
            ];
        }
    }

    [Fact]
    public void What_a_drill_leaves_goes_to_the_rounds_after_it()
    {
        Material[] all =
        [
            .. Enumerable
                .Range(1, 4)
                .Select(id => Passage() with { Id = id, Group = id, Readiness = Readiness.Shaping, LastClean = new Bpm(80), Visits = 9 }),
            Passage() with
            {
                Id = 9,
                Group = 9,
                Readiness = Readiness.Raw,
                LastClean = null,
            },
        ];
        var drills = Drills(all, 10);
        var single = drills.First(drill => drill.Targets is [{ MaterialId: 9 }] or [.., { MaterialId: 9 }]);
        var rounds = drills.First(drill => drill.MethodId == Methods.OneTakeRounds.Id);
        SavedTime.PassOn(single, drills, SavedTime.LeastSeconds - 1).ShouldBeNull("no take fits");
        var (longer, passed) = SavedTime.PassOn(single, drills, 60)!.Value;
        passed.ShouldBe(60);
        longer.Id.ShouldBe(rounds.Id);
        longer
            .Sequence.Sum(index => longer.Targets[index].TakeSeconds)
            .ShouldBeInRange(rounds.Sequence.Sum(index => rounds.Targets[index].TakeSeconds) + 1, longer.Seconds);
        SavedTime.PassOn(single with { Area = Area.Technique }, drills, 60).ShouldBeNull("it stays in its area");
        var (doubled, most) = SavedTime.PassOn(single, drills, 31 * 60)!.Value;
        most.ShouldBe(rounds.Minutes * 60, "a drill is doubled at most; the rest stays over");
        SavedTime.PassOn(single, [doubled], 60).ShouldBeNull("and not twice");
        var more = SavedTime.GoOn(rounds, 60)!;
        more.Sequence.Count.ShouldBeGreaterThan(rounds.Sequence.Count, "with nothing after it the rounds go on");
        more.Sequence.Zip(more.Sequence.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
    }

    [Fact]
    public void What_slipped_comes_first_and_what_grows_comes_every_day()
    {
        Material[] all =
        [
            .. Enumerable
                .Range(1, 18)
                .Select(id =>
                    Passage() with
                    {
                        Id = id,
                        Group = id,
                        Readiness = Readiness.Shaping,
                        Best = new Bpm(80),
                        LastVisit = Day.AddDays(-1),
                        Memory = new Memory(300, 5),
                        Slipped = id == 5,
                        Reach = Reach.At(80, 0.05),
                    }
                ),
        ];
        DueList.For(all, Day, School.WideningGaps)[0].Material.Id.ShouldBe(5);
        DueList.For(all, Day, School.WideningGaps).ShouldAllBe(queued => queued.IsDue, "remembered for a year, but not yet up to tempo");
        Standing.Due(all[0], Day, School.WideningGaps).ShouldBeNull("what cannot be played yet is given no date");
        Drills(all, 12)[0].Targets.ShouldContain(target => target.MaterialId == 5);
    }

    [Fact]
    public void New_things_begin_a_few_at_a_time_and_none_on_a_short_day_after_a_holiday_or_while_many_are_not_clean()
    {
        Material New(int id) =>
            Passage() with
            {
                Id = id,
                Group = id,
                Readiness = Readiness.Raw,
                LastVisit = null,
                Visits = 0,
                Memory = null,
            };
        Material NotClean(int id) => Passage() with { Id = id, Group = id, Readiness = Readiness.Raw, Visits = 2 };
        Material[] fresh = [.. Enumerable.Range(11, 12).Select(New)];
        int Begun(IEnumerable<Material> all, Func<DayRequest, DayRequest>? change = null)
        {
            var request = new DayRequest
            {
                Day = Day,
                Minutes = 24,
                UsualMinutes = 24,
                Routine = new Routine("r", [new Block(Area.Repertoire, 1, 24, 99)], false),
                Materials = [.. all],
            };
            return DayPlanner
                .Plan(change?.Invoke(request) ?? request)
                .Drills.SelectMany(drill => drill.Targets)
                .Where(target => target.MaterialId is > 10 and < 23)
                .Select(target => target.MaterialId)
                .Distinct()
                .Count();
        }

        Begun(fresh).ShouldBe(5);
        Begun([.. fresh, .. Enumerable.Range(31, 3).Select(NotClean)]).ShouldBe(2);
        Begun([.. fresh, .. Enumerable.Range(31, 5).Select(NotClean)]).ShouldBe(0);
        Begun([.. fresh, .. Enumerable.Range(31, 5).Select(id => NotClean(id) with { Visits = 4 })])
            .ShouldBe(5, "too big, and no longer counted");
        Begun([.. fresh, NotClean(31)], request => request with { UsualMinutes = 60 }).ShouldBe(0, "much shorter than usual");
        Begun(fresh, request => request with { PracticeDaysBack = 1 }).ShouldBe(0, "the second day back");
        Begun(fresh, request => request with { Demands = Demands.Tired }).ShouldBe(0);
        Begun(fresh, request => request with { UsualMinutes = 15, Minutes = 15 }).ShouldBe(1, "one at a time where days are short");
    }

    [Fact]
    public void A_piece_that_was_never_played_through_waits_while_one_is_building_up()
    {
        Material piece = Passage() with
        {
            Id = 50,
            Group = 50,
            Kind = MaterialKind.Piece,
            Readiness = Readiness.Shaping,
            HasPassages = true,
            FromBar = 1,
            ToBar = 16,
            LastVisit = null,
            Visits = 0,
        };
        Material[] all = [piece, Passage() with { Id = 51, Group = 50, Readiness = Readiness.Shaping, Best = new Bpm(80) }];
        bool Through(int? back, DateOnly? last) =>
            DayPlanner
                .Plan(
                    new DayRequest
                    {
                        Day = Day,
                        Minutes = 30,
                        UsualMinutes = 30,
                        Routine = new Routine("r", [new Block(Area.Play, 1, 30, 99)], false),
                        PracticeDaysBack = back,
                        Materials = [all[0] with { LastVisit = last }, all[1]],
                    }
                )
                .Drills.Any(drill => drill.Area == Area.Play && drill.MethodId == Methods.PerformanceTake.Id);

        Through(null, null).ShouldBeTrue();
        Through(0, null).ShouldBeFalse("something known, or something of one's own");
        Through(0, Day.AddDays(-12)).ShouldBeTrue("it is known");
    }

    [Fact]
    public void Free_choice_fills_nothing_while_something_is_below_its_target()
    {
        Material[] growing =
        [
            .. Enumerable
                .Range(1, 3)
                .Select(id =>
                    Passage() with
                    {
                        Id = id,
                        Group = id,
                        Best = new Bpm(80),
                        LastVisit = Day.AddDays(-1),
                        Reach = Reach.At(70 + id, 0.05),
                    }
                ),
        ];
        Drills(growing, 45).ShouldNotContain(drill => drill.MethodId == Methods.FreePlay.Id);
        Drills(growing, 45).Count(drill => drill.Targets.Any(target => target.MaterialId == 1)).ShouldBeGreaterThan(1, "a second turn");
        Drills([.. growing.Select(one => one with { Reach = Reach.At(112, 0.02), Memory = new Memory(90, 5) })], 20)
            .ShouldContain(drill => drill.MethodId == Methods.FreePlay.Id, "nothing is below");
    }

    /// <summary>
    /// First takes are harder than later ones: what stands at 93 of 100 is not done, and what stands at 101 gains nothing from another
    /// turn.
    /// </summary>
    [Fact]
    public void A_second_turn_goes_to_what_is_not_safe_yet_before_what_is()
    {
        Material[] two =
        [
            .. Enumerable
                .Range(1, 4)
                .Select(id =>
                    Passage() with
                    {
                        Id = id,
                        Group = id,
                        Best = new Bpm(104),
                        LastVisit = Day.AddDays(-1),
                        Memory = new Memory(90, 5),
                        Reach = Reach.At(id <= 2 ? 103 : 109, 0.02),
                    }
                ),
        ];
        two.ShouldAllBe(one => Standing.AtTarget(one, Day));
        two.Select(one => Standing.IsSafe(one, Day)).ShouldBe([false, false, true, true]);
        Drills(two, 10)
            .SelectMany(drill => drill.Targets)
            .Select(target => target.MaterialId)
            .Distinct()
            .ShouldBe([1, 2], ignoreOrder: true);
    }

    [Fact]
    public void Threes_are_performed_every_three_days_one_take_each_in_every_school()
    {
        Material[] threes =
        [
            .. Enumerable
                .Range(1, 4)
                .Select(id =>
                    Passage() with
                    {
                        Id = id,
                        Group = id,
                        Readiness = Readiness.Ready,
                        Confirmed = Day.AddDays(-5),
                        Best = new Bpm(110),
                        LastVisit = Day.AddDays(-3),
                        Reach = Reach.At(115, 0.03),
                        Memory = new Memory(90, 5),
                    }
                ),
        ];
        foreach (var school in Enum.GetValues<School>())
            threes.ShouldAllBe(three => Standing.Due(three, Day, school) <= Day);
        var drill = Drills(threes, 10)[0];
        (drill.MethodId, drill.Sequence.Count).ShouldBe((Methods.OneTakeRounds.Id, 4));
        drill.Targets.ShouldAllBe(target => target.Tempo == new Bpm(110));
        Standing.Due(threes[0] with { LastVisit = Day.AddDays(-1) }, Day, School.WideningGaps).ShouldBe(Day.AddDays(2));
    }

    [Fact]
    public void When_not_all_can_be_ready_what_needs_least_goes_on_and_the_rest_waits_by_name()
    {
        Material[] all =
        [
            .. Enumerable
                .Range(1, 40)
                .Select(id =>
                    Passage() with
                    {
                        Id = id,
                        Group = id,
                        Title = $"Kite, {id}",
                        Best = new Bpm(60),
                        LastVisit = Day.AddDays(-2),
                        Performance = Day.AddDays(20),
                        Reach = Reach.At(60 + id, 0.05),
                    }
                ),
        ];
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = Day,
                Minutes = 20,
                Routine = new Routine("r", [new Block(Area.Repertoire, 1, 20, 99)], false),
                Materials = all,
            }
        );
        var played = plan.Drills.SelectMany(drill => drill.Targets).Select(target => target.MaterialId!.Value).Distinct().ToList();
        played.Min().ShouldBeGreaterThan(20, "nearest to their target");
        plan.Waiting.Select(item => item.MaterialId).ShouldContain(1);
        bool Plays(IEnumerable<Material> some, int days) =>
            Drills([.. some.Select(one => one with { LastVisit = Day.AddDays(-days) })], 20)
                .SelectMany(drill => drill.Targets)
                .Any(target => target.MaterialId < 20);
        Plays(all, 6).ShouldBeFalse("twice as much as fits");
        Plays(all, 19).ShouldBeFalse("the date cannot be kept");
        Plays(all, 20).ShouldBeTrue("nothing is left for ever");
        Plays(all.Select(one => one with { Performance = null }), 9).ShouldBeFalse("no date");
        Plays(all.Select(one => one with { Performance = null }), 10).ShouldBeTrue("no date, and nothing is left for weeks");
        Plays(all.Where(one => one.Id > 16), 5).ShouldBeTrue("not quite so much");
    }

    [Fact]
    public void What_is_not_due_comes_by_what_would_last_least_and_never_two_days_running()
    {
        Material One(int id, int days, double stability) =>
            Passage() with
            {
                Id = id,
                Readiness = Readiness.Shaping,
                LastVisit = Day.AddDays(-days),
                Memory = new Memory(stability, 5),
                Performance = Day.AddDays(60),
                Reach = Reach.At(111, 0.02),
            };
        DueList
            .For([One(1, 2, 90), One(2, 3, 40), One(3, 1, 20)], Day, School.WideningGaps)
            .Select(queued => (queued.Material.Id, queued.IsDue))
            .ShouldBe([(3, false), (2, false), (1, false)]);
        Drills([One(1, 2, 90), One(2, 3, 40), One(3, 1, 20)], 10)
            .SelectMany(drill => drill.Targets)
            .Select(target => target.MaterialId)
            .ShouldNotContain(3, "played yesterday, and not due");
    }

    [Fact]
    public void Sections_grow_and_take_turns_and_whole_run_throughs_come_every_other_day()
    {
        var piece = new Material
        {
            Id = 1,
            Kind = MaterialKind.Piece,
            Area = Area.Repertoire,
            Title = "Kite",
            ToBar = 48,
            Target = new Bpm(120),
            LastClean = new Bpm(100),
            Reach = Reach.At(100, 0.05),
            HasPassages = true,
            Performance = Day.AddDays(28),
            PerformanceSet = Day.AddDays(-40),
        };
        List<(int Day, MethodId Method, int Bars)> found = [];
        for (var day = 0; day < 28; day++)
        {
            var today = Day.AddDays(day);
            var plan = DayPlanner.Plan(
                new DayRequest
                {
                    Day = today,
                    Minutes = 20,
                    Routine = new Routine("r", [new Block(Area.Repertoire, 1, 20, 99)], false),
                    Materials = [piece, Passage() with { LastVisit = today.AddDays(-3), Performance = piece.Performance }],
                }
            );
            if (plan.Drills.FirstOrDefault(drill => drill.Targets is [{ MaterialId: 1 }]) is not { } drill)
                continue;
            drill.Minutes.ShouldBeLessThanOrEqualTo(13, "passages go on");
            found.Add((day, drill.MethodId, (drill.Targets[0].StopAfterBar ?? 48) - drill.Targets[0].FromBar + 1));
            piece = piece with { LastVisit = today, Visits = piece.Visits + 1, Place = drill.Targets[0].StopAfterBar ?? piece.Place };
        }

        found.Select(one => one.Day).ShouldBe([.. Enumerable.Range(0, 14).Select(i => 2 * i), 27], "every other day, and on the eve");
        found.Take(7).ShouldAllBe(one => one.Method == Methods.JoinedSection.Id);
        found.Skip(7).ShouldAllBe(one => one.Method == Methods.PerformanceTake.Id);
        found
            .Take(7)
            .Select(one => one.Bars)
            .ShouldBe([12, 12, 12, 12, 16, 32, 24], "quarters, a third, halves; each where the last one ended, a short rest joined to it");
    }

    [Fact]
    public void What_comes_back_from_a_rest_is_checked_first_thing()
    {
        var back = Passage() with
        {
            Readiness = Readiness.Ready,
            LastVisit = Day.AddDays(-30),
            BackOn = Day.AddDays(-1),
            Memory = new Memory(300, 5),
        };
        var queue = DueList.For([back, Passage() with { Id = 8, Memory = new Memory(30, 5) }], Day, School.WideningGaps);
        (queue[0].Material.Id, queue[0].IsDue, queue[0].Reason).ShouldBe((7, true, "back after 29 days of rest"));
        DueList
            .For([back with { LastVisit = Day.AddDays(-1), Confirmed = Day.AddDays(-1) }], Day, School.WideningGaps)[0]
            .IsDue.ShouldBeFalse("it was checked");
    }

    [Fact]
    public void Goals_rise_along_the_path_to_the_day()
    {
        var goal = new Goal(1, GoalKind.Tempo, 7, 80, 120, Day, Day.AddDays(28));
        goal.Steps.Select(step => step.By).ShouldBe([Day.AddDays(7), Day.AddDays(14), Day.AddDays(21), Day.AddDays(28)]);
        goal.Steps.Zip(goal.Steps.Skip(1), (one, next) => next.Value - one.Value)
            .ShouldBeInOrder(SortDirection.Descending, "fast first, slower towards the end");
        (goal.Steps[0].Value - 80).ShouldBeGreaterThan(10);
        goal.Steps[^1].Value.ShouldBe(120);
        goal.Step(Day.AddDays(40)).Value.ShouldBe(120);
        (
            goal.Behind(goal.Steps[0].Value - 1, Day.AddDays(8)),
            goal.Behind(goal.Steps[0].Value, Day.AddDays(8)),
            goal.Behind(70, Day)
        ).ShouldBe((true, false, true));
        var aimed = Goals.Point([Passage() with { Reach = Reach.At(85, 0.05) }], [goal], Day.AddDays(8))[0];
        (aimed.Goal, aimed.GoalBehind).ShouldBe(($"goal: clean at {goal.Steps[1].Value} by 28 May, behind", true));
        Goals.Point([Passage() with { Reach = Reach.At(120, 0.05) }], [goal], Day)[0].Goal.ShouldBeEmpty("reached");
        new Goal(2, GoalKind.Ready, 1, 0, 3, Day, Day.AddDays(10)).Steps.ShouldBe([new(Day.AddDays(10), 3)], "no week stays empty");
    }

    [Fact]
    public void A_piece_may_follow_a_school_of_its_own()
    {
        var one = Passage() with { Readiness = Readiness.Ready, Memory = new Memory(60, 5), LastVisit = Day.AddDays(-2) };
        DueList.For([one], Day, School.WideningGaps)[0].IsDue.ShouldBeFalse();
        DueList.For([one with { School = School.EveryOtherDay }], Day, School.WideningGaps)[0].IsDue.ShouldBeTrue();
    }

    private static Drill Only(Material passage) => Drills([passage], 5)[0];

    internal static List<Drill> Drills(IReadOnlyList<Material> all, int minutes, params Method[] own) =>
        [
            .. DayPlanner
                .Plan(
                    new DayRequest
                    {
                        Methods = own,
                        Day = Day,
                        Minutes = minutes,
                        Routine = new Routine("r", [new Block(Area.Repertoire, 1, minutes, 99)], false),
                        Materials = all,
                    }
                )
                .Drills,
        ];

    internal static Material Passage() =>
        new()
        {
            Id = 7,
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Title = "Kite, 16–19",
            ShortTitle = "16–19",
            Group = 1,
            FromBar = 16,
            ToBar = 19,
            PieceBegins = 1,
            PieceEnds = 40,
            Target = new Bpm(110),
            LastVisit = Day.AddDays(-2),
            Visits = 6,
            Memory = new Memory(1, 5),
        };
}
