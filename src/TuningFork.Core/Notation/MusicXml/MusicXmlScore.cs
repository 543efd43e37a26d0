using System.Globalization;
using System.Xml;
using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>Walks through a MusicXML score and hands the bars of its parts on: of a large score one bar at a time is held.</summary>
internal static class MusicXmlScore
{
    /// <summary>Goes through a score.</summary>
    /// <param name="xml">A reader at the first element.</param>
    /// <param name="part">Called for each part with its index and id; false skips it.</param>
    /// <param name="measure">Called for each measure of the part at hand.</param>
    /// <param name="head">Called for what stands before the parts.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="MusicFileException">It is no score, or has no part.</exception>
    public static void Walk(
        XmlReader xml,
        Func<int, string, bool> part,
        Action<XElement> measure,
        Action<XElement> head,
        CancellationToken cancel
    )
    {
        if (xml.LocalName != "score-partwise")
            throw new MusicFileException("This is no MusicXML score. Export the music as MusicXML and take that file.");
        var parts = 0;
        Children(xml, () =>
        {
            if (xml.LocalName is "work" or "movement-title" or "part-list")
                head((XElement)XNode.ReadFrom(xml));
            else if (xml.LocalName == "part" && part(parts++, xml.GetAttribute("id") ?? ""))
                Measures(xml, measure, cancel);
            else
                xml.Skip();
        });
        if (parts == 0)
            throw new MusicFileException("There is no part in this file.");
    }

    /// <summary>One part of it.</summary>
    public static ReadMusic Read(XmlReader xml, MusicXmlScan scan, int index, CancellationToken cancel)
    {
        var part = new MusicXmlPart(scan.Lengths);
        var (work, movement) = ("", "");
        Walk(
            xml,
            (at, _) => at == index,
            part.Measure,
            head =>
            {
                if (head.Name.LocalName == "work")
                    work = head.Element("work-title")?.Value ?? "";
                else if (head.Name.LocalName == "movement-title")
                    movement = head.Value;
            },
            cancel
        );
        return part.Finish(work.Length > 0 ? work : movement);
    }

    /// <summary>Whether a text is ordered by time and not by parts.</summary>
    public static bool IsByTime(string text) =>
        text.IndexOf("<score-timewise", 0, Math.Min(text.Length, 4000), StringComparison.Ordinal) >= 0
        && MusicXmlReader.Reading(text, reader => reader.LocalName == "score-timewise");

    /// <summary>A score by time, ordered by parts: each measure holds the parts, and each part is to hold the measures.</summary>
    public static string ByParts(XmlReader xml)
    {
        var score = (XElement)XNode.ReadFrom(xml);
        var parts = score
            .Elements("measure")
            .SelectMany(measure =>
                measure
                    .Elements("part")
                    .Select(part =>
                        (Id: part.Attribute("id")?.Value ?? "", Measure: new XElement("measure", measure.Attributes(), part.Nodes()))
                    )
            )
            .GroupBy(one => one.Id, StringComparer.Ordinal)
            .Select(group => new XElement("part", new XAttribute("id", group.Key), group.Select(one => one.Measure)));
        return new XElement("score-partwise", score.Elements().Where(one => one.Name.LocalName != "measure"), parts).ToString(
            SaveOptions.DisableFormatting
        );
    }

    private static void Measures(XmlReader xml, Action<XElement> measure, CancellationToken cancel)
    {
        var bars = 0;
        Children(xml, () =>
        {
            cancel.ThrowIfCancellationRequested();
            if (xml.LocalName != "measure")
            {
                xml.Skip();
                return;
            }

            if (++bars > MusicXmlReader.MostBars)
                throw new MusicFileException(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"The piece is longer than {MusicXmlReader.MostBars:N0} bars; export a part of it."
                    )
                );
            measure((XElement)XNode.ReadFrom(xml));
        });
    }

    /// <summary>Goes through the elements below the one at hand, and past its end; each is to be read to its own end.</summary>
    private static void Children(XmlReader xml, Action element)
    {
        var isEmpty = xml.IsEmptyElement;
        xml.Read();
        while (!isEmpty && xml.NodeType != XmlNodeType.EndElement && !xml.EOF)
        {
            if (xml.NodeType == XmlNodeType.Element)
                element();
            else
                xml.Skip();
        }

        if (!isEmpty && !xml.EOF)
            xml.ReadEndElement();
    }
}
