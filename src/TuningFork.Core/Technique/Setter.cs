using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>
/// Sets a line of pitches into bars of four quarters: a rhythm over and over, the last note to the end of its bar. Slurs and dots begin
/// anew with each section of the line.
/// </summary>
internal static class Setter
{
    public static IReadOnlyList<Bar> Bars(
        IReadOnlyList<Pitch> line,
        Rhythm rhythm,
        Joining joining,
        IReadOnlyList<int> fingers,
        IReadOnlyList<int> sections
    )
    {
        var notes = joining.Apply(Notes(line, rhythm), sections);
        for (var i = 0; i < fingers.Count; i++)
            notes[i] = notes[i] with { Finger = fingers[i] };
        var bars = new List<Bar>();
        var bar = new List<Element>();
        var left = Fraction.Whole;
        for (var i = 0; i < notes.Count; i++)
        {
            bar.Add(notes[i]);
            left -= notes[i].Length;
            if (i == notes.Count - 1)
                Fill(bar, ref left);
            if (left > Fraction.Zero)
                continue;
            bars.Add(new Bar(bar));
            (bar, left) = ([], Fraction.Whole);
        }

        return bars;
    }

    private static List<Element> Notes(IReadOnlyList<Pitch> line, Rhythm rhythm)
    {
        var size = rhythm.Values.Count;
        return
        [
            .. line.Select(
                (pitch, i) =>
                {
                    var place = i % size;
                    var last = i == line.Count - 1;
                    if (rhythm.Tuplet is not { } tuplet)
                        return Element.Note(pitch, rhythm.Values[place]);
                    // A last note that would stand alone in its tuplet is a plain one; inside a tuplet it takes what is left of it.
                    if (last && place == 0)
                        return Element.Note(pitch, rhythm.Length);
                    var value = last ? Fraction.Sum(rhythm.Values.Skip(place)) : rhythm.Values[place];
                    return Element.Note(pitch, value) with
                    {
                        Tuplet = new Tuplet(tuplet.Actual, tuplet.Normal, place == 0, last || place == size - 1),
                    };
                }
            ),
        ];
    }

    /// <summary>The last note is held to the end of its bar; inside a tuplet the rest of the bar is silent.</summary>
    private static void Fill(List<Element> bar, ref Fraction left)
    {
        var last = bar[^1];
        if (left > Fraction.Zero && last.Tuplet is null)
        {
            var parts = Values.Cut(last.Written + left);
            bar.RemoveAt(bar.Count - 1);
            bar.AddRange(
                parts.Select(
                    (part, i) =>
                        last with
                        {
                            Written = part,
                            Tied = i < parts.Count - 1,
                            SlurEnds = last.SlurEnds && i == parts.Count - 1,
                            Finger = i == 0 ? last.Finger : null,
                            Articulation = parts.Count > 1 || part != last.Written ? Articulation.None : last.Articulation,
                        }
                )
            );
        }
        else if (left > Fraction.Zero)
        {
            bar.AddRange(Values.Cut(left).Reverse().Select(Element.Rest));
        }

        left = Fraction.Zero;
    }
}
