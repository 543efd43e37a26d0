using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>What one looks for before one reads: half a minute at most (common practice).</summary>
/// <param name="Time">The metre: "6/8".</param>
/// <param name="Key">The key with its signs: "D major, 2 sharps"; empty without pitch.</param>
/// <param name="HighestBar">The bar of the highest note, from 1; 0 without pitch.</param>
/// <param name="Highest">That note: "A5".</param>
/// <param name="OddestBar">The bar of the oddest place, from 1.</param>
/// <param name="Oddest">What is odd there: "a leap of a sixth".</param>
public sealed record ReadingLook(string Time, string Key, int HighestBar, string Highest, int OddestBar, string Oddest)
{
    private static readonly string[] Intervals =
    [
        "unison",
        "second",
        "third",
        "fourth",
        "fifth",
        "sixth",
        "seventh",
        "octave",
        "ninth",
        "tenth",
    ];

    /// <summary>The look at some music.</summary>
    public static ReadingLook Of(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        var pitched = score.Clef != Clef.Percussion;
        var (highest, bar) = score
            .Bars.SelectMany((one, i) => one.Elements.SelectMany(element => element.Pitches).Select(pitch => (Pitch: pitch, Bar: i + 1)))
            .MaxBy(one => one.Pitch.Diatonic);
        var odd = Places(score, pitched).MaxBy(place => place.Weight);
        return new ReadingLook(
            $"{score.Time}",
            pitched ? $"{score.Key.Name}, {Signs(score.Key.Signature)}" : "",
            pitched ? bar : 0,
            pitched ? $"{highest.Name.Printed}{highest.Octave}" : "",
            odd.Bar,
            odd.What
        );
    }

    private static string Signs(int signature) =>
        signature switch
        {
            0 => "no signs",
            1 => "1 sharp",
            -1 => "1 flat",
            > 0 => $"{signature} sharps",
            _ => $"{-signature} flats",
        };

    private static IEnumerable<(int Bar, double Weight, string What)> Places(Score score, bool pitched)
    {
        Element? before = null;
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var elements = score.Bars[i].Elements;
            yield return (i + 1, elements.Count * 0.1, elements.Count > 4 ? "many notes" : "the fullest bar");
            for (var j = 0; j < elements.Count; j++)
            {
                var one = elements[j];
                if (one.Tuplet is { Begins: true })
                    yield return (i + 1, 4, "a triplet");
                if (
                    j > 0
                    && one.Written > elements[j - 1].Written
                    && elements[j - 1].Written == new Fraction(1, 8)
                    && one.Written == new Fraction(1, 4)
                )
                    yield return (i + 1, 2.5, "notes between the beats");
                if (one.Tied && j == elements.Count - 1)
                    yield return (i + 1, 3, "a tie over the bar line");
                if (pitched && !one.IsRest)
                {
                    var pitch = one.Pitches[^1];
                    if (pitch.Name.Alteration != score.Key.AlterationOf(pitch.Name.Step))
                        yield return (i + 1, 3.5, $"a sign: {pitch.Name.Printed}");
                    var leap = before is null ? 0 : Math.Abs(pitch.Diatonic - before.Pitches[^1].Diatonic);
                    if (leap >= 3)
                        yield return (
                            i + 1,
                            leap * 0.8,
                            $"a leap of a{(leap == 7 ? "n" : "")} {Intervals[Math.Min(leap, Intervals.Length - 1)]}"
                        );
                    before = one;
                }
            }
        }
    }
}
