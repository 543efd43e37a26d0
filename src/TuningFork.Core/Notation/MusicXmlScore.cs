using System.Xml;
using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>Walks through a MusicXML score and hands the bars of its first part on: of a large score one bar at a time is held.</summary>
internal static class MusicXmlScore
{
    /// <param name="xml">A reader at the first element.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="MusicFileException">It is no score, or cannot be read.</exception>
    public static ReadMusic Read(XmlReader xml, CancellationToken cancel)
    {
        if (xml.LocalName == "score-timewise")
            throw new MusicFileException("The file is ordered by time (score-timewise). Export it as score-partwise.");
        if (xml.LocalName != "score-partwise")
            throw new MusicFileException("This is no MusicXML score. Export the music as MusicXML and take that file.");
        var part = new MusicXmlPart();
        var (parts, work, movement) = (0, "", "");
        Children(xml, () =>
        {
            if (xml.LocalName == "work")
                work = ((XElement)XNode.ReadFrom(xml)).Element("work-title")?.Value ?? "";
            else if (xml.LocalName == "movement-title")
                movement = xml.ReadElementContentAsString();
            else if (xml.LocalName == "part" && ++parts == 1)
                Measures(xml, part, cancel);
            else
                xml.Skip();
        });
        if (parts == 0)
            throw new MusicFileException("There is no part in this file.");
        part.OneOf(parts);
        return part.Finish(work.Length > 0 ? work : movement);
    }

    private static void Measures(XmlReader xml, MusicXmlPart part, CancellationToken cancel) => Children(xml, () =>
        {
            cancel.ThrowIfCancellationRequested();
            if (xml.LocalName == "measure")
                part.Measure((XElement)XNode.ReadFrom(xml));
            else
                xml.Skip();
        });

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
