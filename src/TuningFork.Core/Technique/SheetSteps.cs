using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>What the steps of an exercise are.</summary>
public enum StepsBy
{
    /// <summary>Words, as they were typed.</summary>
    Words,

    /// <summary>The notes of a scale or arpeggio, upwards.</summary>
    Notes,

    /// <summary>One octave after the other, then all of them.</summary>
    Octaves,

    /// <summary>All of a key: scales, arpeggios, seventh chords, thirds, sixths, a pattern.</summary>
    Key,
}

/// <summary>A step made from a sheet.</summary>
/// <param name="Name">"G4", "G3 to G4", "G major scale, two octaves".</param>
/// <param name="Wish">Its own sheet; null for a single note.</param>
public sealed record SheetStep(string Name, SheetWish? Wish);

/// <summary>The steps of a one-by-one exercise, made from a scale and its octaves: nothing is typed.</summary>
public static class SheetSteps
{
    private const string Minor = "harmonic-minor";

    /// <summary>The steps in order.</summary>
    /// <param name="wish">Scale or arpeggio, first note, octaves and rhythm; of a key the first note and whether it is minor.</param>
    /// <param name="by">What the steps are.</param>
    /// <param name="instrument">Whose range counts: what does not fit has fewer octaves, or is left out of a key.</param>
    /// <exception cref="SheetException">The wish cannot be met; the message names the remedy.</exception>
    public static IReadOnlyList<SheetStep> Of(SheetWish wish, StepsBy by, Instrument instrument)
    {
        ArgumentNullException.ThrowIfNull(wish);
        ArgumentNullException.ThrowIfNull(instrument);
        return by switch
        {
            StepsBy.Notes => [.. Line(wish, instrument).Select(pitch => new SheetStep(Printed(pitch), null))],
            StepsBy.Octaves => Octaves(wish, instrument),
            StepsBy.Key => OfKey(wish, instrument),
            _ => [],
        };
    }

    private static IReadOnlyList<Pitch> Line(SheetWish wish, Instrument instrument)
    {
        var (figure, first) = First(wish, instrument);
        return figure.Up(first, wish.Octaves);
    }

    private static (Figure Figure, Pitch First) First(SheetWish wish, Instrument instrument)
    {
        // Says what is wrong with the wish, if anything is.
        Sheets.Make(wish, instrument);
        var figure = Figure.Of(wish, NoteName.Parse(wish.Tonic));
        return (figure, SheetRange.Of(wish, instrument).FirstNote(figure, wish.Octaves));
    }

    private static List<SheetStep> Octaves(SheetWish wish, Instrument instrument)
    {
        var (_, first) = First(wish, instrument);
        var steps = Enumerable
            .Range(0, wish.Octaves)
            .Select(octave => first with { Octave = first.Octave + octave })
            .Select(foot => new SheetStep(
                $"{Printed(foot)} to {Printed(foot with { Octave = foot.Octave + 1 })}",
                wish with
                {
                    Octaves = 1,
                    Lowest = foot,
                }
            ))
            .ToList();
        if (wish.Octaves > 1)
            steps.Add(
                new SheetStep(
                    $"{Printed(first)} to {Printed(first with { Octave = first.Octave + wish.Octaves })}",
                    wish with
                    {
                        Order = OctaveOrder.UpAndDown,
                        Lowest = first,
                    }
                )
            );
        return steps;
    }

    private static string Printed(Pitch pitch) => $"{pitch.Name.Printed}{pitch.Octave}";

    private static List<SheetStep> OfKey(SheetWish wish, Instrument instrument)
    {
        var minor = wish.Kind.Contains("minor", StringComparison.Ordinal);
        if (!NoteName.TryParse(wish.Tonic, out var tonic))
            throw new SheetException("tonic", $"\"{wish.Tonic}\" is no note. Write a letter A to G and # or b, like F# or Bb.");
        if (!new Theory.Key(tonic, minor).CanBeWritten)
            throw new SheetException(
                "tonic",
                $"{tonic.Printed} would need more than seven accidentals. Take the same sound with another letter."
            );
        var scale = wish with { Figure = "scale", Kind = minor ? Minor : "major", Order = OctaveOrder.UpAndDown };
        SheetWish Arpeggio(string kind, Interval? up = null) =>
            scale with
            {
                Figure = "arpeggio",
                Kind = kind,
                Tonic = $"{(up is { } by ? new Pitch(tonic, 4).Plus(by).Name : tonic)}",
            };
        SheetWish Shape(string shape) => scale with { Figure = "shape", Shape = shape, Way = ShapeWay.Up };
        // From the fifth degree the dominant seventh, in minor from the raised seventh the diminished one.
        var dominant = Arpeggio("dominant-seventh", new Interval(4, 7));
        SheetWish[] wishes = minor
            ?
            [
                scale,
                scale with
                {
                    Kind = "melodic-minor",
                },
                Arpeggio("minor"),
                Arpeggio("minor-seventh"),
                dominant,
                Arpeggio("diminished-seventh", new Interval(6, 11)),
                Shape("thirds"),
                Shape("sixths"),
                scale with
                {
                    Figure = "pattern",
                    PatternSize = 4,
                    PatternNumber = 1,
                },
            ]
            :
            [
                scale,
                Arpeggio("major"),
                Arpeggio("major-seventh"),
                dominant,
                Shape("thirds"),
                Shape("sixths"),
                scale with
                {
                    Figure = "pattern",
                    PatternSize = 4,
                    PatternNumber = 1,
                },
            ];
        var steps = wishes.Select(one => Fitting(one, instrument)).OfType<SheetStep>().ToList();
        return steps.Count > 1
            ? steps
            : throw new SheetException("tonic", $"Too little of this key fits {instrument.Name}. Widen the range, or take another key.");
    }

    /// <summary>The sheet in as many of its octaves as fit; null where not even one does.</summary>
    private static SheetStep? Fitting(SheetWish wish, Instrument instrument)
    {
        for (var octaves = wish.Octaves; octaves >= 1; octaves--)
        {
            try
            {
                var fitting = wish with { Octaves = octaves };
                return new SheetStep(Sheets.Make(fitting, instrument).Title, fitting);
            }
            catch (SheetException)
            {
                // One octave fewer may fit.
            }
        }

        return null;
    }
}
