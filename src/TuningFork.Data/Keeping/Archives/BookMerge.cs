using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping.Archives;

/// <summary>What came of a table.</summary>
/// <param name="Table">Its name.</param>
/// <param name="Added">Rows that were not there before.</param>
/// <param name="Known">Rows that were there already.</param>
public sealed record Merged(string Table, int Added, int Known);

/// <summary>Adds the rows of one book to another, none of them twice.</summary>
public static class BookMerge
{
    /// <summary>
    /// Adds what a book does not have yet. What both have stays as it is in the book that is added to, but for how well something is
    /// known: of that the later day counts. All of it happens, or nothing.
    /// </summary>
    /// <param name="from">The book that is read, of the same version; a copy that nobody else uses.</param>
    /// <param name="into">The book that is added to.</param>
    /// <param name="isTrial">True to find out only what would come of it.</param>
    /// <param name="cancel">Stops it; nothing has happened then.</param>
    /// <exception cref="SqliteException">One of them cannot be read or written.</exception>
    public static IReadOnlyList<Merged> Add(string from, string into, bool isTrial, CancellationToken cancel = default)
    {
        using var source = SafeFile.Open(from);
        // A sitting that was open there is over here.
        SafeFile.Run(source, "UPDATE Sessions SET EndedUtc=PulseUtc, Running=0 WHERE EndedUtc IS NULL");
        using var target = SafeFile.Open(into);
        SafeFile.Run(target, "PRAGMA foreign_keys=ON");
        using var all = target.BeginTransaction();
        var numbers = new Renumbering();
        var done = MergeRules.All.Select(rule => new MergeTable(rule, source, target, numbers).Add(cancel)).ToList();
        if (!isTrial)
            all.Commit();
        return done;
    }
}
