using System.Globalization;

namespace TuningFork.Data.Keeping;

/// <summary>A piece of sound does not follow on what is there.</summary>
/// <param name="length">Bytes that are there.</param>
public sealed class SoundGapException(long length)
    : Exception(string.Create(CultureInfo.InvariantCulture, $"There are {length} bytes of it here; send what follows on them."))
{
    public long Length { get; } = length;
}

/// <summary>
/// The sound of recordings, a file each, in a folder beside the book: a film of an evening has no place in a database. A file only
/// grows while it is recorded and is never changed after that, so that a copy of it is good as soon as it is as long.
/// </summary>
/// <param name="folder">The folder.</param>
public sealed class Sounds(string folder)
{
    private const string Partial = ".partial";

    /// <summary>Those of a book.</summary>
    /// <param name="book">The file of the book.</param>
    public static Sounds Of(string book) =>
        new(Path.Combine(Path.GetDirectoryName(Path.GetFullPath(book))!, "sounds", Path.GetFileNameWithoutExtension(book)));

    public string Folder { get; } = folder;

    public string PathOf(Guid key) => Path.Combine(Folder, key.ToString("N"));

    /// <summary>Bytes that are there of one; 0 for none.</summary>
    public long LengthOf(Guid key) => new FileInfo(PathOf(key)) is { Exists: true } file ? file.Length : 0;

    /// <summary>
    /// Writes the next piece of one; what is there of it already is left as it is, so that a piece may be sent again. On the disk when
    /// this returns.
    /// </summary>
    /// <param name="key">Which one.</param>
    /// <param name="at">Bytes that come before the piece.</param>
    /// <param name="piece">The piece.</param>
    /// <param name="cancel">Stops it.</param>
    /// <returns>Bytes that are there now.</returns>
    /// <exception cref="SoundGapException">Something between what is there and the piece is missing.</exception>
    /// <exception cref="IOException">There is no room, or the folder cannot be written.</exception>
    public async Task<long> AppendAsync(Guid key, long at, Stream piece, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentOutOfRangeException.ThrowIfNegative(at);
        Directory.CreateDirectory(Folder);
        await using var file = new FileStream(PathOf(key), FileMode.OpenOrCreate, FileAccess.Write, FileShare.Read);
        if (at > file.Length)
            throw new SoundGapException(file.Length);
        var known = file.Length - at;
        var length = file.Length;
        file.Position = length;
        var bytes = new byte[1 << 16];
        try
        {
            for (int read; (read = await piece.ReadAsync(bytes, cancel)) > 0; known = Math.Max(0, known - read))
            {
                if (read > known)
                    await file.WriteAsync(bytes.AsMemory((int)known, read - (int)known), cancel);
            }

            file.Flush(flushToDisk: true);
        }
        catch
        {
            // Half a piece is none: it is sent again as a whole.
            file.SetLength(length);
            throw;
        }

        return file.Length;
    }

    /// <summary>Takes a whole one in.</summary>
    /// <param name="key">Which one.</param>
    /// <param name="write">Writes it.</param>
    /// <exception cref="IOException">There is no room, or the folder cannot be written; nothing is left of it.</exception>
    public async Task<long> PutAsync(Guid key, Func<Stream, Task> write)
    {
        using var arrived = await ArriveAsync(write);
        arrived.Keep(key);
        return LengthOf(key);
    }

    /// <summary>Takes a whole one in under a name of its own: it is nobody's until it is kept, and gone when it is let go before.</summary>
    /// <param name="write">Writes it.</param>
    /// <exception cref="IOException">There is no room, or the folder cannot be written; nothing is left of it.</exception>
    public async Task<ArrivedSound> ArriveAsync(Func<Stream, Task> write)
    {
        ArgumentNullException.ThrowIfNull(write);
        Directory.CreateDirectory(Folder);
        var arrived = new ArrivedSound(this, Path.Combine(Folder, $"{Guid.NewGuid():N}{Partial}"));
        try
        {
            await using var file = new FileStream(arrived.Place, FileMode.CreateNew, FileAccess.Write);
            await write(file);
            file.Flush(flushToDisk: true);
            return arrived;
        }
        catch
        {
            arrived.Dispose();
            throw;
        }
    }

    /// <summary>Reads one; null where it is not there.</summary>
    public FileStream? Open(Guid key) =>
        File.Exists(PathOf(key))
            ? new FileStream(PathOf(key), FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete)
            : null;

    /// <summary>Deletes one, when it is there.</summary>
    public void Delete(Guid key)
    {
        if (Directory.Exists(Folder))
            File.Delete(PathOf(key));
    }

    /// <summary>Those that are there.</summary>
    public IReadOnlyList<Guid> All() =>
        !Directory.Exists(Folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateFiles(Folder)
                    .Select(path => Guid.TryParseExact(Path.GetFileName(path), "N", out var key) ? key : (Guid?)null)
                    .OfType<Guid>(),
            ];

    /// <summary>Copies what another folder lacks, or has only the beginning of.</summary>
    /// <exception cref="IOException">There is no room, or the folder cannot be written.</exception>
    public void CopyTo(Sounds other, IEnumerable<Guid> keys)
    {
        ArgumentNullException.ThrowIfNull(other);
        foreach (var key in keys.Where(key => LengthOf(key) > other.LengthOf(key)))
        {
            Directory.CreateDirectory(other.Folder);
            var partial = other.PathOf(key) + Partial;
            File.Copy(PathOf(key), partial, overwrite: true);
            File.Move(partial, other.PathOf(key), overwrite: true);
        }
    }

    /// <summary>Brings all of them into another folder, those that it lacks; this one is gone afterwards.</summary>
    public void MoveTo(Sounds other)
    {
        ArgumentNullException.ThrowIfNull(other);
        foreach (var key in All().Where(key => LengthOf(key) > other.LengthOf(key)))
        {
            Directory.CreateDirectory(other.Folder);
            File.Move(PathOf(key), other.PathOf(key), overwrite: true);
        }

        Clear();
    }

    /// <summary>Removes what is not needed any more, and halves that a killed program left.</summary>
    public void KeepOnly(IReadOnlySet<Guid> needed)
    {
        if (!Directory.Exists(Folder))
            return;
        foreach (var half in Directory.EnumerateFiles(Folder, "*" + Partial).Where(IsSettled))
            File.Delete(half);
        foreach (var path in All().Where(key => !needed.Contains(key)).Select(PathOf).Where(IsSettled))
            File.Delete(path);
    }

    /// <summary>What was written just now may belong to something that is not in the book yet.</summary>
    private static bool IsSettled(string path) => File.GetLastWriteTimeUtc(path) < DateTime.UtcNow - TimeSpan.FromHours(1);

    /// <summary>Removes all of them.</summary>
    public void Clear()
    {
        if (Directory.Exists(Folder))
            Directory.Delete(Folder, recursive: true);
    }
}

/// <summary>A sound that has arrived and belongs to nobody yet.</summary>
/// <param name="sounds">Where it lies.</param>
/// <param name="place">Under which name.</param>
public sealed class ArrivedSound(Sounds sounds, string place) : IDisposable
{
    internal string Place => place;

    /// <summary>From now on it is the sound of a recording.</summary>
    /// <param name="key">Which one.</param>
    public void Keep(Guid key) => File.Move(place, sounds.PathOf(key), overwrite: true);

    /// <summary>What was not kept is gone.</summary>
    public void Dispose() => File.Delete(place);
}
