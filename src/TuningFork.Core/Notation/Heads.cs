namespace TuningFork.Core.Notation;

/// <summary>Lengths that one head cannot show, as tied heads or as several rests.</summary>
internal static class Heads
{
    /// <summary>The heads of an element: itself where one will do.</summary>
    /// <returns>Null where its length cannot be written at all.</returns>
    public static IReadOnlyList<Element>? Of(Element element)
    {
        if (Values.Of(element.Written) is not null)
            return [element];
        if (Values.TryCut(element.Written) is not { } parts)
        {
            // A third of a note is one of a triplet.
            return element.Tuplet is null && Tuplets.Rests(element.Written, false) is { } rests
                ? Cut(element, [.. rests.Select(rest => rest.Written)], rests[0].Tuplet)
                : null;
        }

        return Cut(element, parts, element.Tuplet);
    }

    private static IReadOnlyList<Element> Cut(Element element, IReadOnlyList<Fraction> parts, Tuplet? tuplet) =>
        [
            .. parts.Select(
                (part, i) =>
                {
                    var isLast = i == parts.Count - 1;
                    var head = i == 0 ? element : new Element(element.Pitches, part) { IsHidden = element.IsHidden };
                    return head with
                    {
                        Written = part,
                        Tuplet = tuplet is null ? null : tuplet with { Begins = tuplet.Begins && i == 0, Ends = tuplet.Ends && isLast },
                        Tied = !element.IsRest && (!isLast || element.Tied),
                        TiedOnly = isLast ? element.TiedOnly : [],
                        SlurEnds = element.SlurEnds && isLast,
                        Beamed = isLast ? element.Beamed : null,
                    };
                }
            ),
        ];
}
