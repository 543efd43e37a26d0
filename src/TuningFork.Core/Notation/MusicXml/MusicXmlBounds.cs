using System.Xml;

namespace TuningFork.Core.Notation;

/// <summary>
/// Looks through a MusicXML text before it is read: small files can be made so that reading them takes minutes or gigabytes.
/// Real music lies far below every bound (common practice).
/// </summary>
internal static class MusicXmlBounds
{
    private const int DeepestNesting = 60;
    private const int MostElements = 2_000_000;
    private const int MostInABar = 20_000;

    /// <summary>Longest tag with its attributes, in signs; those of an element are compared with each other.</summary>
    private const int LongestTag = 32 * 1024;

    /// <exception cref="MusicFileException">It is beyond a bound, or broken.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static void Check(string text, CancellationToken cancel)
    {
        Tags(text);
        MusicXmlReader.Reading(text, reader => Elements(reader, cancel));
    }

    private static void Tags(string text)
    {
        var begun = -1;
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] == '<')
                begun = i;
            else if (text[i] == '>')
                begun = -1;
            else if (begun >= 0 && i - begun > LongestTag && text[begun + 1] is not ('!' or '?'))
                throw Beyond("one of its tags is too long");
        }
    }

    private static bool Elements(XmlReader reader, CancellationToken cancel)
    {
        var (all, inBar) = (0, 0);
        while (reader.Read())
        {
            if (reader.NodeType != XmlNodeType.Element)
                continue;
            all++;
            inBar = reader.LocalName == "measure" ? 0 : inBar + 1;
            if (reader.Depth > DeepestNesting)
                throw Beyond($"it is nested {reader.Depth} deep");
            if (inBar > MostInABar && reader.Depth > 2)
                throw Beyond($"one of its bars has more than {MostInABar:N0} parts");
            if (all > MostElements)
                throw Beyond($"it has more than {MostElements:N0} parts");
            if (all % 1000 == 0)
                cancel.ThrowIfCancellationRequested();
        }

        return true;
    }

    private static MusicFileException Beyond(string why) => new($"This file is not built like music: {why}. Export the music again.");
}
