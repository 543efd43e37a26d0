using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Elements of MusicXML that are read by themselves: whole numbers, transposition, clefs, bar lines, signs at notes.</summary>
internal static class MusicXmlMarks
{
    public static long? Whole(XElement? element) => Whole(element?.Value);

    public static long? Whole(string? text) =>
        long.TryParse(text?.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number) ? number : null;

    /// <summary>The way from written to sounding pitch; null where it cannot be read.</summary>
    public static Interval? Transposition(XElement transpose)
    {
        if (Whole(transpose.Element("chromatic")) is not { } semitones || semitones is < -36 or > 36)
            return null;
        var octaves = Math.Clamp(Whole(transpose.Element("octave-change")) ?? 0, -3, 3);
        var all = (int)(semitones + (12 * octaves));
        return Whole(transpose.Element("diatonic")) is { } steps and >= -28 and <= 28
            ? new Interval((int)(steps + (7 * octaves)), all)
            : Interval.OfSemitones(all);
    }

    /// <summary>A clef, and by how many octaves what stands in it sounds above what it looks like.</summary>
    public static (Clef Clef, int Octaves) ClefOf(XElement clef, Clef before)
    {
        var octaves = (int)Math.Clamp(Whole(clef.Element("clef-octave-change")) ?? 0, -2, 2);
        var line = Whole(clef.Element("line"));
        var found = (clef.Element("sign")?.Value.Trim(), line) switch
        {
            ("G", _) => Clef.Treble,
            ("F", 3) => Clef.Baritone,
            ("F", _) => Clef.Bass,
            ("C", 1) => Clef.Soprano,
            ("C", 2) => Clef.MezzoSoprano,
            ("C", 4) => Clef.Tenor,
            ("C", 5) => Clef.Baritone,
            ("C", _) => Clef.Alto,
            ("percussion", _) => Clef.Percussion,
            _ => before,
        };
        return (found, octaves);
    }

    public static Bar Barline(XElement item, Bar bar)
    {
        var repeat = item.Element("repeat");
        var direction = repeat?.Attribute("direction")?.Value;
        var ending = item.Element("ending");
        var passes = ending?.Attribute("type")?.Value == "start" ? Passes(ending.Attribute("number")?.Value ?? "") : [];
        var way =
            bar.Way | (item.Element("segno") is not null ? Way.Segno : Way.None) | (item.Element("coda") is not null ? Way.Coda : Way.None);
        return bar with
        {
            RepeatBegins = bar.RepeatBegins || direction == "forward",
            RepeatEnds = bar.RepeatEnds || direction == "backward",
            Times = direction == "backward" ? (int)Math.Clamp(Whole(repeat!.Attribute("times")?.Value) ?? 2, 2, 9) : bar.Times,
            Ending = passes.Count > 0 ? passes : bar.Ending,
            Way = way,
            IsDouble = bar.IsDouble || (item.Element("bar-style")?.Value == "light-light" && item.Attribute("location")?.Value != "left"),
        };
    }

    /// <summary>"1", "1, 2", "1-3".</summary>
    private static List<int> Passes(string text) =>
        [
            .. text.Split([',', ' '], StringSplitOptions.RemoveEmptyEntries)
                .SelectMany(part =>
                {
                    var ends = part.Split('-');
                    return Whole(ends[0]) is { } from and >= 1 and <= 9 && (Whole(ends[^1]) ?? from) is var to && to >= from && to <= 9
                        ? Enumerable.Range((int)from, (int)(to - from) + 1)
                        : [];
                })
                .Distinct(),
        ];

    /// <summary>The signs at a note, set on an element; what is not known goes to what is left out.</summary>
    public static Element Signed(Element element, IReadOnlyList<XElement> notations, Action<string> leftOut)
    {
        foreach (var sign in notations.Elements())
        {
            element = sign.Name.LocalName switch
            {
                "articulations" => sign.Elements().Aggregate(element, (one, mark) => Articulated(one, mark, leftOut)),
                "ornaments" => sign.Elements().Aggregate(element, (one, mark) => Ornamented(one, mark, leftOut)),
                "technical" => sign.Elements().Aggregate(element, (one, mark) => Played(one, mark, leftOut)),
                "fermata" => element with { Marks = element.Marks | Marks.Fermata },
                "arpeggiate" => element with { Marks = element.Marks | Marks.Arpeggio },
                "dynamics" => element with { Dynamic = Dynamic(sign, leftOut) },
                "slur" => Slurred(element, sign, leftOut),
                "tied" when sign.Attribute("type")?.Value == "let-ring" => Without(element, "ties into the open"),
                "glissando" or "slide" => Without(element, "slides"),
                "non-arpeggiate" => Without(element, "brackets at chords"),
                "other-notation" => Without(element, "signs of the program that wrote it"),
                _ => element,
            };
        }

        return element;

        Element Without(Element one, string kind)
        {
            leftOut(kind);
            return one;
        }
    }

    /// <summary>Loudness in one of the usual words; others are left out.</summary>
    public static string Dynamic(XElement dynamics, Action<string> leftOut)
    {
        var name = dynamics.Elements().FirstOrDefault()?.Name.LocalName ?? "";
        if (Dynamics.IsKnown(name))
            return name;
        leftOut("dynamics in words of their own");
        return "";
    }

    private static Element Slurred(Element element, XElement slur, Action<string> leftOut)
    {
        var (begins, ends) = (slur.Attribute("type")?.Value == "start", slur.Attribute("type")?.Value == "stop");
        if ((begins && element.SlurBegins) || (ends && element.SlurEnds))
            leftOut("slurs inside others");
        return element with { SlurBegins = element.SlurBegins || begins, SlurEnds = element.SlurEnds || ends };
    }

    private static Element Articulated(Element element, XElement mark, Action<string> leftOut)
    {
        var articulation = mark.Name.LocalName switch
        {
            "staccato" => Articulation.Staccato,
            "tenuto" => Articulation.Tenuto,
            "accent" or "stress" => Articulation.Accent,
            "strong-accent" => Articulation.Marcato,
            "staccatissimo" or "spiccato" => Articulation.Staccatissimo,
            "detached-legato" => Articulation.Staccato | Articulation.Tenuto,
            _ => Articulation.None,
        };
        if (articulation != Articulation.None)
            return element with { Articulation = element.Articulation | articulation };
        if (mark.Name.LocalName == "breath-mark")
            return element with { Marks = element.Marks | Marks.Breath };
        if (mark.Name.LocalName == "scoop")
            return element with { Marks = element.Marks | Marks.Slide };
        leftOut(mark.Name.LocalName == "caesura" ? "caesuras" : "articulations of jazz");
        return element;
    }

    private static Element Ornamented(Element element, XElement mark, Action<string> leftOut)
    {
        var sign = mark.Name.LocalName switch
        {
            "trill-mark" => Marks.Trill,
            "mordent" => Marks.Mordent,
            "inverted-mordent" => Marks.UpperMordent,
            "turn" or "delayed-turn" => Marks.Turn,
            "inverted-turn" or "delayed-inverted-turn" => Marks.InvertedTurn,
            "tremolo" when (mark.Attribute("type")?.Value ?? "single") == "single" => Marks.Tremolo,
            "other-ornament" when mark.Value.Trim() == MusicXmlNotations.Roll => Marks.Roll,
            _ => Marks.None,
        };
        if (sign == Marks.None && mark.Name.LocalName is not "wavy-line")
            leftOut(mark.Name.LocalName == "tremolo" ? "tremolos between notes" : "ornaments");
        return element with { Marks = element.Marks | sign };
    }

    private static Element Played(Element element, XElement mark, Action<string> leftOut)
    {
        if (mark.Name.LocalName == "fingering")
        {
            if (Whole(mark) is { } finger and >= 0 and <= 5 && element.Finger is null)
                return element with { Finger = (int)finger };
            leftOut("further fingerings");
            return element;
        }

        var sign = mark.Name.LocalName switch
        {
            "up-bow" => Marks.UpBow,
            "down-bow" => Marks.DownBow,
            "open-string" or "harmonic" => Marks.Open,
            "stopped" => Marks.Plus,
            "thumb-position" => Marks.Thumb,
            _ => Marks.None,
        };
        if (sign == Marks.None)
            leftOut(mark.Name.LocalName is "string" or "fret" ? "string and fret numbers" : "signs of playing technique");
        return element with { Marks = element.Marks | sign };
    }
}
