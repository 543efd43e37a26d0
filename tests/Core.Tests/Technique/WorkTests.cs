using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>Shuttles, chords, steps, grooves, patterns over weeks, fingerings.</summary>
public sealed class WorkTests
{
    [Fact]
    public void A_shuttle_goes_over_two_three_four_six_and_twelve()
    {
        Shuttle.Sizes(12).ShouldBe([2, 3, 4, 6, 12], "the order of the trade (common practice)");
        Shuttle.Sizes(5).ShouldBe([2, 3, 4, 5]);
        Shuttle.Sets(12).CountBy(set => set.Size).Select(pair => pair.Value).ShouldBe([6, 4, 3, 2, 1]);
        Shuttle.After(12, 0, [true, true, false, true, false, true]).Place.ShouldBe(1, "a stop only counts anew");
        Shuttle.After(12, 1, [true, true]).Set.ShouldBe(new ShuttleSet(4, 2));
        Shuttle.After(12, 5, [true, true]).Set.ShouldBe(new ShuttleSet(0, 3), "all pairs are through, so it grows");
        Shuttle.After(2, 0, [true, true, true]).IsDone.ShouldBeTrue("it ends");
    }

    /// <summary>Every set covers its size, all things are met in each size, and after two clean runs of each it ends.</summary>
    [Theory]
    [InlineData(2)]
    [InlineData(5)]
    [InlineData(7)]
    [InlineData(12)]
    [InlineData(24)]
    public void All_things_are_met_in_every_size_and_it_ends(int count)
    {
        var sets = Shuttle.Sets(count);
        foreach (var size in sets.GroupBy(set => set.Size))
            size.SelectMany(set => Enumerable.Range(set.First, set.Size)).Distinct().Order().ShouldBe(Enumerable.Range(0, count));
        Shuttle.After(count, 0, Enumerable.Repeat(true, (2 * sets.Count) - 1)).IsDone.ShouldBeFalse();
        Shuttle.After(count, 0, Enumerable.Repeat(true, 2 * sets.Count)).IsDone.ShouldBeTrue();
    }

    /// <summary>Of the second pair of six, the first thing is repaired with its neighbour in the pair, not with one outside of it.</summary>
    [Fact]
    public void A_shuttle_repairs_inside_its_set()
    {
        var work = new Work(WorkKind.Shuttle) { Items = ["C", "F", "G", "A", "D", "E"] };
        foreach (var (place, late, pair) in new[] { (1, 2, "A and G"), (1, 3, "G and A"), (3, 0, "G and C"), (5, 0, "A and C") })
            Stage.Now(DrillOf(Methods.KeyShuttle, work, place), [new StageTake(0, false, Late: [late])], 0).Title.ShouldBe(pair);
    }

    [Fact]
    public void What_came_late_is_repaired_in_turn_and_then_begins_the_run()
    {
        var work = new Work(WorkKind.Changes) { Items = ["C", "F", "G7", "Am"], Beats = 2 };
        var takes = new List<StageTake> { new(0, false, Late: [2, 0]) };
        Cue Now() => Stage.Now(DrillOf(Methods.ChordChanges, work), takes, 0);
        Now().Title.ShouldBe("F and G7");
        Now().Run!.Steps.ShouldBe(["F", "G7", "F", "G7", "F", "G7", "F", "G7"]);
        Now().Count.ShouldBe("late: G7 and C");
        takes.Add(new(0, false));
        Now().Title.ShouldBe("F and G7", "until it is found");
        takes.Add(new(0, true));
        Now().Title.ShouldBe("Am and C", "the one before goes round");
        takes.AddRange([new(0, false), new(0, false), new(0, false)]);
        Now().Run!.Steps.ShouldBe(["F", "G7", "Am", "C"], "three tries, then the run, with the change that was late in front");
        Now().Count.ShouldBe("0 of 1 runs with all in time");
        Stage
            .Now(
                DrillOf(Methods.ChordChanges, work) with
                {
                    Targets = [DrillOf(Methods.ChordChanges, work).Targets[0] with { Hard = [3] }],
                },
                [],
                0
            )
            .Run!.Steps.ShouldBe(["G7", "Am", "C", "F"], "what was hard last time starts the first run");
    }

    [Fact]
    public void A_run_holds_its_set_and_never_the_same_twice_running()
    {
        for (var seed = 0; seed < 2000; seed++)
        {
            foreach (var set in Shuttle.Sets(12))
            {
                var (size, hard) = (set.Size, set.First + (seed % set.Size));
                var run = Shuttle.Run(set, seed * 37, [99, hard]);
                run[0].ShouldBe(hard, "what is hard comes first");
                run.Distinct().Count().ShouldBe(size);
                run.Zip(run.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
                run.Count.ShouldBe(
                    size == 2 ? 8
                    : size <= 4 ? 2 * size
                    : size
                );
            }
        }
    }

    [Theory]
    [InlineData("C", "C", "C E G")]
    [InlineData("F#m7", "F♯m7", "F♯ A C♯ E")]
    [InlineData("Bbmaj7", "B♭maj7", "B♭ D F A")]
    [InlineData("Dm7/F", "Dm7/F", "F A C D")]
    [InlineData("G7/B", "G7/B", "B D F G")]
    [InlineData("Cø", "Cm7♭5", "C E♭ G♭ B♭")]
    [InlineData("E♭°7", "E♭dim7", "E♭ G♭ B𝄫 D𝄫")]
    [InlineData("CΔ", "Cmaj7", "C E G B")]
    [InlineData("A-7", "Am7", "A C E G")]
    [InlineData("Gmin7(b5)", "Gm7♭5", "G B♭ D♭ F")]
    [InlineData("G7(♭9)", "G7♭9", "G B D F A♭")]
    [InlineData("E7+9", "E7♯9", "E G♯ B D F𝄪")]
    [InlineData("D7-5", "D7♭5", "D F♯ A♭ C")]
    [InlineData("Csus", "Csus4", "C F G")]
    [InlineData("F6/9", "F6/9", "F A C D G")]
    [InlineData("B+", "Baug", "B D♯ F𝄪")]
    [InlineData("A5", "A5", "A E")]
    [InlineData("CM9", "Cmaj9", "C E G B D")]
    [InlineData("C/D", "C/D", "D C E G")]
    [InlineData("C9/D", "C9/D", "D E G B♭ C")]
    [InlineData("Cmaj9", "Cmaj9", "C E G B D")]
    public void Chord_symbols_are_read(string text, string symbol, string notes)
    {
        var chord = ChordSymbols.Parse(text);
        chord.Symbol.ShouldBe(symbol);
        string.Join(' ', chord.Notes.Select(note => note.Printed)).ShouldBe(notes, "theory handbooks, from memory");
    }

    [Theory]
    [InlineData("")]
    [InlineData("H")]
    [InlineData("Cmaj8")]
    [InlineData("C/X")]
    [InlineData("C7b6b6")]
    [InlineData("C/E/G")]
    public void What_is_no_chord_is_refused(string text) => ChordSymbols.TryParse(text, out _).ShouldBeFalse();

    [Fact]
    public void Every_kind_is_read_back_from_its_own_sign_in_every_position()
    {
        foreach (var kind in ChordKinds.All)
        {
            foreach (var position in ChordSymbols.Inversions(new Chord(new NoteName(Step.A, -1), kind)))
                ChordSymbols.Parse(position.Symbol).ShouldBe(position);
        }
    }

    [Fact]
    public void An_open_voicing_drops_the_second_note_from_the_top_and_a_shell_keeps_root_third_and_seventh()
    {
        var chord = ChordSymbols.Parse("Cmaj7");
        Said(Voicing.Close).ShouldBe("C4 E4 G4 B4");
        Said(Voicing.Open).ShouldBe("G3 C4 E4 B4", "keyboard handbooks, drop two, from memory");
        Said(Voicing.Shell).ShouldBe("C4 E4 B4");

        string Said(Voicing voicing) => string.Join(' ', Voicings.Of(chord, voicing));
    }

    [Fact]
    public void Steps_keep_their_place_at_the_end_of_the_time_and_count_retries()
    {
        var work = new Work(WorkKind.Steps) { Items = ["G4", "A4", "B4", "C5"] };
        var drill = DrillOf(Methods.OneByOne, work, place: 1);
        var takes = new List<StageTake>();
        Stage.Now(drill, takes, 0).Title.ShouldBe("A4");
        takes.AddRange([new(0, false), new(0, false)]);
        Stage.Now(drill, takes, 9).Count.ShouldBe("2 of 4, retry 2");
        takes.Add(new(0, true));
        Stage.Now(drill, takes, 9).Title.ShouldBe("B4");
        StageRuns.PlaceAfter(drill, takes).ShouldBe(2);
        takes.AddRange([new(0, true), new(0, true)]);
        Stage.Now(drill, takes, 9).Complete.ShouldBeTrue();
        StageRuns.PlaceAfter(drill, takes).ShouldBe(0, "from the beginning next time");
    }

    [Fact]
    public void Chords_are_run_on_the_click_and_positions_against_the_clock()
    {
        var changes = Stage.Now(
            DrillOf(Methods.ChordChanges, new Work(WorkKind.Changes) { Items = ["Dm7", "G7", "Cmaj7"], Beats = 2 }),
            [],
            0
        );
        changes.Run.ShouldNotBeNull().Steps.ShouldBe(["Dm7", "G7", "Cmaj7"]);
        changes.Run.BeatsEach.ShouldBe(2);
        var positions = Stage.Now(
            DrillOf(Methods.Inversions, new Work(WorkKind.Inversions) { Items = ["C", "G7"], LimitSeconds = 20 }),
            [new(0, true)],
            0
        );
        positions.Title.ShouldBe("G7");
        positions.Run.ShouldNotBeNull().Steps.ShouldBe(["G B D F", "B D F G", "D F G B", "F G B D"]);
        positions.Run.LimitSeconds.ShouldBe(20);
        var shells = Stage.Now(
            DrillOf(Methods.Inversions, new Work(WorkKind.Inversions) { Items = ["Cmaj7"], Voicing = Voicing.Shell }),
            [],
            0
        );
        shells.Run.ShouldNotBeNull().Steps.ShouldBe(["C E B", "E B C", "B C E"], "each position once, the fifth left out");
        shells.Sentence.ShouldBe("All 3 positions in 30 seconds.");
    }

    [Fact]
    public void Bursts_take_turns_and_each_has_its_own_ladder()
    {
        var drill = new Drill
        {
            Id = "d",
            Area = Area.Technique,
            MethodId = Methods.BurstAndSwitch.Id,
            Title = "two",
            Minutes = 5,
            Targets = [TargetAt(80), TargetAt(100)],
        };
        var takes = Enumerable.Range(0, 8).Select(i => new StageTake(i % 2, i % 2 == 0)).ToList();
        var first = Stage.Now(drill, takes, 60);
        first.TargetIndex.ShouldBe(0);
        first.Tempo.ShouldNotBeNull().Value.ShouldBeGreaterThan(80, "four clean bursts");
        first.AsksTension.ShouldBeTrue();
        Stage.Now(drill, [.. takes, new(0, true)], 60).Tempo.ShouldNotBeNull().Value.ShouldBeLessThan(100, "missed each time");
    }

    [Fact]
    public void A_groove_is_read_bar_by_bar()
    {
        var groove = Groove.Parse("7 beats of 2\nslap: ..x...x...x.x. | ..............\nlow:  X...o...x..... | X.............");
        (groove.BeatsPerBar, groove.PlacesPerBeat, groove.Bars).ShouldBe((7, 2, 2));
        groove.Lines[1].Strokes.Take(5).ShouldBe([Stroke.Strong, Stroke.None, Stroke.None, Stroke.None, Stroke.Soft]);
    }

    [Theory]
    [InlineData("low: x..y............", 1, 9, "\"y\" is no stroke")]
    [InlineData("high: x...x...x...x...\nlow: x...x...x...", 2, 17, "12 places; a bar has 16")]
    [InlineData("4 beats of 9\nlow: x", 1, 1, "places of a beat (1 to 6)")]
    [InlineData("high: x...x...x...x...\nlow: x...x...x...x... x...x...x...x...", 2, 38, "Make them equally long")]
    [InlineData("", 1, 1, "1 to 6 lines")]
    public void A_groove_that_does_not_add_up_is_refused_at_its_place(string text, int line, int column, string says)
    {
        var problem = Should.Throw<GrooveException>(() => Groove.Parse(text));
        (problem.Line, problem.Column).ShouldBe((line, column));
        problem.Message.ShouldContain(says);
    }

    [Fact]
    public void Patterns_come_all_one_that_is_not_done_stays_and_the_end_moves()
    {
        var first = new DateOnly(2031, 5, 12);
        foreach (
            var plan in from size in new[] { 3, 4 }
            from week in new[] { 1, 2 }
            from joined in new[] { false, true }
            select new PatternPlan(size, week, joined, first) { Weekdays = 63 }
        )
        {
            var records = new Dictionary<string, PartRecord>(StringComparer.Ordinal);
            var ends = plan.On(records, new Bpm(100), first).Last;
            ends.ShouldBe(
                first.AddDays((int)Math.Ceiling(7.0 * plan.Units.Count / plan.PerWeek)),
                "so many patterns, so many a week (arithmetic)"
            );
            var day = first;
            for (; !plan.On(records, new Bpm(100), day).IsOver && day < first.AddDays(400); day = day.AddDays(1))
            {
                if (!plan.IsOn(day))
                {
                    day.DayOfWeek.ShouldBe(DayOfWeek.Sunday);
                    continue;
                }

                // The very first stays slow for three weeks.
                var key = PatternPlan.KeyOf(plan.On(records, new Bpm(100), day).Numbers);
                var tempo = key.StartsWith("p:1", StringComparison.Ordinal) && day < first.AddDays(21) ? 70 : 100;
                records[key] = new PartRecord(null, (records.GetValueOrDefault(key)?.Days ?? 0) + 1, day, new Bpm(tempo));
            }

            records.Count.ShouldBe(plan.Units.Count, "6, 24 (OEIS A000142), half as many pairs");
            records.Values.ShouldAllBe(record => record.Days >= plan.LeastDays);
            records[PatternPlan.KeyOf(plan.Units[0])].Days.ShouldBeGreaterThan(plan.LeastDays, "it was not done, so it stayed");
        }
    }

    /// <summary>
    /// Both start from the same degree, then both move a step: eight notes over two beats of four (the project's guide, technique).
    /// </summary>
    [Fact]
    public void Two_joined_patterns_start_from_the_same_degree()
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Figure = "pattern",
                Kind = "major",
                Tonic = "C",
                Octaves = 1,
                PatternSize = 3,
                PatternNumber = 1,
                PairedWith = 2,
            },
            Instrument.Known.First(one => one.Name == "Violin")
        );
        sheet
            .Score.Bars.SelectMany(bar => bar.Elements)
            .Where(element => element.Pitches.Count > 0)
            .Take(12)
            .Select(element => element.Pitches[0].Name.ToString())
            .ShouldBe(["C", "D", "E", "C", "E", "D", "D", "E", "F", "D", "F", "E"]);
    }

    [Fact]
    public void Keyboard_scales_are_fingered_as_handbooks_have_it()
    {
        Up("C major", Hand.Right).ShouldBe("12312345");
        Up("C major", Hand.Left).ShouldBe("54321321");
        Up("F major", Hand.Right).ShouldBe("12341234");
        Up("B major", Hand.Left).ShouldBe("43214321");
        Up("Bb major", Hand.Left).ShouldBe("32143213");
        Up("Db major", Hand.Right).ShouldBe("23123412");
        Up("C major", Hand.Right, 2).ShouldBe("123123412312345");
        Up("C major", Hand.Left, 2).ShouldBe("543213214321321", "keyboard handbooks, from memory");
        Fingering.Groups()[0].Select(key => key.Tonic.ToString()).ShouldBe(["C", "D", "E", "G", "A"]);
        Fingering.Groups().Sum(group => group.Count).ShouldBe(12);
        var byFingers = new KeyPlan(Order: KeyOrder.Fingers).Keys();
        byFingers.Take(5).Select(key => key.Tonic.ToString()).ShouldBe(["C", "D", "E", "G", "A"]);
        byFingers.Select(key => key.Tonic.PitchClass).Order().ShouldBe(Enumerable.Range(0, 12));

        static string Up(string key, Hand hand, int octaves = 1) =>
            Key.TryParse(key, out var found) ? string.Concat(Fingering.Up(found, hand, octaves)) : "";
    }

    /// <summary>The thumb never takes a black key, and no finger follows itself; true of every scale fingering (common practice).</summary>
    [Fact]
    public void No_thumb_stands_on_a_black_key()
    {
        int[] black = [1, 3, 6, 8, 10];
        foreach (
            var (key, kind) in Key
                .Majors.Concat(Key.Minors)
                .SelectMany(key => Fingering.Kinds.Where(kind => key.IsMinor != (kind == "major")).Select(kind => (key, kind)))
        )
        {
            var pitches = Scale.Upward(Scale.Kind(kind), new Pitch(key.Tonic, 4), 2);
            foreach (var hand in Enum.GetValues<Hand>())
            {
                var fingers = Fingering.Up(key, hand, 2, kind);
                fingers.Count.ShouldBe(pitches.Count);
                fingers
                    .Zip(pitches)
                    .Where(pair => pair.First == 1)
                    .ShouldAllBe(pair => !black.Contains(pair.Second.Midi % 12), $"{key} {kind} {hand}");
                fingers.Zip(fingers.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second, $"{key} {kind} {hand}");
            }
        }
    }

    private static Target TargetAt(int tempo) =>
        new()
        {
            Key = $"m:{tempo}",
            Title = $"{tempo}",
            Tempo = new Bpm(tempo),
            Goal = new Bpm(160),
        };

    private static Drill DrillOf(Method method, Work work, int place = 0) =>
        new()
        {
            Id = "d",
            Area = Area.Technique,
            MethodId = method.Id,
            Title = "exercise",
            Minutes = 3,
            Targets =
            [
                new Target
                {
                    Key = "m:1",
                    MaterialId = 1,
                    Title = "exercise",
                    Work = work,
                    Place = place,
                },
            ],
        };
}
