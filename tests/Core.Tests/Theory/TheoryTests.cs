using System.Text.Json;
using CsCheck;
using Shouldly;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Theory;

/// <summary>Against npm's tonal 6.5.0; tests/reference/theory.mjs made the fixture.</summary>
public sealed class TheoryTests
{
    private static readonly Reference Known = JsonSerializer.Deserialize<Reference>(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "reference", "theory.json")),
        JsonSerializerOptions.Web
    )!;

    [Theory]
    [InlineData("C4", "C4 C#4 D4 D#4 E4 F4 F#4 G4 G#4 A4 A#4 B4 C5", "C5 B4 Bb4 A4 Ab4 G4 Gb4 F4 E4 Eb4 D4 Db4 C4")]
    [InlineData("F#3", "F#3 G3 G#3 A3 A#3 B3 C4 C#4 D4 D#4 E4 F4 F#4", "F#4 F4 E4 Eb4 D4 Db4 C4 B3 Bb3 A3 Ab3 G3 F#3")]
    [InlineData("Db4", "Db4 D4 D#4 E4 F4 F#4 G4 G#4 A4 A#4 B4 C5 Db5", "Db5 C5 B4 Bb4 A4 Ab4 G4 Gb4 F4 E4 Eb4 D4 Db4")]
    public void A_chromatic_scale_goes_up_in_sharps_and_down_in_flats(string first, string up, string down)
    {
        // Common practice.
        string.Join(' ', Scale.Upward(Scale.Chromatic, Pitch.Parse(first), 1)).ShouldBe(up);
        string.Join(' ', Scale.Downward(Scale.Chromatic, Pitch.Parse(first), 1)).ShouldBe(down);
        Scale.Upward(Scale.Chromatic, Pitch.Parse(first), 3).Count.ShouldBe(37);
    }

    [Fact]
    public void Scales_are_spelled_as_the_reference_spells_them()
    {
        Known.Scales.Count.ShouldBe(225);
        foreach (var scale in Known.Scales.Where(scale => scale.Notes.All(note => NoteName.TryParse(note, out _))))
        {
            var notes = Scale
                .Upward(Scale.Kind(scale.Id), new Pitch(NoteName.Parse(scale.Tonic), 4), 1)
                .SkipLast(1)
                .Select(pitch => pitch.Name.ToString());
            notes.ShouldBe(scale.Notes, $"{scale.Tonic} {scale.Id}");
        }
    }

    [Fact]
    public void Chords_are_spelled_as_the_reference_spells_them()
    {
        Known.Chords.Count.ShouldBe(165);
        foreach (var chord in Known.Chords.Where(chord => chord.Notes.All(note => NoteName.TryParse(note, out _))))
            new Chord(NoteName.Parse(chord.Root), Chord.KindOf(chord.Id))
                .Notes.Select(note => note.ToString())
                .ShouldBe(chord.Notes, $"{chord.Root} {chord.Id}");
    }

    /// <summary>As npm's tonal writes and spells them, on fifteen roots.</summary>
    [Fact]
    public void Extended_and_altered_symbols_are_read_and_spelled_as_the_reference_spells_them()
    {
        Known.Symbols.Count.ShouldBe(32 * 15);
        foreach (var chord in Known.Symbols.Where(chord => chord.Notes.All(note => NoteName.TryParse(note, out _))))
            ChordSymbols.Parse(chord.Root + chord.Id).Notes.Select(note => note.ToString()).ShouldBe(chord.Notes, chord.Root + chord.Id);
    }

    [Fact]
    public void Intervals_of_all_letters_and_accidentals_have_the_names_of_the_reference()
    {
        Known.Intervals.Count.ShouldBe(35 * 35);
        // A higher letter that sounds no higher (B to C double flat) has no common name; the reference gives it an odd one or none.
        foreach (var known in Known.Intervals.Where(known => known.Semitones > 0))
        {
            var interval = Interval.Between(Pitch.Parse(known.From), Pitch.Parse(known.To));
            interval.Semitones.ShouldBe(known.Semitones!.Value, $"{known.From} to {known.To}");
            $"{interval.Number}{interval.Quality}".ShouldBe(known.Name, $"{known.From} to {known.To}");
        }
    }

    [Fact]
    public void Key_signatures_and_relatives_are_those_of_the_reference()
    {
        foreach (var known in Known.Signatures)
        {
            var key = new Key(NoteName.Parse(known.Tonic), known.Minor);
            key.Signature.ShouldBe(known.Alteration, key.ToString());
            key.Relative.Tonic.ToString().ShouldBe(known.Relative, key.ToString());
            key.Accidentals.Count.ShouldBe(Math.Abs(known.Alteration));
            Scale
                .Upward(Scale.Kind(known.Minor ? "natural-minor" : "major"), new Pitch(key.Tonic, 4), 1)
                .ShouldAllBe(pitch => pitch.Name.Alteration == key.AlterationOf(pitch.Name.Step), key.ToString());
        }

        // Sharps F C G D A E B, flats the reverse (theory handbooks, from memory).
        string.Concat(Key.OfSignature(7).Accidentals.Select(name => name.Step)).ShouldBe("FCGDAEB");
        string.Concat(Key.OfSignature(-7).Accidentals.Select(name => name.Step)).ShouldBe("BEADGCF");
        Key.Majors.Select(key => key.Tonic.ToString())
            .ShouldBe(["Cb", "Gb", "Db", "Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E", "B", "F#", "C#"]);
    }

    [Fact]
    public void Chords_of_a_major_key_are_those_of_the_reference()
    {
        foreach (var known in Known.Degrees)
        {
            var key = new Key(NoteName.Parse(known.Tonic));
            Chord.OfKey(key).Select(pair => Plain(pair.Chord)).ShouldBe(known.Triads);
            Chord.OfKey(key, sevenths: true).Select(pair => Plain(pair.Chord)).ShouldBe(known.Sevenths);
        }

        Chord.OfKey(Key.C).Select(pair => pair.Numeral).ShouldBe(["I", "ii", "iii", "IV", "V", "vi", "vii°"]);
        Chord
            .OfKey(new Key(NoteName.Parse("A"), IsMinor: true))
            .Select(pair => pair.Numeral)
            .ShouldBe(["i", "ii°", "III+", "iv", "V", "VI", "vii°"]);

        static string Plain(Chord chord) =>
            chord.Symbol.Replace("♭", "b", StringComparison.Ordinal).Replace("♯", "#", StringComparison.Ordinal);
    }

    /// <summary>ISO 16:1975 and equal temperament (from memory); just intervals by arithmetic.</summary>
    [Fact]
    public void Frequencies_and_cents_are_those_of_the_standard()
    {
        Tuning.Hertz(Pitch.Parse("A4").Midi).ShouldBe(440);
        Tuning.Hertz(Pitch.Parse("C4").Midi).ShouldBe(261.626, 0.0005);
        Tuning.Hertz(Pitch.Parse("E4").Midi).ShouldBe(329.628, 0.0005);
        Tuning.Hertz(Pitch.Parse("G3").Midi).ShouldBe(195.998, 0.0005);
        Tuning.Hertz(Pitch.Parse("C#5").Midi).ShouldBe(554.365, 0.0005);
        Tuning.Cents(Tuning.Hertz(61), Tuning.Hertz(60)).ShouldBe(100, 1e-9);
        Tuning.Cents(Tuning.JustRatio(7), 1).ShouldBe(701.955, 0.0005);
        Tuning.Cents(Tuning.JustRatio(4), 1).ShouldBe(386.314, 0.0005);
        Tuning.Cents(Tuning.JustRatio(5), 1).ShouldBe(498.045, 0.0005);
        Tuning.Cents(Tuning.JustRatio(3), 1).ShouldBe(315.641, 0.0005);
        Tuning.Cents(Tuning.JustRatio(9), 1).ShouldBe(884.359, 0.0005);
        Should.Throw<ArgumentOutOfRangeException>(() => Tuning.Hertz(60, 399));
    }

    /// <summary>Orchestration handbooks (from memory).</summary>
    [Theory]
    [InlineData("B-flat clarinet", "C5", "Bb4")]
    [InlineData("B-flat trumpet", "C5", "Bb4")]
    [InlineData("Alto saxophone", "C5", "Eb4")]
    [InlineData("Tenor saxophone", "C5", "Bb3")]
    [InlineData("Horn in F", "C5", "F4")]
    [InlineData("Guitar", "C5", "C4")]
    [InlineData("E-flat clarinet", "C5", "Eb5")]
    [InlineData("Piccolo", "C5", "C6")]
    public void Transposing_instruments_sound_where_the_handbooks_say(string name, string written, string sounding)
    {
        var instrument = Instrument.Known.First(one => one.Name == name);
        Pitch.Parse(written).Plus(instrument.ToSounding).ShouldBe(Pitch.Parse(sounding));
    }

    /// <summary>What people call them (everyday speech, from memory).</summary>
    [Theory]
    [InlineData("Classical guitar", "Guitar", Family.Plucked)]
    [InlineData("acoustic bass guitar", "Bass guitar", Family.Plucked)]
    [InlineData("Bb Clarinet", "B-flat clarinet", Family.Winds)]
    [InlineData("clarinet", "B-flat clarinet", Family.Winds)]
    [InlineData("my old bass clarinet", "Bass clarinet", Family.Winds)]
    [InlineData("alto sax", "Alto saxophone", Family.Winds)]
    [InlineData("Sax", "Alto saxophone", Family.Winds)]
    [InlineData("French horn", "Horn in F", Family.Winds)]
    [InlineData("upright bass", "Double bass", Family.Strings)]
    [InlineData("Digital piano", "Piano", Family.Keys)]
    [InlineData("Cajon", "Hand drum", Family.Percussion)]
    [InlineData("singing", "Voice", Family.Voice)]
    [InlineData("Tenor", "Tenor voice", Family.Voice)]
    [InlineData("zither", null, null)]
    [InlineData("", null, null)]
    public void Instruments_are_found_by_what_people_call_them(string typed, string? name, Family? family)
    {
        var found = InstrumentNames.Find(typed);
        found?.Name.ShouldBe(name);
        (found?.Family).ShouldBe(family);
    }

    [Fact]
    public void A_clarinet_reading_D_major_sounds_C_major_and_keys_that_cannot_be_written_are_respelled()
    {
        var clarinet = Interval.OfSemitones(-2);
        new Key(NoteName.Parse("D")).Plus(clarinet).ShouldBe(Key.C);
        new Key(NoteName.Parse("Gb")).Plus(clarinet).ToString().ShouldBe("E major", "nine flats fewer three");
        new Key(NoteName.Parse("B"), IsMinor: true).Plus(clarinet).ToString().ShouldBe("A minor");
        Key.OfPitchClass(6).ToString().ShouldBe("Gb major");
    }

    [Fact]
    public void The_same_note_has_its_name_in_every_school()
    {
        var flat = new Key(NoteName.Parse("Bb"));
        var note = NoteName.Parse("D");
        Names(note, flat).ShouldBe(["D", "re", "mi", "3", "G"]);
        Names(NoteName.Parse("E"), flat).ShouldBe(["E", "mi", "fi", "♯4", "M"]);
        Names(NoteName.Parse("Db"), flat).ShouldBe(["D♭", "re♭", "me", "♭3", "g"]);
        Names(NoteName.Parse("A"), new Key(NoteName.Parse("A"), IsMinor: true)).ShouldBe(["A", "la", "la", "1", "S"]);
        // Where do is fixed B flat is si bemol (French and Italian practice, from memory); te is its name by the key.
        Names(NoteName.Parse("Bb"), Key.C).ShouldBe(["B♭", "si♭", "te", "♭7", "n"]);

        static string[] Names(NoteName name, Key key) => [.. Enum.GetValues<Naming>().Select(naming => NoteNaming.Of(name, key, naming))];
    }

    [Theory]
    [InlineData("Eb major", -1, -2, "Db major")]
    [InlineData("Db major", -1, -2, "B major")]
    [InlineData("B major", 1, 2, "Db major")]
    [InlineData("F# minor", 1, 2, "G# minor")]
    [InlineData("Cb major", -7, -12, "Cb major")]
    [InlineData("C# major", 0, 0, "C# major")]
    public void A_key_is_moved_to_the_one_with_the_fewer_accidentals(string from, int steps, int semitones, string to)
    {
        Key.TryParse(from, out var key).ShouldBeTrue();
        key.Plus(new Interval(steps, semitones)).ToString().ShouldBe(to);
    }

    [Fact]
    public void Up_and_back_by_any_interval_is_where_one_was()
    {
        var pitches =
            from step in Gen.Int[0, 6]
            from alteration in Gen.Int[-1, 1]
            from octave in Gen.Int[2, 6]
            select Pitch.Of((Step)step, alteration, octave);
        Gen.Select(pitches, Gen.Int[-24, 24])
            .Sample(
                (pitch, semitones) =>
                {
                    var interval = Interval.OfSemitones(semitones);
                    interval.Semitones.ShouldBe(semitones);
                    var moved = pitch.Simplified().Plus(interval);
                    moved.Midi.ShouldBe(pitch.Midi + semitones);
                    moved.Plus(interval.Reversed).ShouldBe(pitch.Simplified());
                    Pitch.Parse(moved.ToString()).ShouldBe(moved);
                    moved.Simplified().Midi.ShouldBe(moved.Midi);
                    Math.Abs(moved.Simplified().Name.Alteration).ShouldBeLessThanOrEqualTo(1);
                }
            );
    }

    [Fact]
    public void Fifths_number_the_names_and_names_the_fifths()
    {
        for (var fifths = -15; fifths <= 19; fifths++)
            NoteName.AtFifths(fifths).Fifths.ShouldBe(fifths);
        NoteName.AtFifths(0).ToString().ShouldBe("C");
        NoteName.AtFifths(6).ToString().ShouldBe("F#");
        NoteName.AtFifths(-2).ToString().ShouldBe("Bb");
    }

    [Theory]
    [InlineData("H4")]
    [InlineData("C")]
    [InlineData("Cbbb4")]
    [InlineData("C99")]
    [InlineData("")]
    public void What_is_no_pitch_is_refused_with_an_example(string text) =>
        Should.Throw<FormatException>(() => Pitch.Parse(text)).Message.ShouldContain("F#4");

    private sealed record Reference(
        List<KnownScale> Scales,
        List<KnownChord> Chords,
        List<KnownChord> Symbols,
        List<KnownInterval> Intervals,
        List<KnownKey> Signatures,
        List<KnownDegrees> Degrees
    );

    private sealed record KnownScale(string Id, string Tonic, List<string> Notes);

    private sealed record KnownChord(string Id, string Root, List<string> Notes);

    private sealed record KnownInterval(string From, string To, string Name, int? Semitones);

    private sealed record KnownKey(string Tonic, bool Minor, int Alteration, string Relative);

    private sealed record KnownDegrees(string Tonic, List<string> Triads, List<string> Sevenths);
}
