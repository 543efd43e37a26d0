using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>The signs at a note of MusicXML, in the order of its schema.</summary>
internal static class MusicXmlNotations
{
    /// <summary>What the roll is called, which has no name in MusicXML.</summary>
    public const string Roll = "roll";

    private static readonly (Marks Mark, string Name)[] Ornaments =
    [
        (Marks.Trill, "trill-mark"),
        (Marks.Turn, "turn"),
        (Marks.InvertedTurn, "inverted-turn"),
        (Marks.Mordent, "mordent"),
        (Marks.UpperMordent, "inverted-mordent"),
    ];

    private static readonly (Marks Mark, string Name)[] Techniques =
    [
        (Marks.UpBow, "up-bow"),
        (Marks.DownBow, "down-bow"),
        (Marks.Open, "open-string"),
        (Marks.Plus, "stopped"),
        (Marks.Thumb, "thumb-position"),
    ];

    private static readonly (Articulation Articulation, string Name)[] Articulations =
    [
        (Articulation.Accent, "accent"),
        (Articulation.Marcato, "strong-accent"),
        (Articulation.Staccato, "staccato"),
        (Articulation.Tenuto, "tenuto"),
        (Articulation.Staccatissimo, "staccatissimo"),
    ];

    /// <summary>The signs of a note; null for none.</summary>
    public static XElement? Of(Element element, bool isAfterTie, bool isTied, bool inChord)
    {
        var notations = new XElement("notations");
        if (isAfterTie)
            notations.Add(new XElement("tied", new XAttribute("type", "stop")));
        if (isTied)
            notations.Add(new XElement("tied", new XAttribute("type", "start")));
        if (!inChord)
            notations.Add(OfFirst(element));
        else if (element.Marks.HasFlag(Marks.Arpeggio))
            notations.Add(new XElement("arpeggiate"));
        return notations.HasElements ? notations : null;
    }

    private static IEnumerable<XElement> OfFirst(Element element)
    {
        if (element.SlurEnds)
            yield return new XElement("slur", new XAttribute("type", "stop"), new XAttribute("number", 1));
        if (element.SlurBegins)
            yield return new XElement("slur", new XAttribute("type", "start"), new XAttribute("number", 1));
        if (element.Tuplet is { Begins: true })
            yield return new XElement("tuplet", new XAttribute("type", "start"));
        if (element.Tuplet is { Ends: true })
            yield return new XElement("tuplet", new XAttribute("type", "stop"));
        var ornaments = Ornaments.Where(one => element.Marks.HasFlag(one.Mark)).Select(one => new XElement(one.Name)).ToList();
        if (element.Marks.HasFlag(Marks.Tremolo))
            ornaments.Add(new XElement("tremolo", new XAttribute("type", "single"), 3));
        // MusicXML has no element of its own for it.
        if (element.Marks.HasFlag(Marks.Roll))
            ornaments.Add(new XElement("other-ornament", Roll));
        if (ornaments.Count > 0)
            yield return new XElement("ornaments", ornaments);
        var techniques = Techniques.Where(one => element.Marks.HasFlag(one.Mark)).Select(one => new XElement(one.Name)).ToList();
        if (element.Finger is { } finger)
            techniques.Add(new XElement("fingering", finger));
        if (techniques.Count > 0)
            yield return new XElement("technical", techniques);
        var articulations = Articulations
            .Where(one => element.Articulation.HasFlag(one.Articulation))
            .Select(one => new XElement(one.Name))
            .ToList();
        if (element.Marks.HasFlag(Marks.Breath))
            articulations.Add(new XElement("breath-mark"));
        if (element.Marks.HasFlag(Marks.Slide))
            articulations.Add(new XElement("scoop"));
        if (articulations.Count > 0)
            yield return new XElement("articulations", articulations);
        if (element.Marks.HasFlag(Marks.Fermata))
            yield return new XElement("fermata");
        if (element.Marks.HasFlag(Marks.Arpeggio))
            yield return new XElement("arpeggiate");
    }
}
