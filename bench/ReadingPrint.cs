using System.Diagnostics;
using System.Globalization;
using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;

namespace TuningFork.Bench;

/// <summary>Twenty pieces of unseen music of each level, to be read as a musician would; and how they come out by numbers.</summary>
internal static class ReadingPrint
{
    private const int Each = 20;
    private const int Measured = 1000;

    public static void Write(string file, string instrument)
    {
        var played = InstrumentNames.Find(instrument)
            ?? throw new ArgumentException($"There is no instrument called \"{instrument}\".", nameof(instrument));
        using var sheet = new StreamWriter(file);
        Console.WriteLine("level  steps  thirds  leaps  resolved  one top  motif again  equal bars  empty  ms");
        for (var level = 1; level <= ReadingLevels.Most; level++)
        {
            for (var seed = 0; seed < Each; seed++)
                sheet.WriteLine(AbcWriter.Write(Of(level, seed, played).Staves));
            var clock = Stopwatch.StartNew();
            var all = Enumerable.Range(0, Measured).Select(seed => Of(level, seed, played).Score).ToList();
            var each = clock.Elapsed.TotalMilliseconds / Measured;
            var moves = all.SelectMany(Moves).ToList();
            double Part(Func<int, bool> which) => 100.0 * moves.Count(which) / moves.Count;
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{level, 5}  {Part(move => Math.Abs(move) <= 1), 4:0}%  {Part(move => Math.Abs(move) == 2), 5:0}%  {Part(move => Math.Abs(move) > 2), 4:0}%  {100 * Resolved(all), 7:0}%  {100.0 * all.Count(OneTop) / all.Count, 6:0}%  {100.0 * all.Count(MotifAgain) / all.Count, 10:0}%  {100 * EqualBars(all), 9:0}%  {100.0 * all.Count(Empty) / all.Count, 5:0.0}%  {each:0.00}"
                )
            );
        }
    }

    private static Reading Of(int level, int seed, Instrument instrument) =>
        Composer.Compose(
            new ReadingWish
            {
                Seed = (level * 10_000) + seed,
                Levels = ReadingLevels.All(level),
                Asked = (Strand)(seed % 4),
                Instrument = instrument,
            }
        );

    private static List<Pitch> Line(Score score) =>
        [
            .. score
                .Bars.SelectMany(bar => bar.Elements)
                .Where(element => !element.IsRest)
                .Aggregate(new List<(Pitch Pitch, bool Tied)>(), (line, element) =>
                {
                    if (line.Count == 0 || !line[^1].Tied)
                        line.Add((element.Pitches[^1], element.Tied));
                    else
                        line[^1] = (line[^1].Pitch, element.Tied);
                    return line;
                })
                .Select(one => one.Pitch),
        ];

    private static IEnumerable<int> Moves(Score score)
    {
        var line = Line(score);
        return line.Zip(line.Skip(1), (one, next) => next.Diatonic - one.Diatonic);
    }

    /// <summary>Leaps of a fourth and more after which the line turns back by step or third.</summary>
    private static double Resolved(IReadOnlyList<Score> all)
    {
        var (leaps, resolved) = (0, 0);
        foreach (var moves in all.Select(score => Moves(score).ToList()))
        {
            for (var i = 0; i + 1 < moves.Count; i++)
            {
                if (Math.Abs(moves[i]) < 3)
                    continue;
                leaps++;
                resolved += Math.Sign(moves[i + 1]) == -Math.Sign(moves[i]) && Math.Abs(moves[i + 1]) <= 2 ? 1 : 0;
            }
        }

        return leaps == 0 ? 1 : (double)resolved / leaps;
    }

    private static bool OneTop(Score score)
    {
        var line = Line(score);
        var top = line.Max(pitch => pitch.Diatonic);
        return line.Count(pitch => pitch.Diatonic == top) == 1;
    }

    private static string Shape(Bar bar)
    {
        var line = bar.Elements.Where(element => !element.IsRest).Select(element => element.Pitches[^1].Diatonic).ToList();
        return $"{string.Join(' ', bar.Elements.Select(element => element.Length))}/{string.Join(' ', line.Zip(line.Skip(1), (one, next) => next - one))}";
    }

    private static bool MotifAgain(Score score) => score.Bars.Select(Shape).CountBy(shape => shape).Any(pair => pair.Value > 1);

    /// <summary>More than half of the bars before the last hold one note: nothing to read.</summary>
    private static bool Empty(Score score) =>
        score.Bars.SkipLast(1).Count(bar => bar.Elements.Count(element => !element.IsRest) < 2) > (score.Bars.Count - 1) / 2.0;

    private static double EqualBars(IReadOnlyList<Score> all)
    {
        var bars = all.SelectMany(score => score.Bars.Select(bar => $"{score.Time}{Shape(bar)}")).ToList();
        return bars.CountBy(bar => bar).Max(pair => (double)pair.Value / bars.Count);
    }
}
