using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>A groove as what is played: when its strokes are, whatever they sound like.</summary>
public static class GrooveMusic
{
    /// <summary>Bars of one take: a groove of fewer goes round until they are full (common practice: four bars are one phrase).</summary>
    private const int TakeBars = 4;

    /// <summary>A beat of a groove counts as a quarter.</summary>
    private const int Quarter = 4;

    /// <summary>Any pitch: a stroke has none.</summary>
    private static readonly Pitch Struck = Pitch.Parse("B4");

    /// <summary>One take of a groove, four bars or more; strokes of several lines at one place are one note.</summary>
    /// <param name="groove">The groove.</param>
    public static Music Take(Groove groove)
    {
        ArgumentNullException.ThrowIfNull(groove);
        var rounds = (TakeBars + groove.Bars - 1) / groove.Bars;
        var once = Enumerable.Range(0, groove.Bars).Select(bar => BarOf(groove, bar)).ToList();
        return new Music([
            new Score
            {
                Clef = Clef.Percussion,
                Time = new TimeSignature(groove.BeatsPerBar, Quarter),
                Bars = [.. Enumerable.Repeat(once, rounds).SelectMany(bars => bars)],
            },
        ]);
    }

    private static Bar BarOf(Groove groove, int bar)
    {
        var places = groove.BeatsPerBar * groove.PlacesPerBeat;
        var length = new Fraction(1, Quarter * groove.PlacesPerBeat);
        return new Bar([
            .. Enumerable
                .Range(bar * places, places)
                .Select(place =>
                    groove.Lines.Any(line => line.Strokes[place] != Stroke.None) ? Element.Note(Struck, length) : Element.Rest(length)
                ),
        ]);
    }
}
