using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>One voice of an ABC tune while it is read: what holds for it, and its bars so far.</summary>
/// <param name="name">Its name.</param>
internal sealed class AbcVoice(string name)
{
    private readonly List<Element> elements = [];
    private Bar opened = new([]);
    private bool isBroken;

    /// <summary>A clef that the next element is to bear, and a key that the next bar begins with.</summary>
    private Clef? clefToSet;
    private Key? keyAfter;

    public string Name { get; } = name;

    public AbcKey Key { get; set; } = AbcKey.Plain;

    public TimeSignature Time { get; set; } = TimeSignature.Common;

    /// <summary>Unit length; null where the metre decides.</summary>
    public Fraction? Unit { get; set; }

    public Key FirstKey { get; private set; }

    public TimeSignature FirstTime { get; private set; }

    public Clef FirstClef { get; private set; }

    public int Semitones { get; private set; }

    /// <summary>Bars that are ended.</summary>
    public List<Bar> Bars { get; } = [];

    /// <summary>Where each bar begins in the text.</summary>
    public List<int> Places { get; } = [];

    /// <summary>Where the open bar begins in the text.</summary>
    public int Place { get; set; }

    /// <summary>True between two bar lines before the first note.</summary>
    public bool IsEmpty => elements.Count == 0;

    /// <summary>Elements of the open bar.</summary>
    public IReadOnlyList<Element> Open => elements;

    /// <summary>Accidentals that hold until the bar line, by letter and octave.</summary>
    public Dictionary<(Step, int), int> Accidentals { get; } = [];

    /// <summary>Accidentals that a tie carries over a bar line.</summary>
    public Dictionary<(Step, int), int> Carried { get; } = [];

    public Fraction UnitLength => Unit ?? AbcHead.UnitOf(Time);

    /// <summary>What holds at the beginning.</summary>
    public void Begin()
    {
        (FirstKey, FirstTime, FirstClef, Semitones) = (Key.Key, Time, Key.Clef, Key.Semitones);
    }

    /// <summary>A change that was read: it stands at the beginning of a bar, of this one or, where that has begun, of the next.</summary>
    public void Change(AbcKey key)
    {
        if (Bars.Count == 0 && IsEmpty)
            (FirstKey, FirstClef, Semitones) = (key.Key, key.Clef, key.Semitones);
        else if (key.Key != Key.Key)
            opened = IsEmpty ? opened with { Key = key.Key } : opened;
        clefToSet = key.Clef != Key.Clef && (Bars.Count > 0 || !IsEmpty) ? key.Clef : clefToSet;
        keyAfter = !IsEmpty && key.Key != Key.Key ? key.Key : keyAfter;
        Key = key;
    }

    public void Change(TimeSignature time)
    {
        if (Bars.Count == 0 && IsEmpty)
            FirstTime = time;
        else
            opened = opened with { Time = time };
        Time = time;
    }

    public void Add(Element element)
    {
        elements.Add(clefToSet is { } clef ? element with { Clef = clef } : element);
        clefToSet = null;
    }

    /// <summary>Changes the last element that is no rest in a tuplet of its own; false where there is none in this bar.</summary>
    public bool Last(Func<Element, Element> change)
    {
        if (elements.Count > 0)
            elements[^1] = change(elements[^1]);
        else if (Bars.Count > 0 && Bars[^1].Elements.Count > 0)
            Bars[^1] = Bars[^1] with { Elements = [.. Bars[^1].Elements.SkipLast(1), change(Bars[^1].Elements[^1])] };
        else
            return false;
        return true;
    }

    /// <summary>A beam ends after the last element.</summary>
    public void Break() => isBroken = true;

    /// <summary>Whether the element that comes now follows without a space.</summary>
    public void Join(bool isShort)
    {
        if (elements.Count > 0 && elements[^1].Written < new Fraction(1, 4) && elements[^1].Beamed is null)
            elements[^1] = elements[^1] with { Beamed = !isBroken && isShort };
        isBroken = false;
    }

    public void Set(Func<Bar, Bar> change) => opened = change(opened);

    public void SetLast(Func<Bar, Bar> change)
    {
        if (Bars.Count > 0)
            Bars[^1] = change(Bars[^1]);
    }

    /// <summary>Ends the bar; nothing happens where it holds nothing.</summary>
    public void Close()
    {
        if (elements.Count == 0)
            return;
        Bars.Add(opened with { Elements = [.. elements] });
        Places.Add(Place);
        elements.Clear();
        Accidentals.Clear();
        foreach (var (at, alteration) in Carried)
            Accidentals[at] = alteration;
        Carried.Clear();
        opened = new Bar([]) { Key = keyAfter };
        (keyAfter, isBroken) = (null, false);
    }
}
