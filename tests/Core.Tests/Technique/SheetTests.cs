using CsCheck;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

public sealed class SheetTests
{
    private static readonly Instrument Clarinet = Named("B-flat clarinet");

    /// <summary>Broken thirds and chords through a scale, as method books print them (common practice).</summary>
    [Theory]
    [InlineData("thirds", ShapeWay.Up, "C4 E4 D4 F4 E4 G4 F4 A4 G4 B4 A4 C5 B4 G4 A4 F4 G4 E4 F4 D4 E4 C4")]
    [InlineData("thirds", ShapeWay.Down, "E4 C4 F4 D4 G4 E4 A4 F4 B4 G4 C5 A4 G4 B4 F4 A4 E4 G4 D4 F4 C4 E4 C4")]
    [InlineData("triads", ShapeWay.Mixed, "C4 E4 G4 A4 F4 D4 E4 G4 B4 C5 A4 F4 B4 G4 E4 D4 F4 A4 G4 E4 C4")]
    [InlineData("sevenths", ShapeWay.Up, "C4 E4 G4 B4 D4 F4 A4 C5 B4 G4 E4 C4")]
    public void Shapes_move_through_a_scale_and_back(string shape, ShapeWay way, string notes)
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Figure = "shape",
                Shape = shape,
                Way = way,
            },
            Instrument.Known.First(one => one.Name == "Flute")
        );
        string.Join(
                ' ',
                sheet.Score.Bars.SelectMany(bar => bar.Elements).Where(one => !one.IsRest).SelectMany(one => one.Pitches).Take(sheet.Notes)
            )
            .ShouldBe(notes);
        sheet.Title.ShouldBe($"C major in {ScaleShape.Get(shape).Name}, one octave");
    }

    /// <summary>A mode counts from its own first note (common practice): D Dorian is 1 2 ♭3 4 5 6 ♭7.</summary>
    [Fact]
    public void Degrees_of_a_mode_count_from_its_first_note_also_where_it_is_moved()
    {
        var score = Sheets.Make(new SheetWish { Kind = "dorian", Tonic = "D" }, Clarinet).Score;
        WordsOf(score, Naming.Degrees).ShouldBe("1 2 ♭3 4 5 6 ♭7 1");
        WordsOf(score, Naming.Sargam).ShouldBe("S R g m P D n S");
        WordsOf(Concert.Of(score), Naming.Degrees).ShouldBe("1 2 ♭3 4 5 6 ♭7 1");

        static string WordsOf(Score score, Naming naming) =>
            string.Join(
                ' ',
                AbcWriter
                    .Write(score, naming: naming)
                    .Split('\n')
                    .First(line => line.StartsWith("w:", StringComparison.Ordinal))[2..]
                    .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                    .Take(8)
            );
    }

    /// <summary>Octave by octave a slur ends with its octave: none leads from the last note of one to the first of the next.</summary>
    [Theory]
    [InlineData("pairs")]
    [InlineData("one-three")]
    [InlineData("slurred")]
    public void Slurs_begin_anew_with_each_octave_that_is_played_by_itself(string joining)
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Tonic = "F",
                Octaves = 2,
                Order = OctaveOrder.ByOctavesThenJoined,
                Joining = joining,
            },
            Clarinet
        );
        var notes = sheet.Score.Bars.SelectMany(bar => bar.Elements).Where(one => !one.IsRest).ToList();
        var isOpen = false;
        for (var i = 0; i < sheet.Notes; i++)
        {
            if (i is 15 or 30)
                isOpen.ShouldBeFalse($"a slur over note {i}");
            isOpen = (isOpen || notes[i].SlurBegins) && !notes[i].SlurEnds;
        }

        var first = notes.Take(15).Select(one => (one.SlurBegins, one.SlurEnds)).ToList();
        notes.Skip(15).Take(15).Select(one => (one.SlurBegins, one.SlurEnds)).ShouldBe(first);
    }

    /// <summary>Scales without one letter each are written as one reads them (common practice).</summary>
    [Theory]
    [InlineData("F#", "whole-tone", "F# G# A# C D E F#")]
    [InlineData("B", "whole-tone", "B C# D# F G A B")]
    [InlineData("C", "whole-tone", "C D E F# G# A# C")]
    public void Scales_of_other_than_seven_notes_have_no_double_accidentals(string tonic, string kind, string notes)
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Tonic = tonic,
                Kind = kind,
                Octaves = 1,
            },
            InstrumentNames.Find("piano")!
        );
        string.Join(' ', sheet.Score.Bars.SelectMany(bar => bar.Elements).Take(7).Select(element => element.Pitches[0].Name.ToString()))
            .ShouldBe(notes);
    }

    /// <summary>Every note of every shape lies in the scale and in the octaves asked for.</summary>
    [Fact]
    public void No_shape_leaves_its_scale_or_its_octaves()
    {
        var piano = Instrument.Known.First(one => one.Name == "Piano");
        foreach (var shape in ScaleShape.All)
        foreach (var kind in new[] { "major", "harmonic-minor", "dorian" })
        foreach (var way in Enum.GetValues<ShapeWay>())
        {
            var wish = new SheetWish
            {
                Figure = "shape",
                Shape = shape.Id,
                Way = way,
                Kind = kind,
                Tonic = "Bb",
                Octaves = 2,
            };
            var scale = Sheets.Make(wish with { Figure = "scale" }, piano);
            var notes = Notes(Sheets.Make(wish, piano));
            notes.Except(Notes(scale)).ShouldBeEmpty($"{shape.Id} {kind}");
            notes.Distinct().Count().ShouldBe(15, "all fifteen notes of two octaves are met");
            (notes[0] == notes[^1] || way == ShapeWay.Down).ShouldBeTrue();
        }

        static List<Pitch> Notes(Sheet sheet) =>
            [.. sheet.Score.Bars.SelectMany(bar => bar.Elements).Where(one => !one.IsRest).SelectMany(one => one.Pitches)];
    }

    [Fact]
    public void Every_sheet_has_full_bars_and_stays_in_the_range()
    {
        var wishes =
            from instrument in Gen.OneOf(Instrument.Known.Where(one => one.IsPitched).ToArray())
            from kind in Gen.OneOf(Scale.Kinds.ToArray())
            from tonic in Gen.Int[-7, 7]
            from octaves in Gen.Int[1, 4]
            from rhythm in Gen.OneOf(Rhythm.All.ToArray())
            from joining in Gen.OneOf(Joining.All.ToArray())
            from order in Gen.Int[0, 1]
            select (
                instrument,
                new SheetWish
                {
                    Kind = kind.Id,
                    Tonic = NoteName.AtFifths(tonic).ToString(),
                    Octaves = octaves,
                    Rhythm = rhythm.Id,
                    Joining = joining.Id,
                    Order = (OctaveOrder)order,
                }
            );
        var made = 0;
        wishes.Sample(
            pair =>
            {
                var (instrument, wish) = pair;
                try
                {
                    var sheet = Sheets.Make(wish, instrument);
                    sheet.Score.Check().ShouldBeEmpty();
                    var pitches = sheet.Score.Bars.SelectMany(bar => bar.Elements).SelectMany(element => element.Pitches).ToList();
                    pitches.ShouldAllBe(pitch =>
                        pitch.Midi >= instrument.Lowest!.Value.Midi && pitch.Midi <= instrument.Highest!.Value.Midi
                    );
                    Performed.Notes(sheet.Score).Count.ShouldBe(sheet.Notes);
                    if (wish.Order == OctaveOrder.UpAndDown)
                        sheet.Notes.ShouldBe(Sheets.NoteCount(Scale.Kind(wish.Kind).Count, wish.Octaves));
                    Interlocked.Increment(ref made);
                }
                catch (SheetException refused)
                {
                    refused.Field.ShouldBeOneOf("octaves", "tonic");
                    refused.Message.ShouldMatch("Choose|Take|Widen");
                }
            },
            iter: 600
        );
        made.ShouldBeGreaterThan(100);
    }

    /// <summary>Arithmetic: 15 notes at 80 last 45 s in whole notes, then half of it on each rung.</summary>
    [Fact]
    public void The_subdivision_ladder_says_how_long_each_rung_lasts()
    {
        var sheet = Sheets.Make(new SheetWish { Tempo = new Bpm(80) }, Clarinet);
        sheet.Notes.ShouldBe(15);
        sheet.Rungs.Select(rung => rung.Seconds).ShouldBe([45, 22.5, 11.25, 5.625, 2.8125]);
        sheet.LadderSeconds.ShouldBe(87.1875);
        Sheets.NoteCount(7, 2).ShouldBe(29);
    }

    /// <summary>Arithmetic: notes per click must divide the notes to the top.</summary>
    [Theory]
    [InlineData(7, 1, 2, false)]
    [InlineData(7, 2, 2, true)]
    [InlineData(7, 3, 3, true)]
    [InlineData(7, 4, 4, true)]
    [InlineData(7, 3, 4, false)]
    [InlineData(12, 1, 4, true)]
    public void The_top_note_falls_on_a_click_only_when_the_notes_divide(int notes, int octaves, int perClick, bool falls)
    {
        Sheets.TopFallsOnClick(notes, octaves, perClick).ShouldBe(falls);
        ((notes * octaves % perClick) == 0).ShouldBe(falls);
    }

    [Fact]
    public void A_top_note_between_clicks_is_said_with_the_octaves_that_mend_it()
    {
        Sheets
            .Make(
                new SheetWish
                {
                    Rhythm = "eighth",
                    Octaves = 1,
                    Tonic = "F",
                },
                Clarinet
            )
            .TopNote.ShouldBe("The top note is note 2 of 2 in its click, not on it. With two octaves it falls on one.");
        Sheets
            .Make(
                new SheetWish
                {
                    Rhythm = "eighth",
                    Octaves = 2,
                    Tonic = "F",
                },
                Clarinet
            )
            .TopNote.ShouldBe("The top note falls on a click.");
    }

    [Fact]
    public void A_sheet_for_the_clarinet_is_written_and_sounds_a_whole_tone_lower()
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Tonic = "D",
                Octaves = 2,
                Rhythm = "quarter",
            },
            Clarinet
        );
        sheet.Score.Key.ToString().ShouldBe("D major");
        var written = sheet.Score.Bars.SelectMany(bar => bar.Elements).SelectMany(element => element.Pitches).First();
        written.ToString().ShouldBe("D4");
        var heard = Performed.Notes(sheet.Score);
        heard[0].Midi.ShouldBe(Pitch.Parse("C4").Midi);
        heard.Max(note => note.Midi).ShouldBe(Pitch.Parse("C6").Midi);
        sheet.Score.Key.Plus(sheet.Score.ToSounding).ToString().ShouldBe("C major");
    }

    /// <summary>Dictionary order, arithmetic (OEIS A000142 for the counts).</summary>
    [Fact]
    public void Patterns_are_numbered_in_dictionary_order()
    {
        string Name(int size, int number) => string.Concat(Patterns.Permutation(size, number));
        new[] { 3, 4, 5 }.Select(Patterns.Count).ShouldBe([6, 24, 120]);
        new[] { 1, 2, 8, 24 }.Select(number => Name(4, number)).ShouldBe(["1234", "1243", "2143", "4321"]);
        for (var size = 3; size <= 5; size++)
        {
            var all = Enumerable.Range(1, Patterns.Count(size)).Select(number => Name(size, number)).ToList();
            all.ShouldBe(all.OrderBy(name => name, StringComparer.Ordinal));
            all.Distinct().Count().ShouldBe(all.Count);
        }

        Patterns.DaysLeft(17, 2).ShouldBe(60);
    }

    [Fact]
    public void A_pattern_moves_up_the_scale_step_by_step_and_back()
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Figure = "pattern",
                Tonic = "F",
                PatternSize = 4,
                PatternNumber = 8,
            },
            Clarinet
        );
        sheet.Title.ShouldBe("Pattern 8 (2143) in F major, one octave");
        var names = sheet
            .Score.Bars.SelectMany(bar => bar.Elements)
            .SelectMany(element => element.Pitches)
            .Select(pitch => pitch.ToString())
            .ToList();
        names.Take(8).ShouldBe(["G3", "F3", "Bb3", "A3", "A3", "G3", "C4", "Bb3"]);
        names[^1].ShouldBe("F3");
        sheet.Notes.ShouldBe((2 * 5 * 4) + 1);
        sheet.Score.Check().ShouldBeEmpty();
        var pair = Sheets.Make(
            new SheetWish
            {
                Figure = "pattern",
                Tonic = "F",
                PatternNumber = 8,
                PairedWith = 24,
            },
            Clarinet
        );
        pair.Title.ShouldContain("8 and 24 (2143 4321)");
    }

    [Theory]
    [InlineData("octaves", "C", "major", 4)]
    [InlineData("tonic", "G#", "major", 1)]
    [InlineData("tonic", "H", "major", 1)]
    [InlineData("kind", "C", "flamboyant", 1)]
    [InlineData("octaves", "C", "major", 9)]
    public void What_cannot_be_written_is_refused_with_its_field_and_remedy(string field, string tonic, string kind, int octaves)
    {
        var refused = Should.Throw<SheetException>(() =>
            Sheets.Make(
                new SheetWish
                {
                    Tonic = tonic,
                    Kind = kind,
                    Octaves = octaves,
                },
                Clarinet
            )
        );
        refused.Field.ShouldBe(field);
    }

    [Fact]
    public void A_range_upside_down_and_an_instrument_without_pitch_are_refused()
    {
        Should
            .Throw<SheetException>(() => Sheets.Make(new SheetWish { Lowest = Pitch.Parse("C5"), Highest = Pitch.Parse("C4") }, Clarinet))
            .Message.ShouldContain("upside down");
        Should.Throw<SheetException>(() => Sheets.Make(new SheetWish(), Named("Hand drum"))).Field.ShouldBe("instrument");
        Should.Throw<SheetException>(() => Sheets.Make(new SheetWish { Tonic = "G#" }, Clarinet)).Message.ShouldContain("A♭");
    }

    /// <summary>Where players begin a scale, and the clef they read it in (common practice).</summary>
    [Theory]
    [InlineData("Piano", "C", 1, null, "C4", Clef.Treble)]
    [InlineData("Piano", "Bb", 2, Hand.Right, "Bb3", Clef.Treble)]
    [InlineData("Piano", "C", 1, Hand.Left, "C3", Clef.Bass)]
    [InlineData("Piano", "F", 2, Hand.Left, "F2", Clef.Bass)]
    [InlineData("Piano", "Ab", 1, Hand.Left, "Ab2", Clef.Bass)]
    [InlineData("Piano", "F#", 4, null, "F#3", Clef.Treble)]
    [InlineData("Horn in F", "C", 2, null, "C4", Clef.Treble)]
    [InlineData("Horn in F", "F", 2, null, "F3", Clef.Treble)]
    [InlineData("Double bass", "F", 1, null, "F2", Clef.Bass)]
    [InlineData("Guitar", "C", 2, null, "C4", Clef.Treble)]
    public void A_scale_begins_where_players_begin(string instrument, string tonic, int octaves, Hand? hand, string first, Clef clef)
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Tonic = tonic,
                Octaves = octaves,
                Hand = hand,
            },
            Named(instrument)
        );
        (sheet.Score.Bars[0].Elements[0].Pitches[0].ToString(), sheet.Score.Clef).ShouldBe((first, clef));
    }

    [Fact]
    public void A_lowest_note_that_is_given_comes_before_what_is_usual()
    {
        var wish = new SheetWish { Tonic = "C", Lowest = Pitch.Parse("C2") };
        var sheet = Sheets.Make(wish, Named("Piano"));
        (sheet.Score.Bars[0].Elements[0].Pitches[0].ToString(), sheet.Score.Clef).ShouldBe(("C2", Clef.Bass));
    }

    private static Instrument Named(string name) => Instrument.Known.First(one => one.Name == name);
}
