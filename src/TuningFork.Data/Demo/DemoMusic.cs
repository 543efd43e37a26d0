using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Data.Demo;

/// <summary>Music for the demo, made up note by note by a rule: a waltz that walks along its scale.</summary>
internal static class DemoMusic
{
    private const int Bars = 48;

    /// <summary>
    /// Forty-eight bars of three quarters in written F major; every eighth bar rests on a chord note, the hard bars run in eighths.
    /// </summary>
    public static string FerryWaltz()
    {
        var key = Key.OfSignature(-1);
        var scale = Scale.Upward(Scale.Major, new Pitch(key.Tonic, 3), 3);
        var random = new Random(48);
        var place = 9;
        var bars = Enumerable.Range(1, Bars).Select(number => new Bar(Bar(number, scale, random, ref place))).ToList();
        return AbcWriter.Write(
            new Score
            {
                Key = key,
                Time = new TimeSignature(3, 4),
                Bars = bars,
            }
        );
    }

    private static List<Element> Bar(int number, IReadOnlyList<Pitch> scale, Random random, ref int place)
    {
        int[] hard = [8, 9, 17, 18, 31, 32, 33];
        if (number % 8 == 0 && !hard.Contains(number))
        {
            place = place / 2 * 2;
            return [Element.Note(scale[place], new Fraction(3, 4))];
        }

        var values =
            hard.Contains(number) ? Enumerable.Repeat(new Fraction(1, 8), 6)
            : number == 26 ? [new Fraction(3, 8), new Fraction(1, 8), new Fraction(1, 4)]
            : random.Next(3) switch
            {
                0 => [new Fraction(1, 4), new Fraction(1, 4), new Fraction(1, 4)],
                1 => [new Fraction(1, 2), new Fraction(1, 4)],
                _ => [new Fraction(1, 4), new Fraction(1, 8), new Fraction(1, 8), new Fraction(1, 4)],
            };
        var elements = new List<Element>();
        var direction =
            place > 12 ? -1
            : place < 7 ? 1
            : random.Next(2) == 0 ? 1
            : -1;
        foreach (var value in values)
        {
            elements.Add(Element.Note(scale[place], value));
            if (place + direction is < 4 or > 16 || random.Next(5) == 0)
                direction = -direction;
            place += direction;
        }

        return elements;
    }
}
