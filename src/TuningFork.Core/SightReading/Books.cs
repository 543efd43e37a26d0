using TuningFork.Core.Practice;

namespace TuningFork.Core.SightReading;

/// <summary>Places in registered books of unseen examples.</summary>
public static class Books
{
    /// <summary>Seconds for one example: a look, a slow reading (common practice).</summary>
    public const int SecondsPerExample = 60;

    /// <summary>Fewest and most seconds of one example.</summary>
    private const int LeastSeconds = 40;
    private const int MostSeconds = 120;

    /// <summary>Days a week on which one reads, until it is known (common practice).</summary>
    private const double UsualDays = 5;

    /// <summary>Days before its end on which a book says so.</summary>
    public const int WarningDays = 7;

    /// <summary>
    /// Days until a book runs out, from what is really read of it: so many examples on so many days a week. 200 examples at three
    /// on every day last 67 days.
    /// </summary>
    /// <param name="book">The book.</param>
    public static int DaysLeft(Material book)
    {
        ArgumentNullException.ThrowIfNull(book);
        var left = Left(book);
        return (int)Math.Ceiling(left / (Math.Max(1, book.PerDay) * Math.Clamp(book.VisitsAWeek ?? UsualDays, 1, 7) / 7) - 1e-9);
    }

    /// <summary>
    /// How many examples there are today: as many as are asked a day, as far as they fit the minutes; never past the end of the book.
    /// </summary>
    /// <param name="book">The book.</param>
    /// <param name="minutes">Minutes of the drill.</param>
    public static int Today(Material book, int minutes)
    {
        ArgumentNullException.ThrowIfNull(book);
        var seconds = minutes * 60;
        var fitting = Math.Clamp(book.PerDay, (seconds + MostSeconds - 1) / MostSeconds, Math.Max(1, seconds / LeastSeconds));
        return Math.Clamp(fitting, 1, Math.Max(1, Left(book)));
    }

    /// <summary>True while the book has an example that was not played.</summary>
    public static bool HasMore(Material book)
    {
        ArgumentNullException.ThrowIfNull(book);
        return book.NextExample <= book.Examples;
    }

    /// <summary>The numbers that come next: in order, or first those in a key that sounded today where that was chosen.</summary>
    /// <param name="book">The book.</param>
    /// <param name="count">How many.</param>
    /// <param name="sounded">Keys that sounded today, by name.</param>
    public static IReadOnlyList<int> Coming(Material book, int count, IReadOnlySet<string> sounded)
    {
        ArgumentNullException.ThrowIfNull(book);
        ArgumentNullException.ThrowIfNull(sounded);
        return
        [
            .. Enumerable
                .Range(book.NextExample, Math.Max(0, book.Examples - book.NextExample + 1))
                .Where(number => !book.ReadAhead.Contains(number))
                .OrderByDescending(number => book.TodaysKey && PartOf(book, number)?.Key is { } key && sounded.Contains(key.Name))
                .Take(count)
                .Order(),
        ];
    }

    /// <summary>The part of a book to which a number belongs; null for none.</summary>
    /// <param name="book">The book.</param>
    /// <param name="number">The number.</param>
    public static BookPart? PartOf(Material book, int number)
    {
        ArgumentNullException.ThrowIfNull(book);
        return book.BookParts.FirstOrDefault(part => number >= part.From && number <= part.To);
    }

    /// <summary>Where a book stands after a number was read: the next one in order, and what was read beyond it.</summary>
    /// <param name="next">The next one before.</param>
    /// <param name="ahead">What had been read beyond it.</param>
    /// <param name="number">What was read now.</param>
    public static (int Next, IReadOnlySet<int> Ahead) After(int next, IReadOnlySet<int> ahead, int number)
    {
        ArgumentNullException.ThrowIfNull(ahead);
        var read = ahead.Append(number).Where(one => one >= next).ToHashSet();
        while (read.Remove(next))
            next++;
        return (next, read);
    }

    private static int Left(Material book) =>
        Math.Max(0, book.Examples - book.NextExample + 1 - book.ReadAhead.Count(number => number >= book.NextExample));
}
