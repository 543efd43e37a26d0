using TuningFork.Core.Practice;

namespace TuningFork.Core.SightReading;

/// <summary>Places in registered books of unseen examples.</summary>
public static class Books
{
    /// <summary>Seconds for one example: a look, a slow reading (common practice).</summary>
    public const int SecondsPerExample = 60;

    /// <summary>Whole days until a book runs out: 200 examples at three a day last 67 days.</summary>
    /// <param name="left">Examples left, 0 or more.</param>
    /// <param name="perDay">Examples a day, 1 or more.</param>
    public static int DaysLeft(int left, int perDay)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(left);
        ArgumentOutOfRangeException.ThrowIfLessThan(perDay, 1);
        return (left + perDay - 1) / perDay;
    }

    /// <summary>How many examples fit the minutes, at least one, never past the end of the book.</summary>
    /// <param name="book">The book.</param>
    /// <param name="minutes">Minutes of the drill.</param>
    public static int Today(Material book, int minutes)
    {
        ArgumentNullException.ThrowIfNull(book);
        return Math.Clamp(minutes * 60 / SecondsPerExample, 1, Math.Max(1, book.Examples - book.NextExample + 1));
    }

    /// <summary>True while the book has an example that was not played.</summary>
    public static bool HasMore(Material book)
    {
        ArgumentNullException.ThrowIfNull(book);
        return book.NextExample <= book.Examples;
    }
}
