using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation.Variants;

/// <summary>The same notes in another rhythm, and the same rhythm on other notes.</summary>
internal static class Rhythms
{
    private const int Groups = 3;

    public static readonly Fraction[] LongShort = [new(3, 2), new(1, 2)];

    public static readonly Fraction[] ShortLong = [new(1, 2), new(3, 2)];

    public static readonly Fraction[] LongShortShort = [new(2, 1), new(1, 2), new(1, 2)];

    /// <summary>Every note as long as a beat's unit; rests are gone, the last bar is filled.</summary>
    public static Score Equal(Score score)
    {
        var value = new Fraction(1, Math.Max(4, score.Time.Unit));
        return NoteGroups.Rebar(Plain(score), [.. Heads(score).Select(note => new Element(note.Pitches, value))]);
    }

    /// <summary>Every three notes a triplet of the time of two; the last one is filled with rests.</summary>
    public static Score Triplets(Score score)
    {
        var value = new Fraction(1, 2 * Math.Max(4, score.Time.Unit));
        var heads = Heads(score);
        if (score.Time.Bar / (value * new Fraction(2, 1)) is { Denominator: > 1 })
            throw new VariantException($"Triplets do not fit bars of {score.Time}.");
        var line = new List<Element>();
        for (var i = 0; i < (heads.Count + Groups - 1) / Groups * Groups; i++)
        {
            var tuplet = new Tuplet(3, 2, i % Groups == 0, i % Groups == Groups - 1);
            line.Add(new Element(i < heads.Count ? heads[i].Pitches : [], value) { Tuplet = tuplet });
        }

        return NoteGroups.Rebar(Plain(score), line);
    }

    /// <summary>
    /// Groups of equal notes inside a bar get uneven lengths that add up to the same; tied notes and tuplets stay as they are.
    /// </summary>
    public static Score Uneven(Score score, Fraction[] parts)
    {
        var changed = false;
        var bars = score
            .Bars.Select(
                (bar, number) =>
                {
                    var elements = bar.Elements.ToList();
                    for (var i = 0; i + parts.Length <= elements.Count; i++)
                    {
                        var group = elements.GetRange(i, parts.Length);
                        var before =
                            i > 0 ? elements[i - 1]
                            : number > 0 && score.Bars[number - 1].Elements is [.., var last] ? last
                            : null;
                        if (
                            before is { Tied: true }
                            || !group.TrueForAll(element =>
                                element is { IsRest: false, Tied: false, Tuplet: null } && element.Written == group[0].Written
                            )
                        )
                            continue;
                        var lengths = parts.Select(part => group[0].Written * part).ToList();
                        if (lengths.Exists(length => Values.Of(length) is null))
                            continue;
                        for (var j = 0; j < parts.Length; j++)
                            elements[i + j] = elements[i + j] with { Written = lengths[j] };
                        changed = true;
                        i += parts.Length - 1;
                    }

                    return bar with
                    {
                        Elements = elements,
                    };
                }
            )
            .ToList();
        return changed
            ? score with
            {
                Bars = bars,
            }
            : throw new VariantException(
                $"Nowhere in these bars do {(parts.Length == 2 ? "two" : "three")} equal notes follow each other."
            );
    }

    /// <summary>All notes on the first one's pitch.</summary>
    public static Score OnOneNote(Score score)
    {
        var first = Heads(score)[0].Pitches[0];
        return NoteGroups.Change(score, (_, element) => element.IsRest ? element : element with { Pitches = [first], Finger = null });
    }

    /// <summary>Of each chord its highest note.</summary>
    public static Score TopNotes(Score score)
    {
        if (score.Bars.All(bar => bar.Elements.All(element => element.Pitches.Count < 2)))
            throw new VariantException("These bars have one voice only; there is nothing to leave out.");
        return NoteGroups.Change(score, (_, element) =>
            element.Pitches.Count < 2 ? element : element with { Pitches = [element.Pitches.MaxBy(pitch => pitch.Midi)] }
        );
    }

    /// <summary>The same bars in another key: everything moved by an interval; the fingers of the old key are no longer true.</summary>
    public static Score Moved(Score score, Interval interval) =>
        NoteGroups.Change(Concert.Moved(score, interval), (_, element) => element with { Finger = null });

    private static List<Element> Heads(Score score) => NoteGroups.Of(score).ConvertAll(group => NoteGroups.At(score, group[0]));

    /// <summary>Without changes of metre and key, which would not stand in their places any more.</summary>
    private static Score Plain(Score score) =>
        score.Bars.Any(bar => bar.Time is not null || bar.Key is not null)
            ? throw new VariantException("Key or metre change within these bars; take the bars before or after the change.")
            : score;
}
