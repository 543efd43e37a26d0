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
        var left = Math.Max(0, book.Examples - book.NextExample + 1);
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
        return Math.Clamp(fitting, 1, Math.Max(1, book.Examples - book.NextExample + 1));
    }

    /// <summary>True while the book has an example that was not played.</summary>
    public static bool HasMore(Material book)
    {
        ArgumentNullException.ThrowIfNull(book);
        return book.NextExample <= book.Examples;
    }
}
