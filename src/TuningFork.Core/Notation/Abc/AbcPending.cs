using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>What was read of an ABC tune and waits for its next note: signs, words, slurs, grace notes, a tuplet, a broken rhythm.</summary>
/// <param name="leftOut">Collects what is not taken over.</param>
internal sealed class AbcPending(LeftOutList leftOut)
{
    private readonly List<string> signs = [];
    private (int Actual, int Normal, int Left, bool Fresh)? tuplet;
    private int slurs;
    private string words = "";
    private List<Pitch> grace = [];

    /// <summary>By how much the next note is longer or shorter than it is written: the second half of "A>B".</summary>
    public Fraction Broken { get; set; } = Fraction.Whole;

    /// <summary>Whether notes of a tuplet are still to come.</summary>
    public bool IsInTuplet => tuplet is not null;

    public void Sign(string name) => signs.Add(name);

    public void Grace(Pitch pitch) => grace.Add(pitch);

    public void Slur(int bar)
    {
        if (slurs++ > 0)
            leftOut.Add("slurs inside others", bar);
    }

    public void Say(string text)
    {
        if (text.Trim().Length > 0)
            words = words.Length > 0 ? $"{words} {text.Trim()}" : text.Trim();
    }

    public void BeginTuplet(int actual, int normal, int count) => tuplet = (actual, normal, count, true);

    /// <summary>A tuplet that another voice breaks off is as long as it is.</summary>
    public void EndTuplet() => tuplet = null;

    /// <summary>A note or rest with all that waited for it.</summary>
    /// <param name="element">As its letters say.</param>
    /// <param name="bar">Index of its bar.</param>
    public Element Take(Element element, int bar)
    {
        var taken = element with
        {
            Written = element.Written * Broken,
            SlurBegins = slurs > 0,
            Words = words,
            Grace = element.IsRest ? [] : grace,
        };
        if (tuplet is { } group)
        {
            taken = taken with { Tuplet = new Tuplet(group.Actual, group.Normal, group.Fresh, group.Left == 1) };
            tuplet = group.Left == 1 ? null : (group.Actual, group.Normal, group.Left - 1, false);
        }

        if (element.IsRest && grace.Count > 0)
            leftOut.Add("grace notes before a rest", bar);
        foreach (var name in signs)
        {
            if (AbcSigns.With(taken, name) is { } signed)
                taken = signed;
            else
                leftOut.Add($"signs unknown here: {name}", bar);
        }

        (slurs, words, Broken, grace) = (0, "", Fraction.Whole, []);
        signs.Clear();
        return taken;
    }
}
