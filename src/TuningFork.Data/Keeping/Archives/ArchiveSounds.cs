using System.IO.Compression;
using System.Security.Cryptography;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>The sound of recordings in an archive, an entry each; their hashes stand in the head.</summary>
internal static class ArchiveSounds
{
    private const long LargestSound = 2L << 30;

    /// <summary>Writes those that are there; answers the hash of each.</summary>
    public static IReadOnlyDictionary<string, string> Write(ZipArchive zip, Sounds sounds, IEnumerable<Guid> keys, CancellationToken cancel)
    {
        var hashes = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var key in keys)
        {
            using var sound = sounds.Open(key);
            if (sound is null)
                continue;
            var name = key.ToString("N");
            using var entry = zip.CreateEntry(ArchiveHead.SoundEntry(name), CompressionLevel.NoCompression).Open();
            hashes[name] = Copy(sound, entry, long.MaxValue, cancel);
        }

        return hashes;
    }

    /// <summary>Reads all of them into a folder.</summary>
    /// <exception cref="ArchiveException">One is missing, or is not what it was.</exception>
    public static async Task ReadAsync(ZipArchive zip, ArchiveHead head, Sounds sounds, ArchiveRoom room, CancellationToken cancel)
    {
        sounds.Clear();
        foreach (var (name, hash) in head.Sounds ?? new Dictionary<string, string>(StringComparer.Ordinal))
        {
            if (!Guid.TryParseExact(name, "N", out var key) || zip.GetEntry(ArchiveHead.SoundEntry(name)) is not { } entry)
                throw ArchiveReader.Damaged($"the recording {name} is missing");
            if (entry.Length > LargestSound)
                throw ArchiveReader.Damaged($"the recording {name} is too large");
            room.Take(entry.Length);
            var read = "";
            await using var sound = await entry.OpenAsync(cancel);
            await sounds.PutAsync(key, file =>
            {
                // A zip may say less than it holds.
                read = Copy(sound, file, entry.Length, cancel);
                return Task.CompletedTask;
            });
            if (read != hash)
                throw ArchiveReader.Damaged($"the recording {name} is not what it was");
        }
    }

    /// <summary>Copies so many bytes at most; answers the hash of what was copied.</summary>
    private static string Copy(Stream from, Stream to, long most, CancellationToken cancel)
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var bytes = new byte[1 << 16];
        for (var left = most; left > 0; )
        {
            cancel.ThrowIfCancellationRequested();
            var read = from.Read(bytes, 0, (int)Math.Min(bytes.Length, left));
            if (read == 0)
                break;
            to.Write(bytes, 0, read);
            hash.AppendData(bytes, 0, read);
            left -= read;
        }

        return Convert.ToHexStringLower(hash.GetHashAndReset());
    }
}
