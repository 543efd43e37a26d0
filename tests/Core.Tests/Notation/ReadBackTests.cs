using System.Text;
using System.Text.Json;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>
/// What is written is read back by outside readers: MIDI by npm's @tonejs/midi, MusicXML by npm's musicxml-io, ABC by Debian's
/// abc2midi (tests/reference/readback.mjs).
/// </summary>
public sealed class ReadBackTests
{
    [Fact]
    public void Outside_readers_find_exactly_the_notes_that_were_written()
    {
        var folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        var scores = ScoreSamples.All().Select(sample => sample.Score).ToList();
        // Altered versions are written and read back like any other music: of some random scores every one that can be made.
        scores.AddRange(
            Enumerable
                .Range(500, 6)
                .Select(seed => ScoreMaker.Random(new Random(seed)))
                .SelectMany(score =>
                    VariantMaker
                        .Ids.Select(id => VariantMaker.Make(score, id))
                        .Where(variant => variant.Steps.Count > 0)
                        .Select(variant => variant.Steps[^1])
                        .Append(VariantMaker.InKey(score, score.Key.Plus(Interval.OfSemitones(5))))
                )
        );
        // Unseen music of every level; what is played short is not written short.
        scores.AddRange(Enumerable.Range(0, 48).Select(Unseen));
        foreach (var (score, number) in scores.Select((score, number) => (score, number)))
        {
            score.Check().ShouldBeEmpty($"score {number}");
            File.WriteAllText(Path.Combine(folder, $"{number:000}.abc"), AbcWriter.Write(score));
            File.WriteAllText(Path.Combine(folder, $"{number:000}.musicxml"), MusicXmlSchema.Check(MusicXmlWriter.Write(score)));
            File.WriteAllBytes(Path.Combine(folder, $"{number:000}.mid"), MidiWriter.Write(score));
        }

        var hands = Enumerable.Range(0, 24).Select(BothHands).ToList();
        foreach (var (staves, number) in hands.Select((staves, number) => (staves, number)))
            File.WriteAllText(Path.Combine(folder, $"hands-{number:00}.abc"), AbcWriter.Write(staves));

        var read = Read(folder);
        foreach (var (staves, number) in hands.Select((staves, number) => (staves, number)))
        {
            var abc = read[$"hands-{number:00}.abc"];
            abc.Said.ShouldBeEmpty(AbcWriter.Write(staves));
            Notes(abc).ShouldBe(Sorted(Performed.Notes(staves), 0), AbcWriter.Write(staves));
        }

        foreach (var (score, number) in scores.Select((score, number) => (score, number)))
        {
            var sounding = Performed.Notes(score);
            var midi = read[$"{number:000}.mid"];
            Notes(midi).ShouldBe(Sorted(sounding, 0), $"MIDI of score {number}");
            midi.Tempo!.Value.ShouldBe(score.Tempo!.Value.Value * score.TempoBeat.Value * 4, 0.01);
            var abc = read[$"{number:000}.abc"];
            abc.Said.ShouldBeEmpty($"score {number}: {AbcWriter.Write(score)}");
            Notes(abc).ShouldBe(Sorted(sounding, score.ToSounding.Semitones), $"ABC of score {number}: {AbcWriter.Write(score)}");
            var xml = read[$"{number:000}.musicxml"];
            xml.Errors.ShouldBeEmpty($"score {number}: {MusicXmlWriter.Write(score)}");
            Notes(xml).ShouldBe(Written(score), $"MusicXML of score {number}");
        }

        Directory.Delete(folder, recursive: true);
    }

    /// <summary>Whatever stands at a note stands there again after it was written as ABC or as MusicXML.</summary>
    [Fact]
    public void Every_sign_at_a_note_comes_back()
    {
        var plain = ScoreSamples.Note("D5", 1, 4);
        var signed = Enum.GetValues<Marks>()
            .Select(mark => plain with { Marks = mark })
            .Concat(Enum.GetValues<Articulation>().Select(articulation => plain with { Articulation = articulation }));
        foreach (var element in signed)
        {
            var music = new Music([new Score { Bars = [new Bar([element, plain, plain, plain])] }]);
            var abc = AbcReader.Read(AbcWriter.Write(music)).Music;
            var xml = MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlSchema.Check(MusicXmlWriter.Write(music)))).Music;
            foreach (var back in (Element[])[abc.Lead.Bars[0].Elements[0], xml.Lead.Bars[0].Elements[0]])
                (back.Marks, back.Articulation).ShouldBe((element.Marks, element.Articulation));
        }
    }

    /// <summary>The lowest notes of MIDI lie below the lowest octave of MusicXML.</summary>
    [Fact]
    public void Notes_below_the_lowest_octave_come_back_where_they_sound()
    {
        var music = new Music([
            new Score { Bars = [new Bar([ScoreSamples.Note("C4", 1, 2) with { Pitches = [Pitch.OfMidi(5)] }, Element.Rest(new(1, 2))])] },
        ]);
        var back = MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlSchema.Check(MusicXmlWriter.Write(music)))).Music;
        Performed.Notes(back.Voices).ShouldHaveSingleItem().Midi.ShouldBe(5);
    }

    /// <summary>Unseen music for both hands of a pianist.</summary>
    private static IReadOnlyList<Score> BothHands(int seed)
    {
        var wish = new ReadingWish
        {
            Seed = seed,
            Levels = ReadingLevels.All(ReadingTables.BothHands + (seed % (ReadingLevels.Most - ReadingTables.BothHands + 1))),
            Asked = Strand.Texture,
            Instrument = InstrumentNames.Find("piano")!,
        };
        var staves = Composer.Compose(wish).Staves;
        staves.Count.ShouldBe(2);
        return [.. staves.Select(Plain)];
    }

    private static Score Unseen(int seed)
    {
        var wish = new ReadingWish
        {
            Seed = seed,
            Levels = ReadingLevels.All((seed % ReadingLevels.Most) + 1),
            Instrument = InstrumentNames.Find(seed % 2 == 0 ? "clarinet" : "piano")!,
        };
        return Plain(Composer.Compose(wish).Score);
    }

    /// <summary>Without what is played short or held: its length is then the written one.</summary>
    private static Score Plain(Score score) =>
        score with
        {
            Bars =
            [
                .. score.Bars.Select(bar =>
                    bar with
                    {
                        Elements = [.. bar.Elements.Select(element => element with { Articulation = Articulation.None })],
                    }
                ),
            ],
        };

    private static List<(int Midi, Fraction At, Fraction Length)> Sorted(IReadOnlyList<HeardNote> notes, int written) =>
        [.. notes.Select(note => (note.Midi - written, note.At, note.Length)).OrderBy(note => note.At).ThenBy(note => note.Item1)];

    private static List<(int Midi, Fraction At, Fraction Length)> Written(Score score)
    {
        var at = Fraction.Zero;
        var notes = new List<(int, Fraction, Fraction)>();
        foreach (var element in score.Bars.SelectMany(bar => bar.Elements))
        {
            notes.AddRange(element.Pitches.OrderBy(pitch => pitch.Midi).Select(pitch => (pitch.Midi, at, element.Length)));
            at += element.Length;
        }

        return notes;
    }

    private static List<(int Midi, Fraction At, Fraction Length)> Notes(Reading reading) =>
        [
            .. reading.Notes.Select(note =>
                ((int)note[0], new Fraction(note[1], 4 * reading.Division), new Fraction(note[2], 4 * reading.Division))
            ),
        ];

    private static Dictionary<string, Reading> Read(string folder) =>
        JsonSerializer.Deserialize<Dictionary<string, Reading>>(OutsideFiles.Read("readback.mjs", folder), JsonSerializerOptions.Web)!;

    private sealed record Reading(long Division, double? Tempo, List<long[]> Notes)
    {
        public List<string> Said { get; init; } = [];

        public List<string> Errors { get; init; } = [];
    }
}
