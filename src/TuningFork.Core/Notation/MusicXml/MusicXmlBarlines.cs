using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>Bar lines of MusicXML, and the signs of the way through the music.</summary>
internal static class MusicXmlBarlines
{
    /// <summary>What stands at the beginning of a bar; null for nothing.</summary>
    public static XElement? Left(Bar bar) =>
        !bar.RepeatBegins && bar.Ending.Count == 0
            ? null
            : new XElement(
                "barline",
                new XAttribute("location", "left"),
                bar.Ending.Count > 0 ? EndingOf(bar, "start") : null,
                bar.RepeatBegins ? new XElement("repeat", new XAttribute("direction", "forward")) : null
            );

    /// <summary>What stands at its end; null for a plain line.</summary>
    public static XElement? Right(IReadOnlyList<Bar> bars, int index)
    {
        var bar = bars[index];
        var isLast = index == bars.Count - 1;
        var ending = EndingThatEnds(bars, index);
        if (!bar.RepeatEnds && !isLast && !bar.IsDouble && ending is null)
            return null;
        return new XElement(
            "barline",
            new XAttribute("location", "right"),
            bar.RepeatEnds ? null
                : isLast ? new XElement("bar-style", "light-heavy")
                : bar.IsDouble ? new XElement("bar-style", "light-light")
                : null,
            ending is null ? null : EndingOf(ending, bar.RepeatEnds ? "stop" : "discontinue"),
            bar.RepeatEnds
                ? new XElement("repeat", new XAttribute("direction", "backward"), bar.Times > 2 ? new XAttribute("times", bar.Times) : null)
                : null
        );
    }

    /// <summary>The signs of a bar's beginning or end, each as a direction.</summary>
    public static IEnumerable<XElement> Signs(Bar bar, bool atEnd)
    {
        foreach (var way in Enum.GetValues<Way>().Where(one => one != Way.None && bar.Way.HasFlag(one)))
        {
            if (way is Way.Segno or Way.Coda == atEnd)
                continue;
            var (type, attribute) = way switch
            {
                Way.Segno => (new XElement("segno"), "segno"),
                Way.Coda => (new XElement("coda"), "coda"),
                Way.Fine => (new XElement("words", "Fine"), "fine"),
                Way.ToCoda => (new XElement("words", "To Coda"), "tocoda"),
                Way.DaCapo => (new XElement("words", "D.C."), "dacapo"),
                _ => (new XElement("words", "D.S."), "dalsegno"),
            };
            yield return new XElement(
                "direction",
                new XAttribute("placement", "above"),
                new XElement("direction-type", type),
                new XElement("sound", new XAttribute(attribute, way is Way.DaCapo or Way.Fine ? "yes" : "sign"))
            );
        }
    }

    private static XElement EndingOf(Bar bar, string type) =>
        new("ending", new XAttribute("number", string.Join(", ", bar.Ending)), new XAttribute("type", type));

    /// <summary>The ending that ends with this bar: at its repeat, or before another ending or the end.</summary>
    private static Bar? EndingThatEnds(IReadOnlyList<Bar> bars, int index)
    {
        var begun = index;
        while (begun >= 0 && bars[begun].Ending.Count == 0)
        {
            if (begun < index && (bars[begun].RepeatEnds || bars[begun].IsDouble || bars[begun + 1].RepeatBegins))
                return null;
            begun--;
        }

        if (begun < 0)
            return null;
        var ends =
            bars[index].RepeatEnds
            || bars[index].IsDouble
            || index == bars.Count - 1
            || bars[index + 1].Ending.Count > 0
            || bars[index + 1].RepeatBegins;
        return ends ? bars[begun] : null;
    }
}
