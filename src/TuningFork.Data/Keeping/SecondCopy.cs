namespace TuningFork.Data.Keeping;

/// <summary>A folder cannot be taken for backups; the message says why and what to do.</summary>
public sealed class FolderException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>Backups once more in a folder that the player chose: a stick, another disk, a folder that is synced.</summary>
/// <param name="data">The folder in which the choice is kept.</param>
/// <param name="path">The book.</param>
public sealed class SecondCopy(string data, string path)
{
    private const string Own = "tuning-fork-backups";
    private const int LongestPath = 1000;

    private string Choice => Path.Combine(data, "second-folder.txt");

    /// <summary>The folder with the copies; null where none was chosen.</summary>
    public string? Folder => File.Exists(Choice) && File.ReadAllText(Choice).Trim() is { Length: > 0 } chosen ? chosen : null;

    /// <summary>The copies that lie there; null where no folder was chosen or it is not there at the moment.</summary>
    public Backups? Backups => Folder is { } folder && Directory.Exists(folder) ? new Backups(path, folder) : null;

    /// <summary>The backups in a folder that somebody names: the folder with the copies, or the one above it.</summary>
    public static Backups At(string named, string path)
    {
        ArgumentNullException.ThrowIfNull(named);
        var folder = Path.TrimEndingDirectorySeparator(Path.GetFullPath(named));
        return new Backups(path, Directory.Exists(Path.Combine(folder, Own)) ? Path.Combine(folder, Own) : folder);
    }

    /// <summary>Where a folder really lies: every link on the way followed.</summary>
    private static string Real(string folder)
    {
        var whole = Path.TrimEndingDirectorySeparator(Path.GetFullPath(folder));
        if (Path.GetDirectoryName(whole) is not { } above)
            return whole;
        var here = Path.Combine(Real(above), Path.GetFileName(whole));
        return new DirectoryInfo(here).ResolveLinkTarget(returnFinalTarget: true)?.FullName ?? here;
    }

    /// <summary>Chooses a folder, or none.</summary>
    /// <param name="wished">A whole path, also of a folder that was chosen before, perhaps by another machine; empty for none.</param>
    /// <exception cref="FolderException">It is not there, cannot be written, or is the folder of the book itself.</exception>
    public void Choose(string wished)
    {
        ArgumentNullException.ThrowIfNull(wished);
        wished = wished.Trim();
        if (wished.Length == 0)
        {
            File.Delete(Choice);
            return;
        }

        if (wished.Length > LongestPath || wished.Any(char.IsControl) || !Path.IsPathFullyQualified(wished))
            throw new FolderException("Write the whole path of a folder, like /media/stick.");
        wished = Path.TrimEndingDirectorySeparator(Path.GetFullPath(wished));
        if (!Directory.Exists(wished))
            throw new FolderException($"There is no folder {wished}. Plug the disk in, or make the folder first.");
        var inside = Path.GetRelativePath(Real(data), Real(wished));
        if (inside == "." || !inside.StartsWith("..", StringComparison.Ordinal))
            throw new FolderException("Your book lies there itself. Choose a folder on another disk.");
        if (wished == Path.GetPathRoot(wished))
            throw new FolderException("That is the root of this machine. Choose a folder on another disk, like /media/stick.");
        var folder = Path.GetFileName(wished) == Own ? wished : Path.Combine(wished, Own);
        try
        {
            Directory.CreateDirectory(folder);
            var tried = Path.Combine(folder, ".tried");
            File.WriteAllText(tried, "");
            File.Delete(tried);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new FolderException($"Nothing can be written to {wished}. Give it the right to be written, or choose another.", problem);
        }

        File.WriteAllText(Choice, folder + "\n");
    }
}
