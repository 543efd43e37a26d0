using System.Globalization;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>The written notes a sheet may use.</summary>
/// <param name="Lowest">Lowest.</param>
/// <param name="Highest">Highest.</param>
/// <param name="From">Where it usually begins; null for as low as it can.</param>
internal sealed record SheetRange(Pitch Lowest, Pitch Highest, Pitch? From)
{
    public static SheetRange Of(SheetWish wish, Instrument instrument)
    {
        if (!instrument.IsPitched)
            throw new SheetException("instrument", $"{instrument.Name} has no pitch; there are grooves for it instead.");
        var range = new SheetRange(
            wish.Lowest ?? instrument.Lowest!.Value,
            wish.Highest ?? instrument.Highest!.Value,
            wish.Lowest is not null ? null
                : wish.Hand == Hand.Left ? LeftFrom(instrument, wish.Octaves)
                : instrument.ScalesFrom
        );
        if (range.Lowest.Midi >= range.Highest.Midi)
            throw new SheetException("highest", $"The range is upside down: {range.Lowest} is not below {range.Highest}. Swap them.");
        if (wish.Octaves is < 1 or > Sheets.MostOctaves)
            throw new SheetException("octaves", $"A sheet has 1 to {Sheets.MostOctaves} octaves.");
        return range;
    }

    /// <summary>More than one octave begins an octave lower: the bass clef ends soon after middle C.</summary>
    private static Pitch? LeftFrom(Instrument instrument, int octaves) =>
        instrument.LeftHandFrom is { } one ? one with { Octave = one.Octave - (octaves > 1 ? 1 : 0) } : instrument.ScalesFrom;

    /// <summary>The first note where it usually begins, an octave or more below when it would go too high; else the lowest.</summary>
    public Pitch FirstNote(Figure figure, int octaves)
    {
        var lowest = LowestOf(figure.Tonic, Lowest);
        if (Fits(figure, octaves))
        {
            var first = LowestOf(figure.Tonic, From ?? Lowest);
            while (first.Midi > lowest.Midi && first.Midi + (12 * octaves) + figure.Above > Highest.Midi)
                first = first with { Octave = first.Octave - 1 };
            return first;
        }

        var most = Enumerable.Range(1, Sheets.MostOctaves).LastOrDefault(fewer => Fits(figure, fewer));
        var remedy =
            most > 0
                ? string.Create(CultureInfo.InvariantCulture, $"Choose {(most == 1 ? "1 octave" : $"{most} octaves")}, or widen the range.")
                : "Widen the range.";
        throw new SheetException(
            "octaves",
            string.Create(CultureInfo.InvariantCulture, $"{octaves} octaves from {lowest} go beyond {Highest}. {remedy}")
        );
    }

    public bool Fits(Figure figure, int octaves) => LowestOf(figure.Tonic, Lowest).Midi + (12 * octaves) + figure.Above <= Highest.Midi;

    public void Check(IReadOnlyList<Pitch> line)
    {
        if (
            line.FirstOrDefault(pitch => pitch.Midi < Lowest.Midi || pitch.Midi > Highest.Midi) is var outside
            && line.Any(pitch => pitch.Midi < Lowest.Midi || pitch.Midi > Highest.Midi)
        )
            throw new SheetException("octaves", $"{outside} lies outside {Lowest} to {Highest}. Choose fewer octaves, or widen the range.");
    }

    private static Pitch LowestOf(NoteName tonic, Pitch from) =>
        Enumerable.Range(-1, 11).Select(octave => new Pitch(tonic, octave)).First(pitch => pitch.Midi >= from.Midi);
}
