using TuningFork.Core.Notation;

namespace TuningFork.Core.SightReading;

/// <summary>
/// The rhythm of a piece: a bar that asks and comes again, one that answers, closes with a long note; by phrases of four bars at most.
/// </summary>
internal static class RhythmPlan
{
    private const int PhraseBars = 4;

    /// <summary>Figures: the bar that asks, the one that answers, a third; a halt at the end of a phrase, and the end.</summary>
    private const int Question = 0;
    private const int Answer = 1;
    private const int Other = 2;
    private const int Halt = 8;
    private const int End = 9;
    private const int TiedLevel = 5;
    private const int LeastOfQuestion = 2;

    /// <summary>How often a bar that begins with a note is held over from the one before, from the level of ties on.</summary>
    private const double TieChance = 0.12;

    /// <summary>The phrases: the first bar of each and how many it has, four at most, none of one bar.</summary>
    public static IReadOnlyList<(int From, int Bars)> Phrases(int bars)
    {
        var phrases = new List<(int, int)>();
        for (var first = 0; first < bars; )
        {
            var left = bars - first;
            var length =
                left == PhraseBars + 1 ? 3
                : left is 6 && bars == 6 ? 3
                : Math.Min(PhraseBars, left);
            phrases.Add((first, length));
            first += length;
        }

        return phrases;
    }

    /// <summary>The bars, and for each which figure it is: bars of the same figure sound alike.</summary>
    public static (List<List<RhythmNote>> Bars, List<int> Figures) Make(int bars, TimeSignature time, int level, bool asked, Random random)
    {
        var phrases = Phrases(bars);
        var result = new List<List<RhythmNote>>();
        var figures = new List<int>();
        // What is new comes for certain where rhythm is asked.
        var bar = new Dictionary<int, List<RhythmNote>>
        {
            // What the rest is made of has something to read.
            [Question] = Bar(time, level, asked ? level : 0, random, LeastOfQuestion),
            [Answer] = Bar(time, level, 0, random),
            [Other] = Bar(time, level, asked ? level : 0, random),
        };
        foreach (var (from, length) in phrases)
        {
            for (var i = 0; i < length; i++)
            {
                var figure =
                    i < length - 1 ? FigureOf(i, from > 0, random)
                    : from + length == bars ? End
                    : Halt;
                result.Add(figure is Halt or End ? Close(time, level, figure == End, random) : [.. bar[figure]]);
                figures.Add(figure);
            }
        }

        if (level >= TiedLevel)
            Tie(result, random);
        return (result, figures);
    }

    /// <summary>A phrase begins with the figure that asks; what follows answers it, or is the same again; later phrases know a third.</summary>
    private static int FigureOf(int place, bool later, Random random) =>
        place == 0 ? Question
        : place == 1
            ? random.Next(3) == 0 ? Question
                : Answer
        : later && random.Next(2) == 0 ? Other
        : Question;

    private static void Tie(List<List<RhythmNote>> bars, Random random)
    {
        for (var i = 1; i < bars.Count; i++)
        {
            if (
                IsPlain(bars[i - 1], bars[i])
                && random.NextDouble() < TieChance
                && bars[i][0] is { IsRest: false, Tuplet: null }
                && bars[i - 1][^1] is { IsRest: false, Tuplet: null }
            )
                bars[i][0] = bars[i][0] with { Held = true };
        }
    }

    /// <summary>Over the bar line from a short note, and not twice running: the beat stays to be felt.</summary>
    private static bool IsPlain(List<RhythmNote> before, List<RhythmNote> bar) =>
        before[^1].Length <= new Fraction(1, 4) && before.Count > 1 && bar.Count > 1 && !before[0].Held;

    /// <summary>A bar of cells, those on beats that can bear them; with a cell of a level that has to come.</summary>
    private static List<RhythmNote> Bar(TimeSignature time, int level, int wanted, Random random, int least = 1)
    {
        for (var tries = 0; ; tries++)
        {
            var cells = new List<RhythmCell>();
            foreach (var (group, count) in Groups(time))
                Fill(cells, group, count, time, level, wanted, random);
            var beats = cells.SelectMany(cell => cell.Notes).ToList();
            var enough = beats.Count(beat => !beat.IsRest) >= least && !beats[0].IsRest && beats.Count <= 10;
            var hasWanted = wanted == 0 || cells.Exists(cell => cell.Level == NewestIn(time, wanted));
            if ((enough && hasWanted) || (enough && tries > 60) || tries > 200)
                return beats;
        }
    }

    /// <summary>The newest cells that a metre has up to a level.</summary>
    private static int NewestIn(TimeSignature time, int level) =>
        Groups(time)
            .SelectMany(group => RhythmCell.For(group.Group, time))
            .Select(cell => cell.Level)
            .Where(one => one <= level)
            .DefaultIfEmpty(1)
            .Max();

    private static void Fill(List<RhythmCell> cells, Fraction group, int count, TimeSignature time, int level, int wanted, Random random)
    {
        var choices = RhythmCell.For(group, time).Where(cell => cell.Level <= level).ToList();
        var newest = NewestIn(time, wanted);
        for (var at = 0; at < count; )
        {
            var left = group * new Fraction(count - at, 1);
            var fitting = choices.Where(cell => cell.Length <= left && Bears(cell, group, at)).ToList();
            var cell = Pick(fitting, one => one.Weight * (wanted > 0 && one.Level == newest ? 4 : 1), random);
            cells.Add(cell);
            at += (int)(cell.Length / group).Numerator;
        }
    }

    /// <summary>A cell of several beats begins on the first or, over two, on an odd beat: the middle of the bar stays to be seen.</summary>
    private static bool Bears(RhythmCell cell, Fraction group, int at)
    {
        var beats = (cell.Length / group).Numerator;
        return beats == 1 || at == 0 || (beats == 2 && at % 2 == 0);
    }

    private static RhythmCell Pick(IReadOnlyList<RhythmCell> cells, Func<RhythmCell, int> weight, Random random)
    {
        var ticket = random.Next(cells.Sum(weight));
        foreach (var cell in cells)
        {
            ticket -= weight(cell);
            if (ticket < 0)
                return cell;
        }

        return cells[^1];
    }

    /// <summary>What is counted together in a bar, and how many of it.</summary>
    public static IReadOnlyList<(Fraction Group, int Count)> Groups(TimeSignature time) =>
        (time.Beats, time.Unit) switch
        {
            (5, 8) => [(new Fraction(3, 8), 1), (new Fraction(1, 4), 1)],
            (7, 8) => [(new Fraction(1, 4), 2), (new Fraction(3, 8), 1)],
            (_, 8) => [(new Fraction(3, 8), time.Beats / 3)],
            (_, 2) => [(new Fraction(1, 2), time.Beats)],
            _ => [(new Fraction(1, 4), time.Beats)],
        };

    /// <summary>A long note at the end; before the end a rest may follow it.</summary>
    private static List<RhythmNote> Close(TimeSignature time, int level, bool last, Random random)
    {
        if (last)
            return Long(time.Bar);
        var (group, _) = Groups(time)[^1];
        var rest = level >= 4 && random.Next(2) == 0 && Groups(time).Sum(one => one.Count) > 1;
        return rest ? [.. Long(time.Bar - group), new RhythmNote(group, true)] : Long(time.Bar);
    }

    private static List<RhythmNote> Long(Fraction length) =>
        [.. Values.Cut(length).Select((part, i) => new RhythmNote(part) { Held = i > 0 })];
}
