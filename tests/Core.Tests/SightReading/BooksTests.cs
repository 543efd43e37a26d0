using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;
using TuningFork.Data;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.SightReading;

/// <summary>Books with parts: what some numbers have in common, and today's key first, none twice and none left out.</summary>
public sealed class BooksTests
{
    private static Material Book(string parts, bool todaysKey = true) =>
        new()
        {
            Id = 9,
            Kind = MaterialKind.Book,
            Title = "Small Tunes",
            Area = Area.SightReading,
            Examples = 30,
            BookParts = BookPart.Read(parts, 30, out _),
            TodaysKey = todaysKey,
        };

    [Fact]
    public void Parts_are_read_and_what_cannot_be_is_told()
    {
        var parts = BookPart.Read("11–20 Bb major, two voices\n1-10 C major; 21-30 hands crossed", 30, out var problem);
        problem.ShouldBeNull();
        parts
            .Select(part => (part.From, part.To, part.Words, part.Key?.Name))
            .ShouldBe([(1, 10, "C major", "C major"), (11, 20, "Bb major, two voices", "B♭ major"), (21, 30, "hands crossed", null)]);
        Problem("1-10").ShouldStartWith("\"1-10\" cannot be read.");
        Problem("1-40 C major").ShouldStartWith("1-40 does not lie");
        Problem("10-1 C major").ShouldStartWith("10-1 does not lie");
        Problem("1-10 C major; 10-12 G major").ShouldStartWith("10-12 and 1-10 overlap.");

        static string Problem(string text)
        {
            BookPart.Read(text, 30, out var problem);
            return problem.ShouldNotBeNull();
        }
    }

    [Fact]
    public void In_whatever_keys_the_days_are_each_number_comes_once()
    {
        var book = Book("1-10 C major; 11-20 G major; 21-30 D minor");
        var random = new Random(4);
        var read = new List<int>();
        while (Books.HasMore(book))
        {
            var key = new[] { "C major", "G major", "D minor", "A major" }[random.Next(4)];
            var numbers = Books.Coming(book, 3, new HashSet<string> { key });
            var wanted = Enumerable
                .Range(1, 30)
                .Where(number => !read.Contains(number) && Books.PartOf(book, number)!.Key!.Value.Name == key);
            numbers.Count(number => wanted.Contains(number)).ShouldBe(Math.Min(numbers.Count, wanted.Count()), "today's key first");
            foreach (var number in numbers)
            {
                read.Add(number);
                var (next, ahead) = Books.After(book.NextExample, book.ReadAhead, number);
                book = book with { NextExample = next, ReadAhead = ahead };
            }
        }

        read.Order().ShouldBe(Enumerable.Range(1, 30));
        Books
            .Coming(Book("11-20 G major", todaysKey: false), 2, new HashSet<string> { "G major" })
            .ShouldBe([1, 2], "in order, unless wished");
    }

    [Fact]
    public void What_was_read_out_of_turn_is_taken_back_without_losing_its_neighbours()
    {
        var row = new MaterialRow
        {
            Kind = MaterialKind.Book,
            Examples = 30,
            TodaysKey = true,
        };
        foreach (var number in new[] { 12, 1, 2, 3 })
            ExampleBooks.Read(row, number);
        (row.NextExample, row.ReadAhead).ShouldBe((4, "12"));
        ExampleBooks.Unread(row, 2);
        (row.NextExample, row.ReadAhead).ShouldBe((2, "3,12"));
        ExampleBooks.Unread(row, 12);
        ExampleBooks.Read(row, 2);
        (row.NextExample, row.ReadAhead).ShouldBe((4, ""));
    }
}
