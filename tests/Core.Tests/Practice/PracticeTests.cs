using CsCheck;
using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

public sealed class PracticeTests
{
    /// <summary>Arithmetic: floor((T + r) / (w + r)); the two worked examples, then by laying rounds end to end.</summary>
    [Fact]
    public void Rounds_of_work_and_rest_are_counted_right()
    {
        Takes.WorkRest(24, 4, 1).ShouldBe((5, 24));
        Takes.WorkRest(25, 3, 1).ShouldBe((6, 23));
        Gen.Select(Gen.Int[0, 120], Gen.Int[1, 20], Gen.Int[0, 10])
            .Sample(
                (minutes, work, rest) =>
                {
                    var rounds = 0;
                    for (var used = work; used <= minutes; used += rest + work)
                        rounds++;
                    Takes.WorkRest(minutes, work, rest).Rounds.ShouldBe(rounds);
                }
            );
    }

    /// <summary>Arithmetic: bars x beats x 60 / tempo; fifteen whole notes at 80 last 45 s.</summary>
    [Fact]
    public void A_take_lasts_as_long_as_its_beats()
    {
        Takes.Seconds(15, 4, new Bpm(80), 0).ShouldBe(45);
        Takes.Seconds(2, 3, new Bpm(120), 8).ShouldBe(11);
        Takes.RoundsThatFit(240, [20, 30]).ShouldBe(4);
    }

    /// <summary>
    /// Up after three clean in a row, back after one miss (domain of adaptive testing: Levitt 1971, from memory); single beats near the
    /// target (common practice).
    /// </summary>
    [Fact]
    public void The_ladder_climbs_and_steps_back_by_rule()
    {
        var target = new Bpm(100);
        string Climb(string takes, int start)
        {
            var state = new LadderState(new Bpm(start));
            foreach (var take in takes)
                state = Ladder.After(state, take == '+', target);
            return $"{state.Tempo}";
        }

        Climb("++", 60).ShouldBe("60");
        Climb("+++", 60).ShouldBe("65");
        Climb("++-+++", 60).ShouldBe("60");
        Climb("++-++", 60).ShouldBe("55");
        Climb("-", 60).ShouldBe("55");
        Climb("+++", 96).ShouldBe("97");
        Climb("++++++++++++", 99).ShouldBe("103");
        Climb(new string('+', 90), 99).ShouldBe("110", "a reserve of a tenth, and no more");
        Climb("+++", 115).ShouldBe("115", "what began above it stays");
    }

    [Fact]
    public void Todays_tempo_follows_from_reach_and_from_what_the_method_wants()
    {
        var target = new Bpm(120);
        int At(double reach, Pace pace, int takes = 1, double ease = 1) =>
            TodaysTempo
                .Of(DayReach.At(Estimate.Morning(Reach.At(reach, 0.04), Traits.Usual, 120) with { Takes = takes }), pace, target, ease)
                .Value;
        At(90, Pace.Work).ShouldBeInRange(87, 91);
        At(90, Pace.Work, takes: 0).ShouldBeInRange(82, 87, "the first of the day about 5 % safer");
        At(90, Pace.Ladder).ShouldBeLessThan(At(90, Pace.Work));
        At(90, Pace.Slow).ShouldBeInRange(54, 63, "60 to 70 % of reach");
        At(90, Pace.Anchor).ShouldBe(45);
        At(115, Pace.Performance).ShouldBe(120, "reach allows the target");
        At(100, Pace.Performance).ShouldBeLessThan(101, "else at reach");
        At(140, Pace.Work).ShouldBe(120, "never above the target");
        At(90, Pace.Work, ease: 0.9).ShouldBeLessThan(At(90, Pace.Work) - 5);
        Should.Throw<ArgumentOutOfRangeException>(() => new Bpm(19));
        Should.Throw<ArgumentOutOfRangeException>(() => new Bpm(401));
    }

    /// <summary>85, then 43, then 22, then 20 in three clean visits: so it must never be again.</summary>
    [Fact]
    public void The_slow_anchor_is_half_of_what_can_be_done_however_often_it_is_played()
    {
        var reach = Reach.At(85, 0.05);
        for (var visit = 1; visit <= 3; visit++)
        {
            var anchor = TodaysTempo.Of(DayReach.At(Estimate.Morning(reach, Traits.Usual, 120)), Pace.Anchor, new Bpm(120));
            anchor.Value.ShouldBeInRange(42, 45);
            var day = new DateOnly(2031, 4, 7).AddDays(visit);
            reach = Visits
                .Sum(
                    new BeforeVisit(day.AddDays(-1), null, new Bpm(85), reach, visit),
                    day,
                    [.. Enumerable.Repeat(new Try(true, anchor), 4)],
                    new Bpm(120),
                    reach,
                    Traits.Usual
                )
                .Reach!.Value;
        }

        reach.Tempo.ShouldBeGreaterThan(84);
    }

    [Fact]
    public void In_rounds_the_tempo_moves_after_each_take_by_a_little()
    {
        var target = new Target
        {
            Key = "m:1",
            Title = "A",
            Goal = new Bpm(140),
            Tempo = new Bpm(84),
            Able = Estimate.Morning(Reach.At(88, 0.08), Traits.Usual, 140),
        };
        var drill = new Drill
        {
            Id = "d",
            Area = Area.Repertoire,
            MethodId = Methods.OneTakeRounds.Id,
            Title = "x",
            Minutes = 4,
            Targets = [target, target with { Key = "m:2" }],
            Sequence = [0, 1, 0, 1, 0, 1],
        };
        Bpm After(params (int At, bool Clean, int Tempo)[] played) =>
            Stage.Now(drill, [.. played.Select(take => new StageTake(take.At, take.Clean, new Bpm(take.Tempo)))], 30).Tempo!.Value;
        After().Value.ShouldBe(84);
        After((0, true, 84), (1, true, 84)).Value.ShouldBeInRange(85, 89, "clean: a little up");
        After((0, false, 84), (1, true, 84)).Value.ShouldBeInRange(77, 83, "missed: a little down");
        After((0, true, 84)).Value.ShouldBe(84, "the other has not been played");
        After((0, true, 60), (1, true, 60)).Value.ShouldBe(63, "six in a hundred at most, from the tempo that was played");
    }

    [Fact]
    public void The_stage_goes_round_and_ends_when_the_rounds_are_through()
    {
        var drill = new Drill
        {
            Id = "d1",
            Area = Area.Repertoire,
            MethodId = Methods.OneTakeRounds.Id,
            Title = "two",
            Minutes = 4,
            Targets =
            [
                new Target
                {
                    Key = "m:1",
                    Title = "A, 1–2",
                    StopAfterBar = 2,
                },
                new Target
                {
                    Key = "m:2",
                    Title = "B, 5",
                    StopAfterBar = 5,
                },
            ],
            Sequence = [0, 1, 1, 0],
        };
        var takes = new List<StageTake>();
        Stage.Now(drill, takes, 0).Sentence.ShouldBe("Once. Stop after bar 2.");
        Stage.Now(drill, takes, 0).Next.ShouldBe("B, 5");
        foreach (var index in drill.Sequence)
        {
            Stage.Now(drill, takes, 30).TargetIndex.ShouldBe(index);
            Stage.Now(drill, takes, 30).Complete.ShouldBeFalse();
            takes.Add(new StageTake(index, Clean: false));
        }

        Stage.Now(drill, takes, 60).Complete.ShouldBeTrue();
    }

    [Fact]
    public void Three_clean_in_a_row_end_it_and_a_miss_counts_anew()
    {
        var drill = new Drill
        {
            Id = "d",
            Area = Area.Technique,
            MethodId = Methods.CleanInRow.Id,
            Title = "x",
            Minutes = 3,
            Targets =
            [
                new Target
                {
                    Key = "m:1",
                    Title = "x",
                    Tempo = new Bpm(70),
                },
            ],
        };
        bool Done(string takes) => Stage.Now(drill, [.. takes.Select(take => new StageTake(0, take == '+'))], 10).Complete;
        Done("++").ShouldBeFalse();
        Done("++-++").ShouldBeFalse();
        Done("-+++").ShouldBeTrue();
        Stage.Now(drill, [], 0, nudge: -5).Tempo!.Value.Value.ShouldBe(65);
    }

    [Fact]
    public void Minutes_without_a_miss_count_anew_and_slower_after_one()
    {
        var drill = new Drill
        {
            Id = "d",
            Area = Area.Repertoire,
            MethodId = Methods.CleanMinutes.Id,
            Title = "x",
            Minutes = 4,
            Targets =
            [
                new Target
                {
                    Key = "m:1",
                    Title = "x",
                    Tempo = new Bpm(70),
                    TakeSeconds = 25,
                },
            ],
        };
        Cue After(string takes, double played, double? from) =>
            Stage.Now(drill, [.. takes.Select(take => new StageTake(0, take == '+'))], played, loopFrom: from);
        var before = After("", 30, null);
        (before.Complete, before.TurnsAtSeconds, before.Loop!.FromSeconds).ShouldBe(
            (false, null, null),
            "nothing counts before it was begun"
        );
        var begun = After("", 40, 30);
        (begun.Complete, begun.TurnsAtSeconds, begun.Count).ShouldBe((false, 150, "2:00 without a miss"));
        After("", 149, 30).Complete.ShouldBeFalse();
        After("", 150, 30).Complete.ShouldBeTrue();
        After("+++++++", 60, 30).Complete.ShouldBeFalse("seven quick presses are not two minutes");
        After("++-", 90, 80).Tempo!.Value.Value.ShouldBe(67);
        After("-+-", 90, 80).Tempo!.Value.Value.ShouldBe(64);
        // Eight beats or so at 70 without setting up again: 17 of the 25 seconds; slower they last longer.
        StageLoop.Rounds(drill.Targets[0], new Bpm(70), 51).ShouldBe(3);
        StageLoop.Rounds(drill.Targets[0], new Bpm(35), 51).ShouldBe(1);
        Stage.Now(drill with { Times = 5 }, [], 0, loopFrom: 0).TurnsAtSeconds.ShouldBe(300);
    }

    /// <summary>ISO 16:1975 and equal temperament (from memory).</summary>
    [Fact]
    public void Pitches_have_their_frequencies()
    {
        Tuning.Hertz(69).ShouldBe(440);
        Tuning.Hertz(60).ShouldBe(261.626, 0.0005);
        Tuning.Hertz(64).ShouldBe(329.628, 0.0005);
        Tuning.Hertz(55).ShouldBe(195.998, 0.0005);
        Tuning.Hertz(73).ShouldBe(554.365, 0.0005);
    }

    [Fact]
    public void Ear_questions_answer_what_they_ask()
    {
        foreach (var seed in Enumerable.Range(0, 200))
        {
            foreach (var task in EarTasks.All)
            {
                var question = EarTasks.Question(task.Key, seed);
                JsonOf(question).ShouldBe(JsonOf(EarTasks.Question(task.Key, seed)));
                question.Question.ShouldNotBeEmpty();
                question.Answer.ShouldAllBe(tone => tone.Hertz > 90 && tone.Hertz < 1100);
            }

            var third = EarTasks.Question("ear:quality", seed);
            var semitones = Math.Round(12 * Math.Log2(third.Answer[1].Hertz / third.Answer[0].Hertz));
            third.AnswerText.ShouldBe(semitones == 4 ? "Major" : "Minor");
        }
    }

    /// <summary>Common practice: the octave and the fifth before the sixths and the half step, the chord of a key before its other degrees.</summary>
    [Fact]
    public void Who_begins_is_asked_for_what_is_easily_sung_and_all_of_it_opens_with_right_answers()
    {
        HashSet<string> Asked(string key, int right) =>
            [.. Enumerable.Range(0, 300).Select(seed => EarTasks.Question(key, seed, right: right).AnswerText)];
        Asked("ear:up", 0).ShouldBe(["Up an octave", "Up a fifth"], ignoreOrder: true);
        Asked("ear:degree-minor", 3).ShouldBe(["Degree 1", "Degree 5", "Degree 3"], ignoreOrder: true);
        Asked("ear:down", 60).Count.ShouldBe(9);
        Asked("ear:degree-major", 60).Count.ShouldBe(7);
        foreach (var (key, right) in new[] { ("ear:up", 5), ("ear:down", 20), ("ear:degree-major", 9) })
            Asked(key, right + 3).IsSupersetOf(Asked(key, right)).ShouldBeTrue();
    }

    [Fact]
    public void The_day_turns_at_four_in_the_morning_of_the_player()
    {
        var berlin = TimeZoneInfo.CreateCustomTimeZone("test", TimeSpan.FromHours(2), "test", "test");
        PracticeDay.Of(new DateTimeOffset(2031, 3, 3, 1, 59, 0, TimeSpan.Zero), berlin).ShouldBe(new DateOnly(2031, 3, 2));
        PracticeDay.Of(new DateTimeOffset(2031, 3, 3, 2, 0, 0, TimeSpan.Zero), berlin).ShouldBe(new DateOnly(2031, 3, 3));
    }

    /// <summary>Common practice: less after a week away, and when this week passes 1.3 times the four before.</summary>
    [Fact]
    public void The_load_builds_up_gently()
    {
        var today = new DateOnly(2031, 3, 30);
        Dictionary<DateOnly, double> Days(int from, int to, double minutes) =>
            Enumerable.Range(from, to - from + 1).ToDictionary(back => today.AddDays(-back), _ => minutes);
        Load.For(40, today, Days(1, 30, 30)).ShouldBe(new LoadAdvice(40, ""));
        Load.For(40, today, Days(10, 30, 30)).Minutes.ShouldBe(24);
        Load.For(40, today, Days(1, 34, 20).ToDictionary(day => day.Key, day => day.Key > today.AddDays(-7) ? 60 : 20.0))
            .Minutes.ShouldBe(30);
        Load.For(40, today, new Dictionary<DateOnly, double>()).Reason.ShouldBeEmpty();

        // Ten days away: five practice days back, from six tenths of the minutes on.
        var back = new Dictionary<DateOnly, double>(Days(11, 30, 40));
        List<int> minutes = [];
        for (var day = today; minutes.Count < 6; day = day.AddDays(1))
        {
            var advice = Load.For(50, day, back);
            advice.PracticeDaysBack.ShouldBe(minutes.Count < 6 && advice.Minutes < 50 ? minutes.Count : null);
            minutes.Add(advice.Minutes);
            back[day] = advice.Minutes;
        }

        minutes[0].ShouldBe(30);
        minutes.ShouldBe(minutes.Order());
        minutes[^1].ShouldBe(50);
        Load.For(50, today, new Dictionary<DateOnly, double>(), lastPlayed: today.AddDays(-90))
            .Minutes.ShouldBe(30, "away longer than the days that are looked at");
        Load.For(40, today, Days(1, 34, 20).ToDictionary(day => day.Key, day => day.Key > today.AddDays(-7) ? 60 : 20.0), aWeek: 600)
            .Reason.ShouldBeEmpty("within the minutes set for the week");
    }

    private static string JsonOf(object value) => System.Text.Json.JsonSerializer.Serialize(value);
}
