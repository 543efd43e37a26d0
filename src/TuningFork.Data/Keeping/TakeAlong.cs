using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping;

/// <summary>Brings a book from the folder where it used to lie to where it lies now.</summary>
public static class TakeAlong
{
    /// <summary>
    /// Copies the book of the old folder, checked, when the new one has none; the old file stays, under a name that says so.
    /// </summary>
    /// <param name="from">The file in the old folder.</param>
    /// <param name="to">The file in the new one.</param>
    /// <returns>What was done, in a sentence; null when there was nothing to do.</returns>
    /// <exception cref="TroubleException">It is damaged or held by another program, or there is no room; nothing was changed.</exception>
    public static string? Book(string from, string to)
    {
        if (
            string.Equals(Path.GetFullPath(from), Path.GetFullPath(to), StringComparison.Ordinal)
            || !PracticeFile.IsThere(from)
            || File.Exists(to)
        )
            return null;
        using var mine = Hold(Path.GetDirectoryName(Path.GetFullPath(from))!);
        try
        {
            SafeFile.Copy(from, to);
            var kept = Path.Combine(
                Path.GetDirectoryName(Path.GetFullPath(from))!,
                $"{Path.GetFileNameWithoutExtension(from)}-taken-along.db"
            );
            SafeFile.Replace(from, kept);
            return $"Your book was taken along from {from} to {to}. The old file stays, as {Path.GetFileName(kept)}.";
        }
        catch (Exception problem) when (problem is SqliteException or IOException && TroubleException.Of(problem, to) is not null)
        {
            throw TroubleException.Of(problem, to)!;
        }
    }

    /// <summary>Holds the old folder as a program that works in it would: what it still writes there would be left behind.</summary>
    private static FileStream Hold(string folder)
    {
        try
        {
            return new FileStream(Path.Combine(folder, "in-use"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new TroubleException(
                TroubleKind.InUse,
                $"Another Tuning Fork runs on {folder}. Stop it, so that your book can be taken along from there.",
                problem
            );
        }
    }
}
