using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>Where unseen music may stand.</summary>
/// <param name="First">Its lowest place on the staff, in letters above C0.</param>
/// <param name="Last">Its highest.</param>
/// <param name="Lowest">MIDI note of the lowest that is comfortable.</param>
/// <param name="Highest">The same of the highest.</param>
internal readonly record struct ReadingWindow(int First, int Last, int Lowest, int Highest);

/// <summary>Between which notes unseen music moves: the comfortable part of the instrument, as wide as the level.</summary>
internal static class ReadingRange
{
    /// <summary>Parts of the whole range that are left out below and above (common practice: the ends are not read at sight first).</summary>
    private const double LeftOutBelow = 0.12;
    private const double LeftOutAbove = 0.3;

    /// <summary>Where the middle of what is read lies in the comfortable part.</summary>
    private const double Middle = 0.42;
    private const int LeastLetters = 4;
    private const int HandFrets = 3;

    private static readonly Pitch Break = Pitch.Parse("B4");

    public static ReadingWindow Of(ReadingWish wish, Key key)
    {
        var (low, high) = Comfortable(wish);
        if (high.Diatonic - low.Diatonic < LeastLetters)
            throw new ReadingException(
                "range",
                $"From {low} to {high} there are too few notes to read. Give at least a fifth, or leave the range out."
            );
        var span = Math.Min(ReadingTables.Span(wish.Levels.Range), high.Diatonic - low.Diatonic);
        var middle =
            wish.OverTheBreak && Break.Midi > low.Midi && Break.Midi < high.Midi
                ? Break.Diatonic
                : low.Diatonic + (int)Math.Round((high.Diatonic - low.Diatonic) * Middle);
        var first = Math.Clamp(middle - (span / 2), low.Diatonic, high.Diatonic - span);
        // The tonic and its fifth should lie inside: five letters from a tonic where there is no more.
        if (span < 7)
        {
            var tonic = (int)key.Tonic.Step;
            var home = Enumerable.Range(first - 3, 8).Where(one => (((one - tonic) % 7) + 7) % 7 == 0);
            first = home.Where(one => one >= low.Diatonic && one + span <= high.Diatonic)
                .DefaultIfEmpty(first)
                .MinBy(one => Math.Abs(one - first));
        }

        return new ReadingWindow(first, first + span, low.Midi, high.Midi);
    }

    private static (Pitch Low, Pitch High) Comfortable(ReadingWish wish)
    {
        var instrument = wish.Instrument;
        var (low, high) = (instrument.Lowest!.Value, instrument.Highest!.Value);
        if (instrument.Family == Family.Keys)
            (low, high) = wish.LeftHand ? (Pitch.Parse("E2"), Pitch.Parse("E4")) : (Pitch.Parse("C4"), Pitch.Parse("C6"));
        else if (instrument.Family != Family.Voice)
        {
            var letters = high.Diatonic - low.Diatonic;
            (low, high) = (AtLetter(low.Diatonic + (int)(letters * LeftOutBelow)), AtLetter(high.Diatonic - (int)(letters * LeftOutAbove)));
        }

        if (wish.Position is { } fret && instrument.OpenStrings is { } strings)
            (low, high) = (Pitch.OfMidi(strings[0].Midi + fret), Pitch.OfMidi(strings[^1].Midi + fret + HandFrets));
        // One's own range is that of the melody's staff.
        var (mine, top) = wish.LeftHand ? (low, high) : (wish.Lowest ?? low, wish.Highest ?? high);
        if (mine.Midi >= top.Midi)
            throw new ReadingException("range", $"The range is upside down: {mine} is not below {top}. Swap them.");
        if (mine.Midi < instrument.Lowest!.Value.Midi || top.Midi > instrument.Highest!.Value.Midi)
            throw new ReadingException(
                "range",
                $"From {mine} to {top} is more than {instrument.Name} has: {instrument.Lowest} to {instrument.Highest}. Stay inside, or change the instrument's own range."
            );
        return (mine, top);
    }

    private static Pitch AtLetter(int diatonic) => Pitch.Of((Step)(diatonic % 7), 0, diatonic / 7);
}
