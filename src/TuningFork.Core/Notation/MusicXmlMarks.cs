using System.Globalization;
using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>Marks of MusicXML that are read by themselves: tuplets, repeats and endings, whole numbers.</summary>
internal static class MusicXmlMarks
{
    public static Tuplet? TupletOf(XElement item, List<XElement> notations)
    {
        if (
            item.Element("time-modification") is not { } change
            || Whole(change.Element("actual-notes")) is not { } actual
            || Whole(change.Element("normal-notes")) is not { } normal
            || actual is < 2 or > 32
            || normal is < 1 or > 32
        )
            return null;
        var marks = notations.Elements("tuplet").Select(tuplet => tuplet.Attribute("type")?.Value).ToList();
        return new Tuplet(
            (int)actual,
            (int)normal,
            marks.Contains("start", StringComparer.Ordinal),
            marks.Contains("stop", StringComparer.Ordinal)
        );
    }

    public static Bar Barline(XElement item, Bar bar)
    {
        var repeat = item.Element("repeat")?.Attribute("direction")?.Value;
        var ending = item.Element("ending");
        var passes =
            ending?.Attribute("type")?.Value == "start"
                ? (ending.Attribute("number")?.Value ?? "")
                    .Split(',', ' ')
                    .Select(text => int.TryParse(text, CultureInfo.InvariantCulture, out var pass) ? pass : 0)
                    .Where(pass => pass is >= 1 and <= 9)
                    .ToList()
                : [];
        return bar with
        {
            RepeatBegins = bar.RepeatBegins || repeat == "forward",
            RepeatEnds = bar.RepeatEnds || repeat == "backward",
            Ending = passes.Count > 0 ? passes : bar.Ending,
        };
    }

    public static long? Whole(XElement? element) =>
        long.TryParse(element?.Value.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number) ? number : null;
}
