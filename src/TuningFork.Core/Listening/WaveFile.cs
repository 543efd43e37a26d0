using System.Buffers.Binary;

namespace TuningFork.Core.Listening;

/// <summary>Sound as a file: RIFF/WAVE with linear 16-bit samples (IBM and Microsoft 1991, from memory).</summary>
public static class WaveFile
{
    private const int HeadLength = 44;
    private const int BytesPerSample = 2;

    /// <summary>One line of samples as a file.</summary>
    /// <param name="samples">Samples from -1 to 1; what goes beyond is cut.</param>
    /// <param name="rate">Samples a second.</param>
    public static byte[] Write(ReadOnlySpan<float> samples, int rate)
    {
        var file = new byte[HeadLength + (samples.Length * BytesPerSample)];
        var head = file.AsSpan();
        "RIFF"u8.CopyTo(head);
        BinaryPrimitives.WriteInt32LittleEndian(head[4..], file.Length - 8);
        "WAVEfmt "u8.CopyTo(head[8..]);
        BinaryPrimitives.WriteInt32LittleEndian(head[16..], 16);
        BinaryPrimitives.WriteInt16LittleEndian(head[20..], 1);
        BinaryPrimitives.WriteInt16LittleEndian(head[22..], 1);
        BinaryPrimitives.WriteInt32LittleEndian(head[24..], rate);
        BinaryPrimitives.WriteInt32LittleEndian(head[28..], rate * BytesPerSample);
        BinaryPrimitives.WriteInt16LittleEndian(head[32..], BytesPerSample);
        BinaryPrimitives.WriteInt16LittleEndian(head[34..], 8 * BytesPerSample);
        "data"u8.CopyTo(head[36..]);
        BinaryPrimitives.WriteInt32LittleEndian(head[40..], samples.Length * BytesPerSample);
        for (var i = 0; i < samples.Length; i++)
            BinaryPrimitives.WriteInt16LittleEndian(
                head[(HeadLength + (i * BytesPerSample))..],
                (short)Math.Round(Math.Clamp(samples[i], -1f, 1f) * short.MaxValue)
            );
        return file;
    }
}
