namespace TuningFork.Data.Keeping;

/// <summary>
/// The sound of recordings that backups need: beside the book once, for the book and its backups in the usual folder; in another folder
/// beside those.
/// </summary>
/// <param name="path">The book.</param>
/// <param name="folder">The folder of the backups; null for the usual one.</param>
internal sealed class BackupSounds(string path, string? folder)
{
    /// <summary>Sound that was let go stays so many days more for the backups in which it still stands.</summary>
    private const int Days = 14;

    /// <summary>All of it.</summary>
    public Sounds All => folder is null ? Sounds.Of(path) : new Sounds(Path.Combine(folder, "sounds"));

    /// <summary>Removes what neither the book nor a backup of the last days needs.</summary>
    /// <param name="backups">The backups that are left, the newest first.</param>
    public void Tidy(IReadOnlyList<(string File, DateTime TakenUtc)> backups)
    {
        // A book that was set aside may still be mended, with its recordings.
        if (folder is null && IsSetAside())
            return;
        var files = backups.Where(one => (backups[0].TakenUtc - one.TakenUtc).TotalDays <= Days).Select(one => one.File);
        var needed = new HashSet<Guid>();
        foreach (var file in folder is null ? files.Append(path) : files)
        {
            // What cannot be read may still be mended by somebody: nothing that it needs goes.
            if (Recorded.In(file) is not { } some)
                return;
            needed.UnionWith(some);
        }

        All.KeepOnly(needed);
    }

    /// <summary>Brings from another folder what a book needs.</summary>
    /// <param name="other">The other folder.</param>
    /// <param name="book">The book.</param>
    /// <exception cref="TroubleException">There is no room, or it cannot be written.</exception>
    public void BringFrom(BackupSounds other, string book)
    {
        ArgumentNullException.ThrowIfNull(other);
        try
        {
            other.All.CopyTo(All, Recorded.In(book) ?? []);
        }
        catch (IOException problem) when (TroubleException.Of(problem, All.Folder) is { } trouble)
        {
            throw new TroubleException(trouble.Kind, trouble.Message, problem);
        }
    }

    private bool IsSetAside() =>
        Directory
            .EnumerateFiles(Path.GetDirectoryName(Path.GetFullPath(path))!, $"{Path.GetFileNameWithoutExtension(path)}{SafeFile.Aside}*")
            .Any();
}
