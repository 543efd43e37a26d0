namespace TuningFork.Core.Recordings;

/// <summary>Tells common files of sound and pictures in motion by their first bytes; what a file calls itself is not believed.</summary>
public static class SoundFile
{
    /// <summary>Bytes that are enough to tell.</summary>
    public const int Enough = 64;

    /// <summary>What can be taken, in a sentence for a refusal.</summary>
    public const string Known = "WAV, FLAC, MP3, AAC, Ogg, WebM, MP4, M4A or MOV";

    /// <summary>The kind of a file as RFC 6838 writes it; null for none of these.</summary>
    /// <param name="head">Its first bytes.</param>
    /// <remarks>
    /// The marks are those of RIFF/WAVE (IBM and Microsoft 1991), FLAC (RFC 9639), Ogg (RFC 3533), Matroska (RFC 9559), ISO base media
    /// (ISO/IEC 14496-12) and MPEG audio (ISO/IEC 11172-3), from memory.
    /// </remarks>
    public static string? TypeOf(ReadOnlySpan<byte> head) =>
        head switch
        {
            _ when head.StartsWith("RIFF"u8) && head.Length >= 12 && head[8..].StartsWith("WAVE"u8) => "audio/wav",
            _ when head.StartsWith("fLaC"u8) => "audio/flac",
            _ when head.StartsWith("OggS"u8) => "audio/ogg",
            // EBML; the browser finds out by itself whether there is a picture in it.
            [0x1A, 0x45, 0xDF, 0xA3, ..] => head.IndexOf("matroska"u8) >= 0 ? "video/x-matroska" : "video/webm",
            _ when head.Length >= 12 && head[4..].StartsWith("ftyp"u8) => Brand(head[8..]),
            _ when head.StartsWith("ID3"u8) => "audio/mpeg",
            [0xFF, 0xF1 or 0xF9, ..] => "audio/aac",
            // A frame of MPEG audio: eleven bits set, a layer that is none of the reserved.
            [0xFF, var second, ..] when (second & 0xE0) == 0xE0 && (second & 0x06) != 0 => "audio/mpeg",
            _ => null,
        };

    private static string Brand(ReadOnlySpan<byte> brand) =>
        brand.StartsWith("M4A"u8) || brand.StartsWith("M4B"u8) ? "audio/mp4"
        : brand.StartsWith("qt"u8) ? "video/quicktime"
        : "video/mp4";
}
