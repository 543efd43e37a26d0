using System.Text;
using System.Text.RegularExpressions;

namespace TuningFork.Core.Notation;

/// <summary>Text of a file, whatever it was encoded in: UTF-8, UTF-16, or the Windows alphabet of western Europe.</summary>
public static partial class EncodedText
{
    private static readonly Encoding Strict = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>The text without a byte order mark. What a mark or zero bytes show goes before what the text says of itself.</summary>
    /// <param name="bytes">The bytes of the file; any can be read.</param>
    public static string Of(byte[] bytes)
    {
        ArgumentNullException.ThrowIfNull(bytes);
        if (bytes is [0xEF, 0xBB, 0xBF, ..])
            return Encoding.UTF8.GetString(bytes.AsSpan(3));
        if (bytes is [0xFF, 0xFE, ..])
            return Encoding.Unicode.GetString(bytes.AsSpan(2));
        if (bytes is [0xFE, 0xFF, ..])
            return Encoding.BigEndianUnicode.GetString(bytes.AsSpan(2));
        if (bytes is [not 0, 0, not 0, 0, ..])
            return Encoding.Unicode.GetString(bytes);
        if (bytes is [0, not 0, 0, not 0, ..])
            return Encoding.BigEndianUnicode.GetString(bytes);
        try
        {
            if (Declared(bytes) is { } named)
                return named.GetString(bytes);
            return Strict.GetString(bytes);
        }
        catch (DecoderFallbackException)
        {
            return Western.GetString(bytes);
        }
    }

    private static Encoding Western => CodePagesEncodingProvider.Instance.GetEncoding(1252)!;

    /// <summary>The encoding of one byte a letter that an XML declaration names; null for UTF-8, or where it names none that is known.</summary>
    private static Encoding? Declared(byte[] bytes)
    {
        var name = Declaration().Match(Encoding.Latin1.GetString(bytes.AsSpan(0, Math.Min(200, bytes.Length)))).Groups["name"].Value;
        if (name.Length == 0 || name.StartsWith("utf", StringComparison.OrdinalIgnoreCase))
            return null;
        return name.ToUpperInvariant() is "ISO-8859-1" or "LATIN1" or "US-ASCII" or "ASCII"
            ? Western
            : CodePagesEncodingProvider.Instance.GetEncoding(name);
    }

    [GeneratedRegex("""^\s*<\?xml[^>]*encoding\s*=\s*["'](?<name>[A-Za-z0-9._-]+)["']""", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Declaration();
}
