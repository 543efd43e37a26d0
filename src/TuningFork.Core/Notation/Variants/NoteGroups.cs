namespace TuningFork.Core.Notation.Variants;

/// <summary>A place in a score.</summary>
/// <param name="Bar">Index of the bar.</param>
/// <param name="Index">Index of the element in it.</param>
internal readonly record struct Place(int Bar, int Index);

/// <summary>Notes as they are heard: what is tied together is one.</summary>
internal static class NoteGroups
{
    /// <summary>Each note with the places of its tied parts, in order; rests are left out.</summary>
    public static List<List<Place>> Of(Score score)
    {
        var groups = new List<List<Place>>();
        var tied = false;
        for (var bar = 0; bar < score.Bars.Count; bar++)
        {
            for (var index = 0; index < score.Bars[bar].Elements.Count; index++)
            {
                var element = score.Bars[bar].Elements[index];
                if (element.IsRest)
                {
                    tied = false;
                    continue;
                }

                if (tied)
                    groups[^1].Add(new Place(bar, index));
                else
                    groups.Add([new Place(bar, index)]);
                tied = element.Tied;
            }
        }

        return groups;
    }

    public static Element At(Score score, Place place) => score.Bars[place.Bar].Elements[place.Index];

    /// <summary>The score with each element changed by what a rule says; the lengths must stay.</summary>
    public static Score Change(Score score, Func<Place, Element, Element> change) =>
        score with
        {
            Bars =
            [
                .. score.Bars.Select(
                    (bar, i) => bar with { Elements = [.. bar.Elements.Select((element, j) => change(new Place(i, j), element))] }
                ),
            ],
        };

    /// <summary>The same length in silence; a tuplet stays one.</summary>
    public static Element Silenced(Element element) => new([], element.Written) { Tuplet = element.Tuplet };

    /// <summary>The score with only some of its notes sounding; the others become rests of the same length.</summary>
    public static Score Only(Score score, IReadOnlySet<Place> sounding)
    {
        var quiet = Change(score, (place, element) => sounding.Contains(place) ? element : Silenced(element));
        // A slur needs both its ends.
        return Change(quiet, (_, element) => element with { SlurBegins = false, SlurEnds = false });
    }

    /// <summary>
    /// Sets elements one after the other into bars of a metre; what crosses a bar line is tied over it, the last bar is filled with
    /// rests.
    /// </summary>
    public static Score Rebar(Score score, IReadOnlyList<Element> line)
    {
        var bars = new List<Bar>();
        var bar = new List<Element>();
        var left = score.Time.Bar;
        foreach (var element in line)
        {
            var rest = element;
            while (rest.Length > left && rest.Tuplet is null)
            {
                var parts = Values.Cut(left);
                bar.AddRange(parts.Select(part => rest with { Written = part, Tied = !rest.IsRest }));
                rest = rest with { Written = rest.Written - left };
                (left, bar) = Close(bars, bar, score.Time.Bar);
            }

            bar.Add(rest);
            left -= rest.Length;
            if (left <= Fraction.Zero)
                (left, bar) = Close(bars, bar, score.Time.Bar);
        }

        if (bar.Count > 0)
        {
            bar.AddRange(Values.Cut(left).Reverse().Select(Element.Rest));
            bars.Add(new Bar(bar));
        }

        return score with
        {
            Bars = bars,
        };
    }

    private static (Fraction Left, List<Element> Bar) Close(List<Bar> bars, List<Element> bar, Fraction full)
    {
        bars.Add(new Bar(bar));
        return (full, []);
    }
}
