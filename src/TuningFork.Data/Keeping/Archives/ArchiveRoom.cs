namespace TuningFork.Data.Keeping.Archives;

/// <summary>
/// How much an archive may unpack: what it weighs itself, some times over, and what the disk has room for. A small file that unpacks to
/// a full disk was not written by this program.
/// </summary>
/// <param name="bytes">Bytes of the archive.</param>
/// <param name="path">Where it is unpacked.</param>
internal sealed class ArchiveRoom(long bytes, string path)
{
    /// <summary>Rows of text are packed to about a tenth; sound and pictures are not packed at all.</summary>
    private const int MostTimes = 30;

    /// <summary>So much is unpacked of the smallest archive.</summary>
    private const long Least = 32L << 20;

    /// <summary>So much stays free on the disk.</summary>
    private const long Kept = 64L << 20;

    private readonly long most = Math.Max(Least, bytes * MostTimes);
    private readonly long free = new DriveInfo(Path.GetFullPath(path)).AvailableFreeSpace - Kept;
    private long taken;

    /// <summary>Takes room for what is unpacked next.</summary>
    /// <param name="more">Its bytes.</param>
    /// <exception cref="ArchiveException">It is more than an archive of this size holds.</exception>
    /// <exception cref="TroubleException">The disk has no room for it.</exception>
    public void Take(long more)
    {
        taken += more;
        if (taken > most)
            throw ArchiveReader.Damaged("it unpacks to far more than it weighs");
        if (taken > free)
            throw new TroubleException(
                TroubleKind.NoRoom,
                $"The disk has no room for what is in this archive. Nothing was changed; make {taken >> 20} MB free and try again."
            );
    }
}
