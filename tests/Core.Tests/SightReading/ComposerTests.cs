using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.SightReading;

/// <summary>
/// Unseen music over thousands of seeds: it can be written and played, keeps its levels, and is music rather than dice. The bounds of the
/// musical measures: steps prevail, large leaps turn back, one highest place, a motif comes again (common practice of melody writing).
/// </summary>
public sealed class ComposerTests
{
    private const int Seeds = 60;
    private static readonly string[] Instruments = ["clarinet", "violin", "guitar", "piano", "cello", "voice", "hand drum"];

    [Fact]
    public void Every_bar_is_full_and_every_note_keeps_its_level_and_range()
    {
        foreach (var (reading, instrument) in All())
        {
            var (score, levels) = (reading.Score, reading.Levels);
            score.Check().ShouldBeEmpty();
            Holds(score.Bars.Count is >= ReadingWish.LeastBars and <= ReadingWish.MostBars, "length");
            Holds(ReadingTables.Metres(levels.Rhythm).Any(one => one.Time == score.Time), "metre");
            if (!instrument.IsPitched)
                continue;
            Holds(ReadingTables.Keys(levels.Keys).Any(one => one.Key == score.Key), "key");
            var line = Line(score);
            Holds(
                line.TrueForAll(pitch => pitch.Midi >= instrument.Lowest!.Value.Midi && pitch.Midi <= instrument.Highest!.Value.Midi),
                "instrument"
            );
            Holds(line.Max(pitch => pitch.Diatonic) - line.Min(pitch => pitch.Diatonic) <= ReadingTables.Span(levels.Range), "range");
            Holds(
                Moves(line).TrueForAll(move => Math.Abs(move) <= Math.Max(ReadingTables.Leap(levels.Range), levels.Range == 1 ? 1 : 2)),
                "leap"
            );
            Holds(line[^1].Name == score.Key.Tonic, "the end");
            foreach (var pitch in score.Bars.SelectMany(bar => bar.Elements).SelectMany(element => element.Pitches))
            {
                var raised = pitch.Name.Alteration - score.Key.AlterationOf(pitch.Name.Step);
                var leading = score.Key.IsMinor && ((int)pitch.Name.Step + 1) % 7 == (int)score.Key.Tonic.Step;
                Holds(raised == 0 || (raised == 1 && (leading || levels.Keys >= ReadingTables.Chromatic)), $"spelling of {pitch}");
            }

            void Holds(bool holds, string what)
            {
                if (!holds)
                    Assert.Fail($"{what}: level {levels.Keys}, {instrument.Name}, {AbcWriter.Write(score)}");
            }
        }
    }

    [Fact]
    public void A_second_voice_keeps_to_the_chords_and_clear_of_the_melody()
    {
        var (along, joints) = (0, 0);
        foreach (var (reading, instrument) in All().Where(one => one.Instrument.IsPitched))
        {
            var (score, second) = (reading.Score, reading.Second!);
            second.Check().ShouldBeEmpty();
            second.Bars.Count.ShouldBe(score.Bars.Count);
            var (line, beside) = (Midi(score), Midi(second));
            (beside.Max() < line.Min() || beside.Min() > line.Max()).ShouldBeTrue(AbcWriter.Write([score, second]));
            reading.BothHands.ShouldBe(
                instrument.Name == "Piano" && reading.Levels.Texture >= ReadingTables.BothHands && reading.BothHands
            );
            if (reading.BothHands)
                beside.Min().ShouldBeGreaterThanOrEqualTo(Pitch.Parse("C2").Midi);
            second.Bars[^1].Elements[0].Pitches[0].Name.ShouldBe(score.Key.Tonic, "it ends at home");
            for (var i = 0; i < second.Bars.Count; i++)
            {
                foreach (var pitch in second.Bars[i].Elements.SelectMany(element => element.Pitches))
                    (((int)pitch.Name.Step - (int)score.Key.Tonic.Step - reading.Chords[i] + 14) % 7).ShouldBeOneOf(
                        [0, 2, 4],
                        AbcWriter.Write([score, second])
                    );
            }

            var begins = score.Bars.Zip(second.Bars, (one, other) => (Top: one.Elements[0], Low: other.Elements[0])).ToList();
            foreach (var (was, now) in begins.Zip(begins.Skip(1)).Where(pair => !pair.First.Top.IsRest && !pair.Second.Top.IsRest))
            {
                joints++;
                var (from, to) = (Between(was), Between(now));
                var same = Math.Sign(Moved(was.Top, now.Top)) == Math.Sign(Moved(was.Low, now.Low)) && Moved(was.Low, now.Low) != 0;
                along += from == to && to is 0 or 7 && same ? 1 : 0;
            }
        }

        // Fifths and octaves in a row from bar to bar: counted, seldom.
        (along / (double)joints).ShouldBeLessThan(0.02);

        static List<int> Midi(Score score) =>
            [.. score.Bars.SelectMany(bar => bar.Elements).SelectMany(element => element.Pitches).Select(pitch => pitch.Midi)];
        static int Between((Element Top, Element Low) one) => Math.Abs(one.Top.Pitches[^1].Midi - one.Low.Pitches[0].Midi) % 12;
        static int Moved(Element was, Element now) => now.Pitches[^1].Midi - was.Pitches[^1].Midi;
    }

    [Fact]
    public void A_pianist_reads_the_left_hand_from_the_second_level_on_and_both_from_the_fifth()
    {
        var piano = InstrumentNames.Find("piano")!;
        for (var level = 1; level <= ReadingLevels.Most; level++)
        {
            var all = Enumerable.Range(0, 200).Select(seed => Composer.Compose(Wish(level, seed, piano))).ToList();
            Part(all, one => one.Score.Clef == Clef.Bass)
                .ShouldBeInRange(
                    level == 1 ? 0 : 0.1,
                    level == 1 ? 0
                        : level < ReadingTables.BothHands ? 0.7
                        : 0.4,
                    $"left hand, {level}"
                );
            Part(all, one => one.BothHands)
                .ShouldBeInRange(
                    level < ReadingTables.BothHands ? 0 : 0.6,
                    level < ReadingTables.BothHands ? 0 : 1,
                    $"both hands, {level}"
                );
            all.Where(one => one.Score.Clef == Clef.Bass).ShouldAllBe(one => Line(one.Score).TrueForAll(pitch => pitch.Midi <= 64));
        }

        InstrumentNames.Find("accordion")!.HasTwoStaves.ShouldBeFalse();
    }

    [Fact]
    public void Nothing_is_faster_than_its_level_can_be_read()
    {
        foreach (var (reading, _) in All())
        {
            var score = reading.Score;
            var notes = score.Bars.Sum(bar => bar.Elements.Count(element => !element.IsRest));
            var seconds = score.Bars.Sum(bar => score.Seconds(bar.Length));
            (notes / seconds).ShouldBeLessThan(3.2);
            var shortest = score.Bars.SelectMany(bar => bar.Elements).Min(element => element.Length);
            shortest.ShouldBeGreaterThanOrEqualTo(
                reading.Levels.Rhythm < 3 ? new Fraction(1, 4)
                : reading.Levels.Rhythm < 8 ? new Fraction(1, 8)
                : new Fraction(1, 16)
            );
        }
    }

    [Fact]
    public void It_is_the_same_for_the_same_wish_and_hardly_ever_twice_for_others()
    {
        var wish = Wish(5, 17, InstrumentNames.Find("violin")!);
        AbcWriter.Write(Composer.Compose(wish).Score).ShouldBe(AbcWriter.Write(Composer.Compose(wish).Score));
        var prints = Enumerable.Range(0, 1000).Select(seed => Composer.Compose(Wish(4, seed, wish.Instrument)).Fingerprint).ToList();
        prints.Distinct(StringComparer.Ordinal).Count().ShouldBeGreaterThan(960);
        foreach (var seed in Enumerable.Range(0, 40))
        {
            var reading = Composer.Compose(Wish(6, seed, wish.Instrument));
            var other = VariantMaker.InKey(reading.Score, reading.Score.Key.Plus(Interval.OfSemitones(5)));
            Composer.Fingerprint(other).ShouldBe(reading.Fingerprint, "the same music in another key");
        }
    }

    [Fact]
    public void It_is_music_rather_than_dice()
    {
        var violin = InstrumentNames.Find("violin")!;
        foreach (var level in new[] { 2, 4, 6, 8, 10, 12 })
        {
            var scores = Enumerable.Range(0, 500).Select(seed => Composer.Compose(Wish(level, seed, violin)).Score).ToList();
            var lines = scores.ConvertAll(Line);
            var moves = lines.ConvertAll(Moves);
            var all = moves.SelectMany(one => one).ToList();
            Part(all, move => Math.Abs(move) <= 1).ShouldBeInRange(0.6, 0.9, $"steps, level {level}");
            Part(all, move => move == 0).ShouldBeLessThan(0.2, $"repeated notes, level {level}");
            var leaps = moves.SelectMany(one => one.Zip(one.Skip(1))).Where(pair => Math.Abs(pair.First) >= 3).ToList();
            if (level >= 4)
                Part(leaps, pair => Math.Sign(pair.Second) == -Math.Sign(pair.First) && Math.Abs(pair.Second) <= 2)
                    .ShouldBeGreaterThan(0.75, $"leaps that turn back, level {level}");
            Part(lines, line => line.Count(pitch => pitch.Diatonic == line.Max(one => one.Diatonic)) == 1)
                .ShouldBeGreaterThan(0.8, $"one highest note, level {level}");
            if (level >= 4)
                Part(scores, score => score.Bars.CountBy(Shape).Any(pair => pair.Value > 1))
                    .ShouldBeGreaterThan(0.6, $"the motif again, level {level}");
            var bars = scores
                .SelectMany(score => score.Bars.Take(score.Bars.Count - 1).Select(bar => $"{score.Time} {Shape(bar)}"))
                .ToList();
            (bars.CountBy(bar => bar).Max(pair => pair.Value) / (double)bars.Count).ShouldBeLessThan(0.2, $"equal bars, level {level}");
        }
    }

    [Fact]
    public void What_is_asked_comes_at_its_level()
    {
        var violin = InstrumentNames.Find("violin")!;
        // Triplets are new on level 8, sixths on level 6, four signs on level 6.
        var rhythm = Enumerable.Range(0, 200).Select(seed => Asking(Strand.Rhythm, 8, seed)).ToList();
        Part(rhythm, score => score.Bars.Any(bar => bar.Elements.Any(element => element.Tuplet is not null)) || score.Time.Unit == 8)
            .ShouldBeGreaterThan(0.75);
        var range = Enumerable.Range(0, 200).Select(seed => Asking(Strand.Range, 6, seed)).ToList();
        Part(range, score => Moves(Line(score)).Any(move => Math.Abs(move) >= 4)).ShouldBeGreaterThan(0.75);
        var keys = Enumerable.Range(0, 200).Select(seed => Asking(Strand.Keys, 6, seed)).ToList();
        Part(keys, score => Math.Abs(score.Key.Signature) >= 2).ShouldBeGreaterThan(0.95);

        Score Asking(Strand strand, int level, int seed) =>
            Composer
                .Compose(Wish(level, seed, violin) with { Levels = ReadingLevels.Asking(strand, level, _ => level), Asked = strand })
                .Score;
    }

    [Fact]
    public void Wishes_are_kept_and_what_cannot_be_is_refused()
    {
        var guitar = InstrumentNames.Find("guitar")!;
        var wish = Wish(7, 3, guitar);
        foreach (var bars in Enumerable.Range(2, 15))
            Composer.Compose(wish with { Bars = bars }).Score.Bars.Count.ShouldBe(bars);
        Composer.Compose(wish with { Key = Key.C }).Score.Key.ShouldBe(Key.C);
        var fifth = Line(Composer.Compose(wish with { Position = 5 }).Score);
        var (lowest, highest) = (guitar.OpenStrings![0].Midi + 5, guitar.OpenStrings[^1].Midi + 8);
        fifth.ShouldAllBe(pitch => pitch.Midi >= lowest && pitch.Midi <= highest);
        var clarinet = InstrumentNames.Find("clarinet")!;
        Part(
                Enumerable
                    .Range(0, 100)
                    .Select(seed => Line(Composer.Compose(Wish(5, seed, clarinet) with { OverTheBreak = true }).Score))
                    .ToList(),
                line => line.Exists(pitch => pitch.Midi <= 69) && line.Exists(pitch => pitch.Midi >= 71)
            )
            .ShouldBeGreaterThan(0.75);
        Composer.Compose(wish with { ChordSymbols = true }).Score.Bars.ShouldAllBe(bar => bar.Elements[0].Words.Length > 0);
        Field(wish with { Bars = 40 }).ShouldBe("bars");
        Field(wish with { Levels = new ReadingLevels(0, 1, 1, 1) }).ShouldBe("level");
        Field(wish with { Lowest = Pitch.Parse("C4"), Highest = Pitch.Parse("E4") }).ShouldBe("range");
        Field(wish with { Lowest = Pitch.Parse("C5"), Highest = Pitch.Parse("E4") }).ShouldBe("range");
        Field(wish with { Lowest = Pitch.Parse("C2"), Highest = Pitch.Parse("E4") }).ShouldBe("range");
        Field(wish with { Position = 40 }).ShouldBe("position");
        Field(Wish(3, 1, clarinet) with { Position = 2 }).ShouldBe("position");

        static string Field(ReadingWish wish) => Should.Throw<ReadingException>(() => Composer.Compose(wish)).Field;
    }

    private static IEnumerable<(Reading Reading, Instrument Instrument)> All() =>
        Instruments
            .Select(name => InstrumentNames.Find(name)!)
            .SelectMany(instrument =>
                Enumerable
                    .Range(1, ReadingLevels.Most)
                    .SelectMany(level =>
                        Enumerable.Range(0, Seeds).Select(seed => (Composer.Compose(Wish(level, seed, instrument)), instrument))
                    )
            );

    private static ReadingWish Wish(int level, int seed, Instrument instrument) =>
        new()
        {
            Seed = seed,
            Levels = ReadingLevels.All(level),
            Asked = (Strand)(seed % 4),
            Instrument = instrument,
        };

    /// <summary>The melody: the highest of notes at once, tied notes once.</summary>
    private static List<Pitch> Line(Score score)
    {
        var elements = score.Bars.SelectMany(bar => bar.Elements).Where(element => !element.IsRest).ToList();
        return [.. elements.Where((_, i) => i == 0 || !elements[i - 1].Tied).Select(element => element.Pitches[^1])];
    }

    private static List<int> Moves(List<Pitch> line) => [.. line.Zip(line.Skip(1), (one, next) => next.Diatonic - one.Diatonic)];

    private static string Shape(Bar bar)
    {
        var line = bar.Elements.Where(element => !element.IsRest).Select(element => element.Pitches[^1]).ToList();
        return $"{string.Join(' ', bar.Elements.Select(element => element.Length))}/{string.Join(' ', Moves(line))}";
    }

    private static double Part<T>(IReadOnlyCollection<T> all, Func<T, bool> which) => all.Count(which) / (double)Math.Max(1, all.Count);
}
