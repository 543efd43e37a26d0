using System.Globalization;
using TuningFork.Core.SightReading;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>Which examples of a book were read: all before the next one, and some beyond it where today's key comes first.</summary>
public static class ExampleBooks
{
    /// <summary>Numbers that were read out of turn.</summary>
    public static IReadOnlySet<int> ReadAheadOf(MaterialRow book)
    {
        ArgumentNullException.ThrowIfNull(book);
        return book
            .ReadAhead.Split(',', StringSplitOptions.RemoveEmptyEntries)
            .Select(number => int.Parse(number, CultureInfo.InvariantCulture))
            .ToHashSet();
    }

    /// <summary>A number was read: in turn, or before its turn where today's key comes first.</summary>
    public static void Read(MaterialRow book, int number)
    {
        ArgumentNullException.ThrowIfNull(book);
        if (book.TodaysKey)
        {
            var (next, ahead) = Books.After(book.NextExample, ReadAheadOf(book), number);
            (book.NextExample, book.ReadAhead) = (next, Text(ahead));
        }
        else
            book.NextExample = Math.Max(book.NextExample, number + 1);
    }

    /// <summary>A number was not read after all.</summary>
    public static void Unread(MaterialRow book, int number)
    {
        ArgumentNullException.ThrowIfNull(book);
        if (!book.TodaysKey)
        {
            book.NextExample = number;
            return;
        }

        // What lies between it and the next one stays read.
        var between = Enumerable.Range(number + 1, Math.Max(0, book.NextExample - number - 1));
        book.ReadAhead = Text(ReadAheadOf(book).Concat(between).Where(one => one != number).Distinct());
        book.NextExample = Math.Min(book.NextExample, number);
    }

    private static string Text(IEnumerable<int> numbers) => string.Join(',', numbers.Order());
}
