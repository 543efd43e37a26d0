using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Sight reading from registered books: the next examples, never one twice.</summary>
internal static class ReadingFill
{
    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        var books = context
            .Request.Materials.Where(material => material is { Kind: MaterialKind.Book, Resting: false } && Books.HasMore(material))
            .OrderByDescending(book => book.AskedFor)
            .ThenBy(book => book.LastVisit ?? DateOnly.MinValue)
            .ThenBy(book => book.Id)
            .ToList();
        if (minutes > 0 && books.Count == 0)
        {
            yield return context.Make(Area.SightReading, Methods.SlowReading, "A page you have not played", minutes, Missing(context)) with
            {
                How = "Unseen and easy. The beat never stops.",
            };
            yield break;
        }

        if (minutes <= 0)
            yield break;
        var place = books.ToDictionary(book => book.Id, book => book.NextExample);
        var parts = FillContext.Chop(minutes, 5, 10);
        for (var i = 0; i < parts.Count; i++)
        {
            var open = books.Where(book => place[book.Id] <= book.Examples).ToList();
            if (open.Count == 0)
            {
                yield return context.Make(
                    Area.SightReading,
                    Methods.SlowReading,
                    "A page you have not played",
                    parts[i],
                    "the book is read to its end"
                ) with
                {
                    How = "Unseen and easy. The beat never stops.",
                };
                continue;
            }

            var book = open[i % open.Count] with { NextExample = place[open[i % open.Count].Id] };
            yield return FromBook(context, book, parts[i]);
            place[book.Id] += Books.Today(book, parts[i]);
        }
    }

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

    /// <summary>What there is to say where no book has an example left: finished is not unregistered.</summary>
    private static string Missing(FillContext context) =>
        context
            .Request.Materials.Where(material => material is { Kind: MaterialKind.Book, Resting: false })
            .OrderByDescending(book => book.LastVisit)
            .FirstOrDefault()
            is { } read
            ? $"{read.Title} is read: register another"
            : "register a book: its place is kept";

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
