using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Tests.Notation;

/// <summary>Small invented scores that use what notation has to offer.</summary>
internal static class ScoreSamples
{
    public static Fraction Part(int upper, int lower) => new(upper, lower);

    /// <summary>The three below and forty made by chance.</summary>
    public static IEnumerable<(string Name, Score Score)> All()
    {
        var random = new Random(7);
        return
        [
            ("upbeat", Upbeat),
            ("tuplets", Tuplets),
            ("repeats", Repeats),
            .. Enumerable.Range(0, 40).Select(i => ($"random {i}", ScoreMaker.Random(random))),
        ];
    }

    /// <summary>Upbeat, dots, a tie across the bar, accidentals that hold and are taken back.</summary>
    public static Score Upbeat { get; } =
        new()
        {
            Title = "Small Upbeat",
            Key = new Key(NoteName.Parse("Eb")),
            Time = new TimeSignature(3, 4),
            Tempo = new Bpm(96),
            Bars =
            [
                new Bar([Note("Bb4", 1, 4)]) { IsPartial = true },
                new Bar([Note("E5", 1, 4), Note("Eb5", 1, 8), Note("E5", 1, 8), Note("E4", 1, 4)]),
                new Bar([Note("F#4", 3, 8), Note("F4", 1, 8), Note("G4", 1, 4) with { Tied = true }]),
                new Bar([Note("G4", 1, 2), Element.Rest(Part(1, 4))]),
            ],
        };

    /// <summary>Triplets, a quintuplet, sixteenths, a chord, in a metre of three eighths a beat.</summary>
    public static Score Tuplets { get; } =
        new()
        {
            Key = new Key(NoteName.Parse("A")),
            Tempo = new Bpm(72),
            Bars =
            [
                new Bar([
                    .. Group(3, 2, Part(1, 8), "A4", "B4", "C#5"),
                    Note("D5", 1, 16),
                    Note("E5", 1, 16),
                    Note("F#5", 1, 8),
                    new Element([Pitch.Parse("A4"), Pitch.Parse("C#5"), Pitch.Parse("E5")], Part(1, 2)),
                ]),
                new Bar([.. Group(5, 4, Part(1, 16), "E5", "D5", "C5", "B4", "A4"), Note("G#4", 3, 4)]),
                new Bar([Note("A4", 3, 8), Note("B4", 1, 8), Note("C#5", 1, 8)]) { Time = new TimeSignature(5, 8) },
                new Bar([Note("D5", 3, 8), Note("E5", 3, 8)]) { Time = new TimeSignature(6, 8), Key = new Key(NoteName.Parse("F"), true) },
            ],
        };

    /// <summary>A repeat with two endings, then a second repeated part; for an instrument that sounds a whole tone lower.</summary>
    public static Score Repeats { get; } =
        new()
        {
            Key = new Key(NoteName.Parse("D")),
            Time = new TimeSignature(2, 4),
            Tempo = new Bpm(100),
            ToSounding = Interval.OfSemitones(-2),
            Bars =
            [
                new Bar([Note("D4", 1, 4), Note("E4", 1, 4)]) { RepeatBegins = true },
                new Bar([Note("F#4", 1, 2)]) { Ending = [1], RepeatEnds = true },
                new Bar([Note("G4", 1, 2)]) { Ending = [2] },
                new Bar([Note("A4", 1, 4), Note("B4", 1, 4)]) { RepeatBegins = true, RepeatEnds = true },
                new Bar([Note("C5", 1, 4), Note("D5", 1, 4)]),
            ],
        };

    public static Element Note(string pitch, int upper, int lower) => Element.Note(Pitch.Parse(pitch), Part(upper, lower));

    private static IEnumerable<Element> Group(int actual, int normal, Fraction value, params string[] pitches) =>
        pitches.Select(
            (pitch, i) =>
                Element.Note(Pitch.Parse(pitch), value) with
                {
                    Tuplet = new Tuplet(actual, normal, i == 0, i == pitches.Length - 1),
                }
        );
}
