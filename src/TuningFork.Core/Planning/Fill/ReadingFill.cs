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
        var place = books.ToDictionary(book => book.Id, book => book.NextExample);
        var parts = FillContext.Chop(minutes, 5, 10);
        for (var i = 0; i < parts.Count; i++)
        {
            var open = books.Where(book => place[book.Id] <= book.Examples).ToList();
            if (open.Count == 0 || !IsForBooks(context.Request, open, i))
            {
                yield return New(context, parts[i]);
                continue;
            }

            var book = open[i % open.Count] with { NextExample = place[open[i % open.Count].Id] };
            yield return FromBook(context, book, parts[i]);
            place[book.Id] += Books.Today(book, parts[i]);
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

    private static Drill FromBook(FillContext context, Material book, int minutes)
    {
        var count = Books.Today(book, minutes);
        var last = book.NextExample + count - 1;
        var targets = Enumerable
            .Range(book.NextExample, count)
            .Select(number => new Target
            {
                Key = TargetKey.Example(book.Id, number),
                MaterialId = book.Id,
                Title = $"{book.Title}, no. {number}",
                Group = $"book:{book.Id}",
                TakeSeconds = minutes * 60 / count,
            })
            .ToList();
        var title = count == 1 ? targets[0].Title : $"{book.Title}, nos. {book.NextExample}–{last}";
        return context.Make(Area.SightReading, Methods.UnseenInTime, title, minutes, Reason(book, context.Request.Day), targets) with
        {
            Sequence = [.. Enumerable.Range(0, count)],
            Sum = count == 1 ? "1 example" : $"{count} examples, about {(minutes * 60 / count + 5) / 10 * 10} s each",
        };
    }

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
