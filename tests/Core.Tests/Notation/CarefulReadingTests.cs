using System.Text;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>
/// What a careful reader takes of MusicXML (MusicXML 4.0, W3C, from memory): nothing silently wrong, what is left out named by bar.
/// Notes are told as "MIDI@begin+length" in quarters.
/// </summary>
public sealed class CarefulReadingTests
{
    [Fact]
    public void Tuplets_without_brackets_nested_ones_and_lengths_a_tick_off_keep_every_note()
    {
        var triplets = Read(
            Bar(
                1,
                Divisions(3)
                    + Note("C4", 1, "eighth", Ratio(3, 2))
                    + Note("D4", 1, "eighth", Ratio(3, 2))
                    + Note("E4", 1, "eighth", Ratio(3, 2))
                    + Note("F4", 9, "half", dots: 1)
            )
        );
        Heard(triplets).ShouldBe("60@0+1/3 62@1/3+1/3 64@2/3+1/3 65@1+3");
        triplets
            .Score.Bars[0]
            .Elements.Take(3)
            .Select(one => (one.Tuplet!.Begins, one.Tuplet.Ends))
            .ShouldBe([(true, false), (false, false), (false, true)]);
        // Two triplets one after the other are two groups.
        Read(
            Bar(
                1,
                Divisions(3) + string.Concat("CDEFGA".Select(step => Note($"{step}4", 1, "eighth", Ratio(3, 2)))) + Note("C5", 6, "half")
            )
        )
            .Score.Bars[0]
            .Elements.Count(one => one.Tuplet is { Begins: true })
            .ShouldBe(2);
        // Seven in the time of four, a length of a tick too little, and a triplet inside a triplet.
        var seven = Read(Bar(1, Divisions(480) + string.Concat("CDEFGAB".Select(step => Note($"{step}4", 274, "quarter", Ratio(7, 4))))));
        seven.Score.Bars[0].Length.ShouldBe(Fraction.Whole);
        seven.Score.Bars[0].Elements.Count.ShouldBe(7);
        var inner = string.Concat("CDE".Select(step => Note($"{step}4", 1, "16th", Ratio(9, 4))));
        var nested = Read(
            Bar(
                1,
                Divisions(9)
                    + inner
                    + Note("F4", 3, "eighth", Ratio(3, 2))
                    + Note("G4", 3, "eighth", Ratio(3, 2))
                    + Note("A4", 27, "half", dots: 1)
            )
        );
        nested.Score.Bars[0].Elements.Count(one => !one.IsRest).ShouldBe(6);
    }

    [Fact]
    public void Voices_staves_and_chords_over_both_staves_are_kept_each_in_its_place()
    {
        var read = Read(
            Bar(
                1,
                "<attributes><divisions>1</divisions><staves>2</staves><clef number=\"1\"><sign>G</sign><line>2</line></clef><clef number=\"2\"><sign>F</sign><line>4</line></clef></attributes>"
                    + Note("C5", 2, "half", more: "<staff>1</staff>")
                    + "<backup><duration>2</duration></backup>"
                    + Note("E4", 4, "whole", more: "<staff>1</staff>", voice: 2)
                    + "<backup><duration>4</duration></backup>"
                    + Note("C3", 4, "whole", more: "<staff>2</staff>", voice: 5)
                    + Note("G4", 4, "whole", more: "<staff>1</staff>", voice: 5, chord: true)
            )
        );
        // The first voice ends early: that is no upbeat.
        read.Score.Numbers().ShouldBe([1]);
        read.Music.Staves.ShouldBe(2);
        read.LeftOut.ShouldBeEmpty();
        Heard(read).ShouldBe("48@0+4 64@0+4 67@0+4 72@0+2");
        Performed.Notes(read.Music.OfStaff(1).Voices).ShouldHaveSingleItem().Midi.ShouldBe(48);
    }

    [Fact]
    public void A_tie_of_some_notes_of_a_chord_and_one_into_another_voice_hold()
    {
        var read = Read(
            Bar(1, Divisions(1) + Note("C4", 4, "whole") + Note("E4", 4, "whole", chord: true, more: Tied))
                + Bar(2, Note("D4", 4, "whole") + Note("E4", 4, "whole", chord: true))
                + Bar(3, Note("G4", 4, "whole", more: Tied))
                + Bar(4, Note("C4", 4, "whole") + "<backup><duration>4</duration></backup>" + Note("G4", 4, "whole", voice: 2))
        );
        Heard(read).ShouldBe("60@0+4 64@0+8 62@4+4 67@8+8 60@12+4");
        read.LeftOut.ShouldBeEmpty();
    }

    [Fact]
    public void Bars_cut_in_two_upbeats_and_the_files_own_numbers_stay()
    {
        var read = Read(
            Bar(5, Divisions(1) + Note("C4", 4, "whole"))
                + Bar(6, Note("D4", 3, "half", dots: 1) + Repeat("backward"))
                + $"<measure number=\"X1\" implicit=\"yes\">{Note("E4", 1, "quarter")}</measure>"
                + Bar(7, Note("F4", 4, "whole"))
        );
        read.Score.Numbers().ShouldBe([5, 6, 6, 7]);
        read.Score.Played().ShouldBe([0, 1, 0, 1, 2, 3]);
        // The short bar before the repeat is no rest longer than it is written.
        Performed.Length(read.Score).ShouldBe(new Fraction((4 + 3 + 4 + 3 + 1 + 4), 4));
        Excerpt.Of(read.Music, 6, 6).Lead.Bars.Count.ShouldBe(2);
        Read($"<measure number=\"0\" implicit=\"yes\">{Divisions(1)}{Note("C4", 1, "quarter")}</measure>{Bar(1, Note("D4", 4, "whole"))}")
            .Score.Numbers()
            .ShouldBe([0, 1]);
    }

    [Fact]
    public void The_way_through_the_music_is_followed()
    {
        string Sound(string what) => $"<direction><direction-type><words>{what}</words></direction-type><sound {what}/></direction>";
        Read(
            Bar(1, Divisions(1) + Note("C4", 4, "whole"))
                + Bar(
                    2,
                    Note("D4", 4, "whole") + Sound("fine=\"yes\"").Replace("<words>fine=\"yes\"", "<words>Fine", StringComparison.Ordinal)
                )
                + Bar(
                    3,
                    Note("E4", 4, "whole")
                        + Sound("dacapo=\"yes\"").Replace("<words>dacapo=\"yes\"", "<words>D.C.", StringComparison.Ordinal)
                )
        )
            .Score.Played()
            .ShouldBe([0, 1, 2, 0, 1]);
        Read(Bar(1, Divisions(1) + Note("C4", 4, "whole") + Repeat("backward\" times=\"4")) + Bar(2, Note("D4", 4, "whole")))
            .Score.Played()
            .ShouldBe([0, 0, 0, 0, 1]);
    }

    [Fact]
    public void Metres_that_add_up_and_none_at_all_are_read_and_beams_are_those_of_the_file()
    {
        var seven = Read(
            Bar(
                1,
                "<attributes><divisions>2</divisions><time><beats>3+2+2</beats><beat-type>8</beat-type></time></attributes>"
                    + string.Concat("CDEFGAB".Select(step => Note($"{step}4", 1, "eighth")))
            )
        );
        (seven.Score.Time.ToString(), AbcWriter.Write(seven.Music)).ShouldBe(("3+2+2/8", "X:1\nM:3+2+2/8\nL:1/8\nK:C\nCDE FG AB |]\n"));
        var free = Read(
            Bar(
                1,
                "<attributes><divisions>1</divisions><time><senza-misura/></time></attributes>"
                    + string.Concat(Enumerable.Repeat(Note("C4", 1, "quarter"), 11))
            )
        );
        (free.Score.Time.IsFree, free.Score.Bars[0].Elements.Count).ShouldBe((true, 11));
        var beamed = Read(
            Bar(
                1,
                Divisions(2)
                    + Note("C4", 1, "eighth", more: "<beam number=\"1\">begin</beam>")
                    + Note("D4", 1, "eighth", more: "<beam number=\"1\">end</beam>")
                    + Note("E4", 1, "eighth")
                    + Note("F4", 1, "eighth")
                    + Note("G4", 4, "half")
            )
        );
        AbcWriter.Write(beamed.Music).ShouldContain("CD E F G4");
    }

    [Fact]
    public void Signs_are_kept_and_what_is_not_is_named_with_its_bar()
    {
        var read = Read(
            Bar(
                1,
                Divisions(1)
                    + "<direction><direction-type><dynamics><mf/></dynamics></direction-type></direction><direction><direction-type><wedge type=\"crescendo\"/></direction-type></direction>"
                    + Note(
                        "C4",
                        2,
                        "half",
                        more: "<notations><fermata/><articulations><strong-accent/></articulations><technical><up-bow/><fingering>3</fingering></technical></notations>"
                    )
                    + "<note><grace/><pitch><step>B</step><octave>4</octave></pitch><type>eighth</type></note>"
                    + Note("D4", 2, "half", more: "<notations><ornaments><trill-mark/></ornaments></notations>")
                    + "<direction><direction-type><wedge type=\"stop\"/></direction-type></direction><direction><direction-type><pedal type=\"start\"/></direction-type></direction>"
            ) + Bar(2, Note("E4", 4, "whole", more: "<lyric><text>la</text></lyric>") + "<harmony/>")
        );
        var (first, second) = (read.Score.Bars[0].Elements[0], read.Score.Bars[0].Elements[1]);
        (first.Dynamic, first.Hairpin, first.Marks, first.Articulation, first.Finger).ShouldBe(
            ("mf", Hairpin.GrowsFrom, Marks.Fermata | Marks.UpBow, Articulation.Marcato, 3)
        );
        (second.Marks, second.Hairpin, second.Grace[0].ToString()).ShouldBe((Marks.Trill, Hairpin.GrowsTo, "B4"));
        read.LeftOut.Select(one => one.ToString())
            .ShouldBe(["chord symbols (bar 2)", "pedal signs (bar 1)", "words under the notes (bar 2)"]);
        // Written and read again all of it is there.
        Heard(MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlWriter.Write(read.Music)))).ShouldBe(Heard(read));
        MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlWriter.Write(read.Music))).Score.Bars[0].Elements[0].Marks.ShouldBe(first.Marks);
        AbcReader.Read(AbcWriter.Write(read.Music)).Score.Bars[0].Elements[0].Dynamic.ShouldBe("mf");
    }

    [Fact]
    public void Clefs_that_sound_an_octave_off_and_other_transpositions_are_settled()
    {
        var guitar = InstrumentNames.Find("guitar")!;
        var file = Bytes(
            Bar(
                1,
                "<attributes><divisions>1</divisions><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>"
                    + Note("E3", 4, "whole")
            )
        );
        var own = MusicFiles.Open(file, new MusicWanted(), guitar);
        (own.Music.Lead.Bars[0].Elements[0].Pitches[0].ToString(), own.Transposition.Words).ShouldBe(("E4", ""));
        Performed.Notes(own.Music.Lead)[0].Midi.ShouldBe(52);
        // An alto saxophone's part for a clarinettist: moved, so that it sounds the same, or read as it stands.
        var clarinet = InstrumentNames.Find("clarinet")!;
        var saxophone = Bytes(
            Bar(
                1,
                "<attributes><divisions>1</divisions><key><fifths>1</fifths></key><transpose><diatonic>-5</diatonic><chromatic>-9</chromatic></transpose></attributes>"
                    + Note("G4", 4, "whole")
            )
        );
        var moved = MusicFiles.Open(saxophone, new MusicWanted(), clarinet);
        (moved.Transposition.IsMoved, moved.Music.Lead.Bars[0].Elements[0].Pitches[0].ToString(), moved.Music.Lead.Key.ToString()).ShouldBe(
            (true, "C4", "C major")
        );
        Performed.Notes(moved.Music.Lead)[0].Midi.ShouldBe(58);
        MusicFiles
            .Open(saxophone, new MusicWanted(Sounding: false), clarinet)
            .Music.Lead.Bars[0]
            .Elements[0]
            .Pitches[0]
            .ToString()
            .ShouldBe("G4");
    }

    [Fact]
    public void Encodings_are_seen_by_what_they_are()
    {
        var text = Score(Bar(1, Divisions(1) + Note("C4", 4, "whole")))
            .Replace("<part ", "<work><work-title>Für später</work-title></work><part ", StringComparison.Ordinal);
        var named = "<?xml version=\"1.0\" encoding=\"UTF-16\"?>" + text;
        foreach (
            var bytes in new byte[][]
            {
                Encoding.Unicode.GetBytes(text),
                [.. Encoding.BigEndianUnicode.GetPreamble(), .. Encoding.BigEndianUnicode.GetBytes(text)],
                [.. Encoding.UTF8.GetPreamble(), .. Encoding.UTF8.GetBytes(named)],
                Encoding.Latin1.GetBytes("<?xml version=\"1.0\" encoding=\"windows-1252\"?>" + text),
                Encoding.UTF8.GetBytes("\n\n" + named),
            }
        )
            (MusicFiles.FormatOf(bytes), MusicXmlReader.Read(bytes).Score.Title).ShouldBe((MusicFormat.MusicXml, "Für später"));
    }

    [Fact]
    public void A_part_is_chosen_a_silent_one_in_front_is_no_hindrance_and_order_by_time_is_read()
    {
        var silent =
            "<part id=\"P1\"><measure number=\"1\"><attributes><divisions>1</divisions></attributes><note><rest/><duration>4</duration></note></measure></part>";
        var second = $"<part id=\"P2\">{Bar(1, Divisions(1) + Note("C4", 4, "whole"))}</part>";
        var list =
            "<part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part><score-part id=\"P2\"><part-name>Clarinet</part-name></score-part></part-list>";
        var file = Encoding.UTF8.GetBytes($"<score-partwise>{list}{silent}{second}</score-partwise>");
        MusicXmlReader.Choices(file).Select(choice => (choice.Name, choice.Notes)).ShouldBe([("Flute", 0), ("Clarinet", 1)]);
        MusicFiles.Open(file, new MusicWanted(), InstrumentNames.Find("clarinet")!).Part.ShouldBe(1);
        Should.Throw<MusicFileException>(() => MusicXmlReader.Read(file, 0)).Message.ShouldContain("no notes");
        var byTime = Encoding.UTF8.GetBytes(
            $"<score-timewise>{list}<measure number=\"1\"><part id=\"P1\">{Divisions(1)}{Note("E4", 4, "whole")}</part><part id=\"P2\">{Divisions(1)}{Note("G4", 4, "whole")}</part></measure></score-timewise>"
        );
        Performed.Notes(MusicXmlReader.Read(byTime, 1).Score).ShouldHaveSingleItem().Midi.ShouldBe(67);
    }

    private const string Tied = "<tie type=\"start\"/>";

    private static string Heard(ReadMusic read) =>
        string.Join(
            ' ',
            Performed
                .Notes(read.Music.Each(voice => voice with { ToSounding = Interval.Unison }).Voices)
                .OrderBy(note => note.At)
                .ThenBy(note => note.Midi)
                .Select(note => $"{note.Midi}@{note.At * new Fraction(4, 1)}+{note.Length * new Fraction(4, 1)}")
        );

    private static ReadMusic Read(string measures) => MusicXmlReader.Read(Bytes(measures));

    private static byte[] Bytes(string measures) => Encoding.UTF8.GetBytes(Score(measures));

    private static string Score(string measures) => $"<score-partwise><part id=\"P1\">{measures}</part></score-partwise>";

    private static string Bar(int number, string inside) => $"<measure number=\"{number}\">{inside}</measure>";

    private static string Divisions(int parts) => $"<attributes><divisions>{parts}</divisions></attributes>";

    private static string Ratio(int actual, int normal) =>
        $"<time-modification><actual-notes>{actual}</actual-notes><normal-notes>{normal}</normal-notes></time-modification>";

    private static string Repeat(string direction) => $"<barline location=\"right\"><repeat direction=\"{direction}\"/></barline>";

    private static string Note(
        string pitch,
        int duration,
        string type,
        string ratio = "",
        int dots = 0,
        string more = "",
        int voice = 1,
        bool chord = false
    ) =>
        $"<note>{(chord ? "<chord/>" : "")}<pitch><step>{pitch[0]}</step><octave>{pitch[^1]}</octave></pitch><duration>{duration}</duration>{(more == Tied ? more : "")}<voice>{voice}</voice><type>{type}</type>{string.Concat(Enumerable.Repeat("<dot/>", dots))}{ratio}{(more == Tied ? "" : more)}</note>";
}
