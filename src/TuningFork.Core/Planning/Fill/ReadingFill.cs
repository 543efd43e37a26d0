using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Sight reading: new music at the reader's level, and the next examples of registered books, never one twice.</summary>
internal static class ReadingFill
{
    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var books = context
            .Request.Materials.Where(material => material is { Kind: MaterialKind.Book, Resting: false } && Books.HasMore(material))
            .OrderByDescending(book => book.AskedFor)
            .ThenBy(book => book.LastVisit ?? DateOnly.MinValue)
            .ThenBy(book => book.Id)
            .ToList();
        var parts = FillContext.Chop(minutes, 5, 10);
        for (var i = 0; i < parts.Count; i++)
        {
            var open = books.Where(Books.HasMore).ToList();
            if (open.Count == 0 || !IsForBooks(context.Request, open, i))
            {
                yield return New(context, parts[i]);
                continue;
            }

            var book = open[i % open.Count];
            var numbers = Books.Coming(book, Books.Today(book, parts[i]), context.Sounded);
            yield return FromBook(context, book, numbers, parts[i]);
            // A further drill of the day goes on behind it.
            books[books.IndexOf(book)] = Past(book, numbers);
        }
    }

    /// <summary>Books and new music take turns by day, and within a day from drill to drill.</summary>
    private static bool IsForBooks(DayRequest request, List<Material> books, int drill) =>
        request.ReadingFrom switch
        {
            ReadingSource.Books => true,
            ReadingSource.NewMusic => books[0].AskedFor,
            _ => books[0].AskedFor || (request.Day.DayNumber + drill) % 2 == 0,
        };

    private static Drill New(FillContext context, int minutes) =>
        context.Make(
            Area.SightReading,
            Methods.NewMusic,
            context.Request.IsPitched ? "New music at your level" : "New rhythms at your level",
            minutes,
            Missing(context),
            new Target
            {
                Key = FillContext.KeyOf(Area.SightReading, "new"),
                Title = "New music",
                Group = FillContext.KeyOf(Area.SightReading, "new"),
            }
        );

    private static Drill FromBook(FillContext context, Material book, IReadOnlyList<int> numbers, int minutes) =>
        Showing(
            context.Make(
                Area.SightReading,
                Methods.UnseenInTime,
                Title(book, numbers),
                minutes,
                Reason(book, context.Request.Day),
                Targets(book, numbers, minutes)
            ),
            book,
            numbers
        );

    /// <summary>
    /// Where a book is to show first what is in a key of today, its examples are chosen once it is known which keys the day makes.
    /// </summary>
    /// <param name="context">The day.</param>
    /// <param name="drills">Drills of sight reading; those that were kept by hand stay.</param>
    public static IReadOnlyList<Drill> InTodaysKeys(FillContext context, IReadOnlyList<Drill> drills)
    {
        var books = context
            .Request.Materials.Where(material => material is { Kind: MaterialKind.Book, TodaysKey: true })
            .ToDictionary(book => book.Id);
        List<Drill> shown = [];
        foreach (var drill in drills)
        {
            if (
                context.Request.Kept.Contains(drill)
                || drill.Targets.Count == 0
                || drill.Targets[0].MaterialId is not { } id
                || !books.TryGetValue(id, out var book)
            )
            {
                shown.Add(drill);
                continue;
            }

            var numbers = Books.Coming(book, drill.Targets.Count, context.Sounded);
            shown.Add(Showing(drill with { Targets = Targets(book, numbers, drill.Minutes) }, book, numbers));
            books[id] = Past(book, numbers);
        }

        return shown;
    }

    private static Material Past(Material book, IReadOnlyList<int> numbers)
    {
        var (next, ahead) = (book.NextExample, book.ReadAhead);
        foreach (var number in numbers)
            (next, ahead) = Books.After(next, ahead, number);
        return book with { NextExample = next, ReadAhead = ahead };
    }

    private static Drill Showing(Drill drill, Material book, IReadOnlyList<int> numbers) =>
        drill with
        {
            Title = Title(book, numbers),
            Sequence = [.. Enumerable.Range(0, numbers.Count)],
            Sum =
                numbers.Count == 1
                    ? "1 example"
                    : $"{numbers.Count} examples, about {((drill.Minutes * 60 / numbers.Count) + 5) / 10 * 10} s each",
        };

    private static List<Target> Targets(Material book, IReadOnlyList<int> numbers, int minutes) =>
        [
            .. numbers.Select(number => new Target
            {
                Key = TargetKey.Example(book.Id, number),
                MaterialId = book.Id,
                Title = Name(book, number),
                Group = $"book:{book.Id}",
                TakeSeconds = minutes * 60 / numbers.Count,
            }),
        ];

    private static string Name(Material book, int number) =>
        $"{book.Title}, no. {number}{(Books.PartOf(book, number) is { } part ? $" ({part.Words})" : "")}";

    private static string Title(Material book, IReadOnlyList<int> numbers) =>
        numbers.Count == 1 ? Name(book, numbers[0])
        : numbers[^1] - numbers[0] == numbers.Count - 1 ? $"{book.Title}, nos. {numbers[0]}–{numbers[^1]}"
        : $"{book.Title}, nos. {string.Join(", ", numbers)}";

    /// <summary>What there is to say: a book that was read to its end is named once more.</summary>
    private static string Missing(FillContext context) =>
        context.Request.ReadingFrom != ReadingSource.NewMusic
        && context
            .Request.Materials.Where(material => material is { Kind: MaterialKind.Book, Resting: false })
            .OrderByDescending(book => book.LastVisit)
            .FirstOrDefault()
            is { } read
        && !Books.HasMore(read)
            ? $"unseen; {read.Title} is read to its end"
            : "unseen, and always new";

    private static string Reason(Material book, DateOnly day)
    {
        if (book.AskedFor)
            return FillContext.YouAsked;
        var left = Books.DaysLeft(book);
        return left <= Books.WarningDays ? $"unseen; the book ends about {day.AddDays(left):d MMM}"
            : book.LastVisit is { } last ? $"unseen; last read {Words.Ago(day.DayNumber - last.DayNumber)}"
            : "unseen, from the beginning";
    }
}
