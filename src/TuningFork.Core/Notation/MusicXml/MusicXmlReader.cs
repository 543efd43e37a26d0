using System.IO.Compression;
using System.Xml;

namespace TuningFork.Core.Notation;

/// <summary>
/// Reads MusicXML (4.0 and before, by parts or by time), plain or packed as .mxl. Nothing outside the file is ever asked for:
/// document types are skipped, entities are refused, packed files are read up to a limit.
/// </summary>
public static class MusicXmlReader
{
    /// <summary>Most bytes of the file itself, and of what is packed in it.</summary>
    public const int MostBytes = 20 * 1024 * 1024;

    /// <summary>Most bars.</summary>
    public const int MostBars = 10_000;

    /// <summary>The parts of a score.</summary>
    /// <param name="file">The bytes of a .musicxml, .xml or .mxl file.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="MusicFileException">It cannot be read.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static IReadOnlyList<MusicChoice> Choices(byte[] file, CancellationToken cancel = default) =>
        MusicXmlScan.Of(Opened(file, cancel), cancel).Parts;

    /// <summary>The music of a part, and what was left out.</summary>
    /// <param name="file">The bytes of a .musicxml, .xml or .mxl file.</param>
    /// <param name="part">Which part, from 0; null for the first with notes.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="MusicFileException">It cannot be read, or has no such part.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static ReadMusic Read(byte[] file, int? part = null, CancellationToken cancel = default)
    {
        var text = Opened(file, cancel);
        var scan = MusicXmlScan.Of(text, cancel);
        var index = part ?? Math.Max(0, scan.Parts.FindIndex(one => one.Notes > 0));
        if (index < 0 || index >= scan.Parts.Count)
            throw new MusicFileException($"This score has {scan.Parts.Count} parts; choose one of them.");
        return Reading(text, reader => MusicXmlScore.Read(reader, scan, index, cancel));
    }

    private static string Opened(byte[] file, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(file);
        if (file.Length > MostBytes)
            throw new MusicFileException($"The file is larger than {MostBytes / 1024 / 1024} MB; export a part of it.");
        var text = EncodedText.Of(file is [(byte)'P', (byte)'K', ..] ? Unpacked(file, cancel) : file).TrimStart();
        MusicXmlBounds.Check(text, cancel);
        return MusicXmlScore.IsByTime(text) ? Reading(text, MusicXmlScore.ByParts) : text;
    }

    /// <summary>Opens a text for reading, from its first element on; nothing outside it is asked for.</summary>
    internal static T Reading<T>(string text, Func<XmlReader, T> read)
    {
        var settings = new XmlReaderSettings
        {
            DtdProcessing = DtdProcessing.Ignore,
            XmlResolver = null,
            MaxCharactersFromEntities = 1024,
            MaxCharactersInDocument = MostBytes,
            IgnoreComments = true,
            IgnoreProcessingInstructions = true,
            IgnoreWhitespace = true,
        };
        try
        {
            using var reader = XmlReader.Create(new StringReader(text), settings);
            reader.MoveToContent();
            return read(reader);
        }
        catch (XmlException problem)
        {
            throw new MusicFileException(
                $"The file is broken in line {problem.LineNumber}, place {problem.LinePosition}. Export it again."
            );
        }
    }

    private static byte[] Unpacked(byte[] file, CancellationToken cancel)
    {
        try
        {
            using var archive = new ZipArchive(new MemoryStream(file), ZipArchiveMode.Read);
            var container = archive.GetEntry("META-INF/container.xml");
            var path = container is null ? null : RootFile(Bytes(container), cancel);
            var entry = (path is null ? null : archive.GetEntry(path))
                ?? archive.Entries.FirstOrDefault(one =>
                    one.FullName.EndsWith(".musicxml", StringComparison.OrdinalIgnoreCase)
                    || (
                        one.FullName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase)
                        && !one.FullName.StartsWith("META-INF", StringComparison.Ordinal)
                    )
                )
                ?? throw new MusicFileException("There is no music in this packed file. Export it again.");
            return Bytes(entry);
        }
        catch (InvalidDataException)
        {
            throw new MusicFileException("The packed file is broken. Export it again, or take the unpacked one.");
        }
    }

    /// <summary>The place of the music as the container names it, or null.</summary>
    private static string? RootFile(byte[] container, CancellationToken cancel)
    {
        var text = EncodedText.Of(container).TrimStart();
        MusicXmlBounds.Check(text, cancel);
        return Reading(text, reader =>
            reader.ReadToFollowing("rootfile", "*") || reader.LocalName == "rootfile" ? reader.GetAttribute("full-path") : null
        );
    }

    /// <summary>What an entry says of its own size is not believed: it is counted while it is read.</summary>
    private static byte[] Bytes(ZipArchiveEntry entry)
    {
        using var from = entry.Open();
        using var to = new MemoryStream();
        var buffer = new byte[64 * 1024];
        for (int read; (read = from.Read(buffer)) > 0; )
        {
            if (to.Length + read > MostBytes)
                throw new MusicFileException(
                    $"What is packed in this file is larger than {MostBytes / 1024 / 1024} MB; that cannot be one piece of music."
                );
            to.Write(buffer, 0, read);
        }

        return to.ToArray();
    }
}
