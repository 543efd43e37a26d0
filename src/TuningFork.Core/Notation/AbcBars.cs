using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Puts the notes of an ABC tune into bars and looks whether they are full.</summary>
internal sealed class AbcBars(AbcText signs, AbcHead head)
{
    private const int MostBars = 10_000;

    private readonly List<Bar> bars = [];
    private readonly List<Element> elements = [];
    private readonly List<(int Bar, int Mark)> shortBars = [];
    private readonly Key firstKey = head.Key;
    private readonly TimeSignature firstTime = head.Time;
    private Bar opened = new([]);
    private int barMark = signs.Mark();
    private bool afterRepeat;

    /// <summary>True between two bar lines before the first note.</summary>
    public bool IsEmpty => elements.Count == 0;

    /// <summary>Key and metre of the bar that is open, where they change with it.</summary>
    public void Change(char field)
    {
        if (field == 'K')
            opened = opened with { Key = head.Key };
        if (field == 'M')
            opened = opened with { Time = head.Time };
    }

    public void Add(Element element) => elements.Add(element);

    public void Rest() => elements.AddRange(Values.Cut(head.Time.Bar).Select(Element.Rest));

    /// <summary>The last note made longer or shorter.</summary>
    public void Stretch(Fraction by) => elements[^1] = elements[^1] with { Written = elements[^1].Written * by };

    public void EndSlur()
    {
        if (elements.Count == 0 && bars.Count == 0)
            throw signs.Wrong("A slur ends here and none was begun.");
        if (elements.Count > 0)
            elements[^1] = elements[^1] with { SlurEnds = true };
        else
            bars[^1] = bars[^1] with { Elements = [.. bars[^1].Elements.SkipLast(1), bars[^1].Elements[^1] with { SlurEnds = true }] };
    }

    /// <summary>A bar line: what it ends, and whether it turns back.</summary>
    public void Line(bool ends, bool begins)
    {
        if (elements.Count > 0)
            Close(ends);
        else if (ends && bars.Count > 0)
            bars[^1] = bars[^1] with { RepeatEnds = true };
        if (begins)
            opened = opened with { RepeatBegins = true };
        afterRepeat = ends || opened.RepeatBegins;
    }

    /// <summary>The bar that opens now begins an ending.</summary>
    public void Ending(IReadOnlyList<int> passes) => opened = opened with { Ending = passes };

    /// <summary>The bar that opens now begins here.</summary>
    public void Begin() => barMark = signs.Mark();

    /// <summary>Ends the bar.</summary>
    public void Close(bool repeat)
    {
        var bar = opened with { Elements = [.. elements.SelectMany(Writable)], RepeatEnds = repeat };
        var full = head.Time.Bar;
        if (bar.Length > full)
            throw signs.Wrong(
                $"Bar {bars.Count + 1} holds {bar.Length} of a whole note; {head.Time} holds {full}. Take {bar.Length - full} away, or set a bar line.",
                barMark
            );
        // Short bars stand where music begins, ends or turns back; elsewhere something is missing.
        if (bar.Length < full)
            bar = bar with { IsPartial = true };
        if (bar.IsPartial && bars.Count > 0 && !repeat && !afterRepeat && !signs.IsOver && bar.Ending.Count == 0)
            shortBars.Add((bars.Count, barMark));
        bars.Add(bar);
        if (bars.Count > MostBars)
            throw signs.Wrong($"This is longer than {MostBars:N0} bars; take a part of it.");
        elements.Clear();
        opened = new Bar([]);
        barMark = signs.Mark();
    }

    /// <summary>A short bar is allowed as the last one, and just before a repeat begins; then slurs and ties are looked at.</summary>
    public IReadOnlyList<Bar> Finish()
    {
        if (bars.Count == 0)
            throw signs.Wrong("There are no notes yet. Write letters for notes and | for bar lines: CDEF GABc|.");
        foreach (var (index, mark) in shortBars.Where(one => one.Bar < bars.Count - 1 && !bars[one.Bar + 1].RepeatBegins))
            throw signs.Wrong(
                $"Bar {index + 1} holds {bars[index].Length} of a whole note and is not full. Add what is missing, or a rest z.",
                mark
            );
        var score = new Score
        {
            Bars = bars,
            Key = firstKey,
            Time = firstTime,
        };
        if (score.Check() is [var (bar, problem), ..])
            throw new AbcException(1, 1, $"{problem} Look at bar {bar}.");
        return bars;
    }

    /// <summary>A length that one head cannot show becomes tied notes, or several rests.</summary>
    private IEnumerable<Element> Writable(Element element)
    {
        if (Values.Of(element.Written) is not null)
            return [element];
        IReadOnlyList<Fraction> parts;
        try
        {
            parts = Values.Cut(element.Written);
        }
        catch (ArgumentException)
        {
            throw signs.Wrong($"A length of {element.Written} of a whole note cannot be written. Use a tuplet, like (3abc.", barMark);
        }

        return parts.Select(
            (part, i) =>
                element with
                {
                    Written = part,
                    Tied = element.IsRest ? false : i < parts.Count - 1 || element.Tied,
                    SlurBegins = element.SlurBegins && i == 0,
                    SlurEnds = element.SlurEnds && i == parts.Count - 1,
                    Tuplet = element.Tuplet is { } tuplet
                        ? tuplet with
                        {
                            Begins = tuplet.Begins && i == 0,
                            Ends = tuplet.Ends && i == parts.Count - 1,
                        }
                        : null,
                    Words = i == 0 ? element.Words : "",
                    Finger = i == 0 ? element.Finger : null,
                }
        );
    }
}
