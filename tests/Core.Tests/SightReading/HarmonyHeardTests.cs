using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.SightReading;

/// <summary>What sounds together in unseen music (common practice of harmony).</summary>
public sealed class HarmonyHeardTests
{
    private const int Octave = 12;

    /// <summary>Two thousand pieces for both hands in minor keys: never a raised and a natural seventh at once.</summary>
    [Fact]
    public void Two_hands_in_minor_agree_on_the_seventh()
    {
        var piano = InstrumentNames.Find("piano")!;
        var pieces = Enumerable
            .Range(0, 100_000)
            .Select(seed => Wish(piano, 5 + (seed % 8), seed) with { Key = Key.OfPitchClass(seed % 12, true) })
            .Select(Composer.Compose)
            .Where(reading => reading.BothHands)
            .Take(2_000);
        foreach (var reading in pieces)
        {
            var key = reading.Score.Key;
            var seventh = (Step)(((int)key.Tonic.Step + 6) % 7);
            var sounding = reading.Staves.SelectMany(Sevenths).ToList();
            foreach (var one in sounding)
            {
                sounding.ShouldNotContain(
                    other => other.Alteration != one.Alteration && other.From < one.Until && one.From < other.Until,
                    reading.Score.Title
                );
            }

            IEnumerable<(int Alteration, double From, double Until)> Sevenths(Score score)
            {
                var at = Fraction.Zero;
                foreach (var element in score.Bars.SelectMany(bar => bar.Elements))
                {
                    foreach (var pitch in element.Pitches.Where(pitch => pitch.Name.Step == seventh))
                        yield return (pitch.Name.Alteration, at.Value, (at + element.Length).Value);
                    at += element.Length;
                }
            }
        }
    }

    [Fact]
    public void The_last_two_notes_at_once_stand_on_the_root()
    {
        var chords = 0;
        foreach (var name in new[] { "guitar", "piano" })
        {
            for (var seed = 0; seed < 900; seed++)
            {
                var score = Composer.Compose(Wish(InstrumentNames.Find(name)!, 7 + (seed % 6), seed)).Score;
                if (score.Bars[^1].Elements.FirstOrDefault(element => element.Pitches.Count == 2) is not { } last)
                    continue;
                chords++;
                var low = last.Pitches.MinBy(pitch => pitch.Midi);
                low.Name.ShouldBe(score.Key.Tonic, score.Title);
                ((last.Pitches.Max(pitch => pitch.Midi) - low.Midi) % Octave).ShouldBeOneOf(0, 3, 4);
            }
        }

        chords.ShouldBeGreaterThan(50);
    }

    [Theory]
    [InlineData(new[] { 1, 3 }, new[] { 2, 4 }, 4)]
    [InlineData(new[] { 1, 2, 3 }, new[] { 4 }, 4)]
    [InlineData(new[] { 1 }, new[] { 2 }, 2)]
    public void Endings_are_played_as_often_as_they_say(int[] first, int[] second, int passes)
    {
        var score = new Score
        {
            Time = new TimeSignature(1, 4),
            Bars =
            [
                Bar("C4") with
                {
                    RepeatBegins = true,
                },
                Bar("D4") with
                {
                    Ending = first,
                    RepeatEnds = true,
                },
                Bar("E4") with
                {
                    Ending = second,
                    RepeatEnds = passes == 4,
                },
            ],
        };
        score.Played().ShouldBe(Enumerable.Range(1, passes).SelectMany(pass => new[] { 0, first.Contains(pass) ? 1 : 2 }));

        static Bar Bar(string pitch) => new([Element.Note(Pitch.Parse(pitch), new Fraction(1, 4))]);
    }

    [Fact]
    public void The_tonic_of_a_minor_progression_is_a_minor_seventh()
    {
        var key = new Key(NoteName.Parse("A"), IsMinor: true);
        var chords = Chord.OfKey(key, sevenths: true);
        new[] { 1, 4, 5, 1 }
            .Select(degree => Chord.Played(key, degree, chords[degree - 1].Chord).Symbol)
            .ShouldBe(["Am7", "Dm7", "E7", "Am7"]);
    }

    private static ReadingWish Wish(Instrument instrument, int level, int seed) =>
        new()
        {
            Seed = seed,
            Levels = ReadingLevels.All(level),
            Asked = Strand.Texture,
            Instrument = instrument,
        };
}
