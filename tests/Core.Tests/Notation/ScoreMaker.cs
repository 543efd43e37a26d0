using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Tests.Notation;

/// <summary>Makes random music with full bars: any key, several metres, dots, triplets, ties, chords, rests.</summary>
internal static class ScoreMaker
{
    private static readonly TimeSignature[] Times =
    [
        new(4, 4),
        new(3, 4),
        new(2, 4),
        new(6, 8),
        new(5, 8),
        new(7, 8),
        new(3, 8),
        new(2, 2),
        new(12, 8),
    ];

    public static Score Random(Random random)
    {
        var key = random.Next(2) == 0 ? Key.Majors[random.Next(15)] : Key.Minors[random.Next(15)];
        var time = Times[random.Next(Times.Length)];
        var bars = Enumerable.Range(0, 1 + random.Next(8)).Select(_ => new Bar(Tied(Fill(random, time.Bar), random))).ToList();
        if (random.Next(3) == 0)
        {
            bars[0] = bars[0] with { RepeatBegins = true };
            bars[^1] = bars[^1] with { RepeatEnds = true };
        }

        return new Score
        {
            Title = "Made up",
            Key = key,
            Time = time,
            Tempo = new Bpm(20 + random.Next(200)),
            TempoBeat = time.Unit == 8 && time.Beats % 3 == 0 ? new Fraction(3, 8) : new Fraction(1, 4),
            ToSounding = Interval.OfSemitones(new[] { 0, -2, -9, 12 }[random.Next(4)]),
            Bars = bars,
        };
    }

    private static List<Element> Fill(Random random, Fraction length)
    {
        var elements = new List<Element>();
        while (length > Fraction.Zero)
        {
            if (random.Next(6) == 0 && length >= new Fraction(1, 4))
            {
                elements.AddRange(
                    Enumerable.Range(0, 3).Select(i => One(random, new Fraction(1, 8)) with { Tuplet = new Tuplet(3, 2, i == 0, i == 2) })
                );
                length -= new Fraction(1, 4);
                continue;
            }

            var values = new[]
            {
                new Fraction(1, 2),
                new Fraction(3, 8),
                new Fraction(1, 4),
                new Fraction(3, 16),
                new Fraction(1, 8),
                new Fraction(1, 16),
            }
                .Where(value => value <= length)
                .ToList();
            var value = values[random.Next(values.Count)];
            elements.Add(One(random, value));
            length -= value;
        }

        return elements;
    }

    private static Element One(Random random, Fraction value)
    {
        if (random.Next(8) == 0)
            return Element.Rest(value);
        var first = Pitch.Of((Step)random.Next(7), random.Next(-1, 2), 3 + random.Next(3));
        return random.Next(8) == 0 ? new Element([first, first.Plus(new Interval(4, 7))], value) : Element.Note(first, value);
    }

    /// <summary>Now and then a note is tied to a next one of the same pitch.</summary>
    private static List<Element> Tied(List<Element> elements, Random random)
    {
        for (var i = 0; i + 1 < elements.Count; i++)
        {
            if (random.Next(5) > 0 || elements[i].IsRest || elements[i].Tuplet is not null || elements[i + 1].Tuplet is not null)
                continue;
            elements[i] = elements[i] with { Tied = true };
            elements[i + 1] = elements[i + 1] with { Pitches = elements[i].Pitches };
        }

        return elements;
    }
}
