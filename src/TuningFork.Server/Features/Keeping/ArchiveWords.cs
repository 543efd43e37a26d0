using TuningFork.Data.Keeping;
using TuningFork.Data.Keeping.Archives;

namespace TuningFork.Server.Features.Keeping;

/// <summary>Says what an archive would bring.</summary>
public static class ArchiveWords
{
    /// <summary>What tables are called by those who practise; others go together at the end.</summary>
    private static readonly (string Name, string[] Tables)[] Called =
    [
        ("things to practise", ["Materials"]),
        ("sittings", ["Sessions"]),
        ("drills", ["SessionDrills"]),
        ("takes", ["Takes"]),
        ("notes of the journal", ["Entries"]),
        ("readings", ["Readings"]),
        ("answers by ear", ["EarAnswers", "Copies", "Finds"]),
        ("pages and music", ["Pages", "Music"]),
        ("goals, routines, warm-ups and methods", ["Goals", "Routines", "WarmUps", "Methods"]),
    ];

    /// <summary>A line for each kind of thing of which there is something.</summary>
    public static IReadOnlyList<ArchiveLine> Lines(IReadOnlyList<Merged> merged)
    {
        var named = Called.SelectMany(one => one.Tables).ToHashSet(StringComparer.Ordinal);
        var rest = merged.Select(one => one.Table).Where(table => !named.Contains(table)).ToArray();
        return
        [
            .. Called
                .Append((Name: "other lines", Tables: rest))
                .Select(one =>
                {
                    var some = merged.Where(table => one.Tables.Contains(table.Table, StringComparer.Ordinal)).ToList();
                    return new ArchiveLine(one.Name, some.Sum(table => table.Added), some.Sum(table => table.Known));
                })
                .Where(line => line.Added + line.Known > 0),
        ];
    }

    /// <summary>What happens with it, in a sentence.</summary>
    /// <param name="now">What the book holds now; null where it cannot be read.</param>
    /// <param name="lines">What the other one brings; null where it takes its place.</param>
    public static string What(Contents? now, IReadOnlyList<ArchiveLine>? lines) =>
        lines is null
            ? now is null
                ? "Your book cannot be read: it is set aside, and this one takes its place, as it is."
                : "Your book is empty: this one takes its place, as it is."
            : lines.Sum(line => line.Added) == 0
                ? "All of it is in your book already: nothing would be added."
                : "What your book does not have yet is added to it; nothing is doubled, nothing of yours is changed but where this one was played later. Your book as it is now stays as a backup.";
}
