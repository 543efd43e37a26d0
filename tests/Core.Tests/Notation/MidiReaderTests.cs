using System.Diagnostics;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>MIDI files read as written music.</summary>
public sealed class MidiReaderTests
{
    private static readonly Instrument Clarinet = Instrument.Known.First(one =>
        one.Name.Contains("clarinet", StringComparison.OrdinalIgnoreCase) && one.Transposition == -2
    );

    private const string Tune = """
        X:1
        L:1/8
        M:3/4
        K:D
        F2 GA Bc | (3ABc d2 z2 | d3 c/2B/2 A2- | A4 z2 | [DA]2 ^G2 =G2 |]
        """;

    /// <summary>The file is made by Debian's abc2midi, the notes are those that our own reader of ABC finds in the text.</summary>
    [Fact]
    public void A_file_made_by_another_program_has_the_notes_of_its_text()
    {
        var folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        File.WriteAllText(Path.Combine(folder, "tune.abc"), "%%MIDI chordattack 0\n" + Tune);
        using (
            var made = Process.Start(
                new ProcessStartInfo("abc2midi", [Path.Combine(folder, "tune.abc"), "-o", Path.Combine(folder, "tune.mid")])
                {
                    RedirectStandardOutput = true,
                    UseShellExecute = false,
                }
            )!
        )
        {
            made.StandardOutput.ReadToEnd();
            made.WaitForExit();
        }

        var (music, leftOut) = MidiReader.Read(File.ReadAllBytes(Path.Combine(folder, "tune.mid")), Clarinet);
        leftOut.ShouldBeEmpty();
        var score = music.Lead;
        score.Check().ShouldBeEmpty();
        (score.Time, score.Key.ToString()).ShouldBe(
            (new TimeSignature(3, 4), "E major"),
            "sounds in D, a whole tone lower than it is written"
        );
        Heard(score).ShouldBe(Heard(AbcReader.Read(Tune).Score));
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void What_is_written_comes_back_with_full_bars_and_the_same_sounds()
    {
        var compared = 0;
        foreach (var seed in Enumerable.Range(0, 120))
        {
            var score = ScoreMaker.Random(new Random(seed));
            if (score.Bars.Any(bar => !OnTheGrid(bar, score.Time)))
                continue;
            var read = MidiReader.Read(MidiWriter.Write(score), Clarinet with { Transposition = score.ToSounding.Semitones }).Score;
            read.Check().ShouldBeEmpty($"seed {seed}");
            Heard(read).ShouldBe(Heard(score), $"seed {seed}: {AbcWriter.Write(score)} was read as {AbcWriter.Write(read)}");
            ((read.Key.Signature - score.Key.Signature) % 12).ShouldBe(0, $"seed {seed}");
            compared++;
        }

        compared.ShouldBeGreaterThan(30);
    }

    /// <summary>Eighths, a triplet and a half note, each begun and let go up to a thirtieth of a quarter off (arithmetic).</summary>
    [Fact]
    public void Played_unevenly_it_is_put_on_the_grid()
    {
        int[] begins = [0, 245, 474, 731, 955, 1448, 1592, 1766, 1910];
        int[] ends = [230, 470, 725, 950, 1440, 1590, 1760, 1915, 2850];
        var events = begins
            .Select((tick, i) => (Tick: tick, Data: new byte[] { 0x90, (byte)(60 + i), 70 }))
            .Concat(ends.Select((tick, i) => (Tick: tick, Data: new byte[] { 0x80, (byte)(60 + i), 0 })))
            .OrderBy(one => one.Tick)
            .ToList();
        var track = new List<byte>();
        foreach (var (tick, i) in events.Select((one, i) => (one.Tick, i)))
        {
            var delta = tick - (i == 0 ? 0 : events[i - 1].Tick);
            if (delta > 127)
                track.Add((byte)((delta >> 7) | 0x80));
            track.Add((byte)(delta & 0x7F));
            track.AddRange(events[i].Data);
        }

        byte[] file =
        [
            .. "MThd"u8,
            0,
            0,
            0,
            6,
            0,
            0,
            0,
            1,
            480 >> 8,
            480 & 0xFF,
            .. "MTrk"u8,
            0,
            0,
            (byte)(track.Count >> 8),
            (byte)track.Count,
            .. track,
        ];
        var (read, _) = MidiReader.Read(file, Clarinet with { Transposition = 0 });
        read.Check().ShouldBeEmpty();
        AbcWriter.Write(read).Replace(" ", "", StringComparison.Ordinal).ShouldContain("C^CD^DE2(3:2:3F^FG|^G4z4", Case.Sensitive);
    }

    [Theory]
    [InlineData("no music at all", "no MIDI file")]
    [InlineData("MThd", "ends too early")]
    [InlineData("MThd\0\0\0\u0006\0\u0002\0\u0001\0`", "format 2")]
    [InlineData("MThd\0\0\0\u0006\0\u0001\0\u0001\0`", "no notes")]
    [InlineData("MThd\0\0\0\u0006\0\0\0\u0001\0`MTrk\0\0\0\u0050\0", "ends too early")]
    public void What_is_broken_is_refused_with_a_reason(string text, string reason) =>
        Should
            .Throw<MusicFileException>(() => MidiReader.Read(System.Text.Encoding.Latin1.GetBytes(text), Clarinet))
            .Message.ShouldContain(reason);

    /// <summary>Nothing finer than sixteenths; triplets of eighths on the quarters of metres of quarters.</summary>
    private static bool OnTheGrid(Bar bar, TimeSignature time)
    {
        var at = Fraction.Zero;
        foreach (var element in bar.Elements)
        {
            if (
                element.Tuplet is { } tuplet
                && (
                    time.Unit > 4
                    || tuplet.Actual != 3
                    || element.Written != new Fraction(1, 8)
                    || (tuplet.Begins && (at * new Fraction(4, 1)).Denominator > 1)
                )
            )
                return false;
            if (element.Tuplet is null && element.Written.Denominator > 16)
                return false;
            at += element.Length;
        }

        return true;
    }

    /// <summary>What other programs put around and between the notes (Standard MIDI File 1.0, The MIDI Association, from memory).</summary>
    [Theory]
    [InlineData("plain")]
    [InlineData("sysex")]
    [InlineData("riff")]
    [InlineData("long head")]
    [InlineData("unknown chunk")]
    [InlineData("running")]
    public void Messages_of_devices_wrappings_and_short_forms_change_no_note(string kind)
    {
        byte[] reset = kind == "sysex" ? [0, 0xF0, 5, 0x7E, 0x7F, 9, 1, 0xF7, 0, 0xF7, 2, 1, 2] : [];
        byte[] notes =
            kind == "running"
                ? [0, 0x90, 60, 80, 96, 60, 0, 0, 62, 80, 96, 62, 0]
                : [0, 0x90, 60, 80, 96, 0x80, 60, 0, 0, 0x90, 62, 80, 96, 0x80, 62, 0];
        var file = Smf([0, 0xFF, 0x58, 4, 3, 2, 24, 8, .. reset, .. notes], kind == "long head" ? 4 : 0, kind == "unknown chunk");
        if (kind == "riff")
            file = [.. "RIFF"u8, 0, 0, 0, 0, .. "RMIDdata"u8, 0, 0, 0, 0, .. file];
        var score = MidiReader.Read(file, InstrumentNames.Find("piano")!).Score;
        score.Time.ToString().ShouldBe("3/4");
        Heard(score).Select(note => (note.Midi, note.At.ToString())).ShouldBe([(60, "0"), (62, "1/4")]);
    }

    [Theory]
    [InlineData(96, 16, 6, 4, 4)]
    [InlineData(100, 20, 5, 4, 4)]
    [InlineData(84, 12, 7, 4, 4)]
    [InlineData(96, 16, 9, 6, 8)]
    public void Groups_of_five_six_seven_and_thirds_of_eighths_are_written_as_what_they_are(
        int division,
        int each,
        int count,
        int beats,
        int unit
    )
    {
        var events = new List<byte> { 0, 0xFF, 0x58, 4, (byte)beats, (byte)Math.Log2(unit), 24, 8 };
        for (var i = 0; i < count; i++)
            events.AddRange([0, 0x90, (byte)(60 + i), 80, (byte)each, 0x80, (byte)(60 + i), 0]);
        var score = MidiReader.Read(Smf([.. events], division: division), InstrumentNames.Find("piano")!).Score;
        score.Check().ShouldBeEmpty();
        var notes = score.Bars[0].Elements.Where(element => !element.IsRest).ToList();
        notes.Count.ShouldBe(count);
        notes.ShouldAllBe(note => note.Tuplet != null && note.Pitches.Count == 1);
    }

    [Fact]
    public void Drums_are_read_for_those_who_play_them()
    {
        var file = Smf([0, 0x99, 36, 80, 96, 0x89, 36, 0, 0, 0x99, 38, 80, 96, 0x89, 38, 0]);
        MidiReader.Choices(file).ShouldHaveSingleItem().IsDrums.ShouldBeTrue();
        var score = MusicFiles.Open(file, new MusicWanted(), InstrumentNames.Find("drum kit")!).Music.Lead;
        (score.Clef, string.Join(' ', score.Bars[0].Elements.Take(2).Select(one => one.Pitches[0]))).ShouldBe((Clef.Percussion, "F4 C5"));
    }

    private static byte[] Smf(byte[] events, int more = 0, bool unknown = false, int division = 96)
    {
        byte[] track = [.. events, 0, 0xFF, 0x2F, 0];
        return
        [
            .. "MThd"u8,
            0,
            0,
            0,
            (byte)(6 + more),
            0,
            0,
            0,
            1,
            0,
            (byte)division,
            .. new byte[more],
            .. unknown ? (byte[])[.. "XFIH"u8, 0, 0, 0, 2, 1, 2] : [],
            .. "MTrk"u8,
            0,
            0,
            (byte)(track.Length >> 8),
            (byte)track.Length,
            .. track,
        ];
    }

    /// <summary>Whatever is wrong with the bytes: refused in words, or read as music that can be kept and read again.</summary>
    [Fact]
    public void Damaged_files_are_refused_or_read_as_whole_music()
    {
        var (refused, kept) = (0, 0);
        foreach (var seed in Enumerable.Range(0, 400))
        {
            var random = new Random(seed);
            var file = MidiWriter.Write(ScoreMaker.Random(random));
            for (var changes = 1 + random.Next(4); changes > 0; changes--)
                file[8 + random.Next(file.Length - 8)] = (byte)random.Next(256);
            try
            {
                var score = MidiReader.Read(random.Next(4) == 0 ? file[..random.Next(file.Length)] : file, Clarinet).Score;
                score.Check().ShouldBeEmpty($"seed {seed}");
                Heard(AbcReader.Read(AbcWriter.Write(score)).Score with { ToSounding = score.ToSounding })
                    .ShouldBe(Heard(score), $"seed {seed}");
                kept++;
            }
            catch (MusicFileException)
            {
                refused++;
            }
        }

        refused.ShouldBeGreaterThan(30);
        kept.ShouldBeGreaterThan(30);
    }

    private static List<(int Midi, Fraction At, Fraction Length)> Heard(Score score) =>
        [.. Performed.Notes(score).Select(note => (note.Midi, note.At, note.Length)).OrderBy(note => note.At).ThenBy(note => note.Midi)];
}
