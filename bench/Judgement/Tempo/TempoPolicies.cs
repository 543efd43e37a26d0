using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>Simple ways to spend a sitting: an order of the day, three takes of each, and a rule for the tempo.</summary>
internal static class TempoPolicies
{
    private const int TakesAVisit = 3;

    /// <summary>With less than that left nothing is begun.</summary>
    private const double HalfATake = 10;

    public static IReadOnlyList<(string Name, Func<TempoBook, DateOnly, IEnumerable<int>> Order)> Orders { get; } =
    [
        ("blocked", (book, day) => Blocked(book, day)),
        ("in turn", (book, day) => book.Known(day).OrderByDescending(id => book.DaysSince(id, day)).ThenBy(id => id)),
        ("every other day", (book, day) =>
            book.Known(day).Where(id => book.DaysSince(id, day) >= 2).OrderByDescending(id => book.DaysSince(id, day)).ThenBy(id => id)
        ),
        ("toughest first", (book, day) =>
            book.Known(day)
                .Where(id => !LastFirst(book, id) || book.DaysSince(id, day) >= 3)
                .OrderBy(id => LastFirst(book, id))
                .ThenByDescending(id => book.DaysSince(id, day))
                .ThenBy(id => id)
        ),
        ("ratings on paper", (book, day) =>
            book.Known(day)
                .Where(id => book.Rating(id) != Readiness.Ready || book.DaysSince(id, day) >= 3)
                .OrderBy(id => book.Rating(id) == Readiness.Ready)
                .ThenBy(id => book.Pencil[id].Tempo / book.Passages[id].Piece!.Target!.Value)
                .ThenByDescending(id => book.DaysSince(id, day))
        ),
        ("widening gaps", (book, day) => book.Known(day).Where(id => Due(book, id) <= day).OrderBy(id => Due(book, id)).ThenBy(id => id)),
    ];

    /// <summary>Three takes of each in order, round again while there is time.</summary>
    public static void Spend(Sitting sitting, IEnumerable<int> order, bool pencil)
    {
        var list = order.ToList();
        if (list.Count == 0)
        {
            sitting.Idle(sitting.Left);
            return;
        }

        for (var place = 0; sitting.Left > HalfATake; place++)
        {
            var id = list[place % list.Count];
            for (var take = 0; take < TakesAVisit && sitting.Left > HalfATake; take++)
                Take(sitting, id, pencil);
        }
    }

    /// <summary>
    /// The greedy oracle: it sees the hidden state, and plays what brings the most playable passages a second at the tempo at which most
    /// is learnt.
    /// </summary>
    public static void Oracle(Sitting sitting)
    {
        var (book, learner) = (sitting.Book, sitting.Learner);
        while (sitting.Left > HalfATake)
        {
            var (best, most, at) = (-1, 0.0, 60.0);
            foreach (var id in book.Known(sitting.Day))
            {
                var target = book.Passages[id].Piece!.Target!.Value;
                var capacity = learner.Capacity(id);
                var tempo = Math.Max(20, capacity * 0.99);
                var need = Math.Log(target * 0.97 / capacity);
                var wish = 1 / (1 + Math.Exp(-need / 0.03)) * Math.Exp(-Math.Max(0, need) / 0.5);
                var worth = learner.Gain(id, learner.Next(id, tempo)) * (wish + 0.02) / TempoBook.TakeSeconds(tempo);
                if (worth > most)
                    (best, most, at) = (id, worth, tempo);
            }

            if (best < 0)
                return;
            var (clean, _) = sitting.Play(best, at, TempoBook.TakeSeconds(at));
            book.Note(best, sitting.Day, clean, (int)at);
        }
    }

    private static void Take(Sitting sitting, int id, bool pencil)
    {
        var (book, day) = (sitting.Book, sitting.Day);
        var tempo = pencil
            ? book.Pencil[id].Tempo
            : TodaysTempo.Of(DayReach.At(Able(book, id, day)), Pace.Work, new Bpm(book.Passages[id].Piece!.Target!.Value)).Value;
        var (clean, recorded) = sitting.Play(id, tempo, TempoBook.TakeSeconds(tempo));
        sitting.Tally.WorkTakes++;
        sitting.Tally.WorkClean += clean ? 1 : 0;
        book.Pencil[id].After(clean);
        if (recorded)
            book.Note(id, day, clean, (int)Math.Round(tempo));
    }

    /// <summary>What the app believes of a passage at this moment.</summary>
    private static Morning Able(TempoBook book, int id, DateOnly day)
    {
        var row = book.Passages[id];
        var core = Data.Bookkeeping.ToCore(row, day, row.Piece, visit: book.Visit(id, day), traits: book.Traits);
        return core.Today ?? Estimate.Morning(core.Reach ?? core.Start, book.Traits, core.Target?.Value);
    }

    private static bool LastFirst(TempoBook book, int id) =>
        book.Firsts[id].Count > 0
        && book.Firsts[id][^1] is var last
        && last.Clean
        && last.Tempo >= book.Passages[id].Piece!.Target!.Value * 0.92;

    private static DateOnly Due(TempoBook book, int id) =>
        book.Passages[id] is { LastVisit: { } last } row
            ? DueDay.Of(
                School.WideningGaps,
                last,
                row is { Stability: { } stability, MemoryDifficulty: { } difficulty } ? new Memory(stability, difficulty) : null,
                book.Rating(id),
                row.Slipped,
                null
            )
            : DateOnly.MinValue;

    private static IEnumerable<int> Blocked(TempoBook book, DateOnly day)
    {
        var known = book.Known(day).ToList();
        var perDay = (double)known.Count / book.Scenario.Days;
        var at = (int)((day.DayNumber - TempoBook.First.DayNumber) * perDay);
        return known.OrderBy(id => id % book.Scenario.Pieces).Skip(Math.Min(at, known.Count - 1)).Take(3);
    }
}
